package app.knuckle.study.contract;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.Procedure.Setting;
import app.knuckle.stats.compare.Procedure.Use;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * A made experiment of any kind and what is asked of it: mostly sensible, now and then not.
 *
 * @param kind what was drawn
 * @param table the records
 * @param asked an inquiry as the contract writes it
 */
public record AnyInquiry(Kind kind, Table table, ObjectNode asked) {

  /** What can be drawn: every design, response and way of analysing. */
  public enum Kind {
    /** Any columns in any parts, sensible or not. */
    WILD,
    /** One sample against an expected value. */
    ONE_SAMPLE,
    /** One treatment, two groups or more. */
    ONE_WAY,
    /** Two or three treatments, some cells lost. */
    FACTORIAL,
    /** One or two treatments in blocks, complete or not. */
    BLOCKS,
    /** A Latin square. */
    ROWS_AND_COLUMNS,
    /** Whole plots and subplots in blocks. */
    SPLIT_PLOT,
    /** Strips across each other in blocks. */
    STRIPS,
    /** Units seen on occasions, with or without a treatment of the units. */
    REPEATED,
    /** Two occasions of the same unit. */
    PAIRS,
    /** A treatment with a covariate. */
    COVARIATE,
    /** Several responses as one. */
    TOGETHER,
    /** Correlations. */
    ASSOCIATED,
    /** Means, each with the variance of its own group. */
    OWN_VARIANCES,
    /** Ranks of independent groups. */
    RANKS,
    /** Ranks within blocks. */
    RANKS_IN_BLOCKS,
    /** Ranks of paired differences. */
    RANKS_OF_PAIRS,
    /** Ranks of one sample. */
    RANKS_OF_ONE,
    /** A permutation test. */
    PERMUTATION,
    /** Random blocks, with lost plots. */
    RANDOM_BLOCKS,
    /** Readings within plots within blocks. */
    RANDOM_NESTED,
    /** Correlated readings of a unit. */
    RANDOM_READINGS,
    /** Counts, with or without exposure and blocks. */
    COUNTS,
    /** So many out of so many tried. */
    PROPORTIONS,
    /** Single trials, 0 or 1. */
    SINGLES;

    private boolean isOnRanks() {
      return this == RANKS
          || this == RANKS_IN_BLOCKS
          || this == RANKS_OF_PAIRS
          || this == RANKS_OF_ONE;
    }

    /** Whether its response can be put on another scale: false for counts. */
    boolean isMeasured() {
      return this != COUNTS && this != PROPORTIONS && this != SINGLES;
    }
  }

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final List<String> PLAIN = List.of("mesh", "density", "rack", "taster");

  /** Names of columns that could be taken for something else. */
  private static final List<String> HOSTILE =
      List.of("groups", "trend 1", "a, b", "mesh / net", "5 x 5", "2026", "error", "tide \"zone\"");

  /**
   * Makes both, of any kind.
   *
   * @param random where they come from
   * @return an experiment and a question
   */
  public static AnyInquiry of(Random random) {
    return of(random, Kind.values()[random.nextInt(Kind.values().length)]);
  }

  /**
   * Makes both, of a kind.
   *
   * @param random where they come from
   * @param kind what is drawn
   * @return an experiment and a question
   */
  public static AnyInquiry of(Random random, Kind kind) {
    return new Drawing(random).draw(kind);
  }

  /** The answer: empty where the question is refused. */
  public Optional<Findings> answer() {
    return answer(asked -> asked);
  }

  /**
   * The answer to the question changed.
   *
   * @param change of the question
   * @return empty where it is refused
   */
  public Optional<Findings> answer(UnaryOperator<Inquiry> change) {
    try {
      Inquiry inquiry = change.apply(InquiryFile.read(asked));
      return Optional.of(Answering.of(table, inquiry, Progress.NONE));
    } catch (Refused e) {
      return Optional.empty();
    }
  }

  @Override
  public String toString() {
    StringBuilder text = new StringBuilder(kind + " " + asked + "\n");
    for (Column column : table.columns()) {
      text.append(column.name()).append(": ");
      IntStream.range(0, table.rows()).forEach(r -> text.append(column.text(r)).append(" | "));
      text.append('\n');
    }
    return text.toString();
  }

  /** One experiment in the making. */
  private static final class Drawing {
    private final Random random;
    private final AnyRecords records;
    private final List<String> names;
    private final ObjectNode asked =
        JSON.createObjectNode().put("knuckle", "inquiry").put("version", 1).put("name", "any");

