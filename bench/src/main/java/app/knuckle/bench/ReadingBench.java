package app.knuckle.bench;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.table.Table;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** Opening a delimited file of 100 MB, against reading it with the library of the format alone. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3)
@Measurement(iterations = 5)
public class ReadingBench {

  private static final long BYTES = 100_000_000;

  private Path file;

  /**
   * Writes the file.
   *
   * @throws IOException if there is no room
   */
  @Setup
  public void write() throws IOException {
    file = Files.createTempFile("knuckle-bench", ".csv");
    Random random = new Random(1);
    String[] feeds = {"Green T", "Diatom C", "Paste", "Pavlo mix"};
    try (BufferedWriter out = Files.newBufferedWriter(file)) {
      out.write("tank,feed,clearance_l_h,length_mm,width_mm,depth_mm,meat_g,shell_g,shelf,week\n");
      for (long written = 0; written < BYTES; ) {
        StringBuilder row = new StringBuilder();
        row.append("T").append(random.nextInt(5000)).append(',').append(feeds[random.nextInt(4)]);
        for (int i = 0; i < 6; i++) {
          row.append(',').append(String.format(Locale.ROOT, "%.2f", 100 * random.nextDouble()));
        }
        row.append(random.nextBoolean() ? ",upper," : ",lower,")
            .append(random.nextInt(52))
            .append('\n');
        out.append(row);
        written += row.length();
      }
    }
  }

  /**
   * Removes the file.
   *
   * @throws IOException if it is held
   */
  @TearDown
  public void remove() throws IOException {
    Files.deleteIfExists(file);
  }

  /**
   * Every cell as text, nothing kept.
   *
   * @return how many letters there were
   * @throws IOException if the file cannot be read
   */
  @Benchmark
  public long baselineLibraryAlone() throws IOException {
    long letters = 0;
    try (CsvReader<CsvRecord> reader = CsvReader.builder().ofCsvRecord(file)) {
      for (CsvRecord row : reader) {
        for (int c = 0; c < row.getFieldCount(); c++) {
          letters += row.getField(c).length();
        }
      }
    }
    return letters;
  }

  /** The whole opening: guess, kinds, columns. Returns the table. */
  @Benchmark
  public Table open() {
    return RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
  }
}
