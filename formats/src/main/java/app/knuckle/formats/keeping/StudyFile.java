package app.knuckle.formats.keeping;

import app.knuckle.formats.workbooks.ZipGuard;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/** The file of a study, {@code .knuckle}: a zip of study.json and a CSV for each table. */
public final class StudyFile {

  /** The ending of its name. */
  public static final String ENDING = ".knuckle";

  private StudyFile() {}

  /**
   * What a file was like when it was last read or written here; another program may have written it
   * since.
   *
   * @param size in bytes; -1 when there was no file
   * @param modified when it was written
   */
  public record Stamp(long size, FileTime modified) {

    /** No file. */
    public static final Stamp NONE = new Stamp(-1, FileTime.fromMillis(0));

    /**
     * The stamp of a file now.
     *
     * @param file the file
     * @return {@link #NONE} if there is none
     */
    public static Stamp of(Path file) {
      try {
        return new Stamp(Files.size(file), Files.getLastModifiedTime(file));
      } catch (IOException e) {
        return NONE;
      }
    }
  }

  /**
   * Whether a file is a study by its name.
   *
   * @param file any file
   * @return true for .knuckle
   */
  public static boolean is(Path file) {
    return file.getFileName().toString().endsWith(ENDING);
  }

  /**
   * Where the previous version of a study is kept.
   *
   * @param file of the study
   * @return a file beside it
   */
  public static Path previous(Path file) {
    String name = file.getFileName().toString();
    String base = is(file) ? name.substring(0, name.length() - ENDING.length()) : name;
    return file.resolveSibling(base + " (previous)" + ENDING);
  }

  /**
   * Reads a study.
   *
   * @param file the file
   * @param progress told the share read; may stop it
   * @return the study
   * @throws Refused if the file is not whole, of a newer version, or not understood
   */
  public static Study read(Path file, Progress progress) {
    Place where = new Place.WholeFile(file.getFileName().toString());
    if (Files.exists(file) && !Files.isRegularFile(file)) {
      throw Refused.at(
          where,
          Files.isDirectory(file) ? "this is a folder" : "this is a pipe or a device, not a file",
          "Choose a .knuckle file");
    }
    try {
      ZipGuard.check(file);
      try (ZipFile zip = new ZipFile(file.toFile())) {
        return StudyParts.read(
            part -> {
              ZipEntry entry = zip.getEntry(part);
              return entry == null ? null : zip.getInputStream(entry);
            },
            where,
            progress);
      }
    } catch (ZipException | java.io.EOFException e) {
      throw new Refused(
          Refused.at(
                  where,
                  "the file is cut off or damaged",
                  "Open the previous version, which lies beside it")
              .refusal(),
          e);
    } catch (NoSuchFileException | java.io.FileNotFoundException e) {
      throw new Refused(
          Refused.at(where, "there is no such file", "Check the name and the folder").refusal(), e);
    } catch (IOException e) {
      throw new Refused(
          Refused.at(
                  where,
                  "the study cannot be read to its end",
                  "Check that the file is whole and that its disk is there")
              .refusal(),
          e);
    }
  }

  /**
   * Saves a study in one piece; the version before it is kept beside it.
   *
   * @param study the study
   * @param file where
   * @param known what the file was like when it was last read or written here
   * @param progress may stop it; the file is then as it was
   * @return what the file is like now
   * @throws Refused if it cannot be written, or was written by someone else meanwhile; the file is
   *     then as it was
   */
  public static Stamp write(Study study, Path file, Stamp known, Progress progress) {
    Place where = new Place.WholeFile(file.getFileName().toString());
    if (!Stamp.of(file).equals(known) && Files.exists(file)) {
      throw Refused.at(
          where,
          "another program has saved this study since it was opened here",
          "Save under another name, so that neither loses anything");
    }
    try {
      SafeFile.write(
          file,
          previous(file),
          out -> {
            ZipOutputStream zip = new ZipOutputStream(out);
            zip.putNextEntry(new ZipEntry(StudyParts.JSON));
            zip.write(StudyParts.json(study, kept -> part(study, kept)));
            zip.closeEntry();
            for (Study.Kept kept : study.tables()) {
              zip.putNextEntry(new ZipEntry(part(study, kept)));
              TableText.write(kept.table().columns(), zip, progress);
              zip.closeEntry();
            }
            zip.finish();
          });
      return Stamp.of(file);
    } catch (IOException e) {
      throw WriteTrouble.of(file, e);
    }
  }

  private static String part(Study study, Study.Kept kept) {
    return "tables/" + (study.tables().indexOf(kept) + 1) + ".csv";
  }
}
