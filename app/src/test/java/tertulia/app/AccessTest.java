package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.Test;
import tertulia.app.people.UserAccounts;

/** Nothing is open that is not named as open, for every route there is. */
public class AccessTest extends ServedTest {
  private static final Set<String> OPEN =
      Set.of(
          "/sign-in",
          "/first-account",
          "/invitation/{word}",
          "/calendar/{word}/dates.ics",
          "/error",
          "/session",
          "/signed-out");
  private static final Set<String> FOR_ALL =
      Set.of("/account/password", "/account/sessions", "/dates/address", "/dates/address/revoke");
  private static final Set<String> FOR_MEMBERS =
      Set.of(
          "/selections/{id}/weights",
          "/selections/{id}/weights/way",
          "/selections/{id}/weights/pair",
          "/selections/{id}/marks",
          "/selections/{id}/marks/reason",
          "/selections/{id}/marks/interest",
          "/selections/{id}/contenders/{slug}/opinion",
          "/selections/{id}/contenders/{slug}/looked",
          "/selections/{id}/marks/pairs",
          "/selections/{id}/marks/pairs/take",
          "/selections/{id}/hand-in",
          "/selections/{id}/remarks",
          "/selections/{id}/proofs",
          "/selections/{id}/proofs/drop",
          "/selections/{id}/trials/result",
          "/selections/{id}/remarks/{remark}/close",
          "/selections/{id}/decision/sign",
          "/selections/{id}/decision/object",
          "/selections/{id}/decision/holds");
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;

  @Autowired
  @org.springframework.beans.factory.annotation.Qualifier("requestMappingHandlerMapping")
  private RequestMappingHandlerMapping routes;

  private record Route(HttpMethod method, String pattern) {
    MockHttpServletRequestBuilder request() {
      String path =
          pattern
              .replace("{id}", "987654")
              .replace("{slug}", "no-such-tool")
              .replace("{act}", "1")
              .replace("{remark}", "1")
              .replace("{proof}", "1")
              .replace("{change}", "no-such-change")
              .replaceAll("\\{step:([a-z]+)[^}]*}", "$1");
      return MockMvcRequestBuilders.request(method, path).with(csrf());
    }
  }

  private List<Route> routes() {
    List<Route> all =
        routes.getHandlerMethods().keySet().stream()
            .flatMap((RequestMappingInfo info) ->
                info.getPatternValues().stream()
                    .flatMap(pattern ->
                        info.getMethodsCondition().getMethods().stream()
                            .map(m -> new Route(m.asHttpMethod(), pattern))))
            .distinct()
            .filter(route -> !OPEN.contains(route.pattern()))
            .toList();
    assertTrue(all.size() > 30, "only " + all.size() + " routes found");
    return all;
  }

  private MockHttpServletResponse answer(MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(request).andReturn().getResponse();
  }

  @Test
  public void strangersAreSentToSignInOrToldThatNobodyIs() throws Exception {
    for (Route route : routes()) {
      MockHttpServletResponse answer = answer(route.request());
      if (!route.method().equals(HttpMethod.GET)) {
        assertEquals(answer.getStatus(), 401, route.toString());
        assertEquals(answer.getForwardedUrl(), "/signed-out", route.toString());
        continue;
      }
      assertEquals(answer.getStatus(), 302, route.toString());
      assertTrue(String.valueOf(answer.getRedirectedUrl()).endsWith("/sign-in"), route.toString());
    }
  }

  @Test
  public void readersChangeNothing() throws Exception {
    var pia = user(people.loadUserByUsername("pia"));
    for (Route route : routes()) {
      if (!route.method().equals(HttpMethod.GET) && !FOR_ALL.contains(route.pattern())) {
        assertEquals(answer(route.request().with(pia)).getStatus(), 403, route.toString());
      }
    }
  }

  @Test
  public void membersWeighMarkAndSignOnly() throws Exception {
    var joren = user(people.loadUserByUsername("joren"));
    for (Route route : routes()) {
      if (!route.method().equals(HttpMethod.GET)) {
        int status = answer(route.request().with(joren)).getStatus();
        boolean refused = status == 403;
        assertEquals(
            refused,
            !FOR_MEMBERS.contains(route.pattern()) && !FOR_ALL.contains(route.pattern()),
            route + " gave " + status);
      }
    }
  }

  @Test
  public void organisersPagesAreClosedToOthers() throws Exception {
    for (String name : List.of("joren", "pia")) {
      for (String path :
          List.of(
              "/people",
              "/safekeeping",
              "/selections/new",
              "/selections/import",
              "/catalogue/new",
              "/catalogue/import",
              "/catalogue/slotmeer/edit")) {
        assertEquals(
            answer(MockMvcRequestBuilders.get(path).with(user(people.loadUserByUsername(name))))
                .getStatus(),
            403,
            path);
      }
    }
  }

  @Test
  public void whatIsNotNamedIsRefusedEvenToOrganisers() throws Exception {
    var ilse = user(people.loadUserByUsername("ilse"));
    for (String path : List.of("/actuator", "/h2-console", "/selections/1/anything", "/x")) {
      assertEquals(answer(MockMvcRequestBuilders.get(path).with(ilse)).getStatus(), 403, path);
    }
  }

  @Test
  public void formsWithoutTheTokenAreRefused() throws Exception {
    var ilse = user(people.loadUserByUsername("ilse"));
    assertEquals(
        answer(MockMvcRequestBuilders.post("/selections/new").with(ilse)).getStatus(), 403);
  }

  @Test
  public void pagesCarryAPolicyWithoutInlineScript() throws Exception {
    MockHttpServletResponse answer = answer(MockMvcRequestBuilders.get("/sign-in"));
    String policy = String.valueOf(answer.getHeader("Content-Security-Policy"));
    assertTrue(policy.contains("script-src 'self'"), policy);
    assertTrue(!policy.contains("unsafe"), policy);
  }
}
