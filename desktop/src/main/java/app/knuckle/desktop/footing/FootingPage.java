package app.knuckle.desktop.footing;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.figures.scatter.Bars;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.checks.ShapeTest;
import app.knuckle.stats.checks.SpreadTest;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Inquiry.Method;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckResult.Judgement;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.GroupCheck.OddResidual;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

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

    Check(
        String title,
        Topic topic,
        Judgement judgement,
        Scatter scatter,
        Bars bars,
        String words,
        List<String> more,
        List<WayOn> ways) {
      this(title, topic, judgement, scatter, bars, words, more, ways, false);
    }

    Check muteIf(boolean silent) {
      return new Check(
          title,
          topic,
          judgement,
          scatter,
          bars,
          words,
          more,
          ways,
          silent && !judgement.isOdd() || judgement == Judgement.CANNOT_TELL);
    }

    /**
     * The judgement as a reader sees it.
     *
     * @return such as "sound"
     */
    public String verdict() {
      return mute ? "cannot tell" : judgement.key();
    }
  }

  /** What a method takes for granted; one that nobody placed does not compile. */
  private enum Ground {
    VALUES("Checked on what the design leaves. A caution is a reason to look, not a verdict."),
    RANKS("This method takes no bell shape for granted; units must be independent of each other."),
    COUNTS(
        "Counts spread the more the larger they are: what is checked is whether they do so as"
            + " the model says.");

    private final String words;

    Ground(String words) {
      this.words = words;
    }

    static Ground of(Method method) {
      return switch (method) {
        case LEAST_SQUARES, MIXED, UNEQUAL_SPREAD -> VALUES;
        case RANKS, PERMUTATION -> RANKS;
        case COUNTS, PROPORTIONS -> COUNTS;
      };
    }
  }

  /** With fewer degrees of freedom left to a residual only large differences show. */
  private static final int FEW_DF = 4;

  /** With fewer rows than this a group's spread can hardly be known. */
  private static final int FEW = 4;

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
    ResponseFindings response = answer.findings().first();
    Inquiry inquiry = answer.findings().inquiry();
    WaysOn ways = new WaysOn(answer);
    Residuals left = response.analysis().residuals();
    List<Check> cards = new ArrayList<>();
    Ground ground = Ground.of(inquiry.method());
    bell(response, left, ways).ifPresent(cards::add);
    cards.addAll(layers(response, ways));
    cards.addAll(CountCards.of(response, left, inquiry, ways));
    if (ground != Ground.COUNTS) {
      spread(response, inquiry, ways).ifPresent(cards::add);
    }
    if (left != null && ground != Ground.COUNTS) {
      cards.add(odd(response, left, ways));
    }
    cards.addAll(RandomChecks.of(response, ways));
    for (CheckResult check : response.analysis().checks()) {
      if (!check.about().equals(CheckResult.RANDOM_LEVELS)) {
        cards.add(check(check, answer, ways));
      }
    }
    answer.findings().together().checks().forEach(check -> cards.add(check(check, answer, ways)));
    if (left != null) {
      cards.add(inOrder(left));
    }
    balance(response, inquiry, left, ways).ifPresent(cards::add);
    return new FootingPage(ground.words, cards);
  }

  private static Optional<GroupCheck> find(ResponseFindings response, String test, Object on) {
    return response.analysis().groupChecks().stream()
        .filter(c -> c.test().equals(test) && (on == null || c.on().equals(on)))
        .findFirst();
  }

  private static Optional<Check> bell(ResponseFindings response, Residuals left, WaysOn ways) {
    Optional<GroupCheck> found =
        response.analysis().groupChecks().stream()
            .filter(c -> c.test().equals("shapiro-wilk") && !isOfGroup(c) && !hasUnits(c))
            .findFirst()
            .filter(c -> c.p().exists())
            .or(() -> find(response, "anderson-darling", "residuals"));
    if (found.isEmpty()) {
      return Optional.empty();
    }
    GroupCheck check = found.get();
    List<String> more = new ArrayList<>();
    response.analysis().groupChecks().stream()
        .filter(c -> c.test().equals(check.test()) && isOfGroup(c))
        .forEach(
            c ->
                more.add(
                    String.join(
                            " ",
                            ((Map<?, ?>) c.on()).values().stream().map(String::valueOf).toList())
                        + ": "
                        + Numerals.pStatement(c.p())));
    boolean pairs = check.on().equals("differences");
    return Optional.of(
        new Check(
                pairs ? "Bell-shaped differences" : "Bell-shaped residuals",
                Topic.BELL_SHAPE,
                check.judgement(),
                left == null ? null : CheckPictures.quantiles(left),
                null,
                (check.numbers() instanceof ShapeTest shape ? ofShape(shape) + " " : "")
                    + check.words(),
                more,
                !check.judgement().isOdd()
                    ? List.of()
                    : join(ways.logarithm(), ways.methods(Method.RANKS, Method.PERMUTATION)))
            .muteIf(isMute(check)));
  }

  /** Without a p, or of so few values that no shape shows, a check has nothing to say. */
  private static boolean isMute(GroupCheck check) {
    return !check.p().exists()
        || check.numbers() instanceof ShapeTest shape && shape.n() < FEW_VALUES;
  }

  /** Fewer values than this cannot show a shape. */
  private static final int FEW_VALUES = 8;

  private static String ofShape(ShapeTest test) {
    Quantity p = test.p();
    boolean wilk = test instanceof ShapeTest.ShapiroWilk;
    return !p.exists()
        ? "No test: " + Phrases.why(p) + "."
        : (wilk ? "Shapiro-Wilk W = " : "Anderson-Darling A\u00b2 = ")
            + Numerals.fixed(test.statistic(), 3)
            + ", "
            + Numerals.pStatement(p)
            + ".";
  }

  /** Whether a check is about one group among others. */
  private static boolean isOfGroup(GroupCheck check) {
    return check.on() instanceof Map<?, ?> group && !group.isEmpty();
  }

  /** Whether a check is about units of several rows, pairs among them, rather than rows. */
  private static boolean hasUnits(GroupCheck check) {
    return check.units().isPresent();
  }

  /** Pairs and coarser layers of error, each on the values of its own units. */
  private static List<Check> layers(ResponseFindings response, WaysOn ways) {
    List<Check> cards = new ArrayList<>();
    for (GroupCheck check : response.analysis().groupChecks()) {
      if (check.units().isPresent() && check.numbers() instanceof ShapeTest shape) {
        List<String> units = check.units().get().units();
        double[] values = check.units().get().deviations().stream().mapToDouble(d -> d).toArray();
        int far = 0;
        for (int i = 0; i < values.length; i++) {
          far = Math.abs(values[i]) > Math.abs(values[far]) ? i : far;
        }
        cards.add(
            new Check(
                    "Bell-shaped " + check.on(),
                    Topic.BELL_SHAPE,
                    check.judgement(),
                    CheckPictures.quantiles(values),
                    null,
                    ofShape(shape)
                        + " "
                        + check.words()
                        + " "
                        + units.get(far)
                        + " lies farthest from what the model says of it ("
                        + Numerals.fixed(values[far], response.decimals())
                        + ").",
                    List.of(),
                    !check.judgement().isOdd()
                        ? List.of()
                        : check.on().equals("differences")
                            ? ways.methods(Method.RANKS, Method.PERMUTATION)
                            : ways.logarithm())
                .muteIf(isMute(check)));
      }
    }
    return cards;
  }

  private static List<WayOn> join(List<WayOn> first, List<WayOn> second) {
    List<WayOn> all = new ArrayList<>(first);
    all.addAll(second);
    return all;
  }

  private static Optional<Check> spread(ResponseFindings response, Inquiry inquiry, WaysOn ways) {
    Optional<GroupCheck> found = find(response, "brown-forsythe", null);
    List<GroupSummary> groups =
        response.groupSummaries().stream().filter(g -> g.summary().sd().exists()).toList();
    if (groups.size() < 2 || groups.size() > CheckPictures.MOST_BARS || inquiry.pairs() != null) {
      return Optional.empty();
    }
    GroupSummary most =
        groups.stream().max(Comparator.comparingDouble(g -> g.summary().sd().value())).get();
    GroupSummary least =
        groups.stream().min(Comparator.comparingDouble(g -> g.summary().sd().value())).get();
    Judgement judgement = found.map(GroupCheck::judgement).orElse(Judgement.SOUND);
    boolean odd = judgement.isOdd();
    int decimals = response.decimals();
    String test =
        found
            .map(GroupCheck::numbers)
            .filter(SpreadTest.class::isInstance)
            .map(SpreadTest.class::cast)
            .filter(c -> c.p().exists())
            .map(
                c ->
                    "Brown-Forsythe F = "
                        + Numerals.fixed(c.statistic(), 2)
                        + ", "
                        + Numerals.pStatement(c.p())
                        + ". ")
            .orElse("");
    String words =
        most.summary().sd().value() == 0
            ? "Within every group all values are equal."
            : test
                + Prose.capital(most.level())
                + " varies most (SD "
                + Numerals.fixed(most.summary().sd(), decimals)
                + "), "
                + least.level()
                + " least ("
                + Numerals.fixed(least.summary().sd(), decimals)
                + ").";
    List<String> more =
        groups.stream()
            .map(
                g ->
                    g.level()
                        + ": SD "
                        + Numerals.fixed(g.summary().sd(), decimals)
                        + ", n = "
                        + Numerals.whole(g.summary().n()))
            .toList();
    return Optional.of(
        new Check(
                "Equal spread",
                Topic.EQUAL_SPREAD,
                judgement,
                null,
                CheckPictures.spreads(groups, odd, response.measured().unit()),
                words,
                more,
                odd
                    ? join(ways.methods(Method.UNEQUAL_SPREAD, Method.RANKS), ways.logarithm())
                    : List.of())
            .muteIf(test.isEmpty()));
  }

  private static Check odd(ResponseFindings response, Residuals left, WaysOn ways) {
    Optional<GroupCheck> found = find(response, "studentised-residual", "residuals");
    Judgement judgement = found.map(GroupCheck::judgement).orElse(Judgement.SOUND);
    Optional<OddResidual> row =
        found.map(GroupCheck::numbers).map(OddResidual.class::cast).filter(r -> r.p().exists());
    String words =
        row.map(
                r ->
                    "The largest studentised residual is "
                        + Numerals.fixed(r.statistic(), 1)
                        + " (row "
                        + r.row()
                        + "), "
                        + Numerals.pStatement(r.adjustedP())
                        + " for the most extreme of "
                        + Numerals.whole(left.rows().length)
                        + ". ")
            .orElse("No residual can be judged by itself. ");
    boolean odd = judgement.isOdd();
    return new Check(
            "Odd ones out",
            Topic.ODD_VALUES,
            judgement,
            CheckPictures.againstFitted(left),
            null,
            words + (odd ? found.get().words() : ""),
            List.of(),
            odd ? ways.without(row.get().row()) : List.of())
        .muteIf(row.isEmpty());
  }

  private static Check inOrder(Residuals left) {
    Quantity r = CheckPictures.neighbours(left);
    double n = left.rows().length;
    // Anderson (1942): without drift the correlation of neighbours is about normal, variance 1/n.
    double z = r.exists() ? Math.abs(r.value()) * Math.sqrt(n) : 0;
    Judgement judgement = z > DRIFT ? Judgement.CAUTION : Judgement.SOUND;
    String words =
        !r.exists()
            ? Prose.capital(Phrases.why(r)) + " to see a drift in."
            : "Neighbouring rows correlate by "
                + Numerals.fixed(r, 2)
                + (judgement == Judgement.SOUND
                    ? ": no drift over the records."
                    : ": what is left follows the order of the records. Was there a drift, or are"
                        + " rows of one unit listed together?");
    return new Check(
            "In the order of the records",
            Topic.ORDER_AND_BALANCE,
            judgement,
            CheckPictures.inOrder(left),
            null,
            words,
            List.of(),
            List.of())
        .muteIf(!r.exists());
  }

  /** Two sided, at one in a hundred: many a sheet is sorted by what was measured. */
  private static final double DRIFT = 2.576;

  private static Check check(CheckResult check, Answer answer, WaysOn ways) {
    String df =
        check.df().isEmpty()
            ? ""
            : "(" + String.join(", ", check.df().stream().map(Numerals::df).toList()) + ")";
    String statistic =
        switch (check.test()) {
          case "mauchly" -> "Mauchly W";
          case "box-m" -> "Box's M";
          default -> "F";
        };
    String test =
        check.p().exists()
            ? statistic
                + (statistic.equals("F") ? df : "")
                + " = "
                + Numerals.fixed(check.statistic(), 2)
                + ", "
                + Numerals.pStatement(check.p())
                + ". "
            : "";
    boolean odd = check.judgement().isOdd();
    String title =
        switch (check.about()) {
          case "additivity" -> "Blocks add up";
          case "slopes" ->
              check.covariate().isEmpty()
                  ? "Parallel slopes"
                  : "Parallel slopes on " + check.covariate();
          case "straightness" -> "Straight on " + check.covariate();
          case "sphericity" -> "Occasions spread alike";
          case "equal-covariances" -> "Groups scatter alike";
          case "trend-remainder" -> "The trend is enough";
          default -> Prose.capital(check.about());
        };
    boolean slopes = check.about().equals("slopes") && !check.covariate().isEmpty();
    DesignPictures pictures = new DesignPictures(answer);
    Scatter scatter =
        switch (check.about()) {
          case "slopes" -> slopes ? CheckPictures.slopes(answer, check.covariate()) : null;
          case "straightness" -> CheckPictures.againstCovariate(answer, check.covariate());
          case "additivity" -> pictures.additivity();
          case "trend-remainder" -> pictures.trend();
          case "equal-covariances" -> pictures.together();
          default -> null;
        };
    Bars bars = check.about().equals("sphericity") ? pictures.occasions() : null;
    return new Check(
            title,
            topic(check),
            check.judgement(),
            scatter,
            bars,
            test + check.words() + (bars == null ? "" : " " + DesignPictures.most(bars)),
            List.of(),
            !odd
                ? List.of()
                : slopes
                    ? ways.ownSlopes(check.covariate())
                    : check.about().equals("additivity")
                        ? ways.logarithm()
                        : check.about().equals("sphericity")
                            ? ways.methods(Method.RANKS)
                            : List.of())
        .muteIf(!check.p().exists());
  }

  private static Topic topic(CheckResult check) {
    return switch (check.about()) {
      case "sphericity" -> Topic.SPHERICITY;
      case "equal-covariances" -> Topic.SEVERAL_RESPONSES;
      case "trend-remainder" -> Topic.TRENDS;
      case "additivity", "slopes", "straightness" -> Topic.ADDITIVITY;
      case "normality" -> Topic.ASSOCIATIONS; // Of several columns together.
      default -> throw new IllegalStateException("No page is about " + check.about());
    };
  }

  private static Optional<Check> balance(
      ResponseFindings response, Inquiry inquiry, Residuals left, WaysOn ways) {
    List<GroupSummary> groups = response.groupSummaries();
    if (groups.size() < 2 || groups.size() > CheckPictures.MOST_BARS) {
      return Optional.empty();
    }
    long least = groups.stream().mapToLong(g -> g.summary().n()).min().orElse(0);
    long most = groups.stream().mapToLong(g -> g.summary().n()).max().orElse(0);
    boolean small = left != null && left.df() < FEW_DF;
    Judgement judgement =
        least == 0 ? Judgement.UNSOUND : least < 2 || small ? Judgement.CAUTION : Judgement.SOUND;
    String each = Numerals.count(groups.size(), "group", "groups");
    String words =
        least == most
            ? each + ", " + Numerals.count(most, "row", "rows") + " each."
            : each + " of " + Numerals.whole(least) + " to " + Numerals.whole(most) + " rows.";
    if (least == 0) {
      words += " What rests on the empty ones cannot be estimated.";
    } else if (small || most < FEW) {
      words += " So few rows show large differences only.";
    } else if (least < most) {
      words += " Unequal sizes are allowed for.";
    }
    return Optional.of(
        new Check(
            "Balance",
            Topic.ORDER_AND_BALANCE,
            judgement,
            null,
            CheckPictures.sizes(groups, judgement.isOdd()),
            words,
            List.of(),
            // With plots lost, random blocks and units keep what the fixed analysis loses.
            least < most ? ways.methods(Method.MIXED) : List.of()));
  }
}
