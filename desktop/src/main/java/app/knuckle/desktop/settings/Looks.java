package app.knuckle.desktop.settings;

import app.knuckle.formats.keeping.Settings;
import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.util.List;
import java.util.Locale;
import javafx.application.Application;
import javafx.scene.Scene;

/** The looks of the window: one sheet of roles, and another over it for each appearance. */
public final class Looks {

  private static final String FOLDER = "/app/knuckle/desktop/";
  private static final List<String> SHEETS = List.of("tokens.css", "knuckle.css", "joints.css");

  /** Sizes by which text is larger are told to the toolkit before it starts. */
  private static final List<String> SCALES = List.of("glass.gtk.uiScale", "glass.win.uiScale");

  private Looks() {}

  /**
   * Gives a scene its looks.
   *
   * @param scene of the window
   * @param appearance wanted
   */
  public static void give(Scene scene, Settings.Appearance appearance) {
    Application.setUserAgentStylesheet(
        switch (appearance) {
          case LIGHT, CONTRAST -> new PrimerLight().getUserAgentStylesheet();
          case DARK -> new PrimerDark().getUserAgentStylesheet();
        });
    scene.getStylesheets().setAll(SHEETS.stream().map(Looks::sheet).toList());
    if (appearance != Settings.Appearance.LIGHT) {
      String name = "tokens-" + appearance.name().toLowerCase(Locale.ROOT) + ".css";
      scene.getStylesheets().add(sheet(name));
    }
  }

  private static String sheet(String name) {
    return Looks.class.getResource(FOLDER + name).toExternalForm();
  }

  /**
   * Tells the toolkit, which must not have started yet, how large text is wanted.
   *
   * @param percent of the usual
   */
  public static void size(int percent) {
    if (percent != 100) {
      SCALES.forEach(scale -> System.setProperty(scale, percent + "%"));
    }
  }
}
