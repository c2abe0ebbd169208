package app.knuckle.desktop.workbench;

import app.knuckle.figures.style.Style;
import app.knuckle.formats.keeping.Settings;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.keeping.Change;
import app.knuckle.study.keeping.NewNames;
import app.knuckle.study.keeping.NewRecords;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Table;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.WeakHashMap;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/** Everything that is open in the window: the slips, and which of them is in front. */
public final class Workbench {

  private static final String NEW_STUDY = "New study";

  private final ReadOnlyStringWrapper name = new ReadOnlyStringWrapper(NEW_STUDY);
  private final ObservableList<SlipViewModel> slips = FXCollections.observableArrayList();
  private final ObjectProperty<SlipViewModel> current = new SimpleObjectProperty<>();
  private final Cover cover = new Cover();
  private final ObjectProperty<Banner> banner = new SimpleObjectProperty<>();
  private final History history = new History(this::restore);
  private final Plans plans = new Plans(this::planned);
  private final Reckonings reckonings = new Reckonings(this::did);
  private final ObjectProperty<Settings> settings = new SimpleObjectProperty<>(Settings.USUAL);
  private final Consumer<Answer> beforehand;
  private Keeping keeper = Keeping.NOBODY;
  private boolean restoring;

  /** The inquiry that was in front last, of each table. */
  private final Map<TableSource, Object> lastOf = new WeakHashMap<>();

  private final ObservableList<Closed> closed = FXCollections.observableArrayList();

  /** Where the user was in an inquiry that is closed: no change to be undone, but missed. */
  private final Map<Object, Joint> leftAt = new WeakHashMap<>();

  /** An empty bench. */
  public Workbench() {
    this(answer -> {});
  }

  /**
   * An empty bench.
   *
   * @param beforehand what is made of an answer before it is shown, beside the interface thread
   */
  public Workbench(Consumer<Answer> beforehand) {
    this.beforehand = beforehand;
    current.addListener(
        (o, before, now) -> {
          if (now != null) {
            lastOf.put(now.source(), now.id());
          }
        });
  }

  /**
   * An inquiry that was closed: its question, and nothing of its answer.
   *
   * @param name of the inquiry
   * @param table of its records
   * @param kept what it takes to bring it back
   */
  public record Closed(String name, String table, SlipViewModel.Kept kept) {}

  /**
   * Gives the bench into someone's keeping.
   *
   * @param keeping told of every change from now on
   */
  public void keptBy(Keeping keeping) {
    keeper = keeping;
  }

  /**
   * Opens a study in place of what is open.
   *
   * @param study its tables and inquiries
   */
  public void open(Study study) {
    quietly(
        () -> {
          List.copyOf(slips).forEach(SlipViewModel::close);
          slips.clear();
          closed.clear();
          current.set(null);
          cover.lift();
          plans.restore(
              study.plans().stream().map(plan -> new PlanSlip.Kept(new Object(), plan)).toList());
          reckonings.restore(study.reckonings());
        });
    add(study);
    name.set(study.name());
    history.begin(desk());
    keeper.opened();
  }

  /** Does what is no change of its own to be undone. */
  private void quietly(Runnable act) {
    boolean before = restoring;
    restoring = true;
    try {
      act.run();
    } finally {
      restoring = before;
    }
  }

  /** Adds the tables and inquiries of a study beside what is open. */
  void add(Study study) {
    quietly(() -> fill(study));
  }

  private void fill(Study study) {
    Map<String, TableSource> sources = new HashMap<>();
    study.tables().forEach(kept -> sources.put(kept.table().name(), new TableSource(kept)));
    SlipViewModel first = null;
    for (Study.Asked asked : study.asked()) {
      SlipViewModel slip = slip(sources.get(asked.table()), asked.inquiry(), "");
      if (!asked.figure().isEmpty()) {
        slip.styleProperty().set(Style.of(asked.figure(), 1));
      }
      slip.pageProperty().set(asked.page());
      put(slip, slips.size());
      first = first == null ? slip : first;
    }
    current.set(first == null ? current.get() : first);
  }

