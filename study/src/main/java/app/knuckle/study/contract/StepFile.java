package app.knuckle.study.contract;

import app.knuckle.study.prep.Calculate;
import app.knuckle.study.prep.Compute;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Keep;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.Order;
import app.knuckle.study.prep.Relabel;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Spread;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Nearest;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** Reads and writes the steps of a prep trail as JSON. */
final class StepFile {

  private static final Map<String, List<String>> KEYS =
      Map.ofEntries(
          Map.entry("missing", List.of("columns", "values")),
          Map.entry("kind", List.of("column", "kind")),
          Map.entry("merge", List.of("column", "levels", "into")),
          Map.entry("order", List.of("column", "levels")),
          Map.entry("relabel", List.of("column", "labels")),
          Map.entry("rename", List.of("column", "to", "unit")),
          Map.entry("compute", List.of("column", "from", "as", "lambda")),
          Map.entry("calculate", List.of("column", "rule")),
          Map.entry("stack", List.of("columns", "names", "values")),
          Map.entry("spread", List.of("names", "values")),
          Map.entry("edit", List.of("cells")),
          Map.entry("keep", List.of("where")),
          Map.entry("setAside", List.of("rows", "why")));

  /** Lists and objects that a step cannot do without. */
  private static final Map<String, List<String>> NEEDED =
      Map.of(
          "missing", List.of("values"),
          "merge", List.of("levels"),
          "order", List.of("levels"),
          "relabel", List.of("labels"),
          "stack", List.of("columns"),
          "edit", List.of("cells"),
          "keep", List.of("where"),
          "setAside", List.of("rows"));

  private StepFile() {}

