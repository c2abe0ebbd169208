package app.knuckle.cross;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/**
 * Random inquiries of every method, answered by the program and from the definitions. The seed is
 * fixed, so that a build can be repeated.
 */
class CrossTest {
  private static final ObjectMapper JSON = new ObjectMapper();

  /** More refusals than this share would mean that little is compared. */
  private static final double MOST_REFUSED = 0.1;

  static JsonNode findings(Sheet sheet, ObjectNode asked) {
    try {
      return JSON.readTree(
          FindingsFile.text(Answering.of(sheet.table(), InquiryFile.read(asked), Progress.NONE)));
    } catch (Refused e) {
      return JSON.createObjectNode().put("refused", e.getMessage());
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void randomInquiriesAgreeWithTheDefinitions() {
    int inquiries = Integer.getInteger("cross.inquiries", 300);
    long seed = Long.getLong("cross.seed", 14142135L);
    int compared = 0;
    int refused = 0;
    List<String> missed = new ArrayList<>();
    for (int i = 0; i < inquiries; i++) {
      Random random = new Random(seed + i);
      // Every kind in its turn.
      Made made = Made.of(random, Made.Kind.values()[i % Made.Kind.values().length]);
      Claims claims = null;
      try {
        claims = new Claims(findings(made.sheet(), made.asked()));
        boolean answered = !claims.findings.has("refused") && !isRefused(claims.findings);
        refused += answered ? 0 : 1;
        if (answered) {
          judge(made, claims);
          sentences(made, claims);
          new SameAgain(made, claims, random).check(i / Made.Kind.values().length + i);
        }
        compared += claims.compared;
      } catch (RuntimeException e) {
        missed.add("no. " + i + ": " + e + " at " + e.getStackTrace()[0] + "\n" + made);
        continue;
      }
      if (!claims.missed.isEmpty()) {
        missed.add(
            "no. "
                + i
                + ": "
                + String.join("\n    ", claims.missed.stream().limit(8).toList())
                + "\n"
                + made);
      }
    }
    System.out.println(
        inquiries
            + " inquiries, "
            + compared
            + " numbers compared, "
            + refused
            + " refused, "
            + missed.size()
            + " inquiries with something amiss");
    assertThat(missed).isEmpty();
    assertThat(refused).isLessThan((int) (MOST_REFUSED * inquiries) + 3);
    assertThat(compared).isGreaterThan(30 * inquiries);
  }

  /** One p decides test and finding, and the rows of a comparison its ranking. */
  private static void sentences(Made made, Claims claims) {
    JsonNode test = claims.findings.path("tests").path(0);
    JsonNode row = test.has("p") ? test : test.path("rows").path(0);
    boolean one = test.has("p") || test.path("rows").size() <= 3;
    String finding = claims.findings.path("sentences").path("finding").asText();
    boolean edge = Math.abs(row.path("p").asDouble(0) - made.alpha()) < 1e-9;
    if (one && row.path("p").isNumber() && !edge && made.treatments() == 1 && !made.together()) {
      claims.same(
          "finding: " + finding,
          !finding.contains("No evidence"),
          row.path("p").asDouble() <= made.alpha());
    }
    JsonNode comparison = claims.findings.path("comparisons").path(0);
    String ranking = claims.findings.path("sentences").path("ranking").path(0).asText();
    if (comparison.path("within").isEmpty() && !ranking.isEmpty()) {
      boolean any = false;
      for (JsonNode pair : comparison.path("rows")) {
        any |= pair.path("differs").asBoolean();
      }
      boolean none =
          (ranking.startsWith("No two")
                  || ranking.startsWith("No evidence")
                  || ranking.startsWith("No comparison"))
              && !ranking.contains(", significantly ");
      claims.same("ranking: " + ranking, !none, any);
    }
  }

  private static boolean isRefused(JsonNode findings) {
    JsonNode first = findings.path("tests").path(0);
    return first.has("why") && first.path("fit").isNull();
  }

  private static void judge(Made made, Claims claims) {
    switch (made.kind()) {
      case ONE_WAY, TWO_GROUPS, FACTORIAL, BLOCKS, ROWS_AND_COLUMNS, COVARIATE -> {
        if (LinearClaims.possible(made)) {
          new LinearClaims(made, claims).check();
        }
      }
      case UNEQUAL -> SampleClaims.unequal(made, claims);
      case ONE_SAMPLE -> SampleClaims.oneSample(made, claims);
      case PAIRS -> SampleClaims.pairs(made, claims);
      case SPLIT_PLOT -> new LayerClaims(made, claims).splitPlot();
      case REPEATED -> new LayerClaims(made, claims).repeated();
      case STRIPS -> new LayerClaims(made, claims).strips();
      case TOGETHER -> new LayerClaims(made, claims).together();
      case ASSOCIATED -> new AssociationClaims(made, claims).associated();
      case RANK_TWO -> new RankClaims(made, claims).two();
      case RANK_GROUPS -> new RankClaims(made, claims).groups();
      case RANK_BLOCKS -> new RelatedRankClaims(made, claims).blocks();
      case RANK_PAIRS, RANK_ONE -> new RelatedRankClaims(made, claims).signed();
      case PERMUTATION -> new PermutationClaims(made, claims).permutation();
      case COUNTS, PROPORTIONS -> new CountClaims(made, claims).oneWay();
      case MIXED -> new MixedClaims(made, claims).blocks();
    }
  }
}
