package app.knuckle.desktop.command;

import app.knuckle.formats.keeping.ResultFolder;
import app.knuckle.formats.plan.PlanFiles;
import app.knuckle.stats.Progress;
import app.knuckle.study.contract.PlanAnswerFile;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Lays out a trial: the arrangement, what it will show, and a book to write in. */
@Command(
    name = "plan",
    mixinStandardHelpOptions = true,
    description = "Lays out a trial and says what it will show; writes a field book and labels.")
final class PlanCommand implements Callable<Integer> {

  /** Seeds that are drawn are short enough to be written down. */
  private static final int MOST_SEED = 1_000_000_000;

  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "PLAN.json", description = "The plan.")
  private Path file;

  @Option(names = "--out", required = true, description = "The folder to write to.")
  private Path out;

  @Mixin private PaperOption paper;

  @Mixin private ReplaceOption replacing;

  @Override
  public Integer call() {
    return AskedFile.answered(
        spec,
        () -> {
          String asked = AskedFile.text(file);
          Plan plan = PlanFile.read(asked, new SecureRandom().nextInt(MOST_SEED));
          Arrangement arrangement = Arrangement.of(plan);
          String written = PlanAnswerFile.text(asked, plan, arrangement, Progress.NONE);
          PlanFiles files = new PlanFiles(plan, arrangement, paper.paper());
          // The plan that was asked for comes back, with what it will show, in its own place.
          boolean asks =
              out.resolve(PlanFiles.PLAN)
                  .toAbsolutePath()
                  .normalize()
                  .equals(file.toAbsolutePath().normalize());
          ResultFolder folder = replacing.folder(out);
          boolean heard = System.console() != null;
          try (TerminalProgress progress =
              new TerminalProgress(spec.commandLine().getErr(), heard)) {
            (asks ? folder.choosing(PlanFiles.PLAN) : folder)
                .add(fresh -> files.all(written, fresh, progress));
          }
        });
  }
}
