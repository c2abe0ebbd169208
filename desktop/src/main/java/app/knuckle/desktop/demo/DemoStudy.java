package app.knuckle.desktop.demo;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** "Cove nursery 2026": an imaginary oyster nursery in a cove. */
public final class DemoStudy {

  private DemoStudy() {}

  /** Reads the demo study: its tables and inquiries. */
  public static Study read() {
    try (InputStream in = DemoStudy.class.getResourceAsStream("study.json")) {
      JsonNode node = new ObjectMapper().readTree(in);
      List<Study.Kept> tables = new ArrayList<>();
      for (JsonNode file : node.get("tables")) {
        tables.add(new Study.Kept(table(file.asText()), "", Map.of()));
      }
      List<Study.Asked> asked = new ArrayList<>();
      for (JsonNode one : node.get("asked")) {
        asked.add(
            new Study.Asked(
                one.get("table").asText(),
                InquiryFile.read(one.get("inquiry")),
                figure(one.path("figure"))));
      }
      return new Study(node.get("name").asText(), tables, asked);
    } catch (IOException e) {
      throw new UncheckedIOException("The demo study is part of the application", e);
    }
  }

  private static Map<String, String> figure(JsonNode settings) {
    Map<String, String> figure = new LinkedHashMap<>();
    settings.properties().forEach(one -> figure.put(one.getKey(), one.getValue().asText()));
    return figure;
  }

  /** Goes through a real file, so that the demo is read as any user's records are. */
  private static Table table(String file) throws IOException {
    Path folder = Files.createTempDirectory("knuckle-demo");
    Path copy = folder.resolve(file);
    try (InputStream in = DemoStudy.class.getResourceAsStream(file)) {
      Files.copy(in, copy, StandardCopyOption.REPLACE_EXISTING);
      return RecordsFile.read(copy, RecordsFile.guess(copy), Progress.NONE);
    } finally {
      Files.deleteIfExists(copy);
      Files.delete(folder);
    }
  }
}
