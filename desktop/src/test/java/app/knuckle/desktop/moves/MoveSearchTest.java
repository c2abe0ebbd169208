package app.knuckle.desktop.moves;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MoveSearchTest {

  private static Move move(String id, String title, String words, String whyNot) {
    return new Move(id, title, "", List.of(words.split(" ")), "", whyNot, () -> {});
  }

  private static final List<Move> MOVES =
      List.of(
          move("tukey", "Compare by Tukey", "post hoc pairwise", ""),
          move("bonferroni", "Compare by Bonferroni", "post hoc pairwise", ""),
          move("ranks", "Judge on ranks", "nonparametric kruskal wallis friedman", ""),
          move("own", "Judge by each group's own spread", "welch unequal variances", ""),
          move("log", "Compute a column on another scale", "log logarithm transform", ""),
          move("catalogue", "Open a catalogue", "list", ""),
          move("dunnett", "Name a reference group", "dunnett control", "No records are open."));

  private static List<String> found(String typed, String... recent) {
    return new MoveSearch(MOVES).find(typed, List.of(recent)).stream().map(Move::id).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "tukey, tukey",
    "tuk, tukey",
    "tuckey, tukey",
    "friedmann, ranks",
    "kruskal wal, ranks",
    "WELCH, own",
    "unequal variance, own",
    "log, log",
    "bonferoni, bonferroni",
  })
  void theBestComesFirst(String typed, String id) {
    assertThat(found(typed)).first().isEqualTo(id);
  }

  @Test
  void everyWordHasToFit() {
    assertThat(found("compare tukey")).containsExactly("tukey");
    assertThat(found("tukey ranks")).isEmpty();
    assertThat(found("zzz")).isEmpty();
  }

  @Test
  void whatWasDoneLatelyComesFirstAmongEquals() {
    assertThat(found("compare")).containsExactly("tukey", "bonferroni");
    assertThat(found("compare", "bonferroni")).containsExactly("bonferroni", "tukey");
    assertThat(found("", "log", "own")).startsWith("log", "own").hasSize(MOVES.size());
  }

  @Test
  void whatCannotBeDoneIsFoundToo() {
    assertThat(found("dunnett")).containsExactly("dunnett");
    List<String> done = new ArrayList<>();
    Move impossible = new Move("x", "x", "", List.of(), "", "not now", () -> done.add("x"));
    impossible.run();
    assertThat(done).isEmpty();
  }

  @Property(tries = 300)
  void anythingTypedGivesAnAnswer(@ForAll String typed) {
    assertThat(found(typed)).doesNotHaveDuplicates().hasSizeLessThanOrEqualTo(MOVES.size());
  }
}
