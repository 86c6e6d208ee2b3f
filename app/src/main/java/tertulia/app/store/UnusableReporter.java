package tertulia.app.store;

import org.springframework.boot.SpringBootExceptionReporter;
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
    }
    return false;
  }
}
