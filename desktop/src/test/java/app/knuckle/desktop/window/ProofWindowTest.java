package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.Workbench;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The numbers proved in the window. */
@ExtendWith(ApplicationExtension.class)
class ProofWindowTest {

  /** Libraries of the runtime differ by machine in the last places. */
  private static final double MACHINES = 1.5;

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @Test
  void theNumbersAreProvedAndTakenAwayToBeFiled(FxRobot robot) throws java.io.IOException {
    untilShown(robot, "finding", "Clearance differs");
    robot.interact(() -> workbench.show(new Page.Proving()));
    until(() -> isThere(robot, "proof"));
    until(() -> robot.lookup("#proof-words").tryQuery().isPresent());
    assertThat(shows(robot, "proof-words", "all agree")).isTrue();
    long numbers = Long.parseLong(text(robot, "proof-words").split(" ")[0].replace(",", ""));
    assertThat(numbers).isGreaterThan(20_000);
    DialogAnswers.give(folder, null);
    robot.interact(() -> robot.lookup("#proof-take").queryButton().fire());
    untilShown(robot, "proof-note", "verify.pdf");
    DialogAnswers.stop();
    JsonNode proof = new ObjectMapper().readTree(folder.resolve("verify.json").toFile());
    assertThat(proof.get("holds").asBoolean()).isTrue();
    theManualSaysAsMuch(proof.get("subjects"));
  }

  /** The table at the end of the manual's contents; digits may differ by a little elsewhere. */
  private static void theManualSaysAsMuch(JsonNode subjects) throws java.io.IOException {
    String contents = Files.readString(Path.of("../docs/methods/README.md"));
    for (JsonNode one : subjects) {
      String row =
          "\\| %s \\| %s \\| %,d \\| ([\\d.]+) \\|"
              .formatted(
                  Pattern.quote(one.get("subject").asText()),
                  one.get("cases").asText(),
                  one.get("numbers").asInt());
      Matcher said = Pattern.compile(row).matcher(contents);
      assertThat(said.find()).as(row).isTrue();
      double digits = one.get("leastDigits").asDouble();
      assertThat(digits).isGreaterThan(Double.parseDouble(said.group(1)) - MACHINES);
    }
  }
}
