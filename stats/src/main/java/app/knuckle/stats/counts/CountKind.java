package app.knuckle.stats.counts;

import app.knuckle.stats.means.LinkScale;

/** What is counted. */
public enum CountKind {
  /** How many there were, for each unit of exposure: Poisson. */
  COUNTS(LinkScale.LOGARITHM) {
    @Override
    double mean(double eta) {
      return Math.exp(eta);
    }

    @Override
    double variance(double eta) {
      return Math.exp(eta);
    }

    @Override
    double deviance(double y, double size, double eta) {
      return 2 * Deviances.term(y, size * Math.exp(eta));
    }

    @Override
    boolean isAll(double y, double size) {
      return false;
    }

    @Override
    double start(double y, double size) {
      return Math.log((y + 0.5) / size);
    }
  },
  /** How many of those tried: binomial. */
  PROPORTIONS(LinkScale.LOG_ODDS) {
    @Override
    double mean(double eta) {
      return 1 / (1 + Math.exp(-eta));
    }

    @Override
    double variance(double eta) {
      // Both factors from the exponential, so that no digit is lost near 0 or 1.
      return mean(eta) * mean(-eta);
    }

    @Override
    double deviance(double y, double size, double eta) {
      return 2
          * (Deviances.term(y, size * mean(eta)) + Deviances.term(size - y, size * mean(-eta)));
    }

    @Override
    boolean isAll(double y, double size) {
      return y == size;
    }

    @Override
    double start(double y, double size) {
      return Math.log((y + 0.5) / (size - y + 0.5));
    }
  };

  private final LinkScale scale;

  CountKind(LinkScale scale) {
    this.scale = scale;
  }

  /** The scale on which effects add up: of logarithms or of log odds. */
  public LinkScale scale() {
    return scale;
  }

  /** The mean of one unit of exposure, or of one that was tried. */
  abstract double mean(double eta);

  /** Its variance. */
  abstract double variance(double eta);

  /** Twice the drop of the log likelihood from a fit of this very count. */
  abstract double deviance(double y, double size, double eta);

  /** Whether a count is as large as it can be. */
  abstract boolean isAll(double y, double size);

  /** Where a search begins. */
  abstract double start(double y, double size);

  /** Whether a count lies at an end of what is possible. */
  boolean isEnd(double y, double size) {
    return y == 0 || isAll(y, size);
  }
}
