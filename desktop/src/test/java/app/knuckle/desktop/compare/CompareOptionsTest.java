package app.knuckle.desktop.compare;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import java.net.URISyntaxException;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What may be compared, by which procedures; and that each procedure offered does answer. */
class CompareOptionsTest {

  private static final String TWO = "`measured`:[`growth_mm`],`treatments`:[`mesh`,`density`]";
  private static final String ONE = "`measured`:[`growth_mm`],`treatments`:[`mesh`]";

  private static List<CompareOptions.Family> families(String keys) {
    return CompareOptions.families(Asked.inquiry(keys));
  }

  @Test
  void termsAloneCrossedAndWithinEachOther() {
    assertThat(families(TWO))
        .extracting(CompareOptions.Family::title)
        .containsExactly(
            "mesh",
            "density",
            "mesh × density",
            "mesh within each density",
            "density within each mesh");
    assertThat(families(ONE)).extracting(CompareOptions.Family::title).containsExactly("mesh");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        ONE,
        ONE + ",`reference`:{`mesh`:`fine`}",
        ONE + ",`method`:`unequal-spread`",
        ONE + ",`method`:`ranks`",
        ONE + ",`method`:`ranks`,`reference`:{`mesh`:`fine`}",
        TWO,
        TWO + ",`blocks`:[`rack`]",
        TWO + ",`covariates`:[`start_mm`]"
      })
  void everyProcedureThatIsOfferedAnswersWithALadder(String keys) throws URISyntaxException {
    Inquiry inquiry = Asked.inquiry(keys);
    for (CompareOptions.Family family : CompareOptions.families(inquiry)) {
      for (CompareOptions.By by : CompareOptions.procedures(inquiry, family)) {
        assertThat(CompareOptions.By.of(by.key())).isEqualTo(by);
        Procedure procedure = by.procedure();
        Inquiry asked =
            inquiry.but(
                d ->
                    d.compare =
                        List.of(
                            new Compare(
                                family.of(),
                                family.within(),
                                by.toReference(),
                                procedure,
                                List.of(),
                                0,
                                "")));
        Answer answer = Asked.of(Asked.table("rack-trial"), asked);
        List<ComparedMeans> means = ComparedMeans.of(answer.findings().first().results());
        assertThat(means).as("%s by %s", family.title(), procedure).isNotEmpty();
        ComparePage page = ComparePage.of(answer.findings(), means.get(0));
        assertThat(page.rungs()).hasSizeGreaterThan(1);
        assertThat(page.ranking()).as("%s", procedure).isNotBlank().endsWith(".");
        assertThat(CompareOptions.now(asked).by()).isEqualTo(by.title());
      }
    }
  }

  @Test
  void eachProcedureHasItsLineAndIsOfferedSomewhereOrSaidWhyNot() {
    Set<String> lines = new HashSet<>();
    Arrays.stream(Procedure.values()).forEach(p -> lines.add(CompareOptions.use(p)));
    assertThat(lines).hasSizeGreaterThan(15).noneMatch(String::isBlank);
    String not = CompareOptions.notOffered(Asked.inquiry(ONE), List.of("mesh"));
    assertThat(not).contains("Dunnett, which needs a reference", "unequal spread", "on ranks");
    assertThat(
            CompareOptions.notOffered(
                Asked.inquiry(ONE + ",`reference`:{`mesh`:`fine`}"), List.of("mesh")))
        .doesNotContain("Dunnett");
  }

  @Test
  void theLevelInUseIsAmongTheUsualOnes() {
    assertThat(CompareOptions.levels(Asked.inquiry(ONE + ",`alpha`:0.02")))
        .containsExactly(0.1, 0.05, 0.02, 0.01, 0.001);
    assertThat(CompareOptions.hasDirection(Asked.inquiry(ONE))).isFalse();
    assertThat(CompareOptions.directions()).hasSize(3);
  }

  /** Stricter procedures never tell apart what milder ones do not. */
  @Test
  void theOrderFromStrictToLiberalIsTrueOfARealTrial() throws URISyntaxException {
    List<Procedure> strictest =
        List.of(
            Procedure.BONFERRONI,
            Procedure.SIDAK,
            Procedure.HOLM,
            Procedure.HOCHBERG,
            Procedure.BENJAMINI_HOCHBERG);
    long found = 0;
    for (Procedure procedure : strictest) {
      Inquiry asked =
          Asked.inquiry(TWO)
              .but(d -> d.compare = List.of(Compare.pairs(List.of("mesh", "density"), procedure)));
      Answer answer = Asked.of(Asked.table("rack-trial"), asked);
      long now =
          ComparedMeans.of(answer.findings().first().results()).get(0).pairs().stream()
              .filter(p -> p.differs())
              .count();
      assertThat(now).as("%s", procedure).isGreaterThanOrEqualTo(found);
      found = now;
    }
    assertThat(found).isPositive();
  }
}
