package app.knuckle.stats.mixed;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** Made experiments: treatments in blocks, some plots lost. */
record Made(Factor treatment, Factor block, Factor plot, double[] values) {

  static Made complete(long seed, int treatments, int blocks, int each) {
    return of(seed, treatments, blocks, each, 1);
  }

  /** Some plots are lost: each row stays with a probability. */
  static Made of(long seed, int treatments, int blocks, int each, double stays) {
    Random random = new Random(seed);
    int n = treatments * blocks * each;
    int[] t = new int[n];
    int[] b = new int[n];
    int[] p = new int[n];
    double[] y = new double[n];
    double[] ofBlock = random.doubles(blocks, -3, 3).toArray();
    double[] ofPlot = random.doubles(treatments * blocks, -2, 2).toArray();
    for (int i = 0; i < n; i++) {
      t[i] = i % treatments;
      b[i] = i / treatments % blocks;
      p[i] = b[i] * treatments + t[i];
      y[i] = 20 + t[i] + ofBlock[b[i]] + ofPlot[p[i]] + random.nextGaussian();
    }
    // The first rows of every level stay, so that no level is lost.
    for (int i = treatments * blocks; i < n; i++) {
      if (random.nextDouble() > stays) {
        y[i] = Double.NaN;
      }
    }
    return new Made(factor("t", treatments, t), factor("b", blocks, b), factor("p", p), y);
  }

  static Factor factor(String name, int... codes) {
    return factor(name, Arrays.stream(codes).max().orElse(0) + 1, codes);
  }

  private static Factor factor(String name, int size, int[] codes) {
    List<String> levels = IntStream.range(0, size).mapToObj(i -> name + i).toList();
    return new Factor(name, levels, codes);
  }

  boolean isUsed(int row) {
    return !Double.isNaN(values[row]);
  }

  RandomTerm random(Factor... factors) {
    return RandomTerm.of(List.of(factors), this::isUsed);
  }

  Model fixed(Factor... factors) {
    return new Model(
        List.of(factors),
        List.of(),
        Arrays.stream(factors).map(f -> Term.of(f.name())).toList(),
        true);
  }

  MixedModel model(Model fixed, RandomTerm... random) {
    return new MixedModel(
        fixed, List.of(random), WithinUnit.EQUAL, null, null, Denominator.KENWARD_ROGER);
  }

  MixedFit fit(Model fixed, RandomTerm... random) {
    return MixedFit.of(model(fixed, random), values, Progress.NONE);
  }
}
