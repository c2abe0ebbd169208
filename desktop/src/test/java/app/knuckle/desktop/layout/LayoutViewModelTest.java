package app.knuckle.desktop.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.desktop.window.FindingLine;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the design sentence says, and what a choice in one of its slots does. */
class LayoutViewModelTest {

  private static final String TRIAL =
      "`measured`:[`growth_mm`],`treatments`:[`mesh`,`density`],`blocks`:[`rack`]";

  private static final List<String> NURSERY =
      List.of(
          "rack-trial", "hatchery", "tumbling", "tasting-panel", "strains", "silt-dose", "pumps");

  /** A question that is answered at once. */
  private static final class Answered implements Question {
    private final Table table;
    private Inquiry inquiry;
    private Answer answer;

    Answered(Table table, Inquiry inquiry) {
      this.table = table;
      ask(inquiry);
    }

    @Override
    public Inquiry inquiry() {
      return inquiry;
    }

    @Override
    public Answer answer() {
      return answer;
    }

    @Override
    public void ask(Inquiry changed) {
      inquiry = changed;
      answer = Asked.of(table, changed);
    }
  }

  private Answered question;
  private LayoutViewModel model;

  private void ask(String table, String inquiry) throws Exception {
    question = new Answered(Asked.table(table), Asked.inquiry(inquiry));
    model = new LayoutViewModel(question);
  }

  private String sentence() {
    StringBuilder text = new StringBuilder();
    for (Piece piece : model.sentence("36 rows")) {
      if (piece instanceof Piece.Words words) {
        text.append(words.text());
      } else if (piece instanceof Piece.Slot slot) {
        text.append('[').append(slot.text()).append(']');
      }
    }
    return text.toString();
  }

  private List<Piece.Slot> slots() {
    return Stream.concat(model.sentence("36 rows").stream(), model.additions().stream())
        .filter(Piece.Slot.class::isInstance)
        .map(Piece.Slot.class::cast)
        .toList();
  }

  private Piece.Slot slot(String id) {
    return slots().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
  }

  private Option option(String slot, String title) {
    return slot(slot).options().get().stream()
        .filter(o -> o.title().equals(title))
        .findFirst()
        .orElseThrow(() -> new AssertionError(slot(slot).options().get().toString()));
  }

  private void choose(String slot, String title) {
    slot(slot).chosen().accept(option(slot, title));
  }

  private void type(String slot, String text) {
    slot(slot).chosen().accept(slot(slot).own().apply(text));
  }

