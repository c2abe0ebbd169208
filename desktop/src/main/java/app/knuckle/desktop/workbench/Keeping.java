package app.knuckle.desktop.workbench;

import app.knuckle.study.keeping.Study;
import java.nio.file.Path;

/** Who keeps what is open: told of every change, and asked for studies. */
public interface Keeping {

  /** Something changed that is not saved yet. */
  void changed();

  /** A study was opened in place of what was open; it is as it was saved. */
  void opened();

  /**
   * Opens a study file in place of what is open, once that may be put aside.
   *
   * @param study the file
   */
  void open(Path study);

  /**
   * Opens a study that was read in place of what is open, once that may be put aside.
   *
   * @param study the study
   */
  void open(Study study);

  /** Nobody keeps anything: for a bench that is looked at and thrown away. */
  Keeping NOBODY =
      new Keeping() {
        @Override
        public void changed() {}

        @Override
        public void opened() {}

        @Override
        public void open(Path study) {
          throw new IllegalStateException("Nobody is there to open " + study);
        }

        @Override
        public void open(Study study) {
          throw new IllegalStateException("Nobody is there to open " + study.name());
        }
      };
}
