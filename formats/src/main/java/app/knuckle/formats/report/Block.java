package app.knuckle.formats.report;

import app.knuckle.figures.scene.Scene;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A piece of the page that goes into a paper; every format is written from these alone. */
public sealed interface Block {

  /** Which part of the page it is. */
  Part part();

  /** What it says: the text, or the caption. Returns words that can be written over. */
  String words();

  /**
   * The same with other words.
   *
   * @param words text or caption
   * @return the block
   */
  Block saying(String words);

  /**
   * The same in another part of the page.
   *
   * @param other part
   * @return the block
   */
  Block in(Part other);

  /** Its kind in a word, as places on a page are kept, such as "paragraph". */
  String kind();

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
    /** What the groups are like as they are. */
    SUMMARIES("Summaries of the groups"),
    /** All pairs with their intervals. */
    DIFFERENCES("Table of differences"),
    /** Questions of one's own. */
    CONTRASTS("Contrasts and trends"),
    /** What each level adds. */
    COEFFICIENTS("Coefficients"),
    /** What it stands on. */
    FOOTING("Footing"),
    /** Another inquiry beside this one. */
    BESIDE("Another inquiry beside"),
    /** The picture of the means. */
    FIGURE("Figure"),
    /** Where the methods come from. */
    SOURCES("Sources of the methods");

    private final String title;

    Part(String title) {
      this.title = title;
    }

    /** The name in files, such as "means". */
    public String key() {
      return name().toLowerCase(Locale.ROOT);
    }

    /**
     * Whether it usually stands on the page: long lists and sources are asked for. Returns false
     * for those.
     */
    public boolean isUsual() {
      return switch (this) {
        case DIFFERENCES, SUMMARIES, COEFFICIENTS, BESIDE, SOURCES -> false;
        case TITLE, METHODS, RESULTS, RANKING, ANALYSIS, MEANS, CONTRASTS, FOOTING, FIGURE -> true;
      };
    }

    /**
     * Whether it has tables of numbers, whose decimals may be asked for: false for text and the
     * figure.
     */
    public boolean hasDecimals() {
      return switch (this) {
        case ANALYSIS, MEANS, SUMMARIES, DIFFERENCES, CONTRASTS, COEFFICIENTS -> true;
        case TITLE, METHODS, RESULTS, RANKING, FOOTING, BESIDE, FIGURE, SOURCES -> false;
      };
    }

    /** Whether it is said for each response apart: false for what a page has once. */
    boolean isOfResponse() {
      return switch (this) {
        case TITLE, METHODS, BESIDE, FIGURE, SOURCES -> false;
        case RESULTS, RANKING, ANALYSIS, MEANS, SUMMARIES -> true;
        case DIFFERENCES, CONTRASTS, COEFFICIENTS, FOOTING -> true;
      };
    }

    /** The name on a control, such as "Means with letters". */
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
  record Heading(Part part, String text, int level) implements Block {

    @Override
    public String words() {
      return text;
    }

    @Override
    public Block saying(String words) {
      return new Heading(part, words, level);
    }

    @Override
    public Block in(Part other) {
      return new Heading(other, text, level);
    }

    @Override
    public String kind() {
      return "heading";
    }
  }

  /**
   * A paragraph.
   *
   * @param part of the page
   * @param text of it; statistics are set in italics
   */
  record Paragraph(Part part, String text) implements Block {

    @Override
    public String words() {
      return text;
    }

    @Override
    public Block saying(String words) {
      return new Paragraph(part, words);
    }

    @Override
    public Block in(Part other) {
      return new Paragraph(other, text);
    }

    @Override
    public String kind() {
      return "paragraph";
    }

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

    /** The text with its statistics apart: stretches that make the whole. */
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

    /**
     * The same with other cells and another note.
     *
     * @param cells in as many rows and columns
     * @param below the note; empty for none
     * @return the table
     */
    public Table with(List<List<String>> cells, String below) {
      return new Table(part, caption, heads, cells, below);
    }

    @Override
    public String words() {
      return caption;
    }

    @Override
    public Block saying(String words) {
      return new Table(part, words, heads, rows, note);
    }

    @Override
    public Block in(Part other) {
      return new Table(other, caption, heads, rows, note);
    }

    @Override
    public String kind() {
      return "table";
    }
  }

  /**
   * The figure.
   *
   * @param part of the page
   * @param caption below it, without its number
   * @param picture laid out
   */
  record Figure(Part part, String caption, Scene picture) implements Block {

    @Override
    public String words() {
      return caption;
    }

    @Override
    public Block saying(String words) {
      return new Figure(part, words, picture);
    }

    @Override
    public Block in(Part other) {
      return new Figure(other, caption, picture);
    }

    @Override
    public String kind() {
      return "figure";
    }
  }
}
