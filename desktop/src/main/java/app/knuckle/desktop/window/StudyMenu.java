package app.knuckle.desktop.window;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.keeping.Recent;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.records.RecordsFile;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCombination;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;

/** Ways to bring records in and to keep the study: one menu, every move with a key. */
final class StudyMenu extends MenuButton {

  private static final FileChooser.ExtensionFilter STUDIES =
      new FileChooser.ExtensionFilter("Studies", "*.knuckle");

  private final Workbench workbench;
  private final Keeper keeper;
  private final Lane pasting = Lane.inTurn();
  private final Menu recent = new Menu("Open a recent study");

  /**
   * The menu.
   *
   * @param workbench what is open
   * @param keeper who saves it
   */
  StudyMenu(Workbench workbench, Keeper keeper) {
    super("Study");
    this.workbench = workbench;
    this.keeper = keeper;
    setId("study-menu");
    getStyleClass().add("bar-button");
    setMinWidth(USE_PREF_SIZE);
    MenuItem writeOut =
        item("write-out", "Write out the prepared records \u2026", "", this::writeOut);
    MenuItem figures =
        item("figures", "Write all figures of the study \u2026", "", this::writeFigures);
    MenuItem further = item("type-further", "Type these records further", "", this::typeFurther);
    MenuItem share =
        item(
            "share-trail",
            "Give this trail to the other inquiries of these records",
            "",
            () -> workbench.shareTrail(workbench.currentProperty().get()));
    getItems()
        .addAll(
            item("open", "Open records or a study \u2026", "Shortcut+O", this::choose),
            item("type", "Type records in", "Shortcut+N", this::type),
            further,
            item("paste", "Paste records copied from a spreadsheet", "Shortcut+V", this::paste),
            item("rehearse", "Rehearse an experiment", "Shortcut+R", this::rehearse),
            item("beside", "Two inquiries side by side", "Shortcut+E", workbench::showBeside),
            writeOut,
            figures,
            share,
            new SeparatorMenuItem(),
            item("save", "Save the study", "Shortcut+S", () -> save(() -> {})),
            item("save-as", "Save the study as \u2026", "Shortcut+Shift+S", () -> saveAs(() -> {})),
            recent);
    setOnShowing(
        event -> {
          SlipViewModel slip = workbench.currentProperty().get();
          boolean none = slip == null || slip.answer() == null;
          writeOut.setDisable(none);
          figures.setDisable(none);
          share.setDisable(none || !workbench.canShareTrail(slip));
          further.setDisable(none || slip.source().hasFile());
          showRecent();
        });
  }

  private static MenuItem item(String id, String title, String key, Runnable action) {
    MenuItem item = new MenuItem(title);
    item.setId("menu-" + id);
    if (!key.isEmpty()) {
      item.setAccelerator(KeyCombination.valueOf(key));
    }
    item.setOnAction(event -> action.run());
    return item;
  }

  private void showRecent() {
    recent.getItems().clear();
    for (Recent.Entry entry : keeper.recent().entries()) {
      Path file = entry.file();
      MenuItem item = new MenuItem(file.getFileName() + "   in " + file.getParent());
      item.setMnemonicParsing(false);
      item.setOnAction(event -> workbench.open(file));
      recent.getItems().add(item);
    }
    recent.setDisable(recent.getItems().isEmpty());
  }

  /** Asks for files and opens them. */
  public void choose() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Open records or a study");
    chooser
        .getExtensionFilters()
        .addAll(
            new FileChooser.ExtensionFilter(
                "Records and studies", "*.csv", "*.tsv", "*.txt", "*.xlsx", "*.ods", "*.knuckle"),
            new FileChooser.ExtensionFilter("All files", "*.*"));
    FileDialogs.shown()
        .open(chooser, getScene().getWindow())
        .forEach(file -> workbench.open(file.toPath()));
  }

  private void type() {
    workbench.show(new Page.Typing(null));
  }

  private void typeFurther() {
    workbench.show(new Page.Typing(workbench.currentProperty().get().source()));
  }

  private void rehearse() {
    workbench.show(new Page.Rehearsing());
  }

  /** Makes a table of what was copied from a spreadsheet. */
  public void paste() {
    String text = Clipboard.getSystemClipboard().getString();
    if (text == null || text.isBlank()) {
      return;
    }
    pasting.run(
        progress -> RecordsFile.paste("pasted records", text),
        table -> workbench.put(table, "paste records"),
        refused ->
            workbench
                .bannerProperty()
                .set(
                    new Banner(
                        "What was copied is no table. " + refused.refusal().words(),
                        true,
                        List.of())));
  }

  private void writeOut() {
    SlipViewModel slip = workbench.currentProperty().get();
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Write out the prepared records");
    chooser.setInitialFileName(slip.source().name() + " prepared.csv");
    chooser
        .getExtensionFilters()
        .addAll(
            new FileChooser.ExtensionFilter("Text with commas", "*.csv"),
            new FileChooser.ExtensionFilter("Text with tabs", "*.tsv"),
            new FileChooser.ExtensionFilter("Workbook .xlsx", "*.xlsx"),
            new FileChooser.ExtensionFilter("Workbook .ods", "*.ods"));
    FileDialogs.shown()
        .save(chooser, getScene().getWindow())
        .ifPresent(f -> keeper.writeOut(slip.answer().frame(), f.toPath()));
  }

  private void writeFigures() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("A folder for all figures of the study");
    FileDialogs.shown()
        .folder(chooser, getScene().getWindow())
        .ifPresent(folder -> keeper.writeFigures(folder.toPath()));
  }

  /**
   * Saves the study, asking for a name if it has none.
   *
   * @param then told when it is saved
   */
  public void save(Runnable then) {
    Path file = keeper.file();
    if (file == null) {
      saveAs(then);
    } else {
      keeper.save(file, then);
    }
  }

  private void saveAs(Runnable then) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Save the study");
    chooser.setInitialFileName(workbench.nameProperty().get() + ".knuckle");
    chooser.getExtensionFilters().add(STUDIES);
    FileDialogs.shown()
        .save(chooser, getScene().getWindow())
        .ifPresent(f -> keeper.save(f.toPath(), then));
  }
}
