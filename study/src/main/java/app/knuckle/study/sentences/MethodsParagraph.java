package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.design.Response;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Units;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What was done, as the methods part of a paper says it. */
public final class MethodsParagraph {

  /** Rows left out are named one by one up to so many. */
  private static final int MOST_NAMED = 20;

  private final Findings findings;
  private final Inquiry inquiry;

  private MethodsParagraph(Findings findings) {
    this.findings = findings;
    inquiry = findings.inquiry();
  }

  /**
   * The paragraph: what was measured on how many rows, the treatments and their levels, how they
   * were laid out, what was adjusted for, how it was judged and compared, what was done to the
   * records before, and what was left out.
   *
   * @param findings of an inquiry
   * @return sentences
   */
  public static String of(Findings findings) {
    MethodsParagraph words = new MethodsParagraph(findings);
    List<String> all = new ArrayList<>();
    all.add(words.measured());
    all.add(words.treatments());
    all.add(words.covariates());
    all.add(words.judged());
    all.add(words.compared());
    all.add(words.prepared());
    all.add(words.leftOut());
    all.removeIf(String::isEmpty);
    return String.join(" ", all);
  }

  private String measured() {
    List<String> titles = findings.responses().stream().map(r -> r.measured().title()).toList();
    return say(
        titles.size() == 1 ? "methods.measured.one" : "methods.measured.other",
        Prose.capital(Numerals.list(titles)),
        Phrases.count("methods.rows", findings.records().inPlay()),
        findings.table().name());
  }

  private String treatments() {
    if (inquiry.treatments().isEmpty()) {
      return inquiry.expected() == null
          ? ""
          : say("methods.expected", Numerals.plain(inquiry.expected()));
    }
    ResponseFindings response = findings.first();
    List<String> each = new ArrayList<>();
    for (String treatment : inquiry.treatments()) {
      List<String> levels = response.levelsOf(treatment);
      each.add(
          levels.isEmpty()
              ? Units.label(treatment)
              : Phrases.count(
                  "methods.levels",
                  levels.size(),
                  Units.label(treatment),
                  Numerals.with(
                      String.join(say("list.between"), levels), amounts(treatment, levels))));
    }
    return say(
        each.size() == 1 ? "methods.treatment.one" : "methods.treatment.other",
        Numerals.list(each),
        laidOut(response.design().readsAs()));
  }

  /** The unit of levels that are amounts; words have none, whatever their column is called. */
  private static String amounts(String treatment, List<String> levels) {
    return levels.stream().noneMatch(level -> Double.isNaN(NumberText.parse(level, false)))
        ? Units.of(treatment)
        : "";
  }

  private static List<String> labels(List<String> columns) {
    return columns.stream().map(Units::label).toList();
  }

  private String laidOut(String layout) {
    List<String> parts = new ArrayList<>();
    if (!inquiry.blocks().isEmpty()) {
      parts.add(say("methods.blocks", Numerals.list(labels(inquiry.blocks()))));
    }
    if (inquiry.unit() != null) {
      parts.add(say("methods.unit", Units.label(inquiry.unit())));
    }
    if (inquiry.pairs() != null) {
      parts.add(say("methods.pairs", Units.label(inquiry.pairs())));
    }
    return parts.isEmpty()
        ? layout
        : say("methods.laid.out", layout, String.join(say("list.parts"), parts));
  }

  private String covariates() {
    if (inquiry.covariates().isEmpty()) {
      return "";
    }
    String key =
        !inquiry.adjustAt().isEmpty()
            ? "methods.adjusted.named"
            : inquiry.covariates().size() == 1 ? "methods.adjusted.mean" : "methods.adjusted.means";
    return say(key, Numerals.list(labels(inquiry.covariates())));
  }

  private String judged() {
    if (findings.refusal().isPresent() || inquiry.hasGap()) {
      return "";
    }
    boolean described =
        inquiry.treatments().isEmpty()
            && inquiry.expected() == null
            && inquiry.analysis() != Analysis.MIXED;
    String by =
        described
            ? say("methods.correlations")
            : switch (inquiry.analysis()) {
              case LEAST_SQUARES -> leastSquares();
              case MIXED -> mixed();
              case DEVIANCE -> counts();
              case SEPARATE_VARIANCES -> say("methods.unequal");
              case RANKS -> say("methods.ranks");
              case PERMUTATION -> say("methods.permutation");
            };
    String way =
        switch (inquiry.direction()) {
          case EITHER -> "";
          case GREATER -> say("methods.direction.greater");
          case LESS -> say("methods.direction.less");
        };
    return say("methods.judged", by, way, Numerals.plain(inquiry.alpha()));
  }

