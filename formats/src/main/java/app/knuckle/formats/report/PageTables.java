package app.knuckle.formats.report;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.linear.Coefficient;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.ContrastResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.look.Correlations;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The tables of a page. */
final class PageTables {

  private PageTables() {}

  static Block correlations(Findings findings, PageSettings settings) {
    ExactP exact = settings.numbers().exact();
    Correlations all = Correlations.of(findings.frame(), findings.inquiry().measured());
    Correlations.Matrix matrix = all.matrix(Correlations.Measure.PEARSON);
    List<List<String>> rows = new ArrayList<>();
    for (int i = 0; i < all.names().size(); i++) {
      List<String> row = new ArrayList<>(List.of(all.names().get(i)));
      for (int j = 0; j < all.names().size(); j++) {
        double p = matrix.p()[i][j];
        double r = matrix.values()[i][j];
        String value = Double.isNaN(r) ? Numerals.NONE : Numerals.fixed(r, 2);
        row.add(
            Double.isNaN(p)
                ? value
                : say("table.correlations.cell", value, exact.statement(Quantity.of(p))));
      }
      rows.add(row);
    }
    List<String> heads = new ArrayList<>(List.of(""));
    heads.addAll(all.names());
    return new Block.Table(
        Block.Part.MEANS,
        say("table.correlations"),
        heads,
        rows,
        Phrases.count("table.correlations.rows", all.rows().length));
  }

  /** Two treatments: one down, the other across; else a row a mean. */
  static Block means(Findings findings, ResponseFindings response, PageSettings settings) {
    List<ShownMean> means = response.shownMeans();
    int decimals = settings.decimals(Block.Part.MEANS, response.decimals());
    String note =
        response
            .shownComparison()
            .map(
                c ->
                    means.size() == 2
                        ? say("table.means.note.two", String.valueOf(c.alpha()))
                        : say(
                            "table.means.note",
                            Phrases.title(c.procedure()),
                            String.valueOf(c.alpha())))
            .orElse("");
    String caption =
        say(
            findings.inquiry().covariates().isEmpty() ? "table.means" : "table.means.adjusted",
            response.measured().title());
    List<String> names = means.isEmpty() ? List.of() : List.copyOf(means.get(0).levels().keySet());
    return names.size() == 2
        ? crossed(means, names, decimals, caption, note)
        : listed(
            means,
            new MeanColumns(settings.precision(), decimals, findings.inquiry().alpha()),
            caption,
            note);
  }

  /** The means of all responses with their letters: groups down, responses across. */
  static Block meansOfAll(Findings findings, PageSettings settings) {
    Set<Map<String, String>> groups = new LinkedHashSet<>();
    List<String> heads = new ArrayList<>();
    for (ResponseFindings response : findings.responses()) {
      response.shownMeans().forEach(mean -> groups.add(mean.levels()));
      heads.add(response.measured().title());
    }
    heads.add(0, String.join(" \u00d7 ", findings.inquiry().treatments()));
    List<List<String>> rows = new ArrayList<>();
    for (Map<String, String> levels : groups) {
      List<String> row = new ArrayList<>(List.of(GroupSummary.name(levels.values())));
      for (ResponseFindings response : findings.responses()) {
        row.add(
            response.shownMeans().stream()
                .filter(mean -> mean.levels().equals(levels))
                .findFirst()
                .map(
                    mean ->
                        (Numerals.fixed(
                                    mean.mean(),
                                    settings.decimals(Block.Part.MEANS, response.decimals()))
                                + " "
                                + mean.letters())
                            .strip())
                .orElse(Numerals.NONE));
      }
      rows.add(row);
    }
    return new Block.Table(
        Block.Part.MEANS,
        say(
            findings.inquiry().covariates().isEmpty()
                ? "table.means.all"
                : "table.means.all.adjusted"),
        heads,
        rows,
        findings.responses().stream().anyMatch(r -> r.shownComparison().isPresent())
            ? say("table.means.note.columns")
            : "");
  }

