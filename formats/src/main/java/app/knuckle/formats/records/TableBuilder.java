package app.knuckle.formats.records;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.ObjIntConsumer;
import java.util.stream.IntStream;

/**
 * Makes a table from rows of text cells.
 *
 * <p>Every column starts as numbers. One that meets a word is read as categories in another pass
 * over the file, so that no text need be kept for columns that hold numbers only.
 */
final class TableBuilder {

  /** Rows of a wrong length named in a message; more of them say nothing new. */
  private static final int NAMED = 5;

  /** As many as a cell of a spreadsheet holds. */
  private static final int MOST_LETTERS = 32_767;

  /** Wider sheets are surely read with the wrong delimiter, or no table at all. */
  private static final int MOST_COLUMNS = 10_000;

  private final Path file;
  private final FileForm form;
  private final Set<Integer> words = new HashSet<>();
  private final List<Long> ragged = new ArrayList<>();
  private final List<ColumnBuilder> columns = new ArrayList<>();
  private long raggedRows;
  private int raggedCells;
  private long rows;
  private boolean again;
  private String renamed = "";

  TableBuilder(Path file, FileForm form) {
    this.file = file;
    this.form = form;
  }

  /** Looks at the first rows for columns of words, which saves most files the second pass. */
  void expect(List<List<String>> firstRows) {
    boolean comma = hasDecimalComma();
    int names = Math.min(form.header() ? 1 : 0, firstRows.size());
    for (List<String> row : firstRows.subList(names, firstRows.size())) {
      for (int c = 0; c < row.size(); c++) {
        if (new ColumnBuilder("", comma, isGrouped(), false, isText()).isWord(row.get(c))) {
          words.add(c);
        }
      }
    }
  }

  private boolean hasDecimalComma() {
    return form instanceof FileForm.Text text && text.decimalComma();
  }

  private boolean isText() {
    return form instanceof FileForm.Text;
  }

  private boolean isGrouped() {
    return form instanceof FileForm.Text text && text.grouped();
  }

  /** Begins a pass with the first row of the file. */
  void start(List<String> first) {
    if (first.size() > MOST_COLUMNS) {
      throw Refused.at(
          new Place.WholeFile(file.getFileName().toString()),
          "the first row has " + Numerals.count(first.size(), "cell", "cells"),
          "Check the delimiter; a table has at most " + Numerals.whole(MOST_COLUMNS) + " columns");
    }
    columns.clear();
    ragged.clear();
    raggedRows = 0;
    rows = 0;
    boolean comma = hasDecimalComma();
    List<String> heads = isText() ? first.stream().map(SpreadsheetText::read).toList() : first;
    List<String> names = form.header() ? ColumnNames.of(heads) : ColumnNames.numbered(first.size());
    boolean odd = form.header() && !names.equals(heads.stream().map(String::strip).toList());
    renamed = odd ? "; heads that were blank or named twice are numbered" : "";
    for (int c = 0; c < names.size(); c++) {
      columns.add(new ColumnBuilder(names.get(c), comma, isGrouped(), words.contains(c), isText()));
    }
    if (!form.header()) {
      add(first);
    }
  }

  /** Adds a row of cells. */
  void add(List<String> cells) {
    for (int c = 0; c < cells.size(); c++) {
      requireRoom(cells.get(c).length(), c);
      if (c < columns.size()) {
        columns.get(c).add(cells.get(c));
      }
    }
    countRow(cells.size(), () -> cells.get(cells.size() - 1).isBlank());
  }

  /** Refuses a quoted cell that holds whole rows, which a stray quotation mark has swallowed. */
  void requireOneRow(CharSequence text, char delimiter) {
    if (StrayQuote.holdsRows(text, delimiter, columns.size())) {
      throw Refused.at(
          new Place.Cell(file.getFileName().toString(), rows + 1, ""),
          "a quotation mark is opened here and swallows the rows after it",
          "Close it there, or read the file without quotation marks (--quote none)");
    }
  }

  /** Refuses a cell of the next row that is longer than any cell should be. */
  void requireRoom(int letters, int place) {
    if (letters > MOST_LETTERS) {
      throw Refused.at(
          new Place.Cell(
              file.getFileName().toString(),
              rows + 1,
              place < columns.size() ? columns.get(place).name() : ""),
          "the cell has " + Numerals.count(letters, "character", "characters"),
          "A cell has " + Numerals.whole(MOST_LETTERS) + " at most: check the quotation marks");
    }
  }

  /** Counts a row. A blank cell too many, which a stray delimiter leaves, does no harm. */
  void countRow(int cells, BooleanSupplier lastIsBlank) {
    rows++;
    int width = columns.size();
    if (cells != width && !(cells == width + 1 && lastIsBlank.getAsBoolean())) {
      if (raggedRows++ == 0) {
        raggedCells = cells;
      }
      if (ragged.size() < NAMED) {
        ragged.add(rows);
      }
    }
  }

  /** Gives every column its cells, side by side. */
  void fill(ObjIntConsumer<ColumnBuilder> cells) {
    IntStream.range(0, columns.size())
        .parallel()
        .forEach(place -> cells.accept(columns.get(place), place));
  }

  /** Ends a pass: refuses rows of a wrong length, and decides whether to read again. */
  void end() {
    String name = file.getFileName().toString();
    if (raggedRows > 0) {
      List<String> named = new ArrayList<>(ragged.stream().map(Numerals::whole).toList());
      if (raggedRows > NAMED) {
        named.add(Numerals.whole(raggedRows - NAMED) + " more");
      }
      throw Refused.at(
          new Place.Cell(name, ragged.get(0), ""),
          "it has "
              + Numerals.count(raggedCells, "cell", "cells")
              + " where "
              + columns.size()
              + " are expected"
              + (raggedRows > 1 ? "; rows of a wrong length: " + Numerals.list(named) : ""),
          "Mend the file there, or check the delimiter");
    }
    if (rows == 0) {
      throw Refused.at(
          new Place.WholeFile(name), "there is no row of records under the header", "Add records");
    }
    again = false;
    for (int c = 0; c < columns.size(); c++) {
      if (columns.get(c).metWord()) {
        words.add(c);
        again = true;
      }
    }
  }

  /** Rows taken so far in this pass. */
  long rows() {
    return rows;
  }

  boolean needsAnotherPass() {
    return again;
  }

  Table table() {
    List<Column> made = columns.stream().map(ColumnBuilder::column).toList();
    String name = file.getFileName().toString();
    Table bare = new Table(RecordsFile.tableName(file), name, made, "");
    return new Table(bare.name(), name, made, TextReader.howRead(bare, form) + renamed);
  }
}
