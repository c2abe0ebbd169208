package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.prep.Kind;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.TextField;

/** A column at a glance: its kind and unit, to be changed here, and what is in it. */
final class ColumnCard extends Card {

  private static final List<String> ORDERS = List.of("as read", "rising", "falling");

  /**
   * The card of a column.
   *
   * @param slip whose records they are
   * @param head of the column
   * @param order in which rows are seen
   * @param sort told of another order by this column
   */
  ColumnCard(SlipViewModel slip, RecordsPage.Head head, RowOrder order, Consumer<RowOrder> sort) {
    super(head.name() + " at a glance");
    Choice<Kind.As> kind =
        new Choice<>(
            "column-kind",
            List.of(Kind.As.values()),
            Kind.As::key,
            as -> slip.readAs(head.name(), as));
    kind.show(head.glance().as());
    TextField unit = new TextField(head.unit());
    unit.setId("column-unit");
    unit.setPromptText("none");
    unit.setPrefColumnCount(6);
    unit.setOnAction(event -> slip.giveUnit(head.name(), unit.getText().strip()));
    Choice<String> sorted =
        new Choice<>(
            "column-order",
            ORDERS,
            o -> o,
            chosen ->
                sort.accept(
                    new RowOrder(
                        chosen.equals(ORDERS.get(0)) ? "" : head.name(),
                        chosen.equals(ORDERS.get(2)),
                        order.find(),
                        order.onlyFound())));
    int now = !order.column().equals(head.name()) ? 0 : order.falling() ? 2 : 1;
    sorted.show(ORDERS.get(now));
    getChildren()
        .addAll(
            kind,
            Texts.fact("unit", unit),
            Texts.wrapped("rows in this view", "fact-name"),
            sorted);
    head.glance().facts().forEach(f -> getChildren().add(Texts.fact(f.name(), f.value())));
  }
}
