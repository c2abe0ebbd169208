package app.knuckle.desktop.explain;

import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.control.Button;

/** Someone wants to read about something. It rises through the window, which shows the page. */
public final class Explain extends Event {

  /** The only kind there is. */
  public static final EventType<Explain> ASKED = new EventType<>(Event.ANY, "EXPLAIN");

  private static final long serialVersionUID = 1L;

  private final Topic topic;

  private Explain(Topic topic) {
    super(ASKED);
    this.topic = topic;
  }

  /** What is to be read about. */
  public Topic topic() {
    return topic;
  }

  /**
   * Asks for a page.
   *
   * @param from the node that was pointed at
   * @param topic of the page
   */
  public static void ask(Node from, Topic topic) {
    from.fireEvent(new Explain(topic));
  }

  /**
   * A question mark to stand beside a title.
   *
   * @param title what it explains, for those who cannot see where it stands
   * @param topic of the page that it opens
   * @return the button
   */
  public static Button mark(String title, Topic topic) {
    Button mark = new Button("?");
    mark.setAccessibleText("Read about: " + title);
    mark.getStyleClass().add("explain-mark");
    mark.setMinSize(Button.USE_PREF_SIZE, Button.USE_PREF_SIZE);
    mark.setOnAction(event -> ask(mark, topic));
    return mark;
  }
}
