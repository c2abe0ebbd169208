package app.knuckle.study.words;

import app.knuckle.stats.linear.Term;
import java.util.List;

/** What a term of a model is called where people read it. */
public final class TermName {

  private static final String TIMES = " \u00d7 ";

  private TermName() {}

  /**
   * The name of a term.
   *
   * @param term of a model
   * @return its columns, a sign of multiplication between them; their own names are left alone
   */
  public static String of(Term term) {
    return of(term.names());
  }

  /**
   * The name of a product of columns.
   *
   * @param columns one or more
   * @return the columns, a sign of multiplication between them
   */
  public static String of(List<String> columns) {
    return String.join(TIMES, columns);
  }

  /**
   * The name of a source of variation, which may be an error.
   *
   * @param term of the source; of no columns for an error
   * @param source what it is called then
   * @return the name
   */
  public static String of(Term term, String source) {
    return term == null || term.names().isEmpty() ? source : of(term);
  }
}
