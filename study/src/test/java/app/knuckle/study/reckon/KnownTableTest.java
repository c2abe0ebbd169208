package app.knuckle.study.reckon;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.study.reckon.KnownTable.Entry;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** A table of which a part is known. */
class KnownTableTest {

  /** 3 and 28 df; 41.28 over 90.076. */
  private static Map<Entry, Double> whole() {
    Map<Entry, Double> all = new EnumMap<>(Entry.class);
    all.put(Entry.EFFECT_DF, 3.0);
    all.put(Entry.EFFECT_SS, 41.28);
    all.put(Entry.EFFECT_MS, 13.76);
    all.put(Entry.F, 13.76 / 3.217);
    all.put(Entry.ERROR_DF, 28.0);
    all.put(Entry.ERROR_SS, 90.076);
    all.put(Entry.ERROR_MS, 3.217);
    all.put(Entry.TOTAL_DF, 31.0);
    all.put(Entry.TOTAL_SS, 131.356);
    return all;
  }

  @Test
  void whatFollowsIsFilledIn() {
    KnownTable table =
        KnownTable.of(
            Map.of(
                Entry.EFFECT_DF, 3.0,
                Entry.EFFECT_SS, 41.28,
                Entry.ERROR_MS, 3.217,
                Entry.TOTAL_DF, 31.0),
            0.05);
    whole()
        .forEach(
            (entry, value) ->
                assertThat(table.value(entry)).as(entry.title()).isCloseTo(value, within(1e-9)));
    assertThat(table.contradictions()).isEmpty();
    assertThat(table.lacking()).isEmpty();
  }

  @Test
  void nothingFollowsFromATotalThatIsLessThanAPart() {
    KnownTable table =
        KnownTable.of(
            Map.of(
                Entry.EFFECT_DF, 2.0,
                Entry.EFFECT_SS, 10.0,
                Entry.ERROR_DF, 9.0,
                Entry.TOTAL_SS, 8.0),
            0.05);
    assertThat(table.contradictions())
        .containsExactly(new KnownTable.Contradiction(Entry.TOTAL_SS, 10));
    assertThat(table.value(Entry.ERROR_SS)).isNaN();
    assertThat(table.table().p().exists()).isFalse();
  }

  @Test
  void aWholeTableAgreesWithItself() {
    assertThat(KnownTable.of(whole(), 0.05).contradictions()).isEmpty();
  }

  @Test
  void roundedEntriesAreNoContradiction() {
    Map<Entry, Double> rounded = whole();
    rounded.put(Entry.F, 4.3);
    rounded.put(Entry.ERROR_MS, 3.2);
    assertThat(KnownTable.of(rounded, 0.05).contradictions()).isEmpty();
  }

  @Test
  void anEntryThatContradictsTheOthersIsNamed() {
    Map<Entry, Double> wrong = whole();
    wrong.put(Entry.TOTAL_DF, 35.0);
    List<KnownTable.Contradiction> named = KnownTable.of(wrong, 0.05).contradictions();
    assertThat(named).extracting(KnownTable.Contradiction::entry).contains(Entry.TOTAL_DF);
    assertThat(named)
        .filteredOn(c -> c.entry() == Entry.TOTAL_DF)
        .allSatisfy(c -> assertThat(c.follows()).isCloseTo(31, within(1e-9)));
  }

  @Test
  void whatIsNotKnownIsSaid() {
    KnownTable table = KnownTable.of(Map.of(Entry.EFFECT_DF, 3.0, Entry.EFFECT_SS, 41.28), 0.05);
    assertThat(table.value(Entry.EFFECT_MS)).isCloseTo(13.76, within(1e-12));
    assertThat(table.lacking())
        .containsExactly(
            Entry.F,
            Entry.ERROR_DF,
            Entry.ERROR_SS,
            Entry.ERROR_MS,
            Entry.TOTAL_DF,
            Entry.TOTAL_SS);
  }

  /** Whichever entry is left out of a whole table comes back. */
  @Property(tries = 200)
  void anyEntryFollowsFromTheOthers(
      @ForAll @IntRange(min = 1, max = 20) int df,
      @ForAll @IntRange(min = 1, max = 200) int errorDf,
      @ForAll @DoubleRange(min = 0.1, max = 1000) double ms,
      @ForAll @DoubleRange(min = 0.1, max = 1000) double errorMs) {
    Map<Entry, Double> all = new EnumMap<>(Entry.class);
    all.put(Entry.EFFECT_DF, (double) df);
    all.put(Entry.EFFECT_SS, df * ms);
    all.put(Entry.EFFECT_MS, ms);
    all.put(Entry.F, ms / errorMs);
    all.put(Entry.ERROR_DF, (double) errorDf);
    all.put(Entry.ERROR_SS, errorDf * errorMs);
    all.put(Entry.ERROR_MS, errorMs);
    all.put(Entry.TOTAL_DF, (double) df + errorDf);
    all.put(Entry.TOTAL_SS, df * ms + errorDf * errorMs);
    for (Entry gone : Entry.values()) {
      Map<Entry, Double> known = new EnumMap<>(all);
      known.remove(gone);
      KnownTable table = KnownTable.of(known, 0.05);
      assertThat(table.value(gone)).isCloseTo(all.get(gone), within(1e-6 * all.get(gone)));
      assertThat(table.contradictions()).isEmpty();
    }
  }
}
