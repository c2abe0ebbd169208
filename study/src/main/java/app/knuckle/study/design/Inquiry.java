package app.knuckle.study.design;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Squares;
import app.knuckle.study.prep.Step;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.stream.Stream;

/**
 * One question put to one table. A value: a changed question is another inquiry.
 *
 * @param name as the user calls it
 * @param prepare steps of the prep trail, in order
 * @param parts the columns that play each part; parts that none plays are not there
 * @param approach what the response is, and how it is analysed
 * @param model which effects there are, and how they are tested
 * @param questions what is asked of the fitted model
 */
public record Inquiry(
    String name,
    List<Step> prepare,
    Map<Part, List<String>> parts,
    Approach approach,
    ModelSpec model,
    Questions questions)
    implements HasParts {

  /** Stands before the name of an inquiry that is called after what was changed in it. */
  public static final String CHANGED = "\u2026 ";

  /** Leaves out what of the model and of the columns its approach has no use for. */
  public Inquiry {
    prepare = List.copyOf(prepare);
    Map<Part, List<String>> played = new EnumMap<>(Part.class);
    parts.forEach(
        (part, columns) -> {
          if (approach.response().takes(part) && !columns.isEmpty()) {
            played.put(part, List.copyOf(part.isOfOne() ? columns.subList(0, 1) : columns));
          }
        });
    parts = Collections.unmodifiableMap(played);
    model = model.of(approach);
  }

  @Override
  public List<String> in(Part part) {
    return parts.getOrDefault(part, List.of());
  }

  /** What the numbers of the response are. */
  public Response response() {
    return approach.response();
  }

  /** How they are analysed. */
  public Analysis analysis() {
    return approach.analysis();
  }

  /** Whether several responses are one multivariate answer, not asked one by one. */
  public boolean together() {
    return model.together();
  }

  /** Which terms are fixed. */
  public Terms terms() {
    return model.terms();
  }

  /** Kind of the sums of squares. */
  public Squares squares() {
    return model.squares();
  }

  /** What is random. */
  public RandomPart random() {
    return model.random();
  }

  /** Whether the dispersion of counts is estimated; null for what is usual. */
  public Boolean overdispersion() {
    return model.overdispersion();
  }

  /** What the mean of one sample is compared with; null for none. */
  public Double expected() {
    return questions.expected();
  }

  /** Level of significance, between 0 and 1. */
  public double alpha() {
    return questions.alpha();
  }

  /** The direction in which a difference is looked for. */
  public Direction direction() {
    return questions.direction();
  }

  /** The level of a treatment that others are compared with. */
  public Map<String, String> reference() {
    return questions.reference();
  }

  /** Values of covariates at which means are given; the others at their mean. */
  public Map<String, Double> adjustAt() {
    return questions.adjustAt();
  }

  /** What to compare, by which procedures. */
  public List<Compare> compare() {
    return questions.compare();
  }

  /** Edges of the bins in which a response is counted; round ones for others. */
  public Map<String, List<Double>> edges() {
    return questions.edges();
  }

  /** An inquiry in the making. */
  public static final class Draft implements HasParts {
    private final Map<Part, List<String>> parts = new EnumMap<>(Part.class);

    /** As the user calls it. */
    public String name = "";

    /** Steps of the prep trail. */
    public List<Step> prepare = List.of();

    /** What the response is, and how it is analysed. */
    public Approach approach = Approach.LEAST_SQUARES;

    /** Whether several responses are one answer. */
    public boolean together;

    /** Which terms are fixed. */
    public Terms terms;

    /** Kind of squares. */
    public Squares squares;

    /** What is random. */
    public RandomPart random;

    /** Whether the dispersion of counts is estimated; null for what is usual. */
    public Boolean overdispersion;

    /** Expected value of one sample; null for none. */
    public Double expected;

    /** Level of significance. */
    public double alpha;

    /** Direction looked for. */
    public Direction direction;

    /** Levels to compare with. */
    public Map<String, String> reference;

    /** Values of covariates. */
    public Map<String, Double> adjustAt;

    /** What to compare. */
    public List<Compare> compare;

    /** Edges of bins. */
    public Map<String, List<Double>> edges;

    /** With nothing chosen. */
    public Draft() {
      model(ModelSpec.USUAL);
      questions(Questions.NONE);
    }

    /** Gives another model. */
    public void model(ModelSpec model) {
      together = model.together();
      terms = model.terms();
      squares = model.squares();
      random = model.random();
      overdispersion = model.overdispersion();
    }

    /** Asks other questions. */
    public void questions(Questions questions) {
      expected = questions.expected();
      alpha = questions.alpha();
      direction = questions.direction();
      reference = questions.reference();
      adjustAt = questions.adjustAt();
      compare = questions.compare();
      edges = questions.edges();
    }

    @Override
    public List<String> in(Part part) {
      return parts.getOrDefault(part, List.of());
    }

    /** Gives a part to columns, in order; of a part of one the first counts. */
    public void give(Part part, List<String> columns) {
      parts.put(part, columns);
    }

    /** Gives a part to one column; null for none. */
    public void give(Part part, String column) {
      give(part, Stream.ofNullable(column).toList());
    }

    /** Takes parts from all columns. */
    public void clear(Part... cleared) {
      for (Part part : cleared) {
        parts.remove(part);
      }
    }

    /** The inquiry as it stands. */
    public Inquiry inquiry() {
      return new Inquiry(
          name,
          prepare,
          parts,
          approach,
          new ModelSpec(together, terms, squares, random, overdispersion),
          new Questions(expected, alpha, direction, reference, adjustAt, compare, edges));
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
    return laying().but(d -> d.give(Part.MEASURED, List.of(response)));
  }

  /**
   * The question as the layout sees it: which columns play which part, and how they are put into a
   * model. Returns equal for questions that are laid out alike.
   */
  public Inquiry laying() {
    return but(
        d -> {
          d.name = "";
          d.prepare = List.of();
          d.questions(Questions.NONE);
          d.expected = expected();
          d.edges = edges();
        });
  }

  /**
   * What its pairs are compared on: means, means with separate variances, ranks, or ranks in
   * blocks.
   */
  public Procedure.Setting setting() {
    return analysis().setting(this);
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
  private Draft draft() {
    Draft d = new Draft();
    d.name = name;
    d.prepare = prepare;
    d.parts.putAll(parts);
    d.approach = approach;
    d.model(model);
    d.questions(questions);
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
    return but(d -> d.give(Part.MEASURED, column == null ? List.of() : List.of(column)));
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
            d.clear(Part.TREATMENT);
            d.compare = List.of();
          });
    }
    List<String> one = List.of(column);
    List<Compare> same = new ArrayList<>();
    for (Compare c : compare()) {
      if (!c.isContrast() && !c.toReference()) {
        same.add(Compare.pairs(one, c.procedure()));
      }
    }
    if (same.isEmpty()) {
      same.add(Compare.pairs(one, Procedure.TUKEY));
    }
    return but(
        d -> {
          d.give(Part.TREATMENT, one);
          d.compare = same.subList(0, 1);
          d.terms = Terms.ALL;
          d.clear(Part.WHOLE_PLOT);
          d.clear(Part.STRIP);
          d.clear(Part.OCCASION);
          d.clear(Part.UNIT);
          d.reference = Map.of();
        });
  }

  /**
   * Whether the spread of counts is estimated, as is usual; rows of single trials show none.
   *
   * @param singles whether every row is a single trial
   * @return what was said, or what is usual
   */
  public boolean dispersionIsEstimated(boolean singles) {
    return Objects.requireNonNullElse(overdispersion(), !singles);
  }

  /**
   * Whether the sentence has a gap: it is not said yet what was done, nor what is expected, nor
   * that several columns are looked at together, nor where the variation lies. Returns true while
   * the values can only be described.
   */
  public boolean hasGap() {
    return treatments().isEmpty()
        && analysis() != Analysis.MIXED
        && expected() == null
        && !(together() && measured().size() > 1);
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
}
