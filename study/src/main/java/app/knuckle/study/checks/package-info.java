/** What an answer stands on, looked at: groups, residuals, layers. */
package app.knuckle.study.checks;