    Drawing(Random random) {
      this.random = random;
      boolean hostile = random.nextInt(3) == 0;
      records = new AnyRecords(random, hostile);
      names = new ArrayList<>(PLAIN);
      if (hostile) {
        List<String> pool = new ArrayList<>(HOSTILE);
        Collections.shuffle(pool, random);
        names.addAll(0, pool.subList(0, 2));
      }
      Collections.shuffle(names, random);
    }

    AnyInquiry draw(Kind kind) {
      String a = names.get(0);
      String b = names.get(1);
      String c = names.get(2);
      ask("measured", "growth");
      switch (kind) {
        case WILD -> wild();
        case ONE_SAMPLE, RANKS_OF_ONE -> {
          records.bare(records.between(2, 14));
          records.response("growth", List.of());
          asked.put("expected", random.nextInt(3) * 5);
        }
        case ONE_WAY, OWN_VARIANCES, RANKS, PERMUTATION -> {
          records.groups(a, records.between(2, 6));
          respond(a);
          ask("treatments", a);
        }
        case FACTORIAL -> {
          boolean three = records.oneIn(4);
          int each = records.between(1, 3);
          records.crossed(
              List.of(a, b, c),
              new int[] {records.between(2, 3), records.between(2, 4), three ? 2 : 1},
              each,
              records.oneIn(3) ? 8 : 0);
          respond(a, b);
          ask("treatments", three ? List.of(a, b, c) : List.of(a, b));
        }
        case BLOCKS, RANKS_IN_BLOCKS, RANDOM_BLOCKS -> {
          boolean two = kind != Kind.RANKS_IN_BLOCKS && records.oneIn(3);
          records.crossed(
              List.of(c, a, b),
              new int[] {records.between(3, 6), records.between(2, 5), two ? 2 : 1},
              1,
              records.oneIn(3) ? 7 : 0);
          respond(a, c);
          ask("treatments", two ? List.of(a, b) : List.of(a));
          ask("blocks", c);
        }
        case ROWS_AND_COLUMNS -> square(a, b, c);
        case SPLIT_PLOT, STRIPS -> {
          records.crossed(
              List.of(c, a, b),
              new int[] {records.between(2, 5), records.between(2, 3), records.between(2, 4)},
              1,
              kind == Kind.SPLIT_PLOT && records.oneIn(4) ? 20 : 0);
          respond(a, b, c);
          ask("treatments", a, b);
          ask(kind == Kind.STRIPS ? "strips" : "wholePlots", a);
          ask("blocks", c);
        }
        case REPEATED -> {
          boolean between = records.oneIn(2);
          repeated(a, b, c, between, records.oneIn(4) ? 15 : 0);
        }
        case PAIRS, RANKS_OF_PAIRS -> {
          records.crossed(
              List.of(c, a), new int[] {records.between(3, 12), 2}, 1, records.oneIn(3) ? 10 : 0);
          respond(a, c);
          ask("treatments", a);
          asked.put("pairs", c);
        }
        case COVARIATE -> {
          records.crossed(
              List.of(a, b),
              new int[] {records.between(2, 4), records.oneIn(3) ? 2 : 1},
              records.between(3, 6),
              records.oneIn(4) ? 12 : 0);
          respond(a);
          covariate();
          ask("treatments", records.levels(b).size() > 1 ? List.of(a, b) : List.of(a));
        }
        case TOGETHER -> {
          records.groups(a, records.between(2, 4));
          respond(a);
          records.response("width", List.of(a));
          ask("measured", "growth", "width");
          ask("treatments", a);
          asked.put("together", true);
        }
        case ASSOCIATED -> {
          records.bare(records.between(3, 20));
          records.response("growth", List.of());
          records.response("width", List.of());
          records.gaps("growth", "width");
          ask("measured", "growth", "width");
          asked.put("together", true);
        }
        case RANDOM_NESTED -> {
          records.crossed(
              List.of(c, a, b),
              new int[] {records.between(3, 5), records.between(2, 3), records.between(2, 3)},
              1,
              records.oneIn(2) ? 12 : 0);
          respond(a, c);
          ask("treatments", a);
          ArrayNode terms = asked.putArray("random").add(c);
          terms.addArray().add(c).add(a);
        }
        case RANDOM_READINGS -> {
          repeated(a, b, c, records.oneIn(2), records.oneIn(2) ? 12 : 0);
          asked.put(
              "withinUnit",
              List.of("equal", "first-order", "own-variances").get(random.nextInt(3)));
        }
        case COUNTS, PROPORTIONS, SINGLES -> counted(kind, a, b, c);
      }
      method(kind);
      questions(kind);
      return new AnyInquiry(kind, records.table(), asked);
    }

