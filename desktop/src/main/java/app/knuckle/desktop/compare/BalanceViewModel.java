package app.knuckle.desktop.compare;

import app.knuckle.desktop.compare.Balance.Pan;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ContrastResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What lies on the balance, what it says, and the questions that were kept. */
final class BalanceViewModel {

  /** More groups than this are not put on pans one by one. */
  private static final int MOST_WEIGHED = 40;

  private final SlipViewModel slip;
  private Balance balance = Balance.empty(List.of());
  private Findings findings;
  private MeansResult means;

  BalanceViewModel(SlipViewModel slip) {
    this.slip = slip;
  }

  /**
   * A group that can be weighed.
   *
   * @param levels of it
   * @param pan where it lies
   * @param known whether its mean can be estimated
   */
  record Group(Map<String, String> levels, Pan pan, boolean known) {
    String name() {
      return GroupSummary.name(levels.values());
    }
  }

  /**
   * A kept question.
   *
   * @param name of it
   * @param cells difference, SE, t, df, p, p shared; one with the reason if it cannot be answered
   * @param significant whether p is at most alpha
   */
  record Kept(String name, List<String> cells, boolean significant) {}

  /** Takes new findings; whether there is something to weigh. */
  boolean take(Findings shown) {
    findings = shown;
    Inquiry inquiry = shown.inquiry();
    List<MeansResult> all = shown.first().results().means();
    means =
        all.stream()
            .filter(m -> m.within().isEmpty() && m.of().size() == inquiry.treatments().size())
            .findFirst()
            .or(() -> all.stream().findFirst())
            .orElse(null);
    if (means == null
        || inquiry.analysis() != Analysis.LEAST_SQUARES
        || means.rows().size() > MOST_WEIGHED) {
      return false;
    }
    if (!balance.of().equals(means.of())) {
      balance = Balance.empty(means.of());
    }
    return true;
  }

  List<Group> groups() {
    return means.rows().stream()
        .map(r -> new Group(r.levels(), balance.pan(r.levels()), r.mean().exists()))
        .toList();
  }

  void put(Group group, Pan pan) {
    balance = balance.put(group.levels(), pan);
  }

  /** Click by click a group goes to the left pan, to the right one, and off again. */
  void next(Group group) {
    put(
        group,
        switch (group.pan()) {
          case NONE -> Pan.LEFT;
          case LEFT -> Pan.RIGHT;
          case RIGHT -> Pan.NONE;
        });
  }

  /** What a group weighs, as a fraction. */
  String weight(Group group) {
    return Balance.fraction(balance.weight(group.levels()));
  }

  /** Takes a weight written by hand; what is no weight changes nothing. */
  void weigh(Group group, String text) {
    Balance.weight(text).ifPresent(weight -> balance = balance.weighing(group.levels(), weight));
  }

  String load(Pan pan) {
    double load = balance.load(pan);
    return load == 0 ? "empty" : "carries " + Balance.fraction(load);
  }

  boolean isReady() {
    return balance.isReady();
  }

  /** Whether something lies in a pan. */
  boolean isLaden() {
    return balance.isLaden();
  }

  String name() {
    return balance.isLaden() ? balance.name() : "";
  }

  private Quantity difference() {
    return balance.isReady()
        ? Quantity.of(mean(balance.left()) - mean(balance.right()))
        : Quantity.absent(Absence.PANS_DIFFER);
  }

  private double mean(List<Map<String, String>> groups) {
    return means.rows().stream()
        .filter(r -> groups.contains(r.levels()))
        .mapToDouble(r -> balance.weight(r.levels()) * r.mean().value())
        .sum();
  }

  /** 1 if the left pan is heavier, -1 if the right one is. */
  double tilt() {
    Quantity d = difference();
    return d.exists()
        ? Math.signum(d.value())
        : balance.left().isEmpty() ? (balance.right().isEmpty() ? 0 : -1) : 1;
  }

  String sentence() {
    Quantity d = difference();
    Quantity se = means.rows().get(0).se();
    int decimals = se.exists() && se.value() > 0 ? Numerals.decimalsFor(se.value()) : 2;
    return d.exists()
        ? "Weighed: the left less the right, "
            + Numerals.with(Numerals.fixed(d.value(), decimals), findings.first().measured().unit())
            + ". Keep the question to see whether it is more than chance."
        : balance.isLaden()
            ? "The left pan "
                + load(Pan.LEFT)
                + ", the right one "
                + load(Pan.RIGHT)
                + ": weights must add up to the same on both, or the question is not about"
                + " differences."
            : "Put at least one group on each pan.";
  }

