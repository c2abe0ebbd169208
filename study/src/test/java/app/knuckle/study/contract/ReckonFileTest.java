package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Questions without records; their numbers are checked by the reference cases. */
class ReckonFileTest {

  private static JsonNode answer(String kind, String given) throws IOException {
    String question = "{\"kind\":\"" + kind + "\",\"given\":" + given.replace('\'', '"') + "}";
    return new ObjectMapper().readTree(ReckonFile.answer(question)).get("answer");
  }

  @Test
  void aFactorialOfOneTreatmentIsAOneWayLayout() throws IOException {
    JsonNode oneWay =
        answer("sample-size", "{'test':'one-way','groups':4,'cohenF':0.3,'power':0.8}");
    JsonNode factorial =
        answer(
            "sample-size",
            "{'test':'factorial','levels':{'mesh':4},'effect':['mesh'],'cohenF':0.3,'power':0.8}");
    assertThat(factorial).isEqualTo(oneWay);
    assertThat(oneWay.get("total").asInt()).isEqualTo(4 * oneWay.get("n").asInt());
  }

  @Test
  void anInteractionHasTheProductOfItsDegreesOfFreedom() throws IOException {
    JsonNode power =
        answer(
            "power",
            "{'test':'factorial','levels':{'mesh':3,'density':4,'tide':2},"
                + "'effect':['mesh','density'],'n':5,'cohenF':0.25}");
    assertThat(power.get("df").asInt()).isEqualTo(6);
    assertThat(power.get("errorDf").asInt()).isEqualTo(24 * 4);
    // 24 cells of 5, times f squared.
    assertThat(power.get("noncentrality").asDouble()).isEqualTo(7.5);
  }

  @Test
  void aTableIsCompletedFromWhatIsKnown() throws IOException {
    JsonNode whole =
        answer("complete-table", "{'effect':{'df':2,'ss':10},'error':{'df':10},'total':{'ss':30}}");
    assertThat(whole.at("/effect/f").asDouble()).isEqualTo(2.5);
    assertThat(whole.at("/error/ss").asDouble()).isEqualTo(20);
    JsonNode nothing = answer("complete-table", "{}");
    assertThat(nothing.toString()).doesNotContain("NaN");
    assertThat(nothing.at("/effect/f").isNumber()).isFalse();
  }

  @Test
  void pairsAreASampleOfDifferences() throws IOException {
    JsonNode pairs = answer("power", "{'test':'pairs','n':12,'cohenD':0.5}");
    assertThat(pairs.get("df").asInt()).isEqualTo(11);
    assertThat(pairs).isEqualTo(answer("power", "{'test':'one-sample','n':12,'cohenD':0.5}"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "power|{}|test",
        "power|{'test':'one-day'}|one-way",
        "power|{'test':'one-way','groups':1,'n':5,'cohenF':0.2}|groups",
        "power|{'test':'one-way','groups':3,'n':1,'cohenF':0.2}|n",
        "power|{'test':'one-way','groups':3,'n':5,'cohenF':0}|cohenF",
        "power|{'test':'one-way','groups':3,'n':5}|cohenF",
        "power|{'test':'factorial','n':5,'cohenF':0.2}|levels",
        "power|{'test':'factorial','levels':{'a':2},'effect':['b'],'n':5,'cohenF':0.2}|effect",
        "power|{'test':'factorial','levels':{'a':0},'effect':['a'],'n':5,'cohenF':0.2}|a",
        "power|{'test':'factorial','levels':{'a':99999,'b':99999},'effect':['a'],'n':5,'cohenF':0.2}|cells",
        "power|{'test':'two-groups','n':[1,1],'cohenD':1}|sizes",
        "power|{'test':'two-groups','n':[5,6,7],'cohenD':1}|sizes",
        "power|{'test':'two-groups','n':[2000000000,2000000000],'cohenD':1}|1,000,000,000",
        "complete-table|{'effect':{'df':2,'ss':10},'error':{'df':9},'total':{'ss':8}}|exceeds the total",
        "complete-table|{'effect':{'df':5},'total':{'df':3,'ss':100},'error':{'ss':40}}|exceeds the total",
        "complete-table|{'effect':{'df':5,'f':-1}}|below 0",
        "power|{'test':'pairs','n':2.5,'cohenD':1}|whole",
        "power|{'test':'pairs','n':9,'cohenD':1,'direction':'up'}|direction",
        "power|{'test':'pairs','n':9,'cohenD':1,'alpha':2}|alpha",
        "sample-size|{'test':'pairs','cohenD':1,'power':1}|power",
        "sample-size|{'test':'pairs','cohenD':0,'power':0.8}|cohenD",
        "sample-size|{'test':'one-way','groups':3,'cohenF':1e-9,'power':0.8}|cohenF",
        "from-summaries|{'n':[3,4],'mean':[1,2],'sd':[1]}|n",
        "guess|{}|guess"
      })
  void whatCannotBeAnsweredIsRefusedAtItsKey(String kind, String given, String said) {
    assertThatThrownBy(() -> answer(kind, given))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(said);
  }

  @Test
  void aLevelNearlyOneIsReachedByEveryRange() throws IOException {
    JsonNode answer =
        answer(
            "from-summaries",
            "{'n':[19,11,15],'mean':[5,100,0.05],'sd':[1,2,1000],'procedures':['duncan'],"
                + "'alpha':0.999999999}");
    assertThat(answer.at("/comparisons/0/rows").size()).isEqualTo(3);
  }

  @Test
  void severalQuestionsAtOnceAndNoJsonAtAll() throws IOException {
    String one = "{\"kind\":\"power\",\"given\":{\"test\":\"pairs\",\"n\":9,\"cohenD\":1}}";
    assertThat(new ObjectMapper().readTree(ReckonFile.answer("[" + one + "," + one + "]")))
        .hasSize(2);
    assertThatThrownBy(() -> ReckonFile.answer("{\"kind\":"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("not JSON");
  }
}
