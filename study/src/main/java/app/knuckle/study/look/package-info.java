/** What is seen of values before any test: counts in bins, bell shapes, what goes with what. */
package app.knuckle.study.look;
