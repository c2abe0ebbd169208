package app.knuckle.desktop.figure;

import app.knuckle.desktop.keeping.StateFolder;
import app.knuckle.figures.style.Style;
import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;

/** Styles that the user keeps by name, for the figures of any study. */
final class OwnPresets {

  /** Stands between the name of a preset and that of a setting; no setting holds it. */
  private static final char BETWEEN = '/';

  private final Path file;

  OwnPresets() {
    this(StateFolder.path().resolve("figure-presets.properties"));
  }

  OwnPresets(Path file) {
    this.file = file;
  }

  private Map<String, Map<String, String>> all() {
    Properties kept = new Properties();
    if (Files.exists(file)) {
      try (Reader in = Files.newBufferedReader(file)) {
        kept.load(in);
      } catch (IOException | IllegalArgumentException e) {
        kept.clear(); // Presets that cannot be read are none.
      }
    }
    Map<String, Map<String, String>> all = new TreeMap<>();
    for (String key : kept.stringPropertyNames()) {
      int between = key.lastIndexOf(BETWEEN);
      if (between > 0) {
        all.computeIfAbsent(key.substring(0, between), name -> new TreeMap<>())
            .put(key.substring(between + 1), kept.getProperty(key));
      }
    }
    return all;
  }

  List<String> names() {
    return List.copyOf(all().keySet());
  }

  /**
   * Keeps how a figure looks. Its form, words and brackets belong to it alone and are not kept.
   *
   * @throws IOException if nothing can be written there
   */
  void keep(String name, Style style) throws IOException {
    Map<String, Map<String, String>> all = all();
    Style plain = Style.usual(1);
    Style own =
        plain
            .with(style.shown())
            .with(plain.arrangement().with(style.arrangement().order()))
            .with(style.palette(), style.patterns())
            .with(style.paper());
    all.put(name, own.settings());
    write(all);
  }

  void forget(String name) throws IOException {
    Map<String, Map<String, String>> all = all();
    all.remove(name);
    write(all);
  }

  private void write(Map<String, Map<String, String>> all) throws IOException {
    Properties kept = new Properties();
    all.forEach(
        (name, settings) ->
            settings.forEach((key, value) -> kept.setProperty(name + BETWEEN + key, value)));
    Files.createDirectories(file.getParent());
    try (Writer out = Files.newBufferedWriter(file)) {
      kept.store(out, null);
    }
  }

  /** A style with what a preset says of whiskers, marks, colours, order and size. */
  Style apply(String name, Style style) {
    Map<String, String> settings = all().get(name);
    if (settings == null) {
      return style;
    }
    Style preset = Style.of(settings, 1);
    return style
        .with(preset.shown().reference(style.shown().reference()))
        .with(style.arrangement().with(preset.arrangement().order()))
        .with(preset.palette(), preset.patterns())
        .with(preset.paper());
  }
}
