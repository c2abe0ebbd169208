package app.knuckle.study.design;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Squares;
import app.knuckle.study.prep.Step;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/**
 * One question put to one table. A value: a changed question is another inquiry.
 *
 * @param name as the user calls it
 * @param prepare steps of the prep trail, in order
 * @param measured columns of numbers
 * @param together whether they are one multivariate answer, rather than asked one by one
 * @param treatments columns that say what was done to a unit
 * @param expected what the mean of one sample is compared with; null for none
 * @param blocks columns of blocks; two crossed ones make rows and columns
 * @param wholePlots treatments that were laid on whole plots
 * @param strips treatments laid in strips, across those of the others (split-block)
 * @param unit who was seen repeatedly; null for none
 * @param occasions treatments that vary within a unit
 * @param pairs the column by which two groups are matched; null for none
 * @param covariates columns of numbers measured beforehand
 * @param terms which terms the model has
 * @param squares kind of the sums of squares
 * @param method how the groups are compared
 * @param random what is random; that of the design unless the method is mixed
 * @param outOf column with how many were tried; null for none
 * @param exposure column of time, area or volume that counts are out of; null for none
 * @param extraSpread whether the spread of counts is estimated; null for what is usual
 * @param alpha level of significance, between 0 and 1
 * @param direction in which a difference is looked for
 * @param reference the level of a treatment that others are compared with
 * @param adjustAt values of covariates at which means are given; the others at their mean
 * @param compare what to compare, by which procedures
 * @param edges of the bins in which a response is counted; round ones for others
 */
