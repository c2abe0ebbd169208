package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A file that is no JSON is refused with the place, in words that are not the parser's. */
class JsonTextTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '~',
      quoteCharacter = '`',
      textBlock =
          """
          {"a": }                ~ line 1, column 7: this is not JSON from there on
          {a: 1}                 ~ this is not JSON from there on
          {"a": NaN}             ~ this is not JSON from there on
          {"a": +1}              ~ this is not JSON from there on
          {"a": 1 /* one */}     ~ this is not JSON from there on
          {"a": 1} x             ~ this is not JSON from there on
          {"a": 1, "a": 2}       ~ the key 'a' is there twice
          {"a": [1, 2            ~ the text ends before a bracket
          """)
  void whatIsNoJsonIsSaidPlainly(String text, String words) {
    assertThatThrownBy(() -> JsonText.read("inquiry", text))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(words)
        .message()
        .doesNotContain("JsonReadFeature", "StreamRead", "code ", "token");
  }

  @ParameterizedTest
  @CsvSource({"[,3000", "9,2000", "\"k,60000"})
  void whatIsBeyondMeasureIsSaidPlainly(String piece, int times) {
    String text =
        piece.substring(0, piece.length() - 1) + piece.substring(piece.length() - 1).repeat(times);
    assertThatThrownBy(() -> JsonText.read("inquiry", "{\"a\": " + text + "\": 1}"))
        .isInstanceOf(Refused.class)
        .hasMessageNotContainingAny("Stream", "maximum", "exceeds");
  }
}
