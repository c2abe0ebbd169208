package app.knuckle.desktop.proof;

import app.knuckle.desktop.background.Lane;
import app.knuckle.formats.documents.ProofDocument;
import app.knuckle.formats.keeping.ResultFolder;
import app.knuckle.formats.report.Paper;
import app.knuckle.formats.report.ProofPage;
import app.knuckle.study.Refused;
import app.knuckle.study.Version;
import app.knuckle.study.proof.Circumstances;
import app.knuckle.study.proof.Proof;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Proves the numbers beside the interface thread. */
final class ProofViewModel {

  private final Lane proving = Lane.ofLatest();
  private final Lane writing = Lane.inTurn();
  private final ReadOnlyObjectWrapper<Found> found = new ReadOnlyObjectWrapper<>();

  /**
   * A proof, ready to be shown.
   *
   * @param proof itself
   * @param words in a sentence
   */
  record Found(Proof proof, String words) {
    List<String> heads() {
      return ProofPage.HEADS;
    }

    List<List<String>> rows() {
      return ProofPage.rows(proof);
    }

    List<String> fellShort() {
      return proof.lines().stream().flatMap(line -> line.fellShort().stream()).toList();
    }
  }

  void prove() {
    proving.run(Proof::run, proof -> found.set(new Found(proof, ProofPage.finding(proof))));
  }

  void stop() {
    proving.cancel();
  }

  void write(
      Paper paper,
      Path folder,
      boolean replace,
      Consumer<String> told,
      Consumer<Refused> otherwise) {
    Proof proof = found.get().proof();
    writing.run(
        progress -> {
          Circumstances where = Circumstances.here(Version.NUMBER);
          ResultFolder.of(folder, replace)
              .add(fresh -> ProofDocument.write(proof, where, paper, fresh));
          return "verify.json, verify.html and verify.pdf are in " + folder.getFileName() + ".";
        },
        told,
        otherwise);
  }

  ReadOnlyObjectProperty<Found> foundProperty() {
    return found.getReadOnlyProperty();
  }

  ReadOnlyBooleanProperty busyProperty() {
    return proving.busyProperty();
  }

  ReadOnlyDoubleProperty progressProperty() {
    return proving.progressProperty();
  }
}
