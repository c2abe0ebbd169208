package app.knuckle.desktop.footing;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.figures.scatter.Bars;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.checks.Footing;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckResult.Judgement;
import app.knuckle.study.findings.CheckTest.About;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.GroupCheck.OddResidual;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * What the Footing joint says: a card for each thing that the answer stands on.
 *
 * @param line under the title
 * @param cards those that the design needs, in the order in which they matter
 */
public record FootingPage(String line, List<Check> cards) {

  public FootingPage {
    cards = List.copyOf(cards);
  }

  /**
   * A card.
   *
   * @param title what it is about
   * @param topic where more is said of it
   * @param judgement sound, caution or unsound
   * @param scatter its picture; null if it has bars, or none
   * @param bars its picture; null if it has points, or none
   * @param words the test and what it means
   * @param more lines that the opened card adds
   * @param ways what to ask instead
   * @param mute whether there is too little for the check to speak: then sound means nothing
   */
  public record Check(
      String title,
      Topic topic,
      Judgement judgement,
      Scatter scatter,
      Bars bars,
      String words,
      List<String> more,
      List<WayOn> ways,
      boolean mute) {

    /** The judgement as a reader sees it, such as "sound". */
    public String verdict() {
      return mute ? "cannot tell" : judgement.key();
    }
  }

  /** What a method takes for granted; one that nobody placed does not compile. */
  private enum Ground {
    VALUES,
    RANKS,
    COUNTS;

    String words() {
      return say("footing.ground." + name().toLowerCase(Locale.ROOT));
    }

    static Ground of(Analysis analysis) {
      return switch (analysis) {
        case LEAST_SQUARES, MIXED, SEPARATE_VARIANCES -> VALUES;
        case RANKS, PERMUTATION -> RANKS;
        case DEVIANCE -> COUNTS;
      };
    }
  }

  /**
   * The page of an answer.
   *
   * @param answer with a test
   * @return the page
   */
  public static FootingPage of(Answer answer) {
    return answer.page(FootingPage.class, FootingPage::made);
  }

  private static FootingPage made(Answer answer) {
    Inquiry inquiry = answer.findings().inquiry();
    ResponseFindings response = answer.findings().first();
    Cards cards = new Cards(answer, response);
    return new FootingPage(
        Ground.of(inquiry.analysis()).words(),
        Footing.of(answer.findings(), response).checks().stream().map(cards::card).toList());
  }

  /** Puts a picture and ways on to every check. */
  private static final class Cards {
    private final Answer answer;
    private final ResponseFindings response;
    private final Inquiry inquiry;
    private final Residuals residuals;
    private final WaysOn ways;
    private final DesignPictures pictures;
    private int randomTerm;

    Cards(Answer answer, ResponseFindings response) {
      this.answer = answer;
      this.response = response;
      inquiry = answer.findings().inquiry();
      residuals = response.results().residuals().orElse(null);
      ways = new WaysOn(answer);
      pictures = new DesignPictures(answer);
    }

    Check card(Footing.Check check) {
      return switch (check.subject()) {
        case NORMALITY -> normality(check);
        case NORMALITY_OF_UNITS -> ofUnits(check);
        case DISPERSION ->
            plain(
                check,
                say("footing.title.dispersion"),
                Topic.of(inquiry, false),
                againstFitted(),
                check.judgement().isOdd() && Boolean.FALSE.equals(inquiry.overdispersion())
                    ? ways.estimatedSpread()
                    : List.of());
        case OUTLYING_COUNT ->
            oddOneOut(check, GroupCheck.OddCount.class, GroupCheck.OddCount::row);
        case ZEROS ->
            plain(check, say("footing.title.zeros"), Topic.of(inquiry, false), null, List.of());
        case EXPECTED_COUNTS -> expected(check);
        case VARIANCES -> variances(check);
        case OUTLIER -> oddOneOut(check, OddResidual.class, OddResidual::row);
        case RANDOM_LEVELS -> randomTerm(check);
        case DESIGN, COVARIANCES -> design(check, check.design().orElseThrow());
        case ORDER ->
            plain(
                check,
                say("footing.title.order"),
                Topic.ORDER_AND_BALANCE,
                CheckPictures.inOrder(residuals),
                List.of());
        case BALANCE -> balance(check);
      };
    }

    private static Check plain(
        Footing.Check check, String title, Topic topic, Scatter scatter, List<WayOn> on) {
      return new Check(
          title,
          topic,
          check.judgement(),
          scatter,
          null,
          check.said(),
          List.of(),
          on,
          check.mute());
    }

    private Scatter againstFitted() {
      return residuals == null ? null : CheckPictures.againstFitted(residuals);
    }

    private List<WayOn> without(Footing.Check check, Optional<Integer> row) {
      return check.judgement().isOdd() && row.isPresent() ? ways.without(row.get()) : List.of();
    }

    private Check normality(Footing.Check check) {
      GroupCheck values = check.values().orElseThrow();
      List<String> more =
          response.results().groupChecks().stream()
              .filter(c -> c.test() == values.test())
              .flatMap(
                  c ->
                      c.on() instanceof CheckedOn.Group group && !group.levels().isEmpty()
                          ? Stream.of(
                              String.join(" ", group.levels().values())
                                  + ": "
                                  + Numerals.pStatement(c.p()))
                          : Stream.of())
              .toList();
      return new Check(
          say(
              "footing.title.normality",
              values.on() == CheckedOn.Whole.DIFFERENCES ? "differences" : "residuals"),
          Topic.BELL_SHAPE,
          check.judgement(),
          residuals == null ? null : CheckPictures.quantiles(residuals),
          null,
          check.said(),
          more,
          !check.judgement().isOdd()
              ? List.of()
              : join(ways.logarithm(), ways.approaches(Approach.RANKS, Approach.PERMUTATION)),
          check.mute());
    }

