package app.knuckle.study.answers;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.linear.Factor;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The values that an analysis rests on: rows that are complete, of units that are complete where
 * each unit is its own yardstick, averaged where a unit was read several times.
 *
 * @param values one a row, the average of several in the first of their rows; NaN for none
 * @param dropped rows of incomplete units, with the reason
 */
record Analysed(Numbers values, Map<Integer, String> dropped) {

  /** Columns that make the units, and those whose combinations each of them must have. */
  private record Layout(List<String> unit, List<String> parts, boolean whole) {

    /** Null where every row stands for itself. */
    static Layout of(Inquiry inquiry) {
      boolean ranks = inquiry.analysis() == Analysis.RANKS;
      if (!ranks && inquiry.analysis() != Analysis.LEAST_SQUARES
          || inquiry.treatments().isEmpty()) {
        return null;
      }
      List<String> first = inquiry.treatments().subList(0, 1);
      if (inquiry.pairs() != null) {
        return new Layout(List.of(inquiry.pairs()), first, true);
      }
      if (ranks) {
        String unit =
            inquiry.unit() != null
                ? inquiry.unit()
                : inquiry.blocks().size() == 1 ? inquiry.blocks().get(0) : null;
        return unit == null || inquiry.treatments().size() > 1
            ? null
            : new Layout(List.of(unit), first, true);
      }
      if (!inquiry.strips().isEmpty()) {
        return new Layout(inquiry.blocks(), inquiry.treatments(), true);
      }
      if (!inquiry.occasions().isEmpty() && inquiry.unit() != null) {
        return new Layout(List.of(inquiry.unit()), inquiry.occasions(), true);
      }
      if (!inquiry.wholePlots().isEmpty()) {
        List<String> plots =
            Stream.of(
                    inquiry.blocks().stream(),
                    Stream.ofNullable(inquiry.unit()),
                    inquiry.wholePlots().stream())
                .flatMap(s -> s)
                .toList();
        List<String> within =
            inquiry.treatments().stream().filter(t -> !inquiry.wholePlots().contains(t)).toList();
        return new Layout(plots, within, true);
      }
      return inquiry.unit() == null
          ? null
          : new Layout(List.of(inquiry.unit()), inquiry.treatments(), false);
    }
  }

  /**
   * Finds the values.
   *
   * @param frame the records
   * @param inquiry as {@link Inquiry#laying()} gives it
   * @param response what was measured
   * @return the response itself where all of its rows are analysed one by one
   */
  static Analysed of(Frame frame, Inquiry inquiry, Numbers response) {
    double[] values = response.values().clone();
    boolean changed = false;
    for (String name : Laid.needed(inquiry)) {
      Column column = frame.column(name);
      for (int row = 0; row < values.length; row++) {
        if (column.isMissing(row) && !Double.isNaN(values[row])) {
          values[row] = Double.NaN;
          changed = true;
        }
      }
    }
    boolean[] inPlay = frame.allInPlay();
    for (int row = 0; row < values.length; row++) {
      values[row] = inPlay[row] ? values[row] : Double.NaN;
    }
    Layout layout = Layout.of(inquiry);
    Map<Integer, String> dropped = layout == null ? Map.of() : complete(frame, layout, values);
    changed |= !dropped.isEmpty();
    changed |= layout != null && average(frame, layout, values);
    return new Analysed(
        changed ? new Numbers(response.name(), response.unit(), values) : response, dropped);
  }

  /** Takes incomplete units out. */
  private static Map<Integer, String> complete(Frame frame, Layout layout, double[] values) {
    Map<Integer, String> dropped = new TreeMap<>();
    if (!layout.whole() || layout.unit().isEmpty() || layout.parts().isEmpty()) {
      return dropped;
    }
    // Named as the tests name those that they leave out.
    Factor units = Factor.combined("", factors(frame, layout.unit()), row -> true);
    int[] unit = units.codes();
    List<Factor> parts = factors(frame, layout.parts());
    int[] part = Factor.combinations(parts, values.length);
    int all = parts.stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b);
    Map<Integer, BitSet> seen = new HashMap<>();
    for (int row = 0; row < values.length; row++) {
      if (unit[row] >= 0 && part[row] >= 0 && !Double.isNaN(values[row])) {
        seen.computeIfAbsent(unit[row], u -> new BitSet()).set(part[row]);
      }
    }
    boolean any = seen.values().stream().anyMatch(s -> s.cardinality() == all);
    for (int row = 0; row < values.length && any; row++) {
      if (!Double.isNaN(values[row])
          && seen.containsKey(unit[row])
          && seen.get(unit[row]).cardinality() < all) {
        values[row] = Double.NaN;
        dropped.put(row, say("records.incomplete", units.levels().get(unit[row])));
      }
    }
    return dropped;
  }

  /** Averages several values of one part of a unit into the first of their rows. */
  private static boolean average(Frame frame, Layout layout, double[] values) {
    List<Factor> all =
        factors(frame, Stream.concat(layout.unit().stream(), layout.parts().stream()).toList());
    int[] cells = Factor.combinations(all, values.length);
    Map<Integer, Integer> first = new HashMap<>();
    Map<Integer, Integer> counts = new HashMap<>();
    boolean several = false;
    for (int row = 0; row < values.length; row++) {
      if (cells[row] < 0 || Double.isNaN(values[row])) {
        continue;
      }
      Integer at = first.putIfAbsent(cells[row], row);
      int n = counts.merge(cells[row], 1, Integer::sum);
      if (at != null) {
        values[at] += (values[row] - values[at]) / n;
        values[row] = Double.NaN;
        several = true;
      }
    }
    return several;
  }

  private static List<Factor> factors(Frame frame, List<String> names) {
    List<String> own = names.stream().distinct().toList();
    return new Parts(frame, List.of(), own).factors(own);
  }
}
