package app.knuckle.desktop.compare;

import app.knuckle.stats.Quantity;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/**
 * The same comparison for every response: a row for each group, a column of means with letters for
 * each response.
 *
 * @param heads of the columns
 * @param rows cells, row by row
 */
record AllResponses(List<String> heads, List<List<String>> rows) {

  /** The table of several responses; without rows if there is one only. */
  static AllResponses of(Findings findings) {
    List<String> heads = new ArrayList<>(List.of("group"));
    List<List<String>> rows = new ArrayList<>();
    if (findings.responses().size() < 2) {
      return new AllResponses(heads, rows);
    }
    for (ResponseFindings response : findings.responses()) {
      List<ComparedMeans> families = ComparedMeans.of(response.results());
      if (families.isEmpty()) {
        continue;
      }
      ComparedMeans family = families.get(0);
      heads.add(response.measured().title());
      for (int i = 0; i < family.names().size(); i++) {
        if (rows.size() <= i) {
          rows.add(new ArrayList<>(List.of(family.names().get(i))));
        }
        Quantity se = family.ses().get(i);
        int decimals =
            se.exists() && se.value() > 0 ? Numerals.decimalsFor(se.value()) : response.decimals();
        String letters = family.letters() == null ? "" : "  " + family.letters().of(i);
        rows.get(i).add(Numerals.fixed(family.mean(i), decimals) + letters);
      }
    }
    rows.removeIf(row -> row.size() < heads.size());
    return new AllResponses(heads, rows);
  }
}
