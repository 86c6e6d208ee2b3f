package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.HeadToHead.Side;

/** The money between two against every pair of amounts that the two could really be. */
public class ApartTest {
  private static final int MOST = 5;

  private static Money euros(int euros) {
    return Samples.money(euros + ".00");
  }

  /** Every amount with ends from 0 to 4, and those without a low end. */
  private static List<Amount> amounts() {
    List<Amount> all = new ArrayList<>();
    for (int high = 0; high < MOST; high++) {
      all.add(new Amount(Optional.empty(), euros(high)));
      for (int low = 0; low <= high; low++) {
        all.add(new Amount(Optional.of(euros(low)), euros(high)));
      }
    }
    return all;
  }

  private static List<Money> possible(Amount amount) {
    List<Money> all = new ArrayList<>();
    for (int euros = 0; euros < MOST; euros++) {
      Money money = euros(euros);
      if (!money.isGreaterThan(amount.high())
          && amount.low().map(low -> !money.isLessThan(low)).orElse(true)) {
        all.add(money);
      }
    }
    return all;
  }

  @Test
  public void whatIsSaidHoldsWhateverTheAmountsAre() {
    for (Amount left : amounts()) {
      for (Amount right : amounts()) {
        check(left, right);
      }
    }
  }

  private static void check(Amount left, Amount right) {
    Apart apart = Apart.between(Optional.of(left), Optional.of(right));
    String about = left + " beside " + right + ": " + apart;
    boolean leftCanBeCheaper = false;
    boolean rightCanBeCheaper = false;
    List<Money> between = new ArrayList<>();
    for (Money l : possible(left)) {
      for (Money r : possible(right)) {
        leftCanBeCheaper |= l.isLessThan(r);
        rightCanBeCheaper |= r.isLessThan(l);
        between.add(l.minus(r).abs());
      }
    }
    switch (apart) {
      case Apart.Same same -> assertEquals(between, List.of(euros(0)), about);
      case Apart.Cheaper cheaper -> {
        assertEquals(cheaper.side() == Side.LEFT, leftCanBeCheaper, about);
        assertEquals(cheaper.side() == Side.RIGHT, rightCanBeCheaper, about);
        assertEquals(between.stream().min(Money::compareTo).orElseThrow(), cheaper.by(), about);
        assertEquals(cheaper.atLeast(), !(left.isExact() && right.isExact()), about);
      }
      case Apart.Open open -> {
        assertFalse(left.isExact() && right.isExact(), about);
        assertTrue(between.contains(euros(0)), "they may cost the same: " + about);
      }
      case Apart.NotKnown unknown -> throw new AssertionError(about);
    }
  }

  @Test
  public void withoutAFigureNothingIsKnown() {
    Optional<Amount> one = Optional.of(Amount.exactly(euros(1)));
    assertEquals(Apart.between(one, Optional.empty()), new Apart.NotKnown());
    assertEquals(Apart.between(Optional.empty(), one), new Apart.NotKnown());
  }
}
