package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Files that were written by version 0.1 before the question was divided into parts, response,
 * analysis and questions: they open, and what is written of them says the same.
 */
class EarlierFilesTest {

  private static final ObjectMapper JSON = new ObjectMapper();

  @TempDir Path folder;

  private Path earlier(String name) throws IOException {
    Path copy = folder.resolve(name);
    try (InputStream in = EarlierFilesTest.class.getResourceAsStream("earlier/" + name)) {
      Files.copy(in, copy);
    }
    return copy;
  }

  private static JsonNode part(Path file, String name) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      return JSON.readTree(zip.getInputStream(zip.getEntry(name)));
    }
  }

  @Test
  void aStudyOpensAndIsWrittenAsItWas() throws IOException {
    Path before = earlier("nursery-0.1.knuckle");
    Study study = StudyFile.read(before, Progress.NONE);
    assertThat(study.asked()).hasSize(18);
    assertThat(study.tables()).hasSize(11);
    Path after = folder.resolve("again.knuckle");
    StudyFile.write(study, after, StudyFile.Stamp.NONE, Progress.NONE);
    assertThat(part(after, "study.json")).isEqualTo(part(before, "study.json"));
  }

  @Test
  void settingsOpen() throws IOException {
    earlier("settings.json");
    Settings settings = SettingsFile.read(folder).settings();
    assertThat(settings.alpha()).isEqualTo(0.01);
    assertThat(settings.textSize()).isEqualTo(125);
  }
}
