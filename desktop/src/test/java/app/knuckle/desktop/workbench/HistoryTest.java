package app.knuckle.desktop.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Step;
import app.knuckle.study.prep.Trail;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

class HistoryTest {

  private final Table table =
      new Table(
          "t",
          "",
          List.of(
              new Numbers("y", "", new double[] {1, -99, 3}),
              new Categories("g", "", new int[] {0, 1, 2}, List.of("a", "b", "c"), false)),
          "");

  @Provide
  Arbitrary<List<Step>> steps() {
    return Arbitraries.<Step>of(
            new Missing(List.of(), List.of("-99"), false),
            new Merge("g", List.of("a", "b"), "a", false),
            new SetAside(List.of(3), "torn", false),
            new Kind("y", Kind.As.ORDERED, false),
            new Merge("gone", List.of("a"), "b", false))
        .list()
        .ofMaxSize(8);
  }

  private static History.Desk desk(List<Step> trail) {
    Inquiry inquiry = Inquiry.about("y", "g").after(trail);
    return new History.Desk(
        List.of(new SlipViewModel.Kept("only", null, inquiry, "", null, Map.of())),
        "only",
        List.of(),
        List.of());
  }

  private Frame frame(History.Desk desk) {
    return Trail.run(
            table, desk.slips().get(0).inquiry().prepare(), app.knuckle.stats.Progress.NONE)
        .frame();
  }

  @Property(tries = 100)
  void anyStepsUndoneGiveBackTheRecordsAndDoneAgainTheSame(@ForAll("steps") List<Step> steps) {
    AtomicReference<History.Desk> now = new AtomicReference<>(desk(List.of()));
    History history = new History(now::set);
    history.begin(now.get());
    List<Step> trail = new ArrayList<>();
    for (Step step : steps) {
      trail.add(step);
      now.set(desk(trail));
      history.did("step " + trail.size(), now.get());
    }
    History.Desk last = now.get();
    for (int i = steps.size(); i > 0; i--) {
      assertThat(history.undoProperty().get()).isEqualTo("step " + i);
      history.undo();
    }
    assertThat(frame(now.get())).isEqualTo(Frame.of(table));
    steps.forEach(step -> history.redo());
    assertThat(now.get()).isEqualTo(last);
    assertThat(history.redoProperty().get()).isEmpty();
  }
}
