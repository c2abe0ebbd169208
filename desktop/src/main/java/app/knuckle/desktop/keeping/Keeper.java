package app.knuckle.desktop.keeping;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Keeping;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.style.Style;
import app.knuckle.formats.keeping.Journal;
import app.knuckle.formats.keeping.ResultFolder;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.formats.keeping.WriteTrouble;
import app.knuckle.formats.records.RecordsWriter;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.InquiryNames;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;

/** Saves and opens studies off the interface thread, and journals what is not saved. */
public final class Keeper implements Keeping {

  /** Work that a crash may cost at most. */
  private static final int JOURNAL_SECONDS = 2;

  /** Dots an inch that printers of journals ask for. */
  private static final int FIGURE_DPI = 600;

  private final Workbench workbench;
  private final ReadOnlyBooleanWrapper unsaved = new ReadOnlyBooleanWrapper(false);
  private final Lane work = Lane.inTurn();
  private final AtomicReference<Study> toJournal = new AtomicReference<>();
  private final Recent recent = new Recent(StateFolder.path());
  private volatile Path file;
  private volatile StudyFile.Stamp stamp = StudyFile.Stamp.NONE;
  private Journal journal;
  private volatile ScheduledExecutorService clock;

  /**
   * Takes a workbench into keeping.
   *
   * @param workbench what is kept
   */
  public Keeper(Workbench workbench) {
    this.workbench = workbench;
    workbench.keptBy(this);
  }

  @Override
  public void changed() {
    unsaved.set(true);
    toJournal.set(workbench.study());
  }

  @Override
  public void opened() {
    file = null;
    stamp = StudyFile.Stamp.NONE;
    unsaved.set(false);
  }

  @Override
  public void open(Path path) {
    unlessUnsaved(path.getFileName().toString(), () -> openNow(path));
  }

  @Override
  public void open(Study study) {
    unlessUnsaved(study.name(), () -> workbench.open(study));
  }

  /** What is not saved is not put aside unasked. */
  private void unlessUnsaved(String what, Runnable action) {
    if (!unsaved.get()) {
      action.run();
      return;
    }
    List<Banner.Way> moves = new ArrayList<>();
    if (file != null) {
      moves.add(new Banner.Way("Save, then open", () -> save(file, action)));
    }
    moves.add(
        new Banner.Way(
            "Keep it to bring back later",
            () -> {
              if (putAside()) {
                action.run();
              }
            }));
    workbench
        .bannerProperty()
        .set(
            new Banner(
                "What is open here is not saved. To open " + what + " in its place:",
                false,
                moves));
  }

  /** Writes what is open where a crash would have left it: it is offered at the next start. */
  private boolean putAside() {
    try {
      Journal aside = Journal.open(journals());
      aside.write(workbench.study(), Progress.NONE);
      aside.belongs(file, stamp);
      aside.leave();
      workbench.bannerProperty().set(null);
      return true;
    } catch (IOException e) {
      say("What is open here cannot be kept. " + why(e) + " Save it first.", true);
      return false;
    }
  }

  private void openNow(Path path) {
    StudyFile.Stamp seen = StudyFile.Stamp.of(path);
    work(
        () -> StudyFile.read(path, Progress.NONE),
        study -> {
          workbench.open(study);
          file = path;
          stamp = seen;
          last = null;
          recent.opened(path);
        });
  }

  /** The file of the study: null when it has none yet. */
  public Path file() {
    return file;
  }

  /**
   * Saves the study.
   *
   * @param path where
   * @param then told when it is saved
   */
  public void save(Path path, Runnable then) {
    Path target = StudyFile.is(path) ? path : path.resolveSibling(path.getFileName() + ".knuckle");
    String title = target.getFileName().toString().replace(StudyFile.ENDING, "");
    if (!target.equals(file)) {
      workbench.rename(title);
    }
    Study study = workbench.study();
    StudyFile.Stamp known = target.equals(file) ? stamp : StudyFile.Stamp.of(target);
    work(
        () -> {
          // A save that waited for another follows that one, whatever was known when it was asked.
          Saved before = last;
          boolean ours = before != null && before.file().equals(target);
          StudyFile.Stamp now =
              StudyFile.write(study, target, ours ? before.stamp() : known, Progress.NONE);
          last = new Saved(target, now);
          return now;
        },
        written -> {
          file = target;
          stamp = written;
          unsaved.set(!workbench.study().equals(study));
          recent.saved(target, finding());
          workbench.bannerProperty().set(null);
          then.run();
        });
  }

  /** What this program itself wrote last. */
  private record Saved(Path file, StudyFile.Stamp stamp) {}

  private volatile Saved last;

  private String finding() {
    SlipViewModel front = workbench.currentProperty().get();
    return front == null || front.answer() == null || front.answer().findings() == null
        ? ""
        : front.answer().findings().finding();
  }

  /**
   * Writes prepared records to a file.
   *
   * @param frame the records
   * @param path where; the ending says how
   */
  public void writeOut(Frame frame, Path path) {
    work(
        () -> {
          RecordsWriter.write(frame, path, Progress.NONE);
          return path;
        },
        written -> say("The rows in play were written to " + written.getFileName() + ".", false));
  }

  /**
   * Writes the figures of all inquiries and all their responses, as SVG, PDF and PNG.
   *
   * @param folder where
   * @param replace whether they may replace files that are not as Knuckle wrote them
   * @param otherwise told why they cannot be written
   */
  public void writeFigures(Path folder, boolean replace, Consumer<Refused> otherwise) {
    Study study = workbench.study();
    work.run(
        progress -> {
          AtomicInteger figures = new AtomicInteger();
          ResultFolder.of(folder, replace)
              .add(fresh -> figures.set(writeFigures(study, fresh, progress)));
          return figures.get();
        },
        count ->
            say(
                Numerals.count(count, "figure was", "figures were")
                    + " written to "
                    + folder.getFileName()
                    + ", each as SVG, PDF and PNG.",
                false),
        otherwise);
  }

