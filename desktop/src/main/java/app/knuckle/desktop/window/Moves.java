package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Meanings;
import app.knuckle.desktop.layout.LayoutView;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.trail.StepForm;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.style.Form;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Changes;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.table.Column;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiConsumer;

/**
 * The registry of what can be done, as things stand now. Menus and keys take the moves of the study
 * from it; the finder lists all of them.
 */
final class Moves {

  private static final String NO_RECORDS = "No records are open: open some first.";

  private final Workbench workbench;
  private final StudyActs acts;
  private final BiConsumer<Joint, String> showing;

  /**
   * The registry.
   *
   * @param workbench what is open
   * @param acts moves that need a dialog
   * @param showing goes to a joint and shows a control there, by its id; empty for the joint itself
   */
  Moves(Workbench workbench, StudyActs acts, BiConsumer<Joint, String> showing) {
    this.workbench = workbench;
    this.acts = acts;
    this.showing = showing;
  }

  /** What the study's menu does, with dialogs of its own. */
  interface StudyActs {
    void open();

    void type();

    void typeFurther();

    void paste();

    void askOfNewRecords();

    void rehearse();

    void writeOut();

    void writeFigures();

    void save();

    void saveAs();

    void askAgain();

    void copyTables();
  }

  private SlipViewModel slip() {
    return workbench.currentProperty().get();
  }

  private Answer answer() {
    return slip() == null ? null : slip().answer();
  }

  /** Empty if there is an answer. */
  private String needsAnswer() {
    return slip() == null
        ? NO_RECORDS
        : answer() == null ? "The answer is still being computed." : "";
  }

  private String needsSlip() {
    return slip() == null ? NO_RECORDS : "";
  }

  private static List<String> words(String words) {
    return List.of(words.split(" "));
  }

  /** What concerns the study as a whole: its menu, and the keys that work everywhere. */
  List<Move> ofStudy() {
    String answered = needsAnswer();
    List<Move> all = new ArrayList<>();
    all.add(
        new Move(
            "open",
            "Open records or a study \u2026",
            "a file of records, or a study that was saved",
            words("load import file csv xlsx ods spreadsheet workbook"),
            "Shortcut+O",
            "",
            acts::open));
    all.add(
        new Move(
            "type",
            "Type records in",
            "a sheet to write in",
            words("enter data new sheet"),
            "Shortcut+N",
            "",
            acts::type));
    all.add(
        new Move(
            "type-further",
            "Type these records further",
            "more rows for records that were typed in",
            words("edit append"),
            "",
            answered.isEmpty() && slip().source().hasFile()
                ? "These records come from a file: change them there."
                : answered,
            acts::typeFurther));
    all.add(
        new Move(
            "paste",
            "Paste records copied from a spreadsheet",
            "makes a table of what is on the clipboard",
            words("clipboard insert"),
            "Shortcut+V",
            "",
            acts::paste));
    all.add(
        new Move(
            "new-records",
            "Ask these questions of new records \u2026",
            "another season's file with the same columns, beside these records",
            words("season replace update data again template"),
            "",
            answered,
            acts::askOfNewRecords));
    all.add(
        new Move(
            "rehearse",
            "Rehearse an experiment",
            "make-believe records, to see what an experiment would show",
            words("simulate plan power sample size design"),
            "Shortcut+R",
            "",
            acts::rehearse));
    all.add(
        new Move(
            "beside",
            "Two inquiries side by side",
            "what a change of the question did to the answer",
            words("compare difference before after versus"),
            "Shortcut+E",
            workbench.slips().size() > 1 ? "" : "There is one inquiry only: ask again, changed.",
            workbench::showBeside));
    all.add(
        new Move(
            "write-out",
            "Write out the prepared records \u2026",
            "the rows in play as .csv, .tsv, .xlsx or .ods",
            words("export save data csv workbook spreadsheet"),
            "",
            answered,
            acts::writeOut));
    all.add(
        new Move(
            "figures",
            "Write all figures of the study \u2026",
            "each as SVG, PDF and PNG into one folder",
            words("export pictures charts graphs png svg pdf"),
            "",
            answered,
            acts::writeFigures));
    all.add(
        new Move(
            "share-trail",
            "Give this trail to the other inquiries of these records",
            "the same steps for all of them",
            words("prep steps apply all"),
            "",
            !answered.isEmpty()
                ? answered
                : workbench.canShareTrail(slip()) ? "" : "The others have these steps already.",
            () -> workbench.shareTrail(slip())));
    all.add(
        new Move(
            "save",
            "Save the study",
            "records, questions, figures and pages in one file",
            words("keep store write"),
            "Shortcut+S",
            "",
            acts::save));
    all.add(
        new Move(
            "save-as",
            "Save the study as \u2026",
            "under another name",
            words("keep store write"),
            "Shortcut+Shift+S",
            "",
            acts::saveAs));
    all.add(
        new Move(
            "undo",
            "Undo",
            "takes the last change back",
            words("back revert mistake"),
            "Shortcut+Z",
            !workbench.history().undoProperty().get().isEmpty() ? "" : "There is nothing to undo.",
            () -> workbench.history().undo()));
    all.add(
        new Move(
            "redo",
            "Redo",
            "does again what was undone",
            words("again forward"),
            "Shortcut+Shift+Z",
            !workbench.history().redoProperty().get().isEmpty() ? "" : "There is nothing to redo.",
            () -> workbench.history().redo()));
    all.add(
        new Move(
            "copy-tables",
            "Copy the tables that are shown",
            "every table of this joint, for a document or a spreadsheet",
            words("clipboard spreadsheet results numbers"),
            "Shortcut+Shift+C",
            needsSlip(),
            acts::copyTables));
    all.add(
        new Move(
            "all-inquiries",
            "All inquiries",
            "every question of the study with its finding; one document of several",
            words("list overview summary questions report document"),
            "Shortcut+L",
            needsSlip(),
            () -> workbench.show(new Page.Inquiries())));
    all.add(
        new Move(
            "copy",
            "Ask again, changed",
            "this inquiry with one thing changed, beside it",
            words("duplicate clone new inquiry"),
            "Shortcut+D",
            needsSlip(),
            acts::askAgain));
    all.add(
        new Move(
            "next-slip",
            "The next inquiry",
            "goes round the slips",
            words("tab switch"),
            "Shortcut+Tab",
            needsSlip(),
            () -> workbench.step(1)));
    all.add(
        new Move(
            "last-slip",
            "The inquiry before",
            "goes round the slips",
            words("tab switch previous"),
            "Shortcut+Shift+Tab",
            needsSlip(),
            () -> workbench.step(-1)));
    return all;
  }

