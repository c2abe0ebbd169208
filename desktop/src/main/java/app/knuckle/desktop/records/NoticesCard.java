package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.sheet.StackSketch;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.notice.Notice;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** What is odd about the records, each with the button that mends it by a step of the trail. */
final class NoticesCard extends Card {

  private static final int MOST = 8;

  /** Told where a notice is. */
  interface Seeing {
    void go(Notice notice);
  }

  NoticesCard(SlipViewModel slip, RecordsPage page, Seeing seeing) {
    super("Worth a look");
    setId("notices");
    getStyleClass().add("notices");
    List<Notice> notices = page.notices();
    for (int i = 0; i < Math.min(MOST, notices.size()); i++) {
      Notice notice = notices.get(i);
      FlowPane buttons = new FlowPane();
      buttons.getStyleClass().add("notice-buttons");
      for (Notice.Fix fix : notice.fixes()) {
        Button mend = new Button(fix.label());
        mend.setId("fix-" + i);
        mend.setMnemonicParsing(false);
        mend.getStyleClass().add("small-button");
        mend.setWrapText(true);
        mend.setOnAction(event -> slip.take(fix.steps()));
        buttons.getChildren().add(mend);
      }
      if (!notice.rows().isEmpty()) {
        Button show = new Button("Show");
        show.setId("show-" + i);
        show.getStyleClass().add("small-button");
        show.setOnAction(event -> seeing.go(notice));
        buttons.getChildren().add(show);
      }
      VBox one = new VBox(Texts.wrapped(notice.words(), "notice-words"));
      notice
          .stack()
          .ifPresent(stack -> one.getChildren().add(new StackSketch(page.frame(), stack)));
      one.getChildren().add(buttons);
      one.getStyleClass().add("notice");
      getChildren().add(one);
    }
    if (notices.size() > MOST) {
      getChildren().add(Texts.wrapped("and " + (notices.size() - MOST) + " more", "step-detail"));
    }
  }
}
