package app.knuckle.study.beside;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.Pair;
import app.knuckle.study.checks.Footing;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckResult.Judgement;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Two answers side by side. What only one of them has stands alone; nothing is matched that does
 * not judge the same.
 *
 * @param left the first answer
 * @param right the second answer
 * @param sameTable whether both are about the same records
 * @param onlyLeft rows of the source, from 1, that only the first used; empty for two tables
 * @param onlyRight rows of the source, from 1, that only the second used; empty for two tables
 * @param effects of each response, term by term
 * @param fits how well each response is described
 * @param means of each response, as they are shown
 * @param pairs that differ significantly in one of them only
 * @param footing check by check
 */
public record Beside(
    Findings left,
    Findings right,
    boolean sameTable,
    List<Integer> onlyLeft,
    List<Integer> onlyRight,
    List<EffectBeside> effects,
    List<FitBeside> fits,
    List<MeanBeside> means,
    List<PairBeside> pairs,
    List<CheckBeside> footing) {

  /**
   * An effect.
   *
   * @param measured the response
   * @param term its columns
   * @param left how the first answer tested it; empty where it did not
   * @param right how the second answer tested it; empty where it did not
   * @param crossed whether only one of them found it
   */
  public record EffectBeside(
      String measured,
      List<String> term,
      Optional<Tested> left,
      Optional<Tested> right,
      boolean crossed) {}

  /**
   * How well the model of a response fits.
   *
   * @param measured the response
   * @param left of the first answer; empty where it has no model
   * @param right of the second answer
   */
  public record FitBeside(
      String measured, Optional<AnovaTable.ModelFit> left, Optional<AnovaTable.ModelFit> right) {}

  /**
   * A mean.
   *
   * @param measured the response
   * @param levels of the treatments
   * @param left in the first answer; empty where it is not shown
   * @param right in the second answer
   */
  public record MeanBeside(
      String measured,
      Map<String, String> levels,
      Optional<ShownMean> left,
      Optional<ShownMean> right) {}

  /**
   * A pair of means, compared in both answers, that differ significantly in one.
   *
   * @param measured the response
   * @param one levels of a mean
   * @param other levels of the other mean
   * @param inLeft whether it is the first answer that told them apart
   */
  public record PairBeside(
      String measured, Map<String, String> one, Map<String, String> other, boolean inLeft) {}

  /**
   * A check.
   *
   * @param measured the response
   * @param about what
   * @param test its name
   * @param left how the first answer stands on it; empty where it was not checked
   * @param right how the second answer stands on it
   */
  public record CheckBeside(
      String measured,
      String about,
      String test,
      Optional<CheckResult.Judgement> left,
      Optional<CheckResult.Judgement> right) {

    /** Whether the judgement changed: false where only one answer has it. */
    public boolean changed() {
      return left.isPresent() && right.isPresent() && !left.equals(right);
    }
  }

  public Beside {
    onlyLeft = List.copyOf(onlyLeft);
    onlyRight = List.copyOf(onlyRight);
    effects = List.copyOf(effects);
    fits = List.copyOf(fits);
    means = List.copyOf(means);
    pairs = List.copyOf(pairs);
    footing = List.copyOf(footing);
  }

  /**
   * Puts two answers side by side.
   *
   * @param left the first
   * @param right the second
   * @return what can be matched, matched
   */
  public static Beside of(Findings left, Findings right) {
    boolean same = left.table() == right.table() || left.table().equals(right.table());
    BitSet first = same ? used(left) : new BitSet();
    BitSet second = same ? used(right) : new BitSet();
    List<EffectBeside> effects = new ArrayList<>();
    List<FitBeside> fits = new ArrayList<>();
    List<MeanBeside> means = new ArrayList<>();
    List<PairBeside> pairs = new ArrayList<>();
    List<CheckBeside> footing = new ArrayList<>();
    Set<String> responses = new LinkedHashSet<>(left.inquiry().measured());
    responses.addAll(right.inquiry().measured());
    for (String measured : responses) {
      Optional<ResponseFindings> a = response(left, measured);
      Optional<ResponseFindings> b = response(right, measured);
      effects.addAll(effects(measured, left, right, a, b));
      fits.add(new FitBeside(measured, a.flatMap(Beside::fit), b.flatMap(Beside::fit)));
      means.addAll(means(measured, a, b));
      if (a.isPresent() && b.isPresent()) {
        pairs.addAll(pairs(measured, a.get(), b.get()));
      }
      footing.addAll(footing(left, right, measured, a, b));
    }
    return new Beside(
        left,
        right,
        same,
        without(first, second),
        without(second, first),
        effects,
        fits,
        means,
        pairs,
        footing);
  }

  private static BitSet used(Findings findings) {
    BitSet used = new BitSet();
    used.set(1, findings.records().read() + 1);
    findings.records().leftOut().forEach(out -> used.clear(out.row()));
    return used;
  }

  private static List<Integer> without(BitSet rows, BitSet others) {
    BitSet left = (BitSet) rows.clone();
    left.andNot(others);
    return left.stream().boxed().toList();
  }

  private static Optional<ResponseFindings> response(Findings findings, String measured) {
    return findings.responses().stream()
        .filter(r -> r.measured().name().equals(measured))
        .findFirst();
  }

  private static Optional<AnovaTable.ModelFit> fit(ResponseFindings response) {
    return response.results().variances().map(AnovaTable::fit).filter(Objects::nonNull).findFirst();
  }

  private static List<EffectBeside> effects(
      String measured,
      Findings left,
      Findings right,
      Optional<ResponseFindings> a,
      Optional<ResponseFindings> b) {
    Map<Set<String>, Tested> first =
        a.map(r -> Tested.of(r.results(), left.inquiry())).orElse(Map.of());
    Map<Set<String>, Tested> second =
        b.map(r -> Tested.of(r.results(), right.inquiry())).orElse(Map.of());
    Set<Set<String>> terms = new LinkedHashSet<>(first.keySet());
    terms.addAll(second.keySet());
    List<EffectBeside> all = new ArrayList<>();
    for (Set<String> term : terms) {
      Optional<Tested> one = Optional.ofNullable(first.get(term));
      Optional<Tested> other = Optional.ofNullable(second.get(term));
      boolean both =
          one.filter(t -> t.p().exists()).isPresent()
              && other.filter(t -> t.p().exists()).isPresent();
      all.add(
          new EffectBeside(
              measured,
              one.or(() -> other).orElseThrow().term(),
              one,
              other,
              both
                  && Significance.reached(one.get().p(), left.inquiry().alpha())
                      != Significance.reached(other.get().p(), right.inquiry().alpha())));
    }
    return all;
  }

  private static List<MeanBeside> means(
      String measured, Optional<ResponseFindings> a, Optional<ResponseFindings> b) {
    Map<Map<String, String>, ShownMean> first = shown(a);
    Map<Map<String, String>, ShownMean> second = shown(b);
    Set<Map<String, String>> levels = new LinkedHashSet<>(first.keySet());
    levels.addAll(second.keySet());
    return levels.stream()
        .map(
            of ->
                new MeanBeside(
                    measured,
                    of,
                    Optional.ofNullable(first.get(of)),
                    Optional.ofNullable(second.get(of))))
        .toList();
  }

  private static Map<Map<String, String>, ShownMean> shown(Optional<ResponseFindings> response) {
    Map<Map<String, String>, ShownMean> shown = new LinkedHashMap<>();
    if (response.isPresent()) {
      response.get().shownMeans().forEach(mean -> shown.put(mean.levels(), mean));
    }
    return shown;
  }

  private static List<PairBeside> pairs(String measured, ResponseFindings a, ResponseFindings b) {
    Map<Set<Map<String, String>>, Boolean> second = told(b);
    List<PairBeside> all = new ArrayList<>();
    told(a)
        .forEach(
            (pair, apart) -> {
              Boolean other = second.get(pair);
              if (other != null && !other.equals(apart)) {
                List<Map<String, String>> two = List.copyOf(pair);
                all.add(new PairBeside(measured, two.get(0), two.get(1), apart));
              }
            });
    return all;
  }

  /** Whether each pair of means that was compared differs significantly, by the levels of both. */
  private static Map<Set<Map<String, String>>, Boolean> told(ResponseFindings response) {
    Map<Set<Map<String, String>>, Boolean> told = new LinkedHashMap<>();
    for (ComparedMeans family : ComparedMeans.of(response.results())) {
      for (Pair pair : family.pairs()) {
        if (pair.isJudged()) {
          Set<Map<String, String>> two = new LinkedHashSet<>();
          two.add(levels(family, pair.left()));
          two.add(levels(family, pair.right()));
          told.putIfAbsent(two, pair.differs());
        }
      }
    }
    return told;
  }

  private static Map<String, String> levels(ComparedMeans family, int mean) {
    Map<String, String> levels = new LinkedHashMap<>(family.within());
    levels.putAll(family.labels().get(mean));
    return levels;
  }

  private static List<CheckBeside> footing(
      Findings left,
      Findings right,
      String measured,
      Optional<ResponseFindings> a,
      Optional<ResponseFindings> b) {
    Map<List<String>, CheckResult.Judgement> first = judged(left, a);
    Map<List<String>, CheckResult.Judgement> second = judged(right, b);
    Set<List<String>> checks = new LinkedHashSet<>(first.keySet());
    checks.addAll(second.keySet());
    return checks.stream()
        .map(
            check ->
                new CheckBeside(
                    measured,
                    check.get(0),
                    check.get(1),
                    Optional.ofNullable(first.get(check)),
                    Optional.ofNullable(second.get(check))))
        .toList();
  }

  /** What is taken for granted, as the cards of Footing and the page say it. */
  private static Map<List<String>, CheckResult.Judgement> judged(
      Findings findings, Optional<ResponseFindings> response) {
    Map<List<String>, CheckResult.Judgement> judged = new LinkedHashMap<>();
    response
        .map(r -> Footing.of(findings, r).checks())
        .orElse(List.of())
        .forEach(
            check ->
                judged.putIfAbsent(
                    key(check), check.mute() ? Judgement.CANNOT_TELL : check.judgement()));
    return judged;
  }

  /** What a check is about, and its test. */
  private static List<String> key(Footing.Check check) {
    if (check.source() instanceof Footing.Source.OfDesign of) {
      CheckResult own = of.check();
      return List.of((own.about().key() + " " + own.covariate()).strip(), own.test().key());
    }
    if (check.source() instanceof Footing.Source.OfValues of) {
      GroupCheck own = of.check();
      boolean units = check.subject() == Footing.Subject.NORMALITY_OF_UNITS;
      boolean several = check.subject() == Footing.Subject.EXPECTED_COUNTS;
      String about = own.about().key();
      return List.of(units || several ? about + " " + own.on().key() : about, own.test().key());
    }
    return List.of(check.subject().key(), "records");
  }

  /**
   * The quantity of one side.
   *
   * @param side of an effect, a fit or a mean
   * @param which of its quantities
   * @param <T> what it is
   * @return absent where that side has none
   */
  public static <T> Quantity of(Optional<T> side, java.util.function.Function<T, Quantity> which) {
    return side.map(which).orElse(Quantity.absent(Absence.ONLY_THE_OTHER));
  }
}
