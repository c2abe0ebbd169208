package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.NumberStyle;
import app.knuckle.formats.report.OwnTerms;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.Paper;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Phrases;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** How the page says it: how long, how numbers and procedures are written, on which paper. */
final class SaidCard extends Card {

  private static final int TERM_COLUMNS = 9;

  private final WriteUpViewModel model;
  private final Pick<PageSettings.Length> length;
  private final Pick<PageSettings.Precision> precision;
  private final Pick<ExactP> exact;
  private final Pick<Paper> paper;
  private final Pick<String> beside;
  private final HBox besideRow;
  private final CheckBox oneTable = new CheckBox("one table of means for all responses");
  private final CheckBox panel = new CheckBox("figure as a panel in a document of several");
  private final CheckBox comma;
  private final CheckBox zero;
  private final CheckBox hyphen;
  private final CheckBox thin;
  private final VBox terms = new VBox();
  private final Map<Procedure, TextField> words = new EnumMap<>(Procedure.class);

  SaidCard(WriteUpViewModel model) {
    super("How it is said");
    this.model = model;
    length =
        new Pick<>(
            "page-length",
            PageSettings.Length::title,
            chosen -> model.change(s -> s.but(d -> d.length = chosen)));
    precision =
        new Pick<>(
            "page-precision",
            PageSettings.Precision::title,
            chosen -> model.change(s -> s.but(d -> d.precision = chosen)));
    paper =
        new Pick<>(
            "page-paper", Paper::title, chosen -> model.change(s -> s.but(d -> d.paper = chosen)));
    exact =
        new Pick<>(
            "page-exact",
            ExactP::bound,
            chosen -> model.change(s -> s.but(d -> d.numbers = d.numbers.exact(chosen))));
    beside =
        new Pick<>(
            "page-beside", name -> name, name -> model.change(s -> s.but(d -> d.beside = name)));
    beside.setAccessibleText("inquiry beside this one");
    besideRow = PageWishes.named("beside it", beside);
    besideRow.managedProperty().bind(besideRow.visibleProperty());
    exact.setAccessibleText("smallest p that is written as it is");
    paper.setAccessibleText("paper");
    length.setAccessibleText("length of the results");
    precision.setAccessibleText("what stands beside a mean");
    oneTable.setId("page-one-table");
    oneTable.setOnAction(
        event -> model.change(s -> s.but(d -> d.oneTable = oneTable.isSelected())));
    panel.setId("page-panel");
    panel.setWrapText(true);
    panel.setOnAction(event -> model.change(s -> s.but(d -> d.panel = panel.isSelected())));
    comma = number("page-comma", "decimals after a comma", NumberStyle::comma);
    zero = number("page-zero", "p with a leading zero", NumberStyle::leadingZero);
    hyphen = number("page-hyphen", "a hyphen for the minus sign", NumberStyle::hyphen);
    thin = number("page-thin", "a thin space before units", NumberStyle::thinSpace);
    getChildren()
        .addAll(
            PageWishes.named("results in", length),
            PageWishes.named("beside a mean", precision),
            PageWishes.named("p exact down to", exact),
            PageWishes.named("paper", paper),
            besideRow,
            oneTable,
            comma,
            zero,
            hyphen,
            thin,
            terms,
            panel);
  }

  /** A field for each procedure that means are compared by, empty for Knuckle's word. */
  private void showTerms(OwnTerms own) {
    List<Procedure> used = model.procedures();
    if (!List.copyOf(words.keySet()).equals(used.stream().sorted().toList())) {
      words.clear();
      terms.getChildren().clear();
      for (Procedure procedure : used) {
        TextField field = new TextField();
        field.setId("term-" + procedure.key());
        field.setPromptText(Phrases.title(procedure));
        field.setPrefColumnCount(TERM_COLUMNS);
        field.setAccessibleText(Phrases.title(procedure) + " is called");
        Runnable take =
            () ->
                model.change(s -> s.but(d -> d.terms = d.terms.called(procedure, field.getText())));
        field.setOnAction(event -> take.run());
        field
            .focusedProperty()
            .addListener(
                (o, before, now) -> {
                  if (!now) {
                    take.run();
                  }
                });
        words.put(procedure, field);
        terms.getChildren().add(PageWishes.named(Phrases.title(procedure) + " is called", field));
      }
    }
    words.forEach(
        (procedure, field) -> {
          if (!field.isFocused()) {
            field.setText(own.words().getOrDefault(procedure, ""));
          }
        });
  }

  private CheckBox number(
      String id, String title, BiFunction<NumberStyle, Boolean, NumberStyle> change) {
    CheckBox box = new CheckBox(title);
    box.setId(id);
    box.setOnAction(
        event ->
            model.change(s -> s.but(d -> d.numbers = change.apply(d.numbers, box.isSelected()))));
    return box;
  }

  void show(PageSettings settings) {
    length.show(List.of(PageSettings.Length.values()), settings.length());
    precision.show(List.of(PageSettings.Precision.values()), settings.precision());
    exact.show(NumberStyle.EXACT_P, settings.numbers().exact());
    besideRow.setVisible(settings.wanted().get(Block.Part.BESIDE));
    beside.show(model.others(), settings.beside().isEmpty() ? null : settings.beside());
    paper.show(List.of(Paper.values()), settings.paper());
    oneTable.setSelected(settings.oneTable());
    oneTable.setVisible(model.isOfSeveral());
    oneTable.setManaged(model.isOfSeveral());
    panel.setSelected(settings.panel());
    comma.setSelected(settings.numbers().comma());
    zero.setSelected(settings.numbers().leadingZero());
    hyphen.setSelected(settings.numbers().hyphen());
    thin.setSelected(settings.numbers().thinSpace());
    showTerms(settings.terms());
  }
}
