package app.knuckle.study.findings;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.Place;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The way from a table and an inquiry to findings, step by step. */
final class Answering {

  /** More means than this cannot be compared pair by pair in a time that anyone would wait. */
  private static final int MOST_COMPARED = 120;

  private final Table table;
  private final Inquiry inquiry;
  private final Frame frame;
  private final Progress progress;

  Answering(Table table, Inquiry inquiry, Progress progress) {
    this.table = table;
    this.inquiry = inquiry;
    this.progress = progress;
    frame = Frame.of(table, inquiry.prepare(), progress);
  }

  Findings findings() {
    if (inquiry.measured().isEmpty()) {
      throw waiting("nothing is chosen as measured yet", "Choose the column that was measured");
    }
    if (inquiry.treatments().isEmpty()) {
      throw waiting("no treatment is chosen yet", "Choose the column that says what was done");
    }
    Groups all = Groups.of(frame, inquiry.treatments().get(0));
    List<ResponseFindings> responses = new ArrayList<>();
    Map<Integer, String> left = new TreeMap<>(frame.leftOut());
    boolean[] used = new boolean[frame.rows()];
    for (String measured : inquiry.measured()) {
      progress.check();
      Numbers response = response(measured);
      responses.add(respond(response, all));
      leaveOut(response, all, used, left);
    }
    int inPlay = 0;
    for (int row = 0; row < used.length; row++) {
      inPlay += used[row] ? 1 : 0;
      if (used[row]) {
        left.remove(row);
      }
    }
    List<RecordsUsed.LeftOut> leftOut =
        left.entrySet().stream()
            .map(e -> new RecordsUsed.LeftOut(frame.sourceRow(e.getKey()) + 1, e.getValue()))
            .distinct()
            .toList();
    return new Findings(
        table, inquiry, frame, new RecordsUsed(frame.rows(), inPlay, leftOut), responses);
  }

  private Refused waiting(String what, String wayOn) {
    return Refused.at(new Place.WholeFile(table.name()), what, wayOn);
  }

  private Numbers response(String measured) {
    Column column = frame.column(measured);
    if (column instanceof Categories categories) {
      throw notNumbers(categories);
    }
    Numbers numbers = (Numbers) column;
    for (int row = 0; row < numbers.size(); row++) {
      if (Double.isInfinite(numbers.value(row)) && frame.inPlay(row)) {
        throw Refused.at(
            new Place.Cell(table.source(), row + 1L, measured),
            "the value is infinite",
            "Mark it as missing, or set the row aside with a reason");
      }
    }
    return numbers;
  }

  private Refused notNumbers(Categories column) {
    for (int row = 0; row < column.size(); row++) {
      String text = column.text(row);
      if (!column.isMissing(row) && Double.isNaN(NumberText.parse(text, false))) {
        return Refused.at(
            new Place.Cell(table.source(), row + 1L, column.name()),
            "'" + text + "' is not a number, so " + column.name() + " cannot be measured",
            "Choose a column of numbers, or mark '" + text + "' as missing");
      }
    }
    return Refused.at(
        new Place.WholeColumn(table.source(), column.name()),
        "the column is read as categories",
        "Read it as numbers to use it as measured");
  }

  private void leaveOut(Numbers response, Groups all, boolean[] used, Map<Integer, String> left) {
    for (int row = 0; row < used.length; row++) {
      if (!frame.inPlay(row)) {
        continue;
      }
      if (all.codes()[row] < 0) {
        left.putIfAbsent(row, all.treatment().name() + " is missing");
      } else if (response.isMissing(row)) {
        left.putIfAbsent(row, response.name() + " is missing");
      } else {
        used[row] = true;
      }
    }
  }

