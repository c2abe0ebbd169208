package app.knuckle.desktop.compare;

import app.knuckle.stats.Quantity;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.prep.Compute;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is told of a mean beside itself: the mean as measured where the adjusted one is another, and
 * the mean back on the scale as measured where the response was put on another.
 *
 * @param plains the means as measured; NaN where there is none, or where all are the same
 * @param back the step that changed the scale; null for none
 * @param means as compared
 */
record MoreMeans(double[] plains, Compute back, double[] means) {

  /** Adjusted and plain means that differ by less than this share are the same but for rounding. */
  private static final double SAME = 1e-9;

  static MoreMeans of(Findings findings, ComparedMeans family) {
    double[] plains = new double[family.means().length];
    Arrays.fill(plains, Double.NaN);
    if (!family.ranks() && !family.isOfRatios()) {
      for (int i = 0; i < plains.length; i++) {
        plains[i] = plain(findings, family, family.labels().get(i)).orElse(Double.NaN);
      }
    }
    boolean other = false;
    for (int i = 0; i < plains.length; i++) {
      other |=
          !family.isOfRatios()
              && Math.abs(plains[i] - family.means()[i]) > SAME * Math.abs(family.means()[i]);
    }
    if (!other) {
      Arrays.fill(plains, Double.NaN);
    }
    return new MoreMeans(
        plains, family.ranks() ? null : back(findings.inquiry(), findings), family.means());
  }

  private static Optional<Double> plain(
      Findings findings, ComparedMeans family, Map<String, String> levels) {
    Set<String> treatments = new HashSet<>(family.of());
    treatments.addAll(family.within().keySet());
    return findings.first().summaries().stream()
        .filter(s -> s.levels().keySet().equals(treatments))
        .filter(s -> s.levels().entrySet().containsAll(family.within().entrySet()))
        .filter(s -> s.levels().entrySet().containsAll(levels.entrySet()))
        .map(s -> s.summary().mean())
        .filter(Quantity::exists)
        .map(Quantity::value)
        .findFirst();
  }

  private static Compute back(Inquiry inquiry, Findings findings) {
    String column = findings.first().measured().name();
    return inquiry.prepare().stream()
        .filter(s -> s instanceof Compute c && !c.off() && c.column().equals(column))
        .map(Compute.class::cast)
        .filter(c -> c.as() != Compute.As.RANK)
        .reduce((first, last) -> last)
        .orElse(null);
  }

  boolean hasPlain() {
    return Arrays.stream(plains).anyMatch(v -> !Double.isNaN(v));
  }

  double plain(int i) {
    return plains[i];
  }

  double least(double min) {
    return Arrays.stream(plains).filter(v -> !Double.isNaN(v)).reduce(min, Math::min);
  }

  double most(double max) {
    return Arrays.stream(plains).filter(v -> !Double.isNaN(v)).reduce(max, Math::max);
  }

  List<String> heads() {
    List<String> heads = new ArrayList<>();
    if (hasPlain()) {
      heads.add("as measured");
    }
    if (back != null) {
      heads.add("back as " + back.from());
    }
    return heads;
  }

  List<String> values(int i, int decimals) {
    List<String> values = new ArrayList<>();
    if (hasPlain()) {
      values.add(Double.isNaN(plains[i]) ? Numerals.NONE : Numerals.fixed(plains[i], decimals));
    }
    if (back != null) {
      double value = back.as().back(means[i], back.lambda());
      values.add(
          Double.isFinite(value)
              ? Numerals.fixed(value, Numerals.decimalsFor(Math.abs(value) / DIGITS))
              : Numerals.NONE);
    }
    return values;
  }

  /** A mean put back has no standard error of its own; it is written as if it were this share. */
  private static final double DIGITS = 100;
}
