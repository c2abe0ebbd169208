package app.knuckle.study.answers;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.function.IntFunction;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/** A question about made columns, and its findings as they are written. */
public final class Asking {

  private Asking() {}

  public static Column words(String name, int rows, IntFunction<String> cell) {
    List<String> cells = IntStream.range(0, rows).mapToObj(cell).toList();
    List<String> levels = new ArrayList<>(new LinkedHashSet<>(cells));
    return new Categories(
        name, "", cells.stream().mapToInt(levels::indexOf).toArray(), levels, false);
  }

  public static Column numbers(String name, int rows, IntToDoubleFunction value) {
    return new Numbers(name, "", IntStream.range(0, rows).mapToDouble(value).toArray());
  }

  public static JsonNode ask(String inquiry, Column... columns) throws IOException {
    Table table = new Table("t", "", List.of(columns), "");
    String json =
        "{\"knuckle\":\"inquiry\",\"version\":1,"
            + (inquiry.contains("\"measured\"") ? "" : "\"measured\":[\"y\"],")
            + inquiry
            + "}";
    String text = FindingsFile.text(Answering.of(table, InquiryFile.read(json), Progress.NONE));
    assertThat(text).doesNotContain("NaN").doesNotContain("Infinity").doesNotContain("Exception");
    return new ObjectMapper().readTree(text);
  }

  public static JsonNode row(JsonNode findings, String source) {
    for (JsonNode row : findings.at("/tests/0/rows")) {
      if (row.get("source").asText().equals(source)) {
        return row;
      }
    }
    throw new AssertionError("No row " + source);
  }
}
