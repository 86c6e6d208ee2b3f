package tertulia.app;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.data.jpa.repository.config.EnableJpaRepositories;
import org.springframework.data.repository.config.BootstrapMode;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.servlet.resource.ResourceUrlEncodingFilter;

/** The beans that are not found by themselves. */
@Configuration
@EnableJpaRepositories(considerNestedRepositories = true, bootstrapMode = BootstrapMode.DEFERRED)
class Wiring {
  /**
   * The clock. The demonstration starts on a fixed day so that its story, and the age of its facts,
   * are the same whenever it is opened.
   */
  @Bean
  Clock clock(@Value("${tertulia.starts-at:}") String startsAt) {
    Clock now = Clock.systemDefaultZone();
    return startsAt.isEmpty()
        ? now
        : Clock.offset(now, Duration.between(now.instant(), Instant.parse(startsAt)));
  }

  /**
   * How passwords are kept.
   *
   * @param work how long a guess takes: twice as long for each one more, 4 to 31
   */
  @Bean
  PasswordEncoder passwordEncoder(@Value("${tertulia.password-work:10}") int work) {
    String id = "bcrypt";
    return new DelegatingPasswordEncoder(id, Map.of(id, new BCryptPasswordEncoder(work)));
  }

  /**
   * Links are not looked up as files of the class path: none carries a version in its name, and the
   * look-up took a third of the time of a page.
   */
  @Bean
  FilterRegistrationBean<ResourceUrlEncodingFilter> linksAsTheyAre() {
    FilterRegistrationBean<ResourceUrlEncodingFilter> none =
        new FilterRegistrationBean<>(new ResourceUrlEncodingFilter());
    none.setEnabled(false);
    return none;
  }
}
