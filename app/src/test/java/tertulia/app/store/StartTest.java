package tertulia.app.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Random;
import org.flywaydb.core.Flyway;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is looked at before the start: one sentence for each way the data can be wrong. */
public class StartTest {
  private Path directory = Path.of("");
  private Store store = Store.in(directory);

  @BeforeMethod
  public void emptyDirectory() throws IOException {
    directory = Files.createTempDirectory("tertulia-start");
    store = Store.in(directory);
  }

  private void migrate(String version) {
    Flyway.configure().dataSource(store.url(), "sa", "").target(version).load().migrate();
  }

  private void execute(String... statements) throws SQLException {
    try (Connection connection = DriverManager.getConnection(store.url(), "sa", "");
        Statement statement = connection.createStatement()) {
      for (String each : statements) {
        statement.execute(each);
      }
    }
  }

  private String refusal() {
    return expectThrows(Unusable.class, () -> Start.of(store)).sentence();
  }

  private void starts() throws IOException {
    Start.of(store).close();
  }

  private static void assertSays(String sentence, String part) {
    assertTrue(sentence.contains(part), sentence);
    assertEquals(sentence.lines().count(), 1, sentence);
  }

  @Test
  public void anEmptyDirectoryIsANewInstallationKeptToItsOwner() throws IOException {
    Path made = directory.resolve("a/b");
    try (FileChannel lock = Start.of(Store.in(made))) {
      assertTrue(lock.isOpen());
    }
    assertEquals(PosixFilePermissions.toString(Files.getPosixFilePermissions(made)), "rwx------");
    for (String file : new String[] {"tertulia.marker", "tertulia.lock"}) {
      assertEquals(
          PosixFilePermissions.toString(Files.getPosixFilePermissions(made.resolve(file))),
          "rw-------");
    }
  }

  /** The number of a selection stands in its address. */
  @Test
  public void aKillLosesNoNumberOfASelection() throws SQLException {
    migrate("21");
    String one =
        "insert into selection(title, brief, decided, version) values ('One', '', false, 0)";
    try (Connection connection = DriverManager.getConnection(store.url(), "sa", "");
        Statement statement = connection.createStatement()) {
      statement.execute(one);
      statement.execute("checkpoint sync");
      statement.execute("shutdown immediately");
    } catch (SQLException e) {
      // it is closed already, as by a kill
      assertTrue(e.getMessage().contains("closed"), e.getMessage());
    }
    execute(one);
    try (Connection connection = DriverManager.getConnection(store.url(), "sa", "");
        ResultSet last =
            connection.createStatement().executeQuery("select max(id) from selection")) {
      assertTrue(last.next());
      assertEquals(last.getLong(1), 2);
    }
  }

  @Test
  public void aSecondProcessIsRefused() throws IOException {
    try (FileChannel lock = Start.of(store)) {
      assertTrue(lock.isOpen());
      assertSays(refusal(), "are in use by another process. Stop it first");
    }
    starts();
  }

  @Test
  public void aStoreThatWasThereAndIsNotIsNoNewInstallation() throws Exception {
    migrate("latest");
    Marker.RUNNING.write(store.marker());
    starts();
    Files.delete(store.file());
    assertSays(refusal(), "is missing, though there was one");
  }

  @Test
  public void anEmptyStoreIsRefused() throws IOException {
    Files.createFile(store.file());
    assertSays(refusal(), "is empty, though there should be data in it");
    Files.delete(store.file());
    Files.createDirectory(store.file());
    assertSays(refusal(), "is not a file that can be written");
  }

  @Test
  public void aFileIsNoDirectoryAndSomeDirectoriesTakeNothing() throws IOException {
    Path file = Files.createFile(directory.resolve("data"));
    store = Store.in(file);
    assertSays(refusal(), "is a file. Name a directory");
    store = Store.in(Path.of("/proc/self/task"));
    assertSays(refusal(), "Nothing can be written to the directory");
  }

  @Test
  public void aDamagedStoreIsRefusedAndLeftAsItIs() throws Exception {
    migrate("latest");
    try (RandomAccessFile bytes = new RandomAccessFile(store.file().toFile(), "rw")) {
      byte[] noise = new byte[(int) bytes.length()];
      new Random(5).nextBytes(noise);
      bytes.write(noise);
    }
    byte[] before = Files.readAllBytes(store.file());
    assertSays(refusal(), "cannot be opened, it may be damaged");
    assertEquals(Files.readAllBytes(store.file()), before);
  }

  @Test
  public void somethingElseIsNoStore() throws SQLException {
    execute("create table elsewhere(id int)");
    assertSays(refusal(), "is not a store of Tertulia");
  }

  @Test
  public void aStoreOfANewerVersionIsRefused() throws Exception {
    migrate("latest");
    execute(
        "insert into \"flyway_schema_history\" values"
            + " (99, '99', 'later', 'SQL', 'V99__later.sql', 1, 'sa', now(), 1, true)");
    assertSays(
        refusal(),
        "was written by a newer version of Tertulia (schema 99; this one knows up to "
            + Store.newestSchema()
            + ")");
  }

