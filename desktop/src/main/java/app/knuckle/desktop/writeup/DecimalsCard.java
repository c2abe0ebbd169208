package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.study.words.Numerals;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.scene.layout.HBox;

/** How many decimals each kind of table has that stands on the page. */
final class DecimalsCard extends Card {

  private static final List<OptionalInt> DECIMALS =
      Stream.concat(
              Stream.of(OptionalInt.empty()),
              IntStream.rangeClosed(0, PageSettings.MOST_DECIMALS).mapToObj(OptionalInt::of))
          .toList();

  private final WriteUpViewModel model;
  private final Map<Block.Part, Pick<OptionalInt>> picks = new EnumMap<>(Block.Part.class);
  private final Map<Block.Part, HBox> rows = new EnumMap<>(Block.Part.class);

  DecimalsCard(WriteUpViewModel model) {
    super("Decimals in tables");
    this.model = model;
    for (Block.Part part : Block.Part.values()) {
      if (part.hasDecimals()) {
        getChildren().add(row(part));
      }
    }
  }

  /** As many decimals as the errors allow, or a number of one's own; for what stands on it. */
  private HBox row(Block.Part part) {
    Pick<OptionalInt> pick =
        new Pick<>(
            "decimals-" + part.key(),
            n -> n.isPresent() ? Numerals.plain(n.getAsInt()) : "by rule",
            n -> model.change(s -> s.decimals(part, n)));
    pick.setAccessibleText(part.title() + ", decimals");
    Texts.hint(pick, "By rule: as many as the standard errors allow");
    picks.put(part, pick);
    HBox row = PageWishes.named(part.title(), pick);
    rows.put(part, row);
    row.managedProperty().bind(row.visibleProperty());
    return row;
  }

  void show(PageSettings settings) {
    picks.forEach(
        (part, pick) -> {
          rows.get(part).setVisible(settings.wanted().get(part));
          Integer asked = settings.decimals().get(part);
          pick.show(DECIMALS, asked == null ? OptionalInt.empty() : OptionalInt.of(asked));
        });
  }
}
