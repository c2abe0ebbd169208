package app.knuckle.study.sentences;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.Rows;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a layout cannot bear is said before anything is read off it. */
class ContradictionsTest {

  private static List<String> of(String method, String... rows) {
    Frame frame = Frame.of(Rows.of(rows));
    Inquiry inquiry =
        InquiryFile.read(
            ("{'knuckle':'inquiry','version':1,'measured':['y'],'treatments':['d'],"
                    + "'blocks':['b'],'method':'"
                    + method
                    + "'}")
                .replace('\'', '"'));
    Numbers y = (Numbers) frame.column("y");
    return Contradictions.of(inquiry, y, new CellGroups(frame, List.of("d"), y));
  }

  private static final String[] APART = {
    "d b y", "d0 b0 1", "d0 b0 2", "d0 b1 4", "d1 b2 3", "d2 b2 5", "d1 b3 6", "d2 b3 9"
  };

  @Test
  void aLevelThatNeverMeetsTheOthersIsNamed() {
    assertThat(of("least-squares", APART))
        .containsExactly(
            "d0 never meets the other levels of d in one b, so what sets it apart cannot be told."
                + " Leave b out, or take it as random.");
    assertThat(of("counts", APART)).hasSize(1);
  }

  @Test
  void randomBlocksJoinWhatNeverMeets() {
    assertThat(of("mixed", APART)).isEmpty();
  }

  @Test
  void aChainOfBlocksJoinsItsEnds() {
    String[] chain = {
      "d b y", "d0 b0 1", "d1 b0 2", "d1 b1 4", "d2 b1 3", "d2 b2 5", "d3 b2 6", "d3 b3 9"
    };
    assertThat(of("least-squares", chain)).isEmpty();
    // Without the value that joined them two levels lie on each side; the first met stay together.
    String[] broken = chain.clone();
    broken[3] = "d1 b1 -";
    assertThat(of("least-squares", broken))
        .containsExactly(
            "d2 and d3 never meet the other levels of d in one b, so what sets them apart cannot"
                + " be told. Leave b out, or take it as random.");
  }
}
