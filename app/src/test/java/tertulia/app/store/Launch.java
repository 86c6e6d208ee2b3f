package tertulia.app.store;

import java.io.File;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.jar.JarEntry;
import java.util.jar.JarOutputStream;
import java.util.stream.Stream;

/**
 * How the product is started again and again: from jars, and if it is to be often with what the
 * virtual machine learnt of a first start kept in a file, which takes as long as some starts.
 */
final class Launch {
  private static final List<String> SMALL =
      List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Xmx512m");

  private final String classPath;
  private final Optional<Path> cache;

  private Launch(String classPath, Optional<Path> cache) {
    this.classPath = classPath;
    this.cache = cache;
  }

  /**
   * A launch that has not learnt anything yet.
   *
   * @param learns whether it is to
   */
  static Launch prepare(boolean learns) throws IOException {
    Path directory = Files.createTempDirectory("tertulia-launch");
    List<String> entries = new ArrayList<>();
    for (String entry :
        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"))
            .split(File.pathSeparator)) {
      Path path = Path.of(entry);
      if (Files.isDirectory(path)) {
        Path jar = directory.resolve(entries.size() + ".jar");
        pack(path, jar);
        entries.add(jar.toString());
      } else if (Files.exists(path)) {
        entries.add(entry);
      }
    }
    return new Launch(
        String.join(File.pathSeparator, entries),
        learns ? Optional.of(directory.resolve("learnt.aot")) : Optional.empty());
  }

  private static void pack(Path directory, Path jar) throws IOException {
    try (OutputStream out = Files.newOutputStream(jar);
        JarOutputStream entries = new JarOutputStream(out);
        Stream<Path> files = Files.walk(directory)) {
      // classes are looked for in directories, so these are entries too
      for (Path file : files.filter(found -> !found.equals(directory)).toList()) {
        String name = directory.relativize(file).toString().replace(File.separatorChar, '/');
        entries.putNextEntry(new JarEntry(Files.isDirectory(file) ? name + "/" : name));
        if (Files.isRegularFile(file)) {
          Files.copy(file, entries);
        }
        entries.closeEntry();
      }
    }
  }

  /** The command up to the program's own arguments. */
  List<String> command() {
    List<String> command = new ArrayList<>();
    command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    command.addAll(SMALL);
    cache.ifPresent(
        file -> command.add((Files.exists(file) ? "-XX:AOTCache=" : "-XX:AOTCacheOutput=") + file));
    command.addAll(List.of("-cp", classPath, "tertulia.app.TertuliaApplication"));
    return command;
  }
}
