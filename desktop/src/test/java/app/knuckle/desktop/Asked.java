package app.knuckle.desktop;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Table;
import java.net.URISyntaxException;
import java.nio.file.Path;
import java.util.List;

/** A question put to a table, answered as the window would, but at once. */
public final class Asked {

  private Asked() {}

  /** The answer to an inquiry. */
  public static Answer of(Table table, Inquiry inquiry) {
    return Answer.to(table, inquiry, null, Stages.once(), Progress.NONE);
  }

  /** The answer to an inquiry written with backticks for quotes, about a table of the nursery. */
  public static Answer demo(String file, String inquiry) throws URISyntaxException {
    return of(table(file), inquiry(inquiry));
  }

  /** The same about rows that are written out, with a head. */
  public static Answer rows(String rows, String inquiry) {
    return of(made(rows), inquiry(inquiry));
  }

  /** A table of rows that are written out, with a head. */
  public static Table made(String rows) {
    return RecordsFile.paste("rows", rows.replace(',', '\t'));
  }

  /** An inquiry written with backticks for quotes. */
  public static Inquiry inquiry(String keys) {
    String json = "{`knuckle`:`inquiry`,`version`:1,`name`:`n`," + keys + "}";
    return InquiryFile.read(json.replace('`', '"'));
  }

  private static final List<String> DEMO = List.of("rack-trial", "feed-tanks");

  /** A table of the nursery. */
  public static Table table(String file) throws URISyntaxException {
    String at = DEMO.contains(file) ? "/app/knuckle/desktop/demo/" : "/demo/";
    Path path = Path.of(Asked.class.getResource(at + file + ".csv").toURI());
    return RecordsFile.read(path, RecordsFile.guess(path), Progress.NONE);
  }
}
