package app.knuckle.formats.report;

import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.linear.Effect;
import app.knuckle.study.Version;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.look.GoTogether;
import app.knuckle.study.sentences.MethodsParagraph;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The page of an inquiry: what was done, what was found, and on what it stands.
 *
 * @param title of the page
 * @param blocks in their order
 */
public record Page(String title, List<Block> blocks) {

  public Page {
    blocks = List.copyOf(blocks);
  }

  /**
   * The whole page of findings.
   *
   * @param findings what was found
   * @param figure of the inquiry; null where there is none
   * @return the page; of what could not be answered it says what is missing
   */
  public static Page of(Findings findings, InquiryFigure figure) {
    List<Block> blocks = new ArrayList<>();
    String name = findings.inquiry().name();
    // A copy is called after what was changed in it: a page is called after what it asks.
    String title =
        name.startsWith(Inquiry.CHANGED)
            ? FirstGuess.name(findings.inquiry(), findings.frame())
            : name;
    blocks.add(new Block.Heading(Block.Part.TITLE, title, 1));
    blocks.add(
        new Block.Paragraph(Block.Part.METHODS, MethodsParagraph.of(findings) + " " + PROGRAM));
    boolean several = findings.responses().size() > 1;
    if (several && !findings.finding().equals(findings.first().words().finding())) {
      blocks.add(new Block.Paragraph(Block.Part.RESULTS, findings.finding()));
    }
    boolean described = isDescribed(findings);
    if (described) {
      blocks.add(correlations(findings));
    }
    for (ResponseFindings response :
        described ? List.<ResponseFindings>of() : findings.responses()) {
      if (several) {
        blocks.add(new Block.Heading(Block.Part.RESULTS, response.measured().title(), 2));
      }
      section(findings, response, blocks);
    }
    if (figure != null) {
      blocks.add(new Block.Figure(Block.Part.FIGURE, figure.caption(), figure.scene()));
    }
    List<String> sources = Sources.of(findings);
    if (!sources.isEmpty()) {
      blocks.add(new Block.Heading(Block.Part.SOURCES, "Sources of the methods", 2));
      sources.forEach(s -> blocks.add(new Block.Paragraph(Block.Part.SOURCES, s)));
    }
    return new Page(title, blocks);
  }

  /** Only how several columns go together was asked. */
  private static boolean isDescribed(Findings findings) {
    return findings.inquiry().treatments().isEmpty()
        && findings.inquiry().expected() == null
        && !findings.inquiry().hasGap();
  }

  private static Block correlations(Findings findings) {
    GoTogether all = GoTogether.of(findings.frame(), findings.inquiry().measured());
    GoTogether.Matrix matrix = all.matrix(GoTogether.Measure.PEARSON);
    List<List<String>> rows = new ArrayList<>();
    for (int i = 0; i < all.names().size(); i++) {
      List<String> row = new ArrayList<>(List.of(all.names().get(i)));
      for (int j = 0; j < all.names().size(); j++) {
        double p = matrix.p()[i][j];
        double r = matrix.values()[i][j];
        String value = Double.isNaN(r) ? Numerals.NONE : Numerals.fixed(r, 2);
        row.add(Double.isNaN(p) ? value : value + " (" + Numerals.pStatement(Quantity.of(p)) + ")");
      }
      rows.add(row);
    }
    List<String> heads = new ArrayList<>(List.of(""));
    heads.addAll(all.names());
    return new Block.Table(
        Block.Part.MEANS,
        "Pearson's correlations",
        heads,
        rows,
        Numerals.count(all.rows().length, "complete row", "complete rows") + ".");
  }

  private static final String PROGRAM = "Computed with Knuckle " + Version.NUMBER + ".";

  /**
   * The page of an inquiry that has no findings at all.
   *
   * @param name of the inquiry
   * @param words what is missing and how to go on
   * @return the page
   */
  public static Page ofRefusal(String name, String words) {
    return new Page(
        name,
        List.of(
            new Block.Heading(Block.Part.TITLE, name, 1),
            new Block.Paragraph(Block.Part.RESULTS, words)));
  }

  /**
   * Several inquiries as one page: tables and figures are numbered through, sources stand once.
   *
   * @param title of the whole
   * @param pages of the inquiries, in their order
   * @return the page
   */
  public static Page joined(String title, List<Page> pages) {
    List<Block> blocks = new ArrayList<>(List.of(new Block.Heading(Block.Part.TITLE, title, 1)));
    Set<Block> sources = new LinkedHashSet<>();
    for (Page page : pages) {
      for (Block block : page.blocks) {
        if (block.part() == Block.Part.SOURCES) {
          sources.add(block);
        } else if (block instanceof Block.Heading heading) {
          blocks.add(new Block.Heading(heading.part(), heading.text(), heading.level() + 1));
        } else {
          blocks.add(block);
        }
      }
    }
    blocks.addAll(sources);
    return new Page(title, blocks);
  }

