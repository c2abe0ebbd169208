package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.linear.Factor;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Results;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Reads a design back to the user: what it is, its skeleton, what is asked, what is odd. */
public final class DesignWords {

  private final Inquiry inquiry;
  private final Numbers response;
  private final CellGroups cells;

  private DesignWords(Inquiry inquiry, Numbers response, CellGroups cells) {
    this.inquiry = inquiry;
    this.response = response;
    this.cells = cells;
  }

  /**
   * Reads a design back.
   *
   * @param inquiry the question
   * @param response what was measured
   * @param cells that the treatments make of its rows
   * @param contradictions what the layout cannot bear
   * @param analysis of the response
   * @return the reading
   */
  public static DesignReading of(
      Inquiry inquiry,
      Numbers response,
      CellGroups cells,
      List<String> contradictions,
      Results analysis) {
    boolean plain =
        inquiry.treatments().size() == 1
            && inquiry.blocks().isEmpty()
            && inquiry.covariates().isEmpty()
            && inquiry.unit() == null
            && inquiry.pairs() == null
            && inquiry.analysis() != Analysis.MIXED;
    List<String> odd = new ArrayList<>(contradictions);
    odd.addAll(Contradictions.ofComparisons(inquiry, cells.factors()));
    analysis.tests().stream()
        .flatMap(test -> test.withRandom().stream())
        .forEach(mixed -> odd.addAll(MixedWords.warnings(mixed, inquiry)));
    DesignWords words = new DesignWords(inquiry, response, cells);
    DesignReading reading =
        plain
            ? DesignReading.of(all(cells), cells.counts())
            : new DesignReading(
                words.readsAs(), Skeletons.of(analysis), List.of(), List.of(), words.warnings());
    WhatIsAsked asked = new WhatIsAsked(inquiry, response, cells);
    return reading.asking(asked.questions(), asked.hypotheses()).warning(odd);
  }

  /** Groups with the empty ones among them, as the plain reading wants them. */
  private static Groups all(CellGroups cells) {
    Factor factor = cells.factors().get(0);
    return new Groups(cells.filled().treatment(), factor.levels(), factor.codes(), cells.counts());
  }

  private String readsAs() {
    StringBuilder words = new StringBuilder();
    List<Factor> factors = cells.factors();
    boolean mixed = inquiry.analysis() == Analysis.MIXED;
    if (factors.isEmpty() && mixed) {
      words.append(say("design.one.mean"));
    } else if (factors.isEmpty() && inquiry.expected() == null) {
      words.append(Phrases.count("design.responses", inquiry.measured().size()));
    } else if (factors.isEmpty()) {
      words.append(say("design.sample"));
    } else if (inquiry.pairs() != null) {
      words.append(say("design.pairs", factors.get(0).name()));
    } else if (factors.size() == 1) {
      words.append(Phrases.count("design.treatment", factors.get(0).size()));
    } else {
      List<String> sizes = factors.stream().map(f -> String.valueOf(f.size())).toList();
      words.append(say("design.factorial", String.join(say("random.crossed"), sizes)));
    }
    if (mixed) {
      words.append(MixedWords.random(inquiry));
    } else {
      layout(words);
    }
    if (!inquiry.covariates().isEmpty()) {
      words.append(Phrases.count("design.covariates", inquiry.covariates().size()));
    }
    return words.toString();
  }

  private void layout(StringBuilder words) {
    if (!inquiry.wholePlots().isEmpty()) {
      words.append(say("design.split.plots", Numerals.list(inquiry.wholePlots())));
    } else if (inquiry.unit() != null) {
      words.append(
          say(
              inquiry.occasions().isEmpty() ? "design.averaged" : "design.repeated",
              inquiry.unit()));
    }
    if (!inquiry.strips().isEmpty()) {
      words.append(say("design.split.blocks", Numerals.list(inquiry.strips())));
    } else if (inquiry.blocks().size() == 1) {
      words.append(say(isComplete() ? "design.blocks.complete" : "design.blocks.incomplete"));
    } else if (inquiry.blocks().size() > 1) {
      words.append(say("design.rows.columns"));
    } else if (inquiry.unit() == null
        && inquiry.pairs() == null
        && !cells.factors().isEmpty()
        && inquiry.wholePlots().isEmpty()) {
      words.append(say("design.randomised"));
    }
  }

  /** Whether every block holds every group, all of them equally often. */
  private boolean isComplete() {
    Parts parts = new Parts(cells.frame(), List.of(response.name()), inquiry.blocks());
    Factor block = parts.factor(inquiry.blocks().get(0));
    Factor group =
        cells.factors().isEmpty()
            ? new Factor("group", List.of("all"), new int[block.codes().length])
            : Factor.combined("group", cells.factors(), row -> true);
    Set<Integer> counts = new HashSet<>();
    int[][] held = new int[block.size()][group.size()];
    for (int row = 0; row < block.codes().length; row++) {
      if (block.codes()[row] >= 0 && group.codes()[row] >= 0 && !response.isMissing(row)) {
        held[block.codes()[row]][group.codes()[row]]++;
      }
    }
    for (int[] one : held) {
      Arrays.stream(one).forEach(counts::add);
    }
    return counts.size() == 1 && !counts.contains(0) && group.size() == cells.counts().length;
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
      warnings.add(Phrases.count("design.empty", empty.size(), Numerals.list(empty)));
    }
    if (inquiry.unit() != null && inquiry.occasions().isEmpty() && inquiry.wholePlots().isEmpty()) {
      warnings.add(say("design.readings", inquiry.unit()));
    }
    return warnings;
  }
}
