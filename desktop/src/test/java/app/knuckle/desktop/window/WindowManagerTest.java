package app.knuckle.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The real program under a real window manager: it opens in the size it asks for, on every screen
 * from 1024x768 on, and nothing that it holds is cut off.
 */
class WindowManagerTest {

  private static final Pattern SIZES =
      Pattern.compile(
          "window (\\d+) (\\d+) at (-?\\d+) (-?\\d+) content (\\d+) (\\d+) least (\\d+) (\\d+)");
  private static final Pattern HELD = Pattern.compile("joint (\\w+) (\\d+) (\\d+) cut \\[(.*)]");
  private static final int PATIENCE_MINUTES = 3;

  @ParameterizedTest
  @CsvSource({
    "1024, 768, 1024, 768",
    "1280, 800, 1280, 800",
    "1366, 768, 1280, 768",
    "1920, 1080, 1280, 800"
  })
  void opensInItsSize(int across, int down, int width, int height, @TempDir Path folder)
      throws IOException, InterruptedException {
    List<String> said = probe(across + "x" + down, folder);
    Matcher sizes = first(SIZES, said);
    assertThat(number(sizes, 1)).as("width of the window").isEqualTo(width);
    assertThat(number(sizes, 2)).as("height of the window").isEqualTo(height);
    assertThat(number(sizes, 3)).as("left edge").isBetween(0, across - width);
    assertThat(number(sizes, 4)).as("upper edge, with the title").isBetween(0, down - height);
    assertThat(number(sizes, 5)).as("width of what it holds").isBetween(width - 20, width);
    assertThat(number(sizes, 6)).as("height of what it holds").isBetween(height - 60, height);
    List<Matcher> joints = said.stream().map(HELD::matcher).filter(Matcher::matches).toList();
    assertThat(joints).hasSize(8);
    for (Matcher joint : joints) {
      assertThat(number(joint, 2))
          .as("least width in %s", joint.group(1))
          .isLessThanOrEqualTo(1000);
      assertThat(number(joint, 3))
          .as("least height in %s", joint.group(1))
          .isLessThanOrEqualTo(690);
      assertThat(joint.group(4)).as("cut off in %s", joint.group(1)).isEmpty();
    }
  }

  private static List<String> probe(String screen, Path folder)
      throws IOException, InterruptedException {
    Path output = folder.resolve("said.txt");
    String start =
        "openbox & exec \"$0\" -cp \"$1\" -Dknuckle.state=\"$2\" app.knuckle.desktop.window.SizeProbe";
    Process process =
        new ProcessBuilder(
                "xvfb-run",
                "-a",
                "-s",
                "-screen 0 " + screen + "x24 -nolisten tcp",
                "sh",
                "-c",
                start,
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                System.getProperty("java.class.path"),
                folder.resolve("state").toString())
            .redirectErrorStream(true)
            .redirectOutput(output.toFile())
            .start();
    boolean ended = process.waitFor(PATIENCE_MINUTES, TimeUnit.MINUTES);
    process.descendants().forEach(ProcessHandle::destroyForcibly);
    process.destroyForcibly();
    String said = Files.readString(output, StandardCharsets.UTF_8);
    assertThat(ended).as("ended by itself, having said: %s", said).isTrue();
    return said.lines().toList();
  }

  private static Matcher first(Pattern pattern, List<String> said) {
    return said.stream()
        .map(pattern::matcher)
        .filter(Matcher::matches)
        .findFirst()
        .orElseThrow(() -> new AssertionError("Nothing said of its size: " + said));
  }

  private static int number(Matcher of, int group) {
    return Integer.parseInt(of.group(group));
  }
}
