package app.knuckle.study.contract;

import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.function.Function;

/** Reads and writes what is random in an inquiry. */
final class RandomFile {

  private static final List<String> KEYS = List.of("random", "withinUnit", "denominator");

  private RandomFile() {}

  /**
   * Reads the random part into an inquiry in the making, whose parts and method are known.
   *
   * @throws app.knuckle.study.Refused if it does not go with these
   */
  static void read(JsonNode node, Keys keys, Inquiry.Draft d) {
    if (d.approach.analysis() != Analysis.MIXED) {
      for (String key : KEYS) {
        if (node.has(key)) {
          throw keys.wrong(
              key,
              "nothing is random when the method is " + d.approach.key(),
              "Leave it out, or ask with the method mixed");
        }
      }
      return;
    }
    d.random =
        new RandomPart(
            terms(node, keys),
            one(node, keys, "withinUnit", WithinUnit.values(), WithinUnit::key),
            one(node, keys, "denominator", Denominator.values(), Denominator::key));
    check(d, keys);
  }

  private static <T> T one(
      JsonNode node, Keys keys, String key, T[] values, Function<T, String> name) {
    keys.oneOf(node, key, InquiryFile.keysOf(values, name));
    String text = node.path(key).asText(name.apply(values[0]));
    return Arrays.stream(values).filter(v -> name.apply(v).equals(text)).findFirst().orElseThrow();
  }

  private static List<List<String>> terms(JsonNode node, Keys keys) {
    List<List<String>> terms = new ArrayList<>();
    for (JsonNode term : keys.list(node, "random")) {
      List<String> columns = new ArrayList<>();
      (term.isArray() ? term : List.of(term)).forEach(c -> columns.add(name(c, keys)));
      if (columns.isEmpty() || new HashSet<>(columns).size() < columns.size()) {
        throw keys.wrong(
            "random", "a random term names no column, or one twice", "Name each column once");
      }
      terms.add(columns);
    }
    if (node.has("random") && terms.isEmpty()) {
      throw keys.wrong("random", "no random term is named", "Name one, or leave the key out");
    }
    return terms;
  }

  private static String name(JsonNode node, Keys keys) {
    if (!node.isTextual()) {
      throw keys.wrong("random", "a column, or a list of columns, is needed here", "");
    }
    return node.asText();
  }

  /** What has no answer with a random part. */
  private static void check(Inquiry.Draft d, Keys keys) {
    if (d.squares != Squares.AFTER_ALL) {
      throw keys.wrong(
          "squares",
          "with a random part each term is judged after all others",
          "Leave squares out");
    }
    if (d.together) {
      throw notWithRandom(keys, "together", "several responses are answered one by one");
    }
    if (d.pairs() != null) {
      throw notWithRandom(keys, "pairs", "pairs are a random term of their own");
    }
    if (!d.strips().isEmpty()) {
      throw notWithRandom(keys, "strips", "strips are random terms of their own");
    }
    if (d.expected != null) {
      throw notWithRandom(keys, "expected", "no mean is compared with an expected value");
    }
    for (List<String> term : d.random.terms()) {
      for (String column : term) {
        if (d.covariates().contains(column)) {
          throw keys.wrong(
              "random",
              "the covariate '" + column + "' stands in a random term",
              "Slopes are the same for all; name columns of categories");
        }
        if (d.measured().contains(column)) {
          throw keys.wrong("random", "'" + column + "' is measured", "Name columns of categories");
        }
      }
    }
    boolean repeated = d.unit() != null && d.occasions().size() == 1;
    if (d.random.within() != WithinUnit.EQUAL && !repeated) {
      throw keys.wrong(
          "withinUnit",
          "readings hang together over the occasions of one column, within a unit",
          "Name unit and occasions, or leave it out");
    }
  }

  private static app.knuckle.study.Refused notWithRandom(Keys keys, String key, String why) {
    return keys.wrong(key, "with a random part " + why, "Leave " + key + " out");
  }

  /** Writes what is not usual. */
  static void write(RandomPart random, ObjectNode node) {
    if (!random.terms().isEmpty()) {
      ArrayNode terms = node.putArray("random");
      for (List<String> term : random.terms()) {
        if (term.size() == 1) {
          terms.add(term.get(0));
        } else {
          terms.add(InquiryFile.texts(term));
        }
      }
    }
    if (random.within() != RandomPart.OF_DESIGN.within()) {
      node.put("withinUnit", random.within().key());
    }
    if (random.denominator() != RandomPart.OF_DESIGN.denominator()) {
      node.put("denominator", random.denominator().key());
    }
  }
}
