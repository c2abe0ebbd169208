/**
 * Numbers and findings as a person would write them.
 *
 * <p>One place decides how many decimals a mean has, how a p is written, and how a finding is put.
 */
package app.knuckle.study.words;
