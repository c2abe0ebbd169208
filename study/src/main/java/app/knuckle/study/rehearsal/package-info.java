/** Make-believe records for an experiment that is not yet run. */
package app.knuckle.study.rehearsal;
