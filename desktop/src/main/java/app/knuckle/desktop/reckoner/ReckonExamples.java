package app.knuckle.desktop.reckoner;

import app.knuckle.stats.families.DistributionKind;
import app.knuckle.study.reckon.KnownTable.Entry;
import app.knuckle.study.reckon.Reckoning;
import java.util.LinkedHashMap;
import java.util.Map;

/** What stands on the page at first: examples from the nursery, to be written over. */
final class ReckonExamples {

  private ReckonExamples() {}

  static Map<String, String> of(Reckoning.Kind kind) {
    return switch (kind) {
      case PARTIAL_TABLE ->
          Map.of(
              Entry.EFFECT_DF.name(), "3",
              Entry.EFFECT_SS.name(), "41.28",
              Entry.ERROR_MS.name(), "3.217",
              Entry.TOTAL_DF.name(), "31");
      case TAIL ->
          Map.of(
              TailAnswer.LAW,
              DistributionKind.T.name(),
              TailAnswer.parameter(0),
              "20",
              TailAnswer.TAIL,
              "0.05");
      case SUMMARIES -> summaries();
      case SIZE ->
          Map.of(
              SizeAnswer.EFFECT, "0.8",
              SizeAnswer.POWER, "0.9",
              SizeAnswer.ALPHA, "0.05",
              SizeAnswer.GROUPS, "4",
              SizeAnswer.DF, "2",
              SizeAnswer.N, "20");
    };
  }

  private static Map<String, String> summaries() {
    Map<String, String> typed = new LinkedHashMap<>();
    group(typed, 0, "Pavlo mix", "9", "7.15", "1.10");
    group(typed, 1, "Green T", "8", "6.90", "0.71");
    group(typed, 2, "Paste", "9", "4.63", "0.52");
    return typed;
  }

  private static void group(
      Map<String, String> typed, int row, String level, String n, String mean, String sd) {
    typed.put(SummaryAnswer.cell("level", row), level);
    typed.put(SummaryAnswer.cell("n", row), n);
    typed.put(SummaryAnswer.cell("mean", row), mean);
    typed.put(SummaryAnswer.cell("spread", row), sd);
  }
}
