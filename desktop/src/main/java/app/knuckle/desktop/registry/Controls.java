package app.knuckle.desktop.registry;

import app.knuckle.desktop.workbench.Joint;
import app.knuckle.formats.report.Block;
import java.util.ArrayList;
import java.util.List;

/** What can be set or done within the joints: each control by its id, and what people call it. */
public final class Controls {

  /**
   * A control.
   *
   * @param joint where it is
   * @param id of its own there
   * @param title what it does
   * @param words that people use for it, beside those of the title
   */
  public record Control(Joint joint, String id, String title, String words) {}

  private final List<Control> all = new ArrayList<>();

  private Controls() {
    records();
    layout();
    look();
    test();
    compare();
    figure();
    writeUp();
    parts();
  }

  private void in(Joint joint, String id, String title, String words) {
    all.add(new Control(joint, id, title, words));
  }

  /** All of them: joint by joint. */
  public static List<Control> all() {
    return List.copyOf(new Controls().all);
  }

  private void records() {
    in(Joint.RECORDS, "find", "Find in the records", "search row number value");
    in(Joint.RECORDS, "only-found", "Show only the rows found", "filter search");
    in(Joint.RECORDS, "set-aside", "Set the chosen rows aside", "exclude delete outlier drop");
    in(Joint.RECORDS, "keep-only", "Keep only the chosen rows", "filter subset");
    in(Joint.RECORDS, "add-step", "Add a step to the trail", "prepare transform recode");
    in(Joint.RECORDS, "column-unit", "Set the unit of a column", "mm g percent");
  }

  private void layout() {
    in(Joint.LAYOUT, "slot-method", "Choose how it is judged", "method ranks permutation counts");
    in(Joint.LAYOUT, "slot-terms", "Choose the terms of the model", "interaction main effects");
    in(Joint.LAYOUT, "slot-direction", "Choose one direction or both", "one sided two tailed");
    in(Joint.LAYOUT, "plain-write", "Write the sentence from plain questions", "wizard help guess");
    in(Joint.LAYOUT, "asked-form-0", "Read the question back", "hypothesis null alternative");
    in(Joint.LAYOUT, "add-expected", "Set an expected value", "one sample t test constant");
    in(Joint.LAYOUT, "add-strips", "Add strips across", "split block criss cross");
    in(Joint.LAYOUT, "add-random", "Add a random grouping", "mixed random effect nested crossed");
  }

  private void look() {
    in(
        Joint.LOOK,
        "copy-summaries",
        "Copy the table of summaries",
        "descriptive statistics n mean");
    in(Joint.LOOK, "look-edges", "Type the edges of the bars", "histogram bins breaks width");
    in(Joint.LOOK, "look-closed-0", "Say which bar an edge belongs to", "histogram bins closed");
    in(Joint.LOOK, "look-kind-0", "Choose the picture of the groups", "dots boxes histogram stem");
    in(Joint.LOOK, "look-against", "Plot a response against a column", "scatter covariate");
    in(Joint.LOOK, "look-measure", "Choose the correlation", "pearson spearman kendall");
    in(Joint.LOOK, "summaries-by", "Summarise by other treatments", "groups table margin");
  }

  private void test() {
    in(Joint.TEST, "squares-0", "Choose the kind of squares", "type I II III sums sequential");
    in(Joint.TEST, "show-coefficients", "Show the coefficients", "estimates parameters regression");
  }

  private void compare() {
    in(Joint.COMPARE, "compare-how", "Choose the procedure", "post hoc multiple tukey holm");
    in(
        Joint.COMPARE,
        "compare-what",
        "Choose the means that are compared",
        "within simple effects");
    in(
        Joint.COMPARE,
        "compare-alpha",
        "Change alpha where means are compared",
        "significance level");
    in(Joint.COMPARE, "compare-direction", "Compare in one direction", "one sided greater less");
    in(Joint.COMPARE, "ladder-bars-0", "Choose the bars of the ladder", "SE interval error");
    in(Joint.COMPARE, "ladder-order-0", "Put the ladder in order", "sort means largest");
    in(
        Joint.COMPARE,
        "pairs-form-0",
        "See all pairs at a glance or as a list",
        "matrix differences");
    in(Joint.COMPARE, "pair-bracket", "Bracket this pair in the figure", "star significance line");
    in(Joint.COMPARE, "show-anyway", "Show the pairs all the same", "interaction many");
  }

