package app.knuckle.stats.mixed;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;

/**
 * Limits of one parameter by the likelihood: the two values at which the best that the others can
 * do lies a given height above the minimum.
 */
final class Profile {

  private static final int MOST_STEPS = 200;

  /** A step of this share of the parameter is the last. */
  private static final double LAST_STEP = 1e-13;

  private final LikelihoodSearch search;
  private final LikelihoodSearch.Top top;
  private final int parameter;
  private final double target;
  private final Progress progress;
  private double[] near;

  /**
   * Looks at one parameter.
   *
   * @param search of the model
   * @param top where it ended
   * @param parameter the one
   * @param height above the minimum
   * @param progress asked on the way
   */
  Profile(
      LikelihoodSearch search,
      LikelihoodSearch.Top top,
      int parameter,
      double height,
      Progress progress) {
    this.search = search;
    this.top = top;
    this.parameter = parameter;
    this.progress = progress;
    target = top.point().value() + height;
  }

  /** The best that the others can do; null if they find no top. */
  private Likelihood.Point at(double value) {
    double[] start = near.clone();
    start[parameter] = value;
    boolean[] held = new boolean[start.length];
    held[parameter] = true;
    LikelihoodSearch.Top found = search.from(start, held, progress);
    if (found == null) {
      return null;
    }
    near = found.t();
    return found.point();
  }

  /** The lower limit of a variance: 0 if nothing speaks against that. */
  Quantity low() {
    near = top.t();
    double inside = top.t()[parameter];
    if (parameter < search.limits().variances() && !search.limits().positive()[parameter]) {
      Likelihood.Point zero = inside == 0 ? top.point() : at(0);
      if (zero == null || zero.value() <= target) {
        return zero == null ? Quantity.absent(Absence.NO_LIMIT_BY_LIKELIHOOD) : Quantity.of(0);
      }
    }
    near = top.t();
    double outside = inside;
    for (int step = 0; step < MOST_STEPS; step++) {
      outside = outward(outside, -1, step);
      Likelihood.Point there = at(outside);
      if (there == null) {
        return Quantity.absent(Absence.NO_LIMIT_BY_LIKELIHOOD);
      }
      if (there.value() > target) {
        return between(inside, outside);
      }
      inside = outside;
    }
    return Quantity.absent(Absence.NO_LIMIT_BY_LIKELIHOOD);
  }

  /** The upper limit. */
  Quantity high() {
    near = top.t();
    double inside = top.t()[parameter];
    double outside = inside;
    for (int step = 0; step < MOST_STEPS; step++) {
      outside = outward(outside, 1, step);
      Likelihood.Point there = at(outside);
      if (there == null) {
        return Quantity.absent(Absence.NO_LIMIT_BY_LIKELIHOOD);
      }
      if (there.value() > target) {
        return between(inside, outside);
      }
      inside = outside;
    }
    return Quantity.absent(Absence.NO_LIMIT_BY_LIKELIHOOD);
  }

  /**
   * A value further out: a variance by a factor, a correlation by a share of the way to its end.
   */
  private double outward(double value, int sign, int step) {
    if (parameter >= search.limits().variances()) {
      return value + (sign - value) * 0.4;
    }
    double total = 0;
    for (int i = 0; i < search.limits().variances(); i++) {
      total += top.t()[i];
    }
    return value == 0 ? 0.02 * total : sign < 0 ? value / 1.6 : value * 1.6;
  }

  /** Newton's steps on the height, kept between an inner and an outer value. */
  private Quantity between(double inner, double outer) {
    double inside = inner;
    double outside = outer;
    double value = outside;
    for (int step = 0; step < MOST_STEPS; step++) {
      Likelihood.Point there = at(value);
      if (there == null) {
        return Quantity.absent(Absence.NO_LIMIT_BY_LIKELIHOOD);
      }
      double over = there.value() - target;
      if (over > 0) {
        outside = value;
      } else {
        inside = value;
      }
      double next = value - over / there.gradient()[parameter];
      boolean kept = next > Math.min(inside, outside) && next < Math.max(inside, outside);
      if (Math.abs(next - value) <= LAST_STEP * Math.abs(value)) {
        return Quantity.of(next);
      }
      value = kept ? next : (inside + outside) / 2;
      if (inside == outside || value == inside || value == outside) {
        return Quantity.of(value);
      }
    }
    return Quantity.of(value);
  }
}
