package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A new column holds another on a changed scale. A value outside the range of the function has no
 * result: the cell is missing.
 *
 * @param column name of the new column
 * @param from name of the column it is made of
 * @param as the function
 * @param lambda the power of Box and Cox; used by {@link As#BOX_COX} only
 * @param off switched off
 */
public record Compute(String column, String from, As as, double lambda, boolean off)
    implements Step {

  /** Functions of one column. */
  public enum As {
    /** The natural logarithm; for values above 0. */
    LOG("log", "ln"),
    /** The logarithm to base 10; for values above 0. */
    LOG10("log10", "log10"),
    /** The natural logarithm of one more; for values above -1. */
    LOG1P("log1p", "ln(1 + x)"),
    /** The square root; for values from 0. */
    SQRT("sqrt", "sqrt"),
    /** The square. */
    SQUARE("square", "square"),
    /** One over the value; for values other than 0. */
    RECIPROCAL("reciprocal", "1 / x"),
    /** The angle whose sine is the square root, in radians; for shares from 0 to 1. */
    ARCSINE_SQRT("arcsine-sqrt", "arcsine"),
    /** The midrank among the rows in play, the smallest being 1. */
    RANK("rank", "rank"),
    /** ln(x / (1 - x)); for shares between 0 and 1. */
    LOGIT("logit", "logit"),
    /** (x^lambda - 1) / lambda, ln x at 0 (Box and Cox 1964, eq. 1); for values above 0. */
    BOX_COX("box-cox", "Box-Cox");

    private final String key;
    private final String sign;

    As(String key, String sign) {
      this.key = key;
      this.sign = sign;
    }

    /** The name in files, such as "arcsine-sqrt". */
    public String key() {
      return key;
    }

    /** The name on screen, in full words. */
    public String title() {
      return say("transform." + key);
    }

    /**
     * The function of a key.
     *
     * @param key as in files
     * @return empty for an unknown key
     */
    public static Optional<As> of(String key) {
      return Arrays.stream(values()).filter(k -> k.key.equals(key)).findFirst();
    }

    /** The function at one value; not finite where it has no result. */
    private double at(double x, double lambda) {
      return switch (this) {
        case LOG -> Math.log(x);
        case LOG10 -> Math.log10(x);
        case LOG1P -> Math.log1p(x);
        case SQRT -> Math.sqrt(x);
        case SQUARE -> x * x;
        case RECIPROCAL -> 1 / x;
        case ARCSINE_SQRT -> Math.asin(Math.sqrt(x));
        case LOGIT -> Math.log(x / (1 - x));
        case BOX_COX -> x <= 0 ? Double.NaN : boxCox(x, lambda);
        case RANK -> throw new IllegalStateException("A rank needs the other values");
      };
    }

    /**
     * The value whose function this is: the way back to the scale as measured.
     *
     * @param y on the changed scale
     * @param lambda the power of Box and Cox
     * @return NaN where there is no way back
     */
    public double back(double y, double lambda) {
      return switch (this) {
        case LOG -> Math.exp(y);
        case LOG10 -> Math.pow(10, y);
        case LOG1P -> Math.expm1(y);
        case SQRT -> y < 0 ? Double.NaN : y * y;
        case SQUARE -> y < 0 ? Double.NaN : Math.sqrt(y);
        case RECIPROCAL -> 1 / y;
        case ARCSINE_SQRT -> y < 0 || y > Math.PI / 2 ? Double.NaN : Math.sin(y) * Math.sin(y);
        case LOGIT -> 1 / (1 + Math.exp(-y));
        case BOX_COX -> lambda == 0 ? Math.exp(y) : Math.pow(lambda * y + 1, 1 / lambda);
        case RANK -> Double.NaN;
      };
    }

    private static double boxCox(double x, double lambda) {
      return lambda == 0 ? Math.log(x) : Math.expm1(lambda * Math.log(x)) / lambda;
    }
  }

  @Override
  public List<String> reads() {
    return List.of(from);
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Compute(column, from, as, lambda, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Column source = frame.column(from);
    if (!(source instanceof Numbers numbers)) {
      throw Refused.at(
          new Place.WholeColumn(frame.source(), from),
          say("refused.names-not-numbers"),
          say("way.read-numbers-first"));
    }
    frame.free(column);
    double[] result = as == As.RANK ? ranks(frame, numbers) : new double[numbers.size()];
    int results = 0;
    int values = 0;
    for (int row = 0; row < result.length; row++) {
      if (as != As.RANK) {
        double y = as.at(numbers.value(row), lambda);
        result[row] = Double.isFinite(y) ? y : Double.NaN;
      }
      values += numbers.isMissing(row) ? 0 : 1;
      results += Double.isNaN(result[row]) ? 0 : 1;
    }
    if (values > 0 && results == 0) {
      throw Refused.at(
          new Place.WholeColumn(frame.source(), from),
          say("refused.no-value-on-scale", as.title()),
          as == As.ARCSINE_SQRT || as == As.LOGIT
              ? say("way.percentages-must-become-shares", from)
              : say("way.choose-another-scale"));
    }
    return frame.plus(new Numbers(column, "", result));
  }

  /** Midranks of the rows in play. */
  private static double[] ranks(Frame frame, Numbers numbers) {
    double[] ranks = new double[numbers.size()];
    Arrays.fill(ranks, Double.NaN);
    int[] order =
        IntStream.range(0, ranks.length)
            .filter(row -> frame.inPlay(row) && !numbers.isMissing(row))
            .boxed()
            .sorted(Comparator.comparingDouble(numbers::value))
            .mapToInt(Integer::intValue)
            .toArray();
    for (int i = 0; i < order.length; ) {
      int j = i;
      while (j < order.length && numbers.value(order[j]) == numbers.value(order[i])) {
        j++;
      }
      for (int k = i; k < j; k++) {
        ranks[order[k]] = (i + 1 + j) / 2.0;
      }
      i = j;
    }
    return ranks;
  }

  @Override
  public String title() {
    return say("step.compute", column);
  }

  @Override
  public String detail() {
    return as == As.BOX_COX
        ? say("step.compute.power", as.sign, from, Numbers.text(lambda))
        : say("step.compute.how", as.sign, from);
  }
}
