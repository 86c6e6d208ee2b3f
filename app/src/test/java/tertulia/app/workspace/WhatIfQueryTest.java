package tertulia.app.workspace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import tertulia.app.exchange.Demo;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;

public class WhatIfQueryTest {
  private static final Selection SELECTION = Demo.selection();

  private static WhatIfQuery of(String query) {
    Map<String, String> asked = new HashMap<>();
    for (String part : query.split("&")) {
      asked.put(part.substring(0, part.indexOf('=')), part.substring(part.indexOf('=') + 1));
    }
    return WhatIfQuery.of(asked, SELECTION, SELECTION.horizon().start().atDay(1));
  }

  /** What is asked is what the address says, and the address leads back to it. */
  @Test
  public void anAddressLeadsBackToWhatItAskedFor() {
    for (String query :
        List.of(
            "month=17",
            "people=121",
            "people=121&growth=high&terms=monthly&view=cash&cost=full",
            "what=calendars",
            "month=3&what=calendars&many=40",
            "what=average-payment",
            "what=average-payment&payment=83.50",
            "light=12.5")) {
      WhatIfQuery read = of(query);
      assertEquals(read.fault(), "", query);
      assertEquals(read.query(), query);
    }
  }

  /** "Now" is the month of today while the plan holds it, else the nearest of its months. */
  @Test
  public void nowIsTheMonthOfTodayAndNothingElse() {
    YearMonth start = SELECTION.horizon().start();
    int last = SELECTION.horizon().months() - 1;
    Map<LocalDate, Integer> months =
        Map.of(
            start.minusMonths(7).atDay(1), 0,
            start.atEndOfMonth(), 0,
            start.plusMonths(1).atDay(1), 1,
            start.plusMonths(13).atEndOfMonth(), 13,
            start.plusMonths(last).atEndOfMonth(), last,
            start.plusYears(9).atDay(29), last);
    months.forEach((today, month) -> {
      WhatIfQuery read = WhatIfQuery.of(Map.of(), SELECTION, today);
      assertEquals(read.month(), month.intValue(), today.toString());
      assertEquals(read.query(), "", "nothing else is asked for");
      assertEquals(
          ((WhatIf.Moment.Headcount) read.at(12).whatIf().moment()).month(), month.intValue());
      WhatIfQuery first = WhatIfQuery.of(Map.of("month", "0"), SELECTION, today);
      assertEquals(first.month(), 0);
      assertEquals(first.query(), month == 0 ? "" : "month=0");
    });
  }

  @Test
  public void soManyOfSomethingElseIsStated() {
    WhatIfQuery read = of("what=calendars&many=1,200");
    assertEquals(read.whatIf().stated().orElseThrow().units().intValue(), 1200);
    assertEquals(read.query(), "what=calendars&many=1200");
    assertTrue(of("what=calendars").whatIf().stated().isEmpty());
    assertEquals(
        of("month=2").across(read.across().orElseThrow()).query(), "month=2&what=calendars");
  }

  @Test
  public void whatMakesNoSenseIsSaidAndNotRead() {
    for (Map.Entry<String, String> wrong :
        Map.of(
                "many=40", "Choose what the number counts, beside it.",
                "what=calendars&many=half", "\"half\" is not a number.",
                "what=calendars&many=2.5", "There are only whole linked calendars; found 2.5.",
                "what=calendars&many=-1", "lie between 0 and 1,000,000; found -1.",
                "what=average-payment&many=3", "Choose what the number counts, beside it.",
                "payment=half", "\"half\" is not a number.",
                "payment=-2", "An average payment lies between 0 and 1,000,000; found -2.",
                "people=none", "\"none\" is not a whole number",
                "people=6000", "lies between 1 and 5,000")
            .entrySet()) {
      WhatIfQuery read = of(wrong.getKey());
      assertTrue(read.fault().contains(wrong.getValue()), wrong.getKey() + ": " + read.fault());
      assertFalse(read.whatIf().stated().isPresent());
      assertFalse(read.whatIf().averagePayment().isPresent());
    }
  }
}
