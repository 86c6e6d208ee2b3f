package tertulia.app.trail;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.ServedTest;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Json;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** What an earlier release kept of every change of a row is told with what is written down. */
@FreshStore
public class ToldBeforeTest extends ServedTest {
  private static final int LAST_WITH_REVISIONS = 26;

  @Autowired private JdbcTemplate store;
  @Autowired private ToldBefore before;
  @Autowired private Trail trail;
  @Autowired private Selections selections;
  @Autowired private UserAccounts people;

  @AfterMethod
  public void signOut() {
    SecurityContextHolder.clearContext();
  }

  private void signIn(String who) {
    SecurityContextHolder.getContext()
        .setAuthentication(
            UsernamePasswordAuthenticationToken.authenticated(
                people.loadUserByUsername(who), "", List.of()));
  }

  /** What the migrations of earlier releases did to the tables of revisions. */
  private static List<String> tablesOfBefore() throws IOException {
    List<String> statements = new ArrayList<>();
    for (int version = 1; version <= LAST_WITH_REVISIONS; version++) {
      for (Resource script :
          new PathMatchingResourcePatternResolver()
              .getResources("classpath:db/migration/V" + version + "__*.sql")) {
        Arrays.stream(
                script
                    .getContentAsString(StandardCharsets.UTF_8)
                    .replaceAll("--[^\n]*", "")
                    .split(";"))
            .map(String::strip)
            .filter(statement ->
                statement.matches("(?s)(create table|alter table) (\\w+_aud|revinfo)\\b.*"))
            .forEach(statements::add);
      }
    }
    return statements;
  }

  /** The store as the release before left it: acts nowhere, revisions in tables of their own. */
  private void asBefore() throws IOException {
    store.update("delete from act");
    tablesOfBefore().forEach(store::execute);
    String[] who = {"ilse", "ilse", "odile", "odile", "ilse"};
    for (int i = 0; i < who.length; i++) {
      store.update(
          "insert into revinfo (revtstmp, person) values (?, ?)",
          Instant.parse("2026-11-03T09:0" + (i + 1) + ":00Z").toEpochMilli(),
          who[i]);
    }
    Long member =
        store.queryForObject(
            "select id from panel_member where selection_id = 1 and name = 'Odile Brannock'",
            Long.class);
    store.update(
        "insert into contender_aud (id, rev, revtype, selection_id, tool_id, place) select id, 1, 0,"
            + " 1, tool_id, 0 from contender where selection_id = 1 and tool_id = (select id from"
            + " tool where slug = 'slotmeer')");
    store.update(
        "insert into panel_member_aud (id, rev, revtype, selection_id, name, share) values (?, 2,"
            + " 0, 1, 'Odile Brannock', 1)",
        member);
    String criterion =
        selections.load(1).file().brief().criteria().stream()
            .filter(part -> part.name().equals("Ease at the freight desk"))
            .findFirst()
            .orElseThrow()
            .id();
    for (int i = 0; i < 2; i++) {
      store.update(
          "insert into mark_aud (id, rev, revtype, member_id, criterion, contender, points) values"
              + " (1, ?, ?, ?, ?, 'slotmeer', ?)",
          3 + i,
          i,
          member,
          criterion,
          "" + (7 + i));
    }
    Brief brief = selections.load(1).file().brief();
    store.update(
        "insert into selection_aud (id, rev, revtype, title, brief, format, decided, open_to_all)"
            + " values (1, 1, 0, 'x', ?, ?, false, true)",
        Json.write(brief.withNeeds(List.of())),
        store.queryForObject("select format from selection where id = 1", Integer.class));
    store.update(
        "insert into selection_aud (id, rev, revtype, title, brief, format, decided, open_to_all)"
            + " values (1, 5, 1, 'x', ?, ?, false, true)",
        Json.write(brief.withNeeds(brief.needs().subList(0, 1))),
        store.queryForObject("select format from selection where id = 1", Integer.class));
  }

  private List<String> told() {
    return trail.of(1).stream()
        .flatMap(entry ->
            entry.what().stream()
                .map(line ->
                    entry.at().toString().substring(0, 16)
                        + " "
                        + entry.who()
                        + ": "
                        + line.text()))
        .toList();
  }

  @Test
  public void whatStandsInOldTablesIsCarriedOverOnceAndTheTablesGo() throws IOException {
    asBefore();
    before.afterSingletonsInstantiated();
    signIn("odile");
    List<String> all = told();
    assertEquals(
        all,
        List.of(
            "2026-11-03T09:05 Ilse Maren: Need “Freight slots by vehicle length”: new",
            "2026-11-03T09:04 Odile Brannock: Mark for Ease at the freight desk, Slotmeer, Odile"
                + " Brannock: 7 → 8",
            "2026-11-03T09:03 Odile Brannock: Mark for Ease at the freight desk, Slotmeer, Odile"
                + " Brannock: 7",
            "2026-11-03T09:02 Ilse Maren: Odile Brannock: on the panel",
            "2026-11-03T09:01 Ilse Maren: Begun: “Which booking tool for the freight desk?”",
            "2026-11-03T09:01 Ilse Maren: Slotmeer: added as a contender"));
    // whose view is kept from the reader is not told
    signIn("pia");
    assertTrue(told().stream().noneMatch(line -> line.contains("Mark for")), "" + told());
    assertEquals(told().size(), 4);
    // the question can be put back as it was then
    signIn("ilse");
    long changed =
        trail.of(1).stream()
            .flatMap(entry -> entry.what().stream())
            .filter(TrailEntry.Line::undoable)
            .findFirst()
            .orElseThrow()
            .act();
    assertEquals(trail.before(1, changed).needs(), List.of());
    // a second start finds nothing to do, and no table of before
    before.afterSingletonsInstantiated();
    assertEquals(told().size(), all.size());
    assertEquals(
        store.queryForObject(
            "select count(*) from information_schema.tables where table_name like '%\\_AUD' or"
                + " table_name = 'REVINFO'",
            Integer.class),
        Integer.valueOf(0));
  }
}
