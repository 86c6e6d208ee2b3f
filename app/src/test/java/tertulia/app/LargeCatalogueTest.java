package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import jakarta.persistence.EntityManagerFactory;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.catalogue.Imports;
import tertulia.app.people.UserAccounts;

/** Finding one's way among 500 tools and 2,000 plans. */
@TestPropertySource(
    properties = {
      "tertulia.demo=false",
      "spring.datasource.url=jdbc:h2:mem:files;DB_CLOSE_DELAY=-1"
    })
public class LargeCatalogueTest extends ServedTest {
  private static final int TOOLS = 500;
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Imports imports;
  @Autowired private Catalogue catalogue;
  @Autowired private EntityManagerFactory factory;
  @Autowired private JdbcTemplate jdbc;

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void filled() {
    CatalogueFilesTest.empty(jdbc, people);
    List<String> rows = new ArrayList<>();
    rows.add("line,tool,maker,plan,name,term,value,currency,areas,as of");
    for (int t = 0; t < TOOLS; t++) {
      String tool = "Tool " + t + ",Maker " + t % 40;
      rows.add("tool," + tool + ",,,,,,area " + t % 5 + ",");
      for (int p = 0; p < 4; p++) {
        rows.add("plan," + tool + ",Plan " + p + ",,,,EUR,,2026-11-20");
        rows.add("price," + tool + ",Plan " + p + ",Seats,m1," + (4 + p) + ",,,");
      }
    }
    imports.take(String.join("\n", rows).getBytes(StandardCharsets.UTF_8), "Ilse Maren");
    assertEquals(catalogue.all().size(), TOOLS);
  }

  private String page(String path) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get(path).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse()
        .getContentAsString(StandardCharsets.UTF_8);
  }

  private static int lines(String page) {
    return page.split("class=\"name\"", -1).length - 1;
  }

  @Test
  public void aPageOfTheListIsShownAndTheNextIsOneStepAway() throws Exception {
    String first = page("/catalogue?q=tool maker");
    assertEquals(lines(first), 50);
    assertTrue(first.contains("500 tools") && first.contains("1 to 50 shown"), first);
    assertTrue(first.contains("Those after") && !first.contains("Those before"));
    String last = page("/catalogue?q=tool maker&page=9");
    assertTrue(last.contains("451 to 500 shown"));
    assertTrue(!last.contains("Those after") && last.contains("Those before"));
  }

  @Test
  public void everyWordNarrowsTheList() throws Exception {
    assertTrue(page("/catalogue?q=Maker 7").contains("tools"));
    String one = page("/catalogue?q=tool 499");
    assertEquals(lines(one), 1);
    assertTrue(one.contains("1 tool<") && one.contains("Tool 499"));
    assertTrue(page("/catalogue?q=&area=area 3").contains("100 tools"));
    String none = page("/catalogue?q=nothing like it");
    assertTrue(none.contains("Nothing matches"));
    assertFalse(none.contains("No tools yet"));
  }

  @Test
  public void theListAsksTheStoreNoMoreForManyTools() throws Exception {
    page("/catalogue");
    Statistics statistics = factory.unwrap(SessionFactory.class).getStatistics();
    statistics.clear();
    page("/catalogue?q=tool");
    // who is signed in, the tools' versions, the days facts stay fresh
    assertTrue(
        statistics.getPrepareStatementCount() <= 4,
        statistics.getPrepareStatementCount() + " queries");
  }
}
