package tertulia.app.workspace;

import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import tertulia.app.display.Figures;
import tertulia.core.evaluation.Amount;
import tertulia.core.path.Option;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.PlanPrices;

/** How well the price behind a figure is known, as it reads beside it. */
public final class Known {
  private Known() {}

  /** The amount; "at most" if an option was left out, both ends if a price is assumed. */
  public static <C> String amount(Outcome.Found<C> found, Function<C, Money> money) {
    String high = Figures.money(money.apply(found.best()));
    String low = found.low().map(money).map(Figures::money).orElse(high);
    return words(low, high, found.isAtMost());
  }

  /** An amount as it is known. */
  public static String amount(Amount amount) {
    String high = Figures.money(amount.high());
    return words(amount.low().map(Figures::money).orElse(high), high, amount.low().isEmpty());
  }

  /** An upper bound says so, and then the low end of an assumed price is none. */
  private static String words(String low, String high, boolean atMost) {
    if (atMost) {
      return "at most " + high;
    }
    return low.equals(high) ? high : low + " to " + high;
  }

  /** What is known of an amount without a figure: the least it is, or nothing. */
  public static String least(Optional<Money> least) {
    return least.map(money -> "at least " + Figures.money(money)).orElse("not known");
  }

  /** As above, for the cheapest path. */
  public static String amount(PlanPaths.Found found, Function<PlanPath, Money> money) {
    String high = Figures.money(money.apply(found.best()));
    String low = found.low().map(money).map(Figures::money).orElse(high);
    return words(low, high, found.isAtMost());
  }

  /**
   * A part of what the cheapest path comes to, such as a month of it, as it is known: with both
   * ends, "at most" or "at least", and nothing only where nothing is known.
   */
  public static Cell part(PlanPaths ways, Function<PlanPath, Money> part, String why) {
    return switch (ways) {
      case PlanPaths.Found found -> {
        Money high = part.apply(found.best());
        Money low = found.low().map(part).orElse(high);
        // the way that is cheaper in all may be the dearer one in a month
        boolean inOrder = !low.isGreaterThan(high);
        yield Cell.figure(
            words(
                Figures.money(inOrder ? low : high),
                Figures.money(inOrder ? high : low),
                found.isAtMost()),
            why);
      }
      case PlanPaths.Gap gap ->
          gap.low()
              .map(low -> Cell.missing(least(Optional.of(part.apply(low))), why))
              .orElseGet(() -> Cell.missing("—", why));
    };
  }

  /** Such as ", assumed" or ", not all said"; empty for a listed price of which all is said. */
  public static String mark(Option option) {
    boolean open = !option.plan().unsaid(option.list().term()).isEmpty();
    return basis(option) + (open ? ", not all said" : "");
  }

  private static String basis(Option option) {
    return switch (option.plan().prices()) {
      case PlanPrices.Listed listed ->
          option.plan().isLeast(option.list().term()) ? ", not all prices said" : "";
      case PlanPrices.Quoted quoted -> ", by quote";
      case PlanPrices.Assumed assumed -> ", assumed";
      case PlanPrices.From from -> ", from-price";
      case PlanPrices.OnRequest onRequest -> "";
    };
  }
}
