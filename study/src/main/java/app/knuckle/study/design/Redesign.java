package app.knuckle.study.design;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/**
 * An inquiry with another part in its sentence. A column plays one part, so a new part takes it
 * from an old one; what hung on a part that goes, goes with it; what no longer fits gives way to
 * what is usual.
 */
public final class Redesign {

  /** Cells of more treatments than this are no longer compared unless that is asked. */
  private static final int MOST_CROSSED = 3;

  private Redesign() {}

  /**
   * Changes an inquiry.
   *
   * @param before the inquiry
   * @param change what to change; the rest follows
   * @return the changed inquiry
   */
  public static Inquiry of(Inquiry before, Consumer<Inquiry.Draft> change) {
    return before.but(
        d -> {
          change.accept(d);
          parts(before, d);
          layout(d);
          method(d);
          comparisons(before, d);
        });
  }

  /** A column that came into a part leaves the part that it had. */
  private static void parts(Inquiry before, Inquiry.Draft d) {
    Map<Part, List<String>> kept = new EnumMap<>(Part.class);
    Part.alone().forEach(part -> kept.put(part, distinct(d.in(part))));
    Map<Part, List<String>> now = new EnumMap<>(kept);
    now.forEach(
        (part, columns) -> {
          for (String column : columns) {
            if (!before.in(part).contains(column)) {
              kept.replaceAll(
                  (other, own) ->
                      other == part ? own : own.stream().filter(c -> !c.equals(column)).toList());
            }
          }
        });
    kept.forEach((part, columns) -> d.give(part, columns));
  }

  private static List<String> distinct(List<String> columns) {
    return List.copyOf(new LinkedHashSet<>(columns));
  }

  private static void layout(Inquiry.Draft d) {
    d.give(Part.WHOLE_PLOT, d.wholePlots().stream().filter(d.treatments()::contains).toList());
    boolean across =
        d.treatments().size() > 1 && d.wholePlots().isEmpty() && d.blocks().size() == 1;
    d.give(
        Part.STRIP,
        across ? d.strips().stream().filter(d.treatments()::contains).toList() : List.of());
    d.give(
        Part.OCCASION,
        d.unit() == null
            ? List.of()
            : d.occasions().stream().filter(d.treatments()::contains).distinct().toList());
    random(d);
    if (!d.treatments().isEmpty()) {
      d.expected = null;
    }
    if (d.treatments().size() != 1) {
      d.clear(Part.PAIRS);
    }
    if (d.measured().size() < 2) {
      d.together = false;
    }
    Map<String, String> reference = new LinkedHashMap<>(d.reference);
    reference.keySet().retainAll(d.treatments());
    d.reference = reference;
    Map<String, Double> adjustAt = new LinkedHashMap<>(d.adjustAt);
    adjustAt.keySet().retainAll(d.covariates());
    d.adjustAt = adjustAt;
    Set<String> known = new LinkedHashSet<>(d.treatments());
    known.addAll(d.covariates());
    if (d.terms.choice() == Terms.Choice.CHOSEN) {
      List<List<String>> terms = d.terms.chosen().stream().filter(known::containsAll).toList();
      d.terms = terms.isEmpty() ? Terms.ALL : new Terms(Terms.Choice.CHOSEN, terms);
    }
  }

  /** What was measured, and what is no category, is drawn from nothing. */
  private static void random(Inquiry.Draft d) {
    d.random =
        d.random.with(
            d.random.terms().stream()
                .filter(term -> term.stream().noneMatch(d.measured()::contains))
                .filter(term -> term.stream().noneMatch(d.covariates()::contains))
                .toList());
    if (d.unit() == null || d.occasions().size() != 1) {
      d.random = d.random.with(WithinUnit.EQUAL); // Over which occasions would they be correlated?
    }
  }

  private static void method(Inquiry.Draft d) {
    if (d.approach.whyNot(d.inquiry()).isPresent()) {
      d.approach = Approach.LEAST_SQUARES;
    }
  }

  private static void comparisons(Inquiry before, Inquiry.Draft d) {
    boolean pairsPossible =
        !d.treatments().isEmpty() && d.pairs() == null && d.approach.analysis().comparesPairs();
    if (!pairsPossible) {
      d.compare = List.of();
      return;
    }
    boolean sameTreatments = before.treatments().equals(d.treatments());
    boolean sameMethod =
        before.approach().equals(d.approach) && before.blocks().isEmpty() == d.blocks().isEmpty();
    List<Compare> kept = new ArrayList<>();
    for (Compare c : d.compare) {
      boolean known = d.treatments().containsAll(c.of()) && d.treatments().containsAll(c.within());
      known &= c.weights().stream().allMatch(w -> d.treatments().containsAll(w.levels().keySet()));
      boolean own = c.isContrast() && d.approach.analysis().takesContrasts();
      if (known && (own || !c.isContrast() && sameTreatments && fits(d, c, sameMethod))) {
        kept.add(c);
      }
    }
    if (kept.stream().allMatch(Compare::isContrast)) {
      kept.add(0, usual(d, before));
    }
    d.compare = kept;
  }

  private static boolean fits(Inquiry.Draft d, Compare c, boolean sameMethod) {
    boolean referenced = !c.toReference() || d.reference.keySet().containsAll(c.of());
    return sameMethod && referenced;
  }

  /** All pairs of the cells, by the procedure of before if it still fits. */
  private static Compare usual(Inquiry.Draft d, Inquiry before) {
    boolean crossed = d.treatments().size() <= MOST_CROSSED && d.terms.equals(Terms.ALL);
    List<String> of = crossed ? d.treatments() : d.treatments().subList(0, 1);
    Procedure same =
        before.approach().equals(d.approach)
            ? before.compare().stream()
                .filter(c -> !c.isContrast() && !c.toReference())
                .map(Compare::procedure)
                .findFirst()
                .orElse(null)
            : null;
    Procedure usual = d.approach.analysis().usual(d);
    boolean ranks = d.approach.analysis() == Analysis.RANKS;
    return Compare.pairs(of, same == null || ranks ? usual : same);
  }

  /**
   * Whether a direction can be looked for: of one sample, matched pairs, two groups, or differences
   * from a reference.
   *
   * @param inquiry the design
   * @param levels of its first treatment; 0 for none
   * @return false where a direction has no meaning
   */
  public static boolean hasDirection(Inquiry inquiry, int levels) {
    boolean toReference = inquiry.compare().stream().anyMatch(Compare::toReference);
    boolean two = inquiry.treatments().size() == 1 && levels == 2;
    return inquiry.treatments().isEmpty()
        || inquiry.pairs() != null
        || two
        || toReference
        || inquiry.direction() != Direction.EITHER;
  }
}
