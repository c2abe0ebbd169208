package app.knuckle.desktop.workbench;

import app.knuckle.desktop.background.Lane;
import app.knuckle.figures.style.Style;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Following;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.keeping.InquiryNames;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.Step;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.value.ChangeListener;

/** One inquiry in the window: the question, its answer, and where the user is in it. */
public final class SlipViewModel {

  /**
   * What is remembered of an inquiry when it is closed or changed: all but its answer.
   *
   * @param id the same for ever
   * @param source of its table
   * @param inquiry the question
   * @param reason why it was guessed so; empty if it was not
   * @param style of its figure; null before there is one
   * @param page which parts stand on its page, where that is not as usual
   */
  public record Kept(
      Object id,
      TableSource source,
      Inquiry inquiry,
      String reason,
      Style style,
      Map<String, String> page) {}

  private final Object id;
  private final TableSource source;
  private final String reason;
  private final ObjectProperty<Inquiry> inquiry = new SimpleObjectProperty<>();
  private final ReadOnlyObjectWrapper<Answer> answer = new ReadOnlyObjectWrapper<>();
  private final ObjectProperty<Joint> joint = new SimpleObjectProperty<>(Joint.RECORDS);
  private final ObjectProperty<Style> style = new SimpleObjectProperty<>();
  private final ObjectProperty<Map<String, String>> page = new SimpleObjectProperty<>(Map.of());
  private final Stages stages = Stages.kept();
  private final Lane asking = Lane.ofLatest();
  private final Lane turning = Lane.ofLatest();
  private final Consumer<Answer> beforehand;
  private final IntegerProperty soughtRow = new SimpleIntegerProperty(-1);
  private final ReadOnlyIntegerWrapper shownResponse = new ReadOnlyIntegerWrapper();
  private final ChangeListener<Table> newRecords = (o, before, now) -> newRecords();
  private Runnable toldOfRecords = () -> {};
  private Answer computed;
  private Supplier<List<SlipViewModel>> others = List::of;
  private Consumer<Inquiry> beside = inquiry -> {};

  /**
   * An inquiry.
   *
   * @param source of its table
   * @param inquiry the question
   * @param reason why it was guessed so; empty if it was not
   * @param beforehand what is made of an answer, still beside the interface thread
   */
  SlipViewModel(TableSource source, Inquiry inquiry, String reason, Consumer<Answer> beforehand) {
    this(new Kept(new Object(), source, inquiry, reason, null, Map.of()), beforehand);
  }

  /**
   * An inquiry that is remembered.
   *
   * @param kept what is known of it
   * @param beforehand what is made of an answer, still beside the interface thread
   */
  SlipViewModel(Kept kept, Consumer<Answer> beforehand) {
    id = kept.id();
    source = kept.source();
    reason = kept.reason();
    style.set(kept.style());
    page.set(kept.page());
    this.beforehand = beforehand;
    inquiry.addListener((o, before, now) -> ask());
    source.tableProperty().addListener(newRecords);
    inquiry.set(kept.inquiry());
  }

  /** The same for ever, also when it is closed and brought back. */
  Object id() {
    return id;
  }

  /** What is remembered of it. */
  Kept kept() {
    return new Kept(id, source, inquiry(), reason, style.get(), page.get());
  }

  /** Asks and looks as it did. */
  void goBackTo(Kept was) {
    inquiry.set(was.inquiry());
    if (was.style() != null) {
      style.set(was.style());
    }
    page.set(was.page());
  }

  private void ask() {
    Table table = source.table();
    Inquiry question = inquiry.get();
    if (table != null && question != null) {
      Answer known = computed;
      int shown = shownResponse.get();
      turning.cancel();
      asking.run(
          progress -> {
            try {
              Answer found = Answer.to(table, question, known, stages, progress);
              beforehand.accept(found.showing(shown));
              return found;
            } catch (CancellationException | Refused e) {
              throw e;
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError fault) {
              return Answer.ofFault(table, question, fault);
            }
          },
          this::take);
    }
  }

  private void newRecords() {
    toldOfRecords.run();
    ask();
  }

  private void take(Answer found) {
    if (style.get() == null && found.isTested()) {
      style.set(Style.usual(found.findings().first().groups().size()));
    }
    computed = found;
    if (shownResponse.get() >= inquiry().measured().size()) {
      shownResponse.set(0);
    }
    answer.set(found.showing(shownResponse.get()));
    found
        .fault()
        .ifPresent(
            fault -> {
              throw new IllegalStateException("An inquiry could not be answered", fault);
            });
    guessAgain(found);
  }

