package app.knuckle.cross;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * A made experiment and what is asked of it. Ties, offsets, gaps, single rows and constant groups
 * are drawn often.
 *
 * @param kind of experiment
 * @param sheet the records
 * @param asked the inquiry
 */
record Made(Kind kind, Sheet sheet, ObjectNode asked) {
  /** What is drawn. */
  enum Kind {
    ONE_WAY,
    TWO_GROUPS,
    FACTORIAL,
    BLOCKS,
    ROWS_AND_COLUMNS,
    COVARIATE,
    UNEQUAL,
    ONE_SAMPLE,
    PAIRS,
    SPLIT_PLOT,
    REPEATED,
    STRIPS,
    TOGETHER,
    ASSOCIATED,
    RANK_TWO,
    RANK_GROUPS,
    RANK_BLOCKS,
    RANK_PAIRS,
    RANK_ONE,
    PERMUTATION,
    COUNTS,
    PROPORTIONS,
    MIXED
  }

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final List<String> EQUAL_SPREAD =
      List.of(
          "least-significant-difference",
          "tukey",
          "bonferroni",
          "sidak",
          "holm",
          "hochberg",
          "benjamini-hochberg",
          "none",
          "scheffe",
          "newman-keuls",
          "duncan");

  static Made of(Random random) {
    return of(random, Kind.values()[random.nextInt(Kind.values().length)]);
  }

  static Made of(Random random, Kind kind) {
    return new Drawing(random).draw(kind);
  }

  @Override
  public String toString() {
    return kind + "\n" + asked + "\n" + sheet;
  }

  List<String> texts(String key) {
    List<String> all = new ArrayList<>();
    asked.path(key).forEach(n -> all.add(n.asText()));
    return all;
  }

  double alpha() {
    return asked.path("alpha").asDouble(0.05);
  }

  int treatments() {
    return asked.path("treatments").size();
  }

  boolean together() {
    return asked.path("together").asBoolean();
  }

  String direction() {
    return asked.path("direction").asText("either");
  }

  /** Draws columns and questions. */
  private static final class Drawing {
    private final Random random;
    private final Map<String, List<String>> levels = new LinkedHashMap<>();
    private final Map<String, int[]> codes = new LinkedHashMap<>();
    private final Map<String, double[]> numbers = new LinkedHashMap<>();
    private final List<String> ordered = new ArrayList<>();
    private final ObjectNode asked = JSON.createObjectNode();
    private int rows;

    Drawing(Random random) {
      this.random = random;
    }

    private int between(int low, int high) {
      return low + random.nextInt(high - low + 1);
    }

    private boolean one(int in) {
      return random.nextInt(in) == 0;
    }

    private void column(String name, int size, int[] own) {
      List<String> texts = new ArrayList<>();
      for (int l = 0; l < size; l++) {
        texts.add(name.charAt(0) + String.valueOf(l));
      }
      levels.put(name, texts);
      codes.put(name, own);
    }

    private void ask(String key, List<String> values) {
      ArrayNode array = asked.putArray(key);
      values.forEach(array::add);
    }

    /** Groups of one column, of unequal size, a single row among them at times, in any order. */
    private void groups(String name, int size) {
      List<Integer> own = new ArrayList<>();
      boolean equal = one(3);
      int each = between(2, 5);
      for (int g = 0; g < size; g++) {
        int n = equal ? each : one(6) ? 1 : between(2, 7);
        for (int i = 0; i < n; i++) {
          own.add(g);
        }
      }
      if (one(2)) {
        java.util.Collections.shuffle(own, random);
      }
      rows = own.size();
      column(name, size, own.stream().mapToInt(x -> x).toArray());
    }

    /** Every combination of some columns, so often, some left out. */
    private void layout(List<String> names, int[] sizes, int each, int outOf) {
      List<int[]> all = new ArrayList<>();
      int cells = Arrays.stream(sizes).reduce(1, (a, b) -> a * b);
      for (int c = 0; c < cells; c++) {
        for (int i = 0; i < each; i++) {
          if (outOf > 0 && one(outOf)) {
            continue;
          }
          int[] own = new int[sizes.length];
          int rest = c;
          for (int f = sizes.length - 1; f >= 0; f--) {
            own[f] = rest % sizes[f];
            rest /= sizes[f];
          }
          all.add(own);
        }
      }
      if (one(2)) {
        java.util.Collections.shuffle(all, random);
      }
      rows = all.size();
      for (int f = 0; f < sizes.length; f++) {
        int at = f;
        column(names.get(f), sizes[f], all.stream().mapToInt(o -> o[at]).toArray());
      }
    }

