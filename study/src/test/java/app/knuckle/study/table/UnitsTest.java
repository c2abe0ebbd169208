package app.knuckle.study.table;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names as they are written in a sheet, and as sentences have them. */
class UnitsTest {

  @ParameterizedTest
  @CsvSource({
    "growth_mm, growth, mm",
    "temperature_c, temperature, \u00b0C",
    "silt_mg_l, silt, mg/L",
    "meat_yield_pct, meat yield, %",
    "tide_zone, tide zone, ''",
    "Length (mm), Length, mm",
    "c, c, ''",
    "mesh, mesh, ''"
  })
  void aNameGivesItsUnitAway(String name, String label, String unit) {
    assertThat(Units.of(name)).isEqualTo(unit);
    assertThat(Units.label(name)).isEqualTo(label);
  }
}
