package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Terms;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
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
    ranks = inquiry.analysis() == Analysis.RANKS;
    joint = inquiry.together() && inquiry.measured().size() > 1;
    measured =
        joint
            ? Numerals.list(inquiry.measured().stream().map(m -> frame.column(m).label()).toList())
            : response.label();
  }

  /** Each a sentence that ends with a question mark. */
  List<String> questions() {
    if (isDescribed()) {
      return List.of(say("ask.together", measured));
    }
    if (factors.isEmpty()) {
      return List.of(say(directed("ask.one"), subject(), expected()));
    }
    List<String> questions = new ArrayList<>();
    for (Factor factor : factors) {
      questions.add(question(factor));
    }
    for (List<String> term : interactions()) {
      List<String> covariates = term.stream().filter(inquiry.covariates()::contains).toList();
      String last = term.get(term.size() - 1);
      questions.add(
          covariates.isEmpty()
              ? say("ask.depends", and(term.subList(0, term.size() - 1)), measured, last)
              : say(
                  "ask.slope",
                  measured,
                  Numerals.list(covariates),
                  Numerals.list(without(term, covariates))));
    }
    if (isFullyCrossed()) {
      questions.add(say("ask.crossed", Numerals.list(inquiry.treatments()), measured));
    }
    return questions;
  }

  private static String and(List<String> columns) {
    return String.join(say("null.and"), columns);
  }

  /** Several columns without a treatment: nothing is compared. */
  private boolean isDescribed() {
    return factors.isEmpty() && joint && inquiry.expected() == null;
  }

  /** Null first. */
  List<String> hypotheses() {
    if (isDescribed()) {
      return List.of(no(say("null.correlations")), yes(say("alternative.correlations")));
    }
    if (factors.isEmpty()) {
      String mean = ranks ? say("ask.subject.median", measured) : "\u03bc";
      return List.of(
          no(mean + relation(" = ", " \u2264 ", " \u2265 ") + expected() + "."),
          yes(mean + relation(" \u2260 ", " > ", " < ") + expected() + "."));
    }
    if (factors.size() == 1) {
      return ofOne(factors.get(0));
    }
    List<String> hypotheses = new ArrayList<>();
    for (Factor factor : factors) {
      List<String> others = factors.stream().filter(f -> f != factor).map(Factor::name).toList();
      hypotheses.add(no(say("null.others", equal(factor, " = "), and(others))));
    }
    for (List<String> term : interactions()) {
      List<String> covariates = term.stream().filter(inquiry.covariates()::contains).toList();
      hypotheses.add(
          no(
              covariates.isEmpty()
                  ? say("null.add", Numerals.list(term), measured)
                  : say(
                      "null.parallel",
                      Numerals.list(covariates),
                      Numerals.list(without(term, covariates)))));
    }
    if (isFullyCrossed()) {
      hypotheses.add(no(say("null.add.all", Numerals.list(inquiry.treatments()))));
    }
    hypotheses.add(say("alternative.each"));
    return hypotheses;
  }

  private static String no(String hypothesis) {
    return say("null", hypothesis);
  }

  private static String yes(String hypothesis) {
    return say("alternative", hypothesis);
  }

  private List<String> ofOne(Factor factor) {
    boolean two = factor.size() == 2 && !joint;
    if (two && ranks && inquiry.pairs() != null) {
      String difference =
          say("null.within", factor.levels().get(0), factor.levels().get(1), inquiry.pairs());
      return List.of(
          no(say(directed("null.within"), difference)),
          yes(say(directed("alternative.within"), difference)));
    }
    String equal = equal(factor, two ? relation(" = ", " \u2264 ", " \u2265 ") : " = ");
    if (ranks) {
      return List.of(
          no(say("null.spread.alike", equal(factor, " = "), measured)),
          yes(
              two
                  ? say(
                      directed("alternative.ranks"),
                      measured,
                      factor.levels().get(0),
                      factor.levels().get(1))
                  : say("alternative.ranks.any", measured)));
    }
    return List.of(
        no(equal + (inquiry.covariates().isEmpty() ? "" : alike()) + "."),
        yes(
            two
                ? equal(factor, relation(" \u2260 ", " > ", " < ")) + "."
                : say("alternative.any")));
  }

  private String question(Factor factor) {
    List<String> levels = factor.levels();
    boolean directed = levels.size() == 2 && inquiry.direction() != Direction.EITHER && !joint;
    if (directed) {
      return say(directed("ask"), subject(), levels.get(0), levels.get(1), alike());
    }
    if (ranks) {
      return say("ask.ranks", measured, factor.name(), alike());
    }
    String every =
        levels.size() == 2
            ? say("ask.every.both", factor.name())
            : Phrases.count("ask.every", levels.size(), factor.name());
    return joint
        ? say("ask.joint", measured, every, alike())
        : say("ask.same", subject(), every, alike());
  }

  private String subject() {
    return say(ranks && factors.isEmpty() ? "ask.subject.median" : "ask.subject.mean", measured);
  }

  /** What is held alike when means are adjusted. */
  private String alike() {
    return inquiry.covariates().isEmpty() || ranks
        ? ""
        : say("ask.alike", Numerals.list(inquiry.covariates()));
  }

  /** Means, or distributions where ranks are asked, with a sign between them. */
  private String equal(Factor factor, String sign) {
    String symbol = ranks ? "F" : "\u03bc";
    List<String> levels = factor.levels();
    if (levels.size() > MOST_NAMED) {
      String all =
          symbol
              + "\u2081"
              + sign
              + symbol
              + "\u2082"
              + sign
              + "\u2026"
              + sign
              + symbol
              + subscript(levels.size());
      return say("null.many", all, String.valueOf(levels.size()), factor.name());
    }
    return levels.stream().map(l -> symbol + "(" + l + ")").collect(Collectors.joining(sign));
  }

  private static String subscript(int n) {
    return String.valueOf(n)
        .chars()
        .mapToObj(digit -> String.valueOf((char) ('\u2080' + digit - '0')))
        .collect(Collectors.joining());
  }

  private String directed(String key) {
    return key + relation(".either", ".greater", ".less");
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
