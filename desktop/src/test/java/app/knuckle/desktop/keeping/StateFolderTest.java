package app.knuckle.desktop.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StateFolderTest {

  @ParameterizedTest
  @CsvSource({
    "Linux, '', '', /home/anna/.local/state/knuckle",
    "Linux, XDG_STATE_HOME, /state, /state/knuckle",
    "Linux, XDG_STATE_HOME, '  ', /home/anna/.local/state/knuckle",
    "FreeBSD, LOCALAPPDATA, /state, /home/anna/.local/state/knuckle",
    "Mac OS X, XDG_STATE_HOME, /state, /home/anna/Library/Application Support/Knuckle",
    "Windows 11, LOCALAPPDATA, /local, /local/Knuckle",
    "Windows 11, '', '', /home/anna/AppData/Local/Knuckle",
  })
  void notesAreKeptWhereEachSystemWantsThem(
      String system, String variable, String value, String folder) {
    Map<String, String> environment = Map.of(variable, value);

    assertThat(StateFolder.path(system, "/home/anna", environment::get)).isEqualTo(Path.of(folder));
  }

  @Test
  void nobodyElseReadsWhatWasOpen(@TempDir Path folder) throws IOException {
    Path notes = folder.resolve("state/knuckle");
    StateFolder.make(notes);
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(notes)))
        .isEqualTo("rwx------");
  }
}
