/** Answers for split plots, strips and units seen repeatedly: several layers of error. */
package app.knuckle.study.answers.layers;
