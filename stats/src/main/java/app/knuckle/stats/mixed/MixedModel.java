package app.knuckle.stats.mixed;

import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import java.util.List;

/**
 * What a mixed model asks of a response.
 *
 * @param fixed factors, covariates and terms whose effects are constants
 * @param random terms whose effects are drawn
 * @param within how repeated readings of a unit are correlated
 * @param units who was read repeatedly; null unless {@code within} needs it
 * @param occasions when; null unless {@code within} needs it
 * @param denominator how the fixed part is judged
 */
public record MixedModel(
    Model fixed,
    List<RandomTerm> random,
    WithinUnit within,
    RandomTerm units,
    Factor occasions,
    Denominator denominator) {

  public MixedModel {
    random = List.copyOf(random);
    if (within != WithinUnit.EQUAL && (units == null || occasions == null)) {
      throw new IllegalArgumentException("Units and occasions are needed for " + within.key());
    }
  }

  /** How repeated readings of one unit are correlated. */
  public enum WithinUnit {
    /** All alike: a random unit and independent errors. */
    EQUAL("equal"),
    /** The nearer in time the more alike: a correlation that fades by the same share each step. */
    FIRST_ORDER("first-order"),
    /** A random unit, and a variance of its own for every occasion. */
    OWN_VARIANCES("own-variances");

    private final String key;

    WithinUnit(String key) {
      this.key = key;
    }

    /** The name in files, such as "first-order". */
    public String key() {
      return key;
    }
  }

  /** How many degrees of freedom stand behind a test of the fixed part. */
  public enum Denominator {
    /** With the covariance of the fixed part adjusted as well. */
    KENWARD_ROGER("kenward-roger"),
    /** From the precision of the variances alone. */
    SATTERTHWAITE("satterthwaite");

    private final String key;

    Denominator(String key) {
      this.key = key;
    }

    /** The name in files, such as "kenward-roger". */
    public String key() {
      return key;
    }
  }
}
