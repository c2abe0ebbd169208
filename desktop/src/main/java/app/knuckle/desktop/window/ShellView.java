package app.knuckle.desktop.window;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.beside.BesideView;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.controls.Unrolling;
import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.explain.Explain;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.keeping.Recent;
import app.knuckle.desktop.manual.ManualView;
import app.knuckle.desktop.moves.FindView;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.plan.PlanView;
import app.knuckle.desktop.proof.ProofView;
import app.knuckle.desktop.reckoner.ReckonerView;
import app.knuckle.desktop.records.NewNamesView;
import app.knuckle.desktop.records.OpeningView;
import app.knuckle.desktop.registry.Moves;
import app.knuckle.desktop.settings.SettingsView;
import app.knuckle.desktop.typing.TypingView;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.TableSource;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.animation.PauseTransition;
import javafx.beans.value.ChangeListener;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** The window: slips above, chain at the left, finding line below, the open joint in the middle. */
final class ShellView extends BorderPane {

  private static final KeyCombination REDO_TOO =
      new KeyCodeCombination(KeyCode.Y, KeyCombination.SHORTCUT_DOWN);
  private static final KeyCombination FIND =
      new KeyCodeCombination(KeyCode.K, KeyCombination.SHORTCUT_DOWN);

  private static final KeyCombination KEYS =
      new KeyCodeCombination(KeyCode.SLASH, KeyCombination.SHORTCUT_DOWN);

  /** Text that is being written has an undo of its own. */
  private static final Set<String> OF_TEXT_TOO = Set.of("undo", "redo");

  private static final String PASTE = "paste";

  private static final String ANYTHING = "A method, a step, a picture, a place, a word";
  private static final String CHANGED = "Asked again: what shall be changed?";

  /** Moves done lately that come first among equals. */
  private static final int MOST_RECENT = 12;

  /** With Ctrl: another inquiry, pasted cells, a file opened or saved. */
  private static final Set<KeyCode> CREATING =
      EnumSet.of(KeyCode.D, KeyCode.V, KeyCode.O, KeyCode.S, KeyCode.N);

  /** Keys that are held down. */
  private final Set<KeyCode> down = EnumSet.noneOf(KeyCode.class);

  private static final KeyCombination NEXT_RESPONSE =
      new KeyCodeCombination(KeyCode.PAGE_DOWN, KeyCombination.SHORTCUT_DOWN);
  private static final KeyCombination LAST_RESPONSE =
      new KeyCodeCombination(KeyCode.PAGE_UP, KeyCombination.SHORTCUT_DOWN);

  /** Changes quicker than this are not seen as waiting. */
  private static final Duration MOMENT = Duration.millis(250);

  private final Pulses pulses = new Pulses();
  private final PauseTransition dimming = new PauseTransition(MOMENT);
  private final Workbench workbench;
  private final Keeper keeper;
  private final Views views = new Views();
  private final StackPane middle = new StackPane();

  /**
   * Lies over an answer that is being overtaken. Where all of a page is made paler instead, the
   * toolkit keeps a picture of it in every size that it ever repaints.
   */
  private final Region stale = new Region();

  private final ResponseStrip responses = new ResponseStrip();
  private final StackPane centre = new StackPane();
  private final List<String> recent = new ArrayList<>();
  private final StudyMenu menu;
  private final Moves moves;
  private final SlipsBar slips;
  private final ChainView chain;
  private final FindingLineView line = new FindingLineView();
  private final ChangeListener<Object> changed = (o, before, now) -> show();
  private final Lane reading = Lane.inTurn();
  private SlipViewModel shown;

  /** Whether a key or the mouse was pressed yet: until then nobody has the keyboard by choice. */
  private boolean used;

  private Page shownPage;
  private ReckonerView reckoner;
  private ManualView manual;

