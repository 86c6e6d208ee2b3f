package tertulia.core.path;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.Leaving;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.billing.View;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/** The cheapest way through a tool's plans, or why there is none. */
public sealed interface Ways {
  /**
   * There is a way through all months.
   *
   * @param unpriced options without any figure, with the reason; if there are any, the figure is
   *     "at most"
   * @param low the cheapest way if every assumed price were at its low end; empty if no way uses
   *     one
   */
  record Found(Way best, Map<String, String> unpriced, Optional<Way> low) implements Ways {}

  /**
   * In some month nothing qualifies that has a figure.
   *
   * @param month the first such plan month
   * @param verdicts why not, by option
   */
  record Gap(int month, Map<String, Verdict> verdicts, Map<String, String> unpriced)
      implements Ways {}

  /**
   * Finds the way.
   *
   * @param months units needed by plan month
   * @param changing what one change of plan costs in people's time, in the reporting currency
   */
  static Ways through(
      List<Offering> offerings,
      Market market,
      List<UnitsNeeded> months,
      PriceRise rise,
      Horizon horizon,
      View view,
      Leaving leaving,
      Money changing) {
    WayFinder.Setting setting =
        new WayFinder.Setting(market, months, rise, horizon, view, leaving, changing);
    Ways high = through(offerings, setting, PlanPrices.End.HIGH);
    boolean assumed = offerings.stream().anyMatch(offering -> offering.plan().isAssumed());
    return high instanceof Found found
            && assumed
            && through(offerings, setting, PlanPrices.End.LOW) instanceof Found low
            && (isAssumed(found) || isAssumed(low))
        ? new Found(found.best(), found.unpriced(), Optional.of(low.best()))
        : high;
  }

  private static boolean isAssumed(Found found) {
    return found.best().legs().stream().anyMatch(leg -> leg.option().plan().isAssumed());
  }

  private static Ways through(
      List<Offering> offerings, WayFinder.Setting setting, PlanPrices.End end) {
    Market market = setting.market();
    List<Option> priced = new ArrayList<>();
    Map<String, String> unpriced = new LinkedHashMap<>();
    for (Offering offering : offerings) {
      for (PriceList list : offering.plan().lists(end)) {
        Option option = Option.of(offering, list, market.fit());
        Optional<String> why = market.whyUnpriced(option.list(), setting.months().getFirst());
        if (market.terms().allows(list.term())) {
          why.ifPresentOrElse(
              reason -> unpriced.put(option.label(), reason), () -> priced.add(option));
        }
      }
      if (offering.plan().lists(end).isEmpty()
          && Verdict.of(market.fit().musts(offering)).qualifies()) {
        unpriced.put(offering.plan().name(), "price on request");
      }
    }
    boolean[][] qualifies = qualifies(priced, setting);
    for (int m = 0; m < setting.horizon().months(); m++) {
      int month = m;
      if (priced.stream().noneMatch(o -> qualifies[priced.indexOf(o)][month])) {
        return new Gap(m, verdicts(priced, setting, m), unpriced);
      }
    }
    return new Found(WayFinder.cheapest(priced, qualifies, setting), unpriced, Optional.empty());
  }

  private static boolean[][] qualifies(List<Option> options, WayFinder.Setting setting) {
    boolean[][] qualifies = new boolean[options.size()][setting.horizon().months()];
    for (int o = 0; o < options.size(); o++) {
      for (int m = 0; m < qualifies[o].length; m++) {
        qualifies[o][m] = verdict(options.get(o), setting, m).qualifies();
      }
    }
    return qualifies;
  }

  private static Verdict verdict(Option option, WayFinder.Setting setting, int m) {
    return setting.market().fit().at(option.offering(), option.list(), setting.months().get(m));
  }

  private static Map<String, Verdict> verdicts(
      List<Option> options, WayFinder.Setting setting, int m) {
    Map<String, Verdict> verdicts = new LinkedHashMap<>();
    options.forEach(option -> verdicts.put(option.label(), verdict(option, setting, m)));
    return verdicts;
  }
}
