package app.knuckle.desktop.window;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.Painted;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.keeping.StateFolder;
import app.knuckle.desktop.settings.Looks;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.TableSource;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.figures.scene.FontFiles;
import app.knuckle.formats.keeping.Settings;
import app.knuckle.formats.keeping.SettingsFile;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Rectangle2D;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.text.Font;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.util.Duration;

/** The application's window. */
public final class KnuckleApp extends Application {

  private static final double WIDTH = 1280;
  private static final double HEIGHT = 800;

  /** What the window holds fits into this: a screen of 1024x768 less a frame. */
  private static final double NARROWEST = 1000;

  private static final double LOWEST = 690;

  /** After so long the first painting has been done. */
  private static final Duration PAINTED = Duration.millis(500);

  private static final String FONTS = "/app/knuckle/figures/fonts/";
  private static final List<String> FACES =
      List.of(
          "IBMPlexSans_400Regular.ttf",
          "IBMPlexSans_500Medium.ttf",
          "IBMPlexSans_600SemiBold.ttf",
          "IBMPlexSans_700Bold.ttf",
          "SourceSerif4_400Regular.ttf",
          "SourceSerif4_600SemiBold.ttf");
  private static final int[] ICONS = {16, 32, 48, 128};

  /** What to open, handed from the command line to the instance that the toolkit makes. */
  private static Supplier<Study> study;

  private static String name;

  private static Path file;

  private static SettingsFile.Read settings = new SettingsFile.Read(Settings.USUAL, "");

  private final Lane looking = Lane.ofLatest();

  /**
   * Opens the window and returns when it is closed.
   *
   * @param records a file of records, or of a study; null for none
   */
  public static void open(Path records) {
    file = records;
    open();
  }

  /**
   * Opens the window with a study and returns when it is closed.
   *
   * @param what it is called while it is read
   * @param toOpen makes it; asked once the window stands
   */
  public static void open(String what, Supplier<Study> toOpen) {
    study = toOpen;
    name = what;
    open();
  }

  private static void open() {
    StateFolder.make(StateFolder.path());
    settings = SettingsFile.read(StateFolder.path());
    Looks.size(settings.settings().textSize());
    launch(KnuckleApp.class);
  }

  /**
   * The window stands at once, in its own ground and bands; what it holds takes its place when that
   * has been painted.
   */
  @Override
  public void start(Stage stage) {
    Workbench workbench = workbench();
    workbench.settingsProperty().set(settings.settings());
    Faults.watch(workbench);
    stage.setTitle("Knuckle");
    stage.setScene(dressed(outline(), workbench));
    size(stage);
    stage.show();
    // A window manager may place the window in a size of its own first: what was asked for before
    // it did so is lost.
    Platform.runLater(() -> size(stage));
    Painted.then(stage.getScene(), () -> fill(stage, workbench));
  }

  private static void size(Stage stage) {
    Rectangle2D screen = Screen.getPrimary().getVisualBounds();
    stage.setWidth(Math.min(WIDTH, screen.getWidth()));
    stage.setHeight(Math.min(HEIGHT, screen.getHeight()));
  }

  /** No smaller than what the window holds and its frame, whose size is known once it stands. */
  private static void limit(Stage stage) {
    Rectangle2D screen = Screen.getPrimary().getVisualBounds();
    double across = Math.max(0, stage.getWidth() - stage.getScene().getWidth());
    double down = Math.max(0, stage.getHeight() - stage.getScene().getHeight());
    stage.setMinWidth(Math.min(NARROWEST + across, screen.getWidth()));
    stage.setMinHeight(Math.min(LOWEST + down, screen.getHeight()));
  }

  /** The frame too: a window manager may centre the window as if it had none. */
  private static void bringOntoTheScreen(Stage stage) {
    Rectangle2D screen = Screen.getPrimary().getVisualBounds();
    stage.setX(inside(stage.getX(), stage.getWidth(), screen.getMinX(), screen.getMaxX()));
    stage.setY(inside(stage.getY(), stage.getHeight(), screen.getMinY(), screen.getMaxY()));
  }

  private static double inside(double at, double size, double low, double high) {
    return Math.max(low, Math.min(at, high - size));
  }

  private static Parent outline() {
    BorderPane outline = new BorderPane();
    outline.setTop(band("slips-bar"));
    outline.setLeft(band("chain"));
    outline.setBottom(band("finding-line"));
    return outline;
  }

  private static Region band(String style) {
    Region band = new Region();
    band.getStyleClass().add(style);
    return band;
  }

  private void fill(Stage stage, Workbench workbench) {
    limit(stage);
    bringOntoTheScreen(stage);
    CompletableFuture<Study> coming = study == null ? null : CompletableFuture.supplyAsync(study);
    Keeper keeper = new Keeper(workbench);
    for (int size : ICONS) {
      stage.getIcons().add(new Image(KnuckleApp.class.getResourceAsStream(icon(size))));
    }
    if (coming != null) {
      workbench.show(new Page.Coming(name));
    }
    FACES.forEach(KnuckleApp::load);
    stage.getScene().setRoot(new ShellView(workbench, keeper));
    SettingsFile.Read read = settings;
    if (!read.notice().isEmpty()) {
      workbench.bannerProperty().set(new Banner(read.notice(), true, List.of()));
    }
    if (file != null) {
      workbench.open(file);
    } else if (coming == null && read.settings().openLast()) {
      keeper.recent().entries().stream().findFirst().ifPresent(e -> workbench.open(e.file()));
    }
    keeper.startJournal();
    // An interrupt, a term signal, a lost display: the journal is written before the end.
    Thread last = new Thread(keeper::endAbruptly, "last words");
    Runtime.getRuntime().addShutdownHook(last);
    if (coming == null) {
      practiseAfterAnswer(workbench.currentProperty().get());
    } else {
      Painted.then(
          stage.getScene(),
          () -> coming.thenAcceptAsync(arrived -> take(arrived, workbench), Platform::runLater));
    }
    stage.setOnCloseRequest(
        event -> {
          if (keeper.unsavedProperty().get()) {
            event.consume();
            askToSave(stage, workbench, keeper);
          } else {
            keeper.end();
          }
        });
    stage.focusedProperty().addListener((o, before, now) -> noticeChangedFiles(now, workbench));
  }

