package app.knuckle.desktop.plan;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.desktop.workbench.PlanSlip;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.keeping.ResultFolder;
import app.knuckle.formats.plan.PlanFiles;
import app.knuckle.formats.report.Paper;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.PlanAnswerFile;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.plan.Alternatives;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Mishap;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanDraft;
import app.knuckle.study.plan.PlannedPower;
import app.knuckle.study.plan.Rehearsals;
import app.knuckle.study.plan.Shows;
import app.knuckle.study.plan.SimulatedErrors;
import app.knuckle.study.plan.SimulatedRecords;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import javafx.beans.binding.Bindings;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.value.ObservableBooleanValue;
import javafx.beans.value.ObservableNumberValue;

/** A plan on its page: laid out at once, what it will show a moment later. */
final class PlanViewModel {

  /** More than this is no scatter that a trial is planned with. */
  private static final double MOST_WIDENING = 100;

  /** Trials that are made up at a time, before what they showed is shown. */
  private static final int AT_A_TIME = 40;

  private static final int MOST_REHEARSED = 1_000;

  private static final Pattern SEED = Pattern.compile("-?\\d{1,18}");

  private final PlanSlip slip;
  private final Workbench workbench;
  private final Lane laying = Lane.ofLatest();
  private final Lane foreseeing = Lane.ofLatest();
  private final Lane rehearsing = Lane.ofLatest();
  private final Lane writing = Lane.inTurn();
  private final ReadOnlyObjectWrapper<Shown> shown = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyStringWrapper refusal = new ReadOnlyStringWrapper("");
  private final ReadOnlyStringWrapper rehearsed = new ReadOnlyStringWrapper("");
  private String lastPlace = "";
  private Plan base;
  private Plan lastMade;
  private int response;
  private int made;
  private Rehearsed counted;

  /**
   * What is shown of the plan.
   *
   * @param plan as it was asked
   * @param arrangement of its plots
   * @param page what it will show; empty while that is being found out
   */
  record Shown(Plan plan, Arrangement arrangement, Optional<PlanPage> page) {}

  PlanViewModel(PlanSlip slip, Workbench workbench) {
    this.slip = slip;
    this.workbench = workbench;
  }

  /** Trials that were made up, and what each found. */
  private record Rehearsed(Plan plan, int response, double[] p) {

    /** Whether they tell of another plan too: only the level of significance may differ. */
    boolean tellsOf(Plan other, int which) {
      return response == which
          && other.wanted() != null
          && PlanDraft.changed(plan, d -> d.wanted.alpha = other.wanted().alpha()).equals(other);
    }
  }

  /** Begins anew with the plan as it is. */
  void ask() {
    stopRehearsing();
    response = Math.min(response, slip.plan().measured().size() - 1);
    Plan plan = PlanDraft.changed(slip.plan(), d -> d.rehearsals = 0);
    counted = counted != null && counted.tellsOf(plan, response) ? counted : null;
    rehearsed.set(counted == null ? "" : words(counted.p(), plan.wanted().alpha()));
    laying.run(
        progress -> Arrangement.of(plan),
        arrangement -> {
          refusal.set("");
          shown.set(new Shown(plan, arrangement, Optional.empty()));
          foresee(plan, arrangement);
        },
        this::refuse);
  }

  private void foresee(Plan plan, Arrangement arrangement) {
    int index = response;
    Plan.Measured measured = plan.measured().get(index);
    foreseeing.run(
        progress -> PlannedPower.of(plan, arrangement, measured, progress),
        shows -> {
          show(plan, arrangement, measured, shows, List.of());
          foreseeing.run(
              progress -> Alternatives.of(plan, index, progress),
              others -> show(plan, arrangement, measured, shows, others),
              refused -> {
                // Another plan that cannot be laid out is no alternative.
              });
        },
        this::refuse);
  }

  private void show(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      Shows shows,
      List<Alternatives.Alternative> others) {
    int plots = arrangement.plots().size();
    shown.set(
        new Shown(
            plan, arrangement, Optional.of(PlanPage.of(plan, plots, measured, shows, others))));
  }

  private void refuse(Refused refused) {
    refusal.set(refused.refusal().shown());
  }

  /** Another response is shown. */
  void showResponse(int index) {
    response = index;
    ask();
  }

  int response() {
    return response;
  }

  List<Piece> sentence() {
    return PlanSentence.of(slip.plan(), this::change);
  }

  List<Piece> additions() {
    return PlanAdditions.of(slip.plan(), this::change);
  }

  private boolean change(String where, Consumer<PlanDraft> change) {
    try {
      // Half a word may be a word of its own: what goes on in a slot changes the plan as it was
      // when
      // that began, so that nothing is lost on the way.
      boolean further = where.equals(lastPlace) && slip.plan() == lastMade;
      base = further ? base : slip.plan();
      Plan changed = PlanFile.checked(PlanDraft.changed(base, change));
      refusal.set("");
      lastPlace = where;
      lastMade = changed;
      workbench.plans().change(slip, changed, further);
      return true;
    } catch (Refused refused) {
      refuse(refused);
      return false;
    }
  }

  /** What is done now is undone by itself. */
  void pause() {
    lastPlace = "";
  }

  void rename(String name) {
    if (!name.isBlank()) {
      change("name", d -> d.name = name.strip());
    }
  }

