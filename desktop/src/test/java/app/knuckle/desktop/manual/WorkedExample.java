package app.knuckle.desktop.manual;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.contract.PlanAnswerFile;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.contract.ReckonFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * An example of a page with what it claims. It stands in the page as a comment:
 *
 * <pre>
 * &lt;!-- example
 * asked: the name of an inquiry of the demo study; or
 * table: one of the demo study, or "here" for the one on the page, with inquiry: as JSON; or
 * question: of the Reckoner, as JSON; or plan: as JSON
 * 14.38 /tests/0/rows/0/f
 * --&gt;
 * </pre>
 *
 * @param topic of the page
 * @param told the page's words about it, on one line
 * @param keys what is asked
 * @param claims a number as the page writes it, and where it stands in the answer
 */
record WorkedExample(Topic topic, String told, Map<String, String> keys, List<Claim> claims) {

  /** A number of the page. */
  record Claim(String written, String pointer) {}

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final Pattern COMMENT = Pattern.compile("<!-- example\n(.*?)-->", Pattern.DOTALL);
  private static final Pattern LIST = Pattern.compile("```csv\n(.*?)```", Pattern.DOTALL);
  private static final String LESS = "< ";
  private static final String PERCENT = " %";

  /** The examples of a page. */
  static List<WorkedExample> of(Topic topic) {
    String source = Manual.source(topic);
    String told =
        COMMENT
            .matcher(source.split("## A worked example\n")[1].split("\n## ")[0])
            .replaceAll("")
            .replace('\n', ' ');
    List<WorkedExample> examples = new ArrayList<>();
    Matcher comments = COMMENT.matcher(source);
    while (comments.find()) {
      List<String> lines = comments.group(1).lines().toList();
      Map<String, String> keys =
          lines.stream()
              .filter(line -> !line.contains(" /"))
              .collect(Collectors.toMap(l -> l.split(": ")[0], l -> l.split(": ", 2)[1]));
      List<Claim> claims =
          lines.stream()
              .filter(line -> line.contains(" /"))
              .map(
                  line -> {
                    int at = line.indexOf(" /");
                    return new Claim(line.substring(0, at), line.substring(at + 1));
                  })
              .toList();
      examples.add(new WorkedExample(topic, told, keys, claims));
    }
    return examples;
  }

  /** What the page claims that is not so, or that it does not say after all; empty if all is. */
  List<String> missed() {
    JsonNode answer = answer();
    List<String> missed = new ArrayList<>();
    for (Claim claim : claims) {
      if (!says(claim.written())) {
        missed.add("the page does not say " + claim.written());
      }
      JsonNode found = answer.at(claim.pointer());
      if (!found.isNumber() || !agrees(claim.written(), found.asDouble())) {
        missed.add(claim.written() + " stands as " + found + " at " + claim.pointer());
      }
    }
    return missed;
  }

  /** A number that a page writes may lack the sign that its words say. */
  private boolean says(String written) {
    String number = written.startsWith("−") ? written.substring(1) : written;
    return Pattern.compile("(?<![\\d.])" + Pattern.quote(number) + "(?!\\d)").matcher(told).find();
  }

  private static boolean agrees(String written, double found) {
    if (written.startsWith(LESS)) {
      return found < Double.parseDouble(written.substring(LESS.length()));
    }
    boolean share = written.endsWith(PERCENT);
    BigDecimal number =
        new BigDecimal(written.replace(PERCENT, "").replace('−', '-').replace(",", ""));
    BigDecimal exact = BigDecimal.valueOf(share ? found * 100 : found);
    return exact.setScale(number.scale(), RoundingMode.HALF_UP).compareTo(number) == 0;
  }

  private JsonNode answer() {
    try {
      if (keys.containsKey("question")) {
        return ReckonFile.answer(JSON.readTree(keys.get("question"))).get("answer");
      }
      if (keys.containsKey("plan")) {
        String asked =
            keys.get("plan").replaceFirst("\\{", "{\"knuckle\": \"plan\", \"version\": 1, ");
        Plan plan = PlanFile.read(asked, 1);
        return JSON.readTree(PlanAnswerFile.text(asked, plan, Arrangement.of(plan), Progress.NONE))
            .get("shows");
      }
      return JSON.readTree(FindingsFile.text(Answering.of(table(), inquiry(), Progress.NONE)));
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(topic + " does not ask in JSON", e);
    }
  }

  private static Study.Asked demo(String name) {
    return DemoStudy.read().asked().stream()
        .filter(asked -> asked.inquiry().name().equals(name))
        .findFirst()
        .orElseThrow(() -> new IllegalStateException("The demo study does not ask " + name));
  }

  private Inquiry inquiry() {
    if (keys.containsKey("asked")) {
      return demo(keys.get("asked")).inquiry();
    }
    return InquiryFile.read(
        keys.get("inquiry")
            .replaceFirst("\\{", "{\"knuckle\": \"inquiry\", \"version\": 1, \"name\": \"n\", "));
  }

  private Table table() {
    String name = keys.containsKey("asked") ? demo(keys.get("asked")).table() : keys.get("table");
    if (name.equals("here")) {
      Matcher list = LIST.matcher(Manual.source(topic));
      list.find();
      return RecordsFile.paste("here", list.group(1).replace(',', '\t'));
    }
    return DemoStudy.read().tables().stream()
        .map(Study.Kept::table)
        .filter(table -> table.name().equals(name))
        .findFirst()
        .orElseThrow();
  }

  @Override
  public String toString() {
    return topic.slug() + ": " + keys.values();
  }
}
