package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import app.knuckle.study.words.ExactP;
import java.util.ArrayList;
import java.util.List;

/**
 * Words about a test, in which it is left open how a p is written.
 *
 * @param words before each p, and after the last
 * @param ps in their order, one fewer than words; all exist
 */
public record Told(List<String> words, List<Quantity> ps) {
  public Told {
    words = List.copyOf(words);
    ps = List.copyOf(ps);
    if (words.size() != ps.size() + 1) {
      throw new IllegalArgumentException("words stand before each p and after the last");
    }
  }

  /**
   * Words without any p.
   *
   * @param words a sentence
   */
  public Told(String words) {
    this(List.of(words), List.of());
  }

  /**
   * The words with their p.
   *
   * @param exact down to which bound p is written as it is
   * @return a sentence or more
   */
  public String said(ExactP exact) {
    StringBuilder said = new StringBuilder(words.get(0));
    for (int i = 0; i < ps.size(); i++) {
      said.append(exact.statement(ps.get(i))).append(words.get(i + 1));
    }
    return said.toString();
  }

  /**
   * The same and more.
   *
   * @param more words after the last
   * @return the longer telling
   */
  public Told and(Told more) {
    List<String> all = new ArrayList<>(words);
    all.set(all.size() - 1, all.get(all.size() - 1) + more.words.get(0));
    all.addAll(more.words.subList(1, more.words.size()));
    List<Quantity> every = new ArrayList<>(ps);
    every.addAll(more.ps);
    return new Told(all, every);
  }
}
