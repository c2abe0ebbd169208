package app.knuckle.study.contract;

import static app.knuckle.study.contract.FindingsFile.put;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.counts.CountFit;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.counts.ExactCounts;
import app.knuckle.study.findings.TestResult;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** Writes tests of counts and proportions as JSON. */
final class CountFile {

  private static final String RESIDUAL = "residual";

  private CountFile() {}

  static void write(ObjectNode node, TestResult.CountResult test) {
    node.put("kind", "analysis-of-deviance").put("squares", test.judging().squares().key());
    node.put("extraSpread", test.overdispersion());
    ArrayNode rows = node.putArray("rows");
    test.rows().forEach(row -> row(rows.addObject(), row, test));
    ObjectNode residual = rows.addObject().put("source", RESIDUAL);
    residual.set("term", InquiryFile.texts(List.of()));
    residual.put("df", test.fit().errorDf()).put("deviance", test.fit().residualDeviance());
    residual.put("pearson", test.fit().pearson());
    ObjectNode total = rows.addObject().put("source", "total");
    total.set("term", InquiryFile.texts(List.of()));
    total.put("df", test.fit().n() - 1).put("deviance", test.fit().nullDeviance());
    fit(node.putObject("fit"), test);
    if (!test.covariates().isEmpty()) {
      TestFile.slopes(node.putArray("covariates"), test.covariates());
      for (int i = 0; i < test.covariates().size(); i++) {
        ObjectNode slope = (ObjectNode) node.get("covariates").get(i);
        TestResult.Slope own = test.covariates().get(i);
        put(slope, "ratio", Quantity.of(own.test().estimate()).exponential());
        put(slope, "ratioLow", own.test().low().exponential());
        put(slope, "ratioHigh", own.test().high().exponential());
      }
    }
  }

  private static void row(ObjectNode node, DevianceTest row, TestResult.CountResult test) {
    node.put("source", row.term().source());
    node.set("term", InquiryFile.texts(row.term().names()));
    put(node, "df", row.df());
    put(node, "deviance", row.deviance());
    if (row.df().exists()) {
      node.put("errorSource", RESIDUAL);
    }
    if (test.overdispersion()) {
      put(node, "f", row.statistic());
      if (row.df().exists()) {
        put(node, "errorDf", row.errorDf());
      }
    } else {
      put(node, "chiSquared", row.statistic());
    }
    put(node, "p", row.p());
    if (row.p().exists()) {
      put(
          node,
          test.overdispersion() ? "criticalF" : "criticalChiSquared",
          row.critical(test.judging().alpha()));
    }
  }

  private static void fit(ObjectNode node, TestResult.CountResult test) {
    CountFit.Figures fit = test.fit();
    node.put("n", fit.n()).put("rank", fit.rank()).put("modelDf", fit.rank() - 1);
    node.put("errorDf", fit.errorDf()).put("atEdge", fit.atEdge());
    node.put("residualDeviance", fit.residualDeviance()).put("nullDeviance", fit.nullDeviance());
    node.put("pearson", fit.pearson());
    put(node, "dispersion", fit.dispersion());
    node.put("logLikelihood", fit.logLikelihood());
    put(node, "aic", test.aic());
    put(node, "devianceExplained", test.explained());
    put(node, test.overdispersion() ? "modelF" : "modelChiSquared", test.whole().statistic());
    put(node, "modelP", test.whole().p());
  }

  static void write(ObjectNode node, TestResult.ExactResult test) {
    boolean proportions = test.kind() == CountKind.PROPORTIONS;
    node.put("kind", proportions ? "fisher-exact" : "conditional-binomial");
    node.put("direction", test.direction().key());
    FindingsFile.levels(node.putObject("left"), test.left().levels());
    FindingsFile.levels(node.putObject("right"), test.right().levels());
    node.put("leftCount", test.left().count()).put("rightCount", test.right().count());
    node.put(proportions ? "leftTried" : "leftExposure", test.left().size());
    node.put(proportions ? "rightTried" : "rightExposure", test.right().size());
    Optional<ExactCounts> exact = test.test();
    put(node, "pEither", of(exact, ExactCounts::either));
    put(node, "pGreater", of(exact, ExactCounts::greater));
    put(node, "pLess", of(exact, ExactCounts::less));
    put(node, "pDoubled", of(exact, ExactCounts::doubled));
    put(node, "midPEither", of(exact, e -> e.mid(Direction.EITHER)));
    put(node, "midPGreater", of(exact, e -> e.mid(Direction.GREATER)));
    put(node, "midPLess", of(exact, e -> e.mid(Direction.LESS)));
    Quantity none = Quantity.absent(Absence.TOO_MANY_TABLES);
    put(node, proportions ? "oddsRatio" : "ratio", exact.map(ExactCounts::ratio).orElse(none));
    if (proportions) {
      put(node, "conditionalOddsRatio", exact.map(ExactCounts::conditional).orElse(none));
    }
    put(node, "low", exact.map(ExactCounts::low).orElse(none));
    put(node, "high", exact.map(ExactCounts::high).orElse(none));
    put(node, "p", of(exact, e -> e.p(test.direction())));
    put(node, "midP", of(exact, e -> e.mid(test.direction())));
    node.put("differs", exact.isPresent() ? Boolean.valueOf(test.differs()) : null);
  }

  private static Quantity of(Optional<ExactCounts> exact, ToDoubleFunction<ExactCounts> what) {
    return exact
        .map(e -> Quantity.of(what.applyAsDouble(e)))
        .orElse(Quantity.absent(Absence.TOO_MANY_TABLES));
  }
}
