/** Answers about one sample, or pairs. */
package app.knuckle.study.answers.samples;
