package app.knuckle.study.contract;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/**
 * A case worked out in detail under names of its own, told as inquiries of the contract with what
 * their findings must hold.
 */
final class DetailedCase {

  private static final ObjectMapper JSON = new ObjectMapper();

  private static final Map<String, String> SQUARES =
      Map.of("I", "in-order", "II", "after-its-peers", "III", "after-all");

  private static final Map<String, String> PROCEDURES =
      Map.ofEntries(
          Map.entry("lsd", "none"),
          Map.entry("bonferroni", "bonferroni"),
          Map.entry("sidak", "sidak"),
          Map.entry("holm", "holm"),
          Map.entry("hochberg", "hochberg"),
          Map.entry("bh", "benjamini-hochberg"),
          Map.entry("tukey", "tukey"),
          Map.entry("scheffe", "scheffe"),
          Map.entry("snk", "newman-keuls"),
          Map.entry("duncan", "duncan"),
          Map.entry("games_howell", "games-howell"),
          Map.entry("tamhane_t2", "tamhane"));

  private static final Map<String, String> EFFECT =
      keys(
          "df df ss ss ms ms f f p p f_critical criticalF eta2 etaSquared partial_eta2"
              + " partialEtaSquared omega2 omegaSquared partial_omega2 partialOmegaSquared"
              + " observed_power observedPower p_gg pGreenhouseGeisser p_hf pHuynhFeldt"
              + " p_hf_lecoutre pHuynhFeldtLecoutre p_lower_bound pLowerBound");

  private static final Map<String, String> FIT =
      keys(
          "n n grand_mean grandMean root_mse residualSd cv_percent cvPercent r2 rSquared"
              + " adj_r2 adjustedRSquared");

  private static final Map<String, String> MEAN =
      keys("n n mean mean se se df df ci_lower low ci_upper high");

  private static final Map<String, String> SUMMARY =
      keys(
          "n n missing missing sum sum mean mean variance variance sd sd se se cv_percent cvPercent"
              + " min min max max range range median median q1 lowerQuartile q3 upperQuartile"
              + " skewness skewness kurtosis kurtosis ci_lower meanLow ci_upper meanHigh");

  private static final Map<String, String> T_TEST =
      keys(
          "estimate difference se se df df t statistic p_two_sided p ci_lower low ci_upper high"
              + " pooled_sd pooledSd n_pairs pairs sd_of_differences sdOfDifferences correlation"
              + " correlation cohen_d cohenD hedges_correction hedgesFactor hedges_g hedgesG"
              + " d_ci_lower dLow d_ci_upper dHigh");

  private static final Map<String, String> CONTRAST =
      keys("estimate estimate se se df df t t ss ss f f");

  /**
   * A question of the case.
   *
   * @param name of the case and of what is asked
   * @param inquiry as the contract has it
   * @param expect what the findings must hold
   */
  record Asked(String name, ObjectNode inquiry, ObjectNode expect) {
    @Override
    public String toString() {
      return name;
    }
  }

  private final String name;
  private final JsonNode design;
  private final JsonNode expect;
  private final List<Asked> asked = new ArrayList<>();

  private DetailedCase(JsonNode node) {
    name = node.get("name").asText();
    design = node.get("design");
    expect = node.get("expect");
  }

  /** All that a case can be asked. */
  static List<Asked> questions(JsonNode node) {
    DetailedCase detailed = new DetailedCase(node);
    detailed.all();
    return detailed.asked;
  }

  private void all() {
    summaries();
    oneSample();
    twoSamples();
    pairs();
    oneWay();
    variance("anova", inquiry -> {});
    variance("additive_anova", inquiry -> inquiry.put("terms", "main"));
    variance("reduced_anova", this::reduce);
    means();
    comparisons();
    contrasts();
    trends();
    blocking();
    covariates();
    splitPlot();
    repeated();
    together("manova", "III", false);
    together("manova_type_II", "II", false);
    together("mancova", "III", true);
    powers();
    transformed();
  }

