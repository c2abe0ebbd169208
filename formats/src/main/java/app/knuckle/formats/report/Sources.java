package app.knuckle.formats.report;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Phrases;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Where the methods of an answer were published. */
final class Sources {

  /** Of a test on ranks, by its kind. */
  private static final String SOURCE = "source.";

  private Sources() {}

  static List<String> of(Findings findings) {
    Set<String> all = new LinkedHashSet<>();
    for (ResponseFindings response : findings.responses()) {
      for (TestResult test : response.results().tests()) {
        test.onRanks()
            .map(rank -> SOURCE + rank.kind())
            .filter(Phrases::has)
            .ifPresent(source -> all.add(say(source)));
      }
      for (ComparedMeans family : ComparedMeans.of(response.results())) {
        if (family.means().length > 2) {
          all.addAll(of(family.procedure(), family.isUnequal()));
        }
      }
    }
    if (findings.inquiry().response().isCounted()) {
      all.add(say("source.counts"));
    }
    if (findings.inquiry().analysis() == Analysis.MIXED) {
      all.add(say("source.reml"));
      all.add(
          switch (findings.inquiry().random().denominator()) {
            case KENWARD_ROGER -> say("source.kenward-roger");
            case SATTERTHWAITE -> say("source.satterthwaite");
          });
    }
    if (findings.inquiry().analysis() == Analysis.SEPARATE_VARIANCES) {
      all.add(say(findings.first().groups().size() == 2 ? "source.welch.two" : "source.welch"));
    }
    if (!findings.together().tests().isEmpty()) {
      all.add(say("source.wilks"));
    }
    return List.copyOf(all);
  }

  private static List<String> of(Procedure procedure, boolean unequal) {
    List<String> keys =
        switch (procedure) {
          case TUKEY -> unequal ? List.of("tukey", "kramer") : List.of("tukey");
          case DUNNETT -> List.of("dunnett");
          case SCHEFFE -> List.of("scheffe");
          case BONFERRONI -> List.of("bonferroni");
          case SIDAK -> List.of("sidak");
          case HOLM -> List.of("holm");
          case HOCHBERG -> List.of("hochberg");
          case BENJAMINI_HOCHBERG -> List.of("benjamini-hochberg");
          case NEWMAN_KEULS -> List.of("newman-keuls");
          case DUNCAN -> List.of("duncan");
          case LEAST_SIGNIFICANT_DIFFERENCE -> List.of("lsd");
          case GAMES_HOWELL -> List.of("games-howell");
          case TAMHANE -> List.of("tamhane");
          case STEEL -> List.of("steel");
          case DWASS_STEEL -> List.of("dwass-steel");
          case CONOVER_HOLM -> List.of("conover");
          case NEMENYI -> List.of("nemenyi");
          case DUNN_BONFERRONI -> List.of("bonferroni", "dunn");
          case DUNN_SIDAK -> List.of("sidak", "dunn");
          case DUNN_HOLM -> List.of("holm", "dunn");
          case DUNN_BENJAMINI_HOCHBERG -> List.of("benjamini-hochberg", "dunn");
          case DUNN_NONE -> List.of("dunn");
          // Nothing was adjusted, so there is nothing to cite.
          case NONE -> List.of();
        };
    return keys.stream().map(key -> say(SOURCE + key)).toList();
  }
}
