package app.knuckle.figures.scene;

import java.util.ArrayList;
import java.util.List;

/** Pictures of their own sizes on sheets, side by side and below each other, each with a letter. */
public final class PanelSheets {

  private static final double LETTER_SIZE = 11;

  /** Between panels, in points. */
  public static final double GAP = 14;

  private static final int LETTERS = 26;

  private PanelSheets() {}

  /**
   * A sheet of panels.
   *
   * @param scene with all of them
   * @param from the first picture on it, from 0
   * @param count how many are on it, at least 1
   */
  public record Sheet(Scene scene, int from, int count) {}

  /**
   * The letter of a panel.
   *
   * @param place on its sheet, from 0
   * @return A to Z, then AA
   */
  public static String letter(int place) {
    String last = String.valueOf((char) ('A' + place % LETTERS));
    return place < LETTERS ? last : letter(place / LETTERS - 1) + last;
  }

  /**
   * Lays pictures out, in their order and in their own size.
   *
   * @param scenes one or more
   * @param width of a sheet in points; a wider picture has a row of its own, on a wider sheet
   * @param height of a sheet in points; a sheet with a taller picture is taller, with one row
   * @return sheets that are as large as what is on them
   */
  public static List<Sheet> of(List<Scene> scenes, double width, double height) {
    List<Sheet> sheets = new ArrayList<>();
    int from = 0;
    while (from < scenes.size()) {
      Sheet next = sheet(scenes, from, width, height);
      sheets.add(next);
      from += next.count;
    }
    return sheets;
  }

  private static Sheet sheet(List<Scene> scenes, int from, double width, double height) {
    double head = Type.height(LETTER_SIZE) + 2;
    List<Mark> marks = new ArrayList<>();
    double wide = 0;
    double bottom = 0;
    int next = from;
    while (next < scenes.size()) {
      int end = rowEnd(scenes, next, width);
      double tall = scenes.subList(next, end).stream().mapToDouble(Scene::height).max().orElse(0);
      double top = bottom == 0 ? 0 : bottom + GAP;
      if (next > from && top + head + tall > height) {
        break;
      }
      double left = 0;
      for (; next < end; next++) {
        Scene own = scenes.get(next);
        String letter = letter(next - from);
        double x = left + Type.width(letter, Face.STRONG, LETTER_SIZE) / 2;
        marks.add(
            Mark.Label.of(
                letter,
                x,
                top + head / 2,
                LETTER_SIZE,
                Face.STRONG,
                Ink.DARK,
                false,
                Mark.Role.REMARK));
        double right = left;
        own.marks().forEach(mark -> marks.add(mark.moved(right, top + head)));
        wide = Math.max(wide, left + own.width());
        left += own.width() + GAP;
      }
      bottom = top + head + tall;
    }
    return new Sheet(new Scene(wide, bottom, marks), from, next - from);
  }

  /** As many as stand side by side, at least one. */
  private static int rowEnd(List<Scene> scenes, int from, double width) {
    double left = scenes.get(from).width();
    int end = from + 1;
    while (end < scenes.size() && left + GAP + scenes.get(end).width() <= width) {
      left += GAP + scenes.get(end).width();
      end++;
    }
    return end;
  }
}
