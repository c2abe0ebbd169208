package app.knuckle.study.design;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.study.design.Inquiry.Compare;
import app.knuckle.study.design.Inquiry.Method;
import app.knuckle.study.design.Inquiry.Terms;
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
    Part.alone().forEach(part -> kept.put(part, distinct(part.in(d))));
    Map<Part, List<String>> now = new EnumMap<>(kept);
    now.forEach(
        (part, columns) -> {
          for (String column : columns) {
            if (!part.in(before).contains(column)) {
              kept.replaceAll(
                  (other, own) ->
                      other == part ? own : own.stream().filter(c -> !c.equals(column)).toList());
            }
          }
        });
    kept.forEach((part, columns) -> part.give(d, columns));
  }

  private static List<String> distinct(List<String> columns) {
    return List.copyOf(new LinkedHashSet<>(columns));
  }

  private static void layout(Inquiry.Draft d) {
    d.wholePlots = d.wholePlots.stream().filter(d.treatments::contains).toList();
    boolean across = d.treatments.size() > 1 && d.wholePlots.isEmpty() && d.blocks.size() == 1;
    d.strips = across ? d.strips.stream().filter(d.treatments::contains).toList() : List.of();
    d.occasions =
        d.unit == null
            ? List.of()
            : d.occasions.stream().filter(d.treatments::contains).distinct().toList();
    random(d);
    if (!d.treatments.isEmpty()) {
      d.expected = null;
    }
    if (d.treatments.size() != 1) {
      d.pairs = null;
    }
    if (d.measured.size() < 2) {
      d.together = false;
    }
    Map<String, String> reference = new LinkedHashMap<>(d.reference);
    reference.keySet().retainAll(d.treatments);
    d.reference = reference;
    Map<String, Double> adjustAt = new LinkedHashMap<>(d.adjustAt);
    adjustAt.keySet().retainAll(d.covariates);
    d.adjustAt = adjustAt;
    Set<String> known = new LinkedHashSet<>(d.treatments);
    known.addAll(d.covariates);
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
                .filter(term -> term.stream().noneMatch(d.measured::contains))
                .filter(term -> term.stream().noneMatch(d.covariates::contains))
                .toList());
    if (d.unit == null || d.occasions.size() != 1) {
      d.random = d.random.with(WithinUnit.EQUAL); // Over which occasions would they hang together?
    }
  }

  private static void method(Inquiry.Draft d) {
    if (whyNot(d.inquiry(), d.method) != null) {
      d.method = Method.LEAST_SQUARES;
    }
  }

  /**
   * Why a method does not fit a design.
   *
   * @param inquiry the design
   * @param method the method
   * @return a clause; null if it fits
   */
  public static String whyNot(Inquiry inquiry, Method method) {
    boolean plain =
        inquiry.blocks().isEmpty()
            && inquiry.covariates().isEmpty()
            && inquiry.unit() == null
            && inquiry.wholePlots().isEmpty()
            && inquiry.strips().isEmpty();
    return switch (method) {
      case LEAST_SQUARES -> null;
      case MIXED -> whyNotMixed(inquiry);
      case COUNTS, PROPORTIONS ->
          inquiry.unit() == null
                  && inquiry.wholePlots().isEmpty()
                  && inquiry.strips().isEmpty()
                  && inquiry.pairs() == null
                  && inquiry.expected() == null
                  && !inquiry.together()
                  && !inquiry.treatments().isEmpty()
              ? null
              : "needs treatments with one layer of error: no whole plots, units, strips or pairs";
      case UNEQUAL_SPREAD ->
          inquiry.treatments().size() == 1 && plain && inquiry.pairs() == null
              ? null
              : "needs one treatment, without blocks, covariates or repeated units";
      case RANKS ->
          inquiry.treatments().size() <= 1
                  && inquiry.blocks().size() <= 1
                  && inquiry.covariates().isEmpty()
                  && inquiry.strips().isEmpty()
                  && !inquiry.together()
              ? null
              : "needs one treatment, with one column of blocks at most";
      case PERMUTATION ->
          !inquiry.treatments().isEmpty()
                  && inquiry.unit() == null
                  && inquiry.wholePlots().isEmpty()
                  && inquiry.strips().isEmpty()
                  && inquiry.pairs() == null
                  && !inquiry.together()
              ? null
              : "needs treatments without pairs, repeated units or whole plots";
    };
  }

  /**
   * Why nothing can be random in a design.
   *
   * @param inquiry the design
   * @return a clause; null if something can
   */
  public static String whyNotRandom(Inquiry inquiry) {
    boolean other =
        inquiry.pairs() != null
            || !inquiry.strips().isEmpty()
            || inquiry.together()
            || inquiry.expected() != null;
    return other
        ? "needs a design without pairs, strips, an expected value or responses together"
        : null;
  }

  private static String whyNotMixed(Inquiry inquiry) {
    if (whyNotRandom(inquiry) != null) {
      return whyNotRandom(inquiry);
    }
    Inquiry mixed = inquiry.but(d -> d.method = Method.MIXED);
    boolean fades = mixed.random().within() == WithinUnit.FIRST_ORDER;
    return RandomPart.of(mixed).isEmpty() && !fades
        ? "needs blocks, whole plots, repeated units or another grouping to be random"
        : null;
  }

  private static void comparisons(Inquiry before, Inquiry.Draft d) {
    boolean pairsPossible =
        !d.treatments.isEmpty() && d.pairs == null && d.method != Method.PERMUTATION;
    if (!pairsPossible) {
      d.compare = List.of();
      return;
    }
    boolean sameTreatments = before.treatments().equals(d.treatments);
    boolean sameMethod =
        before.method() == d.method && before.blocks().isEmpty() == d.blocks.isEmpty();
    List<Compare> kept = new ArrayList<>();
    for (Compare c : d.compare) {
      boolean known = d.treatments.containsAll(c.of()) && d.treatments.containsAll(c.within());
      known &= c.weights().stream().allMatch(w -> d.treatments.containsAll(w.levels().keySet()));
      boolean own =
          c.isContrast()
              && (d.method == Method.LEAST_SQUARES
                  || d.method == Method.MIXED
                  || d.method.isOfCounts());
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
    boolean crossed = d.treatments.size() <= MOST_CROSSED && d.terms.equals(Terms.ALL);
    List<String> of = crossed ? d.treatments : d.treatments.subList(0, 1);
    Procedure same =
        before.method() == d.method
            ? before.compare().stream()
                .filter(c -> !c.isContrast() && !c.toReference())
                .map(Compare::procedure)
                .findFirst()
                .orElse(null)
            : null;
    boolean inBlocks = !d.blocks.isEmpty() || d.unit != null;
    Procedure usual =
        switch (d.method) {
          case UNEQUAL_SPREAD -> Procedure.GAMES_HOWELL;
          case RANKS -> inBlocks ? Procedure.NEMENYI : Procedure.DUNN_HOLM;
          case LEAST_SQUARES, MIXED, COUNTS, PROPORTIONS, PERMUTATION -> Procedure.TUKEY;
        };
    boolean ranks = d.method == Method.RANKS;
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
