package tertulia.core.difference;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;

public class DivisionTest {
  private static List<List<Cause>> orders(List<Cause> causes) {
    if (causes.isEmpty()) {
      return List.of(List.of());
    }
    List<List<Cause>> orders = new ArrayList<>();
    for (Cause first : causes) {
      List<Cause> others = new ArrayList<>(causes);
      others.remove(first);
      for (List<Cause> rest : orders(others)) {
        List<Cause> order = new ArrayList<>();
        order.add(first);
        order.addAll(rest);
        orders.add(order);
      }
    }
    return orders;
  }

  private static Map<Set<Cause>, BigDecimal> figures(List<Cause> causes, Random random) {
    Map<Set<Cause>, BigDecimal> figures = new HashMap<>();
    for (int choice = 0; choice < 1 << causes.size(); choice++) {
      Set<Cause> set = EnumSet.noneOf(Cause.class);
      for (int c = 0; c < causes.size(); c++) {
        if ((choice & 1 << c) != 0) {
          set.add(causes.get(c));
        }
      }
      figures.put(set, BigDecimal.valueOf(random.nextInt(100_000), 3));
    }
    return figures;
  }

  /** The mean over all orders, one after the other. */
  private static BigDecimal mean(
      Cause cause, List<Cause> causes, Map<Set<Cause>, BigDecimal> figures) {
    BigDecimal sum = BigDecimal.ZERO;
    List<List<Cause>> orders = orders(causes);
    for (List<Cause> order : orders) {
      Set<Cause> before = EnumSet.noneOf(Cause.class);
      before.addAll(order.subList(0, order.indexOf(cause)));
      Set<Cause> with = EnumSet.copyOf(before);
      with.add(cause);
      sum = sum.add(figures.get(with)).subtract(figures.get(before));
    }
    return sum.divide(BigDecimal.valueOf(orders.size()), MathContext.DECIMAL128);
  }

  @Test
  public void theMeanOverAllOrdersAddsUpToTheDifference() {
    Random random = new Random(5);
    for (int n = 1; n <= 5; n++) {
      List<Cause> causes = List.of(Cause.values()).subList(0, n);
      for (int round = 0; round < 20; round++) {
        Map<Set<Cause>, BigDecimal> figures = figures(causes, random);
        Division division =
            Division.of(EnumSet.copyOf(causes), c -> Optional.of(figures.get(c)), 2).orElseThrow();
        BigDecimal sum = BigDecimal.ZERO;
        int adjusted = 0;
        for (Cause cause : causes) {
          BigDecimal mean = mean(cause, causes, figures).setScale(2, RoundingMode.HALF_UP);
          sum = sum.add(division.of(cause));
          if (division.of(cause).compareTo(mean) != 0) {
            adjusted++;
            assertTrue(
                division.of(cause).subtract(mean).abs().doubleValue() < 0.005 * (n + 3),
                division + " " + cause + " " + mean);
          }
        }
        assertTrue(adjusted <= 1, "only one part takes the rest: " + division);
        assertEquals(sum, division.difference());
        assertEquals(
            division.then(),
            figures.get(EnumSet.noneOf(Cause.class)).setScale(2, RoundingMode.HALF_UP));
      }
    }
  }

  @Test
  public void theRestGoesToTheLargestPart() {
    // a third each of 1.00, and 3.00 beside
    Set<Cause> three = EnumSet.of(Cause.PRICES, Cause.RATES, Cause.PEOPLE);
    Division thirds =
        Division.of(
                three,
                causes -> Optional.of(causes.size() == 3 ? BigDecimal.ONE : BigDecimal.ZERO),
                2)
            .orElseThrow();
    assertEquals(
        thirds.parts().stream().map(p -> p.amount().toPlainString()).toList(),
        List.of("0.34", "0.33", "0.33"));
    Division large =
        Division.of(
                three,
                causes ->
                    Optional.of(
                        BigDecimal.valueOf(
                            (causes.size() == 3 ? 1 : 0)
                                - (causes.contains(Cause.PEOPLE) ? 3 : 0))),
                2)
            .orElseThrow();
    assertEquals(
        large.parts().stream().map(p -> p.amount().toPlainString()).toList(),
        List.of("0.33", "0.33", "-2.66"));
  }

  @Test
  public void causesThatOnlyTogetherHaveAFigureAreOne() {
    // with the people of now and the needs of then there is no plan, and the other way round
    Set<Cause> changed = EnumSet.of(Cause.PRICES, Cause.PEOPLE, Cause.NEEDS);
    Division division =
        Division.of(
                changed,
                causes ->
                    causes.contains(Cause.PEOPLE) != causes.contains(Cause.NEEDS)
                        ? Optional.empty()
                        : Optional.of(
                            BigDecimal.valueOf(
                                (causes.contains(Cause.PRICES) ? 5 : 3)
                                    * (causes.contains(Cause.PEOPLE) ? 20 : 10))),
                0)
            .orElseThrow();
    assertEquals(
        division.parts().stream().map(Division.Part::causes).toList(),
        List.of(EnumSet.of(Cause.PRICES), EnumSet.of(Cause.PEOPLE, Cause.NEEDS)));
    assertEquals(
        division.parts().stream().map(Division.Part::amount).toList(),
        List.of(new BigDecimal("30"), new BigDecimal("40")));
    // 20 before the people and 40 after them, each in one of two orders
    assertEquals(
        division.parts().getFirst().added(),
        List.of(
            new Division.Added(
                Set.of(), new BigDecimal("30"), new BigDecimal("50"), BigInteger.ONE),
            new Division.Added(
                EnumSet.of(Cause.PEOPLE, Cause.NEEDS),
                new BigDecimal("60"),
                new BigDecimal("100"),
                BigInteger.ONE)));
    assertEquals(division.orders(), BigInteger.TWO);
    assertEquals(division.difference(), new BigDecimal("70"));
    assertEquals(division.of(Cause.NEEDS), new BigDecimal("40"));
    assertEquals(division.of(Cause.MARKS), BigDecimal.ZERO);
  }

  @Test
  public void withoutAFigureThenOrNowNothingIsDivided() {
    Set<Cause> one = EnumSet.of(Cause.PRICES);
    assertTrue(
        Division.of(one, c -> c.isEmpty() ? Optional.of(BigDecimal.ONE) : Optional.empty(), 2)
            .isEmpty());
    assertTrue(
        Division.of(one, c -> c.isEmpty() ? Optional.empty() : Optional.of(BigDecimal.ONE), 2)
            .isEmpty());
    Division same =
        Division.of(EnumSet.noneOf(Cause.class), c -> Optional.of(BigDecimal.TEN), 2).orElseThrow();
    assertEquals(same.difference(), new BigDecimal("0.00"));
    assertTrue(same.parts().isEmpty());
  }
}
