package app.knuckle.desktop.command;

import app.knuckle.desktop.keeping.FileNames;
import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.style.Style;
import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.formats.report.Others;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.ReckoningPage;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.InquiryNames;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.notice.Notices;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Computes an inquiry and writes findings, report and figure, with no display. */
@Command(
    name = "run",
    mixinStandardHelpOptions = true,
    description = "Answers an inquiry about a table and writes findings, report and figure.")
final class RunCommand implements Callable<Integer> {

  private static final int DPI = 300;

  @Spec private CommandSpec spec;

  @Parameters(
      index = "0",
      arity = "0..1",
      paramLabel = "STUDY.knuckle",
      description = "A study: every inquiry of it is answered, each in a folder of its own.")
  private Path study;

  @Option(
      names = "--table",
      paramLabel = "FILE",
      description =
          "The records, with --inquiry; or new records for a study, as NAME=FILE where it has"
              + " several tables.")
  private List<String> tables = List.of();

  @Option(names = "--inquiry", description = "The question, as JSON, with --table.")
  private Path inquiry;

  @Option(
      names = "--report",
      split = ",",
      paramLabel = "KIND",
      defaultValue = "html",
      description =
          "The page as html, docx, pdf, md or tex, its tables as csv or xlsx; several with commas between (html).")
  private List<String> reports;

  @Option(
      names = "--write-up",
      paramLabel = "FILE",
      description = "One document of all inquiries of a study; its ending says which kind.")
  private Path writeUp;

  @Option(
      names = "--beside",
      arity = "2",
      paramLabel = "NAME",
      description = "Two inquiries of a study by their names: beside.json and beside.html.")
  private List<String> beside;

  @Option(
      names = "--column",
      paramLabel = "OLD=NEW",
      description = "What a column that the study asks for is called in the new table.")
  private Map<String, String> columns = Map.of();

  @Option(
      names = "--only",
      split = ",",
      paramLabel = "WHAT",
      defaultValue = "findings,report,figure",
      description = "What is written: findings, report, figure (all).")
  private List<String> only;

  @Mixin private ReadingOptions reading;

  @Mixin private ReplaceOption replacing;

  @Option(names = "--out", required = true, description = "The folder to write to.")
  private Path out;

  private static final List<String> WRITTEN = List.of("findings", "report", "figure");

  private List<ReportFile> kinds = List.of();

  @Override
  public Integer call() {
    boolean one = tables.size() == 1 && inquiry != null && study == null;
    boolean all = inquiry == null && study != null;
    if (!one && !all) {
      throw new ParameterException(
          spec.commandLine(), "Name either a study, or a table with --table and --inquiry");
    }
    PrintWriter errors = spec.commandLine().getErr();
    kinds = reports.stream().map(this::kind).distinct().toList();
    if (writeUp != null && !all) {
      throw new ParameterException(spec.commandLine(), "--write-up is for a study");
    }
    if (beside != null && !all) {
      throw new ParameterException(spec.commandLine(), "--beside is for a study");
    }
    for (String what : only) {
      if (!WRITTEN.contains(what)) {
        throw new ParameterException(
            spec.commandLine(),
            "There is no '"
                + Prose.visible(what)
                + "' to write. Known are "
                + Numerals.list(WRITTEN));
      }
    }
    ReportFile document = writeUp == null ? null : kind(ending(writeUp));
    try {
      if (all) {
        Study read = StudyFile.read(study, Progress.NONE);
        return runStudy(NewTables.into(read, tables, columns, reading, errors), document, errors);
      }
      Inquiry question = InquiryFile.read(AskedFile.text(inquiry));
      Path table = Path.of(tables.get(0));
      Table records = RecordsFile.read(table, reading.form(table), Progress.NONE);
      Asking asking = new Asking(question, Map.of(), PageSettings.USUAL, Others.NONE);
      return answer(records, asking, out, errors).status();
    } catch (Refused e) {
      errors.println(Prose.visible(e.refusal().words()));
      if (one) {
        clear(out, errors);
      }
      return KnuckleCommand.NOT_COMPUTED;
    }
  }

  private static String ending(Path file) {
    String name = file.getFileName() == null ? "" : file.getFileName().toString();
    return name.substring(name.lastIndexOf('.') + 1);
  }

