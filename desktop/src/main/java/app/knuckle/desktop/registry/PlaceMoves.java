package app.knuckle.desktop.registry;

import app.knuckle.desktop.layout.LayoutView;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.trail.StepForm;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.style.Form;
import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Predicate;

/** Places to go to, and what can be done there: joints, parts, steps, figures, pages. */
final class PlaceMoves {

  private final AsItStands bench;
  private final Predicate<Joint> opens;
  private final BiConsumer<Joint, String> showing;

  PlaceMoves(AsItStands bench, Predicate<Joint> opens, BiConsumer<Joint, String> showing) {
    this.bench = bench;
    this.opens = opens;
    this.showing = showing;
  }

  void joints(List<Move> all) {
    for (Joint joint : Joint.values()) {
      boolean opens = bench.slip() != null && this.opens.test(joint);
      all.add(
          new Move(
              "joint-" + joint.name().toLowerCase(Locale.ROOT),
              "Go to " + joint.title(),
              purpose(joint),
              AsItStands.words(usedFor(joint)),
              "Shortcut+" + (joint.ordinal() + 1),
              opens
                  ? ""
                  : bench.slip() == null
                      ? AsItStands.NO_RECORDS
                      : "It waits for what comes before it.",
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

  /** Parts of the design sentence. */
  void parts(List<Move> all) {
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
            AsItStands.words(words + " layout"),
            "",
            !bench.needsAnswer().isEmpty() || id.startsWith("slot-")
                ? bench.needsAnswer()
                : LayoutView.additions(bench.slip()).contains(id)
                    ? ""
                    : "The design has it already, or leaves no room for it.",
            () -> showing.accept(Joint.LAYOUT, id)));
  }

  void steps(List<Move> all) {
    for (StepForm form : StepForm.values()) {
      String id = form.name().toLowerCase(Locale.ROOT).replace('_', '-');
      all.add(
          new Move(
              "step-" + id,
              form.title(),
              "a step of the prep trail, in Records",
              AsItStands.words(names(form)),
              "",
              bench.needsAnswer(),
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

  void forms(List<Move> all) {
    for (Form form : Form.values()) {
      String missing = bench.needsAnswer();
      if (missing.isEmpty()
          && (!bench.answer().isTested()
              || !InquiryFigure.forms(bench.answer().findings()).contains(form))) {
        missing = "This answer cannot be drawn so.";
      }
      all.add(
          new Move(
              "form-" + form.name().toLowerCase(Locale.ROOT),
              "Draw " + form.title().toLowerCase(Locale.ROOT),
              "the form of the figure, in Figure",
              AsItStands.words("chart graph plot figure " + names(form)),
              "",
              missing,
              () -> {
                bench.slip().styleProperty().set(bench.slip().styleProperty().get().with(form));
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

  /** What can be set within the joints. */
  void controls(List<Move> all) {
    for (Controls.Control control : Controls.all()) {
      Joint joint = control.joint();
      all.add(
          new Move(
              "control-" + joint.name().toLowerCase(Locale.ROOT) + "-" + control.id(),
              control.title(),
              "in " + joint.title(),
              AsItStands.words(control.words()),
              "",
              bench.needsAnswer(),
              () -> showing.accept(joint, control.id())));
    }
  }

  void pages(List<Move> all) {
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
            AsItStands.words(words + " write-up export letters table methods results"),
            "",
            bench.needsAnswer(),
            () -> showing.accept(Joint.WRITE_UP, id)));
  }
}
