package app.knuckle.study.proof;

import app.knuckle.stats.Progress;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * How well this program on this machine agrees with its reference cases.
 *
 * @param lines one a subject, in the order of subjects
 */
public record Proof(List<Line> lines) {

  public Proof {
    lines = List.copyOf(lines);
  }

  /**
   * What was found of a subject.
   *
   * @param subject of the cases
   * @param cases how many
   * @param numbers how many were compared
   * @param least digits of the number that agrees least
   * @param median digits of the number in the middle
   * @param fellShort numbers that do not agree as they should, in words
   */
  public record Line(
      Subject subject,
      int cases,
      int numbers,
      double least,
      double median,
      List<String> fellShort) {
    public Line {
      fellShort = List.copyOf(fellShort);
    }
  }

  /**
   * Answers every case, side by side on all processors.
   *
   * @param progress told how far it is, and may stop it
   * @return the proof
   */
  public static Proof run(Progress progress) {
    return of(ProofCase.all(), progress);
  }

  /** Answers some of the cases. */
  static Proof of(List<ProofCase> all, Progress progress) {
    AtomicInteger done = new AtomicInteger();
    List<List<Agreement>> agreements =
        all.parallelStream()
            .map(
                one -> {
                  progress.check();
                  List<Agreement> found = one.held(one.answer(progress));
                  progress.done((double) done.incrementAndGet() / all.size());
                  return found;
                })
            .toList();
    Map<Subject, Gathered> subjects = new EnumMap<>(Subject.class);
    for (int i = 0; i < all.size(); i++) {
      subjects
          .computeIfAbsent(all.get(i).subject(), s -> new Gathered())
          .add(all.get(i), agreements.get(i));
    }
    return new Proof(subjects.entrySet().stream().map(e -> e.getValue().line(e.getKey())).toList());
  }

  private static final class Gathered {
    private final List<Double> digits = new ArrayList<>();
    private final List<String> fellShort = new ArrayList<>();
    private int cases;

    void add(ProofCase one, List<Agreement> agreements) {
      cases++;
      for (Agreement agreement : agreements) {
        digits.addAll(agreement.digits());
        agreement.missed().forEach(missed -> fellShort.add(one + missed));
      }
    }

    Line line(Subject subject) {
      Collections.sort(digits);
      boolean any = !digits.isEmpty();
      return new Line(
          subject,
          cases,
          digits.size(),
          any ? digits.get(0) : 0,
          any ? digits.get(digits.size() / 2) : 0,
          fellShort);
    }
  }

  /** Numbers that were compared: of all subjects. */
  public int numbers() {
    return lines.stream().mapToInt(Line::numbers).sum();
  }

  /** Cases that were answered: of all subjects. */
  public int cases() {
    return lines.stream().mapToInt(Line::cases).sum();
  }

  /** Whether every number agrees as it should: false if one fell short. */
  public boolean holds() {
    return lines.stream().allMatch(line -> line.fellShort().isEmpty());
  }
}
