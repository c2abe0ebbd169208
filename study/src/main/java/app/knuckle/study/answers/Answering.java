package app.knuckle.study.answers;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.counts.CountAnswer;
import app.knuckle.study.answers.layers.LayeredAnswer;
import app.knuckle.study.answers.linear.LinearAnswer;
import app.knuckle.study.answers.mixed.MixedAnswer;
import app.knuckle.study.answers.multivariate.AssociationAnswer;
import app.knuckle.study.answers.multivariate.MultivariateAnswer;
import app.knuckle.study.answers.ranks.RankAnswer;
import app.knuckle.study.answers.samples.SampleAnswer;
import app.knuckle.study.cells.CountSummaries;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Questions;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.Sentences;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.sentences.DesignWords;
import app.knuckle.study.sentences.Saying;
import app.knuckle.study.stages.Same;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.ExactP;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The way from a table and an inquiry to findings, step by step. */
public final class Answering {

  private record AskedInputs(Same<Table> table, Same<Frame> frame, Inquiry inquiry) {}

  private record TriedInputs(Same<Frame> frame, String outOf) {}

  private static final Stage<TriedInputs, Frame> TRIED =
      new Stage<>((in, stages, progress) -> CountSummaries.tried(in.frame().value(), in.outOf()));

  private static final Stage<AskedInputs, Laid> LAID =
      new Stage<>(
          (in, stages, progress) ->
              Laying.of(in.table().value(), in.frame().value(), in.inquiry(), progress));

  private static final Stage<AskedInputs, Findings> FINDINGS =
      new Stage<>(
          (in, stages, progress) -> {
            Frame tried =
                stages.of(TRIED, new TriedInputs(in.frame(), in.inquiry().outOf()), progress);
            Findings found =
                new Answering(in.table().value(), tried, in.inquiry(), progress, stages).findings();
            stages.answered();
            return found;
          });

  private final Table table;
  private final Inquiry inquiry;
  private final Frame frame;
  private final Progress progress;
  private final Stages stages;

  /**
   * Computes the answers.
   *
   * @param table as read
   * @param inquiry the question
   * @param progress asked on the way
   * @return the findings; what cannot be computed is absent with its reason
   * @throws app.knuckle.study.Refused if the question does not fit the records at all
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static Findings of(Table table, Inquiry inquiry, Progress progress) {
    Frame frame = Frame.of(table, inquiry.prepare(), progress);
    return of(table, frame, inquiry, progress, Stages.once());
  }

  /**
   * Computes the answers from records that are prepared, as far as they are not known already.
   *
   * @param table as read
   * @param frame its records after the trail of the inquiry
   * @param inquiry the question
   * @param progress asked on the way
   * @param stages of this inquiry
   * @return the findings; what cannot be computed is absent with its reason
   * @throws app.knuckle.study.Refused if the question does not fit the records at all
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static Findings of(
      Table table, Frame frame, Inquiry inquiry, Progress progress, Stages stages) {
    Inquiry unnamed = inquiry.but(d -> d.name = "");
    Findings findings =
        stages.of(
            FINDINGS, new AskedInputs(new Same<>(table), new Same<>(frame), unnamed), progress);
    return findings.inquiry().equals(inquiry) ? findings : findings.named(inquiry.name());
  }

  /**
   * Compares what an inquiry compares of one response, for those who ask a thousand times: no
   * words, no summaries, and of a linear model no checks.
   *
   * @param table as read
   * @param inquiry the question, of one response and its treatments
   * @param progress asked on the way
   * @return comparisons, and tests where they come with them
   * @throws Refused if the question does not fit the records
   * @throws IllegalArgumentException if the response is no column of numbers
   */
  public static Results compared(Table table, Inquiry inquiry, Progress progress) {
    Frame frame = Frame.of(table, inquiry.prepare(), progress);
    if (!(frame.column(inquiry.measured().get(0)) instanceof Numbers response)) {
      throw new IllegalArgumentException("what is measured is no column of numbers");
    }
    Answering answering = new Answering(table, frame, inquiry, progress, Stages.once());
    if (Arrays.stream(response.values()).allMatch(Double::isNaN)) {
      throw Laid.noRow(table, inquiry, response);
    }
    return inquiry.analysis() == Analysis.LEAST_SQUARES && answering.isOfOneLayer()
        ? LinearAnswer.compared(frame, inquiry, response.name(), progress)
        : answering.analysis(response.name());
  }

  /** Treatments on single plots, each by itself. */
  private boolean isOfOneLayer() {
    return !inquiry.treatments().isEmpty()
        && inquiry.pairs() == null
        && inquiry.strips().isEmpty()
        && inquiry.wholePlots().isEmpty()
        && inquiry.occasions().isEmpty();
  }

  private Answering(Table table, Frame frame, Inquiry inquiry, Progress progress, Stages stages) {
    this.table = table;
    this.frame = frame;
    this.inquiry = inquiry;
    this.progress = progress;
    this.stages = stages;
  }

