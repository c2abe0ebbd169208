package app.knuckle.study.look;

import app.knuckle.stats.associations.Association;
import app.knuckle.stats.associations.Associations;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What several columns of numbers have to do with each other, over the rows in play that have a
 * value of each.
 *
 * @param names of the columns
 * @param rows of the frame, from 0
 * @param columns values in those rows
 */
public record Correlations(List<String> names, int[] rows, double[][] columns) {

  /** Kendall's coefficient is counted pair by pair of columns; more rows take long. */
  private static final int MOST_ROWS = 200_000;

  public Correlations {
    names = List.copyOf(names);
  }

  /** Ways to measure it. */
  public enum Measure {
    /** Product-moment correlation. */
    PEARSON("Pearson's r", "pearson"),
    /** Correlation of ranks. */
    SPEARMAN("Spearman's ρ", "spearman"),
    /** Tau-b. */
    KENDALL("Kendall's τ", "kendall"),
    /** Covariance, in the product of the units. */
    COVARIANCE("covariance", "covariance");

    private final String title;
    private final String key;

    Measure(String title, String key) {
      this.title = title;
      this.key = key;
    }

    /** The name on a control, such as "Pearson's r". */
    public String title() {
      return title;
    }

    /** The name in files, such as "pearson". */
    public String key() {
      return key;
    }
  }

  /**
   * The matrices of a measure.
   *
   * @param values by column and column; NaN where there is none
   * @param p of each against 0; NaN where there is none
   */
  public record Matrix(double[][] values, double[][] p) {}

  /**
   * Takes the rows that are complete.
   *
   * @param frame the records
   * @param names columns of numbers, two or more
   * @return what there is to look at
   */
  public static Correlations of(Frame frame, List<String> names) {
    List<Numbers> all = names.stream().map(name -> (Numbers) frame.column(name)).toList();
    int[] rows =
        IntStream.range(0, frame.rows())
            .filter(r -> frame.inPlay(r) && all.stream().noneMatch(c -> c.isMissing(r)))
            .toArray();
    double[][] columns =
        all.stream()
            .map(c -> IntStream.of(rows).mapToDouble(c::value).toArray())
            .toArray(double[][]::new);
    return new Correlations(names, rows, columns);
  }

  /** Whether there are rows enough to say anything: false for fewer than three. */
  public boolean canBeSaid() {
    return rows.length > 2;
  }

  /**
   * How closely each goes with each.
   *
   * @param measure in what way
   * @return the matrices; all NaN where there are too few rows, or too many for the measure
   */
  public Matrix matrix(Measure measure) {
    if (!canBeSaid() || measure == Measure.KENDALL && rows.length > MOST_ROWS) {
      return new Matrix(none(), none());
    }
    return switch (measure) {
      case PEARSON -> matrix(Associations.pearson(columns, 0.05));
      case SPEARMAN -> matrix(Associations.spearman(columns));
      case KENDALL -> matrix(Associations.kendall(columns));
      case COVARIANCE -> new Matrix(numbers(Associations.covariance(columns).matrix()), none());
    };
  }

  private Matrix matrix(Association found) {
    return new Matrix(numbers(found.coefficients()), numbers(found.ps()));
  }

  private double[][] none() {
    double[][] none = new double[names.size()][names.size()];
    for (double[] row : none) {
      java.util.Arrays.fill(row, Double.NaN);
    }
    return none;
  }

  private double[][] numbers(List<List<Double>> matrix) {
    return matrix.stream()
        .map(row -> row.stream().mapToDouble(v -> v == null ? Double.NaN : v).toArray())
        .toArray(double[][]::new);
  }
}
