package tertulia.core.path;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.deadline.Deadline;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Offer;
import tertulia.core.time.Horizon;

/**
 * Groups of people on plans of their own: each is on one plan for all months, within a plan the
 * cheapest way through its terms, and a plan has to meet the musts of its groups. Of all ways to
 * share the groups out the one with the least total: of equal ones the one with the fewest plans,
 * then in catalogue order. The fixed part of what is needed goes whole to one plan that a group is
 * on, and an amount off invoices to one as well, whichever makes it cheapest. What is covered
 * outside counts for each plan that lacks it.
 *
 * @param shares at least two, the one of the most people first
 */
public record Split(List<Share> shares) {
  /** Groups that are shared out at most, and plans among which they are. */
  public static final int MOST = 6;

  /** Fixed parts that are shared out one by one; what is beyond goes together. */
  private static final int MOST_FIXED = 3;

  public Split {
    shares = List.copyOf(shares);
  }

  /**
   * Groups on one plan.
   *
   * @param demands what they need, with the fixed parts that go to this plan
   * @param fit what is asked of it
   */
  public record Share(
      Offering offering,
      List<Group> groups,
      Map<Measure, Demand> demands,
      Fit fit,
      PlanPaths.Found paths) {
    /** A market in which these groups alone need anything, and only what they need. */
    public Market in(Market market) {
      return market.demanding(demands).asking(fit);
    }
  }

  /**
   * What holds for every share.
   *
   * @param planned people by plan month
   */
  public record Setting(
      Market market,
      List<Group> groups,
      List<People> planned,
      PriceRise rise,
      Horizon horizon,
      CostTiming view,
      EarlyTerminationPolicy leaving,
      Money changing) {}

  /** Something fixed that goes whole to one plan. */
  private sealed interface Whole {
    record Fixed(Set<Measure> measures) implements Whole {}

    record AmountsOff() implements Whole {}
  }

  /**
   * The cheapest split over more than one plan; empty if there is none with a figure, or there are
   * too many groups or plans.
   */
  public static Optional<Split> cheapest(List<Offering> offerings, Setting setting) {
    List<Group> groups =
        setting.groups().stream()
            .filter(group ->
                setting.market().demands().values().stream()
                    .anyMatch(demand -> rate(demand, group).signum() > 0))
            .toList();
    if (groups.size() < 2
        || groups.size() > MOST
        || offerings.size() < 2
        || offerings.size() > MOST) {
      return Optional.empty();
    }
    return new Search(offerings, groups, setting).best();
  }

  private static BigDecimal rate(Demand demand, Group group) {
    return demand.rates().getOrDefault(group.id(), BigDecimal.ZERO);
  }

  /** What all shares come to together, as a way of the first. */
  public PlanPaths paths() {
    List<LeftOut> leftOut = new ArrayList<>();
    shares.forEach(share -> leftOut.addAll(share.paths().leftOut()));
    boolean range = shares.stream().anyMatch(share -> share.paths().low().isPresent());
    return new PlanPaths.Found(
        path(PlanPaths.Found::best),
        leftOut,
        range ? Optional.of(path(found -> found.low().orElse(found.best()))) : Optional.empty());
  }

  private PlanPath path(java.util.function.Function<PlanPaths.Found, PlanPath> which) {
    return which
        .apply(shares.getFirst().paths())
        .with(
            shares.subList(1, shares.size()).stream()
                .map(share ->
                    new PlanPath.Alongside(
                        PlanPath.Alongside.Kind.GROUPS, share.groups(), which.apply(share.paths())))
                .toList());
  }

  /** What all shares cost a month, for people of whom each share takes its own. */
  public Outcome<SteadyCost> steady(
      Market market, java.util.function.Function<Market, EvaluationPoint> occasion) {
    List<Outcome<SteadyCost>> each =
        shares.stream()
            .map(share -> {
              Market own = share.in(market);
              return SteadyCost.cheapest(List.of(share.offering()), own, occasion.apply(own));
            })
            .toList();
    return SteadyCost.together(each.getFirst(), each.subList(1, each.size()));
  }

  /** Groups and fixed parts that are shared out so far, as bits. */
  private record Left(int groups, int whole) {}

  /** Groups and fixed parts of a plan, as bits. */
  private record Key(int plan, int groups, int whole) {}

  /** A way to share some groups out among the first plans. */
  private record Shared(long minor, int plans, List<Key> keys) {
    Shared with(Key key, long more) {
      List<Key> longer = new ArrayList<>(keys);
      longer.add(key);
      return new Shared(minor + more, plans + 1, longer);
    }

    /** Cheaper, fewer plans, catalogue order. */
    boolean isBetterThan(@Nullable Shared other) {
      if (other == null) {
        return true;
      }
      return Comparator.comparingLong(Shared::minor)
              .thenComparingInt(Shared::plans)
              .compare(this, other)
          < 0;
    }
  }

  private static final class Search {
    private final List<Offering> offerings;
    private final List<Group> groups;
    private final Setting setting;
    private final List<Whole> whole;
    private final Map<Key, Optional<Share>> found = new HashMap<>();

    Search(List<Offering> offerings, List<Group> groups, Setting setting) {
      this.offerings = offerings;
      this.groups = groups;
      this.setting = setting;
      this.whole = whole();
    }

