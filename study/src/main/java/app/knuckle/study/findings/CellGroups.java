package app.knuckle.study.findings;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.design.Groups;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The groups that treatments make of the rows in play, and what each is like. */
final class CellGroups {

  private final Frame frame;
  private final Numbers response;
  private final double alpha;
  private final List<Factor> factors;

  CellGroups(Frame frame, List<String> treatments, Numbers response, double alpha) {
    this.frame = frame;
    this.response = response;
    this.alpha = alpha;
    Parts parts = new Parts(frame, List.of(), treatments);
    factors = parts.factors(treatments);
  }

  Frame frame() {
    return frame;
  }

  List<Factor> factors() {
    return factors;
  }

  /** All rows, each treatment, the cells of all treatments. */
  List<GroupSummary> summaries(Progress progress) {
    List<GroupSummary> summaries = new ArrayList<>();
    summaries.addAll(of(List.of(), progress));
    for (Factor factor : factors) {
      summaries.addAll(of(List.of(factor), progress));
    }
    if (factors.size() > 1) {
      summaries.addAll(of(factors, progress));
    }
    return summaries;
  }

  private List<GroupSummary> of(List<Factor> by, Progress progress) {
    int cells = by.stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b);
    int[] codes = codes(by);
    int[] sizes = new int[cells];
    for (int code : codes) {
      if (code >= 0) {
        sizes[code]++;
      }
    }
    double[][] values = new double[cells][];
    Arrays.setAll(values, c -> new double[sizes[c]]);
    int[] next = new int[cells];
    for (int row = 0; row < codes.length; row++) {
      if (codes[row] >= 0) {
        values[codes[row]][next[codes[row]]++] = response.value(row);
      }
    }
    List<GroupSummary> summaries = new ArrayList<>();
    for (int cell = 0; cell < cells; cell++) {
      progress.check();
      Arrays.sort(values[cell]);
      summaries.add(new GroupSummary(levels(by, cell), Summary.of(values[cell], alpha)));
    }
    return summaries;
  }

  /** The cell of each row; -1 for rows out of play or without a level of any treatment. */
  private int[] codes(List<Factor> by) {
    int[] codes = new int[frame.rows()];
    for (int row = 0; row < codes.length; row++) {
      boolean whole = frame.inPlay(row);
      for (Factor factor : factors) {
        whole &= factor.codes()[row] >= 0;
      }
      int code = whole ? 0 : -1;
      for (Factor factor : by) {
        code = code < 0 ? -1 : code * factor.size() + factor.codes()[row];
      }
      codes[row] = code;
    }
    return codes;
  }

  private static Map<String, String> levels(List<Factor> by, int cell) {
    Map<String, String> levels = new LinkedHashMap<>();
    int rest = cell;
    String[] names = new String[by.size()];
    for (int f = by.size() - 1; f >= 0; f--) {
      names[f] = by.get(f).levels().get(rest % by.get(f).size());
      rest /= by.get(f).size();
    }
    for (int f = 0; f < names.length; f++) {
      levels.put(by.get(f).name(), names[f]);
    }
    return levels;
  }

  /** Values of the response in each group, empty ones as well. */
  int[] counts() {
    int[] codes = codes(factors);
    int cells = factors.stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b);
    int[] counts = new int[cells];
    for (int row = 0; row < codes.length; row++) {
      if (codes[row] >= 0 && !response.isMissing(row)) {
        counts[codes[row]]++;
      }
    }
    return counts;
  }

  String name(int cell) {
    return factors.isEmpty()
        ? "all rows"
        : String.join(GroupSummary.BETWEEN, levels(factors, cell).values());
  }

  /** What makes the groups: the treatment, or a column of all treatments together. */
  private Column treatment() {
    if (factors.size() == 1) {
      return frame.column(factors.get(0).name());
    }
    String name =
        factors.isEmpty()
            ? "all rows"
            : String.join(" and ", factors.stream().map(Factor::name).toList());
    int cells = counts().length;
    List<String> levels = new ArrayList<>();
    for (int cell = 0; cell < cells; cell++) {
      levels.add(name(cell));
    }
    return new Categories(name, "", codes(factors), levels, false);
  }

  /** The groups that have a value of the response. */
  Groups filled() {
    int[] counts = counts();
    int[] to = new int[counts.length];
    List<String> levels = new ArrayList<>();
    for (int cell = 0; cell < counts.length; cell++) {
      to[cell] = counts[cell] > 0 ? levels.size() : -1;
      if (counts[cell] > 0) {
        levels.add(name(cell));
      }
    }
    int[] codes = Arrays.stream(codes(factors)).map(c -> c < 0 ? -1 : to[c]).toArray();
    return new Groups(
        treatment(), levels, codes, Arrays.stream(counts).filter(n -> n > 0).toArray());
  }
}
