/** What was computed of an inquiry before, kept as long as its own inputs stay the same. */
package app.knuckle.study.stages;
