/** Two answers side by side: what was asked otherwise, and what became of the findings. */
package app.knuckle.study.beside;
