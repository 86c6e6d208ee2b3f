package tertulia.app.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;

/** Files that are whole and on the disk, or not there; readable by their owner alone. */
final class OnDisk {
  private OnDisk() {}

  /** Writes beside it, to the disk, then takes its place. */
  static void write(Path file, byte[] bytes) throws IOException {
    Path beside = file.resolveSibling(file.getFileName() + ".new");
    try (FileChannel channel =
        FileChannel.open(
            beside,
            StandardOpenOption.CREATE,
            StandardOpenOption.TRUNCATE_EXISTING,
            StandardOpenOption.WRITE)) {
      ownerOnly(beside);
      ByteBuffer left = ByteBuffer.wrap(bytes);
      while (left.hasRemaining()) {
        channel.write(left);
      }
      channel.force(true);
    }
    takePlace(beside, file);
  }

  /** Copies beside it, to the disk, then takes its place. */
  static void copy(Path from, Path to) throws IOException {
    Path beside = to.resolveSibling(to.getFileName() + ".new");
    Files.copy(from, beside, StandardCopyOption.REPLACE_EXISTING);
    ownerOnly(beside);
    force(beside);
    takePlace(beside, to);
  }

  /** Moves a whole file in the place of another, for good. */
  static void takePlace(Path whole, Path file) throws IOException {
    Files.move(whole, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    Path directory = file.toAbsolutePath().getParent();
    if (directory != null) {
      force(directory);
    }
  }

  static void force(Path path) throws IOException {
    try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
      channel.force(true);
    }
  }

  static void ownerOnly(Path path) throws IOException {
    if (Files.getFileStore(path).supportsFileAttributeView("posix")) {
      Files.setPosixFilePermissions(
          path,
          PosixFilePermissions.fromString(Files.isDirectory(path) ? "rwx------" : "rw-------"));
    }
  }
}
