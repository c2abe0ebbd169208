package app.knuckle.study.design;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.prep.Rename;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A part is known wherever columns are written, read, renamed or moved. */
class PartTest {

  private static Inquiry played(Part part, String column) {
    return Inquiry.about("y", part.isOfTreatments() ? column : "mesh")
        .but(
            d -> {
              d.give(part, part == Part.TREATMENT ? List.of("mesh", column) : List.of(column));
              d.compare = List.of();
              judged(d, part);
            });
  }

  /** Some parts belong to a method. */
  private static void judged(Inquiry.Draft d, Part part) {
    d.approach =
        part == Part.OUT_OF
            ? Approach.PROPORTIONS
            : part == Part.EXPOSURE ? Approach.COUNTS : d.approach;
  }

  @ParameterizedTest
  @EnumSource(Part.class)
  void itIsWrittenAndReadUnderItsKey(Part part) {
    Inquiry inquiry = played(part, "rack");
    assertThat(inquiry.in(part)).contains("rack");
    assertThat(InquiryFile.write(inquiry).get(part.key()).toString()).contains("rack");
    assertThat(InquiryFile.read(InquiryFile.write(inquiry)).in(part)).isEqualTo(inquiry.in(part));
  }

  @ParameterizedTest
  @EnumSource(Part.class)
  void itFollowsARenamedColumn(Part part) {
    Inquiry renamed =
        Following.of(played(part, "rack"), List.of(new Rename("rack", "shelf", "", false)));
    assertThat(renamed.in(part)).contains("shelf").doesNotContain("rack");
  }

  @ParameterizedTest
  @EnumSource(Part.class)
  void aColumnThatComesIntoItLeavesThePartThatItHad(Part part) {
    if (part.isOfTreatments()) {
      return; // Treatments play it beside their own part.
    }
    for (Part before : Part.alone()) {
      if (before != part) {
        Inquiry moved =
            Redesign.of(
                played(before, "rack"),
                d -> {
                  d.give(part, List.of("rack"));
                  judged(d, part);
                });
        assertThat(moved.in(part)).as("from %s", before).contains("rack");
        assertThat(moved.in(before)).as("from %s", before).doesNotContain("rack");
      }
    }
  }
}
