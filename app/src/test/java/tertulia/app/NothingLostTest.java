package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.Results;
import tertulia.app.handover.Intake;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Views;
import tertulia.app.web.RetryOnConflict;

/** Whatever comes in is answered in a sentence, and nothing typed is lost. */
@FreshStore
public class NothingLostTest extends ServedTest {
  private static final String[] STEPS = {
    "need", "contenders", "fit", "cost", "weights", "marks", "decision", "plans", "versus"
  };
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Intake intake;
  @Autowired private Selections selections;
  @Autowired private Views views;
  @Autowired private Catalogue catalogue;

  private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private MockHttpServletResponse get(String path) throws Exception {
    return send(MockMvcRequestBuilders.get(java.net.URI.create(path)));
  }

  @DataProvider
  public Object[][] oddAddresses() {
    return new Object[][] {
      {
        "/selections/1/why?figure=needcost&contender=gangway-ledger"
            + "&capability=two-way-calendar-link",
        404
      },
      {"/selections/1/why?figure=month&contender=slotmeer&of=-1", 404},
      {"/selections/1/why?figure=year&contender=slotmeer&of=9", 404},
      {"/selections/1/why?figure=room&contender=slotmeer&measure=bookings", 404},
      {"/selections/1/why?figure=planmore&contender=slotmeer&plan=crew&than=none", 404},
      {"/selections/1/cost?people=-1", 200},
      {"/selections/1/cost?people=0", 200},
      {"/selections/1/cost?month=-1", 200},
      {"/selections/1/fit?asof=%2B999999999-01-01", 200},
      {"/catalogue/slotmeer/compare/why?page=2026-11-12&people=-4&option=Crew", 404},
      {"/catalogue/slotmeer/compare/effect?page=2026-11-12&selection=3", 404},
      {"/price-changes/slotmeer-2027/why?selection=2", 404},
      {"/proposals/tool?slug=nothing", 404},
    };
  }

  @Test(dataProvider = "oddAddresses")
  public void anAddressThatDoesNotFitIsAnsweredInASentence(String path, int status)
      throws Exception {
    MockHttpServletResponse answer = get(path);
    assertEquals(answer.getStatus(), status, path);
    assertFalse(answer.getContentAsString().contains("Exception"), path);
  }

  @Test
  public void nobodyAtAllAndEndlessPeopleHaveTheirPages() throws Exception {
    String text = Demo.text();
    for (String[] change :
        new String[][] {
          {"\"start\": 24", "\"start\": 0"},
          {"\"start\": 8", "\"start\": 0"},
          {"\"start\": 22", "\"start\": 0"}
        }) {
      assertTrue(text.contains(change[0]), change[0]);
      text = text.replace(change[0], change[1]);
    }
    long id = taken(text);
    for (String step : STEPS) {
      assertEquals(get("/selections/" + id + "/" + step).getStatus(), 200, step);
    }
    assertEquals(get("/selections/" + id + "/cost.xlsx").getStatus(), 200);
  }

  private long taken(String text) {
    return intake.take(
        ((PortableFile.Read.Accepted) PortableFile.read(text.getBytes(StandardCharsets.UTF_8)))
            .file(),
        "Ilse Maren");
  }

