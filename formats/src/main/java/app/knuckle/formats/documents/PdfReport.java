package app.knuckle.formats.documents;

import app.knuckle.figures.export.PdfExport;
import app.knuckle.figures.export.PdfType;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.Paper;
import app.knuckle.study.words.Prose;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.util.Matrix;

/**
 * Writes a page as PDF: embedded type that can be selected, headings as bookmarks, heads of tables
 * repeated, pages numbered, and tagged, so that it can be read to who does not see it.
 */
public final class PdfReport {

  private static final float MARGIN = (float) Paper.MARGIN;
  private static final float BODY = 10.5f;
  private static final float SMALL = 9f;

  /** Line to line, in sizes of the type. */
  private static final float LEADING = 1.4f;

  private static final float CELL_GAP = 10;

  /** How far an upright letter leans that stands for an italic one, which is not shipped. */
  private static final float SLANT = 0.2f;

  /** In place of the time, so that the same page is the same file. */
  private static final long DOCUMENT = 1;

  /** What is shown for a letter that the type does not have. */
  private static final String UNKNOWN = "?";

  private final PDDocument document;
  private final PDRectangle paper;

  /** Between the margins. */
  private final float room;

  private final PDFont regular;
  private final PDFont strong;
  private final Map<PDFont, Map<String, Boolean>> known = new HashMap<>();
  private final PDDocumentOutline outline = new PDDocumentOutline();
  private final PdfTags tags;
  private PDPageContentStream content;
  private PDPage page;
  private float y;

  private PdfReport(PDDocument document, Paper paper) throws IOException {
    this.document = document;
    this.paper = new PDRectangle((float) paper.width(), (float) paper.height());
    tags = new PdfTags(document);
    room = this.paper.getWidth() - 2 * MARGIN;
    regular = font("SourceSerif4_400Regular.ttf");
    strong = font("SourceSerif4_600SemiBold.ttf");
  }

  private PDFont font(String file) throws IOException {
    try (InputStream in = Type.class.getResourceAsStream("/app/knuckle/figures/fonts/" + file)) {
      return PdfType.load(document, in);
    }
  }

  /**
   * Writes the page.
   *
   * @param page to write
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void write(Page page, OutputStream out) throws IOException {
    try (PDDocument document = new PDDocument()) {
      document.setDocumentId(DOCUMENT);
      document.getDocumentInformation().setTitle(page.title());
      document.getDocumentCatalog().setLanguage("en");
      PdfReport report = new PdfReport(document, page.paper());
      document.getDocumentCatalog().setDocumentOutline(report.outline);
      report.turn();
      int tables = 0;
      int figures = 0;
      for (Block block : page.blocks()) {
        if (block instanceof Block.Heading heading) {
          report.heading(heading);
        } else if (block instanceof Block.Paragraph paragraph) {
          report.paragraph(paragraph.runs());
        } else if (block instanceof Block.Table table) {
          report.table(table, ++tables);
        } else if (block instanceof Block.Figure own) {
          report.figure(own, ++figures);
        }
      }
      report.content.close();
      report.number();
      report.tags.end();
      document.save(out);
    }
  }

  private void turn() throws IOException {
    if (content != null) {
      content.close();
    }
    page = new PDPage(paper);
    document.addPage(page);
    content = new PDPageContentStream(document, page);
    tags.turn(page, content);
    y = paper.getHeight() - MARGIN;
  }

  private void need(float room) throws IOException {
    if (y - room < MARGIN) {
      turn();
    }
  }

  private void heading(Block.Heading heading) throws IOException {
    float size = heading.level() == 1 ? 16 : heading.level() == 2 ? 12.5f : 11f;
    need(4 * size * LEADING);
    y -= heading.level() == 1 ? 0 : 6;
    PDPageXYZDestination place = new PDPageXYZDestination();
    place.setPage(page);
    place.setTop((int) y);
    PDOutlineItem mark = new PDOutlineItem();
    mark.setTitle(heading.text());
    mark.setDestination(place);
    outline.addLast(mark);
    tags.openHeading(heading.level());
    lines(List.of(new Block.Paragraph.Run(heading.text(), false)), strong, size);
    tags.close();
    y -= 6;
  }

  private void paragraph(List<Block.Paragraph.Run> runs) throws IOException {
    tags.open(StandardStructureTypes.P);
    lines(runs, regular, BODY);
    tags.close();
    y -= 8;
  }

  /** A word with the blank before it, as it stands in a line. */
  private record Word(String text, boolean italic, boolean blank) {}