    private void respond(String... from) {
      records.response("growth", List.of(from));
      records.gaps("growth");
    }

    private void covariate() {
      records.number("start", r -> Math.rint(10 * (20 + random.nextGaussian())) / 10);
      records.gaps("start");
      ask("covariates", "start");
    }

    private void square(String a, String b, String c) {
      int size = records.between(3, 5);
      records.crossed(List.of(b, c), new int[] {size, size}, 1, 0);
      int[] row = records.codes(b);
      int[] column = records.codes(c);
      records.column(
          a, size, IntStream.range(0, row.length).map(r -> (row[r] + column[r]) % size).toArray());
      respond(a, b, c);
      ask("treatments", a);
      ask("blocks", b, c);
    }

    private void repeated(String a, String b, String c, boolean between, int lostOneIn) {
      int units = records.between(4, 8);
      records.crossed(List.of(c, a), new int[] {units, records.between(2, 4)}, 1, lostOneIn);
      respond(a, c);
      asked.put("unit", c);
      ask("occasions", a);
      if (between) {
        records.column(b, 2, Arrays.stream(records.codes(c)).map(u -> u % 2).toArray());
      }
      ask("treatments", between ? List.of(b, a) : List.of(a));
    }

    private void counted(Kind kind, String a, String b, String c) {
      boolean two = records.oneIn(3);
      boolean blocks = records.oneIn(3);
      records.crossed(
          List.of(a, b, c),
          new int[] {records.between(2, 4), two ? 2 : 1, blocks ? 3 : 1},
          blocks && kind != Kind.SINGLES ? 1 : records.between(2, 6),
          records.oneIn(4) ? 9 : 0);
      boolean sized = kind == Kind.PROPORTIONS || kind == Kind.COUNTS && records.oneIn(2);
      if (sized) {
        records.number("width", r -> records.oneIn(25) ? Double.NaN : records.between(5, 40));
      }
      if (kind == Kind.COUNTS) {
        records.counts("growth", List.of(a), sized ? "width" : null);
      } else {
        records.successes("growth", List.of(a), sized ? "width" : null);
      }
      records.gaps("growth");
      if (sized) {
        asked.put(kind == Kind.COUNTS ? "exposure" : "outOf", "width");
      }
      if (records.oneIn(4)) {
        covariate();
      }
      if (kind != Kind.SINGLES && records.oneIn(2)) {
        asked.put("extraSpread", random.nextBoolean());
      }
      ask("treatments", two ? List.of(a, b) : List.of(a));
      if (blocks) {
        ask("blocks", c);
      }
    }

    private void method(Kind kind) {
      switch (kind) {
        case WILD -> {}
        case OWN_VARIANCES -> asked.put("method", "unequal-spread");
        case RANKS, RANKS_IN_BLOCKS, RANKS_OF_PAIRS, RANKS_OF_ONE -> asked.put("method", "ranks");
        case PERMUTATION -> asked.put("method", "permutation");
        case RANDOM_BLOCKS, RANDOM_NESTED, RANDOM_READINGS -> {
          asked.put("method", "mixed");
          if (records.oneIn(2)) {
            asked.put("denominator", "satterthwaite");
          }
        }
        case COUNTS -> asked.put("method", "counts");
        case PROPORTIONS, SINGLES -> asked.put("method", "proportions");
        default -> {
          List<String> squares = List.of("after-all", "in-order", "after-its-peers");
          asked.put("squares", squares.get(random.nextInt(3)));
          asked.put("terms", records.oneIn(4) ? "main" : "all");
        }
      }
      asked.put("direction", List.of("either", "greater", "less").get(random.nextInt(3)));
      if (records.oneIn(3)) {
        asked.put("alpha", new double[] {0.01, 0.1, 0.2}[random.nextInt(3)]);
      }
    }

