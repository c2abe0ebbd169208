package app.knuckle.bench;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;

/** Heap held by an opened table of a million rows, against the bytes of its raw columns. */
public final class TableMemory {

  private static final int ROWS = 1_000_000;
  private static final int COLUMNS = 20;

  private TableMemory() {}

  /**
   * Prints the ratio.
   *
   * @param args none
   * @throws IOException if the file cannot be written
   */
  public static void main(String[] args) throws IOException {
    Path file = Files.createTempFile("knuckle-bench", ".csv");
    Random random = new Random(1);
    try (BufferedWriter out = Files.newBufferedWriter(file)) {
      for (int c = 0; c < COLUMNS; c++) {
        out.write((c == 0 ? "" : ",") + "c" + c);
      }
      out.newLine();
      for (int r = 0; r < ROWS; r++) {
        for (int c = 0; c < COLUMNS; c++) {
          out.write(c == 0 ? "g" + random.nextInt(12) : "," + random.nextInt(10_000) / 100.0);
        }
        out.newLine();
      }
    }
    long before = held();
    Table table = RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
    long after = held();
    long raw =
        table.columns().stream()
            .mapToLong(c -> (c instanceof Numbers ? Double.BYTES : Integer.BYTES) * (long) ROWS)
            .sum();
    Files.delete(file);
    try (PrintWriter out =
        new PrintWriter(new java.io.FileOutputStream(java.io.FileDescriptor.out))) {
      out.printf(
          "raw %d MB, held %d MB, ratio %.2f, rows %d%n",
          raw >> 20, (after - before) >> 20, (double) (after - before) / raw, table.rows());
    }
  }

  private static long held() {
    for (int i = 0; i < 4; i++) {
      System.gc();
    }
    return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
  }
}
