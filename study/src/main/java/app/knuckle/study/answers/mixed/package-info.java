/** Answers with random effects: the model that a design asks for, its variances, and its words. */
package app.knuckle.study.answers.mixed;