  private void figure() {
    in(Joint.FIGURE, "figure-form-0", "Choose the form of the figure", "bars points lines boxes");
    in(Joint.FIGURE, "figure-whiskers", "Choose the error bars, or whiskers", "SE SD interval");
    in(
        Joint.FIGURE,
        "figure-above",
        "Choose what stands above the means",
        "letters brackets stars");
    in(Joint.FIGURE, "figure-palette", "Choose the colours", "palette grey colour blind");
    in(Joint.FIGURE, "figure-patterns", "Hatch as well", "pattern black white print");
    in(Joint.FIGURE, "figure-order", "Put the groups in order", "sort axis");
    in(Joint.FIGURE, "figure-panels", "A panel for each level", "facet split trellis");
    in(Joint.FIGURE, "figure-exchange", "Exchange axis and colours", "swap legend series");
    in(Joint.FIGURE, "figure-values", "Show every value as a circle", "points raw data jitter");
    in(Joint.FIGURE, "figure-counts", "Show the number of values", "n sample size");
    in(Joint.FIGURE, "figure-critical", "Show the least difference as a bar", "lsd");
    in(Joint.FIGURE, "figure-finding", "Show the finding above the plot", "title subtitle");
    in(Joint.FIGURE, "figure-log", "Make the axis logarithmic", "log scale");
    in(Joint.FIGURE, "figure-zero", "Begin the axis at zero", "origin baseline");
    in(Joint.FIGURE, "figure-low", "Set the lower end of the axis", "minimum range limits");
    in(Joint.FIGURE, "figure-high", "Set the upper end of the axis", "maximum range limits");
    in(Joint.FIGURE, "figure-step", "Set the step of the ticks", "axis interval grid");
    in(Joint.FIGURE, "figure-reference", "Draw a level line", "reference threshold target");
    in(Joint.FIGURE, "figure-width", "Set the width of the figure", "size mm column");
    in(Joint.FIGURE, "figure-height", "Set the height of the figure", "size mm");
    in(Joint.FIGURE, "figure-type", "Set the size of the type", "font points");
    in(
        Joint.FIGURE,
        "figure-subject",
        "Choose a word of the figure to replace",
        "label rename text");
    in(Joint.FIGURE, "figure-own-words", "Write a label in own words", "rename axis title text");
    in(Joint.FIGURE, "figure-legend-back", "Put the legend above the plot again", "key");
    in(Joint.FIGURE, "bracket", "Set or remove a bracket", "star significance pair");
    in(Joint.FIGURE, "bracket-from", "Choose where a bracket begins", "star significance pair");
    in(Joint.FIGURE, "bracket-to", "Choose where a bracket ends", "star significance pair");
    in(Joint.FIGURE, "figure-dpi", "Set the resolution", "dpi dots png pixels");
    in(Joint.FIGURE, "export-png", "Take the figure away as PNG", "image picture save export");
    in(Joint.FIGURE, "export-svg", "Take the figure away as SVG", "vector save export");
    in(Joint.FIGURE, "export-pdf", "Take the figure away as PDF", "vector save export print");
    in(Joint.FIGURE, "figure-copy", "Copy the figure", "clipboard picture");
    in(Joint.FIGURE, "preset-one_column", "Size the figure for one column", "journal narrow");
    in(Joint.FIGURE, "preset-two_columns", "Size the figure for two columns", "journal wide");
    in(Joint.FIGURE, "preset-slide", "Size the figure for a slide", "talk presentation");
    in(Joint.FIGURE, "preset-poster", "Size the figure for a poster", "conference large");
    in(Joint.FIGURE, "preset-keep", "Keep this look of the figure", "style preset template save");
    in(Joint.FIGURE, "preset-name", "Name a look of the figure", "style preset template");
  }

  private void writeUp() {
    in(Joint.WRITE_UP, "page-md", "Take the page away as Markdown", "md text export");
    in(Joint.WRITE_UP, "page-csv", "Take the tables away as text", "csv export");
    in(Joint.WRITE_UP, "page-length", "Choose the length of the results", "short sentence full");
    in(
        Joint.WRITE_UP,
        "page-precision",
        "Choose what stands beside a mean",
        "SE SD interval error");
    in(Joint.WRITE_UP, "page-comma", "Write decimals after a comma", "number style continental");
    in(Joint.WRITE_UP, "page-zero", "Write p with a leading zero", "number style");
    in(Joint.WRITE_UP, "page-hyphen", "Write a hyphen for the minus sign", "number style");
    in(Joint.WRITE_UP, "page-thin", "Put a thin space before units", "number style");
    in(Joint.WRITE_UP, "page-exact", "Choose the smallest p written as it is", "exact p value");
    in(Joint.WRITE_UP, "page-one-table", "One table of means for all responses", "several");
    in(Joint.WRITE_UP, "page-panel", "Make the figure a panel", "figure plate several document");
    in(Joint.WRITE_UP, "page-paper", "Choose the paper", "A4 letter size");
    in(Joint.WRITE_UP, "page-beside", "Put another inquiry beside", "compare page");
    in(Joint.WRITE_UP, "page-style", "Choose a style of your own", "journal template");
    in(Joint.WRITE_UP, "page-style-name", "Name a style of the page", "journal template");
    in(Joint.WRITE_UP, "page-style-keep", "Keep this style of the page", "journal template save");
    in(
        Joint.WRITE_UP,
        "page-style-forget",
        "Forget a style of the page",
        "journal template remove");
  }

  /** Parts of a page, and the decimals of its tables. */
  private void parts() {
    for (Block.Part part : Block.Part.values()) {
      in(
          Joint.WRITE_UP,
          "part-" + part.key(),
          "Show or leave out: " + part.title(),
          "page part section order");
    }
    for (Block.Part part : Block.Part.values()) {
      if (part.hasDecimals()) {
        in(
            Joint.WRITE_UP,
            "decimals-" + part.key(),
            "Decimals of: " + part.title(),
            "digits rounding places");
      }
    }
  }
}
