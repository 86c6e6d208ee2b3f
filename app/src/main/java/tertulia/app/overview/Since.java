package tertulia.app.overview;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.app.display.Dates;
import tertulia.app.trail.TrailEntry;

/**
 * What others did since somebody was here.
 *
 * @param day when that was
 * @param lines what each of them did; none: nothing changed
 * @param more how many acts are left out
 */
record Since(String day, List<String> lines, int more) {
  private static final int MOST = 4;

  static Since of(Instant before, List<TrailEntry> acts) {
    Map<String, List<String>> byPerson = new LinkedHashMap<>();
    int more = 0;
    int shown = 0;
    for (TrailEntry act : acts) {
      for (TrailEntry.Line what : act.what()) {
        if (shown < MOST) {
          byPerson.computeIfAbsent(act.who(), who -> new ArrayList<>()).add(what.text());
          shown++;
        } else {
          more++;
        }
      }
    }
    return new Since(
        Dates.day(before, ZoneId.systemDefault()),
        byPerson.entrySet().stream()
            .map(e -> e.getKey() + ": " + String.join("; ", e.getValue()) + ".")
            .toList(),
        more);
  }
}
