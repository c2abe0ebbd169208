package app.knuckle.formats.documents;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDNumberTreeNode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDParentTreeValue;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.PDLayoutAttributeObject;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.PDTableAttributeObject;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;

/**
 * What each piece of a PDF is, in reading order, for those who have it read to them: headings,
 * paragraphs, tables with their heads, pictures with words. After ISO 32000-1, 14.7 and 14.8.
 */
final class PdfTags {

  /** What is not read. */
  static final COSName ARTIFACT = COSName.getPDFName("Artifact");

  private static final List<String> HEADINGS =
      List.of(StandardStructureTypes.H1, StandardStructureTypes.H2, StandardStructureTypes.H3);
  private static final String COLUMN = "Column";
  private static final String ROW = "Row";

  /** Draws something. */
  @FunctionalInterface
  interface Drawing {
    void draw() throws IOException;
  }

  private final PDStructureTreeRoot root = new PDStructureTreeRoot();
  private final Deque<PDStructureElement> open = new ArrayDeque<>();
  private final Map<Integer, PDParentTreeValue> parents = new TreeMap<>();
  private PDPage page;
  private PDPageContentStream content;
  private COSArray owners;

  PdfTags(PDDocument document) {
    PDMarkInfo marked = new PDMarkInfo();
    marked.setMarked(true);
    document.getDocumentCatalog().setMarkInfo(marked);
    document.getDocumentCatalog().setStructureTreeRoot(root);
    PDViewerPreferences shown = new PDViewerPreferences(new COSDictionary());
    shown.setDisplayDocTitle(true);
    document.getDocumentCatalog().setViewerPreferences(shown);
    open.push(element(StandardStructureTypes.DOCUMENT, root));
  }

  private static PDStructureElement element(String type, PDStructureNode parent) {
    PDStructureElement element = new PDStructureElement(type, parent);
    parent.appendKid(element);
    return element;
  }

  /** What is drawn from now on stands on this page. */
  void turn(PDPage next, PDPageContentStream drawn) {
    page = next;
    content = drawn;
    owners = new COSArray();
    int key = parents.size();
    page.setStructParents(key);
    page.getCOSObject().setName("Tabs", "S"); // The tab key follows the structure.
    parents.put(key, new PDParentTreeValue(owners));
  }

  /** Opens a piece within the one that is open. */
  void open(String type) {
    open.push(element(type, open.peek()));
  }

  void openHeading(int level) {
    open(HEADINGS.get(Math.min(level, HEADINGS.size()) - 1));
  }

  /** Opens a cell that is the head of its column, or of its row, or neither. */
  void openCell(boolean headOfColumn, boolean headOfRow) {
    open(headOfColumn || headOfRow ? StandardStructureTypes.TH : StandardStructureTypes.TD);
    if (headOfColumn || headOfRow) {
      PDTableAttributeObject scope = new PDTableAttributeObject();
      scope.setScope(headOfColumn ? COLUMN : ROW);
      open.peek().addAttribute(scope);
    }
  }

  /** Opens a picture. */
  void openFigure(String words, PDRectangle box) {
    open(StandardStructureTypes.Figure);
    open.peek().setAlternateDescription(words);
    PDLayoutAttributeObject place = new PDLayoutAttributeObject();
    place.setBBox(box);
    open.peek().addAttribute(place);
  }

  void close() {
    open.pop();
  }

  /** Draws something that belongs to the piece that is open. */
  void draw(Drawing drawing) throws IOException {
    PDStructureElement owner = open.peek();
    int id = owners.size();
    PDMarkedContentReference reference = new PDMarkedContentReference();
    reference.setPage(page);
    reference.setMCID(id);
    owner.appendKid(reference);
    owners.add(owner);
    content.beginMarkedContent(COSName.getPDFName(owner.getStructureType()), id);
    drawing.draw();
    content.endMarkedContent();
  }

  /** Draws something that is not read: a rule, or what is said a second time. */
  void decorate(Drawing drawing) throws IOException {
    content.beginMarkedContent(ARTIFACT);
    drawing.draw();
    content.endMarkedContent();
  }

  /** Closes the document; nothing is drawn after that. */
  void end() {
    PDNumberTreeNode tree = new PDNumberTreeNode(PDParentTreeValue.class);
    tree.setNumbers(parents);
    root.setParentTree(tree);
    root.setParentTreeNextKey(parents.size());
  }
}
