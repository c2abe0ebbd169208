package app.knuckle.desktop.command;

import app.knuckle.formats.keeping.SafeFile;
import app.knuckle.study.contract.ReckonFile;
import java.nio.charset.StandardCharsets;
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
    return AskedFile.answered(
        spec,
        () -> {
          String answer = ReckonFile.answer(AskedFile.text(question));
          if (out == null) {
            spec.commandLine().getOut().print(answer);
            spec.commandLine().getOut().flush();
          } else {
            Path target = Files.isDirectory(out) ? out.resolve("answer.json") : out;
            SafeFile.writeChosen(target, to -> to.write(answer.getBytes(StandardCharsets.UTF_8)));
          }
        });
  }
}
