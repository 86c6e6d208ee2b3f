package tertulia.app.store;

import org.springframework.boot.SpringBootExceptionReporter;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ConfigurableApplicationContext;

/** Says in one sentence why the server does not start, instead of a hundred lines of log. */
final class UnusableReporter implements SpringBootExceptionReporter {
  UnusableReporter(ConfigurableApplicationContext context) {}

  @Override
  public boolean reportException(Throwable failure) {
    for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
      if (cause instanceof Unusable unusable) {
        System.err.println(unusable.sentence());
        return true;
      }
      if (cause instanceof PortInUseException taken) {
        System.err.println(
            "Port "
                + taken.getPort()
                + " is in use: something else listens there, perhaps another Tertulia. Stop that, or"
                + " start this one with --port 8081.");
        return true;
      }
    }
    return false;
  }
}