  private static Block listed(
      List<ShownMean> means, MeanColumns columns, String caption, String note) {
    boolean letters = means.stream().anyMatch(m -> !m.letters().isEmpty());
    List<String> heads =
        new ArrayList<>(
            List.of(
                means.isEmpty() ? "" : String.join(" \u00d7 ", means.get(0).levels().keySet())));
    heads.addAll(Phrases.cells("table.means.heads"));
    heads.addAll(columns.heads());
    if (letters) {
      heads.add(say("table.means.letters"));
    }
    List<List<String>> rows = new ArrayList<>();
    for (ShownMean mean : means) {
      List<String> row =
          new ArrayList<>(
              List.of(
                  mean.name(),
                  String.valueOf(mean.n()),
                  Numerals.fixed(mean.mean(), columns.decimals)));
      row.addAll(columns.cells(mean));
      if (letters) {
        row.add(mean.letters());
      }
      rows.add(row);
    }
    return new Block.Table(Block.Part.MEANS, caption, heads, rows, note);
  }

  /** What stands beside a mean. */
  private record MeanColumns(PageSettings.Precision precision, int decimals, double alpha) {

    List<String> heads() {
      return switch (precision) {
        case BOTH -> Phrases.cells("table.means.both");
        case SD -> Phrases.cells("table.means.sd");
        case SE -> Phrases.cells("table.means.se");
        case INTERVAL -> Phrases.cells("table.means.interval", Numerals.confidence(alpha));
      };
    }

    List<String> cells(ShownMean mean) {
      String sd = Numerals.fixed(mean.sd(), decimals);
      String se = Numerals.fixed(mean.se(), decimals);
      return switch (precision) {
        case BOTH -> List.of(sd, se);
        case SD -> List.of(sd);
        case SE -> List.of(se);
        case INTERVAL ->
            mean.reach().exists()
                ? List.of(
                    Numerals.fixed(mean.mean().value() - mean.reach().below(), decimals),
                    Numerals.fixed(mean.mean().value() + mean.reach().above(), decimals))
                : List.of(Numerals.NONE, Numerals.NONE);
      };
    }
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
    String n = range(String.valueOf(fewest), String.valueOf(largest));
    return most > 0 ? say("table.means.se.n", range(from, to), n) : say("table.means.n", n);
  }

  private static String range(String from, String to) {
    return from.equals(to) ? from : say("table.range", from, to);
  }

  static Block differences(
      ComparedMeans family, ResponseFindings response, PageSettings settings, double alpha) {
    List<List<String>> rows = new ArrayList<>();
    boolean ratios = family.isOfRatios();
    int rule = ratios ? RATIO_DECIMALS : family.ranks() ? RANK_DECIMALS : response.decimals();
    int shown = settings.decimals(Block.Part.DIFFERENCES, rule);
    for (Pair pair : family.pairs()) {
      ComparedMeans.Effect effect = family.effect(pair, false);
      rows.add(
          List.of(
              family.names().get(pair.left())
                  + (ratios ? " \u00f7 " : " \u2212 ")
                  + family.names().get(pair.right()),
              Numerals.fixed(effect.size(), shown),
              Numerals.fixed(effect.low(), shown),
              Numerals.fixed(effect.high(), shown),
              settings.numbers().exact().text(pair.p())));
    }
    String caption = say(captionOf(family), response.measured().title());
    return new Block.Table(
        Block.Part.DIFFERENCES,
        family.within().isEmpty()
            ? caption
            : say("table.differences.within", caption, within(family)),
        Phrases.cells(
            ratios ? "table.differences.heads.ratios" : "table.differences.heads",
            Numerals.confidence(alpha)),
        rows,
        family.means().length == 2 ? "" : say("table.by", Phrases.title(family.procedure())));
  }

  private static String captionOf(ComparedMeans family) {
    return switch (family.scale()) {
      case IDENTITY -> family.ranks() ? "table.differences.ranks" : "table.differences";
      case LOGARITHM -> "table.differences.ratios";
      case LOG_ODDS -> "table.differences.odds";
    };
  }

  /** Ratios are read to two decimals. */
  private static final int RATIO_DECIMALS = 2;

  /** Mean ranks are halves and thirds. */
  private static final int RANK_DECIMALS = 1;

