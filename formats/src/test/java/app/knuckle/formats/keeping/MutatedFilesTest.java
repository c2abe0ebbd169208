package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.formats.records.RecordsWriter;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Table;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Files whose bytes were changed, cut, doubled or exchanged, also within what is packed: each is
 * read, or refused in words; nothing else is thrown. {@code bench/hostile} asks for many.
 */
class MutatedFilesTest {

  private static final int FILES = Integer.getInteger("knuckle.mutated", 400);
  private static final long SEED = Long.getLong("knuckle.seed", 20261202);

  /** What stands in every kind of file, so that a change of it is a change of meaning. */
  private static final String[] PIECES = {
    "\u0000",
    "\"",
    "<",
    ">",
    "&",
    ",",
    ";",
    "\t",
    "\n",
    "\r",
    "{",
    "}",
    "[",
    "]",
    "-",
    "1e400",
    "NaN",
    "\ufeff",
    "\u202e",
    "=",
    "'",
    "null",
    "0",
    "9999999999999999999",
    "<!DOCTYPE x>",
    "]]>"
  };

  private enum Outcome {
    READ,
    REFUSED
  }

  @TempDir private Path folder;
  private final Map<String, byte[]> whole = new TreeMap<>();

  @BeforeEach
  void write() throws IOException {
    String records = "feed,rack,growth (mm)\n";
    for (int row = 0; row < 12; row++) {
      records += (row % 3 == 0 ? "kelp" : "paste") + "," + (1 + row % 4) + "," + 0.25 * row + "\n";
    }
    Path csv = Files.writeString(folder.resolve("a.csv"), records);
    Table table = RecordsFile.read(csv, RecordsFile.guess(csv), Progress.NONE);
    whole.put("csv", Files.readAllBytes(csv));
    for (String ending : new String[] {"tsv", "xlsx", "ods"}) {
      Path file = folder.resolve("b." + ending);
      RecordsWriter.write(Frame.of(table), file, Progress.NONE);
      whole.put(ending, Files.readAllBytes(file));
    }
    Path study = folder.resolve("c.knuckle");
    StudyFile.write(StudyFileTest.study("mutated", 12), study, StudyFile.Stamp.NONE, Progress.NONE);
    whole.put("knuckle", Files.readAllBytes(study));
    String inquiry =
        "{\"knuckle\": \"inquiry\", \"version\": 1, \"name\": \"a\", \"measured\": [\"growth (mm)\"],"
            + " \"treatments\": [\"feed\"], \"blocks\": [\"rack\"], \"alpha\": 0.05,"
            + " \"compare\": [{\"of\": [\"feed\"], \"procedure\": \"tukey\"}]}";
    whole.put("json", inquiry.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void isReadOrRefusedInWords() throws IOException {
    Random random = new Random(SEED);
    String[] kinds = whole.keySet().toArray(String[]::new);
    Map<Outcome, Integer> counts = new EnumMap<>(Outcome.class);
    for (int file = 0; file < FILES; file++) {
      String kind = kinds[file % kinds.length];
      byte[] bytes = mutated(whole.get(kind), random);
      counts.merge(outcome(kind, bytes, "no. " + file + " of seed " + SEED), 1, Integer::sum);
    }
    System.out.println(FILES + " mutated files of seed " + SEED + ": " + counts);
    // Both happen, or the changes are too small or too large to show anything.
    assertThat(counts).containsKeys(Outcome.values());
  }

  private Outcome outcome(String kind, byte[] bytes, String which) throws IOException {
    Path file = Files.write(folder.resolve("mutated." + kind), bytes);
    try {
      switch (kind) {
        case "knuckle" -> StudyFile.read(file, Progress.NONE);
        case "json" -> InquiryFile.read(new String(bytes, StandardCharsets.UTF_8));
        default -> RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
      }
      return Outcome.READ;
    } catch (Refused e) {
      assertThat(e.refusal().words()).as(which).isNotBlank().doesNotContain("Exception");
      return Outcome.REFUSED;
    } catch (RuntimeException | Error e) {
      Path kept = Files.write(Path.of("target", "mutated." + kind), bytes);
      throw new AssertionError(which + ", kept as " + kept.toAbsolutePath(), e);
    }
  }

  private static byte[] mutated(byte[] bytes, Random random) throws IOException {
    boolean packed = bytes[0] == 'P' && bytes[1] == 'K';
    if (!packed || random.nextInt(4) == 0) {
      return changed(bytes, random);
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    // Read by the directory at its end: some writers name sizes there alone.
    Path file = Files.write(Files.createTempFile("mutated", ".zip"), bytes);
    try (ZipFile in = new ZipFile(file.toFile());
        ZipOutputStream zip = new ZipOutputStream(out)) {
      for (ZipEntry entry : Collections.list(in.entries())) {
        byte[] part = in.getInputStream(entry).readAllBytes();
        int fate = random.nextInt(12);
        if (fate == 0) {
          continue; // A part is lost.
        }
        zip.putNextEntry(new ZipEntry(fate == 1 ? "../" + entry.getName() : entry.getName()));
        zip.write(fate < 5 ? changed(part, random) : part);
        zip.closeEntry();
      }
    } finally {
      Files.delete(file);
    }
    return out.toByteArray();
  }

  private static byte[] changed(byte[] bytes, Random random) {
    byte[] now = bytes.clone();
    for (int times = 1 + random.nextInt(4); times > 0 && now.length > 0; times--) {
      int at = random.nextInt(now.length);
      int length = Math.min(now.length - at, 1 + random.nextInt(40));
      now =
          switch (random.nextInt(5)) {
            case 0 -> spliced(now, at, 1, new byte[] {(byte) random.nextInt(256)});
            case 1 -> spliced(now, at, length, new byte[0]);
            case 2 -> spliced(now, at, 0, Arrays.copyOfRange(now, at, at + length));
            case 3 -> random.nextInt(4) == 0 ? Arrays.copyOf(now, at) : now;
            default -> spliced(now, at, 0, piece(random));
          };
    }
    return now;
  }

  private static byte[] piece(Random random) {
    return PIECES[random.nextInt(PIECES.length)].getBytes(StandardCharsets.UTF_8);
  }

  private static byte[] spliced(byte[] bytes, int at, int out, byte[] in) {
    byte[] now = new byte[bytes.length - out + in.length];
    System.arraycopy(bytes, 0, now, 0, at);
    System.arraycopy(in, 0, now, at, in.length);
    System.arraycopy(bytes, at + out, now, at + in.length, bytes.length - at - out);
    return now;
  }
}
