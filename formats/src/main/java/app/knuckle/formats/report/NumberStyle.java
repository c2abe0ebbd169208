package app.knuckle.formats.report;

import app.knuckle.study.words.ExactP;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * How numbers are written on a page. Names from the records stay as they are, whatever numbers are
 * in them.
 *
 * @param comma whether a comma stands before decimals
 * @param leadingZero whether p begins with a zero
 * @param hyphen whether a plain hyphen stands for the minus sign
 * @param thinSpace whether a thin space stands between a number and its unit
 * @param exact down to which bound p is written as it is
 */
public record NumberStyle(
    boolean comma, boolean leadingZero, boolean hyphen, boolean thinSpace, ExactP exact) {

  /** A point, p without a zero, a minus sign. */
  public static final NumberStyle USUAL = new NumberStyle(false, false, false, false, ExactP.USUAL);

  /** The bounds that are offered. */
  public static final List<ExactP> EXACT_P =
      IntStream.rangeClosed(ExactP.FEWEST, ExactP.MOST).mapToObj(ExactP::new).toList();

  private static final String COMMA = "comma";
  private static final String LEADING_ZERO = "leadingZero";
  private static final String HYPHEN = "hyphen";
  private static final String THIN_SPACE = "thinSpace";
  private static final String EXACT = "pDecimals";
  private static final String YES = "yes";

  /** Decimals without a zero before them, as p is written. */
  private static final Pattern BARE = Pattern.compile("(?<![\\p{L}\\d.])\\.(?=\\d)");

  private static final Pattern DECIMAL = Pattern.compile("(?<=\\d)\\.(?=\\d)");
  private static final Pattern MINUS = Pattern.compile("\u2212(?=[\\d.])");

  /**
   * The same with a comma or a point before decimals.
   *
   * @param yes for a comma
   * @return the changed style
   */
  public NumberStyle comma(boolean yes) {
    return new NumberStyle(yes, leadingZero, hyphen, thinSpace, exact);
  }

  /**
   * The same with a zero before the decimals of p or without.
   *
   * @param yes for a zero
   * @return the changed style
   */
  public NumberStyle leadingZero(boolean yes) {
    return new NumberStyle(comma, yes, hyphen, thinSpace, exact);
  }

  /**
   * The same with a hyphen or a minus sign.
   *
   * @param yes for a hyphen
   * @return the changed style
   */
  public NumberStyle hyphen(boolean yes) {
    return new NumberStyle(comma, leadingZero, yes, thinSpace, exact);
  }

  /**
   * The same with a thin space before units, or a whole one.
   *
   * @param yes for a thin one
   * @return the changed style
   */
  public NumberStyle thinSpace(boolean yes) {
    return new NumberStyle(comma, leadingZero, hyphen, yes, exact);
  }

  /**
   * The same with p exact down to another bound.
   *
   * @param bound below which a p is only smaller
   * @return the changed style
   */
  public NumberStyle exact(ExactP bound) {
    return new NumberStyle(comma, leadingZero, hyphen, thinSpace, bound);
  }

  /**
   * How it was kept.
   *
   * @param kept texts by name
   * @return what is not said is as usual
   */
  static NumberStyle of(Map<String, String> kept) {
    return new NumberStyle(
        YES.equals(kept.get(COMMA)),
        YES.equals(kept.get(LEADING_ZERO)),
        YES.equals(kept.get(HYPHEN)),
        YES.equals(kept.get(THIN_SPACE)),
        EXACT_P.stream()
            .filter(exact -> String.valueOf(exact.decimals()).equals(kept.get(EXACT)))
            .findFirst()
            .orElse(ExactP.USUAL));
  }

  /**
   * As it is kept.
   *
   * @param kept gets what is not as usual, by name
   */
  public void into(Map<String, String> kept) {
    if (comma) {
      kept.put(COMMA, YES);
    }
    if (leadingZero) {
      kept.put(LEADING_ZERO, YES);
    }
    if (hyphen) {
      kept.put(HYPHEN, YES);
    }
    if (thinSpace) {
      kept.put(THIN_SPACE, YES);
    }
    if (!exact.equals(ExactP.USUAL)) {
      kept.put(EXACT, String.valueOf(exact.decimals()));
    }
  }

  /**
   * A block with its numbers written so. Sources and headings keep theirs, and so do the names in
   * the first column of a table.
   *
   * @param block of a page
   * @param page that it stands on: its names stay as they are
   * @return the block
   */
  Block applied(Block block, Page page) {
    boolean stays = block.part() == Block.Part.SOURCES || block instanceof Block.Heading;
    if (stays || equals(USUAL)) {
      return block;
    }
    Block said = block.saying(text(block.words(), page.names(), page.units()));
    if (said instanceof Block.Table table) {
      List<List<String>> rows =
          table.rows().stream()
              .map(
                  row -> {
                    List<String> cells = new ArrayList<>(row.stream().map(this::numbers).toList());
                    cells.set(0, row.get(0));
                    return cells;
                  })
              .toList();
      return table.with(rows, text(table.note(), page.names(), page.units()));
    }
    return said;
  }

  /** A text whose names stay, of which only those with digits could be taken for numbers. */
  String text(String text, Collection<String> names, Collection<String> units) {
    List<String> odd =
        names.stream().filter(name -> name.codePoints().anyMatch(Character::isDigit)).toList();
    return KeptNames.around(text, odd, between -> spaced(numbers(between), units));
  }

  /** A text with thin spaces between numbers and units. */
  private String spaced(String text, Collection<String> units) {
    if (!thinSpace || units.isEmpty()) {
      return text;
    }
    String any = units.stream().map(Pattern::quote).collect(Collectors.joining("|"));
    return text.replaceAll("(?<=\\d) (?=(?:" + any + ")(?![\\p{L}\\d]))", "\u2009");
  }

  private String numbers(String text) {
    String written = text;
    if (leadingZero) {
      written = BARE.matcher(written).replaceAll("0.");
    }
    if (comma) {
      written = DECIMAL.matcher(written).replaceAll(",");
      written = BARE.matcher(written).replaceAll(",");
    }
    return hyphen ? MINUS.matcher(written).replaceAll("-") : written;
  }
}
