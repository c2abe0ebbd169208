package app.knuckle.figures.scene;

import java.util.ArrayList;
import java.util.List;

/**
 * Names of groups under a picture: level if they fit, on several lines if that helps, else turned.
 *
 * @param lines of each name
 * @param turned whether they read from bottom to top
 * @param size of the type
 * @param height that they take, in points
 */
public record GroupLabels(List<List<String>> lines, boolean turned, double size, double height) {

  private static final int MOST_LINES = 3;
  private static final double GAP = 3;

  /**
   * Fits names into slots of equal width.
   *
   * @param names of the groups
   * @param slot width of a slot
   * @param size of the type
   * @param mostHeight that the names may take
   * @return the fitted names
   */
  public static GroupLabels fit(List<String> names, double slot, double size, double mostHeight) {
    double room = slot - GAP;
    List<List<String>> level =
        names.stream().map(n -> Type.wrap(n, Face.REGULAR, size, room)).toList();
    int most = level.stream().mapToInt(List::size).max().orElse(1);
    boolean fits =
        level.stream()
            .flatMap(List::stream)
            .allMatch(line -> Type.width(line, Face.REGULAR, size) <= room);
    double line = Type.height(size);
    if (fits && most <= MOST_LINES && most * line <= mostHeight) {
      return new GroupLabels(level, false, size, most * line);
    }
    // Turned: as many lines as the slot is wide, cut in the middle only where all else fails.
    double small = Math.min(size, slot / 1.2);
    int across = Math.max(1, (int) Math.floor(slot / Type.height(small)));
    List<List<String>> turned = new ArrayList<>();
    double longest = 0;
    for (String name : names) {
      List<String> wrapped = turned(name, small, mostHeight, across);
      turned.add(wrapped);
      for (String part : wrapped) {
        longest = Math.max(longest, Type.width(part, Face.REGULAR, small));
      }
    }
    return new GroupLabels(turned, true, small, longest);
  }

  private static List<String> turned(String name, double size, double height, int across) {
    if (Type.width(name, Face.REGULAR, size) <= height) {
      return List.of(name);
    }
    List<String> lines = Type.wrap(name, Face.REGULAR, size, height);
    if (lines.size() > across) {
      List<String> kept = new ArrayList<>(lines.subList(0, across - 1));
      kept.add(String.join(" ", lines.subList(across - 1, lines.size())));
      lines = kept;
    }
    return lines.stream().map(l -> Type.shorten(l, Face.REGULAR, size, height)).toList();
  }

  /**
   * The labels of one group.
   *
   * @param group from 0
   * @param centre of its slot
   * @param top where the labels begin
   * @return one label a line
   */
  public List<Mark.Label> at(int group, double centre, double top) {
    List<String> texts = lines.get(group);
    List<Mark.Label> labels = new ArrayList<>();
    double line = Type.height(size);
    for (int i = 0; i < texts.size(); i++) {
      double width = Type.width(texts.get(i), Face.REGULAR, size);
      double x = turned ? centre + (i - (texts.size() - 1) / 2.0) * line : centre;
      double y = turned ? top + width / 2 : top + (i + 0.5) * line;
      labels.add(
          Mark.Label.of(texts.get(i), x, y, size, Face.REGULAR, Ink.DARK, turned, Mark.Role.GROUP));
    }
    return labels;
  }
}
