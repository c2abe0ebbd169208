/** Answers without records: from summaries, from part of a table, about the size of a trial. */
package app.knuckle.study.reckon;