  /**
   * The page without some of its parts.
   *
   * @param parts that are wanted
   * @return the rest in the same order
   */
  public Page only(Set<Block.Part> parts) {
    return new Page(title, blocks.stream().filter(b -> parts.contains(b.part())).toList());
  }

  private static void section(Findings findings, ResponseFindings response, List<Block> blocks) {
    blocks.add(
        new Block.Paragraph(
            Block.Part.RESULTS, response.words().result().replace(" x ", " \u00d7 ")));
    if (response.refusal() != null) {
      return;
    }
    if (!response.words().ranking().isEmpty()) {
      blocks.add(new Block.Paragraph(Block.Part.RANKING, response.words().ranking()));
    }
    response
        .analysis()
        .variances()
        .forEach(table -> blocks.add(analysis(table, response.decimals() + 1)));
    blocks.add(means(findings, response));
    for (ComparedMeans family : ComparedMeans.of(response.analysis())) {
      blocks.add(differences(family, response, findings.inquiry().alpha()));
    }
    String footing = footing(response);
    if (!footing.isEmpty()) {
      blocks.add(new Block.Paragraph(Block.Part.FOOTING, footing));
    }
  }

  private static Block analysis(AnovaTable table, int decimals) {
    List<List<String>> rows = new ArrayList<>();
    for (AnovaTable.Row r : table.rows()) {
      rows.add(r.isError() ? error(r, decimals) : effect(r, decimals));
    }
    rows.add(
        List.of(
            "total",
            Numerals.df(table.totalDf()),
            Numerals.fixed(table.totalSs(), decimals),
            "",
            "",
            "",
            ""));
    return new Block.Table(
        Block.Part.ANALYSIS,
        "Analysis of variance",
        List.of("source", "df", "sum of squares", "mean square", "F", "p", "partial \u03b7\u00b2"),
        rows,
        "");
  }

  private static List<String> effect(AnovaTable.Row r, int decimals) {
    Effect e = r.effect();
    String source = r.source().replace(" x ", " \u00d7 ");
    return e == null
        ? List.of(source, Numerals.NONE, "cannot be estimated", "", "", "", "")
        : List.of(
            source,
            Numerals.df(e.df()),
            Numerals.fixed(e.ss(), decimals),
            Numerals.fixed(e.ms(), decimals),
            Numerals.fixed(e.f(), 2),
            Numerals.p(e.p()),
            Numerals.share(e.partialEtaSquared()));
  }

  private static List<String> error(AnovaTable.Row r, int decimals) {
    return List.of(
        r.source(),
        Numerals.df(r.error().errorDf()),
        Numerals.fixed(r.error().errorSs(), decimals),
        Numerals.fixed(r.error().errorMs(), decimals),
        "",
        "",
        "");
  }

  /** Two treatments: one down, the other across; else a row a mean. */
  private static Block means(Findings findings, ResponseFindings response) {
    List<ShownMean> means = response.shownMeans();
    String note =
        response
            .shownComparison()
            .map(
                c ->
                    "Means that share a letter were not told apart ("
                        + (means.size() == 2 ? "" : c.procedure().title() + ", ")
                        + "\u03b1 = "
                        + c.alpha()
                        + ").")
            .orElse("");
    String caption =
        (findings.inquiry().covariates().isEmpty() ? "Means" : "Adjusted means")
            + " of "
            + response.measured().title();
    List<String> names = means.isEmpty() ? List.of() : List.copyOf(means.get(0).levels().keySet());
    return names.size() == 2
        ? crossed(means, names, response.decimals(), caption, note)
        : listed(means, names, response.decimals(), caption, note);
  }

  private static Block listed(
      List<ShownMean> means, List<String> names, int decimals, String caption, String note) {
    List<List<String>> rows = new ArrayList<>();
    boolean letters = means.stream().anyMatch(m -> !m.letters().isEmpty());
    for (ShownMean mean : means) {
      List<String> row =
          new ArrayList<>(
              List.of(
                  mean.name(),
                  String.valueOf(mean.n()),
                  Numerals.fixed(mean.mean(), decimals),
                  Numerals.fixed(mean.sd(), decimals),
                  Numerals.fixed(mean.se(), decimals)));
      if (letters) {
        row.add(mean.letters());
      }
      rows.add(row);
    }
    List<String> heads =
        new ArrayList<>(
            List.of(
                names.isEmpty() ? "" : String.join(" \u00d7 ", names), "n", "mean", "SD", "SE"));
    if (letters) {
      heads.add("letters");
    }
    return new Block.Table(Block.Part.MEANS, caption, heads, rows, note);
  }

