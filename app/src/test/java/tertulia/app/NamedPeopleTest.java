package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Faults;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/** Every route of a selection, for every role, on one's own selection and on that of others. */
@FreshStore
public class NamedPeopleTest extends ServedTest {
  private static final long OWN = 1;
  private static final long OTHERS = 3;

  /** What a form of a member holds, so that nothing but the selection stands against it. */
  private static final Map<String, Map<String, String>> FORMS =
      Map.ofEntries(
          Map.entry("/selections/{id}/weights", Map.of("criterion", "ease", "points", "5")),
          Map.entry(
              "/selections/{id}/marks",
              Map.of("criterion", "ease", "contender", "{contender}", "mark", "5")),
          Map.entry("/selections/{id}/firmness/pull", Map.of("criterion", "ease", "weight", "50")),
          Map.entry("/selections/{id}/weights/way", Map.of("way", "points")),
          Map.entry(
              "/selections/{id}/weights/pair",
              Map.of("one", "ease", "other", "cost", "times", "2")),
          Map.entry(
              "/selections/{id}/marks/reason",
              Map.of("criterion", "ease", "contender", "{contender}", "note", "Why.")),
          Map.entry(
              "/selections/{id}/marks/interest",
              Map.of("contender", "{contender}", "interest", "A friend.")),
          Map.entry(
              "/selections/{id}/marks/pairs",
              Map.of(
                  "criterion", "ease", "one", "{contender}", "other", "none", "answer", "LEVEL")),
          Map.entry("/selections/{id}/marks/pairs/take", Map.of("criterion", "ease")),
          Map.entry("/selections/{id}/hand-in", Map.of()),
          Map.entry(
              "/selections/{id}/remarks",
              Map.of(
                  "about",
                  "step/cost",
                  "kind",
                  "question",
                  "text",
                  "Why?",
                  "once",
                  "00000000-0000-0000-0000-000000000000")),
          Map.entry("/selections/{id}/remarks/{remark}/close", Map.of("open", "false")),
          Map.entry(
              "/selections/{id}/trials/result",
              Map.of("task", "none", "contender", "{contender}", "outcome", "done")),
          Map.entry("/selections/{id}/proofs", Map.of("about", "mark/ease/{contender}")),
          Map.entry("/selections/{id}/proofs/drop", Map.of("about", "mark/ease/{contender}")),
          Map.entry(
              "/selections/{id}/decision/sign", Map.of("proposal", "0", "password", "brackwater")),
          Map.entry("/selections/{id}/decision/object", Map.of("proposal", "0", "reason", "No.")),
          Map.entry(
              "/selections/{id}/decision/holds", Map.of("read", "0", "lookAgain", "2099-01-01")),
          Map.entry("/selections/{id}/live/{step}", Map.of("since", "1")));

  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private JdbcTemplate store;

  @Autowired
  @Qualifier("requestMappingHandlerMapping")
  private RequestMappingHandlerMapping mapping;

  private String contender(long selection) {
    return String.valueOf(
        store.queryForObject(
            "select min(slug) from tool t join contender c on c.tool_id = t.id where set_aside is"
                + " null and selection_id = ?",
            String.class,
            selection));
  }

  private record Route(HttpMethod method, String pattern) {
    MockHttpServletRequestBuilder on(long selection) {
      return on(selection, "");
    }

    MockHttpServletRequestBuilder on(long selection, String contender) {
      String path =
          pattern
              .replace("{id}", "" + selection)
              .replace("{slug}", "slotmeer")
              .replace("{remark}", "1")
              .replace("{proof}", "1")
              .replace("{change}", "none")
              .replace("{word}", "none")
              .replace("{act}", "1");
      MockHttpServletRequestBuilder request =
          MockMvcRequestBuilders.request(method, path).with(csrf());
      FORMS
          .getOrDefault(pattern.replaceAll("/live/[a-z]+$", "/live/{step}"), Map.of())
          .forEach((name, value) -> request.param(name, value.replace("{contender}", contender)));
      return request;
    }
  }

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void twoSmallTables() throws Exception {
    Faults faults = new Faults();
    people.add(
        new UserAccounts.NewAccount("mara", "Mara Quist", "seven quiet herons", Role.MEMBER),
        faults);
    people.add(
        new UserAccounts.NewAccount("rolf", "Rolf Uden", "seven quiet herons", Role.READER),
        faults);
    assertEquals(faults.all(), List.of());
    name(OWN, "joren", "pia");
    name(OTHERS, "mara", "rolf");
  }

