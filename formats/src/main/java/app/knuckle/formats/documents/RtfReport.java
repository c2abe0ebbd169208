package app.knuckle.formats.documents;

import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import java.util.List;

/**
 * Writes a page as Rich Text, which word processors take from the clipboard.
 *
 * @see "Rich Text Format Specification 1.9.1: control words, and \\u for what is not ASCII"
 */
public final class RtfReport {

  /** Twentieths of a point: width of a page's text, shared by the columns of a table. */
  private static final int TEXT_WIDTH = 9000;

  private RtfReport() {}

  /**
   * The page; its figures are represented by their captions.
   *
   * @param page to write
   * @return ASCII text
   */
  public static String text(Page page) {
    StringBuilder rtf = new StringBuilder("{\\rtf1\\ansi\\uc1\\deff0{\\fonttbl{\\f0 Times;}}\n");
    int tables = 0;
    int figures = 0;
    for (Block block : page.blocks()) {
      if (block instanceof Block.Heading heading) {
        rtf.append("\\pard\\sb240\\sa120\\b ").append(escaped(heading.text()));
        rtf.append("\\b0\\par\n");
      } else if (block instanceof Block.Paragraph paragraph) {
        rtf.append("\\pard\\sa120 ");
        for (Block.Paragraph.Run run : paragraph.runs()) {
          rtf.append(run.italic() ? "{\\i " + escaped(run.text()) + "}" : escaped(run.text()));
        }
        rtf.append("\\par\n");
      } else if (block instanceof Block.Table table) {
        table(table, ++tables, rtf);
      } else if (block instanceof Block.Figure figure) {
        rtf.append("\\pard\\sa120 Figure ").append(++figures).append(". ");
        rtf.append(escaped(figure.caption())).append("\\par\n");
      }
    }
    return rtf.append("}").toString();
  }

  private static void table(Block.Table table, int number, StringBuilder rtf) {
    rtf.append("\\pard\\sb120 Table ").append(number).append(". ");
    rtf.append(escaped(table.caption())).append("\\par\n");
    row(table.heads(), true, rtf);
    for (int r = 0; r < table.rows().size(); r++) {
      row(table.rows().get(r), r == table.rows().size() - 1, rtf);
    }
    rtf.append("\\pard\\sa120 ").append(escaped(table.note())).append("\\par\n");
  }

  /** A row; a line stands below the heads and below the last one. */
  private static void row(List<String> cells, boolean line, StringBuilder rtf) {
    rtf.append("\\trowd");
    for (int c = 1; c <= cells.size(); c++) {
      rtf.append(line ? "\\clbrdrb\\brdrs\\brdrw10" : "");
      rtf.append("\\cellx").append(TEXT_WIDTH * c / cells.size());
    }
    for (int c = 0; c < cells.size(); c++) {
      rtf.append("\\pard\\intbl").append(c == 0 ? "\\ql " : "\\qr ");
      rtf.append(escaped(cells.get(c))).append("\\cell");
    }
    rtf.append("\\row\n");
  }

  private static String escaped(String text) {
    StringBuilder safe = new StringBuilder();
    for (char c : text.toCharArray()) {
      if (c == '\\' || c == '{' || c == '}') {
        safe.append('\\').append(c);
      } else if (c >= ' ' && c < 0x7f) {
        safe.append(c);
      } else if (c < ' ') {
        safe.append(' ');
      } else {
        // Signed 16 bits, with what stands in its place where it is not understood.
        safe.append("\\u").append((short) c).append('?');
      }
    }
    return safe.toString();
  }
}
