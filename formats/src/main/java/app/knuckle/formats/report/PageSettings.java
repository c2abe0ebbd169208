package app.knuckle.formats.report;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What someone asks of a page: which parts stand on it and in which order, how long its results
 * are, how numbers are written, and what is said in words of one's own. Kept in a study as texts by
 * name; only what is not as usual is kept.
 *
 * @param chosen whether the page stands in the document of the whole study
 * @param wanted whether each part stands on the page
 * @param order of the parts, each once
 * @param length of the results
 * @param precision what stands beside a mean
 * @param oneTable whether the means of several responses share one table
 * @param numbers how they are written
 * @param paper that it is printed on
 * @param own words by the place of their block, see {@link Slot}
 */
public record PageSettings(
    boolean chosen,
    Map<Block.Part, Boolean> wanted,
    List<Block.Part> order,
    Length length,
    Precision precision,
    boolean oneTable,
    NumberStyle numbers,
    Paper paper,
    Map<String, Own> own) {

  /** How much the results say. */
  public enum Length {
    /** The finding alone. */
    SENTENCE("one sentence"),
    /** What was tested, effect by effect. */
    PARAGRAPH("a paragraph"),
    /** That, and every difference that was told apart with its interval. */
    FULL("in full");

    private final String title;

    Length(String title) {
      this.title = title;
    }

    /**
     * The name on a control.
     *
     * @return such as "a paragraph"
     */
    public String title() {
      return title;
    }
  }

  /** What stands beside a mean in a table. */
  public enum Precision {
    /** Standard deviation and standard error. */
    BOTH("SD and SE"),
    /** Standard deviation. */
    SD("SD"),
    /** Standard error. */
    SE("SE"),
    /** Interval of the mean. */
    INTERVAL("interval");

    private final String title;

    Precision(String title) {
      this.title = title;
    }

    /**
     * The name on a control.
     *
     * @return such as "SD and SE"
     */
    public String title() {
      return title;
    }
  }

  /**
   * Words of one's own.
   *
   * @param text of one's own
   * @param over what the page itself said when they were written
   */
  public record Own(String text, String over) {}

  /**
   * A block as it stands on the page.
   *
   * @param place of its own among the blocks of the whole page, as it is kept: part, kind and
   *     number
   * @param block as it is shown
   * @param said what the page itself says there
   * @param over what the page said when own words were written over it; empty where nobody did
   */
  public record Slot(String place, Block block, String said, Optional<String> over) {

    /**
     * Whether own words stand over others than the page would say now.
     *
     * @return false where nobody wrote over it
     */
    public boolean isOutdated() {
      return over.isPresent() && !over.get().equals(said);
    }
  }

  private static final String YES = "yes";
  private static final String NO = "no";
  private static final String CHOSEN = "document";
  private static final String ORDER = "order";
  private static final String LENGTH = "length";
  private static final String PRECISION = "precision";
  private static final String ONE_TABLE = "oneTable";
  private static final String PAPER = "paper";
  private static final String OWN = "own ";
  private static final String OVER = "over ";

  /** A page as it usually is. */
  public static final PageSettings USUAL = of(Map.of());

  public PageSettings {
    wanted = Collections.unmodifiableMap(new EnumMap<>(wanted));
    order = List.copyOf(order);
    own = Collections.unmodifiableMap(new TreeMap<>(own));
  }

  /**
   * Settings as they were kept.
   *
   * @param kept texts by name; what is not understood is as usual
   * @return the settings
   */
  public static PageSettings of(Map<String, String> kept) {
    Map<Block.Part, Boolean> wanted = new EnumMap<>(Block.Part.class);
    List<Block.Part> order = new ArrayList<>();
    for (String key : kept.getOrDefault(ORDER, "").split(",")) {
      Arrays.stream(Block.Part.values())
          .filter(part -> part.key().equals(key) && !order.contains(part))
          .forEach(order::add);
    }
    for (Block.Part part : Block.Part.values()) {
      wanted.put(part, kept.getOrDefault(part.key(), part.isUsual() ? YES : NO).equals(YES));
      if (!order.contains(part)) {
        order.add(part);
      }
    }
    Map<String, Own> own = new HashMap<>();
    kept.forEach(
        (key, text) -> {
          if (key.startsWith(OWN)) {
            String place = key.substring(OWN.length());
            own.put(place, new Own(text, kept.getOrDefault(OVER + place, "")));
          }
        });
    return new PageSettings(
        !NO.equals(kept.get(CHOSEN)),
        wanted,
        order,
        oneOf(Length.values(), kept.get(LENGTH)).orElse(Length.PARAGRAPH),
        oneOf(Precision.values(), kept.get(PRECISION)).orElse(Precision.BOTH),
        YES.equals(kept.get(ONE_TABLE)),
        NumberStyle.of(kept),
        oneOf(Paper.values(), kept.get(PAPER)).orElse(Paper.A4),
        own);
  }

  private static <E extends Enum<E>> Optional<E> oneOf(E[] all, String key) {
    return Arrays.stream(all).filter(e -> key(e).equals(key)).findFirst();
  }

  private static String key(Enum<?> of) {
    return of.name().toLowerCase(Locale.ROOT);
  }

  /**
   * What a study keeps.
   *
   * @return texts by name, of what is not as usual
   */
  public Map<String, String> kept() {
    Map<String, String> kept = new LinkedHashMap<>();
    if (!chosen) {
      kept.put(CHOSEN, NO);
    }
    wanted.forEach(
        (part, on) -> {
          if (on != part.isUsual()) {
            kept.put(part.key(), on ? YES : NO);
          }
        });
    if (!order.equals(List.of(Block.Part.values()))) {
      kept.put(ORDER, String.join(",", order.stream().map(Block.Part::key).toList()));
    }
    if (length != Length.PARAGRAPH) {
      kept.put(LENGTH, key(length));
    }
    if (precision != Precision.BOTH) {
      kept.put(PRECISION, key(precision));
    }
    if (oneTable) {
      kept.put(ONE_TABLE, YES);
    }
    numbers.into(kept);
    paper(kept, paper);
    own.forEach(
        (place, words) -> {
          kept.put(OWN + place, words.text);
          kept.put(OVER + place, words.over);
        });
    return kept;
  }

  /**
   * The same, in the document of the whole study or not.
   *
   * @param yes whether it shall stand there
   * @return the changed settings
   */
  public PageSettings chosen(boolean yes) {
    return new PageSettings(yes, wanted, order, length, precision, oneTable, numbers, paper, own);
  }

  /**
   * The same with a part on the page or off it.
   *
   * @param part of the page
   * @param on whether it stands there
   * @return the changed settings
   */
  public PageSettings want(Block.Part part, boolean on) {
    Map<Block.Part, Boolean> changed = new EnumMap<>(wanted);
    changed.put(part, on);
    return new PageSettings(
        chosen, changed, order, length, precision, oneTable, numbers, paper, own);
  }

  /**
   * The same with a part further up or down.
   *
   * @param part of the page
   * @param by how many places further down; negative for up. It stays within the page, and the
   *     title stays on top
   * @return the changed settings
   */
  public PageSettings moved(Block.Part part, int by) {
    List<Block.Part> changed = new ArrayList<>(order);
    int from = changed.indexOf(part);
    changed.remove(part);
    boolean title = part == Block.Part.TITLE;
    int to = title ? 0 : Math.max(1, Math.min(changed.size(), from + by));
    changed.add(to, part);
    return new PageSettings(
        chosen, wanted, changed, length, precision, oneTable, numbers, paper, own);
  }

  /**
   * The same with results of another length.
   *
   * @param other length
   * @return the changed settings
   */
  public PageSettings with(Length other) {
    return new PageSettings(chosen, wanted, order, other, precision, oneTable, numbers, paper, own);
  }

  /**
   * The same with something else beside the means.
   *
   * @param other what
   * @return the changed settings
   */
  public PageSettings with(Precision other) {
    return new PageSettings(chosen, wanted, order, length, other, oneTable, numbers, paper, own);
  }

  /**
   * The same with one table of the means of all responses, or one each.
   *
   * @param yes whether they share one
   * @return the changed settings
   */
  public PageSettings withOneTable(boolean yes) {
    return new PageSettings(chosen, wanted, order, length, precision, yes, numbers, paper, own);
  }

  /**
   * The same with numbers written otherwise.
   *
   * @param other how
   * @return the changed settings
   */
  public PageSettings with(NumberStyle other) {
    return new PageSettings(chosen, wanted, order, length, precision, oneTable, other, paper, own);
  }

  /**
   * The same on other paper.
   *
   * @param other paper
   * @return the changed settings
   */
  public PageSettings with(Paper other) {
    return new PageSettings(
        chosen, wanted, order, length, precision, oneTable, numbers, other, own);
  }

  /**
   * Paper as it is kept.
   *
   * @param kept gets it, if it is not the usual one
   * @param paper to keep
   */
  public static void paper(Map<String, String> kept, Paper paper) {
    if (paper != Paper.A4) {
      kept.put(PAPER, paper.key());
    }
  }

  /**
   * The same with own words in a place. They are taken back by saying what the page says.
   *
   * @param slot the place
   * @param text of one's own
   * @return the changed settings
   */
  public PageSettings written(Slot slot, String text) {
    Map<String, Own> changed = new HashMap<>(own);
    if (text.equals(slot.said())) {
      changed.remove(slot.place());
    } else {
      changed.put(slot.place(), new Own(text, slot.said()));
    }
    return new PageSettings(
        chosen, wanted, order, length, precision, oneTable, numbers, paper, changed);
  }

  /**
   * The page as it was asked for.
   *
   * @param whole page, all parts in their usual order
   * @return what stands on it
   */
  public Page page(Page whole) {
    return new Page(whole.title(), slots(whole).stream().map(Slot::block).toList()).on(paper);
  }

  /**
   * The blocks that stand on the page. What belongs to one of several responses stays together.
   *
   * @param whole page, all parts in their usual order
   * @return one a block, in the order that was asked for
   */
  public List<Slot> slots(Page whole) {
    record Placed(Slot slot, int section) {}

    List<Placed> all = new ArrayList<>();
    Map<String, Integer> counts = new HashMap<>();
    int section = 0;
    for (Block block : whole.blocks()) {
      boolean opens = block instanceof Block.Heading h && h.part() == Block.Part.RESULTS;
      section = opens ? section + 1 : section;
      boolean within = section > 0 && block.part().isOfResponse();
      String kind = block.part().key() + " " + block.kind();
      String place = kind + " " + counts.merge(kind, 1, Integer::sum);
      if (wanted.get(block.part())) {
        all.add(
            new Placed(slot(place, numbers.applied(block, whole.names())), within ? section : 0));
      }
    }
    Comparator<Placed> byPart =
        Comparator.comparingInt(
            p -> order.indexOf(p.section > 0 ? Block.Part.RESULTS : p.slot.block().part()));
    all.sort(
        byPart
            .thenComparingInt(Placed::section)
            .thenComparingInt(p -> order.indexOf(p.slot.block().part())));
    return all.stream().map(Placed::slot).toList();
  }

  private Slot slot(String place, Block block) {
    Own words = own.get(place);
    return words == null
        ? new Slot(place, block, block.words(), Optional.empty())
        : new Slot(place, block.saying(words.text), block.words(), Optional.of(words.over));
  }
}
