package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** Tests by permuting the values themselves. */
final class PermutationClaims {
  private final Made made;
  private final Claims claims;

  PermutationClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
  }

  void permutation() {
    Used used = new Used(made.sheet(), List.of("group"), List.of("y"));
    double[][] g = used.groups("group", used.values("y"));
    int[] sizes = Arrays.stream(g).mapToInt(x -> x.length).toArray();
    if (Arrangements.ways(sizes) > Arrangements.FEW) {
      return;
    }
    BigDecimal[] all =
        Arrays.stream(Plain.flat(g)).mapToObj(Plain::exact).toArray(BigDecimal[]::new);
    JsonNode found = claims.test("permutation");
    if (g.length == 2) {
      BigDecimal observed = sum(all, IntStream.range(0, sizes[0]).toArray());
      BigDecimal total = sum(all, IntStream.range(0, all.length).toArray());
      BigDecimal n = BigDecimal.valueOf(all.length);
      BigDecimal middle = total.multiply(BigDecimal.valueOf(sizes[0]));
      BigDecimal away = observed.multiply(n).subtract(middle).abs();
      double[] count = new double[3];
      List<int[]> choices = Arrangements.choices(all.length, sizes[0]);
      for (int[] choice : choices) {
        BigDecimal own = sum(all, choice);
        count[0] += own.multiply(n).subtract(middle).abs().compareTo(away) >= 0 ? 1 : 0;
        count[1] += own.compareTo(observed) >= 0 ? 1 : 0;
        count[2] += own.compareTo(observed) <= 0 ? 1 : 0;
      }
      double c = choices.size();
      claims.tails(
          made.direction(), "permutation", found, count[0] / c, count[1] / c, count[2] / c);
      return;
    }
    // Whole numbers on the grid of the data, about one of them, so that sums are exact.
    int scale = Arrays.stream(all).mapToInt(x -> x.stripTrailingZeros().scale()).max().orElse(0);
    double[] whole =
        Arrays.stream(all)
            .mapToDouble(x -> x.subtract(all[0]).scaleByPowerOfTen(scale).doubleValue())
            .toArray();
    double observed = 0;
    int at = 0;
    for (int size : sizes) {
      double s = Arrays.stream(whole, at, at + size).sum();
      at += size;
      observed += s * s / size;
    }
    double[] count = new double[2];
    Arrangements.place(whole, 0, sizes.clone(), sizes, new double[sizes.length], observed, count);
    claims.p("permutation", found.path("rows").path(0), "p", count[0] / count[1]);
  }

  private static BigDecimal sum(BigDecimal[] all, int[] which) {
    BigDecimal sum = BigDecimal.ZERO;
    for (int i : which) {
      sum = sum.add(all[i]);
    }
    return sum;
  }
}
