package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import java.util.List;
import java.util.Map;

/**
 * A check of what an analysis stands on.
 *
 * @param test by which it is made
 * @param covariate the covariate it is about; empty for none
 * @param measured the responses, if it is about several; else empty
 * @param kind what its statistic is
 * @param statistic its value
 * @param df degrees of freedom
 * @param p probability
 * @param more further numbers, by their key
 * @param lists further lists of degrees of freedom, by their key
 * @param judgement sound, caution or unsound; or that it cannot be told
 * @param words what it means, a sentence
 */
public record CheckResult(
    CheckTest test,
    String covariate,
    List<String> measured,
    Kind kind,
    Quantity statistic,
    List<Double> df,
    Quantity p,
    Map<String, Quantity> more,
    Map<String, List<Double>> lists,
    Judgement judgement,
    String words) {

  /** What a statistic is; each is said with its own symbol. */
  public enum Kind {
    /** A ratio of mean squares. */
    F("f"),
    /** A difference of deviances. */
    CHI_SQUARED("chi-squared"),
    /** Mauchly's W. */
    MAUCHLY("mauchly"),
    /** Box's M. */
    BOX("box"),
    /** A count, which is no test. */
    COUNT("count");

    private final String key;

    Kind(String key) {
      this.key = key;
    }

    /** By which it is found among phrases, such as "chi-squared". */
    public String key() {
      return key;
    }
  }

  /** How sound the footing is. */
  public enum Judgement {
    /** Nothing speaks against it. */
    SOUND("sound"),
    /** Look twice. */
    CAUTION("caution"),
    /** The analysis does not stand on it. */
    UNSOUND("unsound"),
    /** There is nothing to judge by. */
    CANNOT_TELL("cannot tell");

    private final String key;

    Judgement(String key) {
      this.key = key;
    }

    /** The name on screen, and in files, where what cannot be told is null, such as "sound". */
    public String key() {
      return key;
    }

    /** Whether it asks for a look: true for caution and unsound. */
    public boolean isOdd() {
      return this == CAUTION || this == UNSOUND;
    }

    /**
     * From a probability at the level of an inquiry: caution up to it, unsound up to a fifth of it.
     *
     * @param p of the check
     * @param alpha of the inquiry
     * @return as at one in twenty where that is the level
     */
    public static Judgement at(Quantity p, double alpha) {
      return !p.exists()
          ? CANNOT_TELL
          : Significance.reached(p, alpha / LEVELS)
              ? UNSOUND
              : Significance.reached(p, alpha) ? CAUTION : SOUND;
    }

    /** From a probability: caution up to one in twenty, unsound up to one in a hundred. */
    public static Judgement of(Quantity p) {
      return at(p, USUAL);
    }

    private static final double USUAL = 0.05;

    /** From one in twenty to one in a hundred. */
    private static final double LEVELS = 5;
  }

  /** What it checks. */
  public CheckTest.About about() {
    return test.about();
  }

  /**
   * The same numbers judged otherwise.
   *
   * @param other the judgement
   * @param meaning what it means, a sentence
   * @return the check
   */
  public CheckResult judged(Judgement other, String meaning) {
    return new CheckResult(
        test, covariate, measured, kind, statistic, df, p, more, lists, other, meaning);
  }

  public CheckResult {
    measured = List.copyOf(measured);
    df = List.copyOf(df);
  }
}
