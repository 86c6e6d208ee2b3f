package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;

/** Whoever has not handed in is reminded, once a day, and what each knows about is said. */
@FreshStore
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:clocked;DB_CLOSE_DELAY=-1")
@Import(MovableClock.InPlace.class)
public class RemindedTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private MovableClock clock;
  @Autowired private JdbcTemplate store;

  private String answer(String who, MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse()
        .getContentAsString(StandardCharsets.UTF_8);
  }

  private int remind(String who, LoadedSelection.Seat seat) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.post("/selections/1/table/remind")
                .param("member", "" + seat.memberId())
                .with(csrf())
                .with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse()
        .getStatus();
  }

  private LoadedSelection.Seat seat(String name) {
    return selections.load(1).seats().stream()
        .filter(s -> s.name().equals(name))
        .findFirst()
        .orElseThrow();
  }

  private int messages(String who) throws Exception {
    String page = answer(who, MockMvcRequestBuilders.get("/outbox"));
    return page.split("Ilse Maren waits for your view", -1).length - 1;
  }

  @Test
  public void oncePerDayAndOnlyWhoseViewIsMissing() throws Exception {
    clock.moveTo("2026-11-24");
    assertEquals(messages("ilse"), 0);
    assertEquals(remind("odile", seat("Joren Talvik")), 403);
    assertEquals(remind("ilse", seat("Odile Brannock")), 404, "she has handed in");
    assertEquals(remind("ilse", seat("Joren Talvik")), 302);
    assertEquals(remind("ilse", seat("Joren Talvik")), 302);
    assertEquals(messages("ilse"), 1, "twice is once");
    String read = answer("joren", MockMvcRequestBuilders.get("/outbox"));
    assertTrue(
        read.contains(
            "Ilse Maren waits for your view of “Which booking tool for the freight desk?”. What is"
                + " left: say how much each criterion counts, give 10 marks, hand in your view."),
        read);
    assertTrue(read.contains("/selections/1/weights"));
    assertEquals(messages("odile"), 0, "what was written to others is theirs");
    clock.moveTo("2026-11-25");
    assertEquals(remind("ilse", seat("Joren Talvik")), 302);
    assertEquals(messages("joren"), 2, "another day another reminder");
  }

  @Test(dependsOnMethods = "oncePerDayAndOnlyWhoseViewIsMissing")
  public void whoIsShutOutReadsNoMessageAboutIt() throws Exception {
    store.update("update selection set open_to_all = false where id = 1");
    try {
      assertEquals(messages("joren"), 0, "the selection is not there for him");
      assertEquals(messages("ilse"), 2);
    } finally {
      store.update("update selection set open_to_all = true where id = 1");
    }
    assertEquals(messages("joren"), 2);
  }

  @Test
  public void whatSomebodyKnowsAboutStandsBesideTheirView() throws Exception {
    String marks = answer("ilse", MockMvcRequestBuilders.get("/selections/1/marks"));
    assertTrue(marks.contains("Maud Verlinde (the gate)"), "in what is worth talking about");
    LoadedSelection.Seat odile = seat("Odile Brannock");
    String field = "knows-" + odile.memberId();
    answer(
        "ilse",
        MockMvcRequestBuilders.post("/selections/1/shares").param(field, "freight and hauliers"));
    assertEquals(seat("Odile Brannock").competence(), "freight and hauliers");
    assertEquals(seat("Odile Brannock").share(), odile.share());
    String refused =
        answer(
            "ilse",
            MockMvcRequestBuilders.post("/selections/1/shares")
                .param(field, "kept " + "x".repeat(200)));
    assertTrue(refused.toLowerCase(Locale.ROOT).contains("at most 200 fit"), refused);
    assertTrue(refused.contains("kept xxx"), "what was typed stays");
    assertFalse(seat("Odile Brannock").competence().contains("xxx"));
  }
}
