package app.knuckle.desktop.window;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/**
 * What the list of all inquiries says.
 *
 * @param tables with the inquiries that fit the filter
 * @param summary of all, in a sentence
 */
record InquiriesPage(List<OfTable> tables, String summary) {

  /**
   * An inquiry of the study.
   *
   * @param place among all, from 0
   * @param table of its records
   * @param name of the inquiry
   * @param answer null while it is being computed for the first time
   */
  record Asked(int place, String table, String name, Answer answer) {}

  /**
   * The inquiries of a table.
   *
   * @param table its name
   * @param rows one an inquiry
   */
  record OfTable(String table, List<Row> rows) {}

  /**
   * An inquiry in the list.
   *
   * @param place among all, from 0
   * @param name of the inquiry
   * @param design in a few words
   * @param finding in a sentence
   * @param state of the answer
   */
  record Row(int place, String name, String design, String finding, State state) {

    private boolean fits(String table, String word) {
      return Stream.of(table, name, design, finding)
          .anyMatch(text -> text.toLowerCase(Locale.ROOT).contains(word));
    }
  }

  /** How an answer stands. */
  enum State {
    /** It stands. */
    SOUND("stands on sound footing"),
    /** Its footing should be looked at. */
    CAUTION("wait for a look at the footing"),
    /** There is none yet. */
    WAITING("no answer yet");

    private final String words;

    State(String words) {
      this.words = words;
    }

    String words() {
      return words;
    }
  }

  /**
   * The list.
   *
   * @param all the inquiries, in their order
   * @param filter words that a row must have in its table, name, design or finding; blank for all
   * @return the page
   */
  static InquiriesPage of(List<Asked> all, String filter) {
    List<String> words = List.of(filter.strip().toLowerCase(Locale.ROOT).split("\\s+"));
    Map<String, List<Row>> tables = new LinkedHashMap<>();
    int[] states = new int[State.values().length];
    for (Asked one : all) {
      Row row = row(one);
      states[row.state().ordinal()]++;
      if (words.stream().allMatch(word -> row.fits(one.table(), word))) {
        tables.computeIfAbsent(one.table(), t -> new ArrayList<>()).add(row);
      }
    }
    long many = all.stream().map(Asked::table).distinct().count();
    return new InquiriesPage(
        tables.entrySet().stream().map(e -> new OfTable(e.getKey(), e.getValue())).toList(),
        Numerals.count(all.size(), "inquiry", "inquiries")
            + " on "
            + Numerals.count(many, "table", "tables")
            + state(states[State.CAUTION.ordinal()], "waits", "wait", " for a look at the footing")
            + state(states[State.WAITING.ordinal()], "has", "have", " no answer yet")
            + ".");
  }

  private static String state(int count, String one, String several, String what) {
    return count == 0 ? "" : "; " + count + " " + (count == 1 ? one : several) + what;
  }

  private static Row row(Asked one) {
    FindingLine line = FindingLine.of(one.answer());
    String design =
        one.answer() == null || one.answer().findings() == null
            ? ""
            : link(one.answer(), Joint.LAYOUT).words();
    State state =
        !line.isFound()
            ? State.WAITING
            : link(one.answer(), Joint.FOOTING).state() == Line.State.CAUTION
                    || !line.cautions().isEmpty()
                ? State.CAUTION
                : State.SOUND;
    return new Row(one.place(), one.name(), design, line.sentence(), state);
  }

  private static Line link(Answer answer, Joint joint) {
    return ChainPage.of(answer).links().get(joint.ordinal()).line();
  }
}
