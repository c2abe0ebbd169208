package app.knuckle.study.design;

import java.util.List;

/** Where columns play parts: an inquiry, or one in the making. */
public interface HasParts {

  /** The columns that play a part, in order; empty where none does. */
  List<String> in(Part part);

  /** The column that plays a part of one; null where none does. */
  default String one(Part part) {
    List<String> columns = in(part);
    return columns.isEmpty() ? null : columns.get(0);
  }

  /** What was measured. */
  default List<String> measured() {
    return in(Part.MEASURED);
  }

  /** What was done to the units. */
  default List<String> treatments() {
    return in(Part.TREATMENT);
  }

  /** Blocks; two crossed ones make rows and columns. */
  default List<String> blocks() {
    return in(Part.BLOCK);
  }

  /** Treatments laid on whole plots. */
  default List<String> wholePlots() {
    return in(Part.WHOLE_PLOT);
  }

  /** Treatments laid in strips, across those of the others (split-block). */
  default List<String> strips() {
    return in(Part.STRIP);
  }

  /** Who was seen repeatedly; null for none. */
  default String unit() {
    return one(Part.UNIT);
  }

  /** Treatments that vary within a unit. */
  default List<String> occasions() {
    return in(Part.OCCASION);
  }

  /** What matches two groups pair by pair; null for none. */
  default String pairs() {
    return one(Part.PAIRS);
  }

  /** Numbers measured beforehand. */
  default List<String> covariates() {
    return in(Part.COVARIATE);
  }

  /** How many were tried; null for none. */
  default String outOf() {
    return one(Part.OUT_OF);
  }

  /** The time, area or volume that counts are out of; null for none. */
  default String exposure() {
    return one(Part.EXPOSURE);
  }
}
