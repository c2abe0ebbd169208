package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Step;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every step of a prep trail, read and written back, and refused where a key is wrong. */
class StepFileTest {

  private static Inquiry read(String step) {
    return InquiryFile.read(
        ("{'knuckle':'inquiry','version':1,'measured':['y'],'prepare':[" + step + "]}")
            .replace('\'', '"'));
  }

  @Test
  void everyStepHasACodec() {
    assertThat(StepFile.written()).containsExactlyInAnyOrder(Step.class.getPermittedSubclasses());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{'step':'missing','columns':['a','b'],'values':['-99','NA']}",
        "{'step':'kind','column':'rack','kind':'ordered'}",
        "{'step':'merge','column':'mesh','levels':['Fine ','fine'],'into':'fine'}",
        "{'step':'order','column':'mesh','levels':['fine','coarse'],'off':true}",
        "{'step':'relabel','column':'sex','labels':{'1':'female','2':'male'}}",
        "{'step':'rename','column':'x','to':'growth_mm','unit':'mm'}",
        "{'step':'compute','column':'log_y','from':'y','as':'log10'}",
        "{'step':'compute','column':'z','from':'y','as':'box-cox','lambda':0.5}",
        "{'step':'calculate','column':'gain','rule':'[y] - [x]'}",
        "{'step':'stack','columns':['day_0','day_3'],'names':'day','values':'score'}",
        "{'step':'spread','names':'day','values':'score'}",
        "{'step':'edit','cells':[{'row':3,'column':'y','to':'4.5'}]}",
        "{'step':'keep','where':[{'column':'rack','is':['R1']},{'column':'y','from':5.5,'to':20.5}]}",
        "{'step':'setAside','rows':[7,31],'why':'torn bag'}"
      })
  void aStepIsWrittenAsItWasRead(String step) throws IOException {
    Inquiry inquiry = read(step);
    JsonNode written = InquiryFile.write(inquiry).at("/prepare/0");
    JsonNode given = new ObjectMapper().readTree(step.replace('\'', '"'));
    given
        .fieldNames()
        .forEachRemaining(
            key -> assertThat(written.get(key).toString()).isEqualTo(given.get(key).toString()));
    assertThat(InquiryFile.read(InquiryFile.write(inquiry))).isEqualTo(inquiry);
    assertThat(inquiry.prepare().get(0).off()).isEqualTo(step.contains("'off'"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "{'step':'merg','column':'a'} | merge",
        "{'step':'merge','column':'a','level':['b'],'into':'c'} | levels",
        "{'step':'merge','levels':['b'],'into':'c'} | column",
        "{'step':'kind','column':'a','kind':'numbers'} | number",
        "{'step':'compute','column':'a','from':'b','as':'logg'} | log",
        "{'step':'compute','column':'a','from':'b','as':'box-cox'} | lambda",
        "{'step':'setAside','rows':['x'],'why':''} | rows",
        "{'step':'keep','where':[{'is':['x']}]} | column"
      })
  void aWrongKeyIsNamedWithTheNearestOne(String step, String said) {
    assertThatThrownBy(() -> read(step))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("prepare")
        .hasMessageContaining(said);
  }
}