  /**
   * Asks the questions of the current table of new records too. Where those call columns otherwise,
   * it is asked first which they are.
   *
   * @param fresh the records
   * @param path of the file they were read from
   */
  public void askOf(Table fresh, String path) {
    TableSource old = current.get().source();
    List<Inquiry> questions =
        slips.stream().filter(s -> s.source() == old).map(SlipViewModel::inquiry).toList();
    NewNames names = NewNames.of(questions, old.table(), fresh);
    if (names.missing().isEmpty()) {
      askOf(fresh, path, List.of());
    } else {
      show(new Page.Naming(path, names));
    }
  }

  /**
   * Asks the questions of the current table of new records too, beside what is open: steps about
   * rows of the old ones are left away, and that is said.
   *
   * @param fresh the records
   * @param path of the file they were read from
   * @param first what is done to them before
   */
  public void askOf(Table fresh, String path, List<Step> first) {
    leavePage();
    String old = current.get().source().name();
    String own = isTableTaken(fresh.name()) ? freeTableName(fresh.name()) : fresh.name();
    Table named = fresh.named(own);
    List<NewRecords> put =
        study().asked().stream()
            .filter(asked -> asked.table().equals(old))
            .map(asked -> NewRecords.of(asked, named, first))
            .toList();
    add(
        new Study(
            own,
            List.of(new Study.Kept(named, path, Map.of())),
            put.stream().map(NewRecords::asked).toList()));
    List<String> said = put.stream().flatMap(p -> p.leftAway().stream()).toList();
    if (!said.isEmpty()) {
      banner.set(new Banner(String.join(". ", said) + ".", false, List.of()));
    }
    did("ask the questions of " + old + " of " + own);
  }

  /**
   * Asks several inquiries of the current table again, each changed alike, and shows all.
   *
   * @param changed for each inquiry that can be changed so, the changed one
   */
  public void askAll(Map<SlipViewModel, Inquiry> changed) {
    changed.forEach(
        (slip, inquiry) -> {
          String own = inquiry.name() + ", " + slip.inquiry().name();
          String free = isTaken(own) ? nameOfCopy(own) : own;
          putBeside(slip, inquiry.named(free));
        });
    did("ask " + changed.size() + " again");
    show(new Page.Inquiries());
  }

  private SlipViewModel slip(TableSource source, Inquiry inquiry, String reason) {
    return new SlipViewModel(source, inquiry, reason, beforehand);
  }

  /**
   * Opens a file: a study in place of what is open, records beside it. The first inquiry of records
   * is guessed once they are read.
   *
   * @param file the file
   */
  public void open(Path file) {
    if (StudyFile.is(file)) {
      keeper.open(file);
      return;
    }
    TableSource source = new TableSource(file.toAbsolutePath());
    Page opening = new Page.Opening(source);
    source.tableProperty().addListener((o, before, table) -> cover.came(opening));
    source
        .tableProperty()
        .addListener(new FirstQuestion(this, source, "open " + file.getFileName()));
    cover.waitFor(opening);
  }

  /**
   * Puts a table on the bench with a first guess.
   *
   * @param table the records
   * @param change what putting it there is called
   */
  public void put(Table table, String change) {
    TableSource source = new TableSource(new Study.Kept(table, "", Map.of()));
    leavePage();
    new FirstQuestion(this, source, change).changed(null, null, table);
  }

  /**
   * Shows a page on the way to records.
   *
   * @param shown the page
   */
  public void show(Page shown) {
    cover.show(shown);
  }

  /** Leaves the page: a file that could not be read, or records that are not wanted after all. */
  public void leavePage() {
    cover.leave();
  }

  /** Puts records on the bench with their first question; its slip is returned by its id. */
  Object begin(TableSource source, Inquiry inquiry, String reason, String change) {
    SlipViewModel made = slip(source, inquiry, reason);
    made.pageProperty().set(settings.get().page());
    put(made, slips.size());
    current.set(made);
    did(change);
    return made.id();
  }

