package app.knuckle.figures.scene;

/**
 * The inks of pictures. They are data, not style sheets, because they print: told apart in the
 * common colour-vision deficiencies and by their lightness in grey.
 */
public enum Ink {
  /** Text and axes. */
  DARK(0x16323C),
  /** Secondary text. */
  MUTED(0x5F7178),
  /** Grid lines. */
  FAINT(0xE8E2D6),
  /** Bars. */
  TIDE(0x6FA9A8),
  /** Points and means. */
  DEEP(0x0E6B70),
  /** Pale areas. */
  MIST(0xD9EBE8),
  /** What needs a look. */
  AMBER(0xA9690F),
  /** The ground of a hollow mark. */
  PAPER(0xFFFFFF);

  private final int rgb;

  Ink(int rgb) {
    this.rgb = rgb;
  }

  /**
   * The colour.
   *
   * @return red, green and blue, eight bits each
   */
  public int rgb() {
    return rgb;
  }
}