  /** Lays out by another chance. */
  void drawAnew() {
    change("draw anew", d -> d.seed = PlanStart.seed());
    pause();
  }

  /** Half a seed is one too; what is no whole number waits for more. */
  void seed(String typed) {
    if (SEED.matcher(typed.strip()).matches()) {
      long seed = Long.parseLong(typed.strip());
      change("seed", d -> d.seed = seed);
    }
  }

  Plan plan() {
    return slip.plan();
  }

  /** Makes records up and opens them as an inquiry of their own. */
  void rehearse(SimulatedErrors spread, double widening) {
    Shown now = shown.get();
    long seed = now.plan().seed() + made++;
    writing.run(
        progress ->
            SimulatedRecords.of(now.plan(), now.arrangement(), spread, widening, seed, progress),
        table -> workbench.put(table, "rehearse " + now.plan().name()),
        this::refuse);
  }

  /** Makes trials up again and again, and counts, until there are enough or it is stopped. */
  void count(Mishap mishap) {
    Shown now = shown.get();
    Plan.Measured measured = now.plan().measured().get(response);
    rehearsing.run(
        progress -> Rehearsals.of(now.plan(), now.arrangement(), measured, mishap, progress),
        found ->
            found.ifPresentOrElse(
                all -> further(all, now.plan(), new double[0]),
                () -> rehearsed.set("No difference is wanted yet.")),
        this::refuse);
  }

  private void further(Rehearsals rehearsals, Plan plan, double[] p) {
    counted = new Rehearsed(plan, response, p);
    if (p.length > 0) {
      rehearsed.set(words(p, plan.wanted().alpha()));
    }
    if (p.length < MOST_REHEARSED) {
      rehearsing.run(
          progress -> rehearsals.p(p.length + 1, p.length + AT_A_TIME, progress),
          more -> further(rehearsals, plan, joined(p, more)),
          this::refuse);
    }
  }

  private static double[] joined(double[] one, double[] other) {
    double[] all = Arrays.copyOf(one, one.length + other.length);
    System.arraycopy(other, 0, all, one.length, other.length);
    return all;
  }

  /**
   * How many times as much values scatter at the largest mean; 1 for anything that is no number.
   */
  double widening(String typed) {
    double widening = NumberText.parse(typed.strip(), typed.indexOf(',') >= 0);
    return widening > 0 && widening <= MOST_WIDENING ? widening : 1;
  }

  /** A share from what is typed in percent; 0 for anything that is none. */
  double share(String percent) {
    double share = NumberText.parse(percent.strip(), percent.indexOf(',') >= 0) / 100;
    return share > 0 && share < 1 ? share : 0;
  }

  private static String words(double[] p, double alpha) {
    int found = Rehearsals.found(p, alpha);
    Shows.Rehearsed rehearsed = new Shows.Rehearsed(p.length, (double) found / p.length);
    return "Found in "
        + found
        + " of "
        + rehearsed.runs()
        + " made-up trials: "
        + Numerals.fixed(rehearsed.power(), 3)
        + " \u00b1 "
        + Numerals.fixed(rehearsed.mcse(), 3)
        + ".";
  }

  void stopRehearsing() {
    rehearsing.cancel();
  }

  /** What can be written. */
  interface Writing {
    /** Writes it. */
    void to(PlanFiles files, Path file);
  }

  void write(Writing what, Path file, Consumer<String> told) {
    PlanFiles files = files();
    writing.run(
        progress -> {
          what.to(files, file);
          return "Written: " + file.getFileName() + ".";
        },
        told,
        refused -> told.accept(refused.refusal().words()));
  }

  private PlanFiles files() {
    Paper paper = workbench.settingsProperty().get().paper();
    return new PlanFiles(shown.get().plan(), shown.get().arrangement(), paper);
  }

  /** Everything into one folder, with the plan as a file that the command line reads. */
  void writeAll(Path folder, boolean replace, Consumer<String> told, Consumer<Refused> otherwise) {
    PlanFiles files = files();
    Plan plan = shown.get().plan();
    Arrangement arrangement = shown.get().arrangement();
    writing.run(
        progress -> {
          String text = PlanAnswerFile.text(PlanFile.text(plan), plan, arrangement, progress);
          ResultFolder.of(folder, replace).add(fresh -> files.all(text, fresh, progress));
          return "All of it is in " + folder.getFileName() + ".";
        },
        told,
        otherwise);
  }

  ReadOnlyObjectProperty<Shown> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  ReadOnlyStringProperty refusalProperty() {
    return refusal.getReadOnlyProperty();
  }

  ReadOnlyStringProperty rehearsedProperty() {
    return rehearsed.getReadOnlyProperty();
  }

  ReadOnlyBooleanProperty rehearsingProperty() {
    return rehearsing.busyProperty();
  }

  ObservableBooleanValue busyProperty() {
    return foreseeing.busyProperty().or(writing.busyProperty());
  }

  ObservableNumberValue progressProperty() {
    return Bindings.when(writing.busyProperty())
        .then(writing.progressProperty())
        .otherwise(foreseeing.progressProperty());
  }

  /** Nothing goes on that nobody sees. */
  void leave() {
    laying.cancel();
    foreseeing.cancel();
    rehearsing.cancel();
  }
}
