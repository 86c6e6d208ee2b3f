package tertulia.core.path;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PlanPrices.End;
import tertulia.core.pricing.PriceList;

/**
 * What of a tool can be considered, in catalogue order; worked out once for however many headcounts
 * or months.
 *
 * @param high with assumed prices at their high end
 * @param low with assumed prices at their low end, and those of which only the least is known at
 *     that; empty if there are neither
 */
record Candidates(List<Candidate> high, List<Candidate> low) {
  Candidates {
    high = List.copyOf(high);
    low = List.copyOf(low);
  }

  /** One thing to consider. */
  sealed interface Candidate {
    /**
     * An option with prices, under a term that is allowed.
     *
     * @param place of its plan in the maker's order, from 0
     */
    record Offered(Option option, OptionName name, List<Measure> measures, int place)
        implements Candidate {}

    /** A plan that meets the musts and has no price; {@code place} as above. */
    record OnRequest(Offering offering, int place) implements Candidate {
      OptionName name() {
        return OptionName.of(offering.plan());
      }
    }

    /** An option of which only the least it costs is known; {@code place} as above. */
    record Begins(Option option, OptionName name, List<Measure> measures, int place)
        implements Candidate {
      /** Why it has no figure: what is missing of any price first. */
      NoFigure why(Market market, UnitsNeeded stated) {
        return market
            .whyUnpriced(option.list(), measures, stated)
            .orElseGet(() ->
                option.plan().prices() instanceof PlanPrices.From from
                    ? new NoFigure.FromPrice(from.because())
                    : new NoFigure.NotSaid(option.plan().notSaid(option.list().term())));
      }
    }

    /** What is out for any number of people. */
    record Out(OptionName name, Verdict verdict) implements Candidate {}
  }

  static Candidates of(List<Offering> offerings, Market market) {
    boolean range = offerings.stream().anyMatch(offering -> offering.plan().isRange());
    return new Candidates(
        of(offerings, market, End.HIGH), range ? of(offerings, market, End.LOW) : List.of());
  }

  private static List<Candidate> of(List<Offering> offerings, Market market, End end) {
    List<Candidate> all = new ArrayList<>();
    for (int place = 0; place < offerings.size(); place++) {
      Offering offering = offerings.get(place);
      int at = place;
      Plan plan = offering.plan();
      List<PriceList> lists = plan.isFrom() && end == End.HIGH ? plan.charged() : plan.lists(end);
      if (lists.isEmpty()) {
        all.add(withoutPrice(offering, place, market));
      } else {
        boolean sold = false;
        for (PriceList list : lists) {
          if (market.terms().allows(list.term())) {
            sold = true;
            PriceList asked = list.asking(market.demands().keySet());
            Option now = Option.of(offering, asked, market.fit());
            Option later = Option.ofAll(offering, asked, market.fit());
            Stream.of(now, later)
                .distinct()
                .map(option ->
                    end == End.HIGH && plan.isLeast(list.term())
                        ? new Candidate.Begins(option, option.name(), list.measures(), at)
                        : offered(option, at))
                .forEach(all::add);
          }
        }
        if (!sold) {
          List<Reason> reasons = new ArrayList<>(market.fit().musts(offering));
          reasons.add(new Reason.TermNotSold(market.terms().sold()));
          all.add(new Candidate.Out(OptionName.of(offering.plan()), Verdict.of(reasons)));
        }
      }
    }
    return all;
  }

  private static Candidate withoutPrice(Offering offering, int place, Market market) {
    Verdict musts = Verdict.of(market.fit().musts(offering));
    return musts.qualifies()
        ? new Candidate.OnRequest(offering, place)
        : new Candidate.Out(OptionName.of(offering.plan()), musts);
  }

  private static Candidate.Offered offered(Option option, int place) {
    return new Candidate.Offered(option, option.name(), option.list().measures(), place);
  }
}
