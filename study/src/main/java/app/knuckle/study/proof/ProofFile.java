package app.knuckle.study.proof;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;

/** A proof as JSON. */
public final class ProofFile {

  private ProofFile() {}

  /**
   * Writes a proof.
   *
   * @param proof what was found
   * @param where what was proved where
   * @return indented, ending in a line break
   */
  public static String text(Proof proof, Circumstances where) {
    ObjectMapper mapper = new ObjectMapper();
    ObjectNode node = mapper.createObjectNode();
    node.put("knuckle", "proof").put("version", 1).put("program", where.version());
    node.put("checksum", where.checksum()).put("runtime", where.runtime());
    node.put("system", where.system()).put("date", where.date());
    node.put("holds", proof.holds()).put("cases", proof.cases()).put("numbers", proof.numbers());
    ArrayNode subjects = node.putArray("subjects");
    for (Proof.Line line : proof.lines()) {
      ObjectNode one = subjects.addObject().put("subject", line.subject().title());
      one.put("cases", line.cases()).put("numbers", line.numbers());
      one.put("leastDigits", line.least()).put("medianDigits", line.median());
      line.fellShort().forEach(one.putArray("fellShort")::add);
    }
    try {
      return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(node) + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("A proof cannot be written", e);
    }
  }
}