  @Test
  public void amountsBeyondWhatCanBeCountedAreNotKnownAndEverythingElseIs() throws Exception {
    String text =
        Demo.text()
            .replace("\"price\": \"7.20\"", "\"price\": \"1000000000\"")
            .replace("\"price\": \"8.60\"", "\"price\": \"1000000000\"")
            .replace("\"priceRisePercent\": \"3\"", "\"priceRisePercent\": \"1000\"")
            .replaceFirst("\"months\": 36", "\"months\": 120")
            .replace("\"price\": \"13.60\"", "\"price\": \"1000000000\"");
    PortableFile.Read read = PortableFile.read(text.getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    String results = Json.write(Results.of(((PortableFile.Read.Accepted) read).selection()));
    assertTrue(results.contains("too large to count"), results);
    long id = taken(text);
    for (String step : STEPS) {
      assertEquals(get("/selections/" + id + "/" + step).getStatus(), 200, step);
    }
  }

  @Test
  public void growthThatLeadsNowhereIsRefusedWhereItIsTyped() {
    String text =
        Demo.text()
            .replaceFirst("\"percentPerYear\": \"[0-9.]+\"", "\"percentPerYear\": \"100000\"");
    assertFalse(text.equals(Demo.text()));
    PortableFile.Read read = PortableFile.read(text.getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Refused, "refused");
  }

  @Test
  public void aFormWithFieldsNobodyMadeIsRefusedInASentenceAndInLittleSpace() throws Exception {
    for (String[] field :
        new String[][] {
          {"/catalogue/new", "plans[2000].name"},
          {"/catalogue/new", "plans[300].name"},
          {"/catalogue/new", "lines[399].cells[300].prices[m1]"},
          {"/catalogue/check", "facts[390].capability"},
          {"/selections/1/need", "needs[2000].capability"},
          {"/selections/1/criteria", "criteria[5000].name"},
          {"/growth", "groups[99999].name"}
        }) {
      MockHttpServletResponse answer =
          send(MockMvcRequestBuilders.post(field[0]).param(field[1], "x"));
      assertTrue(
          answer.getStatus() >= 400 && answer.getStatus() < 500,
          field[1] + ": " + answer.getStatus());
      assertTrue(answer.getContentAsByteArray().length < 300_000, field[1]);
    }
    String many =
        send(MockMvcRequestBuilders.post("/catalogue/new").param("plans[300].name", "x"))
            .getContentAsString();
    assertTrue(many.contains("A price page has at most 40 plans; this one has 301."), many);
  }

  @Test
  public void namesInAnyScriptHaveAddressesAndStayApart() throws Exception {
    List<String> slugs = new ArrayList<>();
    for (String name :
        List.of("Календарь", "Календари", "日程表", "Größe", "Ångström", "New", "Import", "łódź")) {
      MockHttpServletResponse answer =
          send(
              MockMvcRequestBuilders.post("/catalogue/new")
                  .param("name", name)
                  .param("plans[0].name", "План")
                  .param("plans[0].currency", "EUR")
                  .param("plans[0].source.asOf", "2026-01-10")
                  .param("lines[0].name", "Seats")
                  .param("lines[0].cells[0].prices[m1]", "5")
                  .param("facts[0].capability", "Обмен")
                  .param("facts[0].answers[0].answer", "yes")
                  .param("asked", "true"));
      assertEquals(answer.getStatus(), 302, name + answer.getContentAsString());
      String address = answer.getRedirectedUrl();
      assertTrue(address.matches("/catalogue/[a-z0-9-]+"), address);
      assertEquals(get(address).getStatus(), 200);
      assertTrue(get(address).getContentAsString(StandardCharsets.UTF_8).contains(name));
      slugs.add(address);
    }
    assertEquals(slugs.stream().distinct().count(), 8L);
    assertEquals(Codes.slug("Größe"), "grosse");
    assertEquals(Codes.slug("łódź"), "lodz");
    assertFalse(Codes.slug("a".repeat(70) + "x").equals(Codes.slug("a".repeat(70) + "y")));
    String slug = slugs.getFirst().substring("/catalogue/".length());
    selections.addContender(1, slug, "Ilse Maren");
    for (String step : STEPS) {
      assertEquals(get("/selections/1/" + step).getStatus(), 200, step);
    }
    selections.removeContender(1, slug, "Ilse Maren");
  }

  @Test
  public void withoutASessionASaveSaysSoAndAsksForNoPageOfAnother() throws Exception {
    MockHttpServletResponse plain =
        mvc.perform(MockMvcRequestBuilders.post("/selections/1/need").param("title", "x"))
            .andReturn()
            .getResponse();
    assertEquals(plain.getForwardedUrl(), "/signed-out");
    MockHttpServletResponse part =
        mvc.perform(MockMvcRequestBuilders.get("/selections/1/cost").header("HX-Request", "true"))
            .andReturn()
            .getResponse();
    assertEquals(part.getForwardedUrl(), "/signed-out");
    MockHttpServletResponse page =
        mvc.perform(MockMvcRequestBuilders.get("/selections/1/cost")).andReturn().getResponse();
    assertEquals(page.getStatus(), 302);
    assertEquals(page.getRedirectedUrl(), "/sign-in");
    MockHttpServletResponse session =
        mvc.perform(MockMvcRequestBuilders.get("/session")).andReturn().getResponse();
    assertEquals(session.getContentAsString(), "{\"signedIn\":false}");
    assertNull(session.getCookie("JSESSIONID"));
    String signedIn = get("/session").getContentAsString();
    assertTrue(signedIn.contains("\"signedIn\":true") && signedIn.contains("token"), signedIn);
  }

  /** Asked before a form is sent; whatever is asked, there is an answer. */
  @Test
  public void whetherAFormMayBeSentIsSaidBefore() throws Exception {
    assertEquals(maySend("ilse", "/catalogue/new"), "true");
    assertEquals(maySend("joren", "/catalogue/new"), "false");
    assertEquals(maySend("joren", "/selections/1/remarks"), "true");
    assertEquals(maySend("pia", "/selections/1/remarks"), "false");
    assertEquals(maySend("pia", "/sign-out"), "true");
    assertEquals(maySend("ilse", "/nowhere"), "false");
    for (String odd :
        List.of(
            "",
            "x",
            "//",
            "/%",
            "/%zz",
            "/;a=b",
            "/a\n",
            "http://elsewhere/",
            "/" + "a".repeat(5_000))) {
      assertEquals(maySend("pia", odd), "true", "that will be said when it is sent: " + odd);
    }
  }

  private String maySend(String name, String to) throws Exception {
    MockHttpServletResponse answer =
        mvc.perform(
                MockMvcRequestBuilders.get("/session")
                    .param("to", to)
                    .with(
                        org.springframework.security.test.web.servlet.request
                            .SecurityMockMvcRequestPostProcessors.user(
                            people.loadUserByUsername(name))))
            .andReturn()
            .getResponse();
    assertEquals(answer.getStatus(), 200, to);
    return answer.getContentAsString().replaceAll(".*\"allowed\":(\\w+).*", "$1");
  }

  /** Nobody sits yet: all of them would take the seat and put the first mark down. */
  @Test
  public void firstMarksAtTheSameMomentAreAllKept() throws Exception {
    long id = taken(Demo.text());
    SignedIn odile = people.loadUserByUsername("odile");
    List<String> contenders =
        selections.load(id).selection().active().stream().map(c -> c.id()).toList();
    CyclicBarrier start = new CyclicBarrier(contenders.size());
    List<Callable<Boolean>> marks = new ArrayList<>();
    for (String contender : contenders) {
      marks.add(() -> {
        start.await();
        RetryOnConflict.until(() -> views.mark(id, odile, "ease", contender, "7"));
        return true;
      });
    }
    ExecutorService all = Executors.newFixedThreadPool(marks.size());
    try {
      for (Future<Boolean> mark : all.invokeAll(marks)) {
        assertTrue(mark.get());
      }
    } finally {
      all.shutdown();
    }
    var table = selections.load(id);
    assertEquals(table.member(odile).orElseThrow().marks().get("ease").size(), contenders.size());
    Brief brief = table.file().brief();
    assertEquals(brief.title(), "Which booking tool for the freight desk?");
    assertFalse(catalogue.all().isEmpty());
  }
}