  /** Treatments whose levels are numbers, so that they can have a trend. */
  List<String> trends() {
    return means.of().stream()
        .filter(
            t -> {
              List<String> levels = findings.first().levelsOf(t);
              return levels.size() > 2
                  && levels.stream().noneMatch(l -> Double.isNaN(NumberText.parse(l, false)));
            })
        .toList();
  }

  /** Questions often asked of crossed treatments, by their names. */
  List<String> ready() {
    return readyMade().stream().map(Compare::name).toList();
  }

  void keepReady(int index) {
    add(readyMade().get(index));
  }

  private List<Compare> readyMade() {
    return ReadyMade.of(
        means.of(),
        means.rows().stream().filter(r -> r.mean().exists()).map(MeansResult.Row::levels).toList());
  }

  /** Puts the group of a name on a pan. */
  void put(String name, Pan pan) {
    groups().stream().filter(g -> g.name().equals(name)).findFirst().ifPresent(g -> put(g, pan));
  }

  void keepTrend(String treatment) {
    add(new Compare(List.of(treatment), List.of(), false, Procedure.NONE, List.of(), 2, ""));
  }

  void keep(String own) {
    add(balance.asked(own.isEmpty() ? balance.name() : own));
  }

  private void add(Compare asked) {
    Inquiry inquiry = slip.inquiry();
    if (!inquiry.compare().contains(asked)) {
      List<Compare> all = new ArrayList<>(inquiry.compare());
      all.add(asked);
      slip.inquiryProperty().set(inquiry.but(d -> d.compare = all));
    }
  }

  List<Kept> kept() {
    List<ContrastResult> results = findings.first().results().contrasts();
    return results.stream().map(r -> kept(r, results.size())).toList();
  }

  private Kept kept(ContrastResult r, int family) {
    String name =
        r.degree() == 1
            ? "straight line over " + r.of().get(0)
            : r.degree() == 2 ? "curve over " + r.of().get(0) : r.name();
    if (r.contrast() == null) {
      return new Kept(name, List.of(Phrases.why(r.why())), false);
    }
    StudentT t = r.contrast().test();
    int decimals = t.se().exists() && t.se().value() > 0 ? Numerals.decimalsFor(t.se().value()) : 2;
    return new Kept(
        name,
        List.of(
            Numerals.fixed(t.estimate(), decimals),
            Numerals.fixed(t.se(), decimals),
            Numerals.fixed(t.statistic(), 2),
            t.df().exists() ? Numerals.df(t.df().value()) : Numerals.NONE,
            Numerals.p(t.p()),
            Numerals.p(t.p().map(p -> Math.min(1, p * family)))),
        Significance.reached(t.p(), findings.inquiry().alpha()));
  }

  /** Whether kept questions overlap, so that they do not speak for themselves. */
  boolean overlap() {
    List<ContrastResult> results =
        findings.first().results().contrasts().stream().filter(r -> r.degree() == 0).toList();
    for (int i = 0; i < results.size(); i++) {
      for (int j = i + 1; j < results.size(); j++) {
        double product = 0;
        for (Compare.Weight a : results.get(i).weights()) {
          for (Compare.Weight b : results.get(j).weights()) {
            product += a.levels().equals(b.levels()) ? a.weight() * b.weight() : 0;
          }
        }
        if (Math.abs(product) > Balance.NOTHING) {
          return true;
        }
      }
    }
    return false;
  }

  void takeOut(int index) {
    ContrastResult r = findings.first().results().contrasts().get(index);
    Inquiry inquiry = slip.inquiry();
    List<Compare> left =
        inquiry.compare().stream()
            .filter(
                c ->
                    !(r.degree() > 0
                        ? c.trend() > 0 && c.of().equals(r.of())
                        : c.isContrast()
                            && c.name().equals(r.name())
                            && c.weights().equals(r.weights())))
            .toList();
    slip.inquiryProperty().set(inquiry.but(d -> d.compare = left));
  }

  /** Questions whose weights are known, which can be weighed against each other. */
  List<String> weighable() {
    return asked().stream().map(Compare::name).toList();
  }

  private List<Compare> asked() {
    return findings.inquiry().compare().stream().filter(c -> !c.weights().isEmpty()).toList();
  }

  /** A difference of two differences. */
  void weighTwo(int first, int second) {
    Compare difference = Balance.difference(asked().get(first), asked().get(second));
    if (difference != null) {
      add(difference);
    }
  }
}
