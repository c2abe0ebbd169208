package app.knuckle.formats.report;

import app.knuckle.figures.scene.Scene;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
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
     * The name in files.
     *
     * @return such as "means"
     */
    public String key() {
      return name().toLowerCase(Locale.ROOT);
    }

    /**
     * Whether it usually stands on the page: long lists and sources are asked for.
     *
     * @return false for those two
     */
    public boolean isUsual() {
      return this != DIFFERENCES && this != SOURCES;
    }

    /**
     * The parts that stand on a page.
     *
     * @param said by key, "yes" or "no", where that is not as usual
     * @return the parts
     */
    public static Set<Part> wanted(Map<String, String> said) {
      Set<Part> wanted = EnumSet.noneOf(Part.class);
      for (Part part : values()) {
        if (said.getOrDefault(part.key(), part.isUsual() ? YES : NO).equals(YES)) {
          wanted.add(part);
        }
      }
      return wanted;
    }

    /**
     * What is said when a part is put on the page or taken off.
     *
     * @param said before
     * @param wanted whether it shall stand there
     * @return by key, where that is not as usual
     */
    public Map<String, String> said(Map<String, String> said, boolean wanted) {
      Map<String, String> now = new LinkedHashMap<>(said);
      now.remove(key());
      if (wanted != isUsual()) {
        now.put(key(), wanted ? YES : NO);
      }
      return now;
    }

    private static final String YES = "yes";
    private static final String NO = "no";

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

    /**
     * A stretch of text.
     *
     * @param text of it
     * @param italic whether it is a statistic
     */
    public record Run(String text, boolean italic) {}

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
