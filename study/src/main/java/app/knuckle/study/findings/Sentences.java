package app.knuckle.study.findings;

/**
 * The findings about one response in words.
 *
 * @param finding the answer in one sentence
 * @param result the same with everything a paper wants
 * @param ranking which means lead, which do not differ significantly; empty when nothing was
 *     compared
 */
public record Sentences(String finding, String result, String ranking) {

  /** Nothing is said yet. */
  public static final Sentences NONE = new Sentences("", "", "");
}