    /** The fixed parts that some plan counts, and amounts off if there are any. */
    private List<Whole> whole() {
      List<Measure> fixed =
          setting.market().demands().entrySet().stream()
              .filter(entry ->
                  entry.getValue().fixed().signum() > 0 || entry.getValue().stock().signum() > 0)
              .map(Map.Entry::getKey)
              .filter(measure -> offerings.stream().anyMatch(o -> counts(o, measure)))
              .toList();
      List<Whole> all = new ArrayList<>();
      for (int i = 0; i < fixed.size() && i < MOST_FIXED; i++) {
        all.add(
            new Whole.Fixed(
                i + 1 < MOST_FIXED
                    ? Set.of(fixed.get(i))
                    : new LinkedHashSet<>(fixed.subList(i, fixed.size()))));
      }
      if (offerings.stream().flatMap(o -> o.offers().stream()).anyMatch(Search::isAmount)) {
        all.add(new Whole.AmountsOff());
      }
      return all;
    }

    private static boolean counts(Offering offering, Measure measure) {
      return offering.plan().allowances().stream().map(Allowance::measure).anyMatch(measure::equals)
          || offering.plan().charged().stream().anyMatch(list -> list.measures().contains(measure));
    }

    private static boolean isAmount(Offer offer) {
      return offer.benefit() instanceof Offer.Benefit.AmountOff;
    }

    /** Plan by plan, every part of what is left. */
    Optional<Split> best() {
      int sets = 1 << groups.size();
      int parts = 1 << whole.size();
      Map<Left, Shared> before = Map.of(new Left(0, 0), new Shared(0, 0, List.of()));
      for (int plan = 0; plan < offerings.size(); plan++) {
        Map<Left, Shared> now = new HashMap<>();
        for (int set = 0; set < sets; set++) {
          for (int part = 0; part < parts; part++) {
            Left all = new Left(set, part);
            Shared best = cheapest(before, plan, all);
            if (best != null) {
              now.put(all, best);
            }
          }
        }
        before = now;
      }
      return Optional.ofNullable(before.get(new Left(sets - 1, parts - 1)))
          .filter(all -> all.plans() > 1)
          .map(this::split);
    }

    private @Nullable Shared cheapest(Map<Left, Shared> before, int plan, Left all) {
      Shared best = before.get(all);
      for (int own = all.groups(); own > 0; own = (own - 1) & all.groups()) {
        for (int with = all.whole(); with >= 0; with = with == 0 ? -1 : (with - 1) & all.whole()) {
          Shared rest = before.get(new Left(all.groups() & ~own, all.whole() & ~with));
          if (rest != null) {
            Key key = new Key(plan, own, with);
            Optional<Share> share = share(key);
            if (share.isPresent()) {
              Shared longer = rest.with(key, minor(share.get()));
              if (longer.isBetterThan(best)) {
                best = longer;
              }
            }
          }
        }
      }
      return best;
    }

    private long minor(Share share) {
      return share.paths().best().ledger().total(setting.view()).getAmountMinorLong();
    }

    private Optional<Share> share(Key key) {
      Optional<Share> known = found.get(key);
      if (known == null) {
        Deadline.check(() -> "who is on which plan");
        known = priced(key);
        found.put(key, known);
      }
      return known;
    }

    private Optional<Share> priced(Key key) {
      List<Group> own =
          IntStream.range(0, groups.size())
              .filter(g -> (key.groups() >> g & 1) == 1)
              .mapToObj(groups::get)
              .toList();
      Set<String> ids = own.stream().map(Group::id).collect(Collectors.toSet());
      Map<Measure, Demand> demands = new LinkedHashMap<>();
      setting
          .market()
          .demands()
          .forEach((measure, demand) ->
              demands.put(measure, of(demand, ids, isWholeHere(measure, key))));
      Fit fit = setting.market().fit();
      Fit asked = fit.asking(fit.needs().stream().filter(need -> need.isOf(ids)).toList());
      Offering offering = offering(key);
      Market market = setting.market().demanding(demands).asking(asked);
      return PlanPaths.through(
                  List.of(offering),
                  market,
                  UnitsNeeded.byMonth(demands, setting.planned()),
                  setting.rise(),
                  setting.horizon(),
                  setting.view(),
                  setting.leaving(),
                  setting.changing())
              instanceof PlanPaths.Found paths
          ? Optional.of(new Share(offering, own, demands, asked, paths))
          : Optional.empty();
    }

    /** What nobody counts apart goes everywhere. */
    private boolean isWholeHere(Measure measure, Key key) {
      for (int w = 0; w < whole.size(); w++) {
        if (whole.get(w) instanceof Whole.Fixed fixed && fixed.measures().contains(measure)) {
          return (key.whole() >> w & 1) == 1;
        }
      }
      return true;
    }

    private static Demand of(Demand demand, Set<String> groups, boolean fixed) {
      Map<String, BigDecimal> rates = new LinkedHashMap<>();
      demand
          .rates()
          .forEach((group, rate) -> {
            if (groups.contains(group)) {
              rates.put(group, rate);
            }
          });
      return new Demand(fixed ? demand.fixed() : BigDecimal.ZERO, rates)
          .onTopOf(fixed ? demand.stock() : BigDecimal.ZERO);
    }

    private Offering offering(Key key) {
      Offering offering = offerings.get(key.plan());
      for (int w = 0; w < whole.size(); w++) {
        if (whole.get(w) instanceof Whole.AmountsOff && (key.whole() >> w & 1) == 0) {
          return new Offering(
              offering.plan(),
              offering.facts(),
              offering.offers().stream().filter(offer -> !isAmount(offer)).toList(),
              offering.owned(),
              offering.spoken());
        }
      }
      return offering;
    }

    private Split split(Shared all) {
      People first = setting.planned().getFirst();
      return new Split(
          all.keys().stream()
              .map(key -> share(key).orElseThrow())
              .sorted(Comparator.comparingInt((Share share) -> people(share, first)).reversed())
              .toList());
    }

    private static int people(Share share, People people) {
      return share.groups().stream()
          .mapToInt(group -> people.counts().getOrDefault(group.id(), 0))
          .sum();
    }
  }
}
