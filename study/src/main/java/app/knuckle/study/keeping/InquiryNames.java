package app.knuckle.study.keeping;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Nearest;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What the inquiries of a study are called where each must be told from the others. Two may have
 * one name: it is then said with the table, and the place among the inquiries of that table, as in
 * {@code Growth (rack-trial, 2)}.
 *
 * @param names one an inquiry, in the order of the study
 * @param bare the names as their users gave them
 */
public record InquiryNames(List<String> names, List<String> bare) {

  public InquiryNames {
    names = List.copyOf(names);
    bare = List.copyOf(bare);
  }

  /**
   * The names of inquiries.
   *
   * @param bare as their users gave them, in the order of the study
   * @param tables the table of each
   * @return their names
   */
  public static InquiryNames of(List<String> bare, List<String> tables) {
    List<String> names = new ArrayList<>(bare);
    boolean[] told = new boolean[bare.size()];
    boolean again = true;
    while (again) {
      // A name that a user gave may be what distinguishes another.
      List<String> before = List.copyOf(names);
      again = false;
      for (int i = 0; i < bare.size(); i++) {
        if (!told[i] && Collections.frequency(before, before.get(i)) > 1) {
          String table = tables.get(i);
          long place = tables.subList(0, i + 1).stream().filter(table::equals).count();
          names.set(i, "%s (%s, %d)".formatted(bare.get(i), table, place));
          told[i] = true;
          again = true;
        }
      }
    }
    return new InquiryNames(names, bare);
  }

  /**
   * The names of a study's inquiries.
   *
   * @param study any
   * @return their names
   */
  public static InquiryNames of(Study study) {
    return of(
        study.asked().stream().map(a -> a.inquiry().name()).toList(),
        study.asked().stream().map(Study.Asked::table).toList());
  }

  /**
   * The inquiry of a name.
   *
   * @param name as these are
   * @param study what the study is called, for a refusal
   * @return its place
   * @throws Refused if there is none of that name, or several
   */
  public int place(String name, String study) {
    int place = names.indexOf(name);
    if (place >= 0) {
      return place;
    }
    List<String> same =
        IntStream.range(0, bare.size())
            .filter(i -> bare.get(i).equals(name))
            .mapToObj(names::get)
            .toList();
    if (!same.isEmpty()) {
      throw Refused.at(
          new Place.WholeFile(study),
          "there are " + same.size() + " inquiries named '" + name + "'",
          "Say which: '" + String.join("' or '", same) + "'");
    }
    throw Refused.at(
        new Place.WholeFile(study),
        "there is no inquiry '" + name + "'",
        Nearest.suggestion(name, names));
  }
}
