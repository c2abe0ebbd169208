package app.knuckle.study.sentences;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Units;
import app.knuckle.study.words.Numerals;
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
    return Prose.capital(Numerals.list(titles))
        + (titles.size() == 1 ? " was" : " were")
        + " measured in "
        + Numerals.count(findings.records().inPlay(), "row", "rows")
        + " of "
        + findings.table().name()
        + ".";
  }

  private String treatments() {
    if (inquiry.treatments().isEmpty()) {
      return inquiry.expected() == null
          ? ""
          : "The mean was set against an expected " + Numerals.plain(inquiry.expected()) + ".";
    }
    ResponseFindings response = findings.first();
    List<String> each = new ArrayList<>();
    for (String treatment : inquiry.treatments()) {
      List<String> levels = response.levelsOf(treatment);
      each.add(
          Units.label(treatment)
              + (levels.isEmpty()
                  ? ""
                  : " ("
                      + Numerals.count(levels.size(), "level", "levels")
                      + ": "
                      + Numerals.with(String.join(", ", levels), amounts(treatment, levels))
                      + ")"));
    }
    return (each.size() == 1 ? "The treatment was " : "The treatments were ")
        + Numerals.list(each)
        + "; the layout reads as "
        + response.design().readsAs().replace(" x ", " \u00d7 ")
        + laidOut()
        + ".";
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

  private String laidOut() {
    List<String> parts = new ArrayList<>();
    if (!inquiry.blocks().isEmpty()) {
      parts.add("blocks are " + Numerals.list(labels(inquiry.blocks())));
    }
    if (inquiry.unit() != null) {
      parts.add("the repeated unit is " + Units.label(inquiry.unit()));
    }
    if (inquiry.pairs() != null) {
      parts.add("pairs share a " + Units.label(inquiry.pairs()));
    }
    return parts.isEmpty() ? "" : " (" + String.join("; ", parts) + ")";
  }

  private String covariates() {
    return inquiry.covariates().isEmpty()
        ? ""
        : "Means are adjusted for "
            + Numerals.list(labels(inquiry.covariates()))
            + ", "
            + (!inquiry.adjustAt().isEmpty()
                ? "at the values named."
                : inquiry.covariates().size() == 1 ? "at its mean." : "at their means.");
  }

  private String judged() {
    if (findings.refusal().isPresent() || inquiry.hasGap()) {
      return "";
    }
    boolean described =
        inquiry.treatments().isEmpty()
            && inquiry.expected() == null
            && inquiry.method() != Inquiry.Method.MIXED;
    String by =
        described
            ? "Correlations were computed over the rows complete in all columns"
            : switch (inquiry.method()) {
              case LEAST_SQUARES -> leastSquares();
              case MIXED -> mixed();
              case COUNTS, PROPORTIONS -> counts();
              case UNEQUAL_SPREAD -> "Each group has a spread of its own (Welch)";
              case RANKS -> "The analysis is by ranks";
              case PERMUTATION -> "p is by rearrangement of the values";
            };
    String way =
        switch (inquiry.direction()) {
          case EITHER -> "";
          case GREATER -> ", asked in one direction (greater)";
          case LESS -> ", asked in one direction (less)";
        };
    return by + way + ", at \u03b1 = " + Numerals.plain(inquiry.alpha()) + ".";
  }

  private String leastSquares() {
    if (inquiry.together() && inquiry.measured().size() > 1) {
      return "The responses were judged together by multivariate analysis of variance";
    }
    if (inquiry.treatments().isEmpty()) {
      return "It was judged by Student's t test of one sample";
    }
    if (inquiry.pairs() != null) {
      return "Pairs were judged by Student's t test of their differences";
    }
    // Only two groups with nothing else in the model have a closed form that is a t test.
    return findings.first().fit() != null && findings.first().groups().size() == 2
        ? "The two were judged by Student's t test with one spread for both"
        : "The analysis is by least squares" + squares();
  }

  private String counts() {
    boolean rates = inquiry.method() == Inquiry.Method.COUNTS;
    boolean estimated =
        findings.first().analysis().tests().stream()
            .filter(TestResult.CountResult.class::isInstance)
            .map(TestResult.CountResult.class::cast)
            .anyMatch(TestResult.CountResult::extraSpread);
    return (rates
            ? "Counts were analysed on the logarithm (Poisson, maximum likelihood)"
                + (inquiry.exposure() == null ? "" : ", for each " + inquiry.exposure())
            : "Proportions were analysed on the log odds (binomial, maximum likelihood)"
                + (inquiry.outOf() == null ? "" : ", out of " + inquiry.outOf()))
        + (estimated
            ? ", with the spread estimated from the rows; effects were judged by F of the deviance"
            : ", with the spread of the distribution; effects were judged by chi-squared of the"
                + " deviance")
        + squares();
  }

  private String mixed() {
    List<String> terms =
        RandomPart.of(inquiry).stream().map(term -> String.join(" x ", term)).toList();
    String drawn =
        terms.isEmpty()
            ? "The errors of one " + inquiry.unit() + " hang together"
            : "The effects of " + Numerals.list(terms) + " are random";
    String within =
        switch (inquiry.random().within()) {
          case EQUAL -> "";
          case FIRST_ORDER -> ", fading from one occasion to the next";
          case OWN_VARIANCES -> ", and every occasion has a variance of its own";
        };
    String judged =
        switch (inquiry.random().denominator()) {
          case KENWARD_ROGER -> "Kenward and Roger's adjustment";
          case SATTERTHWAITE -> "Satterthwaite's degrees of freedom";
        };
    return drawn
        + within
        + "; variances were estimated by restricted maximum likelihood (REML), and the fixed part"
        + " judged by F with "
        + judged;
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
      case AFTER_ALL -> ", each effect after all others (type III squares)";
      case IN_ORDER -> ", effects in order (type I squares)";
      case AFTER_ITS_PEERS -> ", each effect after its peers (type II squares)";
    };
  }

  private String compared() {
    Set<String> all = new LinkedHashSet<>();
    for (ComparedMeans family : ComparedMeans.of(findings.first().analysis())) {
      if (family.means().length > 2) {
        all.add(
            (family.isAgainstReference() ? "with the reference" : "in all pairs")
                + " by "
                + family.procedure().title());
      }
    }
    return all.isEmpty() ? "" : "Means were compared " + Numerals.list(List.copyOf(all)) + ".";
  }

  private String prepared() {
    List<String> steps = new ArrayList<>();
    for (Step step : inquiry.prepare()) {
      if (!step.off()) {
        steps.add(step.title() + " (" + step.detail() + ")");
      }
    }
    return steps.isEmpty() ? "" : "Done to the records before: " + String.join("; ", steps) + ".";
  }

  private String leftOut() {
    Map<String, List<String>> rows = new LinkedHashMap<>();
    for (RecordsUsed.LeftOut left : findings.records().leftOut()) {
      rows.computeIfAbsent(left.why(), why -> new ArrayList<>()).add(Numerals.whole(left.row()));
    }
    if (rows.isEmpty()) {
      return "";
    }
    List<String> all = new ArrayList<>();
    rows.forEach(
        (why, which) ->
            all.add(
                (which.size() == 1 ? "row " : "rows ")
                    + (which.size() > MOST_NAMED
                        ? Numerals.list(which.subList(0, MOST_NAMED))
                            + " and "
                            + Numerals.whole(which.size() - MOST_NAMED)
                            + " more"
                        : Numerals.list(which))
                    + " ("
                    + why
                    + ")"));
    return "Left out: " + String.join("; ", all) + ".";
  }
}
