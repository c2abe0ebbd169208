package app.knuckle.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Quantity;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.words.Numerals;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Whatever is asked: every number in a table of the page is one of the findings, rounded. */
class AnyPageNumbersTest {

  /** A number with its decimals, alone or before letters of a mean. */
  private static final Pattern NUMBER = Pattern.compile("(\u2212?\\d+(?:\\.(\\d+))?)(?: [a-z]+)?");

  /** A p as tables have it. */
  private static final Pattern P = Pattern.compile("[<>]? ?\\.\\d+");

  private static List<Double> numbers(Findings findings) {
    try {
      List<Double> all = new ArrayList<>();
      gather(new ObjectMapper().readTree(FindingsFile.text(findings)), all);
      return all;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void gather(JsonNode node, List<Double> all) {
    if (node.isNumber()) {
      all.add(node.asDouble());
    }
    node.forEach(child -> gather(child, all));
  }

  private static boolean isFound(String cell, List<Double> findings) {
    Matcher number = NUMBER.matcher(cell);
    if (P.matcher(cell).matches()) {
      return findings.stream()
          .anyMatch(v -> v >= 0 && v <= 1 && Numerals.p(Quantity.of(v)).equals(cell));
    }
    if (!number.matches()) {
      return true; // Words.
    }
    int decimals = number.group(2) == null ? 0 : number.group(2).length();
    return findings.stream()
        .anyMatch(
            v ->
                Numerals.fixed(v, decimals).equals(number.group(1))
                    // Proportions are shown in per cent.
                    || Numerals.fixed(100 * v, decimals).equals(number.group(1)));
  }

  private static void isWhole(Page page) {
    for (Block block : page.blocks()) {
      assertThat(block.words()).doesNotContain("NaN").doesNotContain("null").doesNotContain("  ");
      if (block instanceof Block.Table table) {
        assertThat(table.rows())
            .as(table.caption())
            .allMatch(row -> row.size() == table.heads().size());
      }
    }
  }

  @Property(tries = 120, seed = "1414213562")
  void everyNumberOfATableIsAFinding(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> findings = any.answer();
    if (findings.isEmpty()) {
      return;
    }
    PageSettings.Precision[] precisions = PageSettings.Precision.values();
    PageSettings.Length[] lengths = PageSettings.Length.values();
    PageSettings settings =
        PageSettings.USUAL.but(
            d -> {
              d.precision = precisions[random.nextInt(precisions.length)];
              d.length = lengths[random.nextInt(lengths.length)];
              d.oneTable = random.nextBoolean();
            });
    Block.Part part = Block.Part.values()[random.nextInt(Block.Part.values().length)];
    if (part.hasDecimals()) {
      settings = settings.decimals(part, OptionalInt.of(random.nextInt(7)));
    }
    Page page = Page.of(findings.get(), null, settings);
    isWhole(page);
    List<Double> numbers = numbers(findings.get());
    List<String> levels =
        any.table().columns().stream()
            .flatMap(c -> c instanceof Categories own ? own.levels().stream() : Stream.empty())
            .toList();
    assertThat(isFound("98765.4321", numbers)).as("a number from elsewhere").isFalse();
    for (Block block : page.blocks()) {
      if (block instanceof Block.Table table) {
        for (List<String> row : table.rows()) {
          for (String cell : row.subList(1, row.size())) {
            assertThat(isFound(cell, numbers) || levels.contains(cell))
                .as("%s: %s of %s, in %s", table.caption(), cell, row, any)
                .isTrue();
          }
        }
      }
    }
  }

  @Property(tries = 60, seed = "1732050807")
  void twoAnswersSideBySideAreWholeToo(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> one = any.answer();
    Optional<Findings> other = any.answer(asked -> asked.at(0.2));
    if (one.isPresent() && other.isPresent()) {
      isWhole(BesidePage.of(new Abreast(Beside.of(one.get(), other.get()))));
    }
  }
}
