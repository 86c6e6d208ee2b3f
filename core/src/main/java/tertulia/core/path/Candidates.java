package tertulia.core.path;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.PlanPrices.End;
import tertulia.core.pricing.PriceList;

/**
 * What of a tool can be considered, in catalogue order; worked out once for however many headcounts
 * or months.
 *
 * @param high with assumed prices at their high end
 * @param low with assumed prices at their low end; empty if none is assumed
 */
record Candidates(List<Candidate> high, List<Candidate> low) {
  Candidates {
    high = List.copyOf(high);
    low = List.copyOf(low);
  }

  /** One thing to consider. */
  sealed interface Candidate {
    /** An option with prices, under a term that is allowed. */
    record Offered(Option option, String label, List<Measure> measures) implements Candidate {}

    /** A plan that meets the musts and has no price. */
    record OnRequest(String plan) implements Candidate {}

    /** What is out for any number of people. */
    record Out(String label, Verdict verdict) implements Candidate {}
  }

  static Candidates of(List<Offering> offerings, Market market) {
    boolean assumed = offerings.stream().anyMatch(offering -> offering.plan().isAssumed());
    return new Candidates(
        of(offerings, market, End.HIGH), assumed ? of(offerings, market, End.LOW) : List.of());
  }

  private static List<Candidate> of(List<Offering> offerings, Market market, End end) {
    List<Candidate> all = new ArrayList<>();
    for (Offering offering : offerings) {
      List<PriceList> lists = offering.plan().lists(end);
      if (lists.isEmpty()) {
        all.add(withoutPrice(offering, market));
      } else {
        List<PriceList> allowed =
            lists.stream().filter(list -> market.terms().allows(list.term())).toList();
        allowed.forEach(list -> all.add(offered(Option.of(offering, list, market.fit()))));
        if (allowed.isEmpty()) {
          List<Reason> reasons = new ArrayList<>(market.fit().musts(offering));
          reasons.add(new Reason.TermNotSold(market.terms().sold()));
          all.add(new Candidate.Out(offering.plan().name(), Verdict.of(reasons)));
        }
      }
    }
    return all;
  }

  private static Candidate withoutPrice(Offering offering, Market market) {
    Verdict musts = Verdict.of(market.fit().musts(offering));
    return musts.qualifies()
        ? new Candidate.OnRequest(offering.plan().name())
        : new Candidate.Out(offering.plan().name(), musts);
  }

  private static Candidate.Offered offered(Option option) {
    return new Candidate.Offered(option, option.label(), option.list().measures());
  }
}
