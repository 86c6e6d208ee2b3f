package tertulia.app.standin;

import java.time.YearMonth;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Made-up headcounts of the demonstration, shipped with the product. */
@Component
@ConditionalOnProperty(name = "tertulia.simulated", havingValue = "true")
class SimulatedStaff implements StaffDirectory {
  private final List<Count> counts;

  SimulatedStaff() {
    this.counts =
        Simulation.lines("staff.csv", 3).stream()
            .map(line ->
                new Count(line.get(0), YearMonth.parse(line.get(1)), Integer.parseInt(line.get(2))))
            .toList();
  }

  @Override
  public List<Count> countedBefore(YearMonth month) {
    return counts.stream().filter(count -> count.month().isBefore(month)).toList();
  }

  @Override
  public String source() {
    return "simulated staff directory, made up";
  }
}
