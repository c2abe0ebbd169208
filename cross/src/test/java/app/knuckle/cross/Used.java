package app.knuckle.cross;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** The rows that are complete in some columns, with the levels that are left among them. */
final class Used {
  final int[] rows;
  private final Sheet sheet;
  private final Map<String, List<String>> levels = new LinkedHashMap<>();
  private final Map<String, int[]> codes = new LinkedHashMap<>();

  Used(Sheet sheet, List<String> names, List<String> numbers) {
    this.sheet = sheet;
    rows =
        IntStream.range(0, sheet.rows())
            .filter(r -> names.stream().allMatch(n -> sheet.codes().get(n)[r] >= 0))
            .filter(r -> numbers.stream().noneMatch(n -> Double.isNaN(sheet.numbers().get(n)[r])))
            .toArray();
    for (String name : names) {
      int[] own = IntStream.of(rows).map(r -> sheet.codes().get(name)[r]).toArray();
      int[] left = IntStream.of(own).distinct().sorted().toArray();
      List<String> kept = new ArrayList<>();
      int[] to = new int[sheet.levels().get(name).size()];
      for (int code : left) {
        to[code] = kept.size();
        kept.add(sheet.levels().get(name).get(code));
      }
      levels.put(name, kept);
      codes.put(name, IntStream.of(own).map(c -> to[c]).toArray());
    }
  }

  int n() {
    return rows.length;
  }

  List<String> levels(String name) {
    return levels.get(name);
  }

  int size(String name) {
    return levels.get(name).size();
  }

  int[] codes(String name) {
    return codes.get(name);
  }

  double[] values(String name) {
    return IntStream.of(rows).mapToDouble(r -> sheet.numbers().get(name)[r]).toArray();
  }

  /** Values by group of one column of names. */
  double[][] groups(String of, double[] values) {
    double[][] groups = new double[size(of)][];
    for (int g = 0; g < groups.length; g++) {
      int own = g;
      groups[g] =
          IntStream.range(0, n())
              .filter(i -> codes(of)[i] == own)
              .mapToDouble(i -> values[i])
              .toArray();
    }
    return groups;
  }

  /** All combinations of levels of some columns, the last running fastest. */
  List<Map<String, String>> combinations(List<String> names) {
    List<Map<String, String>> all = new ArrayList<>(List.of(new LinkedHashMap<>()));
    for (String name : names) {
      List<Map<String, String>> more = new ArrayList<>();
      for (Map<String, String> known : all) {
        for (String level : levels(name)) {
          Map<String, String> one = new LinkedHashMap<>(known);
          one.put(name, level);
          more.add(one);
        }
      }
      all = more;
    }
    return all;
  }
}
