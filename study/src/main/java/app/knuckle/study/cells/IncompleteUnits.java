package app.knuckle.study.cells;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.linear.Factor;
import app.knuckle.study.words.Numerals;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Units, blocks or pairs that miss a level, and so take no part where each is its own yardstick.
 */
public final class IncompleteUnits {

  private IncompleteUnits() {}

  /**
   * Their names.
   *
   * @param values of the response, by row; NaN where there is none
   * @return in the order of the unit's levels; those without any value are not named
   */
  public static List<String> of(Factor unit, Factor treatment, double[] values) {
    BitSet seen = new BitSet(unit.size() * treatment.size());
    for (int row = 0; row < values.length; row++) {
      if (unit.codes()[row] >= 0 && treatment.codes()[row] >= 0 && !Double.isNaN(values[row])) {
        seen.set(unit.codes()[row] * treatment.size() + treatment.codes()[row]);
      }
    }
    return IntStream.range(0, unit.size())
        .filter(
            u -> {
              int from = u * treatment.size();
              int held = seen.get(from, from + treatment.size()).cardinality();
              return held > 0 && held < treatment.size();
            })
        .mapToObj(u -> unit.levels().get(u))
        .toList();
  }

  /**
   * Whether a unit has several values of one level.
   *
   * @param unit who was measured
   * @param treatment at whose levels
   * @param values one a row, NaN for none
   * @return true if they are averaged first
   */
  public static boolean anyRepeats(Factor unit, Factor treatment, double[] values) {
    BitSet seen = new BitSet(unit.size() * treatment.size());
    for (int row = 0; row < values.length; row++) {
      if (unit.codes()[row] >= 0 && treatment.codes()[row] >= 0 && !Double.isNaN(values[row])) {
        int cell = unit.codes()[row] * treatment.size() + treatment.codes()[row];
        if (seen.get(cell)) {
          return true;
        }
        seen.set(cell);
      }
    }
    return false;
  }

  /**
   * What is said of units that miss a level.
   *
   * @param names of the units
   * @param treatment whose levels they miss
   * @return a sentence with a blank before it; empty if there are none
   */
  public static String words(List<String> names, String treatment) {
    return names.isEmpty() ? "" : " " + say("design.left.out", treatment, Numerals.list(names));
  }
}
