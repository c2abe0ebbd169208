package app.knuckle.desktop.compare;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Compare.Weight;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Questions that are often asked of crossed treatments: the effect of one, its last level against
 * its first over all others, and how much that effect changes from the first to the last level of
 * another.
 */
final class ReadyMade {

  /** More questions than this are no longer a help. */
  private static final int MOST = 8;

  private ReadyMade() {}

  /**
   * The questions for cells of crossed treatments.
   *
   * @param of the treatments
   * @param cells levels of every cell whose mean is known
   * @return none for a single treatment
   */
  static List<Compare> of(List<String> of, List<Map<String, String>> cells) {
    List<Compare> all = new ArrayList<>();
    if (of.size() < 2) {
      return all;
    }
    for (String treatment : of) {
      all.add(asked(of, cells, List.of(treatment)));
    }
    for (int a = 0; a < of.size(); a++) {
      for (int b = a + 1; b < of.size(); b++) {
        all.add(asked(of, cells, List.of(of.get(a), of.get(b))));
      }
    }
    all.removeIf(q -> q == null);
    return all.subList(0, Math.min(MOST, all.size()));
  }

  /** Cells at the last or first levels of some treatments, with the product of their signs. */
  private static Compare asked(
      List<String> of, List<Map<String, String>> cells, List<String> some) {
    Map<String, List<String>> levels = new LinkedHashMap<>();
    for (String t : some) {
      levels.put(t, cells.stream().map(c -> c.get(t)).distinct().toList());
      if (levels.get(t).size() < 2) {
        return null;
      }
    }
    Map<Map<String, String>, Integer> signs = new LinkedHashMap<>();
    Map<List<String>, Integer> company = new LinkedHashMap<>();
    for (Map<String, String> cell : cells) {
      int sign = 1;
      for (String t : some) {
        List<String> own = levels.get(t);
        boolean last = cell.get(t).equals(own.get(own.size() - 1));
        boolean first = cell.get(t).equals(own.get(0));
        sign *= last ? 1 : first ? -1 : 0;
      }
      if (sign != 0) {
        signs.put(cell, sign);
        company.merge(corner(cell, some), 1, Integer::sum);
      }
    }
    if (company.size() < 1 << some.size()) {
      return null; // A corner of it is empty.
    }
    List<Weight> weights = new ArrayList<>();
    signs.forEach(
        (cell, sign) ->
            weights.add(new Weight(cell, (double) sign / company.get(corner(cell, some)))));
    return new Compare(of, List.of(), false, Procedure.NONE, weights, 0, name(some, levels));
  }

  private static List<String> corner(Map<String, String> cell, List<String> some) {
    return some.stream().map(cell::get).toList();
  }

  private static String name(List<String> some, Map<String, List<String>> levels) {
    String first = some.get(0);
    String effect = first + " " + last(levels.get(first)) + " less " + levels.get(first).get(0);
    if (some.size() == 1) {
      return effect;
    }
    List<String> other = levels.get(some.get(1));
    return effect + ", from " + some.get(1) + " " + other.get(0) + " to " + last(other);
  }

  private static String last(List<String> levels) {
    return levels.get(levels.size() - 1);
  }
}