  private void name(long selection, String... names) throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/" + selection + "/people")
            .with(csrf())
            .with(user(people.loadUserByUsername("ilse")))
            .param("open", "false")
            .param(
                "version",
                ""
                    + store.queryForObject(
                        "select version from selection where id = ?", Long.class, selection));
    for (String name : names) {
      request.param(
          "named",
          ""
              + store.queryForObject(
                  "select id from account where sign_in_name = ?", Long.class, name));
    }
    assertEquals(mvc.perform(request).andReturn().getResponse().getStatus(), 302);
  }

  private List<Route> routes(boolean ofSelections) {
    return mapping.getHandlerMethods().keySet().stream()
        .flatMap(info ->
            info.getPatternValues().stream()
                .filter(pattern -> pattern.startsWith("/selections/{id}") == ofSelections)
                .flatMap(NamedPeopleTest::each)
                .flatMap(pattern ->
                    info.getMethodsCondition().getMethods().stream()
                        .map(method -> new Route(method.asHttpMethod(), pattern))))
        .distinct()
        .toList();
  }

  /** A pattern that holds a choice of words as one pattern for each. */
  private static Stream<String> each(String pattern) {
    Matcher choice = Pattern.compile("\\{[a-z]+:([^}]*)}").matcher(pattern);
    return choice.find()
        ? Arrays.stream(choice.group(1).replaceAll("[()]", "").split("\\|"))
            .map(word -> choice.replaceFirst(word))
        : Stream.of(pattern);
  }

  private MockHttpServletResponse answer(MockHttpServletRequestBuilder request, String name)
      throws Exception {
    return mvc.perform(request.with(user(people.loadUserByUsername(name))))
        .andReturn()
        .getResponse();
  }

  private String contents() {
    return Stream.of(
            "selection",
            "weight",
            "weighing_number",
            "preference",
            "mark",
            "contender_pair",
            "panel_member",
            "decision",
            "contender")
        .map(table ->
            store.queryForMap("select count(*) n, sum(version) v from " + table).toString())
        .collect(Collectors.joining());
  }

  @DataProvider
  public Object[][] people() {
    return new Object[][] {
      {"joren", true, false},
      {"mara", true, false},
      {"pia", false, false},
      {"rolf", false, false},
      {"ilse", true, true}
    };
  }

  @Test(dataProvider = "people")
  public void everyRouteIsClosedToThoseWhoAreNotNamed(
      String name, boolean weighs, boolean organises) throws Exception {
    boolean first = name.equals("joren") || name.equals("pia");
    long own = first ? OWN : OTHERS;
    long others = first ? OTHERS : OWN;
    List<String> wrong = new ArrayList<>();
    List<Route> routes = routes(true);
    assertTrue(routes.size() > 30, "only " + routes.size());
    for (Route route : routes) {
      boolean reads = route.method().equals(HttpMethod.GET);
      String before = contents();
      int status = answer(route.on(others, contender(others)), name).getStatus();
      boolean isAsOwed = organises || status == 404 || !reads && status == 403;
      if (!isAsOwed || organises && reads && status == 403) {
        wrong.add(route + " of others gave " + status);
      }
      if (!organises && !contents().equals(before)) {
        wrong.add(route + " of others changed something");
      }
      boolean mine = reads || weighs && FORMS.containsKey(route.pattern());
      if (mine && !organises) {
        int given = answer(route.on(own, contender(own)), name).getStatus();
        if (given == 403
            || given == 404
                && !route.pattern().contains("snapshot")
                && !route.pattern().contains("/record")
                && !route.pattern().contains("decision/")
                && !route.pattern().contains("/marks/")
                && !route.pattern().contains("/trials/")
                && !route.pattern().contains("/remarks/")
                && !route.pattern().contains("/proofs")
                && !route.pattern().endsWith("/pull")
                && !route.pattern().endsWith("/weights/pair")
                && !route.pattern().endsWith("/why")) {
          wrong.add(route + " of one's own gave " + given);
        }
      }
    }
    assertEquals(String.join("\n", wrong), "");
  }

  /** Lists, effects of prices, proposals: no page names a selection that is not there for one. */
  @Test
  public void noOtherPageNamesIt() throws Exception {
    String title =
        store.queryForObject("select title from selection where id = ?", String.class, OTHERS);
    int named = 0;
    for (Route route : routes(false)) {
      if (route.method().equals(HttpMethod.GET)) {
        for (String query :
            List.of(
                "",
                "?from=2025-11-20&to=2026-11-12",
                "?id=" + OTHERS,
                "?slug=slotmeer",
                "?selection=" + OTHERS + "&from=2025-11-20&to=2026-11-12&figure=horizon")) {
          Route asked = new Route(route.method(), route.pattern() + query);
          for (String name : List.of("joren", "pia")) {
            String body = answer(asked.on(0), name).getContentAsString();
            assertFalse(body.contains(String.valueOf(title)), asked + " for " + name);
          }
          named +=
              answer(asked.on(0), "rolf").getContentAsString().contains(String.valueOf(title))
                  ? 1
                  : 0;
        }
      }
    }
    assertTrue(named > 0, "nowhere named at all");
  }

  @Test(dependsOnMethods = {"everyRouteIsClosedToThoseWhoAreNotNamed", "noOtherPageNamesIt"})
  public void openedAgainItIsThereForAll() throws Exception {
    MockHttpServletRequestBuilder stale =
        MockMvcRequestBuilders.post("/selections/" + OWN + "/people")
            .with(csrf())
            .param("open", "true")
            .param("version", "0");
    assertEquals(answer(stale, "ilse").getStatus(), 409);
    Long version =
        store.queryForObject("select version from selection where id = ?", Long.class, OWN);
    assertEquals(
        answer(
                MockMvcRequestBuilders.post("/selections/" + OWN + "/people")
                    .with(csrf())
                    .param("open", "true")
                    .param("version", "" + version),
                "ilse")
            .getStatus(),
        302);
    assertEquals(
        answer(MockMvcRequestBuilders.get("/selections/" + OWN + "/need"), "rolf").getStatus(),
        200);
  }
}
