package tertulia.app.trail;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.exchange.Brief;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Seats;
import tertulia.app.selection.SelectionLoader;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;

/** What was done to selections, as whoever is signed in may read it. */
@Service
public class Trail {
  /** Acts shown at most, the newest. */
  static final int MOST = 300;

  private final Acts acts;
  private final Seats seats;
  private final Selections selections;

  Trail(Acts acts, Seats seats, Selections selections) {
    this.acts = acts;
    this.seats = seats;
    this.selections = selections;
  }

  /**
   * The newest {@value #MOST} acts, the newest first; what one person did within a minute is one
   * entry.
   *
   * @throws NotFound if whoever is signed in may not open the selection, or there is none
   */
  @Transactional(readOnly = true)
  List<TrailEntry> of(long selection) {
    selections.title(selection);
    return entries(acts.of(selection, seats.withheld(selection), MOST));
  }

  /** What others than somebody did after a moment, as {@link #of}. */
  @Transactional(readOnly = true)
  public List<TrailEntry> since(long selection, Instant moment, SignedIn reader) {
    return entries(acts.since(selection, moment, reader.id(), seats.withheld(selection), MOST));
  }

  /**
   * The question as it was before an act.
   *
   * @throws NotFound if that act did not change it
   */
  @Transactional(readOnly = true)
  Brief before(long selection, long act) {
    selections.title(selection);
    return acts.find(selection, act)
        .map(Acts.Noted::act)
        .filter(Act.QuestionChanged.class::isInstance)
        .map(Act.QuestionChanged.class::cast)
        .map(changed -> SelectionLoader.asked(changed.before(), changed.format()))
        .orElseThrow(() -> new NotFound("such change of this selection"));
  }

  private static List<TrailEntry> entries(List<Acts.Noted> newestFirst) {
    List<TrailEntry> entries = new ArrayList<>();
    List<Acts.Noted> together = new ArrayList<>();
    for (Acts.Noted noted : newestFirst) {
      if (!together.isEmpty() && !isOneEntry(together.getFirst(), noted)) {
        entries.add(entry(together));
        together.clear();
      }
      together.addFirst(noted);
    }
    if (!together.isEmpty()) {
      entries.add(entry(together));
    }
    return entries;
  }

  private static boolean isOneEntry(Acts.Noted one, Acts.Noted other) {
    return one.person().equals(other.person()) && minute(one.at()).equals(minute(other.at()));
  }

  private static Instant minute(Instant at) {
    return at.truncatedTo(ChronoUnit.MINUTES);
  }

  private static TrailEntry entry(List<Acts.Noted> oldestFirst) {
    List<TrailEntry.Line> lines = new ArrayList<>();
    for (Acts.Noted noted : oldestFirst) {
      boolean first = true;
      for (String text : ActWords.of(noted.act())) {
        lines.add(
            new TrailEntry.Line(
                noted.id(), text, first && noted.act() instanceof Act.QuestionChanged));
        first = false;
      }
    }
    return new TrailEntry(oldestFirst.getFirst().at(), oldestFirst.getFirst().person(), lines);
  }
}
