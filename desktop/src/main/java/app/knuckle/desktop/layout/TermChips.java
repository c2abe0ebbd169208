package app.knuckle.desktop.layout;

import app.knuckle.stats.linear.Term;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.design.Terms;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The terms of the model, to be switched on and off. */
final class TermChips {

  private final Question question;

  TermChips(Question question) {
    this.question = question;
  }

  private Inquiry asked() {
    return question.inquiry();
  }

  /** Terms that can be switched on and off, each with whether it is on. */
  Map<List<String>, Boolean> terms() {
    Map<List<String>, Boolean> terms = new LinkedHashMap<>();
    List<String> treatments = asked().treatments();
    if (treatments.size() + asked().covariates().size() < 2
        || asked().analysis() != Analysis.LEAST_SQUARES) {
      return terms;
    }
    for (Term term : Term.combinations(treatments, treatments.size())) {
      terms.put(term.names(), isOn(term.names()));
    }
    boolean layered =
        !asked().wholePlots().isEmpty()
            || !asked().occasions().isEmpty()
            || !asked().strips().isEmpty();
    for (String covariate : layered ? List.<String>of() : asked().covariates()) {
      for (String treatment : treatments) {
        List<String> term = List.of(treatment, covariate);
        terms.put(term, isOn(term));
      }
    }
    return terms;
  }

  private boolean isOn(List<String> term) {
    return switch (asked().terms().choice()) {
      case ALL -> asked().treatments().containsAll(term);
      case MAIN -> term.size() == 1;
      case CHOSEN -> asked().terms().chosen().contains(term);
    };
  }

  /**
   * Switches a term; at least one stays. One that the question has no more, pressed while its
   * answer is still under way, does nothing.
   */
  void switchTerm(List<String> term) {
    Map<List<String>, Boolean> terms = terms();
    if (terms.computeIfPresent(term, (t, on) -> !on) == null) {
      return;
    }
    List<List<String>> on = terms.keySet().stream().filter(terms::get).toList();
    if (!on.isEmpty()) {
      question.ask(Redesign.of(asked(), d -> d.terms = new Terms(Terms.Choice.CHOSEN, on)));
    }
  }
}