public record Inquiry(
    String name,
    List<Step> prepare,
    List<String> measured,
    boolean together,
    List<String> treatments,
    Double expected,
    List<String> blocks,
    List<String> wholePlots,
    List<String> strips,
    String unit,
    List<String> occasions,
    String pairs,
    List<String> covariates,
    Terms terms,
    Squares squares,
    Method method,
    RandomPart random,
    String outOf,
    String exposure,
    Boolean extraSpread,
    double alpha,
    Direction direction,
    Map<String, String> reference,
    Map<String, Double> adjustAt,
    List<Compare> compare,
    Map<String, List<Double>> edges) {

  /** Stands before the name of an inquiry that is called after what was changed in it. */
  public static final String CHANGED = "\u2026 ";

  /** The level of significance unless the user says otherwise. */
  public static final double USUAL_ALPHA = 0.05;

  public Inquiry {
    prepare = List.copyOf(prepare);
    measured = List.copyOf(measured);
    treatments = List.copyOf(treatments);
    blocks = List.copyOf(blocks);
    wholePlots = List.copyOf(wholePlots);
    strips = List.copyOf(strips);
    occasions = List.copyOf(occasions);
    covariates = List.copyOf(covariates);
    random = method == Method.MIXED ? random : RandomPart.OF_DESIGN;
    outOf = method == Method.PROPORTIONS ? outOf : null;
    exposure = method == Method.COUNTS ? exposure : null;
    extraSpread = method.isOfCounts() ? extraSpread : null;
    reference = inOrder(reference);
    adjustAt = inOrder(adjustAt);
    compare = List.copyOf(compare);
    edges = inOrder(edges);
    if (!(alpha > 0 && alpha < 1)) {
      throw new IllegalArgumentException("alpha lies between 0 and 1: " + alpha);
    }
  }

  /** How groups are compared. */
  public enum Method {
    /** Least squares: normal errors of equal spread. */
    LEAST_SQUARES("least-squares"),
    /** Some effects drawn at random, their variances estimated. */
    MIXED("mixed"),
    /** Counts, on the logarithm. */
    COUNTS("counts"),
    /** How many of those tried, on the log odds. */
    PROPORTIONS("proportions"),
    /** Each group with its own spread. */
    UNEQUAL_SPREAD("unequal-spread"),
    /** Ranks in place of values. */
    RANKS("ranks"),
    /** Values rearranged among the groups. */
    PERMUTATION("permutation");

    private final String key;

    Method(String key) {
      this.key = key;
    }

    /**
     * Whether it takes what was measured for counts.
     *
     * @return true for counts and proportions
     */
    public boolean isOfCounts() {
      return this == COUNTS || this == PROPORTIONS;
    }

    /**
     * What a sentence says that it is judged by.
     *
     * @return such as "each group's own spread"
     */
    public String words() {
      return Phrases.say("method." + key);
    }

    /**
     * The name in files.
     *
     * @return such as "least-squares"
     */
    public String key() {
      return key;
    }
  }

  /**
   * Which terms a model has.
   *
   * @param choice all combinations, main effects, or those chosen
   * @param chosen the terms, when they were chosen
   */
  public record Terms(Choice choice, List<List<String>> chosen) {

    /** Every combination of the treatments. */
    public static final Terms ALL = new Terms(Choice.ALL, List.of());

    /** Main effects only. */
    public static final Terms MAIN = new Terms(Choice.MAIN, List.of());

    /** How the terms are said. */
    public enum Choice {
      /** Every combination. */
      ALL,
      /** Main effects. */
      MAIN,
      /** One by one. */
      CHOSEN
    }

    public Terms {
      chosen = chosen.stream().map(List::copyOf).toList();
    }
  }

  /**
   * Something to compare: pairs, differences from a reference, a contrast, or trends.
   *
   * @param of the treatments whose means they are
   * @param within treatments at each combination of whose levels it is done anew
   * @param toReference whether others are compared with the reference only
   * @param procedure how; null for a plain contrast
   * @param weights of a contrast; empty for none
   * @param trend highest degree of trends; 0 for none
   * @param name of a contrast; empty for none
   */
  public record Compare(
      List<String> of,
      List<String> within,
      boolean toReference,
      Procedure procedure,
      List<Weight> weights,
      int trend,
      String name) {
    public Compare {
      of = List.copyOf(of);
      within = List.copyOf(within);
      weights = List.copyOf(weights);
    }

    /**
     * All pairs.
     *
     * @param of the treatments
     * @param procedure how
     * @return the comparison
     */
    public static Compare pairs(List<String> of, Procedure procedure) {
      return new Compare(of, List.of(), false, procedure, List.of(), 0, "");
    }

    /**
     * Whether it is a contrast or a trend.
     *
     * @return false for pairs and for differences from a reference
     */
    public boolean isContrast() {
      return !weights.isEmpty() || trend > 0;
    }
  }

  /**
   * The weight of a mean in a contrast.
   *
   * @param levels of the mean, by treatment
   * @param weight any number
   */
  public record Weight(Map<String, String> levels, double weight) {
    public Weight {
      levels = inOrder(levels);
    }
  }

  /** An inquiry in the making. */
  public static final class Draft {
    /** As the user calls it. */
    public String name = "";

    /** Steps of the prep trail. */
    public List<Step> prepare = List.of();

    /** What was measured. */
    public List<String> measured = List.of();

    /** Whether as one answer. */
    public boolean together;

    /** What was done. */
    public List<String> treatments = List.of();

    /** Expected value of one sample. */
    public Double expected;

    /** Blocks. */
    public List<String> blocks = List.of();

    /** Treatments on whole plots. */
    public List<String> wholePlots = List.of();

    /** Treatments laid in strips. */
    public List<String> strips = List.of();

    /** Who was seen repeatedly. */
    public String unit;

    /** When. */
    public List<String> occasions = List.of();

    /** What matches pairs. */
    public String pairs;

    /** Measured beforehand. */
    public List<String> covariates = List.of();

    /** Terms of the model. */
    public Terms terms = Terms.ALL;

    /** Kind of squares. */
    public Squares squares = Squares.AFTER_ALL;

    /** How groups are compared. */
    public Method method = Method.LEAST_SQUARES;

    /** What is random. */
    public RandomPart random = RandomPart.OF_DESIGN;

    /** How many were tried. */
    public String outOf;

    /** What counts are out of. */
    public String exposure;

    /** Whether the spread of counts is estimated. */
    public Boolean extraSpread;

    /** Level of significance. */
    public double alpha = USUAL_ALPHA;

    /** Direction looked for. */
    public Direction direction = Direction.EITHER;

    /** Levels to compare with. */
    public Map<String, String> reference = Map.of();

    /** Values of covariates. */
    public Map<String, Double> adjustAt = Map.of();

    /** What to compare. */
    public List<Compare> compare = List.of();

    /** Edges of bins. */
    public Map<String, List<Double>> edges = Map.of();

    /**
     * The inquiry as it stands.
     *
     * @return the value
     */
    public Inquiry inquiry() {
      return new Inquiry(
          name,
          prepare,
          measured,
          together,
          treatments,
          expected,
          blocks,
          wholePlots,
          strips,
          unit,
          occasions,
          pairs,
          covariates,
          terms,
          squares,
          method,
          random,
          outOf,
          exposure,
          extraSpread,
          alpha,
          direction,
          reference,
          adjustAt,
          compare,
          edges);
    }
  }

  /**
   * The question as the fit of one response sees it: without its name, without the trail, without
   * what is compared and how that is judged, so that no fit can depend on these.
   *
   * @param response the one that is fitted
   * @return equal for questions that have the same fit
   */
  public Inquiry fitting(String response) {
    return laying().but(d -> d.measured = List.of(response));
  }

  /**
   * The question as the layout sees it: which columns play which part, and how they are put into a
   * model.
   *
   * @return equal for questions that are laid out alike
   */
  public Inquiry laying() {
    return but(
        d -> {
          Draft plain = new Draft();
          d.name = plain.name;
          d.prepare = plain.prepare;
          d.alpha = plain.alpha;
          d.direction = plain.direction;
          d.reference = plain.reference;
          d.adjustAt = plain.adjustAt;
          d.compare = plain.compare;
        });
  }

  /**
   * What its pairs are compared on.
   *
   * @return means, means with own spreads, ranks, or ranks in blocks
   */
  public Procedure.Setting setting() {
    boolean inBlocks = !blocks.isEmpty() || unit != null;
    return switch (method) {
      case LEAST_SQUARES, COUNTS, PROPORTIONS, PERMUTATION -> Procedure.Setting.MEANS;
      case MIXED -> Procedure.Setting.OWN_ERRORS;
      case UNEQUAL_SPREAD -> Procedure.Setting.OWN_SPREADS;
      case RANKS -> inBlocks ? Procedure.Setting.RANKS_IN_BLOCKS : Procedure.Setting.RANKS;
    };
  }

  /**
   * The same, changed.
   *
   * @param change what to change
   * @return the changed inquiry
   */
  public Inquiry but(Consumer<Draft> change) {
    Draft d = draft();
    change.accept(d);
    return d.inquiry();
  }

  /** The inquiry as it stands, to be changed. */
  Draft draft() {
    Draft d = new Draft();
    d.name = name;
    d.prepare = prepare;
    d.measured = measured;
    d.together = together;
    d.treatments = treatments;
    d.expected = expected;
    d.blocks = blocks;
    d.wholePlots = wholePlots;
    d.strips = strips;
    d.unit = unit;
    d.occasions = occasions;
    d.pairs = pairs;
    d.covariates = covariates;
    d.terms = terms;
    d.squares = squares;
    d.method = method;
    d.random = random;
    d.outOf = outOf;
    d.exposure = exposure;
    d.extraSpread = extraSpread;
    d.alpha = alpha;
    d.direction = direction;
    d.reference = reference;
    d.adjustAt = adjustAt;
    d.compare = compare;
    d.edges = edges;
    return d;
  }

  /**
   * An inquiry about one response and one treatment, all pairs by Tukey.
   *
   * @param measured name of the response; null when not chosen
   * @param treatment name of the treatment; null when not chosen
   * @return the inquiry, without a name
   */
  public static Inquiry about(String measured, String treatment) {
    return new Draft().inquiry().measuring(measured).treating(treatment);
  }

  /**
   * The same with another name.
   *
   * @param other the name
   * @return the changed inquiry
   */
  public Inquiry named(String other) {
    return but(d -> d.name = other);
  }

  /**
   * The same about another response.
   *
   * @param column its name; null for none
   * @return the changed inquiry
   */
  public Inquiry measuring(String column) {
    return but(d -> d.measured = column == null ? List.of() : List.of(column));
  }

  /**
   * The same about one other treatment, whose means are compared as those before were, pair by
   * pair.
   *
   * @param column its name; null for none
   * @return the changed inquiry
   */
  public Inquiry treating(String column) {
    if (column == null) {
      return but(
          d -> {
            d.treatments = List.of();
            d.compare = List.of();
          });
    }
    List<String> one = List.of(column);
    List<Compare> same = new ArrayList<>();
    for (Compare c : compare) {
      if (!c.isContrast() && !c.toReference()) {
        same.add(Compare.pairs(one, c.procedure()));
      }
    }
    if (same.isEmpty()) {
      same.add(Compare.pairs(one, Procedure.TUKEY));
    }
    return but(
        d -> {
          d.treatments = one;
          d.compare = same.subList(0, 1);
          d.terms = Terms.ALL;
          d.wholePlots = List.of();
          d.strips = List.of();
          d.occasions = List.of();
          d.unit = null;
          d.reference = Map.of();
        });
  }

  /**
   * Whether the spread of counts is estimated, as is usual; rows of single trials show none.
   *
   * @param singles whether every row is a single trial
   * @return what was said, or what is usual
   */
  public boolean spreadIsEstimated(boolean singles) {
    return extraSpread == null ? !singles : extraSpread;
  }

  /**
   * Whether the sentence has a gap: it is not said yet what was done, nor what is expected, nor
   * that several columns are looked at together, nor where the variation lies.
   *
   * @return true while the values can only be described
   */
  public boolean hasGap() {
    return treatments.isEmpty()
        && method != Method.MIXED
        && expected == null
        && !(together && measured.size() > 1);
  }

  /**
   * The same at another level of significance.
   *
   * @param level between 0 and 1
   * @return the changed inquiry
   */
  public Inquiry at(double level) {
    return but(d -> d.alpha = level);
  }

  /**
   * The same after another trail.
   *
   * @param steps the trail
   * @return the changed inquiry
   */
  public Inquiry after(List<Step> steps) {
    return but(d -> d.prepare = steps);
  }

  /** A copy that keeps its order, so that what is written of it is the same each time. */
  private static <K, V> Map<K, V> inOrder(Map<K, V> map) {
    return Collections.unmodifiableMap(new LinkedHashMap<>(map));
  }
}
