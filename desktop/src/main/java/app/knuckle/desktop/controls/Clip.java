package app.knuckle.desktop.controls;

import app.knuckle.formats.documents.Taken;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** Puts something on the clipboard in every form at once: whoever pastes takes the best. */
public final class Clip {

  private Clip() {}

  /**
   * Blocks of a page.
   *
   * @param taken in three forms
   */
  public static void put(Taken taken) {
    ClipboardContent content = new ClipboardContent();
    content.putHtml(taken.html());
    content.putRtf(taken.rtf());
    content.putString(taken.plain());
    Clipboard.getSystemClipboard().setContent(content);
  }
}
