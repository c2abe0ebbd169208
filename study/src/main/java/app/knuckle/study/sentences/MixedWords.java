package app.knuckle.study.sentences;

import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Reads a design with random effects back: its skeleton, and what to heed of it. */
final class MixedWords {

  /** With fewer levels a variance is hardly known. */
  private static final int FEW_LEVELS = 5;

  /** With fewer degrees of freedom of noise a row hardly says anything. */
  private static final int FEW_DF = 2;

  private MixedWords() {}

  /** What is random, as it follows the treatments: ", rack and rack x zone at random". */
  static String random(Inquiry inquiry) {
    List<String> terms =
        RandomPart.of(inquiry).stream().map(term -> String.join(" x ", term)).toList();
    String within =
        switch (inquiry.random().within()) {
          case EQUAL -> "";
          case FIRST_ORDER -> ", readings of one " + inquiry.unit() + " fading with time";
          case OWN_VARIANCES -> ", each " + inquiry.occasions().get(0) + " with its own spread";
        };
    return (terms.isEmpty() ? "" : ", " + Numerals.list(terms) + " at random") + within;
  }

  /** Fixed terms with their degrees of freedom, random ones with their levels. */
  static List<DesignReading.Source> skeleton(TestResult.MixedResult mixed) {
    List<DesignReading.Source> skeleton = new ArrayList<>();
    for (MixedFit.Row row : mixed.rows()) {
      int df = row.df().exists() ? (int) row.df().value() : 0;
      skeleton.add(new DesignReading.Source(row.term().source(), row.term().names(), 0, df, ""));
    }
    for (Component c : mixed.variation().components()) {
      if (c.term() != null) {
        skeleton.add(
            DesignReading.Source.random(
                c.term().term().source(), c.term().term().names(), c.term().size()));
      }
    }
    return skeleton;
  }

  /** What to heed: few levels, variances at zero, few degrees of freedom, an outer term missing. */
  static List<String> warnings(TestResult test, Inquiry inquiry) {
    List<String> warnings = new ArrayList<>();
    if (!(test instanceof TestResult.MixedResult mixed)) {
      return warnings;
    }
    for (Component c : mixed.variation().components()) {
      String source = c.term() == null ? "" : c.term().term().source();
      if (c.term() != null && c.term().size() < FEW_LEVELS) {
        warnings.add(
            "The variance of "
                + source
                + " rests on few levels, "
                + c.term().size()
                + ": say what holds for these alone by taking it as fixed.");
      }
      if (c.atZero()) {
        warnings.add(
            c.term() != null
                ? "The variance of "
                    + source
                    + " is estimated at its limit of zero, and everything is judged as if it were"
                    + " not there."
                : "The readings of "
                    + c.occasion().level()
                    + " show no variance of their own: a variance for each occasion does not suit"
                    + " them.");
      }
    }
    for (MixedFit.Row row : mixed.rows()) {
      if (row.df().exists() && row.denominator() != inquiry.random().denominator()) {
        warnings.add(
            row.term().source()
                + " is judged after Satterthwaite: the adjustment of Kenward and Roger does not"
                + " exist for it.");
      }
      if (row.errorDf().exists() && row.errorDf().value() < FEW_DF) {
        warnings.add(
            row.term().source() + " is judged by fewer than 2 degrees of freedom of noise.");
      }
    }
    outer(inquiry, warnings);
    return warnings;
  }

  /** A grouping within another that stands nowhere by itself. */
  private static void outer(Inquiry inquiry, List<String> warnings) {
    List<List<String>> terms = RandomPart.of(inquiry);
    for (List<String> term : terms) {
      for (int outer = 1; outer < term.size(); outer++) {
        List<String> around = term.subList(0, outer);
        boolean fixed =
            inquiry.treatments().containsAll(around) || inquiry.blocks().containsAll(around);
        boolean random =
            terms.stream().anyMatch(other -> Set.copyOf(other).equals(Set.copyOf(around)));
        if (!fixed && !random) {
          String name = String.join(" x ", around);
          warnings.add(
              String.join(" x ", term)
                  + " is random within "
                  + name
                  + ", but "
                  + name
                  + " itself stands nowhere: add it, fixed or random.");
        }
      }
    }
  }
}
