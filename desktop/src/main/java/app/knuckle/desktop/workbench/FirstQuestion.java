package app.knuckle.desktop.workbench;

import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.fieldbook.FilledBook;
import app.knuckle.study.table.Table;
import java.util.List;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;

/**
 * The question that records are asked when they arrive: a first guess, or what was planned for
 * them. It is asked anew when the file is read in another way, as long as the user has not changed
 * it.
 */
final class FirstQuestion implements ChangeListener<Table> {

  private final Workbench workbench;
  private final TableSource source;
  private final String change;
  private Object slip;
  private Inquiry asked;

  /**
   * A question still to be found.
   *
   * @param workbench where it will be asked
   * @param source of the records
   * @param change what putting them there is called
   */
  FirstQuestion(Workbench workbench, TableSource source, String change) {
    this.workbench = workbench;
    this.source = source;
    this.change = change;
  }

  @Override
  public void changed(ObservableValue<? extends Table> o, Table before, Table table) {
    if (slip == null && workbench.isTableTaken(table.name())) {
      source.rename(workbench.freeTableName(table.name()));
      if (slip != null) {
        return; // The renamed table came through here already.
      }
    }
    FirstGuess guess = source.guess();
    Inquiry wanted = workbench.settingsProperty().get().applied(guess.inquiry());
    if (slip == null) {
      asked = wanted;
      slip = workbench.begin(source, wanted, guess.reason(), change);
      workbench.plans().recognise(table, this::filled);
    } else {
      askInstead(wanted);
    }
  }

  /** The records of a plan are asked what the plan was made for, and held against it. */
  private void filled(FilledBook book) {
    String known = "These are the records of the plan " + book.plan().name();
    boolean planned = book.inquiry().map(this::askInstead).orElse(false);
    String differences =
        book.differences().isEmpty() ? "" : " " + String.join(". ", book.differences()) + ".";
    workbench
        .bannerProperty()
        .set(
            new Banner(
                known + (planned ? ", and are asked as it was planned." : ".") + differences,
                false,
                List.of()));
  }

  /** Whether the user left the question as it was, so that another could take its place. */
  private boolean askInstead(Inquiry other) {
    boolean left = workbench.askInstead(slip, asked, other);
    asked = left ? other : asked;
    return left;
  }
}
