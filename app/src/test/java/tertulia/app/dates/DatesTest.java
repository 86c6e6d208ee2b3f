package tertulia.app.dates;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.ServedTest;
import tertulia.app.people.UserAccounts;

/** What is due stands in one list, and the calendar file says the same. */
@FreshStore
public class DatesTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private JdbcTemplate store;

  @AfterMethod
  public void asBefore() {
    store.update("update selection set open_to_all = true where id = 2");
    store.update("update account set disabled = false where sign_in_name = 'ilse'");
  }

  private MockHttpServletResponse answer(String path) throws Exception {
    return mvc.perform(get(path).with(user(people.loadUserByUsername("pia"))))
        .andReturn()
        .getResponse();
  }

  @Test
  public void theListAndTheFileSayTheSame() throws Exception {
    List<String> page =
        Jsoup.parse(answer("/dates").getContentAsString()).select("tbody tr").eachText();
    assertTrue(
        page.contains("15 Dec 2026 Look again: Which tool for planning the refits?"), "" + page);
    MockHttpServletResponse file = answer("/dates.ics");
    assertEquals(file.getContentType(), "text/calendar;charset=UTF-8");
    ICalendar read =
        Biweekly.parse(new String(file.getContentAsByteArray(), StandardCharsets.UTF_8)).first();
    assertTrue(
        read.validate(biweekly.ICalVersion.V2_0).isEmpty(),
        "" + read.validate(biweekly.ICalVersion.V2_0));
    assertEquals(read.getEvents().size(), page.size());
    assertTrue(
        read.getEvents().stream()
            .anyMatch(event ->
                event
                        .getSummary()
                        .getValue()
                        .equals("Look again: Which tool for planning the refits?")
                    && event.getDateStart().getValue().getRawComponents().getDate() == 15
                    && event.getDateStart().getValue().getRawComponents().getMonth() == 12
                    && !event.getDateStart().getValue().hasTime()
                    && event.getUid().getValue().equals("review-2@tertulia")));
  }

  private static final Pattern ADDRESS = Pattern.compile("/calendar/[a-z0-9]{40}/dates\\.ics");

  private String newAddress(String who) throws Exception {
    Object shown =
        mvc.perform(post("/dates/address").with(csrf()).with(user(people.loadUserByUsername(who))))
            .andReturn()
            .getFlashMap()
            .get("address");
    Matcher path = ADDRESS.matcher(String.valueOf(shown));
    assertTrue(path.find(), "" + shown);
    return path.group();
  }

  private int status(String path) throws Exception {
    return mvc.perform(get(path)).andReturn().getResponse().getStatus();
  }

  /** Nobody signs in for it, and it opens what its owner may open, as long as they leave it. */
  @Test
  public void anAddressReadsAsItsOwnerUntilItIsTakenBack() throws Exception {
    // a selection that pia may not open
    store.update("update selection set open_to_all = false where id = 2");
    String ilse = newAddress("ilse");
    String pia = newAddress("pia");
    String title = "Which tool for planning the refits?";
    MockHttpServletResponse of = mvc.perform(get(ilse)).andReturn().getResponse();
    assertTrue(of.getContentAsString(StandardCharsets.UTF_8).contains("planning the refits"));
    assertEquals(of.getHeaders("Set-Cookie"), List.of(), "no session is opened");
    String others =
        mvc.perform(get(pia)).andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8);
    assertTrue(others.contains("BEGIN:VCALENDAR"), others);
    assertFalse(others.contains("planning the refits"), title);
    // it opens nothing else, and no page
    assertEquals(mvc.perform(get("/dates")).andReturn().getResponse().getStatus(), 302);
    assertEquals(status("/calendar/" + "a".repeat(40) + "/dates.ics"), 404);
    String again = newAddress("pia");
    assertEquals(status(pia), 404, "the one before has ended");
    assertEquals(status(again), 200);
    mvc.perform(
        post("/dates/address/revoke").with(csrf()).with(user(people.loadUserByUsername("pia"))));
    assertEquals(status(again), 404);
    store.update("update account set disabled = true where sign_in_name = 'ilse'");
    assertEquals(status(ilse), 404, "whoever may not sign in reads nothing");
    assertEquals(
        store.queryForObject(
            "select count(*) from calendar_address where word_hash like '%dates%' or"
                + " length(word_hash) <> 64",
            Integer.class),
        Integer.valueOf(0));
  }

  /** Text of people cannot begin a line of its own, and long lines are folded. */
  @Test
  public void whatPeopleTypedIsReadBackAsTyped() {
    String typed = "Ποιο; a, b\\; c\nEND:VEVENT " + "ω".repeat(120);
    String file =
        CalendarFile.of(
            List.of(
                new DueDates.Due("x-1", LocalDate.of(2028, 2, 29), typed, "/", false),
                new DueDates.Due("x-2", LocalDate.of(2026, 12, 31), "End", "/", false)),
            Instant.parse("2026-11-24T09:00:00Z"));
    assertTrue(file.lines().allMatch(line -> line.length() <= 75), file);
    List<VEvent> events = Biweekly.parse(file).first().getEvents();
    assertEquals(events.size(), 2);
    assertEquals(events.getFirst().getSummary().getValue(), typed);
    assertEquals(
        events.getFirst().getDateStart().getValue().getRawComponents().toString(false, true),
        "2028-02-29");
    assertFalse(file.contains("\nEND:VEVENT ω"));
  }
}
