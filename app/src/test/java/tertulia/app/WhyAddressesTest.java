package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.people.UserAccounts;

/** "Why" is answered, or there is no such figure; whatever else stands in an address. */
public class WhyAddressesTest extends ServedTest {
  private static final List<String> FIGURES =
      List.of(
          "headcount",
          "units",
          "steady",
          "horizon",
          "way",
          "month",
          "old-tool",
          "running",
          "head",
          "year",
          "time",
          "full",
          "remedies",
          "staff",
          "past",
          "idle",
          "dearer",
          "needcost",
          "needcostall",
          "planalone",
          "planmore",
          "room",
          "plans",
          "weight",
          "value",
          "total",
          "wins",
          "winner",
          "none-of-ours");
  private static final List<String> OF_FIRMNESS =
      List.of(
          "room",
          "upset",
          "first",
          "size",
          "discount",
          "mark",
          "weight",
          "must",
          "swing",
          "answer",
          "scene",
          "step",
          "none-of-ours");

  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;

  private MockHttpServletResponse get(String path) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get(path).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  @Test
  public void noAddressMeetsAFaultOfOurs() throws Exception {
    List<String> addresses = new ArrayList<>();
    for (long id : new long[] {1, 3}) {
      String at = "/selections/" + id;
      for (String figure : FIGURES) {
        for (String more :
            List.of(
                "",
                "&contender=",
                "&contender=nobody",
                "&contender=slotmeer",
                "&contender=slotmeer&of=-1",
                "&contender=slotmeer&of=999999999",
                "&contender=slotmeer&of=x&criterion=none&measure=none&capability=none&plan=none",
                "&contender=slotmeer&plan=none&than=none&criterion=ease&of=nobody")) {
          addresses.add(at + "/why?figure=" + figure + more);
        }
      }
      for (String figure : OF_FIRMNESS) {
        for (String more :
            List.of(
                "",
                "&of=",
                "&of=nobody",
                "&of=slotmeer&of=nobody&of=&of=1",
                "&of=people&of=-1",
                "&of=people&of=0",
                "&of=people&of=999999999")) {
          addresses.add(at + "/firmness/why?figure=" + figure + more);
        }
      }
    }
    Set<String> wrong = new TreeSet<>();
    int answered = 0;
    for (String address : addresses) {
      int status;
      try {
        status = get(address).getStatus();
      } catch (Exception e) {
        status = 500;
      }
      answered += status == 200 ? 1 : 0;
      if (status != 200 && status != 404) {
        wrong.add(status + " " + address);
      }
    }
    assertEquals(String.join("\n", wrong), "");
    assertTrue(answered > 100, "only " + answered + " were answered");
  }

  @Test
  public void whatIsNotThereIsNamed() throws Exception {
    MockHttpServletResponse answer = get("/selections/1/why?figure=steady&contender=nobody");
    assertEquals(answer.getStatus(), 404);
    assertTrue(
        answer
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("There is no contender &quot;nobody&quot; in this selection."),
        answer.getContentAsString());
  }
}
