package app.knuckle.formats.keeping;

import app.knuckle.study.Place;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.nio.file.Path;
import java.util.List;

/** Files stand where something shall be written, and are not as Knuckle left them. */
public final class FilesOfOthers extends Refused {

  private static final long serialVersionUID = 1L;

  /** More names than this help nobody. */
  private static final int MOST_NAMED = 3;

  private final transient List<Path> files;

  FilesOfOthers(Path folder, List<Path> files) {
    super(
        new Refusal(
            new Place.WholeFile(folder.toString()),
            named(files)
                + (files.size() == 1 ? " is" : " are")
                + " there already, and not as Knuckle wrote "
                + (files.size() == 1 ? "it" : "them"),
            "Choose another place, or replace "
                + (files.size() == 1 ? "it" : "them")
                + " (--replace)"));
    this.files = List.copyOf(files);
  }

  private static String named(List<Path> files) {
    List<String> names =
        files.stream().limit(MOST_NAMED).map(file -> file.getFileName().toString()).toList();
    int more = files.size() - names.size();
    return more == 0
        ? Numerals.list(names)
        : String.join(", ", names) + " and " + Numerals.count(more, "more file", "more files");
  }

  /** Which they are: one or more. */
  public List<Path> files() {
    return files;
  }

  /** What a window asks, which offers to replace them. */
  public String question() {
    return Prose.capital(refusal().what()) + ".";
  }
}
