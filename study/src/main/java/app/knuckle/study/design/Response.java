package app.knuckle.study.design;

import app.knuckle.stats.means.LinkScale;
import java.util.Arrays;
import java.util.Optional;

/** What the numbers of a response are, and so on which scale their effects add up. */
public enum Response {
  /** A measurement; effects add up as they stand. */
  MEASURED(LinkScale.IDENTITY, null),
  /** How many were counted, per exposure where there is one; effects multiply. */
  COUNTED(LinkScale.LOGARITHM, Part.EXPOSURE),
  /** How many of those tried; effects multiply the odds. */
  PROPORTION(LinkScale.LOG_ODDS, Part.OUT_OF);

  private final LinkScale scale;
  private final Part beside;

  Response(LinkScale scale, Part beside) {
    this.scale = scale;
    this.beside = beside;
  }

  /** The scale on which effects add up. */
  public LinkScale scale() {
    return scale;
  }

  /** The part of the column that says what a count is out of; empty for measurements. */
  public Optional<Part> beside() {
    return Optional.ofNullable(beside);
  }

  /** Whether a part has a meaning here: one that stands beside a response stands beside its own. */
  public boolean takes(Part part) {
    boolean beside = Arrays.stream(values()).anyMatch(response -> response.beside == part);
    return !beside || part == this.beside;
  }

  /** Whether it holds counts, of anything. */
  public boolean isCounted() {
    return this != MEASURED;
  }
}
