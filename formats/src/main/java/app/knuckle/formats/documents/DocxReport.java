package app.knuckle.formats.documents;

import app.knuckle.figures.export.PngExport;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import app.knuckle.study.words.Prose;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.math.BigInteger;
import java.time.LocalDateTime;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.poi.common.usermodel.PictureType;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.util.Units;
import org.apache.poi.xwpf.usermodel.ParagraphAlignment;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFPicture;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.apache.poi.xwpf.usermodel.XWPFStyle;
import org.apache.poi.xwpf.usermodel.XWPFStyles;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.apache.poi.xwpf.usermodel.XWPFTableRow;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTFonts;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTPageSz;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTRPr;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTSimpleField;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTStyle;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTTblBorders;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTTblGrid;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTTblWidth;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STBorder;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STStyleType;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STTblWidth;

/**
 * Writes a page as an office document: headings, tables with repeated heads, captions that number
 * themselves, statistics in italics; every look is a style that is changed in one place.
 */
public final class DocxReport {

  private static final String TITLE = "Heading1";
  private static final String SECTION = "Heading2";
  private static final String SUBSECTION = "Heading3";
  private static final List<String> HEADINGS = List.of(TITLE, SECTION, SUBSECTION);

  /** Dots an inch that printers of journals ask for. */
  private static final int DPI = 600;

  private static final String BODY = "BodyText";
  private static final String CAPTION = "Caption";
  private static final String CELL = "TableText";
  private static final String NOTE = "TableNote";

  /** The same page gives the same bytes: no time of writing stands in it. */
  private static final Date NO_TIME = new Date(0);

  /** What the first column takes of a table, per cent, where there are few others. */
  private static final double NAMES = 34;

  /** The same where there are many. */
  private static final double NAMES_AMONG_MANY = 20;

  /** More columns than this are many. */
  private static final int FEW_COLUMNS = 5;

  /** More columns than this are set smaller, so that no head breaks within a word. */
  private static final int MANY_COLUMNS = 8;

  private static final double SMALL = 8;

  /** Left free beside the words of a cell where columns are many, in twentieths of a point. */
  private static final int NARROW_MARGIN = 40;

  /** Between the margins of a page, in twentieths of a point. */
  private static final double TABLE_TWIPS = 9000;

  private static final int TWIPS_PER_POINT = 20;

  private final XWPFDocument document = new XWPFDocument();

  private DocxReport() {}