  private static Map<String, String> keys(String pairs) {
    Map<String, String> keys = new LinkedHashMap<>();
    String[] words = pairs.split(" ");
    for (int i = 0; i < words.length; i += 2) {
      keys.put(words[i], words[i + 1]);
    }
    return keys;
  }

  /** The values that the case has, under the names of the contract. */
  private static ObjectNode renamed(JsonNode from, Map<String, String> keys) {
    ObjectNode to = JSON.createObjectNode();
    keys.forEach((old, key) -> put(to, key, from.get(old)));
    return to;
  }

  private static void put(ObjectNode to, String key, JsonNode value) {
    if (value != null) {
      to.set(key, value);
    }
  }

  private ObjectNode inquiry() {
    ObjectNode inquiry = JSON.createObjectNode();
    inquiry.put("knuckle", "inquiry").put("version", 1).put("name", name);
    put(inquiry, "measured", design.has("response") ? listOf(design.get("response")) : null);
    put(inquiry, "measured", design.get("responses"));
    put(inquiry, "treatments", design.get("treatments"));
    put(inquiry, "blocks", design.get("blocks"));
    put(inquiry, "covariates", design.get("covariates"));
    put(inquiry, "wholePlots", design.get("wholePlots"));
    put(inquiry, "unit", design.get("unit"));
    put(inquiry, "occasions", design.get("occasions"));
    put(inquiry, "terms", design.get("terms"));
    put(inquiry, "alpha", design.get("alpha"));
    return inquiry;
  }

  private static ArrayNode listOf(JsonNode... nodes) {
    return JSON.createArrayNode().addAll(List.of(nodes));
  }

  private String response() {
    return design.path("response").asText();
  }

  private void ask(String what, ObjectNode inquiry, Consumer<ObjectNode> expected) {
    ObjectNode wanted = JSON.createObjectNode();
    expected.accept(wanted);
    asked.add(new Asked(name + ", " + what, inquiry, wanted));
  }

  private ObjectNode entry(ObjectNode wanted, String list) {
    ObjectNode entry = wanted.withArray("/" + list).addObject();
    if (design.has("response")) {
      entry.put("measured", response());
    }
    return entry;
  }

  private void summaries() {
    if (!expect.has("descriptives") || design.has("pairs") || design.has("responses")) {
      return;
    }
    ask(
        "summaries",
        inquiry(),
        wanted -> {
          for (JsonNode each : expect.get("descriptives")) {
            if (each.get("response").asText().equals(response())) {
              ObjectNode summary = entry(wanted, "summaries");
              summary.set("group", each.get("group"));
              summary.setAll(renamed(each, SUMMARY));
            }
          }
        });
  }

  private void oneSample() {
    JsonNode test = expect.get("t_one_sample");
    if (test == null) {
      return;
    }
    directed(
        test,
        "one-sample",
        inquiry -> {
          inquiry.remove("treatments");
          inquiry.remove("terms");
          inquiry.set("expected", test.get("mu0"));
        });
  }

  private void twoSamples() {
    JsonNode test = expect.get("t_two_sample");
    if (test == null || test.has("response")) {
      return;
    }
    ObjectNode pooled = test.get("pooled").deepCopy();
    pooled.setAll((ObjectNode) test.get("effect_size"));
    directed(pooled, "pooled", inquiry -> {});
    directed(test.get("welch"), "welch", inquiry -> inquiry.put("method", "unequal-spread"));
  }

  /** Two columns of matched values, stacked under one another. */
  private void pairs() {
    JsonNode test = expect.get("t_paired");
    if (test == null) {
      return;
    }
    directed(
        test,
        "pairs",
        inquiry -> {
          ObjectNode stack = inquiry.putArray("prepare").addObject();
          stack.put("step", "stack").put("names", "when").put("values", "value");
          stack.set("columns", listOf(test.get("first"), test.get("second")));
          inquiry.putArray("measured").add("value");
          inquiry.putArray("treatments").add("when");
          inquiry.set("pairs", design.get("pairs"));
        });
  }

