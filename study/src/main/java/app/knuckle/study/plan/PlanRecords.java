package app.knuckle.study.plan;

import app.knuckle.stats.linear.Factor;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Records that a plan will bring, and the inquiry that they will be asked. */
public final class PlanRecords {

  /** The column that says when a unit meets a treatment. */
  private static final String ORDER = "order";

  /** The column of plot numbers. */
  public static final String PLOT = "plot";

  /** The column for whatever else is to be said of a plot. */
  public static final String NOTES = "notes";

  private PlanRecords() {}

  /**
   * The book of a plan: what is known of each plot, and a blank column for all that is to be
   * written.
   *
   * @param plan with its names
   * @param arrangement of its plots
   * @return one row a plot, by their numbers
   */
  public static Table book(Plan plan, Arrangement arrangement) {
    List<Column> columns = known(plan, arrangement, true);
    int plots = arrangement.plots().size();
    for (Plan.Measured measured : plan.measured()) {
      if (measured.covariate() != null) {
        columns.add(blank(measured.covariate().name(), "", plots));
      }
      columns.add(blank(measured.column(), measured.unit(), plots));
    }
    int[] nothing = new int[plots];
    Arrays.fill(nothing, Categories.MISSING);
    columns.add(new Categories(NOTES, "", nothing, List.of(), false));
    return new Table(plan.name(), "", columns, plots + " plots, seed " + plan.seed());
  }

  private static Numbers blank(String name, String unit, int rows) {
    double[] values = new double[rows];
    Arrays.fill(values, Double.NaN);
    return new Numbers(name, unit, values);
  }

  /**
   * A table of simulated values.
   *
   * @param plan with its names
   * @param arrangement of its plots
   * @param measured what the values are of
   * @param values one a plot
   * @param covariate one a plot; null for none
   * @return the records
   */
  static Table table(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      double[] values,
      double[] covariate) {
    List<Column> columns = known(plan, arrangement, false);
    if (covariate != null) {
      columns.add(new Numbers(measured.covariate().name(), "", covariate));
    }
    columns.add(new Numbers(measured.column(), measured.unit(), values));
    return new Table(plan.name(), "", columns, Table.MAKE_BELIEVE, true);
  }

  /** What a plan knows of each plot: with its number and place, or only what an answer needs. */
  static List<Column> known(Plan plan, Arrangement arrangement, boolean places) {
    List<Arrangement.Plot> plots = arrangement.plots();
    List<Column> columns = new ArrayList<>();
    if (places) {
      columns.add(number(PLOT, plots, Arrangement.Plot::number));
    }
    if (places || plan.layout() == Plan.Layout.LATIN_SQUARE) {
      columns.add(number("row", plots, Arrangement.Plot::row));
      columns.add(number("column", plots, Arrangement.Plot::column));
    }
    boolean blocks = plots.stream().anyMatch(p -> !p.block().isEmpty());
    if (blocks) {
      columns.add(words(plan.blockName(), Layer.factor("", plots, Arrangement.Plot::block)));
    }
    if (plan.layout() == Plan.Layout.REPEATED || places && !plots.get(0).unit().isEmpty()) {
      columns.add(words(plan.unitName(), Layer.factor("", plots, Arrangement.Plot::unit)));
    }
    if (places && plan.roles().counterbalanced()) {
      columns.add(number(ORDER, plots, plot -> order(plots, plot)));
    }
    for (Map.Entry<String, List<String>> treatment : plan.treatments().entrySet()) {
      List<String> levels = treatment.getValue();
      int[] codes =
          plots.stream()
              .mapToInt(p -> levels.indexOf(p.treatments().get(treatment.getKey())))
              .toArray();
      columns.add(new Categories(treatment.getKey(), "", codes, levels, false));
    }
    return columns;
  }

  /** Which of the plots of its unit comes when. */
  private static int order(List<Arrangement.Plot> plots, Arrangement.Plot plot) {
    return (int)
        plots.stream().filter(p -> p.unit().equals(plot.unit()) && !isAfter(p, plot)).count();
  }

  /** Numbers may turn back at the end of a row; time does not. */
  private static boolean isAfter(Arrangement.Plot one, Arrangement.Plot other) {
    return one.row() > other.row() || one.row() == other.row() && one.column() > other.column();
  }

  private static Numbers number(
      String name, List<Arrangement.Plot> plots, Function<Arrangement.Plot, Integer> of) {
    return new Numbers(name, "", plots.stream().mapToDouble(of::apply).toArray());
  }

  private static Categories words(String name, Factor factor) {
    return new Categories(name, "", factor.codes(), factor.levels(), false);
  }

  /**
   * The inquiry that the records of a plan will be asked.
   *
   * @param plan how plots lie, and what is wanted
   * @param measured what it is about
   * @return it compares what is wanted, all pairs
   */
  public static Inquiry inquiry(Plan plan, Plan.Measured measured) {
    Inquiry.Draft draft = new Inquiry.Draft();
    draft.name = plan.name();
    draft.give(Part.MEASURED, List.of(measured.column()));
    draft.give(Part.TREATMENT, List.copyOf(plan.treatments().keySet()));
    switch (plan.layout()) {
      case COMPLETELY_RANDOMISED -> {
        // Nothing but treatments.
      }
      case COMPLETE_BLOCKS, INCOMPLETE_BLOCKS -> draft.give(Part.BLOCK, List.of(plan.blockName()));
      case LATIN_SQUARE -> draft.give(Part.BLOCK, List.of("row", "column"));
      case SPLIT_PLOT -> {
        draft.give(Part.BLOCK, List.of(plan.blockName()));
        draft.give(Part.WHOLE_PLOT, plan.roles().wholePlots());
      }
      case SPLIT_BLOCK -> {
        draft.give(Part.BLOCK, List.of(plan.blockName()));
        draft.give(Part.STRIP, plan.roles().strips());
      }
      case REPEATED -> {
        draft.give(Part.UNIT, plan.unitName());
        draft.give(Part.OCCASION, plan.roles().occasions());
      }
      case PAIRS -> draft.give(Part.PAIRS, plan.blockName());
    }
    if (measured.covariate() != null) {
      draft.give(Part.COVARIATE, List.of(measured.covariate().name()));
    }
    if (plan.wanted() != null) {
      draft.alpha = plan.wanted().alpha();
      draft.compare = List.of(Compare.pairs(plan.wanted().of(), plan.wanted().procedure()));
    }
    return draft.inquiry();
  }
}
