package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.Refused;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Whatever question without records is asked, it is answered in numbers or refused in words. */
class AnyQuestionTest {

  private static final ObjectMapper JSON = new ObjectMapper();

  private static final List<String> KINDS =
      List.of("from-summaries", "complete-table", "power", "sample-size", "power", "gone");

  private static final List<String> TESTS =
      List.of("one-way", "factorial", "two-groups", "one-sample", "pairs", "gone");

  private static final List<String> NUMBERS =
      List.of(
          "groups", "n", "cohenF", "cohenD", "alpha", "power", "df", "ss", "ms", "f", "mean", "sd");

  private static final double[] VALUES = {
    -1, 0, 0.05, 0.5, 0.8, 1, 2, 3, 4.5, 12, 60, 1e6, 1e300, -0.3, 0.999999
  };

  private static double value(Random random) {
    return random.nextInt(3) == 0
        ? VALUES[random.nextInt(VALUES.length)]
        : random.nextBoolean() ? 2 + random.nextInt(20) : random.nextDouble();
  }

  private static JsonNode any(Random random) {
    return switch (random.nextInt(12)) {
      case 0 -> JSON.getNodeFactory().textNode("some");
      case 1 -> JSON.getNodeFactory().nullNode();
      case 2 -> JSON.createArrayNode().add(1).add("x");
      default -> JSON.getNodeFactory().numberNode(value(random));
    };
  }

  private static ObjectNode question(Random random) {
    ObjectNode question = JSON.createObjectNode();
    String kind = KINDS.get(random.nextInt(KINDS.size()));
    question.put("kind", kind);
    ObjectNode given = question.putObject("given");
    given.put("test", TESTS.get(random.nextInt(TESTS.size())));
    for (String key : NUMBERS) {
      if (random.nextInt(3) > 0) {
        given.set(key, any(random));
      }
    }
    if (random.nextInt(4) > 0) {
      given.putObject("levels").put("mesh", 1 + random.nextInt(5)).put("tide", 2);
      given.putArray("effect").add("mesh");
    }
    if (kind.equals("from-summaries")) {
      int k = 1 + random.nextInt(4);
      for (String key : List.of("levels", "n", "mean", "sd")) {
        ArrayNode list = given.putArray(key);
        for (int i = 0; i < k; i++) {
          list.add(key.equals("levels") ? JSON.getNodeFactory().textNode("g" + i) : any(random));
        }
      }
      given.putArray("procedures").add("tukey").add("bonferroni");
    } else if (kind.equals("complete-table")) {
      for (String part : List.of("effect", "error", "total")) {
        ObjectNode known = given.putObject(part);
        for (String key : List.of("df", "ss", "ms", "f")) {
          if (random.nextBoolean()) {
            known.set(key, any(random));
          }
        }
      }
    }
    return question;
  }

  @Property(tries = 600, seed = "57721566")
  void isAnsweredOrRefusedInWords(@ForAll Random random) throws IOException {
    ObjectNode question = question(random);
    try {
      String answer = ReckonFile.answer(question.toString());
      assertThat(answer).doesNotContain("NaN").doesNotContain("Infinity");
      JSON.readTree(answer)
          .findValues("p")
          .forEach(p -> assertThat(p.isNull() || p.asDouble() >= 0 && p.asDouble() <= 1).isTrue());
    } catch (Refused e) {
      assertThat(e.getMessage()).isNotBlank().doesNotContain("NaN").doesNotContain("Exception");
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(question.toString(), e);
    }
  }
}
