package app.knuckle.study.design;

import app.knuckle.stats.compare.Procedure;
import java.util.List;
import java.util.Map;

/**
 * Something to compare: pairs, differences from a reference, a contrast, or trends.
 *
 * @param of the treatments whose means they are
 * @param within treatments at each combination of whose levels it is done anew
 * @param toReference whether others are compared with the reference only
 * @param procedure how; null for a plain contrast
 * @param weights of a contrast; empty for none
 * @param trend highest degree of trends; 0 for none
 * @param name of a contrast; empty for none
 */
public record Compare(
    List<String> of,
    List<String> within,
    boolean toReference,
    Procedure procedure,
    List<Weight> weights,
    int trend,
    String name) {

  public Compare {
    of = List.copyOf(of);
    within = List.copyOf(within);
    weights = List.copyOf(weights);
  }

  /**
   * All pairs.
   *
   * @param of the treatments
   * @param procedure how
   * @return the comparison
   */
  public static Compare pairs(List<String> of, Procedure procedure) {
    return new Compare(of, List.of(), false, procedure, List.of(), 0, "");
  }

  /** Whether it is a contrast or a trend, rather than pairs or differences from a reference. */
  public boolean isContrast() {
    return !weights.isEmpty() || trend > 0;
  }

  /**
   * The weight of a mean in a contrast.
   *
   * @param levels of the mean, by treatment
   * @param weight any number
   */
  public record Weight(Map<String, String> levels, double weight) {
    public Weight {
      levels = Questions.inOrder(levels);
    }
  }
}