  private ReportFile kind(String name) {
    return ReportFile.of(name)
        .orElseThrow(
            () ->
                new ParameterException(
                    spec.commandLine(),
                    "There is no report '"
                        + Prose.visible(name)
                        + "'. Known are "
                        + ReportFile.known()));
  }

  /** What an earlier run left does not answer this one. */
  private void clear(Path folder, PrintWriter errors) {
    try {
      replacing.folder(folder).clear();
    } catch (IOException e) {
      errors.println(Prose.visible(folder + ": earlier results cannot be taken away."));
    }
  }

  /** Answers every inquiry; one that cannot be computed does not keep the others from it. */
  private int runStudy(Study read, ReportFile document, PrintWriter errors) {
    if (read.asked().isEmpty()) {
      throw Refused.at(
          new Place.WholeFile(study.getFileName().toString()),
          "the study asks nothing yet",
          "Open it and ask something of its records");
    }
    List<Answered> all =
        IntStream.range(0, read.asked().size()).parallel().mapToObj(i -> answer(read, i)).toList();
    all.forEach(a -> errors.print(a.said()));
    int status = all.stream().mapToInt(Answered::status).max().orElse(0);
    if (document != null) {
      try {
        List<Page> chosen =
            IntStream.range(0, all.size())
                .filter(i -> PageSettings.of(read.asked().get(i).page()).chosen())
                .mapToObj(i -> all.get(i).page())
                .toList();
        List<Page> pages = new ArrayList<>(chosen);
        pages.addAll(ReckoningPage.of(read.reckonings()));
        Page joined = Page.joined(read.name(), pages);
        document.write(joined, writeUp.toAbsolutePath(), replacing.replace());
      } catch (Refused e) {
        errors.println(Prose.visible(e.refusal().words()));
        status = KnuckleCommand.NOT_COMPUTED;
      }
    }
    if (beside != null) {
      try {
        BesideResults.write(read, beside, replacing.folder(out));
      } catch (Refused e) {
        errors.println(Prose.visible(e.refusal().words()));
        status = KnuckleCommand.NOT_COMPUTED;
      }
    }
    errors.flush();
    return status;
  }

  /**
   * What became of an inquiry, and what there is to say; said in the order of the inquiries.
   *
   * @param status of the whole, as the command ends with it
   * @param said on the error stream
   * @param page of it
   */
  private record Answered(int status, String said, Page page) {}

  private Answered answer(Study read, int place) {
    Study.Asked asked = read.asked().get(place);
    String called = InquiryNames.of(read).names().get(place);
    String name = FileNames.folder(called);
    Path folder = out.resolve((place + 1) + (name.isEmpty() ? "" : " " + name));
    StringWriter said = new StringWriter();
    PrintWriter errors = new PrintWriter(said);
    try {
      Table records = read.table(asked.table());
      PageSettings settings = PageSettings.of(asked.page());
      Asking asking = new Asking(asked.inquiry(), asked.figure(), settings, others(read));
      Answer answer = answer(records, asking, folder, errors);
      return new Answered(answer.status(), said.toString(), answer.page());
    } catch (Refused e) {
      errors.println(Prose.visible(called + ": " + e.refusal().words()));
      clear(folder, errors);
      Page page = Page.ofRefusal(asked.inquiry().name(), e.refusal().words());
      return new Answered(KnuckleCommand.NOT_COMPUTED, said.toString(), page);
    }
  }

  private record Answer(int status, Page page) {}

  /**
   * What is asked, and how it is shown.
   *
   * @param question to answer
   * @param figure how its figure is shown
   * @param settings of its page
   * @param others of the study
   */
  private record Asking(
      Inquiry question, Map<String, String> figure, PageSettings settings, Others others) {}

  /** Another inquiry is answered once more for the page beside which it stands. */
  private static Others others(Study study) {
    InquiryNames names = InquiryNames.of(study);
    return name -> {
      try {
        Study.Asked other = study.asked().get(names.place(name, study.name()));
        Inquiry question = other.inquiry().named(name);
        return Optional.of(Answering.of(study.table(other.table()), question, Progress.NONE));
      } catch (Refused e) {
        return Optional.empty(); // The page says that there is none.
      }
    };
  }

