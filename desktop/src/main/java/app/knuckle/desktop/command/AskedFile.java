package app.knuckle.desktop.command;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.words.Prose;
import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;
import picocli.CommandLine.Model.CommandSpec;

/** A file that asks something, and what is said when it cannot be answered. */
final class AskedFile {

  private AskedFile() {}

  /**
   * Answers, or says on the error stream why not.
   *
   * @param spec of the command
   * @param answer to what was asked; may be refused
   * @return the exit status
   */
  static int answered(CommandSpec spec, Runnable answer) {
    try {
      answer.run();
      return 0;
    } catch (Refused e) {
      spec.commandLine().getErr().println(Prose.visible(e.refusal().words()));
    }
    return KnuckleCommand.NOT_COMPUTED;
  }

  /**
   * The text of a file.
   *
   * @param file in UTF-8
   * @return all of it
   * @throws Refused if it is not there, or no text
   */
  static String text(Path file) {
    if (!Files.isRegularFile(file)) {
      throw Refused.at(
          new Place.WholeFile(file.toString()),
          Files.exists(file) ? "this is no file" : "there is no such file",
          "Check the name and the folder");
    }
    try {
      return Files.readString(file);
    } catch (MalformedInputException e) {
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(file.toString()),
                  "this is not UTF-8 text",
                  "Save it as UTF-8")
              .refusal(),
          e);
    } catch (IOException e) {
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(file.toString()),
                  "the file cannot be read",
                  "Check the name and the folder")
              .refusal(),
          e);
    }
  }
}
