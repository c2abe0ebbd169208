package app.knuckle.bench;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Mishap;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanDraft;
import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.plan.PlannedPower;
import app.knuckle.study.plan.Rehearsals;
import app.knuckle.study.plan.Shows;
import app.knuckle.study.plan.SimulatedErrors;
import app.knuckle.study.plan.SimulatedRecords;
import app.knuckle.study.table.Table;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What the page of a plan costs: a keystroke, a large trial, trials made up and answered. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 4, time = 2)
public class PlanBench {

  private static final int REHEARSALS = 100;

  private Plan racks;
  private Plan large;
  private Plan incomplete;
  private Arrangement laid;
  private Arrangement largeLaid;
  private Table records;
  private Inquiry inquiry;
  private Rehearsals rehearsals;

  /** Mesh by density in racks; thirty treatments in blocks of six. */
  @Setup
  public void plan() {
    Map<String, List<String>> treatments = new LinkedHashMap<>();
    treatments.put("mesh", List.of("fine", "medium", "coarse"));
    treatments.put("density", List.of("60", "120", "240"));
    racks = plan(treatments, Plan.Layout.COMPLETE_BLOCKS, 5, 0, "mesh");
    large = PlanDraft.changed(racks, d -> d.replicates = 60);
    List<String> many = IntStream.rangeClosed(1, 30).mapToObj(i -> "line " + i).toList();
    incomplete = plan(Map.of("line", many), Plan.Layout.INCOMPLETE_BLOCKS, 4, 6, "line");
    laid = Arrangement.of(racks);
    largeLaid = Arrangement.of(large);
    records = SimulatedRecords.of(racks, laid, SimulatedErrors.NORMAL, 1, 1, Progress.NONE);
    inquiry = PlanRecords.inquiry(racks, racks.measured().get(0));
    rehearsals =
        Rehearsals.of(racks, laid, racks.measured().get(0), Mishap.NONE, Progress.NONE)
            .orElseThrow();
  }

  private static Plan plan(
      Map<String, List<String>> treatments,
      Plan.Layout layout,
      int replicates,
      int blockSize,
      String of) {
    return new Plan(
        "bench",
        20260401,
        treatments,
        List.of(),
        layout,
        new Plan.Size(replicates, blockSize, 1, Map.of()),
        new Plan.Roles(List.of(), List.of(), List.of(), "", "rack"),
        new Plan.Field(0, 0, false),
        List.of(new Plan.Measured("growth", "mm", 14, 1.1, 1.0, 0, Map.of(), 0, null)),
        List.of(),
        new Plan.Wanted(List.of(of), 2, Procedure.TUKEY, 0.05, 0.8),
        0);
  }

  /** What follows a keystroke in a plan of 45 plots. */
  @Benchmark
  public Shows keystroke() {
    return PlannedPower.of(racks, Arrangement.of(racks), racks.measured().get(0), Progress.NONE);
  }

  /** The same in a plan of 540 plots. */
  @Benchmark
  public Shows large() {
    return PlannedPower.of(large, largeLaid, large.measured().get(0), Progress.NONE);
  }

  /** Thirty treatments in blocks of six, four replicates. */
  @Benchmark
  public Arrangement incomplete() {
    return Arrangement.of(incomplete);
  }

  /** One answer to 45 plots: the baseline of rehearsals. */
  @Benchmark
  public Findings oneAnswer() {
    return Answering.of(records, inquiry, Progress.NONE);
  }

  /** A hundred trials made up and answered on all processors. */
  @Benchmark
  public double[] hundredRehearsals() {
    return rehearsals.p(1, REHEARSALS, Progress.NONE);
  }
}
