package app.knuckle.desktop.typing;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** A table typed in from nothing. */
class TypedSheetTest {

  @Test
  void onlyWhatHoldsSomethingBecomesTheTable() {
    TypedSheet sheet = new TypedSheet();
    sheet.name(0, "feed");
    sheet.set(0, 0, "kelp");
    sheet.set(2, 0, "paste");
    sheet.set(0, 1, "1,5");
    sheet.set(2, 1, "2,5");
    Table table = sheet.table("typed");
    assertThat(table.columns()).extracting(Column::name).containsExactly("feed", "column 2");
    assertThat(table.rows()).isEqualTo(2);
    assertThat(((Numbers) table.columns().get(1)).values()).containsExactly(1.5, 2.5);
  }

  @Test
  void aNameTakenAwayIsTheUsualOneAgain() {
    TypedSheet sheet = new TypedSheet();
    sheet.name(1, " growth ");
    assertThat(sheet.names().get(1)).isEqualTo("growth");
    sheet.name(1, "  ");
    assertThat(sheet.names().get(1)).isEqualTo("column 2");
  }

  @Test
  void theSheetGrowsBelowItsLastRowAndForWhatIsPasted() {
    TypedSheet sheet = new TypedSheet();
    int rows = sheet.rows();
    sheet.set(rows - 1, 0, "x");
    assertThat(sheet.rows()).isEqualTo(rows + 1);
    sheet.paste(rows, 2, "1\t2\r\n3\t4\r\n");
    assertThat(sheet.names()).hasSize(4);
    assertThat(sheet.cell(rows + 1, 3)).isEqualTo("4");
    assertThat(sheet.rows()).isEqualTo(rows + 3);
  }

  @Test
  void aCellIsFilledDown() {
    TypedSheet sheet = new TypedSheet();
    sheet.set(1, 0, "fine");
    sheet.fillDown(1, 4, 0);
    assertThat(List.of(0, 1, 4, 5).stream().map(row -> sheet.cell(row, 0)))
        .containsExactly("", "fine", "fine", "");
  }

  /** Typed further and not changed, a table is the same. */
  @Property(tries = 50)
  void aTableTypedFurtherComesBack(@ForAll Random random) {
    TypedSheet sheet = new TypedSheet();
    sheet.name(0, "tank");
    sheet.name(1, "rate");
    int rows = 1 + random.nextInt(30);
    for (int row = 0; row < rows; row++) {
      sheet.set(row, 0, "T" + random.nextInt(5));
      sheet.set(row, 1, random.nextInt(8) == 0 ? "" : String.valueOf(random.nextInt(90) / 8.0));
    }
    Table table = sheet.table("t");
    Table again = new TypedSheet(table).table("t");
    assertThat(again.rows()).isEqualTo(table.rows()).isEqualTo(rows);
    for (int c = 0; c < table.columns().size(); c++) {
      Column before = table.columns().get(c);
      Column after = again.columns().get(c);
      assertThat(after.getClass()).isEqualTo(before.getClass());
      for (int row = 0; row < rows; row++) {
        assertThat(after.text(row)).isEqualTo(before.text(row));
      }
    }
  }
}
