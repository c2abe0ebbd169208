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
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;

/**
 * Reads and writes the steps of a prep trail as JSON: each step has a codec, found by its class.
 */
final class StepFile {

  /**
   * How a step stands in a file.
   *
   * @param kind its class
   * @param name its name
   * @param keys that it may have
   * @param needed those of them that hold a list or an object it cannot do without
   * @param reader makes the step from its object
   * @param writer adds its keys to an object
   */
  private record Codec<S extends Step>(
      Class<S> kind,
      String name,
      List<String> keys,
      List<String> needed,
      Reader<S> reader,
      BiConsumer<S, ObjectNode> writer) {

    void write(Step step, ObjectNode node) {
      writer.accept(kind.cast(step), node.put("step", name));
    }
  }

  private interface Reader<S> {
    S read(JsonNode node, Keys keys, boolean off);
  }

  private static final Map<String, Codec<?>> BY_NAME = new LinkedHashMap<>();
  private static final Map<Class<?>, Codec<?>> BY_CLASS = new HashMap<>();

  private StepFile() {}

  private static <S extends Step> void add(
      Class<S> kind,
      String name,
      List<String> keys,
      List<String> needed,
      Reader<S> reader,
      BiConsumer<S, ObjectNode> writer) {
    Codec<S> codec = new Codec<>(kind, name, keys, needed, reader, writer);
    BY_NAME.put(name, codec);
    BY_CLASS.put(kind, codec);
  }

  static {
    add(
        Missing.class,
        "missing",
        List.of("columns", "values"),
        List.of("values"),
        (node, keys, off) ->
            new Missing(keys.texts(node, "columns"), keys.texts(node, "values"), off),
        (s, node) -> {
          node.set("columns", InquiryFile.texts(s.columns()));
          node.set("values", InquiryFile.texts(s.values()));
        });
    add(
        Kind.class,
        "kind",
        List.of("column", "kind"),
        List.of(),
        (node, keys, off) -> new Kind(keys.text(node, "column"), kind(node, keys), off),
        (s, node) -> node.put("column", s.column()).put("kind", s.as().key()));
    add(
        Merge.class,
        "merge",
        List.of("column", "levels", "into"),
        List.of("levels"),
        (node, keys, off) ->
            new Merge(
                keys.text(node, "column"),
                keys.texts(node, "levels"),
                keys.text(node, "into"),
                off),
        (s, node) -> {
          node.put("column", s.column()).set("levels", InquiryFile.texts(s.levels()));
          node.put("into", s.into());
        });
    add(
        Order.class,
        "order",
        List.of("column", "levels"),
        List.of("levels"),
        (node, keys, off) -> new Order(keys.text(node, "column"), keys.texts(node, "levels"), off),
        (s, node) -> node.put("column", s.column()).set("levels", InquiryFile.texts(s.levels())));
    add(
        Relabel.class,
        "relabel",
        List.of("column", "labels"),
        List.of("labels"),
        (node, keys, off) ->
            new Relabel(keys.text(node, "column"), keys.textsByName(node, "labels"), off),
        (s, node) -> {
          ObjectNode labels = node.put("column", s.column()).putObject("labels");
          s.labels().forEach(labels::put);
        });
    add(
        Rename.class,
        "rename",
        List.of("column", "to", "unit"),
        List.of(),
        (node, keys, off) ->
            new Rename(
                keys.text(node, "column"),
                keys.text(node, "to", keys.text(node, "column")),
                keys.text(node, "unit", null),
                off),
        (s, node) -> {
          node.put("column", s.column()).put("to", s.to());
          if (s.unit() != null) {
            node.put("unit", s.unit());
          }
        });
    add(
        Compute.class,
        "compute",
        List.of("column", "from", "as", "lambda"),
        List.of(),
        StepFile::compute,
        (s, node) -> {
          node.put("column", s.column()).put("from", s.from()).put("as", s.as().key());
          if (s.as() == Compute.As.BOX_COX) {
            node.put("lambda", s.lambda());
          }
        });
    add(
        Calculate.class,
        "calculate",
        List.of("column", "rule"),
        List.of(),
        (node, keys, off) -> new Calculate(keys.text(node, "column"), keys.text(node, "rule"), off),
        (s, node) -> node.put("column", s.column()).put("rule", s.rule()));
    add(
        Stack.class,
        "stack",
        List.of("columns", "names", "values"),
        List.of("columns"),
        (node, keys, off) ->
            new Stack(
                keys.texts(node, "columns"),
                keys.text(node, "names"),
                keys.text(node, "values"),
                off),
        (s, node) -> {
          node.set("columns", InquiryFile.texts(s.columns()));
          node.put("names", s.names()).put("values", s.values());
        });
    add(
        Spread.class,
        "spread",
        List.of("names", "values"),
        List.of(),
        (node, keys, off) -> new Spread(keys.text(node, "names"), keys.text(node, "values"), off),
        (s, node) -> node.put("names", s.names()).put("values", s.values()));
    add(
        Edit.class,
        "edit",
        List.of("cells"),
        List.of("cells"),
        (node, keys, off) -> new Edit(cells(keys.list(node, "cells"), keys), off),
        (s, node) -> {
          ArrayNode cells = node.putArray("cells");
          for (Edit.Cell c : s.cells()) {
            cells.addObject().put("row", c.row()).put("column", c.column()).put("to", c.to());
          }
        });
    add(
        Keep.class,
        "keep",
        List.of("where"),
        List.of("where"),
        (node, keys, off) -> new Keep(conditions(keys.list(node, "where"), keys), off),
        (s, node) -> {
          ArrayNode where = node.putArray("where");
          s.where().forEach(c -> condition(c, where.addObject()));
        });
    add(
        SetAside.class,
        "setAside",
        List.of("rows", "why"),
        List.of("rows"),
        (node, keys, off) ->
            new SetAside(rows(keys.list(node, "rows"), keys), keys.text(node, "why", ""), off),
        (s, node) -> {
          s.rows().forEach(node.putArray("rows")::add);
          node.put("why", s.why());
        });
  }

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
    String name = keys.text(node, "step");
    Codec<?> codec = BY_NAME.get(name);
    if (codec == null) {
      throw keys.wrong(
          "step",
          "this version knows no step '" + name + "'",
          Nearest.suggestion(name, BY_NAME.keySet()));
    }
    List<String> known = new ArrayList<>(codec.keys());
    known.addAll(List.of("step", "off"));
    keys.known(node, known);
    for (String needed : codec.needed()) {
      if (!node.has(needed)) {
        throw keys.wrong(needed, "a step '" + name + "' needs this key", "");
      }
    }
    return codec.reader().read(node, keys, keys.flag(node, "off"));
  }

  static ArrayNode writeAll(List<Step> steps) {
    ArrayNode array = JsonNodeFactory.instance.arrayNode();
    for (Step step : steps) {
      ObjectNode node = array.addObject();
      BY_CLASS.get(step.getClass()).write(step, node);
      if (step.off()) {
        node.put("off", true);
      }
    }
    return array;
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

  private static void condition(Keep.Condition condition, ObjectNode node) {
    node.put("column", condition.column());
    if (condition.is() != null) {
      node.set("is", InquiryFile.texts(condition.is()));
    }
    if (condition.from() != null) {
      node.put("from", condition.from());
    }
    if (condition.to() != null) {
      node.put("to", condition.to());
    }
  }

  /** The classes of steps that can be written. */
  static Set<Class<?>> written() {
    return BY_CLASS.keySet();
  }
}
