package app.knuckle.formats.report;

import app.knuckle.figures.inquiry.InquiryFigure;
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
 * @param paper that it is printed on
 */
public record Page(String title, List<Block> blocks, Set<String> names, Paper paper) {

  public Page {
    blocks = List.copyOf(blocks);
    names = Set.copyOf(names);
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
    this(title, blocks, names, Paper.A4);
  }

  /**
   * The same on other paper.
   *
   * @param other paper
   * @return the page
   */
  public Page on(Paper other) {
    return new Page(title, blocks, names, other);
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
    return FindingsPage.of(findings, figure, settings);
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
   * Several inquiries as one page: tables and figures are numbered through, sources stand once; the
   * first says on which paper.
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
    Page whole = new Page(title, blocks);
    return pages.isEmpty() ? whole : whole.on(pages.get(0).paper);
  }
}
