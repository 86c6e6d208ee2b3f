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
import tertulia.core.path.Candidates.Candidate;
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
  record Found(Way best, Map<String, String> unpriced, Optional<Way> low) implements Ways {
    public boolean isAtMost() {
      return !unpriced.isEmpty();
    }
  }

  /**
   * In some month nothing qualifies that has a figure.
   *
   * @param month the first such plan month
   * @param verdicts why not, by option
   */
  record Gap(int month, Map<String, Verdict> verdicts, Map<String, String> unpriced)
      implements Ways {
    /** Whether an option without a figure might fill it: then the way is not known. */
    public boolean isUnpriced() {
      return !unpriced.isEmpty();
    }

    /** Whether some option would qualify if what is unknown were confirmed. */
    public boolean isUnconfirmed() {
      return verdicts.values().stream().anyMatch(Verdict.Unconfirmed.class::isInstance);
    }
  }

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
    Candidates candidates = Candidates.of(offerings, market);
    Ways high = through(candidates.high(), setting);
    return high instanceof Found found
            && !candidates.low().isEmpty()
            && through(candidates.low(), setting) instanceof Found low
            && (isAssumed(found) || isAssumed(low))
        ? new Found(found.best(), found.unpriced(), Optional.of(low.best()))
        : high;
  }

  private static boolean isAssumed(Found found) {
    return found.best().legs().stream().anyMatch(leg -> leg.option().plan().isAssumed());
  }

  private static Ways through(List<Candidate> candidates, WayFinder.Setting setting) {
    UnitsNeeded stated = setting.months().getFirst();
    List<Option> priced = new ArrayList<>();
    Map<String, String> unpriced = new LinkedHashMap<>();
    Map<String, Verdict> out = new LinkedHashMap<>();
    for (Candidate candidate : candidates) {
      switch (candidate) {
        case Candidate.OnRequest onRequest -> unpriced.put(onRequest.plan(), "price on request");
        case Candidate.Out never -> out.put(never.label(), never.verdict());
        case Candidate.Offered offered ->
            setting
                .market()
                .whyUnpriced(offered.option().list(), offered.measures(), stated)
                .ifPresentOrElse(
                    why -> unpriced.put(offered.label(), why), () -> priced.add(offered.option()));
      }
    }
    boolean[][] qualifies = qualifies(priced, setting);
    for (int m = 0; m < setting.horizon().months(); m++) {
      int month = m;
      if (priced.stream().noneMatch(o -> qualifies[priced.indexOf(o)][month])) {
        out.putAll(verdicts(priced, setting, m));
        return new Gap(m, out, unpriced);
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
