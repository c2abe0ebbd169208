package app.knuckle.study;

import app.knuckle.study.words.Prose;
import java.util.List;
import java.util.stream.Collectors;

/** Where an input is wrong. */
public sealed interface Place {

  /**
   * The place in words, such as "rack-trial.csv, row 31, growth_mm": the words, without a full
   * stop.
   */
  String words();

  /**
   * A file as a whole.
   *
   * @param file its name
   */
  record WholeFile(String file) implements Place {
    @Override
    public String words() {
      return file;
    }
  }

  /**
   * One cell, or a row when there is no column.
   *
   * @param file the file or table
   * @param row data row of the source, the first is 1
   * @param column name of the column; empty for the whole row
   */
  record Cell(String file, long row, String column) implements Place {
    @Override
    public String words() {
      return file + ", row " + row + (column.isEmpty() ? "" : ", " + Prose.bounded(column));
    }
  }

  /**
   * A column.
   *
   * @param table the table
   * @param column its name
   */
  record WholeColumn(String table, String column) implements Place {
    @Override
    public String words() {
      return Prose.bounded(table) + ", " + Prose.bounded(column);
    }
  }

  /**
   * A key of a JSON file.
   *
   * @param file what to call it: "inquiry", "study.json"
   * @param path the keys from the outermost inward
   */
  record Key(String file, List<String> path) implements Place {
    @Override
    public String words() {
      return file + ", " + path.stream().map(Prose::bounded).collect(Collectors.joining(" / "));
    }
  }
}
