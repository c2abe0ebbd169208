package app.knuckle.desktop.sheet;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import javafx.css.CssMetaData;
import javafx.css.Styleable;
import javafx.css.StyleableProperty;
import javafx.css.StyleablePropertyFactory;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;

/** The colours and faces of a sheet. They stand in the stylesheet, under the names given here. */
final class Ink {

  private static final String PREFIX = "-sheet-";
  private static final StyleablePropertyFactory<Sheet> FACTORY =
      new StyleablePropertyFactory<>(javafx.scene.layout.Region.getClassCssMetaData());

  final Supplier<Color> paper;
  final Supplier<Color> text;
  final Supplier<Color> muted;
  final Supplier<Color> hairline;
  final Supplier<Color> rule;
  final Supplier<Color> selected;
  final Supplier<Color> odd;
  final Supplier<Color> oddText;
  final Supplier<Color> focus;
  final Supplier<Color> bar;
  final Supplier<Font> font;
  final Supplier<Font> nameFont;
  final Supplier<Font> smallFont;
  private final Map<Cells.Part, Supplier<Color>> parts = new EnumMap<>(Cells.Part.class);

  Ink(Sheet sheet) {
    paper = color(sheet, "paper");
    text = color(sheet, "text");
    muted = color(sheet, "muted");
    hairline = color(sheet, "hairline");
    rule = color(sheet, "rule");
    selected = color(sheet, "selected");
    odd = color(sheet, "odd");
    oddText = color(sheet, "odd-text");
    focus = color(sheet, "focus");
    bar = color(sheet, "bar");
    font = font(sheet, "font");
    nameFont = font(sheet, "name-font");
    smallFont = font(sheet, "small-font");
    for (Cells.Part part : Cells.Part.values()) {
      parts.put(part, color(sheet, part.name().toLowerCase(Locale.ROOT)));
    }
  }

  Color part(Cells.Part part) {
    return parts.get(part).get();
  }

  static List<CssMetaData<? extends Styleable, ?>> metaData() {
    return FACTORY.getCssMetaData();
  }

  private static Supplier<Color> color(Sheet sheet, String name) {
    StyleableProperty<Color> property =
        FACTORY.createStyleableColorProperty(
            sheet, name, PREFIX + name, s -> s.styleable(PREFIX + name), Color.TRANSPARENT);
    return kept(sheet, name, property);
  }

  private static Supplier<Font> font(Sheet sheet, String name) {
    StyleableProperty<Font> property =
        FACTORY.createStyleableFontProperty(
            sheet, name, PREFIX + name, s -> s.styleable(PREFIX + name), Font.getDefault());
    return kept(sheet, name, property);
  }

  private static <T> Supplier<T> kept(Sheet sheet, String name, StyleableProperty<T> property) {
    sheet.keep(PREFIX + name, property);
    return property::getValue;
  }
}
