package app.knuckle.desktop.reckoner;

import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.curve.CurveView;
import app.knuckle.stats.families.DistributionKind;
import app.knuckle.stats.families.Tail;
import app.knuckle.study.reckon.Reckoning;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A distribution: of value, tail and its last parameter, any two give the third. */
final class TailCard extends FieldCard {

  private static final int COLUMNS = 6;

  private final Pick<DistributionKind> distributions =
      new Pick<>(
          "tail-law",
          DistributionKind::title,
          distribution -> choose(TailAnswer.LAW, distribution.name()));
  private final FlowPane head = new FlowPane();
  private final FlowPane given = new FlowPane();
  private final VBox drawn = new VBox();
  private final TextField tail = field(TailAnswer.TAIL, "tail", COLUMNS);
  private final TextField value = field(TailAnswer.VALUE, "value", COLUMNS);
  private DistributionKind shownLaw;
  private TailAnswer shown;

  TailCard(Consumer<Reckoning> kept) {
    super(Reckoning.Kind.TAIL, "Critical values and tails", kept);
    head.getStyleClass().add("reckon-fields");
    given.getStyleClass().add("reckon-fields");
    distributions.setAccessibleText("The law");
    getChildren().addAll(head, given, drawn, words());
  }

  /** Fields are those of the distribution. */
  @Override
  void showChoices() {
    DistributionKind distribution = TailAnswer.distribution(typed());
    distributions.show(List.of(DistributionKind.values()), distribution);
    if (distribution != shownLaw) {
      for (int i = 0; shownLaw != null && i < shownLaw.parameters().size(); i++) {
        forget(TailAnswer.parameter(i));
      }
      given.getChildren().clear();
      for (int i = 0; i < distribution.parameters().size(); i++) {
        String what = distribution.parameters().get(i);
        add(what, field(TailAnswer.parameter(i), what, COLUMNS));
      }
      Choice<Tail> sides =
          new Choice<>(
              "tail-side",
              distribution.sides(),
              Tail::title,
              side -> choose(TailAnswer.SIDE, side.name()));
      sides.show(TailAnswer.side(typed()));
      head.getChildren().setAll(distributions, sides);
      add("tail", tail);
      add(distribution.statistic(), value);
      shownLaw = distribution;
    }
  }

  private void add(String what, TextField field) {
    HBox box = new HBox(Texts.line(what, "fact-name"), field);
    box.getStyleClass().add("reckon-field");
    given.getChildren().add(box);
  }

  /** Of a value and a tail, with all parameters known, the one that was typed last counts. */
  @Override
  void typedInto(String name) {
    Map<String, String> typed = typed();
    List<String> parameters = TailAnswer.distribution(typed).parameters();
    boolean all =
        parameters.isEmpty() || typed.containsKey(TailAnswer.parameter(parameters.size() - 1));
    boolean both = typed.containsKey(TailAnswer.VALUE) && typed.containsKey(TailAnswer.TAIL);
    if (all && both) {
      preset(name.equals(TailAnswer.VALUE) ? TailAnswer.TAIL : TailAnswer.VALUE, "");
    }
  }

  @Override
  void answer() {
    Map<String, String> typed = typed();
    work.run(progress -> TailAnswer.of(typed), this::show);
  }

  private void show(TailAnswer answer) {
    shown = answer;
    follow(TailAnswer.VALUE, answer.value(), false);
    follow(TailAnswer.TAIL, answer.tail(), false);
    int last = TailAnswer.distribution(typed()).parameters().size() - 1;
    if (last >= 0) {
      follow(TailAnswer.parameter(last), answer.parameter(), false);
    }
    drawn.getChildren().clear();
    answer.curve().ifPresent(curve -> drawn.getChildren().add(new CurveView(curve)));
    List<List<String>> table = table();
    if (!table.isEmpty()) {
      TextGrid grid = new TextGrid(table.get(0), 1);
      grid.addRow(table.get(1), "text-grid-row");
      drawn.getChildren().add(grid.withinPage());
    }
    say(answer.words());
  }

  @Override
  String name() {
    return "Tail of " + TailAnswer.distribution(typed()).title();
  }

  @Override
  List<List<String>> table() {
    if (shown == null || shown.row().isEmpty()) {
      return List.of();
    }
    List<String> heads = new ArrayList<>(List.of("tail"));
    heads.addAll(shown.row().get(0));
    List<String> values = new ArrayList<>(List.of(TailAnswer.distribution(typed()).statistic()));
    values.addAll(shown.row().get(1));
    return List.of(heads, values);
  }
}
