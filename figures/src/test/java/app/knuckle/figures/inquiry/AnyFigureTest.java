package app.knuckle.figures.inquiry;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.Pictures;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.style.Arrangement;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Palette;
import app.knuckle.figures.style.Paper;
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import app.knuckle.figures.style.Whisker;
import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.findings.Findings;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Whatever was found, in whatever style, there is a figure of it that stays on its paper. */
class AnyFigureTest {

  /** Text may stand out by half a tick's number where an axis ends. */
  private static final double SLACK = 24;

  @Property(tries = 200, seed = "22360679774")
  void everyFindingHasItsFigureInEveryForm(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty()) {
      return;
    }
    Findings findings = answer.get();
    Style style = style(random);
    for (int i = 0; i < findings.responses().size(); i++) {
      Findings turned = findings.showing(i);
      if (turned.refusal().isEmpty() && !turned.first().shownMeans().isEmpty()) {
        for (Form form : Form.values()) {
          draw(turned, style.with(form), any);
        }
      }
    }
  }

  private static void draw(Findings findings, Style style, AnyInquiry any) {
    try {
      InquiryFigure figure = InquiryFigure.of(findings, style);
      Pictures.inside(figure.scene(), SLACK);
      assertThat(figure.caption()).doesNotContain("NaN").doesNotContain("null");
      assertThat(Pictures.marks(figure.scene(), Mark.Label.class))
          .noneMatch(label -> label.text().contains("NaN") || label.text().contains("null"));
      assertThat(Style.of(style.settings(), 1)).isEqualTo(style);
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(style + "\n" + any, e);
    }
  }

  private static Style style(Random random) {
    Style usual = Style.usual(3);
    return usual
        .with(
            new Shown(
                Whisker.values()[random.nextInt(Whisker.values().length)],
                Shown.Above.values()[random.nextInt(Shown.Above.values().length)],
                random.nextBoolean(),
                random.nextBoolean(),
                random.nextBoolean(),
                random.nextBoolean(),
                random.nextInt(4) == 0 ? 3 : Double.NaN))
        .with(usual.scale().logarithmic(random.nextInt(4) == 0))
        .with(
            new Arrangement(
                random.nextInt(6),
                random.nextBoolean(),
                Arrangement.Order.values()[random.nextInt(3)],
                Double.NaN,
                Double.NaN))
        .with(Palette.values()[random.nextInt(Palette.values().length)], random.nextBoolean())
        .with(new Paper(100 + random.nextInt(150), 80 + random.nextInt(100), 8));
  }
}
