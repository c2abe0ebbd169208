package app.knuckle.desktop.test;

import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.stats.linear.Squares;
import java.util.Arrays;

/** The kinds of sums of squares, in words. */
enum SquaresChoice {
  /** Type III. */
  AFTER_ALL(Squares.AFTER_ALL, "Every effect after the rest"),
  /** Type II. */
  AFTER_PEERS(Squares.AFTER_ITS_PEERS, "Interactions after main effects"),
  /** Type I. */
  IN_ORDER(Squares.IN_ORDER, "In the order listed");

  /** What the choice means. */
  static final String MEANING =
      "Groups of unequal size share some of their signal. After the rest: only what an effect has"
          + " for itself counts. In order: the first takes what it can.";

  private final Squares squares;
  private final String title;

  SquaresChoice(Squares squares, String title) {
    this.squares = squares;
    this.title = title;
  }

  String title() {
    return title;
  }

  static SquaresChoice of(SlipViewModel slip) {
    return Arrays.stream(values())
        .filter(c -> c.squares == slip.inquiry().squares())
        .findFirst()
        .orElseThrow();
  }

  void choose(SlipViewModel slip) {
    slip.inquiryProperty().set(slip.inquiry().but(d -> d.squares = squares));
  }
}
