package app.knuckle.study.contract;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.MissingNode;

/** The text of a file as JSON, or where it is none. */
public final class JsonText {

  private static final ObjectMapper MAPPER =
      new ObjectMapper(
              JsonFactory.builder().enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).build())
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS);

  /** What some editors write before a text in UTF-8. */
  private static final String ORDER_MARK = "\ufeff";

  private JsonText() {}

  /**
   * Reads a text.
   *
   * @param what the file is, for the words of a refusal
   * @param text of the file
   * @return the value in it
   * @throws Refused if it is not JSON, naming the line
   */
  public static JsonNode read(String what, String text) {
    try {
      JsonNode node = MAPPER.readTree(text.startsWith(ORDER_MARK) ? text.substring(1) : text);
      return node == null ? MissingNode.getInstance() : node;
    } catch (JsonProcessingException e) {
      long line = e.getLocation() == null ? 1 : e.getLocation().getLineNr();
      // The parser adds where things began, in words about itself.
      String why = e.getOriginalMessage().replaceAll("(?s) \\(start marker.*|\\[Source.*|\n.*", "");
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(what + ", line " + line),
                  "this is not JSON: " + why.strip(),
                  "Mend the file there")
              .refusal(),
          e);
    }
  }
}
