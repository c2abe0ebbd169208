package app.knuckle.formats.workbooks;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.Enumeration;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/**
 * Looks over the places that the cells of an .xlsx name before it is read: the reader makes room
 * for every column up to them, so that one far place would take all memory.
 */
final class CellReferences {

  private static final String SHEETS = "xl/worksheets/";
  private static final int ALPHABET = 26;

  private CellReferences() {}

  /**
   * Checks every sheet.
   *
   * @param file the workbook
   * @param most columns that a sheet may have
   * @throws Refused if a cell lies beyond
   */
  static void check(Path file, int most) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
        ZipEntry entry = all.nextElement();
        if (entry.getName().startsWith(SHEETS) && entry.getName().endsWith(".xml")) {
          try (InputStream in = new BufferedInputStream(zip.getInputStream(entry), 1 << 16)) {
            if (farthest(in) > most) {
              throw Refused.at(
                  new Place.WholeFile(file.getFileName().toString()),
                  "a cell lies beyond column " + most,
                  "Save the records alone as a workbook of their own");
            }
          }
        }
      }
    }
  }

  /** The largest column that follows {@code r="}; where letters never end it is very large. */
  private static long farthest(InputStream in) throws IOException {
    long most = 0;
    int seen = 0;
    long column = 0;
    byte[] bytes = new byte[1 << 16];
    for (int n = in.read(bytes); n > 0; n = in.read(bytes)) {
      for (int i = 0; i < n; i++) {
        int c = bytes[i];
        if (seen == 3 && c >= 'A' && c <= 'Z') {
          column = Math.min(Integer.MAX_VALUE, column * ALPHABET + c - 'A' + 1);
          most = Math.max(most, column);
        } else if (seen == 2 && (c == '"' || c == '\'')) {
          seen = 3;
          column = 0;
        } else if (seen == 1 && c == '=') {
          seen = 2;
        } else {
          seen = c == 'r' ? 1 : 0;
        }
      }
    }
    return most;
  }
}
