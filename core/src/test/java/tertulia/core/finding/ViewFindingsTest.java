package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import tertulia.core.finding.ViewFindings.Reader;
import tertulia.core.finding.ViewFindings.Seat;

/** What is said of views that are shown and kept, recounted at generated tables. */
public class ViewFindingsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);

  private static Seat seat(String name, boolean shown, boolean withheld) {
    return seat(name, shown, withheld, List.of());
  }

  private static Seat seat(String name, boolean shown, boolean withheld, List<String> changed) {
    return new Seat(name, shown ? Optional.of(DAY) : Optional.empty(), shown, withheld, changed);
  }

  private static Reader sitting(Seat seat, boolean organises, int left) {
    return new Reader(Optional.of(seat), true, organises, true, left);
  }

  @Test
  public void anOpenedTableSaysWhoOpenedItAndNothingElse() {
    List<Seat> two = List.of(seat("Odile", false, false), seat("Joren", false, false));
    ViewFindings opened = new ViewFindings(two, Optional.of("Ilse"), false);
    Reader joren = sitting(two.get(1), true, 3);
    assertEquals(opened.of(joren), List.of(new ViewFinding.OpenedTable("Ilse")));
    assertFalse(opened.handsIn(joren));
    assertFalse(opened.opens(joren));
    assertEquals(
        new ViewFindings(two.subList(0, 1), Optional.of("Ilse"), false).of(joren),
        List.of(),
        "nobody else could wonder");
  }

  @Test
  public void oneAloneIsToldThatOthersWillSee() {
    Seat only = seat("Odile", false, false);
    ViewFindings alone = new ViewFindings(List.of(only), Optional.empty(), true);
    assertEquals(alone.of(sitting(only, false, 4)), List.of(new ViewFinding.AloneAtTheTable()));
    assertTrue(alone.handsIn(sitting(only, false, 4)));
    assertFalse(alone.opens(sitting(only, false, 4)), "no organiser");
    assertTrue(alone.opens(sitting(only, true, 4)));
  }

  @Test
  public void everySentenceIsRecounted() {
    Random random = new Random(16);
    int handing = 0;
    int opening = 0;
    for (int round = 0; round < 500; round++) {
      List<Seat> seats = new ArrayList<>();
      int size = 2 + random.nextInt(5);
      for (int i = 0; i < size; i++) {
        seats.add(
            seat(
                "P" + random.nextInt(4),
                random.nextBoolean(),
                random.nextBoolean(),
                random.nextBoolean() ? List.of("Search") : List.of()));
      }
      boolean sits = random.nextBoolean();
      Seat own = seats.get(random.nextInt(size));
      int left = random.nextInt(4);
      Reader reader =
          new Reader(
              sits ? Optional.of(own) : Optional.empty(),
              random.nextBoolean(),
              random.nextBoolean(),
              random.nextInt(4) > 0,
              left);
      ViewFindings findings = new ViewFindings(seats, Optional.empty(), true);
      List<ViewFinding> said = findings.of(reader);

      boolean shown = sits && own.handedIn().isPresent();
      assertEquals(said.contains(new ViewFinding.OwnViewShown(DAY)), shown);
      assertEquals(
          said.contains(new ViewFinding.OwnViewFirst(left)), !shown && reader.weighs(), "" + said);
      List<String> missing = new ArrayList<>();
      List<String> withheld = new ArrayList<>();
      for (Seat seat : seats) {
        if (!seat.shown() && !(sits && seat.equals(own))) {
          missing.add(seat.name());
        }
        if (seat.withheld()) {
          withheld.add(seat.name());
        }
      }
      assertEquals(said.contains(new ViewFinding.ViewsMissing(missing)), !missing.isEmpty());
      assertEquals(said.contains(new ViewFinding.ViewsLeftOut(withheld)), !withheld.isEmpty());
      for (Seat seat : seats) {
        assertEquals(
            said.contains(new ViewFinding.ChangedSince(seat.name(), DAY, List.of("Search"))),
            seats.stream()
                .anyMatch(other ->
                    other.name().equals(seat.name())
                        && other.shown()
                        && !other.withheld()
                        && !other.changed().isEmpty()));
      }
      assertEquals(findings.handsIn(reader), sits && !shown && reader.weighs() && reader.entered());
      assertEquals(
          findings.opens(reader), reader.organises() && (!missing.isEmpty() || sits && !shown));
      handing += findings.handsIn(reader) ? 1 : 0;
      opening += findings.opens(reader) ? 1 : 0;
    }
    assertTrue(handing > 50 && opening > 100, handing + ", " + opening);
  }
}
