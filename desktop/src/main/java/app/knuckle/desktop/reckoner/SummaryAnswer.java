package app.knuckle.desktop.reckoner;

import app.knuckle.figures.scatter.Intervals;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.unequal.UnequalSpread;
import app.knuckle.study.design.Questions;
import app.knuckle.study.reckon.Summaries;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * What follows from summaries of groups.
 *
 * @param letters by row of the sheet, empty for rows that are not whole
 * @param words in sentences
 * @param tests name, statistic with df, p
 * @param pairs left, right, difference, interval, p
 * @param means with their intervals; empty while there are fewer than two
 */
record SummaryAnswer(
    List<String> letters,
    String words,
    List<List<String>> tests,
    List<List<String>> pairs,
    Optional<Intervals> means) {

  static final String PROCEDURE = "procedure";
  static final String SPREAD = "spread";
  static final String ALPHA = "alpha";

  /** How the spread of a group is given. */
  enum Spread {
    /** Standard deviation of its values. */
    SD("SD"),
    /** Standard error of its mean. */
    SE("SE");

    private final String title;

    Spread(String title) {
      this.title = title;
    }

    String title() {
      return title;
    }
  }

  private record Group(int row, String level, long n, double mean, double sd) {}

  static String cell(String column, int row) {
    return column + "-" + row;
  }

  static Spread spread(Map<String, String> typed) {
    return Spread.valueOf(typed.getOrDefault(SPREAD, Spread.SD.name()));
  }

  static Procedure procedure(Map<String, String> typed) {
    return Procedure.valueOf(typed.getOrDefault(PROCEDURE, Procedure.TUKEY.name()));
  }

  static SummaryAnswer of(Map<String, String> typed, int rows, Progress progress) {
    List<Group> groups = new ArrayList<>();
    for (int row = 0; row < rows; row++) {
      group(typed, row).ifPresent(groups::add);
    }
    double alpha = Typed.number(typed, ALPHA, Questions.USUAL_ALPHA);
    if (groups.size() < 2 || !(alpha > 0 && alpha < 1)) {
      return new SummaryAnswer(
          List.of(),
          "Two groups or more are needed, each with n, mean and " + spread(typed).title() + ".",
          List.of(),
          List.of(),
          Optional.empty());
    }
    Summaries all =
        Summaries.of(
            groups.stream().mapToLong(Group::n).toArray(),
            groups.stream().mapToDouble(Group::mean).toArray(),
            groups.stream().mapToDouble(Group::sd).toArray(),
            alpha);
    Comparison pairs = all.pairs(procedure(typed), progress);
    List<Overall> tests = tests(all, procedure(typed));
    List<String> letters = new ArrayList<>();
    for (int row = 0; row < rows; row++) {
      letters.add("");
    }
    for (int g = 0; g < groups.size(); g++) {
      letters.set(groups.get(g).row(), pairs.letters().of(g));
    }
    return new SummaryAnswer(
        letters,
        tests.get(0).words(alpha, groups.size()),
        tests.stream().map(Overall::row).toList(),
        pairs.pairs().stream().map(pair -> row(pair, groups)).toList(),
        Optional.of(means(all, groups)));
  }

  private static Optional<Group> group(Map<String, String> typed, int row) {
    OptionalDouble n = Typed.number(typed, cell("n", row));
    OptionalDouble mean = Typed.number(typed, cell("mean", row));
    OptionalDouble spread = Typed.number(typed, cell("spread", row));
    boolean whole = n.isPresent() && n.getAsDouble() >= 1 && n.getAsDouble() % 1 == 0;
    if (!whole || mean.isEmpty() || spread.isEmpty() || spread.getAsDouble() < 0) {
      return Optional.empty();
    }
    String level = typed.getOrDefault(cell("level", row), "").strip();
    double sd =
        spread(typed) == Spread.SD
            ? spread.getAsDouble()
            : spread.getAsDouble() * Math.sqrt(n.getAsDouble());
    return Optional.of(
        new Group(
            row,
            level.isEmpty() ? "group " + (row + 1) : level,
            (long) n.getAsDouble(),
            mean.getAsDouble(),
            sd));
  }

  /** A test of all means at once. */
  private record Overall(String name, Quantity df, Quantity errorDf, Quantity f, Quantity p) {

    static Overall ofOneSpread(OneWay fit) {
      return new Overall(
          "one spread",
          Quantity.of(fit.treatment().df()),
          Quantity.of(fit.errorDf()),
          fit.treatment().f(),
          fit.treatment().p());
    }

    static Overall of(String name, UnequalSpread.FTest test) {
      return new Overall(name, Quantity.of(test.df()), test.errorDf(), test.f(), test.p());
    }

    List<String> row() {
      return List.of(name, Numerals.fixed(f, 2), shown(df), shown(errorDf), Numerals.p(p));
    }

    private static String shown(Quantity df) {
      return df.exists() ? Numerals.df(df.value()) : Numerals.NONE;
    }

    String words(double alpha, int groups) {
      if (!p.exists()) {
        return "There is no noise to judge against: " + Phrases.why(p) + ".";
      }
      return "F("
          + shown(df)
          + ", "
          + shown(errorDf)
          + ") = "
          + Numerals.fixed(f, 2)
          + ", "
          + Numerals.pStatement(p)
          + " ("
          + name
          + "): the "
          + groups
          + (p.value() <= alpha
              ? " means are not all equal."
              : " means differ no more than chance may make them.");
    }
  }

  /** The test that takes spreads as the procedure for pairs does comes first: it is the finding. */
  private static List<Overall> tests(Summaries all, Procedure procedure) {
    Overall oneSpread = Overall.ofOneSpread(all.fit());
    Overall welch = Overall.of("Welch", all.welch());
    Overall brownForsythe = Overall.of("Brown\u2013Forsythe", all.brownForsythe());
    return procedure.hasOwnSpreads()
        ? List.of(welch, brownForsythe, oneSpread)
        : List.of(oneSpread, welch, brownForsythe);
  }

  private static List<String> row(Pair pair, List<Group> groups) {
    int decimals =
        pair.se().exists() ? Numerals.decimalsFor(pair.se().value()) : Numerals.decimalsFor(1);
    String interval =
        pair.low().exists()
            ? Numerals.fixed(pair.low(), decimals) + " to " + Numerals.fixed(pair.high(), decimals)
            : Numerals.NONE;
    return List.of(
        groups.get(pair.left()).level() + " \u2212 " + groups.get(pair.right()).level(),
        Numerals.fixed(pair.difference(), decimals),
        interval,
        Numerals.p(pair.p()));
  }

  /** Intervals of single means by the common spread. */
  private static Intervals means(Summaries all, List<Group> groups) {
    double df = all.fit().errorDf();
    Quantity sd = all.fit().residualSd();
    double t =
        df > 0 ? TDistribution.of(df).inverseSurvivalProbability(all.alpha() / 2) : Double.NaN;
    List<Intervals.Row> rows = new ArrayList<>();
    for (Group group : groups) {
      double half = sd.exists() ? t * sd.value() / Math.sqrt(group.n()) : Double.NaN;
      rows.add(
          new Intervals.Row(
              group.level(), group.mean() - half, group.mean(), group.mean() + half, true));
    }
    return new Intervals(
        rows,
        "means, " + Numerals.confidence(all.alpha()) + "% intervals by one spread; line: all",
        all.fit().grandMean());
  }
}
