package app.knuckle.formats.report;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.reckon.Reckoning;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Makes the page of kept reckonings: answers without records. */
public final class ReckoningPage {

  private ReckoningPage() {}

  /**
   * The page of those that stand in the document of a study.
   *
   * @param kept all that are kept
   * @return none or one page
   */
  public static List<Page> of(List<Reckoning> kept) {
    List<Reckoning> chosen = kept.stream().filter(Reckoning::inDocument).toList();
    if (chosen.isEmpty()) {
      return List.of();
    }
    String title = say("page.reckonings");
    List<Block> blocks = new ArrayList<>();
    blocks.add(new Block.Heading(Block.Part.TITLE, title, 1));
    for (Reckoning one : chosen) {
      List<List<String>> table = one.said().table();
      blocks.add(new Block.Heading(Block.Part.RESULTS, one.name(), 2));
      if (!table.isEmpty()) {
        blocks.add(
            new Block.Table(
                Block.Part.ANALYSIS, one.name(), table.get(0), table.subList(1, table.size()), ""));
      }
      if (!one.said().words().isEmpty()) {
        blocks.add(new Block.Paragraph(Block.Part.RESULTS, one.said().words()));
      }
    }
    Set<String> names = chosen.stream().map(Reckoning::name).collect(Collectors.toSet());
    return List.of(new Page(title, blocks, names));
  }
}
