package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import java.util.List;
import java.util.Map;

/**
 * A check of what an analysis stands on.
 *
 * @param about what: "additivity", "slopes", "sphericity"
 * @param test its name
 * @param covariate the covariate it is about; empty for none
 * @param measured the responses, if it is about several; else empty
 * @param statistic its value
 * @param df degrees of freedom
 * @param p probability
 * @param more further numbers, by their key
 * @param lists further lists of degrees of freedom, by their key
 * @param judgement sound, caution or unsound
 * @param words what it means, a sentence
 */
public record CheckResult(
    String about,
    String test,
    String covariate,
    List<String> measured,
    Quantity statistic,
    List<Double> df,
    Quantity p,
    Map<String, Quantity> more,
    Map<String, List<Double>> lists,
    Judgement judgement,
    String words) {

  /** How sound the footing is. */
  public enum Judgement {
    /** Nothing speaks against it. */
    SOUND("sound"),
    /** Look twice. */
    CAUTION("caution"),
    /** The analysis does not stand on it. */
    UNSOUND("unsound");

    private final String key;

    Judgement(String key) {
      this.key = key;
    }

    /**
     * The name in files and on screen.
     *
     * @return such as "sound"
     */
    public String key() {
      return key;
    }

    /** From a probability: caution below one in twenty, unsound below one in a hundred. */
    static Judgement of(Quantity p) {
      if (!p.exists() || p.value() > CAUTION_BELOW) {
        return SOUND;
      }
      return p.value() > UNSOUND_BELOW ? CAUTION : UNSOUND;
    }

    private static final double CAUTION_BELOW = 0.05;
    private static final double UNSOUND_BELOW = 0.01;
  }

  public CheckResult {
    measured = List.copyOf(measured);
    df = List.copyOf(df);
  }
}
