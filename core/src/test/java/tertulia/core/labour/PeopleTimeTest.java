package tertulia.core.labour;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

public class PeopleTimeTest {
  private static final CurrencyUnit EUR = CurrencyUnit.EUR;

  private static BigDecimal decimal(String text) {
    return new BigDecimal(text);
  }

  private static Money money(String amount) {
    return Money.of(EUR, decimal(amount));
  }

  private static Labour labour(String hour, String change, String oldTool) {
    return new Labour(Optional.of(decimal(hour)), decimal(change), Optional.of(decimal(oldTool)));
  }

  private static final StaffEffort EFFORT =
      new StaffEffort(decimal("10"), decimal("4"), decimal("1.5"), decimal("2"), decimal("10"), 2);

  @Test
  public void everyItemIsHoursTimesTheRateRoundedOnce() {
    // 5 seats, then 8, then 6, then 7: learning for 5, 3, none, 1
    PeopleTime time =
        PeopleTime.of(EFFORT, labour("30", "6", "145.50"), List.of(5, 8, 6, 7), List.of(2), EUR);
    assertEquals(time.of(PeopleTime.Item.SET_UP), money("300.00"));
    assertEquals(time.of(PeopleTime.Item.MIGRATION), money("120.00"));
    assertEquals(time.of(PeopleTime.Item.LEARNING), money("405.00"));
    assertEquals(time.of(PeopleTime.Item.UPKEEP), money("240.00"));
    // 10 minutes on 21 workdays are 3.5 hours
    assertEquals(time.of(PeopleTime.Item.BY_HAND), money("420.00"));
    assertEquals(time.of(PeopleTime.Item.CHANGING), money("180.00"));
    assertEquals(time.of(PeopleTime.Item.PARALLEL), money("291.00"));
    assertEquals(time.total(), money("1956.00"));
    assertEquals(
        time.months(4),
        List.of(money("955.50"), money("445.50"), money("345.00"), money("210.00")));
    Money sum = time.months(4).stream().reduce(Money.zero(EUR), Money::plus);
    assertEquals(sum, time.total());
    assertEquals(time.explain().value().orElseThrow().amount().compareTo(decimal("1956.00")), 0);
  }

  @Test
  public void whatLastsIsUpkeepAndWorkByHand() {
    assertEquals(
        PeopleTime.steady(EFFORT, labour("30", "6", "145.50"), List.of(), EUR), money("165.00"));
  }

  @Test
  public void anUnknownIsNotNothing() {
    assertEquals(
        PeopleTime.missing(Optional.empty(), labour("30", "0", "0")).orElseThrow(),
        "nobody has said how many hours it takes");
    assertEquals(
        PeopleTime.missing(Optional.of(EFFORT), Labour.UNSTATED).orElseThrow(),
        "nobody has said what an hour costs");
    Labour withoutOldTool =
        new Labour(Optional.of(BigDecimal.TEN), BigDecimal.ZERO, Optional.empty());
    assertEquals(
        PeopleTime.missing(Optional.of(EFFORT), withoutOldTool).orElseThrow(),
        "nobody has said what the old tool costs a month");
    assertTrue(PeopleTime.missing(Optional.of(EFFORT), labour("1", "0", "0")).isEmpty());
  }

  @Test
  public void hoursBelowNothingAreRefused() {
    assertThrows(
        IllegalArgumentException.class,
        () ->
            new StaffEffort(
                decimal("-1"),
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                0));
    assertThrows(
        IllegalArgumentException.class,
        () -> new Labour(Optional.of(decimal("-1")), BigDecimal.ZERO, Optional.empty()));
  }
}
