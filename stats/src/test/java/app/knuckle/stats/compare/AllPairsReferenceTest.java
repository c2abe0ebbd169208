package app.knuckle.stats.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Reference;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.summary.Summary;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** One-way layouts, balanced and not, with every procedure for all pairs. */
class AllPairsReferenceTest {

  private static final List<String> CASES =
      List.of("p03-diets-balanced.json", "p04-salinity-unbalanced.json");

  /** The names of the cases for the procedures. */
  private static final Map<Procedure, String> NAMES =
      Map.ofEntries(
          Map.entry(Procedure.NONE, "lsd"),
          Map.entry(Procedure.LEAST_SIGNIFICANT_DIFFERENCE, "lsd"),
          Map.entry(Procedure.BONFERRONI, "bonferroni"),
          Map.entry(Procedure.SIDAK, "sidak"),
          Map.entry(Procedure.HOLM, "holm"),
          Map.entry(Procedure.HOCHBERG, "hochberg"),
          Map.entry(Procedure.BENJAMINI_HOCHBERG, "bh"),
          Map.entry(Procedure.TUKEY, "tukey"),
          Map.entry(Procedure.SCHEFFE, "scheffe"),
          Map.entry(Procedure.NEWMAN_KEULS, "snk"),
          Map.entry(Procedure.DUNCAN, "duncan"));

  /** A case with its layout: the response, the level of every row, the levels in order. */
  private record Layout(
      JsonNode expect, double alpha, double[] y, int[] groups, List<String> levels) {

    static Layout of(String file) {
      JsonNode node = Reference.file(file);
      String response = node.at("/design/response").asText();
      String treatment = node.at("/design/treatments/0").asText();
      List<JsonNode> columns = Reference.list(node.at("/data/columns"));
      int yAt = 0;
      int gAt = 0;
      List<String> levels = new ArrayList<>();
      for (int c = 0; c < columns.size(); c++) {
        String name = columns.get(c).get("name").asText();
        yAt = name.equals(response) ? c : yAt;
        if (name.equals(treatment)) {
          gAt = c;
          columns.get(c).get("levels").forEach(l -> levels.add(l.asText()));
        }
      }
      List<JsonNode> rows = Reference.list(node.at("/data/rows"));
      double[] y = new double[rows.size()];
      int[] groups = new int[rows.size()];
      for (int r = 0; r < y.length; r++) {
        JsonNode cell = rows.get(r).get(yAt);
        y[r] = cell.isNull() ? Double.NaN : cell.asDouble();
        groups[r] = levels.indexOf(rows.get(r).get(gAt).asText());
      }
      return new Layout(node.get("expect"), node.at("/design/alpha").asDouble(), y, groups, levels);
    }

    OneWay fit() {
      return OneWay.fit(GroupMoments.of(y, groups, levels.size()), alpha);
    }

    double[] group(int g) {
      List<Double> values = new ArrayList<>();
      for (int r = 0; r < y.length; r++) {
        if (groups[r] == g) {
          values.add(y[r]);
        }
      }
      return values.stream().mapToDouble(Double::doubleValue).toArray();
    }
  }

  static Stream<Arguments> procedures() {
    return CASES.stream()
        .flatMap(
            file ->
                Stream.of(Procedure.values())
                    .filter(p -> p.fits(Procedure.Setting.MEANS))
                    .filter(p -> p.isFor(Procedure.Use.ALL_PAIRS))
                    .map(p -> Arguments.of(file, p)));
  }

  static Stream<String> cases() {
    return CASES.stream();
  }

  private static void close(Quantity actual, JsonNode expected, double relative) {
    assertThat(actual.exists()).isEqualTo(!expected.isNull());
    if (actual.exists()) {
      close(actual.value(), expected, relative);
    }
  }

