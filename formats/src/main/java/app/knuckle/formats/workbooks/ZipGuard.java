package app.knuckle.formats.workbooks;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Enumeration;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** Looks into a zip before it is read: it must be whole, of a sane size, and fetch nothing. */
public final class ZipGuard {

  /** A workbook or study with more parts than this is none. */
  private static final int MOST_ENTRIES = 10_000;

  /** Records of this size fill the memory of the machines that people have. */
  private static final long MOST_BYTES = 4L << 30;

  /** XML shrinks to about a twentieth; only files made to do harm shrink this far. */
  private static final long MOST_SHRUNK = 200;

  /** Smaller parts may shrink as they like. */
  private static final long HARMLESS = 16L << 20;

  private static final int BUFFER = 1 << 16;

  private static final int PROLOGUE = 4096;

  private ZipGuard() {}

  /**
   * Checks a zip.
   *
   * @param file the file
   * @throws Refused if it is broken, too large once unpacked, or names outside entities
   * @throws IOException if it cannot be read
   */
  public static void check(Path file) throws IOException {
    Place where = new Place.WholeFile(file.getFileName().toString());
    long most = Math.min(MOST_BYTES, Math.max(HARMLESS, MOST_SHRUNK * Files.size(file)));
    long total = 0;
    try (ZipFile zip = new ZipFile(file.toFile())) {
      if (zip.size() > MOST_ENTRIES) {
        throw Refused.at(where, "it has " + zip.size() + " parts", "This is no file of records");
      }
      for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
        ZipEntry entry = all.nextElement();
        total += unpacked(zip, entry, most - total + 1);
        if (total > most) {
          throw Refused.at(
              where,
              "unpacked it would be far larger than any file of records",
              "Save it anew from the program that it came from");
        }
        String name = entry.getName().toLowerCase(Locale.ROOT);
        if (name.endsWith(".xml") && namesEntities(zip, entry)) {
          throw Refused.at(
              where,
              "the part " + entry.getName() + " refers to something outside the file",
              "Knuckle fetches nothing; save it anew from a spreadsheet");
        }
      }
    } catch (ZipException e) {
      throw new Refused(
          Refused.at(
                  where,
                  "the file is cut off or damaged",
                  "Copy it again from where it came from, or open an older copy")
              .refusal(),
          e);
    }
  }

  /** What a part really holds, whatever the directory says of it, as far as it is asked. */
  private static long unpacked(ZipFile zip, ZipEntry entry, long most) throws IOException {
    byte[] some = new byte[BUFFER];
    long bytes = 0;
    try (InputStream in = zip.getInputStream(entry)) {
      for (int read = in.read(some); read >= 0 && bytes < most; read = in.read(some)) {
        bytes += read;
      }
    }
    return bytes;
  }

  private static boolean namesEntities(ZipFile zip, ZipEntry entry) throws IOException {
    try (InputStream in = zip.getInputStream(entry)) {
      String start = new String(in.readNBytes(PROLOGUE), StandardCharsets.ISO_8859_1);
      return start.contains("<!DOCTYPE") || start.contains("<!ENTITY");
    }
  }
}
