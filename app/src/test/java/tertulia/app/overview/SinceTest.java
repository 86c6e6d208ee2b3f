package tertulia.app.overview;

import static org.testng.Assert.assertEquals;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import tertulia.app.trail.TrailEntry;
import tertulia.core.finding.Progress.Asked;
import tertulia.core.finding.Progress.Next;
import tertulia.core.finding.Stage;

public class SinceTest {
  private static final Instant BEFORE = Instant.parse("2026-11-20T12:00:00Z");
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);

  private static TrailEntry act(int number, String who, String... what) {
    return new TrailEntry(
        BEFORE.plusSeconds(number),
        who,
        java.util.Arrays.stream(what)
            .map(text -> new TrailEntry.Line(number, text, false))
            .toList());
  }

  @Test
  public void whatEachDidIsSaidOfEach() {
    Since since =
        Since.of(
            BEFORE,
            List.of(
                act(9, "Joren", "Weight of Cost: 20"),
                act(8, "Odile", "Mark for Ease, Slotmeer: 7", "Mark for Help, Slotmeer: 6"),
                act(7, "Joren", "Took a seat"),
                act(6, "Odile", "Begun")));
    assertEquals(since.day(), "20 Nov 2026");
    assertEquals(
        since.lines(),
        List.of(
            "Joren: Weight of Cost: 20; Took a seat.",
            "Odile: Mark for Ease, Slotmeer: 7; Mark for Help, Slotmeer: 6."));
    assertEquals(since.more(), 1);
    assertEquals(Since.of(BEFORE, List.of()).lines(), List.of());
  }

  @Test
  public void whatComesNextIsSaidWithItsReason() {
    assertEquals(ProgressWords.note(new Next.Weigh(1, 3), TODAY), "1 of 3 people has set weights");
    assertEquals(ProgressWords.note(new Next.Mark(2, 3), TODAY), "2 of 3 people have given marks");
    assertEquals(ProgressWords.note(new Next.Weigh(0, 0), TODAY), "nobody is on the panel yet");
    assertEquals(ProgressWords.note(new Next.BringContenders(1), TODAY), "one contender so far");
    Next again = new Next.LookAgain(Optional.of(TODAY), false);
    assertEquals(ProgressWords.note(again, TODAY), "review due since 24 Nov 2026");
    assertEquals(ProgressWords.note(again, TODAY.minusDays(1)), "review on 24 Nov 2026");
    assertEquals(ProgressWords.step(again), "Decided");
    assertEquals(
        ProgressWords.note(new Next.LookAgain(Optional.empty(), false), TODAY),
        "no day set for a review");
  }

  @Test
  public void whatIsAskedLeadsToWhereItIsDone() {
    assertEquals(ProgressWords.asked(new Asked.Mark(1)), "give 1 mark");
    assertEquals(ProgressWords.asked(new Asked.Sign("Ilse")), "read what Ilse proposes");
    assertEquals(FirstPage.key(new Asked.Weigh()), "weights");
    assertEquals(FirstPage.key(new Asked.Mark(3)), "marks");
    assertEquals(ProgressWords.step(new Asked.Sign("Ilse")), Stage.DECISION);
    assertEquals(ProgressWords.step(new Asked.LookAgain(TODAY)), Stage.DECISION);
  }
}
