package app.knuckle.study.findings;

/** A test by which something is checked that an analysis takes for granted. */
public enum CheckTest {
  /** One degree of freedom for non-additivity. */
  NON_ADDITIVITY(About.ADDITIVITY, "one-df-non-additivity"),
  /** Slopes of its own for every group. */
  PARALLEL_SLOPES(About.SLOPES, "parallel-slopes"),
  /** The square of a covariate. */
  ADDED_SQUARE(About.STRAIGHTNESS, "added-square"),
  /** Differences beyond the trends. */
  LACK_OF_FIT(About.TREND_REMAINDER, "lack-of-fit"),
  /** Mauchly's W. */
  MAUCHLY(About.SPHERICITY, "mauchly"),
  /** Box's M. */
  BOX_M(About.EQUAL_COVARIANCES, "box-m"),
  /** How many levels the variance of a random term rests on. */
  LEVELS(About.RANDOM_LEVELS, "count"),
  /** Shapiro and Wilk's W. */
  SHAPIRO_WILK(About.NORMALITY, "shapiro-wilk"),
  /** Anderson and Darling's A squared. */
  ANDERSON_DARLING(About.NORMALITY, "anderson-darling"),
  /** Lilliefors' D. */
  LILLIEFORS(About.NORMALITY, "lilliefors"),
  /** Mardia's skewness of several responses. */
  MARDIA_SKEWNESS(About.NORMALITY, "mardia-skewness"),
  /** Mardia's kurtosis of several responses. */
  MARDIA_KURTOSIS(About.NORMALITY, "mardia-kurtosis"),
  /** Henze and Zirkler's test of several responses. */
  HENZE_ZIRKLER(About.NORMALITY, "henze-zirkler"),
  /** Levene's test on absolute deviations. */
  LEVENE_ABSOLUTE(About.VARIANCES, "levene-absolute"),
  /** Levene's test on squared deviations. */
  LEVENE_SQUARED(About.VARIANCES, "levene-squared"),
  /** Levene's test on deviations from medians. */
  BROWN_FORSYTHE(About.VARIANCES, "brown-forsythe"),
  /** Bartlett's test. */
  BARTLETT(About.VARIANCES, "bartlett"),
  /** Fligner and Killeen's test. */
  FLIGNER_KILLEEN(About.VARIANCES, "fligner-killeen"),
  /** The ratio of two variances. */
  VARIANCE_RATIO(About.VARIANCES, "variance-ratio"),
  /** The largest studentised residual. */
  STUDENTISED_RESIDUAL(About.OUTLIERS, "studentised-residual"),
  /** Grubbs' test. */
  GRUBBS(About.OUTLIERS, "grubbs"),
  /** Values beyond the fences of a box. */
  FENCES(About.OUTLIERS, "fences"),
  /** A count by what leaving it out changes. */
  DELETION(About.OUTLIERS, "deletion"),
  /** Pearson's chi-squared. */
  PEARSON(About.DISPERSION, "pearson-chi-squared"),
  /** The residual deviance. */
  DEVIANCE(About.DISPERSION, "deviance-chi-squared"),
  /** More zeros than the distribution has. */
  EXCESS_ZEROS(About.ZEROS, "excess-zeros"),
  /** Expected counts below 5. */
  SMALL_EXPECTED(About.EXPECTED_COUNTS, "small-expected");

  /** What is checked. */
  public enum About {
    /** Blocks and treatments add up. */
    ADDITIVITY("additivity"),
    /** Slopes are parallel. */
    SLOPES("slopes"),
    /** The response is linear in a covariate. */
    STRAIGHTNESS("straightness"),
    /** Trends leave nothing of the differences. */
    TREND_REMAINDER("trend-remainder"),
    /** Differences between occasions have one variance. */
    SPHERICITY("sphericity"),
    /** Groups have equal covariance matrices. */
    EQUAL_COVARIANCES("equal-covariances"),
    /** A random term has levels enough. */
    RANDOM_LEVELS("random-levels"),
    /** The distribution is normal. */
    NORMALITY("normality"),
    /** Groups have equal variances. */
    VARIANCES("spread"),
    /** No value lies far from the others. */
    OUTLIERS("outliers"),
    /** Counts vary as their distribution says. */
    DISPERSION("dispersion"),
    /** As many zeros as the distribution has. */
    ZEROS("zeros"),
    /** Expected counts are large enough. */
    EXPECTED_COUNTS("expected-counts");

    private final String key;

    About(String key) {
      this.key = key;
    }

    /** The name in files, such as "normality". */
    public String key() {
      return key;
    }
  }

  private final About about;
  private final String key;

  CheckTest(About about, String key) {
    this.about = about;
    this.key = key;
  }

  /** What it checks. */
  public About about() {
    return about;
  }

  /** The name in files, such as "shapiro-wilk". */
  public String key() {
    return key;
  }
}
