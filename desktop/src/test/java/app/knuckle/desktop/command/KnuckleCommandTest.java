package app.knuckle.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the command line says of itself, and to words that it does not know. */
class KnuckleCommandTest {

  private static final String[] COMMANDS = {"run", "reckon", "plan", "verify", "demo"};

  private final PrintStream out = System.out;
  private final PrintStream err = System.err;
  private final ByteArrayOutputStream said = new ByteArrayOutputStream();

  @BeforeEach
  void listen() {
    PrintStream both = new PrintStream(said, true, StandardCharsets.UTF_8);
    System.setOut(both);
    System.setErr(both);
  }

  @AfterEach
  void stop() {
    System.setOut(out);
    System.setErr(err);
  }

  private String said() {
    return said.toString(StandardCharsets.UTF_8);
  }

  @Test
  void helpNamesEveryCommand() {
    assertThat(KnuckleCommand.run("--help")).isZero();
    assertThat(said()).contains(COMMANDS);
  }

  @ParameterizedTest
  @ValueSource(strings = {"run", "reckon", "plan", "verify", "demo"})
  void eachCommandIsKnownByItsName(String command) {
    // No command has this option: its usage is said, and nothing is done.
    assertThat(KnuckleCommand.run(command, "--no-such-option")).isEqualTo(2);
    assertThat(said()).contains("Usage: knuckle " + command);
  }

  @Test
  void anUnknownWordIsAnsweredByTheNearest() {
    assertThat(KnuckleCommand.run("verfy")).isEqualTo(2);
    assertThat(said()).contains("no command and no file 'verfy'", "'verify'");
  }
}
