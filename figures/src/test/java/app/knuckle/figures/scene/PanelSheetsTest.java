package app.knuckle.figures.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures on sheets. */
class PanelSheetsTest {

  private static Scene picture(double width, double height) {
    return new Scene(
        width, height, List.of(new Mark.Bar(0, 0, width, height, Ink.DARK, null, Mark.NONE)));
  }

  @ParameterizedTest
  @CsvSource({"0,A", "25,Z", "26,AA", "51,AZ", "52,BA", "701,ZZ", "702,AAA"})
  void panelsAreLettered(int place, String letter) {
    assertThat(PanelSheets.letter(place)).isEqualTo(letter);
  }

  @Property(tries = 200)
  void everyPictureStandsOnceInItsSizeAndOverNoOther(
      @ForAll @Size(min = 1, max = 12) List<@DoubleRange(min = 20, max = 700) Double> sizes) {
    double width = 470;
    double height = 600;
    List<Scene> pictures = sizes.stream().map(s -> picture(s, Math.min(580, 720 - s))).toList();
    int placed = 0;
    for (PanelSheets.Sheet sheet : PanelSheets.of(pictures, width, height)) {
      assertThat(sheet.from()).isEqualTo(placed);
      List<Rectangle2D> boxes = new ArrayList<>();
      List<String> letters = new ArrayList<>();
      for (Mark mark : sheet.scene().marks()) {
        if (mark instanceof Mark.Label label) {
          letters.add(label.text());
        } else {
          Scene own = pictures.get(placed + boxes.size());
          assertThat(mark.box().getWidth()).isCloseTo(own.width(), within(1e-9));
          assertThat(mark.box().getHeight()).isCloseTo(own.height(), within(1e-9));
          assertThat(boxes).noneMatch(other -> other.intersects(mark.box()));
          boxes.add(mark.box());
        }
        assertThat(mark.box().getMaxX()).isLessThanOrEqualTo(sheet.scene().width() + 1e-9);
        assertThat(mark.box().getMaxY()).isLessThanOrEqualTo(sheet.scene().height() + 1e-9);
      }
      assertThat(boxes).hasSize(sheet.count());
      assertThat(letters).hasSize(sheet.count()).startsWith("A").doesNotHaveDuplicates();
      assertThat(sheet.scene().height()).isLessThanOrEqualTo(height);
      placed += sheet.count();
    }
    assertThat(placed).isEqualTo(pictures.size());
  }
}
