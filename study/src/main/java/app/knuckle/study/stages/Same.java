package app.knuckle.study.stages;

/**
 * Something that is equal to itself only.
 *
 * @param value compared by identity
 * @param <T> its kind
 */
public record Same<T>(T value) {
  @Override
  public boolean equals(Object other) {
    return other instanceof Same<?> same && same.value == value;
  }

  @Override
  public int hashCode() {
    return System.identityHashCode(value);
  }
}
