/**
 * Experiments before they are made: how treatments are laid out by chance, how efficient incomplete
 * blocks are, and what a trial will show.
 */
package app.knuckle.stats.planning;