  private String leastSquares() {
    if (inquiry.together() && inquiry.measured().size() > 1) {
      return say("methods.together");
    }
    if (inquiry.treatments().isEmpty()) {
      return say("methods.one.sample");
    }
    if (inquiry.pairs() != null) {
      return say("methods.of.pairs");
    }
    // Only two groups with nothing else in the model have a closed form that is a t test.
    return findings.first().oneWay().isPresent() && findings.first().groups().size() == 2
        ? say("methods.of.two")
        : say("methods.least.squares", squares());
  }

  private String counts() {
    boolean rates = inquiry.response() == Response.COUNTED;
    boolean estimated =
        findings.first().results().tests().stream()
            .flatMap(test -> test.ofDeviance().stream())
            .anyMatch(TestResult.CountResult::overdispersion);
    String of =
        rates
            ? inquiry.exposure() == null ? "" : say("methods.exposure", inquiry.exposure())
            : inquiry.outOf() == null ? "" : say("methods.out.of", inquiry.outOf());
    String spread = say(estimated ? "methods.spread.estimated" : "methods.spread.own");
    return say(rates ? "methods.counts" : "methods.proportions", of, spread) + squares();
  }

  private String mixed() {
    List<String> terms =
        RandomPart.of(inquiry).stream()
            .map(term -> String.join(say("random.crossed"), term))
            .toList();
    String within =
        switch (inquiry.random().within()) {
          case EQUAL -> "";
          case FIRST_ORDER -> say("methods.fading");
          case OWN_VARIANCES -> say("methods.own.variances");
        };
    String judged =
        switch (inquiry.random().denominator()) {
          case KENWARD_ROGER -> say("methods.kenward.roger");
          case SATTERTHWAITE -> say("methods.satterthwaite");
        };
    return terms.isEmpty()
        ? say("methods.mixed.unit", inquiry.unit(), within, judged)
        : say("methods.mixed.random", Numerals.list(terms), within, judged);
  }

  /** The kinds of squares differ only where cells hold unlike numbers of rows. */
  private String squares() {
    boolean layered =
        !inquiry.wholePlots().isEmpty()
            || !inquiry.strips().isEmpty()
            || !inquiry.occasions().isEmpty();
    if (inquiry.treatments().size() < 2 || layered) {
      return "";
    }
    return switch (inquiry.squares()) {
      case AFTER_ALL -> say("methods.squares.all");
      case IN_ORDER -> say("methods.squares.order");
      case AFTER_ITS_PEERS -> say("methods.squares.peers");
    };
  }

  private String compared() {
    Set<String> all = new LinkedHashSet<>();
    for (ComparedMeans family : ComparedMeans.of(findings.first().results())) {
      if (family.means().length > 2) {
        all.add(
            say(
                family.isAgainstReference()
                    ? "methods.compared.reference"
                    : "methods.compared.pairs",
                Phrases.title(family.procedure())));
      }
    }
    return all.isEmpty() ? "" : say("methods.compared", Numerals.list(List.copyOf(all)));
  }

  private String prepared() {
    List<String> steps = new ArrayList<>();
    for (Step step : inquiry.prepare()) {
      if (!step.off()) {
        steps.add(say("methods.step", step.title(), step.detail()));
      }
    }
    return steps.isEmpty() ? "" : say("methods.prepared", String.join(say("list.parts"), steps));
  }

  private String leftOut() {
    Map<String, Set<Integer>> rows = new LinkedHashMap<>();
    for (RecordsUsed.LeftOut left : findings.records().leftOut()) {
      // A row of the source is named once, however many rows a step made of it.
      rows.computeIfAbsent(left.why(), why -> new LinkedHashSet<>()).add(left.row());
    }
    if (rows.isEmpty()) {
      return "";
    }
    List<String> all = new ArrayList<>();
    rows.forEach(
        (why, rowsOfIt) -> {
          List<String> which = rowsOfIt.stream().map(Numerals::whole).toList();
          String named =
              which.size() > MOST_NAMED
                  ? say(
                      "methods.left.out.more",
                      Numerals.list(which.subList(0, MOST_NAMED)),
                      Numerals.whole(which.size() - MOST_NAMED))
                  : Numerals.list(which);
          all.add(Phrases.count("methods.left.out", which.size(), named, why));
        });
    return say("methods.left.out", String.join(say("list.parts"), all));
  }
}
