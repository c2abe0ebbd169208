package app.knuckle.formats.keeping;

import app.knuckle.formats.report.NumberStyle;
import app.knuckle.formats.report.Paper;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.JsonText;
import app.knuckle.study.contract.Keys;
import app.knuckle.study.reckon.Summaries;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.words.ExactP;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.List;

/** Settings as JSON. */
public final class SettingsFile {

  /** The name of the file in the folder of notes. */
  public static final String NAME = "settings.json";

  private static final String BROKEN = "settings (broken).json";

  private static final List<String> KEYS =
      List.of(
          "knuckle",
          "version",
          "appearance",
          "textSize",
          "alpha",
          "procedure",
          "decimalComma",
          "leadingZero",
          "hyphen",
          "thinSpace",
          "pDecimals",
          "paper",
          "folder",
          "openLast");

  private SettingsFile() {}

  /**
   * What was read.
   *
   * @param settings that hold
   * @param notice what is to be said; empty if all is well
   */
  public record Read(Settings settings, String notice) {}

  /**
   * Reads the settings; a file that makes no sense is set aside.
   *
   * @param folder of notes
   * @return the usual settings where there is no file, or none that makes sense
   */
  public static Read read(Path folder) {
    Path file = folder.resolve(NAME);
    if (!Files.exists(file)) {
      return new Read(Settings.USUAL, "");
    }
    try {
      return new Read(settings(JsonText.read(NAME, Files.readString(file))), "");
    } catch (IOException e) {
      return new Read(Settings.USUAL, "The settings cannot be read: all is as usual.");
    } catch (Refused e) {
      return new Read(Settings.USUAL, setAside(file, e));
    }
  }

  private static String setAside(Path file, Refused why) {
    try {
      Files.move(file, file.resolveSibling(BROKEN), StandardCopyOption.REPLACE_EXISTING);
      return "The settings make no sense and were set aside as "
          + BROKEN
          + "; all is as usual. "
          + why.refusal().words();
    } catch (IOException e) {
      return "The settings make no sense: all is as usual. " + why.refusal().words();
    }
  }

  private static Settings settings(JsonNode node) {
    Keys keys = new Keys(NAME, List.of());
    keys.known(node, KEYS);
    if (keys.whole(node, "version", 1, 1) != 1) {
      throw keys.wrong("version", "this version of settings is not known", "Write 1 here");
    }
    Settings usual = Settings.USUAL;
    int textSize = keys.whole(node, "textSize", 1, usual.textSize());
    if (!Settings.TEXT_SIZES.contains(textSize)) {
      throw keys.wrong(
          "textSize", "text is not shown in this size", "Use 100, 125, 150, 175 or 200");
    }
    double alpha = keys.number(node, "alpha", usual.alpha());
    if (!(alpha > 0 && alpha < 1)) {
      throw keys.wrong("alpha", "the level does not lie between 0 and 1", "0.05 is usual");
    }
    return new Settings(
        appearance(keys.text(node, "appearance", usual.appearance().title()), keys),
        textSize,
        alpha,
        procedure(keys.text(node, "procedure", usual.procedure().key()), keys),
        new NumberStyle(
            keys.flag(node, "decimalComma"),
            keys.flag(node, "leadingZero"),
            keys.flag(node, "hyphen"),
            keys.flag(node, "thinSpace"),
            exact(
                keys.whole(node, "pDecimals", ExactP.FEWEST, usual.numbers().exact().decimals()),
                keys)),
        paper(keys.text(node, "paper", usual.paper().key()), keys),
        keys.text(node, "folder", ""),
        keys.flag(node, "openLast"));
  }

  private static Settings.Appearance appearance(String title, Keys keys) {
    List<String> known =
        Arrays.stream(Settings.Appearance.values()).map(Settings.Appearance::title).toList();
    if (!known.contains(title)) {
      throw keys.wrong(
          "appearance", "there is no appearance '" + title + "'", Nearest.suggestion(title, known));
    }
    return Settings.Appearance.values()[known.indexOf(title)];
  }

  private static ExactP exact(int decimals, Keys keys) {
    if (decimals > ExactP.MOST) {
      throw keys.wrong(
          "pDecimals", "no p is written with so many decimals", "Use 2 to " + ExactP.MOST);
    }
    return new ExactP(decimals);
  }

  private static Paper paper(String key, Keys keys) {
    List<String> known = Arrays.stream(Paper.values()).map(Paper::key).toList();
    if (!known.contains(key)) {
      throw keys.wrong("paper", "there is no paper '" + key + "'", Nearest.suggestion(key, known));
    }
    return Paper.values()[known.indexOf(key)];
  }

  private static Procedure procedure(String key, Keys keys) {
    List<String> known = Summaries.procedures().stream().map(Procedure::key).toList();
    return Procedure.of(key)
        .filter(Summaries.procedures()::contains)
        .orElseThrow(
            () ->
                keys.wrong(
                    "procedure",
                    "'" + key + "' does not compare all pairs of means",
                    Nearest.suggestion(key, known)));
  }

  /**
   * Writes the settings in one piece.
   *
   * @param settings to keep
   * @param folder of notes; made if it is not there
   * @throws IOException if they cannot be written; the file is then as it was
   */
  public static void write(Settings settings, Path folder) throws IOException {
    ObjectMapper mapper = new ObjectMapper();
    ObjectNode node = mapper.createObjectNode();
    node.put("knuckle", "settings").put("version", 1);
    node.put("appearance", settings.appearance().title()).put("textSize", settings.textSize());
    node.put("alpha", settings.alpha()).put("procedure", settings.procedure().key());
    node.put("decimalComma", settings.numbers().comma());
    node.put("leadingZero", settings.numbers().leadingZero());
    node.put("hyphen", settings.numbers().hyphen());
    node.put("thinSpace", settings.numbers().thinSpace());
    node.put("pDecimals", settings.numbers().exact().decimals());
    node.put("paper", settings.paper().key());
    node.put("folder", settings.folder()).put("openLast", settings.openLast());
    byte[] text = mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(node);
    Files.createDirectories(folder);
    SafeFile.write(folder.resolve(NAME), null, out -> out.write(text));
  }
}