  private void directed(JsonNode test, String form, Consumer<ObjectNode> change) {
    Map<String, String> p =
        Map.of("either", "p_two_sided", "greater", "p_greater", "less", "p_less");
    p.forEach(
        (direction, key) -> {
          ObjectNode inquiry = inquiry().put("direction", direction);
          change.accept(inquiry);
          ask(
              form + " " + direction,
              inquiry,
              wanted -> {
                ObjectNode entry = wanted.putArray("tests").addObject();
                entry.put("kind", "t-test").put("form", form);
                if (direction.equals("either")) {
                  entry.setAll(renamed(test, T_TEST));
                }
                entry.set("p", test.get(key));
              });
        });
  }

  private void oneWay() {
    JsonNode all = expect.get("one_way");
    if (all == null) {
      return;
    }
    if (all.has("anova")) {
      oneWay(response(), all);
    } else {
      all.fields().forEachRemaining(e -> oneWay(e.getKey(), e.getValue()));
    }
  }

  private ObjectNode about(String measured) {
    ObjectNode inquiry = inquiry();
    inquiry.putArray("measured").add(measured);
    return inquiry;
  }

  private void oneWay(String measured, JsonNode all) {
    String treatment = design.at("/treatments/0").asText();
    JsonNode anova = all.get("anova");
    ask(
        measured + ", one way",
        about(measured),
        wanted -> {
          ObjectNode test = wanted.putArray("tests").addObject();
          test.put("measured", measured).put("kind", "analysis-of-variance");
          test.setAll(
              renamed(
                  anova,
                  keys(
                      "epsilon2 epsilonSquared cohen_f cohenF harmonic_mean_n harmonicN sem_harmonic"
                          + " seOfMean sed_harmonic seOfDifference lsd_harmonic"
                          + " leastSignificantDifference")));
          ArrayNode rows = test.putArray("rows");
          ObjectNode between = rows.addObject().put("source", treatment);
          between.setAll(renamed(anova.at("/table/between"), EFFECT));
          between.setAll(renamed(anova, keys("eta2 etaSquared omega2 omegaSquared")));
          put(between, "observedPower", expect.at("/observed_power").get("power"));
          rows.addObject()
              .put("source", "error")
              .setAll(renamed(anova.at("/table/error"), keys("df df ss ss ms ms")));
          rows.addObject()
              .put("source", "total")
              .setAll(renamed(anova.at("/table/total"), keys("df df ss ss")));
          test.set("fit", renamed(anova, FIT));
        });
    ObjectNode unequal = about(measured).put("method", "unequal-spread");
    ask(
        measured + ", unequal spread",
        unequal,
        wanted -> {
          Map<String, String> row = keys("f f df1 df df2 errorDf p p");
          Map.of("welch", "welch-anova", "brown_forsythe", "brown-forsythe-anova")
              .forEach(
                  (key, kind) -> {
                    ObjectNode test = wanted.withArray("/tests").addObject();
                    test.put("measured", measured).put("kind", kind);
                    test.putArray("rows").add(renamed(all.get(key), row));
                  });
        });
    compare(measured + ", pairs", about(measured), List.of(treatment), all.get("posthoc"));
    compare(
        measured + ", own spreads",
        about(measured).put("method", "unequal-spread"),
        List.of(treatment),
        all.get("posthoc_unequal_variances"));
    reference(measured, treatment, all.get("dunnett"));
  }