  private static int writeFigures(Study study, Path folder, Progress progress) throws IOException {
    int figures = 0;
    List<String> names = InquiryNames.of(study).names();
    FileNames files = new FileNames();
    for (int i = 0; i < names.size(); i++) {
      progress.check();
      figures += writeFigures(study, study.asked().get(i), names.get(i), files, folder);
      progress.done((i + 1.0) / names.size());
    }
    return figures;
  }

  private static int writeFigures(
      Study study, Study.Asked asked, String called, FileNames files, Path folder)
      throws IOException {
    Findings findings;
    try {
      findings = Answering.of(study.table(asked.table()), asked.inquiry(), Progress.NONE);
    } catch (Refused e) {
      return 0; // An inquiry without an answer has no figure; its slip says why.
    }
    Style style = Style.of(asked.figure(), findings.first().shownMeans().size());
    Map<String, InquiryFigure> all = InquiryFigure.ofAll(findings, style);
    for (var one : all.entrySet()) {
      String more = all.size() > 1 ? " " + one.getKey() : "";
      String name = files.apart(called + more);
      for (FigureFile format : FigureFile.values()) {
        try (OutputStream out =
            Files.newOutputStream(folder.resolve(name + "." + format.ending()))) {
          format.write(one.getValue().scene(), FIGURE_DPI, out);
        }
      }
    }
    return all.size();
  }

  private void say(String words, boolean trouble) {
    workbench.bannerProperty().set(new Banner(words, trouble, List.of()));
  }

  private <T> void work(Supplier<T> what, Consumer<T> then) {
    work.run(progress -> what.get(), then, refused -> say(refused.refusal().words(), true));
  }

  /** Starts the journal, and offers what an earlier crash left behind. */
  public void startJournal() {
    Path root = journals();
    List<Path> left = Journal.leftBehind(root);
    try {
      journal = Journal.open(root);
    } catch (IOException e) {
      say("Unsaved work cannot be journalled in " + root + ": save often.", true);
      return;
    }
    clock =
        Executors.newSingleThreadScheduledExecutor(
            task -> {
              Thread thread = new Thread(task, "journal");
              thread.setDaemon(true);
              return thread;
            });
    clock.scheduleWithFixedDelay(
        this::writeJournal, JOURNAL_SECONDS, JOURNAL_SECONDS, TimeUnit.SECONDS);
    if (!left.isEmpty()) {
      offer(left);
    }
  }

  /** Said once, not at every stroke of the clock. */
  private volatile boolean journalFails;

  private void writeJournal() {
    Study study = toJournal.getAndSet(null);
    if (study == null) {
      return;
    }
    try {
      journal.write(study, Progress.NONE);
      journal.belongs(file, stamp);
      journalFails = false;
    } catch (IOException | RuntimeException e) {
      // Tried again at the next stroke of the clock, unless there is newer work by then. What is
      // thrown on would stop the clock without a word.
      toJournal.compareAndSet(null, study);
      if (!journalFails) {
        Platform.runLater(
            () -> say("Unsaved work cannot be journalled. " + why(e) + " Save it.", true));
      }
      journalFails = true;
    }
  }

  private static Path journals() {
    return StateFolder.path().resolve("journal");
  }

  /** Why the journal could not be written; of what is no matter of files there are no words. */
  private static String why(Exception e) {
    return e instanceof IOException failure
        ? WriteTrouble.of(journals(), failure).refusal().words()
        : "";
  }

  private void offer(List<Path> left) {
    workbench
        .bannerProperty()
        .set(
            new Banner(
                "Knuckle did not end in good order last time; unsaved work is still there.",
                false,
                List.of(
                    new Banner.Way(
                        "Bring it back",
                        () -> unlessUnsaved("that work", () -> bringBack(left.get(0)))),
                    new Banner.Way("Throw it away", () -> left.forEach(Journal::discard)))));
  }

  private void bringBack(Path folder) {
    work(
        () -> Journal.recover(folder),
        study -> {
          workbench.open(study);
          Journal.home(folder)
              .ifPresent(
                  home -> {
                    file = home.file();
                    stamp = home.stamp();
                  });
          changed();
          writeJournal();
          Journal.discard(folder);
        });
  }

  /** Ends while there is still unsaved work: it is written down, and offered at the next start. */
  public void endAbruptly() {
    if (clock == null) {
      return;
    }
    clock.shutdownNow();
    try {
      if (unsaved.get()) {
        writeJournal();
        journal.leave();
      } else {
        journal.close();
      }
    } catch (IOException e) {
      return; // What was journalled before is offered at the next start.
    }
  }

  /** Ends in good order; what is not saved is no longer wanted. */
  public void end() {
    if (clock != null) {
      clock.shutdown();
      try {
        clock.awaitTermination(JOURNAL_SECONDS, TimeUnit.SECONDS);
        clock = null;
        journal.close();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      } catch (IOException e) {
        return; // The folder is offered at the next start; nothing is lost.
      }
    }
  }

  /** Whether something is not saved: true from the first change on. */
  public ReadOnlyBooleanProperty unsavedProperty() {
    return unsaved.getReadOnlyProperty();
  }

  /** Whether a file is being read or written. */
  public ReadOnlyBooleanProperty busyProperty() {
    return work.busyProperty();
  }

  /** Studies opened or saved lately. */
  public Recent recent() {
    return recent;
  }
}
