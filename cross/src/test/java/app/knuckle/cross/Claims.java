package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.MissingNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** What the definitions say of some findings, and where the findings say otherwise. */
final class Claims {
  /** Agreement wanted, relative. */
  private static final double DIGITS = 1e-9;

  /** Probabilities near 0 or 1 are compared as they are. */
  private static final double SMALLEST_P = 1e-12;

  final JsonNode findings;
  final List<String> missed = new ArrayList<>();
  int compared;

  Claims(JsonNode findings) {
    this.findings = findings;
  }

  JsonNode test(String kind) {
    return find(findings.path("tests"), t -> t.path("kind").asText().equals(kind), kind);
  }

  JsonNode check(String test, Predicate<JsonNode> on) {
    return find(
        findings.path("checks"),
        c -> c.path("test").asText().equals(test) && on.test(c.path("on")),
        test);
  }

  JsonNode find(JsonNode list, Predicate<JsonNode> wanted, String what) {
    for (JsonNode node : list) {
      if (wanted.test(node)) {
        return node;
      }
    }
    missed.add("there is no " + what);
    return MissingNode.getInstance();
  }

  static boolean levels(JsonNode node, Map<String, String> levels) {
    if (node.size() != levels.size()) {
      return false;
    }
    return levels.entrySet().stream()
        .allMatch(e -> node.path(e.getKey()).asText("\0").equals(e.getValue()));
  }

  /** A statistic; NaN where it does not exist. */
  void number(String path, JsonNode node, String key, double wanted) {
    number(path, node, key, wanted, 0);
  }

  /** A statistic on a scale of its own, which rounding of the data blurs by some ulps of it. */
  void number(String path, JsonNode node, String key, double wanted, double scale) {
    near(path, node, key, wanted, DIGITS * Math.abs(wanted) + DIGITS * 1e-3 * scale);
  }

  void p(String path, JsonNode node, String key, double wanted) {
    near(path, node, key, wanted, 10 * DIGITS * Math.abs(wanted) + SMALLEST_P);
  }

  void near(String path, JsonNode node, String key, double wanted, double slack) {
    if (node.isMissingNode()) {
      return; // Said already.
    }
    compared++;
    JsonNode actual = node.path(key);
    boolean right =
        Double.isFinite(wanted)
            ? actual.isNumber() && Math.abs(actual.asDouble() - wanted) <= slack
            : actual.isNull() || actual.isMissingNode();
    if (!right) {
      missed.add(path + "." + key + ": wanted " + wanted + ", got " + actual);
    }
  }

  void same(String path, Object actual, Object wanted) {
    compared++;
    if (!wanted.equals(actual)) {
      missed.add(path + ": wanted " + wanted + ", got " + actual);
    }
  }

  /** Probabilities in both directions and the one that is asked. */
  void tails(
      String direction, String path, JsonNode node, double either, double greater, double less) {
    p(path, node, "pEither", either);
    p(path, node, "pGreater", greater);
    p(path, node, "pLess", less);
    p(path, node, "p", Plain.p(direction, either, greater, less));
  }

  JsonNode comparison(String procedure) {
    return find(
        findings.path("comparisons"),
        x -> x.path("procedure").asText().equals(procedure),
        procedure);
  }
}