  private void reference(String measured, String treatment, JsonNode dunnett) {
    if (dunnett == null) {
      return;
    }
    String control = dunnett.get("control").asText();
    Map.of("either", "two_sided", "greater", "greater", "less", "less")
        .forEach(
            (direction, key) -> {
              ObjectNode inquiry = about(measured).put("direction", direction);
              inquiry.putObject("reference").put(treatment, control);
              inquiry
                  .putArray("compare")
                  .addObject()
                  .put("against", "reference")
                  .put("procedure", "dunnett")
                  .putArray("of")
                  .add(treatment);
              ask(
                  measured + ", reference " + direction,
                  inquiry,
                  wanted -> {
                    ObjectNode family = wanted.putArray("comparisons").addObject();
                    family.put("measured", measured).put("procedure", "dunnett");
                    JsonNode given = dunnett.get(key);
                    put(family, "criticalValue", given.get("critical_t"));
                    for (int i = 0; i < given.get("p").size(); i++) {
                      JsonNode group = dunnett.get("comparisons").get(i);
                      ObjectNode row = family.withArray("/rows").addObject();
                      row.putObject("left").put(treatment, group.get("group").asText());
                      row.setAll(renamed(group, keys("difference difference se se t statistic")));
                      row.set("p", given.get("p").get(i));
                      put(row, "low", given.path("ci_lower").get(i));
                      put(row, "high", given.path("ci_upper").get(i));
                    }
                  });
            });
  }

  /** Tables by each kind of squares; without cells that are empty every effect has a row. */
  private void variance(String key, Consumer<ObjectNode> change) {
    JsonNode kinds = expect.path(key);
    kinds
        .fields()
        .forEachRemaining(
            e -> {
              ObjectNode inquiry = inquiry().put("squares", SQUARES.get(e.getKey()));
              change.accept(inquiry);
              ask(key + " " + e.getKey(), inquiry, wanted -> variance(wanted, e.getValue()));
            });
  }

  private void variance(ObjectNode wanted, JsonNode table) {
    ObjectNode test = entry(wanted, "tests").put("kind", "analysis-of-variance");
    ArrayNode rows = test.putArray("rows");
    for (JsonNode term : table.get("terms")) {
      rows.addObject().put("source", source(term)).setAll(renamed(term, EFFECT));
    }
    rows.addObject()
        .put("source", "error")
        .setAll(renamed(table.get("error"), keys("df df ss ss ms ms")));
    rows.addObject()
        .put("source", "total")
        .setAll(renamed(table.get("total"), keys("df df ss ss")));
    ObjectNode fit = renamed(table, FIT);
    fit.setAll(renamed(table.get("model"), keys("df modelDf f modelF p modelP")));
    test.set("fit", fit);
  }

  private static String source(JsonNode term) {
    return term.get("source").asText().replace(":", " x ");
  }

  private void reduce(ObjectNode inquiry) {
    ArrayNode terms = inquiry.putArray("terms");
    for (JsonNode term : expect.at("/reduced_anova/I/terms")) {
      ArrayNode names = terms.addArray();
      List.of(term.get("source").asText().split(":")).forEach(names::add);
    }
  }

  private void means() {
    Map<String, Consumer<ObjectNode>> all = new LinkedHashMap<>();
    all.put("means", inquiry -> {});
    all.put("additive_means", inquiry -> inquiry.put("terms", "main"));
    all.put("reduced_means", this::reduce);
    all.forEach(
        (key, change) -> {
          if (expect.has(key)) {
            ObjectNode inquiry = inquiry();
            change.accept(inquiry);
            ask(
                key,
                inquiry,
                wanted -> {
                  for (JsonNode set : expect.get(key)) {
                    if (!isOfTreatments(set.get("of"))) {
                      continue;
                    }
                    ObjectNode entry = entry(wanted, "means");
                    entry.set("of", set.get("of"));
                    for (JsonNode row : set.get("rows")) {
                      ObjectNode mean =
                          renamed(row, row.get("mean").isNull() ? keys("mean mean") : MEAN);
                      mean.set("levels", row.get("levels"));
                      entry.withArray("/rows").add(mean);
                    }
                  }
                });
          }
        });
  }

  private boolean isOfTreatments(JsonNode names) {
    Set<String> treatments = new LinkedHashSet<>();
    design.get("treatments").forEach(t -> treatments.add(t.asText()));
    for (JsonNode name : names) {
      if (!treatments.contains(name.asText())) {
        return false;
      }
    }
    return true;
  }

