/** Answers from a linear model with one layer of error. */
package app.knuckle.study.answers.linear;
