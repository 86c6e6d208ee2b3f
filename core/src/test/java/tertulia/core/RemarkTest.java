package tertulia.core;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.finding.Stage;
import tertulia.core.remark.Remark;
import tertulia.core.remark.Subject;

/** What remarks are about, at which step they stand, and how many are open. */
public class RemarkTest {
  private static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");

  @DataProvider
  public Object[][] subjects() {
    return new Object[][] {
      {new Subject.OfStep(Stage.COST), "step/cost", Stage.COST, false},
      {new Subject.OfStep(Stage.MARKS), "step/marks", Stage.MARKS, true},
      {new Subject.OfNeed("single-sign-on"), "need/single-sign-on", Stage.NEED, false},
      {new Subject.OfContender("slotmeer"), "contender/slotmeer", Stage.CONTENDERS, false},
      {new Subject.OfFact("sso", "slotmeer"), "fact/sso/slotmeer", Stage.FIT, false},
      {new Subject.OfCriterion("ease"), "criterion/ease", Stage.WEIGHTS, false},
      {new Subject.OfMark("ease", "slotmeer"), "mark/ease/slotmeer", Stage.MARKS, true},
      {
        new Subject.OfFigure("steady", "slotmeer", ""), "figure/steady/slotmeer/", Stage.COST, false
      },
      {
        new Subject.OfFigure("needcostall", "", "Sign-on / keys"),
        "figure/needcostall//Sign-on / keys",
        Stage.FIT,
        false
      },
      {new Subject.OfFigure("weight", "", "ease"), "figure/weight//ease", Stage.WEIGHTS, true},
      {new Subject.OfFigure("total", "slotmeer", ""), "figure/total/slotmeer/", Stage.MARKS, true},
      {new Subject.OfFigure("headcount", "", ""), "figure/headcount//", Stage.NEED, false},
    };
  }

  @Test(dataProvider = "subjects")
  public void aSubjectIsReadFromItsCode(Subject subject, String code, Stage step, boolean judged) {
    assertEquals(subject.code(), code);
    assertEquals(Subject.of(code), subject);
    assertEquals(subject.step(), step);
    assertEquals(subject.isJudged(), judged);
  }

  @Test
  public void whatIsNoSubjectIsRefusedInASentence() {
    for (String code :
        List.of("", "cost", "step/lunch", "mark/ease", "figure/steady", "page/a", "figure/A B//")) {
      assertThrows(IllegalArgumentException.class, () -> Subject.of(code));
    }
    assertThrows(
        IllegalArgumentException.class, () -> Subject.of("need/" + "n".repeat(Subject.LONGEST)));
    try {
      Subject.of("lunch");
    } catch (IllegalArgumentException e) {
      assertEquals(
          e.getMessage(),
          "\"lunch\" is nothing a remark can be about. Name a step, need, contender, fact,"
              + " criterion, mark or figure.");
    }
  }

  private static Remark remark(Subject about, boolean open) {
    return new Remark(
        "1",
        about,
        Remark.Kind.QUESTION,
        new Remark.Said("Why?", "Ilse", NOW),
        List.of(),
        open ? Optional.empty() : Optional.of(new Remark.Closed("Odile", NOW)));
  }

  @Test
  public void openOnesAreCountedWhereTheyStand() {
    Subject ease = new Subject.OfCriterion("ease");
    List<Remark> all =
        List.of(
            remark(new Subject.OfMark("ease", "slotmeer"), true),
            remark(ease, true),
            remark(ease, false),
            remark(new Subject.OfFigure("weight", "", "ease"), true));
    assertEquals(Remark.open(all), Map.of(Stage.MARKS, 1, Stage.WEIGHTS, 2));
    assertEquals(Remark.about(ease, all).size(), 2);
    assertTrue(all.getFirst().isOpen());
    assertFalse(all.get(2).isOpen());
  }

  @Test
  public void aTextIsNeitherEmptyNorWithoutEnd() {
    assertThrows(IllegalArgumentException.class, () -> new Remark.Said(" \n ", "Ilse", NOW));
    String longest = "x".repeat(Remark.LONGEST);
    assertEquals(new Remark.Said(longest, "Ilse", NOW).text(), longest);
    try {
      new Remark.Said(longest + "x", "Ilse", NOW);
    } catch (IllegalArgumentException e) {
      assertEquals(
          e.getMessage(), "The text has 2001 characters; at most 2000 are kept. Shorten it.");
      return;
    }
    throw new AssertionError("kept");
  }
}
