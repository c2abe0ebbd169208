package app.knuckle.formats.records;

import de.siegmar.fastcsv.reader.CsvCallbackHandler;
import de.siegmar.fastcsv.reader.RecordType;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/**
 * Hands every cell to the table, straight from the parser's buffer: most cells are numbers, for
 * which a text of their own would cost more than reading them. Rows are read into columns on a
 * thread of their own, some thousand at a time, while the parser goes on.
 */
final class RowHandler extends CsvCallbackHandler<Boolean> implements AutoCloseable {

  private final TableBuilder table;
  private final char delimiter;
  private final ExecutorService columns =
      Executors.newSingleThreadExecutor(
          work -> {
            Thread thread = new Thread(work, "columns");
            thread.setDaemon(true);
            return thread;
          });
  private List<String> header = new ArrayList<>();
  private RowBatch filling = new RowBatch();
  private RowBatch handedOver = new RowBatch();
  private Future<?> reading;
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
      filling.add(buffer, offset, length, quoted);
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
      return true;
    }
    filling.endRow();
    if (filling.isFull()) {
      handOver();
    }
    return true;
  }

  private void handOver() {
    await();
    RowBatch full = filling;
    filling = handedOver;
    handedOver = full;
    reading = columns.submit(() -> full.emptyInto(table, delimiter));
  }

  /**
   * Reads what is still waiting.
   *
   * @throws app.knuckle.study.Refused if a cell or row does not fit
   */
  void finish() {
    await();
    filling.emptyInto(table, delimiter);
  }

  private void await() {
    if (reading == null) {
      return;
    }
    try {
      reading.get();
    } catch (ExecutionException e) {
      throw e.getCause() instanceof RuntimeException own ? own : new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new CancellationException("Reading was interrupted");
    } finally {
      reading = null;
    }
  }

  @Override
  public void close() {
    columns.shutdownNow();
  }
}
