package tertulia.app.standin;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tertulia.core.money.ExchangeRate;

/** Where nothing outside is connected: everything comes by file or by hand. */
@Configuration
@ConditionalOnProperty(name = "tertulia.simulated", havingValue = "false", matchIfMissing = true)
class Unconnected {
  @Bean
  MakersFeed noFeed() {
    return new MakersFeed() {
      @Override
      public List<Announcement> announced(LocalDate day) {
        return List.of();
      }

      @Override
      public String source() {
        return "";
      }
    };
  }

  @Bean
  RatesOfExchange noRates() {
    return new RatesOfExchange() {
      @Override
      public List<ExchangeRate> published(LocalDate day) {
        return List.of();
      }

      @Override
      public String source() {
        return "";
      }
    };
  }

  @Bean
  StaffDirectory noStaff() {
    return new StaffDirectory() {
      @Override
      public List<Count> countedBefore(YearMonth month) {
        return List.of();
      }

      @Override
      public String source() {
        return "";
      }
    };
  }
}