  private ResponseFindings respond(Numbers response, Groups all) {
    GroupMoments moments = GroupMoments.of(response.values(), all.codes(), all.size());
    int[] counts = new int[all.size()];
    Arrays.setAll(counts, g -> (int) moments.count(g));
    DesignReading design = DesignReading.of(response, all, counts);
    List<GroupSummary> summaries = summaries(response, all);
    Groups groups = filled(all, counts);
    Refusal refusal = refusal(response, groups);
    if (refusal != null) {
      Sentences words = new Sentences(refusal.words(), refusal.words(), "");
      return new ResponseFindings(
          response, groups, design, summaries, null, null, List.of(), refusal, words);
    }
    GroupMoments present =
        groups.size() == all.size()
            ? moments
            : GroupMoments.of(response.values(), groups.codes(), groups.size());
    OneWay fit = OneWay.fit(present, inquiry.alpha());
    Estimates estimates = fit.estimates();
    List<Comparison> comparisons = new ArrayList<>();
    for (Inquiry.Compare compare : inquiry.compare()) {
      if (groups.size() <= MOST_COMPARED) {
        comparisons.add(
            AllPairs.withDefaults()
                .with(compare.procedure())
                .withAlpha(inquiry.alpha())
                .withOverallTest(fit.treatment().p())
                .compare(estimates, progress));
      }
    }
    Sentences words = OneWaySentences.of(response, groups, fit, estimates, comparisons);
    return new ResponseFindings(
        response, groups, design, summaries, fit, estimates, comparisons, null, words);
  }

  private Refusal refusal(Numbers response, Groups groups) {
    Place where = new Place.WholeColumn(table.source(), groups.treatment().name());
    if (groups.size() == 0) {
      return new Refusal(
          where,
          "no row has both a value of " + response.name() + " and a group",
          "Choose another column, or look at what the prep trail left out");
    }
    if (groups.size() == 1) {
      return new Refusal(
          where,
          "all values of " + response.name() + " are in one group, " + groups.levels().get(0),
          "Choose a treatment with two groups or more");
    }
    return null;
  }

  /** Without the levels that have no value of the response. */
  private static Groups filled(Groups all, int[] counts) {
    if (Arrays.stream(counts).allMatch(n -> n > 0)) {
      return all;
    }
    int[] to = new int[counts.length];
    List<String> levels = new ArrayList<>();
    for (int g = 0; g < counts.length; g++) {
      to[g] = counts[g] > 0 ? levels.size() : Categories.MISSING;
      if (counts[g] > 0) {
        levels.add(all.levels().get(g));
      }
    }
    int[] codes = Arrays.stream(all.codes()).map(c -> c < 0 ? Categories.MISSING : to[c]).toArray();
    int[] kept = Arrays.stream(counts).filter(n -> n > 0).toArray();
    return new Groups(all.treatment(), levels, codes, kept);
  }

  private List<GroupSummary> summaries(Numbers response, Groups groups) {
    int[] sizes = new int[groups.size()];
    for (int code : groups.codes()) {
      if (code >= 0) {
        sizes[code]++;
      }
    }
    double[][] values = new double[groups.size()][];
    Arrays.setAll(values, g -> new double[sizes[g]]);
    int[] next = new int[groups.size()];
    for (int row = 0; row < groups.codes().length; row++) {
      int code = groups.codes()[row];
      if (code >= 0) {
        values[code][next[code]++] = response.value(row);
      }
    }
    // Sorted groups one after the other: sorting all rows then only merges these runs.
    double[] together = new double[Arrays.stream(sizes).sum()];
    int n = 0;
    for (double[] group : values) {
      progress.check();
      Arrays.sort(group);
      System.arraycopy(group, 0, together, n, group.length);
      n += group.length;
    }
    List<GroupSummary> summaries = new ArrayList<>();
    summaries.add(new GroupSummary(null, Summary.of(together, inquiry.alpha())));
    for (int g = 0; g < groups.size(); g++) {
      progress.check();
      summaries.add(
          new GroupSummary(groups.levels().get(g), Summary.of(values[g], inquiry.alpha())));
    }
    return summaries;
  }
}
