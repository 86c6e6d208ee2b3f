package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.PortableFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.trial.Trials;

/** Trying by hand, from the list of tasks to what it says of a fact. */
@FreshStore
public class TriedByHandTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private Catalogue catalogue;
  @Autowired private Intake intake;

  private String answer(String who, MockHttpServletRequestBuilder request, int status)
      throws Exception {
    MockHttpServletResponse answer =
        mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
            .andReturn()
            .getResponse();
    assertEquals(answer.getStatus(), status, answer.getContentAsString());
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private String page(String who, String path) throws Exception {
    return answer(who, MockMvcRequestBuilders.get(path), 200);
  }

  private String post(String who, int status, String path, String... parameters) throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/1/trials/" + path);
    for (int i = 0; i < parameters.length; i += 2) {
      request.param(parameters[i], parameters[i + 1]);
    }
    return answer(who, request, status);
  }

  private Trials trials() {
    return selections.load(1).selection().trials();
  }

  @Test
  public void theDemonstrationSaysHowFarItIs() throws Exception {
    String page = page("pia", "/selections/1/trials");
    assertTrue(page.contains("Slotmeer: 3 of 4 tasks done, 1 not. The trial ended 16 days ago."));
    assertTrue(
        page.contains(
            "Halvard Desk: 3 of 4 tasks done, 1 with mixed results; median 9.5 minutes a task. The"
                + " trial ended 2 days ago."));
    assertTrue(
        page.contains(
            "Quaymate: 1 of 4 tasks done, 1 not, 2 not tried. The trial ends in 12 days."));
    assertTrue(page.contains("Pierbook and Tollen Suite are not tried."));
    assertFalse(page.contains("Put it on the list"), "a reader reads");
    assertTrue(
        page("joren", "/selections").contains("try Quaymate, 4 tasks, 12 days left"),
        "who tries it is asked on the first page");
    assertFalse(page("ilse", "/selections").contains("try Quaymate"));
    assertTrue(page("ilse", "/selections/1/marks").contains("Maud Verlinde: not done"));
  }

  @Test(dependsOnMethods = "theDemonstrationSaysHowFarItIs")
  public void tasksAreTakenFromMustsAndFromWhatIsMarked() throws Exception {
    assertTrue(page("ilse", "/selections/1/trials").contains("Freight slots by vehicle length"));
    for (int i = 0; i < 2; i++) {
      post("ilse", 302, "task", "from", "need/freight-slots-by-vehicle-length");
      post("ilse", 302, "task", "words", "Print the loading list");
      post("ilse", 302, "task", "words", "print the loading list ");
    }
    assertEquals(trials().tasks().size(), 6, "each once");
    String tooLong = post("ilse", 422, "task", "words", "kept " + "x".repeat(200));
    assertTrue(tooLong.contains("at most 200 fit"), tooLong);
    assertTrue(tooLong.contains("kept xxx"), "what was typed stays");
    post("ilse", 302, "task/drop", "task", "print-the-loading-list");
    assertEquals(trials().tasks().size(), 5);
    String tried = post("ilse", 422, "task/drop", "task", "saturday-call");
    assertTrue(tried.contains("Somebody has tried this already. Take the results back first"));
    post("joren", 403, "task", "words", "Anything");
  }

  @Test(dependsOnMethods = "tasksAreTakenFromMustsAndFromWhatIsMarked")
  public void aTrialIsBegunAndChanged() throws Exception {
    String[] pierbook = {
      "contender",
      "pierbook",
      "plan",
      "jetty",
      "first",
      "2026-11-24",
      "last",
      "2026-11-20",
      "terms",
      "kept terms",
      "people",
      "Odile Brannock",
      "read",
      ""
    };
    String refused = post("ilse", 422, "plan", pierbook);
    assertTrue(
        refused.contains(
            "The trial ends on 2026-11-20 and begins on 2026-11-24. Swap the two days."));
    assertTrue(refused.contains("kept terms"), "what was typed stays");
    assertTrue(trials().of("pierbook").isEmpty());
    pierbook[7] = "2026-12-24";
    post("ilse", 302, "plan", pierbook);
    post("ilse", 302, "plan", pierbook);
    assertEquals(trials().of("pierbook").orElseThrow().people().toString(), "[Odile Brannock]");
    assertTrue(page("odile", "/selections").contains("try Pierbook, 5 tasks, 30 days left"));
    // somebody else has planned it since: both are seen, and one chooses
    pierbook[7] = "";
    String other = post("ilse", 422, "plan", pierbook);
    assertTrue(
        other.contains(
            "Somebody changed this trial after you opened this page. It is now: Jetty,"
                + " until 24 Dec 2026, by Odile Brannock, from 24 Nov 2026, on these terms: kept"
                + " terms. Save what you typed in its place, or open the page again to keep it."),
        other);
    pierbook[13] =
        Jsoup.parse(other).select("form.trialform:has([value=pierbook]) [name=read]").val();
    post("ilse", 302, "plan", pierbook);
    post("ilse", 302, "plan", pierbook);
    assertTrue(page("odile", "/selections/1/trials").contains("Jetty, no end, by Odile Brannock"));
    post("ilse", 404, "plan", "contender", "no-such-tool", "first", "2026-11-24");
  }

  @Test(dependsOnMethods = "aTrialIsBegunAndChanged")
  public void howItWentIsKeptOncePerPersonAndTakenBack() throws Exception {
    String[] result = {
      "task",
      "two-way-calendar-link",
      "contender",
      "pierbook",
      "outcome",
      "done",
      "minutes",
      "soon",
      "note",
      "It went over and back."
    };
    String refused = post("odile", 422, "result", result);
    assertTrue(refused.contains("soon"), refused);
    assertTrue(refused.contains("It went over and back."), "what was typed stays");
    result[7] = "12";
    String kept = post("odile", 200, "result", result);
    assertTrue(kept.contains("done, 12 min"), kept);
    result[7] = "11";
    post("odile", 200, "result", result);
    assertEquals(trials().of("pierbook").orElseThrow().results().size(), 1);
    assertTrue(
        post("odile", 422, "result", "task", "saturday-call", "contender", "pierbook", "note", "x")
            .contains("Say first whether it was done."));
    post("pia", 403, "result", result);
    post("odile", 404, "result", "task", "none", "contender", "pierbook", "outcome", "done");
    post(
        "odile",
        404,
        "result",
        "task",
        "saturday-call",
        "contender",
        "tollen-suite",
        "outcome",
        "done");
    assertTrue(
        page("odile", "/selections/1/trials/result?task=two-way-calendar-link&contender=pierbook")
            .contains("It went over and back."));
    String trail = page("ilse", "/selections/1/changes");
    for (String told :
        new String[] {
          "Trial of Pierbook: from 24 Nov 2026 to 24 Dec 2026",
          "Trial of Pierbook: from 24 Nov 2026<",
          "Pierbook, tried by Odile Brannock: Move a booking in the calendar and see it move in the tool: done, 12 min<",
          "Pierbook, tried by Odile Brannock: Move a booking in the calendar and see it move in the tool: done, 12 min → done, 11 min"
        }) {
      assertTrue(trail.contains(told), told);
    }
  }

  @Test(dependsOnMethods = "howItWentIsKeptOncePerPersonAndTakenBack")
  public void whatItShowsGoesOnThePricePageWithOneClick() throws Exception {
    String before = page("ilse", "/selections/1/trials");
    assertTrue(
        before.contains(
            "The price page says that Team of Quaymate has “Two-way calendar link”. Odile Brannock"
                + " could not do it on 20 Nov 2026."));
    assertTrue(
        before.contains(
            "It is not confirmed whether Jetty of Pierbook has “Two-way calendar link”. Odile"
                + " Brannock did it on 24 Nov 2026."));
    String[] fact = {"task", "two-way-calendar-link", "contender", "pierbook"};
    post("odile", 403, "fact", fact);
    post("ilse", 302, "fact", fact);
    assertFalse(page("ilse", "/selections/1/trials").contains("whether Jetty of Pierbook"));
    post("ilse", 404, "fact", fact);
    assertEquals(
        catalogue.get("pierbook").sheet().plans().getFirst().facts().stream()
            .filter(f -> f.capability().equals("Two-way calendar link"))
            .map(f -> f.answer() + " " + f.source().ground() + " " + f.source().who())
            .toList()
            .toString(),
        "[yes tried-by-hand Odile Brannock]");
    assertEquals(
        catalogue.get("pierbook").sheet().plans().get(1).facts().stream()
            .filter(f -> f.capability().equals("Two-way calendar link"))
            .count(),
        1,
        "other plans keep theirs");
  }

  @Test(dependsOnMethods = "whatItShowsGoesOnThePricePageWithOneClick")
  public void itGoesAlongInTheFile() throws Exception {
    String file = page("ilse", "/selections/1/file");
    PortableFile.Read read = PortableFile.read(file.getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    long again = intake.take(((PortableFile.Read.Accepted) read).file(), "Ilse Maren");
    assertEquals(selections.load(again).selection().trials().toString(), trials().toString());
    for (String wrong :
        new String[] {
          file.replace("\"outcome\" : \"not-done\"", "\"outcome\" : \"perhaps\""),
          file.replace("\"from\" : \"criterion/help\"", "\"from\" : \"lunch/help\""),
          file.replace("\"task\" : \"saturday-call\"", "\"task\" : \"sunday-call\"")
        }) {
      assertFalse(wrong.equals(file));
      assertTrue(
          PortableFile.read(wrong.getBytes(StandardCharsets.UTF_8))
                  instanceof PortableFile.Read.Refused refused
              && refused.faults().toString().contains("/trials/"));
    }
  }
}
