package app.knuckle.desktop.rehearsal;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.rehearsal.Rehearsal;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** An experiment not yet run: the groups as one expects them, to try the analysis beforehand. */
public final class RehearsalView extends ScrollPane {

  private static final List<String> HEADS = List.of("group", "mean", "SD", "units");

  private final TextField measured = new TextField("growth_mm");
  private final TextField treatment = new TextField("mesh");
  private final TextField seed = new TextField("1");
  private final GridPane grid = new GridPane();
  private final List<List<TextField>> rows = new ArrayList<>();
  private final Label refusal = Texts.wrapped("", "refusal");
  private Rehearsal.Shape shape = Rehearsal.Shape.NORMAL;

  /**
   * The page.
   *
   * @param done told of the records
   * @param leave goes back without them
   */
  public RehearsalView(Consumer<Table> done, Runnable leave) {
    setId("rehearsal");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    grid.getStyleClass().add("rehearsal-grid");
    for (int c = 0; c < HEADS.size(); c++) {
      grid.add(Texts.line(HEADS.get(c), "text-grid-head"), c, 0);
    }
    addRow("fine", "12.0", "1.5", "8");
    addRow("medium", "14.0", "1.5", "8");
    addRow("coarse", "15.0", "1.5", "8");
    Button more = new Button("Add a group");
    more.setId("rehearsal-more");
    more.getStyleClass().add("bar-button");
    more.setOnAction(event -> addRow("", "", "", ""));
    Choice<Rehearsal.Shape> shapes =
        new Choice<>(
            "rehearsal-shape",
            List.of(Rehearsal.Shape.values()),
            Rehearsal.Shape::title,
            chosen -> shape = chosen);
    shapes.show(shape);
    measured.setId("rehearsal-measured");
    treatment.setId("rehearsal-treatment");
    seed.setId("rehearsal-seed");
    Button make = new Button("Make the records");
    make.setId("rehearsal-done");
    make.getStyleClass().add("go");
    make.setOnAction(event -> make(done));
    Button cancel = new Button("Leave it");
    cancel.setId("rehearsal-leave");
    cancel.getStyleClass().add("bar-button");
    cancel.setOnAction(event -> leave.run());
    HBox buttons = new HBox(make, cancel);
    buttons.getStyleClass().add("typing-bar");
    refusal.setId("rehearsal-refusal");
    refusal.setVisible(false);
    refusal.setManaged(false);
    Card plan =
        new Card(
            "What you expect",
            Texts.fact("measured", measured),
            Texts.fact("treatment", treatment),
            grid,
            more,
            Texts.wrapped("How values spread about their mean", "fact-name"),
            shapes,
            Texts.fact("seed: the same seed gives the same records", seed));
    plan.getStyleClass().add("rehearsal-plan");
    VBox page =
        new VBox(
            Texts.line("Rehearse an experiment", "joint-title"),
            Texts.wrapped(
                "Make-believe records for groups with the means, spreads and sizes you expect, so"
                    + " that the analysis can be tried before the experiment is run.",
                "prose"),
            plan,
            refusal,
            buttons);
    page.getStyleClass().addAll("joint", "rehearsal");
    setContent(page);
  }

  private void addRow(String... cells) {
    List<TextField> fields = new ArrayList<>();
    for (int c = 0; c < HEADS.size(); c++) {
      TextField field = new TextField(cells[c]);
      field.setId("rehearsal-" + HEADS.get(c) + "-" + rows.size());
      field.setPrefColumnCount(c == 0 ? 14 : 6);
      grid.add(field, c, rows.size() + 1);
      fields.add(field);
    }
    rows.add(fields);
  }

  private void make(Consumer<Table> done) {
    try {
      List<Rehearsal.Group> groups = new ArrayList<>();
      for (List<TextField> row : rows) {
        if (row.stream().anyMatch(f -> !f.getText().isBlank())) {
          groups.add(
              new Rehearsal.Group(
                  row.get(0).getText().strip(),
                  number(row.get(1), "mean"),
                  shape == Rehearsal.Shape.COUNTS && row.get(2).getText().isBlank()
                      ? 0
                      : number(row.get(2), "SD"),
                  (int) number(row.get(3), "units")));
        }
      }
      done.accept(
          new Rehearsal(
                  measured.getText().strip(),
                  treatment.getText().strip(),
                  groups,
                  shape,
                  (long) number(seed, "seed"))
              .records());
    } catch (Refused e) {
      refusal.setText(e.refusal().words());
      refusal.setVisible(true);
      refusal.setManaged(true);
    }
  }

  private static double number(TextField field, String what) {
    double value = NumberText.parse(field.getText().strip(), false);
    if (Double.isNaN(value)) {
      throw Refused.at(
          new Place.WholeFile("rehearsal, " + what),
          "'" + field.getText() + "' is not a number",
          "Write it with a decimal point");
    }
    return value;
  }
}