  private Findings findings() {
    if (inquiry.measured().isEmpty()) {
      throw waiting(
          say("refused.nothing-chosen-measured-yet"), say("way.choose-column-was-measured"));
    }
    boolean associated = Laid.isAssociated(inquiry);
    boolean bare = inquiry.treatments().isEmpty();
    boolean random = inquiry.analysis() == Analysis.MIXED;
    if (bare && !random && (inquiry.pairs() != null || inquiry.unit() != null)) {
      throw waiting(say("refused.pairs-without-treatment"), say("way.choose-treatment-or-leave"));
    }
    Laid laid =
        stages.of(
            LAID,
            new AskedInputs(new Same<>(table), new Same<>(frame), inquiry.laying()),
            progress);
    MultivariateAnswer together =
        Laid.isTogether(inquiry) ? new MultivariateAnswer(frame, inquiry, progress, stages) : null;
    List<ResponseFindings> responses = new ArrayList<>();
    for (int r = 0; r < laid.responses().size(); r++) {
      progress.check();
      responses.add(respond(laid.responses().get(r), together, r));
    }
    AssociationAnswer association =
        associated ? new AssociationAnswer(frame, inquiry, progress) : null;
    Results ofAll =
        together != null
            ? together.together()
            : association != null ? association.results() : Results.NONE;
    return new Findings(
        table,
        inquiry,
        frame,
        laid.records(),
        responses,
        ofAll,
        laid.plan(),
        Optional.ofNullable(association).map(AssociationAnswer::associated),
        association != null
            ? Saying.associated(frame, inquiry, ExactP.USUAL)
            : ofAll.tests().isEmpty()
                ? ""
                : Saying.together(ofAll, laid.responses().get(0).values(), inquiry, ExactP.USUAL));
  }

  private Refused waiting(String what, String wayOn) {
    return Refused.at(new Place.WholeFile(table.name()), what, wayOn);
  }

  private ResponseFindings respond(Laid.Response laid, MultivariateAnswer together, int index) {
    Numbers response = laid.values();
    Results analysis = Results.NONE;
    Refusal refusal = null;
    try {
      analysis = analysis(laid, together, index);
    } catch (Refused e) {
      refusal = e.refusal();
    }
    Groups groups = laid.groups();
    DesignReading design = DesignWords.of(inquiry, response, laid.cells(), laid.odd(), analysis);
    // What was refused holds no counts.
    List<GroupSummary> summaries = refusal == null ? summaries(laid) : atAlpha(laid.summaries());
    ResponseFindings found =
        new ResponseFindings(
            response,
            groups,
            design,
            summaries,
            atAlpha(laid.analysed()),
            refusal,
            Sentences.NONE,
            analysis);
    return found.saying(Saying.of(found, inquiry, ExactP.USUAL));
  }

  private List<GroupSummary> summaries(Laid.Response laid) {
    List<GroupSummary> all = atAlpha(laid.summaries());
    return inquiry.response().isCounted() && laid.answerable()
        ? CountSummaries.of(frame, inquiry, laid.values(), all)
        : all;
  }

  private List<GroupSummary> atAlpha(List<GroupSummary> summaries) {
    return inquiry.alpha() == Questions.USUAL_ALPHA
        ? summaries
        : summaries.stream()
            .map(s -> new GroupSummary(s.levels(), s.summary().at(inquiry.alpha())))
            .toList();
  }

  private Results analysis(Laid.Response laid, MultivariateAnswer together, int index) {
    Numbers response = laid.values();
    if (!laid.answerable()) {
      throw Laid.noRow(table, inquiry, response);
    }
    if (together != null) {
      return together.analysis(index);
    }
    if (Laid.isAssociated(inquiry) && inquiry.expected() == null) {
      return Results.NONE; // Only how the responses are correlated was asked.
    }
    if (inquiry.hasGap()) {
      // The values can be described, before it is said what was done.
      throw waiting(say("refused.no-treatment-chosen-yet"), say("way.choose-treatment-or-expect"));
    }
    return analysis(response.name());
  }

  private Results analysis(String measured) {
    return switch (inquiry.analysis()) {
      case RANKS, PERMUTATION -> RankAnswer.to(frame, inquiry, measured, progress, stages);
      case MIXED -> MixedAnswer.to(frame, inquiry, measured, progress, stages);
      case DEVIANCE -> CountAnswer.to(frame, inquiry, measured, progress, stages);
      case LEAST_SQUARES, SEPARATE_VARIANCES -> ofMeans(measured);
    };
  }

  private Results ofMeans(String measured) {
    if (inquiry.treatments().isEmpty() || inquiry.pairs() != null) {
      return SampleAnswer.to(frame, inquiry, measured);
    }
    return isOfOneLayer()
        ? LinearAnswer.to(frame, inquiry, measured, progress, stages)
        : LayeredAnswer.to(frame, inquiry, measured, progress, stages);
  }
}
