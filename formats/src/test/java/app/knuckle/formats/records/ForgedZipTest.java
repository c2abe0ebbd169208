package app.knuckle.formats.records;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A workbook whose directory says that its parts are small. */
class ForgedZipTest {

  /** Signature of an entry of the directory, and where the size stands in it. */
  private static final int DIRECTORY = 0x02014b50;

  private static final int SIZE_AT = 24;

  private static byte[] forged(int bytes) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("content.xml"));
      zip.write(new byte[bytes]);
    }
    byte[] all = out.toByteArray();
    ByteBuffer numbers = ByteBuffer.wrap(all).order(ByteOrder.LITTLE_ENDIAN);
    int at = all.length - 4;
    while (numbers.getInt(at) != DIRECTORY) {
      at--;
    }
    assertThat(numbers.getInt(at + SIZE_AT)).isEqualTo(bytes);
    numbers.putInt(at + SIZE_AT, 1000);
    return all;
  }

  @Test
  void bytesAreCountedAsTheyCome(@TempDir Path folder) throws IOException {
    Path file = Files.write(folder.resolve("forged.ods"), forged(64 << 20));
    assertThat(Files.size(file)).isLessThan(100_000);
    assertThatThrownBy(() -> RecordsFile.guess(file))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("far larger");
  }
}
