package app.knuckle.bench;

import app.knuckle.desktop.command.KnuckleCommand;
import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A study of a thousand inquiries through the command line: time, and the most memory it took. */
public final class ManyInquiries {

  private static final int INQUIRIES = 1_000;
  private static final double NANOS = 1e9;

  private ManyInquiries() {}

  /**
   * Prints seconds; the most memory is told by the system, as by {@code /usr/bin/time -v}.
   *
   * @param args none
   * @throws IOException if the study cannot be written
   */
  public static void main(String[] args) throws IOException {
    Study demo = DemoStudy.read();
    List<Study.Asked> asked = new ArrayList<>();
    for (int i = 0; i < INQUIRIES; i++) {
      Study.Asked one = demo.asked().get(i % demo.asked().size());
      asked.add(new Study.Asked(one.table(), one.inquiry().named("no. " + i), one.figure()));
    }
    Path folder = Files.createTempDirectory("knuckle-many");
    Path file = folder.resolve("many.knuckle");
    StudyFile.write(
        new Study("many", demo.tables(), asked), file, StudyFile.Stamp.of(file), Progress.NONE);
    long start = System.nanoTime();
    int status =
        KnuckleCommand.run("run", file.toString(), "--out", folder.resolve("results").toString());
    System.out.printf(
        "%d inquiries: status %d, %.1f s%n",
        INQUIRIES, status, (System.nanoTime() - start) / NANOS);
  }
}
