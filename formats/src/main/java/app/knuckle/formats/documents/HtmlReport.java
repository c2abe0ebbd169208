package app.knuckle.formats.documents;

import static j2html.TagCreator.body;
import static j2html.TagCreator.caption;
import static j2html.TagCreator.document;
import static j2html.TagCreator.each;
import static j2html.TagCreator.figcaption;
import static j2html.TagCreator.figure;
import static j2html.TagCreator.h1;
import static j2html.TagCreator.h2;
import static j2html.TagCreator.h3;
import static j2html.TagCreator.head;
import static j2html.TagCreator.html;
import static j2html.TagCreator.i;
import static j2html.TagCreator.meta;
import static j2html.TagCreator.p;
import static j2html.TagCreator.rawHtml;
import static j2html.TagCreator.style;
import static j2html.TagCreator.table;
import static j2html.TagCreator.tbody;
import static j2html.TagCreator.td;
import static j2html.TagCreator.th;
import static j2html.TagCreator.thead;
import static j2html.TagCreator.title;
import static j2html.TagCreator.tr;

import app.knuckle.figures.export.SvgExport;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import j2html.TagCreator;
import j2html.tags.DomContent;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/**
 * Writes a page as HTML, whole in one file. All text goes through the library, which escapes it.
 */
public final class HtmlReport {

  /**
   * Common typefaces: a figure carries a part of its own under the same name, which must not do.
   */
  private static final String LOOKS =
      """
      body { font: 16px/1.5 Georgia, 'Times New Roman', serif; color: #16323c; background: #fffdf9;
             max-width: 44rem; margin: 3rem auto; padding: 0 1rem; }
      h1 { font-size: 1.5rem; } h2 { font-size: 1.15rem; margin-top: 2rem; }
      table { border-collapse: collapse; font: 14px/1.6 Arial, sans-serif; margin: 1rem 0; }
      caption { text-align: left; font-weight: 600; }
      th, td { text-align: right; padding: 0.15rem 0.9rem; border-bottom: 1px solid #ded7ca; }
      th:first-child, td:first-child { text-align: left; padding-left: 0; }
      thead th { border-bottom-color: #16323c; font-weight: 600; color: #5f7178; }
      figure { margin: 1.5rem 0; } figcaption, .note { color: #5f7178; font-size: 0.9rem; }
      """;

  private HtmlReport() {}

  /**
   * The page as a document.
   *
   * @param page to write
   * @return a whole HTML page
   * @throws IOException if the type of a figure cannot be read
   */
  public static String text(Page page) throws IOException {
    return document(
        html(
                head(meta().withCharset("utf-8"), title(page.title()), style(rawHtml(LOOKS))),
                body(each(parts(page, true), part -> part)))
            .withLang("en"));
  }

  /**
   * The page as a piece of HTML that a word processor takes from the clipboard.
   *
   * @param page to write
   * @return without a figure
   * @throws IOException if the type of a figure cannot be read
   */
  public static String piece(Page page) throws IOException {
    StringBuilder piece = new StringBuilder();
    parts(page, false).forEach(part -> piece.append(part.render()));
    return piece.toString();
  }

  private static List<DomContent> parts(Page page, boolean pictures) throws IOException {
    List<DomContent> parts = new ArrayList<>();
    int tables = 0;
    int figures = 0;
    for (Block block : page.blocks()) {
      if (block instanceof Block.Heading heading) {
        parts.add(headed(heading));
      } else if (block instanceof Block.Paragraph paragraph) {
        parts.add(
            p(
                each(
                    paragraph.runs(),
                    run -> run.italic() ? i(run.text()) : TagCreator.text(run.text()))));
      } else if (block instanceof Block.Table own) {
        parts.add(written(own, ++tables));
        if (!own.note().isEmpty()) {
          parts.add(p(own.note()).withClass("note"));
        }
      } else if (block instanceof Block.Figure own && pictures) {
        String number = "Figure " + ++figures;
        parts.add(
            figure(
                rawHtml(SvgExport.element(own.picture(), number + " ")),
                figcaption(number + ". " + own.caption())));
      }
    }
    return parts;
  }

  private static DomContent headed(Block.Heading heading) {
    return heading.level() == 1
        ? h1(heading.text())
        : heading.level() == 2 ? h2(heading.text()) : h3(heading.text());
  }

  private static DomContent written(Block.Table own, int number) {
    return table(
        caption("Table " + number + ". " + own.caption()),
        thead(tr(each(own.heads(), head -> th(head)))),
        tbody(each(own.rows(), row -> tr(each(row, cell -> td(cell))))));
  }
}
