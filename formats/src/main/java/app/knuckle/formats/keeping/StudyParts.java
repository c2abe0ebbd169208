package app.knuckle.formats.keeping;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.contract.Keys;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** The parts of a study, wherever they are kept: study.json and a CSV for each table. */
final class StudyParts {

  /** The version that is written. Every earlier one can be read. */
  static final int VERSION = 1;

  static final String JSON = "study.json";

  private static final ObjectMapper MAPPER =
      new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

  private static final ObjectMapper STRICT =
      new ObjectMapper(
          JsonFactory.builder().enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).build());

  private StudyParts() {}

  /** Where parts are found. */
  interface Source {
    /** A part; null if there is none of that name. */
    InputStream open(String part) throws IOException;
  }

  /** The study as JSON; each table's cells are in the part that the function names. */
  static byte[] json(Study study, Function<Study.Kept, String> partOf) throws IOException {
    ObjectNode root = MAPPER.createObjectNode();
    root.put("knuckle", "study").put("version", VERSION).put("name", study.name());
    ArrayNode tables = root.putArray("tables");
    for (Study.Kept kept : study.tables()) {
      Table table = kept.table();
      ObjectNode node = tables.addObject();
      node.put("name", table.name()).put("file", table.file()).put("howRead", table.howRead());
      if (table.makeBelieve()) {
        node.put("makeBelieve", true);
      }
      node.put("path", kept.path()).put("records", partOf.apply(kept)).put("rows", table.rows());
      ObjectNode form = node.putObject("form");
      kept.form().forEach(form::put);
      ArrayNode heads = node.putArray("columns");
      table.columns().forEach(column -> TableText.Head.of(column).write(heads));
    }
    ArrayNode inquiries = root.putArray("inquiries");
    for (Study.Asked asked : study.asked()) {
      ObjectNode node = inquiries.addObject().put("table", asked.table());
      node.set("inquiry", InquiryFile.write(asked.inquiry()));
      ObjectNode figure = node.putObject("figure");
      asked.figure().forEach(figure::put);
      if (!asked.page().isEmpty()) {
        ObjectNode page = node.putObject("page");
        asked.page().forEach(page::put);
      }
    }
    if (!study.plans().isEmpty()) {
      ArrayNode plans = root.putArray("plans");
      study.plans().forEach(plan -> plans.add(PlanFile.asked(plan)));
    }
    for (Reckoning reckoning : study.reckonings()) {
      ObjectNode node = root.withArray("reckonings").addObject();
      node.put("kind", reckoning.kind().key()).put("name", reckoning.name());
      ObjectNode typed = node.putObject("typed");
      reckoning.typed().forEach(typed::put);
      if (!reckoning.said().equals(Reckoning.Said.NOTHING)) {
        node.put("words", reckoning.said().words());
        ArrayNode rows = node.putArray("table");
        reckoning.said().table().forEach(row -> row.forEach(rows.addArray()::add));
      }
      if (reckoning.inDocument()) {
        node.put("inDocument", true);
      }
    }
    return MAPPER.writeValueAsBytes(root);
  }

  /** Reads a study. */
  static Study read(Source source, Place where, Progress progress) throws IOException {
    JsonNode root = root(source, where);
    Keys keys = new Keys(JSON, List.of());
    if (!"study".equals(root.path("knuckle").asText())) {
      throw Refused.at(where, "this is no study of Knuckle", "Choose a .knuckle file");
    }
    JsonNode version = root.path("version");
    if (!version.isNumber()
        || version.asDouble() < 1
        || version.asDouble() != Math.rint(version.asDouble())) {
      throw keys.wrong("version", "there is no version " + version, "This one writes " + VERSION);
    }
    if (version.asDouble() > VERSION) {
      throw Refused.at(
          where,
          "the study was saved by a newer Knuckle, in version " + root.path("version").asText(),
          "Open it with that one; this one knows versions up to " + VERSION);
    }
    keys.known(
        root, List.of("knuckle", "version", "name", "tables", "inquiries", "plans", "reckonings"));
    List<Study.Kept> tables = new ArrayList<>();
    List<JsonNode> kept = keys.list(root, "tables");
    int all = kept.size();
    for (int i = 0; i < all; i++) {
      progress.check();
      tables.add(table(kept.get(i), in("tables", i), source, where));
      progress.done((i + 1.0) / all);
    }
    Set<String> names = new HashSet<>();
    tables.forEach(table -> names.add(table.table().name()));
    List<Study.Asked> asked = new ArrayList<>();
    List<JsonNode> inquiries = keys.list(root, "inquiries");
    for (int i = 0; i < inquiries.size(); i++) {
      JsonNode node = inquiries.get(i);
      Keys own = in("inquiries", i);
      own.known(node, List.of("table", "inquiry", "figure", "page"));
      String table = own.text(node, "table");
      if (!names.contains(table)) {
        throw own.wrong(
            "table", "there is no table '" + table + "'", Nearest.suggestion(table, names));
      }
      asked.add(
          new Study.Asked(
              table,
              InquiryFile.read(node.path("inquiry")),
              own.textsByName(node, "figure"),
              own.textsByName(node, "page")));
    }
    List<Plan> plans = new ArrayList<>();
    for (JsonNode plan : keys.list(root, "plans")) {
      plans.add(PlanFile.read(plan.toString(), 0));
    }
    return new Study(
        keys.text(root, "name", "Study"), tables, asked, plans, reckonings(root, keys));
  }

  private static List<Reckoning> reckonings(JsonNode root, Keys keys) {
    List<Reckoning> all = new ArrayList<>();
    List<JsonNode> nodes = keys.list(root, "reckonings");
    List<String> kinds = Arrays.stream(Reckoning.Kind.values()).map(Reckoning.Kind::key).toList();
    for (int i = 0; i < nodes.size(); i++) {
      Keys own = in("reckonings", i);
      own.known(nodes.get(i), List.of("kind", "name", "typed", "words", "table", "inDocument"));
      String kind = own.text(nodes.get(i), "kind");
      if (!kinds.contains(kind)) {
        throw own.wrong(
            "kind", "there is no reckoning '" + kind + "'", Nearest.suggestion(kind, kinds));
      }
      all.add(
          new Reckoning(
              Reckoning.Kind.values()[kinds.indexOf(kind)],
              own.text(nodes.get(i), "name"),
              own.textsByName(nodes.get(i), "typed"),
              new Reckoning.Said(own.text(nodes.get(i), "words", ""), table(nodes.get(i), own)),
              own.flag(nodes.get(i), "inDocument")));
    }
    return all;
  }

  private static List<List<String>> table(JsonNode node, Keys keys) {
    List<List<String>> table = new ArrayList<>();
    for (JsonNode row : keys.list(node, "table")) {
      List<String> cells = new ArrayList<>();
      row.forEach(cell -> cells.add(cell.isTextual() ? cell.asText() : null));
      boolean even = table.isEmpty() || table.get(0).size() == cells.size();
      if (!row.isArray() || !even || cells.contains(null)) {
        throw keys.wrong("table", "rows of texts are needed here, of one length", "");
      }
      table.add(cells);
    }
    return table;
  }

  private static Keys in(String list, int index) {
    return new Keys(JSON, List.of(list, String.valueOf(index + 1)));
  }

  private static JsonNode root(Source source, Place where) throws IOException {
    try (InputStream in = source.open(JSON)) {
      if (in == null) {
        throw Refused.at(
            where, "it has no part " + JSON + ", so it is no study", "Choose a .knuckle file");
      }
      return STRICT.readTree(in);
    } catch (JsonProcessingException e) {
      long line = e.getLocation() == null ? 1 : e.getLocation().getLineNr();
      throw new Refused(
          Refused.at(
                  where,
                  JSON + " is not whole at line " + line,
                  "Open the previous version, which lies beside it")
              .refusal(),
          e);
    }
  }

  private static Study.Kept table(JsonNode node, Keys keys, Source source, Place where)
      throws IOException {
    keys.known(
        node,
        List.of(
            "name",
            "file",
            "howRead",
            "makeBelieve",
            "path",
            "records",
            "rows",
            "form",
            "columns"));
    List<TableText.Head> heads = new ArrayList<>();
    for (JsonNode head : keys.list(node, "columns")) {
      keys.known(head, List.of("name", "unit", "kind", "levels"));
      String kind = keys.text(head, "kind");
      if (!TableText.kinds().contains(kind)) {
        throw keys.wrong(
            "columns",
            "there is no kind '" + kind + "'",
            Nearest.suggestion(kind, TableText.kinds()));
      }
      heads.add(
          new TableText.Head(
              keys.text(head, "name"),
              keys.text(head, "unit", ""),
              kind,
              keys.texts(head, "levels")));
    }
    String part = keys.text(node, "records");
    int rows = keys.whole(node, "rows", 0, -1);
    if (rows < 0) {
      throw keys.wrong("rows", "the number of rows is needed here", "");
    }
    try (InputStream in = source.open(part)) {
      if (in == null) {
        throw Refused.at(
            where,
            "its part " + part + " is not there",
            "Open the previous version, which lies beside it");
      }
      List<Column> columns = TableText.read(part, heads, rows, in);
      Table table =
          new Table(
              keys.text(node, "name"),
              keys.text(node, "file", ""),
              columns,
              keys.text(node, "howRead", ""),
              keys.flag(node, "makeBelieve"));
      return new Study.Kept(table, keys.text(node, "path", ""), keys.textsByName(node, "form"));
    }
  }
}
