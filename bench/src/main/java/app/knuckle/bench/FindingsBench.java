package app.knuckle.bench;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
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

/**
 * All findings about 100,000 rows, of one treatment and of three, against one sort of the rows; and
 * what is left of that when only the procedure changes, or alpha.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class FindingsBench {

  private static final int ROWS = 100_000;
  private static final int GROUPS = 12;

  /** Levels of three treatments: 4 x 3 x 5 in all. */
  private static final List<String> BASINS = List.of("north", "east", "south", "west");

  private static final List<String> MESHES = List.of("fine", "medium", "coarse");

  private static final List<String> RATIONS = List.of("none", "quarter", "half", "most", "full");

  private double[] values;
  private Table table;
  private Frame frame;
  private Stages stages;
  private boolean turn;

  /** Makes the table. */
  @Setup
  public void rows() {
    Random random = new Random(1);
    int[] groups = random.ints(ROWS, 0, GROUPS).toArray();
    values = new double[ROWS];
    for (int i = 0; i < ROWS; i++) {
      values[i] = random.nextGaussian() + 0.01 * groups[i];
    }
    List<String> levels = Arrays.asList("abcdefghijkl".split(""));
    table =
        new Table(
            "t",
            "",
            List.of(
                new Numbers("y", "", values),
                new Categories("g", "", groups, levels, false),
                treatment("basin", BASINS, random),
                treatment("mesh", MESHES, random),
                treatment("ration", RATIONS, random)),
            "");
    frame = Frame.of(table);
    stages = Stages.kept();
  }

  private static Categories treatment(String name, List<String> levels, Random random) {
    return new Categories(name, "", random.ints(ROWS, 0, levels.size()).toArray(), levels, false);
  }

  /** The same of three treatments in every combination. */
  @Benchmark
  public Findings factorial() {
    return Answering.of(table, factorial(Procedure.TUKEY, 0.05), Progress.NONE);
  }

  private static Inquiry factorial(Procedure procedure, double alpha) {
    return Inquiry.about("y", "g")
        .at(alpha)
        .but(
            d -> {
              d.give(Part.TREATMENT, List.of("basin", "mesh", "ration"));
              d.compare = List.of(Compare.pairs(List.of("basin"), procedure));
            });
  }

  /** Another procedure where all else is known. */
  @Benchmark
  public Findings anotherProcedure() {
    turn = !turn;
    return known(factorial(turn ? Procedure.TUKEY : Procedure.HOLM, 0.05));
  }

  /** Another level of significance where all else is known. */
  @Benchmark
  public Findings anotherAlpha() {
    turn = !turn;
    return known(factorial(Procedure.TUKEY, turn ? 0.05 : 0.01));
  }

  private Findings known(Inquiry inquiry) {
    return Answering.of(table, frame, inquiry, Progress.NONE, stages);
  }

  /** One sort. */
  @Benchmark
  public double[] baselineSort() {
    double[] copy = values.clone();
    Arrays.sort(copy);
    return copy;
  }

  /** Summaries, test, comparison, sentences. */
  @Benchmark
  public Findings findings() {
    return Answering.of(table, Inquiry.about("y", "g"), Progress.NONE);
  }
}
