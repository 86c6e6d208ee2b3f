package tertulia.app.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.TreeMap;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/**
 * The file the database lies in, in its directory.
 *
 * @param directory where everything lies
 * @param name of the database; its file is {@code name.mv.db}
 */
record Store(Path directory, String name) {
  private static final String FILE_URL = "jdbc:h2:file:";

  /** The server closes the store itself when it stops. */
  private static final String SETTINGS = ";DB_CLOSE_ON_EXIT=FALSE";

  /** The store an address of a database leads to; empty if it is not a file. */
  static Optional<Store> at(String url) {
    if (!url.startsWith(FILE_URL)) {
      return Optional.empty();
    }
    Path path = Path.of(url.substring(FILE_URL.length()).replaceFirst(";.*", "")).toAbsolutePath();
    Path directory = path.normalize().getParent();
    return directory == null
        ? Optional.empty()
        : Optional.of(new Store(directory, String.valueOf(path.getFileName())));
  }

  static Store in(Path directory) {
    return new Store(directory.toAbsolutePath().normalize(), "tertulia");
  }

  Path file() {
    return directory.resolve(name + ".mv.db");
  }

  Path marker() {
    return directory.resolve(name + ".marker");
  }

  Path lock() {
    return directory.resolve(name + ".lock");
  }

  /** Where the store is put aside before an upgrade from a schema version. */
  Path before(int version) {
    return directory.resolve(name + "-schema-" + version + ".mv.db");
  }

  /** The address of the database. */
  String url() {
    return FILE_URL + directory.resolve(name) + SETTINGS;
  }

  /**
   * Opens what is there to look at it: not a byte of it is changed, also after a kill, where
   * opening it to write would tidy it up.
   *
   * @throws Unusable if it cannot be opened
   */
  Connection look() {
    try {
      return connect(";IFEXISTS=TRUE;ACCESS_MODE_DATA=r");
    } catch (SQLException e) {
      throw new Unusable(
          "The store "
              + file()
              + " cannot be opened, it may be damaged ("
              + firstLine(e)
              + "). Restore the last backup into an empty directory.");
    }
  }

  /** Opens it as the server does. */
  Connection connect() throws SQLException {
    return connect("");
  }

  private Connection connect(String more) throws SQLException {
    Properties who = new Properties();
    who.setProperty("user", "sa");
    who.setProperty("password", "");
    return DriverManager.getConnection(url() + more, who);
  }

  private static String firstLine(Exception e) {
    String line = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
    return line.length() > 160 ? line.substring(0, 160) + "…" : line;
  }

  /**
   * The schema version a store is at.
   *
   * @throws Unusable if it is not a store of ours, or an upgrade of it failed
   */
  int schema(Connection connection) {
    try (Statement statement = connection.createStatement();
        ResultSet found =
            statement.executeQuery(
                "select max(cast(\"version\" as integer)), count(*) filter (where not \"success\")"
                    + " from \"flyway_schema_history\"")) {
      found.next();
      if (found.getInt(2) > 0) {
        throw new Unusable(
            "An upgrade of the store "
                + file()
                + " did not succeed. Restore the last backup into an empty directory.");
      }
      return found.getInt(1);
    } catch (SQLException e) {
      throw new Unusable(
          file()
              + " is not a store of Tertulia, or its beginning was never finished. Choose an"
              + " empty directory.");
    }
  }

  /** The newest schema version this program knows. */
  static int newestSchema() {
    try {
      int newest = 0;
      for (Resource script :
          new PathMatchingResourcePatternResolver().getResources("classpath:db/migration/V*.sql")) {
        String file = String.valueOf(script.getFilename());
        newest = Math.max(newest, Integer.parseInt(file.substring(1, file.indexOf("__"))));
      }
      return newest;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Rows by table. */
  static Map<String, Long> rows(Connection connection) throws SQLException {
    Map<String, Long> rows = new TreeMap<>();
    try (Statement statement = connection.createStatement();
        ResultSet tables =
            connection.getMetaData().getTables(null, "PUBLIC", null, new String[] {"BASE TABLE"})) {
      while (tables.next()) {
        String table = tables.getString("TABLE_NAME");
        try (ResultSet count = statement.executeQuery("select count(*) from \"" + table + "\"")) {
          count.next();
          rows.put(table, count.getLong(1));
        }
      }
    }
    return rows;
  }

  /** Bytes of the file; 0 if there is none. */
  long size() {
    return file().toFile().length();
  }
}
