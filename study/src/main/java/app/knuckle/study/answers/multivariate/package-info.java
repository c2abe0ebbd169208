/** Answers about several responses together. */
package app.knuckle.study.answers.multivariate;
