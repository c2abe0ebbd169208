package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.TableSource;
import app.knuckle.formats.records.FileForm;
import app.knuckle.study.Refusal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.collections.FXCollections;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.util.StringConverter;

/** How a file is read: the guess, changeable; the table beside it follows at once. */
public final class ReadingCard extends Card {

  private static final List<Character> DELIMITERS = List.of(',', ';', '\t', '|', ' ');
  private static final List<Character> QUOTES = List.of('"', '\'');
  private static final List<Charset> CHARSETS =
      List.of(
          StandardCharsets.UTF_8,
          Charset.forName("windows-1252"),
          StandardCharsets.ISO_8859_1,
          StandardCharsets.UTF_16LE,
          StandardCharsets.UTF_16BE);

  private final TableSource source;

  /**
   * The card of a file.
   *
   * @param source of the table
   */
  public ReadingCard(TableSource source) {
    super("How the file is read");
    this.source = source;
    setId("reading-card");
    source.formProperty().addListener((o, before, now) -> show());
    source.refusalProperty().addListener((o, before, now) -> show());
    show();
  }

  private void show() {
    getChildren().remove(1, getChildren().size());
    FileForm form = source.formProperty().get();
    if (form instanceof FileForm.Text text) {
      showText(text);
    } else if (form instanceof FileForm.Workbook book) {
      showWorkbook(book);
    }
    Refusal refusal = source.refusalProperty().get();
    if (refusal != null) {
      getChildren().add(Texts.wrapped(refusal.words(), "refusal"));
    }
  }

  private void showText(FileForm.Text f) {
    getChildren()
        .addAll(
            pick(
                "delimiter",
                DELIMITERS,
                f.delimiter(),
                FileForm.Text::nameOf,
                c ->
                    source.readAs(
                        new FileForm.Text(
                            f.charset(), c, f.quote(), f.decimalComma(), f.header()))),
            pick(
                "quote",
                QUOTES,
                f.quote(),
                c -> c == '"' ? "double" : "single",
                c ->
                    source.readAs(
                        new FileForm.Text(
                            f.charset(), f.delimiter(), c, f.decimalComma(), f.header()))),
            pick(
                "decimal mark",
                List.of(false, true),
                f.decimalComma(),
                c -> c ? "comma" : "point",
                c ->
                    source.readAs(
                        new FileForm.Text(f.charset(), f.delimiter(), f.quote(), c, f.header()))),
            pick(
                "encoding",
                CHARSETS,
                f.charset(),
                Charset::displayName,
                c ->
                    source.readAs(
                        new FileForm.Text(
                            c, f.delimiter(), f.quote(), f.decimalComma(), f.header()))),
            header(
                f.header(),
                h ->
                    source.readAs(
                        new FileForm.Text(
                            f.charset(), f.delimiter(), f.quote(), f.decimalComma(), h))));
  }

  private void showWorkbook(FileForm.Workbook f) {
    getChildren()
        .addAll(
            pick(
                "sheet",
                f.sheets(),
                f.sheet(),
                s -> s,
                s -> source.readAs(new FileForm.Workbook(f.sheets(), s, f.header()))),
            header(
                f.header(), h -> source.readAs(new FileForm.Workbook(f.sheets(), f.sheet(), h))));
  }

  private static CheckBox header(boolean header, Consumer<Boolean> chosen) {
    CheckBox box = new CheckBox("The first row names the columns");
    box.setId("reading-header");
    box.setSelected(header);
    box.setWrapText(true);
    box.setOnAction(event -> chosen.accept(box.isSelected()));
    return box;
  }

  private static <T> javafx.scene.layout.HBox pick(
      String name, List<T> options, T now, Function<T, String> title, Consumer<T> chosen) {
    ComboBox<T> box = new ComboBox<>(FXCollections.observableArrayList(options));
    box.setId("reading-" + name.replace(' ', '-'));
    box.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(T option) {
            return option == null ? "" : title.apply(option);
          }

          @Override
          public T fromString(String text) {
            return null;
          }
        });
    box.setValue(now);
    box.setOnAction(event -> chosen.accept(box.getValue()));
    return Texts.fact(name, box);
  }
}
