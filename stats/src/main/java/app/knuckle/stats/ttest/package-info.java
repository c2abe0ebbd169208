/** t-tests with effect sizes: one sample, two groups, matched pairs. */
package app.knuckle.stats.ttest;
