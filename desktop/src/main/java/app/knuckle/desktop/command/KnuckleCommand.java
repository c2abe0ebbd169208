package app.knuckle.desktop.command;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.window.KnuckleApp;
import app.knuckle.study.Version;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.words.Prose;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import picocli.CommandLine.TypeConversionException;

/** The command {@code knuckle}. */
@Command(
    name = "knuckle",
    version = "Knuckle " + Version.NUMBER,
    mixinStandardHelpOptions = true,
    description = "Compares treatment groups from designed experiments.")
public final class KnuckleCommand implements Runnable {

  private static final List<Class<?>> COMMANDS =
      List.of(
          RunCommand.class,
          ReckonCommand.class,
          PlanCommand.class,
          VerifyCommand.class,
          Demo.class);

  /** Exit status when an inquiry cannot be computed. */
  static final int NOT_COMPUTED = 1;

  @Parameters(
      index = "0",
      arity = "0..1",
      paramLabel = "FILE",
      description = "Records to open (.csv, .tsv, .txt, .xlsx, .ods), or a study (.knuckle).")
  private Path file;

  @Spec private CommandSpec spec;

  private KnuckleCommand() {}

  /**
   * Runs the command line.
   *
   * @param args as typed
   * @return the exit status: 0, 1 when an inquiry cannot be computed, 2 on wrong usage
   */
  public static int run(String... args) {
    CommandLine line = line(args);
    line.setExecutionExceptionHandler(
        (e, failed, parsed) -> {
          failed.getErr().println("This is a fault in Knuckle, not in what you asked: " + e);
          return NOT_COMPUTED;
        });
    try {
      return line.execute(args);
    } catch (OutOfMemoryError | StackOverflowError e) {
      line.getErr().println("There is not enough memory for this. Ask less at once.");
      return NOT_COMPUTED;
    }
  }

  /**
   * To learn what all commands understand takes a sixth of a second, which a start need not wait
   * for: where one is named, the others are left out, and a bare start names none.
   */
  private static CommandLine line(String... args) {
    CommandLine line = new CommandLine(new KnuckleCommand());
    if (args.length > 0) {
      List<Class<?>> named = COMMANDS.stream().filter(c -> name(c).equals(args[0])).toList();
      (named.isEmpty() ? COMMANDS : named).forEach(line::addSubcommand);
    }
    line.registerConverter(Path.class, KnuckleCommand::path);
    return line;
  }

  /** A name of a file or a folder; an empty variable of a script is none. */
  private static Path path(String text) {
    try {
      if (!text.isEmpty()) {
        return Path.of(text);
      }
    } catch (InvalidPathException e) {
      throw new TypeConversionException(
          "'" + Prose.visible(text) + "' cannot be the name of a file or a folder");
    }
    throw new TypeConversionException("an empty text names no file and no folder");
  }

  private static String name(Class<?> command) {
    return command.getAnnotation(Command.class).name();
  }

  @Override
  public void run() {
    if (file != null && !Files.exists(file)) {
      throw new ParameterException(
          spec.commandLine(),
          Prose.visible(
              "There is no command and no file '"
                  + file
                  + "'. "
                  + Nearest.suggestion(
                      file.toString(), COMMANDS.stream().map(KnuckleCommand::name).toList())));
    }
    KnuckleApp.open(file);
  }

  /** Opens the window with the demo study. */
  @Command(name = "demo", description = "Opens the window with the demo study.")
  static final class Demo implements Runnable {
    @Override
    public void run() {
      KnuckleApp.open("the demo study", DemoStudy::read);
    }
  }
}