  private void comparisons() {
    for (JsonNode family : expect.path("comparisons")) {
      if (family.has("pairs")) {
        List<String> of = new ArrayList<>();
        family.get("of").forEach(f -> of.add(f.asText()));
        compare("comparisons of " + of + family.get("within"), inquiry(), of, family);
      }
    }
  }

  private void compare(String what, ObjectNode inquiry, List<String> of, JsonNode family) {
    if (family == null) {
      return;
    }
    ArrayNode compare = inquiry.putArray("compare");
    family
        .get("methods")
        .fieldNames()
        .forEachRemaining(
            method -> {
              ObjectNode one = compare.addObject().put("procedure", PROCEDURES.get(method));
              of.forEach(one.withArray("/of")::add);
              family.path("within").fieldNames().forEachRemaining(one.withArray("/within")::add);
            });
    ask(
        what,
        inquiry,
        wanted ->
            family
                .get("methods")
                .fields()
                .forEachRemaining(
                    e -> {
                      ObjectNode entry = wanted.withArray("/comparisons").addObject();
                      entry.put("procedure", PROCEDURES.get(e.getKey()));
                      of.forEach(entry.withArray("/of")::add);
                      put(entry, "within", family.get("within"));
                      pairs(entry, of, family, e.getValue());
                    }));
  }

  private static void pairs(ObjectNode entry, List<String> of, JsonNode family, JsonNode method) {
    // With spreads of their own each pair has a critical value of its own.
    JsonNode critical = method.get("critical_t");
    put(entry, "criticalValue", critical != null && critical.isNumber() ? critical : null);
    put(entry, "criticalRange", method.get("critical_q"));
    for (int i = 0; i < family.get("pairs").size(); i++) {
      JsonNode pair = family.get("pairs").get(i);
      ObjectNode row = entry.withArray("/rows").addObject();
      row.set("left", levels(of, pair.get("a").asText()));
      row.set("right", levels(of, pair.get("b").asText()));
      row.setAll(renamed(pair, keys("difference difference se se t statistic df df")));
      row.set("p", method.get("p").get(i));
      row.set("differs", method.get("significant").get(i));
      put(row, "low", method.path("ci_lower").get(i));
      put(row, "high", method.path("ci_upper").get(i));
    }
    method
        .path("letters")
        .fields()
        .forEachRemaining(
            e ->
                entry
                    .withArray("/letters")
                    .addObject()
                    .put("letters", e.getValue().asText())
                    .set("levels", levels(of, e.getKey())));
  }

  private static ObjectNode levels(List<String> of, String label) {
    ObjectNode levels = JSON.createObjectNode();
    String[] parts = label.split(" / ");
    for (int i = 0; i < of.size(); i++) {
      levels.put(of.get(i), parts[i]);
    }
    return levels;
  }

  private void contrasts() {
    if (!expect.path("contrasts").has(0)) {
      return;
    }
    JsonNode first = expect.at("/contrasts/0");
    double planned = first.get("p_bonferroni").asDouble() / first.get("p").asDouble();
    for (String procedure : List.of("none", "scheffe", "bonferroni")) {
      if (procedure.equals("bonferroni") && Math.round(planned) != expect.get("contrasts").size()) {
        continue; // Planned together with questions that the case does not list.
      }
      ObjectNode inquiry = inquiry();
      for (JsonNode contrast : expect.get("contrasts")) {
        ObjectNode one = inquiry.withArray("/compare").addObject();
        one.set("name", contrast.get("name"));
        one.put("procedure", procedure);
        one.set("weights", contrast.get("weights"));
        Set<String> of = new LinkedHashSet<>();
        contrast
            .get("weights")
            .forEach(w -> w.get("levels").fieldNames().forEachRemaining(of::add));
        of.forEach(one.withArray("/of")::add);
      }
      ask(
          "contrasts by " + procedure,
          inquiry,
          wanted ->
              expect
                  .get("contrasts")
                  .forEach(
                      contrast -> {
                        ObjectNode entry = entry(wanted, "contrasts");
                        entry.set("name", contrast.get("name"));
                        judged(entry, contrast, procedure);
                      }));
    }
  }

