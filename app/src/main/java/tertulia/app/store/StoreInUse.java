package tertulia.app.store;

import java.nio.channels.FileChannel;
import java.util.Optional;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.MapPropertySource;

/** Looks at the data before anything else is started, and keeps them for this process. */
public final class StoreInUse
    implements ApplicationContextInitializer<ConfigurableApplicationContext> {
  private static final String URL = "spring.datasource.url";

  @Override
  public void initialize(ConfigurableApplicationContext context) {
    Optional<Store> store =
        Optional.ofNullable(context.getEnvironment().getProperty(URL)).flatMap(Store::at);
    store.ifPresent(found -> {
      FileChannel lock = Start.of(found);
      context
          .getEnvironment()
          .getPropertySources()
          .addFirst(new MapPropertySource("store", java.util.Map.of(URL, found.url())));
      context.getBeanFactory().registerSingleton("store", found);
      context.getBeanFactory().registerSingleton("storeLock", lock);
    });
  }
}
