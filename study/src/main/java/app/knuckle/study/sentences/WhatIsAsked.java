package app.knuckle.study.sentences;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Inquiry.Method;
import app.knuckle.study.design.Inquiry.Terms;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What an inquiry asks of its records: as plain questions, and as null and alternative hypotheses
 * in symbols and words, where \u03bc is a mean and F a distribution.
 */
final class WhatIsAsked {

  /** More levels than this are numbered rather than named in a hypothesis. */
  private static final int MOST_NAMED = 5;

  /** Interactions of more treatments than this are asked after in one question. */
  private static final int MOST_CROSSED = 2;

  private static final String NULL = "H\u2080: ";
  private static final String ALTERNATIVE = "H\u2081: ";

  private final Inquiry inquiry;
  private final Frame frame;
  private final String measured;
  private final String unit;
  private final List<Factor> factors;
  private final boolean ranks;
  private final boolean joint;

  WhatIsAsked(Inquiry inquiry, Numbers response, CellGroups cells) {
    this.inquiry = inquiry;
    frame = cells.frame();
    factors = cells.factors();
    unit = response.unit();
    ranks = inquiry.method() == Method.RANKS;
    joint = inquiry.together() && inquiry.measured().size() > 1;
    measured =
        joint
            ? Numerals.list(inquiry.measured().stream().map(m -> frame.column(m).label()).toList())
            : response.label();
  }

  /** Each a sentence that ends with a question mark. */
  List<String> questions() {
    if (isDescribed()) {
      return List.of("How do " + measured + " go together?");
    }
    if (factors.isEmpty()) {
      return List.of("Is " + subject() + " " + way("different from", "above", "below", expected()));
    }
    List<String> questions = new ArrayList<>();
    for (Factor factor : factors) {
      questions.add(question(factor) + alike() + "?");
    }
    for (List<String> term : interactions()) {
      List<String> covariates = term.stream().filter(inquiry.covariates()::contains).toList();
      questions.add(
          covariates.isEmpty()
              ? "Does the effect of "
                  + String.join(" and ", term.subList(0, term.size() - 1))
                  + " on "
                  + measured
                  + " depend on "
                  + term.get(term.size() - 1)
                  + "?"
              : "Does the slope of "
                  + measured
                  + " on "
                  + Numerals.list(covariates)
                  + " depend on "
                  + Numerals.list(without(term, covariates))
                  + "?");
    }
    if (isFullyCrossed()) {
      questions.add(
          "Does the effect of one of "
              + Numerals.list(inquiry.treatments())
              + " on "
              + measured
              + " depend on the others?");
    }
    return questions;
  }

  /** Several columns without a treatment: nothing is compared. */
  private boolean isDescribed() {
    return factors.isEmpty() && joint && inquiry.expected() == null;
  }

  /** Null first. */
  List<String> hypotheses() {
    if (isDescribed()) {
      return List.of(
          NULL + "the correlation of each pair of columns is 0.",
          ALTERNATIVE + "it is not, pair by pair.");
    }
    if (factors.isEmpty()) {
      String mean = ranks ? "the median of " + measured : "\u03bc";
      return List.of(
          NULL + mean + relation(" = ", " \u2264 ", " \u2265 ") + expected() + ".",
          ALTERNATIVE + mean + relation(" \u2260 ", " > ", " < ") + expected() + ".");
    }
    if (factors.size() == 1) {
      return ofOne(factors.get(0));
    }
    List<String> hypotheses = new ArrayList<>();
    for (Factor factor : factors) {
      String others =
          factors.stream()
              .filter(f -> f != factor)
              .map(Factor::name)
              .collect(Collectors.joining(" and "));
      hypotheses.add(NULL + equal(factor, " = ") + ", whatever the " + others + ".");
    }
    for (List<String> term : interactions()) {
      List<String> covariates = term.stream().filter(inquiry.covariates()::contains).toList();
      hypotheses.add(
          covariates.isEmpty()
              ? NULL + "the effects of " + Numerals.list(term) + " on " + measured + " add up."
              : NULL
                  + "the slopes on "
                  + Numerals.list(covariates)
                  + " are parallel at every level of "
                  + Numerals.list(without(term, covariates))
                  + ".");
    }
    if (isFullyCrossed()) {
      hypotheses.add(NULL + "the effects of " + Numerals.list(inquiry.treatments()) + " add up.");
    }
    hypotheses.add("H\u2081, of each in turn: it does not hold.");
    return hypotheses;
  }

