package app.knuckle.formats.report;

import app.knuckle.figures.scene.Scene;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A piece of the page that goes into a paper; every format is written from these alone. */
public sealed interface Block {

  /**
   * Which part of the page it is.
   *
   * @return the part
   */
  Part part();

  /** The parts of a page, in their order. */
  enum Part {
    /** What the page is about. */
    TITLE("Title"),
    /** What was done. */
    METHODS("Methods"),
    /** What was found. */
    RESULTS("Results"),
    /** The means in words. */
    RANKING("Ranking in words"),
    /** The table of the analysis. */
    ANALYSIS("Table of the analysis"),
    /** The means with their letters. */
    MEANS("Means with letters"),
    /** All pairs with their intervals. */
    DIFFERENCES("Table of differences"),
    /** What it stands on. */
    FOOTING("Footing"),
    /** The picture of the means. */
    FIGURE("Figure"),
    /** Where the methods come from. */
    SOURCES("Sources of the methods");

    private final String title;

    Part(String title) {
      this.title = title;
    }

    /**
     * The name on a control.
     *
     * @return such as "Means with letters"
     */
    public String title() {
      return title;
    }
  }

  /**
   * A heading.
   *
   * @param part of the page
   * @param text of it
   * @param level 1 for the page's, 2 and 3 below it
   */
  record Heading(Part part, String text, int level) implements Block {}

  /**
   * A paragraph.
   *
   * @param part of the page
   * @param text of it; statistics are set in italics
   */
  record Paragraph(Part part, String text) implements Block {

    /** Names of statistics where they stand before their value. */
    private static final Pattern STATISTIC =
        Pattern.compile(
            "(?<![\\p{L}\\d\u00b7'])(F|t|p|H|U|z|r|V|W|\u039b|\u03c7\u00b2)(?=(\\([^()]*\\))? [=<>])");

    /** Two degrees of freedom. */
    private static final Pattern DF = Pattern.compile("\\(([\\d.]+), ([\\d.]+)\\)");

    /**
     * A stretch of text.
     *
     * @param text of it
     * @param italic whether it is a statistic
     */
    public record Run(String text, boolean italic) {}

    /**
     * A text whose small statements hold together at the end of a line.
     *
     * @param text any
     * @return with blanks that do not break around = and &lt;
     */
    public static String unbroken(String text) {
      String held =
          text.replace(" = ", "\u00a0=\u00a0")
              .replace(" < ", "\u00a0<\u00a0")
              .replace(" > ", "\u00a0>\u00a0");
      return DF.matcher(held).replaceAll("($1,\u00a0$2)");
    }

    /**
     * The text with its statistics apart.
     *
     * @return stretches that make the whole
     */
    public List<Run> runs() {
      List<Run> runs = new java.util.ArrayList<>();
      Matcher statistic = STATISTIC.matcher(text);
      int from = 0;
      while (statistic.find()) {
        if (statistic.start() > from) {
          runs.add(new Run(text.substring(from, statistic.start()), false));
        }
        runs.add(new Run(statistic.group(), true));
        from = statistic.end();
      }
      if (from < text.length()) {
        runs.add(new Run(text.substring(from), false));
      }
      return runs;
    }
  }

  /**
   * A table.
   *
   * @param part of the page
   * @param caption above it, without its number
   * @param heads of the columns, the first over names
   * @param rows of cells, ready to show
   * @param note below it; empty for none
   */
  record Table(Part part, String caption, List<String> heads, List<List<String>> rows, String note)
      implements Block {
    public Table {
      heads = List.copyOf(heads);
      rows = rows.stream().map(List::copyOf).toList();
    }
  }

  /**
   * The figure.
   *
   * @param part of the page
   * @param caption below it, without its number
   * @param picture laid out
   */
  record Figure(Part part, String caption, Scene picture) implements Block {}
}
