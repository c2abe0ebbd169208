package app.knuckle.desktop.command;

import app.knuckle.study.Refused;
import app.knuckle.study.contract.ReckonFile;
import app.knuckle.study.words.Prose;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Answers a question that needs no records: from summaries, a partial table, power. */
@Command(
    name = "reckon",
    mixinStandardHelpOptions = true,
    description = "Answers a question without records, and prints the answer as JSON.")
final class ReckonCommand implements Callable<Integer> {

  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "QUESTION.json", description = "The question.")
  private Path question;

  @Option(names = "--out", description = "The file to write to, rather than the output.")
  private Path out;

  @Override
  public Integer call() {
    PrintWriter errors = spec.commandLine().getErr();
    try {
      if (!Files.isRegularFile(question)) {
        errors.println(question + ": there is no such file. Check the name and the folder.");
        return KnuckleCommand.NOT_COMPUTED;
      }
      String answer = ReckonFile.answer(Files.readString(question));
      if (out == null) {
        spec.commandLine().getOut().print(answer);
        spec.commandLine().getOut().flush();
      } else {
        Files.writeString(Files.isDirectory(out) ? out.resolve("answer.json") : out, answer);
      }
      return 0;
    } catch (Refused e) {
      errors.println(Prose.visible(e.refusal().words()));
      return KnuckleCommand.NOT_COMPUTED;
    } catch (IOException e) {
      errors.println(e.getMessage() + ": the file cannot be read or written.");
      return KnuckleCommand.NOT_COMPUTED;
    }
  }
}
