package app.knuckle.figures.means;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupSummary;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a figure of group means shows.
 *
 * @param groups from left to right
 * @param clusters names of the clusters that groups stand in; empty when each stands by itself
 * @param series names of what is told apart by colour; empty for none
 * @param valueTitle title of the value axis, with its unit
 * @param groupTitle title under the groups
 * @param style how it is shown
 * @param caption what a reader must know of it
 */
public record MeansFigure(
    List<Group> groups,
    List<String> clusters,
    List<String> series,
    String valueTitle,
    String groupTitle,
    Style style,
    String caption) {

  /** More values than this are no longer seen singly, and are left away. */
  private static final int MOST_VALUES = 5000;

  public MeansFigure {
    groups = List.copyOf(groups);
    clusters = List.copyOf(clusters);
    series = List.copyOf(series);
  }

  /** Bars from zero, or points. */
  public enum Form {
    /** Bars from zero to the mean. */
    BARS("Bars"),
    /** A point at the mean. */
    POINTS("Points"),
    /** Points joined within each colour: the profile of an interaction. */
    LINES("Lines");

    private final String title;

    Form(String title) {
      this.title = title;
    }

    /**
     * The name on a control.
     *
     * @return such as "Bars"
     */
    public String title() {
      return title;
    }
  }

  /**
   * How a figure is shown.
   *
   * @param form bars or points
   * @param whisker what the whiskers show
   * @param letters whether letters stand above
   * @param values whether the single values are drawn
   * @param widthMm width in millimetres
   * @param heightMm height in millimetres
   * @param typeSize size of the type in points
   * @param exchanged whether the first treatment stands on the axis, rather than in the colours
   */
  public record Style(
      Form form,
      Whisker whisker,
      boolean letters,
      boolean values,
      double widthMm,
      double heightMm,
      double typeSize,
      boolean exchanged) {

    /** Smallest side that can still be read, in millimetres. */
    public static final double SMALLEST_MM = 40;

    /** Largest side, about a poster's, in millimetres. */
    public static final double LARGEST_MM = 600;

    public Style {
      widthMm = Math.min(LARGEST_MM, Math.max(SMALLEST_MM, widthMm));
      heightMm = Math.min(LARGEST_MM, Math.max(SMALLEST_MM, heightMm));
    }

    /** More groups than this are crowded in one column of a journal. */
    private static final int ONE_COLUMN = 9;

    /**
     * One journal column, two for many groups; bars with SE, letters and values.
     *
     * @param groups how many there are
     * @return the usual style
     */
    public static Style usual(int groups) {
      boolean one = groups <= ONE_COLUMN;
      return new Style(
          Form.BARS, Whisker.STANDARD_ERROR, true, true, one ? 85 : 170, one ? 62 : 100, 8, false);
    }

    /**
     * The style as a study file keeps it.
     *
     * @return names and values
     */
    public Map<String, String> settings() {
      Map<String, String> settings = new LinkedHashMap<>();
      settings.put("form", form.name());
      settings.put("whisker", whisker.name());
      settings.put("letters", String.valueOf(letters));
      settings.put("values", String.valueOf(values));
      settings.put("widthMm", String.valueOf(widthMm));
      settings.put("heightMm", String.valueOf(heightMm));
      settings.put("typeSize", String.valueOf(typeSize));
      settings.put("exchanged", String.valueOf(exchanged));
      return settings;
    }

    /**
     * The style that a study file kept.
     *
     * @param settings as given by {@link #settings()}
     * @return the style; empty if a setting is missing or not understood
     */
    public static Optional<Style> of(Map<String, String> settings) {
      try {
        return Optional.of(
            new Style(
                Form.valueOf(settings.get("form")),
                Whisker.valueOf(settings.get("whisker")),
                Boolean.parseBoolean(settings.get("letters")),
                Boolean.parseBoolean(settings.get("values")),
                Double.parseDouble(settings.get("widthMm")),
                Double.parseDouble(settings.get("heightMm")),
                Double.parseDouble(settings.get("typeSize")),
                Boolean.parseBoolean(settings.get("exchanged"))));
      } catch (IllegalArgumentException | NullPointerException e) {
        return Optional.empty(); // Another version's style: the usual one serves.
      }
    }

    /**
     * The same in another form.
     *
     * @param other bars or points
     * @return the changed style
     */
    public Style with(Form other) {
      return new Style(other, whisker, letters, values, widthMm, heightMm, typeSize, exchanged);
    }

    /**
     * The same with other whiskers.
     *
     * @param other what they show
     * @return the changed style
     */
    public Style with(Whisker other) {
      return new Style(form, other, letters, values, widthMm, heightMm, typeSize, exchanged);
    }

    /**
     * The same with or without letters and values.
     *
     * @param showLetters above the groups
     * @param showValues over the means
     * @return the changed style
     */
    public Style showing(boolean showLetters, boolean showValues) {
      return new Style(
          form, whisker, showLetters, showValues, widthMm, heightMm, typeSize, exchanged);
    }

    /**
     * The same with axis and colours exchanged.
     *
     * @return the changed style
     */
    public Style exchange() {
      return new Style(form, whisker, letters, values, widthMm, heightMm, typeSize, !exchanged);
    }

    /**
     * The same at another size of paper and type.
     *
     * @param width in millimetres
     * @param height in millimetres
     * @param type in points
     * @return the changed style
     */
    public Style sized(double width, double height, double type) {
      return new Style(form, whisker, letters, values, width, height, type, exchanged);
    }

    /**
     * The same at another size.
     *
     * @param width in millimetres
     * @param height in millimetres
     * @return the changed style
     */
    public Style sized(double width, double height) {
      return new Style(form, whisker, letters, values, width, height, typeSize, exchanged);
    }
  }

  /**
   * One group.
   *
   * @param name of its level
   * @param mean its mean
   * @param half half the length of its whisker
   * @param letters its letters; empty for none
   * @param values the single values
   * @param rows the rows of the table behind the values, from 0
   * @param cluster place of its cluster; 0 for none
   * @param colour place of its series; -1 for none
   */
  public record Group(
      String name,
      double mean,
      Quantity half,
      String letters,
      double[] values,
      int[] rows,
      int cluster,
      int colour) {}

  /**
   * The figure of an inquiry's first response.
   *
   * @param findings with a fit
   * @param style how to show it
   * @return the figure
   */
  public static MeansFigure of(Findings findings, Style style) {
    ResponseFindings response = findings.first();
    List<ShownMean> means = response.shownMeans().stream().filter(m -> m.mean().exists()).toList();
    long total = means.stream().mapToLong(ShownMean::n).sum();
    boolean values =
        style.values() && total <= MOST_VALUES && means.stream().allMatch(m -> m.group() >= 0);
    List<String> names = means.isEmpty() ? List.of() : List.copyOf(means.get(0).levels().keySet());
    boolean crossed = names.size() > 1;
    String colour = !crossed ? "" : style.exchanged() ? names.get(names.size() - 1) : names.get(0);
    List<String> clusters = new ArrayList<>();
    List<String> series = new ArrayList<>();
    List<Group> groups = new ArrayList<>();
    for (ShownMean mean : means) {
      int[] rows = values ? response.rowsOf(mean.group()) : new int[0];
      double[] single = Arrays.stream(rows).mapToDouble(response.measured()::value).toArray();
      groups.add(
          new Group(
              mean.name(),
              mean.mean().value(),
              half(mean, style),
              style.letters() ? mean.letters() : "",
              single,
              rows,
              crossed ? place(clusters, others(mean.levels(), colour)) : 0,
              crossed ? place(series, mean.levels().get(colour)) : -1));
    }
    groups.sort(Comparator.comparing(Group::cluster).thenComparing(Group::colour));
    String under =
        crossed
            ? String.join(" and ", names.stream().filter(n -> !n.equals(colour)).toList())
            : title(response, means);
    boolean adjusted = !findings.inquiry().covariates().isEmpty();
    return new MeansFigure(
        groups,
        clusters,
        series,
        Prose.capital(response.measured().title()),
        Prose.capital(under),
        style,
        caption(response, means, findings.inquiry().alpha(), style, values, adjusted));
  }

  private static String others(Map<String, String> levels, String colour) {
    return String.join(
        GroupSummary.BETWEEN,
        levels.entrySet().stream()
            .filter(e -> !e.getKey().equals(colour))
            .map(Map.Entry::getValue)
            .toList());
  }

  private static int place(List<String> names, String name) {
    if (!names.contains(name)) {
      names.add(name);
    }
    return names.indexOf(name);
  }

  private static String title(ResponseFindings response, List<ShownMean> means) {
    boolean cells = means.stream().allMatch(m -> m.group() >= 0);
    return cells || means.isEmpty()
        ? response.groups().treatment().title()
        : String.join(" and ", means.get(0).levels().keySet());
  }

  private static Quantity half(ShownMean mean, Style style) {
    return switch (style.whisker()) {
      case STANDARD_ERROR -> mean.se();
      case STANDARD_DEVIATION -> mean.sd();
      case INTERVAL -> mean.half();
      case NONE -> Quantity.absent("no whiskers are shown");
    };
  }

  private static String caption(
      ResponseFindings response,
      List<ShownMean> means,
      double alpha,
      Style style,
      boolean values,
      boolean adjusted) {
    StringBuilder text = new StringBuilder(adjusted ? "Adjusted means" : "Means");
    String percent = Numerals.fixed(100 * (1 - alpha), 0);
    switch (style.whisker()) {
      case INTERVAL -> text.append(" with ").append(percent).append("% confidence intervals");
      case NONE -> {}
      default -> text.append(" \u00b1 ").append(style.whisker().words());
    }
    long least = means.stream().mapToLong(ShownMean::n).min().orElse(0);
    long most = means.stream().mapToLong(ShownMean::n).max().orElse(0);
    text.append(
        least == most
            ? ", n = " + Numerals.whole(most)
            : ", n = " + Numerals.whole(least) + " to " + Numerals.whole(most));
    if (values) {
      text.append(
          adjusted ? "; circles are single values, as measured" : "; circles are single values");
    }
    text.append(".");
    if (style.letters()) {
      response
          .shownComparison()
          .map(Comparison::procedure)
          .or(() -> byRanks(response))
          .ifPresent(p -> text.append(letters(p, alpha)));
    }
    return text.toString();
  }

  private static Optional<Procedure> byRanks(ResponseFindings response) {
    return ComparedMeans.of(response.analysis()).stream()
        .filter(f -> f.ranks() && f.letters() != null)
        .map(ComparedMeans::procedure)
        .findFirst();
  }

  private static String letters(Procedure procedure, double alpha) {
    return " Means that share a letter do not differ ("
        + procedure.title()
        + (procedure.isOnRanks() ? ", on ranks" : "")
        + ", \u03b1 = "
        + alpha
        + ").";
  }
}
