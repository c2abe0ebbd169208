package app.knuckle.figures.plan;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Labels to cut out and put on plots, three wide and eight high on a sheet. */
public final class LabelSheet {

  private static final int ACROSS = 3;
  private static final int DOWN = 8;
  private static final double MARGIN = 28;
  private static final double PADDING = 8;
  private static final double NUMBER = 20;
  private static final double TEXT = 9;
  private static final double SMALL = 7;

  private final Plan plan;
  private final double wide;
  private final double tall;

  private LabelSheet(Plan plan, double wide, double tall) {
    this.plan = plan;
    this.wide = (wide - 2 * MARGIN) / ACROSS;
    this.tall = (tall - 2 * MARGIN) / DOWN;
  }

  /**
   * Draws the labels of a plan.
   *
   * @param plan with its names
   * @param arrangement of its plots
   * @param wide how wide a sheet is, in points
   * @param tall how tall a sheet is, in points
   * @return one scene a sheet, plots in the order of their numbers
   */
  public static List<Scene> of(Plan plan, Arrangement arrangement, double wide, double tall) {
    LabelSheet sheet = new LabelSheet(plan, wide, tall);
    List<Scene> sheets = new ArrayList<>();
    List<Mark> marks = new ArrayList<>();
    int at = 0;
    for (Arrangement.Plot plot : arrangement.plots()) {
      sheet.label(
          plot, MARGIN + at % ACROSS * sheet.wide, MARGIN + at / ACROSS * sheet.tall, marks);
      at++;
      if (at == ACROSS * DOWN) {
        sheets.add(new Scene(wide, tall, marks));
        marks.clear();
        at = 0;
      }
    }
    if (!marks.isEmpty()) {
      sheets.add(new Scene(wide, tall, marks));
    }
    return sheets;
  }

  private void label(Arrangement.Plot plot, double x, double y, List<Mark> marks) {
    marks.add(new Mark.Bar(x, y, wide, tall, Ink.PAPER, Ink.FAINT, Mark.NONE));
    double room = wide - 2 * PADDING;
    double line = y + PADDING + Type.height(NUMBER) / 2;
    double number =
        write(String.valueOf(plot.number()), x + PADDING, line, NUMBER, Face.STRONG, room, marks);
    String where =
        plot.block().isEmpty()
            ? "row " + plot.row() + ", column " + plot.column()
            : plan.blockName() + " " + plot.block();
    write(
        where, x + 2 * PADDING + number, line, TEXT, Face.REGULAR, room - number - PADDING, marks);
    line += Type.height(NUMBER) / 2 + Type.height(TEXT) / 2;
    for (Map.Entry<String, String> treatment : plot.treatments().entrySet()) {
      String text = treatment.getKey() + ": " + treatment.getValue();
      if (line + Type.height(TEXT) / 2 + Type.height(SMALL) < y + tall - PADDING) {
        write(text, x + PADDING, line, TEXT, Face.REGULAR, room, marks);
      }
      line += Type.height(TEXT);
    }
    double foot = y + tall - PADDING - Type.height(SMALL) / 2;
    write(plan.name(), x + PADDING, foot, SMALL, Face.REGULAR, room, marks);
  }

  private static double write(
      String text, double x, double y, double size, Face face, double room, List<Mark> marks) {
    String cut = Type.shorten(text, face, size, room);
    double width = Type.width(cut, face, size);
    marks.add(Mark.Label.of(cut, x + width / 2, y, size, face, Ink.DARK, false, Mark.Role.REMARK));
    return width;
  }
}
