/**
 * Tests on ranks: two samples, several groups, pairs, blocks.
 *
 * <p>Values are the decimals as written: differences are formed as exact decimals before they are
 * ranked, so that 7.1 - 6.9 ties with 7.3 - 7.1.
 */
package app.knuckle.stats.ranks;
