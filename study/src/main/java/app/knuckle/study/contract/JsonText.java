package app.knuckle.study.contract;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.core.io.JsonEOFException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.MissingNode;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The text of a file as JSON, or where it is none. */
public final class JsonText {

  private static final ObjectMapper MAPPER =
      new ObjectMapper(
              JsonFactory.builder().enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).build())
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS);

  /** What some editors write before a text in UTF-8. */
  private static final String ORDER_MARK = "\ufeff";

  /** What the parser says of a key that it met before. */
  private static final Pattern TWICE = Pattern.compile("Duplicate field '(.*)'", Pattern.DOTALL);

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
      JsonLocation at = e.getLocation() == null ? JsonLocation.NA : e.getLocation();
      String line = String.valueOf(Math.max(1, at.getLineNr()));
      String column = String.valueOf(Math.max(1, at.getColumnNr()));
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(Phrases.say("json.place", what, line, column)),
                  why(e),
                  Phrases.say("json.mend"))
              .refusal(),
          e);
    }
  }

  /** Why a text is no JSON; the parser's own words are about its parts and settings. */
  private static String why(JsonProcessingException e) {
    if (e instanceof JsonEOFException) {
      return Phrases.say("json.ends");
    }
    if (e instanceof StreamConstraintsException) {
      return Phrases.say("json.beyond");
    }
    Matcher twice = TWICE.matcher(e.getOriginalMessage());
    return twice.lookingAt()
        ? Phrases.say("json.twice", Prose.bounded(twice.group(1)))
        : Phrases.say("json.not");
  }
}
