package app.knuckle.formats.workbooks;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Set;
import java.util.Spliterator;
import java.util.Spliterators;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * A workbook in OpenDocument, .ods, read row by row from its XML: a sheet of any length needs no
 * more memory than one row.
 *
 * @see "OASIS (2021). Open Document Format for Office Applications, version 1.3, part 3, section 9"
 */
public final class OdsBook implements Book {

  private static final String CONTENT = "content.xml";

  /** The widest sheets that spreadsheets have. */
  private static final int MOST_COLUMNS = 16_384;

  /** Four times the longest sheets that spreadsheets have. */
  private static final int MOST_ROWS = 4 << 20;

  private final Path file;
  private final ZipFile zip;
  private final List<String> sheets = new ArrayList<>();
  private final Set<String> hidden = new HashSet<>();

  /**
   * Opens a workbook.
   *
   * @param file an .ods file
   * @throws IOException if it cannot be read
   */
  public OdsBook(Path file) throws IOException {
    this.file = file;
    zip = new ZipFile(file.toFile());
    list();
  }

  /** Names of the sheets; a sheet is hidden by its style. */
  private void list() throws IOException {
    Set<String> hiding = new HashSet<>();
    String style = "";
    try {
      XMLStreamReader xml = open();
      while (xml.hasNext()) {
        if (xml.next() != XMLStreamConstants.START_ELEMENT) {
          continue;
        }
        switch (xml.getLocalName()) {
          case "style" -> style = OdsCell.attribute(xml, "name");
          case "table-properties" -> {
            if ("false".equals(OdsCell.attribute(xml, "display"))) {
              hiding.add(style);
            }
          }
          case "table" -> {
            String name = OdsCell.attribute(xml, "name");
            if (name != null) {
              sheets.add(name);
              if (hiding.contains(OdsCell.attribute(xml, "style-name"))) {
                hidden.add(name);
              }
            }
          }
          default -> {
            // Cells are read when their sheet is asked for.
          }
        }
      }
    } catch (XMLStreamException e) {
      throw new IOException(e);
    }
  }

  private XMLStreamReader open() throws IOException, XMLStreamException {
    ZipEntry content = zip.getEntry(CONTENT);
    if (content == null) {
      throw new IOException("There is no " + CONTENT);
    }
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    return factory.createXMLStreamReader(new BufferedInputStream(zip.getInputStream(content)));
  }

  /** An attribute by its local name: prefixes are of the writer's choice. */
  @Override
  public List<String> sheets() {
    return List.copyOf(sheets);
  }

  @Override
  public boolean isVisible(String sheet) {
    return !hidden.contains(sheet);
  }

  @Override
  public Stream<Row> rows(String name) throws IOException {
    try {
      Rows rows = new Rows(name);
      return StreamSupport.stream(
          Spliterators.spliteratorUnknownSize(rows, Spliterator.ORDERED), false);
    } catch (XMLStreamException e) {
      throw new IOException(e);
    }
  }

  /** The rows of a sheet, those that hold nothing left out. */
  private final class Rows implements Iterator<Row> {
    private final XMLStreamReader xml;
    private int number;
    private int left;
    private Row row;

    Rows(String sheet) throws IOException, XMLStreamException {
      xml = open();
      while (xml.hasNext()) {
        if (xml.next() == XMLStreamConstants.START_ELEMENT
            && xml.getLocalName().equals("table")
            && sheet.equals(OdsCell.attribute(xml, "name"))) {
          break;
        }
      }
      advance();
    }

    @Override
    public boolean hasNext() {
      return row != null;
    }

    @Override
    public Row next() {
      if (row == null) {
        throw new NoSuchElementException();
      }
      Row now = row;
      if (--left > 0) {
        row = new Row(now.number() + 1, now.cells(), now.errors(), now.unvalued());
      } else {
        try {
          advance();
        } catch (XMLStreamException e) {
          throw new UncheckedIOException(new IOException(e));
        }
      }
      return now;
    }

    /** Goes to the next row that holds something. */
    private void advance() throws XMLStreamException {
      row = null;
      while (row == null && xml.hasNext()) {
        int event = xml.next();
        if (event == XMLStreamConstants.END_ELEMENT && xml.getLocalName().equals("table")) {
          return;
        }
        if (event == XMLStreamConstants.START_ELEMENT && xml.getLocalName().equals("table-row")) {
          int first = number + 1;
          int times = repeated("number-rows-repeated");
          Row found = new OdsRow(xml, first).read();
          number += times;
          if (!found.isBlank() || found.errors() > 0) {
            if (number > MOST_ROWS) {
              throw tooLarge("more than " + MOST_ROWS + " rows");
            }
            row = found;
            left = times;
          }
        }
      }
    }

    private int repeated(String attribute) {
      return OdsBook.this.repeated(xml, attribute);
    }
  }

  private int repeated(XMLStreamReader xml, String attribute) {
    String text = OdsCell.attribute(xml, attribute);
    if (text == null) {
      return 1;
    }
    try {
      return Math.max(1, Integer.parseInt(text.strip()));
    } catch (NumberFormatException e) {
      throw tooLarge("a row or cell that is repeated '" + text + "' times");
    }
  }

  private Refused tooLarge(String what) {
    return Refused.at(
        new Place.WholeFile(file.getFileName().toString()),
        "a sheet has " + what,
        "Save the records alone as a workbook of their own");
  }

  /** One row, at whose start the reader stands. */
  private final class OdsRow {
    private final XMLStreamReader xml;
    private final int number;
    private final List<String> cells = new ArrayList<>();
    private final List<String> unvalued = new ArrayList<>();
    private int errors;

    OdsRow(XMLStreamReader xml, int number) {
      this.xml = xml;
      this.number = number;
    }

    Row read() throws XMLStreamException {
      int blank = 0;
      while (true) {
        int event = xml.next();
        if (event == XMLStreamConstants.END_ELEMENT && xml.getLocalName().equals("table-row")) {
          return new Row(number, cells, errors, unvalued);
        }
        if (event != XMLStreamConstants.START_ELEMENT) {
          continue;
        }
        boolean covered = xml.getLocalName().equals("covered-table-cell");
        if (!covered && !xml.getLocalName().equals("table-cell")) {
          continue;
        }
        int times = repeated(xml, "number-columns-repeated");
        String cell = OdsCell.text(xml, !covered);
        boolean formula = cell == null;
        boolean error = !formula && OdsCell.isError(cell);
        String text = formula || error || covered ? "" : cell;
        if (text.isBlank() && !formula && !error) {
          blank = Math.min(MOST_COLUMNS, blank + times);
          continue;
        }
        if (cells.size() + blank + (long) times > MOST_COLUMNS) {
          throw tooLarge("more than " + MOST_COLUMNS + " columns");
        }
        for (; blank > 0; blank--) {
          cells.add("");
        }
        for (int i = 0; i < times; i++) {
          errors += error ? 1 : 0;
          if (formula) {
            unvalued.add(Area.name(cells.size()) + number);
          }
          cells.add(text);
        }
      }
    }
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }
}
