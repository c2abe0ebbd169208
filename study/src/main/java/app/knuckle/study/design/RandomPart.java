package app.knuckle.study.design;

import app.knuckle.stats.linear.Term;
import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * What is drawn from a larger number of its kind, rather than chosen.
 *
 * @param terms columns of each random term, from the outside inward; empty where the random part
 *     follows from the design
 * @param within how repeated readings of one unit are correlated
 * @param denominator how the fixed part is judged
 */
public record RandomPart(List<List<String>> terms, WithinUnit within, Denominator denominator) {

  /** The random part follows from the design. */
  public static final RandomPart OF_DESIGN =
      new RandomPart(List.of(), WithinUnit.EQUAL, Denominator.KENWARD_ROGER);

  public RandomPart {
    terms = terms.stream().map(List::copyOf).toList();
  }

  /**
   * The same with other terms.
   *
   * @param others columns of each
   * @return the random part
   */
  public RandomPart with(List<List<String>> others) {
    return new RandomPart(others, within, denominator);
  }

  /**
   * The same with readings that are correlated in another way.
   *
   * @param other how
   * @return the random part
   */
  public RandomPart with(WithinUnit other) {
    return new RandomPart(terms, other, denominator);
  }

  /**
   * The same, judged in another way.
   *
   * @param other how
   * @return the random part
   */
  public RandomPart with(Denominator other) {
    return new RandomPart(terms, within, other);
  }

  /**
   * Whether a column stands alone as a random term.
   *
   * @param column its name
   * @return true if it has a term of its own
   */
  public boolean isAlone(String column) {
    return terms.contains(List.of(column));
  }

  /**
   * The random terms of a question: those that it names, or those of its design. Blocks are random
   * then, and so is whoever was seen repeatedly, or the whole plot.
   *
   * @param inquiry a question whose method is mixed
   * @return columns of each term, from the outside inward
   */
  public static List<List<String>> of(Inquiry inquiry) {
    RandomPart random = inquiry.random();
    if (!random.terms().isEmpty()) {
      return random.terms();
    }
    List<List<String>> terms = new ArrayList<>();
    inquiry.blocks().forEach(block -> terms.add(List.of(block)));
    if (!inquiry.occasions().isEmpty() && inquiry.unit() != null) {
      if (random.within() != WithinUnit.FIRST_ORDER) {
        terms.add(unit(inquiry));
      }
    } else if (!inquiry.wholePlots().isEmpty()) {
      List<String> plot = new ArrayList<>();
      if (inquiry.unit() == null) {
        plot.addAll(inquiry.blocks());
      }
      plot.addAll(inquiry.wholePlots());
      Stream.ofNullable(inquiry.unit()).forEach(plot::add);
      terms.add(plot);
    } else if (inquiry.unit() != null) {
      terms.add(Stream.concat(inquiry.treatments().stream(), Stream.of(inquiry.unit())).toList());
    }
    return terms.stream().distinct().toList();
  }

  /**
   * Who was seen repeatedly, with the treatments that do not vary within: labels may start anew in
   * each of them.
   *
   * @param inquiry with a unit
   * @return columns, the unit last
   */
  public static List<String> unit(Inquiry inquiry) {
    List<String> columns = new ArrayList<>(inquiry.treatments());
    columns.removeAll(inquiry.occasions());
    columns.add(inquiry.unit());
    return columns;
  }

  /**
   * The question about the fixed part alone: without the blocks and treatments that are random by
   * themselves, and without the terms that are random.
   *
   * @param inquiry a question whose method is mixed
   * @return the same question of what is fixed, its terms chosen one by one
   */
  public static Inquiry fixed(Inquiry inquiry) {
    List<List<String>> random = of(inquiry);
    Predicate<String> isFixed = column -> !random.contains(List.of(column));
    List<String> treatments = inquiry.treatments().stream().filter(isFixed).toList();
    List<List<String>> listed =
        switch (inquiry.terms().choice()) {
          case ALL -> names(Term.combinations(treatments, treatments.size()));
          case MAIN -> names(Term.combinations(treatments, 1));
          case CHOSEN ->
              inquiry.terms().chosen().stream()
                  .filter(term -> term.stream().allMatch(isFixed))
                  .toList();
        };
    List<List<String>> terms =
        listed.stream()
            .filter(term -> random.stream().noneMatch(r -> Set.copyOf(r).equals(Set.copyOf(term))))
            .toList();
    boolean all = terms.size() == listed.size();
    return inquiry.but(
        d -> {
          d.give(Part.TREATMENT, treatments);
          d.give(Part.BLOCK, inquiry.blocks().stream().filter(isFixed).toList());
          d.terms =
              all && inquiry.terms().choice() != Terms.Choice.CHOSEN
                  ? inquiry.terms()
                  : new Terms(Terms.Choice.CHOSEN, terms);
        });
  }

  private static List<List<String>> names(List<Term> terms) {
    return terms.stream().map(Term::names).toList();
  }
}
