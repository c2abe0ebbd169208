package app.knuckle.stats.linear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.resampling.ReducedModel;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Identities that hold for every layout, whatever its numbers. */
class FitPropertiesTest {

  private static final double SAME = 1e-8;
  private static final String[] LEVELS = {"fine", "coarse"};
  private static final String[] DENSITIES = {"60", "120", "240"};
  private static final List<Term> ALL = Term.combinations(List.of("mesh", "density"), 2);

  /** A layout of two treatments and a covariate, every cell filled. */
  record Layout(int[] mesh, int[] density, double[] start, double[] growth) {

    static Layout of(long seed, int perCell, int more) {
      Random random = new Random(seed);
      int n = 6 * perCell + more;
      int[] mesh = new int[n];
      int[] density = new int[n];
      double[] start = new double[n];
      double[] growth = new double[n];
      for (int i = 0; i < n; i++) {
        int cell = i < 6 * perCell ? i % 6 : random.nextInt(6);
        mesh[i] = cell / 3;
        density[i] = cell % 3;
        start[i] = 18 + random.nextGaussian();
        growth[i] = 10 + mesh[i] - density[i] + 0.4 * start[i] + random.nextGaussian();
      }
      return new Layout(mesh, density, start, growth);
    }

    Layout shuffled(long seed) {
      List<Integer> order = new ArrayList<>(IntStream.range(0, mesh.length).boxed().toList());
      Collections.shuffle(order, new Random(seed));
      return new Layout(
          order.stream().mapToInt(i -> mesh[i]).toArray(),
          order.stream().mapToInt(i -> density[i]).toArray(),
          order.stream().mapToDouble(i -> start[i]).toArray(),
          order.stream().mapToDouble(i -> growth[i]).toArray());
    }

    Layout moved(double scale, double shift) {
      return new Layout(
          mesh, density, start, Arrays.stream(growth).map(y -> scale * y + shift).toArray());
    }

    List<Factor> factors() {
      return List.of(
          new Factor("mesh", List.of("fine", "coarse"), mesh),
          new Factor("density", List.of("60", "120", "240"), density));
    }

    Fit fit(List<Term> terms) {
      return Fit.of(new Model(factors(), List.of(), terms, true), List.of(growth));
    }

    Fit withStart() {
      List<Term> terms = new ArrayList<>(List.of(Term.of("start")));
      terms.addAll(ALL);
      return Fit.of(
          new Model(factors(), List.of(new Covariate("start", start)), terms, true),
          List.of(growth));
    }
  }

  @Property(tries = 50)
  void kindsOfSquaresAgreeWhenBalancedAndAddUp(@ForAll long seed) {
    Fit fit = Layout.of(seed, 3, 0).fit(ALL);
    double sum = 0;
    for (Term term : ALL) {
      double inOrder = fit.squares(term, Squares.IN_ORDER).of(0);
      assertThat(fit.squares(term, Squares.AFTER_ALL).of(0)).isCloseTo(inOrder, within(SAME));
      assertThat(fit.squares(term, Squares.AFTER_ITS_PEERS).of(0)).isCloseTo(inOrder, within(SAME));
      sum += inOrder;
    }
    assertThat(sum).isCloseTo(fit.explained().of(0), within(SAME));
  }

  /** What rounding leaves is no spread to judge by: effects are there, their tests are not. */
  @Property(tries = 50)
  void aResponseThatAddsUpOfItsEffectsLeavesNothing(@ForAll long seed) {
    Layout some = Layout.of(seed, 3, 4);
    double[] sums = new double[some.growth().length];
    Arrays.setAll(sums, i -> 0.1 + 0.3 * some.mesh()[i] - 0.7 * some.density()[i]);
    Layout exact = new Layout(some.mesh(), some.density(), some.start(), sums);
    Stratum layer = new Stratum("error", exact.fit(ALL.subList(0, 2)), 0, 1);
    assertThat(layer.errorSs()).isZero();
    AnovaTable table = AnovaTable.of(layer, Squares.AFTER_ALL, 0.05);
    assertThat(table.rows().stream().filter(r -> r.effect() != null).map(AnovaTable.Row::effect))
        .hasSize(2)
        .allMatch(e -> e.ss() > 0 && !e.f().exists() && !e.p().exists());
  }

  @Property(tries = 50)
  void squaresInOrderAddUpWhateverTheSizes(@ForAll long seed) {
    Fit fit = Layout.of(seed, 1, 9).fit(ALL);
    double sum = ALL.stream().mapToDouble(t -> fit.squares(t, Squares.IN_ORDER).of(0)).sum();
    assertThat(sum).isCloseTo(fit.explained().of(0), within(SAME));
  }

  @Property(tries = 50)
  void squaresAfterAllAreWhatTheModelLosesWithoutTheTerm(@ForAll long seed) {
    Layout layout = Layout.of(seed, 1, 9);
    List<Term> main = Term.combinations(List.of("mesh", "density"), 1);
    double lost =
        layout.fit(List.of(Term.of("density"))).error().of(0) - layout.fit(main).error().of(0);
    assertThat(layout.fit(main).squares(Term.of("mesh"), Squares.AFTER_ALL).of(0))
        .isCloseTo(lost, within(SAME));
  }

