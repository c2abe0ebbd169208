package app.knuckle.study.design;

import app.knuckle.stats.compare.Direction;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What is asked of a model once it is fitted.
 *
 * @param expected what the mean of one sample is compared with; null for none
 * @param alpha level of significance, between 0 and 1
 * @param direction in which a difference is looked for
 * @param reference the level of a treatment that others are compared with
 * @param adjustAt values of covariates at which means are given; the others at their mean
 * @param compare what to compare, by which procedures
 * @param edges of the bins in which a response is counted; round ones for others
 * @throws IllegalArgumentException if alpha does not lie between 0 and 1
 */
public record Questions(
    Double expected,
    double alpha,
    Direction direction,
    Map<String, String> reference,
    Map<String, Double> adjustAt,
    List<Compare> compare,
    Map<String, List<Double>> edges) {

  /** The level of significance unless the user says otherwise. */
  public static final double USUAL_ALPHA = 0.05;

  /** Nothing is compared, at the usual level. */
  public static final Questions NONE =
      new Questions(null, USUAL_ALPHA, Direction.EITHER, Map.of(), Map.of(), List.of(), Map.of());

  public Questions {
    if (!(alpha > 0 && alpha < 1)) {
      throw new IllegalArgumentException("alpha lies between 0 and 1: " + alpha);
    }
    reference = inOrder(reference);
    adjustAt = inOrder(adjustAt);
    compare = List.copyOf(compare);
    edges = inOrder(edges);
  }

  /** A copy that keeps its order, so that what is written of it is the same each time. */
  static <K, V> Map<K, V> inOrder(Map<K, V> map) {
    return Collections.unmodifiableMap(new LinkedHashMap<>(map));
  }
}
