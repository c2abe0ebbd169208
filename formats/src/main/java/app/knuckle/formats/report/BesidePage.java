package app.knuckle.formats.report;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable.ModelFit;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.beside.Tested;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.sentences.BesideSentence;
import app.knuckle.study.sentences.MethodsParagraph;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Makes the page of two or three answers side by side. */
public final class BesidePage {

  private static final int MOST_ROWS = 20;

  private final Abreast abreast;
  private final ExactP exact;
  private final List<String> names;
  private final List<Block> blocks = new ArrayList<>();

  /** Three answers, or a page of paper, leave no room for them. */
  private final boolean shares;

  private BesidePage(Abreast abreast, boolean roomy, ExactP exact) {
    this.exact = exact;
    this.abreast = abreast;
    names = abreast.answers().stream().map(f -> f.inquiry().name()).toList();
    shares = roomy && names.size() == 2;
  }

  /**
   * The page: what the change did, all questions, and what can be matched.
   *
   * @param abreast two or three answers
   * @return the page
   */
  public static Page of(Abreast abreast) {
    BesidePage page = new BesidePage(abreast, true, ExactP.USUAL);
    String title =
        say(
            "side.title",
            page.names.get(0),
            Numerals.list(page.names.subList(1, page.names.size())));
    page.blocks.add(new Block.Heading(Block.Part.TITLE, title, 1));
    page.sentences();
    for (Findings findings : abreast.answers()) {
      page.question(findings);
    }
    page.matches();
    return new Page(title, page.blocks);
  }

  /**
   * What can be matched: rows that only one used, effects, fit, means, pairs and checks.
   *
   * @param abreast two or three answers
   * @return the blocks below the questions
   */
  public static List<Block> matched(Abreast abreast) {
    BesidePage page = new BesidePage(abreast, true, ExactP.USUAL);
    page.matches();
    return List.copyOf(page.blocks);
  }

  /**
   * What stands on the page of the first answer about the others.
   *
   * @param abreast two or three answers
   * @param exact down to which bound p is written as it is
   * @return blocks of one part
   */
  static List<Block> within(Abreast abreast, ExactP exact) {
    BesidePage page = new BesidePage(abreast, false, exact);
    page.heading(
        say(
            "side.heading",
            Numerals.list(
                page.names.subList(1, page.names.size()).stream()
                    .map(name -> say("side.named", name))
                    .toList())));
    page.sentences();
    page.matches();
    return page.blocks.stream().map(block -> block.in(Block.Part.BESIDE)).toList();
  }

  private void heading(String heading) {
    blocks.add(new Block.Heading(Block.Part.BESIDE, heading, 2));
  }

  private void sentences() {
    sentences(abreast, exact).forEach(said -> paragraph(Block.Part.RESULTS, said));
  }

  /**
   * What each change did.
   *
   * @param abreast two or three answers
   * @return one or two sentences; of two it is said which answer each is about
   */
  public static List<String> sentences(Abreast abreast) {
    return sentences(abreast, ExactP.USUAL);
  }

  private static List<String> sentences(Abreast abreast, ExactP exact) {
    boolean several = abreast.pairs().size() > 1;
    return abreast.pairs().stream()
        .map(
            pair -> {
              String sentence = BesideSentence.of(pair, exact);
              return several ? say("side.said", pair.right().inquiry().name(), sentence) : sentence;
            })
        .toList();
  }

  private void matches() {
    rows();
    effects();
    fits();
    means();
    pairs();
    footing();
  }

  private void paragraph(Block.Part part, String text) {
    blocks.add(new Block.Paragraph(part, text));
  }

  private void question(Findings findings) {
    blocks.add(new Block.Heading(Block.Part.METHODS, findings.inquiry().name(), 2));
    paragraph(Block.Part.METHODS, MethodsParagraph.of(findings));
    paragraph(Block.Part.RESULTS, findings.finding());
  }

