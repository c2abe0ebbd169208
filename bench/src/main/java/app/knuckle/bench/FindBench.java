package app.knuckle.bench;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.moves.MoveSearch;
import app.knuckle.formats.report.BesidePage;
import app.knuckle.formats.report.Page;
import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.Study;
import java.util.ArrayList;
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

/** Finding among 2,000 moves what was typed, and two answers side by side. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class FindBench {

  private static final int MOVES = 2_000;
  private static final int WORDS_A_MOVE = 8;
  private static final int LETTERS = 7;

  private MoveSearch search;
  private Findings plain;
  private Findings adjusted;

  /** Makes moves of random words, and answers two inquiries of the demo study. */
  @Setup
  public void make() {
    Random random = new Random(1);
    List<Move> moves = new ArrayList<>();
    for (int i = 0; i < MOVES; i++) {
      List<String> words = new ArrayList<>();
      for (int w = 0; w < WORDS_A_MOVE; w++) {
        words.add(
            random
                .ints(LETTERS, 'a', 'z' + 1)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString());
      }
      moves.add(new Move("m" + i, words.get(0), words.get(1), words, "", "", () -> {}));
    }
    search = new MoveSearch(moves);
    Study demo = DemoStudy.read();
    plain = answer(demo, 1);
    adjusted = answer(demo, 2);
  }

  private static Findings answer(Study demo, int place) {
    Study.Asked asked = demo.asked().get(place);
    return Answering.of(demo.table(asked.table()), asked.inquiry(), Progress.NONE);
  }

  /** A mistyped word and a begun one, held against everything. */
  @Benchmark
  public List<Move> find() {
    return search.find("covarate adj", List.of("m3", "m5"));
  }

  /** Two answers matched, and the page of them. */
  @Benchmark
  public Page beside() {
    return BesidePage.of(new Abreast(Beside.of(plain, adjusted)));
  }
}
