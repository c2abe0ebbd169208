package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.compare.Direction;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.design.Questions;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.design.Terms;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** What the design sentence says, piece by piece. */
final class SentencePieces {

  private static final List<Double> LEVELS = List.of(0.1, 0.05, 0.01, 0.001);

  private final Question question;
  private final ColumnOptions columns;
  private final Slots slots;

  SentencePieces(Question question, ColumnOptions columns, Slots slots) {
    this.question = question;
    this.columns = columns;
    this.slots = slots;
  }

  private Inquiry asked() {
    return question.inquiry();
  }

  /** The sentence now, with its slots. */
  List<Piece> sentence(String rows) {
    List<Piece> s = new ArrayList<>();
    boolean counted = asked().response().isCounted();
    say(s, counted ? "We counted " : "We measured ");
    measured(s);
    if (counted) {
      new CountPieces(question, columns, slots).outOf(s);
    }
    say(s, " on " + rows + ". ");
    if (asked().treatments().isEmpty() && asked().expected() != null) {
      say(s, "Its mean is compared with ");
      s.add(
          new Piece.Slot(
              "slot-expected",
              Numerals.plain(asked().expected()),
              false,
              () -> List.of(Slots.out("compare groups instead")),
              Slots::ownNumber,
              o ->
                  slots.change(
                      d -> d.expected = o.key().equals(Slots.OUT) ? null : Slots.number(o))));
    } else {
      treatments(s);
    }
    blocks(s);
    units(s);
    covariates(s);
    judging(s);
    return s;
  }

  private static void say(List<Piece> s, String words) {
    s.add(new Piece.Words(words));
  }

  private void measured(List<Piece> s) {
    slots.listed(
        s,
        "slot-measured",
        asked().measured(),
        columns::measurable,
        (d, c) -> d.give(Part.MEASURED, c));
    if (asked().measured().isEmpty()) {
      s.add(
          new Piece.Slot(
              "slot-measured",
              "choose what was measured",
              true,
              columns::measurable,
              null,
              o -> slots.change(d -> d.give(Part.MEASURED, List.of(o.key())))));
    }
    if (asked().measured().size() > 1) {
      say(s, ", ");
      s.add(
          Slots.choice(
              "slot-together",
              asked().together() ? "together" : "one by one",
              List.of(
                  Slots.plain("one", "one by one", "an answer for each response"),
                  Slots.plain(
                      "together", "together", "one multivariate answer, then each response")),
              o -> slots.change(d -> d.together = o.key().equals("together"))));
    }
  }

  private void treatments(List<Piece> s) {
    List<String> treatments = asked().treatments();
    boolean described = treatments.isEmpty() && !asked().hasGap();
    boolean varies = described && asked().analysis() == Analysis.MIXED;
    say(
        s,
        varies
            ? "Where they vary is asked over "
            : described
                ? "How they go together is asked over "
                : treatments.size() > 1 ? "The treatments are " : "The treatment is ");
    if (treatments.isEmpty()) {
      s.add(
          new Piece.Slot(
              "slot-treatment",
              described ? "all rows, without a treatment" : "choose a treatment",
              !described,
              columns::treatable,
              null,
              o -> slots.change(d -> d.give(Part.TREATMENT, List.of(o.key())))));
    } else {
      slots.listed(
          s, "slot-treatment", treatments, columns::treatable, (d, c) -> d.give(Part.TREATMENT, c));
    }
    if (treatments.size() > 1) {
      say(s, ", ");
      s.add(
          Slots.choice(
              "slot-terms",
              termsInWords(asked().terms()),
              List.of(
                  Slots.plain(
                      "all", "in every combination", "each effect, and whether they interact"),
                  Slots.plain(
                      "main", "each by itself", "no interactions: effects are taken to add up")),
              o -> slots.change(d -> d.terms = o.key().equals("all") ? Terms.ALL : Terms.MAIN)));
    }
    if (asked().pairs() != null) {
      say(s, ", matched by ");
      s.add(
          slots.one(
              "slot-pairs", asked().pairs(), columns::naming, (d, c) -> d.give(Part.PAIRS, c)));
    }
  }

  private static String termsInWords(Terms terms) {
    return terms.equals(Terms.ALL)
        ? "in every combination"
        : terms.equals(Terms.MAIN) ? "each by itself" : "in chosen terms";
  }

  private void blocks(List<Piece> s) {
    List<String> blocks = asked().blocks();
    if (blocks.isEmpty()) {
      if (!asked().wholePlots().isEmpty()) {
        say(s, ", ");
        slots.listed(
            s,
            "slot-whole",
            asked().wholePlots(),
            columns::laid,
            (d, c) -> d.give(Part.WHOLE_PLOT, c));
        say(s, " on whole plots");
      }
      say(s, ". ");
      return;
    }
    say(s, ", laid out in ");
    slots.listed(s, "slot-block", blocks, columns::naming, (d, c) -> d.give(Part.BLOCK, c));
    say(s, blocks.size() == 1 ? " as blocks" : " as rows and columns");
    if (!asked().wholePlots().isEmpty()) {
      say(s, ", ");
      slots.listed(
          s,
          "slot-whole",
          asked().wholePlots(),
          columns::laid,
          (d, c) -> d.give(Part.WHOLE_PLOT, c));
      say(s, " on whole plots");
    }
    if (!asked().strips().isEmpty()) {
      say(s, ", ");
      slots.listed(
          s, "slot-strips", asked().strips(), columns::laid, (d, c) -> d.give(Part.STRIP, c));
      say(s, " in strips across the others");
    }
    say(s, ". ");
  }

