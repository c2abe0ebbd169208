package app.knuckle.figures.scene;

/** The faces of the type in pictures. */
public enum Face {
  /** For most text. */
  REGULAR("IBMPlexSans_400Regular.ttf"),
  /** For letters and titles. */
  STRONG("IBMPlexSans_600SemiBold.ttf");

  private final String file;

  Face(String file) {
    this.file = file;
  }

  /** The font file that ships with the application: its name among the resources. */
  public String file() {
    return file;
  }
}
