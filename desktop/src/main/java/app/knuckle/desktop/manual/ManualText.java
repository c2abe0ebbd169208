package app.knuckle.desktop.manual;

import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.explain.Explain;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.commonmark.ext.gfm.tables.TableCell;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.CustomNode;
import org.commonmark.node.Emphasis;
import org.commonmark.node.FencedCodeBlock;
import org.commonmark.node.Heading;
import org.commonmark.node.IndentedCodeBlock;
import org.commonmark.node.Link;
import org.commonmark.node.ListItem;
import org.commonmark.node.Node;
import org.commonmark.node.OrderedList;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;

/** A page of the manual as it is shown. What the manual does not use has no look here. */
final class ManualText extends VBox {

  /** Tables of words wrap in their last column. */
  private static final double WORDS = 520;

  private static final String TEXT = "page-text";

  /** No italic face is shipped for the screen: what would lean is a little heavier. */
  private static final String STRONG = "manual-strong";

  ManualText(Node page) {
    getStyleClass().add("manual-text");
    for (Node node = page.getFirstChild(); node != null; node = node.getNext()) {
      node.accept(new Blocks());
    }
  }

  /** One block below the other. */
  private final class Blocks extends AbstractVisitor {

    @Override
    public void visit(Heading heading) {
      boolean first = heading.getLevel() == 1;
      Label label = Texts.wrapped(Manual.words(heading), first ? "page-title" : "page-head");
      label.setAccessibleRole(AccessibleRole.TEXT);
      getChildren().add(label);
    }

    @Override
    public void visit(Paragraph paragraph) {
      getChildren().add(flow(paragraph));
    }

    @Override
    public void visit(IndentedCodeBlock block) {
      formula(block.getLiteral());
    }

    @Override
    public void visit(FencedCodeBlock block) {
      formula(block.getLiteral());
    }

    private void formula(String text) {
      Label label = new Label(text.stripTrailing());
      label.getStyleClass().add("manual-formula");
      label.setWrapText(true);
      label.setMinHeight(USE_PREF_SIZE);
      label.setMaxWidth(Double.MAX_VALUE);
      getChildren().add(label);
    }

    @Override
    public void visit(BulletList list) {
      items(list, 0);
    }

    @Override
    public void visit(OrderedList list) {
      items(list, 1);
    }

    private void items(Node list, int from) {
      int number = from;
      for (Node item = list.getFirstChild(); item instanceof ListItem; item = item.getNext()) {
        Label mark = new Label(from == 0 ? "\u2022" : number++ + ".");
        mark.getStyleClass().add("page-text");
        mark.setMinWidth(USE_PREF_SIZE);
        TextFlow words = flow(item.getFirstChild());
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(mark, words);
        row.getStyleClass().add("manual-item");
        getChildren().add(row);
      }
    }

    @Override
    public void visit(org.commonmark.node.CustomBlock block) {
      List<List<String>> rows = new ArrayList<>();
      block.accept(
          new AbstractVisitor() {
            @Override
            public void visit(CustomNode node) {
              if (node instanceof TableRow) {
                List<String> cells = new ArrayList<>();
                for (Node cell = node.getFirstChild();
                    cell instanceof TableCell;
                    cell = cell.getNext()) {
                  cells.add(Manual.words(cell));
                }
                rows.add(cells);
              } else {
                visitChildren(node);
              }
            }
          });
      TextGrid grid = new TextGrid(rows.get(0), rows.get(0).size());
      for (List<String> row : rows.subList(1, rows.size())) {
        List<Label> labels = row.stream().map(Label::new).toList();
        labels.forEach(
            label -> {
              label.setWrapText(true);
              label.setMaxWidth(WORDS);
              label.setMinHeight(USE_PREF_SIZE);
            });
        grid.addNodes(labels, "text-grid-row");
      }
      getChildren().add(grid.withinPage());
    }
  }

  private static TextFlow flow(Node paragraph) {
    TextFlow flow = new TextFlow();
    flow.setMinHeight(USE_PREF_SIZE);
    paragraph.accept(
        new AbstractVisitor() {
          private String style = TEXT;

          @Override
          public void visit(org.commonmark.node.Text text) {
            add(text.getLiteral(), style);
          }

          @Override
          public void visit(SoftLineBreak end) {
            add(" ", style);
          }

          @Override
          public void visit(Code code) {
            add(code.getLiteral(), "manual-code");
          }

          @Override
          public void visit(Emphasis emphasis) {
            within(STRONG, emphasis);
          }

          @Override
          public void visit(StrongEmphasis emphasis) {
            within(STRONG, emphasis);
          }

          private void within(String inner, Node node) {
            String outer = style;
            style = inner;
            visitChildren(node);
            style = outer;
          }

          @Override
          public void visit(Link link) {
            Manual.target(link.getDestination())
                .ifPresentOrElse(
                    topic -> {
                      Hyperlink words = new Hyperlink(Manual.words(link));
                      words.setId("read-" + topic.slug());
                      words.getStyleClass().add("manual-link");
                      words.setOnAction(event -> Explain.ask(words, topic));
                      flow.getChildren().add(words);
                    },
                    () -> visitChildren(link));
          }

          private void add(String words, String styleClass) {
            Text text = new Text(words);
            text.getStyleClass().add(styleClass);
            flow.getChildren().add(text);
          }
        });
    return flow;
  }
}