  @Test
  public void rowsAreCountedAgainstTheLastCleanStop() throws Exception {
    migrate("latest");
    try (Connection connection = store.look()) {
      Map<String, Long> rows = Store.rows(connection);
      assertTrue(rows.containsKey("SELECTION") && rows.containsKey("ACCOUNT"), rows.toString());
      Marker.stopped(rows).write(store.marker());
    }
    starts();
    assertEquals(Marker.read(store.marker()), Marker.RUNNING, "it may grow now");
    Marker.stopped(Map.of("ACCOUNT", 3L)).write(store.marker());
    assertSays(refusal(), "table ACCOUNT had 3 rows and has 0");
  }

  @DataProvider
  public Object[][] versions() {
    Object[][] versions = new Object[Store.newestSchema() - 1][];
    for (int v = 1; v < Store.newestSchema(); v++) {
      versions[v - 1] = new Object[] {v};
    }
    return versions;
  }

  /** The plug is pulled in the middle of an upgrade, where half of its changes have been made. */
  @Test(dataProvider = "versions")
  public void anInterruptedUpgradeBeginsAgainFromTheCopyTakenBeforeIt(int from) throws Exception {
    migrate("" + from);
    execute(
        "insert into account(sign_in_name, display_name, password_hash, role, version)"
            + " values ('ilse', 'Ilse', 'x', 'ORGANISER', 0)");
    starts();
    assertEquals(Marker.read(store.marker()), Marker.upgrading(from));
    execute("drop table account cascade");
    starts();
    migrate("latest");
    try (Connection connection = store.look();
        Statement statement = connection.createStatement();
        ResultSet found = statement.executeQuery("select display_name from account")) {
      assertTrue(found.next());
      assertEquals(found.getString(1), "Ilse");
      assertEquals(store.schema(connection), Store.newestSchema());
    }
    Files.delete(store.before(from));
    assertSays(refusal(), "An upgrade was interrupted and the copy taken before it");
  }

  /** What was put down under any schema is there, in its place, under today's. */
  @Test(dataProvider = "versions")
  public void everySchemaComesForwardWithItsData(int from) throws Exception {
    migrate("" + from);
    execute(
        "insert into account(sign_in_name, display_name, password_hash, role, version)"
            + " values ('ilse', 'Ilse', 'x', 'ORGANISER', 0), ('joren', 'Joren', 'x', 'MEMBER', 0)");
    execute(
        "insert into selection(title, brief, decided, version) values ('Which?', '{}', false, 7)");
    execute(
        from < 5
            ? "insert into tool(slug, name, sheet, version) values ('crew', 'Crew', '{\"a\":1}', 0)"
            : "insert into tool(slug, version) values ('crew', 0)");
    if (from >= 2) {
      execute(
          "insert into tool_version(tool_id, valid_from, sheet, noted_by, noted_at, version)"
              + " values (1, date '2026-01-01', '{\"a\":1}', 'Ilse', now(), 0)");
    }
    execute("insert into contender(selection_id, tool_id, place, version) values (1, 1, 0, 0)");
    execute(
        "insert into panel_member(selection_id, account_id, name, share, version)"
            + " values (1, 2, 'Joren', 3, 0)");
    execute("insert into weight(member_id, criterion, points, version) values (1, 'ease', 5, 0)");
    execute(
        "insert into mark(member_id, criterion, contender, points, note, version)"
            + " values (1, 'ease', 'crew', '8', 'Seen', 0)");
    execute(
        "insert into decision(selection_id, state, choice, plan_option, reasons, given_up,"
            + " conditions, proposed_by, proposed_at, answered_by, answered_at, objection, version)"
            + " values (1, 'OBJECTED', 'crew', 'yearly', 'r', 'g', '', 'Ilse', now(), 'Joren',"
            + " now(), 'Too early', 0)");
    if (from >= 10) {
      execute("update decision set proposed_by_account = 'ilse', answered_by_account = 'joren'");
    }
    starts();
    migrate("latest");
    assertEquals(told("select title || version || open_to_all from selection"), "Which?7TRUE");
    assertEquals(
        told("select slug || sheet from tool t join tool_version v on v.tool_id = t.id"),
        "crew{\"a\":1}");
    assertEquals(
        told(
            "select name || share || w.points || m.points || note from panel_member p join weight"
                + " w on w.member_id = p.id join mark m on m.member_id = p.id join contender c on"
                + " c.selection_id = p.selection_id"),
        "Joren358Seen");
    assertEquals(
        told("select proposed_by_account || answered_by_account || objection from decision"),
        "ilsejorenToo early");
    assertEquals(told("select count(*) from decision_ended"), from < 6 ? "1" : "0");
    assertEquals(told("select count(*) from account where not disabled"), "2");
  }

  private String told(String query) throws SQLException {
    try (Connection connection = store.look();
        Statement statement = connection.createStatement();
        ResultSet found = statement.executeQuery(query)) {
      assertTrue(found.next(), query);
      return found.getString(1);
    }
  }

  @Test
  public void anInstallationWhoseMakingWasInterruptedBeginsAgain() throws Exception {
    starts();
    migrate("3");
    starts();
    assertFalse(Files.exists(store.file()), "nobody had entered anything");
  }

  @Test
  public void aMarkerThatIsNoneIsNamed() throws IOException {
    Files.writeString(store.marker(), "rows.A=\\u12");
    assertSays(refusal(), "tertulia.marker cannot be read");
  }
}
