package app.knuckle.study.notice;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.Order;
import app.knuckle.study.prep.Relabel;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.text.Normalizer;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Levels that are one and the same, lone ones, dates, and numbers among words. */
final class LevelNotices {

  /** Columns with more levels are labels; their spelling is nobody's concern. */
  private static final int MOST_LEVELS = 500;

  /** From this share of numbers on, a column of words is taken for numbers with some slips. */
  private static final double MOSTLY = 0.8;

  /** More different words than this among numbers are no slips. */
  private static final int MOST_SLIPS = 20;

  private static final int YEAR_DIGITS = 4;

  private static final List<DateTimeFormatter> DATES =
      List.of(
          DateTimeFormatter.ISO_LOCAL_DATE,
          DateTimeFormatter.ofPattern("d.M.uuuu"),
          DateTimeFormatter.ofPattern("d/M/uuuu"),
          DateTimeFormatter.ofPattern("M/d/uuuu"),
          DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH));

  private final Frame frame;
  private final Categories column;
  private final int[] counts;

  private LevelNotices(Frame frame, Categories column) {
    this.frame = frame;
    this.column = column;
    counts = new int[column.levels().size()];
    for (int row = 0; row < column.size(); row++) {
      if (frame.inPlay(row) && !column.isMissing(row)) {
        counts[column.code(row)]++;
      }
    }
  }

  static List<Notice> look(Frame frame, Categories column) {
    LevelNotices odd = new LevelNotices(frame, column);
    List<Notice> notices = new ArrayList<>();
    if (column.levels().isEmpty()) {
      notices.add(
          new Notice(
              column.name(), "No row has a value of " + column.name() + ".", List.of(), List.of()));
    } else if (!odd.longNumbers(notices) && !odd.numbers(notices) && !odd.dates(notices)) {
      if (column.levels().size() <= MOST_LEVELS) {
        odd.spellings(notices);
        odd.lone(notices);
      }
    }
    return notices;
  }

  /** Levels that could be taken for each other, and numbers that are names. */
  static List<Notice> confusable(Frame frame, Categories column) {
    LevelNotices odd = new LevelNotices(frame, column);
    List<Notice> notices = new ArrayList<>();
    if (!odd.longNumbers(notices) && column.levels().size() <= MOST_LEVELS) {
      odd.spellings(notices);
    }
    return notices;
  }

  private String level(int code) {
    return column.levels().get(code);
  }

  private List<Integer> rows(Collection<Integer> codes) {
    Set<Integer> wanted = Set.copyOf(codes);
    return IntStream.range(0, column.size())
        .filter(row -> frame.inPlay(row) && wanted.contains(column.code(row)))
        .limit(NumberNotices.MOST_ROWS)
        .boxed()
        .toList();
  }

  private static String bare(String name) {
    return name.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
  }

  /** Levels that differ in capitals and blanks only. */
  private void spellings(List<Notice> notices) {
    Map<String, List<Integer>> alike = new LinkedHashMap<>();
    for (int code = 0; code < counts.length; code++) {
      if (counts[code] > 0) {
        // Letters with an accent, and digits of full width, can be written in several ways.
        String bare = bare(Normalizer.normalize(level(code), Normalizer.Form.NFKC));
        alike.computeIfAbsent(bare, key -> new ArrayList<>()).add(code);
      }
    }
    for (List<Integer> codes : alike.values()) {
      if (codes.size() > 1) {
        int best = codes.stream().max(Comparator.comparingInt(c -> counts[c])).orElseThrow();
        List<String> names = codes.stream().map(this::level).toList();
        String into = level(best).strip();
        List<Integer> stray = codes.stream().filter(c -> c != best).toList();
        notices.add(
            new Notice(
                column.name(),
                say(
                    names.stream().map(LevelNotices::bare).distinct().count() == 1
                        ? "notice.capitals"
                        : "notice.characters",
                    Numerals.list(names.stream().map(n -> "\u201c" + n + "\u201d").toList())),
                rows(stray),
                List.of(
                    new Notice.Fix(
                        "Merge into " + into,
                        List.of(new Merge(column.name(), names, into, false))))));
      }
    }
  }

  /** A level with a single row where the others have several; it cannot show any spread. */
  private void lone(List<Notice> notices) {
    List<Integer> lone = new ArrayList<>();
    int several = 0;
    for (int code = 0; code < counts.length; code++) {
      if (counts[code] == 1) {
        lone.add(code);
      }
      several += counts[code] > 1 ? 1 : 0;
    }
    if (several < 2 || lone.size() > several) {
      return;
    }
    for (int code : lone) {
      String name = level(code);
      if (notices.stream().anyMatch(n -> n.words().contains("\u201c" + name + "\u201d"))) {
        continue; // Already known as a stray spelling.
      }
      List<Integer> rows = rows(List.of(code));
      int row = frame.sourceRow(rows.get(0)) + 1;
      notices.add(
          new Notice(
              column.name(),
              "\u201c"
                  + name
                  + "\u201d stands in one row only: a slip, or a group whose spread"
                  + " cannot be seen.",
              rows,
              List.of(
                  new Notice.Fix(
                      "Set row " + row + " aside",
                      List.of(
                          new SetAside(
                              List.of(row),
                              "the only row of " + column.name() + " " + name,
                              false))))));
    }
  }

  /** Whole numbers so long that different ones would become one number. */
  private boolean longNumbers(List<Notice> notices) {
    List<Integer> tooLong = new ArrayList<>();
    for (int code = 0; code < counts.length; code++) {
      if (counts[code] > 0 && Double.isNaN(NumberText.parse(level(code), false))) {
        return false;
      }
      if (counts[code] > 0 && NumberText.isTooLong(level(code))) {
        tooLong.add(code);
      }
    }
    if (!tooLong.isEmpty()) {
      notices.add(
          new Notice(
              column.name(), say("notice.too-long", column.name()), rows(tooLong), List.of()));
    }
    return !tooLong.isEmpty();
  }

  /** Mostly numbers: decimal commas among points, or words in place of a value. */
  private boolean numbers(List<Notice> notices) {
    Map<String, String> mended = new LinkedHashMap<>();
    List<String> words = new ArrayList<>();
    List<String> idle = new ArrayList<>();
    List<Integer> odd = new ArrayList<>();
    int points = 0;
    int total = 0;
    int numbers = 0;
    for (int code = 0; code < counts.length; code++) {
      boolean inPlay = counts[code] > 0;
      total += counts[code];
      String name = level(code);
      if (!Double.isNaN(NumberText.parse(name, false))) {
        numbers += counts[code];
        points += inPlay && name.indexOf('.') >= 0 ? 1 : 0;
        if (inPlay && NumberText.looksLikeCode(name)) {
          return false;
        }
        continue;
      }
      if (!Double.isNaN(NumberText.parse(name, true))) {
        numbers += counts[code];
        mended.put(name, name.strip().replace(',', '.'));
      } else {
        // Rows set aside are read as well: their words would be no numbers either.
        (inPlay ? words : idle).add(name);
      }
      if (inPlay) {
        odd.add(code);
      }
      if (words.size() > MOST_SLIPS || mended.size() > MOST_LEVELS) {
        return false;
      }
    }
    if (total == 0 || numbers < MOSTLY * total || odd.isEmpty()) {
      return false;
    }
    List<Step> steps = new ArrayList<>();
    if (!mended.isEmpty()) {
      steps.add(new Relabel(column.name(), mended, false));
    }
    List<String> none = Stream.concat(words.stream(), idle.stream()).toList();
    if (!none.isEmpty()) {
      steps.add(new Missing(List.of(column.name()), none, false));
    }
    steps.add(new Kind(column.name(), Kind.As.NUMBER, false));
    String said =
        words.isEmpty()
            ? points > 0
                ? " mixes decimal commas with decimal points."
                : " holds numbers with a decimal comma."
            : " holds numbers, but for "
                + Numerals.list(words.stream().map(w -> "\u201c" + w + "\u201d").toList())
                + ".";
    notices.add(
        new Notice(
            column.name(),
            column.name() + said,
            rows(odd),
            List.of(
                new Notice.Fix(
                    words.isEmpty() ? "Read all as numbers" : "Read as numbers, those as missing",
                    steps))));
    return true;
  }

  /** Every level is a date: as words they stand in the order in which they came. */
  private boolean dates(List<Notice> notices) {
    for (DateTimeFormatter form : DATES) {
      Map<String, LocalDate> dates = new LinkedHashMap<>();
      for (int code = 0; code < counts.length; code++) {
        LocalDate date = date(level(code), form);
        if (date == null) {
          break;
        }
        dates.put(level(code), date);
      }
      if (dates.size() == counts.length) {
        List<String> order =
            dates.entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .toList();
        if (column.ordered() && order.equals(column.levels())) {
          return true;
        }
        notices.add(
            new Notice(
                column.name(),
                column.name() + " holds dates, which are read as names.",
                List.of(),
                List.of(
                    new Notice.Fix(
                        "Put them in the order of time",
                        List.of(
                            new Kind(column.name(), Kind.As.ORDERED, false),
                            new Order(column.name(), order, false))))));
        return true;
      }
    }
    return false;
  }

  private static LocalDate date(String text, DateTimeFormatter form) {
    if (text.chars().filter(Character::isDigit).count() <= YEAR_DIGITS) {
      return null;
    }
    try {
      return LocalDate.parse(text.strip(), form);
    } catch (DateTimeParseException e) {
      return null;
    }
  }
}
