package app.knuckle.study.answers;

import static app.knuckle.study.answers.Asking.ask;
import static app.knuckle.study.answers.Asking.numbers;
import static app.knuckle.study.answers.Asking.words;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import app.knuckle.study.table.Column;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import org.junit.jupiter.api.Test;

/** Values seen on the same unit, block or pair: who takes part, and who is left out by name. */
class RelatedGroupsTest {

  private static final String ON_RANKS =
      "\"treatments\":[\"feed\"],\"unit\":\"bag\",\"occasions\":[\"feed\"],\"method\":\"ranks\"";

  /** Bags of three feeds each; the feeds always rank kelp, mix, paste. */
  private static final Column FEED =
      words("feed", 15, i -> new String[] {"kelp", "mix", "paste"}[i % 3]);

  private static final Column BAG = words("bag", 15, i -> "bag " + (char) ('A' + i / 3));

  private static double rising(int row) {
    return 10 * (row % 3) + row / 3;
  }

  @Test
  void fiveBagsAllInOneOrderAgreeWholly() throws IOException {
    JsonNode friedman = ask(ON_RANKS, FEED, BAG, numbers("y", 15, i -> rising(i))).at("/tests/0");
    // Rank sums 5, 10, 15: chi2 = 12 / (5 * 3 * 4) * 350 - 3 * 5 * 4 = 10 = b (k - 1), so W is 1.
    assertThat(friedman.at("/rows/0/chiSquared").asDouble()).isCloseTo(10, offset(1e-12));
    assertThat(friedman.at("/rows/0/kendallW").asDouble()).isCloseTo(1, offset(1e-12));
    // One of 6 orders in each bag but the first, times any order: 6 / 6^5.
    assertThat(friedman.at("/rows/0/exactP").asDouble()).isCloseTo(Math.pow(6, -4), offset(1e-12));
    assertThat(friedman.at("/blocksUsed").asInt()).isEqualTo(5);
    assertThat(friedman.at("/unitsLeftOut")).isEmpty();
  }

  @Test
  void ranksAskWhoTendsToBeHigherAndNothingOfMeans() throws IOException {
    JsonNode design = ask(ON_RANKS, FEED, BAG, numbers("y", 15, i -> rising(i))).get("design");
    assertThat(design.toString()).contains("repeated on each bag").doesNotContain("mean");
  }

  @Test
  void bagsThatMissAFeedAreLeftOutByNameAndKeptWhereGapsAreAllowed() throws IOException {
    JsonNode findings =
        ask(ON_RANKS, FEED, BAG, numbers("y", 15, i -> i == 4 || i == 11 ? Double.NaN : rising(i)));
    JsonNode friedman = findings.at("/tests/0");
    assertThat(friedman.get("unitsLeftOut"))
        .extracting(JsonNode::asText)
        .containsExactly("bag B", "bag D");
    assertThat(friedman.at("/rows/0/chiSquared").asDouble()).isCloseTo(6, offset(1e-12));
    assertThat(findings.at("/sentences/finding").asText() + friedman)
        .contains("Left out for a missing level of feed: bag B and bag D.");
    JsonNode gaps = findings.at("/tests");
    for (JsonNode test : gaps) {
      if (test.get("kind").asText().equals("skillings-mack")) {
        assertThat(test.get("blocksUsed").asInt()).isEqualTo(5);
      }
    }
  }

  @Test
  void aPairWithOneHalfIsNamedInTheSentence() throws IOException {
    String pairs = "\"treatments\":[\"side\"],\"pairs\":\"shell\"";
    Column side = words("side", 9, i -> i % 2 == 0 ? "left" : "right");
    Column shell = words("shell", 9, i -> "shell " + i / 2);
    Column y = numbers("y", 9, i -> i % 2 + i * i % 5);
    for (String method : new String[] {"", ",\"method\":\"ranks\""}) {
      JsonNode findings = ask(pairs + method, side, shell, y);
      assertThat(findings.at("/design/warnings").toString())
          .contains("Left out for a missing level of side: shell 4.");
    }
    JsonNode signed = ask(pairs + ",\"method\":\"ranks\"", side, shell, y).at("/tests/0");
    assertThat(signed.at("/unitsLeftOut/0").asText()).isEqualTo("shell 4");
  }

  @Test
  void severalValuesOfOneFeedInABagAreAveragedAndThatIsSaid() throws IOException {
    // Two readings of each, half a unit to either side of the value that would stand alone.
    Column feed = words("feed", 30, i -> new String[] {"kelp", "mix", "paste"}[i / 2 % 3]);
    Column bag = words("bag", 30, i -> "bag " + (char) ('A' + i / 6));
    JsonNode twice =
        ask(ON_RANKS, feed, bag, numbers("y", 30, i -> rising(i / 2) + (i % 2 - 0.5) * 40));
    JsonNode once = ask(ON_RANKS, FEED, BAG, numbers("y", 15, i -> rising(i)));
    assertThat(twice.at("/tests/0/rows/0/chiSquared"))
        .isEqualTo(once.at("/tests/0/rows/0/chiSquared"));
    assertThat(twice.at("/design/warnings").toString())
        .contains("Several values of one level of feed in one bag are averaged first.");
    assertThat(once.at("/design/warnings")).isEmpty();
  }
}