  @Test
  void theTrialInRacksIsReadOut() throws Exception {
    ask("rack-trial", TRIAL);
    assertThat(sentence())
        .isEqualTo(
            "We measured [growth_mm] on 36 rows. The treatments are [mesh] and [density], "
                + "[in every combination], laid out in [rack] as blocks. "
                + "Judge by [least squares] at [\u03b1 = 0.05].");
    assertThat(model.columnNames()).startsWith("bag", "rack", "mesh");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "add-covariate | start_mm | slot-covariate | Adjust for [start_mm].",
        "add-measured | width_mm | slot-measured-2 | [growth_mm] and [width_mm], [one by one]",
        "add-whole | mesh | slot-whole | [mesh] on whole plots",
        "add-strips | mesh | slot-strips | [mesh] in strips across the others",
      })
  void whatIsAddedIsSaidAndCanBeLeftOutAgain(String add, String column, String slot, String said)
      throws Exception {
    ask("rack-trial", TRIAL);
    question.ask(Redesign.of(question.inquiry(), same -> {}));
    Inquiry before = question.inquiry();
    choose(add, column);
    assertThat(sentence()).contains(said);
    choose(slot, "leave it out");
    assertThat(question.inquiry()).isEqualTo(before);
  }

  @Test
  void aSecondColumnOfBlocksMakesRowsAndColumns() throws Exception {
    ask("rack-trial", TRIAL);
    choose("add-block", "bag");
    assertThat(sentence()).contains("laid out in [rack] and [bag] as rows and columns");
    assertThat(slots()).extracting(Piece.Slot::id).doesNotContain("add-block");
  }

  @Test
  void aReferenceIsComparedWithByTheProcedureOfTheMethod() throws Exception {
    ask("strains", "`measured`:[`length_mm`],`treatments`:[`strain`]");
    List<String> strains = question.answer().findings().first().levelsOf("strain");
    choose("add-reference", strains.get(1));
    assertThat(sentence()).contains("The reference of strain is [" + strains.get(1) + "].");
    assertThat(question.inquiry().compare())
        .singleElement()
        .returns(Procedure.DUNNETT, Compare::procedure);
    choose("slot-reference-strain", "leave it out");
    assertThat(question.inquiry().compare())
        .singleElement()
        .returns(Procedure.TUKEY, Compare::procedure);
    choose("slot-method", "ranks");
    choose("add-reference", strains.get(0));
    assertThat(question.inquiry().compare())
        .singleElement()
        .returns(Procedure.STEEL, Compare::procedure);
  }

  @Test
  void oneSampleIsComparedWithANumberThatIsTyped() throws Exception {
    ask("strains", "`measured`:[`length_mm`]");
    assertThat(sentence()).contains("The treatment is [choose a treatment].");
    assertThat(slot("slot-treatment").gap()).isTrue();
    assertThat(slot("add-expected").own().apply("a lot")).isNull();
    type("add-expected", "62,5");
    assertThat(question.inquiry().expected()).isEqualTo(62.5);
    assertThat(sentence()).contains("Its mean is compared with [62.5]. ");
    choose("slot-direction", "only if larger");
    assertThat(question.inquiry().direction()).isEqualTo(Direction.GREATER);
    assertThat(option("slot-direction", "only if smaller").line())
        .isEqualTo("the mean below what is expected");
    choose("slot-expected", "leave it out");
    assertThat(question.inquiry().expected()).isNull();
  }

  @Test
  void aLevelOfOnesOwnLiesBetweenNothingAndCertainty() throws Exception {
    ask("rack-trial", TRIAL);
    for (String none : List.of("0", "1", "-0.1", "two", "")) {
      assertThat(slot("slot-alpha").own().apply(none)).as(none).isNull();
    }
    type("slot-alpha", "\u03b1 = 0,02");
    assertThat(question.inquiry().alpha()).isEqualTo(0.02);
    choose("slot-alpha", "\u03b1 = 0.001");
    assertThat(question.inquiry().alpha()).isEqualTo(0.001);
  }

  @Test
  void aMethodThatDoesNotFitSaysWhyAndIsNotTaken() throws Exception {
    ask("rack-trial", TRIAL);
    assertThat(option("slot-method", "each group's own spread").line())
        .startsWith("does not fit: ");
    choose("slot-method", "each group's own spread");
    assertThat(question.inquiry().approach()).isEqualTo(Approach.LEAST_SQUARES);
    choose("slot-treatment-2", "leave it out");
    choose("slot-block", "leave it out");
    choose("slot-method", "each group's own spread");
    assertThat(question.inquiry().approach()).isEqualTo(Approach.SEPARATE_VARIANCES);
    assertThat(sentence()).contains("The treatment is [mesh]. Judge by [each group's own spread]");
  }

  @Test
  void severalResponsesAreAnsweredOneByOneOrTogether() throws Exception {
    ask("rack-trial", TRIAL);
    choose("add-measured", "width_mm");
    choose("slot-together", "together");
    assertThat(question.inquiry().together()).isTrue();
    choose("slot-measured", "leave it out");
    assertThat(question.inquiry().together()).isFalse();
    assertThat(sentence()).startsWith("We measured [width_mm] on");
  }

  @Test
  void aNameAfterTheQuestionFollowsItAndOneOfOnesOwnStays() throws Exception {
    ask("rack-trial", TRIAL);
    choose("slot-block", "leave it out");
    assertThat(question.inquiry().name()).isEqualTo("n");
    question.ask(question.inquiry().named("Growth by mesh \u00d7 density"));
    choose("slot-treatment-2", "leave it out");
    assertThat(question.inquiry().name()).isEqualTo("Growth by mesh");
  }

  @Test
  void unitsAndPairsAreSaid() throws Exception {
    ask("rack-trial", "`measured`:[`growth_mm`],`treatments`:[`mesh`]");
    choose("add-unit", "bag");
    assertThat(sentence()).contains("Readings of one [bag] count as one, their mean.");
    choose("slot-unit", "rack");
    choose("slot-unit", "leave it out");
    choose("add-unit", "rack");
    assertThat(sentence()).contains("Each [rack] was seen at every [mesh].");
    choose("slot-unit", "leave it out");
    assertThat(question.inquiry().occasions()).isEmpty();
    ask("pumps", "`measured`:[`flow_l_min`],`treatments`:[`pump`]");
    choose("add-pairs", "unit");
    assertThat(sentence()).contains("The treatment is [pump], matched by [unit].");
    assertThat(slots()).extracting(Piece.Slot::id).doesNotContain("add-pairs", "add-reference");
  }

  /** Somebody may be quicker than the answer: what is pressed then may be gone already. */
  @Test
  void aTermThatIsGoneIsNotSwitched() throws Exception {
    ask("rack-trial", TRIAL);
    Inquiry before = question.inquiry();
    model.terms().switchTerm(List.of("mesh", "aeration"));
    assertThat(question.inquiry()).isEqualTo(before);
  }

  /** The correlation of readings goes with the only column of occasions. */
  @Test
  void readingsThatHangTogetherNeedTheirOccasions() throws Exception {
    ask(
        "hatchery",
        "`measured`:[`days_to_settle`],`treatments`:[`aeration`,`salinity_psu`],`unit`:`tank`,"
            + "`occasions`:[`aeration`],`method`:`mixed`,`withinUnit`:`own-variances`");
    choose("slot-treatment", "temperature_c");
    assertThat(question.inquiry().occasions()).isEmpty();
    assertThat(question.inquiry().random().within()).isEqualTo(WithinUnit.EQUAL);
  }

  /**
   * Wherever somebody clicks, the sentence can be read, is answered or says why not, and the way
   * goes on.
   */
  @Property(tries = 60, seed = "31415926")
  void noWayThroughTheSlotsEndsInAHole(@ForAll Random random) throws Exception {
    String name = NURSERY.get(random.nextInt(NURSERY.size()));
    Table table = Asked.table(name);
    question = new Answered(table, FirstGuess.of(Frame.of(table)).inquiry());
    model = new LayoutViewModel(question);
    List<String> way = new ArrayList<>(List.of(name));
    for (int i = 0; i < 12; i++) {
      List<Piece.Slot> open = slots().stream().filter(s -> !s.options().get().isEmpty()).toList();
      Piece.Slot slot = open.get(random.nextInt(open.size()));
      List<Option> options = slot.options().get();
      Option option = options.get(random.nextInt(options.size()));
      way.add(slot.id() + ": " + option.title());
      try {
        slot.chosen().accept(option);
        assertThat(sentence())
            .matches("We (measured|counted) \\[.*")
            .doesNotContain("null")
            .endsWith("].");
        assertThat(FindingLine.of(question.answer()).sentence()).isNotBlank();
        assertThat(model.terms().terms().keySet()).allMatch(term -> !term.isEmpty());
        // What is clicked together can be kept and read again.
        assertThat(InquiryFile.read(InquiryFile.write(question.inquiry())))
            .isEqualTo(question.inquiry());
      } catch (RuntimeException | AssertionError e) {
        throw new AssertionError(way.toString(), e);
      }
    }
  }
}
