package app.knuckle.study.plan;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * A field book that came back filled, known by its plot numbers.
 *
 * @param plan that it was made of
 * @param inquiry that the plan is asked
 * @param differences from the plan, a sentence each; empty where all is as planned
 */
public record FilledBook(Plan plan, Inquiry inquiry, List<String> differences) {

  private static final String PLOT = "plot";

  /** More than these are counted, not told one by one. */
  private static final int TOLD = 5;

  public FilledBook {
    differences = List.copyOf(differences);
  }

  /**
   * Whether records are the filled book of a plan, and where they differ from it.
   *
   * @param plan any
   * @param table records as read
   * @return empty if they have no plot numbers, lack a treatment, or have nothing that was to be
   *     measured
   */
  public static Optional<FilledBook> of(Plan plan, Table table) {
    List<Plan.Measured> measured =
        plan.measured().stream().filter(m -> table.column(m.column()).isPresent()).toList();
    boolean treated =
        plan.treatments().keySet().stream().allMatch(t -> table.column(t).isPresent());
    if (measured.isEmpty() || !treated || !(table.column(PLOT).orElse(null) instanceof Numbers)) {
      return Optional.empty();
    }
    Inquiry inquiry = PlanRecords.inquiry(plan, measured.get(0));
    if (measured.stream().noneMatch(m -> m.covariate() != null)) {
      List<String> all = measured.stream().map(Plan.Measured::column).toList();
      inquiry = inquiry.but(d -> d.measured = all);
    }
    return Optional.of(new FilledBook(plan, inquiry, differences(plan, table)));
  }

  private static List<String> differences(Plan plan, Table table) {
    Map<Integer, Arrangement.Plot> planned =
        Arrangement.of(plan).plots().stream()
            .collect(Collectors.toMap(Arrangement.Plot::number, p -> p));
    TreeSet<Integer> missing = new TreeSet<>(planned.keySet());
    Map<Integer, Integer> seen = new HashMap<>();
    double[] numbers = ((Numbers) table.column(PLOT).orElseThrow()).values();
    List<String> said = new ArrayList<>();
    for (int row = 0; row < numbers.length; row++) {
      Arrangement.Plot plot = planned.get((int) numbers[row]);
      if (plot == null || numbers[row] != (int) numbers[row]) {
        said.add(
            "Row "
                + (row + 1)
                + (Double.isNaN(numbers[row])
                    ? " has no plot number"
                    : " is of no plot of the plan"));
        continue;
      }
      Integer before = seen.put(plot.number(), row + 1);
      missing.remove(plot.number());
      if (before != null) {
        said.add("Plot " + plot.number() + " stands in row " + before + " and in row " + (row + 1));
      }
      for (Map.Entry<String, String> treatment : plot.treatments().entrySet()) {
        Column column = table.column(treatment.getKey()).orElseThrow();
        String found = column.isMissing(row) ? "nothing" : column.text(row);
        if (!isSame(found, treatment.getValue())) {
          said.add(
              "Plot "
                  + plot.number()
                  + " was to have "
                  + Prose.named(treatment.getValue())
                  + " of "
                  + treatment.getKey()
                  + " and has "
                  + Prose.named(found));
        }
      }
    }
    if (!missing.isEmpty()) {
      said.add(missing(missing));
    }
    return shortened(said);
  }

  private static String missing(TreeSet<Integer> plots) {
    String told = plots.stream().limit(TOLD).map(String::valueOf).collect(Collectors.joining(", "));
    int more = plots.size() - TOLD;
    return (plots.size() == 1 ? "Plot " : "Plots ")
        + told
        + (more > 0 ? " and " + more + " more are" : plots.size() == 1 ? " is" : " are")
        + " not there";
  }

  private static List<String> shortened(List<String> said) {
    if (said.size() <= TOLD + 1) {
      return said;
    }
    List<String> some = new ArrayList<>(said.subList(0, TOLD));
    some.add("And " + (said.size() - TOLD) + " more differences");
    return some;
  }

  /** Levels that look like numbers may come back written otherwise. */
  private static boolean isSame(String found, String planned) {
    return found.equals(planned)
        || NumberText.parse(found, false) == NumberText.parse(planned, false);
  }
}
