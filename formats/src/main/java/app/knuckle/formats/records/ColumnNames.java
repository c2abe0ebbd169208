package app.knuckle.formats.records;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/** Names for columns: never empty, never twice the same. */
final class ColumnNames {

  private ColumnNames() {}

  static List<String> of(List<String> header) {
    List<String> names = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    for (int c = 0; c < header.size(); c++) {
      String bare = header.get(c).strip();
      String base = bare.isEmpty() ? "column " + (c + 1) : bare;
      String name = base;
      for (int copy = 2; !taken.add(name); copy++) {
        name = base + " (" + copy + ")";
      }
      names.add(name);
    }
    return names;
  }

  static List<String> numbered(int columns) {
    return IntStream.rangeClosed(1, columns).mapToObj(c -> "column " + c).toList();
  }
}
