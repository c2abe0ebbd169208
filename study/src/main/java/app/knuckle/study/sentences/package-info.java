/** What is said of a design, a question and its answer, in words. */
package app.knuckle.study.sentences;
