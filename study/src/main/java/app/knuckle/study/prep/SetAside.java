package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.words.Phrases;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Rows are left out of play, with the reason; they stay visible.
 *
 * @param rows of the source, the first is 1
 * @param why the reason; may be empty
 * @param off switched off
 */
public record SetAside(List<Integer> rows, String why, boolean off) implements Step {

  public SetAside {
    rows = List.copyOf(rows);
  }

  @Override
  public List<String> reads() {
    return List.of();
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new SetAside(rows, why, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Set<Integer> wanted = new HashSet<>(rows);
    Map<Integer, String> out = new TreeMap<>();
    for (int row = 0; row < frame.rows(); row++) {
      if (wanted.contains(frame.sourceRow(row) + 1)) {
        out.put(row, why.isEmpty() ? say("aside.plain") : say("aside.why", why));
      }
    }
    for (int row : rows) {
      if (row < 1 || row > frame.sourceRows()) {
        throw Refused.at(
            new Place.WholeFile(frame.source()),
            say("refused.no-row-set-aside", String.valueOf(row)),
            say("way.rows-go-from-1", String.valueOf(frame.sourceRows())));
      }
    }
    return frame.without(out);
  }

  @Override
  public String title() {
    if (rows.isEmpty()) {
      return say("step.aside.none");
    }
    return Phrases.count("step.aside", rows.size(), String.valueOf(rows.get(0)));
  }

  @Override
  public String detail() {
    String list =
        rows.stream().map(String::valueOf).collect(Collectors.joining(say("list.between")));
    return rows.size() == 1
        ? why
        : why.isEmpty() ? say("step.aside.rows", list) : say("step.aside.why", why, list);
  }
}
