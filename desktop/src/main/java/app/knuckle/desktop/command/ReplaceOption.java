package app.knuckle.desktop.command;

import app.knuckle.formats.keeping.ResultFolder;
import java.nio.file.Path;
import picocli.CommandLine.Option;

/** Whether files may be replaced that are not as Knuckle wrote them. */
final class ReplaceOption {

  @Option(
      names = "--replace",
      description =
          "Replace files of the same names that Knuckle did not write, or that were changed since.")
  private boolean replace;

  boolean replace() {
    return replace;
  }

  ResultFolder folder(Path folder) {
    return ResultFolder.of(folder, replace);
  }
}
