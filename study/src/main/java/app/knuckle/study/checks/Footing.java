package app.knuckle.study.checks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.checks.SerialCorrelation;
import app.knuckle.stats.checks.ShapeTest;
import app.knuckle.stats.checks.VarianceTest;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckResult.Judgement;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What an answer takes for granted, and what became of it when that was checked: one list, which
 * cards, page, finding line and answers side by side read alike. Of several tests of one thing it
 * holds the one that speaks for it.
 *
 * @param checks in the order in which they matter
 */
public record Footing(List<Check> checks) {

  public Footing {
    checks = List.copyOf(checks);
  }

  /** More groups than this are not gone through one by one. */
  public static final int MOST_GROUPS = 60;

  /** What is taken for granted. */
  public enum Subject {
    /** The distribution of residuals, of a sample or of differences. */
    NORMALITY,
    /** The distribution of pairs or of the units of a coarser layer. */
    NORMALITY_OF_UNITS,
    /** Counts vary as their distribution says. */
    DISPERSION,
    /** No count lies far from what the model says of it. */
    OUTLYING_COUNT,
    /** As many zeros as such counts would have. */
    ZEROS,
    /** Expected counts are large enough. */
    EXPECTED_COUNTS,
    /** Groups have equal variances. */
    VARIANCES,
    /** No value lies far from what the model says of it. */
    OUTLIER,
    /** A random term has levels enough. */
    RANDOM_LEVELS,
    /** Additivity, slopes, sphericity, trends: what the design assumes. */
    DESIGN,
    /** Groups have equal covariance matrices. */
    COVARIANCES,
    /** Successive rows are independent. */
    ORDER,
    /** Groups have rows enough. */
    BALANCE;

    /** By which it is told from others where answers stand side by side, such as "balance". */
    public String key() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }

  /** Where a check comes from. */
  public sealed interface Source {
    /**
     * A check of the design.
     *
     * @param check as it was made
     */
    record OfDesign(CheckResult check) implements Source {}

    /**
     * A check of values.
     *
     * @param check as it was made
     */
    record OfValues(GroupCheck check) implements Source {}

    /** The records themselves. */
    record OfRecords() implements Source {}
  }

  /**
   * One thing that is taken for granted.
   *
   * @param subject what
   * @param source where it comes from
   * @param judgement how sound it is
   * @param mute whether there is too little for the check to speak: then sound means nothing
   * @param numbers the test, in a sentence; empty for none
   * @param words what it means
   */
  public record Check(
      Subject subject,
      Source source,
      Judgement judgement,
      boolean mute,
      String numbers,
      String words) {

    /** The test and what it means: one sentence or more. */
    public String said() {
      return numbers.isEmpty() || words.isEmpty() ? numbers + words : numbers + " " + words;
    }

    /** The check of values behind it: empty where it is of another source. */
    public Optional<GroupCheck> values() {
      return source instanceof Source.OfValues of ? Optional.of(of.check()) : Optional.empty();
    }

    /** The check of the design behind it: empty where it is of another source. */
    public Optional<CheckResult> design() {
      return source instanceof Source.OfDesign of ? Optional.of(of.check()) : Optional.empty();
    }
  }

  /**
   * What the answer about a response takes for granted.
   *
   * @param findings of the inquiry
   * @param response one of its responses
   * @return the checks; of several responses together what they share stands with the first
   */
  public static Footing of(Findings findings, ResponseFindings response) {
    return new Footing(new Making(findings, response).checks());
  }

  /** The checks that ask for a look: cautions and what is unsound. */
  public List<Check> odd() {
    return checks.stream().filter(c -> c.judgement().isOdd()).toList();
  }

  /** The checks that could speak, and found nothing: those that are sound. */
  public List<Check> sound() {
    return checks.stream().filter(c -> !c.mute() && !c.judgement().isOdd()).toList();
  }

  /** Goes through what was checked. */
  private static final class Making {

    /** Fewer values than this cannot show a shape. */
    private static final int FEW_VALUES = 8;

    /** With fewer degrees of freedom left to a residual only large differences show. */
    private static final int FEW_DF = 4;

    /** With fewer rows than this a group's variance can hardly be known. */
    private static final int FEW_ROWS = 4;

    private final Findings findings;
    private final ResponseFindings response;
    private final Inquiry inquiry;
    private final Residuals residuals;
    private final List<Check> checks = new ArrayList<>();

    Making(Findings findings, ResponseFindings response) {
      this.findings = findings;
      this.response = response;
      inquiry = findings.inquiry();
      residuals = response.results().residuals().orElse(null);
    }

    List<Check> checks() {
      boolean counts = inquiry.response().isCounted();
      normality();
      units();
      for (GroupCheck check : response.results().groupChecks()) {
        ofCounts(check);
      }
      if (!counts) {
        variances();
        if (residuals != null) {
          outlier();
        }
      }
      design(true);
      design(false);
      if (response == findings.first()) {
        for (CheckResult check : findings.together().checks()) {
          add(Subject.COVARIANCES, check);
        }
      }
      if (residuals != null) {
        order();
      }
      balance();
      return checks;
    }

