package tertulia.app.store;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;

/** {@code backup DATA FILE} and {@code restore FILE DATA}. */
public final class StoreCommands {
  private static final int WRONG_USE = 2;
  private static final List<String> NAMES = List.of("backup", "restore");

  private StoreCommands() {}

  /** Whether a command line is one of these. */
  public static boolean isOne(String[] args) {
    return args.length > 0 && NAMES.contains(args[0]);
  }

  /** Does what it says; the status to exit with, 0 if it was done. */
  public static int run(String[] args, PrintStream out, PrintStream err) {
    if (args.length != 3) {
      err.println("Usage: tertulia backup DATA-DIRECTORY FILE");
      err.println("       tertulia restore FILE DATA-DIRECTORY");
      return WRONG_USE;
    }
    try {
      if (args[0].equals("backup")) {
        backup(Store.in(Path.of(args[1])), Path.of(args[2]).toAbsolutePath().normalize());
        out.println("The store is copied to " + args[2] + ".");
      } else {
        Backup.restore(Path.of(args[1]), Path.of(args[2]));
        out.println("Restored. Start with: bin/tertulia " + args[2]);
      }
      return 0;
    } catch (Unusable e) {
      err.println(e.sentence());
      return Unusable.EXIT_STATUS;
    }
  }

  /** Whether a file that is not there yet lies in a directory, whatever links lead to either. */
  private static boolean isWithin(Path directory, Path file) {
    Path there = file.getParent();
    while (there != null && !Files.exists(there)) {
      there = there.getParent();
    }
    try {
      return file.startsWith(directory)
          || there != null && there.toRealPath().startsWith(directory.toRealPath());
    } catch (IOException e) {
      // taking the copy will say what is wrong with it
      return false;
    }
  }

  /** By itself if nobody uses the store, else by the server that does. */
  private static void backup(Store store, Path target) {
    if (!Files.exists(store.file())) {
      throw new Unusable("There is no store in " + store.directory() + ". Name its directory.");
    }
    if (isWithin(store.directory(), target)) {
      throw new Unusable(
          target
              + " lies in the data directory: it would be lost with what it is a copy of. Name a"
              + " file elsewhere.");
    }
    try {
      Optional<FileChannel> lock = Start.lock(store);
      if (lock.isEmpty()) {
        BackupRequests.ask(store, target);
        return;
      }
      try (FileChannel mine = lock.get();
          Connection connection = store.look()) {
        store.schema(connection);
        Backup.take(connection, target);
      }
    } catch (IOException | SQLException e) {
      throw new Unusable(
          "The store in " + store.directory() + " cannot be read by you. Do it as its owner.");
    }
  }
}
