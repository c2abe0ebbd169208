package app.knuckle.desktop.command;

import app.knuckle.formats.report.Paper;
import java.util.Arrays;
import java.util.stream.Collectors;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Option;
import picocli.CommandLine.TypeConversionException;

/** The paper of what is printed. */
final class PaperOption {

  @Option(
      names = "--paper",
      paramLabel = "a4|letter",
      converter = ByKey.class,
      description = "The paper of what is to be printed (a4).")
  private Paper paper = Paper.A4;

  Paper paper() {
    return paper;
  }

  /** Papers by their names in files. */
  static final class ByKey implements ITypeConverter<Paper> {
    @Override
    public Paper convert(String value) {
      return Arrays.stream(Paper.values())
          .filter(paper -> paper.key().equalsIgnoreCase(value))
          .findFirst()
          .orElseThrow(
              () ->
                  new TypeConversionException(
                      "there is no paper '"
                          + value
                          + "'; known are "
                          + Arrays.stream(Paper.values())
                              .map(Paper::key)
                              .collect(Collectors.joining(", "))));
    }
  }
}
