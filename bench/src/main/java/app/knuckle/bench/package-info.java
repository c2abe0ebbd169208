/**
 * What things cost, as a ratio to a baseline measured in the same run. Never a test: machines
 * differ.
 *
 * <p>{@code mvn -q -pl bench -am package} and then {@code bench/run} prints the ratios that
 * docs/performance.md speaks of.
 */
package app.knuckle.bench;