  /** The question: never null. */
  public ObjectProperty<Inquiry> inquiryProperty() {
    return inquiry;
  }

  /** The question now: never null. */
  public Inquiry inquiry() {
    return inquiry.get();
  }

  /** The last answer; it stays while a newer one is computed: null before the first answer. */
  public ReadOnlyObjectProperty<Answer> answerProperty() {
    return answer.getReadOnlyProperty();
  }

  /** The last answer: null before the first answer. */
  public Answer answer() {
    return answer.get();
  }

  /** Whether an answer is being computed. */
  public ReadOnlyBooleanProperty busyProperty() {
    return asking.busyProperty();
  }

  /** How far the computation is: from 0 to 1; negative when it cannot be told. */
  public ReadOnlyDoubleProperty progressProperty() {
    return asking.progressProperty();
  }

  /** The joint that is open: never null. */
  public ObjectProperty<Joint> jointProperty() {
    return joint;
  }

  /** How the figure is shown: null before there is one. */
  public ObjectProperty<Style> styleProperty() {
    return style;
  }

  /**
   * Which parts stand on the page, by their key, "yes" or "no", where that is not as usual: never
   * null.
   */
  public ObjectProperty<Map<String, String>> pageProperty() {
    return page;
  }

  /** Where the records come from: shared by all slips of the table. */
  public TableSource source() {
    return source;
  }

  /** The records as read: null while they are being read for the first time. */
  public Table table() {
    return source.table();
  }

  /** Why the question was guessed as it was: a sentence; empty when it was not guessed. */
  public String reason() {
    return reason;
  }

  /**
   * Reads a column as another kind; an earlier change of kind of the same column gives way.
   *
   * @param column its name
   * @param kind the kind it is
   */
  public void readAs(String column, Kind.As kind) {
    List<Step> steps = new ArrayList<>(inquiry().prepare());
    steps.removeIf(s -> s instanceof Kind k && k.column().equals(column));
    boolean asRead = table().column(column).filter(c -> Kind.As.of(c) == kind).isPresent();
    if (!asRead) {
      steps.add(new Kind(column, kind, false));
    }
    inquiry.set(inquiry().after(steps));
  }

  /**
   * Gives a column a unit; an earlier unit from here gives way.
   *
   * @param column its name
   * @param unit empty for none
   */
  public void giveUnit(String column, String unit) {
    List<Step> steps = new ArrayList<>(inquiry().prepare());
    steps.removeIf(
        s -> s instanceof Rename r && r.column().equals(column) && r.to().equals(column));
    boolean asRead = table().column(column).filter(c -> c.unit().equals(unit)).isPresent();
    if (!asRead) {
      steps.add(new Rename(column, column, unit, false));
    }
    Inquiry changed = inquiry().after(steps);
    if (!Objects.equals(changed, inquiry())) {
      inquiry.set(changed);
    }
  }

  /**
   * Replaces the trail. The question follows the names that its steps give; when they take away a
   * column that it is about, it is guessed anew once the records are there.
   *
   * @param steps the trail
   */
  public void prepare(List<Step> steps) {
    inquiry.set(Following.of(inquiry(), steps));
  }

  /**
   * Adds steps at the end of the trail. Edits of cells join the edits just before them.
   *
   * @param more the steps
   */
  public void take(List<Step> more) {
    List<Step> steps = new ArrayList<>(inquiry().prepare());
    for (Step step : more) {
      Step last = steps.isEmpty() ? null : steps.get(steps.size() - 1);
      if (step instanceof Edit edit && last instanceof Edit before && !before.off()) {
        Edit joined = before;
        for (Edit.Cell cell : edit.cells()) {
          joined = joined.and(cell);
        }
        steps.set(steps.size() - 1, joined);
      } else {
        steps.add(step);
      }
    }
    prepare(steps);
  }

  /**
   * Compares other means, by the procedure of before; questions of one's own stay.
   *
   * @param of treatments whose means they are
   * @param within treatments at each of whose levels that is done
   */
  public void compare(List<String> of, List<String> within) {
    inquiry().compare().stream()
        .filter(c -> !c.isContrast())
        .findFirst()
        .ifPresentOrElse(
            c -> compareBy(of, within, c.procedure(), c.toReference()),
            () -> compareBy(of, within, Procedure.TUKEY, false));
  }