  /**
   * Opens a study that was read meanwhile. A page that its user has turned to stays; other records
   * that were opened, or a plan that was begun, are not put aside unasked.
   */
  static void take(Study read, Workbench workbench) {
    Page page = workbench.pageProperty().get();
    boolean begun =
        !workbench.slips().isEmpty()
            || !workbench.plans().all().isEmpty()
            || !workbench.reckonings().all().isEmpty()
            || page instanceof Page.Opening
            || page instanceof Page.Typing;
    if (begun) {
      workbench
          .bannerProperty()
          .set(
              new Banner(
                  read.name() + " has been read. It is opened in place of what is open here.",
                  false,
                  List.of(new Banner.Way("Open it", () -> workbench.keeping().open(read)))));
      return;
    }
    workbench.open(read);
    if (page != null && !(page instanceof Page.Coming)) {
      workbench.show(page);
    }
    practiseAfterAnswer(workbench.currentProperty().get());
  }

  /** The first answer is waited for: nothing may take the processor from it. */
  private static void practiseAfterAnswer(SlipViewModel first) {
    if (first == null || first.answer() != null) {
      // Not before the window has been painted: the processor is needed for that.
      PauseTransition painted = new PauseTransition(PAINTED);
      painted.setOnFinished(event -> practise());
      painted.play();
      return;
    }
    first
        .answerProperty()
        .addListener(
            new ChangeListener<Answer>() {
              @Override
              public void changed(ObservableValue<? extends Answer> o, Answer before, Answer now) {
                first.answerProperty().removeListener(this);
                practise();
              }
            });
  }

  /** Makes what is made for the first time now, unseen, while nobody waits for it. */
  public static void practise() {
    Practice.begin();
  }

  private static void askToSave(Stage stage, Workbench workbench, Keeper keeper) {
    Runnable end =
        () -> {
          keeper.end();
          stage.close();
        };
    ShellView shell = (ShellView) stage.getScene().getRoot();
    workbench
        .bannerProperty()
        .set(
            new Banner(
                "The study has changes that are not saved.",
                false,
                List.of(
                    new Banner.Way("Save and close", () -> shell.save(end)),
                    new Banner.Way("Close without saving", end))));
  }

  /** Someone may have changed a file of records in a spreadsheet and come back. */
  private void noticeChangedFiles(boolean focused, Workbench workbench) {
    if (!focused) {
      return;
    }
    List<TableSource> sources =
        workbench.slips().stream().map(SlipViewModel::source).distinct().toList();
    looking.run(
        progress -> sources.stream().filter(TableSource::changedOnDisk).findFirst(),
        changed -> changed.ifPresent(source -> offerToRead(source, workbench)));
  }

  private static void offerToRead(TableSource source, Workbench workbench) {
    workbench
        .bannerProperty()
        .set(
            new Banner(
                "The file of " + source.name() + " has changed on disk.",
                false,
                List.of(new Banner.Way("Read it again", source::refresh))));
  }

  /** An empty workbench whose answers come with their pages already made. */
  public static Workbench workbench() {
    return new Workbench(Joints::prepare);
  }

  /**
   * The scene of a workbench, in the product's looks.
   *
   * @param workbench what is open
   * @param keeper who saves it
   * @return the scene
   */
  public static Scene scene(Workbench workbench, Keeper keeper) {
    FACES.forEach(KnuckleApp::load);
    return dressed(new ShellView(workbench, keeper), workbench);
  }

  private static Scene dressed(Parent root, Workbench workbench) {
    Scene scene = new Scene(root, WIDTH, HEIGHT);
    Looks.give(scene, workbench.settingsProperty().get().appearance());
    FileDialogs.shown().startIn(workbench.settingsProperty().get().folder());
    workbench
        .settingsProperty()
        .addListener(
            (o, before, now) -> {
              FileDialogs.shown().startIn(now.folder());
              if (before.appearance() != now.appearance()) {
                Looks.give(scene, now.appearance());
              }
            });
    return scene;
  }

  /** A scene of the window's size, in its sheets of styles. */
  static Scene styled(Parent root) {
    Scene scene = new Scene(root, WIDTH, HEIGHT);
    Looks.give(scene, Settings.Appearance.LIGHT);
    return scene;
  }

  private static String icon(int size) {
    return "/app/knuckle/desktop/icons/knuckle-" + size + ".png";
  }

  private static void load(String face) {
    Optional<Path> file = FontFiles.of(face);
    if (file.isPresent()) {
      Font.loadFont(file.get().toUri().toString(), 12);
      return;
    }
    try (InputStream in = KnuckleApp.class.getResourceAsStream(FONTS + face)) {
      Font.loadFont(in, 12);
    } catch (IOException e) {
      throw new UncheckedIOException("A shipped font cannot be read: " + face, e);
    }
  }
}