  /** Asks a slip something else, if it still asks what it did; whether it does so now. */
  boolean askInstead(Object id, Inquiry last, Inquiry other) {
    List<SlipViewModel> same =
        slips.stream().filter(s -> s.id() == id && s.inquiry().equals(last)).toList();
    same.forEach(s -> s.inquiryProperty().set(other));
    return !same.isEmpty();
  }

  boolean isTableTaken(String table) {
    return slips.stream().anyMatch(s -> table.equals(s.source().name()));
  }

  String freeTableName(String table) {
    String free = table;
    for (int i = 2; isTableTaken(free); i++) {
      free = table + " (" + i + ")";
    }
    return free;
  }

  /** Puts a slip on the bench and listens to what is done with it. */
  private void put(SlipViewModel slip, int place) {
    listen(slip);
    slips.add(place, slip);
  }

  private void listen(SlipViewModel slip) {
    slip.onOthers(() -> slips);
    slip.onAskedBeside(
        changed -> {
          String name = changed.name();
          askBeside(slip, isTaken(name) ? changed.named(nameOfCopy(name)) : changed, Joint.TEST);
          show(new Page.Beside(slip, current.get()));
          did("ask " + name);
        });
    slip.inquiryProperty()
        .addListener(
            (o, before, now) -> {
              if (!restoring && slips.contains(slip)) {
                follow(before.name(), now.name());
                history.did(Change.of(before, now), desk());
                keeper.changed();
              }
            });
    slip.styleProperty()
        .addListener(
            (o, before, now) -> {
              if (!restoring && slips.contains(slip)) {
                if (before == null) {
                  history.followedBy(desk());
                } else {
                  history.did("change the figure", desk());
                  keeper.changed();
                }
              }
            });
    slip.pageProperty()
        .addListener(
            (o, before, now) -> {
              if (!restoring && slips.contains(slip)) {
                history.did("change the write-up", desk());
                keeper.changed();
              }
            });
    slip.onNewRecords(() -> keeper.changed());
  }

  /** Pages beside which an inquiry stands know it by its name. */
  private void follow(String from, String to) {
    if (from.equals(to)) {
      return;
    }
    // It is one change with the name.
    quietly(
        () -> {
          for (SlipViewModel slip : slips) {
            Map<String, String> page = slip.pageProperty().get();
            Map<String, String> renamed = PageSettings.of(page).renamed(from, to).kept();
            if (!renamed.equals(page)) {
              slip.pageProperty().set(renamed);
            }
          }
        });
  }

  private void did(String change) {
    if (!restoring) {
      history.did(change, desk());
      keeper.changed();
    }
  }

  private History.Desk desk() {
    return new History.Desk(
        slips.stream().map(SlipViewModel::kept).toList(),
        current.get() == null ? null : current.get().id(),
        plans.kept(),
        reckonings.kept());
  }

  private void planned(String change, boolean further) {
    if (further) {
      history.followedBy(desk());
      keeper.changed();
    } else {
      did(change);
    }
  }

  private void restore(History.Desk desk) {
    quietly(() -> layOut(desk));
    keeper.changed();
  }

  private void layOut(History.Desk desk) {
    SlipViewModel front = current.get();
    List<SlipViewModel> wanted = desk.slips().stream().map(this::brought).toList();
    if (!slips.equals(wanted)) {
      slips.stream().filter(s -> !wanted.contains(s)).forEach(this::end);
      slips.setAll(wanted);
    }
    for (int i = 0; i < wanted.size(); i++) {
      wanted.get(i).goBackTo(desk.slips().get(i));
    }
    plans.restore(desk.plans());
    reckonings.restore(desk.reckonings());
    if (cover.page() instanceof Page.Planning shown && !plans.all().contains(shown.plan())) {
      leavePage();
    }
    current.set(
        wanted.contains(front)
            ? front
            : wanted.stream().filter(s -> s.id() == desk.current()).findFirst().orElse(null));
  }

  private void end(SlipViewModel slip) {
    leftAt.put(slip.id(), slip.jointProperty().get());
    closed.add(0, new Closed(slip.inquiry().name(), slip.source().name(), slip.kept()));
    slip.close();
  }

