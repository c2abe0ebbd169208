package app.knuckle.study.beside;

import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ShownMean;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Two or three answers, each of the later ones beside the first.
 *
 * @param pairs one or two; all have the same answer on the left
 */
public record Abreast(List<Beside> pairs) {

  /** So many answers are read side by side; with more, none is. */
  public static final int MOST = 3;

  /**
   * What all the answers say about one thing.
   *
   * @param measured the response
   * @param about what: columns of a term, a group, a check and its test; empty for the whole
   * @param answers one each, in their order; empty where it has none
   * @param changed which answers judge otherwise than the first, from 1
   * @param <T> what an answer says
   */
  public record Line<T>(
      String measured, List<String> about, List<Optional<T>> answers, List<Integer> changed) {}

  /**
   * Answers side by side.
   *
   * @throws IllegalArgumentException if there are none, too many, or the first is not the same
   */
  public Abreast {
    pairs = List.copyOf(pairs);
    Findings first = pairs.isEmpty() ? null : pairs.get(0).left();
    if (pairs.isEmpty()
        || pairs.size() >= MOST
        || pairs.stream().anyMatch(pair -> pair.left() != first)) {
      throw new IllegalArgumentException("two or three answers stand beside the same first one");
    }
  }

  /**
   * Two answers.
   *
   * @param two side by side
   */
  public Abreast(Beside two) {
    this(List.of(two));
  }

  /** The answers: two or three, the first first. */
  public List<Findings> answers() {
    List<Findings> all = new ArrayList<>(List.of(pairs.get(0).left()));
    pairs.forEach(pair -> all.add(pair.right()));
    return all;
  }

  /** How each tested the effects: one a term; changed where only one of both found it. */
  public List<Line<Tested>> effects() {
    return lines(
        Beside::effects,
        new Reading<>(
            Beside.EffectBeside::measured,
            Beside.EffectBeside::term,
            Beside.EffectBeside::left,
            Beside.EffectBeside::right,
            Beside.EffectBeside::crossed));
  }

  /** How well the responses are described: one a response. */
  public List<Line<AnovaTable.ModelFit>> fits() {
    return lines(
        Beside::fits,
        new Reading<>(
            Beside.FitBeside::measured,
            fit -> List.of(),
            Beside.FitBeside::left,
            Beside.FitBeside::right,
            fit -> false));
  }

  /** The means as they are shown: one a group. */
  public List<Line<ShownMean>> means() {
    return lines(
        Beside::means,
        new Reading<>(
            Beside.MeanBeside::measured,
            mean -> List.of(GroupSummary.name(mean.levels())),
            Beside.MeanBeside::left,
            Beside.MeanBeside::right,
            mean -> false));
  }

  /** What the answers stand on: one a check. */
  public List<Line<CheckResult.Judgement>> footing() {
    return lines(
        Beside::footing,
        new Reading<>(
            Beside.CheckBeside::measured,
            check -> List.of(check.about(), check.test()),
            Beside.CheckBeside::left,
            Beside.CheckBeside::right,
            Beside.CheckBeside::changed));
  }

  /** How a match of two is read. */
  private record Reading<B, T>(
      Function<B, String> measured,
      Function<B, List<String>> about,
      Function<B, Optional<T>> left,
      Function<B, Optional<T>> right,
      Predicate<B> changed) {}

  private <B, T> List<Line<T>> lines(Function<Beside, List<B>> matches, Reading<B, T> reading) {
    Map<List<Object>, Line<T>> lines = new LinkedHashMap<>();
    for (int p = 0; p < pairs.size(); p++) {
      for (B match : matches.apply(pairs.get(p))) {
        String measured = reading.measured.apply(match);
        List<String> about = reading.about.apply(match);
        Line<T> line =
            lines.computeIfAbsent(List.of(measured, about), key -> empty(measured, about));
        if (reading.left.apply(match).isPresent()) {
          line.answers.set(0, reading.left.apply(match));
        }
        line.answers.set(p + 1, reading.right.apply(match));
        if (reading.changed.test(match)) {
          line.changed.add(p + 1);
        }
      }
    }
    return List.copyOf(lines.values());
  }

  private <T> Line<T> empty(String measured, List<String> about) {
    return new Line<>(
        measured,
        about,
        new ArrayList<>(Collections.nCopies(pairs.size() + 1, Optional.empty())),
        new ArrayList<>());
  }
}
