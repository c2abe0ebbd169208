package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.TableSource;
import app.knuckle.formats.records.FileForm;
import app.knuckle.formats.workbooks.Area;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** How a file is read: the guess, changeable; the table beside it follows at once. */
public final class ReadingCard extends Card {

  private static final List<Character> DELIMITERS = List.of(',', ';', '\t', '|', ' ');
  private static final List<Character> QUOTES = List.of('"', '\'', FileForm.Text.NO_QUOTE);
  private static final List<Charset> CHARSETS =
      List.of(
          StandardCharsets.UTF_8,
          Charset.forName("windows-1252"),
          StandardCharsets.ISO_8859_1,
          StandardCharsets.UTF_16LE,
          StandardCharsets.UTF_16BE);

  private static final List<Integer> SKIPS = List.of(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10);

  private final TableSource source;

  private final VBox content = new VBox();
  private Said said;

  /**
   * The card of a file.
   *
   * @param source of the table
   * @param shownIn the view it is part of
   */
  public ReadingCard(TableSource source, Node shownIn) {
    super("How the file is read");
    this.source = source;
    setId("reading-card");
    content.getStyleClass().add("card-content");
    getChildren().add(content);
    Shown.by(shownIn, source.formProperty()).addListener((o, before, now) -> show());
    Shown.by(shownIn, source.refusalProperty()).addListener((o, before, now) -> show());
    show();
  }

  private record Said(FileForm form, Refusal refusal, boolean changed) {}

  /** Shows how the file is read now. */
  void show() {
    FileForm form = source.formProperty().get();
    Refusal refusal = source.refusalProperty().get();
    boolean changed = source.changedOnDisk();
    Said now = new Said(form, refusal, changed);
    if (now.equals(said)) {
      return;
    }
    said = now;
    content.getChildren().clear();
    if (form instanceof FileForm.Text text) {
      showText(text);
    } else if (form instanceof FileForm.Workbook book) {
      showWorkbook(book);
    }
    if (source.hasFile()) {
      Button again =
          new Button(changed ? "The file changed: read it again" : "Read the file again");
      again.setId("read-again");
      again.getStyleClass().add(changed ? "go" : "small-button");
      again.setOnAction(event -> source.refresh());
      content.getChildren().add(again);
    }
    if (refusal != null) {
      content.getChildren().add(Texts.wrapped(refusal.words(), "refusal"));
    }
  }

  /** The marks in numbers, each shown by a number with them. */
  private enum NumberMarks {
    POINT("1034.5", false, false),
    COMMA("1034,5", true, false),
    POINT_GROUPED("1,034.5", false, true),
    COMMA_GROUPED("1.034,5", true, true);

    private final String example;
    private final boolean comma;
    private final boolean grouped;

    NumberMarks(String example, boolean comma, boolean grouped) {
      this.example = example;
      this.comma = comma;
      this.grouped = grouped;
    }

    static NumberMarks of(FileForm.Text f) {
      return Arrays.stream(values())
          .filter(m -> m.comma == f.decimalComma() && m.grouped == f.grouped())
          .findFirst()
          .orElseThrow();
    }
  }

  private void showText(FileForm.Text f) {
    content
        .getChildren()
        .addAll(
            pick(
                "delimiter",
                DELIMITERS,
                f.delimiter(),
                FileForm.Text::nameOf,
                c -> read(f, f.charset(), c)),
            pick(
                "quote",
                QUOTES,
                f.quote(),
                c -> c == FileForm.Text.NO_QUOTE ? "none" : c == '"' ? "double" : "single",
                c -> source.readAs(f.quoted(c))),
            pick(
                "decimal mark",
                List.of(NumberMarks.values()),
                NumberMarks.of(f),
                m -> m.example,
                m -> source.readAs(f.marked(m.comma, m.grouped))),
            pick(
                "encoding",
                CHARSETS,
                f.charset(),
                Charset::displayName,
                c -> read(f, c, f.delimiter())),
            pick(
                "title rows above",
                SKIPS,
                f.skip(),
                String::valueOf,
                c -> source.readAs(f.from(c, f.header()))),
            header(f.header(), h -> source.readAs(f.from(f.skip(), h))));
    if (!f.doubt().isEmpty()) {
      Button right = new Button("It is right as it is read");
      right.setId("reading-is-right");
      right.getStyleClass().add("small-button");
      right.setOnAction(event -> source.readAs(f.decided()));
      content.getChildren().addAll(0, List.of(Texts.wrapped(f.doubt() + ".", "refusal"), right));
    }
  }

  private void read(FileForm.Text f, Charset charset, char delimiter) {
    source.readAs(
        new FileForm.Text(
            charset,
            delimiter,
            f.quote(),
            f.decimalComma(),
            f.grouped(),
            f.skip(),
            f.header(),
            ""));
  }

  private void showWorkbook(FileForm.Workbook f) {
    TextField range = new TextField(f.area().words());
    range.setId("reading-range");
    range.setPromptText("all");
    range.setPrefColumnCount(8);
    Label wrong = Texts.wrapped("", "refusal");
    wrong.setVisible(false);
    wrong.setManaged(false);
    range.setOnAction(
        event -> {
          try {
            Area area = Area.of(range.getText());
            source.readAs(new FileForm.Workbook(f.sheets(), f.sheet(), area, f.header()));
          } catch (Refused e) {
            wrong.setText(e.refusal().words());
            wrong.setVisible(true);
            wrong.setManaged(true);
          }
        });
    content
        .getChildren()
        .addAll(
            pick(
                "sheet",
                f.sheets(),
                f.sheet(),
                s -> s,
                s -> source.readAs(new FileForm.Workbook(f.sheets(), s, Area.ALL, f.header()))),
            Texts.fact("range of cells", range),
            wrong,
            header(
                f.header(),
                h -> source.readAs(new FileForm.Workbook(f.sheets(), f.sheet(), f.area(), h))));
  }

  private static CheckBox header(boolean header, Consumer<Boolean> chosen) {
    CheckBox box = new CheckBox("The first row names the columns");
    box.setId("reading-header");
    box.setSelected(header);
    box.setWrapText(true);
    box.setOnAction(event -> chosen.accept(box.isSelected()));
    return box;
  }

  private static <T> HBox pick(
      String name, List<T> options, T now, Function<T, String> title, Consumer<T> chosen) {
    Pick<T> pick = new Pick<>("reading-" + name.replace(' ', '-'), title, chosen);
    return Texts.fact(name, pick.show(options, now));
  }
}
