package app.knuckle.formats.report;

import static j2html.TagCreator.body;
import static j2html.TagCreator.caption;
import static j2html.TagCreator.document;
import static j2html.TagCreator.each;
import static j2html.TagCreator.figcaption;
import static j2html.TagCreator.figure;
import static j2html.TagCreator.h1;
import static j2html.TagCreator.h2;
import static j2html.TagCreator.head;
import static j2html.TagCreator.html;
import static j2html.TagCreator.iff;
import static j2html.TagCreator.meta;
import static j2html.TagCreator.p;
import static j2html.TagCreator.rawHtml;
import static j2html.TagCreator.style;
import static j2html.TagCreator.table;
import static j2html.TagCreator.tbody;
import static j2html.TagCreator.td;
import static j2html.TagCreator.th;
import static j2html.TagCreator.thead;
import static j2html.TagCreator.title;
import static j2html.TagCreator.tr;

import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Effect;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.words.Numerals;
import j2html.tags.DomContent;
import j2html.tags.specialized.TableTag;
import java.util.ArrayList;
import java.util.List;

/** Writes findings as an HTML page. All text goes through the library, which escapes it. */
public final class HtmlReport {

  private static final String LOOKS =
      """
      body { font: 16px/1.5 'Source Serif 4', Georgia, serif; color: #16323c; background: #fffdf9;
             max-width: 44rem; margin: 3rem auto; padding: 0 1rem; }
      h1 { font-size: 1.5rem; } h2 { font-size: 1.15rem; margin-top: 2rem; }
      table { border-collapse: collapse; font: 14px/1.6 'IBM Plex Sans', sans-serif; margin: 1rem 0; }
      caption { text-align: left; font-weight: 600; }
      th, td { text-align: right; padding: 0.15rem 0.9rem; border-bottom: 1px solid #ded7ca; }
      th:first-child, td:first-child { text-align: left; padding-left: 0; }
      thead th { border-bottom-color: #16323c; font-weight: 600; color: #5f7178; }
      figure { margin: 1.5rem 0; } figcaption, .note { color: #5f7178; font-size: 0.9rem; }
      """;

  private HtmlReport() {}

  /**
   * The report.
   *
   * @param findings what was found
   * @param picture the figure as an SVG element; empty for none
   * @param pictureCaption the words under it
   * @return a whole page
   */
  public static String text(Findings findings, String picture, String pictureCaption) {
    List<DomContent> parts = new ArrayList<>();
    for (ResponseFindings response : findings.responses()) {
      parts.add(h2(response.measured().title()));
      parts.add(p(response.words().result()));
      if (!response.words().ranking().isEmpty()) {
        parts.add(p(response.words().ranking()));
      }
      response
          .analysis()
          .variances()
          .forEach(table -> parts.add(variance(table, response.decimals() + 1)));
      parts.add(means(response));
    }
    return document(
        html(
                head(
                    meta().withCharset("utf-8"),
                    title(findings.inquiry().name()),
                    style(rawHtml(LOOKS))),
                body(
                    h1(findings.inquiry().name()),
                    p(
                        findings.table().name()
                            + ": "
                            + findings.first().design().readsAs()
                            + ". "
                            + used(findings.records())),
                    each(parts, part -> part),
                    iff(!picture.isEmpty(), figure(rawHtml(picture), figcaption(pictureCaption)))))
            .withLang("en"));
  }

  private static String used(RecordsUsed records) {
    String all =
        Numerals.count(records.read(), "row", "rows") + " read, " + records.inPlay() + " used.";
    if (records.leftOut().isEmpty()) {
      return all;
    }
    List<String> left =
        records.leftOut().stream()
            .limit(20)
            .map(l -> "row " + l.row() + " (" + l.why() + ")")
            .toList();
    int more = records.leftOut().size() - left.size();
    return all
        + " Left out: "
        + String.join(", ", left)
        + (more > 0 ? " and " + more + " more." : ".");
  }

  private static TableTag variance(AnovaTable table, int decimals) {
    List<DomContent> rows = new ArrayList<>();
    for (AnovaTable.Row r : table.rows()) {
      rows.add(r.isError() ? error(r, decimals) : effect(r, decimals));
    }
    rows.add(
        row(
            "total",
            Numerals.df(table.totalDf()),
            Numerals.fixed(table.totalSs(), decimals),
            "",
            "",
            "",
            ""));
    return table(
        caption("Analysis of variance"),
        heads("source", "df", "sum of squares", "mean square", "F", "p", "partial \u03b7\u00b2"),
        tbody(each(rows, r -> r)));
  }

  private static DomContent effect(AnovaTable.Row r, int decimals) {
    Effect e = r.effect();
    if (e == null) {
      return row(r.source(), Numerals.NONE, "cannot be estimated", "", "", "", "");
    }
    return row(
        r.source(),
        Numerals.df(e.df()),
        Numerals.fixed(e.ss(), decimals),
        Numerals.fixed(e.ms(), decimals),
        Numerals.fixed(e.f(), 2),
        Numerals.p(e.p()),
        Numerals.share(e.partialEtaSquared()));
  }

  private static DomContent error(AnovaTable.Row r, int decimals) {
    return row(
        r.source(),
        Numerals.df(r.error().errorDf()),
        Numerals.fixed(r.error().errorSs(), decimals),
        Numerals.fixed(r.error().errorMs(), decimals),
        "",
        "",
        "");
  }

  private static TableTag means(ResponseFindings response) {
    int decimals = response.decimals();
    List<DomContent> rows = new ArrayList<>();
    for (ShownMean mean : response.shownMeans()) {
      rows.add(
          row(
              mean.name(),
              String.valueOf(mean.n()),
              Numerals.fixed(mean.mean(), decimals),
              Numerals.fixed(mean.sd(), decimals),
              Numerals.fixed(mean.se(), decimals),
              mean.letters()));
    }
    String how =
        response
            .shownComparison()
            .map(
                c ->
                    "Means; those that share a letter were not told apart ("
                        + c.procedure().title()
                        + ", \u03b1 = "
                        + c.alpha()
                        + ")")
            .orElse("Means");
    return table(
        caption(how),
        heads(response.groups().treatment().name(), "n", "mean", "SD", "SE", "letters"),
        tbody(each(rows, r -> r)));
  }

  private static DomContent heads(String... texts) {
    return thead(tr(each(List.of(texts), t -> th(t))));
  }

  private static DomContent row(String... cells) {
    return tr(each(List.of(cells), c -> td(c)));
  }
}
