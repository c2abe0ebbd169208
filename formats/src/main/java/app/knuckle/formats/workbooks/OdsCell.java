package app.knuckle.formats.workbooks;

import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * A cell of an OpenDocument sheet as text: a number in full digits, a day as the ISO writes it.
 *
 * @see "OASIS (2021). Open Document Format, version 1.3, part 3, section 19.385, office:value-type"
 */
final class OdsCell {

  private static final Pattern ERROR = Pattern.compile("#[^ ]*[!?]|#N/A|Err:\\d+");
  private static final Pattern MIDNIGHT = Pattern.compile("T00:00(:00(\\.0*)?)?$");

  private OdsCell() {}

  static boolean isError(String text) {
    return ERROR.matcher(text).matches();
  }

  /**
   * Reads a cell to its end.
   *
   * @param xml at the start of a cell
   * @param counts whether the text of its paragraphs is wanted
   * @return its text; null for a formula whose value was not stored
   */
  static String text(XMLStreamReader xml, boolean counts) throws XMLStreamException {
    String type = attribute(xml, "value-type");
    boolean formula = attribute(xml, "formula") != null;
    String value =
        type == null
            ? null
            : switch (type) {
              case "float", "percentage", "currency" -> number(attribute(xml, "value"));
              case "date" -> day(attribute(xml, "date-value"));
              case "boolean" -> attribute(xml, "boolean-value");
              case "string" -> attribute(xml, "string-value");
              default -> null;
            };
    String paragraphs = paragraphs(xml, counts);
    String text = value == null ? paragraphs : value;
    return formula && type == null && text.isBlank() ? null : text;
  }

  private static String number(String value) {
    double parsed = value == null ? Double.NaN : NumberText.parse(value, false);
    return Double.isFinite(parsed) ? Numbers.text(parsed) : value;
  }

  private static String day(String value) {
    return value == null ? null : MIDNIGHT.matcher(value).replaceFirst("");
  }

  /** The paragraphs of a cell, a line each; notes beside it are none of it. */
  private static String paragraphs(XMLStreamReader xml, boolean counts) throws XMLStreamException {
    StringBuilder text = new StringBuilder();
    int depth = 1;
    int aside = 0;
    boolean any = false;
    while (depth > 0) {
      int event = xml.next();
      if (event == XMLStreamConstants.START_ELEMENT) {
        depth++;
        String name = xml.getLocalName();
        if (aside > 0 || name.equals("annotation") || name.equals("shapes")) {
          aside++;
        } else if (counts) {
          switch (name) {
            case "p", "h" -> {
              text.append(any ? "\n" : "");
              any = true;
            }
            case "s" -> text.append(" ".repeat(blanks(attribute(xml, "c"))));
            case "tab" -> text.append('\t');
            case "line-break" -> text.append('\n');
            default -> {
              // Spans and links hold text like any other.
            }
          }
        }
      } else if (event == XMLStreamConstants.END_ELEMENT) {
        depth--;
        aside = Math.max(0, aside - 1);
      } else if (aside == 0 && any && counts && xml.isCharacters()) {
        text.append(xml.getText());
      }
    }
    return text.toString();
  }

  private static final int MOST_BLANKS = 1_000;

  private static int blanks(String count) {
    try {
      return count == null ? 1 : Math.max(0, Math.min(MOST_BLANKS, Integer.parseInt(count)));
    } catch (NumberFormatException e) {
      return 1;
    }
  }

  /** An attribute by its local name, whatever its namespace; null if it is not there. */
  static String attribute(XMLStreamReader xml, String name) {
    for (int i = 0; i < xml.getAttributeCount(); i++) {
      if (xml.getAttributeLocalName(i).equals(name)) {
        return xml.getAttributeValue(i);
      }
    }
    return null;
  }
}