  /** Everything that can be found by its name. */
  List<Move> all() {
    List<Move> all = new ArrayList<>(ofStudy());
    joints(all);
    methods(all);
    procedures(all);
    parts(all);
    steps(all);
    forms(all);
    pages(all);
    slips(all);
    columns(all);
    terms(all);
    return all;
  }

  /** This inquiry, changed in one thing; a copy that is changed by hand comes first. */
  List<Move> again() {
    List<Move> all = new ArrayList<>();
    all.add(
        new Move(
            "copy-plain",
            "A copy, to be changed by hand",
            "opens in Layout beside this inquiry",
            words("duplicate clone"),
            "",
            needsSlip(),
            workbench::copyCurrent));
    if (needsAnswer().isEmpty()) {
      SlipViewModel asked = slip();
      List<Changes.Change> changes = Changes.of(asked.inquiry(), answer().frame());
      for (Changes.Change change : changes) {
        all.add(
            new Move(
                "again-" + change.title(),
                change.title(),
                "asked again so, side by side with this inquiry",
                words(change.words()),
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
    for (SlipViewModel slip : workbench.slips()) {
      if (slip.source() == slip().source() && slip.answer() != null) {
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
              "asked again so of " + slip().source().name(),
              words(change.words() + " every all"),
              "",
              "",
              () -> workbench.askAll(changed)));
    }
  }

  private void joints(List<Move> all) {
    for (Joint joint : Joint.values()) {
      boolean opens =
          slip() != null && ChainPage.of(slip().answer()).links().get(joint.ordinal()).opens();
      all.add(
          new Move(
              "joint-" + joint.name().toLowerCase(Locale.ROOT),
              "Go to " + joint.title(),
              purpose(joint),
              words(usedFor(joint)),
              "Shortcut+" + (joint.ordinal() + 1),
              opens ? "" : slip() == null ? NO_RECORDS : "It waits for what comes before it.",
              () -> showing.accept(joint, "")));
    }
  }

  private static String purpose(Joint joint) {
    return switch (joint) {
      case RECORDS -> "the table and what was done to it";
      case LAYOUT -> "the question as a sentence, and the layout of the experiment";
      case LOOK -> "the groups before any test";
      case FOOTING -> "whether the answer can stand on these records";
      case TEST -> "whether the treatments differ";
      case COMPARE -> "which means differ, with letters";
      case FIGURE -> "the picture of the means";
      case WRITE_UP -> "the page that goes into the paper";
    };
  }

  /** What people look for there. */
  private static String usedFor(Joint joint) {
    return switch (joint) {
      case RECORDS -> "data table sheet rows columns";
      case LAYOUT -> "design model treatments factors blocks covariate";
      case LOOK ->
          "descriptive summary statistics histogram boxplot quantiles stem leaf correlation"
              + " scatter matrix mean median sd";
      case FOOTING ->
          "assumptions normality shapiro wilk levene bartlett homogeneity variance"
              + " outliers residuals sphericity box cox transformation";
      case TEST -> "anova f t p significance variance table coefficients effect size eta";
      case COMPARE -> "post hoc multiple comparisons pairwise letters contrasts trends tukey";
      case FIGURE -> "chart graph plot bars error svg png pdf";
      case WRITE_UP -> "report paper docx pdf html methods results text table export";
    };
  }

  private void methods(List<Move> all) {
    for (Inquiry.Method method : Inquiry.Method.values()) {
      String missing = needsAnswer();
      if (missing.isEmpty()) {
        String why = Redesign.whyNot(slip().inquiry(), method);
        missing =
            slip().inquiry().method() == method
                ? "This inquiry is judged so already."
                : why == null ? "" : "It " + why + ".";
      }
      all.add(
          new Move(
              "method-" + method.key(),
              Changes.title(method),
              "asks anew beside this inquiry",
              words(names(method)),
              "",
              missing,
              () -> Changes.judgedBy(slip().inquiry(), method).ifPresent(slip()::askBeside)));
    }
  }

  /** Names of tests that people know. */
  private static String names(Inquiry.Method method) {
    return switch (method) {
      case LEAST_SQUARES -> "anova parametric t test f ancova general linear model";
      case UNEQUAL_SPREAD -> "welch brown forsythe games howell unequal variances heteroscedastic";
      case RANKS ->
          "nonparametric kruskal wallis mann whitney wilcoxon friedman quade page dunn"
              + " signed rank sum jonckheere steel median mood brunner munzel sign";
      case PERMUTATION -> "randomisation resampling exact shuffle";
    };
  }

  private void procedures(List<Move> all) {
    for (Procedure procedure : Procedure.values()) {
      if (procedure == Procedure.NONE || !procedure.isFor(Procedure.Use.ALL_PAIRS)) {
        continue;
      }
      String missing = needsAnswer();
      Inquiry.Compare now = missing.isEmpty() ? compared(slip().inquiry()) : null;
      if (missing.isEmpty()) {
        missing =
            now == null
                ? "Nothing is compared: name a treatment in Layout."
                : !procedure.fits(slip().inquiry().setting())
                    ? "It does not fit how this inquiry is judged: change that in Layout."
                    : "";
      }
      all.add(
          new Move(
              "compare-" + procedure.key(),
              "Compare by " + procedure.title(),
              now == null
                  ? "all pairs, in Compare"
                  : "all pairs of " + String.join(" \u00d7 ", now.of()) + ", in Compare",
              words("post hoc multiple comparison pairwise " + procedure.key().replace('-', ' ')),
              "",
              missing,
              () -> {
                slip().compareBy(now.of(), now.within(), procedure);
                showing.accept(Joint.COMPARE, "");
              }));
    }
  }

  private static Inquiry.Compare compared(Inquiry inquiry) {
    return inquiry.compare().stream().filter(c -> !c.isContrast()).findFirst().orElse(null);
  }

  /** Parts of the design sentence. */
  private void parts(List<Move> all) {
    part(all, "add-measured", "Add a response", "another thing that was measured", "dependent y");
    part(all, "add-treatment", "Add a treatment", "what was done", "factor independent group x");
    part(all, "add-block", "Add blocks", "racks, coves, days", "block latin square replicate");
    part(all, "add-covariate", "Add a covariate", "what means are adjusted for", "ancova adjust");
    part(
        all,
        "add-unit",
        "Add a repeated unit",
        "what was measured several times",
        "repeated measures subject within longitudinal");
    part(
        all,
        "add-reference",
        "Name a reference group",
        "to compare each group with it",
        "dunnett control steel");
    part(all, "add-whole", "Add whole plots", "what was laid on them", "split plot nested");
    part(all, "add-pairs", "Match pairs", "two values of one unit", "paired t test before after");
    part(
        all,
        "slot-alpha",
        "Change alpha",
        "the level of significance",
        "significance level confidence");
  }

  private void part(List<Move> all, String id, String title, String purpose, String words) {
    all.add(
        new Move(
            "part-" + id,
            title,
            purpose + ", in Layout",
            words(words + " layout"),
            "",
            !needsAnswer().isEmpty() || id.startsWith("slot-")
                ? needsAnswer()
                : LayoutView.additions(slip()).contains(id)
                    ? ""
                    : "The design has it already, or leaves no room for it.",
            () -> showing.accept(Joint.LAYOUT, id)));
  }

  private void steps(List<Move> all) {
    for (StepForm form : StepForm.values()) {
      String id = form.name().toLowerCase(Locale.ROOT).replace('_', '-');
      all.add(
          new Move(
              "step-" + id,
              form.title(),
              "a step of the prep trail, in Records",
              words(names(form)),
              "",
              needsAnswer(),
              () -> showing.accept(Joint.RECORDS, "add-" + id)));
    }
  }

  private static String names(StepForm form) {
    return switch (form) {
      case MISSING -> "recode na blank code absent 999";
      case MERGE -> "recode combine group typo clean levels";
      case ORDER -> "sort rank ordinal first last";
      case RELABEL -> "recode rename label";
      case KIND -> "type category number factor numeric convert";
      case RENAME -> "head unit variable";
      case COMPUTE -> "transform log logarithm square root arcsine logit rank standardise scale";
      case CALCULATE -> "formula arithmetic ratio sum difference";
      case STACK -> "long reshape wide under";
      case SPREAD -> "wide reshape long beside";
      case KEEP -> "filter subset select where";
      case SET_ASIDE -> "exclude drop delete remove outlier rows";
    };
  }

  private void forms(List<Move> all) {
    for (Form form : Form.values()) {
      String missing = needsAnswer();
      if (missing.isEmpty()
          && (!answer().isTested() || !InquiryFigure.forms(answer().findings()).contains(form))) {
        missing = "This answer cannot be drawn so.";
      }
      all.add(
          new Move(
              "form-" + form.name().toLowerCase(Locale.ROOT),
              "Draw " + form.title().toLowerCase(Locale.ROOT),
              "the form of the figure, in Figure",
              words("chart graph plot figure " + names(form)),
              "",
              missing,
              () -> {
                slip().styleProperty().set(slip().styleProperty().get().with(form));
                showing.accept(Joint.FIGURE, "");
              }));
    }
  }

  private static String names(Form form) {
    return switch (form) {
      case BARS -> "column error";
      case POINTS -> "dot error";
      case LINES -> "interaction profile";
      case BOXES -> "boxplot whisker quartile";
      case VALUES -> "strip swarm scatter";
      case UNITS -> "spaghetti repeated paired";
      case SLOPES -> "regression covariate ancova scatter";
      case PAIRS -> "forest interval differences";
      case CANONICAL -> "manova multivariate discriminant";
    };
  }

  private void pages(List<Move> all) {
    page(all, "page-docx", "Take the page away as a document", "docx processor report print");
    page(all, "page-pdf", "Take the page away as PDF", "print report");
    page(all, "page-html", "Take the page away as HTML", "web browser report");
    page(all, "page-tex", "Take the page away as LaTeX", "tex report");
    page(all, "page-xlsx", "Take the tables away as a workbook", "xlsx spreadsheet tables");
    page(all, "page-copy", "Copy the page", "clipboard report");
  }

  private void page(List<Move> all, String id, String title, String words) {
    all.add(
        new Move(
            id,
            title,
            "in Write-up",
            words(words + " write-up export letters table methods results"),
            "",
            needsAnswer(),
            () -> showing.accept(Joint.WRITE_UP, id)));
  }

  private void slips(List<Move> all) {
    for (SlipViewModel slip : workbench.slips()) {
      all.add(
          new Move(
              "slip-" + slip.source().name() + "/" + slip.inquiry().name(),
              slip.inquiry().name(),
              "an inquiry of " + slip.source().name(),
              words("inquiry slip question " + slip.source().name()),
              "",
              "",
              () -> workbench.turnTo(slip)));
    }
  }

  private void columns(List<Move> all) {
    if (!needsAnswer().isEmpty()) {
      return;
    }
    for (Column column : answer().frame().columns()) {
      all.add(
          new Move(
              "column-" + column.name(),
              column.name(),
              "a column of "
                  + slip().source().name()
                  + ", "
                  + Numerals.count(column.size() - column.missing(), "value", "values"),
              words("column variable " + String.join(" ", column.name().split("_"))),
              "",
              "",
              () -> showing.accept(Joint.RECORDS, "")));
    }
  }

  /**
   * Terms of the heads of tables: their explanation stands above the joint when they are chosen.
   */
  private void terms(List<Move> all) {
    Meanings.all()
        .forEach(
            (term, meaning) ->
                all.add(
                    new Move(
                        "term-" + term,
                        "What " + term + " means",
                        meaning,
                        words("explain meaning definition help"),
                        "",
                        "",
                        () ->
                            workbench
                                .bannerProperty()
                                .set(new Banner(term + ": " + meaning, false, List.of())))));
  }
}
