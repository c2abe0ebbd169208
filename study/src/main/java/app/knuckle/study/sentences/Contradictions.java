package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.linear.Factor;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.cells.IncompleteUnits;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;

/** Where the sentence says what the records cannot bear. */
public final class Contradictions {

  /** Fewer different values than this are no measurement. */
  private static final int FEWEST_VALUES = 3;

  private Contradictions() {}

  /**
   * What the layout cannot bear.
   *
   * @param inquiry the question
   * @param response what was measured
   * @param cells that the treatments make of its rows
   * @return one sentence each, with the way on
   */
  public static List<String> of(Inquiry inquiry, Numbers response, CellGroups cells) {
    List<String> found = new ArrayList<>();
    Set<Double> values = new HashSet<>();
    for (int row = 0; row < response.size() && values.size() < FEWEST_VALUES; row++) {
      if (cells.frame().inPlay(row) && !response.isMissing(row)) {
        values.add(response.value(row));
      }
    }
    if (values.size() == 2 && !inquiry.response().isCounted()) {
      found.add(say("odd.two.values", response.name()));
    }
    List<String> names = new ArrayList<>(inquiry.treatments());
    names.addAll(inquiry.blocks());
    Parts parts = new Parts(cells.frame(), List.of(), names);
    List<Factor> treatments = parts.factors(inquiry.treatments());
    for (int i = 0; i < treatments.size(); i++) {
      for (int j = i + 1; j < treatments.size(); j++) {
        Factor a = treatments.get(i);
        Factor b = treatments.get(j);
        if (determines(a, b) && determines(b, a)) {
          found.add(say("odd.together", a.name(), b.name()));
        }
      }
    }
    if (inquiry.wholePlots().isEmpty()) {
      for (Factor block : parts.factors(inquiry.blocks())) {
        if (inquiry.analysis() == Analysis.MIXED
            && RandomPart.of(inquiry).contains(List.of(block.name()))) {
          continue; // Treatments may stand on whole blocks that are drawn at random.
        }
        for (Factor treatment : treatments) {
          if (treatment.size() > 1 && determines(block, treatment)) {
            found.add(say("odd.block", treatment.name(), block.name()));
            continue;
          }
          List<String> apart = apart(treatment, block, response);
          if (!apart.isEmpty()) {
            found.add(
                Phrases.count(
                    "odd.apart",
                    apart.size(),
                    Numerals.list(apart),
                    treatment.name(),
                    block.name()));
          }
        }
      }
    }
    inquiry.covariates().forEach(x -> covariate(x, inquiry, cells, response).ifPresent(found::add));
    String unit = inquiry.pairs() != null ? inquiry.pairs() : ranked(inquiry);
    if (unit != null && treatments.size() == 1) {
      Factor units = new Parts(cells.frame(), List.of(), List.of(unit)).factor(unit);
      double[] of = IntStream.range(0, response.size()).mapToDouble(response::value).toArray();
      List<String> left = IncompleteUnits.of(units, treatments.get(0), of);
      if (!left.isEmpty()) {
        found.add(IncompleteUnits.words(left, treatments.get(0).name()).strip());
      }
      if (IncompleteUnits.anyRepeats(units, treatments.get(0), of)) {
        found.add(say("odd.averaged", treatments.get(0).name(), unit));
      }
    }
    return found;
  }

  /** The unit or block within which values are ranked; null for none. */
  private static String ranked(Inquiry inquiry) {
    boolean ranks = inquiry.analysis() == Analysis.RANKS;
    return !ranks
        ? null
        : inquiry.unit() != null
            ? inquiry.unit()
            : inquiry.blocks().size() == 1 ? inquiry.blocks().get(0) : null;
  }

  /** Whether the level of one is known from the level of the other. */
  private static boolean determines(Factor known, Factor asked) {
    Set<Long> pairs = new LinkedHashSet<>();
    for (int row = 0; row < known.codes().length; row++) {
      if (known.codes()[row] >= 0 && asked.codes()[row] >= 0) {
        pairs.add((long) known.codes()[row] * asked.size() + asked.codes()[row]);
        if (pairs.size() > known.size()) {
          return false;
        }
      }
    }
    return pairs.size() == known.size();
  }

  /**
   * Levels that no chain of blocks joins with most others: what sets them apart is that of blocks,
   * too.
   *
   * @see "Weeks, D. L. and Williams, D. R. (1964). A note on the determination of connectedness in
   *     an N-way cross classification. Technometrics 6, 319-324"
   */
  private static List<String> apart(Factor treatment, Factor block, Numbers response) {
    List<Set<Integer>> byBlock = new ArrayList<>();
    for (int b = 0; b < block.size(); b++) {
      byBlock.add(new TreeSet<>());
    }
    for (int row = 0; row < block.codes().length; row++) {
      int b = block.codes()[row];
      int level = treatment.codes()[row];
      if (b >= 0 && level >= 0 && !response.isMissing(row)) {
        byBlock.get(b).add(level);
      }
    }
    List<Set<Integer>> joined = new ArrayList<>();
    for (Set<Integer> met : byBlock) {
      List<Set<Integer>> touched =
          joined.stream().filter(part -> !Collections.disjoint(part, met)).toList();
      Set<Integer> all = new TreeSet<>(met);
      touched.forEach(all::addAll);
      joined.removeAll(touched);
      joined.add(all);
    }
    Set<Integer> most =
        joined.stream().max(Comparator.comparingInt(Set::size)).orElse(Collections.emptySet());
    return joined.stream()
        .filter(part -> part != most)
        .flatMap(Set::stream)
        .map(treatment.levels()::get)
        .toList();
  }

  /**
   * Comparisons of more means than can be compared pair by pair.
   *
   * @param inquiry the question
   * @param treatments with their levels
   * @return one sentence each, with the way on
   */
  public static List<String> ofComparisons(Inquiry inquiry, List<Factor> treatments) {
    List<String> found = new ArrayList<>();
    for (Compare c : inquiry.compare()) {
      double means =
          treatments.stream()
              .filter(f -> c.of().contains(f.name()))
              .mapToDouble(Factor::size)
              .reduce(1, (a, b) -> a * b);
      if (!c.isContrast() && means > ComparedMeans.MOST) {
        found.add(
            say(
                "odd.too.many",
                Numerals.whole((long) means),
                Numerals.list(c.of()),
                String.valueOf(ComparedMeans.MOST)));
      }
    }
    return found;
  }

  /** A covariate that cannot adjust, because it does not vary where it would have to. */
  private static Optional<String> covariate(
      String name, Inquiry inquiry, CellGroups cells, Numbers response) {
    Parts parts = new Parts(cells.frame(), List.of(name, response.name()), inquiry.treatments());
    double[] values = parts.values(name);
    Map<List<Integer>, Set<Double>> byCell = new HashMap<>();
    Set<Double> all = new HashSet<>();
    for (int row = 0; row < values.length; row++) {
      if (!Double.isNaN(values[row])) {
        List<Integer> cell = new ArrayList<>();
        for (Factor factor : parts.factors(inquiry.treatments())) {
          cell.add(factor.codes()[row]);
        }
        byCell.computeIfAbsent(cell, c -> new HashSet<>()).add(values[row]);
        all.add(values[row]);
      }
    }
    if (all.size() == 1) {
      return Optional.of(say("odd.covariate.constant", name));
    }
    boolean still = byCell.size() > 1 && byCell.values().stream().allMatch(v -> v.size() == 1);
    return still
        ? Optional.of(say("odd.covariate.group", name, Numerals.list(inquiry.treatments())))
        : Optional.empty();
  }
}
