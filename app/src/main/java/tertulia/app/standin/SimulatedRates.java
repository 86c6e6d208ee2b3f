package tertulia.app.standin;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import tertulia.core.money.ExchangeRate;

/** Made-up rates, shipped with the product. */
@Component
@ConditionalOnProperty(name = "tertulia.simulated", havingValue = "true")
class SimulatedRates implements RatesOfExchange {
  private final List<ExchangeRate> rates;

  SimulatedRates() {
    this.rates = Simulation.lines("rates.csv", 4).stream().map(this::rate).toList();
  }

  private ExchangeRate rate(List<String> line) {
    return new ExchangeRate(
        CurrencyUnit.of(line.get(1)),
        CurrencyUnit.of(line.get(2)),
        new BigDecimal(line.get(3)),
        LocalDate.parse(line.get(0)),
        source());
  }

  @Override
  public List<ExchangeRate> published(LocalDate day) {
    return rates.stream().filter(rate -> !rate.on().isAfter(day)).toList();
  }

  @Override
  public String source() {
    return "simulated rates, made up";
  }
}
