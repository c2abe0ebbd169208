package app.knuckle.formats.documents;

import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;

/**
 * Blocks of a page as others take them from a clipboard.
 *
 * @param html for a word processor or a browser
 * @param rtf for a word processor
 * @param plain with tabs, for a spreadsheet
 */
public record Taken(String html, String rtf, String plain) {

  /**
   * In all three forms; figures are represented by their captions.
   *
   * @param blocks in their order
   * @return the forms
   */
  public static Taken of(List<Block> blocks) {
    Page page = new Page("", blocks);
    try {
      return new Taken(
          HtmlReport.piece(page), RtfReport.text(page), TextReport.plain(page).strip());
    } catch (IOException e) {
      throw new UncheckedIOException("A piece without figures reads no file", e);
    }
  }
}
