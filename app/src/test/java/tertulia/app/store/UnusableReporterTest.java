package tertulia.app.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.support.GenericApplicationContext;
import org.testng.annotations.Test;

/** What keeps a server from starting is one sentence. */
public class UnusableReporterTest {
  @Test
  public void aTakenPortIsOneSentence() {
    PrintStream plain = System.err;
    ByteArrayOutputStream said = new ByteArrayOutputStream();
    UnusableReporter reporter = new UnusableReporter(new GenericApplicationContext());
    try {
      System.setErr(new PrintStream(said, true, StandardCharsets.UTF_8));
      assertTrue(reporter.reportException(new IllegalStateException(new PortInUseException(8080))));
      assertFalse(reporter.reportException(new IllegalStateException("something else")));
    } finally {
      System.setErr(plain);
    }
    assertEquals(
        said.toString(StandardCharsets.UTF_8).strip(),
        "Port 8080 is in use: something else listens there, perhaps another Tertulia. Stop that, or"
            + " start this one with --port 8081.");
  }
}
