package app.knuckle.study.design;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.prep.Compute;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Keep;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** What can be asked again, changed in one thing. */
public final class Changes {

  /** Levels of a column with more are not offered one by one. */
  private static final int MOST_LEVELS = 12;

  private static final List<Double> ALPHAS = List.of(0.1, 0.05, 0.01, 0.001);

  private final Inquiry inquiry;
  private final Frame frame;
  private final List<Change> all = new ArrayList<>();

  /**
   * A changed question.
   *
   * @param title what is changed, as a move: "Adjust for start_mm"
   * @param words that people use for it
   * @param inquiry the changed question, named after the change
   */
  public record Change(String title, String words, Inquiry inquiry) {}

  private Changes(Inquiry inquiry, Frame frame) {
    this.inquiry = inquiry;
    this.frame = frame;
  }

  /**
   * The changes of a question.
   *
   * @param inquiry the question
   * @param frame its records after the trail
   * @return each changed in one thing; none that changes nothing
   */
  public static List<Change> of(Inquiry inquiry, Frame frame) {
    Changes changes = new Changes(inquiry, frame);
    changes.methods();
    changes.covariates();
    changes.responses();
    changes.scales();
    changes.procedures();
    changes.alphas();
    changes.records();
    changes.all.removeIf(c -> c.inquiry().named("").equals(inquiry.named("")));
    return List.copyOf(changes.all);
  }

  private void add(String title, String words, String name, Inquiry changed) {
    all.add(new Change(title, words, changed.named(Inquiry.CHANGED + name)));
  }

  private void methods() {
    for (Approach approach : Approach.all()) {
      judgedBy(inquiry, approach)
          .ifPresent(changed -> all.add(new Change(approach.title(), "method test", changed)));
    }
  }

  /**
   * The question judged otherwise.
   *
   * @param inquiry the question
   * @param approach another
   * @return empty if it is judged so already, or does not fit
   */
  public static Optional<Inquiry> judgedBy(Inquiry inquiry, Approach approach) {
    return inquiry.approach().equals(approach) || approach.whyNot(inquiry).isPresent()
        ? Optional.empty()
        : Optional.of(
            Redesign.of(inquiry, d -> d.approach = approach)
                .named(Inquiry.CHANGED + approach.name()));
  }

  /** Numbers that play no part yet. */
  private List<String> freeNumbers() {
    return frame.columns().stream()
        .filter(c -> c instanceof Numbers)
        .map(Column::name)
        .filter(c -> !inquiry.measured().contains(c))
        .filter(c -> !inquiry.treatments().contains(c))
        .filter(c -> !inquiry.blocks().contains(c) && !c.equals(inquiry.unit()))
        .filter(c -> !inquiry.covariates().contains(c) && !c.equals(inquiry.pairs()))
        .toList();
  }

  private void covariates() {
    if (inquiry.treatments().isEmpty()) {
      return;
    }
    for (String column : freeNumbers()) {
      List<String> more = new ArrayList<>(inquiry.covariates());
      more.add(column);
      add(
          "Adjust for " + column,
          "covariate ancova",
          "adjusted for " + column,
          Redesign.of(inquiry, d -> d.give(Part.COVARIATE, more)));
    }
    for (String column : inquiry.covariates()) {
      add(
          "Do not adjust for " + column,
          "covariate ancova without",
          "not adjusted for " + column,
          Redesign.of(
              inquiry,
              d ->
                  d.give(
                      Part.COVARIATE,
                      inquiry.covariates().stream().filter(c -> !c.equals(column)).toList())));
    }
  }

  private void responses() {
    if (inquiry.measured().isEmpty()) {
      return;
    }
    for (String column : freeNumbers()) {
      add(
          "Take " + column + " as what was measured",
          "response dependent another",
          column,
          inquiry.measuring(column));
    }
  }

  private void scales() {
    for (String measured : inquiry.measured()) {
      if (frame.has(measured) && frame.column(measured) instanceof Numbers response) {
        onLogarithm(inquiry, frame, response)
            .ifPresent(
                changed ->
                    all.add(
                        new Change(
                            "Take the logarithm of " + measured, "log scale transform", changed)));
      }
    }
  }

  /**
   * The question about the logarithm of a response.
   *
   * @param inquiry the question
   * @param frame its records after the trail
   * @param response one of the responses
   * @return empty if some value has no logarithm
   */
  public static Optional<Inquiry> onLogarithm(Inquiry inquiry, Frame frame, Numbers response) {
    String column = "log_" + response.name();
    boolean positive = Arrays.stream(response.values()).allMatch(v -> Double.isNaN(v) || v > 0);
    if (!positive || frame.has(column)) {
      return Optional.empty();
    }
    List<Step> steps = new ArrayList<>(inquiry.prepare());
    steps.add(new Compute(column, response.name(), Compute.As.LOG, 0, false));
    List<String> measured =
        inquiry.measured().stream().map(m -> m.equals(response.name()) ? column : m).toList();
    return Optional.of(
        inquiry
            .but(
                d -> {
                  d.prepare = steps;
                  d.give(Part.MEASURED, measured);
                })
            .named(Inquiry.CHANGED + "log of " + response.name()));
  }

  private void procedures() {
    Optional<Compare> now = inquiry.compare().stream().filter(c -> !c.isContrast()).findFirst();
    if (now.isEmpty() || now.get().toReference()) {
      return;
    }
    for (Procedure p : Procedure.fitting(inquiry.setting(), Procedure.Use.ALL_PAIRS)) {
      if (p != Procedure.NONE && p != now.get().procedure()) {
        List<Compare> compare = new ArrayList<>(inquiry.compare());
        compare.set(
            compare.indexOf(now.get()),
            new Compare(now.get().of(), now.get().within(), false, p, List.of(), 0, ""));
        add(
            "Compare by " + Phrases.title(p),
            "procedure post hoc pairs",
            "by " + Phrases.title(p),
            inquiry.but(d -> d.compare = compare));
      }
    }
  }

  private void alphas() {
    for (double alpha : ALPHAS) {
      if (alpha != inquiry.alpha()) {
        String text = Numerals.plain(alpha);
        add(
            "Judge at \u03b1 = " + text,
            "alpha level significance",
            "at \u03b1 = " + text,
            inquiry.at(alpha));
      }
    }
  }

  private void records() {
    for (Column column : frame.columns()) {
      boolean played =
          inquiry.treatments().size() == 1 && inquiry.treatments().contains(column.name());
      if (!(column instanceof Categories levels) || played) {
        continue;
      }
      TreeSet<String> found = new TreeSet<>();
      for (int row = 0; row < frame.rows() && found.size() <= MOST_LEVELS; row++) {
        if (frame.inPlay(row) && !levels.isMissing(row)) {
          found.add(levels.text(row));
        }
      }
      if (found.size() < 2 || found.size() > MOST_LEVELS) {
        continue;
      }
      for (String level : found) {
        List<Step> steps = new ArrayList<>(inquiry.prepare());
        steps.add(
            new Keep(
                List.of(new Keep.Condition(column.name(), List.of(level), null, null)), false));
        add(
            "Only where " + column.name() + " is " + level,
            "filter subset some records keep",
            "only " + column.name() + " " + level,
            inquiry.after(steps));
      }
    }
  }
}