  private static Block crossed(
      List<ShownMean> means, List<String> names, int decimals, String caption, String note) {
    Set<String> down = new LinkedHashSet<>();
    Set<String> across = new LinkedHashSet<>();
    for (ShownMean mean : means) {
      down.add(mean.levels().get(names.get(0)));
      across.add(mean.levels().get(names.get(1)));
    }
    List<List<String>> rows = new ArrayList<>();
    for (String row : down) {
      List<String> cells = new ArrayList<>(List.of(row));
      for (String column : across) {
        Map<String, String> levels = Map.of(names.get(0), row, names.get(1), column);
        cells.add(
            means.stream()
                .filter(m -> Map.copyOf(m.levels()).equals(levels))
                .findFirst()
                .map(m -> (Numerals.fixed(m.mean(), decimals) + " " + m.letters()).strip())
                .orElse(Numerals.NONE));
      }
      rows.add(cells);
    }
    List<String> heads = new ArrayList<>(List.of(names.get(0) + " \\ " + names.get(1)));
    heads.addAll(across);
    return new Block.Table(
        Block.Part.MEANS, caption, heads, rows, (note + " " + precision(means, decimals)).strip());
  }

  /** How precise the means are, and from how many values. */
  private static String precision(List<ShownMean> means, int decimals) {
    double least =
        means.stream()
            .filter(m -> m.se().exists())
            .mapToDouble(m -> m.se().value())
            .min()
            .orElse(0);
    double most =
        means.stream()
            .filter(m -> m.se().exists())
            .mapToDouble(m -> m.se().value())
            .max()
            .orElse(0);
    long fewest = means.stream().mapToLong(ShownMean::n).min().orElse(0);
    long largest = means.stream().mapToLong(ShownMean::n).max().orElse(0);
    String from = Numerals.fixed(least, decimals);
    String to = Numerals.fixed(most, decimals);
    return (most > 0
            ? "SE of a mean " + from + (from.equals(to) ? "" : " to " + to) + "; n = "
            : "n = ")
        + fewest
        + (fewest == largest ? "" : " to " + largest)
        + ".";
  }

  private static Block differences(ComparedMeans family, ResponseFindings response, double alpha) {
    int decimals = family.ranks() ? 1 : response.decimals();
    List<List<String>> rows = new ArrayList<>();
    for (Pair pair : family.pairs()) {
      rows.add(
          List.of(
              family.names().get(pair.left()) + " \u2212 " + family.names().get(pair.right()),
              Numerals.fixed(pair.difference(), decimals),
              Numerals.fixed(pair.low(), decimals),
              Numerals.fixed(pair.high(), decimals),
              Numerals.p(pair.p())));
    }
    String percent = Numerals.confidence(alpha) + "%";
    String within =
        family.within().isEmpty()
            ? ""
            : " at "
                + String.join(
                    ", ",
                    family.within().entrySet().stream()
                        .map(e -> e.getKey() + " " + e.getValue())
                        .toList());
    return new Block.Table(
        Block.Part.DIFFERENCES,
        "Differences of "
            + (family.ranks() ? "mean ranks" : "means")
            + " of "
            + response.measured().title()
            + within,
        List.of("pair", "difference", percent + " from", "to", "p"),
        rows,
        family.means().length == 2 ? "" : "By " + family.procedure().title() + ".");
  }

  /** What the checks showed: the odd ones in words, the others counted. */
  private static String footing(ResponseFindings response) {
    List<String> odd = new ArrayList<>();
    int sound = 0;
    for (CheckResult check : response.analysis().checks()) {
      if (check.judgement().isOdd()) {
        odd.add(check.words());
      } else if (check.judgement() == CheckResult.Judgement.SOUND) {
        sound++;
      }
    }
    for (GroupCheck check : response.analysis().groupChecks()) {
      // Of several tests of one thing the one that the window shows speaks.
      boolean bell = check.test().equals("shapiro-wilk") && check.on().equals("residuals");
      if (bell || check.test().equals("brown-forsythe")) {
        if (check.judgement().isOdd()) {
          odd.add(check.words());
        } else if (check.judgement() == CheckResult.Judgement.SOUND) {
          sound++;
        }
      }
    }
    Set<String> said = new LinkedHashSet<>(odd);
    if (said.isEmpty()) {
      return sound == 0
          ? ""
          : "Of "
              + Numerals.count(sound, "check", "checks")
              + " of what this stands on none spoke against it.";
    }
    return "Checks of what this stands on: " + String.join(" ", said);
  }
}
