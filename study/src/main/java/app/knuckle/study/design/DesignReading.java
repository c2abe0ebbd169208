package app.knuckle.study.design;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How the design reads before any response is looked at.
 *
 * @param readsAs one line: "one treatment at 4 levels, completely randomised"
 * @param skeleton the sources with their degrees of freedom
 * @param questions what is asked, as plain questions
 * @param hypotheses the same as null and alternative hypotheses
 * @param warnings where the sentence and the records disagree
 */
public record DesignReading(
    String readsAs,
    List<Source> skeleton,
    List<String> questions,
    List<String> hypotheses,
    List<String> warnings) {

  public DesignReading {
    skeleton = List.copyOf(skeleton);
    questions = List.copyOf(questions);
    hypotheses = List.copyOf(hypotheses);
    warnings = List.copyOf(warnings);
  }

  /**
   * The same, asking something else.
   *
   * @param otherQuestions plain questions
   * @param otherHypotheses null first
   * @return the reading
   */
  public DesignReading asking(List<String> otherQuestions, List<String> otherHypotheses) {
    return new DesignReading(readsAs, skeleton, otherQuestions, otherHypotheses, warnings);
  }

  /**
   * The same with more warnings.
   *
   * @param more where sentence and records disagree; may be empty
   * @return the reading
   */
  public DesignReading warning(List<String> more) {
    List<String> all = new ArrayList<>(warnings);
    all.addAll(more);
    return new DesignReading(readsAs, skeleton, questions, hypotheses, all);
  }

  /**
   * A line of the skeleton.
   *
   * @param source such as "feed", "error", "total"
   * @param term the columns whose effect it is; empty for errors and the total
   * @param levels how many levels; 0 where that has no meaning
   * @param df degrees of freedom
   * @param against what it is tested against; empty for none
   * @param random whether its levels are drawn, so that it has levels in place of df
   */
  public record Source(
      String source, List<String> term, int levels, int df, String against, boolean random) {
    public Source {
      term = List.copyOf(term);
    }

    /** A source that is fixed. */
    public Source(String source, List<String> term, int levels, int df, String against) {
      this(source, term, levels, df, against, false);
    }

    /**
     * A source that is random.
     *
     * @param source its name
     * @param term its columns
     * @param levels how many occur
     * @return the line
     */
    public static Source random(String source, List<String> term, int levels) {
      return new Source(source, term, levels, 0, "", true);
    }
  }

  /**
   * Reads a layout of one treatment; what is asked of it is still open.
   *
   * @param groups the groups of the treatment
   * @param counts values of the response in each group
   * @return the reading
   */
  public static DesignReading of(Groups groups, int[] counts) {
    String treatment = groups.treatment().name();
    int filled = (int) Arrays.stream(counts).filter(n -> n > 0).count();
    int total = Arrays.stream(counts).sum();
    int error = Math.max(0, total - filled);
    List<Source> skeleton =
        List.of(
            new Source(
                treatment,
                List.of(groups.treatment().name()),
                filled,
                Math.max(0, filled - 1),
                error > 0 ? "error" : ""),
            new Source("error", List.of(), 0, error, ""),
            new Source("total", List.of(), 0, Math.max(0, total - 1), ""));
    return new DesignReading(
        Phrases.count("design.plain", filled),
        skeleton,
        List.of(),
        List.of(),
        warnings(treatment, groups, counts));
  }

  private static List<String> warnings(String treatment, Groups groups, int[] counts) {
    List<String> warnings = new ArrayList<>();
    List<String> lone = new ArrayList<>();
    List<String> empty = new ArrayList<>();
    for (int g = 0; g < counts.length; g++) {
      if (counts[g] == 1) {
        lone.add(groups.levels().get(g));
      }
      if (counts[g] == 0) {
        empty.add(groups.levels().get(g));
      }
    }
    if (counts.length == 1) {
      warnings.add(say("design.one.level", treatment));
    }
    if (!lone.isEmpty()) {
      warnings.add(Phrases.count("design.lone", lone.size(), Numerals.list(lone)));
    }
    if (!empty.isEmpty()) {
      warnings.add(say("design.empty.levels", Numerals.list(empty)));
    }
    return warnings;
  }
}