  static List<Step> readAll(List<JsonNode> list) {
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < list.size(); i++) {
      steps.add(read(list.get(i), Keys.ofInquiry("prepare", String.valueOf(i + 1))));
    }
    return steps;
  }

  private static Step read(JsonNode node, Keys keys) {
    if (!node.isObject()) {
      throw keys.wrong("step", "an object in braces is needed here", "");
    }
    String step = keys.text(node, "step");
    if (!KEYS.containsKey(step)) {
      throw keys.wrong(
          "step",
          "this version knows no step '" + step + "'",
          Nearest.suggestion(step, KEYS.keySet()));
    }
    List<String> known = new ArrayList<>(KEYS.get(step));
    known.addAll(List.of("step", "off"));
    keys.known(node, known);
    for (String needed : NEEDED.getOrDefault(step, List.of())) {
      if (!node.has(needed)) {
        throw keys.wrong(needed, "a step '" + step + "' needs this key", "");
      }
    }
    boolean off = keys.flag(node, "off");
    return switch (step) {
      case "missing" -> new Missing(keys.texts(node, "columns"), keys.texts(node, "values"), off);
      case "kind" -> new Kind(keys.text(node, "column"), kind(node, keys), off);
      case "merge" ->
          new Merge(
              keys.text(node, "column"), keys.texts(node, "levels"), keys.text(node, "into"), off);
      case "order" -> new Order(keys.text(node, "column"), keys.texts(node, "levels"), off);
      case "relabel" ->
          new Relabel(keys.text(node, "column"), keys.textsByName(node, "labels"), off);
      case "rename" ->
          new Rename(
              keys.text(node, "column"),
              keys.text(node, "to", keys.text(node, "column")),
              keys.text(node, "unit", null),
              off);
      case "compute" -> compute(node, keys, off);
      case "calculate" -> new Calculate(keys.text(node, "column"), keys.text(node, "rule"), off);
      case "stack" ->
          new Stack(
              keys.texts(node, "columns"),
              keys.text(node, "names"),
              keys.text(node, "values"),
              off);
      case "spread" -> new Spread(keys.text(node, "names"), keys.text(node, "values"), off);
      case "edit" -> new Edit(cells(keys.list(node, "cells"), keys), off);
      case "keep" -> new Keep(conditions(keys.list(node, "where"), keys), off);
      case "setAside" ->
          new SetAside(rows(keys.list(node, "rows"), keys), keys.text(node, "why", ""), off);
      default -> throw new IllegalStateException("A step without a reader: " + step);
    };
  }

  private static Kind.As kind(JsonNode node, Keys keys) {
    String kind = keys.text(node, "kind");
    return Kind.As.of(kind)
        .orElseThrow(
            () ->
                keys.wrong(
                    "kind",
                    "there is no kind '" + kind + "'",
                    Nearest.suggestion(
                        kind, Arrays.stream(Kind.As.values()).map(Kind.As::key).toList())));
  }

  private static Compute compute(JsonNode node, Keys keys, boolean off) {
    String as = keys.text(node, "as");
    Compute.As function =
        Compute.As.of(as)
            .orElseThrow(
                () ->
                    keys.wrong(
                        "as",
                        "there is no scale '" + as + "'",
                        Nearest.suggestion(
                            as, Arrays.stream(Compute.As.values()).map(Compute.As::key).toList())));
    if (function == Compute.As.BOX_COX && !node.hasNonNull("lambda")) {
      throw keys.wrong("lambda", "box-cox needs its power", "0 is the logarithm, 0.5 the root");
    }
    return new Compute(
        keys.text(node, "column"),
        keys.text(node, "from"),
        function,
        keys.number(node, "lambda", 0),
        off);
  }

  private static List<Edit.Cell> cells(List<JsonNode> list, Keys keys) {
    List<Edit.Cell> cells = new ArrayList<>();
    for (JsonNode node : list) {
      keys.known(node, List.of("row", "column", "to"));
      if (!node.path("row").isInt() || node.path("row").asInt() < 1) {
        throw keys.wrong(
            "row", "row numbers are whole numbers from 1 on", "The first data row is 1");
      }
      cells.add(
          new Edit.Cell(
              node.get("row").asInt(), keys.text(node, "column"), keys.text(node, "to", "")));
    }
    return cells;
  }

  private static List<Keep.Condition> conditions(List<JsonNode> list, Keys keys) {
    List<Keep.Condition> conditions = new ArrayList<>();
    for (JsonNode node : list) {
      keys.known(node, List.of("column", "is", "from", "to"));
      conditions.add(
          new Keep.Condition(
              keys.text(node, "column"),
              node.has("is") ? keys.texts(node, "is") : null,
              node.has("from") ? (Double) keys.number(node, "from") : null,
              node.has("to") ? (Double) keys.number(node, "to") : null));
    }
    return conditions;
  }

  private static List<Integer> rows(List<JsonNode> list, Keys keys) {
    List<Integer> rows = new ArrayList<>();
    for (JsonNode row : list) {
      if (!row.isInt() || row.asInt() < 1) {
        throw keys.wrong(
            "rows", "row numbers are whole numbers from 1 on", "The first data row is 1");
      }
      rows.add(row.asInt());
    }
    return rows;
  }

  static ArrayNode writeAll(List<Step> steps) {
    ArrayNode array = JsonNodeFactory.instance.arrayNode();
    for (Step step : steps) {
      ObjectNode node = array.addObject();
      write(step, node);
      if (step.off()) {
        node.put("off", true);
      }
    }
    return array;
  }

  private static void write(Step step, ObjectNode node) {
    if (step instanceof Missing s) {
      node.put("step", "missing").set("columns", InquiryFile.texts(s.columns()));
      node.set("values", InquiryFile.texts(s.values()));
    } else if (step instanceof Kind s) {
      node.put("step", "kind").put("column", s.column()).put("kind", s.as().key());
    } else if (step instanceof Merge s) {
      node.put("step", "merge").put("column", s.column());
      node.set("levels", InquiryFile.texts(s.levels()));
      node.put("into", s.into());
    } else if (step instanceof Order s) {
      node.put("step", "order").put("column", s.column());
      node.set("levels", InquiryFile.texts(s.levels()));
    } else if (step instanceof Relabel s) {
      ObjectNode labels = node.put("step", "relabel").put("column", s.column()).putObject("labels");
      s.labels().forEach(labels::put);
    } else if (step instanceof Rename s) {
      node.put("step", "rename").put("column", s.column()).put("to", s.to());
      if (s.unit() != null) {
        node.put("unit", s.unit());
      }
    } else if (step instanceof Compute s) {
      node.put("step", "compute").put("column", s.column()).put("from", s.from());
      node.put("as", s.as().key());
      if (s.as() == Compute.As.BOX_COX) {
        node.put("lambda", s.lambda());
      }
    } else if (step instanceof Calculate s) {
      node.put("step", "calculate").put("column", s.column()).put("rule", s.rule());
    } else if (step instanceof Stack s) {
      node.put("step", "stack").set("columns", InquiryFile.texts(s.columns()));
      node.put("names", s.names()).put("values", s.values());
    } else if (step instanceof Spread s) {
      node.put("step", "spread").put("names", s.names()).put("values", s.values());
    } else if (step instanceof Edit s) {
      ArrayNode cells = node.put("step", "edit").putArray("cells");
      for (Edit.Cell c : s.cells()) {
        cells.addObject().put("row", c.row()).put("column", c.column()).put("to", c.to());
      }
    } else if (step instanceof Keep s) {
      ArrayNode where = node.put("step", "keep").putArray("where");
      for (Keep.Condition c : s.where()) {
        ObjectNode one = where.addObject().put("column", c.column());
        if (c.is() != null) {
          one.set("is", InquiryFile.texts(c.is()));
        }
        if (c.from() != null) {
          one.put("from", c.from());
        }
        if (c.to() != null) {
          one.put("to", c.to());
        }
      }
    } else if (step instanceof SetAside s) {
      ArrayNode rows = node.put("step", "setAside").putArray("rows");
      s.rows().forEach(rows::add);
      node.put("why", s.why());
    }
  }
}
