package app.knuckle.formats.documents;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.report.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A page takes its own place, and nobody else's. */
class ReportPlaceTest {

  @ParameterizedTest
  @EnumSource(ReportFile.class)
  void whatOthersPlacedBesideAPageIsNotTouched(ReportFile kind, @TempDir Path folder)
      throws IOException {
    Path precious = Files.writeString(folder.resolve("precious"), "mine");
    Path target = folder.resolve("page." + kind.ending());
    Files.createSymbolicLink(folder.resolve(target.getFileName() + ".part"), precious);
    kind.write(Page.ofRefusal("a page", "nothing to say"), target, false);
    assertThat(precious).hasContent("mine");
    assertThat(Files.isRegularFile(target, LinkOption.NOFOLLOW_LINKS)).isTrue();
    try (var all = Files.list(folder)) {
      assertThat(all).hasSize(3);
    }
  }
}
