package app.knuckle.figures.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.AlphaChars;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.NotBlank;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** How a figure is shown, and how a study keeps that. */
class StyleTest {

  @Property(tries = 200)
  void aStyleComesBackFromItsSettings(
      @ForAll Form form,
      @ForAll Palette palette,
      @ForAll Whisker whisker,
      @ForAll Shown.Above above,
      @ForAll Scale.Base base,
      @ForAll Arrangement.Order order,
      @ForAll boolean yes,
      @ForAll @IntRange(min = 0, max = 5) int turn,
      @ForAll @DoubleRange(min = -500, max = 900) double number,
      @ForAll @Size(max = 3) Map<@NotBlank String, String> words,
      @ForAll @Size(max = 3) List<@AlphaChars String> names) {
    Style style =
        new Style(
            form,
            new Shown(whisker, above, yes, !yes, yes, !yes, yes ? number : Double.NaN),
            new Scale(base, yes, number, Double.NaN, yes ? 0.5 : Double.NaN),
            new Arrangement(turn, yes, order, yes ? 0.25 : Double.NaN, Double.NaN),
            palette,
            yes,
            new Paper(number, 60.5, 9),
            words,
            names.stream().map(n -> new Style.Couple(n, n + " too")).toList());
    assertThat(Style.of(style.settings(), 3)).isEqualTo(style);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "nonsense", "-1e999", "NaN", "\t"})
  void settingsThatAreNotUnderstoodAreAsUsual(String value) {
    Map<String, String> odd = new HashMap<>(Style.usual(3).settings());
    odd.replaceAll((key, known) -> value);
    Style style = Style.of(odd, 3);
    assertThat(style.form()).isEqualTo(Form.BARS);
    assertThat(style.shown().above()).isEqualTo(Shown.Above.LETTERS);
    assertThat(style.paper().widthMm()).isBetween(Paper.SMALLEST_MM, Paper.LARGEST_MM);
    assertThat(style.paper().typeSize()).isBetween(Paper.SMALLEST_TYPE, Paper.LARGEST_TYPE);
    assertThat(Style.of(Map.of(), 12)).isEqualTo(Style.usual(12));
  }

  @Test
  void ownWordsStandInPlaceOfATextUntilTheyAreTakenBack() {
    Style own = Style.usual(3).named("feed", "Feed of the week").named("Paste", "Algal paste");
    assertThat(own.word("feed")).isEqualTo("Feed of the week");
    assertThat(own.word("mesh")).isEqualTo("mesh");
    assertThat(own.named("feed", "").word("feed")).isEqualTo("feed");
    assertThat(own.named("feed", "").named("Paste", "")).isEqualTo(Style.usual(3));
  }

  @Test
  void barsBeginAtZeroUnlessToldOtherwiseAndNoLogarithmDoes() {
    Scale usual = Scale.USUAL;
    assertThat(usual.fromZero(Form.BARS)).isTrue();
    assertThat(usual.fromZero(Form.POINTS)).isFalse();
    assertThat(usual.logarithmic(true).fromZero(Form.BARS)).isFalse();
  }

  @Test
  void aPaletteSaysHowManySeriesItTellsApart() {
    for (Palette palette : Palette.values()) {
      int most = 0;
      while (palette.tellsApart(most + 1)) {
        most++;
      }
      List<?> areas = java.util.stream.IntStream.range(0, most).mapToObj(palette::area).toList();
      assertThat(areas).as(palette.title()).doesNotHaveDuplicates().hasSizeGreaterThan(3);
      assertThat(palette.area(most)).isEqualTo(palette.area(0));
    }
  }

  @Test
  void coloursGoToTheTreatmentWithTheFewestLevelsUntilTheUserTurnsThem() {
    Arrangement usual = Style.usual(12).arrangement();
    assertThat(usual.colours(List.of(12, 2))).isEqualTo(1);
    assertThat(usual.colours(List.of(2, 12))).isZero();
    assertThat(usual.colours(List.of(3, 3))).as("the first of equals").isZero();
    assertThat(usual.colours(List.of(4, 3, 2))).isEqualTo(2);
    assertThat(usual.colours(List.of())).isZero();
    assertThat(usual.turned(1).colours(List.of(2, 12))).isEqualTo(1);
    assertThat(usual.turned(-7).colours(List.of(2, 12))).isEqualTo(1);
  }

  @Test
  void whereBothTreatmentsHaveTooManyLevelsForColoursTheFewerGetPanels() {
    Arrangement usual = Style.usual(12).arrangement();
    assertThat(usual.isCrowded(List.of(6, 9))).isFalse();
    assertThat(usual.isCrowded(List.of(7, 9))).isTrue();
    assertThat(usual.isCrowded(List.of(7, 9, 8))).isFalse();
    // The treatment after the one in the colours has the axis, the last one the panels.
    assertThat(usual.colours(List.of(7, 9))).isEqualTo(1);
    assertThat(usual.colours(List.of(9, 7))).isEqualTo(0);
    assertThat(usual.turned(0).isCrowded(List.of(7, 9))).isFalse();
  }

  @Test
  void whatAnEarlierStudySaysOfItsColoursHolds() {
    assertThat(Style.of(Map.of("exchanged", "false"), 4).arrangement().colours(List.of(12, 2)))
        .isZero();
    assertThat(Style.of(Map.of("turn", "0"), 4).arrangement().colours(List.of(12, 2))).isZero();
    assertThat(Style.of(Map.of(), 4).arrangement().colours(List.of(12, 2))).isEqualTo(1);
  }

  @Test
  void moreGroupsGetMoreRoom() {
    assertThat(Paper.usual(9).widthMm()).isEqualTo(85);
    assertThat(Paper.usual(18).widthMm()).isEqualTo(170);
    assertThat(Paper.usual(24).widthMm()).isEqualTo(170 + 6 * 8);
    assertThat(Paper.usual(400).widthMm()).isLessThan(Paper.LARGEST_MM);
  }
}
