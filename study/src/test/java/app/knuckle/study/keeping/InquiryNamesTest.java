package app.knuckle.study.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class InquiryNamesTest {

  @Test
  void oneNameIsToldApartByTableAndPlace() {
    InquiryNames names =
        InquiryNames.of(List.of("Growth", "Growth", "Spat"), List.of("racks", "tanks", "tanks"));
    assertThat(names.names()).containsExactly("Growth (racks, 1)", "Growth (tanks, 1)", "Spat");
    assertThat(names.place("Growth (tanks, 1)", "cove")).isEqualTo(1);
    assertThatThrownBy(() -> names.place("Growth", "cove"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("Growth (racks, 1)");
  }

  @Property(tries = 500)
  void everyInquiryIsFoundByItsName(@ForAll Random random) {
    List<String> bare = new ArrayList<>();
    List<String> tables = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(6); i++) {
      bare.add(List.of("y", "y (t, 1)", "z").get(random.nextInt(3)));
      tables.add(List.of("t", "u").get(random.nextInt(2)));
    }
    InquiryNames names = InquiryNames.of(bare, tables);
    for (int i = 0; i < bare.size(); i++) {
      assertThat(names.place(names.names().get(i), "s")).as("%s of %s", i, names).isEqualTo(i);
    }
  }
}
