package app.knuckle.study.table;

import java.util.List;
import java.util.Locale;

/** Units read off the end of a column's name: growth_mm, flow_l_min, "Length (mm)". */
public final class Units {

  private record Ending(String written, String unit) {}

  // Longest first, so that mg_l is not taken for l.
  private static final List<Ending> ENDINGS =
      List.of(
          new Ending("mmol_per_l", "mmol/L"),
          new Ending("umol_per_l", "µmol/L"),
          new Ending("cells_per_ml", "cells/mL"),
          new Ending("kg_per_ha", "kg/ha"),
          new Ending("mg_per_kg", "mg/kg"),
          new Ending("ml_per_min", "mL/min"),
          new Ending("l_per_min", "L/min"),
          new Ending("l_per_h", "L/h"),
          new Ending("mg_per_l", "mg/L"),
          new Ending("ug_per_l", "µg/L"),
          new Ending("mg_per_g", "mg/g"),
          new Ending("g_per_l", "g/L"),
          new Ending("m_per_s", "m/s"),
          new Ending("per_ml", "per mL"),
          new Ending("per_m2", "per m²"),
          new Ending("per_day", "per day"),
          new Ending("per_l", "per L"),
          new Ending("per_h", "per h"),
          new Ending("per_g", "per g"),
          new Ending("celsius", "°C"),
          new Ending("deg_c", "°C"),
          new Ending("degc", "°C"),
          new Ending("ratio", "ratio"),
          new Ending("mmol_l", "mmol/L"),
          new Ending("umol_l", "µmol/L"),
          new Ending("kg_ha", "kg/ha"),
          new Ending("mg_kg", "mg/kg"),
          new Ending("mg_l", "mg/L"),
          new Ending("ug_l", "µg/L"),
          new Ending("ml_min", "mL/min"),
          new Ending("l_min", "L/min"),
          new Ending("mg_g", "mg/g"),
          new Ending("g_l", "g/L"),
          new Ending("l_h", "L/h"),
          new Ending("m_s", "m/s"),
          new Ending("percent", "%"),
          new Ending("pct", "%"),
          new Ending("psu", "psu"),
          new Ending("ppt", "ppt"),
          new Ending("ppm", "ppm"),
          new Ending("days", "d"),
          new Ending("min", "min"),
          new Ending("mm", "mm"),
          new Ending("cm", "cm"),
          new Ending("um", "µm"),
          new Ending("km", "km"),
          new Ending("kg", "kg"),
          new Ending("mg", "mg"),
          new Ending("ug", "µg"),
          new Ending("ml", "mL"),
          new Ending("ul", "µL"),
          new Ending("ha", "ha"),
          new Ending("g", "g"),
          new Ending("m", "m"),
          new Ending("l", "L"),
          new Ending("h", "h"),
          new Ending("s", "s"),
          new Ending("c", "°C"));

  private Units() {}

  /**
   * The unit that a name carries.
   *
   * @param name of a column
   * @return such as "mm"; empty if the name carries none
   */
  public static String of(String name) {
    int open = name.lastIndexOf('(');
    if (open > 0 && name.endsWith(")")) {
      return name.substring(open + 1, name.length() - 1).strip();
    }
    String lower = name.toLowerCase(Locale.ROOT);
    return ENDINGS.stream()
        .filter(e -> lower.endsWith("_" + e.written()) && lower.length() > e.written().length() + 1)
        .findFirst()
        .map(Ending::unit)
        .orElse("");
  }

  /**
   * A column's name as sentences have it: less the unit it carries, with blanks for underscores.
   *
   * @param name of a column
   * @return such as "tide zone" for tide_zone and "temperature" for temperature_c
   */
  public static String label(String name) {
    return label(name, of(name));
  }

  /** The name less the unit it carries, with blanks for underscores. */
  static String label(String name, String unit) {
    String rest = name;
    if (!unit.isEmpty()) {
      int open = name.lastIndexOf('(');
      String lower = name.toLowerCase(Locale.ROOT);
      if (open > 0 && name.endsWith(")")) {
        rest = name.substring(0, open).strip();
      } else {
        rest =
            ENDINGS.stream()
                .filter(e -> e.unit().equals(unit) && lower.endsWith("_" + e.written()))
                .findFirst()
                .map(e -> name.substring(0, name.length() - e.written().length() - 1))
                .orElse(name);
      }
    }
    return rest.replace('_', ' ').strip();
  }
}
