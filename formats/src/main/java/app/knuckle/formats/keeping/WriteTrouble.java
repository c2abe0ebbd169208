package app.knuckle.formats.keeping;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.nio.file.Path;
import java.nio.file.ReadOnlyFileSystemException;

/** Says why something could not be written, in words of our own: those of a system vary. */
public final class WriteTrouble {

  /**
   * A disk with less room than this is called full. What was written of a file until it was has
   * been taken away again by the time that anybody asks.
   */
  private static final long LITTLE_ROOM = 16L << 20;

  private WriteTrouble() {}

  /**
   * The refusal.
   *
   * @param target what should have been written, a file or a folder
   * @param failure what failed
   * @return to be thrown or said
   */
  public static Refused of(Path target, IOException failure) {
    Place where = new Place.WholeFile(target.toString());
    String what;
    String wayOn;
    if (failure instanceof AccessDeniedException) {
      what = "nothing may be written in this folder";
      wayOn = "Choose another folder";
    } else if (failure instanceof FileAlreadyExistsException
        || failure instanceof NotDirectoryException
        || isBelowAFile(target)) {
      what = "there is a file where a folder should be";
      wayOn = "Choose another folder";
    } else if (failure instanceof NoSuchFileException || !isFolderThere(target)) {
      what = "the folder is not there any more";
      wayOn = "Choose another folder";
    } else if (isFull(target)) {
      what = "the disk is full; what was there before is as it was";
      wayOn = "Make room, or choose another disk";
    } else {
      what = "it cannot be written there; what was there before is as it was";
      wayOn = "Choose another folder, or close the file in other programs";
    }
    return new Refused(Refused.at(where, what, wayOn).refusal(), failure);
  }

  private static boolean isFolderThere(Path target) {
    Path folder = target.toAbsolutePath().getParent();
    return folder == null || Files.isDirectory(folder);
  }

  private static boolean isBelowAFile(Path target) {
    Path above = target.toAbsolutePath().getParent();
    while (above != null && !Files.exists(above)) {
      above = above.getParent();
    }
    return above != null && !Files.isDirectory(above);
  }

  private static boolean isFull(Path target) {
    Path there = target.toAbsolutePath();
    while (there != null && !Files.exists(there)) {
      there = there.getParent();
    }
    try {
      return there != null && Files.getFileStore(there).getUsableSpace() < LITTLE_ROOM;
    } catch (IOException | ReadOnlyFileSystemException e) {
      return false; // A disk that does not say how much room it has is not called full.
    }
  }
}
