package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.stream.LongStream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** A tool written down for a question comes to its table, where it can; it is kept in any case. */
@FreshStore
public class WrittenForATableTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private Catalogue catalogue;

  private MvcResult write(String name, String selection) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.post("/catalogue/new")
                .param("selection", selection)
                .param("name", name)
                .param("plans[0].name", "Works")
                .param("plans[0].currency", "EUR")
                .param("plans[0].source.asOf", "24 Nov 2026")
                .param("lines[0].name", "Seats")
                .param("lines[0].cells[0].prices[m1]", "5")
                .with(csrf())
                .with(user(people.loadUserByUsername("ilse"))))
        .andReturn();
  }

  private List<String> table(long selection) {
    return selections.load(selection).file().contenders().stream()
        .map(part -> part.tool().id())
        .toList();
  }

  private boolean isKept(String slug) {
    return catalogue.all().stream().anyMatch(stored -> stored.sheet().id().equals(slug));
  }

  @Test
  public void itIsBroughtAndCanBeTakenOff() throws Exception {
    MvcResult answer = write("Curlew", "1");
    assertEquals(answer.getResponse().getRedirectedUrl(), "/selections/1/contenders");
    assertEquals(((ToolSheet) answer.getFlashMap().get("brought")).id(), "curlew");
    assertTrue(table(1).contains("curlew"));
    mvc.perform(
        MockMvcRequestBuilders.post("/selections/1/contenders/curlew/remove")
            .with(csrf())
            .with(user(people.loadUserByUsername("ilse"))));
    assertFalse(table(1).contains("curlew"));
    assertTrue(isKept("curlew"));
  }

  @Test
  public void whatIsDecidedTakesNobodyMore() throws Exception {
    long decided =
        LongStream.rangeClosed(1, 9)
            .filter(id -> selections.load(id).decided())
            .findFirst()
            .orElseThrow();
    List<String> before = table(decided);
    MvcResult answer = write("Godwit", "" + decided);
    assertEquals(answer.getResponse().getRedirectedUrl(), "/selections/" + decided + "/contenders");
    assertTrue(
        String.valueOf(answer.getFlashMap().get("notBrought")).contains("is decided"),
        answer.getFlashMap().toString());
    assertEquals(table(decided), before);
    assertTrue(isKept("godwit"));
  }

  @Test
  public void whereThereIsNoTableItIsKept() throws Exception {
    assertEquals(write("Knot", "999999").getResponse().getRedirectedUrl(), "/catalogue/knot");
    assertEquals(write("Ruff", "x/../y").getResponse().getRedirectedUrl(), "/catalogue/ruff");
  }
}
