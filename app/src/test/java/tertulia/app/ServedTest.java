package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestExecutionListeners;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tertulia.app.people.UserAccounts;

/**
 * Base of tests against the whole application with the demonstration, on H2 in memory. What other
 * classes have changed in the store stands there, unless a class asks for a {@link FreshStore}.
 */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {
      "tertulia.demo=true",
      "tertulia.starts-at=2026-11-24T09:00:00Z",
      "spring.datasource.url=jdbc:h2:mem:served;DB_CLOSE_DELAY=-1",
      // a guess need not take long here, and hundreds sign in
      "tertulia.password-work=4",
      "spring.jpa.properties.hibernate.generate_statistics=true",
      "logging.level.org.hibernate.engine.internal.StatisticalLoggingSessionEventListener=off"
    })
@AutoConfigureMockMvc
@TestExecutionListeners(
    listeners = FreshStore.Keeper.class,
    mergeMode = TestExecutionListeners.MergeMode.MERGE_WITH_DEFAULTS)
public abstract class ServedTest extends AbstractTestNGSpringContextTests {
  /** What the form of a decision sends when every remark may stay open. */
  protected static final String WHATEVER_IS_OPEN =
      IntStream.rangeClosed(1, 300).mapToObj(String::valueOf).collect(Collectors.joining(","));

  @Autowired private MockMvc served;
  @Autowired private UserAccounts accounts;

  /** What the application answers somebody who is signed in, asked from one of its own pages. */
  protected final MockHttpServletResponse ask(
      String who, AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
    return served
        .perform(request.with(csrf()).with(user(accounts.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  /** The same for a form; each name is followed by its value. */
  protected final MockHttpServletResponse sendForm(String who, String path, String... pairs)
      throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    for (int i = 0; i < pairs.length; i += 2) {
      request.param(pairs[i], pairs[i + 1]);
    }
    return ask(who, request);
  }
}
