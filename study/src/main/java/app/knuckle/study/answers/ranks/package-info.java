/** Answers from ranks, or from the arrangements of the values themselves. */
package app.knuckle.study.answers.ranks;
