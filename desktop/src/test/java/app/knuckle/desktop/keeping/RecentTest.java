package app.knuckle.desktop.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RecentTest {

  @TempDir Path folder;

  private Path study(String name) throws IOException {
    return Files.writeString(folder.resolve(name), "");
  }

  @Test
  void theLastOneIsFirstAndOpeningKeepsItsFinding() throws IOException {
    Recent recent = new Recent(folder.resolve("state"));
    assertThat(recent.entries()).isEmpty();
    Path a = study("a.knuckle");
    Path b = study("b.knuckle");
    recent.saved(a, "Growth differs,\nF = 3.\tYes.");
    recent.opened(b);
    recent.opened(a);
    assertThat(recent.entries())
        .containsExactly(
            new Recent.Entry(a, "Growth differs, F = 3. Yes."), new Recent.Entry(b, ""));
    Files.delete(a);
    assertThat(recent.entries()).extracting(Recent.Entry::file).containsExactly(b);
  }

  @Test
  void aListOfPathsAloneIsReadAndOneThatIsNoneIsBorne() throws IOException {
    Path a = study("a.knuckle");
    Files.write(folder.resolve("recent.txt"), List.of(a.toString(), "\0", ""));
    assertThat(new Recent(folder).entries())
        .filteredOn(entry -> entry.file().equals(a))
        .containsExactly(new Recent.Entry(a, ""));
  }
}