  private void lines(List<Block.Paragraph.Run> runs, PDFont font, float size) throws IOException {
    List<Word> line = new ArrayList<>();
    float wide = 0;
    float blank = width(" ", font, size);
    for (List<Word> close : unbreakable(words(runs))) {
      float own = 0;
      for (Word word : close) {
        own += width(word.text(), font, size);
      }
      float before = line.isEmpty() ? 0 : blank;
      if (wide + before + own > room && !line.isEmpty()) {
        line(line, font, size);
        line.clear();
        wide = 0;
        before = 0;
      }
      line.addAll(close);
      wide += before + own;
    }
    if (!line.isEmpty()) {
      line(line, font, size);
    }
  }

  /** Words that no line ends between: all but the first of each have no blank before them. */
  private static List<List<Word>> unbreakable(List<Word> words) {
    List<List<Word>> all = new ArrayList<>();
    for (Word word : words) {
      if (word.blank() || all.isEmpty()) {
        all.add(new ArrayList<>());
      }
      all.get(all.size() - 1).add(word);
    }
    return all;
  }

  private List<Word> words(List<Block.Paragraph.Run> runs) {
    List<Word> words = new ArrayList<>();
    boolean blank = false;
    for (Block.Paragraph.Run run : runs) {
      // Small statements hold together: no line ends inside "p < .001".
      String text = Prose.unbroken(run.text());
      for (String part : text.split("(?<= )|(?= )")) {
        if (part.equals(" ")) {
          blank = true;
        } else if (!part.isEmpty()) {
          words.add(new Word(part.replace('\u00a0', ' '), run.italic(), blank || words.isEmpty()));
          blank = false;
        }
      }
    }
    return words;
  }

  private void line(List<Word> words, PDFont font, float size) throws IOException {
    need(size * LEADING);
    y -= size;
    tags.draw(
        () -> {
          float x = MARGIN;
          int from = 0;
          for (int w = 1; w <= words.size(); w++) {
            boolean leans = words.get(from).italic();
            if (w == words.size() || words.get(w).italic() != leans) {
              String text = together(words, from, w);
              text(text, x, y, font, size, leans);
              x += width(text, font, size);
              from = w;
            }
          }
        });
    y -= size * (LEADING - 1);
  }

  /** Words of one line, with the blanks before them; whoever has it read hears words apart. */
  private static String together(List<Word> words, int from, int to) {
    StringBuilder text = new StringBuilder();
    for (int w = from; w < to; w++) {
      text.append(words.get(w).blank() && w > 0 ? " " : "").append(words.get(w).text());
    }
    return text.append(to == words.size() ? " " : "").toString();
  }

  private void text(String text, float x, float at, PDFont font, float size, boolean italic)
      throws IOException {
    content.beginText();
    content.setFont(font, size);
    content.setTextMatrix(new Matrix(1, 0, italic ? SLANT : 0, 1, x, at));
    content.showText(shown(text, font));
    content.endText();
  }

  private float width(String text, PDFont font, float size) throws IOException {
    return font.getStringWidth(shown(text, font)) / 1000 * size;
  }

  /** The text with what the type does not have, and what is no letter, replaced. */
  private String shown(String text, PDFont font) {
    StringBuilder shown = new StringBuilder();
    text.codePoints()
        .mapToObj(Character::toString)
        .forEach(
            letter ->
                shown.append(
                    known
                            .computeIfAbsent(font, f -> new HashMap<>())
                            .computeIfAbsent(letter, l -> has(font, l))
                        ? letter
                        : letter.isBlank() ? " " : UNKNOWN));
    return shown.toString();
  }

  private static boolean has(PDFont font, String letter) {
    try {
      font.encode(letter);
      return letter.codePointAt(0) >= ' ';
    } catch (IOException | IllegalArgumentException e) {
      return false;
    }
  }

  private void table(Block.Table table, int number) throws IOException {
    float size = SMALL;
    float[] columns = columns(table, size);
    float all = sum(columns);
    if (all > room) {
      // The names give way first, then the type.
      float others = all - columns[0];
      columns[0] = Math.max(Math.min(columns[0], 120), room - others);
      while (sum(columns) > room && size > 5) {
        size -= 0.5f;
        float name = columns[0];
        columns = columns(table, size);
        columns[0] = Math.min(columns[0], name);
      }
    }
    float stretch = Math.max(0, room - sum(columns)) / columns.length;
    for (int c = 0; c < columns.length; c++) {
      columns[c] += Math.min(stretch, 40);
    }
    need(6 * size * LEADING);
    String caption = "Table " + number + ". " + table.caption();
    tags.open(StandardStructureTypes.TABLE);
    tags.open(StandardStructureTypes.CAPTION);
    lines(List.of(new Block.Paragraph.Run(caption, false)), strong, BODY);
    tags.close();
    y -= 3;
    heads(table, columns, size, false);
    for (List<String> row : table.rows()) {
      if (y - size * LEADING < MARGIN) {
        rule(columns);
        turn();
        heads(table, columns, size, true);
      }
      row(row, columns, regular, size, false);
    }
    rule(columns);
    tags.close();
    y -= 4;
    if (!table.note().isEmpty()) {
      tags.open(StandardStructureTypes.P);
      lines(new Block.Paragraph(table.part(), table.note()).runs(), regular, SMALL);
      tags.close();
    }
    y -= 12;
  }

