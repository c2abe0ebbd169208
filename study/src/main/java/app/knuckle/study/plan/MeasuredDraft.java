package app.knuckle.study.plan;

import java.util.LinkedHashMap;
import java.util.Map;

/** What will be measured, while it is being changed. */
public final class MeasuredDraft {

  /** See the record. */
  public String name;

  /** See the record. */
  public String unit;

  /** See the record. */
  public double mean;

  /** See the record. */
  public double sd;

  /** See the record. */
  public double blockSd;

  /** See the record. */
  public double wholePlotSd;

  /** See the record. */
  public Map<String, Double> stripSd;

  /** See the record. */
  public double unitSd;

  /** See the record. */
  public Plan.Covariate covariate;

  /**
   * Begins with what is measured.
   *
   * @param measured as it is
   */
  public MeasuredDraft(Plan.Measured measured) {
    name = measured.name();
    unit = measured.unit();
    mean = measured.mean();
    sd = measured.sd();
    blockSd = measured.blockSd();
    wholePlotSd = measured.wholePlotSd();
    stripSd = new LinkedHashMap<>(measured.stripSd());
    unitSd = measured.unitSd();
    covariate = measured.covariate();
  }

  Plan.Measured measured() {
    return new Plan.Measured(
        name, unit, mean, sd, blockSd, wholePlotSd, stripSd, unitSd, covariate);
  }
}
