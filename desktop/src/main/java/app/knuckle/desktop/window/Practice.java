package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.controls.Unrolling;
import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.keeping.Study;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.skin.CheckBoxSkin;
import javafx.scene.control.skin.ComboBoxListViewSkin;
import javafx.scene.control.skin.MenuButtonSkin;
import javafx.scene.control.skin.ScrollPaneSkin;
import javafx.scene.control.skin.SliderSkin;
import javafx.scene.control.skin.TextFieldSkin;
import javafx.scene.control.skin.TitledPaneSkin;
import javafx.scene.control.skin.ToggleButtonSkin;
import javafx.scene.layout.StackPane;

/**
 * Makes every joint's view once, unseen, while the user looks at the first page. What a machine
 * does for the first time takes it many times as long as later: loading classes, linking and
 * compiling them. Views are made on a thread of their own; only the window's thread may style and
 * lay them out, and does so in parts too small to be felt.
 */
final class Practice {

  /** One question of one treatment, and one of two; more of them show nothing new. */
  private static final int ENOUGH = 2;

  private Practice() {}

  /** Begins; the window goes on at once. */
  static void begin() {
    Thread thread = new Thread(Practice::all, "practice");
    thread.setDaemon(true);
    thread.setPriority(Thread.MIN_PRIORITY);
    // Nothing depends on it: a failure costs a moment later on, and must not disturb anybody.
    thread.setUncaughtExceptionHandler((t, failure) -> {});
    thread.start();
  }

  private static void all() {
    try {
      Study demo = DemoStudy.read();
      Study study = new Study(demo.name(), demo.tables(), demo.asked().subList(0, ENOUGH));
      study.equals(DemoStudy.read());
      dressControls();
      List<Node> views = makeViews(answered(study));
      Platform.runLater(() -> lay(views));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Every kind of control is made once with its skin. */
  private static void dressControls() {
    new TextFieldSkin(new TextField());
    new ComboBoxListViewSkin<>(new ComboBox<>());
    new MenuButtonSkin(new MenuButton());
    new CheckBoxSkin(new CheckBox());
    new ToggleButtonSkin(new ToggleButton());
    new SliderSkin(new Slider());
    new TitledPaneSkin(new TitledPane());
    new ScrollPaneSkin(new ScrollPane());
  }

  /** A workbench of its own, which nobody else touches once its slips are answered. */
  static Workbench answered(Study study) throws InterruptedException {
    Workbench bench = new Workbench();
    CountDownLatch answers = new CountDownLatch(study.asked().size());
    Platform.runLater(
        () -> {
          bench.open(study);
          bench.slips().forEach(slip -> slip.answerProperty().addListener(once(answers)));
        });
    answers.await();
    return bench;
  }

  private static ChangeListener<Answer> once(CountDownLatch answers) {
    return (o, before, now) -> {
      if (before == null) {
        answers.countDown();
      }
    };
  }

  /** Makes the views of all joints of all slips. */
  static List<Node> makeViews(Workbench bench) {
    return bench.slips().stream()
        .limit(ENOUGH)
        .flatMap(
            slip -> Arrays.stream(Joint.values()).map(joint -> Joints.of(joint).view().apply(slip)))
        .toList();
  }

  /** Styles them and lays them out, unseen, a few parts at a time. */
  private static void lay(List<Node> views) {
    StackPane desk = new StackPane();
    KnuckleApp.styled(desk);
    Pulses pulses = new Pulses();
    for (Node view : views) {
      pulses.add(List.of(() -> desk.getChildren().setAll(view)));
      for (Runnable piece : Unrolling.pieces(view)) {
        pulses.add(
            List.of(
                () -> {
                  piece.run();
                  desk.applyCss();
                  desk.layout();
                }));
      }
    }
  }
}
