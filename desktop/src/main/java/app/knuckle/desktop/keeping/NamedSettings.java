package app.knuckle.desktop.keeping;

import app.knuckle.formats.keeping.SafeFile;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.TreeMap;

/** Settings that the user keeps by name, for any study: texts by key, in one file. */
public final class NamedSettings {

  /** Stands between a name and the key of a setting; no key holds it. */
  private static final char BETWEEN = '/';

  /** A name of its own is kept even if nothing is otherwise than usual. */
  private static final String HEAD = "";

  private final Path file;

  /**
   * What is kept in a file.
   *
   * @param file of properties; made with the first name
   */
  public NamedSettings(Path file) {
    this.file = file;
  }

  private Map<String, Map<String, String>> all() {
    Properties kept = new Properties();
    if (Files.exists(file)) {
      try (Reader in = Files.newBufferedReader(file)) {
        kept.load(in);
      } catch (IOException | IllegalArgumentException e) {
        kept.clear(); // What cannot be read is nothing.
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
    all.values().forEach(settings -> settings.remove(HEAD));
    return all;
  }

  /** The names, in the order of the alphabet. */
  public List<String> names() {
    return List.copyOf(all().keySet());
  }

  /**
   * What is kept by a name.
   *
   * @param name to look up
   * @return texts by key; empty for a name that is not kept
   */
  public Optional<Map<String, String>> of(String name) {
    return Optional.ofNullable(all().get(name));
  }

  /**
   * Keeps settings; what was kept by the name before is lost.
   *
   * @param name of one's own, not empty
   * @param settings texts by key
   * @throws IOException if nothing can be written there
   */
  public void keep(String name, Map<String, String> settings) throws IOException {
    Map<String, Map<String, String>> all = all();
    all.put(name, settings);
    write(all);
  }

  /**
   * Forgets what is kept by a name.
   *
   * @param name known or not
   * @throws IOException if nothing can be written there
   */
  public void forget(String name) throws IOException {
    Map<String, Map<String, String>> all = all();
    all.remove(name);
    write(all);
  }

  private void write(Map<String, Map<String, String>> all) throws IOException {
    Properties kept = new Properties();
    all.forEach(
        (name, settings) -> {
          kept.setProperty(name + BETWEEN + HEAD, "");
          settings.forEach((key, value) -> kept.setProperty(name + BETWEEN + key, value));
        });
    Files.createDirectories(file.getParent());
    SafeFile.write(
        file, null, out -> kept.store(new OutputStreamWriter(out, StandardCharsets.UTF_8), null));
  }
}
