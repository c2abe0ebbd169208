package app.knuckle.study.proof;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.contract.ReckonFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * A question with the numbers that answer it, known to 15 digits from elsewhere.
 *
 * @param file of the case
 * @param name of the question within it
 * @param subject what it is about
 * @param table the records; null for questions without
 * @param node the question with what is expected
 */
public record ProofCase(String file, String name, Subject subject, Table table, JsonNode node) {

  private static final String FOLDER = "cases/";
  private static final String INDEX = "cases.txt";

  /** Questions without records are answered from rounded summaries. */
  private static final double OF_SUMMARIES = 1e-8;

  private static final List<String> OF_A_ROW =
      List.of("row", "fitted", "residual", "leverage", "pearson", "deviance");

  /** All cases that are shipped, in the order of their files. */
  public static List<ProofCase> all() {
    List<ProofCase> all = new ArrayList<>();
    for (String file : index()) {
      JsonNode node = read(FOLDER + file);
      node.path("reckon")
          .forEach(
              question ->
                  all.add(
                      new ProofCase(
                          file,
                          question.path("name").asText(question.path("kind").asText()),
                          Subject.RECKONER,
                          null,
                          question)));
      if (node.path("inquiry").isObject()) {
        Table table = CaseTable.of(node.get("data"));
        all.add(of(file, "first", table, node));
        int i = 1;
        for (JsonNode also : node.path("also")) {
          all.add(of(file, also.path("name").asText("also " + i++), table, also));
        }
      }
    }
    return all;
  }

  private static ProofCase of(String file, String name, Table table, JsonNode node) {
    Subject subject = Subject.of(InquiryFile.read(node.get("inquiry")));
    return new ProofCase(file, name, subject, table, node);
  }

  /** Names of the files, since a jar does not list what is in it. */
  static List<String> index() {
    try (BufferedReader lines =
        new BufferedReader(new InputStreamReader(open(INDEX), StandardCharsets.UTF_8))) {
      return lines.lines().filter(line -> !line.isBlank()).toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static JsonNode read(String name) {
    try (InputStream in = open(name)) {
      return new ObjectMapper().readTree(in);
    } catch (IOException e) {
      throw new UncheckedIOException("A shipped case cannot be read: " + name, e);
    }
  }

  private static InputStream open(String name) {
    InputStream in = ProofCase.class.getResourceAsStream(name);
    if (in == null) {
      throw new IllegalStateException("A shipped case is missing: " + name);
    }
    return in;
  }

  /**
   * Answers the question as any other.
   *
   * @param progress may stop it
   * @return the answer as its file has it; empty where it was refused, which falls short in every
   *     number
   */
  public JsonNode answer(Progress progress) {
    if (table == null) {
      return ReckonFile.answer(node).get("answer");
    }
    try {
      Inquiry inquiry = InquiryFile.read(node.get("inquiry"));
      String text = FindingsFile.text(Answering.of(table, inquiry, progress));
      return new ObjectMapper().readTree(text);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (Refused e) {
      return new ObjectMapper().createObjectNode();
    }
  }

  /**
   * Holds an answer against what is expected.
   *
   * @param actual the answer
   * @return one or more agreements: of the findings, and of single rows where these are known
   */
  public List<Agreement> held(JsonNode actual) {
    if (table == null) {
      return List.of(Agreement.of(node.get("expect"), actual, OF_SUMMARIES));
    }
    List<Agreement> agreements = new ArrayList<>();
    agreements.add(Agreement.of(node.get("expect"), actual));
    for (int r = 0; r < node.path("detail").size(); r++) {
      agreements.add(
          Agreement.of(
              rows(node.get("detail").get(r).get("rows")),
              actual.path("residuals").path(r).path("rows")));
    }
    return agreements;
  }

  /** What is left of each row, which findings tell under other names. */
  private static ArrayNode rows(JsonNode detail) {
    ArrayNode expected = new ObjectMapper().createArrayNode();
    for (JsonNode row : detail) {
      ObjectNode one = expected.addObject();
      OF_A_ROW.forEach(key -> one.set(key, row.get(key)));
      one.set("studentised", row.get("deletion"));
    }
    return expected;
  }

  @Override
  public String toString() {
    return file + ", " + name;
  }
}
