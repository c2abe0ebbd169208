package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.prep.Calculate;
import app.knuckle.study.prep.Keep;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.Order;
import app.knuckle.study.prep.Relabel;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.Spread;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Every kind of step, made in its editor. */
@ExtendWith(ApplicationExtension.class)
class StepEditorsWindowTest {

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) throws IOException {
    System.setProperty("knuckle.state", folder.resolve("state").toString());
    workbench = Driver.show(stage);
    Path file =
        Files.writeString(
            folder.resolve("bags.csv"),
            """
            bag,mesh,day_0,day_7,tag
            b1,fine,1.5,4.5,1
            b2,Fine,2.5,4.1,2
            b3,wide,3.5,9.2,1
            b4,fine,1.7,-99,2
            b5,wide,3.1,8.8,1
            """);
    workbench.open(file);
  }

  private void begin(FxRobot robot, String kind) {
    until(
        () ->
            isThere(robot, "add-step") && !workbench.currentProperty().get().busyProperty().get());
    MenuButton add = robot.lookup("#add-step").queryAs(MenuButton.class);
    MenuItem item =
        add.getItems().stream().filter(i -> i.getId().equals("add-" + kind)).findFirst().get();
    robot.interact(item::fire);
    until(() -> isThere(robot, "step-editor"));
  }

  private static void pick(FxRobot robot, String field, String value) {
    ComboBox<String> box = robot.lookup("#step-" + field).queryComboBox();
    assertThat(box.getItems()).contains(value);
    robot.interact(() -> box.setValue(value));
  }

  private static void tick(FxRobot robot, String field, String value) {
    CheckBox box =
        robot
            .from(robot.lookup("#step-" + field).<javafx.scene.Node>query())
            .lookup((CheckBox b) -> b.getText().equals(value))
            .query();
    robot.interact(box::fire);
  }

  private static void line(FxRobot robot, String field, String value) {
    TextField box = robot.lookup("#step-" + field).queryAs(TextField.class);
    robot.interact(() -> box.setText(value));
  }

  private Step take(FxRobot robot, String effect) {
    untilShown(robot, "step-effect", effect);
    robot.interact(() -> robot.lookup("#take-step").queryAs(ButtonBase.class).fire());
    until(() -> !isThere(robot, "step-editor"));
    List<Step> trail = workbench.study().asked().get(0).inquiry().prepare();
    return trail.get(trail.size() - 1);
  }

  @Test
  void stepsAboutLevelsKnowTheColumnThatIsLookedAt(FxRobot robot) {
    untilShown(robot, "finding", "differs between ‘1’ and ‘2’");
    robot.interact(
        () -> Driver.sheet(robot, "records-table").goTo(new app.knuckle.desktop.sheet.Place(0, 1)));
    begin(robot, "merge");
    ComboBox<String> column = robot.lookup("#step-column").queryComboBox();
    assertThat(column.getValue()).isEqualTo("mesh");
    untilShown(robot, "step-effect", "still to be answered");
    tick(robot, "levels", "Fine");
    line(robot, "into", "fine");
    assertThat(take(robot, "1 cell")).isEqualTo(new Merge("mesh", List.of("Fine"), "fine", false));
    begin(robot, "order");
    robot.interact(() -> robot.lookup("#order-up-1").queryButton().fire());
    assertThat(take(robot, "")).isEqualTo(new Order("mesh", List.of("wide", "fine"), false));
    begin(robot, "relabel");
    line(robot, "labels #pair-0", "10 mm");
    assertThat(take(robot, "2 cells"))
        .isEqualTo(new Relabel("mesh", Map.of("wide", "10 mm"), false));
  }

  @Test
  void stepsAboutValues(FxRobot robot) {
    untilShown(robot, "finding", "differs between ‘1’ and ‘2’");
    begin(robot, "missing");
    line(robot, "values", "-99");
    assertThat(take(robot, "1 cell")).isInstanceOf(Missing.class);
    begin(robot, "calculate");
    line(robot, "column", "gain");
    line(robot, "rule", "[day_7] - [dya_0]");
    untilShown(robot, "step-effect", "dya_0");
    assertThat(robot.lookup("#take-step").queryButton().isDisabled()).isTrue();
    line(robot, "rule", "[day_7] - [day_0]");
    assertThat(take(robot, "1 new column, 1 row has no value there"))
        .isEqualTo(new Calculate("gain", "[day_7] - [day_0]", false));
    begin(robot, "kind");
    pick(robot, "column", "tag");
    pick(robot, "kind", "category");
    assertThat(take(robot, "")).isEqualTo(new Kind("tag", Kind.As.CATEGORY, false));
    begin(robot, "rename");
    pick(robot, "column", "gain");
    line(robot, "to", "growth");
    line(robot, "unit", "mm");
    assertThat(take(robot, "")).isEqualTo(new Rename("gain", "growth", "mm", false));
  }

  @Test
  void stepsAboutShapeAndRows(FxRobot robot) {
    untilShown(robot, "finding", "differs between ‘1’ and ‘2’");
    begin(robot, "stack");
    tick(robot, "columns", "day_0");
    tick(robot, "columns", "day_7");
    line(robot, "names", "day");
    line(robot, "values", "length");
    assertThat(take(robot, "5 rows become 10"))
        .isEqualTo(new Stack(List.of("day_0", "day_7"), "day", "length", false));
    begin(robot, "spread");
    pick(robot, "names", "day");
    pick(robot, "values", "length");
    assertThat(take(robot, "10 rows become 5")).isEqualTo(new Spread("day", "length", false));
    begin(robot, "keep");
    pick(robot, "column", "day_0");
    line(robot, "from", "1.6");
    pick(robot, "column-2", "mesh");
    tick(robot, "is-2", "fine");
    assertThat(take(robot, "out of play"))
        .isEqualTo(
            new Keep(
                List.of(
                    new Keep.Condition("day_0", null, 1.6, null),
                    new Keep.Condition("mesh", List.of("fine"), null, null)),
                false));
    assertThat(text(robot, "effect-4")).contains("out of play");
  }
}
