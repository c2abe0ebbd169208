package app.knuckle.formats.records;

import de.siegmar.fastcsv.reader.CsvCallbackHandler;
import de.siegmar.fastcsv.reader.RecordType;
import java.util.ArrayList;
import java.util.List;

/**
 * Hands every cell to the table as it is parsed, straight from the parser's buffer: most cells are
 * numbers, for which a text of their own would cost more than reading them.
 */
final class RowHandler extends CsvCallbackHandler<Boolean> {

  private final TableBuilder table;
  private final Slice slice = new Slice();
  private List<String> header = new ArrayList<>();
  private final char delimiter;
  private int above;
  private int fields;
  private boolean empty;

  RowHandler(TableBuilder table, int skip, char delimiter) {
    this.table = table;
    this.delimiter = delimiter;
    above = skip;
  }

  @Override
  protected RecordType getRecordType() {
    return empty ? RecordType.EMPTY : RecordType.DATA;
  }

  @Override
  protected int getFieldCount() {
    return fields;
  }

  @Override
  protected void beginRecord(long line) {
    fields = 0;
    empty = false;
  }

  @Override
  protected void addField(char[] buffer, int offset, int length, boolean quoted) {
    fields++;
    if (header != null) {
      header.add(new String(buffer, offset, length));
    } else {
      if (quoted) {
        table.requireOneRow(slice.over(buffer, offset, length), delimiter);
      }
      table.cell(slice.over(buffer, offset, length));
    }
  }

  @Override
  protected void setComment(char[] buffer, int offset, int length) {
    throw new IllegalStateException("Comments are not read as such");
  }

  @Override
  protected void setEmpty() {
    empty = true;
  }

  @Override
  protected Boolean buildRecord() {
    if (empty) {
      return true;
    }
    if (above > 0) {
      above--;
      header.clear();
      return true;
    }
    if (header != null) {
      table.start(TextReader.unmarked(header));
      header = null;
    } else {
      table.endRow();
    }
    return true;
  }

  /** A stretch of the parser's buffer. */
  private static final class Slice implements CharSequence {
    private char[] buffer;
    private int offset;
    private int length;

    Slice over(char[] chars, int from, int count) {
      buffer = chars;
      offset = from;
      length = count;
      return this;
    }

    @Override
    public int length() {
      return length;
    }

    @Override
    public char charAt(int index) {
      return buffer[offset + index];
    }

    @Override
    public CharSequence subSequence(int start, int end) {
      return toString().subSequence(start, end);
    }

    @Override
    public String toString() {
      return new String(buffer, offset, length);
    }
  }
}
