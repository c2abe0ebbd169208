package app.knuckle.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaCodeUnit;
import com.tngtech.archunit.core.domain.JavaConstructor;
import com.tngtech.archunit.core.domain.JavaField;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.GeneralCodingRules;
import java.io.IOException;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The table of modules, and who may see whom inside the window. */
@AnalyzeClasses(
    packages = "app.knuckle",
    importOptions = {
      ImportOption.DoNotIncludeTests.class,
      ArchitectureTest.DoNotIncludeTestJars.class
    })
class ArchitectureTest {

  /** The made inquiries that the study lends to the tests here come in a jar of their own. */
  static class DoNotIncludeTestJars implements ImportOption {
    @Override
    public boolean includes(Location location) {
      return !location.contains("-tests.jar");
    }
  }

  @ArchTest
  static final ArchRule STATS_STANDS_ALONE =
      classes()
          .that()
          .resideInAPackage("app.knuckle.stats..")
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage("app.knuckle.stats..", "java..", "org.apache.commons..", "org.ejml..")
          .because("computation knows nothing of tables, files or screens; pass arrays in");

  /**
   * Where a field may hold the progress of a question: short-lived work on that one question. A fit
   * that is kept and asked again by a later question would stop with a question that is over.
   */
  private static final String AT_WORK_ON_ONE_QUESTION =
      "app\\.knuckle\\.stats\\.(Progress|mixed\\.Profile)"
          + "|app\\.knuckle\\.stats\\.resampling\\.(AllPermutations|Permutation)"
          + "|app\\.knuckle\\.study\\.answers\\..*|app\\.knuckle\\.study\\.plan\\.PlannedPower";

  @ArchTest
  static final ArchRule NOTHING_REMEMBERED_HOLDS_THE_PROGRESS_OF_ITS_FIRST_QUESTION =
      noFields()
          .that()
          .areDeclaredInClassesThat()
          .resideInAnyPackage("app.knuckle.stats..", "app.knuckle.study..")
          .and()
          .areDeclaredInClassesThat()
          .haveNameNotMatching(AT_WORK_ON_ONE_QUESTION)
          .should()
          .haveRawType(Progress.class)
          .because("a value that is remembered takes the progress of whoever asks it");

  @ArchTest
  static final ArchRule MODULES_LOOK_ONE_WAY =
      slices()
          .matching("app.knuckle.(*)..")
          .should()
          .beFreeOfCycles()
          .because("data flow one way; move the shared type to the earlier module");