  /**
   * The slip that was there; made anew if it was closed, as nothing of it was kept but the
   * question.
   */
  private SlipViewModel brought(SlipViewModel.Kept was) {
    for (SlipViewModel slip : slips) {
      if (slip.id() == was.id()) {
        return slip;
      }
    }
    closed.removeIf(one -> one.kept().id() == was.id());
    SlipViewModel again = new SlipViewModel(was, beforehand);
    again.jointProperty().set(leftAt.getOrDefault(was.id(), Joint.RECORDS));
    listen(again);
    return again;
  }

  /** Copies the slip in front, to be changed beside it. */
  public void copyCurrent() {
    if (current.get() != null) {
      copy(current.get());
    }
  }

  /**
   * Copies a slip, to be changed beside it.
   *
   * @param slip one of the slips
   */
  public void copy(SlipViewModel slip) {
    Inquiry inquiry = slip.inquiry();
    askBeside(slip, inquiry.named(nameOfCopy(inquiry.name())), Joint.LAYOUT);
    did("copy " + inquiry.name());
  }

  /** Puts the inquiry in front beside another of the same records: the one before it, if any. */
  public void showBeside() {
    SlipViewModel after = current.get();
    if (after == null) {
      return;
    }
    List<SlipViewModel> others = new ArrayList<>(slips.subList(0, slips.indexOf(after)));
    Collections.reverse(others);
    others.addAll(slips.subList(slips.indexOf(after) + 1, slips.size()));
    SlipViewModel before =
        others.stream()
            .filter(s -> s.source() == after.source())
            .findFirst()
            .orElse(others.isEmpty() ? null : others.get(0));
    show(new Page.Beside(before, after));
  }

  /**
   * Brings a slip to the front; a list of all inquiries gives way to it.
   *
   * @param slip one of the slips
   */
  public void turnTo(SlipViewModel slip) {
    cover.giveWay();
    current.set(slip);
  }

  /**
   * Brings the inquiry of a table to the front that was there last.
   *
   * @param table one that a slip is about
   */
  public void turnTo(TableSource table) {
    List<SlipViewModel> about = slips.stream().filter(s -> s.source() == table).toList();
    Object last = lastOf.get(table);
    turnTo(about.stream().filter(s -> s.id() == last).findFirst().orElse(about.get(0)));
  }

  /**
   * Names an inquiry.
   *
   * @param slip one of the slips
   * @param title its name from now on; blank for the one it has
   */
  public void rename(SlipViewModel slip, String title) {
    if (!title.isBlank()) {
      slip.inquiryProperty().set(slip.inquiry().named(title.strip()));
    }
  }

  /**
   * Puts a slip in the place of another of the same table.
   *
   * @param slip one of the slips
   * @param place where it shall stand among the slips, from 0; beyond the ends is the end
   */
  public void move(SlipViewModel slip, int place) {
    int to = Math.max(0, Math.min(slips.size() - 1, place));
    if (slips.indexOf(slip) == to) {
      return;
    }
    List<SlipViewModel> order = new ArrayList<>(slips);
    order.remove(slip);
    order.add(to, slip);
    slips.setAll(order);
    did("move " + slip.inquiry().name());
  }

  /** What was closed lately and can be brought back: the last one first. */
  public ObservableList<Closed> closed() {
    return closed;
  }

  /**
   * Brings a closed inquiry back to the front.
   *
   * @param one what was closed
   */
  public void bringBack(Closed one) {
    SlipViewModel again = brought(one.kept());
    slips.add(again);
    turnTo(again);
    did("bring back " + one.name());
  }

  private void askBeside(SlipViewModel slip, Inquiry inquiry, Joint joint) {
    SlipViewModel copy = putBeside(slip, inquiry);
    copy.jointProperty().set(joint);
    turnTo(copy);
  }

  /** A changed question of the same records, with the figure and page of the first. */
  private SlipViewModel putBeside(SlipViewModel slip, Inquiry inquiry) {
    SlipViewModel copy = slip(slip.source(), inquiry, "");
    copy.styleProperty().set(slip.styleProperty().get());
    copy.pageProperty().set(slip.pageProperty().get());
    put(copy, slips.indexOf(slip) + 1);
    return copy;
  }

