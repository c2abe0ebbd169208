package app.knuckle.desktop.registry;

/** What the study's menu does, with dialogs of its own. */
public interface StudyActs {
  /** See the move of this name. */
  void open();

  /** See the move of this name. */
  void type();

  /** See the move of this name. */
  void typeFurther();

  /** See the move of this name. */
  void paste();

  /** See the move of this name. */
  void askOfNewRecords();

  /** See the move of this name. */
  void plan();

  /** See the move of this name. */
  void planAnother();

  /** See the move of this name. */
  void reckon();

  /** See the move of this name. */
  void writeOut();

  /** See the move of this name. */
  void writeFigures();

  /** See the move of this name. */
  void save();

  /** See the move of this name. */
  void saveAs();

  /** See the move of this name. */
  void copyTables();
}
