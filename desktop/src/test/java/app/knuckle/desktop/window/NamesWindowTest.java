package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.plan.Plan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Whatever takes the keyboard has a name and a role for who does not see it. */
@ExtendWith(ApplicationExtension.class)
class NamesWindowTest {

  private Workbench workbench;
  private Stage stage;

  @Start
  void start(Stage shown) {
    stage = shown;
    workbench = Driver.showDemo(stage);
  }

  private static void walk(Node node, List<Node> found) {
    if (!node.isVisible()) {
      return;
    }
    if (node.isFocusTraversable() && !node.isDisabled()) {
      found.add(node);
    }
    if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(child -> walk(child, found));
    }
  }

  /** What a reader of the screen says: the name that was given, else the words on it. */
  private static String name(Node node) {
    if (node.getAccessibleText() != null) {
      return node.getAccessibleText();
    }
    if (node instanceof Labeled labeled) {
      return labeled.getText() == null ? "" : labeled.getText();
    }
    if (node instanceof TextInputControl text) {
      return text.getPromptText() == null ? "" : text.getPromptText();
    }
    Object said = node.queryAccessibleAttribute(AccessibleAttribute.TEXT);
    return said == null || node instanceof ComboBoxBase<?> ? "" : said.toString();
  }

  private void nameless(String where, TreeSet<String> all) {
    List<Node> found = new ArrayList<>();
    WaitForAsyncUtils.waitForFxEvents();
    until(() -> Pulses.waiting() == 0);
    walk(stage.getScene().getRoot(), found);
    for (Node node : found) {
      boolean scrolls = node instanceof ScrollPane || node instanceof ScrollBar;
      boolean roleless =
          node.getAccessibleRole() == null
              || node.getAccessibleRole() == AccessibleRole.NODE
              || node.getAccessibleRole() == AccessibleRole.PARENT;
      boolean part = node.getParent() instanceof ComboBoxBase<?>;
      if (!scrolls && !part && (name(node).isBlank() || roleless)) {
        all.add(
            where
                + ": "
                + node.getClass().getSimpleName()
                + " #"
                + node.getId()
                + " "
                + node.getStyleClass()
                + (roleless ? " without a role" : " without a name"));
      }
    }
  }

  @Test
  void everyJointAndPageNamesWhatTakesTheKeyboard(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    TreeSet<String> all = new TreeSet<>();
    for (Joint joint : Joint.values()) {
      robot.interact(() -> workbench.currentProperty().get().jointProperty().set(joint));
      nameless(joint.title(), all);
    }
    robot.interact(() -> workbench.plans().add(plan()));
    for (Page page :
        List.of(
            new Page.Inquiries(),
            new Page.Reckoning(null),
            new Page.Setting(),
            new Page.Reading(Topic.TUKEY),
            new Page.Typing(null),
            new Page.Planning(workbench.plans().all().get(0)))) {
      robot.interact(() -> workbench.show(page));
      nameless(page.getClass().getSimpleName(), all);
    }
    assertThat(all).isEmpty();
  }

  private static Plan plan() {
    return new Plan(
        "p",
        1,
        Map.of("mesh", List.of("fine", "coarse")),
        List.of(),
        Plan.Layout.COMPLETELY_RANDOMISED,
        new Plan.Size(4, 0, 1, Map.of()),
        new Plan.Roles(List.of(), List.of(), List.of(), "", ""),
        new Plan.Field(0, 0, false),
        List.of(new Plan.Measured("growth", "mm", 14, 1, 0, 0, Map.of(), 0, null)),
        List.of(),
        null,
        0);
  }
}
