package app.knuckle.figures.plan;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import java.awt.geom.Rectangle2D;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlanPictureTest {

  private static Plan plan(String layout) {
    return PlanFile.read(
        """
        {"knuckle": "plan", "name": "A trial with a name that is longer than its plots are wide",
         "treatments": {"mesh": ["fine", "a mesh with a name that no plot holds in one line"],
                        "density": ["60", "120"]},
         "layout": "LAYOUT", "wholePlots": ["mesh"], "strips": ["mesh"], "occasions": ["density"],
         "replicates": 3, "blockSize": 2, "measured": [{"name": "growth", "sd": 1}]}
        """
            .replace("LAYOUT", layout),
        1);
  }

  private static List<Mark.Label> labels(Scene scene) {
    return scene.marks().stream()
        .filter(Mark.Label.class::isInstance)
        .map(Mark.Label.class::cast)
        .toList();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "completely-randomised",
        "complete-blocks",
        "latin-square",
        "incomplete-blocks",
        "split-plot",
        "split-block",
        "repeated"
      })
  void everyPlotStandsOnThePicturesGroundApartFromTheOthers(String layout) {
    Plan plan = plan(layout);
    Arrangement arrangement = Arrangement.of(plan);
    Scene scene = PlanPicture.of(plan, arrangement);
    Rectangle2D ground = new Rectangle2D.Double(0, 0, scene.width(), scene.height());
    assertThat(scene.marks()).allMatch(mark -> ground.contains(mark.box()));
    for (Arrangement.Plot plot : arrangement.plots()) {
      assertThat(labels(scene))
          .filteredOn(label -> label.text().equals(String.valueOf(plot.number())))
          .isNotEmpty();
    }
    List<Mark.Label> labels = labels(scene);
    for (int i = 0; i < labels.size(); i++) {
      for (int j = 0; j < i; j++) {
        Rectangle2D both = labels.get(i).box().createIntersection(labels.get(j).box());
        // Lines of text touch, they do not lie on each other.
        assertThat(both.getWidth() > 0.5 && both.getHeight() > 0.5)
            .as(labels.get(i).text() + " on " + labels.get(j).text())
            .isFalse();
      }
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"complete-blocks", "split-plot"})
  void aLabelForEveryPlot(String layout) {
    Plan plan = plan(layout);
    Arrangement arrangement = Arrangement.of(plan);
    List<Scene> sheets = LabelSheet.of(plan, arrangement, 595, 842);
    assertThat(sheets).hasSize(1);
    assertThat(labels(sheets.get(0)))
        .extracting(Mark.Label::text)
        .contains("1", "12", "density: 60", "block 3");
    Rectangle2D paper = new Rectangle2D.Double(0, 0, 595, 842);
    assertThat(sheets.get(0).marks()).allMatch(mark -> paper.contains(mark.box()));
  }
}
