package app.knuckle.desktop.trail;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.prep.Calculate;
import app.knuckle.study.prep.Compute;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Keep;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.Order;
import app.knuckle.study.prep.Relabel;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Spread;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The kinds of steps that can be made by hand: what each asks for, the step it makes of the
 * answers, and the answers that would make a step.
 */
public enum StepForm {
  /** Values that stand for none. */
  MISSING("Mark values as missing", Missing.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          Field.of(
              "columns", "in (none ticked: all)", Field.Form.TICK, a -> names(frame, c -> true)),
          Field.line("values", "values, with commas between"));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return new Missing(a.all("columns"), list(needed(a, "values")), off);
    }

    @Override
    Answers asked(Step step) {
      Missing s = (Missing) step;
      return Answers.none()
          .with("columns", s.columns())
          .with("values", String.join(", ", s.values()));
    }
  },
  /** Levels that are one and the same. */
  MERGE("Merge levels", Merge.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          levelColumn(frame),
          Field.of("levels", "levels", Field.Form.TICK, a -> levels(frame, a)),
          Field.line("into", "become"));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      String column = needed(a, COLUMN);
      needed(a, "levels");
      return new Merge(column, a.all("levels"), needed(a, "into"), off);
    }

    @Override
    Answers asked(Step step) {
      Merge s = (Merge) step;
      return Answers.none()
          .with(COLUMN, s.column())
          .with("levels", s.levels())
          .with("into", s.into());
    }
  },
  /** Another order of levels. */
  ORDER("Put levels in order", Order.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          levelColumn(frame),
          Field.of("levels", "first to last", Field.Form.ORDER, a -> levels(frame, a)));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return new Order(needed(a, COLUMN), a.all("levels"), off);
    }

    @Override
    Answers asked(Step step) {
      Order s = (Order) step;
      return Answers.none().with(COLUMN, s.column()).with("levels", s.levels());
    }
  },
  /** Other names for levels. */
  RELABEL("Rename levels", Relabel.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          levelColumn(frame),
          Field.of("labels", "new names", Field.Form.PAIRS, a -> levels(frame, a)));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return new Relabel(needed(a, COLUMN), labels(a.all("labels")), off);
    }

    @Override
    Answers asked(Step step) {
      Relabel s = (Relabel) step;
      List<String> pairs = new ArrayList<>();
      s.labels().forEach((from, to) -> pairs.addAll(List.of(from, to)));
      return Answers.none().with(COLUMN, s.column()).with("labels", pairs);
    }
  },
  /** Another kind of column. */
  KIND("Read a column as another kind", Kind.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          anyColumn(frame),
          Field.of(
              "kind",
              "holds",
              Field.Form.PICK,
              a -> Arrays.stream(Kind.As.values()).map(Kind.As::key).toList()));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return new Kind(needed(a, COLUMN), Kind.As.of(needed(a, "kind")).orElseThrow(), off);
    }

    @Override
    Answers asked(Step step) {
      Kind s = (Kind) step;
      return Answers.none().with(COLUMN, s.column()).with("kind", s.as().key());
    }
  },
  /** Another name or unit of a column. */
  RENAME("Rename a column, or give its unit", Rename.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(anyColumn(frame), Field.line("to", "new name"), Field.line("unit", "unit"));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      String to = a.one("to").isEmpty() ? needed(a, COLUMN) : a.one("to");
      return new Rename(needed(a, COLUMN), to, a.one("unit"), off);
    }

    @Override
    Answers asked(Step step) {
      Rename s = (Rename) step;
      return Answers.none()
          .with(COLUMN, s.column())
          .with("to", s.to())
          .with("unit", s.unit() == null ? "" : s.unit());
    }
  },
  /** A column on another scale. */
  COMPUTE("Compute a column on another scale", Compute.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          Field.of("from", "of", Field.Form.PICK, a -> names(frame, StepForm::isNumber)),
          Field.of(
              "as",
              "take the",
              Field.Form.PICK,
              a -> Arrays.stream(Compute.As.values()).map(Compute.As::title).toList()),
          new Field(
              "lambda",
              "power",
              Field.Form.LINE,
              a -> List.of(),
              a -> a.one("as").equals(Compute.As.BOX_COX.title())),
          Field.line(COLUMN, "new column"));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      Compute.As as =
          Arrays.stream(Compute.As.values())
              .filter(f -> f.title().equals(needed(a, "as")))
              .findFirst()
              .orElseThrow();
      String from = needed(a, "from");
      String column = a.one(COLUMN).isEmpty() ? as.key() + "_" + from : a.one(COLUMN);
      double power = as == Compute.As.BOX_COX ? number(a, "lambda").orElse(0.0) : 0;
      return new Compute(column, from, as, power, off);
    }

    @Override
    Answers asked(Step step) {
      Compute s = (Compute) step;
      return Answers.none()
          .with(COLUMN, s.column())
          .with("from", s.from())
          .with("as", s.as().title())
          .with("lambda", Numbers.text(s.lambda()));
    }
  },
  /** Arithmetic. */
  CALCULATE("Calculate a column from others", Calculate.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          Field.line(COLUMN, "new column"),
          Field.line("rule", "rule, columns in brackets: [a] - [b]"));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return new Calculate(needed(a, COLUMN), needed(a, "rule"), off);
    }

    @Override
    Answers asked(Step step) {
      Calculate s = (Calculate) step;
      return Answers.none().with(COLUMN, s.column()).with("rule", s.rule());
    }
  },
  /** Columns under one another. */
  STACK("Stack columns", Stack.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          Field.of("columns", "columns", Field.Form.TICK, a -> names(frame, StepForm::isNumber)),
          Field.line("names", "their names go to"),
          Field.line("values", "their values go to"));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      needed(a, "columns");
      return new Stack(a.all("columns"), needed(a, "names"), needed(a, "values"), off);
    }

    @Override
    Answers asked(Step step) {
      Stack s = (Stack) step;
      return Answers.none()
          .with("columns", s.columns())
          .with("names", s.names())
          .with("values", s.values());
    }
  },
  /** A column side by side. */
  SPREAD("Spread a column", Spread.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(
          Field.of(
              "names",
              "a column for each",
              Field.Form.PICK,
              a -> names(frame, c -> !levels(c).isEmpty())),
          Field.of(
              "values",
              "with the values of",
              Field.Form.PICK,
              a -> names(frame, StepForm::isNumber)));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return new Spread(needed(a, "names"), needed(a, "values"), off);
    }

    @Override
    Answers asked(Step step) {
      Spread s = (Spread) step;
      return Answers.none().with("names", s.names()).with("values", s.values());
    }
  },
  /** Only some rows. */
  KEEP("Keep only some rows", Keep.class) {
    @Override
    List<Field> fields(Frame frame) {
      return IntStream.range(0, MOST_CONDITIONS)
          .boxed()
          .flatMap(i -> condition(frame, i).stream())
          .toList();
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return keep(a, old, off);
    }

    @Override
    Answers asked(Step step) {
      Keep s = (Keep) step;
      Answers a = Answers.none();
      for (int i = 0; i < Math.min(MOST_CONDITIONS, s.where().size()); i++) {
        Keep.Condition c = s.where().get(i);
        a =
            a.with(key(COLUMN, i), c.column())
                .with(key("is", i), c.is() == null ? List.of() : c.is())
                .with(key("from", i), c.from() == null ? "" : Numbers.text(c.from()))
                .with(key("to", i), c.to() == null ? "" : Numbers.text(c.to()));
      }
      return a;
    }
  },
  /** Rows out of play. */
  SET_ASIDE("Set rows aside", SetAside.class) {
    @Override
    List<Field> fields(Frame frame) {
      return List.of(Field.line("rows", "rows, with commas between"), Field.line("why", "because"));
    }

    @Override
    Step made(Answers a, Step old, boolean off) {
      return new SetAside(rows(needed(a, "rows")), a.one("why"), off);
    }

    @Override
    Answers asked(Step step) {
      SetAside s = (SetAside) step;
      String rows = s.rows().stream().map(String::valueOf).collect(Collectors.joining(", "));
      return Answers.none().with("rows", rows).with("why", s.why());
    }
  };

  /** What is said of a field that waits for its answer. */
  static final String OPEN = "still to be answered";

  private static final String COLUMN = "column";

  private final String title;
  private final Class<? extends Step> kind;

  StepForm(String title, Class<? extends Step> kind) {
    this.title = title;
    this.kind = kind;
  }

  /** The fields of this kind for the records that the step will be given. */
  abstract List<Field> fields(Frame frame);

  /** The step that the answers make; the one that is edited, or null. */
  abstract Step made(Answers answers, Step old, boolean off);

  /** The answers that make a step of this kind. */
  abstract Answers asked(Step step);

  /** What a step of this kind does: the line in the list of steps. */
  public String title() {
    return title;
  }

  /** The class of the steps it makes. */
  Class<? extends Step> kind() {
    return kind;
  }

  /**
   * The form of a step.
   *
   * @param step of a trail
   * @return empty for a step that has no form, as cells are edited in the sheet
   */
  static Optional<StepForm> of(Step step) {
    return Arrays.stream(values()).filter(form -> form.kind.isInstance(step)).findFirst();
  }

  /** The answers that make a step; none for a step that has no form. */
  static Answers answers(Step step) {
    return of(step).map(form -> form.asked(step)).orElse(Answers.none());
  }

  /**
   * The step that the answers make.
   *
   * @param a the answers
   * @param old the step being edited; null for a new one
   * @return the step
   * @throws Refused if an answer is missing or not understood, naming it
   */
  Step step(Answers a, Step old) {
    return made(a, old, old != null && old.off());
  }

  private static Field anyColumn(Frame frame) {
    return Field.of(COLUMN, COLUMN, Field.Form.PICK, a -> names(frame, c -> true));
  }

  private static Field levelColumn(Frame frame) {
    return Field.of(COLUMN, COLUMN, Field.Form.PICK, a -> names(frame, c -> !levels(c).isEmpty()));
  }

  /**
   * What is known of a new step from the column that is being looked at.
   *
   * @param frame the records that the step will be given
   * @param column looked at; may be one that the step cannot be about
   * @return the column as an answer, or the only one that could be
   */
  Answers about(Frame frame, String column) {
    Field first = fields(frame).get(0);
    List<String> options = first.options().apply(Answers.none());
    boolean one = first.form() == Field.Form.PICK;
    return one && options.contains(column)
        ? Answers.none().with(first.key(), column)
        : one && options.size() == 1
            ? Answers.none().with(first.key(), options.get(0))
            : Answers.none();
  }

  String needed(Answers a, String key) {
    if (a.one(key).isEmpty()) {
      throw asking(label(key), OPEN, "");
    }
    return a.one(key);
  }

  private String label(String key) {
    return fields(null).stream()
        .filter(f -> f.key().equals(key))
        .map(Field::label)
        .findFirst()
        .orElse(key);
  }

  private static Refused asking(String key, String what, String wayOn) {
    return Refused.at(new Place.WholeFile("\u201c" + key + "\u201d"), what, wayOn);
  }

  private static List<String> list(String text) {
    return Arrays.stream(text.split(",")).map(String::strip).filter(v -> !v.isEmpty()).toList();
  }

  private static Map<String, String> labels(List<String> pairs) {
    Map<String, String> labels = new LinkedHashMap<>();
    for (int i = 0; i + 1 < pairs.size(); i += 2) {
      if (!pairs.get(i).equals(pairs.get(i + 1)) && !pairs.get(i + 1).isBlank()) {
        labels.put(pairs.get(i), pairs.get(i + 1));
      }
    }
    return labels;
  }

  /** A condition more is asked for as soon as the one before names its column. */
  private static List<Field> condition(Frame frame, int i) {
    String column = key(COLUMN, i);
    Predicate<Answers> asked = a -> i == 0 || !a.one(key(COLUMN, i - 1)).isEmpty();
    return List.of(
        new Field(
            column,
            i == 0 ? COLUMN : "and, if wished, column",
            Field.Form.PICK,
            a ->
                Stream.concat(
                        i > 0 && !a.one(column).isEmpty() ? Stream.of("") : Stream.empty(),
                        names(frame, c -> true).stream())
                    .toList(),
            asked::test),
        new Field(
            key("is", i),
            "is one of",
            Field.Form.TICK,
            a -> levels(frame, a.one(column)),
            a -> asked.test(a) && !levels(frame, a.one(column)).isEmpty()),
        new Field(
            key("from", i),
            "from",
            Field.Form.LINE,
            a -> List.of(),
            a -> asked.test(a) && isNumber(frame, a.one(column))),
        new Field(
            key("to", i),
            "to",
            Field.Form.LINE,
            a -> List.of(),
            a -> asked.test(a) && isNumber(frame, a.one(column))));
  }

  /** Answers of the first condition have plain keys, those of the others are numbered. */
  private static String key(String key, int condition) {
    return condition == 0 ? key : key + "-" + (condition + 1);
  }

  private static List<String> names(Frame frame, Predicate<Column> fits) {
    return frame.columns().stream().filter(fits).map(Column::name).toList();
  }

  private static boolean isNumber(Column column) {
    return column instanceof Numbers;
  }

  private static boolean isNumber(Frame frame, String column) {
    return frame.has(column) && isNumber(frame.column(column));
  }

  private static List<String> levels(Frame frame, Answers answers) {
    return levels(frame, answers.one(COLUMN));
  }

  private static List<String> levels(Frame frame, String column) {
    return frame.has(column) ? levels(frame.column(column)) : List.of();
  }

  /** Numbers of few values have levels as well; numbers of many have none to choose from. */
  private static List<String> levels(Column column) {
    if (column instanceof Categories categories) {
      return categories.levels();
    }
    double[] few =
        Arrays.stream(((Numbers) column).values())
            .filter(v -> !Double.isNaN(v))
            .distinct()
            .limit(MOST_LEVELS + 1L)
            .sorted()
            .toArray();
    return few.length > MOST_LEVELS
        ? List.of()
        : Arrays.stream(few).mapToObj(Numbers::text).toList();
  }

  /** As many conditions as a form can ask for and still be read. */
  private static final int MOST_CONDITIONS = 4;

  /** More values than this are an amount, not a set of levels. */
  private static final int MOST_LEVELS = 24;

  private static Optional<Double> number(Answers a, String key) {
    if (a.one(key).isEmpty()) {
      return Optional.empty();
    }
    double value = NumberText.parse(a.one(key), false);
    if (Double.isNaN(value)) {
      throw asking(key, "'" + a.one(key) + "' is not a number", "Write it with a decimal point");
    }
    if (Double.isInfinite(value)) {
      throw asking(key, "'" + a.one(key) + "' is too large to be reckoned with", "Leave it open");
    }
    return Optional.of(value);
  }

  /** Conditions of a step from a file that are more than the form asks for stay. */
  Keep keep(Answers a, Step old, boolean off) {
    needed(a, COLUMN);
    List<Keep.Condition> where = new ArrayList<>();
    for (int i = 0; i < MOST_CONDITIONS && !a.one(key(COLUMN, i)).isEmpty(); i++) {
      List<String> is = a.all(key("is", i));
      Keep.Condition condition =
          new Keep.Condition(
              a.one(key(COLUMN, i)),
              is.isEmpty() ? null : is,
              number(a, key("from", i)).orElse(null),
              number(a, key("to", i)).orElse(null));
      if (is.isEmpty() && condition.from() == null && condition.to() == null) {
        String column = "is, for " + condition.column();
        throw asking(column, "no value is named", "Tick some, or give a range");
      }
      where.add(condition);
    }
    if (old instanceof Keep keep && keep.where().size() > MOST_CONDITIONS) {
      where.addAll(keep.where().subList(MOST_CONDITIONS, keep.where().size()));
    }
    return new Keep(where, off);
  }

  /** Each row set aside is named in the trail. */
  private static final int MOST_ROWS = 100_000;

  /** Row numbers, with ranges: "7, 31-34". */
  private static List<Integer> rows(String text) {
    List<Integer> rows = new ArrayList<>();
    for (String part : list(text)) {
      String[] ends = part.split("[-\u2013]");
      try {
        int first = Integer.parseInt(ends[0].strip());
        int last = Integer.parseInt(ends[ends.length - 1].strip());
        if (last - (long) first >= MOST_ROWS) {
          throw asking(
              "rows",
              "'" + part + "' is more rows than are set aside one by one",
              "Use \u201c" + KEEP.title() + "\u201d");
        }
        IntStream.rangeClosed(first, last).forEach(rows::add);
      } catch (NumberFormatException e) {
        throw new Refused(
            asking("rows", "'" + part + "' is no row number", "Write 7, 31 or 31-34").refusal(), e);
      }
    }
    return rows;
  }
}
