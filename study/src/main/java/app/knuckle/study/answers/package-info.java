/** The way from a table and a question to findings; a package for each kind of answer. */
package app.knuckle.study.answers;
