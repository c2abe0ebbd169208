package app.knuckle.formats.records;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Table;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpreadsheetTextTest {

  @Property(tries = 2000)
  void whatIsWrittenIsReadBack(
      @ForAll
          @StringLength(max = 6)
          @Chars({'\'', '=', '+', '-', '@', '\t', '.'})
          @CharRange(from = '0', to = '3')
          String text) {
    String written = SpreadsheetText.written(text);
    assertThat(SpreadsheetText.read(written)).isEqualTo(text);
    assertThat(written).doesNotStartWith("=").doesNotStartWith("@");
  }

  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '"',
      value = {"=1+1, '=1+1", "-3, -3", "+1.5e3, +1.5e3", "-2+3, '-2+3", "'=x, ''=x", "'tis, 'tis"})
  void wordsGetTheSignAndNumbersDoNot(String text, String written) {
    assertThat(SpreadsheetText.written(text)).isEqualTo(written);
  }

  @Test
  void aWordWithTheSignAndOneWithoutAreOneLevel() {
    Table table = RecordsFile.paste("t", "g,y\n'=a,1\n=a,2\nb,3\nb,4\n");
    assertThat(((Categories) table.columns().get(0)).levels()).containsExactly("=a", "b");
  }
}
