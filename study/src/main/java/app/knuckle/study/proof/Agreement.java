package app.knuckle.study.proof;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.MissingNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Whether findings hold what a case expects: 1e-10 for statistics, 1e-9 for probabilities, 1e-8 for
 * those of the studentized range and of the many-one t. Findings may hold more.
 */
public final class Agreement {

  /** Numbers this close to 0 agree when they lie this close to each other. */
  private static final double NEAR_0 = 1e-12;

  private static final Set<String> RANGE_PROCEDURES =
      Set.of("tukey", "newman-keuls", "duncan", "dunnett", "games-howell");

  private static final Set<String> PROBABILITIES =
      Set.of(
          "p",
          "modelP",
          "observedPower",
          "criticalF",
          "criticalValue",
          "low",
          "high",
          "meanLow",
          "meanHigh",
          "criticalDifference",
          "leastSignificantDifference",
          "pGreenhouseGeisser",
          "pHuynhFeldt",
          "pHuynhFeldtLecoutre",
          "pLowerBound",
          "fP");

  /** What an entry of a list is found by: its place is free, its names are not. */
  private static final List<String> NAMES =
      List.of(
          "measured",
          "kind",
          "form",
          "of",
          "within",
          "group",
          "levels",
          "left",
          "right",
          "procedure",
          "against",
          "source",
          "about",
          "test",
          "on",
          "covariate",
          "name",
          "degree",
          "lambda",
          "from",
          "between",
          "means");

  /** Statistics agree to so much, relative. */
  private static final double STATISTICS = 1e-10;

  /** A double has no more digits than these. */
  private static final double MOST_DIGITS = 16;

  private final List<String> missed = new ArrayList<>();
  private final List<Double> digits = new ArrayList<>();

  private Agreement() {}

  /**
   * Holds findings against what is expected.
   *
   * @param wanted what a case expects
   * @param actual findings, which may hold more
   * @return how well they agree
   */
  public static Agreement of(JsonNode wanted, JsonNode actual) {
    return of(wanted, actual, STATISTICS);
  }

  /**
   * The same with another tolerance.
   *
   * @param wanted what a case expects
   * @param actual findings, which may hold more
   * @param tolerance of numbers, relative
   * @return how well they agree
   */
  public static Agreement of(JsonNode wanted, JsonNode actual, double tolerance) {
    Agreement agreement = new Agreement();
    agreement.compare("", wanted, actual, tolerance);
    return agreement;
  }

  /** What is not as it should be, in words, one a value; empty if all is. */
  public List<String> missed() {
    return List.copyOf(missed);
  }

  /** Digits of each number that was compared: how many agree, from 0 to 16. */
  public List<Double> digits() {
    return List.copyOf(digits);
  }

  /** Digits that agree: of numbers that are nearly 0, those behind the point. */
  private static double digits(double wanted, double actual) {
    double off = Math.abs(actual - wanted);
    if (off == 0) {
      return MOST_DIGITS;
    }
    double size = Math.abs(wanted) < NEAR_0 ? 1 : Math.abs(wanted);
    double agree = -Math.log10(off / size);
    return Double.isNaN(agree) ? 0 : Math.max(0, Math.min(MOST_DIGITS, agree));
  }

  private static JsonNode find(JsonNode list, JsonNode wanted, int place) {
    if (!wanted.isObject() || NAMES.stream().noneMatch(wanted::has)) {
      return list.path(place);
    }
    for (JsonNode entry : list) {
      if (NAMES.stream().allMatch(n -> !wanted.has(n) || same(wanted.get(n), entry.path(n)))) {
        return entry;
      }
    }
    return MissingNode.getInstance();
  }

  private static boolean same(JsonNode a, JsonNode b) {
    return a.isNumber() ? a.asDouble() == b.asDouble(Double.NaN) : a.equals(b);
  }

  private void compare(String path, JsonNode wanted, JsonNode actual, double tolerance) {
    String key = path.substring(path.lastIndexOf('.') + 1);
    double mine = PROBABILITIES.contains(key) ? Math.max(tolerance, 1e-9) : tolerance;
    if (wanted.isObject()) {
      String procedure = wanted.path("procedure").asText();
      double inside = RANGE_PROCEDURES.contains(procedure) ? 1e-8 : tolerance;
      wanted
          .properties()
          .forEach(
              e -> compare(path + "." + e.getKey(), e.getValue(), actual.path(e.getKey()), inside));
    } else if (wanted.isArray()) {
      for (int i = 0; i < wanted.size(); i++) {
        compare(path + "[" + i + "]", wanted.get(i), find(actual, wanted.get(i), i), tolerance);
      }
    } else if (wanted.isNumber()) {
      double w = wanted.asDouble();
      double a = actual.asDouble(Double.NaN);
      boolean near =
          Math.abs(a - w) <= mine * Math.abs(w)
              || (PROBABILITIES.contains(key) || Math.abs(w) < NEAR_0) && Math.abs(a - w) <= NEAR_0;
      digits.add(near && Math.abs(w) < NEAR_0 ? MOST_DIGITS : digits(w, a));
      if (!near) {
        missed.add(path + ": wanted " + w + ", got " + actual);
      }
    } else if (!key.equals("why") && !wanted.equals(actual)) {
      missed.add(path + ": wanted " + wanted + ", got " + actual);
    }
  }
}
