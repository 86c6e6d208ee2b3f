package tertulia.core.remark;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.finding.RemarkFinding;
import tertulia.core.finding.Stage;

/** What is said of remarks, recounted on generated ones. */
public class RemarkFindingsTest {
  private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");
  private static final List<Subject> SUBJECTS =
      List.of(
          new Subject.OfNeed("sso"),
          new Subject.OfContender("ash"),
          new Subject.OfFact("sso", "ash"),
          new Subject.OfCriterion("ease"),
          new Subject.OfMark("ease", "ash"),
          new Subject.OfFigure("steady", "ash", ""),
          new Subject.OfStep(Stage.DECISION));

  @Test
  public void whatIsOpenIsCountedWhereItStands() {
    Random random = new Random(5);
    int none = 0;
    for (int round = 0; round < 200; round++) {
      List<Remark> remarks = new ArrayList<>();
      int open = 0;
      Set<Stage> steps = EnumSet.noneOf(Stage.class);
      for (int i = random.nextInt(6); i > 0; i--) {
        Subject about = SUBJECTS.get(random.nextInt(SUBJECTS.size()));
        boolean closed = random.nextBoolean();
        remarks.add(
            new Remark(
                "" + i,
                about,
                Remark.Kind.QUESTION,
                new Remark.Said("Is it so?", "Ilse", NOON),
                List.of(),
                closed ? Optional.of(new Remark.Closed("Odile", NOON)) : Optional.empty()));
        if (!closed) {
          open++;
          steps.add(about.step());
        }
      }
      Optional<RemarkFinding.OpenRemarks> found = new RemarkFindings(remarks, 0).open();
      assertEquals(found.isPresent(), open > 0);
      if (open > 0) {
        assertEquals(found.get().remarks(), open);
        assertEquals(found.get().steps(), List.copyOf(steps), "in the order of the steps");
      } else {
        none++;
      }
    }
    assertTrue(none > 20 && none < 180, "" + none);
  }

  @Test
  public void whatWaitsIsSaidAsSoonAsThereIsOne() {
    assertEquals(new RemarkFindings(List.of(), 0).waiting(), Optional.empty());
    assertEquals(
        new RemarkFindings(List.of(), 3).waiting(), Optional.of(new RemarkFinding.KeptRemarks(3)));
  }
}
