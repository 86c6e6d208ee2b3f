package tertulia.app.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Enumeration;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** A whole copy of a store in one file, taken while it is used or not, and put back. */
final class Backup {
  /** More than any store of ours grows to; a file that claims more is not one. */
  private static final long MOST_BYTES = 16L << 30;

  private Backup() {}

  /**
   * Takes a copy as of one moment.
   *
   * @param target a file that is not there yet
   * @throws Unusable if it cannot be written
   */
  static void take(Connection connection, Path target) {
    Path file = target.toAbsolutePath().normalize();
    if (Files.exists(file)) {
      throw new Unusable(file + " is there already. Name a new file.");
    }
    Path beside = file.resolveSibling(file.getFileName() + ".part");
    try (Statement statement = connection.createStatement()) {
      Files.deleteIfExists(beside);
      Files.createFile(beside);
      OnDisk.ownerOnly(beside);
      statement.execute("backup to '" + beside.toString().replace("'", "''") + "'");
      OnDisk.force(beside);
      OnDisk.takePlace(beside, file);
    } catch (IOException | SQLException e) {
      remove(beside);
      throw new Unusable(
          "The backup cannot be written to "
              + file
              + ". Name a file in a directory that takes it, with room for the store.");
    }
  }

  private static void remove(Path part) {
    try {
      Files.deleteIfExists(part);
    } catch (IOException e) {
      throw new Unusable(part + " is left over and cannot be removed. Remove it.");
    }
  }

  /**
   * Puts a copy into a directory that is empty or not there.
   *
   * @throws Unusable if it is not, or the file is no backup, or one of a newer version
   */
  static void restore(Path backup, Path directory) {
    Store store = Store.in(directory);
    Path part = store.directory().resolve("restored.part");
    try {
      if (Files.exists(store.directory()) && !isEmpty(store.directory())) {
        throw new Unusable(store.directory() + " is not empty. Name an empty directory.");
      }
      Files.createDirectories(store.directory());
      OnDisk.ownerOnly(store.directory());
      unpack(backup, part);
      OnDisk.takePlace(part, store.file());
      check(store);
    } catch (IOException e) {
      remove(part);
      throw new Unusable(
          "Nothing can be written to "
              + store.directory()
              + ", or there is no room for the store. Name another directory.");
    } catch (Unusable e) {
      remove(part);
      throw e;
    }
  }

  private static boolean isEmpty(Path directory) throws IOException {
    try (DirectoryStream<Path> files = Files.newDirectoryStream(directory)) {
      return !files.iterator().hasNext();
    }
  }

  private static void unpack(Path backup, Path part) throws IOException {
    Unusable none =
        new Unusable(backup + " is not a backup of Tertulia, or is damaged. Name another file.");
    try (ZipFile zip = open(backup, none)) {
      Enumeration<? extends ZipEntry> entries = zip.entries();
      ZipEntry only = entries.hasMoreElements() ? entries.nextElement() : null;
      if (only == null || entries.hasMoreElements() || !only.getName().endsWith(".mv.db")) {
        throw none;
      }
      try (InputStream in = zip.getInputStream(only);
          OutputStream out = Files.newOutputStream(part)) {
        OnDisk.ownerOnly(part);
        copy(in, out, none);
      }
      OnDisk.force(part);
    }
  }

  private static ZipFile open(Path backup, Unusable none) {
    try {
      return new ZipFile(backup.toFile());
    } catch (IOException e) {
      throw none;
    }
  }

  private static void copy(InputStream in, OutputStream out, Unusable none) throws IOException {
    byte[] some = new byte[1 << 16];
    long all = 0;
    int read = in.read(some);
    while (read >= 0) {
      all += read;
      if (all > MOST_BYTES) {
        throw none;
      }
      out.write(some, 0, read);
      read = in.read(some);
    }
  }

  /** A store that cannot be used is not left behind. */
  private static void check(Store store) throws IOException {
    try (Connection connection = store.look()) {
      int schema = store.schema(connection);
      if (schema > Store.newestSchema()) {
        throw new Unusable(
            "The backup was written by a newer version of Tertulia (schema "
                + schema
                + "; this one knows up to "
                + Store.newestSchema()
                + "). Restore it with that version.");
      }
      Marker.stopped(Store.rows(connection)).write(store.marker());
    } catch (SQLException e) {
      Files.deleteIfExists(store.file());
      throw new Unusable("The store in the backup cannot be read; it is damaged.");
    } catch (Unusable e) {
      Files.deleteIfExists(store.file());
      throw e;
    }
  }
}
