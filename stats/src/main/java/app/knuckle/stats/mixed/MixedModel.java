package app.knuckle.stats.mixed;

import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import java.util.List;

/**
 * What a mixed model asks of a response.
 *
 * @param fixed factors, covariates and terms whose effects are constants
 * @param random terms whose effects are drawn
 * @param within how repeated readings of a unit hang together
 * @param units who was read repeatedly; null unless {@code within} needs it
 * @param occasions when; null unless {@code within} needs it
 */
public record MixedModel(
    Model fixed, List<RandomTerm> random, WithinUnit within, RandomTerm units, Factor occasions) {

  public MixedModel {
    random = List.copyOf(random);
    if (within != WithinUnit.EQUAL && (units == null || occasions == null)) {
      throw new IllegalArgumentException("Units and occasions are needed for " + within.key());
    }
  }
}
