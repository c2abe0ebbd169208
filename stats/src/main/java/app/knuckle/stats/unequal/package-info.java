/** Groups compared without taking their spreads to be equal. */
package app.knuckle.stats.unequal;