  @ArchTest
  static final ArchRule STUDY_SEES_ONLY_STATS =
      noClasses()
          .that()
          .resideInAPackage("app.knuckle.study..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "app.knuckle.figures..", "app.knuckle.formats..", "app.knuckle.desktop..");

  @ArchTest
  static final ArchRule JAVAFX_STAYS_IN_THE_DESKTOP =
      noClasses()
          .that()
          .resideOutsideOfPackage("app.knuckle.desktop..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("javafx..", "atlantafx..")
          .because("everything but the window runs without a display");

  @ArchTest
  static final ArchRule AWT_STAYS_WITH_THE_PICTURES =
      noClasses()
          .that()
          .resideOutsideOfPackages("app.knuckle.desktop..", "app.knuckle.figures..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("java.awt..", "javax.swing..");

  @ArchTest
  static final ArchRule VIEW_MODELS_HOLD_NO_NODES =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("ViewModel")
          .or()
          .haveSimpleNameEndingWith("Page")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("javafx.scene..")
          .because("what is shown can be tested without a window");

  @ArchTest
  static final ArchRule VIEWS_DO_NOT_COMPUTE =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("View")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("app.knuckle.stats..")
          .because("numbers reach a view as text, from its page");

  @ArchTest
  static final ArchRule ONLY_FILES_KNOW_JSON =
      noClasses()
          .that()
          .resideOutsideOfPackages(
              "app.knuckle.study.contract..",
              "app.knuckle.study.proof..",
              "app.knuckle.formats.keeping..",
              "app.knuckle.desktop.demo..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("com.fasterxml..");

  @ArchTest
  static final ArchRule NO_STANDARD_STREAMS =
      GeneralCodingRules.NO_CLASSES_SHOULD_ACCESS_STANDARD_STREAMS.because(
          "the command line has writers of its own");

  @ArchTest
  static final ArchRule NO_LAYER_PACKAGES =
      noClasses()
          .should()
          .resideInAnyPackage("..util..", "..impl..", "..common..", "..helper..", "..manager..")
          .because("packages follow the subject");

  private static final String[] JOINTS = {
    "records", "layout", "look", "footing", "test", "compare", "figure", "plan", "reckoner", "proof"
  };

  @ArchTest
  static void noJointKnowsAnotherOrTheWindow(JavaClasses classes) {
    for (String joint : JOINTS) {
      String[] others =
          Stream.concat(Arrays.stream(JOINTS).filter(j -> !j.equals(joint)), Stream.of("window"))
              .map(other -> "app.knuckle.desktop." + other + "..")
              .toArray(String[]::new);
      noClasses()
          .that()
          .resideInAPackage("app.knuckle.desktop." + joint + "..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(others)
          .because("joints share the workbench alone; move what two of them need there")
          .check(classes);
    }
  }

  @ArchTest
  static void noCircleOfPackages(JavaClasses classes) {
    for (String module : List.of("stats", "study", "figures", "formats", "desktop")) {
      slices()
          .matching("app.knuckle." + module + ".(*)..")
          .should()
          .beFreeOfCycles()
          .because("data flow one way; move the shared type to the earlier package")
          .check(classes);
    }
  }

  private static List<Path> sources() throws IOException {
    try (Stream<Path> all = Files.walk(Path.of(".."))) {
      return all.filter(p -> p.toString().contains("src/main/java"))
          .filter(p -> p.toString().endsWith(".java"))
          .toList();
    }
  }

  @Test
  void aPackageCanBeSeenAtAGlance() throws IOException {
    Map<Path, Long> files =
        sources().stream()
            .filter(p -> !p.endsWith("package-info.java"))
            .collect(Collectors.groupingBy(Path::getParent, Collectors.counting()));
    assertThat(files).isNotEmpty();
    assertThat(files).allSatisfy((folder, count) -> assertThat(count).isLessThanOrEqualTo(20));
  }

  @Test
  void aNameOfAFileStandsOnceInAModule() throws IOException {
    Map<String, Long> names =
        sources().stream()
            .filter(p -> !p.endsWith("package-info.java"))
            .collect(
                Collectors.groupingBy(
                    p -> p.getName(1) + " " + p.getFileName(), Collectors.counting()));
    assertThat(names).isNotEmpty();
    assertThat(names).allSatisfy((name, count) -> assertThat(count).as(name).isEqualTo(1));
  }

  /** A cast or a test of the kind of a result; a kind says of itself what others need. */
  private static final Pattern KIND_OF_RESULT =
      Pattern.compile(
          "instanceof TestResult\\.|\\(TestResult\\.\\w+\\) |TestResult\\.\\w+\\.class");

  @Test
  void nobodyAsksAResultForItsKind() throws IOException {
    assertThat(lines(KIND_OF_RESULT)).isEmpty();
  }

  /** Levels that are put together into one text. */
  private static final Pattern JOINED_LEVELS =
      Pattern.compile("join\\(.*[lL]evels\\(?\\)?\\.values\\(\\)");

  /** Where levels are put together to be read. */
  private static final Set<String> SHOW_LEVELS = Set.of("GroupSummary.java", "FootingPage.java");

  @Test
  void levelsArePutTogetherOnlyToBeRead() throws IOException {
    assertThat(lines(JOINED_LEVELS)).allMatch(line -> SHOW_LEVELS.contains(line.split(":")[0]));
  }

  private static List<String> lines(Pattern sought) throws IOException {
    List<String> found = new ArrayList<>();
    for (Path source : sources()) {
      for (String line : Files.readAllLines(source)) {
        if (sought.matcher(line).find()) {
          found.add(source.getFileName() + ": " + line.strip());
        }
      }
    }
    return found;
  }

  /** What a stage makes is remembered, and so is all that it holds. */
  @ArchTest
  static void whatAStageMakesHoldsNoProgressAndNoStages(JavaClasses classes) {
    Set<Class<?>> looked = new HashSet<>();
    int stages = 0;
    for (JavaClass owner : classes) {
      for (JavaField field : owner.getFields()) {
        if (field.getRawType().isEquivalentTo(Stage.class)
            && field.getModifiers().contains(JavaModifier.STATIC)) {
          Type made =
              ((ParameterizedType) field.reflect().getGenericType()).getActualTypeArguments()[1];
          holdsNone(made, field.getFullName(), looked);
          stages++;
        }
      }
    }
    assertThat(stages).isGreaterThan(10);
  }

  private static void holdsNone(Type type, String of, Set<Class<?>> looked) {
    if (type instanceof ParameterizedType many) {
      Arrays.stream(many.getActualTypeArguments()).forEach(t -> holdsNone(t, of, looked));
      holdsNone(many.getRawType(), of, looked);
    } else if (type instanceof Class<?> own && own.getName().startsWith("app.knuckle")) {
      assertThat(own).as(of).isNotIn(Progress.class, Stages.class);
      if (looked.add(own)) {
        for (Field field : own.getDeclaredFields()) {
          if (!Modifier.isStatic(field.getModifiers())) {
            holdsNone(field.getGenericType(), of + " > " + field.getName(), looked);
          }
        }
        for (Class<?> kind :
            Optional.ofNullable(own.getPermittedSubclasses()).orElse(new Class<?>[0])) {
          holdsNone(kind, of, looked);
        }
      }
    }
  }

  /** More than this a reader cannot tell apart at a call; what mirrors a file is a record. */
  private static final int MOST_PARAMETERS = 8;

  @ArchTest
  static void whatIsCalledTakesFewParameters(JavaClasses classes) {
    List<String> many = new ArrayList<>();
    for (JavaClass owner : classes) {
      boolean record = owner.isRecord();
      for (JavaCodeUnit unit : owner.getCodeUnits()) {
        boolean made = unit instanceof JavaConstructor && (record || owner.isEnum());
        boolean written = !unit.getName().startsWith("lambda$") && !owner.isAnonymousClass();
        if (written && !made && unit.getRawParameterTypes().size() > MOST_PARAMETERS) {
          many.add(unit.getFullName());
        }
      }
    }
    assertThat(many).isEmpty();
  }

  /** Switches over texts and numbers, of which no one can list all. */
  private static final Set<String> OPEN_ENDED =
      Set.of(
          "PairSums", // a sign
          "ReckonFile", // a key
          "StepFile", // a class, with a refusal
          "Hatch", // a direction
          "FileForm", // a character
          "OdsCell", // an element
          "OdsBook", // an element
          "CellField", // a key of the keyboard
          "SheetKeys", // a key of the keyboard
          "MultivariateSheets", // a statistic by name
          "FootingPage", // a check by name
          "PlainAnswers", // a number of groups
          "ReadingOptions"); // an option

  @Test
  void noSwitchOverOurOwnKindsFallsBackInSilence() throws IOException {
    for (Path source : sources()) {
      String name = source.getFileName().toString().replace(".java", "");
      if (!OPEN_ENDED.contains(name)) {
        assertThat(Files.readString(source)).as(name).doesNotContain("default ->");
      }
    }
  }

  /** An element of what an accessor gave, on the left of an assignment. */
  private static final Pattern WRITTEN =
      Pattern.compile("\\w\\.\\w+\\(\\)(?:\\[[^\\]]+])+\\s*(?:=[^=]|[-+*/]=|\\+\\+|--)");

  /**
   * Columns of large tables are not copied each time somebody asks for them, so a record may hand
   * out the array it holds; nobody writes into it. Sums within the search of a mixed model do, and
   * never leave their package.
   */
  @Test
  void nobodyWritesIntoAnArrayThatARecordHandsOut() throws IOException {
    List<String> written = new ArrayList<>();
    for (Path source : sources()) {
      if (source.toString().replace('\\', '/').contains("stats/mixed/")) {
        continue;
      }
      for (String line : Files.readAllLines(source)) {
        if (WRITTEN.matcher(line).find()) {
          written.add(source.getFileName() + ": " + line.strip());
        }
      }
    }
    assertThat(written).isEmpty();
  }

  @Test
  void everyPackageSaysWhatItIsFor() throws IOException {
    for (Path source : sources()) {
      assertThat(source.resolveSibling("package-info.java")).exists();
    }
  }
}
