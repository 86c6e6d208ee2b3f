package tertulia.core.fit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

public class CountTest {
  private static final Provenance CLAIMED =
      Provenance.of(LocalDate.parse("2026-11-01"), Ground.MAKERS_CLAIM);
  private static final Provenance TRIED =
      Provenance.of(LocalDate.parse("2026-10-01"), Ground.TRIED_BY_HAND);

  @DataProvider
  Object[][] answers() {
    return new Object[][] {
      {"41", "at least 40", Answer.YES},
      {"40", "at least 40", Answer.YES},
      {"39", "at least 40", Answer.NO},
      {"at least 40", "at least 40", Answer.YES},
      {"at least 40", "at least 41", Answer.UNKNOWN},
      {"at most 39", "at least 40", Answer.NO},
      {"at most 40", "at least 40", Answer.UNKNOWN},
      {"8", "at most 10", Answer.YES},
      {"12", "at most 10", Answer.NO},
      {"at most 10", "at most 10", Answer.YES},
      {"at least 11", "at most 10", Answer.NO},
      {"at least 3", "at most 10", Answer.UNKNOWN},
      {"at most 11", "at most 10", Answer.UNKNOWN},
    };
  }

  @Test(dataProvider = "answers")
  public void whatIsKnownAnswersWhatIsAsked(String known, String asked, Answer answer) {
    assertEquals(count(known).answer(count(asked)), answer);
  }

  /** Every number a count leaves possible is tried: all do, none does, or some do. */
  @Test
  public void theAnswerIsThatOfEveryNumberLeftPossible() {
    for (Count.Bound bound : Count.Bound.values()) {
      for (Count.Bound wanted : Count.Bound.values()) {
        for (int n = 0; n <= 6; n++) {
          for (int a = 0; a <= 6; a++) {
            Count known = new Count(bound, BigDecimal.valueOf(n), "rooms");
            Count asked = new Count(wanted, BigDecimal.valueOf(a), "rooms");
            List<Boolean> each =
                IntStream.rangeClosed(0, 20)
                    .filter(x -> within(known, x))
                    .mapToObj(x -> within(asked, x))
                    .distinct()
                    .toList();
            Answer answer =
                each.size() > 1 ? Answer.UNKNOWN : each.getFirst() ? Answer.YES : Answer.NO;
            assertEquals(known.answer(asked), answer, known.words() + " for " + asked.words());
          }
        }
      }
    }
  }

  private static boolean within(Count count, int x) {
    int n = count.number().intValueExact();
    return switch (count.bound()) {
      case EXACTLY -> x == n;
      case AT_LEAST -> x >= n;
      case AT_MOST -> x <= n;
    };
  }

  @Test
  public void otherUnitsAreUnlikeAndLetterCaseIsNot() {
    Count minutes = Count.exactly(BigDecimal.TWO, "minutes");
    assertEquals(minutes.answer(count("at most 10")), Answer.UNKNOWN);
    assertEquals(
        Count.exactly(BigDecimal.TWO, "Languages").answer(count("at least 1")), Answer.YES);
  }

  @Test
  public void thereAreAnyOnlyWhereThatIsCertain() {
    assertEquals(count("3").any(), Answer.YES);
    assertEquals(count("0").any(), Answer.NO);
    assertEquals(count("at most 0").any(), Answer.NO);
    assertEquals(count("at most 3").any(), Answer.UNKNOWN);
    assertEquals(count("at least 0").any(), Answer.UNKNOWN);
  }

  @Test
  public void itIsSaidAsItIsWritten() {
    assertEquals(
        new Count(Count.Bound.AT_LEAST, new BigDecimal("1200"), "connections").words(),
        "at least 1,200 connections");
    assertEquals(Count.exactly(new BigDecimal("94.50"), "per cent").words(), "94.5 per cent");
    assertEquals(Count.exactly(new BigDecimal("1E+2"), "boats").words(), "100 boats");
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {"-1", "boats"},
      {"1000000001", "boats"},
      {"0.00001", "boats"},
      {"1", " "},
      {"1", "x".repeat(41)}
    };
  }

  @Test(dataProvider = "refused")
  public void whatCannotBeACountIsRefused(String number, String unit) {
    assertThrows(IllegalArgumentException.class, () -> Count.exactly(new BigDecimal(number), unit));
  }

  @Test
  public void aPlainYesGivesWayToACountThatIsAYesToo() {
    Fact yes = new Fact(Answer.YES, TRIED);
    Fact many = Fact.counted(count("41"), CLAIMED);
    assertEquals(Fact.inForce(List.of(yes, many)), Optional.of(many));
    assertEquals(
        Fact.inForce(List.of(new Fact(Answer.NO, TRIED), many)),
        Optional.of(new Fact(Answer.NO, TRIED)));
    Fact none = Fact.counted(count("0"), CLAIMED);
    assertEquals(Fact.inForce(List.of(yes, none)), Optional.of(yes));
    Fact tried = Fact.counted(count("38"), TRIED);
    assertEquals(Fact.inForce(List.of(many, tried)), Optional.of(tried));
  }

  @Test
  public void aFactWithoutACountLeavesOpenHowMany() {
    assertEquals(new Fact(Answer.YES, TRIED).of(count("at least 40")).answer(), Answer.UNKNOWN);
    assertEquals(new Fact(Answer.NO, TRIED).of(count("at least 40")).answer(), Answer.NO);
    assertEquals(new Fact(Answer.NO, TRIED).of(count("at most 40")).answer(), Answer.UNKNOWN);
    assertEquals(Fact.counted(count("33"), TRIED).of(count("at least 40")).answer(), Answer.NO);
  }

  private static Count count(String words) {
    Count.Bound bound =
        words.startsWith("at least")
            ? Count.Bound.AT_LEAST
            : words.startsWith("at most") ? Count.Bound.AT_MOST : Count.Bound.EXACTLY;
    return new Count(bound, new BigDecimal(words.replaceAll("[^0-9]", "")), "languages");
  }
}