  private static void close(double actual, JsonNode expected, double relative) {
    double e = expected.asDouble();
    assertThat(actual).isCloseTo(e, within(relative * Math.abs(e) + 1e-14));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cases")
  void tableAndEffectSizesAgree(String file) {
    Layout layout = Layout.of(file);
    OneWay fit = layout.fit();
    JsonNode anova = layout.expect().at("/one_way/anova");
    close(fit.treatment().ss(), anova.at("/table/between/ss"), 1e-12);
    close(fit.treatment().f(), anova.at("/table/between/f"), 1e-11);
    close(fit.treatment().p(), anova.at("/table/between/p"), 1e-10);
    close(fit.treatment().criticalF(), anova.at("/table/between/f_critical"), 1e-10);
    close(fit.errorSs(), anova.at("/table/error/ss"), 1e-12);
    close(fit.grandMean(), anova.get("grand_mean"), 1e-13);
    close(fit.treatment().omegaSquared(), anova.get("omega2"), 1e-11);
    close(fit.epsilonSquared(), anova.get("epsilon2"), 1e-11);
    close(fit.cohenF(), anova.get("cohen_f"), 1e-11);
    close(fit.adjustedRSquared(), anova.get("adj_r2"), 1e-11);
    close(fit.cvPercent(), anova.get("cv_percent"), 1e-11);
    close(fit.harmonicN(), anova.get("harmonic_mean_n"), 1e-13);
    close(fit.seOfMean(), anova.get("sem_harmonic"), 1e-11);
    close(fit.seOfDifference(), anova.get("sed_harmonic"), 1e-11);
    close(fit.leastSignificantDifference(), anova.get("lsd_harmonic"), 1e-10);
    for (JsonNode group : anova.get("groups")) {
      int g = layout.levels().indexOf(group.get("level").asText());
      double half = fit.estimates().halfWidth(g, layout.alpha()).value();
      close(fit.estimates().mean(g) - half, group.get("pooled_ci_lower"), 1e-10);
    }
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cases")
  void summariesAgree(String file) {
    Layout layout = Layout.of(file);
    for (JsonNode expected : layout.expect().get("descriptives")) {
      JsonNode level =
          expected.get("group").elements().hasNext()
              ? expected.get("group").elements().next()
              : null;
      double[] values =
          level == null ? layout.y() : layout.group(layout.levels().indexOf(level.asText()));
      Summary s = Summary.of(values, layout.alpha());
      assertThat(s.n()).isEqualTo(expected.get("n").asLong());
      assertThat(s.missing()).isEqualTo(expected.get("missing").asLong());
      close(s.sum(), expected.get("sum"), 1e-13);
      close(s.variance(), expected.get("variance"), 1e-12);
      close(s.cvPercent(), expected.get("cv_percent"), 1e-12);
      close(s.median(), expected.get("median"), 1e-14);
      close(s.lowerQuartile(), expected.get("q1"), 1e-14);
      close(s.upperQuartile(), expected.get("q3"), 1e-14);
      close(s.skewness(), expected.get("skewness"), 1e-10);
      close(s.kurtosis(), expected.get("kurtosis"), 1e-10);
      close(s.meanLow(), expected.get("ci_lower"), 1e-11);
      close(s.meanHigh(), expected.get("ci_upper"), 1e-11);
    }
  }

  @ParameterizedTest(name = "{0} {1}")
  @MethodSource("procedures")
  void pairsIntervalsAndLettersAgree(String file, Procedure procedure) {
    Layout layout = Layout.of(file);
    OneWay fit = layout.fit();
    Comparison comparison =
        AllPairs.withDefaults()
            .with(procedure)
            .withAlpha(layout.alpha())
            .withOverallTest(fit.treatment().p())
            .compare(fit.estimates(), Progress.NONE);
    JsonNode posthoc = layout.expect().at("/one_way/posthoc");
    JsonNode method = posthoc.at("/methods/" + NAMES.get(procedure));
    List<JsonNode> pairs = Reference.list(posthoc.get("pairs"));
    for (int i = 0; i < pairs.size(); i++) {
      Pair pair =
          comparison.pair(
              layout.levels().indexOf(pairs.get(i).get("a").asText()),
              layout.levels().indexOf(pairs.get(i).get("b").asText()));
      close(pair.difference(), pairs.get(i).get("difference"), 1e-11);
      close(pair.statistic(), pairs.get(i).get("t"), 1e-10);
      close(pair.p(), method.get("p").get(i), 1e-8);
      assertThat(pair.differs()).isEqualTo(method.get("significant").get(i).asBoolean());
      assertThat(pair.low().exists()).isEqualTo(method.has("ci_lower"));
      if (method.has("ci_lower")) {
        close(pair.low(), method.get("ci_lower").get(i), 1e-8);
        close(pair.high(), method.get("ci_upper").get(i), 1e-8);
      }
    }
    for (int g = 0; g < layout.levels().size(); g++) {
      assertThat(comparison.letters().of(g))
          .isEqualTo(method.get("letters").get(layout.levels().get(g)).asText());
    }
    if (method.has("critical_q_by_span")) {
      assertThat(comparison.criticalRanges()).hasSize(layout.levels().size() - 1);
    }
  }
}