  private void units(List<Piece> s) {
    if (asked().unit() == null) {
      return;
    }
    boolean seen = !asked().occasions().isEmpty();
    say(s, seen ? "Each " : "Readings of one ");
    s.add(slots.one("slot-unit", asked().unit(), columns::naming, (d, c) -> d.give(Part.UNIT, c)));
    if (seen) {
      say(s, " was seen at every ");
      slots.listed(
          s,
          "slot-occasion",
          asked().occasions(),
          columns::laid,
          (d, c) -> d.give(Part.OCCASION, c));
      say(s, ". ");
    } else {
      say(s, " count as one, their mean. ");
    }
  }

  private void covariates(List<Piece> s) {
    if (!asked().covariates().isEmpty()) {
      say(s, "Adjust for ");
      slots.listed(
          s,
          "slot-covariate",
          asked().covariates(),
          columns::numbers,
          (d, c) -> d.give(Part.COVARIATE, c));
      say(s, ". ");
    }
    asked()
        .reference()
        .forEach(
            (treatment, level) -> {
              say(s, "The reference of " + treatment + " is ");
              s.add(
                  Slots.choice(
                      "slot-reference-" + treatment,
                      level,
                      slots.references(treatment),
                      o -> slots.refer(treatment, o.key())));
              say(s, ". ");
            });
  }

  private void judging(List<Piece> s) {
    say(s, "Judge by ");
    s.add(Slots.choice("slot-method", asked().approach().words(), methods(), this::judgeBy));
    say(s, " at ");
    s.add(
        new Piece.Slot(
            "slot-alpha",
            "\u03b1 = " + asked().alpha(),
            false,
            () -> LEVELS.stream().map(SentencePieces::level).toList(),
            this::ownLevel,
            o -> slots.change(d -> d.alpha = Double.parseDouble(o.key()))));
    int levels =
        asked().treatments().isEmpty() ? 0 : columns.levels(asked().treatments().get(0)).size();
    if (Redesign.hasDirection(asked(), levels)) {
      say(s, ", ");
      s.add(
          Slots.choice(
              "slot-direction",
              direction(asked().direction()),
              Arrays.stream(Direction.values())
                  .map(d -> Slots.plain(d.name(), direction(d), directionLine(d)))
                  .toList(),
              o -> slots.change(d -> d.direction = Direction.valueOf(o.key()))));
    }
    say(s, ".");
    if (asked().response().isCounted()) {
      new CountPieces(question, columns, slots).spread(s);
    }
    if (asked().analysis() == Analysis.MIXED) {
      new RandomPieces(question, columns, slots).say(s);
    }
  }

  private static String direction(Direction direction) {
    return switch (direction) {
      case EITHER -> "in either direction";
      case GREATER -> "only if larger";
      case LESS -> "only if smaller";
    };
  }

  private String directionLine(Direction direction) {
    List<String> levels =
        asked().treatments().isEmpty() ? List.of() : columns.levels(asked().treatments().get(0));
    boolean two = levels.size() == 2;
    String first = two ? levels.get(0) : asked().treatments().isEmpty() ? "the mean" : "a group";
    String other =
        two ? levels.get(1) : asked().expected() != null ? "what is expected" : "the reference";
    return switch (direction) {
      case EITHER -> "the usual question";
      case GREATER -> first + " above " + other;
      case LESS -> first + " below " + other;
    };
  }

  private List<Option> methods() {
    return Approach.all().stream()
        .map(
            approach ->
                Slots.plain(
                    approach.key(),
                    approach.words(),
                    approach
                        .whyNot(asked())
                        .map(not -> "does not fit: " + not)
                        .orElse(approach.use())))
        .toList();
  }

  private void judgeBy(Option option) {
    Approach.all().stream()
        .filter(approach -> approach.key().equals(option.key()))
        .filter(approach -> approach.whyNot(asked()).isEmpty())
        .forEach(approach -> slots.change(d -> d.approach = approach));
  }

  private static Option level(double alpha) {
    String line =
        alpha == Questions.USUAL_ALPHA
            ? "the usual level"
            : alpha > Questions.USUAL_ALPHA ? "more easily content" : "stricter";
    return Slots.plain(String.valueOf(alpha), "\u03b1 = " + alpha, line);
  }

  /** A level of the user's own; null when what was typed is none. */
  private Option ownLevel(String typed) {
    String bare = typed.replace("\u03b1", "").replace("=", "").strip();
    double alpha = NumberText.parse(bare, bare.indexOf(',') >= 0);
    return alpha > 0 && alpha < 1
        ? Slots.plain(String.valueOf(alpha), "\u03b1 = " + alpha, "your own level")
        : null;
  }
}
