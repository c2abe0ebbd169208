package app.knuckle.study.findings;

import app.knuckle.stats.linear.AnovaTable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Reads a design back to the user: what it is, its skeleton, what is asked, what is odd. */
final class DesignWords {

  private final Inquiry inquiry;
  private final Numbers response;
  private final CellGroups cells;

  private DesignWords(Inquiry inquiry, Numbers response, CellGroups cells) {
    this.inquiry = inquiry;
    this.response = response;
    this.cells = cells;
  }

  static DesignReading of(Inquiry inquiry, Numbers response, CellGroups cells, Analysis analysis) {
    boolean plain =
        inquiry.treatments().size() == 1
            && inquiry.blocks().isEmpty()
            && inquiry.covariates().isEmpty()
            && inquiry.unit() == null
            && inquiry.pairs() == null;
    List<String> odd = Contradictions.of(inquiry, response, cells);
    DesignWords words = new DesignWords(inquiry, response, cells);
    DesignReading reading =
        plain
            ? DesignReading.of(response, all(cells, response), cells.counts())
            : new DesignReading(
                words.readsAs(),
                skeleton(analysis),
                words.questions(),
                words.hypotheses(),
                words.warnings());
    boolean ranks = inquiry.method() == Inquiry.Method.RANKS && !inquiry.treatments().isEmpty();
    return (ranks ? reading.asking(words.rankQuestions(), words.rankHypotheses()) : reading)
        .warning(odd);
  }

  /** Groups with the empty ones among them, as the plain reading wants them. */
  private static Groups all(CellGroups cells, Numbers response) {
    Factor factor = cells.factors().get(0);
    return new Groups(cells.filled().treatment(), factor.levels(), factor.codes(), cells.counts());
  }

  private String readsAs() {
    StringBuilder words = new StringBuilder();
    List<Factor> factors = cells.factors();
    if (factors.isEmpty()) {
      words.append("one sample against an expected value");
    } else if (inquiry.pairs() != null) {
      words.append("matched pairs of ").append(factors.get(0).name());
    } else if (factors.size() == 1) {
      words
          .append("one treatment at ")
          .append(Numerals.count(factors.get(0).size(), "level", "levels"));
    } else {
      words
          .append(
              factors.stream()
                  .map(f -> String.valueOf(f.size()))
                  .collect(Collectors.joining(" x ")))
          .append(" factorial");
    }
    layout(words);
    int covariates = inquiry.covariates().size();
    if (covariates > 0) {
      words.append(", ").append(covariates == 1 ? "one covariate" : covariates + " covariates");
    }
    return words.toString();
  }

  private void layout(StringBuilder words) {
    if (!inquiry.wholePlots().isEmpty()) {
      words.append(" in split plots, ").append(Numerals.list(inquiry.wholePlots()));
      words.append(" on whole plots");
    } else if (inquiry.unit() != null && inquiry.occasions().isEmpty()) {
      words.append(", the readings of each ").append(inquiry.unit()).append(" averaged");
    } else if (inquiry.unit() != null) {
      words.append(", repeated on each ").append(inquiry.unit());
    }
    if (!inquiry.strips().isEmpty()) {
      words.append(" in split blocks, ").append(Numerals.list(inquiry.strips()));
      words.append(" in strips across the others");
    } else if (inquiry.blocks().size() == 1) {
      words.append(isComplete() ? " in randomised complete blocks" : " in incomplete blocks");
    } else if (inquiry.blocks().size() > 1) {
      words.append(" in rows and columns");
    } else if (inquiry.unit() == null
        && inquiry.pairs() == null
        && !cells.factors().isEmpty()
        && inquiry.wholePlots().isEmpty()) {
      words.append(", completely randomised");
    }
  }

  /** Whether every group has at least as many values as there would be blocks to fill. */
  private boolean isComplete() {
    int[] counts = cells.counts();
    int first = counts.length == 0 ? 0 : counts[0];
    for (int count : counts) {
      if (count != first) {
        return false;
      }
    }
    Factor block =
        new Parts(cells.frame(), List.of(response.name()), inquiry.blocks())
            .factor(inquiry.blocks().get(0));
    return first % Math.max(1, block.size()) == 0;
  }

  private static List<DesignReading.Source> skeleton(Analysis analysis) {
    List<DesignReading.Source> skeleton = new ArrayList<>();
    for (TestResult test : analysis.tests()) {
      if (test instanceof TestResult.AnovaResult anova) {
        for (AnovaTable.Row row : anova.table().rows()) {
          double df = row.isError() ? row.error().errorDf() : df(row);
          skeleton.add(
              new DesignReading.Source(
                  row.source(), 0, (int) df, row.isError() ? "" : row.error().error()));
        }
        skeleton.add(new DesignReading.Source("total", 0, (int) anova.table().totalDf(), ""));
      }
    }
    return skeleton;
  }

  private static double df(AnovaTable.Row row) {
    return row.effect() == null ? 0 : row.effect().df();
  }

  private List<String> questions() {
    List<String> questions = new ArrayList<>();
    String label = response.label();
    if (inquiry.treatments().isEmpty()) {
      questions.add("Is mean " + label + " the expected value?");
    }
    for (String treatment : inquiry.treatments()) {
      questions.add("Is mean " + label + " the same at all levels of " + treatment + "?");
    }
    if (inquiry.treatments().size() > 1 && inquiry.terms() != Inquiry.Terms.MAIN) {
      questions.add(
          "Does the effect of one of "
              + Numerals.list(inquiry.treatments())
              + " on "
              + label
              + " depend on another?");
    }
    return questions;
  }

  private List<String> hypotheses() {
    String label = response.label();
    if (inquiry.treatments().isEmpty()) {
      return List.of(
          "H\u2080: the mean of " + label + " is the expected value.",
          "H\u2081: the mean of " + label + " is another.");
    }
    List<String> hypotheses = new ArrayList<>();
    for (String treatment : inquiry.treatments()) {
      hypotheses.add(
          "H\u2080: the mean of " + label + " is the same at every level of " + treatment + ".");
    }
    hypotheses.add("H\u2081: at least one mean differs.");
    return hypotheses;
  }

  /** Ranks ask who tends to be higher, and nothing of means. */
  private List<String> rankQuestions() {
    return inquiry.treatments().stream()
        .map(t -> "Does " + response.label() + " tend to be higher at some level of " + t + "?")
        .toList();
  }

  private List<String> rankHypotheses() {
    String treatment = inquiry.treatments().get(0);
    String label = response.label();
    return List.of(
        "H\u2080: " + label + " is spread alike at every level of " + treatment + ".",
        "H\u2081: at one level at least " + label + " tends to be higher than at another.");
  }

  private List<String> warnings() {
    List<String> empty = new ArrayList<>();
    int[] counts = cells.counts();
    for (int cell = 0; cell < counts.length; cell++) {
      if (counts[cell] == 0) {
        empty.add(cells.name(cell));
      }
    }
    List<String> warnings = new ArrayList<>();
    if (!empty.isEmpty()) {
      warnings.add(
          (empty.size() == 1 ? "One cell is empty: " : empty.size() + " cells are empty: ")
              + Numerals.list(empty)
              + ". What rests on "
              + (empty.size() == 1 ? "it" : "them")
              + " cannot be estimated.");
    }
    if (inquiry.unit() != null && inquiry.occasions().isEmpty() && inquiry.wholePlots().isEmpty()) {
      warnings.add(
          "Several readings of one "
              + inquiry.unit()
              + " count as one, their mean: they are no"
              + " replicates.");
    }
    return warnings;
  }
}