    /**
     * A response: on a grid, so that ties occur; at an offset at times; constant in some groups.
     */
    private void response(String name, List<String> from) {
      double grid = new double[] {0.001, 0.001, 0.5, 1, 1e-5}[random.nextInt(5)];
      double offset = new double[] {0, 10, 10, -3, 1e6}[random.nextInt(5)];
      double size = one(8) ? 1e-3 : 1;
      double[] values = new double[rows];
      Map<String, double[]> effects = new LinkedHashMap<>();
      for (String of : from) {
        double[] own = new double[levels.get(of).size()];
        Arrays.setAll(own, l -> one(3) ? 0 : random.nextGaussian() * (one(4) ? 3 : 1));
        effects.put(of, own);
      }
      int still = !from.isEmpty() && one(6) ? random.nextInt(levels.get(from.get(0)).size()) : -1;
      for (int r = 0; r < rows; r++) {
        double value = still >= 0 && codes.get(from.get(0))[r] == still ? 0 : random.nextGaussian();
        for (String of : from) {
          int code = codes.get(of)[r];
          value += code < 0 ? 0 : effects.get(of)[code];
        }
        double exact = Math.rint(value / grid) * grid * size;
        values[r] =
            new java.math.BigDecimal(exact)
                .setScale(8, java.math.RoundingMode.HALF_EVEN)
                .add(java.math.BigDecimal.valueOf(offset))
                .doubleValue();
      }
      numbers.put(name, values);
    }

    /** Counts per unit of an exposure, or out of so many; a group of none at times. */
    private void counts(Kind kind) {
      boolean out = kind == Kind.PROPORTIONS;
      int groups = levels.get("group").size();
      int none = one(8) ? random.nextInt(groups) : -1;
      double[] mean = new double[groups];
      Arrays.setAll(mean, g -> Math.exp(random.nextGaussian()) * (one(10) ? 1e3 : 4));
      double[] values = new double[rows];
      double[] sizes = new double[rows];
      for (int r = 0; r < rows; r++) {
        int g = codes.get("group")[r];
        double more = Math.exp(0.4 * random.nextGaussian());
        sizes[r] = out ? between(1, 20) : between(1, 40) / 8.0;
        double rate = out ? 0.9 * (mean[g] * more) / (1 + mean[g] * more) : mean[g] * more;
        values[r] = g == none ? 0 : Math.rint(rate * sizes[r]);
      }
      numbers.put("y", values);
      numbers.put("size", sizes);
      if (out) {
        asked.put("outOf", "size");
      } else if (one(2)) {
        asked.put("exposure", "size");
      }
      asked.put("method", out ? "proportions" : "counts");
      asked.put("direction", "either").put("extraSpread", one(2));
    }

    private void gaps(String name) {
      if (one(3)) {
        double[] own = numbers.get(name);
        for (int r = 0; r < own.length; r++) {
          own[r] = one(15) ? Double.NaN : own[r];
        }
      }
    }

    private void compare(List<String> of, List<String> within, String procedure) {
      ObjectNode c = asked.withArray("compare").addObject();
      ArrayNode names = c.putArray("of");
      of.forEach(names::add);
      if (!within.isEmpty()) {
        ArrayNode more = c.putArray("within");
        within.forEach(more::add);
      }
      boolean reference = procedure.equals("dunnett") || procedure.equals("steel");
      c.put("against", reference ? "reference" : "all-pairs").put("procedure", procedure);
    }

    private void pairs(List<String> treatments) {
      for (int i = 0; i < 2; i++) {
        List<String> own =
            treatments.size() == 1 || one(3)
                ? treatments
                : List.of(treatments.get(random.nextInt(treatments.size())));
        List<String> within =
            own.size() == 1 && treatments.size() == 2 && one(2)
                ? treatments.stream().filter(t -> !own.contains(t)).toList()
                : List.of();
        if (one(3)) {
          ObjectNode reference = asked.withObject("/reference");
          own.forEach(t -> reference.put(t, levels.get(t).get(0)));
          compare(own, within, "dunnett");
        } else {
          compare(own, within, EQUAL_SPREAD.get(random.nextInt(EQUAL_SPREAD.size())));
        }
      }
    }