    private void add(
        Subject subject, GroupCheck check, boolean silent, String numbers, String words) {
      add(subject, new Source.OfValues(check), check.judgement(), silent, numbers, words);
    }

    private void add(
        Subject subject,
        Source source,
        Judgement judgement,
        boolean silent,
        String numbers,
        String words) {
      boolean mute = silent && !judgement.isOdd() || judgement == Judgement.CANNOT_TELL;
      checks.add(new Check(subject, source, judgement, mute, numbers, words));
    }

    private Optional<GroupCheck> find(CheckTest test, CheckedOn on) {
      return response.results().groupChecks().stream()
          .filter(c -> c.test() == test && (on == null || c.on().equals(on)))
          .findFirst();
    }

    private void normality() {
      response.results().groupChecks().stream()
          .filter(
              c ->
                  c.test() == CheckTest.SHAPIRO_WILK
                      && !(c.on() instanceof CheckedOn.Group group && !group.levels().isEmpty())
                      && c.units().isEmpty())
          .findFirst()
          .filter(c -> c.p().exists())
          .or(() -> find(CheckTest.ANDERSON_DARLING, CheckedOn.Whole.RESIDUALS))
          .ifPresent(c -> add(Subject.NORMALITY, c, isMute(c), shape(c.numbers()), c.words()));
    }

    /** Without a p, or of so few values that no shape shows, a check has nothing to say. */
    private static boolean isMute(GroupCheck check) {
      return !check.p().exists()
          || check.numbers() instanceof ShapeTest shape && shape.n() < FEW_VALUES;
    }

    private static String shape(Object numbers) {
      if (!(numbers instanceof ShapeTest test)) {
        return "";
      }
      return !test.p().exists()
          ? say("footing.none", Phrases.why(test.p()))
          : say(
              test instanceof ShapeTest.ShapiroWilk ? "footing.shapiro" : "footing.anderson",
              Numerals.fixed(test.statistic(), 3),
              Numerals.pStatement(test.p()));
    }

    /** Pairs and coarser layers of error, each on the values of its own units. */
    private void units() {
      for (GroupCheck check : response.results().groupChecks()) {
        if (check.units().isPresent() && check.numbers() instanceof ShapeTest) {
          List<String> names = check.units().get().units();
          List<Double> values = check.units().get().deviations();
          int far = 0;
          for (int i = 0; i < values.size(); i++) {
            far = Math.abs(values.get(i)) > Math.abs(values.get(far)) ? i : far;
          }
          String farthest =
              say(
                  "footing.farthest",
                  names.get(far),
                  Numerals.fixed(values.get(far), response.decimals()));
          add(
              Subject.NORMALITY_OF_UNITS,
              check,
              isMute(check),
              shape(check.numbers()),
              check.words() + " " + farthest);
        }
      }
    }

    private void ofCounts(GroupCheck check) {
      String numbers = "";
      if (check.numbers() instanceof GroupCheck.Dispersion d) {
        if (check.test() != CheckTest.PEARSON) {
          return; // The other says the same of the deviance.
        }
        if (d.p().exists()) {
          numbers =
              say(
                  "footing.dispersion",
                  Numerals.fixed(d.dispersion(), 2),
                  Numerals.df(d.df().get(0)),
                  Numerals.fixed(d.statistic(), 1),
                  Numerals.pStatement(d.p()));
        }
        add(Subject.DISPERSION, check, false, numbers, check.words());
      } else if (check.numbers() instanceof GroupCheck.OddCount row) {
        if (row.p().exists()) {
          numbers =
              say(
                  "footing.count",
                  String.valueOf(row.row()),
                  Numerals.pStatement(row.adjustedP()),
                  Numerals.whole(residuals.rows().length));
        }
        add(Subject.OUTLYING_COUNT, check, false, numbers, check.words());
      } else if (check.numbers() instanceof GroupCheck.Zeros zeros) {
        if (zeros.p().exists()) {
          numbers =
              say(
                  "footing.zeros",
                  Numerals.plain(zeros.observed()),
                  Numerals.fixed(zeros.expected(), 1));
        }
        add(Subject.ZEROS, check, false, numbers, check.words());
      } else if (check.numbers() instanceof GroupCheck.ExpectedCounts expected) {
        numbers =
            say(
                "footing.expected." + check.on().key(),
                Numerals.plain(expected.n()),
                Numerals.plain(expected.below5()),
                Numerals.plain(expected.below1()));
        add(Subject.EXPECTED_COUNTS, check, false, numbers, check.words());
      }
    }

