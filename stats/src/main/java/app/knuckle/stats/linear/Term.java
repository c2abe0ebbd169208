package app.knuckle.stats.linear;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * A term of a model: a product of factors and covariates.
 *
 * @param names of its factors and covariates, in their order
 */
public record Term(List<String> names) {

  public Term {
    names = List.copyOf(new LinkedHashSet<>(names));
  }

  /**
   * A term.
   *
   * @param names of its factors and covariates
   * @return the term
   */
  public static Term of(String... names) {
    return new Term(List.of(names));
  }

  /**
   * Whether another term is part of this one.
   *
   * @param other any term
   * @return true if this has all its names and more
   */
  public boolean contains(Term other) {
    return names.size() > other.names.size() && names.containsAll(other.names);
  }

  /**
   * The product of two terms.
   *
   * @param other another term
   * @return the term of all names of both
   */
  public Term times(Term other) {
    List<String> all = new ArrayList<>(names);
    all.addAll(other.names);
    return new Term(all);
  }

  /**
   * Whether two terms are of the same names in any order.
   *
   * @param other another term
   * @return true if they are
   */
  public boolean isSameAs(Term other) {
    return Set.copyOf(names).equals(Set.copyOf(other.names));
  }

  /** The name of the source, such as "mesh x density". */
  public String source() {
    return String.join(" x ", names);
  }

  /**
   * Every combination of some factors: the main effects, then two at a time, and so on.
   *
   * @param names of the factors
   * @param highest most factors in a term
   * @return the terms, by order, then as the names stand
   */
  public static List<Term> combinations(List<String> names, int highest) {
    List<Term> terms = new ArrayList<>();
    for (int order = 1; order <= Math.min(highest, names.size()); order++) {
      choose(names, 0, order, List.of(), terms);
    }
    return terms;
  }

  private static void choose(
      List<String> names, int from, int left, List<String> chosen, List<Term> terms) {
    if (left == 0) {
      terms.add(new Term(chosen));
      return;
    }
    for (int i = from; i <= names.size() - left; i++) {
      List<String> more = new ArrayList<>(chosen);
      more.add(names.get(i));
      choose(names, i + 1, left - 1, more, terms);
    }
  }
}
