package app.knuckle.desktop.compare;

import app.knuckle.figures.scene.ValueAxis;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.means.Estimates;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What the Compare joint says, ready to show.
 *
 * @param line what is compared
 * @param warning why pairs should not be hunted; empty when they may be
 * @param rungs the means, the largest first
 * @param letters how many letters there are
 * @param ticks of the scale: text and place from 0 to 1
 * @param scaleTitle what the scale shows
 * @param boardTitle title of the difference board
 * @param cells of the board, by row and column of the ranking; row r has r cells
 * @param ranking the sentence
 * @param critical the critical difference in words; empty when pairs have their own
 */
public record ComparePage(
    String line,
    String warning,
    List<Rung> rungs,
    int letters,
    List<Tick> ticks,
    String scaleTitle,
    String boardTitle,
    List<List<Cell>> cells,
    String ranking,
    String critical) {

  public ComparePage {
    rungs = List.copyOf(rungs);
    ticks = List.copyOf(ticks);
    cells = List.copyOf(cells);
  }

  /**
   * A mean on the ladder.
   *
   * @param name of its level
   * @param mean written out
   * @param at its place on the scale, from 0 to 1
   * @param low place of the lower whisker
   * @param high place of the upper whisker
   * @param letters those it carries
   * @param has for each letter, whether it carries it
   */
  public record Rung(
      String name,
      String mean,
      double at,
      double low,
      double high,
      String letters,
      List<Boolean> has) {}

  /**
   * A tick of the scale.
   *
   * @param text its value
   * @param at its place, from 0 to 1
   */
  public record Tick(String text, double at) {}

  /**
   * A pair on the difference board.
   *
   * @param text the difference, short
   * @param differs whether it is real
   * @param strength of its fill, from 0 to 3
   * @param reading the pair read out in full
   */
  public record Cell(String text, boolean differs, int strength, String reading) {}

  private static final int TICKS = 5;

  /** Up to so many means ladder and board stand side by side. */
  private static final int ROOMY = 10;

  /**
   * Whether ladder and board have room side by side.
   *
   * @return false when the board needs the whole width
   */
  public boolean isRoomy() {
    return rungs.size() <= ROOMY;
  }

  /**
   * The page of findings.
   *
   * @param findings with a comparison
   * @return the page
   */
  public static ComparePage of(Findings findings) {
    ResponseFindings response = findings.first();
    Comparison comparison = response.comparison().orElseThrow();
    Estimates means = response.estimates();
    List<Integer> ranking = AllPairs.ranking(means);
    int decimals = response.decimals();
    String unit = response.measured().unit();
    String treatment = response.groups().treatment().label();
    double min = Double.POSITIVE_INFINITY;
    double max = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < means.size(); i++) {
      double se = means.se(i).exists() ? means.se(i).value() : 0;
      min = Math.min(min, means.mean(i) - se);
      max = Math.max(max, means.mean(i) + se);
    }
    ValueAxis axis = ValueAxis.holding(min, max, false, TICKS);
    List<Rung> rungs = new ArrayList<>();
    for (int i : ranking) {
      double mean = means.mean(i);
      double se = means.se(i).exists() ? means.se(i).value() : 0;
      List<Boolean> has = new ArrayList<>();
      for (int l = 0; l < comparison.letters().count(); l++) {
        has.add(comparison.letters().has(i, l));
      }
      rungs.add(
          new Rung(
              response.groups().levels().get(i),
              Numerals.fixed(mean, decimals),
              axis.place(mean, 0, 1),
              axis.place(mean - se, 0, 1),
              axis.place(mean + se, 0, 1),
              comparison.letters().of(i),
              has));
    }
    List<Tick> ticks =
        axis.ticks().stream().map(t -> new Tick(axis.text(t), axis.place(t, 0, 1))).toList();
    return new ComparePage(
        Numerals.count(means.size(), "mean", "means")
            + " of "
            + treatment
            + " \u00b7 all pairs \u00b7 "
            + comparison.procedure().title()
            + (kramer(comparison, means) ? "-Kramer, for unequal n" : "")
            + " \u00b7 \u03b1 = "
            + comparison.alpha(),
        response.overallDiffers() ? "" : warning(response),
        rungs,
        comparison.letters().count(),
        ticks,
        "mean " + response.measured().title() + ", bars show \u00b1 SE",
        "Differences" + (unit.isEmpty() ? "" : " (" + unit + ")") + ", filled where real",
        cells(response, comparison, ranking, decimals),
        response.words().ranking(),
        comparison.criticalDifference().exists()
            ? "Means differ from "
                + Numerals.with(Numerals.fixed(comparison.criticalDifference(), decimals), unit)
                + " apart."
            : "");
  }

  private static boolean kramer(Comparison comparison, Estimates means) {
    return comparison.procedure() == Procedure.TUKEY && unequal(means);
  }

  private static boolean unequal(Estimates means) {
    for (int i = 1; i < means.size(); i++) {
      if (means.count(i) != means.count(0)) {
        return true;
      }
    }
    return false;
  }

  private static String warning(ResponseFindings response) {
    return response.fit().treatment().p().exists()
        ? "The overall test shows no difference ("
            + Numerals.pStatement(response.fit().treatment().p())
            + "), so pairs should not be hunted: among "
            + response.comparison().orElseThrow().pairs().size()
            + " pairs some will look large by chance."
        : "There is no overall test, so pairs cannot be judged.";
  }

  private static List<List<Cell>> cells(
      ResponseFindings response, Comparison comparison, List<Integer> ranking, int decimals) {
    // Looked up once: a search for every cell would grow with the fourth power of the groups.
    int k = ranking.size();
    Pair[][] pairs = new Pair[k][k];
    double[] real =
        comparison.pairs().stream()
            .filter(Pair::differs)
            .mapToDouble(p -> Math.abs(p.difference()))
            .sorted()
            .toArray();
    comparison.pairs().forEach(p -> pairs[p.left()][p.right()] = p);
    List<List<Cell>> rows = new ArrayList<>();
    for (int r = 1; r < k; r++) {
      List<Cell> row = new ArrayList<>();
      for (int c = 0; c < r; c++) {
        int high = ranking.get(c);
        int low = ranking.get(r);
        Pair pair = pairs[Math.min(high, low)][Math.max(high, low)];
        row.add(cell(response, pair, high, low, real, decimals));
      }
      rows.add(List.copyOf(row));
    }
    return rows;
  }

  private static Cell cell(
      ResponseFindings response, Pair pair, int high, int low, double[] real, int decimals) {
    double difference = Math.abs(pair.difference());
    int below = Arrays.binarySearch(real, difference);
    double share = real.length == 0 ? 0 : (double) Math.abs(below) / real.length;
    int strength = !pair.differs() ? 0 : share > 2.0 / 3 ? 3 : share > 1.0 / 3 ? 2 : 1;
    return new Cell(
        Numerals.fixed(difference, Math.max(0, decimals - 1)),
        pair.differs(),
        strength,
        reading(response, pair, high, low, decimals));
  }

  private static String reading(
      ResponseFindings response, Pair pair, int high, int low, int decimals) {
    String unit = response.measured().unit();
    List<String> levels = response.groups().levels();
    double sign = pair.left() == high ? 1 : -1;
    double difference = sign * pair.difference();
    StringBuilder text = new StringBuilder();
    text.append(levels.get(high)).append(" \u2212 ").append(levels.get(low)).append(": ");
    text.append(Numerals.with(Numerals.fixed(difference, decimals), unit));
    if (pair.low().exists()) {
      double from = sign > 0 ? pair.low().value() : -pair.high().value();
      double to = sign > 0 ? pair.high().value() : -pair.low().value();
      text.append(", interval ").append(Numerals.fixed(from, decimals));
      text.append(" to ").append(Numerals.with(Numerals.fixed(to, decimals), unit));
    }
    if (!pair.p().exists()) {
      return text.append(". ").append(pair.p().why()).append(".").toString();
    }
    text.append(", ").append(Numerals.pStatement(pair.p())).append(". ");
    text.append(pair.differs() ? "They differ." : "No evidence of a difference.");
    return text.toString();
  }
}