  private static void judged(ObjectNode entry, JsonNode contrast, String procedure) {
    entry.setAll(renamed(contrast, CONTRAST));
    boolean plain = procedure.equals("none");
    put(entry, "p", contrast.get(plain ? "p" : "p_" + procedure));
    put(entry, "low", contrast.get(plain ? "ci_lower" : procedure + "_ci_lower"));
    put(entry, "high", contrast.get(plain ? "ci_upper" : procedure + "_ci_upper"));
  }

  /** Levels that are numbers make trends; here they were written as words. */
  private void trends() {
    JsonNode trends = expect.path("trend");
    if (!trends.has(0)) {
      return;
    }
    String treatment = design.at("/treatments/0").asText();
    ObjectNode inquiry = inquiry();
    inquiry
        .putArray("prepare")
        .addObject()
        .put("step", "kind")
        .put("column", treatment)
        .put("kind", "number");
    inquiry
        .putArray("compare")
        .addObject()
        .put("trend", trends.size())
        .putArray("of")
        .add(treatment);
    ask(
        "trends",
        inquiry,
        wanted -> {
          for (int degree = 1; degree <= trends.size(); degree++) {
            ObjectNode entry = entry(wanted, "contrasts").put("degree", degree);
            judged(entry, trends.get(degree - 1), "none");
          }
        });
  }

  private void blocking() {
    JsonNode blocking = expect.get("blocking");
    if (blocking == null) {
      return;
    }
    ask(
        "blocking",
        inquiry(),
        wanted -> {
          ObjectNode test = entry(wanted, "tests").put("kind", "analysis-of-variance");
          JsonNode efficiency = blocking.get("relative_efficiency");
          test.set(
              "relativeEfficiency",
              efficiency != null
                  ? renamed(
                      efficiency,
                      keys("re value fisher_df_correction dfCorrection re_corrected corrected"))
                  : renamed(blocking, keys("relative_efficiency_vs_completely_randomized value")));
          JsonNode additivity = blocking.get("nonadditivity");
          if (design.get("blocks").size() == 1) {
            ObjectNode check = entry(wanted, "checks").put("about", "additivity");
            check.setAll(
                renamed(additivity, keys("f statistic p p ss ss ss_remainder remainderSs")));
            check.putArray("df").add(additivity.get("df")).add(additivity.get("df_error"));
          }
        });
  }

  private void covariates() {
    if (!expect.has("covariates")) {
      return;
    }
    JsonNode slopes = expect.get("slopes");
    boolean one = slopes.get("by_covariate").isEmpty();
    ask(
        "covariates",
        inquiry(),
        wanted -> {
          ObjectNode test = entry(wanted, "tests").put("kind", "analysis-of-variance");
          for (JsonNode covariate : expect.get("covariates")) {
            ObjectNode slope =
                renamed(
                    covariate,
                    keys("mean mean slope slope se se df df t t p p ci_lower low ci_upper high"));
            slope.set("name", covariate.get("covariate"));
            test.withArray("/covariates").add(slope);
          }
          for (JsonNode each : one ? listOf(slopes.get("joint")) : slopes.get("by_covariate")) {
            ObjectNode check = entry(wanted, "checks").put("about", "slopes");
            check.set("covariate", one ? design.at("/covariates/0") : each.get("covariate"));
            check.setAll(renamed(each, keys("f statistic p p ss ss")));
            check.putArray("df").add(each.get("df")).add(each.get("df_error"));
          }
        });
  }

