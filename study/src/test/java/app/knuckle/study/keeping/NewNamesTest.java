package app.knuckle.study.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Rows;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Calculate;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Columns that new records call otherwise. */
class NewNamesTest {

  private static final Table OLD =
      Rows.of("mesh start length tray", "fine 1 4 a", "fine 2 6 b", "coarse 3 9 c");

  /** Asks for mesh, and by its trail for start and length; tray is in no question. */
  private static final Inquiry GAIN =
      Inquiry.about("gain", "mesh")
          .but(d -> d.prepare = List.of(new Calculate("gain", "[length] - [start]", false)));

  private static NewNames names(String head) {
    return NewNames.of(List.of(GAIN), OLD, Rows.of(head, "fine 1 4 a", "coarse 3 9 c"));
  }

  @Test
  void whatIsThereOrIsNotAskedForIsNotMissing() {
    assertThat(names("mesh start length other").missing()).isEmpty();
    assertThat(names("tray length start mesh").missing()).isEmpty();
  }

  @Test
  void theNearestNameOfTheSameKindIsOffered() {
    List<NewNames.Missing> missing = names("meshes starts length_mm tray").missing();
    assertThat(missing)
        .extracting(NewNames.Missing::column)
        .containsExactly("mesh", "start", "length");
    assertThat(missing.get(0).nearest()).contains("meshes");
    assertThat(missing.get(1).nearest()).contains("starts");
    assertThat(missing.get(1).fitting())
        .as("numbers first, and tray is known already")
        .containsExactly("starts", "length_mm", "meshes");
    assertThat(names("q start length tray").missing().get(0).nearest()).isEqualTo(Optional.empty());
  }

  @Test
  void theTrailBeginsWithTheNamesThatAreAskedFor() {
    Table fresh = Rows.of("net start size tray", "fine 1 4 a", "coarse 3 9 c");
    NewNames names = NewNames.of(List.of(GAIN), OLD, fresh);
    List<Step> steps = names.steps(Map.of("mesh", "net", "length", "size", "gone", "tray"));
    assertThat(steps)
        .containsExactly(
            new Rename("net", "mesh", null, false), new Rename("size", "length", null, false));
    Study.Asked asked =
        NewRecords.of(new Study.Asked("old", GAIN, Map.of(), Map.of()), fresh, steps).asked();
    assertThat(asked.inquiry().prepare().subList(0, 2)).isEqualTo(steps);
    Frame frame = Frame.of(fresh, asked.inquiry().prepare(), Progress.NONE);
    assertThat(frame.columns()).extracting(Column::name).contains("mesh", "length", "gain");
  }

  @Test
  void aColumnWithoutAUnitGetsTheOneItHad() {
    Table old = new Table("old", "", List.of(new Numbers("length_mm", "mm", new double[] {1})), "");
    Inquiry asked = Inquiry.about("length_mm", "mesh");
    NewNames bare = NewNames.of(List.of(asked), old, Rows.of("length", "1"));
    assertThat(bare.steps(Map.of("length_mm", "length")))
        .containsExactly(new Rename("length", "length_mm", "mm", false));
    Table own = new Table("n", "", List.of(new Numbers("length", "cm", new double[] {1})), "");
    assertThat(NewNames.of(List.of(asked), old, own).steps(Map.of("length_mm", "length")))
        .containsExactly(new Rename("length", "length_mm", null, false));
  }
}
