package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.objecthunter.exp4j.Expression;
import net.objecthunter.exp4j.ExpressionBuilder;
import net.objecthunter.exp4j.function.Function;
import net.objecthunter.exp4j.tokenizer.UnknownFunctionOrVariableException;

/**
 * A new column, or a column anew, from arithmetic on others: {@code [growth_mm] - [start_mm]}.
 *
 * <p>Columns stand in brackets; + - * / ^ and parentheses; functions such as sqrt, ln, log10, exp,
 * abs, round, min, max. A row whose rule has no finite result is missing.
 *
 * @param column name of the column that gets the results
 * @param rule the arithmetic
 * @param off switched off
 */
public record Calculate(String column, String rule, boolean off) implements Step {

  private static final Pattern BRACKETS = Pattern.compile("\\[([^\\]]*)\\]");

  /** Rows between two looks at whether the answer is still wanted: some milliseconds. */
  private static final int ROWS_PER_LOOK = 1 << 13;

  private static final List<Function> FUNCTIONS =
      List.of(
          function("ln", 1, a -> Math.log(a[0])),
          function("round", 1, a -> Math.rint(a[0])),
          function("min", 2, a -> Math.min(a[0], a[1])),
          function("max", 2, a -> Math.max(a[0], a[1])));

  private interface Rule {
    double of(double... arguments);
  }

  private static Function function(String name, int arguments, Rule rule) {
    return new Function(name, arguments) {
      @Override
      public double apply(double... args) {
        return rule.of(args);
      }
    };
  }

  @Override
  public List<String> reads() {
    return BRACKETS.matcher(rule).results().map(found -> found.group(1)).distinct().toList();
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Calculate(column, rule, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    List<Numbers> inputs = new ArrayList<>();
    Expression expression = expression(frame, inputs);
    double[] result = new double[frame.rows()];
    for (int row = 0; row < result.length; row++) {
      if (row % ROWS_PER_LOOK == 0) {
        progress.check();
      }
      for (int i = 0; i < inputs.size(); i++) {
        expression.setVariable(variable(i), inputs.get(i).value(row));
      }
      result[row] = evaluated(expression);
    }
    String unit = frame.has(column) ? frame.column(column).unit() : "";
    return frame.plus(new Numbers(column, unit, result));
  }

  /** The library throws on a division by zero; here such a row has no result. */
  private static double evaluated(Expression expression) {
    try {
      double y = expression.evaluate();
      return Double.isFinite(y) ? y : Double.NaN;
    } catch (ArithmeticException e) {
      return Double.NaN;
    }
  }

  private static String variable(int i) {
    return "knuckle_" + i;
  }

  private Expression expression(Frame frame, List<Numbers> inputs) {
    StringBuilder safe = new StringBuilder();
    Matcher names = BRACKETS.matcher(rule);
    int end = 0;
    while (names.find()) {
      safe.append(rule, end, names.start());
      safe.append(variable(input(frame, names.group(1), names.start(), inputs)));
      end = names.end();
    }
    safe.append(rule.substring(end));
    if (rule.isBlank()) {
      throw wrong(frame, 0, say("refused.no-rule-yet"), say("way.write-one-such-b"), null);
    }
    try {
      ExpressionBuilder builder =
          new ExpressionBuilder(safe.toString()).functions(FUNCTIONS).implicitMultiplication(false);
      for (int i = 0; i < inputs.size(); i++) {
        builder.variable(variable(i));
      }
      Expression expression = builder.build();
      for (int i = 0; i < inputs.size(); i++) {
        expression.setVariable(variable(i), 1);
      }
      if (!expression.validate().isValid()) {
        throw wrong(
            frame,
            rule.length(),
            say("refused.something-missing"),
            say("way.look-for-sign-without"),
            null);
      }
      evaluated(expression);
      return expression;
    } catch (UnknownFunctionOrVariableException e) {
      int at = Math.max(0, rule.indexOf(e.getToken()));
      throw wrong(
          frame,
          at,
          say("refused.neither-function-nor-column", e.getToken()),
          frame.has(e.getToken())
              ? say("way.columns-stand-brackets", e.getToken())
              : say("way.known-sqrt-ln-log10"),
          e);
    } catch (IllegalArgumentException | java.util.EmptyStackException e) {
      throw wrong(
          frame,
          unfinished(rule),
          say("refused.cannot-be-read-arithmetic"),
          say("way.check-signs-commas-and"),
          e);
    }
  }

  private int input(Frame frame, String name, int at, List<Numbers> inputs) {
    if (!frame.has(name)) {
      throw wrong(
          frame,
          at,
          say("refused.no-column", name),
          Nearest.suggestion(name, frame.columns().stream().map(Column::name).toList()),
          null);
    }
    if (!(frame.column(name) instanceof Numbers numbers)) {
      throw wrong(
          frame,
          at,
          say("refused.holds-names-not-numbers", name),
          say("way.read-numbers-first"),
          null);
    }
    int known = inputs.indexOf(numbers);
    if (known < 0) {
      inputs.add(numbers);
    }
    return known < 0 ? inputs.size() - 1 : known;
  }

  /** The place of a parenthesis that has no partner, else the end. */
  private static int unfinished(String rule) {
    List<Integer> open = new ArrayList<>();
    for (int i = 0; i < rule.length(); i++) {
      if (rule.charAt(i) == '(') {
        open.add(i);
      } else if (rule.charAt(i) == ')') {
        if (open.isEmpty()) {
          return i;
        }
        open.remove(open.size() - 1);
      }
    }
    return open.isEmpty() ? Math.max(0, rule.length() - 1) : open.get(open.size() - 1);
  }

  private Refused wrong(Frame frame, int at, String what, String wayOn, Exception cause) {
    return new Refused(
        new Refusal(
            new Place.WholeColumn(frame.source(), column),
            say("refused.rule-at-character", String.valueOf(at + 1), what),
            wayOn),
        cause);
  }

  @Override
  public String title() {
    return say("step.calculate", column);
  }

  @Override
  public String detail() {
    return say("step.calculate.how", column, rule.toString());
  }
}
