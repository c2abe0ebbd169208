package app.knuckle.figures.means;

import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.Reach;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Reads a figure of means out of findings. */
public final class MeansReading {

  /** Stands beside the bar of the least difference that counts. */
  static final String LEAST_DIFFERENCE = "least difference";

  /** Marks a mean that differs from the reference. */
  static final String STAR = "*";

  /** More values than this are no longer seen singly, and are left away. */
  private static final int MOST_VALUES = 5000;

  /** More brackets than this hide what they should show. */
  private static final int MOST_BRACKETS = 6;

  private final Findings findings;
  private final ResponseFindings response;
  private final Numbers shown;
  private final Style style;
  private final List<ShownMean> means;
  private final Optional<ComparedMeans> family;
  private final boolean values;
  private final List<String> names;
  private final String colour;
  private final String panel;

  private MeansReading(Findings findings, Style style) {
    this.findings = findings;
    this.style = style;
    response = findings.first();
    shown = findings.shown(response);
    means = response.shownMeans().stream().filter(m -> m.mean().exists()).toList();
    List<Map<String, String>> keys = means.stream().map(ShownMean::levels).toList();
    family =
        ComparedMeans.of(response.results()).stream()
            .filter(f -> f.within().isEmpty() && keys.containsAll(f.labels()))
            .findFirst();
    boolean single = means.stream().allMatch(m -> m.group() >= 0);
    values = single && means.stream().mapToLong(ShownMean::n).sum() <= MOST_VALUES;
    names = means.isEmpty() ? List.of() : List.copyOf(means.get(0).levels().keySet());
    List<String> turned = turned(names, colours(findings, style));
    boolean panels =
        names.size() > 1 && (style.arrangement().panels() || isCrowded(findings, style));
    panel = panels ? turned.get(turned.size() - 1) : "";
    colour = turned.size() > (panels ? 2 : 1) ? turned.get(0) : "";
  }

  private static List<String> turned(List<String> names, int turn) {
    int from = names.isEmpty() ? 0 : turn;
    return Stream.concat(
            names.subList(from, names.size()).stream(), names.subList(0, from).stream())
        .toList();
  }

  /**
   * The figure of an inquiry's first response.
   *
   * @param findings with a fit
   * @param style how to show it
   * @return the figure
   */
  public static MeansFigure of(Findings findings, Style style) {
    return new MeansReading(findings, style).figure();
  }

  private MeansFigure figure() {
    List<String> clusters = new ArrayList<>();
    List<String> series = new ArrayList<>();
    List<String> panels = new ArrayList<>();
    Map<Map<String, String>, Integer> places = new LinkedHashMap<>();
    List<MeansFigure.Group> groups = new ArrayList<>();
    for (ShownMean mean : means) {
      String inPanel = mean.levels().getOrDefault(panel, "");
      String others = others(mean.levels());
      int cluster = 0;
      if (!colour.isEmpty()) {
        Map<String, String> beside = new LinkedHashMap<>(mean.levels());
        beside.remove(colour);
        cluster = places.computeIfAbsent(beside, k -> places.size());
        if (cluster == clusters.size()) {
          clusters.add(others);
        }
      }
      groups.add(
          group(
              mean,
              colour.isEmpty() && !panel.isEmpty() ? others : mean.name(),
              cluster,
              colour.isEmpty() ? -1 : place(series, mean.levels().get(colour)),
              panel.isEmpty() ? 0 : place(panels, inPanel)));
    }
    groups = MeansFigure.ordered(groups, style.arrangement().order(), !colour.isEmpty());
    List<String> keys = groups.stream().map(MeansFigure.Group::key).toList();
    Quantity critical =
        style.shown().criticalBar()
            ? family
                .filter(f -> !f.ranks())
                .map(ComparedMeans::criticalDifference)
                .orElse(Quantity.absent(Absence.PAIRS_NOT_COMPARED))
            : Quantity.absent(Absence.NOT_WISHED);
    return new MeansFigure(
        groups,
        clusters,
        panels,
        series,
        Prose.capital(shown.title()),
        Prose.capital(under()),
        style.shown().finding() ? findings.finding() : "",
        brackets(keys),
        critical,
        style.form() == Form.UNITS ? traces(groups) : List.of(),
        style,
        new MeansCaption(findings, style, family, values).of(groups, critical));
  }

  private MeansFigure.Group group(
      ShownMean mean, String name, int cluster, int colourPlace, int panelPlace) {
    boolean needsValues =
        style.shown().values()
            || style.form() == Form.BOXES
            || style.form() == Form.VALUES
            || style.form() == Form.UNITS;
    int[] rows = values && needsValues ? response.rowsOf(mean.group()) : new int[0];
    double[] single = Arrays.stream(rows).mapToDouble(shown::value).toArray();
    Summary summary =
        mean.group() < 0
            ? null
            : response.groupSummaries().stream()
                .filter(s -> s.levels().equals(mean.levels()))
                .map(GroupSummary::summary)
                .findFirst()
                .orElse(null);
    return new MeansFigure.Group(
        name,
        mean.name(),
        mean.mean().value(),
        style.form() == Form.BOXES && summary != null
            ? Reach.none(Absence.NOT_WISHED)
            : reach(mean),
        above(mean),
        single,
        rows,
        summary,
        mean.n(),
        cluster,
        colourPlace,
        panelPlace);
  }

  private String others(Map<String, String> levels) {
    return GroupSummary.name(
        levels.entrySet().stream()
            .filter(e -> !e.getKey().equals(colour) && !e.getKey().equals(panel))
            .map(Map.Entry::getValue)
            .toList());
  }

