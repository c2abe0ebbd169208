package app.knuckle.stats;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.stream.StreamSupport;

/** The reference cases: values of 15 digits, worked out in exact or 40-digit arithmetic. */
public final class Reference {

  private Reference() {}

  /** The whole of one reference file. */
  public static JsonNode file(String name) {
    try (InputStream in = Reference.class.getResourceAsStream("/reference/" + name)) {
      return new ObjectMapper().readTree(in);
    } catch (IOException e) {
      throw new UncheckedIOException(name, e);
    }
  }

  /** The elements of a list. */
  public static List<JsonNode> list(JsonNode list) {
    return StreamSupport.stream(list.spliterator(), false).toList();
  }

  /** A number, or infinity where the file says so. */
  public static double number(JsonNode node) {
    return node.isTextual() ? Double.POSITIVE_INFINITY : node.asDouble();
  }
}
