package tertulia.app.store;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.flywaydb.core.Flyway;
import org.springframework.beans.factory.support.StaticListableBeanFactory;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.ui.ExtendedModelMap;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tertulia.app.people.OwnPassword;
import tertulia.app.people.SignedIn;

/** The commands that copy a store and put it back, and what they refuse. */
public class BackupTest {
  private Path place = Path.of("");
  private Store store = Store.in(place);
  private String said = "";

  @BeforeMethod
  public void aStoreWithAnAccount() throws Exception {
    place = Files.createTempDirectory("tertulia-backup");
    store = Store.in(Files.createDirectory(place.resolve("data")));
    Flyway.configure().dataSource(store.url(), "sa", "").load().migrate();
    execute(
        "insert into account(sign_in_name, display_name, password_hash, role, version)"
            + " values ('ilse', 'Ilse', 'x', 'ORGANISER', 0)");
  }

  private void execute(String statement) throws Exception {
    try (Connection connection = DriverManager.getConnection(store.url(), "sa", "");
        Statement statements = connection.createStatement()) {
      statements.execute(statement);
    }
  }

  private int run(String... args) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PrintStream print = new PrintStream(out, true, StandardCharsets.UTF_8);
    int status = StoreCommands.run(args, print, print);
    said = out.toString(StandardCharsets.UTF_8);
    return status;
  }

  private String at(String name) {
    return place.resolve(name).toString();
  }

  @Test
  public void aCopyComesBackWithEveryRow() throws Exception {
    assertEquals(run("backup", at("data"), at("copy.zip")), 0, said);
    assertEquals(
        PosixFilePermissions.toString(Files.getPosixFilePermissions(place.resolve("copy.zip"))),
        "rw-------");
    execute("delete from account");
    assertEquals(run("restore", at("copy.zip"), at("again")), 0, said);
    Store again = Store.in(place.resolve("again"));
    try (Connection connection = again.look()) {
      assertEquals(Store.rows(connection).get("ACCOUNT"), Long.valueOf(1));
    }
    Start.of(again).close();
  }

  /** There it would go with what it is a copy of, or be swept out at the next start. */
  @Test
  public void noCopyIsPutBesideWhatItIsACopyOf() throws Exception {
    Files.createSymbolicLink(place.resolve("link"), place.resolve("data"));
    Files.createDirectory(place.resolve("data/deeper"));
    for (String name : new String[] {"data/copy.zip", "data/deeper/x.zip", "link/backup-x.zip"}) {
      assertEquals(run("backup", at("data"), at(name)), Unusable.EXIT_STATUS, name);
      assertTrue(said.contains("Name a file elsewhere."), said);
      assertFalse(Files.exists(place.resolve(name)));
    }
    Files.writeString(place.resolve("data/backup-of-mine.zip"), "mine");
    Start.of(store).close();
    assertEquals(Files.readString(place.resolve("data/backup-of-mine.zip")), "mine");
  }

  @Test
  public void whatIsThereIsNotOverwritten() throws Exception {
    Files.writeString(place.resolve("copy.zip"), "mine");
    assertEquals(run("backup", at("data"), at("copy.zip")), Unusable.EXIT_STATUS);
    assertTrue(said.contains("copy.zip is there already. Name a new file."), said);
    assertEquals(Files.readString(place.resolve("copy.zip")), "mine");
    assertEquals(run("backup", at("data"), at("other.zip")), 0, said);
    assertEquals(run("restore", at("other.zip"), at("data")), Unusable.EXIT_STATUS);
    assertTrue(said.contains("is not empty. Name an empty directory."), said);
  }

  @Test
  public void whatIsNoBackupLeavesNothingBehind() throws Exception {
    Files.writeString(place.resolve("text.zip"), "not a zip");
    zip("two.zip", "a.mv.db", "b.mv.db");
    zip("other.zip", "../../escaped.mv.db");
    zip("names.zip", "readme.txt");
    for (String file : new String[] {"text.zip", "two.zip", "other.zip", "names.zip", "none.zip"}) {
      assertEquals(run("restore", at(file), at("new")), Unusable.EXIT_STATUS, file);
      assertEquals(said.lines().count(), 1, said);
      try (var left = Files.list(place.resolve("new"))) {
        assertEquals(left.filter(f -> f.toString().endsWith(".mv.db")).count(), 0, file);
      }
      deleteAll(place.resolve("new"));
    }
    assertFalse(Files.exists(place.resolve("escaped.mv.db")));
  }

  private static void deleteAll(Path directory) throws IOException {
    try (var files = Files.list(directory)) {
      for (Path file : files.toList()) {
        Files.delete(file);
      }
    }
  }

  private void zip(String name, String... entries) throws IOException {
    try (OutputStream out = Files.newOutputStream(place.resolve(name));
        ZipOutputStream zip = new ZipOutputStream(out)) {
      for (String entry : entries) {
        zip.putNextEntry(new ZipEntry(entry));
        zip.write("nothing of ours".getBytes(StandardCharsets.UTF_8));
      }
    }
  }

  @Test
  public void aBackupOfANewerVersionIsRefused() throws Exception {
    execute(
        "insert into \"flyway_schema_history\" values"
            + " (99, '99', 'later', 'SQL', 'V99__later.sql', 1, 'sa', now(), 1, true)");
    assertEquals(run("backup", at("data"), at("copy.zip")), 0, said);
    assertEquals(run("restore", at("copy.zip"), at("new")), Unusable.EXIT_STATUS);
    assertTrue(said.contains("newer version of Tertulia (schema 99"), said);
    assertFalse(Files.exists(place.resolve("new/tertulia.mv.db")));
  }

  @Test
  public void wrongUseIsExplained() {
    assertEquals(run("backup", at("data")), 2);
    assertTrue(said.contains("Usage: tertulia backup DATA-DIRECTORY FILE"), said);
    assertEquals(run("backup", at("nowhere"), at("copy.zip")), Unusable.EXIT_STATUS);
    assertTrue(said.contains("There is no store in"), said);
    assertEquals(run("backup", at("data"), at("nowhere/copy.zip")), Unusable.EXIT_STATUS);
    assertTrue(said.contains("The backup cannot be written to"), said);
  }

  /** In the browser: the whole copy is sent, nothing is left beside the store. */
  @Test
  public void aCopyTakenInTheBrowserComesBackToo() throws Exception {
    OwnPassword password = mock(OwnPassword.class);
    when(password.fault(any(), any(), any())).thenReturn(Optional.empty());
    SafekeepingController safekeeping =
        new SafekeepingController(
            new StaticListableBeanFactory(Map.of("store", store)).getBeanProvider(Store.class),
            new DriverManagerDataSource(store.url(), "sa", ""),
            password,
            Clock.fixed(Instant.parse("2026-11-24T09:00:00Z"), ZoneOffset.UTC));
    MockHttpServletResponse sent = new MockHttpServletResponse();
    assertNull(
        safekeeping.backup("p", mock(SignedIn.class), new ExtendedModelMap(), sent),
        "what is sent is no page");
    assertEquals(
        sent.getHeader("Content-Disposition"), "attachment; filename=\"tertulia-2026-11-24.zip\"");
    Files.write(place.resolve("copy.zip"), sent.getContentAsByteArray());
    assertEquals(run("restore", at("copy.zip"), at("again")), 0, said);
    try (Connection connection = Store.in(place.resolve("again")).look()) {
      assertEquals(Store.rows(connection).get("ACCOUNT"), Long.valueOf(1));
    }
    try (Stream<Path> left = Files.list(place.resolve("data"))) {
      assertEquals(left.filter(file -> file.toString().endsWith(".zip")).toList(), List.of());
    }
  }
}
