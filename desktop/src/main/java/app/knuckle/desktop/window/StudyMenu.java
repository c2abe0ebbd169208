package app.knuckle.desktop.window;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.controls.Clip;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.keeping.Recent;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.plan.PlanStart;
import app.knuckle.desktop.registry.StudyActs;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.documents.Taken;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.formats.report.Block;
import app.knuckle.study.words.Numerals;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCombination;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;

/** Ways to bring records in and to keep the study: one menu, every move with a key. */
final class StudyMenu extends MenuButton implements StudyActs {

  private static final FileChooser.ExtensionFilter STUDIES =
      new FileChooser.ExtensionFilter("Studies", "*.knuckle");

  private final Workbench workbench;
  private final Keeper keeper;
  private final Lane reading = Lane.inTurn();

  /** The moves of the study that stand in the menu, in the order of the registry. */
  private static final Set<String> SHOWN =
      Set.of(
          "open",
          "type",
          "type-further",
          "new-records",
          "paste",
          "plan",
          "plan-another",
          "reckon",
          "manual",
          "prove",
          "settings",
          "beside",
          "write-out",
          "figures",
          "share-trail",
          "save",
          "save-as");

  private Supplier<List<Move>> moves = List::of;
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
    setOnShowing(event -> fill());
  }

  /** Its moves come from the registry, each with its key, and with why it cannot be done now. */
  void takeFrom(Supplier<List<Move>> moves) {
    this.moves = moves;
    fill();
  }

  private void fill() {
    showRecent();
    getItems().clear();
    for (Move move : moves.get()) {
      if (!SHOWN.contains(move.id())) {
        continue;
      }
      if (move.id().equals("save")) {
        getItems().add(new SeparatorMenuItem());
      }
      getItems().add(item(move));
    }
    getItems().add(recent);
  }

  private MenuItem item(Move move) {
    MenuItem item = new MenuItem(move.title());
    item.setId("menu-" + move.id());
    if (!move.keys().isEmpty()) {
      item.setAccelerator(KeyCombination.valueOf(move.keys()));
    }
    item.setDisable(!move.isPossible());
    // As things stand when it is done, not when the menu was filled.
    item.setOnAction(
        event -> moves.get().stream().filter(m -> m.id().equals(move.id())).forEach(Move::run));
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
  @Override
  public void open() {
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

  @Override
  public void type() {
    workbench.show(new Page.Typing(null));
  }

  @Override
  public void typeFurther() {
    workbench.show(new Page.Typing(workbench.currentProperty().get().source()));
  }

  @Override
  public void askOfNewRecords() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("The new records");
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                "Records", "*.csv", "*.tsv", "*.txt", "*.xlsx", "*.ods"));
    FileDialogs.shown().open(chooser, getScene().getWindow()).stream()
        .findFirst()
        .ifPresent(file -> askOf(file.toPath()));
  }

  private void askOf(Path file) {
    reading.run(
        progress -> RecordsFile.read(file, RecordsFile.guess(file), progress),
        table -> workbench.askOf(table, file.toString()),
        refused ->
            workbench.bannerProperty().set(new Banner(refused.refusal().words(), true, List.of())));
  }

  @Override
  public void plan() {
    if (workbench.plans().all().isEmpty()) {
      planAnother();
    } else {
      workbench.show(new Page.Planning(workbench.plans().all().get(0)));
    }
  }

  @Override
  public void planAnother() {
    workbench.show(new Page.Planning(workbench.plans().add(PlanStart.plan())));
  }

  @Override
  public void reckon() {
    workbench.show(new Page.Reckoning(null));
  }

  /** Makes a table of what was copied from a spreadsheet. */
  @Override
  public void paste() {
    String text = Clipboard.getSystemClipboard().getString();
    if (text == null || text.isBlank()) {
      return;
    }
    reading.run(
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

  @Override
  public void writeOut() {
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

  @Override
  public void writeFigures() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("A folder for all figures of the study");
    FileDialogs.shown()
        .folder(chooser, getScene().getWindow())
        .ifPresent(
            folder ->
                FileDialogs.write(
                    getScene().getWindow(),
                    words -> workbench.bannerProperty().set(new Banner(words, true, List.of())),
                    (replace, refused) -> keeper.writeFigures(folder.toPath(), replace, refused)));
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

  @Override
  public void copyTables() {
    List<Block> tables = new ArrayList<>();
    for (Node node : getScene().getRoot().lookupAll(".text-grid")) {
      if (node instanceof TextGrid grid && grid.getScene() != null) {
        tables.add(grid.asTable());
      }
    }
    boolean none = tables.isEmpty();
    if (!none) {
      Clip.put(Taken.of(tables));
    }
    String said =
        none
            ? "This joint shows no table."
            : Numerals.count(tables.size(), "table is", "tables are")
                + " on the clipboard, for a document or a sheet.";
    workbench.bannerProperty().set(new Banner(said, false, List.of()));
  }

  @Override
  public void save() {
    save(() -> {});
  }

  @Override
  public void saveAs() {
    saveAs(() -> {});
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
