package app.knuckle.study.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.design.Terms;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** What is remembered of an inquiry must never show in an answer. */
class StagesTest {

  private static final Table TABLE =
      new Table(
          "t",
          "",
          List.of(
              Asking.words("mesh", 24, i -> "m" + i % 3),
              Asking.words("rack", 24, i -> "r" + i / 6),
              Asking.numbers("y", 24, i -> 10 + i % 3 + i * 7 % 5 * 0.3),
              Asking.numbers("x", 24, i -> i * 5 % 11)),
          "");

  private static final Frame FRAME = Frame.of(TABLE);

  private static String text(Inquiry inquiry, Stages stages) {
    return FindingsFile.text(Answering.of(TABLE, FRAME, inquiry, Progress.NONE, stages));
  }

  private static List<Inquiry> changes(Inquiry first) {
    List<Inquiry> all = new ArrayList<>(List.of(first));
    all.add(first.named("another name"));
    all.add(first.at(0.01));
    all.add(first.at(0.2).but(d -> d.give(Part.TREATMENT, List.of("mesh", "rack"))));
    all.add(first.but(d -> d.give(Part.COVARIATE, List.of("x"))));
    all.add(first.but(d -> d.give(Part.BLOCK, List.of("rack"))));
    for (Approach approach : Approach.all()) {
      all.add(first.but(d -> d.approach = approach));
    }
    for (Procedure p : List.of(Procedure.TUKEY, Procedure.HOLM, Procedure.SCHEFFE)) {
      all.add(first.but(d -> d.compare = List.of(Compare.pairs(List.of("mesh"), p))).at(0.1));
    }
    all.add(first.but(d -> d.give(Part.MEASURED, List.of("x", "y"))));
    all.add(first);
    return all;
  }

  @Test
  void anAnswerIsTheSameWithAndWithoutWhatWasRemembered() {
    Stages kept = Stages.kept();
    for (Inquiry inquiry : changes(Inquiry.about("y", "mesh"))) {
      assertThat(text(inquiry, kept)).isEqualTo(text(inquiry, Stages.once()));
    }
  }

  @Property(tries = 60, seed = "1618033988")
  void anyQuestionChangedAnyHow(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Inquiry first;
    try {
      first = InquiryFile.read(any.asked());
    } catch (Refused e) {
      return; // Not a question at all.
    }
    Frame frame = Frame.of(any.table());
    Stages kept = Stages.kept();
    List<Inquiry> asked =
        List.of(
            first,
            first.at(0.011),
            first.but(d -> d.compare = List.of()),
            first.but(d -> d.terms = Terms.MAIN),
            first.but(d -> d.clear(Part.COVARIATE)),
            first);
    for (Inquiry inquiry : asked) {
      assertThat(answer(any.table(), frame, inquiry, kept))
          .isEqualTo(answer(any.table(), frame, inquiry, Stages.once()));
    }
  }

  private static String answer(Table table, Frame frame, Inquiry inquiry, Stages stages) {
    try {
      return FindingsFile.text(Answering.of(table, frame, inquiry, Progress.NONE, stages));
    } catch (Refused e) {
      return e.refusal().words();
    }
  }

  @Test
  void aRenamedQuestionIsNotAnsweredAgain() {
    Stages kept = Stages.kept();
    Inquiry inquiry = Inquiry.about("y", "mesh");
    Findings first = Answering.of(TABLE, FRAME, inquiry, Progress.NONE, kept);
    Findings renamed = Answering.of(TABLE, FRAME, inquiry.named("new"), Progress.NONE, kept);
    assertThat(renamed.inquiry().name()).isEqualTo("new");
    assertThat(renamed.first()).isSameAs(first.first());
  }

  @Test
  void whatIsComparedAndHowItIsJudgedLeavesFitAndLayoutAsTheyWere() {
    Stages kept = Stages.kept();
    Inquiry inquiry = Inquiry.about("y", "mesh");
    Findings first = Answering.of(TABLE, FRAME, inquiry, Progress.NONE, kept);
    Inquiry holm =
        inquiry
            .but(d -> d.compare = List.of(Compare.pairs(List.of("mesh"), Procedure.HOLM)))
            .at(0.01);
    Findings second = Answering.of(TABLE, FRAME, holm, Progress.NONE, kept);
    assertThat(second.first().results().residuals().orElseThrow())
        .isSameAs(first.first().results().residuals().orElseThrow());
    assertThat(second.first().groups()).isSameAs(first.first().groups());
    assertThat(second.records()).isSameAs(first.records());
    Findings other =
        Answering.of(
            TABLE,
            FRAME,
            inquiry.but(d -> d.give(Part.BLOCK, List.of("rack"))),
            Progress.NONE,
            kept);
    assertThat(other.first().results().residuals().orElseThrow())
        .isNotSameAs(first.first().results().residuals().orElseThrow());
  }

  private static final AtomicInteger MADE = new AtomicInteger();

  private record One(int input) {}

  private static final Stage<One, Integer> COUNTED =
      new Stage<>((in, stages, progress) -> MADE.incrementAndGet());

  private static final Stage<One, Integer> THROWING =
      new Stage<>(
          (in, stages, progress) -> {
            MADE.incrementAndGet();
            throw new IllegalStateException("no");
          });

  @Test
  void aStageThatThrowsIsTriedAgain() {
    Stages kept = Stages.kept();
    MADE.set(0);
    for (int i = 0; i < 2; i++) {
      assertThatThrownBy(() -> kept.of(THROWING, new One(1), Progress.NONE)).hasMessage("no");
    }
    assertThat(MADE).hasValue(2);
  }

  @Test
  void whatNeitherThisAnswerNorTheLastAskedForIsLetGo() {
    Stages kept = Stages.kept();
    MADE.set(0);
    for (int answer = 0; answer < 3; answer++) {
      kept.of(COUNTED, "always", new One(1), Progress.NONE);
      kept.answered();
    }
    assertThat(MADE).hasValue(1);
    kept.of(COUNTED, "once", new One(1), Progress.NONE);
    kept.answered();
    kept.answered();
    kept.of(COUNTED, "once", new One(1), Progress.NONE);
    assertThat(MADE).hasValue(2);
    kept.answered();
    kept.answered();
    kept.answered();
    kept.of(COUNTED, "once", new One(1), Progress.NONE);
    assertThat(MADE).hasValue(3);
  }
}
