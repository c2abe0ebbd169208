package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.report.NumberStyle;
import app.knuckle.formats.report.Paper;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.words.ExactP;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Settings, their file, and what they do to new inquiries. */
class SettingsFileTest {

  @TempDir private Path folder;

  private static Settings other() {
    return Settings.USUAL.but(
        d -> {
          d.appearance = Settings.Appearance.DARK;
          d.textSize = 150;
          d.alpha = 0.01;
          d.procedure = Procedure.GAMES_HOWELL;
          d.numbers = new NumberStyle(true, true, false, false, new ExactP(4));
          d.paper = Paper.LETTER;
          d.folder = "/nursery/records";
          d.openLast = true;
        });
  }

  @Test
  void whatIsKeptIsReadAgain() throws IOException {
    SettingsFile.write(other(), folder.resolve("not there yet"));
    SettingsFile.Read read = SettingsFile.read(folder.resolve("not there yet"));
    assertThat(read.settings()).isEqualTo(other());
    assertThat(read.notice()).isEmpty();
  }

  @Test
  void withoutAFileAllIsAsUsual() {
    assertThat(SettingsFile.read(folder)).isEqualTo(new SettingsFile.Read(Settings.USUAL, ""));
  }

  @Test
  void whatIsNotSaidIsAsUsual() throws IOException {
    Files.writeString(folder.resolve(SettingsFile.NAME), "{\"version\": 1, \"alpha\": 0.1}");
    assertThat(SettingsFile.read(folder).settings())
        .isEqualTo(Settings.USUAL.but(d -> d.alpha = 0.1));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{",
        "[]",
        "{\"version\": 2}",
        "{\"version\": 1, \"alpha\": 7}",
        "{\"version\": 1, \"appearance\": \"pink\"}",
        "{\"version\": 1, \"textSize\": 99}",
        "{\"version\": 1, \"procedure\": \"dunnett\"}",
        "{\"version\": 1, \"openLast\": \"yes\"}",
        "{\"version\": 1, \"alhpa\": 0.05}"
      })
  void aFileThatMakesNoSenseIsSetAside(String text) throws IOException {
    Files.writeString(folder.resolve(SettingsFile.NAME), text);
    SettingsFile.Read read = SettingsFile.read(folder);
    assertThat(read.settings()).isEqualTo(Settings.USUAL);
    assertThat(read.notice()).contains("set aside").contains("settings.json");
    assertThat(folder.resolve(SettingsFile.NAME)).doesNotExist();
    assertThat(folder.resolve("settings (broken).json")).hasContent(text);
  }

  @Test
  void newInquiriesAreAsWanted() {
    Inquiry guess =
        Inquiry.about("y", "g")
            .but(d -> d.compare = List.of(Compare.pairs(List.of("g"), Procedure.TUKEY)));
    Inquiry wanted = other().applied(guess);
    assertThat(wanted.alpha()).isEqualTo(0.01);
    assertThat(wanted.compare().get(0).procedure()).isEqualTo(Procedure.GAMES_HOWELL);
    assertThat(Settings.USUAL.applied(guess)).isEqualTo(guess);
    assertThat(other().page())
        .isEqualTo(
            Map.of("comma", "yes", "leadingZero", "yes", "pDecimals", "4", "paper", "letter"));
  }

  @Test
  void aProcedureThatWasNotTheUsualOneStays() {
    Inquiry ranks =
        Inquiry.about("y", "g")
            .but(d -> d.compare = List.of(Compare.pairs(List.of("g"), Procedure.STEEL)));
    assertThat(other().applied(ranks).compare()).isEqualTo(ranks.compare());
  }
}