    private void variances() {
      List<GroupSummary> groups =
          response.groupSummaries().stream().filter(g -> g.summary().sd().exists()).toList();
      if (groups.size() < 2 || groups.size() > MOST_GROUPS || inquiry.pairs() != null) {
        return;
      }
      Comparator<GroupSummary> bySd = Comparator.comparingDouble(g -> g.summary().sd().value());
      GroupSummary most = groups.stream().max(bySd).orElseThrow();
      GroupSummary least = groups.stream().min(bySd).orElseThrow();
      Optional<GroupCheck> found = find(CheckTest.BROWN_FORSYTHE, null);
      String numbers =
          found
              .map(GroupCheck::numbers)
              .filter(VarianceTest.class::isInstance)
              .map(VarianceTest.class::cast)
              .filter(t -> t.p().exists())
              .map(
                  t ->
                      say(
                          "footing.variances",
                          df(((VarianceTest.OfGroups) t).df()),
                          Numerals.fixed(t.statistic(), 2),
                          Numerals.pStatement(t.p())))
              .orElse("");
      String words =
          most.summary().sd().value() == 0
              ? say("footing.variances.none")
              : say(
                  "footing.variances.range",
                  most.level(),
                  Numerals.fixed(most.summary().sd(), response.decimals()),
                  least.level(),
                  Numerals.fixed(least.summary().sd(), response.decimals()));
      boolean odd = found.map(c -> c.judgement().isOdd()).orElse(false);
      add(
          Subject.VARIANCES,
          found.<Source>map(Source.OfValues::new).orElseGet(Source.OfRecords::new),
          found.map(GroupCheck::judgement).orElse(Judgement.SOUND),
          numbers.isEmpty(),
          numbers,
          odd ? words + " " + found.get().words() : words);
    }

    private void outlier() {
      Optional<GroupCheck> found = find(CheckTest.STUDENTISED_RESIDUAL, CheckedOn.Whole.RESIDUALS);
      Judgement judgement = found.map(GroupCheck::judgement).orElse(Judgement.SOUND);
      Optional<GroupCheck.OddResidual> row =
          found
              .map(GroupCheck::numbers)
              .map(GroupCheck.OddResidual.class::cast)
              .filter(r -> r.p().exists());
      add(
          Subject.OUTLIER,
          found.<Source>map(Source.OfValues::new).orElseGet(Source.OfRecords::new),
          judgement,
          row.isEmpty(),
          row.map(
                  r ->
                      say(
                          "footing.row",
                          Numerals.fixed(r.statistic(), 1),
                          String.valueOf(r.row()),
                          Numerals.pStatement(r.adjustedP()),
                          Numerals.whole(residuals.rows().length)))
              .orElse(say("check.row.none")),
          judgement.isOdd() ? found.get().words() : "");
    }

    private void design(boolean levels) {
      for (CheckResult check : response.results().checks()) {
        if (levels == (check.about() == CheckTest.About.RANDOM_LEVELS)) {
          add(levels ? Subject.RANDOM_LEVELS : Subject.DESIGN, check);
        }
      }
    }

    private void add(Subject subject, CheckResult check) {
      String numbers =
          !check.p().exists()
              ? ""
              : say(
                  "footing.test." + check.kind().key(),
                  Numerals.fixed(check.statistic(), 2),
                  Numerals.pStatement(check.p()),
                  df(check.df()));
      boolean silent = subject != Subject.RANDOM_LEVELS && !check.p().exists();
      add(subject, new Source.OfDesign(check), check.judgement(), silent, numbers, check.words());
    }

    private static String df(List<Double> df) {
      return String.join(say("list.between"), df.stream().map(Numerals::df).toList());
    }

    private void order() {
      SerialCorrelation neighbours = SerialCorrelation.of(residuals.residuals());
      Quantity r = neighbours.correlation();
      Judgement judgement = neighbours.isDrift() ? Judgement.CAUTION : Judgement.SOUND;
      add(
          Subject.ORDER,
          new Source.OfRecords(),
          judgement,
          !r.exists(),
          "",
          !r.exists()
              ? say("footing.order.none", Prose.capital(Phrases.why(r)))
              : say(
                  neighbours.isDrift() ? "footing.order.odd" : "footing.order.sound",
                  Numerals.fixed(r, 2)));
    }

    private void balance() {
      List<GroupSummary> groups = response.groupSummaries();
      if (groups.size() < 2 || groups.size() > MOST_GROUPS) {
        return;
      }
      long least = groups.stream().mapToLong(g -> g.summary().n()).min().orElse(0);
      long most = groups.stream().mapToLong(g -> g.summary().n()).max().orElse(0);
      boolean small = residuals != null && residuals.df() < FEW_DF;
      String sizes =
          least == most
              ? say(
                  "footing.balance.equal",
                  Numerals.whole(groups.size()),
                  Phrases.count("footing.rows", most))
              : say(
                  "footing.balance.unequal",
                  Numerals.whole(groups.size()),
                  Numerals.whole(least),
                  Numerals.whole(most));
      String more =
          least == 0
              ? say("footing.balance.empty")
              : small || most < FEW_ROWS
                  ? say("footing.balance.few")
                  : least < most ? say("footing.balance.allowed") : "";
      add(
          Subject.BALANCE,
          new Source.OfRecords(),
          least == 0 ? Judgement.UNSOUND : least < 2 || small ? Judgement.CAUTION : Judgement.SOUND,
          false,
          sizes,
          more);
    }
  }
}
