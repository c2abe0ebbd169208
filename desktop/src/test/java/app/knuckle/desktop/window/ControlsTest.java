package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.registry.Controls;
import app.knuckle.desktop.registry.Moves;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.TextInputControl;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Every control of every joint can be found by its name, and every name leads to a control. */
@ExtendWith(ApplicationExtension.class)
class ControlsTest {

  /** About one row, level, step, term, pair or block of a page: found by what it is about. */
  private static final Pattern OF_ONE_THING =
      Pattern.compile(
          "(weigh|row|term|pair|kept-out|copy|write|fix|show|change-step|column-kind|column-order"
              + "|ready|trend|up|down|back|bracket-pair)-.*");

  /** The others of some side by side, of which the first is found. */
  private static final Pattern FURTHER = Pattern.compile(".*-[1-9]\\d*");

  /** Slots of the sentence are found by the parts that they are of, or by their columns. */
  private static final Pattern SLOT = Pattern.compile("(slot|add|plain|asked)-.*");

  /** Inquiries that between them have every kind of control. */
  private static final Set<String> LOOKED_AT =
      Set.of(
          "Clearance by feed",
          "\u2026 adjusted for start length",
          "Pumping by silt, with its trend",
          "Shape and meat by strain",
          "Growth, coves at random",
          "What goes with what");

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.show(new Stage());
    workbench.open(DemoStudy.read());
  }

  private static void collect(Node node, Set<String> ids) {
    boolean control =
        node instanceof ButtonBase
            || node instanceof ComboBoxBase
            || node instanceof TextInputControl;
    if (control && node.getId() != null) {
      ids.add(node.getId());
    }
    if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(child -> collect(child, ids));
    }
  }

  @Test
  void everyControlIsFoundByItsName(FxRobot robot) {
    Set<String> known = new HashSet<>();
    Controls.all().forEach(control -> known.add(control.joint() + " " + control.id()));
    Set<String> there = new TreeSet<>();
    for (SlipViewModel slip : List.copyOf(workbench.slips())) {
      if (!LOOKED_AT.contains(slip.inquiry().name())) {
        continue;
      }
      robot.interact(() -> workbench.currentProperty().set(slip));
      until(() -> slip.answer() != null);
      for (Joint joint : Joint.values()) {
        robot.interact(() -> slip.jointProperty().set(joint));
        until(() -> !slip.busyProperty().get());
        Set<String> ids = new TreeSet<>();
        robot.interact(() -> collect(robot.lookup(".middle > *").query(), ids));
        ids.forEach(id -> there.add(joint + " " + id));
      }
    }
    Set<String> moves = moves(robot);
    List<String> unknown = new ArrayList<>();
    for (String control : there) {
      String id = control.substring(control.indexOf(' ') + 1);
      boolean otherwise =
          OF_ONE_THING.matcher(id).matches()
              || FURTHER.matcher(id).matches()
              || SLOT.matcher(id).matches()
              || moves.contains(id);
      if (!known.contains(control) && !otherwise) {
        unknown.add(control);
      }
    }
    assertThat(unknown).as("controls that cannot be found").isEmpty();
    known.removeAll(there);
    assertThat(known).as("names that lead nowhere").isEmpty();
  }

  private Set<String> moves(FxRobot robot) {
    Set<String> ids = new HashSet<>();
    robot.interact(
        () ->
            new Moves(
                    workbench,
                    new StudyMenu(workbench, Driver.keeper(workbench)),
                    () -> {},
                    joint -> true,
                    (joint, at) -> {})
                .all()
                .forEach(move -> ids.add(move.id())));
    return ids;
  }
}
