package app.knuckle.study.proof;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;

/**
 * What was proved where: for the file of a laboratory.
 *
 * @param version of the program
 * @param checksum SHA-256 of all its jars, by the order of their names; says so where it is not
 *     packed into jars
 * @param runtime name and version
 * @param system name, version and processor
 * @param date and time, in UTC
 */
public record Circumstances(
    String version, String checksum, String runtime, String system, String date) {

  private static final String NOT_PACKED = "not packed";
  private static final int CHUNK = 1 << 16;

  /**
   * Those of this program here and now.
   *
   * @param version of the program
   * @return read from the runtime
   */
  public static Circumstances here(String version) {
    return new Circumstances(
        version,
        checksum(
            System.getProperty("java.class.path", "").split(System.getProperty("path.separator"))),
        System.getProperty("java.vm.name") + " " + System.getProperty("java.runtime.version"),
        System.getProperty("os.name")
            + " "
            + System.getProperty("os.version")
            + ", "
            + System.getProperty("os.arch"),
        Instant.now().truncatedTo(ChronoUnit.SECONDS).toString());
  }

  private static String checksum(String[] classPath) {
    List<Path> jars =
        Arrays.stream(classPath)
            .map(Path::of)
            .filter(path -> path.toString().endsWith(".jar"))
            .sorted(Comparator.comparing(path -> path.getFileName().toString()))
            .toList();
    if (jars.size() < classPath.length) {
      return NOT_PACKED;
    }
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      byte[] chunk = new byte[CHUNK];
      for (Path jar : jars) {
        try (InputStream in = Files.newInputStream(jar)) {
          for (int read = in.read(chunk); read >= 0; read = in.read(chunk)) {
            digest.update(chunk, 0, read);
          }
        }
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every runtime has SHA-256", e);
    } catch (IOException e) {
      throw new UncheckedIOException("A jar of this program cannot be read", e);
    }
  }
}
