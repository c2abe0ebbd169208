package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.design.Redesign;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/**
 * A view that keeps what has not changed says, whatever was asked before, what a view says that is
 * made for the question as it is now.
 */
@ExtendWith(ApplicationExtension.class)
class KeptSectionsTest {

  private Workbench workbench;

  /** A window with the view that is made anew; views come into it part by part too. */
  private Stage beside;

  @Start
  void start(Stage stage) {
    workbench = Driver.show(new Stage());
    workbench.open(DemoStudy.read());
    beside = new Stage();
    beside.setScene(new Scene(new Pane()));
    beside.show();
  }

  private static final List<UnaryOperator<Inquiry>> CHANGES =
      List.of(
          i -> compared(i, Procedure.HOLM),
          i -> i.at(0.2),
          i -> i.at(0.001),
          i -> Redesign.of(i, d -> d.clear(Part.BLOCK)),
          i -> Redesign.of(i, d -> d.give(Part.TREATMENT, d.treatments().subList(0, 1))),
          i -> Redesign.of(i, d -> d.approach = Approach.RANKS),
          i -> Redesign.of(i, d -> d.approach = Approach.LEAST_SQUARES),
          i -> i.after(List.of()),
          i -> Redesign.of(i, d -> d.clear(Part.TREATMENT)));

  private static Inquiry compared(Inquiry inquiry, Procedure procedure) {
    return inquiry.but(
        d -> d.compare = List.of(Compare.pairs(List.of(d.treatments().get(0)), procedure)));
  }

  @ParameterizedTest
  @EnumSource(
      value = Joint.class,
      names = {"RECORDS", "LAYOUT", "LOOK", "FOOTING", "TEST", "COMPARE"})
  void aKeptViewSaysWhatANewOneSays(Joint joint, FxRobot robot) {
    for (int s = 0; s < 2; s++) {
      SlipViewModel slip = workbench.slips().get(s);
      robot.interact(() -> workbench.currentProperty().set(slip));
      robot.interact(() -> slip.jointProperty().set(joint));
      until(() -> slip.answer() != null && !slip.busyProperty().get());
      Inquiry first = slip.inquiry();
      for (int c = 0; c <= CHANGES.size(); c++) {
        Inquiry asked = c < CHANGES.size() ? CHANGES.get(c).apply(slip.inquiry()) : first;
        robot.interact(() -> slip.inquiryProperty().set(asked));
        until(() -> answered(slip, asked));
        if (!slip.answer().isTested()) {
          continue; // Joints of a question that is refused are shut.
        }
        robot.interact(
            () ->
                beside.setScene(
                    new Scene((Parent) Joints.of(joint).view().apply(slip), 1000, 700)));
        try {
          until(() -> said(robot, ".middle > *").equals(saidBeside(robot)));
        } catch (AssertionError e) {
          assertThat(said(robot, ".middle > *"))
              .as("%s after change %d", joint, c)
              .isEqualTo(saidBeside(robot));
        }
      }
    }
  }

  private static boolean answered(SlipViewModel slip, Inquiry asked) {
    return !slip.busyProperty().get()
        && slip.inquiry().equals(asked)
        && (slip.answer().findings() == null || slip.answer().findings().inquiry().equals(asked));
  }

  private static List<String> said(FxRobot robot, String query) {
    List<String> words = new ArrayList<>();
    robot.interact(() -> said(robot.lookup(query).query(), words));
    return words;
  }

  private List<String> saidBeside(FxRobot robot) {
    List<String> words = new ArrayList<>();
    robot.interact(() -> said(beside.getScene().getRoot(), words));
    return words;
  }

  /** The words of what is shown, from top to bottom. */
  private static void said(Node node, List<String> words) {
    if (!node.isVisible()) {
      return;
    }
    if (node instanceof Labeled labeled && !labeled.getText().isEmpty()) {
      words.add(labeled.getText());
    } else if (node instanceof TextInputControl field) {
      words.add(field.getText());
    }
    if (node instanceof ScrollPane scroll && scroll.getContent() != null) {
      said(scroll.getContent(), words); // Before it has a skin, it has no children.
    } else if (node instanceof Parent parent && !(node instanceof Labeled)) {
      parent.getChildrenUnmodifiable().forEach(child -> said(child, words));
    }
  }
}
