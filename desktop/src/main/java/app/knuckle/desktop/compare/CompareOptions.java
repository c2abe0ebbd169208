package app.knuckle.desktop.compare;

import app.knuckle.desktop.controls.SlotChooser;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Term;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** What can be compared, and by which procedures. */
final class CompareOptions {

  /** Cells of more treatments than this are not offered: nobody reads so many means. */
  private static final int MOST_CROSSED = 3;

  private CompareOptions() {}

  /**
   * A family of means.
   *
   * @param of treatments whose means they are
   * @param within treatments at each of whose levels that is done
   */
  record Family(List<String> of, List<String> within) {
    String title() {
      String of = String.join(" \u00d7 ", this.of);
      return within.isEmpty() ? of : of + " within each " + String.join(" \u00d7 ", within);
    }

    String line() {
      return !within.isEmpty()
          ? "each level by itself"
          : of.size() > 1 ? "the cells" : "averaged over the rest";
    }
  }

  /**
   * What is compared now, in words.
   *
   * @param family the means
   * @param by name of the procedure
   * @param use when it is used
   */
  record Now(Family family, String by, String use) {}

  /**
   * How means are compared.
   *
   * @param procedure by which
   * @param toReference each with the reference only, not all pairs
   */
  record By(Procedure procedure, boolean toReference) {

    private static final String REFERENCE = " REFERENCE";

    static By of(String key) {
      return new By(Procedure.valueOf(key.replace(REFERENCE, "")), key.endsWith(REFERENCE));
    }

    String key() {
      return procedure.name() + (toReference ? REFERENCE : "");
    }

    String title() {
      return Phrases.title(procedure)
          + (toReference && isForEither() ? ", against the reference" : "");
    }

    /** Whether it compares all pairs too; those made for a reference come first. */
    boolean isForEither() {
      return procedure.isFor(Procedure.Use.ALL_PAIRS);
    }
  }

  /** What is compared now; null if there is nothing to compare. */
  static Now now(Inquiry inquiry) {
    return inquiry.compare().stream()
        .filter(c -> !c.isContrast())
        .findFirst()
        .map(
            c ->
                new Now(
                    new Family(c.of(), c.within()),
                    new By(c.procedure(), c.toReference()).title(),
                    use(c.procedure())))
        .orElse(null);
  }

  /** The procedures to choose among. */
  static List<SlotChooser.Option> by(Inquiry inquiry, Family family) {
    return procedures(inquiry, family).stream()
        .map(
            by ->
                new SlotChooser.Option(by.key(), by.title(), use(by.procedure()), List.of(), false))
        .toList();
  }

  /** Compares by a procedure that was chosen. */
  static void choose(SlipViewModel slip, Family family, String key) {
    By by = By.of(key);
    slip.compareBy(family.of(), family.within(), by.procedure(), by.toReference());
  }

  /** Every treatment, the cells of several, one within another. */
  static List<Family> families(Inquiry inquiry) {
    List<String> t = inquiry.treatments();
    List<Family> all = new ArrayList<>();
    boolean some = inquiry.analysis() == Analysis.LEAST_SQUARES;
    for (Term term : Term.combinations(t, MOST_CROSSED)) {
      if (some || term.names().size() == t.size()) {
        all.add(new Family(term.names(), List.of()));
      }
    }
    for (String one : t) {
      for (String other : t) {
        if (!one.equals(other)) {
          all.add(new Family(List.of(one), List.of(other)));
        }
      }
    }
    return all;
  }

  /** The procedures that fit, the strictest first. */
  static List<By> procedures(Inquiry inquiry, Family family) {
    if (inquiry.analysis() == Analysis.PERMUTATION) {
      return List.of();
    }
    Procedure.Setting setting = inquiry.setting();
    List<By> fitting = new ArrayList<>();
    if (inquiry.reference().keySet().containsAll(family.of())) {
      Procedure.fitting(setting, Procedure.Use.REFERENCE).stream()
          .map(procedure -> new By(procedure, true))
          .sorted(Comparator.comparing(By::isForEither))
          .forEach(fitting::add);
    }
    Procedure.fitting(setting, Procedure.Use.ALL_PAIRS).stream()
        .map(procedure -> new By(procedure, false))
        .forEach(fitting::add);
    // Without any adjustment pairs are hunted: it is answered where a file asks for it.
    fitting.removeIf(by -> by.procedure() == Procedure.NONE);
    return fitting;
  }

