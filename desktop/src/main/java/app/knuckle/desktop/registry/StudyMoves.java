package app.knuckle.desktop.registry;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.PlanSlip;
import java.util.ArrayList;
import java.util.List;

/** What concerns the study as a whole: its menu, and the keys that work everywhere. */
final class StudyMoves {

  private final AsItStands bench;
  private final StudyActs acts;
  private final Runnable askAgain;

  StudyMoves(AsItStands bench, StudyActs acts, Runnable askAgain) {
    this.bench = bench;
    this.acts = acts;
    this.askAgain = askAgain;
  }

  /** What concerns the study as a whole: its menu, and the keys that work everywhere. */
  List<Move> all() {
    String answered = bench.needsAnswer();
    List<Move> all = new ArrayList<>();
    all.add(
        new Move(
            "open",
            "Open records or a study \u2026",
            "a file of records, or a study that was saved",
            AsItStands.words("load import file csv xlsx ods spreadsheet workbook"),
            "Shortcut+O",
            "",
            acts::open));
    all.add(
        new Move(
            "type",
            "Type records in",
            "a sheet to write in",
            AsItStands.words("enter data new sheet"),
            "Shortcut+N",
            "",
            acts::type));
    all.add(
        new Move(
            "type-further",
            "Type these records further",
            "more rows for records that were typed in",
            AsItStands.words("edit append"),
            "",
            answered.isEmpty() && bench.slip().source().hasFile()
                ? "These records come from a file: change them there."
                : answered,
            acts::typeFurther));
    all.add(
        new Move(
            "paste",
            "Paste records copied from a spreadsheet",
            "makes a table of what is on the clipboard",
            AsItStands.words("clipboard insert"),
            "Shortcut+V",
            "",
            acts::paste));
    all.add(
        new Move(
            "new-records",
            "Ask these questions of new records \u2026",
            "another season's file with the same columns, beside these records",
            AsItStands.words("season replace update data again template"),
            "",
            answered,
            acts::askOfNewRecords));
    all.add(
        new Move(
            "plan",
            "Plan a trial",
            "lay it out by chance, see what it will show, rehearse it, take a field book away",
            AsItStands.words("simulate rehearse power sample size design randomise field book"),
            "Shortcut+R",
            "",
            acts::plan));
    all.add(
        new Move(
            "plan-another",
            "Plan another trial",
            "beside the plans of this study",
            AsItStands.words("new design randomise"),
            "",
            bench.workbench().plans().all().isEmpty() ? "There is no plan yet: plan one." : "",
            acts::planAnother));
    for (PlanSlip slip : bench.workbench().plans().all()) {
      all.add(
          new Move(
              "plan-" + bench.workbench().plans().all().indexOf(slip),
              "The plan " + slip.plan().name(),
              "as it is laid out, and what it will show",
              AsItStands.words("trial field book"),
              "",
              "",
              () -> bench.workbench().show(new Page.Planning(slip))));
    }
    all.add(
        new Move(
            "settings",
            "Settings",
            "appearance, size of text, level and procedure of new inquiries, numbers, folder",
            AsItStands.words("preferences options dark theme font size alpha default comma"),
            "Shortcut+COMMA",
            "",
            () -> bench.workbench().show(new Page.Setting())));
    all.add(
        new Move(
            "prove",
            "Prove the numbers",
            "computes every shipped reference case on this machine and says how well it agrees",
            AsItStands.words("verify validate validation check accuracy precision reference"),
            "",
            "",
            () -> bench.workbench().show(new Page.Proving())));
    all.add(
        new Move(
            "manual",
            "The manual",
            "a page for each method, procedure and check, and eight tasks to begin with",
            AsItStands.words("help documentation handbook tutorial guide reference explain"),
            "F1",
            "",
            () -> bench.workbench().show(new Page.Reading(Topic.HANDBOOK))));
    all.add(
        new Move(
            "reckon",
            "The Reckoner",
            "answers without records: from summaries, a partial table, tails, power and size",
            AsItStands.words("critical value table summary calculator sample size distribution"),
            "Shortcut+Shift+R",
            "",
            acts::reckon));
    all.add(
        new Move(
            "beside",
            "Two inquiries side by side",
            "what a change of the question did to the answer",
            AsItStands.words("compare difference before after versus"),
            "Shortcut+E",
            bench.workbench().slips().size() > 1
                ? ""
                : "There is one inquiry only: ask again, changed.",
            bench.workbench()::showBeside));
    all.add(
        new Move(
            "write-out",
            "Write out the prepared records \u2026",
            "the rows in play as .csv, .tsv, .xlsx or .ods",
            AsItStands.words("export save data csv workbook spreadsheet"),
            "",
            answered,
            acts::writeOut));
    all.add(
        new Move(
            "figures",
            "Write all figures of the study \u2026",
            "each as SVG, PDF and PNG into one folder",
            AsItStands.words("export pictures charts graphs png svg pdf"),
            "",
            answered,
            acts::writeFigures));
    all.add(
        new Move(
            "share-trail",
            "Give this trail to the other inquiries of these records",
            "the same steps for all of them",
            AsItStands.words("prep steps apply all"),
            "",
            !answered.isEmpty()
                ? answered
                : bench.workbench().canShareTrail(bench.slip())
                    ? ""
                    : "The others have these steps already.",
            () -> bench.workbench().shareTrail(bench.slip())));
    all.add(
        new Move(
            "save",
            "Save the study",
            "records, questions, figures and pages in one file",
            AsItStands.words("keep store write"),
            "Shortcut+S",
            "",
            acts::save));
    all.add(
        new Move(
            "save-as",
            "Save the study as \u2026",
            "under another name",
            AsItStands.words("keep store write"),
            "Shortcut+Shift+S",
            "",
            acts::saveAs));
    all.add(
        new Move(
            "undo",
            "Undo",
            "takes the last change back",
            AsItStands.words("back revert mistake"),
            "Shortcut+Z",
            !bench.workbench().history().undoProperty().get().isEmpty()
                ? ""
                : "There is nothing to undo.",
            () -> bench.workbench().history().undo()));
    all.add(
        new Move(
            "redo",
            "Redo",
            "does again what was undone",
            AsItStands.words("again forward"),
            "Shortcut+Shift+Z",
            !bench.workbench().history().redoProperty().get().isEmpty()
                ? ""
                : "There is nothing to redo.",
            () -> bench.workbench().history().redo()));
    all.add(
        new Move(
            "copy-tables",
            "Copy the tables that are shown",
            "every table of this joint, for a document or a spreadsheet",
            AsItStands.words("clipboard spreadsheet results numbers"),
            "Shortcut+Shift+C",
            bench.needsSlip(),
            acts::copyTables));
    all.add(
        new Move(
            "all-inquiries",
            "All inquiries",
            "every question of the study with its finding; one document of several",
            AsItStands.words("list overview summary questions report document"),
            "Shortcut+L",
            bench.needsSlip(),
            () -> bench.workbench().show(new Page.Inquiries())));
    all.add(
        new Move(
            "copy",
            "Ask again, changed",
            "this inquiry with one thing changed, beside it",
            AsItStands.words("duplicate clone new inquiry"),
            "Shortcut+D",
            bench.needsSlip(),
            askAgain));
    all.add(
        new Move(
            "next-slip",
            "The next inquiry",
            "goes round the slips",
            AsItStands.words("tab switch"),
            "Shortcut+Tab",
            bench.needsSlip(),
            () -> bench.workbench().step(1)));
    all.add(
        new Move(
            "last-slip",
            "The inquiry before",
            "goes round the slips",
            AsItStands.words("tab switch previous"),
            "Shortcut+Shift+Tab",
            bench.needsSlip(),
            () -> bench.workbench().step(-1)));
    return all;
  }
}