    /** Comparisons that fit what is compared, and now and then one that does not. */
    private void questions(Kind kind) {
      List<String> treatments = new ArrayList<>();
      asked.path("treatments").forEach(t -> treatments.add(t.asText()));
      if (treatments.isEmpty() || kind == Kind.PERMUTATION || records.oneIn(5)) {
        return;
      }
      String first = treatments.get(0);
      List<String> levels = records.levels(first);
      asked.putObject("reference").put(first, levels.get(random.nextInt(levels.size())));
      ArrayNode all = asked.putArray("compare");
      for (int c = 0; c <= random.nextInt(2); c++) {
        ObjectNode one = all.addObject();
        boolean whole = treatments.size() > 1 && random.nextBoolean() && !kind.isOnRanks();
        List<String> of = whole ? treatments : List.of(first);
        texts(one.putArray("of"), of);
        boolean own = kind == Kind.WILD || records.oneIn(40);
        if (!own && !kind.isOnRanks() && records.oneIn(4)) {
          contrast(one, of);
        } else {
          boolean reference =
              !whole
                  && !Procedure.fitting(setting(kind), Use.REFERENCE).isEmpty()
                  && records.oneIn(4);
          if (!whole && treatments.size() > 1 && records.oneIn(2) && !kind.isOnRanks()) {
            texts(one.putArray("within"), treatments.subList(1, 2));
          }
          one.put("against", reference ? "reference" : "all-pairs");
          List<Procedure> fitting =
              own
                  ? List.of(Procedure.values())
                  : Procedure.fitting(setting(kind), reference ? Use.REFERENCE : Use.ALL_PAIRS);
          one.put("procedure", fitting.get(random.nextInt(fitting.size())).key());
        }
      }
    }

    private static Setting setting(Kind kind) {
      return switch (kind) {
        case RANKS, RANKS_OF_PAIRS, RANKS_OF_ONE -> Setting.RANKS;
        case RANKS_IN_BLOCKS -> Setting.RANKS_IN_BLOCKS;
        case OWN_VARIANCES -> Setting.OWN_SPREADS;
        case RANDOM_BLOCKS, RANDOM_NESTED, RANDOM_READINGS, SPLIT_PLOT, STRIPS, REPEATED ->
            Setting.OWN_ERRORS;
        default -> Setting.MEANS;
      };
    }

    private void contrast(ObjectNode one, List<String> of) {
      ArrayNode weights = one.put("name", "own").putArray("weights");
      for (int w = 0; w < 2; w++) {
        ObjectNode weight = weights.addObject().put("weight", 1 - 2 * w);
        ObjectNode levels = weight.putObject("levels");
        for (String t : of) {
          levels.put(t, records.levels(t).get(t.equals(of.get(0)) ? w : 0));
        }
      }
    }

    /** Up to 40 rows: full layouts, ragged ones, constants, ties and gaps, in any parts. */
    private void wild() {
      records.bare(records.oneIn(5) ? random.nextInt(4) : records.between(4, 40));
      boolean full = random.nextBoolean();
      int stride = 1;
      for (String name : names) {
        int size = records.between(1, 4);
        int apart = stride;
        records.column(
            name,
            size,
            IntStream.range(0, records.rows())
                .map(r -> full ? r / apart % size : random.nextInt(size))
                .map(code -> records.oneIn(40) ? -1 : code)
                .toArray());
        stride *= size;
      }
      for (String name : List.of("growth", "width", "start")) {
        int kind = random.nextInt(4);
        records.number(
            name,
            r ->
                records.oneIn(20)
                    ? Double.NaN
                    : kind == 0
                        ? 7
                        : kind == 1
                            ? random.nextInt(3)
                            : 10 + Math.rint(1000 * random.nextGaussian()) / 1000);
      }
      if (records.oneIn(6)) {
        ask("measured", "growth", "width");
        asked.put("together", true);
      }
      List<String> treatments = names.subList(0, random.nextInt(3));
      ask("treatments", treatments);
      List<String> one = treatments.subList(0, Math.min(1, treatments.size()));
      String other = names.get(2);
      switch (random.nextInt(7)) {
        case 0 -> ask("blocks", other);
        case 1 -> ask("blocks", other, names.get(3));
        case 2 -> asked.put("pairs", other);
        case 3 -> {
          asked.put("unit", other);
          ask("occasions", one);
        }
        case 4 -> {
          ask("blocks", other);
          ask("wholePlots", one);
        }
        case 5 -> {
          ask("blocks", other);
          ask("strips", one);
        }
        default -> {}
      }
      if (records.oneIn(3)) {
        ask("covariates", "start");
      }
      if (treatments.isEmpty() && random.nextBoolean()) {
        asked.put("expected", 9.5);
      }
      List<Approach> approaches = Approach.all();
      asked.put("method", approaches.get(random.nextInt(approaches.size())).key());
    }

    private void ask(String key, String... values) {
      ask(key, List.of(values));
    }

    private void ask(String key, List<String> values) {
      texts(asked.putArray(key), values);
    }

    private static void texts(ArrayNode array, List<String> values) {
      values.forEach(array::add);
    }
  }
}
