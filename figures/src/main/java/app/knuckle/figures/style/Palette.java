package app.knuckle.figures.style;

import app.knuckle.figures.scene.Ink;
import java.util.List;

/**
 * Inks that tell series apart, each by its lightness as well as by its hue, so in grey print and
 * with any colour vision. After the last they begin again.
 */
public enum Palette {
  /** From pale to deep water, then sand, plum and moss. */
  TIDE("tide", List.of(Ink.PALE, Ink.REEF, Ink.ABYSS, Ink.SAND, Ink.PLUM, Ink.MOSS)),
  /** Warm shore against cold water. */
  SHORE("shore", List.of(Ink.SAND, Ink.RUST, Ink.ABYSS, Ink.PALE, Ink.PLUM, Ink.MOSS)),
  /** Four greys, for print without colour. */
  SLATE("slate", List.of(Ink.PALE_GREY, Ink.GREY, Ink.DEEP_GREY, Ink.DARK));

  private final String title;
  private final List<Ink> inks;

  Palette(String title, List<Ink> inks) {
    this.title = title;
    this.inks = inks;
  }

  /** The name on a control, such as "tide". */
  public String title() {
    return title;
  }

  /**
   * Whether so many series all have inks of their own.
   *
   * @param series how many
   * @return false if the inks begin again
   */
  public boolean tellsApart(int series) {
    return series <= inks.size();
  }

  /**
   * The ink of an area.
   *
   * @param series from 0
   * @return its ink
   */
  public Ink area(int series) {
    return inks.get(series % inks.size());
  }

  /**
   * The ink of a line or point, which would hardly be seen in the palest inks.
   *
   * @param series from 0
   * @return its ink
   */
  public Ink line(int series) {
    Ink ink = area(series);
    return ink == Ink.PALE || ink == Ink.PALE_GREY ? Ink.MUTED : ink;
  }

  /** The ink of bars that are of one series. */
  public Ink plainArea() {
    return switch (this) {
      case TIDE -> Ink.TIDE;
      case SHORE -> Ink.SAND;
      case SLATE -> Ink.PALE_GREY;
    };
  }

  /** The ink of points that are of one series. */
  public Ink plainPoint() {
    return switch (this) {
      case TIDE -> Ink.DEEP;
      case SHORE -> Ink.RUST;
      case SLATE -> Ink.DARK;
    };
  }
}
