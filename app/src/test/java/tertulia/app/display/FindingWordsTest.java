package tertulia.app.display;

import static org.testng.Assert.assertEquals;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Demo;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.HeadToHead.Side;
import tertulia.core.finding.ChangeFinding.OrderAfter;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.CostFinding.CheapestByHeadcount;
import tertulia.core.finding.CostFinding.CheapestByHeadcount.Stretch;
import tertulia.core.finding.Finding;
import tertulia.core.finding.MissingFinding;
import tertulia.core.finding.ScoreFinding;
import tertulia.core.growth.Measure;
import tertulia.core.path.Dimension;
import tertulia.core.scoring.Interval;

/** What findings read like: a clause for each of their figures, and none that is not theirs. */
public class FindingWordsTest {
  private static final ScoreFinding SLOTMEER_LEADS =
      new ScoreFinding.Leads("slotmeer", Interval.exactly(new BigDecimal("0.6")));
  private static final ScoreFinding PIERBOOK_LEADS =
      new ScoreFinding.Leads("pierbook", Interval.exactly(new BigDecimal("0.7")));
  private static final ScoreFinding SLOTMEER_OPEN =
      new ScoreFinding.OpenLead(
          "slotmeer", Interval.exactly(new BigDecimal("0.6")), 2, List.of("Cost"));
  private static final ScoreFinding LEVEL =
      new ScoreFinding.LevelLead(List.of("slotmeer", "pierbook"), new BigDecimal("0.6"));
  private static final ScoreFinding NONE = new ScoreFinding.NoTotals(true);

  private static OrderAfter order(
      List<String> before, List<String> after, ScoreFinding leadBefore, ScoreFinding lead) {
    return new OrderAfter(before, after, leadBefore, lead);
  }

  private static Finding whole(String now, Optional<Apart> apart, List<String> open) {
    return new CostFinding.WholePeriod(
        Optional.of(now), List.of("pierbook"), apart, Optional.empty(), open);
  }

  private static Finding alone(List<String> others, List<String> toConfirm) {
    Money month = Money.of(CurrencyUnit.EUR, 12);
    return new CostFinding.OnlyOne(
        "slotmeer",
        Optional.of(Amount.exactly(month)),
        Optional.of(new Amount(Optional.of(month), month.multipliedBy(2))),
        others,
        toConfirm,
        500);
  }

  @DataProvider
  public Object[][] findings() {
    List<String> slotmeer = List.of("slotmeer");
    List<String> pierbook = List.of("pierbook");
    Money by = Money.of(CurrencyUnit.EUR, 12);
    Stretch all = new Stretch(1, 500, Optional.of("slotmeer"), List.of(), pierbook);
    YearMonth january = YearMonth.of(2027, 1);
    return new Object[][] {
      {
        new MissingFinding.MonthsPassed(january, 1, 36),
        "1 of the 36 months has passed. They began in January 2027."
      },
      {
        new MissingFinding.MonthsPassed(january, 5, 36),
        "5 of the 36 months have passed. They began in January 2027."
      },
      {
        new MissingFinding.MonthsPassed(january, 36, 36),
        "All 36 months have passed. They began in January 2027."
      },
      {
        new CostFinding.NobodyHasAFigureBy(new Dimension.Quantity(Measure.CARD_PAYMENTS), 1200),
        "By card payments: no contender has a known cost for any number up to 1,200."
      },
      {
        order(slotmeer, slotmeer, SLOTMEER_LEADS, SLOTMEER_LEADS),
        "The cheapest and the leader stay the same."
      },
      {
        order(slotmeer, pierbook, SLOTMEER_LEADS, SLOTMEER_LEADS),
        "Pierbook would be cheapest instead of Slotmeer."
      },
      {
        order(slotmeer, slotmeer, SLOTMEER_LEADS, PIERBOOK_LEADS),
        "Pierbook would lead on totals instead of Slotmeer."
      },
      {
        order(slotmeer, slotmeer, SLOTMEER_LEADS, SLOTMEER_OPEN),
        "Slotmeer would still lead, but only on mid-range totals."
      },
      {
        order(slotmeer, slotmeer, SLOTMEER_OPEN, SLOTMEER_LEADS),
        "Slotmeer would lead in every case."
      },
      {
        order(slotmeer, List.of(), SLOTMEER_LEADS, LEVEL),
        "No contender would be cheapest any more. Slotmeer and Pierbook would be level in the lead"
            + " instead of Slotmeer."
      },
      {
        order(List.of(), List.of(), NONE, NONE),
        "No contender is cheapest or leads, before or after."
      },
      {
        whole("slotmeer", Optional.of(new Apart.Cheaper(Side.RIGHT, by, false)), List.of()),
        "Today Slotmeer is the cheapest; over 36 months it is Pierbook, by 12.00 EUR."
      },
      {
        whole("slotmeer", Optional.of(new Apart.Cheaper(Side.RIGHT, by, true)), List.of()),
        "Today Slotmeer is the cheapest; over 36 months it is Pierbook, by at least 12.00 EUR."
      },
      {
        whole("slotmeer", Optional.of(new Apart.NotKnown()), List.of()),
        "Today Slotmeer is the cheapest, but it has no total. Over 36 months it is Pierbook."
      },
      {
        whole("slotmeer", Optional.of(new Apart.Open()), slotmeer),
        "Today Slotmeer is the cheapest; over 36 months it is Pierbook. Slotmeer may cost less: its"
            + " cost is not known, or is a range."
      },
      {
        new CheapestByHeadcount(List.of(all), 500),
        "Slotmeer is the cheapest at every headcount. Pierbook may cost less: its cost is not known,"
            + " or is a range."
      },
      {
        new CostFinding.FreeUpTo("slotmeer", 10, true, Optional.of(3), false),
        "Slotmeer is free for up to 10 people, which is enough until April 2027."
      },
      {
        new CostFinding.FreeUpTo("slotmeer", 500, false, Optional.of(35), true),
        "Slotmeer is free for any headcount up to 500, which is enough for the whole plan."
      },
      {
        alone(List.of(), List.of()),
        "Slotmeer costs 12.00 EUR a month and 12.00 to 24.00 EUR over 36 months. Nothing is"
            + " compared with it yet."
      },
      {
        alone(pierbook, List.of()),
        "Slotmeer costs 12.00 EUR a month and 12.00 to 24.00 EUR over 36 months. No plan of"
            + " Pierbook meets your needs for any headcount up to 500."
      },
      {
        alone(pierbook, pierbook),
        "Slotmeer costs 12.00 EUR a month and 12.00 to 24.00 EUR over 36 months. No plan of"
            + " Pierbook is confirmed to meet your needs for any headcount up to 500."
      },
      {
        alone(List.of("pierbook", "quaymate"), List.of("quaymate")),
        "Slotmeer costs 12.00 EUR a month and 12.00 to 24.00 EUR over 36 months. No plan of"
            + " Pierbook meets your needs for any headcount up to 500. No plan of Quaymate is"
            + " confirmed to meet your needs for any headcount up to 500."
      },
      {
        new CostFinding.WithinPlan(9, 12, List.of(), pierbook),
        "You will have 9 to 12 people. The cheapest stays the cheapest throughout, as far as costs"
            + " are known."
      }
    };
  }

  @Test(dataProvider = "findings")
  public void everyClauseIsOneOfTheFindingsFigures(Finding finding, String words) {
    assertEquals(new FindingWords(Demo.selection()).of(finding), words);
  }
}
