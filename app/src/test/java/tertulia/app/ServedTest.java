package tertulia.app;

import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.context.TestExecutionListeners;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;

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
}
