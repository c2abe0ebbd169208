package app.knuckle.study.contract;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.power.EffectPower;
import app.knuckle.stats.power.TPower;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.words.Numerals;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;

/** Reads and answers how likely a planned experiment finds an effect, and how large it must be. */
final class PowerQuestion {

  private static final List<String> TESTS =
      List.of("one-way", "factorial", "two-groups", "one-sample", "pairs");

  /** What a question may give. */
  static final List<String> KEYS =
      List.of(
          "test",
          "alpha",
          "n",
          "power",
          "groups",
          "levels",
          "effect",
          "cohenF",
          "cohenD",
          "direction");

  private final JsonNode given;
  private final Keys keys;
  private final double alpha;
  private final String test;

  PowerQuestion(JsonNode given, Keys keys, double alpha) {
    this.given = given;
    this.keys = keys;
    this.alpha = alpha;
    test = keys.text(given, "test");
    if (!TESTS.contains(test)) {
      throw keys.wrong(
          "test", "there is no test '" + test + "' here", Nearest.suggestion(test, TESTS));
    }
  }

  void power(ObjectNode node) {
    if (isOfF()) {
      EffectPower power = EffectPower.of(sought(), size("n"));
      node.put("df", power.df()).put("errorDf", power.errorDf());
      node.put("noncentrality", power.noncentrality()).put("criticalF", power.criticalF());
      node.put("power", power.power());
      return;
    }
    TPower power =
        isOfTwo()
            ? TPower.of(sizes()[0], sizes()[1], d(), direction(), alpha)
            : TPower.ofOne(size("n"), d(), direction(), alpha);
    node.put("df", power.df()).put("noncentrality", power.noncentrality());
    node.put("criticalT", power.criticalT()).put("power", power.power());
  }

  void sampleSize(ObjectNode node) {
    double wanted = ReckonFile.needed(given, "power", keys);
    if (!(wanted > 0 && wanted < 1)) {
      throw keys.wrong("power", "the power does not lie between 0 and 1", "0.8 is usual");
    }
    if (isOfF()) {
      EffectPower.Sought sought = sought();
      int n = EffectPower.n(sought, wanted).orElseThrow(() -> tooMany("cohenF"));
      put(node, n, sought.cells(), each -> EffectPower.of(sought, each).power());
    } else if (isOfTwo()) {
      int n = TPower.n(d(), direction(), alpha, wanted).orElseThrow(() -> tooMany("cohenD"));
      put(node, n, 2, each -> TPower.of(each, each, d(), direction(), alpha).power());
    } else {
      int n = TPower.nOfOne(d(), direction(), alpha, wanted).orElseThrow(() -> tooMany("cohenD"));
      put(node, n, 1, each -> TPower.ofOne(each, d(), direction(), alpha).power());
    }
  }

  private static void put(ObjectNode node, int n, int cells, IntToDoubleFunction power) {
    node.put("n", n).put("total", (long) n * cells);
    node.put("power", power.applyAsDouble(n));
    FindingsFile.put(
        node,
        "powerWithOneLess",
        n > 2 ? Quantity.of(power.applyAsDouble(n - 1)) : Quantity.absent(Absence.NEEDS_TWO_UNITS));
  }

  private RuntimeException tooMany(String key) {
    return keys.wrong(
        key, "no experiment of millions would find so small an effect", "Give a larger one");
  }

  private boolean isOfF() {
    return test.equals("one-way") || test.equals("factorial");
  }

  private boolean isOfTwo() {
    return test.equals("two-groups");
  }

  private EffectPower.Sought sought() {
    double f = effect("cohenF");
    if (!(f > 0)) {
      throw keys.wrong("cohenF", "an effect is larger than 0", "0.25 is a medium one");
    }
    if (test.equals("one-way")) {
      int groups = size("groups");
      return new EffectPower.Sought(groups - 1, groups, f, alpha);
    }
    Map<String, Integer> levels = levels();
    List<String> effect = new ArrayList<>(keys.texts(given, "effect"));
    if (effect.isEmpty() || !levels.keySet().containsAll(effect)) {
      throw keys.wrong("effect", "it names one or more of the treatments in levels", "");
    }
    int df =
        effect.stream().distinct().mapToInt(name -> levels.get(name) - 1).reduce(1, this::times);
    int cells = levels.values().stream().reduce(1, this::times);
    return new EffectPower.Sought(df, cells, f, alpha);
  }

  private Map<String, Integer> levels() {
    Map<String, Integer> levels = new LinkedHashMap<>();
    Keys inside = new Keys(keys.file(), List.of("given", "levels"));
    keys.names(given, "levels")
        .forEach(name -> levels.put(name, size(given.path("levels"), name, inside)));
    if (levels.isEmpty()) {
      throw keys.wrong("levels", "the number of levels of each treatment is needed", "");
    }
    return levels;
  }

  private int times(int a, int b) {
    long product = (long) a * b;
    if (product > MOST_CELLS) {
      throw keys.wrong("levels", "there are more cells than units to fill them", "");
    }
    return (int) product;
  }

  /** More combinations are no experiment. */
  private static final int MOST_CELLS = 1_000_000;

  private int[] sizes() {
    double[] n =
        given.path("n").isArray()
            ? ReckonFile.numbers(given, "n", keys)
            : new double[] {size("n"), size("n")};
    if (n.length != 2
        || n[0] != Math.rint(n[0])
        || n[1] != Math.rint(n[1])
        || !(n[0] >= 1 && n[1] >= 1 && n[0] + n[1] > 2)
        || Math.max(n[0], n[1]) > MOST_UNITS) {
      throw keys.wrong(
          "n",
          "two groups need two whole sizes, three units in all and at most "
              + Numerals.whole(MOST_UNITS)
              + " in each",
          "");
    }
    return new int[] {(int) n[0], (int) n[1]};
  }

  /** More units are no experiment; two groups of so many can still be added up. */
  private static final int MOST_UNITS = 1_000_000_000;

  private int size(String key) {
    return size(given, key, keys);
  }

  private static int size(JsonNode node, String key, Keys keys) {
    double size = ReckonFile.needed(node, key, keys);
    if (!(size >= 2 && size <= MOST_UNITS && size == Math.rint(size))) {
      throw keys.wrong(
          key, "a whole number from 2 to " + Numerals.whole(MOST_UNITS) + " is needed here", "");
    }
    return (int) size;
  }

  private double d() {
    return effect("cohenD");
  }

  /** Effects of more standard deviations are seen without a test. */
  private static final double MOST_EFFECT = 100;

  private double effect(String key) {
    double effect = ReckonFile.needed(given, key, keys);
    if (Math.abs(effect) > MOST_EFFECT) {
      throw keys.wrong(key, "an effect of more than 100 standard deviations needs no test", "");
    }
    return effect;
  }

  private Direction direction() {
    String key = keys.text(given, "direction", "either");
    return Direction.of(key)
        .orElseThrow(
            () ->
                keys.wrong(
                    "direction",
                    "there is no direction '" + key + "'",
                    "Use either, greater or less"));
  }
}