  /** Which procedures do not fit here, and what they would need. */
  static String notOffered(Inquiry inquiry, List<String> of) {
    boolean reference = inquiry.reference().keySet().containsAll(of);
    boolean ranks = inquiry.analysis() == Analysis.RANKS;
    boolean means = Procedure.DUNNETT.fits(inquiry.setting());
    List<String> not = new ArrayList<>();
    if (!reference && means) {
      not.add("Dunnett, which needs a reference group");
    }
    if (!reference && ranks && inquiry.blocks().isEmpty() && inquiry.unit() == null) {
      not.add("Steel, which needs a reference group");
    }
    if (inquiry.analysis() == Analysis.LEAST_SQUARES) {
      not.add("Games-Howell and Tamhane, for unequal spread");
    }
    if (!ranks) {
      not.add("Dunn, Dwass-Steel and Conover, on ranks");
    }
    return not.isEmpty()
        ? ""
        : "Not offered here: " + String.join("; ", not) + ". The sentence in Layout asks for them.";
  }

  /** Usual levels of significance, and the one in use. */
  static List<Double> levels(Inquiry inquiry) {
    return Stream.concat(Stream.of(0.1, 0.05, 0.01, 0.001), Stream.of(inquiry.alpha()))
        .distinct()
        .sorted(Comparator.reverseOrder())
        .toList();
  }

  /** Whether a difference can be looked for in one direction: from a reference only. */
  static boolean hasDirection(Inquiry inquiry) {
    return Procedure.DUNNETT.fits(inquiry.setting())
        && inquiry.compare().stream().anyMatch(Compare::toReference);
  }

  /** The directions, in words. */
  static List<String> directions() {
    return Arrays.stream(Direction.values()).map(CompareOptions::words).toList();
  }

  /** The direction in use, in words. */
  static String direction(Inquiry inquiry) {
    return words(inquiry.direction());
  }

  /** Looks in the direction that was chosen. */
  static void direct(SlipViewModel slip, String words) {
    Direction chosen = Direction.values()[directions().indexOf(words)];
    slip.inquiryProperty().set(slip.inquiry().but(d -> d.direction = chosen));
  }

  private static String words(Direction direction) {
    return switch (direction) {
      case EITHER -> "above or below the reference";
      case GREATER -> "only above the reference";
      case LESS -> "only below the reference";
    };
  }

  /** When a procedure is used, in a line. */
  static String use(Procedure procedure) {
    return switch (procedure) {
      case SCHEFFE -> "strictest: also allows any question thought of later";
      case BONFERRONI, DUNN_BONFERRONI -> "strict: shares \u03b1 out among the pairs";
      case SIDAK, DUNN_SIDAK -> "strict: a little more power than Bonferroni";
      case TUKEY -> "made for all pairs: the usual choice";
      case HOLM, DUNN_HOLM -> "as safe as Bonferroni, finds more; no intervals";
      case HOCHBERG -> "finds a little more than Holm, for independent pairs";
      case NEWMAN_KEULS -> "liberal: steps down by the range of the means";
      case DUNCAN -> "very liberal: false findings grow with the means";
      case BENJAMINI_HOCHBERG, DUNN_BENJAMINI_HOCHBERG ->
          "limits the share of false findings, not their chance";
      case LEAST_SIGNIFICANT_DIFFERENCE, NONE, DUNN_NONE ->
          "most liberal: each pair as if it were the only one";
      case GAMES_HOWELL -> "all pairs, each with its own spreads";
      case TAMHANE -> "stricter: own spreads, few rows";
      case DUNNETT, STEEL -> "each against the reference only";
      case DWASS_STEEL -> "each pair ranked by itself";
      case CONOVER_HOLM -> "more power than Dunn's, after an overall test that found something";
      case NEMENYI -> "made for all pairs within blocks";
    };
  }
}
