package tertulia.app.standin;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Made-up announcements of the makers in the demonstration, shipped with the product. */
@Component
@ConditionalOnProperty(name = "tertulia.simulated", havingValue = "true")
class SimulatedFeed implements MakersFeed {
  private final List<Announcement> announcements = new ArrayList<>();

  SimulatedFeed() {
    Map<String, List<List<String>>> byId = new LinkedHashMap<>();
    Simulation.lines("feed.csv", 10)
        .forEach(line -> byId.computeIfAbsent(line.get(0), id -> new ArrayList<>()).add(line));
    byId.forEach((id, lines) -> announcements.add(announcement(id, lines)));
  }

  private static Announcement announcement(String id, List<List<String>> lines) {
    List<String> first = lines.getFirst();
    return new Announcement(
        id,
        first.get(1),
        LocalDate.parse(first.get(2)),
        LocalDate.parse(first.get(3)),
        first.get(4),
        lines.stream()
            .map(line ->
                new Edit(
                    line.get(5),
                    line.get(6),
                    line.get(7),
                    line.get(8),
                    line.get(9).isEmpty() ? null : line.get(9)))
            .toList());
  }

  @Override
  public String source() {
    return "simulated feed, made up";
  }

  @Override
  public List<Announcement> announced(LocalDate day) {
    return announcements.stream().filter(a -> !a.on().isAfter(day)).toList();
  }
}