  private void splitPlot() {
    JsonNode split = expect.get("split_plot");
    if (split == null) {
      return;
    }
    ask(
        "split plot",
        inquiry(),
        wanted -> {
          ObjectNode test = entry(wanted, "tests").put("kind", "analysis-of-variance");
          ArrayNode rows = test.putArray("rows");
          layer(rows, split.get("whole_plot"), "whole-plot error", split.get("error_a"));
          layer(rows, split.get("sub_plot"), "subplot error", split.get("error_b"));
          test.set(
              "fit",
              renamed(
                  split,
                  keys(
                      "grand_mean grandMean cv_a_percent wholePlotCvPercent cv_b_percent"
                          + " cvPercent")));
          String whole = design.at("/wholePlots/0").asText();
          String sub = design.at("/treatments/1").asText();
          Map<String, String> se = keys("sed se df df lsd leastSignificantDifference");
          difference(test, split.at("/sed/whole_means"), whole, "", se);
          difference(test, split.at("/sed/sub_means"), sub, "", se);
          difference(test, split.at("/sed/sub_at_same_whole"), sub, whole, se);
          difference(
              test,
              split.at("/sed/whole_at_same_or_different_sub"),
              whole,
              sub,
              keys(
                  "sed se df_satterthwaite df t_weighted weightedT lsd_weighted"
                      + " weightedLeastSignificantDifference lsd_satterthwaite"
                      + " leastSignificantDifference"));
          for (String set : List.of("whole", "sub", "cells")) {
            ObjectNode entry = entry(wanted, "means");
            split
                .at("/means/" + set + "/0/levels")
                .fieldNames()
                .forEachRemaining(entry.withArray("/of")::add);
            for (JsonNode row : split.at("/means/" + set)) {
              ObjectNode mean = renamed(row, MEAN);
              mean.set("levels", row.get("levels"));
              entry.withArray("/rows").add(mean);
            }
          }
        });
  }

  private static void layer(ArrayNode rows, JsonNode terms, String error, JsonNode of) {
    for (JsonNode term : terms) {
      rows.addObject().put("source", source(term)).setAll(renamed(term, EFFECT));
    }
    rows.addObject().put("source", error).setAll(renamed(of, keys("df df ss ss ms ms")));
  }

  private static void difference(
      ObjectNode test, JsonNode given, String between, String within, Map<String, String> keys) {
    ObjectNode entry = renamed(given, keys);
    entry.putArray("between").add(between);
    ArrayNode held = entry.putArray("within");
    if (!within.isEmpty()) {
      held.add(within);
    }
    test.withArray("/standardErrorsOfDifferences").add(entry);
  }

  private void repeated() {
    JsonNode repeated = expect.get("repeated");
    if (repeated == null) {
      return;
    }
    ObjectNode inquiry = inquiry();
    design.get("occasions").forEach(inquiry.withArray("/treatments")::add);
    ask(
        "repeated",
        inquiry,
        wanted -> {
          ObjectNode test = entry(wanted, "tests").put("kind", "analysis-of-variance");
          ArrayNode rows = test.putArray("rows");
          JsonNode between = repeated.path("between");
          JsonNode units = repeated.get(between.isEmpty() ? "units" : "error_between");
          layer(rows, between, "units", units);
          layer(rows, repeated.get("within"), "error within units", repeated.get("error_within"));
          test.set(
              "epsilon",
              renamed(
                  repeated.get("epsilon"),
                  keys(
                      "greenhouse_geisser greenhouseGeisser huynh_feldt huynhFeldt"
                          + " huynh_feldt_used huynhFeldtUsed huynh_feldt_lecoutre"
                          + " huynhFeldtLecoutre huynh_feldt_lecoutre_used"
                          + " huynhFeldtLecoutreUsed lower_bound lowerBound")));
          ObjectNode check = entry(wanted, "checks").put("about", "sphericity");
          check.setAll(
              renamed(repeated.get("sphericity"), keys("mauchly_w statistic chi2 chiSquared p p")));
        });
  }

