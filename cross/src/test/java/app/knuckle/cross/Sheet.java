package app.knuckle.cross;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;

/**
 * Records: names by their place among the levels (-1 for none), and numbers (NaN for none).
 *
 * @param rows how many
 * @param levels of each column of names
 * @param codes of each column of names
 * @param numbers of each other column
 * @param ordered columns whose levels rise
 */
record Sheet(
    int rows,
    Map<String, List<String>> levels,
    Map<String, int[]> codes,
    Map<String, double[]> numbers,
    List<String> ordered) {

  Table table() {
    List<Column> columns = new ArrayList<>();
    codes.forEach(
        (name, own) ->
            columns.add(new Categories(name, "", own, levels.get(name), ordered.contains(name))));
    numbers.forEach((name, own) -> columns.add(new Numbers(name, "mm", own)));
    return new Table("tray", "tray.csv", columns, "");
  }

  Sheet shuffled(Random random) {
    List<Integer> order = new ArrayList<>(IntStream.range(0, rows).boxed().toList());
    Collections.shuffle(order, random);
    Map<String, int[]> turned = new LinkedHashMap<>();
    codes.forEach((n, c) -> turned.put(n, order.stream().mapToInt(r -> c[r]).toArray()));
    Map<String, double[]> values = new LinkedHashMap<>();
    numbers.forEach((n, v) -> values.put(n, order.stream().mapToDouble(r -> v[r]).toArray()));
    return new Sheet(rows, levels, turned, values, ordered);
  }

  /** The same with other numbers in one column. */
  Sheet with(String column, DoubleUnaryOperator rule) {
    Map<String, double[]> values = new LinkedHashMap<>(numbers);
    values.put(column, Arrays.stream(numbers.get(column)).map(rule).toArray());
    return new Sheet(rows, levels, codes, values, ordered);
  }

  /** Before every name of a level, so that their order is the same. */
  static final String OTHER = "ex-";

  Sheet renamed() {
    Map<String, List<String>> names = new LinkedHashMap<>();
    levels.forEach((n, own) -> names.put(n, own.stream().map(l -> OTHER + l).toList()));
    return new Sheet(rows, names, codes, numbers, ordered);
  }

  /** The levels of a column in the opposite order. */
  Sheet reversed(String column) {
    Map<String, List<String>> names = new LinkedHashMap<>(levels);
    List<String> own = new ArrayList<>(levels.get(column));
    Collections.reverse(own);
    names.put(column, own);
    Map<String, int[]> turned = new LinkedHashMap<>(codes);
    turned.put(
        column,
        Arrays.stream(codes.get(column)).map(c -> c < 0 ? c : own.size() - 1 - c).toArray());
    return new Sheet(rows, names, turned, numbers, ordered);
  }

  @Override
  public String toString() {
    StringBuilder text = new StringBuilder();
    text.append(String.join(",", codes.keySet())).append(",");
    text.append(String.join(",", numbers.keySet())).append("\n");
    for (int r = 0; r < rows; r++) {
      List<String> cells = new ArrayList<>();
      for (String name : codes.keySet()) {
        int code = codes.get(name)[r];
        cells.add(code < 0 ? "" : levels.get(name).get(code));
      }
      for (double[] own : numbers.values()) {
        cells.add(Double.isNaN(own[r]) ? "" : String.valueOf(own[r]));
      }
      text.append(String.join(",", cells)).append("\n");
    }
    return text.toString();
  }
}
