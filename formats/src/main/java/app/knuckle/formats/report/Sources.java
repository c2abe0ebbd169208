package app.knuckle.formats.report;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Where the methods of an answer were published. */
final class Sources {

  private static final String KRAMER = "Kramer, C. Y. (1956). Biometrics 12, 307\u2013310.";

  private static final Map<String, String> TESTS =
      Map.ofEntries(
          Map.entry(
              "kruskal-wallis",
              "Kruskal, W. H. and Wallis, W. A. (1952). Journal of the American Statistical Association 47, 583\u2013621."),
          Map.entry(
              "mann-whitney",
              "Mann, H. B. and Whitney, D. R. (1947). Annals of Mathematical Statistics 18, 50\u201360."),
          Map.entry(
              "brunner-munzel",
              "Brunner, E. and Munzel, U. (2000). Biometrical Journal 42, 17\u201325."),
          Map.entry("signed-rank", "Wilcoxon, F. (1945). Biometrics Bulletin 1, 80\u201383."),
          Map.entry(
              "friedman",
              "Friedman, M. (1937). Journal of the American Statistical Association 32, 675\u2013701."),
          Map.entry(
              "quade",
              "Quade, D. (1979). Journal of the American Statistical Association 74, 680\u2013683."),
          Map.entry(
              "page",
              "Page, E. B. (1963). Journal of the American Statistical Association 58, 216\u2013230."),
          Map.entry(
              "jonckheere-terpstra", "Jonckheere, A. R. (1954). Biometrika 41, 133\u2013145."),
          Map.entry(
              "skillings-mack",
              "Skillings, J. H. and Mack, G. A. (1981). Technometrics 23, 171\u2013177."));

  private Sources() {}

  static List<String> of(Findings findings) {
    Set<String> all = new LinkedHashSet<>();
    for (ResponseFindings response : findings.responses()) {
      for (TestResult test : response.analysis().tests()) {
        if (test instanceof TestResult.RankResult rank && TESTS.containsKey(rank.kind())) {
          all.add(TESTS.get(rank.kind()));
        }
      }
      for (ComparedMeans family : ComparedMeans.of(response.analysis())) {
        if (family.means().length > 2) {
          all.addAll(of(family.procedure(), family.isUnequal()));
        }
      }
    }
    if (findings.inquiry().method().isOfCounts()) {
      all.add(
          "McCullagh, P. and Nelder, J. A. (1989). Generalized Linear Models. Chapman and Hall.");
    }
    if (findings.inquiry().method() == Inquiry.Method.MIXED) {
      all.add("Patterson, H. D. and Thompson, R. (1971). Biometrika 58, 545\u2013554.");
      all.add(
          switch (findings.inquiry().random().denominator()) {
            case KENWARD_ROGER ->
                "Kenward, M. G. and Roger, J. H. (1997). Biometrics 53, 983\u2013997.";
            case SATTERTHWAITE ->
                "Satterthwaite, F. E. (1946). Biometrics Bulletin 2, 110\u2013114.";
          });
    }
    if (findings.inquiry().method() == Inquiry.Method.UNEQUAL_SPREAD) {
      all.add(
          findings.first().groups().size() == 2
              ? "Welch, B. L. (1947). Biometrika 34, 28\u201335."
              : "Welch, B. L. (1951). Biometrika 38, 330\u2013336.");
    }
    if (!findings.together().tests().isEmpty()) {
      all.add("Wilks, S. S. (1932). Biometrika 24, 471\u2013494.");
    }
    return List.copyOf(all);
  }

  private static List<String> of(Procedure procedure, boolean unequal) {
    List<String> all = new ArrayList<>();
    switch (procedure) {
      case TUKEY -> {
        all.add(
            "Tukey, J. W. (1953). The problem of multiple comparisons. Manuscript, Princeton University.");
        if (unequal) {
          all.add(KRAMER);
        }
      }
      case DUNNETT ->
          all.add(
              "Dunnett, C. W. (1955). Journal of the American Statistical Association 50, 1096\u20131121.");
      case SCHEFFE -> all.add("Scheff\u00e9, H. (1953). Biometrika 40, 87\u2013104.");
      case BONFERRONI, DUNN_BONFERRONI ->
          all.add(
              "Dunn, O. J. (1961). Journal of the American Statistical Association 56, 52\u201364.");
      case SIDAK, DUNN_SIDAK ->
          all.add(
              "\u0160id\u00e1k, Z. (1967). Journal of the American Statistical Association 62, 626\u2013633.");
      case HOLM, DUNN_HOLM ->
          all.add("Holm, S. (1979). Scandinavian Journal of Statistics 6, 65\u201370.");
      case HOCHBERG -> all.add("Hochberg, Y. (1988). Biometrika 75, 800\u2013802.");
      case BENJAMINI_HOCHBERG, DUNN_BENJAMINI_HOCHBERG ->
          all.add(
              "Benjamini, Y. and Hochberg, Y. (1995). Journal of the Royal Statistical Society B 57, 289\u2013300.");
      case NEWMAN_KEULS -> all.add("Keuls, M. (1952). Euphytica 1, 112\u2013122.");
      case DUNCAN -> all.add("Duncan, D. B. (1955). Biometrics 11, 1\u201342.");
      case LEAST_SIGNIFICANT_DIFFERENCE ->
          all.add("Fisher, R. A. (1935). The Design of Experiments. Oliver and Boyd, Edinburgh.");
      case GAMES_HOWELL ->
          all.add(
              "Games, P. A. and Howell, J. F. (1976). Journal of Educational Statistics 1, 113\u2013125.");
      case TAMHANE ->
          all.add(
              "Tamhane, A. C. (1979). Journal of the American Statistical Association 74, 471\u2013480.");
      case STEEL -> all.add("Steel, R. G. D. (1959). Biometrics 15, 560\u2013572.");
      case DWASS_STEEL -> all.add("Steel, R. G. D. (1960). Technometrics 2, 197\u2013207.");
      case CONOVER_HOLM ->
          all.add(
              "Conover, W. J. and Iman, R. L. (1979). Report LA-7677-MS, Los Alamos Scientific Laboratory.");
      case NEMENYI ->
          all.add(
              "Nemenyi, P. B. (1963). Distribution-free multiple comparisons. Thesis, Princeton University.");
      case NONE, DUNN_NONE -> {
        // Nothing was adjusted, so there is nothing to cite.
      }
    }
    switch (procedure) {
      case DUNN_BONFERRONI, DUNN_SIDAK, DUNN_HOLM, DUNN_BENJAMINI_HOCHBERG, DUNN_NONE ->
          all.add("Dunn, O. J. (1964). Technometrics 6, 241\u2013252.");
      case TUKEY,
          DUNNETT,
          SCHEFFE,
          BONFERRONI,
          SIDAK,
          HOLM,
          HOCHBERG,
          BENJAMINI_HOCHBERG,
          NEWMAN_KEULS,
          DUNCAN,
          LEAST_SIGNIFICANT_DIFFERENCE,
          GAMES_HOWELL,
          TAMHANE,
          STEEL,
          DWASS_STEEL,
          CONOVER_HOLM,
          NEMENYI,
          NONE -> {
        // These are their own source.
      }
    }
    return all;
  }
}