  private void together(String key, String squares, boolean adjusted) {
    JsonNode all = expect.get(key);
    if (all == null) {
      return;
    }
    ObjectNode inquiry = inquiry().put("squares", SQUARES.get(squares)).put("together", true);
    if (!adjusted) {
      inquiry.remove("covariates");
    }
    ask(
        key,
        inquiry,
        wanted -> {
          ObjectNode test = wanted.putArray("tests").addObject();
          test.put("kind", "multivariate").set("errorCrossProducts", all.at("/error/E"));
          for (JsonNode effect : all.get("effects")) {
            ObjectNode row = test.withArray("/rows").addObject().put("source", source(effect));
            row.setAll(
                renamed(
                    effect,
                    keys(
                        "H crossProducts eigenvalues eigenvalues canonical_correlations"
                            + " canonicalCorrelations percent_of_trace percentOfTrace"
                            + " df_hypothesis df df_error errorDf")));
            for (String statistic : List.of("pillai", "wilks", "hotelling_lawley", "roy")) {
              row.withArray("/statistics")
                  .add(
                      renamed(
                              effect.get(statistic),
                              keys(
                                  "value value f f df1 df df2 errorDf p p partial_eta2"
                                      + " partialEtaSquared"))
                          .put("name", statistic.replace('_', '-')));
            }
            univariate(wanted, effect);
          }
          JsonNode boxM = expect.get("box_m");
          if (boxM != null && !adjusted) {
            ObjectNode check = wanted.putArray("checks").addObject();
            check.put("about", "equal-covariances");
            check.setAll(renamed(boxM, keys("m statistic chi2 chiSquared p_chi2 p f f p_f fP")));
            check.putArray("fDf").add(boxM.get("df1")).add(boxM.get("df2"));
          }
        });
  }

  private static void univariate(ObjectNode wanted, JsonNode effect) {
    for (JsonNode each : effect.path("univariate")) {
      ObjectNode test = wanted.withArray("/tests").addObject();
      test.put("kind", "analysis-of-variance").set("measured", each.get("response"));
      test.withArray("/rows")
          .addObject()
          .put("source", source(effect))
          .setAll(renamed(each, EFFECT));
    }
  }

  private void powers() {
    JsonNode power = expect.get("box_cox");
    if (power == null) {
      return;
    }
    ask(
        "power transformation",
        inquiry(),
        wanted -> {
          ObjectNode best = wanted.putObject("powerTransformation");
          best.setAll(
              renamed(
                  power,
                  keys(
                      "lambda_hat lambda log_likelihood logLikelihood ci_lower low ci_upper high")));
          for (JsonNode point : power.get("profile")) {
            best.withArray("/profile")
                .add(renamed(point, keys("lambda lambda log_likelihood logLikelihood")));
          }
        });
  }

  private void transformed() {
    Map<String, String> steps = Map.of("log_plus_1", "log1p", "arcsine_sqrt", "arcsine-sqrt");
    for (JsonNode each : expect.path("transformed")) {
      String how = each.get("transform").asText();
      ObjectNode inquiry = about("scaled");
      inquiry
          .putArray("prepare")
          .addObject()
          .put("step", "compute")
          .put("column", "scaled")
          .put("as", steps.getOrDefault(how, how))
          .set("from", each.get("response"));
      ask(
          "on the scale of " + how,
          inquiry,
          wanted -> {
            ObjectNode test = wanted.putArray("tests").addObject();
            test.put("measured", "scaled").put("kind", "analysis-of-variance");
            JsonNode anova = each.get("anova");
            test.withArray("/rows")
                .addObject()
                .put("source", design.at("/treatments/0").asText())
                .setAll(renamed(anova, keys("df1 df ss_between ss f f p p")));
            for (JsonNode group : each.get("groups")) {
              ObjectNode summary = wanted.withArray("/summaries").addObject();
              summary.put("measured", "scaled");
              summary
                  .putObject("group")
                  .put(design.at("/treatments/0").asText(), group.get("level").asText());
              summary.setAll(renamed(group, keys("n n mean_transformed mean sd_transformed sd")));
            }
          });
    }
  }
}
