package app.knuckle.study.cells;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Combinations of levels, each by the name of its treatment. */
public final class Combinations {

  private Combinations() {}

  /**
   * Every combination of the levels of some treatments.
   *
   * @param names of the treatments
   * @param levels of each
   * @return the last treatment running fastest; one empty combination of no treatment
   */
  public static List<Map<String, String>> of(
      List<String> names, Function<String, List<String>> levels) {
    return of(Map.of(), names, levels);
  }

  /**
   * The same beside levels that are held fixed.
   *
   * @param fixed levels that each of them has, first
   * @param names of the treatments
   * @param levels of each
   * @return the last treatment running fastest
   */
  public static List<Map<String, String>> of(
      Map<String, String> fixed, List<String> names, Function<String, List<String>> levels) {
    List<Map<String, String>> all = List.of(fixed);
    for (String name : names) {
      List<Map<String, String>> more = new ArrayList<>();
      for (Map<String, String> before : all) {
        for (String level : levels.apply(name)) {
          Map<String, String> with = new LinkedHashMap<>(before);
          with.put(name, level);
          more.add(with);
        }
      }
      all = more;
    }
    return all;
  }
}
