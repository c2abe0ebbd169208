package app.knuckle.figures;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import java.util.List;

/** What tests ask of every picture. */
public final class Pictures {

  /** Names as people give them, long ones too. */
  public static final List<String> NAMES =
      List.of(
          "fine / 60",
          "x",
          "North channel upper rack, shaded side",
          "\u2212",
          "coarse mesh / 240 a bag");

  private Pictures() {}

  /** The marks of one kind, in order. */
  public static <M extends Mark> List<M> marks(Scene scene, Class<M> kind) {
    return scene.marks().stream().filter(kind::isInstance).map(kind::cast).toList();
  }

  /** Nothing stands out of the page by more than some points, and every place is a number. */
  public static void inside(Scene scene, double slack) {
    for (Mark mark : scene.marks()) {
      assertThat(mark.box().getMinX()).as("%s", mark).isGreaterThan(-slack);
      assertThat(mark.box().getMaxX()).as("%s", mark).isLessThan(scene.width() + slack);
      assertThat(mark.box().getMinY()).as("%s", mark).isGreaterThan(-0.1);
      assertThat(mark.box().getMaxY()).as("%s", mark).isLessThan(scene.height() + 0.1);
    }
  }
}
