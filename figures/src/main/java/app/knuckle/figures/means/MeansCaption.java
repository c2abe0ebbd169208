package app.knuckle.figures.means;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Style;
import app.knuckle.figures.style.Whisker;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.sentences.EdgeSentence;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a reader must know of a figure of means. */
final class MeansCaption {

  /** More pairs than these are counted in a caption, not named. */
  private static final int MOST_NAMED = 3;

  private final Findings findings;
  private final ResponseFindings response;
  private final Style style;
  private final Optional<ComparedMeans> family;
  private final boolean values;
  private final boolean adjusted;
  private final String alpha;

  /**
   * A caption.
   *
   * @param findings that are shown
   * @param style of the figure
   * @param family of the means shown; empty for none
   * @param values whether single values are shown where the style wishes them
   */
  MeansCaption(Findings findings, Style style, Optional<ComparedMeans> family, boolean values) {
    this.findings = findings;
    this.style = style;
    this.family = family;
    this.values = values;
    response = findings.first();
    adjusted = !findings.inquiry().covariates().isEmpty();
    alpha = Numerals.plain(findings.inquiry().alpha());
  }

  String of(List<MeansFigure.Group> groups, Quantity critical) {
    if (groups.isEmpty()) {
      return say("caption.none");
    }
    List<String> sentences = new ArrayList<>();
    sentences.add(shown(groups) + ".");
    sentences.add(
        EdgeSentence.of(
            response.results(), response.summaries(), findings.inquiry(), ExactP.USUAL));
    switch (style.shown().above()) {
      case LETTERS -> sentences.add(letters(groups));
      case BRACKETS ->
          family.ifPresent(f -> sentences.add(say("caption.brackets", by(f.procedure(), false))));
      case NOTHING -> {
        // Then there is nothing to be explained.
      }
    }
    if (critical.exists()) {
      sentences.add(say("caption.least.difference", by(family.orElseThrow().procedure(), true)));
    }
    sentences.addAll(scale(groups));
    sentences.removeIf(String::isEmpty);
    return String.join(" ", sentences);
  }

  private String shown(List<MeansFigure.Group> groups) {
    String what =
        style.form() == Form.BOXES
            ? say(adjusted ? "caption.boxes.adjusted" : "caption.boxes")
            : whiskers(say(adjusted ? "caption.means.adjusted" : "caption.means"));
    String least = Numerals.whole(groups.stream().mapToLong(MeansFigure.Group::n).min().orElse(0));
    String most = Numerals.whole(groups.stream().mapToLong(MeansFigure.Group::n).max().orElse(0));
    what =
        least.equals(most)
            ? say("caption.n", what, most)
            : say("caption.n.range", what, least, most);
    boolean circles =
        style.shown().values() || style.form() == Form.VALUES || style.form() == Form.UNITS;
    if (circles && values) {
      what = say(adjusted ? "caption.values.adjusted" : "caption.values", what);
    }
    Optional<String> joined = MeansReading.joiner(findings.inquiry());
    return style.form() == Form.UNITS && joined.isPresent()
        ? say("caption.units", what, joined.get())
        : what;
  }

  private String whiskers(String means) {
    Whisker whisker = style.shown().whisker();
    return switch (whisker) {
      case INTERVAL ->
          say("caption.whiskers.interval", means, Numerals.confidence(findings.inquiry().alpha()));
      case NONE -> means;
      case STANDARD_ERROR, STANDARD_DEVIATION -> say("caption.whiskers", means, whisker.words());
    };
  }

  /** What the letters mean, or the stars. */
  private String letters(List<MeansFigure.Group> groups) {
    Optional<ComparedMeans> against = family.filter(ComparedMeans::isAgainstReference);
    boolean none = groups.stream().allMatch(g -> g.letters().isEmpty());
    if (none || against.isPresent()) {
      return against
          .map(
              f ->
                  none
                      ? say("caption.none.apart", reference(f), by(f.procedure(), true))
                      : say(
                          "caption.star",
                          MeansReading.STAR,
                          style.word(reference(f)),
                          by(f.procedure(), true)))
          .orElse("");
    }
    return response
        .shownComparison()
        .map(Comparison::procedure)
        .or(this::byRanks)
        .map(
            p ->
                say(
                    "caption.letters",
                    // Two means are compared by their test alone: no procedure is named.
                    response.shownMeans().stream().filter(m -> m.mean().exists()).count() == 2
                        ? say("caption.at", alpha)
                        : by(p, true),
                    notCompared()))
        .orElse("");
  }

  private String reference(ComparedMeans f) {
    Map<String, String> reference = f.reference(findings.inquiry());
    return GroupSummary.name(f.of().stream().map(reference::get).toList());
  }

  /** Means that share no letter because nothing is known of their difference. */
  private String notCompared() {
    List<String> pairs =
        family.stream()
            .flatMap(
                f ->
                    f.pairs().stream()
                        .filter(p -> !p.isJudged())
                        .map(
                            p ->
                                say(
                                    "ranking.pair",
                                    f.names().get(p.left()),
                                    f.names().get(p.right()))))
            .toList();
    if (pairs.isEmpty()) {
      return "";
    }
    return pairs.size() > MOST_NAMED
        ? say("caption.not.compared.many", String.valueOf(pairs.size()))
        : say("caption.not.compared", String.join(say("list.or"), pairs));
  }

  private String by(Procedure procedure, boolean withAlpha) {
    String title =
        procedure.isOnRanks()
            ? say("caption.ranks", Phrases.title(procedure))
            : Phrases.title(procedure);
    return withAlpha ? say("caption.by.at", title, alpha) : say("caption.by", title);
  }

  private Optional<Procedure> byRanks() {
    return ComparedMeans.of(response.results()).stream()
        .filter(f -> f.ranks() && f.letters() != null)
        .map(ComparedMeans::procedure)
        .findFirst();
  }

  private List<String> scale(List<MeansFigure.Group> groups) {
    boolean positive =
        groups.stream()
            .allMatch(
                g ->
                    g.mean() - g.reach().below() > 0
                        && Arrays.stream(g.values()).allMatch(v -> v > 0));
    boolean bars = style.form() == Form.BARS;
    if (style.scale().logarithmic() && positive) {
      return List.of(say(bars ? "caption.log.bars" : "caption.log"));
    }
    List<String> sentences = new ArrayList<>();
    if (style.scale().logarithmic()) {
      sentences.add(say("caption.log.refused"));
    }
    if (bars && !style.scale().fromZero(style.form())) {
      sentences.add(say("caption.cut"));
    }
    return sentences;
  }
}
