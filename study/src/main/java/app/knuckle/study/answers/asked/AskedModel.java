package app.knuckle.study.answers.asked;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Term;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/** The linear model that an inquiry asks for. */
public final class AskedModel {

  private AskedModel() {}

  /**
   * The model that an inquiry asks for: blocks, covariates, terms of the treatments.
   *
   * @param inquiry the question
   * @param parts its columns, over the rows that are complete
   * @param factors blocks and treatments, in this order
   * @return the model
   * @throws Refused if its terms cannot be answered
   */
  public static Model of(Inquiry inquiry, Parts parts, List<Factor> factors) {
    List<Term> terms = new ArrayList<>();
    inquiry.blocks().forEach(block -> terms.add(Term.of(block)));
    List<Term> listed = terms(inquiry, parts);
    for (String covariate : inquiry.covariates()) {
      if (listed.stream().noneMatch(t -> t.isSameAs(Term.of(covariate)))) {
        terms.add(Term.of(covariate));
      }
    }
    for (Term term : listed) {
      if (term.names().stream().filter(inquiry.covariates()::contains).count() > 1) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("terms")),
            say("refused.term-two-covariates-cannot"),
            say("way.put-one-covariate-term"));
      }
      terms.add(term);
    }
    return new Model(
        factors, inquiry.covariates().stream().map(parts::covariate).toList(), terms, true);
  }

  /**
   * The terms that the inquiry lists, or all or the main ones of its treatments.
   *
   * @param inquiry the question
   * @param parts its columns
   * @return the terms, in order
   * @throws Refused if they are too many, or cross too many levels
   */
  public static List<Term> terms(Inquiry inquiry, Parts parts) {
    List<Term> terms = listed(inquiry);
    if (terms.size() > MOST_TERMS) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("terms")),
          say("refused.too-many-terms", Numerals.whole(terms.size())),
          say("way.ask-for-main-effects"));
    }
    for (Term term : terms) {
      List<String> crossed = term.names().stream().filter(inquiry.treatments()::contains).toList();
      double cells =
          parts.factors(crossed).stream().mapToDouble(Factor::size).reduce(1, (a, b) -> a * b);
      if (cells > MOST_CELLS) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("terms")),
            say(
                "refused.too-many-combinations",
                String.join(" and ", crossed),
                Numerals.whole((long) cells)),
            say("way.take-each-by-itself"));
      }
    }
    return terms;
  }

  /** All terms of eight treatments; of more nobody could say anything. */
  private static final int MOST_TERMS = 255;

  /**
   * More combinations of levels are no experiment, but a label or a measurement among the
   * treatments; the fit grows with their square.
   */
  private static final int MOST_CELLS = 2_000;

  /**
   * The terms that an inquiry lists, without a look at their size.
   *
   * @param inquiry the question
   * @return the terms, in order
   */
  public static List<Term> listed(Inquiry inquiry) {
    return switch (inquiry.terms().choice()) {
      case ALL -> Term.combinations(inquiry.treatments(), inquiry.treatments().size());
      case MAIN -> Term.combinations(inquiry.treatments(), 1);
      case CHOSEN -> inquiry.terms().chosen().stream().map(Term::new).toList();
    };
  }
}
