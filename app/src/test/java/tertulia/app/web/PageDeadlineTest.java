package tertulia.app.web;

import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.Duration;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;
import org.testng.annotations.Test;
import tertulia.app.ServedTest;
import tertulia.app.people.UserAccounts;

/** In a house of its own: what was asked before is kept, and takes no time. */
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:deadline;DB_CLOSE_DELAY=-1")
public class PageDeadlineTest extends ServedTest {
  private static final String NEW_QUESTION = "/selections/1/cost?people=173&growth=high";

  @Autowired private WebApplicationContext context;
  @Autowired private UserAccounts people;

  private MockMvc within(PageDeadline deadline) {
    return MockMvcBuilders.webAppContextSetup(context)
        .addFilters(deadline)
        .apply(springSecurity())
        .build();
  }

  @Test
  public void aPageThatTakesTooLongSaysWhatTookLong() throws Exception {
    var ilse = user(people.loadUserByUsername("ilse"));
    within(new PageDeadline(Duration.ZERO))
        .perform(get(NEW_QUESTION).with(ilse))
        .andExpect(status().isServiceUnavailable())
        .andExpect(content().string(containsString("takes longer than 0 seconds")))
        .andExpect(header().string("Refresh", "1"))
        .andExpect(content().string(containsString("So far it has come to ")))
        .andExpect(content().string(containsString("Fewer contenders")));
    within(new PageDeadline(Duration.ofDays(1)))
        .perform(get(NEW_QUESTION).with(ilse))
        .andExpect(status().isOk());
  }

  @Test
  public void aServerThatStopsWaitsForNoPage() throws Exception {
    PageDeadline deadline = new PageDeadline(Duration.ofDays(1));
    deadline.stop();
    within(deadline)
        .perform(
            get("/selections/1/cost?people=91&growth=low&terms=monthly")
                .with(user(people.loadUserByUsername("ilse"))))
        .andExpect(status().isServiceUnavailable())
        .andExpect(content().string(containsString("The server is being stopped")));
  }
}
