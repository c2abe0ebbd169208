/** Answers about counts and proportions: which rows count, the fit, what it stands on. */
package app.knuckle.study.answers.counts;