  private String nameOfCopy(String original) {
    String base = original.startsWith(Inquiry.CHANGED) ? original : Inquiry.CHANGED + original;
    int copies = 1;
    String copy = base;
    while (isTaken(copy)) {
      copies++;
      copy = base + " (" + copies + ")";
    }
    return copy;
  }

  private boolean isTaken(String title) {
    return slips.stream().anyMatch(s -> s.inquiry().name().equals(title));
  }

  /**
   * Gives the trail of a slip to all other inquiries about the same records.
   *
   * @param slip whose trail
   */
  public void shareTrail(SlipViewModel slip) {
    quietly(
        () ->
            slips.stream()
                .filter(s -> s != slip && s.source() == slip.source())
                .forEach(s -> s.prepare(slip.inquiry().prepare())));
    did("the same trail everywhere");
  }

  /**
   * Whether other inquiries about the same records have another trail.
   *
   * @param slip whose trail
   * @return true if sharing it would change something
   */
  public boolean canShareTrail(SlipViewModel slip) {
    return slips.stream()
        .anyMatch(
            s ->
                s.source() == slip.source()
                    && !s.inquiry().prepare().equals(slip.inquiry().prepare()));
  }

  /**
   * Closes a slip.
   *
   * @param slip one of the slips
   */
  public void close(SlipViewModel slip) {
    int place = slips.indexOf(slip);
    end(slip);
    slips.remove(slip);
    if (current.get() == slip) {
      current.set(slips.isEmpty() ? null : slips.get(Math.min(place, slips.size() - 1)));
    }
    did("close " + slip.inquiry().name());
  }

  /**
   * Goes to the slip so many places further, round the end.
   *
   * @param places forward, or backward when negative
   */
  public void step(int places) {
    if (!slips.isEmpty()) {
      int at = slips.indexOf(current.get());
      turnTo(slips.get(Math.floorMod(at + places, slips.size())));
    }
  }

  /** Everything that is open, as one value. */
  public Study study() {
    Set<TableSource> sources = new LinkedHashSet<>();
    List<Study.Asked> asked = new ArrayList<>();
    for (SlipViewModel slip : slips) {
      if (slip.table() != null) {
        sources.add(slip.source());
        Style style = slip.styleProperty().get();
        asked.add(
            new Study.Asked(
                slip.table().name(),
                slip.inquiry(),
                style == null ? Map.of() : style.settings(),
                slip.pageProperty().get()));
      }
    }
    return new Study(
        name.get(),
        sources.stream().map(TableSource::kept).toList(),
        asked,
        plans.all().stream().map(PlanSlip::plan).toList(),
        reckonings.kept());
  }

  /** The name of the study: never empty. */
  public ReadOnlyStringProperty nameProperty() {
    return name.getReadOnlyProperty();
  }

  /**
   * Names the study, as saving it under a name does.
   *
   * @param title not empty
   */
  public void rename(String title) {
    name.set(title);
  }

  /** The slips, in the order in which they were opened. */
  public ObservableList<SlipViewModel> slips() {
    return slips;
  }

  /** The slip in front: null when nothing is open. */
  public ObjectProperty<SlipViewModel> currentProperty() {
    return current;
  }

  /** The plans of trials: those of the study. */
  public Plans plans() {
    return plans;
  }

  /** How the user wants things to be: as usual until something else is set. */
  public ObjectProperty<Settings> settingsProperty() {
    return settings;
  }

  /** The reckonings that are kept: they change with the study. */
  public Reckonings reckonings() {
    return reckonings;
  }

  /** What takes the place of the joint: null when the joint is shown. */
  public ReadOnlyObjectProperty<Page> pageProperty() {
    return cover.property();
  }

  /** The message above the joint: null when there is none. */
  public ObjectProperty<Banner> bannerProperty() {
    return banner;
  }

  /** What was done, and can be undone. */
  public History history() {
    return history;
  }

  /** Who keeps the bench: nobody until it is given into someone's keeping. */
  public Keeping keeping() {
    return keeper;
  }
}
