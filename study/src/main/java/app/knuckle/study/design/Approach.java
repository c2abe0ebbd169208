package app.knuckle.study.design;

import static app.knuckle.study.words.Phrases.say;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A response and how it is analysed: two choices that fit each other only where the analysis takes
 * the response.
 *
 * @param response what its numbers are
 * @param analysis how they are analysed
 * @throws IllegalArgumentException if the analysis does not take the response
 */
public record Approach(Response response, Analysis analysis) {

  /** Least squares on measurements. */
  public static final Approach LEAST_SQUARES = measured(Analysis.LEAST_SQUARES);

  /** A linear mixed model. */
  public static final Approach MIXED = measured(Analysis.MIXED);

  /** Counts, on the log scale. */
  public static final Approach COUNTS = new Approach(Response.COUNTED, Analysis.DEVIANCE);

  /** Proportions, on the logit scale. */
  public static final Approach PROPORTIONS = new Approach(Response.PROPORTION, Analysis.DEVIANCE);

  /** Separate variances. */
  public static final Approach SEPARATE_VARIANCES = measured(Analysis.SEPARATE_VARIANCES);

  /** Ranks. */
  public static final Approach RANKS = measured(Analysis.RANKS);

  /** Permutation. */
  public static final Approach PERMUTATION = measured(Analysis.PERMUTATION);

  public Approach {
    if (!analysis.takes(response)) {
      throw new IllegalArgumentException(analysis + " does not take " + response);
    }
  }

  private static Approach measured(Analysis analysis) {
    return new Approach(Response.MEASURED, analysis);
  }

  /** Every response with every analysis that takes it, in the order in which they are offered. */
  public static List<Approach> all() {
    return Arrays.stream(Analysis.values())
        .flatMap(
            analysis ->
                Arrays.stream(Response.values())
                    .filter(analysis::takes)
                    .map(response -> new Approach(response, analysis)))
        .toList();
  }

  /** The name in files, such as "least-squares". */
  public String key() {
    return switch (response) {
      case MEASURED -> analysis.key();
      case COUNTED -> "counts";
      case PROPORTION -> "proportions";
    };
  }

  /** What a sentence says that it is analysed by, such as "least squares". */
  public String words() {
    return say("method." + key());
  }

  /** What it is called as a move, such as "Judge on ranks". */
  public String title() {
    return say("method.title." + key());
  }

  /** What an inquiry is called that is asked so, such as "on ranks". */
  public String name() {
    return say("method.name." + key());
  }

  /** What it is for, in a clause, such as "whole numbers of things counted". */
  public String use() {
    return say("method.use." + key());
  }

  /** What the button says that asks so, such as "Ask on ranks". */
  public String wayOn() {
    return say("method.way." + key());
  }

  /** Names of its tests that people know, by which it is found. */
  public String otherNames() {
    return say("method.known." + key());
  }

  /**
   * Why it does not fit a design.
   *
   * @param inquiry the design, whatever its approach
   * @return a clause; empty if it fits
   */
  public Optional<String> whyNot(Inquiry inquiry) {
    return analysis.whyNot(inquiry);
  }
}
