package app.knuckle.formats.documents;

import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.stream.Collectors;

/** Writes a page as text: plain, Markdown, LaTeX. */
public final class TextReport {

  private TextReport() {}

  /**
   * The page as plain text, with cells apart by tabs, as a spreadsheet takes them.
   *
   * @param page to write
   * @return lines
   */
  public static String plain(Page page) {
    StringBuilder text = new StringBuilder();
    int tables = 0;
    int number = 0;
    for (Block block : page.blocks()) {
      if (block instanceof Block.Heading heading) {
        text.append(heading.text()).append("\n\n");
      } else if (block instanceof Block.Paragraph paragraph) {
        text.append(paragraph.text()).append("\n\n");
      } else if (block instanceof Block.Table table) {
        text.append("Table ").append(++tables).append(". ").append(table.caption()).append('\n');
        text.append(String.join("\t", table.heads())).append('\n');
        table.rows().forEach(row -> text.append(String.join("\t", row)).append('\n'));
        text.append(table.note()).append(table.note().isEmpty() ? "\n" : "\n\n");
      } else if (block instanceof Block.Figure figure) {
        text.append("Figure ")
            .append(++number)
            .append(". ")
            .append(figure.caption())
            .append("\n\n");
      }
    }
    return text.toString();
  }

  /**
   * The page as Markdown.
   *
   * @param page to write
   * @param figures names the file of a figure beside it by its number, from 1
   * @return lines
   */
  public static String markdown(Page page, IntFunction<String> figures) {
    StringBuilder text = new StringBuilder();
    int tables = 0;
    int number = 0;
    for (Block block : page.blocks()) {
      if (block instanceof Block.Heading heading) {
        text.append("#".repeat(heading.level())).append(' ').append(md(heading.text()));
        text.append("\n\n");
      } else if (block instanceof Block.Paragraph paragraph) {
        text.append(
            paragraph.runs().stream()
                .map(run -> run.italic() ? "*" + md(run.text()) + "*" : md(run.text()))
                .collect(Collectors.joining()));
        text.append("\n\n");
      } else if (block instanceof Block.Table table) {
        text.append("**Table ").append(++tables).append(".** ").append(md(table.caption()));
        text.append("\n\n").append(row(table.heads()));
        text.append("|:---|").append("---:|".repeat(table.heads().size() - 1)).append('\n');
        table.rows().forEach(cells -> text.append(row(cells)));
        text.append('\n');
        if (!table.note().isEmpty()) {
          text.append(md(table.note())).append("\n\n");
        }
      } else if (block instanceof Block.Figure figure) {
        text.append("![")
            .append(md(figure.caption()))
            .append("](")
            .append(figures.apply(++number))
            .append(")\n\n");
        text.append("**Figure ")
            .append(number)
            .append(".** ")
            .append(md(figure.caption()))
            .append("\n\n");
      }
    }
    return text.toString();
  }

  private static String row(List<String> cells) {
    return cells.stream().map(TextReport::md).collect(Collectors.joining(" | ", "| ", " |\n"));
  }

  /** What Markdown would take for marks of its own is said to be text. */
  private static String md(String text) {
    return text.replaceAll("([\\\\`*_{}\\[\\]<>#|~])", "\\\\$1").replaceAll("\\R", " ");
  }

  /**
   * The page as LaTeX, to be taken into a document that has the package booktabs.
   *
   * @param page to write
   * @param figures names the file of a figure beside it by its number, from 1
   * @return lines
   */
  public static String latex(Page page, IntFunction<String> figures) {
    int number = 0;
    StringBuilder text = new StringBuilder("% Needs \\usepackage{booktabs,graphicx}\n");
    for (Block block : page.blocks()) {
      if (block instanceof Block.Heading heading) {
        text.append("\\" + "sub".repeat(Math.min(3, heading.level()) - 1) + "section{");
        text.append(tex(heading.text())).append("}\n\n");
      } else if (block instanceof Block.Paragraph paragraph) {
        text.append(
            paragraph.runs().stream()
                .map(run -> run.italic() ? "\\textit{" + tex(run.text()) + "}" : tex(run.text()))
                .collect(Collectors.joining()));
        text.append("\n\n");
      } else if (block instanceof Block.Table table) {
        text.append("\\begin{table}\n\\caption{").append(tex(table.caption())).append("}\n");
        text.append("\\begin{tabular}{l").append("r".repeat(table.heads().size() - 1));
        text.append("}\n\\toprule\n").append(line(table.heads())).append("\\midrule\n");
        table.rows().forEach(cells -> text.append(line(cells)));
        text.append("\\bottomrule\n\\end{tabular}\n");
        if (!table.note().isEmpty()) {
          text.append("\n").append(tex(table.note())).append('\n');
        }
        text.append("\\end{table}\n\n");
      } else if (block instanceof Block.Figure figure) {
        text.append("\\begin{figure}\n\\includegraphics{");
        text.append(figures.apply(++number)).append("}\n");
        text.append("\\caption{").append(tex(figure.caption())).append("}\n\\end{figure}\n\n");
      }
    }
    return text.toString();
  }

  private static String line(List<String> cells) {
    return cells.stream().map(TextReport::tex).collect(Collectors.joining(" & ", "", " \\\\\n"));
  }

  /** Signs that mean something to LaTeX, and those that its usual type does not have. */
  private static final Map<Character, String> TEX =
      Map.ofEntries(
          Map.entry('&', "\\&"),
          Map.entry('%', "\\%"),
          Map.entry('$', "\\$"),
          Map.entry('#', "\\#"),
          Map.entry('_', "\\_"),
          Map.entry('{', "\\{"),
          Map.entry('}', "\\}"),
          Map.entry('\\', "\\textbackslash{}"),
          Map.entry('~', "\\textasciitilde{}"),
          Map.entry('^', "\\textasciicircum{}"),
          Map.entry('<', "$<$"),
          Map.entry('>', "$>$"),
          Map.entry('\u2212', "$-$"),
          Map.entry('\u00d7', "$\\times$"),
          Map.entry('\u00b1', "$\\pm$"),
          Map.entry('\u03b1', "$\\alpha$"),
          Map.entry('\u03b7', "$\\eta$"),
          Map.entry('\u03c9', "$\\omega$"),
          Map.entry('\u03c7', "$\\chi$"),
          Map.entry('\u039b', "$\\Lambda$"),
          Map.entry('\u03b5', "$\\varepsilon$"),
          Map.entry('\u00b2', "$^2$"),
          Map.entry('\u00b7', "$\\cdot$"));

  private static String tex(String text) {
    StringBuilder safe = new StringBuilder();
    for (char c : text.replaceAll("\\R", " ").toCharArray()) {
      safe.append(TEX.getOrDefault(c, String.valueOf(c)));
    }
    return safe.toString();
  }
}
