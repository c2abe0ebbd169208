package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Units;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Says which treatments a response differs by; an interaction comes before main effects. */
final class EffectsSentence {

  private EffectsSentence() {}

  /**
   * An effect that was looked for.
   *
   * @param term its columns
   * @param p absent where it cannot be tested
   * @param statistic as it is said, such as "F(2, 20) = 41.29, p < .001"
   */
  record Row(List<String> term, Quantity p, String statistic) {
    static Row unknown(List<String> term) {
      return new Row(term, Quantity.absent(Absence.CANNOT_BE_TESTED), "");
    }

    boolean isFound(double alpha) {
      return Significance.reached(p, alpha);
    }
  }

  /** A term as sentences have it. */
  static String term(List<String> names) {
    return names.stream().map(Units::label).collect(Collectors.joining(" \u00d7 "));
  }

  /** The finding about the treatments of a question. */
  static String of(String label, Inquiry inquiry, List<Row> all) {
    // A treatment that changes a slope comes first: its other effects are those at one value.
    Optional<Row> slope =
        all.stream()
            .filter(row -> row.term().size() > 1 && row.isFound(inquiry.alpha()))
            .filter(row -> row.term().stream().anyMatch(inquiry.covariates()::contains))
            .filter(row -> row.term().stream().anyMatch(inquiry.treatments()::contains))
            .findFirst();
    if (slope.isPresent()) {
      List<String> of = slope.get().term().stream().filter(inquiry.treatments()::contains).toList();
      List<String> on = slope.get().term().stream().filter(inquiry.covariates()::contains).toList();
      return say(
          "effects.depends",
          term(of),
          label,
          Numerals.list(on.stream().map(Units::label).toList()),
          slope.get().statistic());
    }
    List<Row> rows =
        all.stream().filter(row -> inquiry.treatments().containsAll(row.term())).toList();
    List<Row> together =
        rows.stream().filter(r -> r.term().size() > 1 && r.isFound(inquiry.alpha())).toList();
    if (!together.isEmpty()) {
      Row row = together.get(together.size() - 1);
      List<String> names = row.term().stream().map(Units::label).toList();
      return say(
          "effects.depends",
          names.get(0),
          label,
          Numerals.list(names.subList(1, names.size())),
          row.statistic());
    }
    List<String> yes = new ArrayList<>();
    List<String> no = new ArrayList<>();
    List<String> unknown = new ArrayList<>();
    for (Row row : rows) {
      if (row.term().size() > 1) {
        continue;
      }
      String name = Units.label(row.term().get(0));
      if (!row.p().exists()) {
        unknown.add(name);
      } else {
        (row.isFound(inquiry.alpha()) ? yes : no).add(say("effects.row", name, row.statistic()));
      }
    }
    return said(label, yes, no, unknown);
  }

  private static String said(
      String label, List<String> yes, List<String> no, List<String> unknown) {
    List<String> parts = new ArrayList<>();
    if (!yes.isEmpty()) {
      parts.add(say("effects.apart", Prose.capital(label), Numerals.list(yes)));
    }
    if (!no.isEmpty()) {
      parts.add(
          parts.isEmpty()
              ? say("effects.alike.first", label, Numerals.list(no))
              : say("effects.alike.then", Numerals.list(no)));
    }
    if (!unknown.isEmpty()) {
      parts.add(
          parts.isEmpty()
              ? say("effects.untestable.first", Prose.capital(label), Numerals.list(unknown))
              : say("effects.untestable.then", Numerals.list(unknown)));
    }
    return parts.isEmpty() ? say("found.none") : String.join(say("list.parts"), parts) + ".";
  }
}
