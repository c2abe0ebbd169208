package app.knuckle.desktop.window;

import app.knuckle.desktop.compare.CompareLine;
import app.knuckle.desktop.compare.CompareView;
import app.knuckle.desktop.figure.FigureLine;
import app.knuckle.desktop.figure.FigureView;
import app.knuckle.desktop.footing.FootingLine;
import app.knuckle.desktop.footing.FootingView;
import app.knuckle.desktop.layout.LayoutLine;
import app.knuckle.desktop.layout.LayoutView;
import app.knuckle.desktop.look.LookLine;
import app.knuckle.desktop.look.LookView;
import app.knuckle.desktop.records.RecordsLine;
import app.knuckle.desktop.records.RecordsView;
import app.knuckle.desktop.test.TestLine;
import app.knuckle.desktop.test.TestPage;
import app.knuckle.desktop.test.TestView;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.writeup.WriteUpLine;
import app.knuckle.desktop.writeup.WriteUpView;
import java.util.function.Function;
import javafx.scene.Node;

/** Every joint is registered here, and nowhere else: its view and its live line. */
final class Joints {

  private Joints() {}

  /**
   * What the window needs to know of a joint.
   *
   * @param view made of an inquiry
   * @param line made of an answer, which is null before the first one
   */
  record Registered(Function<SlipViewModel, Node> view, Function<Answer, Line> line) {}

  /** Makes of an answer what will be shown of it, beside the interface thread. */
  static void prepare(Answer answer) {
    ChainPage.of(answer);
    if (answer.isTested()) {
      TestPage.of(answer);
    }
  }

  static Registered of(Joint joint) {
    return switch (joint) {
      case RECORDS -> new Registered(RecordsView::new, RecordsLine::of);
      case LAYOUT -> new Registered(LayoutView::new, LayoutLine::of);
      case LOOK -> new Registered(LookView::new, LookLine::of);
      case FOOTING -> new Registered(FootingView::new, FootingLine::of);
      case TEST -> new Registered(TestView::new, TestLine::of);
      case COMPARE -> new Registered(CompareView::new, CompareLine::of);
      case FIGURE -> new Registered(FigureView::new, FigureLine::of);
      case WRITE_UP -> new Registered(WriteUpView::new, WriteUpLine::of);
    };
  }
}