  ShellView(Workbench workbench, Keeper keeper) {
    this.workbench = workbench;
    this.keeper = keeper;
    setId("shell");
    middle.getStyleClass().add("middle");
    dimming.setOnFinished(event -> stale.setVisible(true));
    stale.getStyleClass().add("stale");
    stale.setMouseTransparent(true);
    stale.setVisible(false);
    menu = new StudyMenu(workbench, keeper);
    moves = new Moves(workbench, menu, this::askAgain, this::opens, this::showPlace);
    menu.takeFrom(moves::ofStudy);
    slips =
        new SlipsBar(
            workbench, keeper, menu, this::askAgain, () -> find(ANYTHING, "", moves.all()));
    chain = new ChainView(this::go);
    setTop(new VBox(slips, new BannerView(workbench.bannerProperty())));
    setLeft(chain);
    StackPane veiled = new StackPane(middle, stale);
    VBox.setVgrow(veiled, Priority.ALWAYS);
    centre.getChildren().add(new VBox(responses, veiled));
    setCenter(centre);
    setBottom(line);
    workbench.currentProperty().addListener((o, before, now) -> turnTo(now));
    workbench.pageProperty().addListener(changed);
    workbench
        .slips()
        .addListener((ListChangeListener<SlipViewModel>) change -> views.retain(workbench.slips()));
    // A filter of its own, before all others: what creates something acts once for a key held down.
    addEventFilter(KeyEvent.KEY_PRESSED, this::once);
    addEventFilter(KeyEvent.KEY_PRESSED, event -> used = true);
    addEventFilter(MouseEvent.MOUSE_PRESSED, event -> used = true);
    addEventFilter(KeyEvent.KEY_RELEASED, event -> down.remove(event.getCode()));
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    addEventHandler(KeyEvent.KEY_PRESSED, this::paste);
    addEventHandler(Explain.ASKED, event -> workbench.show(new Page.Reading(event.topic())));
    setOnDragOver(
        event -> {
          if (event.getDragboard().hasFiles()) {
            event.acceptTransferModes(TransferMode.COPY);
          }
        });
    setOnDragDropped(
        event -> {
          event.getDragboard().getFiles().forEach(f -> workbench.open(f.toPath()));
          event.setDropCompleted(true);
        });
    turnTo(workbench.currentProperty().get());
  }

  private void turnTo(SlipViewModel slip) {
    boolean first = shown == null && slip != null;
    if (shown != null) {
      shown.answerProperty().removeListener(changed);
      shown.jointProperty().removeListener(changed);
      shown.busyProperty().removeListener(changed);
    }
    shown = slip;
    if (slip != null) {
      slip.answerProperty().addListener(changed);
      slip.jointProperty().addListener(changed);
      slip.busyProperty().addListener(changed);
    }
    show();
    if (first && isKeyboardFree()) {
      chain.takeKeyboard();
    }
  }

  /** Nobody chose where the keyboard is, or what had it is gone. */
  private boolean isKeyboardFree() {
    Node owner = getScene() == null ? null : getScene().getFocusOwner();
    return !used || owner == null || owner.getScene() != getScene();
  }

  private void show() {
    Page page = workbench.pageProperty().get();
    if (page != null) {
      // Put there once: taken out and in again it would lose the keyboard.
      if (page != shownPage) {
        middle.getChildren().setAll(view(page));
      }
    } else if (shown == null) {
      middle.getChildren().setAll(welcome());
    } else {
      open(views.of(shown, shown.jointProperty().get()));
    }
    shownPage = page;
    chain.show(
        shown == null ? ChainPage.ofNothing() : ChainPage.of(shown.answer()),
        shown == null ? null : shown.jointProperty().get());
    dim();
    if (page == null || !page.saysItself()) {
      line.show(shown);
    }
    responses.show(page == null ? shown : null);
  }

  /** Brings a view into the window; what it wrote anew comes part by part. */
  private void open(Node view) {
    if (middle.getChildren().equals(List.of(view))) {
      return;
    }
    middle.getChildren().forEach(before -> Shown.of(before).set(false));
    Shown.of(view).set(true);
    // What a view showed last goes with the view.
    if (view.getProperties().put(Answer.class, shown.answer()) != shown.answer()) {
      Unrolling.begin(view, pulses);
    }
    middle.getChildren().setAll(view);
  }

