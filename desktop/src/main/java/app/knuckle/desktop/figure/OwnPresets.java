package app.knuckle.desktop.figure;

import app.knuckle.desktop.keeping.NamedSettings;
import app.knuckle.desktop.keeping.StateFolder;
import app.knuckle.figures.style.Style;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** Styles that the user keeps by name, for the figures of any study. */
final class OwnPresets {

  private final NamedSettings kept;

  OwnPresets() {
    this(StateFolder.path().resolve("figure-presets.properties"));
  }

  OwnPresets(Path file) {
    kept = new NamedSettings(file);
  }

  List<String> names() {
    return kept.names();
  }

  /**
   * Keeps how a figure looks. Its form, words and brackets belong to it alone and are not kept.
   *
   * @throws IOException if nothing can be written there
   */
  void keep(String name, Style style) throws IOException {
    Style plain = Style.usual(1);
    Style own =
        plain
            .with(style.shown())
            .with(plain.arrangement().with(style.arrangement().order()))
            .with(style.palette(), style.patterns())
            .with(style.paper());
    kept.keep(name, own.settings());
  }

  void forget(String name) throws IOException {
    kept.forget(name);
  }

  /** A style with what a preset says of whiskers, marks, colours, order and size. */
  Style apply(String name, Style style) {
    return kept.of(name)
        .map(settings -> Style.of(settings, 1))
        .map(
            preset ->
                style
                    .with(preset.shown().reference(style.shown().reference()))
                    .with(style.arrangement().with(preset.arrangement().order()))
                    .with(preset.palette(), preset.patterns())
                    .with(preset.paper()))
        .orElse(style);
  }
}
