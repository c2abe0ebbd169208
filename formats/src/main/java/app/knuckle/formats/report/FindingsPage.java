package app.knuckle.formats.report;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.study.Version;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.checks.Footing;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.sentences.DifferenceSentence;
import app.knuckle.study.sentences.MethodsParagraph;
import app.knuckle.study.sentences.Saying;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Makes the page of findings: all parts, in their usual order. */
final class FindingsPage {

  private FindingsPage() {}

  /**
   * The whole page of findings, all parts in their usual order.
   *
   * @param found what was found
   * @param figure of the inquiry; null where there is none
   * @param settings of which is heeded here what the page itself says
   * @param others of the study, one of which may stand beside it
   * @return the page; of what could not be answered it says what is missing
   */
  static Page of(Findings found, InquiryFigure figure, PageSettings settings, Others others) {
    Findings findings = Saying.again(found, settings.numbers().exact());
    List<Block> blocks = new ArrayList<>();
    String name = findings.inquiry().name();
    // A copy is called after what was changed in it: a page is called after what it asks.
    String title =
        name.startsWith(Inquiry.CHANGED)
            ? FirstGuess.name(findings.inquiry(), findings.frame())
            : name;
    blocks.add(new Block.Heading(Block.Part.TITLE, title, 1));
    if (findings.table().makeBelieve()) {
      blocks.add(new Block.Paragraph(Block.Part.TITLE, say("page.make.believe")));
    }
    blocks.add(
        new Block.Paragraph(
            Block.Part.METHODS,
            MethodsParagraph.of(findings) + " " + say("page.program", Version.NUMBER)));
    boolean several = findings.responses().size() > 1;
    if (several && !findings.finding().equals(findings.first().words().finding())) {
      blocks.add(new Block.Paragraph(Block.Part.RESULTS, findings.finding()));
    }
    boolean described = isDescribed(findings);
    if (described) {
      blocks.add(PageTables.correlations(findings, settings));
    }
    boolean oneTable = several && !described && settings.oneTable();
    if (oneTable) {
      blocks.add(PageTables.meansOfAll(findings, settings));
    }
    for (ResponseFindings response :
        described ? List.<ResponseFindings>of() : findings.responses()) {
      if (several) {
        blocks.add(new Block.Heading(Block.Part.RESULTS, response.measured().title(), 2));
      }
      section(findings, response, settings, blocks);
    }
    if (settings.wanted().get(Block.Part.BESIDE)) {
      blocks.addAll(beside(found, settings, others));
    }
    if (figure != null) {
      blocks.add(new Block.Figure(Block.Part.FIGURE, figure.caption(), figure.scene()));
    }
    List<String> sources = Sources.of(findings);
    if (!sources.isEmpty()) {
      blocks.add(new Block.Heading(Block.Part.SOURCES, say("page.sources"), 2));
      sources.forEach(s -> blocks.add(new Block.Paragraph(Block.Part.SOURCES, s)));
    }
    return new Page(title, blocks, names(findings), units(findings));
  }

  /** Another inquiry beside this one; in words, where it cannot be. */
  private static List<Block> beside(Findings findings, PageSettings settings, Others others) {
    String name = settings.beside();
    if (name.isEmpty()) {
      return List.of(new Block.Paragraph(Block.Part.BESIDE, say("page.beside.unchosen")));
    }
    return others
        .called(name)
        .map(
            other ->
                BesidePage.within(
                    new Abreast(Beside.of(findings, other)), settings.numbers().exact()))
        .orElse(
            List.of(new Block.Paragraph(Block.Part.BESIDE, say("page.beside.unanswered", name))));
  }

  private static Set<String> units(Findings findings) {
    Set<String> units = new HashSet<>();
    findings.frame().columns().forEach(column -> units.add(column.unit()));
    units.remove("");
    return units;
  }

  /** Whatever comes from the records, and is written as it was there. */
  private static Set<String> names(Findings findings) {
    Set<String> names = new HashSet<>();
    names.add(findings.frame().source());
    names.add(findings.inquiry().name());
    for (Column column : findings.frame().columns()) {
      names.add(column.name());
      names.add(column.title());
      if (column instanceof Categories categories) {
        names.addAll(categories.levels());
      }
    }
    findings.inquiry().compare().forEach(c -> names.add(c.name()));
    names.remove("");
    return names;
  }

  /** Only how several columns are correlated was asked. */
  private static boolean isDescribed(Findings findings) {
    return findings.inquiry().treatments().isEmpty()
        && findings.inquiry().expected() == null
        && findings.inquiry().analysis() != Analysis.MIXED
        && !findings.inquiry().hasGap();
  }

  private static void section(
      Findings findings, ResponseFindings response, PageSettings settings, List<Block> blocks) {
    List<ComparedMeans> families = ComparedMeans.of(response.results());
    double alpha = findings.inquiry().alpha();
    blocks.add(
        new Block.Paragraph(Block.Part.RESULTS, results(response, families, settings, alpha)));
    if (response.refusal() != null) {
      return;
    }
    if (!response.words().ranking().isEmpty()) {
      blocks.add(new Block.Paragraph(Block.Part.RANKING, response.words().ranking()));
    }
    TestTables tables =
        new TestTables(
            settings.decimals(Block.Part.ANALYSIS, response.decimals() + 1),
            alpha,
            settings.numbers().exact());
    response.results().tests().forEach(test -> blocks.addAll(test.match(tables)));
    if (findings.responses().size() == 1 || !settings.oneTable()) {
      blocks.add(PageTables.means(findings, response, settings));
    }
    blocks.add(PageTables.summaries(response, settings));
    families.forEach(f -> blocks.add(PageTables.differences(f, response, settings, alpha)));
    if (!response.results().contrasts().isEmpty()) {
      blocks.add(PageTables.contrasts(response, settings, alpha));
    }
    PageTables.coefficients(response, findings.inquiry(), settings).ifPresent(blocks::add);
    String footing = footing(findings, response);
    if (!footing.isEmpty()) {
      blocks.add(new Block.Paragraph(Block.Part.FOOTING, footing));
    }
  }

  private static String results(
      ResponseFindings response,
      List<ComparedMeans> families,
      PageSettings settings,
      double alpha) {
    return switch (settings.length()) {
      case SENTENCE -> response.words().finding();
      case PARAGRAPH -> response.words().result();
      case FULL -> full(response, families, settings.numbers().exact(), alpha);
    };
  }

  private static String full(
      ResponseFindings response, List<ComparedMeans> families, ExactP exact, double alpha) {
    List<String> all = new ArrayList<>(List.of(response.words().result()));
    for (ComparedMeans family : families) {
      String said =
          DifferenceSentence.of(
              family, response.measured().unit(), response.decimals(), alpha, exact);
      if (!said.isEmpty()) {
        all.add(said);
      }
    }
    return String.join(" ", all);
  }

  /** What the checks showed: the odd ones in words, the others counted. */
  private static String footing(Findings findings, ResponseFindings response) {
    Footing footing = Footing.of(findings, response);
    Set<String> odd = new LinkedHashSet<>();
    footing.odd().forEach(check -> odd.add(check.said()));
    int sound = footing.sound().size();
    return !odd.isEmpty()
        ? say("page.odd", String.join(" ", odd))
        : sound == 0 ? "" : Phrases.count("page.sound", sound);
  }
}
