package app.knuckle.formats.keeping;

import app.knuckle.study.Refused;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A folder that results are written to. They are written into a fresh folder first and take the
 * place of the old ones when all of them are whole, so that nobody finds a mixture, or half a file.
 * A list in the folder says which files Knuckle wrote and what they held: no other is ever replaced
 * unasked, or taken away.
 */
public final class ResultFolder {

  /**
   * A line for each file: the digest of what it holds, and its name. While files are exchanged a
   * name has two lines, so that whoever is killed then leaves files that are still known.
   */
  private static final String LIST = ".knuckle-written";

  private final Path folder;
  private final Set<String> chosen;
  private final boolean replace;

  private ResultFolder(Path folder, Set<String> chosen, boolean replace) {
    this.folder = folder.toAbsolutePath();
    this.chosen = Set.copyOf(chosen);
    this.replace = replace;
  }

  /**
   * A folder.
   *
   * @param folder need not be there yet
   * @param replace whether somebody said that files of others may be replaced
   * @return the folder
   */
  public static ResultFolder of(Path folder, boolean replace) {
    return new ResultFolder(folder, Set.of(), replace);
  }

  /**
   * The same, where somebody named a file that may be replaced.
   *
   * @param name of a file in it
   * @return the folder
   */
  public ResultFolder choosing(String name) {
    return new ResultFolder(folder, Set.of(name), replace);
  }

  /** What writes the results. */
  public interface Results {
    /**
     * Writes all of them.
     *
     * @param fresh an empty folder
     * @throws IOException if one cannot be written
     */
    void write(Path fresh) throws IOException;
  }

  /**
   * Writes results in place of all that an earlier run wrote.
   *
   * @param results writes them
   * @throws Refused if they cannot be written there; the folder is then as it was
   * @throws FilesOfOthers if one would replace a file that is not as Knuckle wrote it
   */
  public void write(Results results) {
    write(results, true);
  }

  /**
   * Writes results beside whatever else is there.
   *
   * @param results writes them
   * @throws Refused if they cannot be written there; the folder is then as it was
   * @throws FilesOfOthers if one would replace a file that is not as Knuckle wrote it
   */
  public void add(Results results) {
    write(results, false);
  }

  private void write(Results results, boolean anew) {
    try {
      exchange(results, anew);
    } catch (IOException e) {
      throw WriteTrouble.of(folder, e);
    }
  }

  private void exchange(Results results, boolean anew) throws IOException {
    Path parent = folder.getParent();
    if (parent == null) {
      throw new IOException("There is nothing above this folder to write beside it");
    }
    boolean there = Files.isDirectory(folder);
    if (!there) {
      Files.createDirectories(parent);
    }
    Path fresh = Unfinished.folder(there ? folder : parent);
    try {
      results.write(fresh);
      List<Path> made = list(fresh);
      Map<String, Set<String>> before = read();
      refuseOthers(made, before);
      Map<String, Set<String>> after = anew ? new TreeMap<>() : new TreeMap<>(before);
      for (Path file : made) {
        after.put(file.getFileName().toString(), Set.of(digest(file)));
      }
      Map<String, Set<String>> meanwhile = new TreeMap<>(after);
      before.forEach((name, digests) -> meanwhile.merge(name, digests, ResultFolder::either));
      Files.createDirectories(folder);
      move(Files.writeString(fresh.resolve(LIST), text(meanwhile)));
      if (anew) {
        delete(before);
      }
      for (Path file : made) {
        move(file);
      }
      move(Files.writeString(fresh.resolve(LIST), text(after)));
    } finally {
      Unfinished.end(fresh);
    }
  }

  private void move(Path file) throws IOException {
    Files.move(file, folder.resolve(file.getFileName()), StandardCopyOption.REPLACE_EXISTING);
  }

  private static Set<String> either(Set<String> some, Set<String> others) {
    Set<String> all = new TreeSet<>(some);
    all.addAll(others);
    return all;
  }

  private void refuseOthers(List<Path> made, Map<String, Set<String>> before) throws IOException {
    if (replace) {
      return;
    }
    List<Path> others = new ArrayList<>();
    for (Path file : made) {
      String name = file.getFileName().toString();
      Path there = folder.resolve(name);
      boolean taken = Files.exists(there, LinkOption.NOFOLLOW_LINKS);
      if (taken && !chosen.contains(name) && !isOwn(there, before.getOrDefault(name, Set.of()))) {
        others.add(there);
      }
    }
    if (!others.isEmpty()) {
      throw new FilesOfOthers(folder, others);
    }
  }

  /**
   * Takes away the results of an earlier run, which do not answer what was asked now.
   *
   * @throws IOException if one cannot be taken away
   */
  public void clear() throws IOException {
    delete(read());
    Files.deleteIfExists(folder.resolve(LIST));
  }

  private void delete(Map<String, Set<String>> listed) throws IOException {
    for (Map.Entry<String, Set<String>> written : listed.entrySet()) {
      Path file = folder.resolve(written.getKey()).normalize();
      boolean inside = folder.normalize().equals(file.getParent());
      if (inside && isOwn(file, written.getValue())) {
        Files.delete(file);
      }
    }
  }

  /** Whether a file holds what Knuckle wrote. */
  private static boolean isOwn(Path file, Set<String> digests) throws IOException {
    return Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS) && digests.contains(digest(file));
  }

  private static String text(Map<String, Set<String>> digests) {
    return digests.entrySet().stream()
        .flatMap(e -> e.getValue().stream().map(digest -> digest + " " + e.getKey() + "\n"))
        .collect(Collectors.joining());
  }

  private Map<String, Set<String>> read() throws IOException {
    Map<String, Set<String>> digests = new TreeMap<>();
    Path list = folder.resolve(LIST);
    if (Files.isRegularFile(list, LinkOption.NOFOLLOW_LINKS)) {
      for (String line : Files.readAllLines(list)) {
        int gap = line.indexOf(' ');
        if (gap > 0) {
          Set<String> own = Set.of(line.substring(0, gap));
          digests.merge(line.substring(gap + 1), own, ResultFolder::either);
        }
      }
    }
    return digests;
  }

  private static String digest(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file);
        DigestOutputStream out =
            new DigestOutputStream(
                OutputStream.nullOutputStream(), MessageDigest.getInstance("SHA-256"))) {
      in.transferTo(out);
      return HexFormat.of().formatHex(out.getMessageDigest().digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java knows SHA-256", e);
    }
  }

  private static List<Path> list(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.sorted().toList();
    }
  }
}