  /**
   * Compares means by a procedure; questions of one's own stay.
   *
   * @param of treatments whose means they are
   * @param within treatments at each of whose levels that is done
   * @param procedure how
   * @param toReference whether each is compared with the reference only, which must be chosen
   */
  public void compareBy(
      List<String> of, List<String> within, Procedure procedure, boolean toReference) {
    List<Compare> compare = new ArrayList<>();
    compare.add(new Compare(of, within, toReference, procedure, List.of(), 0, ""));
    inquiry().compare().stream().filter(Compare::isContrast).forEach(compare::add);
    inquiry.set(inquiry().but(d -> d.compare = compare));
  }

  /**
   * Takes a step out of the trail.
   *
   * @param step one of its steps
   */
  public void takeOut(Step step) {
    List<Step> steps = new ArrayList<>(inquiry().prepare());
    steps.remove(step);
    prepare(steps);
  }

  /** A stacked or spread table has other columns: a question about those that went is guessed. */
  private void guessAgain(Answer now) {
    Inquiry asked = inquiry();
    boolean reshaped = asked.prepare().stream().anyMatch(Step::reshapes);
    boolean gone =
        Stream.concat(asked.measured().stream(), asked.treatments().stream())
            .anyMatch(name -> !now.frame().has(name));
    if (reshaped && gone && now.trail().refusal().isEmpty()) {
      FirstGuess guess = FirstGuess.of(now.frame());
      inquiry.set(guess.inquiry().at(asked.alpha()).after(asked.prepare()));
    }
  }

  /**
   * Opens the records at a row.
   *
   * @param row of the frame, from 0
   */
  public void goToRecord(int row) {
    joint.set(Joint.RECORDS);
    soughtRow.set(-1);
    soughtRow.set(row);
  }

  /** The row to show in the records: from 0; -1 for none. */
  public IntegerProperty soughtRowProperty() {
    return soughtRow;
  }

  /** Which of several responses is looked at: its place in the inquiry, from 0. */
  public ReadOnlyIntegerProperty shownResponseProperty() {
    return shownResponse.getReadOnlyProperty();
  }

  /**
   * Looks at another of several responses; the answers of all are there already.
   *
   * @param index its place in the inquiry; beyond the last is the first again
   */
  public void showResponse(int index) {
    int many = Math.max(1, inquiry().measured().size());
    shownResponse.set(Math.floorMod(index, many));
    if (computed != null && !asking.isBusy()) {
      Answer turned = computed.showing(shownResponse.get());
      turning.run(
          progress -> {
            beforehand.accept(turned);
            return turned;
          },
          answer::set);
    }
  }

  /**
   * Asks a changed question beside this one.
   *
   * @param changed the question, with a name of its own
   */
  public void askBeside(Inquiry changed) {
    beside.accept(changed);
  }

  /** The other inquiries of the study, in their order. */
  public List<SlipViewModel> others() {
    return others.get().stream().filter(slip -> slip != this).toList();
  }

  /** The other inquiries of the study by names that no two of them share, in their order. */
  public Map<String, SlipViewModel> othersByName() {
    List<SlipViewModel> all = others.get();
    List<String> names =
        InquiryNames.of(
                all.stream().map(slip -> slip.inquiry().name()).toList(),
                all.stream().map(slip -> slip.source().name()).toList())
            .names();
    Map<String, SlipViewModel> named = new LinkedHashMap<>();
    for (int i = 0; i < names.size(); i++) {
      if (all.get(i) != this) {
        named.put(names.get(i), all.get(i));
      }
    }
    return named;
  }

  /** Who knows all inquiries of the study. */
  void onOthers(Supplier<List<SlipViewModel>> all) {
    others = all;
  }

  /** Who makes a slip of a question that is asked beside this one. */
  void onAskedBeside(Consumer<Inquiry> listener) {
    beside = listener;
  }

  /** Who is told when the records are read anew. */
  void onNewRecords(Runnable listener) {
    toldOfRecords = listener;
  }

  /** Ends the computation, and listens no more; the slip is closed. */
  void close() {
    source.tableProperty().removeListener(newRecords);
    asking.cancel();
    turning.cancel();
  }
}