  private Answer answer(Table records, Asking asking, Path folder, PrintWriter errors) {
    PageSettings settings = asking.settings;
    Findings findings = Answering.of(records, asking.question, Progress.NONE);
    Style style = style(findings, asking.figure);
    boolean shown = only.contains("report") || only.contains("figure");
    InquiryFigure drawn = shown ? figure(findings, style) : null;
    // A report has all there is; the document is what the Write-up joint shows.
    Page report = Page.of(findings, drawn, settings, asking.others);
    try {
      replacing.folder(folder).write(fresh -> write(findings, style, drawn, report, fresh));
    } catch (Refused e) {
      // Nothing is wrong with the question: the results of an earlier run stay.
      String words = e.refusal().words();
      errors.println(Prose.visible(words));
      return new Answer(KnuckleCommand.NOT_COMPUTED, Page.ofRefusal(asking.question.name(), words));
    }
    findings.refusal().ifPresent(refusal -> errors.println(Prose.visible(refusal.words())));
    Stream.concat(warnings(findings), confusable(records, asking.question, findings))
        .map(warning -> Prose.visible(asking.question.name() + ": " + warning))
        .forEach(errors::println);
    Page page =
        writeUp == null
            ? report
            : settings.page(
                Page.of(
                    findings, figure(findings, settings.figure(style)), settings, asking.others));
    return new Answer(findings.refusal().isPresent() ? KnuckleCommand.NOT_COMPUTED : 0, page);
  }

  /** What the records cannot bear; a script would not see it in the page. */
  private static Stream<String> warnings(Findings findings) {
    return findings.responses().stream().flatMap(r -> r.design().warnings().stream()).distinct();
  }

  /** Levels that could be taken for each other; the window says it in Worth a look. */
  private static Stream<String> confusable(Table records, Inquiry question, Findings findings) {
    if (findings.refusal().isPresent()) {
      return Stream.empty(); // A column that is asked for may not be there.
    }
    Frame frame = Frame.of(records, question.prepare(), Progress.NONE);
    return Notices.ofLevels(frame, Part.columns(question)).stream();
  }

  private static Style style(Findings findings, Map<String, String> settings) {
    return Style.of(settings, findings.first().shownMeans().size());
  }

  /** Null where there is no answer to draw. */
  private static InquiryFigure figure(Findings findings, Style style) {
    return findings.refusal().isEmpty() ? InquiryFigure.of(findings, style) : null;
  }

  /** Writes what is asked for side by side: nothing of it needs another part. */
  private void write(Findings findings, Style style, InquiryFigure figure, Page page, Path folder)
      throws IOException {
    List<Writing> all = new ArrayList<>();
    if (figure != null && only.contains("figure")) {
      all.addAll(writings(figure.scene(), "figure", folder));
      if (findings.responses().size() > 1) {
        FileNames names = new FileNames();
        var each = InquiryFigure.ofAll(findings, style);
        for (var one : each.entrySet()) {
          String name = "figure-" + names.apart(one.getKey());
          all.addAll(writings(one.getValue().scene(), name, folder));
        }
      }
    }
    if (only.contains("findings")) {
      Path file = folder.resolve("findings.json");
      all.add(() -> Files.writeString(file, FindingsFile.text(findings)));
    }
    for (ReportFile kind : only.contains("report") ? kinds : List.<ReportFile>of()) {
      all.add(() -> kind.write(page, folder.resolve("report." + kind.ending()), "figure"));
    }
    try {
      all.parallelStream().forEach(Writing::now);
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  /** A figure in every format. */
  private static List<Writing> writings(Scene scene, String name, Path out) {
    return Arrays.stream(FigureFile.values())
        .<Writing>map(
            format ->
                () -> {
                  try (OutputStream to =
                      Files.newOutputStream(out.resolve(name + "." + format.ending()))) {
                    format.write(scene, DPI, to);
                  }
                })
        .toList();
  }

  /** A file to be written. */
  @FunctionalInterface
  private interface Writing {
    void write() throws IOException;

    default void now() {
      try {
        write();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }
}
