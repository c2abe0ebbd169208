package app.knuckle.figures.scene;

/**
 * The inks of pictures. They are data, not style sheets, because they print: distinct in the common
 * colour-vision deficiencies and by their lightness in grey.
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
  PAPER(0xFFFFFF),
  /** First of a series: the lightest. */
  PALE(0xB9CFCC),
  /** Second of a series. */
  REEF(0x4E989A),
  /** Third of a series: the darkest. */
  ABYSS(0x0F4C58),
  /** Fourth of a series. */
  SAND(0xDDB768),
  /** Fifth of a series. */
  PLUM(0x7A3E6D),
  /** Sixth of a series. */
  MOSS(0x8FA75A),
  /** Warm and of middle lightness. */
  RUST(0xB4613A),
  /** Lightest of the greys. */
  PALE_GREY(0xCBCBC7),
  /** Middle grey. */
  GREY(0x8C8C88),
  /** Darkest of the greys. */
  DEEP_GREY(0x4B4B48);

  private final int rgb;

  Ink(int rgb) {
    this.rgb = rgb;
  }

  /**
   * Whether words on it are read better in paper than in ink: true where its relative luminance
   * (WCAG 2) is below the middle of the two.
   */
  public boolean isDark() {
    double luminance = 0;
    double[] weights = {0.2126, 0.7152, 0.0722};
    for (int i = 0; i < weights.length; i++) {
      double share = (rgb >> (16 - 8 * i) & 0xFF) / 255.0;
      luminance +=
          weights[i] * (share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4));
    }
    return luminance < MIDDLE;
  }

  /** Contrast with paper and with dark ink is alike here. */
  private static final double MIDDLE = 0.24;

  /** The colour: red, green and blue, eight bits each. */
  public int rgb() {
    return rgb;
  }
}
