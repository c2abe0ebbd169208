package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.keeping.NewNames;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** New records that call columns otherwise than the questions do: which are which. */
public final class NewNamesView extends VBox {

  private static final int SHOWN = 4;

  private final Table fresh;
  private final Map<String, Optional<String>> chosen = new LinkedHashMap<>();

  /**
   * The view.
   *
   * @param workbench told what was chosen
   * @param naming the records and what is missing
   */
  public NewNamesView(Workbench workbench, Page.Naming naming) {
    fresh = naming.names().fresh();
    setId("new-names");
    getStyleClass().addAll("joint", "new-names");
    TextGrid grid = new TextGrid(List.of("asked for", "now called", "its first values"), 3);
    for (NewNames.Missing missing : naming.names().missing()) {
      chosen.put(missing.column(), missing.nearest());
      grid.addNodes(row(missing), "text-grid-row");
    }
    GoButton ask =
        new GoButton(
            "new-names-ask",
            "Ask the questions",
            () -> workbench.askOf(fresh, naming.path(), naming.names().steps(known())));
    Button leave = new Button("Leave it, back to what was open");
    leave.setId("new-names-leave");
    leave.setOnAction(event -> workbench.leavePage());
    FlowPane ways = new FlowPane(ask, leave);
    ways.getStyleClass().add("ways");
    getChildren()
        .addAll(
            Texts.line("Columns of the new records", "joint-title"),
            Texts.wrapped(
                "The questions ask for columns that "
                    + "\u2018"
                    + fresh.name()
                    + "\u2019 does not have by that name. Which are they? A step at the beginning of"
                    + " each trail gives them the names that are asked for.",
                "prose"),
            new Card("", grid),
            ways);
    sceneProperty()
        .addListener(
            (o, before, now) -> {
              if (now != null) {
                ask.requestFocus(); // What is near is chosen already.
              }
            });
  }

  private List<javafx.scene.Node> row(NewNames.Missing missing) {
    Label sample = Texts.line(sample(missing.nearest()), "prose-small");
    Pick<Optional<String>> pick =
        new Pick<>(
            "new-name-" + missing.column(),
            name -> name.orElse("is not there"),
            name -> {
              chosen.put(missing.column(), name);
              sample.setText(sample(name));
            });
    pick.setAccessibleText(missing.column() + " is");
    List<Optional<String>> options = new ArrayList<>(List.of(Optional.empty()));
    missing.fitting().forEach(name -> options.add(Optional.of(name)));
    pick.show(options, missing.nearest());
    return List.of(Texts.line(missing.column(), "card-title"), new HBox(pick), sample);
  }

  private String sample(Optional<String> name) {
    return name.stream()
        .flatMap(n -> fresh.columns().stream().filter(c -> c.name().equals(n)))
        .map(this::sample)
        .findFirst()
        .orElse("");
  }

  private String sample(Column column) {
    return IntStream.range(0, Math.min(SHOWN, fresh.rows()))
        .mapToObj(column::text)
        .collect(Collectors.joining(", "));
  }

  /** What was chosen; a column that is chosen twice is the first of both. */
  private Map<String, String> known() {
    Map<String, String> known = new LinkedHashMap<>();
    chosen.forEach(
        (old, now) ->
            now.filter(name -> !known.containsValue(name)).ifPresent(name -> known.put(old, name)));
    return known;
  }
}
