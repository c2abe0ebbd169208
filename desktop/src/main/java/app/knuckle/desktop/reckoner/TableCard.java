package app.knuckle.desktop.reckoner;

import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.study.reckon.KnownTable.Entry;
import app.knuckle.study.reckon.Reckoning;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;

/** A table of an analysis of which a part is known. */
final class TableCard extends FieldCard {

  private static final List<String> HEADS =
      List.of("source", "df", "sum of squares", "mean square", "F", "p");

  private static final int COLUMNS = 6;

  private final Label p = Texts.line("", "follows");
  private TableAnswer shown;

  TableCard(Consumer<Reckoning> kept) {
    super(Reckoning.Kind.PARTIAL_TABLE, "Partial table", kept);
    TextGrid grid = new TextGrid(HEADS, 1);
    grid.addNodes(
        line("treatment", Entry.EFFECT_DF, Entry.EFFECT_SS, Entry.EFFECT_MS, Entry.F, p),
        "text-grid-row");
    grid.addNodes(
        line("error", Entry.ERROR_DF, Entry.ERROR_SS, Entry.ERROR_MS, null, new Label()),
        "text-grid-row");
    grid.addNodes(
        line("total", Entry.TOTAL_DF, Entry.TOTAL_SS, null, null, new Label()), "text-grid-row");
    getChildren()
        .addAll(
            grid,
            words(),
            Texts.fact("\u03b1", field(TableAnswer.ALPHA, "level of significance", COLUMNS)));
  }

  private List<Node> line(String source, Entry df, Entry ss, Entry ms, Entry f, Node last) {
    List<Node> nodes = new ArrayList<>(List.of(new Label(source)));
    for (Entry entry : new Entry[] {df, ss, ms, f}) {
      nodes.add(entry == null ? new Label() : field(entry.name(), entry.title(), COLUMNS));
    }
    nodes.add(last);
    return nodes;
  }

  @Override
  void showChoices() {
    // Nothing is chosen here.
  }

  @Override
  void answer() {
    shown = TableAnswer.of(typed());
    for (Entry entry : Entry.values()) {
      follow(entry.name(), shown.follows().getOrDefault(entry, ""), shown.wrong().contains(entry));
    }
    follow(TableAnswer.ALPHA, "0.05", false);
    p.setText(shown.p());
    say(shown.words());
  }

  @Override
  String name() {
    return "Table of an analysis";
  }

  @Override
  List<List<String>> table() {
    return List.of(
        HEADS,
        List.of(
            "treatment",
            text(Entry.EFFECT_DF),
            text(Entry.EFFECT_SS),
            text(Entry.EFFECT_MS),
            text(Entry.F),
            shown.p()),
        List.of("error", text(Entry.ERROR_DF), text(Entry.ERROR_SS), text(Entry.ERROR_MS), "", ""),
        List.of("total", text(Entry.TOTAL_DF), text(Entry.TOTAL_SS), "", "", ""));
  }

  private String text(Entry entry) {
    Map<String, String> typed = typed();
    return typed.getOrDefault(entry.name(), shown.follows().getOrDefault(entry, ""));
  }
}
