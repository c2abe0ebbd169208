package app.knuckle.desktop.shell;

import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Table;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/** Everything that is open in the window: the slips, and which of them is in front. */
public final class Workbench {

  private final ReadOnlyStringWrapper name = new ReadOnlyStringWrapper("New study");
  private final ObservableList<SlipViewModel> slips = FXCollections.observableArrayList();
  private final ObjectProperty<SlipViewModel> current = new SimpleObjectProperty<>();
  private final ReadOnlyObjectWrapper<TableSource> opening = new ReadOnlyObjectWrapper<>();

  /**
   * Opens a study.
   *
   * @param study its tables and inquiries
   */
  public void open(Study study) {
    Map<String, TableSource> sources = new HashMap<>();
    study.tables().forEach(table -> sources.put(table.name(), new TableSource(table)));
    name.set(study.name());
    for (Study.Asked asked : study.asked()) {
      slips.add(new SlipViewModel(sources.get(asked.table()), asked.inquiry(), ""));
    }
    if (!slips.isEmpty()) {
      current.set(slips.get(0));
    }
  }

  /**
   * Opens a file of records beside what is open. Its first inquiry is guessed once it is read.
   *
   * @param file the file
   */
  public void open(Path file) {
    TableSource source = new TableSource(file);
    opening.set(source);
    source.tableProperty().addListener(new Guessing(source));
  }

  /**
   * Adds a slip with a first guess when the table arrives, and guesses again when the file is read
   * in another way, as long as the user has not changed the question.
   */
  private final class Guessing implements ChangeListener<Table> {
    private final TableSource source;
    private SlipViewModel slip;
    private Inquiry guessed;

    Guessing(TableSource source) {
      this.source = source;
    }

    @Override
    public void changed(ObservableValue<? extends Table> o, Table before, Table table) {
      FirstGuess guess = FirstGuess.of(Frame.of(table));
      if (slip == null) {
        slip = new SlipViewModel(source, guess.inquiry(), guess.reason());
        add(slip);
      } else if (slip.inquiry().equals(guessed)) {
        slip.inquiryProperty().set(guess.inquiry());
      }
      guessed = guess.inquiry();
      if (opening.get() == source) {
        opening.set(null);
      }
    }
  }

  private void add(SlipViewModel slip) {
    slips.add(slip);
    current.set(slip);
  }

  /** Leaves a file that could not be read. */
  public void giveUpOpening() {
    opening.set(null);
  }

  /** Copies the slip in front, to be changed beside it. */
  public void copyCurrent() {
    SlipViewModel slip = current.get();
    if (slip != null) {
      Inquiry inquiry = slip.inquiry();
      SlipViewModel copy =
          new SlipViewModel(slip.source(), inquiry.named(nameOfCopy(inquiry.name())), "");
      copy.jointProperty().set(Joint.LAYOUT);
      copy.styleProperty().set(slip.styleProperty().get());
      add(copy);
    }
  }

  private String nameOfCopy(String original) {
    String base = original.startsWith("\u2026 ") ? original : "\u2026 " + original;
    int copies = 1;
    String copy = base;
    while (isTaken(copy)) {
      copies++;
      copy = base + " (" + copies + ")";
    }
    return copy;
  }

  private boolean isTaken(String title) {
    return slips.stream().anyMatch(s -> s.inquiry().name().equals(title));
  }

  /**
   * Closes a slip.
   *
   * @param slip one of the slips
   */
  public void close(SlipViewModel slip) {
    int place = slips.indexOf(slip);
    slip.close();
    slips.remove(slip);
    if (current.get() == slip) {
      current.set(slips.isEmpty() ? null : slips.get(Math.min(place, slips.size() - 1)));
    }
  }

  /**
   * Goes to the slip so many places further, round the end.
   *
   * @param places forward, or backward when negative
   */
  public void step(int places) {
    if (!slips.isEmpty()) {
      int at = slips.indexOf(current.get());
      current.set(slips.get(Math.floorMod(at + places, slips.size())));
    }
  }

  /**
   * The name of the study.
   *
   * @return never empty
   */
  public ReadOnlyStringProperty nameProperty() {
    return name.getReadOnlyProperty();
  }

  /**
   * The slips.
   *
   * @return in the order in which they were opened
   */
  public ObservableList<SlipViewModel> slips() {
    return slips;
  }

  /**
   * The slip in front.
   *
   * @return null when nothing is open
   */
  public ObjectProperty<SlipViewModel> currentProperty() {
    return current;
  }

  /**
   * A file being opened, or one that was refused.
   *
   * @return null when there is none
   */
  public ReadOnlyObjectProperty<TableSource> openingProperty() {
    return opening.getReadOnlyProperty();
  }
}
