package tertulia.app.pricechange;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Fit;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRates;
import tertulia.core.path.Market;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;
import tertulia.core.working.Derivation;

/** Two price pages of a tool in money: what each plan costs a month for the same people. */
final class Comparison {
  private static final String EACH = "each";
  private static final int MOST_TERMS = 10;

  private Comparison() {}

  /**
   * One plan and term.
   *
   * @param before a month on the earlier page; "—" if it was not sold or has no figure
   */
  record Line(String option, String before, String after, String difference) {}

  /** Every plan and term that serves {@code people} of a selection, needs left aside. */
  static List<Line> lines(
      ToolSheet before, ToolSheet after, Optional<Selection> selection, int people) {
    Map<String, SteadyCost> old = costs(before, selection, people);
    Map<String, SteadyCost> now = costs(after, selection, people);
    Set<String> options = new LinkedHashSet<>(now.keySet());
    options.addAll(old.keySet());
    List<Line> lines = new ArrayList<>();
    for (String option : options) {
      Optional<Money> was = Optional.ofNullable(old.get(option)).map(SteadyCost::money);
      Optional<Money> is = Optional.ofNullable(now.get(option)).map(SteadyCost::money);
      lines.add(
          new Line(
              option,
              was.map(Figures::moneyIn).orElse("—"),
              is.map(Figures::moneyIn).orElse("—"),
              was.isPresent()
                      && is.isPresent()
                      && was.get().getCurrencyUnit().equals(is.get().getCurrencyUnit())
                  ? difference(was.get(), is.get())
                  : ""));
    }
    return lines;
  }

  private static String difference(Money was, Money is) {
    String amount = Figures.signed(is.minus(was));
    return was.isZero() || is.isEqual(was)
        ? amount
        : amount
            + ", "
            + Figures.change(
                is.minus(was).getAmount().divide(was.getAmount(), java.math.MathContext.DECIMAL64));
  }

  /** The working of what a plan and term costs a month; empty if it has no figure. */
  static Optional<Derivation> explain(
      ToolSheet sheet, Optional<Selection> selection, int people, String option) {
    return Optional.ofNullable(costs(sheet, selection, people).get(option))
        .map(SteadyCost::explain);
  }

  private static Map<String, SteadyCost> costs(
      ToolSheet sheet, Optional<Selection> selection, int people) {
    Map<String, SteadyCost> costs = new LinkedHashMap<>();
    Optional<Contender> contender = new ToolReader(new Faults()).tool("", sheet);
    Set<String> currencies = new LinkedHashSet<>();
    sheet.plans().forEach(plan -> currencies.add(plan.currency()));
    for (String currency : currencies) {
      Market market = market(selection, CurrencyUnit.of(currency));
      contender.ifPresent(c -> collect(c, market, staff(selection, people), costs));
    }
    return costs;
  }

  private static void collect(
      Contender contender, Market market, People people, Map<String, SteadyCost> costs) {
    if (SteadyCost.cheapest(contender.offerings(), market, market.occasion(people, 0))
        instanceof Outcome.Found<SteadyCost> found) {
      List<SteadyCost> all = new ArrayList<>(found.others());
      all.add(found.best());
      all.sort(Comparator.comparingInt(cost -> place(contender, cost)));
      for (SteadyCost cost : all) {
        if (cost.rate().isEmpty()) {
          costs.put(cost.option().label(), cost);
        }
      }
    }
  }

  /** Where a plan and term stand on the page. */
  private static int place(Contender contender, SteadyCost cost) {
    int plan = contender.tool().plans().indexOf(cost.option().plan());
    List<PriceList> lists = cost.option().plan().charged();
    return plan * MOST_TERMS + lists.indexOf(cost.option().list());
  }

  /** Each page in its own currency; without a selection everybody has one seat. */
  private static Market market(Optional<Selection> selection, CurrencyUnit currency) {
    return new Market(
        new Fit(List.of()),
        selection.map(Selection::demands).orElseGet(Comparison::oneSeatEach),
        currency,
        ExchangeRates.NONE,
        selection.map(Selection::asOf).orElse(LocalDate.EPOCH),
        Terms.ANY,
        selection.flatMap(s -> averagePayment(s, currency)),
        selection.map(Selection::horizon).orElseGet(() -> new Horizon(YearMonth.of(2000, 1), 1)));
  }

  /** The selection's average payment in the page's currency; empty if the rate is not known. */
  private static Optional<BigDecimal> averagePayment(Selection selection, CurrencyUnit currency) {
    return selection.currency().equals(currency)
        ? selection.averagePayment()
        : selection
            .averagePayment()
            .flatMap(value ->
                selection
                    .rates()
                    .latest(selection.currency(), currency, selection.asOf())
                    .map(rate -> value.multiply(rate.rate())));
  }

  private static Map<Measure, Demand> oneSeatEach() {
    Demand one = new Demand(BigDecimal.ZERO, Map.of(EACH, BigDecimal.ONE));
    return Map.of(Measure.SEATS, one, Measure.WHOLE_STAFF, one);
  }

  private static People staff(Optional<Selection> selection, int people) {
    return selection
        .map(s ->
            tertulia.core.evaluation.Evaluation.of(s, tertulia.core.evaluation.WhatIf.START)
                .costs()
                .overall()
                .today()
                .scaledTo(people))
        .orElseGet(() -> new People(Map.of(EACH, people), 1, 1));
  }
}
