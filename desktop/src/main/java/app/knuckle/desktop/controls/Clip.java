package app.knuckle.desktop.controls;

import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** Puts something on the clipboard in every form at once: whoever pastes takes the best. */
public final class Clip {

  private Clip() {}

  /**
   * Text in three forms.
   *
   * @param html with its marks
   * @param rtf as Rich Text
   * @param plain cells apart by tabs
   */
  public static void put(String html, String rtf, String plain) {
    ClipboardContent content = new ClipboardContent();
    content.putHtml(html);
    content.putRtf(rtf);
    content.putString(plain);
    Clipboard.getSystemClipboard().setContent(content);
  }
}