  /** The heads; those that are repeated on a new page are not read again. */
  private void heads(Block.Table table, float[] columns, float size, boolean again)
      throws IOException {
    rule(columns);
    if (again) {
      tags.decorate(() -> cells(table.heads(), columns, strong, size, (c, draw) -> draw.draw()));
    } else {
      row(table.heads(), columns, strong, size, true);
    }
    rule(columns);
    y -= 2;
  }

  private float[] columns(Block.Table table, float size) throws IOException {
    float[] columns = new float[table.heads().size()];
    for (int c = 0; c < columns.length; c++) {
      columns[c] = width(table.heads().get(c), strong, size);
      for (List<String> row : table.rows()) {
        columns[c] = Math.max(columns[c], width(row.get(c), regular, size));
      }
      columns[c] += CELL_GAP;
    }
    return columns;
  }

  private static float sum(float[] columns) {
    float sum = 0;
    for (float column : columns) {
      sum += column;
    }
    return sum;
  }

  private void rule(float[] columns) throws IOException {
    tags.decorate(
        () -> {
          content.setLineWidth(0.6f);
          content.moveTo(MARGIN, y);
          content.lineTo(MARGIN + Math.min(room, sum(columns)), y);
          content.stroke();
        });
  }

  private void row(List<String> cells, float[] columns, PDFont font, float size, boolean head)
      throws IOException {
    tags.open(StandardStructureTypes.TR);
    cells(
        cells,
        columns,
        font,
        size,
        (c, draw) -> {
          tags.openCell(head, c == 0);
          tags.draw(draw);
          tags.close();
        });
    tags.close();
  }

  /** Draws a cell: tagged, or within what is not read. */
  @FunctionalInterface
  private interface Cell {
    void draw(int column, PdfTags.Drawing drawing) throws IOException;
  }

  private void cells(List<String> cells, float[] columns, PDFont font, float size, Cell drawn)
      throws IOException {
    y -= size * 1.15f;
    float x = MARGIN;
    for (int c = 0; c < columns.length; c++) {
      String cell = cut(cells.get(c), columns[c] - CELL_GAP / 2, font, size);
      float at = c == 0 ? x : x + columns[c] - width(cell, font, size);
      drawn.draw(c, () -> text(cell, at, y, font, size, false));
      x += columns[c];
    }
    y -= size * (LEADING - 1.15f);
  }

  private String cut(String text, float room, PDFont font, float size) throws IOException {
    String cut = text;
    while (cut.length() > 1
        && width(cut + "\u2026", font, size) > room
        && width(cut, font, size) > room) {
      cut = cut.substring(0, cut.length() - 1);
    }
    return cut.length() == text.length() ? text : cut + "\u2026";
  }

  private void figure(Block.Figure own, int number) throws IOException {
    Scene scene = own.picture();
    float scale = (float) Math.min(1, room / scene.width());
    float tall = (float) scene.height() * scale;
    scale = Math.min(scale, scale * (paper.getHeight() - 2 * MARGIN - 60) / Math.max(1, tall));
    tall = (float) scene.height() * scale;
    need(tall + 40);
    PDFormXObject form = PdfExport.form(document, scene);
    float drawn = scale;
    float bottom = y - tall;
    PDRectangle box = new PDRectangle(MARGIN, bottom, (float) scene.width() * scale, tall);
    tags.openFigure(own.caption(), box);
    tags.draw(
        () -> {
          content.saveGraphicsState();
          content.transform(new Matrix(drawn, 0, 0, drawn, MARGIN, bottom));
          content.drawForm(form);
          content.restoreGraphicsState();
        });
    tags.close();
    y -= tall + 6;
    tags.open(StandardStructureTypes.P);
    lines(
        List.of(new Block.Paragraph.Run("Figure " + number + ". " + own.caption(), false)),
        regular,
        SMALL);
    tags.close();
    y -= 10;
  }

  private void number() throws IOException {
    int all = document.getNumberOfPages();
    for (int p = 0; p < all; p++) {
      try (PDPageContentStream foot =
          new PDPageContentStream(
              document, document.getPage(p), PDPageContentStream.AppendMode.APPEND, true, true)) {
        String text = (p + 1) + " / " + all;
        foot.beginMarkedContent(PdfTags.ARTIFACT);
        foot.beginText();
        foot.setFont(regular, SMALL);
        foot.newLineAtOffset((paper.getWidth() - width(text, regular, SMALL)) / 2, MARGIN / 2);
        foot.showText(text);
        foot.endText();
        foot.endMarkedContent();
      }
    }
  }
}
