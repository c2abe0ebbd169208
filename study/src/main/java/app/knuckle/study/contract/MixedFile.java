package app.knuckle.study.contract;

import static app.knuckle.study.contract.FindingsFile.put;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.Effects;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.stats.mixed.Moments;
import app.knuckle.stats.mixed.RandomTerm;
import app.knuckle.study.findings.TestResult;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Writes a mixed model as JSON. */
final class MixedFile {

  private static final String RESIDUAL = "residual";

  private MixedFile() {}

  static void write(ObjectNode node, TestResult.MixedResult test) {
    node.put("kind", "mixed").put("squares", Squares.AFTER_ALL.key());
    ArrayNode rows = node.putArray("rows");
    test.rows().forEach(row -> row(rows.addObject(), row));
    fit(node.putObject("fit"), test.fit());
    TestResult.Variation variation = test.variation();
    ArrayNode components = node.putArray("components");
    variation
        .components()
        .forEach(c -> component(components.addObject(), c, variation.within(), test));
    variation.correlation().ifPresent(r -> correlation(node.putObject("correlation"), r));
    variation
        .equalVariances()
        .ifPresent(
            ratio ->
                node.putObject("equalVariances")
                    .put("statistic", ratio.statistic())
                    .put("df", ratio.df())
                    .put("p", ratio.p()));
    variation.moments().ifPresent(m -> moments(node.putArray("moments"), m, variation.effects()));
    ArrayNode effects = node.putArray("effects");
    variation.effects().forEach(e -> effects(effects.addObject(), e));
    if (!test.covariates().isEmpty()) {
      TestFile.slopes(node.putArray("covariates"), test.covariates());
    }
    if (test.mean() != null) {
      mean(node.putObject("mean"), test.mean());
    }
  }

  private static void row(ObjectNode node, MixedFit.Row row) {
    node.put("source", row.term().source());
    node.set("term", InquiryFile.texts(row.term().names()));
    put(node, "df", row.df());
    put(node, "f", row.f());
    put(node, "errorDf", row.errorDf());
    put(node, "p", row.p());
    put(node, "criticalF", row.criticalF());
    if (row.denominator() == Denominator.KENWARD_ROGER) {
      put(node, "scale", row.scale());
    }
    if (row.df().exists()) {
      node.put("denominator", row.denominator().key());
    }
  }

  private static void fit(ObjectNode node, MixedFit.Figures fit) {
    node.put("n", fit.n()).put("rank", fit.rank()).put("parameters", fit.parameters());
    node.put("minusTwoLogLikelihood", fit.minusTwoLogLikelihood());
    node.put("logCrossProducts", fit.logCrossProducts());
    node.put("aic", fit.aic()).put("bic", fit.bic());
    put(node, "totalVariance", fit.totalVariance());
    if (fit.residualSd().exists()) {
      put(node, "residualSd", fit.residualSd());
    }
  }

  private static void component(
      ObjectNode node, Component c, WithinUnit within, TestResult.MixedResult test) {
    boolean isRandom = c.term() != null;
    node.put("source", isRandom ? c.term().term().source() : RESIDUAL);
    node.set("term", InquiryFile.texts(isRandom ? c.term().term().names() : List.of()));
    if (isRandom) {
      node.put("levelCount", c.term().size());
    } else if (within == WithinUnit.OWN_VARIANCES) {
      node.putObject("levels").put(c.occasion().column(), c.occasion().level());
    }
    node.put("variance", c.variance());
    put(node, "se", c.precision().se());
    put(node, "df", c.precision().df());
    put(node, "low", c.precision().low());
    put(node, "high", c.precision().high());
    if (within != WithinUnit.OWN_VARIANCES) {
      put(node, "profileLow", c.limits().low());
      put(node, "profileHigh", c.limits().high());
      put(node, "share", c.share().share());
      put(node, "shareSe", c.share().se());
    }
    if (isRandom) {
      put(node, "reliability", c.share().reliability());
      node.put("atZero", c.atZero());
      put(node, "statistic", c.test().statistic());
      put(node, "p", c.test().p());
    }
    if (test.variation().moments().isPresent()) {
      put(node, "momentVariance", c.moment());
    }
  }

  private static void correlation(ObjectNode node, MixedFit.Correlation r) {
    node.put("estimate", r.estimate());
    put(node, "se", r.se());
    put(node, "statistic", r.statistic());
    put(node, "p", r.p());
    put(node, "low", r.low());
    put(node, "high", r.high());
  }

  private static void moments(ArrayNode nodes, Moments moments, List<Effects> effects) {
    for (int k = 0; k < moments.rows().size(); k++) {
      Moments.Row row = moments.rows().get(k);
      boolean isRandom = k < effects.size();
      RandomTerm term = isRandom ? effects.get(k).term() : null;
      ObjectNode node = nodes.addObject().put("source", isRandom ? term.term().source() : RESIDUAL);
      node.set("term", InquiryFile.texts(isRandom ? term.term().names() : List.of()));
      node.put("df", row.df()).put("ss", row.ss()).put("ms", row.ms());
      node.put("variance", row.variance());
    }
  }

  private static void effects(ObjectNode node, Effects effects) {
    List<String> columns = effects.term().term().names();
    node.put("source", effects.term().term().source());
    node.set("term", InquiryFile.texts(columns));
    ArrayNode rows = node.putArray("rows");
    for (int l = 0; l < effects.effects().size(); l++) {
      ObjectNode row = rows.addObject();
      Map<String, String> levels = new LinkedHashMap<>();
      for (int c = 0; c < columns.size(); c++) {
        levels.put(columns.get(c), effects.term().levels().get(l).get(c));
      }
      FindingsFile.levels(row.putObject("levels"), levels);
      row.put("effect", effects.effects().get(l));
      put(row, "se", effects.errors().get(l));
    }
  }

  private static void mean(ObjectNode node, StudentT mean) {
    node.put("mean", mean.estimate());
    Quantity se = mean.se();
    put(node, "se", se);
    put(node, "df", mean.df());
    put(node, "low", mean.low());
    put(node, "high", mean.high());
  }
}
