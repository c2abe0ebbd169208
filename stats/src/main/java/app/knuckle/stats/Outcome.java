package app.knuckle.stats;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * What a test found. Implemented by records alone: each component is a number, a list, a map, a
 * text or an outcome again, and its name is the key by which files give it. A component that is
 * null is written as null; an empty Optional is not written at all.
 */
public interface Outcome {

  /** The components of this component stand beside the others, not under a name of their own. */
  @Retention(RetentionPolicy.RUNTIME)
  @Target(ElementType.RECORD_COMPONENT)
  @interface Flat {}

  /** The key of a component whose own name is taken by what {@link #p()} gives. */
  @Retention(RetentionPolicy.RUNTIME)
  @Target(ElementType.RECORD_COMPONENT)
  @interface Named {

    /** The key: as in files. */
    String value();
  }

  /**
   * How often chance alone would go as far: between 0 and 1; absent where there is no such number.
   */
  default Quantity p() {
    return Quantity.absent(Absence.NOT_OF_THIS_TEST);
  }
}
