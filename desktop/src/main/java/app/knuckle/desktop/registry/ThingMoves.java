package app.knuckle.desktop.registry;

import app.knuckle.desktop.controls.Meanings;
import app.knuckle.desktop.manual.Manual;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.PlanSlip;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.words.Numerals;
import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;

/** What is found by its own name: inquiries, columns, terms. */
final class ThingMoves {

  private final AsItStands bench;
  private final BiConsumer<Joint, String> showing;

  ThingMoves(AsItStands bench, BiConsumer<Joint, String> showing) {
    this.bench = bench;
    this.showing = showing;
  }

  void slips(List<Move> all) {
    for (SlipViewModel slip : bench.workbench().slips()) {
      all.add(
          new Move(
              "slip-" + slip.source().name() + "/" + slip.inquiry().name(),
              slip.inquiry().name(),
              "an inquiry of " + slip.source().name(),
              AsItStands.words("inquiry slip question " + slip.source().name()),
              "",
              "",
              () -> bench.workbench().turnTo(slip)));
    }
  }

  /** What is no question of records, but stands with the study. */
  void beside(List<Move> all) {
    for (PlanSlip plan : bench.workbench().plans().all()) {
      String name = plan.plan().name();
      behind(all, "plan-" + name, name, "a plan of a trial", new Page.Planning(plan));
    }
    for (Reckoning kept : bench.workbench().reckonings().all()) {
      behind(
          all,
          "reckoning-" + kept.name(),
          kept.name(),
          "a kept reckoning",
          new Page.Reckoning(kept));
    }
  }

  private void behind(List<Move> all, String id, String title, String purpose, Page page) {
    all.add(
        new Move(
            id,
            title,
            purpose,
            AsItStands.words("slip " + purpose),
            "",
            "",
            () -> bench.workbench().show(page)));
  }

  void columns(List<Move> all) {
    if (!bench.needsAnswer().isEmpty()) {
      return;
    }
    for (Column column : bench.answer().frame().columns()) {
      all.add(
          new Move(
              "column-" + column.name(),
              column.name(),
              "a column of "
                  + bench.slip().source().name()
                  + ", "
                  + Numerals.count(column.size() - column.missing(), "value", "values"),
              AsItStands.words("column variable " + String.join(" ", column.name().split("_"))),
              "",
              "",
              () -> showing.accept(Joint.RECORDS, "")));
    }
  }

  /** More levels than this are labels of single rows, which *Find in the records* finds. */
  private static final int MOST_LEVELS = 60;

  /** Levels of the columns: their first row is shown. */
  void levels(List<Move> all) {
    if (!bench.needsAnswer().isEmpty()) {
      return;
    }
    for (Column column : bench.answer().frame().columns()) {
      if (column instanceof Categories names && names.levels().size() <= MOST_LEVELS) {
        for (int level = 0; level < names.levels().size(); level++) {
          int code = level;
          all.add(
              new Move(
                  "level-" + names.name() + "/" + names.levels().get(level),
                  names.levels().get(level),
                  "a level of " + names.name(),
                  AsItStands.words("level group category " + names.name()),
                  "",
                  "",
                  () -> seek(names, code)));
        }
      }
    }
  }

  private void seek(Categories column, int level) {
    int row = 0;
    while (row < column.size() && column.code(row) != level) {
      row++;
    }
    bench.slip().goToRecord(row < column.size() ? row : -1);
  }

  /** What can be set once for all. */
  void settings(List<Move> all) {
    setting(
        all, "appearance", "Set the appearance of the window", "dark light high contrast theme");
    setting(all, "text", "Set the size of the window's text", "larger zoom font accessibility");
    setting(all, "last", "Open the last study at a start", "reopen startup");
    setting(all, "alpha", "Set alpha of new inquiries", "level of significance default");
    setting(all, "procedure", "Set the procedure of new inquiries", "post hoc default tukey");
    setting(all, "numbers", "Set how new pages write numbers", "comma zero hyphen decimals p");
    setting(all, "paper", "Set the paper of new pages", "A4 letter");
    setting(all, "folder", "Set the folder for files", "directory default");
  }

  private void setting(List<Move> all, String id, String title, String words) {
    all.add(
        new Move(
            "setting-" + id,
            title,
            "in Settings",
            AsItStands.words("settings preferences " + words),
            "",
            "",
            () -> bench.workbench().show(new Page.Setting())));
  }

  /** Pages of the manual. */
  void topics(List<Move> all) {
    for (Manual.Section section : Manual.contents()) {
      for (Manual.Entry entry : section.entries()) {
        all.add(
            new Move(
                "read-" + entry.topic().slug(),
                "Read: " + entry.title(),
                "a page of the manual, " + section.title().toLowerCase(Locale.ROOT),
                AsItStands.words("manual help method explain how formula source"),
                "",
                "",
                () -> bench.workbench().show(new Page.Reading(entry.topic()))));
      }
    }
  }

  /**
   * Terms of the heads of tables: their explanation stands above the joint when they are chosen.
   */
  void terms(List<Move> all) {
    Meanings.all()
        .forEach(
            (term, meaning) ->
                all.add(
                    new Move(
                        "term-" + term,
                        "What " + term + " means",
                        meaning,
                        AsItStands.words("explain meaning definition help"),
                        "",
                        "",
                        () ->
                            bench
                                .workbench()
                                .bannerProperty()
                                .set(new Banner(term + ": " + meaning, false, List.of())))));
  }
}