  private void rows() {
    for (Beside pair : abreast.pairs()) {
      row(pair.left(), pair.right(), pair.onlyLeft());
      row(pair.right(), pair.left(), pair.onlyRight());
    }
  }

  private void row(Findings own, Findings other, List<Integer> rows) {
    if (!rows.isEmpty()) {
      String first = Numerals.list(rows.stream().limit(MOST_ROWS).map(Numerals::whole).toList());
      String named = rows.size() > MOST_ROWS ? say("side.rows.more", first) : first;
      paragraph(
          Block.Part.METHODS,
          only("side.only.used", own, Phrases.count("side.rows", rows.size(), named), other));
    }
  }

  /** Of three answers it is said which other one is meant. */
  private String only(String key, Findings own, String what, Findings other) {
    return say(
        abreast.pairs().size() == 1 ? key : key + ".of",
        own.inquiry().name(),
        what,
        other.inquiry().name());
  }

  /** A name, with the response before it where there are several. */
  private String of(Abreast.Line<?> line, String name) {
    return abreast.fits().size() > 1 ? say("side.of", line.measured(), name) : name;
  }

  /** Which answers are first, second and third in a table. */
  private String order() {
    return say("side.order.first", names.get(0))
        + names.stream()
            .skip(1)
            .map(name -> say("side.order.then", name))
            .collect(Collectors.joining());
  }

  private void effects() {
    List<List<String>> rows = new ArrayList<>();
    for (Abreast.Line<Tested> e : abreast.effects()) {
      List<String> row = new ArrayList<>();
      row.add(
          of(e, e.about().isEmpty() ? say("side.difference") : String.join(" \u00d7 ", e.about())));
      e.answers().forEach(side -> row.addAll(tested(side).subList(0, shares ? 4 : 3)));
      row.add(changed(e, say("side.crossed")));
      rows.add(row);
    }
    List<String> heads = new ArrayList<>(List.of(say("side.effects.first")));
    for (int i = 0; i < names.size(); i++) {
      heads.addAll(Phrases.cells("side.effects.heads"));
      if (shares) {
        heads.add(say("side.effects.share"));
      }
    }
    heads.add("");
    blocks.add(new Block.Table(Block.Part.ANALYSIS, say("side.effects", order()), heads, rows, ""));
  }

  /** What became of a judgement, and of three answers in which. */
  private String changed(Abreast.Line<?> line, String word) {
    List<String> ordinals = Phrases.cells("side.ordinals");
    return line.changed().isEmpty()
        ? ""
        : names.size() == 2
            ? word
            : say(
                "side.in",
                word,
                Numerals.list(line.changed().stream().map(ordinals::get).toList()));
  }

  /** Degrees of freedom, statistic, p and share of one side. */
  private List<String> tested(Optional<Tested> side) {
    if (side.isEmpty()) {
      return List.of(Numerals.NONE, Numerals.NONE, Numerals.NONE, Numerals.NONE);
    }
    Tested t = side.get();
    return List.of(
        df(t),
        t.statistic().exists()
            ? say("side.statistic", t.name(), Numerals.fixed(t.statistic(), 2))
            : Numerals.NONE,
        exact.text(t.p()),
        Numerals.share(t.share()));
  }

  private static String df(Tested t) {
    String own = t.df().exists() ? Numerals.df(t.df().value()) : "";
    String error = t.errorDf().exists() ? Numerals.df(t.errorDf().value()) : "";
    String both = t.name().equals("t") ? error : own + (error.isEmpty() ? "" : ", " + error);
    return both.isEmpty() ? Numerals.NONE : both;
  }

  private void fits() {
    List<List<String>> rows = new ArrayList<>();
    for (Abreast.Line<ModelFit> line : abreast.fits()) {
      if (line.answers().stream().anyMatch(Optional::isPresent)) {
        rows.add(fit(line, say("side.fit.sd"), ModelFit::residualSd));
        rows.add(fit(line, say("side.fit.cv"), ModelFit::cvPercent));
        rows.add(fit(line, say("side.fit.r.squared"), ModelFit::rSquared));
      }
    }
    if (!rows.isEmpty()) {
      blocks.add(new Block.Table(Block.Part.ANALYSIS, say("side.fit"), heads(""), rows, ""));
    }
  }

