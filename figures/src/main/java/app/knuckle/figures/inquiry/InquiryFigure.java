package app.knuckle.figures.inquiry;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.figures.means.MeansFigure;
import app.knuckle.figures.means.MeansLayout;
import app.knuckle.figures.means.MeansReading;
import app.knuckle.figures.scatter.CanonicalScatter;
import app.knuckle.figures.scatter.GroupScatter;
import app.knuckle.figures.scatter.Intervals;
import app.knuckle.figures.scatter.IntervalsLayout;
import app.knuckle.figures.scatter.PairIntervals;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.figures.scatter.ScatterLayout;
import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Palette;
import app.knuckle.figures.style.Paper;
import app.knuckle.figures.style.Style;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;

/**
 * The figure of an inquiry, laid out.
 *
 * @param scene what is drawn
 * @param caption what a reader must know of it
 * @param means what it shows of groups side by side; null for other forms
 */
public record InquiryFigure(Scene scene, String caption, MeansFigure means) {

  /** Size of the words that mark what is made up, in points. */
  private static final double MARK = 8;

  /**
   * The figure of an inquiry's first response.
   *
   * @param findings with a fit
   * @param style how to show it; a form that does not fit gives way to the first
   * @return the figure
   */
  public static InquiryFigure of(Findings findings, Style style) {
    Optional<InquiryFigure> special =
        switch (style.form()) {
          case SLOPES -> slopes(findings, style);
          case PAIRS -> pairs(findings, style);
          case CANONICAL -> canonical(findings, style);
          case BARS, POINTS, LINES, BOXES, VALUES, UNITS -> Optional.empty();
        };
    InquiryFigure figure =
        special.orElseGet(
            () -> {
              Style own = style.form().isOfGroups() ? style : style.with(Form.BARS);
              MeansFigure means = MeansReading.of(findings, own);
              return new InquiryFigure(MeansLayout.of(means), means.caption(), means);
            });
    return findings.table().makeBelieve() ? figure.marked() : figure;
  }

  /** What was made up says so, wherever the picture goes. */
  private InquiryFigure marked() {
    double half = Type.width(Table.MAKE_BELIEVE, Face.REGULAR, MARK) / 2;
    List<Mark> marks = new ArrayList<>(scene.marks());
    marks.add(
        Mark.Label.of(
            Table.MAKE_BELIEVE,
            scene.width() - half - MARK / 2,
            MARK,
            MARK,
            Face.REGULAR,
            Ink.AMBER,
            false,
            Mark.Role.REMARK));
    return new InquiryFigure(
        new Scene(scene.width(), scene.height(), marks),
        say("caption.make.believe", caption),
        means);
  }

  /**
   * The figures of all responses of an inquiry.
   *
   * @param findings answered or not
   * @param style how to show them
   * @return by the name of the response, in order; without those that could not be answered
   */
  public static Map<String, InquiryFigure> ofAll(Findings findings, Style style) {
    Map<String, InquiryFigure> all = new LinkedHashMap<>();
    for (int i = 0; i < findings.responses().size(); i++) {
      Findings turned = findings.showing(i);
      if (turned.refusal().isEmpty()) {
        all.put(turned.first().measured().name(), of(turned, style));
      }
    }
    return all;
  }

  /**
   * The forms that an inquiry's figure can have.
   *
   * @param findings with a fit
   * @return in the order of their names on a control
   */
  public static List<Form> forms(Findings findings) {
    ResponseFindings response = findings.first();
    boolean cells = response.shownMeans().stream().allMatch(m -> m.group() >= 0);
    Style usual = Style.usual(1);
    return Arrays.stream(Form.values())
        .filter(
            form ->
                switch (form) {
                  case BARS, POINTS, LINES -> true;
                  case BOXES, VALUES -> cells;
                  case UNITS ->
                      cells
                          && MeansReading.joiner(findings.inquiry())
                              .filter(findings.frame()::has)
                              .isPresent();
                  case SLOPES -> covariate(findings).isPresent();
                  case PAIRS -> pairs(findings, usual).isPresent();
                  case CANONICAL -> canonical(findings, usual).isPresent();
                })
        .toList();
  }

  private static Optional<Numbers> covariate(Findings findings) {
    return findings.inquiry().covariates().stream()
        .filter(findings.frame()::has)
        .map(findings.frame()::column)
        .filter(Numbers.class::isInstance)
        .map(Numbers.class::cast)
        .findFirst();
  }

  private static Optional<InquiryFigure> slopes(Findings findings, Style style) {
    return covariate(findings)
        .map(
            x -> {
              ResponseFindings response = findings.first();
              Column named = x;
              Scatter s =
                  GroupScatter.against(
                      response, x.values(), Prose.capital(named.title()), inks(response, style));
              Scatter keyed =
                  new Scatter(
                      s.points(), s.lines(), s.xTitle(), Prose.capital(s.yTitle()), s.keys());
              return scattered(keyed, style, say("caption.slopes"));
            });
  }

  /** The palette chosen, as long as it tells the groups apart. */
  private static IntFunction<Ink> inks(ResponseFindings response, Style style) {
    Palette palette = style.palette();
    return palette.tellsApart(response.groups().size()) ? palette::line : GroupScatter::ink;
  }

  private static Optional<InquiryFigure> canonical(Findings findings, Style style) {
    return CanonicalScatter.of(findings, style.palette())
        .map(
            s ->
                scattered(
                    s,
                    style,
                    say(
                        "caption.canonical",
                        findings.first().groups().treatment().title(),
                        Numerals.list(findings.inquiry().measured()))));
  }

  private static InquiryFigure scattered(Scatter scatter, Style style, String caption) {
    Paper paper = style.paper();
    Scene scene =
        ScatterLayout.of(scatter, paper.width(), paper.height(), paper.typeSize(), style::word);
    return new InquiryFigure(scene, caption, null);
  }

  private static Optional<InquiryFigure> pairs(Findings findings, Style style) {
    return ComparedMeans.of(findings.first().results()).stream()
        .filter(f -> PairIntervals.of(f, "", style::word).isPresent())
        .findFirst()
        .map(
            family -> {
              String unit = findings.first().measured().unit();
              Intervals intervals = PairIntervals.of(family, unit, style::word).orElseThrow();
              Paper paper = style.paper();
              Scene scene = IntervalsLayout.of(intervals, paper.width(), paper.typeSize());
              return new InquiryFigure(scene, caption(findings, family), null);
            });
  }

  private static String caption(Findings findings, ComparedMeans family) {
    boolean intervals =
        family.pairs().stream().anyMatch(p -> p.low().exists() || p.high().exists());
    String percent = Numerals.confidence(findings.inquiry().alpha());
    String procedure = Phrases.title(family.procedure());
    return intervals
        ? say("caption.pairs", percent, procedure)
        : say("caption.pairs.bare", procedure);
  }

  /**
   * The texts of the records on the figure that own words may replace: each once, in the order
   * drawn.
   */
  public List<String> subjects() {
    return scene.marks().stream()
        .filter(Mark.Label.class::isInstance)
        .map(m -> ((Mark.Label) m).subject())
        .filter(s -> !s.isEmpty())
        .distinct()
        .toList();
  }
}