  private List<String> ofOne(Factor factor) {
    boolean two = factor.size() == 2 && !joint;
    if (two && ranks && inquiry.pairs() != null) {
      String difference =
          factor.levels().get(0)
              + " \u2212 "
              + factor.levels().get(1)
              + " within a "
              + inquiry.pairs();
      return List.of(
          NULL
              + difference
              + " lies "
              + relation("evenly around", "at or below", "at or above")
              + " 0.",
          ALTERNATIVE
              + difference
              + " tends to be "
              + relation("on one side of", "above", "below")
              + " 0.");
    }
    String null0 =
        two ? equal(factor, relation(" = ", " \u2264 ", " \u2265 ")) : equal(factor, " = ");
    if (ranks) {
      return List.of(
          NULL + equal(factor, " = ") + ": " + measured + " is spread alike at every level.",
          ALTERNATIVE
              + (two
                  ? measured
                      + " of "
                      + factor.levels().get(0)
                      + " tends to be "
                      + relation("higher or lower", "higher", "lower")
                      + " than of "
                      + factor.levels().get(1)
                      + "."
                  : "at one level at least " + measured + " tends to be higher than at another."));
    }
    return List.of(
        NULL + null0 + (inquiry.covariates().isEmpty() ? "" : alike()) + ".",
        ALTERNATIVE
            + (two
                ? equal(factor, relation(" \u2260 ", " > ", " < "))
                : "at least one \u03bc differs from another")
            + ".");
  }

  private String question(Factor factor) {
    List<String> levels = factor.levels();
    boolean directed = levels.size() == 2 && inquiry.direction() != Direction.EITHER && !joint;
    if (directed) {
      return "Is "
          + subject()
          + " of "
          + levels.get(0)
          + (inquiry.direction() == Direction.GREATER ? " above" : " below")
          + " that of "
          + levels.get(1);
    }
    String all = Numerals.count(levels.size(), "level", "levels") + " of " + factor.name();
    String every = levels.size() == 2 ? "both levels of " + factor.name() : "all " + all;
    if (ranks) {
      return "Does " + measured + " tend to be higher at some level of " + factor.name();
    }
    return joint
        ? "Are the means of " + measured + ", taken together, the same at " + every
        : "Is " + subject() + " the same at " + every;
  }

  private String subject() {
    return (ranks && factors.isEmpty() ? "the median of " : "mean ") + measured;
  }

  /** What is held alike when means are adjusted. */
  private String alike() {
    return inquiry.covariates().isEmpty() || ranks
        ? ""
        : " at the same " + Numerals.list(inquiry.covariates());
  }

  /** Means, or distributions where ranks are asked, with a sign between them. */
  private String equal(Factor factor, String sign) {
    String symbol = ranks ? "F" : "\u03bc";
    List<String> levels = factor.levels();
    if (levels.size() > MOST_NAMED) {
      return symbol
          + "\u2081"
          + sign
          + symbol
          + "\u2082"
          + sign
          + "\u2026"
          + sign
          + symbol
          + subscript(levels.size())
          + " over the "
          + levels.size()
          + " levels of "
          + factor.name();
    }
    return levels.stream().map(l -> symbol + "(" + l + ")").collect(Collectors.joining(sign));
  }

  private static String subscript(int n) {
    return String.valueOf(n)
        .chars()
        .mapToObj(digit -> String.valueOf((char) ('\u2080' + digit - '0')))
        .collect(Collectors.joining());
  }

  private String way(String either, String above, String below, String value) {
    return relation(either, above, below) + " " + value + "?";
  }

  private String relation(String either, String greater, String less) {
    return switch (inquiry.direction()) {
      case EITHER -> either;
      case GREATER -> greater;
      case LESS -> less;
    };
  }

  private String expected() {
    return inquiry.expected() == null
        ? "0"
        : Numerals.with(Numerals.plain(inquiry.expected()), unit);
  }

  /** Terms of several treatments, or of a covariate and a treatment, that are asked one by one. */
  private List<List<String>> interactions() {
    Terms terms = inquiry.terms();
    if (ranks) {
      return List.of();
    }
    return switch (terms.choice()) {
      case MAIN -> List.of();
      case CHOSEN -> terms.chosen().stream().filter(t -> t.size() > 1).toList();
      case ALL -> factors.size() == MOST_CROSSED ? List.of(inquiry.treatments()) : List.of();
    };
  }

  private boolean isFullyCrossed() {
    return !ranks && inquiry.terms().choice() == Terms.Choice.ALL && factors.size() > MOST_CROSSED;
  }

  private static List<String> without(List<String> all, List<String> some) {
    return all.stream().filter(name -> !some.contains(name)).toList();
  }
}