  @Property(tries = 50)
  void coefficientsAddUpToTheCellMeansAndTheirSquaredTIsF(@ForAll long seed) {
    Layout layout = Layout.of(seed, 2, 9);
    Fit fit = layout.fit(ALL);
    List<Coefficient> all = Coefficient.of(new Stratum("error", fit, 0, 1), 0.05);
    assertThat(all).as("1 + 2 + 3 + 6").hasSize(12);
    for (int m = 0; m < 2; m++) {
      for (int d = 0; d < 3; d++) {
        int mesh = m;
        int density = d;
        double mean =
            IntStream.range(0, layout.mesh().length)
                .filter(i -> layout.mesh()[i] == mesh && layout.density()[i] == density)
                .mapToDouble(i -> layout.growth()[i])
                .average()
                .orElseThrow();
        double sum = 0;
        for (Coefficient c : all) {
          boolean own =
              c.levels().getOrDefault("mesh", LEVELS[m]).equals(LEVELS[m])
                  && c.levels().getOrDefault("density", DENSITIES[d]).equals(DENSITIES[d]);
          sum += own ? c.test().estimate() : 0;
        }
        assertThat(sum).isCloseTo(mean, within(SAME));
      }
    }
    double t = all.get(1).test().statistic().value();
    Fit.Sum mesh = fit.squares(Term.of("mesh"), Squares.AFTER_ALL);
    double f = mesh.of(0) / (fit.error().of(0) / fit.error().df());
    assertThat(t * t).isCloseTo(f, within(SAME * Math.max(1, f)));
  }

  @Property(tries = 50)
  void orderShiftAndScaleOfTheRowsDoNotMatter(@ForAll long seed) {
    Layout layout = Layout.of(seed, 1, 9);
    Fit plain = layout.withStart();
    Fit other = layout.shuffled(seed + 1).moved(1000, 1e6).withStart();
    for (Term term : ALL) {
      double f = ratio(plain, term);
      assertThat(ratio(other, term)).isCloseTo(f, within(1e-6 * Math.max(1, f)));
    }
  }

  private static double ratio(Fit fit, Term term) {
    return fit.squares(term, Squares.AFTER_ALL).of(0) / fit.error().of(0);
  }

  @Property(tries = 50)
  void meansOfCellsAreThePlainMeans(@ForAll long seed) {
    Layout layout = Layout.of(seed, 1, 9);
    Fit fit = layout.fit(ALL);
    for (int mesh = 0; mesh < 2; mesh++) {
      for (int density = 0; density < 3; density++) {
        int m = mesh;
        int d = density;
        double plain =
            IntStream.range(0, layout.mesh.length)
                .filter(i -> layout.mesh[i] == m && layout.density[i] == d)
                .mapToDouble(i -> layout.growth[i])
                .average()
                .orElseThrow();
        double fitted = fit.origin(0) + fit.fitted(0, new int[] {m, d}, new double[0]);
        assertThat(fitted).isCloseTo(plain, within(SAME));
      }
    }
  }

  @Property(tries = 30)
  void studentisedResidualIsTheTestOfAnIndicatorOfItsRow(@ForAll long seed) {
    Layout layout = Layout.of(seed, 2, 4);
    Fit fit = layout.withStart();
    Residuals residuals = Residuals.of(fit, layout.growth);
    assertThat(Arrays.stream(residuals.leverages()).sum()).isCloseTo(fit.rank(), within(SAME));
    assertThat(Arrays.stream(residuals.residuals()).map(r -> r * r).sum())
        .isCloseTo(fit.error().of(0), within(SAME));
    int row = (int) Math.floorMod(seed, (long) layout.growth.length);
    double[] only = new double[layout.growth.length];
    only[row] = 1;
    Fit more =
        Fit.of(
            fit.model()
                .with(new Covariate("only", only))
                .with(join(fit.model().terms(), Term.of("only"))),
            List.of(layout.growth));
    Fit.Sum own = more.squares(Term.of("only"), Squares.AFTER_ALL);
    double f = own.of(0) / (more.error().of(0) / more.error().df());
    assertThat(Math.pow(residuals.studentised()[row], 2))
        .isCloseTo(f, within(1e-6 * Math.max(1, f)));
  }

  private static List<Term> join(List<Term> terms, Term last) {
    List<Term> all = new ArrayList<>(terms);
    all.add(last);
    return all;
  }

  /** Of one treatment alone the residuals of the reduced model are the values about their mean. */
  @Property(tries = 5)
  void rearrangingResidualsOfOneTreatmentIsRearrangingItsValues(@ForAll long seed) {
    Layout layout = Layout.of(seed, 1, 2);
    Term mesh = Term.of("mesh");
    ReducedModel.Result found =
        new ReducedModel(layout.fit(List.of(mesh)), layout.growth).test(mesh, 0.05, Progress.NONE);
    double observed = between(layout, layout.mesh);
    int firsts = (int) Arrays.stream(layout.mesh).filter(m -> m == 0).count();
    long atLeast = 0;
    long all = 0;
    for (int mask = 0; mask < 1 << 8; mask++) {
      int arrangement = mask;
      if (Integer.bitCount(mask) == 8 - firsts) {
        int[] codes = IntStream.range(0, 8).map(i -> arrangement >> i & 1).toArray();
        atLeast += between(layout, codes) >= observed - SAME ? 1 : 0;
        all++;
      }
    }
    double p = (double) atLeast / all;
    assertThat(found.p()).isCloseTo(p, within(5 * Math.sqrt(0.25 / found.arrangements())));
  }

  private static double between(Layout layout, int[] codes) {
    double[] sums = new double[2];
    double[] counts = new double[2];
    for (int i = 0; i < codes.length; i++) {
      sums[codes[i]] += layout.growth[i];
      counts[codes[i]]++;
    }
    return sums[0] * sums[0] / counts[0] + sums[1] * sums[1] / counts[1];
  }
}