    Made draw(Kind kind) {
      asked.put("knuckle", "inquiry").put("version", 1).put("name", "made");
      asked.put("alpha", new double[] {0.05, 0.05, 0.1, 0.01}[random.nextInt(4)]);
      asked.put("direction", List.of("either", "greater", "less").get(random.nextInt(3)));
      ask("measured", List.of("y"));
      switch (kind) {
        case ONE_WAY, UNEQUAL, PERMUTATION, RANK_GROUPS -> {
          groups("group", kind == Kind.UNEQUAL ? between(2, 5) : between(3, 5));
          response("y", List.of("group"));
          ask("treatments", List.of("group"));
        }
        case TWO_GROUPS, RANK_TWO -> {
          groups("group", 2);
          response("y", List.of("group"));
          ask("treatments", List.of("group"));
        }
        case FACTORIAL -> {
          layout(
              List.of("mesh", "density"),
              new int[] {between(2, 3), between(2, 4)},
              between(1, 3),
              one(2) ? 6 : 0);
          response("y", List.of("mesh", "density"));
          ask("treatments", List.of("mesh", "density"));
        }
        case BLOCKS -> {
          boolean two = one(2);
          layout(
              two ? List.of("rack", "mesh", "density") : List.of("rack", "mesh"),
              two
                  ? new int[] {between(2, 4), between(2, 3), 2}
                  : new int[] {between(2, 5), between(2, 5)},
              1,
              one(2) ? 5 : 0);
          response("y", two ? List.of("mesh", "density", "rack") : List.of("mesh", "rack"));
          ask("blocks", List.of("rack"));
          ask("treatments", two ? List.of("mesh", "density") : List.of("mesh"));
        }
        case ROWS_AND_COLUMNS -> {
          int k = between(3, 4);
          layout(List.of("rows", "columns"), new int[] {k, k}, 1, one(3) ? 8 : 0);
          int[] own = new int[rows];
          Arrays.setAll(own, r -> (codes.get("rows")[r] + codes.get("columns")[r]) % k);
          column("mesh", k, own);
          response("y", List.of("mesh", "rows", "columns"));
          ask("blocks", List.of("rows", "columns"));
          ask("treatments", List.of("mesh"));
        }
        case COVARIATE -> {
          if (one(2)) {
            groups("group", between(3, 5));
            response("y", List.of("group"));
            ask("treatments", List.of("group"));
          } else {
            layout(List.of("mesh", "density"), new int[] {between(2, 3), 2}, 3, one(2) ? 6 : 0);
            response("y", List.of("mesh", "density"));
            ask("treatments", List.of("mesh", "density"));
          }
          response("x", one(2) ? List.of() : List.of(codes.keySet().iterator().next()));
          gaps("x");
          double[] x = numbers.get("x");
          double[] y = numbers.get("y");
          double mean = Arrays.stream(x).filter(v -> !Double.isNaN(v)).average().orElse(0);
          for (int r = 0; r < rows && one(2); r++) {
            y[r] += Double.isNaN(x[r]) ? 0 : Math.rint((x[r] - mean) * 1000) / 1000;
          }
          ask("covariates", List.of("x"));
        }
        case ONE_SAMPLE, RANK_ONE -> {
          rows = between(2, 15);
          response("y", List.of());
          asked.put("expected", Math.rint(numbers.get("y")[0]));
        }
        case PAIRS, RANK_PAIRS -> {
          layout(List.of("tank", "time"), new int[] {between(3, 12), 2}, 1, one(2) ? 12 : 0);
          response("y", List.of("time", "tank"));
          ask("treatments", List.of("time"));
          asked.put("pairs", "tank");
        }
        case SPLIT_PLOT -> {
          layout(
              List.of("rack", "zone", "mesh"),
              new int[] {between(2, 4), between(2, 3), between(2, 4)},
              1,
              one(3) ? 25 : 0);
          response("y", List.of("zone", "mesh", "rack"));
          ask("treatments", List.of("zone", "mesh"));
          ask("wholePlots", List.of("zone"));
          ask("blocks", List.of("rack"));
        }
        case REPEATED -> {
          layout(List.of("taster", "day"), new int[] {between(4, 8), between(2, 4)}, 1, 0);
          response("y", List.of("day", "taster"));
          ask("treatments", List.of("day"));
          asked.put("unit", "taster");
          ask("occasions", List.of("day"));
        }
        case STRIPS -> {
          layout(
              List.of("rack", "zone", "mesh"),
              new int[] {between(2, 4), between(2, 3), between(2, 4)},
              1,
              0);
          response("y", List.of("zone", "mesh", "rack"));
          ask("treatments", List.of("zone", "mesh"));
          ask("strips", List.of(one(2) ? "zone" : "mesh"));
          ask("blocks", List.of("rack"));
        }
        case TOGETHER -> {
          groups("group", between(2, 4));
          response("y", List.of("group"));
          response("z", List.of("group"));
          ask("measured", List.of("y", "z"));
          ask("treatments", List.of("group"));
          asked.put("together", true);
        }
        case ASSOCIATED -> {
          rows = between(4, 20);
          response("y", List.of());
          response("z", List.of());
          gaps("z");
          ask("measured", List.of("y", "z"));
          asked.put("together", true);
        }
        case COUNTS, PROPORTIONS -> {
          groups("group", between(2, 5));
          ask("treatments", List.of("group"));
          counts(kind);
        }
        case MIXED -> {
          layout(
              List.of("rack", "mesh"),
              new int[] {between(4, 8), between(2, 4)},
              between(1, 2),
              one(2) ? 8 : 0);
          response("y", List.of("mesh", "rack"));
          ask("treatments", List.of("mesh"));
          asked.put("method", "mixed");
          asked.putArray("random").add("rack");
        }
        case RANK_BLOCKS -> {
          layout(
              List.of("rack", "mesh"),
              new int[] {between(3, 7), between(3, 5)},
              1,
              one(3) ? 20 : 0);
          response("y", List.of("mesh", "rack"));
          ask("treatments", List.of("mesh"));
          ask("blocks", List.of("rack"));
        }
      }
      gaps("y");
      questions(kind);
      return new Made(kind, new Sheet(rows, levels, codes, numbers, ordered), asked);
    }

