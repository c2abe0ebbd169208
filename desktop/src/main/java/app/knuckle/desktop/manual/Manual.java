package app.knuckle.desktop.manual;

import app.knuckle.desktop.explain.Topic;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Heading;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;

/** The pages of the manual as they lie in the program, and their table of contents. */
public final class Manual {

  private static final String FOLDER = "pages/";
  private static final String CONTENTS = "README.md";
  private static final String ENDING = ".md";
  private static final Parser PARSER =
      Parser.builder().extensions(List.of(TablesExtension.create())).build();

  /** Read once; pages do not change while the program runs. */
  private static final Map<Topic, Node> READ = new EnumMap<>(Topic.class);

  private Manual() {}

  /**
   * A part of the contents.
   *
   * @param title over it
   * @param entries below it, in their order
   */
  public record Section(String title, List<Entry> entries) {
    public Section {
      entries = List.copyOf(entries);
    }
  }

  /**
   * A page in the contents.
   *
   * @param topic of the page
   * @param title of the page
   */
  public record Entry(Topic topic, String title) {}

  /** The contents: its parts in their order. */
  public static List<Section> contents() {
    return Contents.READ;
  }

  /** Read when it is first asked for. */
  private static final class Contents {
    private static final List<Section> READ = List.copyOf(read());
  }

  private static List<Section> read() {
    List<Section> sections = new ArrayList<>();
    List<Entry> entries = new ArrayList<>();
    String[] title = {""};
    parse(text(CONTENTS))
        .accept(
            new AbstractVisitor() {
              @Override
              public void visit(Heading heading) {
                close();
                title[0] = words(heading);
              }

              @Override
              public void visit(Link link) {
                target(link.getDestination())
                    .ifPresent(t -> entries.add(new Entry(t, words(link))));
              }

              private void close() {
                if (!entries.isEmpty()) {
                  sections.add(new Section(title[0], entries));
                  entries.clear();
                }
              }
            });
    return sections;
  }

  /**
   * A page.
   *
   * @param topic it is about
   * @return the page, parsed; not to be changed
   */
  static synchronized Node page(Topic topic) {
    return READ.computeIfAbsent(topic, t -> parse(source(t)));
  }

  /**
   * A page as it was written.
   *
   * @param topic it is about
   * @return Markdown
   */
  static String source(Topic topic) {
    return text(topic.slug() + ENDING);
  }

  /**
   * The page that a link leads to.
   *
   * @param destination as written in a page
   * @return its topic; empty where it leads out of the manual
   */
  static Optional<Topic> target(String destination) {
    String file = destination.substring(destination.lastIndexOf('/') + 1);
    return Arrays.stream(Topic.values()).filter(t -> file.equals(t.slug() + ENDING)).findFirst();
  }

  /** All text below a node. */
  static String words(Node node) {
    StringBuilder words = new StringBuilder();
    node.accept(
        new AbstractVisitor() {
          @Override
          public void visit(Text text) {
            words.append(text.getLiteral());
          }
        });
    return words.toString();
  }

  private static Node parse(String text) {
    return PARSER.parse(text);
  }

  private static String text(String file) {
    try (InputStream in = Manual.class.getResourceAsStream(FOLDER + file)) {
      if (in == null) {
        throw new IllegalStateException("The manual lacks " + file);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException("The manual is part of the application", e);
    }
  }
}
