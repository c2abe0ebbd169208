package app.knuckle.desktop.reckoner;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.stats.families.Distribution;
import app.knuckle.stats.families.DistributionKind;
import app.knuckle.stats.families.Tail;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A tail of a distribution: of value, tail and the last parameter, whichever is not typed follows.
 *
 * @param value text that follows; empty if it was typed
 * @param tail text that follows; empty if it was typed
 * @param parameter text that follows; empty if it was typed
 * @param curve with the tail filled; empty while too little is known
 * @param row of the usual table: tails over values
 * @param words in sentences
 */
record TailAnswer(
    String value,
    String tail,
    String parameter,
    Optional<DistributionCurve> curve,
    List<List<String>> row,
    String words) {

  static final String LAW = "law";
  static final String SIDE = "side";
  static final String VALUE = "value";
  static final String TAIL = "tail";

  /** The tails of printed tables. */
  private static final double[] USUAL = {0.1, 0.05, 0.025, 0.01, 0.005, 0.001};

  private static final int DECIMALS = 3;

  /** The field of a parameter. */
  static String parameter(int index) {
    return "parameter-" + index;
  }

  static DistributionKind distribution(Map<String, String> typed) {
    return DistributionKind.valueOf(typed.getOrDefault(LAW, DistributionKind.T.name()));
  }

  /** The side that is asked, or the usual one of the distribution if that is not asked of it. */
  static Tail side(Map<String, String> typed) {
    DistributionKind kind = distribution(typed);
    return kind.sides().stream()
        .filter(side -> side.name().equals(typed.get(SIDE)))
        .findFirst()
        .orElse(kind.sides().get(0));
  }

  static TailAnswer of(Map<String, String> typed) {
    DistributionKind kind = distribution(typed);
    Tail side = side(typed);
    List<Double> given = new ArrayList<>();
    int all = kind.parameters().size();
    for (int i = 0; i < all; i++) {
      OptionalDouble number = Typed.number(typed, parameter(i));
      if (number.isPresent()) {
        given.add(number.getAsDouble());
      } else if (i < all - 1) {
        return nothing("Type " + kind.parameters().get(i) + ".");
      }
    }
    OptionalDouble value = Typed.number(typed, VALUE);
    OptionalDouble tail = Typed.number(typed, TAIL);
    if (tail.isPresent() && !(tail.getAsDouble() > 0 && tail.getAsDouble() < 1)) {
      return nothing("A tail is a probability: it lies between 0 and 1.");
    }
    String last = "";
    if (given.size() < all) {
      if (value.isEmpty() || tail.isEmpty()) {
        return nothing("Type " + kind.parameters().get(all - 1) + ", or both value and tail.");
      }
      OptionalDouble found = kind.parameter(given, value.getAsDouble(), tail.getAsDouble(), side);
      if (found.isEmpty()) {
        return nothing("No " + kind.parameters().get(all - 1) + " gives this value such a tail.");
      }
      given.add(found.getAsDouble());
      last = Typed.shown(found.getAsDouble());
    }
    Optional<Distribution> distribution = kind.of(given, side);
    return distribution.isEmpty()
        ? nothing("There is no such law, or it is too large to be counted: mend the numbers.")
        : answer(kind, distribution.get(), side, value, tail, last);
  }

  private static TailAnswer nothing(String words) {
    return new TailAnswer("", "", "", Optional.empty(), List.of(), words);
  }

  private static TailAnswer answer(
      DistributionKind kind,
      Distribution distribution,
      Tail side,
      OptionalDouble value,
      OptionalDouble tail,
      String parameter) {
    List<List<String>> row = row(kind, distribution, side);
    OptionalDouble at =
        value.isPresent() || tail.isEmpty() ? value : distribution.value(tail.getAsDouble(), side);
    if (at.isEmpty()) {
      String words =
          tail.isPresent()
              ? "Not even the outermost value has so small a tail."
              : "Type a value or a tail.";
      return new TailAnswer("", "", parameter, Optional.empty(), row, words);
    }
    double x = at.getAsDouble();
    double probability = distribution.tail(x, side);
    String shownTail = Typed.shown(probability);
    String shownValue = value.isPresent() ? "" : shown(kind, x);
    return new TailAnswer(
        shownValue,
        tail.isPresent() && value.isEmpty() ? "" : shownTail,
        parameter,
        Optional.of(DistributionCurve.of(kind.statistic(), distribution, x, side)),
        row,
        words(kind, side, x, shownTail));
  }

  /** Values of counts and ranks are shown as they are: rounding would make another tail of them. */
  private static String shown(DistributionKind kind, double value) {
    return switch (kind) {
      case NORMAL, T, F, CHI_SQUARED, RANGE, DUNNETT -> Numerals.fixed(value, DECIMALS);
      case RANK_SUM, SIGNED_RANK, BINOMIAL, POISSON -> Numerals.plain(value);
    };
  }

  private static String words(DistributionKind kind, Tail side, double value, String tail) {
    String x = shown(kind, value);
    String s = kind.statistic();
    return switch (side) {
      case ABOVE -> "P(" + s + " \u2265 " + x + ") = " + tail + ".";
      case BELOW -> "P(" + s + " \u2264 " + x + ") = " + tail + ".";
      case BOTH -> "P(" + s + " at least as far out as " + x + " at either side) = " + tail + ".";
    };
  }

  private static List<List<String>> row(
      DistributionKind kind, Distribution distribution, Tail side) {
    List<String> tails = new ArrayList<>();
    List<String> values = new ArrayList<>();
    for (double usual : USUAL) {
      tails.add(Numerals.plain(usual).substring(1));
      OptionalDouble value = distribution.value(usual, side);
      values.add(value.isPresent() ? shown(kind, value.getAsDouble()) : Numerals.NONE);
    }
    return List.of(tails, values);
  }
}
