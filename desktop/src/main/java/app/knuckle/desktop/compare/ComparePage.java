package app.knuckle.desktop.compare;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.figures.scatter.Intervals;
import app.knuckle.figures.scatter.PairIntervals;
import app.knuckle.figures.scene.ValueAxis;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.Reach;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.sentences.EdgeSentence;
import app.knuckle.study.sentences.RankingSentence;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * What the Compare joint says, ready to show.
 *
 * @param line what is compared
 * @param warning why pairs should not be hunted; empty when they may be
 * @param rungs the means, in the order of the ladder
 * @param valueHeads what the numbers of a rung are: its mean first
 * @param letters how many letters there are
 * @param ticks of the scale: text and place from 0 to 1
 * @param scaleTitle what the scale shows
 * @param boardTitle title of the difference board
 * @param topic where more is said of the procedure
 * @param cells of the board, by row and column of the ladder; row r has r cells
 * @param intervals of the pairs, the largest difference first; null if there are too many
 * @param ranking the sentence
 * @param critical the critical difference in words; empty when pairs have their own
 */
public record ComparePage(
    String line,
    String warning,
    List<Rung> rungs,
    List<String> valueHeads,
    int letters,
    List<Tick> ticks,
    String scaleTitle,
    String boardTitle,
    Topic topic,
    List<List<Cell>> cells,
    Intervals intervals,
    String ranking,
    String critical) {

  public ComparePage {
    rungs = List.copyOf(rungs);
    valueHeads = List.copyOf(valueHeads);
    ticks = List.copyOf(ticks);
    cells = List.copyOf(cells);
  }

  /**
   * A mean on the ladder.
   *
   * @param name of its level
   * @param values its mean written out, and what else is told of it
   * @param at its place on the scale, from 0 to 1
   * @param low place of the lower whisker
   * @param high place of the upper whisker
   * @param plain place of the mean as measured, where that is another; NaN for none
   * @param letters those it carries
   * @param has for each letter, whether it carries it
   */
  public record Rung(
      String name,
      List<String> values,
      double at,
      double low,
      double high,
      double plain,
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
   * @param whole the difference with all its decimals and its unit
   * @param differs whether the two differ significantly
   * @param strength of its fill, from 0 to 3
   * @param reading the pair read out in full
   */
  public record Cell(String text, String whole, boolean differs, int strength, String reading) {}

  private static final int TICKS = 5;

  /** Ladder and board stand side by side up to this width of the board, in characters. */
  private static final int ROOMY = 46;

  /** What a cell of the board takes, in characters. */
  private static final int CELL = 6;

  /** A board of more means than this is not taken in at a glance, and slow to draw. */
  private static final int MOST_ON_BOARD = 40;

  /** Whether all pairs are shown on a board: false when they are too many. */
  public boolean hasBoard() {
    return rungs.size() <= MOST_ON_BOARD;
  }

  /**
   * The only pair of two means: it needs no board, and no procedure. Returns null where there are
   * more, or where the two could not be judged.
   */
  public Cell onlyPair() {
    return rungs.size() == 2 && !cells.isEmpty() ? cells.get(0).get(0) : null;
  }

  /**
   * Whether ladder and board have room side by side: false when the board needs the whole width.
   */
  public boolean isRoomy() {
    int longest = rungs.stream().mapToInt(r -> r.name().length()).max().orElse(0);
    return longest + CELL * (rungs.size() - 1) <= ROOMY;
  }

  /**
   * How a ladder is drawn.
   *
   * @param ranked the largest mean first, rather than as the levels are
   * @param intervals the bars show intervals, rather than standard errors
   */
  public record Look(boolean ranked, boolean intervals) {}

  /**
   * The page of a family of means, ranked, on a scale of its own.
   *
   * @param findings with comparisons
   * @param family one of the first response's
   * @return the page
   */
  public static ComparePage of(Findings findings, ComparedMeans family) {
    return of(findings, family, new Look(true, false), List.of(family));
  }

  /**
   * The page of a family of means.
   *
   * @param findings with comparisons
   * @param family one of the first response's
   * @param look how the ladder is drawn
   * @param beside the families that share its scale, itself among them
   * @return the page
   */
  public static ComparePage of(
      Findings findings, ComparedMeans family, Look look, List<ComparedMeans> beside) {
    ResponseFindings response = findings.first();
    double alpha = findings.inquiry().alpha();
    int k = family.means().length;
    List<Integer> order = look.ranked() ? family.ranking() : IntStream.range(0, k).boxed().toList();
    int decimals = family.ranks() ? RANK_DECIMALS : decimals(family, response);
    String unit = family.ranks() ? "" : findings.shown(response).unit();
    MoreMeans more = MoreMeans.of(findings, family);
    ValueAxis axis = axis(beside, look, alpha, more);
    List<Rung> rungs = new ArrayList<>();
    int columns = family.letters() == null ? 0 : family.letters().count();
    for (int i : order) {
      double mean = family.means()[i];
      Reach reach = reach(family, i, look, alpha);
      List<Boolean> has = new ArrayList<>();
      for (int l = 0; l < columns; l++) {
        has.add(family.letters().has(i, l));
      }
      List<String> values = new ArrayList<>(List.of(Numerals.fixed(family.mean(i), decimals)));
      values.addAll(more.values(i, decimals));
      rungs.add(
          new Rung(
              family.names().get(i),
              values,
              axis.place(mean, 0, 1),
              axis.place(mean - reach.below(), 0, 1),
              axis.place(mean + reach.above(), 0, 1),
              axis.place(more.plain(i), 0, 1),
              columns == 0 ? "" : family.letters().of(i),
              has));
    }
    boolean some = IntStream.range(0, k).anyMatch(i -> family.mean(i).exists());
    List<Tick> ticks =
        axis.ticks().stream()
            .filter(t -> some)
            .map(t -> new Tick(axis.text(t), axis.place(t, 0, 1)))
            .toList();
    Quantity p = response.leastP(family.of());
    List<String> heads = new ArrayList<>(List.of(more.hasPlain() ? "adjusted" : "mean"));
    heads.addAll(more.heads());
    return new ComparePage(
        line(family, alpha),
        k == 2 || Significance.reached(p, alpha) ? "" : warning(p, family),
        rungs,
        heads,
        columns,
        ticks,
        some
            ? scale(findings, family, bars(look, alpha), more)
            : "no mean can be told from these records",
        family.isOfRatios()
            ? "How many times as "
                + (family.scale() == LinkScale.LOG_ODDS ? "high the odds" : "many")
                + ", filled where significant"
            : "Differences"
                + (unit.isEmpty() ? "" : " (" + unit + ")")
                + ", filled where significant",
        Topic.of(family.procedure(), !family.within().isEmpty()),
        k <= MOST_ON_BOARD ? cells(family, spread(response), unit, order, decimals) : List.of(),
        PairIntervals.of(family, unit, UnaryOperator.identity()).orElse(null),
        (RankingSentence.of(
                    family,
                    family.scale() == LinkScale.LOG_ODDS ? "%" : response.measured().unit(),
                    decimals)
                + " "
                + EdgeSentence.of(
                    response.results(), response.summaries(), findings.inquiry(), ExactP.USUAL))
            .strip(),
        family.criticalDifference().exists() && !family.isOfRatios()
            ? "Means differ significantly from "
                + Numerals.with(Numerals.fixed(family.criticalDifference(), decimals), unit)
                + " on."
            : "");
  }

  private static ValueAxis axis(
      List<ComparedMeans> beside, Look look, double alpha, MoreMeans more) {
    double min = Double.POSITIVE_INFINITY;
    double max = Double.NEGATIVE_INFINITY;
    for (ComparedMeans family : beside) {
      for (int i = 0; i < family.means().length; i++) {
        if (!Double.isNaN(family.means()[i])) {
          Reach reach = reach(family, i, look, alpha);
          min = Math.min(min, family.means()[i] - reach.below());
          max = Math.max(max, family.means()[i] + reach.above());
        }
      }
    }
    return min > max
        ? ValueAxis.holding(0, 0, false, TICKS) // No mean has a value.
        : ValueAxis.holding(more.least(min), more.most(max), false, TICKS);
  }

  private static Reach reach(ComparedMeans family, int i, Look look, double alpha) {
    return look.intervals() ? family.interval(i, alpha) : Reach.even(family.ses().get(i));
  }

  /** What the scale of the ladder is of. */
  private static String scale(
      Findings findings, ComparedMeans family, String bars, MoreMeans more) {
    ResponseFindings response = findings.first();
    return family.ranks()
        ? "mean rank of " + response.measured().label()
        : "mean "
            + findings.shown(response).title()
            + ", bars show "
            + bars
            + (more.hasPlain() ? ", hollow circles the means as measured" : "");
  }

  private static String bars(Look look, double alpha) {
    return look.intervals() ? Numerals.confidence(alpha) + "% intervals" : "\u00b1 SE";
  }

  /** The SD of single values within groups, by which a difference is said to be large. */
  private static Quantity spread(ResponseFindings response) {
    return response
        .results()
        .variances()
        .map(AnovaTable::fit)
        .filter(Objects::nonNull)
        .map(AnovaTable.ModelFit::residualSd)
        .findFirst()
        .orElse(Quantity.absent(Absence.NO_ANALYSIS_OF_VARIANCE));
  }

  private static String times(LinkScale scale) {
    return scale == LinkScale.LOG_ODDS ? "times the odds" : "times as many";
  }

  /** Ratios are read to two decimals. */
  private static final int RATIO_DECIMALS = 2;

  /** Mean ranks are read to a tenth. */
  private static final int RANK_DECIMALS = 1;

  private static int decimals(ComparedMeans family, ResponseFindings response) {
    Quantity se = family.ses().get(0);
    return se.exists() && se.value() > 0 ? Numerals.decimalsFor(se.value()) : response.decimals();
  }

  private static String line(ComparedMeans family, double alpha) {
    boolean kramer = family.procedure() == Procedure.TUKEY && family.isUnequal();
    String within =
        family.within().isEmpty()
            ? ""
            : " within "
                + String.join(
                    ", ",
                    family.within().entrySet().stream()
                        .map(e -> e.getKey() + " " + e.getValue())
                        .toList());
    return Numerals.count(
            family.means().length,
            family.ranks() ? "group" : "mean",
            family.ranks() ? "groups" : "means")
        + " of "
        + Numerals.list(family.of())
        + within
        + (family.means().length == 2
            ? ""
            : (family.isAgainstReference() ? " \u00b7 against a reference" : " \u00b7 all pairs")
                + " \u00b7 "
                + Phrases.title(family.procedure())
                + (kramer ? "-Kramer, for unequal n" : ""))
        + " \u00b7 \u03b1 = "
        + alpha;
  }

  private static String warning(Quantity p, ComparedMeans family) {
    if (!p.exists()) {
      return family.pairs().stream().anyMatch(Pair::isJudged)
          ? "" // Pairs with spreads of their own need no overall test.
          : "No pair can be judged: " + Phrases.why(family.pairs().get(0).p()) + ".";
    }
    return "The overall test found no difference ("
        + Numerals.pStatement(p)
        + "), so pairs should not be hunted: among "
        + family.pairs().size()
        + " pairs some will look large by chance.";
  }

  /** Row by row of the ladder; of pairs that are not compared the cell is empty. */
  private static List<List<Cell>> cells(
      ComparedMeans family, Quantity spread, String unit, List<Integer> order, int decimals) {
    // Looked up once: a search for every cell would grow with the fourth power of the groups.
    int k = order.size();
    Pair[][] pairs = new Pair[k][k];
    double[] found =
        family.pairs().stream()
            .filter(Pair::differs)
            .mapToDouble(p -> Math.abs(p.difference()))
            .sorted()
            .toArray();
    for (Pair p : family.pairs()) {
      pairs[p.left()][p.right()] = p;
      pairs[p.right()][p.left()] = p;
    }
    List<List<Cell>> rows = new ArrayList<>();
    for (int r = 1; r < k; r++) {
      List<Cell> row = new ArrayList<>();
      for (int c = 0; c < r; c++) {
        Pair pair = pairs[order.get(c)][order.get(r)];
        boolean upward = family.means()[order.get(c)] >= family.means()[order.get(r)];
        int high = order.get(upward ? c : r);
        int low = order.get(upward ? r : c);
        row.add(
            pair == null
                ? new Cell("", "", false, 0, "Not compared: only with the reference.")
                : cell(family, spread, unit, pair, high, low, found, decimals));
      }
      rows.add(List.copyOf(row));
    }
    return rows;
  }

  private static Cell cell(
      ComparedMeans family,
      Quantity spread,
      String unit,
      Pair pair,
      int high,
      int low,
      double[] found,
      int decimals) {
    double difference = Math.abs(pair.difference());
    int below = Arrays.binarySearch(found, difference);
    double share = found.length == 0 ? 0 : (double) Math.abs(below) / found.length;
    int strength = !pair.differs() ? 0 : share > 2.0 / 3 ? 3 : share > 1.0 / 3 ? 2 : 1;
    ComparedMeans.Effect effect = family.effect(pair, pair.left() != high);
    String ratio = "\u00d7 " + Numerals.fixed(effect.size(), RATIO_DECIMALS);
    return new Cell(
        family.isOfRatios() ? ratio : Numerals.fixed(difference, Math.max(0, decimals - 1)),
        family.isOfRatios() ? ratio : Numerals.with(Numerals.fixed(difference, decimals), unit),
        pair.differs(),
        strength,
        reading(family, spread, unit, pair, high, low, decimals));
  }

  private static String reading(
      ComparedMeans family,
      Quantity spread,
      String unit,
      Pair pair,
      int high,
      int low,
      int decimals) {
    double sign = pair.left() == high ? 1 : -1;
    double difference = sign * pair.difference();
    StringBuilder text = new StringBuilder();
    ComparedMeans.Effect effect = family.effect(pair, sign < 0);
    boolean ratios = family.isOfRatios();
    int shown = ratios ? RATIO_DECIMALS : decimals;
    String own = ratios ? times(family.scale()) : unit;
    text.append(family.names().get(high)).append(ratios ? " \u00f7 " : " \u2212 ");
    text.append(family.names().get(low));
    text.append(": ").append(Numerals.with(Numerals.fixed(effect.size(), shown), own));
    if (family.ranks()) {
      text.append(" in mean rank");
    }
    if (pair.low().exists() && pair.high().exists()) {
      text.append(ratios ? ", likely between " : ", interval ");
      text.append(Numerals.fixed(effect.low(), shown));
      text.append(ratios ? " and " : " to ");
      text.append(Numerals.with(Numerals.fixed(effect.high(), shown), ratios ? "" : unit));
    }
    if (!pair.p().exists()) {
      return text.append(". ").append(Phrases.why(pair.p())).append(".").toString();
    }
    text.append(", ").append(Numerals.pStatement(pair.p())).append(". ");
    text.append(pair.differs() ? "They differ significantly." : "No evidence of a difference.");
    if (spread.exists() && spread.value() > 0 && !family.ranks()) {
      text.append(" How large: ").append(Numerals.fixed(Math.abs(difference) / spread.value(), 1));
      text.append(" times the spread of single values within groups.");
    }
    return text.toString();
  }
}
