package app.knuckle.desktop.settings;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.keeping.Settings;
import app.knuckle.formats.report.NumberStyle;
import app.knuckle.formats.report.Paper;
import app.knuckle.study.words.ExactP;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;

/** The settings, each in force at once unless it says otherwise. */
public final class SettingsView extends ScrollPane {

  private final SettingsViewModel model;
  private final Label folder = Texts.line("", "fact-value");

  /**
   * The page.
   *
   * @param workbench whose settings they are
   */
  public SettingsView(Workbench workbench) {
    model = new SettingsViewModel(workbench);
    setId("settings");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    Label note = Texts.wrapped("", "refusal");
    note.setId("settings-note");
    note.textProperty().bind(model.noteProperty());
    note.visibleProperty().bind(model.noteProperty().isNotEmpty());
    note.managedProperty().bind(note.visibleProperty());
    VBox page =
        new VBox(
            Texts.line("Settings", "joint-title"),
            note,
            new Card("The window", appearance(), textSize(), openLast()),
            new Card("New inquiries", alpha(), procedure()),
            new Card("New pages", comma(), zero(), hyphen(), thin(), exact(), paper()),
            new Card("Files", folder(), folders()));
    page.getStyleClass().addAll("joint", "rehearsal");
    setContent(page);
  }

  private Settings now() {
    return model.settings();
  }

  private Node appearance() {
    Choice<Settings.Appearance> choice =
        new Choice<>(
            "settings-appearance",
            List.of(Settings.Appearance.values()),
            Settings.Appearance::title,
            model::appearance);
    choice.show(now().appearance());
    return Texts.fact("appearance; figures stay as they print", choice);
  }

  private Node textSize() {
    Choice<Integer> choice =
        new Choice<>("settings-text", Settings.TEXT_SIZES, size -> size + " %", model::textSize);
    choice.show(now().textSize());
    return Texts.fact("size of text, from the next start on", choice);
  }

  private Node openLast() {
    return box(
        "settings-last",
        "open the last study at a start without a file",
        now().openLast(),
        model::openLast);
  }

  private Node alpha() {
    TextField field = new TextField(model.alphaText());
    field.setId("settings-alpha");
    field.setAccessibleText("level of significance");
    field.getStyleClass().add("number-field");
    field.textProperty().addListener((o, before, now) -> model.alpha(now));
    return Texts.fact("\u03b1, the level of significance", field);
  }

  private Node procedure() {
    Pick<String> pick = new Pick<>("settings-procedure", title -> title, model::procedure);
    pick.show(model.procedures(), model.procedureTitle());
    pick.setAccessibleText("How all pairs of means are compared");
    return Texts.fact("all pairs of means compared by", pick);
  }

  private Node comma() {
    return box("settings-comma", "decimals after a comma", now().numbers().comma(), model::comma);
  }

  private Node zero() {
    return box(
        "settings-zero",
        "a zero before the decimals of p",
        now().numbers().leadingZero(),
        model::zero);
  }

  private Node hyphen() {
    return box(
        "settings-hyphen", "a hyphen for the minus sign", now().numbers().hyphen(), model::hyphen);
  }

  private Node thin() {
    return box(
        "settings-thin", "a thin space before units", now().numbers().thinSpace(), model::thin);
  }

  private Node exact() {
    Choice<ExactP> choice =
        new Choice<>("settings-exact", NumberStyle.EXACT_P, ExactP::bound, model::exact);
    choice.show(now().numbers().exact());
    return Texts.fact("p written as it is, down to", choice);
  }

  private Node paper() {
    Choice<Paper> choice =
        new Choice<>("settings-paper", List.of(Paper.values()), Paper::title, model::paper);
    choice.show(now().paper());
    return Texts.fact("paper of pages, documents and field books", choice);
  }

  private static CheckBox box(
      String id, String title, boolean on, java.util.function.Consumer<Boolean> told) {
    CheckBox box = new CheckBox(title);
    box.setId(id);
    box.setMnemonicParsing(false);
    box.setSelected(on);
    box.selectedProperty().addListener((o, before, now) -> told.accept(now));
    return box;
  }

  private Node folder() {
    folder.setText(model.folderText());
    return Texts.fact("files are looked for in", folder);
  }

  private Node folders() {
    GoButton choose = new GoButton("settings-folder", "Choose a folder \u2026", this::choose);
    return choose;
  }

  private void choose() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("The folder in which files are looked for first");
    FileDialogs.shown()
        .folder(chooser, getScene().getWindow())
        .ifPresent(
            chosen -> {
              model.folder(chosen.getPath());
              folder.setText(model.folderText());
            });
  }
}
