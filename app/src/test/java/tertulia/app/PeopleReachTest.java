package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.GrowthPlan;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** Where people come from, and that nothing simulated offers itself in real use. */
@TestPropertySource(
    properties = {
      "spring.datasource.url=jdbc:h2:mem:reach;DB_CLOSE_DELAY=-1",
      "tertulia.simulated=false"
    })
public class PeopleReachTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private GrowthPlans growth;

  private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private String page(String path) throws Exception {
    MockHttpServletResponse answer = send(MockMvcRequestBuilders.get(path));
    assertEquals(answer.getStatus(), 200, path);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private long begun(String people) throws Exception {
    String address =
        send(MockMvcRequestBuilders.post("/selections/new")
                .param("title", "Which?")
                .param("currency", "EUR")
                .param("follow", "true")
                .param("people", people)
                .param("growth", "0"))
            .getRedirectedUrl();
    return Long.parseLong(address.replaceAll("\\D+", ""));
  }

  private Map<String, String> seats(long id) {
    return selections.load(id).file().brief().demand().stream()
        .filter(part -> part.measure().equals("seats"))
        .findFirst()
        .orElseThrow()
        .perHead();
  }

  @Test
  public void peopleThatAreTypedAreNotOverriddenByATickedGrowthPlan() throws Exception {
    Brief own = selections.load(begun("17")).file().brief();
    assertFalse(own.follows());
    assertEquals(own.groups().getFirst().start(), Integer.valueOf(17));
    assertTrue(selections.load(begun("")).file().brief().follows());
  }

  @Test
  public void aSecondGroupGetsASeatAHeadUnlessItSaysOtherwise() throws Exception {
    long id = begun("17");
    for (String[] typed : new String[][] {{"", "1"}, {"0", "0"}, {"0.5", "0.5"}}) {
      Brief before = selections.load(id).file().brief();
      MockHttpServletRequestBuilder save =
          MockMvcRequestBuilders.post("/selections/" + id + "/need")
              .param("version", "" + selections.load(id).version())
              .param("title", "Which?")
              .param("asOf", before.asOf())
              .param("start", before.start())
              .param("months", "36")
              .param("currency", "EUR")
              .param("leaving", "credited")
              .param("groups[0].id", "staff")
              .param("groups[0].name", "Staff")
              .param("groups[0].method", "percent")
              .param("groups[0].start", "17")
              .param("groups[0].rate", "0")
              .param("groups[1].name", "Crew " + typed[1])
              .param("groups[1].method", "percent")
              .param("groups[1].start", "40")
              .param("groups[1].rate", "0")
              .param("demand[0].measure", "seats")
              .param("demand[0].rates[0]", "1")
              .param("demand[0].rates[1]", typed[0]);
      MockHttpServletResponse saved = send(save);
      assertEquals(saved.getStatus(), 302, saved.getContentAsString());
      String group = selections.load(id).file().brief().groups().getLast().id();
      assertEquals(seats(id).get(group), typed[1]);
      String head = page("/selections/" + id + "/cost");
      assertEquals(head.contains("fewer seats than people"), !typed[1].equals("1"), typed[1]);
    }
  }

  @Test
  public void aGroupAddedToTheGrowthPlanReachesTheSelectionsThatFollowIt() throws Exception {
    long follows = begun("");
    long own = begun("17");
    int before = selections.load(follows).selection().groups().size();
    GrowthPlans.Stored stored = growth.find().orElseThrow();
    List<Brief.GroupPart> groups = new ArrayList<>(stored.plan().groups());
    groups.add(
        new Brief.GroupPart("divers", "Divers", "hires", 6, "0", null, null, List.of(), null));
    GrowthPlan plan = stored.plan().with(groups);
    growth.change(stored.version(), plan, "Ilse Maren");
    assertEquals(selections.load(follows).selection().groups().size(), before + 1);
    assertEquals(seats(follows).get("divers"), "1");
    assertEquals(selections.load(own).selection().groups().size(), 1);
    assertTrue(page("/selections/" + follows + "/need").contains("Divers"));
  }

  @Test
  public void nothingSimulatedOffersItself() throws Exception {
    assertTrue(page("/price-changes").contains("No feed of announcements is connected."));
    assertFalse(page("/price-changes/waiting").contains("wait for an answer"));
    assertFalse(page("/selections/1/need").contains("Take the published rates"));
    assertFalse(page("/growth").contains("simulated"));
    assertFalse(page("/growth").contains("Re-base the plan"));
  }
}
