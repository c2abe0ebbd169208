package app.knuckle.desktop.registry;

import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Changes;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;

/** Ways to ask otherwise: another method, another procedure, one thing changed. */
final class AskingMoves {

  private final AsItStands bench;
  private final BiConsumer<Joint, String> showing;

  AskingMoves(AsItStands bench, BiConsumer<Joint, String> showing) {
    this.bench = bench;
    this.showing = showing;
  }

  void methods(List<Move> all) {
    for (Approach approach : Approach.all()) {
      String missing = bench.needsAnswer();
      if (missing.isEmpty()) {
        Optional<String> why = approach.whyNot(bench.slip().inquiry());
        missing =
            bench.slip().inquiry().approach().equals(approach)
                ? "This inquiry is judged so already."
                : why.map(reason -> "It " + reason + ".").orElse("");
      }
      all.add(
          new Move(
              "method-" + approach.key(),
              approach.title(),
              "asks anew beside this inquiry",
              AsItStands.words(approach.otherNames()),
              "",
              missing,
              () ->
                  Changes.judgedBy(bench.slip().inquiry(), approach)
                      .ifPresent(bench.slip()::askBeside)));
    }
  }

  void procedures(List<Move> all) {
    for (Procedure procedure : Procedure.values()) {
      if (procedure == Procedure.NONE || !procedure.isFor(Procedure.Use.ALL_PAIRS)) {
        continue;
      }
      String missing = bench.needsAnswer();
      Compare now = missing.isEmpty() ? compared(bench.slip().inquiry()) : null;
      if (missing.isEmpty()) {
        missing =
            now == null
                ? "Nothing is compared: name a treatment in Layout."
                : !procedure.fits(bench.slip().inquiry().setting())
                    ? "It does not fit how this inquiry is judged: change that in Layout."
                    : "";
      }
      all.add(
          new Move(
              "compare-" + procedure.key(),
              "Compare by " + Phrases.title(procedure),
              now == null
                  ? "all pairs, in Compare"
                  : "all pairs of " + String.join(" \u00d7 ", now.of()) + ", in Compare",
              AsItStands.words(
                  "post hoc multiple comparison pairwise " + procedure.key().replace('-', ' ')),
              "",
              missing,
              () -> {
                bench.slip().compareBy(now.of(), now.within(), procedure, false);
                showing.accept(Joint.COMPARE, "");
              }));
    }
  }

  private static Compare compared(Inquiry inquiry) {
    return inquiry.compare().stream().filter(c -> !c.isContrast()).findFirst().orElse(null);
  }

  /** This inquiry, changed in one thing; a copy that is changed by hand comes first. */
  List<Move> again() {
    List<Move> all = new ArrayList<>();
    all.add(
        new Move(
            "copy-plain",
            "A copy, to be changed by hand",
            "opens in Layout beside this inquiry",
            AsItStands.words("duplicate clone"),
            "",
            bench.needsSlip(),
            bench.workbench()::copyCurrent));
    if (bench.needsAnswer().isEmpty()) {
      SlipViewModel asked = bench.slip();
      List<Changes.Change> changes = Changes.of(asked.inquiry(), bench.answer().frame());
      for (Changes.Change change : changes) {
        all.add(
            new Move(
                "again-" + change.title(),
                change.title(),
                "asked again so, side by side with this inquiry",
                AsItStands.words(change.words()),
                "",
                "",
                () -> asked.askBeside(change.inquiry())));
      }
      changes.forEach(change -> all(change, all));
    }
    return all;
  }

  /** The same change in every inquiry of these records that can be changed so. */
  private void all(Changes.Change change, List<Move> all) {
    Map<SlipViewModel, Inquiry> changed = new LinkedHashMap<>();
    for (SlipViewModel slip : bench.workbench().slips()) {
      if (slip.source() == bench.slip().source() && slip.answer() != null) {
        Changes.of(slip.inquiry(), slip.answer().frame()).stream()
            .filter(c -> c.title().equals(change.title()))
            .findFirst()
            .ifPresent(c -> changed.put(slip, c.inquiry()));
      }
    }
    if (changed.size() > 1) {
      all.add(
          new Move(
              "again-all-" + change.title(),
              change.title() + ", in all " + changed.size() + " inquiries",
              "asked again so of " + bench.slip().source().name(),
              AsItStands.words(change.words() + " every all"),
              "",
              "",
              () -> bench.workbench().askAll(changed)));
    }
  }
}
