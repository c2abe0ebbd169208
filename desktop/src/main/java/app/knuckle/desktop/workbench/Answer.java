package app.knuckle.desktop.workbench;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.notice.Notices;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Step;
import app.knuckle.study.prep.Trail;
import app.knuckle.study.stages.Same;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * What the computation gave back to the window. A joint makes its page of it when it is first
 * looked at; the answer keeps the page.
 */
public final class Answer {

  private record PrepareInputs(Same<Table> table, List<Step> steps) {}

  private static final Stage<PrepareInputs, Trail> PREPARED =
      new Stage<>((in, stages, progress) -> Trail.run(in.table().value(), in.steps(), progress));

  private record NoticeInputs(Same<Frame> frame) {}

  private static final Stage<NoticeInputs, List<Notice>> NOTICES =
      new Stage<>((in, stages, progress) -> Notices.of(in.frame().value(), progress));

  private final Trail trail;
  private final List<ColumnGlance> glances;
  private final List<Notice> notices;
  private final Findings findings;
  private final Refusal refusal;
  private final Throwable fault;
  private final Map<Class<?>, Object> pages = new ConcurrentHashMap<>();
  private final Map<Integer, Answer> turned = new ConcurrentHashMap<>();

  private Answer(
      Trail trail,
      List<ColumnGlance> glances,
      List<Notice> notices,
      Findings findings,
      Refusal refusal,
      Throwable fault) {
    this.trail = trail;
    this.glances = List.copyOf(glances);
    this.notices = List.copyOf(notices);
    this.findings = findings;
    this.refusal = refusal;
    this.fault = fault;
  }

  /**
   * Answers a question.
   *
   * @param table the records as read
   * @param inquiry the question
   * @param known an answer whose unchanged columns are not counted again; null for none
   * @param stages of this inquiry
   * @param progress asked on the way
   * @return the answer; a refusal is part of it
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static Answer to(
      Table table, Inquiry inquiry, Answer known, Stages stages, Progress progress) {
    Trail trail =
        stages.of(PREPARED, new PrepareInputs(new Same<>(table), inquiry.prepare()), progress);
    Frame frame = trail.frame();
    List<ColumnGlance> glances = glances(frame, known, progress);
    List<Notice> notices = stages.of(NOTICES, new NoticeInputs(new Same<>(frame)), progress);
    if (trail.refusal().isPresent()) {
      return new Answer(trail, glances, notices, null, trail.refusal().get(), null);
    }
    try {
      Findings findings = Answering.of(table, frame, inquiry, progress, stages);
      return new Answer(trail, glances, notices, findings, findings.refusal().orElse(null), null);
    } catch (Refused e) {
      return new Answer(trail, glances, notices, null, e.refusal(), null);
    }
  }

  /**
   * What there is where the program made a mistake in answering: the records, as far as they can be
   * prepared, and no findings, so that nothing of another question stands under this one.
   *
   * @param table the records as read
   * @param inquiry the question
   * @param fault what happened
   * @return an answer that is refused
   */
  static Answer ofFault(Table table, Inquiry inquiry, Throwable fault) {
    Trail trail =
        attempt(() -> Trail.run(table, inquiry.prepare(), Progress.NONE))
            .orElseGet(() -> Trail.run(table, List.of(), Progress.NONE));
    Frame frame = trail.frame();
    return new Answer(
        trail,
        attempt(() -> glances(frame, null, Progress.NONE)).orElse(List.of()),
        attempt(() -> Notices.of(frame, Progress.NONE)).orElse(List.of()),
        null,
        Refused.at(
                new Place.WholeFile(table.name()),
                "Knuckle made a mistake of its own and could not answer this question",
                "Undo takes back the last step (Ctrl Z); a question asked otherwise may be answered")
            .refusal(),
        fault);
  }

  /** What may be at fault itself. */
  private static <T> Optional<T> attempt(Supplier<T> part) {
    try {
      return Optional.of(part.get());
    } catch (RuntimeException e) {
      return Optional.empty();
    }
  }

  private static List<ColumnGlance> glances(Frame frame, Answer known, Progress progress) {
    Map<Column, ColumnGlance> seen = new IdentityHashMap<>();
    if (known != null && known.frame().leftOut().equals(frame.leftOut())) {
      known.glances().forEach(glance -> seen.put(glance.column(), glance));
    }
    return ColumnGlance.of(
        frame,
        column -> {
          progress.check();
          return seen.get(column);
        });
  }

  /** The mistake of the program that stood in the way: empty for none. */
  Optional<Throwable> fault() {
    return Optional.ofNullable(fault);
  }

  /**
   * What a joint says of the answer, made once.
   *
   * @param kind of page
   * @param make makes it
   * @param <P> kind of page
   * @return the page
   */
  public <P> P page(Class<P> kind, Function<Answer, P> make) {
    Object known = pages.get(kind);
    if (known == null) {
      // Made outside the map, as one page may ask for another; two alike do no harm.
      known = make.apply(this);
      pages.put(kind, known);
    }
    return kind.cast(known);
  }

  /** The records after the trail, and what each step did: never null. */
  public Trail trail() {
    return trail;
  }

  /** The frame's columns at a glance, in their order. */
  public List<ColumnGlance> glances() {
    return glances;
  }

  /** What is odd about the records: empty for nothing. */
  public List<Notice> notices() {
    return notices;
  }

  /** What was found: null when the inquiry was refused. */
  public Findings findings() {
    return findings;
  }

  /** Why something could not be computed: null when all could. */
  public Refusal refusal() {
    return refusal;
  }

  /** The records after the trail: the frame after all steps that fit. */
  public Frame frame() {
    return trail.frame();
  }

  /**
   * Whether there is a test with everything that follows from it: false if there are summaries at
   * most.
   */
  public boolean isTested() {
    return findings != null
        && !(findings.first().results().tests().isEmpty() && findings.together().tests().isEmpty());
  }

  /**
   * The same with another of several responses looked at.
   *
   * @param index its place in the inquiry
   * @return the answer
   */
  Answer showing(int index) {
    return findings == null || index == 0
        ? this
        : turned.computeIfAbsent(
            index,
            place -> new Answer(trail, glances, notices, findings.showing(place), refusal, null));
  }

  /**
   * Where it is read how such an inquiry is answered: the page of its method or design; where
   * nothing is asked yet, the handbook.
   */
  public Topic topic() {
    if (findings == null) {
      return Topic.HANDBOOK;
    }
    boolean two = isTested() && findings.first().groupSummaries().size() == 2;
    return Topic.of(findings.inquiry(), two);
  }
}
