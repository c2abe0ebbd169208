package app.knuckle.formats.report;

import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.scene.PanelSheets;
import app.knuckle.figures.scene.Scene;
import app.knuckle.study.findings.Findings;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * The page of an inquiry: what was done, what was found, and on what it stands.
 *
 * @param title of the page
 * @param blocks in their order
 * @param names of columns, levels and files, which are written as they are whatever is in them
 * @param units of what was measured
 * @param paper that it is printed on
 * @param panel whether its figure is a panel of one figure, where several pages are joined
 */
public record Page(
    String title,
    List<Block> blocks,
    Set<String> names,
    Set<String> units,
    Paper paper,
    boolean panel) {

  public Page {
    blocks = List.copyOf(blocks);
    names = Set.copyOf(names);
    units = Set.copyOf(units);
  }

  /**
   * A page of blocks that are ready.
   *
   * @param title of the page
   * @param blocks in their order
   */
  public Page(String title, List<Block> blocks) {
    this(title, blocks, Set.of());
  }

  /**
   * A page of blocks that are ready, on the usual paper.
   *
   * @param title of the page
   * @param blocks in their order
   * @param names that are written as they are
   */
  public Page(String title, List<Block> blocks, Set<String> names) {
    this(title, blocks, names, Set.of());
  }

  /**
   * A page of blocks that are ready, on the usual paper.
   *
   * @param title of the page
   * @param blocks in their order
   * @param names that are written as they are
   * @param units of what was measured
   */
  public Page(String title, List<Block> blocks, Set<String> names, Set<String> units) {
    this(title, blocks, names, units, Paper.A4, false);
  }

  /**
   * The same on other paper.
   *
   * @param other paper
   * @return the page
   */
  public Page on(Paper other) {
    return new Page(title, blocks, names, units, other, panel);
  }

  /**
   * The same with its figure as a panel of one figure, where several pages are joined.
   *
   * @param yes whether it is
   * @return the page
   */
  public Page panel(boolean yes) {
    return new Page(title, blocks, names, units, paper, yes);
  }

  /**
   * The whole page of findings, as usual.
   *
   * @param findings what was found
   * @param figure of the inquiry; null where there is none
   * @return the page; of what could not be answered it says what is missing
   */
  public static Page of(Findings findings, InquiryFigure figure) {
    return of(findings, figure, PageSettings.USUAL);
  }

  /**
   * The whole page of findings.
   *
   * @param findings what was found
   * @param figure of the inquiry; null where there is none
   * @param settings of which length and precision are heeded; {@link PageSettings#page} does the
   *     rest
   * @return the page
   */
  public static Page of(Findings findings, InquiryFigure figure, PageSettings settings) {
    return of(findings, figure, settings, Others.NONE);
  }

  /**
   * The whole page of findings.
   *
   * @param findings what was found
   * @param figure of the inquiry; null where there is none
   * @param settings of which is heeded what the page itself says; {@link PageSettings#page} does
   *     the rest
   * @param others of the study, one of which may stand beside it
   * @return the page
   */
  public static Page of(
      Findings findings, InquiryFigure figure, PageSettings settings, Others others) {
    return FindingsPage.of(findings, figure, settings, others);
  }

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
   * Several inquiries as one page: tables and figures are numbered through, figures that are panels
   * stand together at the end, sources once; the first says on which paper.
   *
   * @param title of the whole
   * @param pages of the inquiries, in their order
   * @return the page
   */
  public static Page joined(String title, List<Page> pages) {
    List<Block> blocks = new ArrayList<>(List.of(new Block.Heading(Block.Part.TITLE, title, 1)));
    Set<Block> sources = new LinkedHashSet<>();
    List<Block.Figure> panels = new ArrayList<>();
    Paper paper = pages.isEmpty() ? Paper.A4 : pages.get(0).paper;
    for (Page page : pages) {
      for (Block block : page.blocks) {
        if (block.part() == Block.Part.SOURCES) {
          sources.add(block);
        } else if (page.panel && block instanceof Block.Figure figure) {
          panels.add(figure);
        } else if (block instanceof Block.Heading heading) {
          blocks.add(new Block.Heading(heading.part(), heading.text(), heading.level() + 1));
        } else {
          blocks.add(block);
        }
      }
    }
    blocks.addAll(onSheets(panels, paper));
    blocks.addAll(sources);
    return new Page(title, blocks).on(paper);
  }

  /** Room for the caption below a sheet of panels, in points. */
  private static final double CAPTION_ROOM = 100;

  private static List<Block> onSheets(List<Block.Figure> panels, Paper paper) {
    List<Block> figures = new ArrayList<>();
    List<Scene> scenes = panels.stream().map(Block.Figure::picture).toList();
    double width = paper.width() - 2 * Paper.MARGIN;
    double height = paper.height() - 2 * Paper.MARGIN - CAPTION_ROOM;
    for (PanelSheets.Sheet sheet : PanelSheets.of(scenes, width, height)) {
      List<String> captions = new ArrayList<>();
      for (int i = 0; i < sheet.count(); i++) {
        captions.add(PanelSheets.letter(i) + ": " + panels.get(sheet.from() + i).caption());
      }
      figures.add(new Block.Figure(Block.Part.FIGURE, String.join(" ", captions), sheet.scene()));
    }
    return figures;
  }
}
