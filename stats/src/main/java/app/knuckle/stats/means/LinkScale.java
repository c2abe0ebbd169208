package app.knuckle.stats.means;

/** The scale on which effects add up, and the way back to that of the response. */
public enum LinkScale {
  /** The response itself. */
  IDENTITY("difference") {
    @Override
    public double back(double link) {
      return link;
    }

    @Override
    public double link(double mean) {
      return mean;
    }

    @Override
    public double slope(double link) {
      return 1;
    }
  },
  /** Logarithms: differences are ratios. */
  LOGARITHM("ratio") {
    @Override
    public double back(double link) {
      return Math.exp(link);
    }

    @Override
    public double link(double mean) {
      return Math.log(mean);
    }

    @Override
    public double slope(double link) {
      return Math.exp(link);
    }
  },
  /** Log odds: differences are odds ratios. */
  LOG_ODDS("odds-ratio") {
    @Override
    public double back(double link) {
      return 1 / (1 + Math.exp(-link));
    }

    @Override
    public double link(double mean) {
      return Math.log(mean / (1 - mean));
    }

    @Override
    public double slope(double link) {
      return back(link) * back(-link);
    }
  };

  private final String effect;

  LinkScale(String effect) {
    this.effect = effect;
  }

  /**
   * A value on the scale of the response.
   *
   * @param link on this scale
   * @return its mean, rate or share
   */
  public abstract double back(double link);

  /**
   * A value on this scale.
   *
   * @param mean of the response
   * @return what {@link #back} turns into it
   */
  public abstract double link(double mean);

  /**
   * How fast that changes.
   *
   * @param link on this scale
   * @return above 0
   */
  public abstract double slope(double link);

  /**
   * By what a value of the response is multiplied to be shown: shares are shown in per cent.
   * Returns 1 or 100.
   */
  public double factor() {
    return this == LOG_ODDS ? 100 : 1;
  }

  /** What a difference on this scale is called on that of the response: the name in files. */
  public String effect() {
    return effect;
  }
}
