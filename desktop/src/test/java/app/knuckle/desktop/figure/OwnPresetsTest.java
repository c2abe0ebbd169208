package app.knuckle.desktop.figure;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Palette;
import app.knuckle.figures.style.Paper;
import app.knuckle.figures.style.Style;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Looks of figures that are kept by name. */
class OwnPresetsTest {

  @TempDir private Path folder;
  private OwnPresets presets;

  private final Style wide =
      Style.usual(4)
          .with(Form.POINTS)
          .with(new Paper(170, 90, 9))
          .with(Palette.values()[1], true)
          .named("feed", "Feed of the week");

  @BeforeEach
  void open() {
    presets = new OwnPresets(folder.resolve("kept/presets.properties"));
  }

  @Test
  void aLookIsKeptByNameAndGivenToAnotherFigure() throws IOException {
    assertThat(presets.names()).isEmpty();
    presets.keep("journal / wide = 17 cm", wide);
    presets.keep("poster", Style.usual(2));
    OwnPresets later = new OwnPresets(folder.resolve("kept/presets.properties"));
    assertThat(later.names()).containsExactly("journal / wide = 17 cm", "poster");
    Style other = Style.usual(12).with(Form.LINES).named("mesh", "Mesh");
    Style dressed = later.apply("journal / wide = 17 cm", other);
    assertThat(dressed.paper()).isEqualTo(wide.paper());
    assertThat(dressed.palette()).isEqualTo(wide.palette());
    assertThat(dressed.patterns()).isTrue();
    assertThat(dressed.form()).as("belongs to the figure").isEqualTo(Form.LINES);
    assertThat(dressed.words()).isEqualTo(other.words());
  }

  @Test
  void whatIsForgottenOrUnknownOrUnreadableChangesNothing() throws IOException {
    presets.keep("wide", wide);
    presets.forget("wide");
    assertThat(presets.names()).isEmpty();
    assertThat(presets.apply("wide", Style.usual(3))).isEqualTo(Style.usual(3));
    Files.writeString(folder.resolve("kept/presets.properties"), "\\u00zz broken");
    assertThat(presets.names()).isEmpty();
    presets.keep("wide", wide);
    assertThat(presets.names()).containsExactly("wide");
  }
}
