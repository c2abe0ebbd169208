package app.knuckle.desktop.shell;

import app.knuckle.desktop.records.ColumnGlance;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.notice.Notices;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Trail;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import javafx.concurrent.Service;
import javafx.concurrent.Task;

/** Computes answers off the interface thread. A restart overtakes what is still running. */
final class FindingsService extends Service<Answer> {

  private Table table;
  private Inquiry inquiry;
  private Answer last;

  /** Asks a question; an older one still being answered is dropped. */
  void ask(Table records, Inquiry question) {
    table = records;
    inquiry = question;
    restart();
  }

  /** Remembers the columns seen, so that unchanged ones are not counted again. */
  void remember(Answer answer) {
    last = answer;
  }

  @Override
  protected Task<Answer> createTask() {
    Table records = table;
    Inquiry question = inquiry;
    Answer known = last;
    return new Work<>() {
      @Override
      protected Answer call() {
        return answer(records, question, known, progress());
      }
    };
  }

  private static Answer answer(Table table, Inquiry inquiry, Answer known, Progress progress) {
    Trail trail = Trail.run(table, inquiry.prepare(), progress);
    Frame frame = trail.frame();
    List<ColumnGlance> glances = glances(frame, known, progress);
    List<Notice> notices = Notices.of(frame, progress);
    if (trail.refusal().isPresent()) {
      return Answer.of(trail, glances, notices, null, trail.refusal().get());
    }
    try {
      Findings findings = Findings.of(table, inquiry, progress);
      return Answer.of(trail, glances, notices, findings, findings.refusal().orElse(null));
    } catch (Refused e) {
      return Answer.of(trail, glances, notices, null, e.refusal());
    }
  }

  private static List<ColumnGlance> glances(Frame frame, Answer known, Progress progress) {
    Map<Column, ColumnGlance> seen = new IdentityHashMap<>();
    if (known != null && known.frame().leftOut().equals(frame.leftOut())) {
      known.glances().forEach(glance -> seen.put(glance.column(), glance));
    }
    return ColumnGlance.of(
        frame,
        column -> {
          progress.check();
          return seen.get(column);
        });
  }
}
