package app.knuckle.formats.report;

import app.knuckle.study.findings.Findings;
import java.util.Optional;

/** The answers of the other inquiries of a study. */
@FunctionalInterface
public interface Others {

  /** An inquiry that stands alone. */
  Others NONE = name -> Optional.empty();

  /**
   * The answer of an inquiry.
   *
   * @param name of the inquiry
   * @return empty if there is none of that name, or it has no answer
   */
  Optional<Findings> called(String name);
}
