package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.stream.IntStream;

/** Correlations, by sums and by counting pairs. */
final class AssociationClaims {
  private final Made made;
  private final Claims claims;

  AssociationClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
  }

  void associated() {
    Used used = new Used(made.sheet(), List.of(), List.of("y", "z"));
    double[] x = used.values("y");
    double[] y = used.values("z");
    if (x.length < 3) {
      return;
    }
    boolean still = Plain.squares(x) == 0 || Plain.squares(y) == 0;
    for (JsonNode form : claims.findings.path("associations")) {
      JsonNode cells = form.path("coefficients");
      double wanted =
          switch (form.path("form").asText()) {
            case "pearson" -> pearson(x, y);
            case "spearman" -> pearson(Plain.ranks(Plain.boxed(x)), Plain.ranks(Plain.boxed(y)));
            default -> kendall(x, y);
          };
      claims.compared++;
      JsonNode found = cells.path(0).path(1);
      boolean right = still ? found.isNull() : Math.abs(found.asDouble(Double.NaN) - wanted) < 1e-8;
      if (!right) {
        claims.missed.add(form.path("form") + ": wanted " + wanted + ", got " + found);
      }
      if (Plain.squares(x) == 0 && !cells.path(0).path(0).isNull()) {
        claims.missed.add(form.path("form") + " of a constant with itself: " + cells);
      }
    }
  }

  private static double pearson(double[] x, double[] y) {
    double mx = Plain.mean(x);
    double my = Plain.mean(y);
    double xy = IntStream.range(0, x.length).mapToDouble(i -> (x[i] - mx) * (y[i] - my)).sum();
    return xy / Math.sqrt(Plain.squares(x) * Plain.squares(y));
  }

  private static double kendall(double[] x, double[] y) {
    double s = 0;
    double nx = 0;
    double ny = 0;
    for (int i = 0; i < x.length; i++) {
      for (int j = 0; j < i; j++) {
        double a = Math.signum(x[i] - x[j]);
        double b = Math.signum(y[i] - y[j]);
        s += a * b;
        nx += a * a;
        ny += b * b;
      }
    }
    return s / Math.sqrt(nx * ny);
  }
}
