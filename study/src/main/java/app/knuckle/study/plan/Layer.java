package app.knuckle.study.plan;

import app.knuckle.stats.linear.Factor;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Function;

/**
 * Something on which plots lie together and that varies: blocks, whole plots, strips, units, or the
 * plots themselves.
 *
 * @param lie which of them each plot lies on
 * @param sd standard deviation of what they add to a value
 * @param judges whether an error of the analysis is that of this layer
 */
record Layer(Factor lie, double sd, boolean judges) {

  /**
   * The layers of a plan, from wide to narrow; the plots themselves come last.
   *
   * @param plan how plots lie
   * @param plots laid out
   * @param measured what varies
   * @return one or more
   */
  static List<Layer> of(Plan plan, List<Arrangement.Plot> plots, Plan.Measured measured) {
    List<Layer> layers = new ArrayList<>();
    double blocks = measured.blockSd();
    switch (plan.layout()) {
      case COMPLETELY_RANDOMISED -> {
        // Nothing but plots.
      }
      case COMPLETE_BLOCKS, INCOMPLETE_BLOCKS, PAIRS ->
          layers.add(on("block", plots, Arrangement.Plot::block, blocks, false));
      case LATIN_SQUARE -> {
        layers.add(on("row", plots, p -> String.valueOf(p.row()), blocks, false));
        layers.add(on("column", plots, p -> String.valueOf(p.column()), blocks, false));
      }
      case SPLIT_PLOT -> {
        layers.add(on("block", plots, Arrangement.Plot::block, blocks, false));
        layers.add(on("whole plot", plots, Arrangement.Plot::unit, measured.wholePlotSd(), true));
      }
      case SPLIT_BLOCK -> {
        List<String> strips = plan.roles().strips();
        List<String> across = plan.others(strips);
        layers.add(on("block", plots, Arrangement.Plot::block, blocks, false));
        layers.add(strip("strip", plots, strips, measured));
        layers.add(strip("strip across", plots, across, measured));
      }
      case REPEATED -> {
        layers.add(on("unit", plots, Arrangement.Plot::unit, measured.unitSd(), true));
        List<String> occasions = plan.roles().occasions();
        // Each term of occasions is judged against its own variation within units.
        for (int some = 1; some < (1 << occasions.size()) - 1; some++) {
          List<String> of = new ArrayList<>();
          for (int i = 0; i < occasions.size(); i++) {
            if ((some & 1 << i) != 0) {
              of.add(occasions.get(i));
            }
          }
          layers.add(on(of.toString(), plots, p -> p.unit() + levels(p, of), 0, true));
        }
      }
    }
    double single =
        measured.covariate() == null
            ? measured.sd()
            : measured.sd() * Math.sqrt(1 - measured.covariate().r() * measured.covariate().r());
    layers.add(on("plot", plots, p -> String.valueOf(p.number()), single, true));
    return layers;
  }

  private static Layer strip(
      String name, List<Arrangement.Plot> plots, List<String> of, Plan.Measured measured) {
    double sd =
        of.stream().mapToDouble(t -> measured.stripSd().getOrDefault(t, 0.0)).max().orElse(0);
    return on(name, plots, p -> p.block() + levels(p, of), sd, true);
  }

  private static List<String> levels(Arrangement.Plot plot, List<String> of) {
    return of.stream().map(plot.treatments()::get).toList();
  }

  private static Layer on(
      String name,
      List<Arrangement.Plot> plots,
      Function<Arrangement.Plot, String> which,
      double sd,
      boolean judges) {
    return new Layer(factor(name, plots, which), sd, judges);
  }

  /** Plots by something that they have. */
  static Factor factor(
      String name, List<Arrangement.Plot> plots, Function<Arrangement.Plot, String> which) {
    Map<String, Integer> places = new LinkedHashMap<>();
    int[] codes =
        plots.stream()
            .map(which)
            .mapToInt(
                level -> {
                  places.putIfAbsent(level, places.size());
                  return places.get(level);
                })
            .toArray();
    return new Factor(name, List.copyOf(places.keySet()), codes);
  }

  /** Plots that lie on each of them, where these are equally many; their mean elsewhere. */
  double plotsOnEach() {
    return (double) lie.codes().length / new TreeSet<>(lie.levels()).size();
  }
}