    private void questions(Kind kind) {
      List<String> squares = List.of("after-all", "in-order", "after-its-peers");
      switch (kind) {
        case ONE_WAY -> pairs(List.of("group"));
        case FACTORIAL, BLOCKS, COVARIATE, ROWS_AND_COLUMNS -> {
          asked.put("squares", squares.get(random.nextInt(3)));
          List<String> treatments = new ArrayList<>();
          asked.path("treatments").forEach(t -> treatments.add(t.asText()));
          if (treatments.size() > 1) {
            asked.put("terms", one(3) ? "main" : "all");
          }
          pairs(treatments);
        }
        case UNEQUAL -> {
          asked.put("method", "unequal-spread");
          compare(
              List.of("group"),
              List.of(),
              List.of("games-howell", "tamhane", "none").get(random.nextInt(3)));
        }
        case SPLIT_PLOT, STRIPS -> {
          compare(List.of("zone"), List.of(), "none");
          compare(List.of("mesh"), List.of(), "bonferroni");
          compare(List.of("mesh"), List.of("zone"), "tukey");
          compare(List.of("zone"), List.of("mesh"), "none");
        }
        case REPEATED -> compare(List.of("day"), List.of(), "tukey");
        case PERMUTATION -> asked.put("method", "permutation");
        case RANK_TWO, RANK_PAIRS, RANK_ONE -> asked.put("method", "ranks");
        case RANK_GROUPS -> {
          asked.put("method", "ranks");
          if (one(2)) {
            ordered.add("group");
          }
          asked.putObject("reference").put("group", "g0");
          for (String p : List.of("dunn-holm", "dwass-steel", "conover-holm", "steel")) {
            compare(List.of("group"), List.of(), p);
          }
        }
        case RANK_BLOCKS -> {
          asked.put("method", "ranks");
          if (one(2)) {
            ordered.add("mesh");
          }
          for (String p : List.of("nemenyi", "dunn-sidak", "conover-holm")) {
            compare(List.of("mesh"), List.of(), p);
          }
        }
        case COUNTS, PROPORTIONS -> compare(List.of("group"), List.of(), one(2) ? "none" : "holm");
        case MIXED -> {
          asked.put("direction", "either");
          compare(List.of("mesh"), List.of(), "none");
        }
        case TWO_GROUPS, ONE_SAMPLE, PAIRS, TOGETHER, ASSOCIATED -> {}
      }
    }
  }
}
