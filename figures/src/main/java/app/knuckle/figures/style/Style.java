package app.knuckle.figures.style;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How a figure is shown.
 *
 * @param form its kind
 * @param shown what stands on it
 * @param scale its value axis
 * @param arrangement where groups stand
 * @param palette its colours
 * @param patterns whether areas are hatched as well
 * @param paper its size
 * @param words own words, by what they stand in place of
 * @param bracketed pairs of groups that have a bracket; empty for all that differ
 */
public record Style(
    Form form,
    Shown shown,
    Scale scale,
    Arrangement arrangement,
    Palette palette,
    boolean patterns,
    Paper paper,
    Map<String, String> words,
    List<Couple> bracketed) {

  private static final String WORD = "word:";
  private static final String BRACKET = "bracket:";

  /** Stands between the names of a pair; no name of a level holds it. */
  private static final String BETWEEN = "\t";

  public Style {
    words = Collections.unmodifiableMap(new LinkedHashMap<>(words)); // In the order given.
    bracketed = List.copyOf(bracketed);
  }

  /**
   * Two groups by their names.
   *
   * @param first the one
   * @param second the other
   */
  public record Couple(String first, String second) {

    /**
     * Whether it is of these two groups.
     *
     * @param a one's name
     * @param b the other's
     * @return in any order
     */
    public boolean isOf(String a, String b) {
      return first.equals(a) && second.equals(b) || first.equals(b) && second.equals(a);
    }
  }

  /**
   * Bars with SE, letters and values, in the size that suits the number of groups.
   *
   * @param groups how many there are
   * @return the usual style
   */
  public static Style usual(int groups) {
    return new Style(
        Form.BARS,
        Shown.USUAL,
        Scale.USUAL,
        Arrangement.USUAL,
        Palette.TIDE,
        false,
        Paper.usual(groups),
        Map.of(),
        List.of());
  }

  /**
   * The style that a study file kept; what it does not say is as usual.
   *
   * @param settings as given by {@link #settings()}
   * @param groups how many there are
   * @return the style
   */
  public static Style of(Map<String, String> settings, int groups) {
    Settings s = new Settings(settings);
    Map<String, String> words = new LinkedHashMap<>();
    List<Couple> bracketed = new ArrayList<>();
    settings.forEach(
        (name, value) -> {
          if (name.startsWith(WORD)) {
            words.put(name.substring(WORD.length()), value);
          } else if (name.startsWith(BRACKET) && value.contains(BETWEEN)) {
            String[] both = value.split(BETWEEN, 2);
            bracketed.add(new Couple(both[0], both[1]));
          }
        });
    return new Style(
        s.one(Form.class, "form", Form.BARS),
        Shown.of(s),
        Scale.of(s),
        Arrangement.of(s),
        s.one(Palette.class, "palette", Palette.TIDE),
        s.yes("patterns", false),
        Paper.of(s, Paper.usual(groups)),
        words,
        bracketed);
  }

  /** The style as a study file keeps it: names and values. */
  public Map<String, String> settings() {
    Map<String, String> settings = new LinkedHashMap<>();
    settings.put("form", form.name());
    shown.into(settings);
    scale.into(settings);
    arrangement.into(settings);
    settings.put("palette", palette.name());
    settings.put("patterns", String.valueOf(patterns));
    paper.into(settings);
    words.forEach((from, to) -> settings.put(WORD + from, to));
    for (int i = 0; i < bracketed.size(); i++) {
      Couple c = bracketed.get(i);
      settings.put(BRACKET + i, c.first() + BETWEEN + c.second());
    }
    return settings;
  }

  /**
   * What is shown for a text.
   *
   * @param text as the records have it
   * @return own words if there are any
   */
  public String word(String text) {
    return words.getOrDefault(text, text);
  }

  /**
   * The same in another form.
   *
   * @param other the form
   * @return the changed style
   */
  public Style with(Form other) {
    return new Style(other, shown, scale, arrangement, palette, patterns, paper, words, bracketed);
  }

  /**
   * The same with other things shown.
   *
   * @param other what stands on the figure
   * @return the changed style
   */
  public Style with(Shown other) {
    return new Style(form, other, scale, arrangement, palette, patterns, paper, words, bracketed);
  }

  /**
   * The same on another scale.
   *
   * @param other the value axis
   * @return the changed style
   */
  public Style with(Scale other) {
    return new Style(form, shown, other, arrangement, palette, patterns, paper, words, bracketed);
  }

  /**
   * The same arranged otherwise.
   *
   * @param other where groups stand
   * @return the changed style
   */
  public Style with(Arrangement other) {
    return new Style(form, shown, scale, other, palette, patterns, paper, words, bracketed);
  }

  /**
   * The same in other colours.
   *
   * @param other the colours
   * @param hatched whether areas are hatched as well
   * @return the changed style
   */
  public Style with(Palette other, boolean hatched) {
    return new Style(form, shown, scale, arrangement, other, hatched, paper, words, bracketed);
  }

  /**
   * The same at another size.
   *
   * @param other the size
   * @return the changed style
   */
  public Style with(Paper other) {
    return new Style(form, shown, scale, arrangement, palette, patterns, other, words, bracketed);
  }

  /**
   * The same with own words for a text.
   *
   * @param text as the records have it
   * @param own what is shown; empty for the text itself
   * @return the changed style
   */
  public Style named(String text, String own) {
    Map<String, String> changed = new LinkedHashMap<>(words);
    if (own.isBlank() || own.strip().equals(text)) {
      changed.remove(text);
    } else {
      changed.put(text, own.strip());
    }
    return new Style(form, shown, scale, arrangement, palette, patterns, paper, changed, bracketed);
  }

  /**
   * The same with a bracket more, or one fewer if it is there already; brackets are then shown.
   *
   * @param couple the groups
   * @return the changed style
   */
  public Style bracketing(Couple couple) {
    List<Couple> changed = new ArrayList<>(bracketed);
    if (!changed.removeIf(c -> c.isOf(couple.first(), couple.second()))) {
      changed.add(couple);
    }
    return new Style(
        form,
        shown.with(Shown.Above.BRACKETS),
        scale,
        arrangement,
        palette,
        patterns,
        paper,
        words,
        changed);
  }
}