  /** An answer that is being computed anew is dimmed, unless that takes but a moment. */
  private void dim() {
    boolean busy = shown != null && shown.busyProperty().get() && shown.answer() != null;
    Joint joint = shown == null ? null : shown.jointProperty().get();
    boolean own = joint == Joint.RECORDS || joint == Joint.LAYOUT;
    if (busy && !own) {
      dimming.playFromStart();
    } else {
      dimming.stop();
      stale.setVisible(false);
    }
  }

  private Node view(Page page) {
    if (page instanceof Page.Opening opening) {
      return new OpeningView(opening.source(), workbench::leavePage);
    }
    if (page instanceof Page.Coming coming) {
      VBox box = new VBox(Texts.line("Opening " + coming.name(), "joint-title"));
      box.setId("coming");
      box.getStyleClass().addAll("joint", "welcome");
      line.say("Waiting", "It is being read.");
      return box;
    }
    if (page instanceof Page.Naming naming) {
      return new NewNamesView(workbench, naming);
    }
    if (page instanceof Page.Inquiries) {
      return new InquiriesView(workbench, words -> line.say("Study", words));
    }
    if (page instanceof Page.Beside two) {
      return new BesideView(workbench, two.left(), two.right());
    }
    if (page instanceof Page.Typing typing) {
      return new TypingView(
          typing.source(), table -> typed(typing.source(), table), workbench::leavePage);
    }
    if (page instanceof Page.Planning planning) {
      return new PlanView(workbench, planning.plan(), words -> line.say("Plan", words));
    }
    if (page instanceof Page.Setting) {
      return new SettingsView(workbench);
    }
    if (page instanceof Page.Reading reading) {
      if (manual == null) {
        manual = new ManualView(workbench::leavePage);
      }
      manual.open(reading.topic());
      return manual; // Its contents stay where they were.
    }
    if (page instanceof Page.Proving) {
      return new ProofView(
          workbench.settingsProperty().get().paper(), words -> line.say("Proof", words));
    }
    if (reckoner == null) {
      reckoner = new ReckonerView(workbench, words -> line.say("Reckoner", words));
    }
    if (page instanceof Page.Reckoning one && one.kept() != null) {
      // Once it is in the window, where it says what stands in it.
      pulses.add(List.of(() -> reckoner.bringBack(one.kept())));
    }
    return reckoner; // What was typed there stays.
  }

  private void typed(TableSource source, Table table) {
    if (source == null) {
      workbench.put(table, "type " + table.name());
    } else {
      source.replace(table);
      workbench.leavePage();
    }
  }

  private VBox welcome() {
    Label title = Texts.line("What did you measure?", "joint-title");
    Label words =
        Texts.wrapped(
            "Drop a file of records here, or open one: .csv, .tsv, .txt, .xlsx or .ods, with a row"
                + " for each unit and a column for each thing you know of it. Cells copied from a"
                + " spreadsheet can be pasted.",
            "prose");
    FlowPane ways =
        new FlowPane(
            new GoButton("welcome-open", "Open records \u2026", menu::open),
            new GoButton(
                "welcome-type", "Type them in", () -> workbench.show(new Page.Typing(null))),
            new GoButton("welcome-paste", "Paste them", menu::paste),
            new GoButton("welcome-plan", "Plan a trial", menu::plan),
            new GoButton(
                "welcome-reckon",
                "Reckon without records",
                () -> workbench.show(new Page.Reckoning(null))),
            new GoButton(
                "welcome-demo",
                "Open the demo study",
                () -> reading.run(progress -> DemoStudy.read(), workbench::open)));
    ways.getStyleClass().add("ways");
    VBox box = new VBox(title, words, ways);
    for (Recent.Entry recent : keeper.recent().entries()) {
      GoButton again =
          new GoButton(
              "", "Open " + recent.file().getFileName(), () -> workbench.open(recent.file()));
      box.getChildren().add(again);
      if (!recent.finding().isEmpty()) {
        box.getChildren().add(Texts.wrapped(recent.finding(), "joint-line"));
      }
    }
    box.setId("welcome");
    box.getStyleClass().addAll("joint", "welcome");
    return box;
  }

  /** Saves, asking for a name where there is none. */
  void save(Runnable then) {
    menu.save(then);
  }

