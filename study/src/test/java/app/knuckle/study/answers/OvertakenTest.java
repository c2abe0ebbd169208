package app.knuckle.study.answers;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stages;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * A question that was overtaken can be asked again: wherever its computation was cancelled, what
 * was remembered until then gives the same answer as if nobody had asked before.
 */
class OvertakenTest {

  /** Every check of an ordinary computation; of those that ask thousands of times, some. */
  private static final int MOST_POINTS = 120;

  /** Cancels once it was asked so often; counts how often it is asked. */
  private static final class Patience implements Progress {
    private final int limit;
    private final AtomicInteger asked = new AtomicInteger();

    Patience(int limit) {
      this.limit = limit;
    }

    @Override
    public boolean stopped() {
      return asked.getAndIncrement() >= limit;
    }

    @Override
    public void done(double share) {
      // Nobody listens.
    }
  }

  @ParameterizedTest
  @EnumSource
  void canBeAskedAgainWhereverItWasCancelled(AnyInquiry.Kind kind) {
    AnyInquiry any = answered(new Random(kind.ordinal()), kind);
    Inquiry inquiry = InquiryFile.read(any.asked());
    Inquiry other = inquiry.at(0.2);
    Patience endless = new Patience(Integer.MAX_VALUE);
    String expected = answer(any, inquiry, endless, Stages.once());
    String ofOther = answer(any, other, Progress.NONE, Stages.once());
    int points = endless.asked.get();
    assertThat(points).as("cancelling points of %s", kind).isPositive();
    for (int limit = 0; limit < points; limit += 1 + points / MOST_POINTS) {
      Stages stages = Stages.kept();
      cancel(any, inquiry, new Patience(limit), stages);
      assertThat(answer(any, other, Progress.NONE, stages))
          .as("%s with another alpha, cancelled at check %d of %d", any, limit, points)
          .isEqualTo(ofOther);
      assertThat(answer(any, inquiry, Progress.NONE, stages)).isEqualTo(expected);
    }
  }

  /** A test that draws arrangements side by side may end before its last check is reached. */
  private static void cancel(AnyInquiry any, Inquiry inquiry, Patience patience, Stages stages) {
    try {
      answer(any, inquiry, patience, stages);
    } catch (CancellationException e) {
      assertThat(patience.asked.get()).isGreaterThan(patience.limit);
    }
  }

  private static AnyInquiry answered(Random random, AnyInquiry.Kind kind) {
    while (true) {
      AnyInquiry any = AnyInquiry.of(random, kind);
      if (any.answer().filter(findings -> findings.refusal().isEmpty()).isPresent()) {
        return any;
      }
    }
  }

  private static String answer(AnyInquiry any, Inquiry inquiry, Progress progress, Stages stages) {
    try {
      Frame frame = Frame.of(any.table(), inquiry.prepare(), progress);
      return FindingsFile.text(Answering.of(any.table(), frame, inquiry, progress, stages));
    } catch (Refused e) {
      return e.refusal().words();
    }
  }
}
