package app.knuckle.study.findings;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** What a check of values looks at. */
public sealed interface CheckedOn {

  /** The name in files and titles, such as "residuals". */
  String key();

  /** The values of one group; of no levels where there is one sample. */
  record Group(Map<String, String> levels) implements CheckedOn {
    public Group {
      levels = Collections.unmodifiableMap(new LinkedHashMap<>(levels));
    }

    @Override
    public String key() {
      return "group";
    }
  }

  /** The means of the units of a coarser layer, by the name of its error. */
  record Layer(String key) implements CheckedOn {}

  /** What a model leaves, what pairs differ by, and other values that are no one group's. */
  enum Whole implements CheckedOn {
    /** What a model leaves of each row. */
    RESIDUALS,
    /** What matched pairs differ by. */
    DIFFERENCES,
    /** All groups, one against the others. */
    GROUPS,
    /** Expected counts row by row. */
    ROWS,
    /** Expected counts cell by cell. */
    CELLS,
    /** All counts together. */
    COUNTS;

    @Override
    public String key() {
      return name().toLowerCase(Locale.ROOT);
    }
  }
}