  /** The levels that the means of a family share. */
  static String within(ComparedMeans family) {
    return family.within().entrySet().stream()
        .map(e -> say("apart.level", e.getKey(), e.getValue()))
        .collect(Collectors.joining(say("list.between")));
  }

  static Block summaries(ResponseFindings response, PageSettings settings) {
    int decimals = settings.decimals(Block.Part.SUMMARIES, response.decimals());
    List<List<String>> rows = new ArrayList<>();
    for (GroupSummary group : response.groupSummaries()) {
      Summary s = group.summary();
      rows.add(
          List.of(
              group.level(),
              String.valueOf(s.n()),
              String.valueOf(s.missing()),
              Numerals.fixed(s.mean(), decimals),
              Numerals.fixed(s.sd(), decimals),
              Numerals.fixed(s.min(), decimals),
              Numerals.fixed(s.lowerQuartile(), decimals),
              Numerals.fixed(s.median(), decimals),
              Numerals.fixed(s.upperQuartile(), decimals),
              Numerals.fixed(s.max(), decimals)));
    }
    return new Block.Table(
        Block.Part.SUMMARIES,
        say("table.summaries", response.measured().title()),
        Phrases.cells("table.summaries.heads"),
        rows,
        "");
  }

  static Block contrasts(ResponseFindings response, PageSettings settings, double alpha) {
    int decimals = settings.decimals(Block.Part.CONTRASTS, response.decimals());
    List<List<String>> rows = new ArrayList<>();
    Set<String> adjusted = new LinkedHashSet<>();
    for (ContrastResult c : response.results().contrasts()) {
      if (c.contrast() == null) {
        rows.add(List.of(c.name(), Phrases.why(c.why()), "", "", "", "", ""));
        continue;
      }
      StudentT t = c.contrast().test();
      adjusted.add(Phrases.title(c.procedure()));
      rows.add(
          List.of(
              c.name(),
              Numerals.fixed(t.estimate(), decimals),
              Numerals.fixed(t.low(), decimals),
              Numerals.fixed(t.high(), decimals),
              Numerals.fixed(t.statistic(), 2),
              t.df().exists() ? Numerals.df(t.df().value()) : Numerals.NONE,
              settings.numbers().exact().text(t.p())));
    }
    return new Block.Table(
        Block.Part.CONTRASTS,
        say("table.contrasts", response.measured().title()),
        Phrases.cells("table.contrasts.heads", Numerals.confidence(alpha)),
        rows,
        adjusted.isEmpty() ? "" : say("table.by", String.join(say("list.between"), adjusted)));
  }

  /** What each level adds to the mean of all levels; empty where there is no such model. */
  static Optional<Block> coefficients(
      ResponseFindings response, Inquiry inquiry, PageSettings settings) {
    return response.results().tests().stream()
        .map(TestResult::coefficients)
        .filter(all -> !all.isEmpty())
        .findFirst()
        .map(all -> coefficients(all, response, inquiry, settings));
  }

  private static Block coefficients(
      List<Coefficient> all, ResponseFindings response, Inquiry inquiry, PageSettings settings) {
    List<List<String>> rows = new ArrayList<>();
    for (Coefficient c : all) {
      StudentT t = c.test();
      int rule = Numerals.decimalsFor(t.se().exists() ? t.se().value() : 0);
      int decimals = settings.decimals(Block.Part.COEFFICIENTS, rule);
      boolean slope = c.names().stream().anyMatch(inquiry.covariates()::contains);
      String level = GroupSummary.name(c.levels().values());
      rows.add(
          List.of(
              c.names().isEmpty()
                  ? say("table.coefficients.mean")
                  : String.join(" \u00d7 ", c.names()),
              !slope
                  ? level
                  : level.isEmpty()
                      ? say("table.coefficients.slope")
                      : say("table.coefficients.slope.of", level),
              Numerals.fixed(t.estimate(), decimals),
              Numerals.fixed(t.se(), decimals),
              Numerals.fixed(t.statistic(), 2),
              settings.numbers().exact().text(t.p())));
    }
    return new Block.Table(
        Block.Part.COEFFICIENTS,
        say("table.coefficients", response.measured().title()),
        Phrases.cells("table.coefficients.heads"),
        rows,
        "");
  }
}
