package app.knuckle.study.contract;

import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Response;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;

/** Reads and writes what is counted in an inquiry. */
final class CountingFile {

  private CountingFile() {}

  /**
   * Reads what counts are out of, into an inquiry in the making whose parts and method are known.
   *
   * @throws Refused if it does not go with these
   */
  static void read(JsonNode node, Keys keys, Inquiry.Draft d) {
    boolean counts = d.approach.response() == Response.COUNTED;
    boolean proportions = d.approach.response() == Response.PROPORTION;
    if (d.outOf() != null && !proportions) {
      throw keys.wrong(
          "outOf", "only proportions are out of a number tried", "Ask with the method proportions");
    }
    if (d.exposure() != null && !counts) {
      throw keys.wrong("exposure", "only counts have an exposure", "Ask with the method counts");
    }
    if (node.has("extraSpread") && !counts && !proportions) {
      throw keys.wrong(
          "extraSpread",
          "only counts and proportions have a spread of the distribution",
          "Leave it out");
    }
    if (node.has("extraSpread")) {
      d.overdispersion = keys.flag(node, "extraSpread");
    }
    if (!counts && !proportions) {
      return;
    }
    refuse(keys, "together", d.together);
    refuse(keys, "expected", d.expected != null);
    refuse(keys, "wholePlots", !d.wholePlots().isEmpty());
    refuse(keys, "strips", !d.strips().isEmpty());
    refuse(keys, "unit", d.unit() != null);
    refuse(keys, "occasions", !d.occasions().isEmpty());
    refuse(keys, "pairs", d.pairs() != null);
  }

  private static void refuse(Keys keys, String key, boolean there) {
    if (there) {
      throw keys.wrong(
          key,
          "counts and proportions are answered with one layer of error and no pairs",
          "Leave " + key + " out, or use a transformation");
    }
  }

  /** Writes what is not usual. */
  static void write(Inquiry inquiry, ObjectNode node) {
    inquiry.response().beside().ifPresent(part -> InquiryFile.put(node, part, inquiry.in(part)));
    if (inquiry.overdispersion() != null) {
      node.put("extraSpread", inquiry.overdispersion());
    }
  }
}
