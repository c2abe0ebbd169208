package app.knuckle.figures.scene;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FontFilesTest {

  @AfterEach
  void forget() {
    System.clearProperty("knuckle.fonts");
  }

  @Test
  void fontsAreFilesWhereWhoeverStartedTheProgramSaysSo(@TempDir Path folder) throws Exception {
    Path font = Files.createFile(folder.resolve("a.ttf"));
    assertThat(FontFiles.of("a.ttf")).isEmpty();
    System.setProperty("knuckle.fonts", folder.toString());
    assertThat(FontFiles.of("a.ttf")).contains(font);
    assertThat(FontFiles.of("b.ttf")).isEmpty();
  }
}
