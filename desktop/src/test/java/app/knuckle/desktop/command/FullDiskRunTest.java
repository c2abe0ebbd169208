package app.knuckle.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;

/** Results that find no room: {@code bench/faults} mounts a small disk. */
@EnabledIfSystemProperty(named = "knuckle.small.disk", matches = ".+")
class FullDiskRunTest {

  private final Path disk = Path.of(System.getProperty("knuckle.small.disk", "/nowhere"));

  @TempDir private Path folder;

  private int run(String name) throws IOException {
    Path table =
        Files.writeString(
            folder.resolve("bags.csv"), "mesh,growth\na,1\na,2\na,4\nb,3\nb,5\nb,7\n");
    Path inquiry =
        Files.writeString(
            folder.resolve("i.json"),
            "{\"knuckle\": \"inquiry\", \"version\": 1, \"name\": \""
                + name
                + "\", \"measured\": [\"growth\"], \"treatments\": [\"mesh\"]}");
    return KnuckleCommand.run(
        "run",
        "--table",
        table.toString(),
        "--inquiry",
        inquiry.toString(),
        "--only",
        "findings",
        "--out",
        disk.resolve("out").toString());
  }

  @Test
  void aRunWithoutRoomLeavesTheResultsBefore() throws IOException {
    Path out = disk.resolve("out");
    assertThat(run("first")).isZero();
    String before = Files.readString(out.resolve("findings.json"));
    Path filler = disk.resolve("filler");
    boolean full = false;
    try (var rest = Files.newOutputStream(filler)) {
      for (int i = 0; i < 1 << 20; i++) {
        rest.write(new byte[1 << 12]);
      }
    } catch (IOException e) {
      full = true;
      assertThat(run("second")).isNotZero();
      assertThat(Files.readString(out.resolve("findings.json"))).isEqualTo(before);
      try (Stream<Path> all = Files.list(disk)) {
        assertThat(all.map(path -> path.getFileName().toString()))
            .contains("out")
            .noneMatch(name -> name.startsWith(".knuckle-"));
      }
    }
    assertThat(full).isTrue();
    Files.delete(filler);
    assertThat(run("third")).isZero();
    assertThat(Files.readString(out.resolve("findings.json"))).contains("\"third\"");
  }
}