    private Check ofUnits(Footing.Check check) {
      GroupCheck values = check.values().orElseThrow();
      double[] deviations =
          values.units().orElseThrow().deviations().stream().mapToDouble(d -> d).toArray();
      return plain(
          check,
          say("footing.title.normality", values.on().key()),
          Topic.BELL_SHAPE,
          CheckPictures.quantiles(deviations),
          !check.judgement().isOdd()
              ? List.of()
              : values.on() == CheckedOn.Whole.DIFFERENCES
                  ? ways.approaches(Approach.RANKS, Approach.PERMUTATION)
                  : ways.logarithm());
    }

    private Check expected(Footing.Check check) {
      // Ranks of counts answer for what was counted alone, whatever it was out of.
      boolean alone = inquiry.outOf() == null && inquiry.exposure() == null;
      return plain(
          check,
          say("footing.title.expected", check.values().orElseThrow().on().key()),
          Topic.of(inquiry, false),
          null,
          check.judgement().isOdd() && alone ? ways.approaches(Approach.RANKS) : List.of());
    }

    private Check variances(Footing.Check check) {
      boolean odd = check.judgement().isOdd();
      List<GroupSummary> groups =
          response.groupSummaries().stream().filter(g -> g.summary().sd().exists()).toList();
      List<String> more =
          groups.stream()
              .map(
                  g ->
                      g.level()
                          + ": SD "
                          + Numerals.fixed(g.summary().sd(), response.decimals())
                          + ", n = "
                          + Numerals.whole(g.summary().n()))
              .toList();
      return new Check(
          say("footing.title.variances"),
          Topic.EQUAL_SPREAD,
          check.judgement(),
          null,
          CheckPictures.spreads(groups, odd, response.measured().unit()),
          check.said(),
          more,
          odd
              ? join(ways.approaches(Approach.SEPARATE_VARIANCES, Approach.RANKS), ways.logarithm())
              : List.of(),
          check.mute());
    }

    private <N> Check oddOneOut(Footing.Check check, Class<N> numbers, Function<N, Integer> row) {
      return plain(
          check,
          say("footing.title.outliers"),
          Topic.ODD_VALUES,
          againstFitted(),
          without(check, check.values().map(GroupCheck::numbers).map(numbers::cast).map(row)));
    }

    private Check randomTerm(Footing.Check check) {
      return RandomChecks.card(response, randomTerm++, check, ways);
    }

    private Check design(Footing.Check footed, CheckResult check) {
      boolean odd = check.judgement().isOdd();
      boolean slopes = check.about() == About.SLOPES && !check.covariate().isEmpty();
      String title =
          say("footing.title." + (slopes ? "slopes.on" : check.about().key()), check.covariate());
      Scatter scatter =
          switch (check.about()) {
            case SLOPES -> slopes ? CheckPictures.slopes(answer, check.covariate()) : null;
            case STRAIGHTNESS -> CheckPictures.againstCovariate(answer, check.covariate());
            case ADDITIVITY -> pictures.additivity();
            case TREND_REMAINDER -> pictures.trend();
            case EQUAL_COVARIANCES -> pictures.together();
            case SPHERICITY, RANDOM_LEVELS, NORMALITY, VARIANCES, OUTLIERS -> null;
            case DISPERSION, ZEROS, EXPECTED_COUNTS -> null;
          };
      Bars bars = check.about() == About.SPHERICITY ? pictures.occasions() : null;
      List<WayOn> on =
          !odd
              ? List.of()
              : slopes
                  ? ways.ownSlopes(check.covariate())
                  : check.about() == About.ADDITIVITY
                      ? ways.logarithm()
                      : check.about() == About.SPHERICITY
                          ? ways.approaches(Approach.RANKS)
                          : List.of();
      return new Check(
          title,
          topic(check),
          check.judgement(),
          scatter,
          bars,
          footed.said() + (bars == null ? "" : " " + DesignPictures.most(bars)),
          List.of(),
          on,
          footed.mute());
    }

    private Check balance(Footing.Check check) {
      List<GroupSummary> groups = response.groupSummaries();
      boolean unequal = groups.stream().mapToLong(g -> g.summary().n()).distinct().count() > 1;
      return new Check(
          say("footing.title.balance"),
          Topic.ORDER_AND_BALANCE,
          check.judgement(),
          null,
          CheckPictures.sizes(groups, check.judgement().isOdd()),
          check.said(),
          List.of(),
          // With plots lost, random blocks and units keep what the fixed analysis loses.
          unequal ? ways.approaches(Approach.MIXED) : List.of(),
          check.mute());
    }
  }

  private static List<WayOn> join(List<WayOn> first, List<WayOn> second) {
    List<WayOn> all = new ArrayList<>(first);
    all.addAll(second);
    return all;
  }

  private static Topic topic(CheckResult check) {
    return switch (check.about()) {
      case SPHERICITY -> Topic.SPHERICITY;
      case EQUAL_COVARIANCES -> Topic.SEVERAL_RESPONSES;
      case TREND_REMAINDER -> Topic.TRENDS;
      case ADDITIVITY, SLOPES, STRAIGHTNESS -> Topic.ADDITIVITY;
      case RANDOM_LEVELS -> Topic.RANDOM_EFFECTS;
      case NORMALITY -> Topic.BELL_SHAPE;
      case VARIANCES -> Topic.EQUAL_SPREAD;
      case OUTLIERS -> Topic.ODD_VALUES;
      case DISPERSION, ZEROS, EXPECTED_COUNTS -> Topic.COUNTS;
    };
  }
}