  /**
   * Writes the page.
   *
   * @param page to write
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void write(Page page, OutputStream out) throws IOException {
    DocxReport report = new DocxReport();
    try (XWPFDocument document = report.document) {
      report.styles();
      document.getProperties().getCoreProperties().setTitle(Prose.visible(page.title()));
      document.getProperties().getCoreProperties().setCreated(Optional.of(NO_TIME));
      document.getProperties().getCoreProperties().setModified(Optional.of(NO_TIME));
      for (Block block : page.blocks()) {
        report.add(block);
      }
      CTPageSz sheet = document.getDocument().getBody().addNewSectPr().addNewPgSz();
      sheet.setW(Math.round(page.paper().width() * TWIPS_PER_POINT));
      sheet.setH(Math.round(page.paper().height() * TWIPS_PER_POINT));
      ByteArrayOutputStream parts = new ByteArrayOutputStream();
      document.write(parts);
      withoutTimes(parts.toByteArray(), out);
    }
  }

  /** The parts are written with the time of writing; the same page shall give the same bytes. */
  private static void withoutTimes(byte[] parts, OutputStream out) throws IOException {
    ZipOutputStream zip = new ZipOutputStream(out);
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(parts))) {
      for (ZipEntry part = in.getNextEntry(); part != null; part = in.getNextEntry()) {
        ZipEntry timeless = new ZipEntry(part.getName());
        timeless.setTimeLocal(FIRST_TIME);
        zip.putNextEntry(timeless);
        in.transferTo(zip);
        zip.closeEntry();
      }
    }
    zip.finish();
  }

  /** The earliest that a zip can say. */
  private static final LocalDateTime FIRST_TIME = LocalDateTime.of(1980, 1, 1, 0, 0);

  private void add(Block block) throws IOException {
    if (block instanceof Block.Heading heading) {
      paragraph(HEADINGS.get(Math.min(3, heading.level()) - 1)).createRun().setText(heading.text());
    } else if (block instanceof Block.Paragraph own) {
      XWPFParagraph paragraph = paragraph(BODY);
      for (Block.Paragraph.Run run : own.runs()) {
        XWPFRun set = paragraph.createRun();
        set.setText(Prose.unbroken(run.text()));
        set.setItalic(run.italic());
      }
    } else if (block instanceof Block.Table table) {
      table(table);
    } else if (block instanceof Block.Figure figure) {
      figure(figure);
    }
  }

  private XWPFParagraph paragraph(String style) {
    XWPFParagraph paragraph = document.createParagraph();
    paragraph.setStyle(style);
    return paragraph;
  }

  private void table(Block.Table own) {
    XWPFParagraph caption = paragraph(CAPTION);
    caption.setKeepNext(true);
    numbered(caption, "Table", own.caption());
    XWPFTable table = document.createTable(own.rows().size() + 1, own.heads().size());
    table.setWidth("100%");
    CTTblBorders borders =
        table.getCTTbl().getTblPr().isSetTblBorders()
            ? table.getCTTbl().getTblPr().getTblBorders()
            : table.getCTTbl().getTblPr().addNewTblBorders();
    borders.addNewTop().setVal(STBorder.SINGLE);
    borders.addNewBottom().setVal(STBorder.SINGLE);
    borders.addNewInsideH().setVal(STBorder.NIL);
    borders.addNewInsideV().setVal(STBorder.NIL);
    borders.addNewLeft().setVal(STBorder.NIL);
    borders.addNewRight().setVal(STBorder.NIL);
    CTTblGrid grid = table.getCTTbl().getTblGrid();
    if (grid == null) {
      grid = table.getCTTbl().addNewTblGrid();
    }
    while (grid.sizeOfGridColArray() > 0) {
      grid.removeGridCol(0);
    }
    boolean many = own.heads().size() > FEW_COLUMNS;
    if (many) {
      table.setCellMargins(0, NARROW_MARGIN, 0, NARROW_MARGIN);
    }
    double names = many ? NAMES_AMONG_MANY : NAMES;
    for (int c = 0; c < own.heads().size(); c++) {
      // Names need more room than numbers.
      double share = c == 0 ? names : (100 - names) / Math.max(1, own.heads().size() - 1);
      BigInteger width = BigInteger.valueOf(Math.round(TABLE_TWIPS * share / 100));
      grid.addNewGridCol().setW(width);
      for (XWPFTableRow row : table.getRows()) {
        // The library would read the width from a text, each time anew.
        CTTblWidth wide = row.getCell(c).getCTTc().addNewTcPr().addNewTcW();
        wide.setType(STTblWidth.DXA);
        wide.setW(width);
      }
    }
    row(table.getRow(0), own.heads(), true);
    table.getRow(0).setRepeatHeader(true);
    for (int r = 0; r < own.rows().size(); r++) {
      row(table.getRow(r + 1), own.rows().get(r), false);
      table.getRow(r + 1).setCantSplitRow(true);
    }
    XWPFParagraph note = paragraph(NOTE);
    note.createRun().setText(own.note());
  }

  private static void row(XWPFTableRow row, List<String> cells, boolean head) {
    for (int c = 0; c < cells.size(); c++) {
      XWPFParagraph paragraph = row.getCell(c).getParagraphs().get(0);
      paragraph.setStyle(CELL);
      paragraph.setAlignment(c == 0 ? ParagraphAlignment.LEFT : ParagraphAlignment.RIGHT);
      XWPFRun run = paragraph.createRun();
      run.setText(cells.get(c));
      if (head) {
        run.setBold(true);
      }
      if (cells.size() > MANY_COLUMNS) {
        run.setFontSize(SMALL);
      }
    }
  }

  /** "Table 1. ...", with a field that counts. */
  private static void numbered(XWPFParagraph caption, String kind, String words) {
    caption.createRun().setText(kind + " ");
    CTSimpleField field = caption.getCTP().addNewFldSimple();
    field.setInstr(" SEQ " + kind + " \\* ARABIC ");
    field.setDirty(true);
    field.addNewR().addNewT().setStringValue("1");
    XWPFRun rest = caption.createRun();
    rest.setText(". " + words);
  }

  private void figure(Block.Figure figure) throws IOException {
    XWPFParagraph paragraph = paragraph(BODY);
    paragraph.setKeepNext(true);
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    PngExport.write(figure.picture(), DPI, png);
    try {
      XWPFPicture set =
          paragraph
              .createRun()
              .addPicture(
                  new ByteArrayInputStream(png.toByteArray()),
                  PictureType.PNG,
                  "figure.png",
                  emu(figure.picture().width()),
                  emu(figure.picture().height()));
      set.getCTPicture().getNvPicPr().getCNvPr().setDescr(figure.caption());
    } catch (InvalidFormatException e) {
      throw new IOException("The figure cannot be put into the page", e);
    }
    numbered(paragraph(CAPTION), "Figure", figure.caption());
  }

  private static int emu(double points) {
    return (int) Math.round(points * Units.EMU_PER_POINT);
  }

  private void styles() {
    XWPFStyles styles = document.createStyles();
    styles.setDefaultFonts(fonts("Georgia"));
    styles.setEastAsia("en-GB");
    style(styles, TITLE, "heading 1", 32, true, 0);
    style(styles, SECTION, "heading 2", 26, true, 1);
    style(styles, SUBSECTION, "heading 3", 24, true, 2);
    style(styles, BODY, "Body Text", 22, false, -1);
    style(styles, CAPTION, "caption", 20, true, -1);
    style(styles, CELL, "Table Text", 20, false, -1);
    style(styles, NOTE, "Table Note", 18, false, -1);
  }

  private static CTFonts fonts(String family) {
    CTFonts fonts = CTFonts.Factory.newInstance();
    fonts.setAscii(family);
    fonts.setHAnsi(family);
    fonts.setCs(family);
    return fonts;
  }

  private static void style(
      XWPFStyles styles, String id, String name, int halfPoints, boolean bold, int outline) {
    CTStyle style = CTStyle.Factory.newInstance();
    style.setStyleId(id);
    style.addNewName().setVal(name);
    style.addNewQFormat();
    CTRPr looks = style.addNewRPr();
    if (bold) {
      looks.addNewB();
    }
    looks.addNewSz().setVal(BigInteger.valueOf(halfPoints));
    looks.addNewLang().setVal("en-GB");
    var layout = style.addNewPPr();
    layout.addNewSpacing().setAfter(BigInteger.valueOf(id.equals(CELL) ? 20 : 120));
    if (outline >= 0) {
      layout.addNewOutlineLvl().setVal(BigInteger.valueOf(outline));
      layout.addNewKeepNext();
    }
    style.setType(STStyleType.PARAGRAPH);
    styles.addStyle(new XWPFStyle(style));
  }
}
