package app.knuckle.desktop.controls;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** What the heads of tables mean, each in one plain sentence, for whoever points at them. */
public final class Meanings {

  private static final Map<String, String> OF = new LinkedHashMap<>();

  static {
    OF.put("n", "How many values there are.");
    OF.put("missing", "Rows of the group without a value.");
    OF.put("mean", "The sum of the values over their number.");
    OF.put("SD", "Standard deviation: how far single values typically lie from their mean.");
    OF.put("SE", "Standard error: how far the estimate would typically be off by chance.");
    OF.put("median", "Half of the values are smaller, half are larger.");
    OF.put("lower quartile", "A quarter of the values is smaller.");
    OF.put("upper quartile", "A quarter of the values is larger.");
    OF.put("CV %", "Coefficient of variation: the standard deviation as a share of the mean.");
    OF.put("source", "Where variation comes from: a treatment, blocks, or what is left.");
    OF.put("term", "A treatment, or several together, as the model has them.");
    OF.put("df", "Degrees of freedom: how many independent comparisons the row holds.");
    OF.put("df of noise", "Degrees of freedom of the noise that the effect is held against.");
    OF.put("sum of squares", "How much variation belongs to the row.");
    OF.put("mean square", "Variation a degree of freedom.");
    OF.put("F", "The row's mean square over that of the noise; about 1 if nothing is there.");
    OF.put("t", "An estimate over its standard error; about 0 if nothing is there.");
    OF.put("p", "How often chance alone would show at least as much, if nothing were there.");
    OF.put("p by permutation", "The share of rearrangements that show at least as much.");
    OF.put("p by the law of F", "What p would be if the noise were bell-shaped.");
    OF.put("p, sphericity corrected", "p with degrees of freedom reduced for uneven occasions.");
    OF.put("p, shared", "p times the number of kept questions: allows for having asked so many.");
    OF.put(
        "partial \u03b7\u00b2", "Share of what is not otherwise explained that the row explains.");
    OF.put("partial \u03c9\u00b2", "The same, less what chance alone would explain.");
    OF.put("statistic", "Which of the statistics for several responses together.");
    OF.put("difference", "Left less right, in units of the response.");
    OF.put("tested against", "The noise that the row is held against.");
    OF.put("levels", "How many levels there are.");
    OF.put("rank sum", "The ranks of the group's values, added up.");
    OF.put("mean rank", "The ranks of the group's values, on average.");
    OF.put("estimate", "What the records say the coefficient is.");
    OF.put("from", "Lower end of the interval.");
    OF.put("to", "Upper end of the interval.");
  }

  private Meanings() {}

  /** All terms: what each means, a sentence, by the term. */
  public static Map<String, String> all() {
    return Collections.unmodifiableMap(OF);
  }

  static Optional<String> of(String head) {
    return Optional.ofNullable(OF.get(head));
  }
}
