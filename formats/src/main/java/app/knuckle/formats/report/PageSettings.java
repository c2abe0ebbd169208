package app.knuckle.formats.report;

import app.knuckle.figures.style.Style;
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
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.function.Consumer;

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
 * @param panel whether its figure is a panel of one figure in the document of the whole study
 * @param beside the name of the inquiry that stands beside it, where that is asked for; empty for
 *     none
 * @param numbers how they are written
 * @param terms what procedures are called
 * @param decimals of the tables of a part, where they are not as many as the errors allow
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
    boolean panel,
    String beside,
    NumberStyle numbers,
    OwnTerms terms,
    Map<Block.Part, Integer> decimals,
    Paper paper,
    Map<String, Own> own) {

  /** How much the results say. */
  public enum Length {
    /** The finding alone. */
    SENTENCE("one sentence"),
    /** What was tested, effect by effect. */
    PARAGRAPH("a paragraph"),
    /** That, and every significant difference with its interval. */
    FULL("in full");

    private final String title;

    Length(String title) {
      this.title = title;
    }

    /** The name on a control, such as "a paragraph". */
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

    /** The name on a control, such as "SD and SE". */
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
     * Whether own words stand over others than the page would say now: false where nobody wrote
     * over it.
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
  private static final String PANEL = "panel";
  private static final String BESIDE = "beside of";
  private static final String PAPER = "paper";
  private static final String DECIMALS = "decimals ";
  private static final String OWN = "own ";
  private static final String OVER = "over ";

  /** The most decimals that a table is asked for. */
  public static final int MOST_DECIMALS = 6;

  /** A page as it usually is. */
  public static final PageSettings USUAL = of(Map.of());

  public PageSettings {
    wanted = Collections.unmodifiableMap(new EnumMap<>(wanted));
    order = List.copyOf(order);
    decimals = Collections.unmodifiableMap(new TreeMap<>(decimals));
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
    Map<Block.Part, Integer> decimals = new EnumMap<>(Block.Part.class);
    for (Block.Part part : Block.Part.values()) {
      String asked = kept.getOrDefault(DECIMALS + part.key(), "");
      if (part.hasDecimals() && asked.matches("[0-" + MOST_DECIMALS + "]")) {
        decimals.put(part, Integer.valueOf(asked));
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
        YES.equals(kept.get(PANEL)),
        kept.getOrDefault(BESIDE, ""),
        NumberStyle.of(kept),
        OwnTerms.of(kept),
        decimals,
        oneOf(Paper.values(), kept.get(PAPER)).orElse(Paper.A4),
        own);
  }

  private static <E extends Enum<E>> Optional<E> oneOf(E[] all, String key) {
    return Arrays.stream(all).filter(e -> key(e).equals(key)).findFirst();
  }

  private static String key(Enum<?> of) {
    return of.name().toLowerCase(Locale.ROOT);
  }

  /** What a study keeps: texts by name, of what is not as usual. */
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
    if (panel) {
      kept.put(PANEL, YES);
    }
    if (!beside.isEmpty()) {
      kept.put(BESIDE, beside);
    }
    numbers.into(kept);
    terms.into(kept);
    decimals.forEach((part, n) -> kept.put(DECIMALS + part.key(), String.valueOf(n)));
    paper(kept, paper);
    own.forEach(
        (place, words) -> {
          kept.put(OWN + place, words.text);
          kept.put(OVER + place, words.over);
        });
    return kept;
  }

  /** Settings while they are being changed. */
  public static final class Draft {
    /** See the record. */
    public boolean chosen;

    /** See the record. */
    public Map<Block.Part, Boolean> wanted;

    /** See the record. */
    public List<Block.Part> order;

    /** See the record. */
    public Length length;

    /** See the record. */
    public Precision precision;

    /** See the record. */
    public boolean oneTable;

    /** See the record. */
    public boolean panel;

    /** See the record. */
    public String beside;

    /** See the record. */
    public NumberStyle numbers;

    /** See the record. */
    public OwnTerms terms;

    /** See the record. */
    public Map<Block.Part, Integer> decimals;

    /** See the record. */
    public Paper paper;

    /** See the record. */
    public Map<String, Own> own;

    private Draft(PageSettings settings) {
      chosen = settings.chosen;
      wanted = new EnumMap<>(settings.wanted);
      order = new ArrayList<>(settings.order);
      length = settings.length;
      precision = settings.precision;
      oneTable = settings.oneTable;
      panel = settings.panel;
      beside = settings.beside;
      numbers = settings.numbers;
      terms = settings.terms;
      decimals = new HashMap<>(settings.decimals);
      paper = settings.paper;
      own = new HashMap<>(settings.own);
    }
  }

  /**
   * The same but for something.
   *
   * @param change what is otherwise
   * @return the changed settings
   */
  public PageSettings but(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new PageSettings(
        d.chosen,
        d.wanted,
        d.order,
        d.length,
        d.precision,
        d.oneTable,
        d.panel,
        d.beside,
        d.numbers,
        d.terms,
        d.decimals,
        d.paper,
        d.own);
  }

  /**
   * How the page is made, whatever it says: what is kept by a name of one's own for other pages.
   * Returns texts by name, of what is not as usual; without words of one's own.
   */
  public Map<String, String> style() {
    return but(d -> {
          d.chosen = true;
          d.wanted.put(Block.Part.BESIDE, false);
          d.beside = "";
          d.own.clear();
        })
        .kept();
  }

  /**
   * The same page made in another style.
   *
   * @param style texts by name
   * @return the changed settings; words of one's own stay
   */
  public PageSettings in(Map<String, String> style) {
    return of(style)
        .but(
            d -> {
              d.chosen = chosen;
              d.wanted.put(Block.Part.BESIDE, wanted.get(Block.Part.BESIDE));
              d.beside = beside;
              d.own = own;
            });
  }

  /**
   * The same with a part on the page or off it.
   *
   * @param part of the page
   * @param on whether it stands there
   * @return the changed settings
   */
  public PageSettings want(Block.Part part, boolean on) {
    return but(d -> d.wanted.put(part, on));
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
    return but(
        d -> {
          int from = d.order.indexOf(part);
          d.order.remove(part);
          boolean title = part == Block.Part.TITLE;
          d.order.add(title ? 0 : Math.max(1, Math.min(d.order.size(), from + by)), part);
        });
  }

  /**
   * The same with as many decimals in the tables of a part.
   *
   * @param part with tables of means or of what is measured in their unit
   * @param decimals 0 to {@value #MOST_DECIMALS}; empty for as many as the errors allow
   * @return the changed settings
   */
  public PageSettings decimals(Block.Part part, OptionalInt decimals) {
    return but(
        d -> {
          d.decimals.remove(part);
          decimals.ifPresent(n -> d.decimals.put(part, n));
        });
  }

  /**
   * How many decimals the tables of a part have.
   *
   * @param part with tables
   * @param rule as many as the errors allow
   * @return that, or what was asked for
   */
  int decimals(Block.Part part, int rule) {
    return decimals.getOrDefault(part, rule);
  }

  /**
   * The same when an inquiry of the study has another name from now on.
   *
   * @param from its name before
   * @param to its name now
   * @return these settings if it does not stand beside this one
   */
  public PageSettings renamed(String from, String to) {
    return beside.isEmpty() || !beside.equals(from) ? this : but(d -> d.beside = to);
  }

  /** A figure of one column is a little wider than half of a page. */
  private static final double NEARLY_HALF = 1.2;

  /**
   * How the figure is drawn for the document of the whole study: as a panel so that two of one
   * column stand side by side; wider ones stay as they are, and have a row of their own.
   *
   * @param style of the figure by itself
   * @return the same if it is no panel
   */
  public Style figure(Style style) {
    double wide = style.paper().widthMm();
    double half = paper.halfMm();
    return panel && wide > half && wide < NEARLY_HALF * half
        ? style.with(
            new app.knuckle.figures.style.Paper(
                half, style.paper().heightMm(), style.paper().typeSize()))
        : style;
  }

  /**
   * Whether the page itself is another, not only what of it stands where.
   *
   * @param other settings
   * @return true if it has to be made anew
   */
  public boolean saysOtherThan(PageSettings other) {
    return length != other.length
        || precision != other.precision
        || oneTable != other.oneTable
        || !beside.equals(other.beside)
        || !wanted.get(Block.Part.BESIDE).equals(other.wanted.get(Block.Part.BESIDE))
        || !numbers.exact().equals(other.numbers.exact())
        || !decimals.equals(other.decimals);
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
    return but(
        d -> {
          if (text.equals(slot.said())) {
            d.own.remove(slot.place());
          } else {
            d.own.put(slot.place(), new Own(text, slot.said()));
          }
        });
  }

  /**
   * The page as it was asked for.
   *
   * @param whole page, all parts in their usual order
   * @return what stands on it
   */
  public Page page(Page whole) {
    return new Page(whole.title(), slots(whole).stream().map(Slot::block).toList())
        .on(paper)
        .panel(panel);
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
            new Placed(
                slot(place, numbers.applied(terms.applied(block, whole), whole)),
                within ? section : 0));
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
