package app.knuckle.formats.keeping;

import app.knuckle.formats.report.NumberStyle;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.Paper;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Questions;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

/**
 * How someone wants the program to be.
 *
 * @param appearance of the window
 * @param textSize in percent of the usual, 100 to 200; from the next start on
 * @param alpha of new inquiries
 * @param procedure by which new inquiries compare all pairs of means
 * @param numbers how they are written on new pages
 * @param paper of new pages and of field books
 * @param folder in which files are looked for first; empty for the platform's own
 * @param openLast whether the study opened last opens at a start without a file
 */
public record Settings(
    Appearance appearance,
    int textSize,
    double alpha,
    Procedure procedure,
    NumberStyle numbers,
    Paper paper,
    String folder,
    boolean openLast) {

  /** As it is for who never set anything. */
  public static final Settings USUAL =
      new Settings(
          Appearance.LIGHT,
          100,
          Questions.USUAL_ALPHA,
          Procedure.TUKEY,
          NumberStyle.USUAL,
          Paper.A4,
          "",
          false);

  /** Sizes of text that are offered, in percent. */
  public static final List<Integer> TEXT_SIZES = List.of(100, 125, 150, 175, 200);

  /** Looks of the window. */
  public enum Appearance {
    /** Dark words on light paper. */
    LIGHT("light"),
    /** Light words on dark paper. */
    DARK("dark"),
    /** Black and white. */
    CONTRAST("high contrast");

    private final String title;

    Appearance(String title) {
      this.title = title;
    }

    /** The name on a control and in the file, in plain words. */
    public String title() {
      return title;
    }
  }

  /** Settings while they are being changed. */
  public static final class Draft {
    /** See the record. */
    public Appearance appearance;

    /** See the record. */
    public int textSize;

    /** See the record. */
    public double alpha;

    /** See the record. */
    public Procedure procedure;

    /** See the record. */
    public NumberStyle numbers;

    /** See the record. */
    public Paper paper;

    /** See the record. */
    public String folder;

    /** See the record. */
    public boolean openLast;

    private Draft(Settings settings) {
      appearance = settings.appearance;
      textSize = settings.textSize;
      alpha = settings.alpha;
      procedure = settings.procedure;
      numbers = settings.numbers;
      paper = settings.paper;
      folder = settings.folder;
      openLast = settings.openLast;
    }
  }

  /**
   * The same but for something.
   *
   * @param change what is otherwise
   * @return the changed settings
   */
  public Settings but(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new Settings(
        d.appearance, d.textSize, d.alpha, d.procedure, d.numbers, d.paper, d.folder, d.openLast);
  }

  /**
   * A new inquiry as it is wanted.
   *
   * @param guess a first guess
   * @return at the level wanted, its pairs by the procedure wanted where the usual one was guessed
   */
  public Inquiry applied(Inquiry guess) {
    UnaryOperator<Compare> by =
        c ->
            c.procedure() == Procedure.TUKEY && !c.isContrast() && c.within().isEmpty()
                ? Compare.pairs(c.of(), procedure)
                : c;
    return guess.but(
        d -> {
          d.alpha = alpha;
          d.compare = d.compare.stream().map(by).toList();
        });
  }

  /** What is asked of the page of a new inquiry: as a study keeps it. */
  public Map<String, String> page() {
    Map<String, String> kept = new LinkedHashMap<>();
    numbers.into(kept);
    PageSettings.paper(kept, paper);
    return kept;
  }
}
