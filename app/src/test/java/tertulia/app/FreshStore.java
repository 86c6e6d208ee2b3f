package tertulia.app;

import static java.util.Objects.requireNonNull;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestContext;
import org.springframework.test.context.TestExecutionListener;
import org.springframework.test.util.ReflectionTestUtils;
import tertulia.app.catalogue.Catalogue;

/**
 * The store is as it was at the start before the first test of such a class, and again after its
 * last: the application goes on, as starting another one takes far longer.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
public @interface FreshStore {
  /** Keeps what was there at the start, and brings it back. */
  final class Keeper implements TestExecutionListener {
    private static final Map<DataSource, Path> AT_START = new HashMap<>();
    private static final Map<DataSource, Class<?>> USED_BY = new HashMap<>();
    private static final Set<Class<?>> OVER = new HashSet<>();

    @Override
    public void beforeTestClass(TestContext test) throws Exception {
      ApplicationContext application = test.getApplicationContext();
      DataSource source = application.getBean(DataSource.class);
      JdbcTemplate store = new JdbcTemplate(source);
      if (!AT_START.containsKey(source)) {
        Path kept = Files.createTempFile("tertulia-start", ".sql");
        kept.toFile().deleteOnExit();
        store.execute("SCRIPT TO '" + kept + "'");
        AT_START.put(source, kept);
      } else if (isFresh(test.getTestClass()) || isFresh(USED_BY.get(source))) {
        store.execute("DROP ALL OBJECTS");
        store.execute("RUNSCRIPT FROM '" + requireNonNull(AT_START.get(source)) + "'");
        forget(application);
      }
      Class<?> before = USED_BY.put(source, test.getTestClass());
      if (before != null) {
        OVER.add(before);
      }
    }

    private static boolean isFresh(@Nullable Class<?> test) {
      return test != null && test.isAnnotationPresent(FreshStore.class);
    }

    @Override
    public void beforeTestMethod(TestContext test) {
      if (OVER.contains(test.getTestClass())) {
        throw new IllegalStateException("another class has used its store meanwhile");
      }
    }

    /** What the application has read it would take for what is there. */
    private static void forget(ApplicationContext application) {
      Catalogue catalogue = application.getBean(Catalogue.class);
      ((Map<?, ?>) requireNonNull(ReflectionTestUtils.getField(catalogue, "read"))).clear();
      application
          .getBeanProvider(MovableClock.class)
          .ifAvailable(clock -> clock.moveTo(MovableClock.START));
    }
  }
}
