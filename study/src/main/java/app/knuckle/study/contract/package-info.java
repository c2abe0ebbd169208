/**
 * The two files that a laboratory scripts against: the inquiry and the findings, as JSON.
 *
 * <p>Their keys are fixed (version 1) and described by the schemas beside this package and in
 * docs/formats.md. Only this package knows JSON.
 */
package app.knuckle.study.contract;
