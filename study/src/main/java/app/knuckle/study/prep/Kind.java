package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A column is of another kind than it was read as.
 *
 * @param column its name
 * @param as the kind it is
 * @param off switched off
 */
public record Kind(String column, As as, boolean off) implements Step {

  /** Kinds of columns. */
  public enum As {
    /** Measured or counted. */
    NUMBER("number"),
    /** Names without an order. */
    CATEGORY("category"),
    /** Names whose order means something. */
    ORDERED("ordered");

    private final String key;

    As(String key) {
      this.key = key;
    }

    /** The name in files and on screen, such as "number". */
    public String key() {
      return key;
    }

    /**
     * The kind of a key.
     *
     * @param key as in files
     * @return empty for an unknown key
     */
    public static Optional<As> of(String key) {
      return Arrays.stream(values()).filter(k -> k.key.equals(key)).findFirst();
    }

    /**
     * The kind of a column.
     *
     * @param column any column
     * @return its kind
     */
    public static As of(Column column) {
      if (column instanceof Categories categories) {
        return categories.ordered() ? ORDERED : CATEGORY;
      }
      return NUMBER;
    }
  }

  @Override
  public List<String> reads() {
    return List.of(column);
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Kind(column, as, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Column old = frame.column(column);
    if (as != As.NUMBER) {
      return frame.with(old, Levels.of(old, as == As.ORDERED));
    }
    return old instanceof Categories categories
        ? frame.with(old, numbers(frame, categories))
        : frame;
  }

  private Numbers numbers(Frame frame, Categories categories) {
    double[] ofLevel =
        categories.levels().stream().mapToDouble(l -> NumberText.parse(l, false)).toArray();
    double[] values = new double[categories.size()];
    for (int i = 0; i < values.length; i++) {
      values[i] = categories.isMissing(i) ? Double.NaN : ofLevel[categories.code(i)];
      if (Double.isNaN(values[i]) && !categories.isMissing(i)) {
        throw Refused.at(
            new Place.Cell(frame.source(), frame.sourceRow(i) + 1L, column),
            say("refused.not-number", categories.text(i)),
            say("way.mark-missing-or-treat"));
      }
    }
    return new Numbers(categories.name(), categories.unit(), values);
  }

  @Override
  public String title() {
    return say(as == As.NUMBER ? "step.kind.numbers" : "step.kind.categories", column);
  }

  @Override
  public String detail() {
    return switch (as) {
      case NUMBER -> say("step.kind.amount");
      case CATEGORY -> say("step.kind.name");
      case ORDERED -> say("step.kind.ordered");
    };
  }
}
