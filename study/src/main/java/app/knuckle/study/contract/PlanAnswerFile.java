package app.knuckle.study.contract;

import app.knuckle.stats.Progress;
import app.knuckle.stats.planning.IncompleteBlocks;
import app.knuckle.stats.power.PlannedDifference;
import app.knuckle.study.Refused;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.plan.PlannedPower;
import app.knuckle.study.plan.Shows;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;

/** Plans of trials as JSON with what follows from them: the arrangement, and what it will show. */
public final class PlanAnswerFile {

  private static final double LESS = 0.8;
  private static final double MORE = 0.9;

  private PlanAnswerFile() {}

  /**
   * Writes a plan as it was asked, with its arrangement and what it will show.
   *
   * @param asked the plan as read
   * @param plan the same
   * @param arrangement of its plots
   * @param progress asked on the way
   * @return indented, ending in a line break
   * @throws Refused if its records could not be asked at all
   */
  public static String text(String asked, Plan plan, Arrangement arrangement, Progress progress) {
    ObjectNode node = (ObjectNode) JsonText.read(PlanFile.FILE, asked);
    node.remove(PlanFile.ADDED);
    node.put("seed", plan.seed());
    ArrayNode plots = node.putArray("arrangement");
    for (Arrangement.Plot plot : arrangement.plots()) {
      ObjectNode one = plots.addObject();
      one.put("plot", plot.number()).put("row", plot.row()).put("column", plot.column());
      if (!plot.block().isEmpty()) {
        one.put("block", plot.block());
      }
      if (!plot.unit().isEmpty()) {
        one.put("unit", plot.unit());
      }
      ObjectNode treatments = one.putObject("treatments");
      plot.treatments().forEach(treatments::put);
    }
    boolean first = true;
    for (Plan.Measured measured : plan.measured()) {
      Shows shows = PlannedPower.of(plan, arrangement, measured, progress);
      if (first) {
        FindingsFile.skeleton(node, shows.design());
        shows(node.putObject("shows"), plan, measured, shows);
        node.set("inquiry", InquiryFile.write(PlanRecords.inquiry(plan, measured)));
      } else {
        shows(node.withArray("alsoShows").addObject(), plan, measured, shows);
      }
      first = false;
    }
    try {
      return new ObjectMapper().writerWithDefaultPrettyPrinter().writeValueAsString(node) + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("A plan cannot be written", e);
    }
  }

  private static void shows(ObjectNode node, Plan plan, Plan.Measured measured, Shows shows) {
    node.put("measured", measured.name());
    ArrayNode effects = node.putArray("effects");
    for (Shows.Effect effect : shows.effects()) {
      ObjectNode one = effects.addObject();
      effect.term().forEach(one.putArray("term")::add);
      one.put("power", effect.power()).put("ncp", effect.ncp());
      one.put("df", effect.df()).put("errorDf", effect.errorDf());
    }
    if (!shows.why().isEmpty()) {
      node.put("why", shows.why());
    }
    if (shows.kinds().isEmpty()) {
      node.putNull("difference");
    } else {
      difference(node.putObject("difference"), plan, shows.kinds().get(0));
      if (shows.kinds().size() > 1) {
        ArrayNode kinds = node.putArray("differences");
        shows.kinds().forEach(kind -> difference(kinds.addObject(), plan, kind));
      }
    }
    ArrayNode curve = node.putArray("curve");
    for (Shows.Point point : shows.curve()) {
      curve.addObject().put("replicates", point.repeats()).put("power", point.power());
    }
    shows.needed().ifPresentOrElse(n -> node.put("needed", n), () -> node.putNull("needed"));
    int treatments = plan.combinations().size();
    if (shows.incomplete().isPresent()) {
      IncompleteBlocks blocks = shows.incomplete().orElseThrow();
      node.put("efficiency", blocks.efficiency(treatments));
      node.put("efficiencyBound", blocks.bound(treatments));
      node.put("resolvable", blocks.resolvable());
    } else {
      node.putNull("efficiency").putNull("efficiencyBound");
    }
    if (shows.rehearsed().isPresent()) {
      Shows.Rehearsed rehearsed = shows.rehearsed().orElseThrow();
      node.putObject("rehearsed")
          .put("runs", rehearsed.runs())
          .put("power", rehearsed.power())
          .put("mcse", rehearsed.mcse());
    } else {
      node.putNull("rehearsed");
    }
  }

  private static void difference(ObjectNode node, Plan plan, Shows.Kind kind) {
    PlannedDifference test = kind.test();
    kind.differing().forEach(node.putArray("differing")::add);
    node.put("power", test.power(plan.wanted().difference()));
    node.put("least80", test.least(LESS)).put("least90", test.least(MORE));
    node.put("halfWidth", test.expectedHalfWidth()).put("sed", test.sed()).put("df", test.df());
  }
}