  /** A column for each answer. */
  private List<String> heads(String first) {
    List<String> heads = new ArrayList<>(List.of(first));
    heads.addAll(names);
    return heads;
  }

  private List<String> fit(
      Abreast.Line<ModelFit> line, String name, Function<ModelFit, Quantity> which) {
    List<Quantity> all = line.answers().stream().map(side -> Beside.of(side, which)).toList();
    double size =
        all.stream().filter(Quantity::exists).mapToDouble(Quantity::value).max().orElse(0);
    int decimals = Numerals.decimalsFor(size) + 1;
    List<String> row = new ArrayList<>(List.of(of(line, name)));
    all.forEach(value -> row.add(Numerals.fixed(value, decimals)));
    return row;
  }

  private void means() {
    List<List<String>> rows = new ArrayList<>();
    for (Abreast.Line<ShownMean> m : abreast.means()) {
      int decimals = decimals(m.measured());
      List<String> row = new ArrayList<>(List.of(of(m, m.about().get(0))));
      for (Optional<ShownMean> side : m.answers()) {
        row.add(mean(side, decimals));
        row.add(side.map(ShownMean::letters).orElse(""));
      }
      rows.add(row);
    }
    List<String> heads = new ArrayList<>(List.of(say("side.means.first")));
    names.forEach(name -> heads.addAll(Phrases.cells("side.means.heads")));
    blocks.add(new Block.Table(Block.Part.MEANS, say("side.means", order()), heads, rows, ""));
  }

  private int decimals(String measured) {
    return abreast.answers().stream()
        .flatMap(f -> f.responses().stream())
        .filter(r -> r.measured().name().equals(measured))
        .mapToInt(r -> r.decimals())
        .max()
        .orElse(2);
  }

  private static String mean(Optional<ShownMean> mean, int decimals) {
    return Numerals.fixed(Beside.of(mean, ShownMean::mean), decimals);
  }

  private void pairs() {
    for (Beside beside : abreast.pairs()) {
      pairs(beside, true);
      pairs(beside, false);
    }
  }

  private void pairs(Beside beside, boolean inLeft) {
    List<String> said =
        beside.pairs().stream()
            .filter(p -> p.inLeft() == inLeft)
            .map(
                p -> {
                  String pair =
                      say("side.pair", GroupSummary.name(p.one()), GroupSummary.name(p.other()));
                  return beside.fits().size() > 1 ? say("side.of", p.measured(), pair) : pair;
                })
            .toList();
    if (!said.isEmpty()) {
      Findings own = inLeft ? beside.left() : beside.right();
      Findings other = inLeft ? beside.right() : beside.left();
      paragraph(
          Block.Part.DIFFERENCES,
          only("side.only.apart", own, String.join(say("list.parts"), said), other));
    }
  }

  private void footing() {
    List<List<String>> rows = new ArrayList<>();
    for (Abreast.Line<CheckResult.Judgement> c : abreast.footing()) {
      List<String> row = new ArrayList<>();
      row.add(
          of(c, say("side.footing.check", c.about().get(0), c.about().get(1).replace("-", " "))));
      c.answers().forEach(side -> row.add(judged(side)));
      row.add(changed(c, say("side.changed")));
      rows.add(row);
    }
    if (!rows.isEmpty()) {
      List<String> heads = heads(say("side.footing.first"));
      heads.add("");
      blocks.add(new Block.Table(Block.Part.FOOTING, say("side.footing"), heads, rows, ""));
    }
  }

  private static String judged(Optional<CheckResult.Judgement> judgement) {
    return judgement.map(CheckResult.Judgement::key).orElse(Numerals.NONE);
  }
}