  private boolean opens(Joint joint) {
    return shown != null && ChainPage.of(shown.answer()).links().get(joint.ordinal()).opens();
  }

  private void askAgain() {
    find(CHANGED, "", moves.again());
  }

  private void go(Joint joint) {
    if (opens(joint)) {
      workbench.leavePage();
      shown.jointProperty().set(joint);
    }
  }

  /** Cells are pasted as new records where nobody else took them. */
  private void paste(KeyEvent event) {
    if (event.isShortcutDown()) {
      byKey(event)
          .filter(m -> m.id().equals(PASTE))
          .ifPresent(
              move -> {
                move.run();
                event.consume();
              });
    }
  }

  private Optional<Move> byKey(KeyEvent event) {
    return moves.ofStudy().stream()
        .filter(m -> !m.keys().isEmpty() && KeyCombination.valueOf(m.keys()).match(event))
        .findFirst();
  }

  /** What can be done at this joint, and what its terms mean. */
  /** The page of the manual about what is in front. */
  private void explain() {
    Page page = workbench.pageProperty().get();
    workbench.show(
        new Page.Reading(page == null ? Reading.about(shown) : Reading.about(page, shown)));
  }

  /** Opens the finder over the window. */
  private void find(String prompt, String typed, List<Move> among) {
    Node before = getScene().getFocusOwner();
    FindView find =
        new FindView(
            among,
            prompt,
            typed,
            recent,
            move -> {
              recent.remove(move.id());
              recent.add(0, move.id());
              if (recent.size() > MOST_RECENT) {
                recent.remove(MOST_RECENT);
              }
              leaveFinder(before);
              move.run();
            },
            () -> leaveFinder(before));
    centre.getChildren().removeIf(FindView.class::isInstance);
    centre.getChildren().add(find);
    find.begin();
  }

  private void leaveFinder(Node before) {
    centre.getChildren().removeIf(FindView.class::isInstance);
    if (before != null && before.getScene() == getScene()) {
      before.requestFocus();
    }
  }

  /** Goes to a joint, and to a control there as soon as it is shown; a menu or chooser opens. */
  private void showPlace(Joint joint, String id) {
    go(joint);
    if (!id.isEmpty()) {
      Places.show(this, id, () -> line.say("Find", "This inquiry leaves no room for that."));
    }
  }

  private void once(KeyEvent event) {
    boolean repeated = !down.add(event.getCode());
    if (repeated && event.isShortcutDown() && CREATING.contains(event.getCode())) {
      event.consume();
    }
  }

  private void key(KeyEvent event) {
    if (event.isConsumed()) {
      return; // Held down, and acted upon already.
    }
    boolean writing = event.getTarget() instanceof TextInputControl;
    Optional<Move> move = event.isShortcutDown() ? byKey(event) : Optional.empty();
    if (move.filter(m -> m.id().equals(PASTE)).isPresent()) {
      return; // Sheets and fields paste for themselves: it is heard when they leave it.
    }
    if (writing && move.filter(m -> OF_TEXT_TOO.contains(m.id())).isPresent()) {
      return;
    }
    if (FIND.match(event)) {
      find(ANYTHING, "", moves.all());
    } else if (KEYS.match(event)) {
      find(ANYTHING, "", moves.all().stream().filter(m -> !m.keys().isEmpty()).toList());
    } else if (event.getCode() == KeyCode.F1) {
      explain();
    } else if (REDO_TOO.match(event)) {
      workbench.history().redo();
    } else if (move.isPresent()) {
      move.get().run();
    } else if (shown != null && NEXT_RESPONSE.match(event)) {
      shown.showResponse(shown.shownResponseProperty().get() + 1);
    } else if (shown != null && LAST_RESPONSE.match(event)) {
      shown.showResponse(shown.shownResponseProperty().get() - 1);
    } else if (event.isShortcutDown() && event.getCode().isDigitKey()) {
      int number = event.getCode().getName().charAt(event.getCode().getName().length() - 1) - '1';
      if (number >= 0 && number < Joint.values().length) {
        go(Joint.values()[number]);
      }
    } else {
      return;
    }
    event.consume();
  }
}