  private static int place(List<String> names, String name) {
    if (!names.contains(name)) {
      names.add(name);
    }
    return names.indexOf(name);
  }

  private String under() {
    if (names.size() > 1) {
      return titles(names.stream().filter(n -> !n.equals(colour) && !n.equals(panel)).toList());
    }
    boolean cells = means.stream().allMatch(m -> m.group() >= 0);
    return cells || means.isEmpty() ? response.groups().treatment().title() : titles(names);
  }

  /** As one treatment alone is called: with blanks, and its unit behind. */
  private String titles(List<String> columns) {
    return Numerals.list(
        columns.stream().map(name -> findings.frame().column(name).title()).toList());
  }

  private Reach reach(ShownMean mean) {
    return switch (style.shown().whisker()) {
      case STANDARD_ERROR -> Reach.even(mean.se());
      case STANDARD_DEVIATION -> Reach.even(mean.sd());
      case INTERVAL -> mean.reach();
      case NONE -> Reach.none(Absence.NOT_WISHED);
    };
  }

  private String above(ShownMean mean) {
    if (style.shown().above() != Shown.Above.LETTERS) {
      return "";
    }
    boolean star =
        family
            .filter(ComparedMeans::isAgainstReference)
            .filter(f -> f.pairs().stream().anyMatch(p -> p.differs() && isOther(f, p, mean)))
            .isPresent();
    return star ? STAR : mean.letters();
  }

  /** Whether a mean is the one of a pair that is not the reference. */
  private boolean isOther(ComparedMeans f, Pair pair, ShownMean mean) {
    int place = f.labels().indexOf(mean.levels());
    return (pair.left() == place || pair.right() == place)
        && !mean.levels().equals(f.reference(findings.inquiry()));
  }

  /** The brackets asked for; if none were, those of the pairs that differ, the surest first. */
  private List<MeansFigure.Bracket> brackets(List<String> keys) {
    if (style.shown().above() != Shown.Above.BRACKETS || family.isEmpty()) {
      return List.of();
    }
    ComparedMeans f = family.get();
    boolean chosen = !style.bracketed().isEmpty();
    return f.pairs().stream()
        .filter(
            p ->
                chosen
                    ? style.bracketed().stream()
                        .anyMatch(b -> b.isOf(f.names().get(p.left()), f.names().get(p.right())))
                    : p.differs())
        .sorted(Comparator.comparingDouble(p -> p.p().exists() ? p.p().value() : 1))
        .limit(chosen ? Long.MAX_VALUE : MOST_BRACKETS)
        .map(
            p -> {
              int a = keys.indexOf(f.names().get(p.left()));
              int b = keys.indexOf(f.names().get(p.right()));
              return new MeansFigure.Bracket(
                  Math.min(a, b), Math.max(a, b), Numerals.pStatement(p.p()));
            })
        .toList();
  }

  /**
   * The column whose rows can be joined from group to group: the repeated unit, the pairs, or the
   * blocks.
   *
   * @param inquiry the question
   * @return its name; empty for none
   */
  public static Optional<String> joiner(Inquiry inquiry) {
    return Stream.of(
            Stream.ofNullable(inquiry.unit()),
            Stream.ofNullable(inquiry.pairs()),
            inquiry.blocks().stream())
        .flatMap(s -> s)
        .findFirst();
  }

  private List<MeansFigure.Trace> traces(List<MeansFigure.Group> groups) {
    Optional<String> by = joiner(findings.inquiry());
    if (by.isEmpty() || !findings.frame().has(by.get())) {
      return List.of();
    }
    Column column = findings.frame().column(by.get());
    Map<String, Map<Integer, double[]>> units = new LinkedHashMap<>();
    for (int g = 0; g < groups.size(); g++) {
      for (int i = 0; i < groups.get(g).rows().length; i++) {
        String unit = column.text(groups.get(g).rows()[i]) + "\n" + groups.get(g).panel();
        double[] sum =
            units
                .computeIfAbsent(unit, u -> new LinkedHashMap<>())
                .computeIfAbsent(g, place -> new double[2]);
        sum[0] += groups.get(g).values()[i];
        sum[1]++;
      }
    }
    return units.values().stream()
        .map(
            u ->
                new MeansFigure.Trace(
                    u.keySet().stream().mapToInt(Integer::intValue).toArray(),
                    u.values().stream().mapToDouble(s -> s[0] / s[1]).toArray()))
        .toList();
  }

  /**
   * Which of the treatments has the colours.
   *
   * @param findings with a fit
   * @param style of the figure
   * @return its place among the treatments
   */
  public static int colours(Findings findings, Style style) {
    return style.arrangement().colours(levels(findings));
  }

  /**
   * Whether a treatment has panels though nobody asked for them, as colours would be too many.
   *
   * @param findings with a fit
   * @param style of the figure
   * @return true if neither treatment of two can have the colours
   */
  public static boolean isCrowded(Findings findings, Style style) {
    return style.arrangement().isCrowded(levels(findings));
  }

  /** How many levels each treatment shows. */
  private static List<Integer> levels(Findings findings) {
    List<ShownMean> means = findings.first().shownMeans();
    return treatments(findings).stream()
        .map(name -> (int) means.stream().map(m -> m.levels().get(name)).distinct().count())
        .toList();
  }

  /**
   * The treatments of a figure, that on which groups stand last.
   *
   * @param findings with a fit
   * @return their names
   */
  public static List<String> treatments(Findings findings) {
    return findings.first().shownMeans().stream()
        .findFirst()
        .map(m -> List.copyOf(m.levels().keySet()))
        .orElse(List.of());
  }
}
