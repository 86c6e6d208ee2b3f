package tertulia.app.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What is looked at before anything is written: whether the data are there, whole and ours. */
final class Start {
  /** The schema version before the first. */
  private static final int NOTHING = 0;

  private static final String UUID = "????????-????-????-????-????????????";

  private final Store store;

  private Start(Store store) {
    this.store = store;
  }

  /**
   * Takes a directory into use, for as long as this process lives.
   *
   * @return the lock on it
   * @throws Unusable if the data cannot be used as they lie
   */
  static FileChannel of(Store store) {
    Start start = new Start(store);
    start.directory();
    FileChannel lock = start.lock();
    try {
      start.removeLeftOver();
      start.check();
      return lock;
    } catch (Unusable e) {
      close(lock);
      throw e;
    }
  }

  private static void close(FileChannel lock) {
    try {
      lock.close();
    } catch (IOException e) {
      throw new Unusable("The lock cannot be given back: " + e.getMessage());
    }
  }

  private void directory() {
    Path directory = store.directory();
    if (Files.exists(directory) && !Files.isDirectory(directory)) {
      throw new Unusable(directory + " is a file. Name a directory for the data.");
    }
    try {
      Files.createDirectories(directory);
      OnDisk.ownerOnly(directory);
      Files.delete(Files.createTempFile(directory, "tertulia", ".try"));
    } catch (IOException e) {
      throw new Unusable(
          "Nothing can be written to the directory "
              + directory
              + ". Give its owner the right to, or name another.");
    }
  }

  /**
   * One process a directory.
   *
   * @return empty if another process has it
   * @throws IOException if the lock cannot be written
   */
  static Optional<FileChannel> lock(Store store) throws IOException {
    FileChannel channel =
        FileChannel.open(
            store.lock(),
            StandardOpenOption.CREATE,
            StandardOpenOption.READ,
            StandardOpenOption.WRITE);
    if (!isLocked(channel)) {
      channel.close();
      return Optional.empty();
    }
    OnDisk.ownerOnly(store.lock());
    return Optional.of(channel);
  }

  private FileChannel lock() {
    try {
      return lock(store)
          .orElseThrow(() ->
              new Unusable(
                  "The data in "
                      + store.directory()
                      + " are in use by another process. Stop it first, or name another"
                      + " directory."));
    } catch (IOException e) {
      throw new Unusable(store.lock() + " cannot be written. Give its owner the right to.");
    }
  }

  private static boolean isLocked(FileChannel channel) throws IOException {
    try {
      return channel.tryLock() != null;
    } catch (OverlappingFileLockException e) {
      return false;
    }
  }

  /** Copies of ours that were being taken when the last process ended; nobody names a file so. */
  private void removeLeftOver() {
    try (DirectoryStream<Path> files =
        Files.newDirectoryStream(
            store.directory(),
            "{backup-" + UUID + ".zip,*.part,*.new,*.backup-request,*.backup-answer}")) {
      for (Path file : files) {
        Files.delete(file);
      }
    } catch (IOException e) {
      throw new Unusable(
          store.directory() + " holds files that cannot be removed: " + e.getMessage());
    }
  }

  private void check() {
    boolean known = Files.exists(store.marker());
    Marker marker = known ? Marker.read(store.marker()) : Marker.RUNNING;
    finishUpgrade(marker);
    if (!Files.exists(store.file())) {
      if (known && !isBeginning(marker)) {
        throw new Unusable(
            "The store "
                + store.file()
                + " is missing, though there was one. Put it back, or restore the last backup into"
                + " an empty directory.");
      }
      mark(Marker.upgrading(NOTHING));
      return;
    }
    if (!Files.isRegularFile(store.file()) || !Files.isWritable(store.file())) {
      throw new Unusable(
          "The store "
              + store.file()
              + " is not a file that can be written. Give its owner the right to.");
    }
    if (store.size() == 0) {
      throw new Unusable(
          "The store "
              + store.file()
              + " is empty, though there should be data in it. Restore the last backup into an empty"
              + " directory.");
    }
    int version = opened(marker);
    mark(version < Store.newestSchema() ? putAside(version) : Marker.RUNNING);
    ownerOnly();
  }

  private static boolean isBeginning(Marker marker) {
    return marker.upgrading().isPresent() && marker.upgrading().getAsInt() == NOTHING;
  }

  /**
   * An upgrade that was interrupted begins again from the copy taken before it, and a store whose
   * making was interrupted from nothing: nobody has entered anything yet.
   */
  private void finishUpgrade(Marker marker) {
    if (isBeginning(marker)) {
      try {
        Files.deleteIfExists(store.file());
      } catch (IOException e) {
        throw new Unusable(store.file() + " was never finished and cannot be removed. Remove it.");
      }
    } else if (marker.upgrading().isPresent()) {
      Path before = store.before(marker.upgrading().getAsInt());
      try {
        OnDisk.copy(before, store.file());
      } catch (NoSuchFileException e) {
        throw new Unusable(
            "An upgrade was interrupted and the copy taken before it, "
                + before
                + ", is missing. Restore the last backup into an empty directory.");
      } catch (IOException e) {
        throw new Unusable("The copy " + before + " cannot be put back: " + e.getMessage());
      }
    }
  }

  private Marker putAside(int version) {
    try {
      OnDisk.copy(store.file(), store.before(version));
    } catch (IOException e) {
      throw new Unusable(
          "The store cannot be copied before its upgrade: "
              + e.getMessage()
              + ". Make room for it.");
    }
    return Marker.upgrading(version);
  }

  /** Looks into the store; the schema version it is at. */
  private int opened(Marker marker) {
    try (Connection connection = store.look()) {
      int version = store.schema(connection);
      int newest = Store.newestSchema();
      if (version > newest) {
        throw new Unusable(
            "The store "
                + store.file()
                + " was written by a newer version of Tertulia (schema "
                + version
                + "; this one knows up to "
                + newest
                + "). Start that version.");
      }
      if (!marker.rows().isEmpty()) {
        compare(marker.rows(), Store.rows(connection));
      }
      return version;
    } catch (SQLException e) {
      throw new Unusable(
          "The store "
              + store.file()
              + " cannot be read, it may be damaged. Restore the last backup into an empty"
              + " directory.");
    }
  }

  private void compare(Map<String, Long> then, Map<String, Long> now) {
    for (Map.Entry<String, Long> table : then.entrySet()) {
      long found = now.getOrDefault(table.getKey(), 0L);
      if (found != table.getValue()) {
        throw new Unusable(
            String.format(
                Locale.ROOT,
                "The store %s is not the one that was stopped: table %s had %,d rows and has %,d."
                    + " Put the right one back, or remove %s to go on with this one.",
                store.file(),
                table.getKey(),
                table.getValue(),
                found,
                store.marker()));
      }
    }
  }

  private void mark(Marker marker) {
    try {
      marker.write(store.marker());
    } catch (IOException e) {
      throw new Unusable(store.marker() + " cannot be written: " + e.getMessage());
    }
  }

  private void ownerOnly() {
    try (DirectoryStream<Path> files =
        Files.newDirectoryStream(store.directory(), store.name() + "*")) {
      for (Path file : files) {
        OnDisk.ownerOnly(file);
      }
    } catch (IOException e) {
      throw new Unusable("The files in " + store.directory() + " cannot be kept to their owner.");
    }
  }
}
