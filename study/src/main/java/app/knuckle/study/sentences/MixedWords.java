package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Reads a design with random effects back: its skeleton, and what to heed of it. */
final class MixedWords {

  /** With fewer levels a variance is hardly known. */
  private static final int FEW_LEVELS = 5;

  /** With fewer error df a row hardly says anything. */
  private static final int FEW_DF = 2;

  private MixedWords() {}

  /** What is random, as it follows the treatments: ", rack and rack x zone at random". */
  static String random(Inquiry inquiry) {
    List<String> terms = RandomPart.of(inquiry).stream().map(MixedWords::crossed).toList();
    String within =
        switch (inquiry.random().within()) {
          case EQUAL -> "";
          case FIRST_ORDER -> say("random.fading", inquiry.unit());
          case OWN_VARIANCES -> say("random.own", inquiry.occasions().get(0));
        };
    return (terms.isEmpty() ? "" : say("random.terms", Numerals.list(terms))) + within;
  }

  private static String crossed(List<String> columns) {
    return String.join(say("random.crossed"), columns);
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
  static List<String> warnings(TestResult.MixedResult mixed, Inquiry inquiry) {
    List<String> warnings = new ArrayList<>();
    for (Component c : mixed.variation().components()) {
      String source = c.term() == null ? "" : TermName.of(c.term().term());
      if (c.term() != null && c.term().size() < FEW_LEVELS) {
        warnings.add(say("random.few", source, String.valueOf(c.term().size())));
      }
      if (c.atZero()) {
        warnings.add(
            c.term() != null
                ? say("random.zero", source)
                : say("random.zero.occasion", c.occasion().level()));
      }
    }
    for (MixedFit.Row row : mixed.rows()) {
      if (row.df().exists() && row.denominator() != inquiry.random().denominator()) {
        warnings.add(say("random.satterthwaite", TermName.of(row.term())));
      }
      if (row.errorDf().exists() && row.errorDf().value() < FEW_DF) {
        warnings.add(say("random.few.df", TermName.of(row.term())));
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
          warnings.add(say("random.outer", crossed(term), crossed(around)));
        }
      }
    }
  }
}
