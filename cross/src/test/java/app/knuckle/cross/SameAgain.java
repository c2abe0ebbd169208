package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.List;
import java.util.Random;
import java.util.Set;

/** What must not change when the rows are shuffled, the values scaled and shifted. */
final class SameAgain {
  private static final double DIGITS = 1e-6;
  private static final Set<String> VERDICTS = Set.of("differs", "judgement", "letters");
  private static final Set<String> FREE =
      Set.of("p", "df", "differs", "letters", "statistic", "f", "adjustedP");

  /** What holds names of levels. */
  private static final Set<String> NAMES =
      Set.of("levels", "left", "right", "on", "within", "group", "order", "words", "units");

  private final Made made;
  private final Claims claims;
  private final Random random;

  SameAgain(Made made, Claims claims, Random random) {
    this.made = made;
    this.claims = claims;
    this.random = random;
  }

  /** One way at a time, each in its turn. */
  void check(int turn) {
    switch (turn % 5) {
      case 0 -> shuffled();
      case 1 -> renamed();
      case 2 -> reordered();
      case 3 -> {
        if (!isCounted()) {
          shifted();
        }
      }
      default -> {
        if (!isCounted()) {
          scaled();
        }
      }
    }
  }

  /** Counts have an origin and a scale of their own. */
  private boolean isCounted() {
    return made.kind() == Made.Kind.COUNTS || made.kind() == Made.Kind.PROPORTIONS;
  }

  /** The order of levels is a matter of taste, for every test of a whole term. */
  private void reordered() {
    String column = made.asked().path("treatments").path(0).asText("");
    if (made.sheet().levels().containsKey(column)) {
      wholeTerms("reordered", CrossTest.findings(made.sheet().reversed(column), made.asked()));
    }
  }

  /** So is the origin of the scale, where no value is expected. */
  private void shifted() {
    if (!made.asked().has("expected")) {
      wholeTerms(
          "shifted", CrossTest.findings(made.sheet().with("y", v -> v + SHIFT), made.asked()));
    }
  }

  /** Exact for the decimals that are drawn. */
  private static final double SHIFT = 1024;

  private void wholeTerms(String how, JsonNode again) {
    JsonNode tests = claims.findings.path("tests");
    for (int t = 0; t < tests.size(); t++) {
      if (WHOLE.contains(tests.path(t).path("kind").asText())) {
        JsonNode rows = tests.path(t).path("rows");
        for (int r = 0; r < rows.size(); r++) {
          for (String key : List.of("df", "f", "h", "chiSquared", "deviance", "p")) {
            alike(
                how + " " + rows.path(r).path("source").asText() + "." + key,
                rows.path(r).path(key),
                again.path("tests").path(t).path("rows").path(r).path(key),
                false);
          }
        }
      }
    }
  }

  private static final Set<String> WHOLE =
      Set.of(
          "analysis-of-variance",
          "welch-anova",
          "kruskal-wallis",
          "friedman",
          "analysis-of-deviance",
          "mixed");

  private void shuffled() {
    if (made.kind() == Made.Kind.PERMUTATION) {
      return; // Random arrangements are of the rows as they stand.
    }
    JsonNode again = CrossTest.findings(made.sheet().shuffled(random), made.asked());
    for (String part : List.of("tests", "means", "comparisons", "contrasts", "summaries")) {
      alike("shuffled " + part, claims.findings.path(part), again.path(part), false);
    }
    checks(again);
    for (String part : List.of("finding", "ranking")) {
      claims.same(
          "shuffled " + part,
          again.path("sentences").path(part),
          claims.findings.path("sentences").path(part));
    }
  }

  private void scaled() {
    ObjectNode asked = made.asked().deepCopy();
    if (asked.has("expected")) {
      asked.put("expected", asked.path("expected").asDouble() * 4);
    }
    JsonNode scaled = CrossTest.findings(made.sheet().with("y", v -> v * 4), asked);
    for (String part : List.of("tests", "comparisons")) {
      alike("scaled " + part, claims.findings.path(part), scaled.path(part), true);
    }
  }

  /** Names of levels say nothing, so that only sentences and keys may differ. */
  private void renamed() {
    ObjectNode asked = made.asked().deepCopy();
    Sheet sheet = made.sheet().renamed();
    if (asked.has("reference")) {
      asked
          .path("reference")
          .properties()
          .forEach(e -> e.setValue(TextNode.valueOf(Sheet.OTHER + e.getValue().asText())));
    }
    JsonNode again = CrossTest.findings(sheet, asked);
    for (String part : List.of("tests", "means", "comparisons", "contrasts", "checks")) {
      alike("renamed " + part, claims.findings.path(part), again.path(part), false);
    }
  }

  private void checks(JsonNode again) {
    int i = 0;
    for (JsonNode check : claims.findings.path("checks")) {
      JsonNode other = again.path("checks").path(i++);
      claims.same(
          "shuffled judgement of " + check.path("test") + check.path("on"),
          other.path("judgement"),
          check.path("judgement"));
      if (!check.path("about").asText().equals("outliers")) {
        alike("shuffled " + check.path("test"), check.path("p"), other.path("p"), false);
      }
    }
  }

  private void alike(String path, JsonNode one, JsonNode other, boolean scaleless) {
    String key = path.substring(path.lastIndexOf('.') + 1);
    if (NAMES.contains(key) && path.startsWith("renamed")) {
      return;
    }
    if (key.equals("why") || key.equals("unitsLeftOut") || key.equals("coefficients")) {
      return;
    }
    if (one.isObject()) {
      one.properties()
          .forEach(
              e -> alike(path + "." + e.getKey(), e.getValue(), other.path(e.getKey()), scaleless));
    } else if (one.isArray()) {
      for (int i = 0; i < one.size(); i++) {
        alike(path + "[" + i + "]", one.get(i), other.path(i), scaleless);
      }
    } else if (!scaleless || FREE.contains(key)) {
      claims.compared++;
      boolean near =
          one.isNumber() && !VERDICTS.contains(key)
              ? Math.abs(one.asDouble() - other.asDouble(Double.NaN))
                  <= DIGITS * Math.abs(one.asDouble()) + 1e-7
              : one.equals(other);
      if (!near && !(key.equals("statistic") && path.contains("scaled tests"))) {
        claims.missed.add(path + ": " + one + " and " + other);
      }
    }
  }
}
