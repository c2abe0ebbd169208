package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;

/**
 * Experiments of every kind whose measurements are hardly any: all alike, of two values, of a size
 * beyond sense, all but gone, alike to the last bit. Each is answered or refused in words. {@code
 * bench/hostile} asks for many.
 */
class DegenerateTest {

  private static final int EXPERIMENTS = Integer.getInteger("knuckle.degenerate", 300);
  private static final long SEED = Long.getLong("knuckle.seed", 20261202);

  private enum Outcome {
    ANSWERED,
    REFUSED
  }

  @Test
  void isAnsweredOrRefusedInWords() {
    Random random = new Random(SEED);
    AnyInquiry.Kind[] kinds = AnyInquiry.Kind.values();
    Map<Outcome, Integer> counts = new EnumMap<>(Outcome.class);
    for (int e = 0; e < EXPERIMENTS; e++) {
      AnyInquiry any = AnyInquiry.of(random, kinds[e % kinds.length]);
      AnyInquiry worn = new AnyInquiry(any.kind(), degenerate(any.table(), random), any.asked());
      counts.merge(outcome(worn, "no. " + e + " of seed " + SEED + ": "), 1, Integer::sum);
    }
    System.out.println(EXPERIMENTS + " degenerate experiments of seed " + SEED + ": " + counts);
    assertThat(counts).containsKeys(Outcome.values());
  }

  private static Outcome outcome(AnyInquiry any, String which) {
    try {
      Findings findings = Answering.of(any.table(), InquiryFile.read(any.asked()), Progress.NONE);
      String text = FindingsFile.text(findings);
      assertThat(text).as(which + any).doesNotContain("NaN", "Infinity");
      return findings.refusal().isPresent() ? Outcome.REFUSED : Outcome.ANSWERED;
    } catch (Refused e) {
      assertThat(e.refusal().words()).as(which + any).isNotBlank().doesNotContain("Exception");
      return Outcome.REFUSED;
    } catch (RuntimeException | Error e) {
      throw new AssertionError(which + Arrays.asList(e.getStackTrace()).subList(0, 6) + any, e);
    }
  }

  /** Some or all columns of numbers lose what made them measurements. */
  private static Table degenerate(Table table, Random random) {
    List<Column> columns =
        table.columns().stream()
            .map(c -> c instanceof Numbers n && random.nextInt(3) > 0 ? worn(n, random) : c)
            .toList();
    return new Table(table.name(), table.file(), columns, table.howRead());
  }

  private static Numbers worn(Numbers column, Random random) {
    double[] values = column.values().clone();
    double first = values.length == 0 ? 0 : values[0];
    DoubleUnaryOperator wear =
        switch (random.nextInt(10)) {
          case 0 -> v -> first;
          case 1 -> v -> v > first ? 1 : 0;
          case 2 -> v -> v * 1e300;
          case 3 -> v -> v * 1e-300;
          case 4 -> v -> 1e15 + Math.rint(8 * v) / 8;
          case 5 -> v -> random.nextInt(4) > 0 ? Double.NaN : v;
          case 6 -> v -> random.nextInt(8) == 0 ? 1e9 : first;
          case 7 -> v -> Math.nextUp(first) - (random.nextBoolean() ? 0 : Math.ulp(first));
          case 8 -> v -> -Math.abs(v);
          default -> Math::rint;
        };
    for (int row = 0; row < values.length; row++) {
      double now = wear.applyAsDouble(values[row]);
      values[row] = Double.isInfinite(now) ? Double.MAX_VALUE : now;
    }
    return new Numbers(column.name(), column.unit(), values);
  }
}
