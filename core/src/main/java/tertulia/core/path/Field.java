package tertulia.core.path;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.path.Candidates.Candidate;
import tertulia.core.pricing.PriceList;

/** The options of a tool with the months in which they do. */
record Field(
    List<Entrant> priced,
    List<Entrant> open,
    Map<OptionName, Verdict> out,
    PathFinder.Setting setting) {
  /**
   * One option.
   *
   * @param list null: on request
   * @param option null: it has no figure
   * @param why null: it has one
   */
  private record Entrant(
      OptionName name,
      int place,
      Offering offering,
      @Nullable PriceList list,
      @Nullable Option option,
      @Nullable NoFigure why,
      boolean[] qualifies) {
    /** Whether it does in a month, and can be bought in it or was bought and runs. */
    boolean isSold(int m, Past past) {
      return qualifies[m]
          && (offering.plan().inForce().contains(m) || past.runs(offering.plan().id(), m));
    }
  }

  static Field of(List<Candidate> candidates, PathFinder.Setting setting) {
    UnitsNeeded stated = setting.months().getFirst();
    List<Entrant> priced = new ArrayList<>();
    List<Entrant> open = new ArrayList<>();
    Map<OptionName, Verdict> out = new LinkedHashMap<>();
    for (Candidate candidate : candidates) {
      switch (candidate) {
        case Candidate.Out never -> out.put(never.name(), never.verdict());
        case Candidate.OnRequest request ->
            open.add(
                new Entrant(
                    request.name(),
                    request.place(),
                    request.offering(),
                    null,
                    null,
                    new NoFigure.OnRequest(),
                    qualifies(request.offering(), null, setting)));
        case Candidate.Begins begins ->
            open.add(
                new Entrant(
                    begins.name(),
                    begins.place(),
                    begins.option().offering(),
                    begins.option().list(),
                    begins.option(),
                    begins.why(setting.market(), stated),
                    qualifies(begins.option().offering(), begins.option().list(), setting)));
        case Candidate.Offered offered -> {
          Option option = offered.option();
          NoFigure why =
              setting.market().whyUnpriced(option.list(), offered.measures(), stated).orElse(null);
          (why == null ? priced : open)
              .add(
                  new Entrant(
                      offered.name(),
                      offered.place(),
                      option.offering(),
                      option.list(),
                      option,
                      why,
                      qualifies(option.offering(), option.list(), setting)));
        }
      }
    }
    return new Field(priced, open, out, setting);
  }

  private static boolean[] qualifies(
      Offering offering, @Nullable PriceList list, PathFinder.Setting setting) {
    boolean[] qualifies = new boolean[setting.horizon().months()];
    for (int m = 0; m < qualifies.length; m++) {
      qualifies[m] = verdict(offering, list, setting, m).qualifies();
    }
    return qualifies;
  }

  private static Verdict verdict(
      Offering offering, @Nullable PriceList list, PathFinder.Setting setting, int m) {
    return setting
        .market()
        .fit()
        .at(offering, list, setting.months().get(m), setting.horizon().month(m));
  }

  boolean anyPriced(int m) {
    return setting.past().covers(m)
        || priced.stream().anyMatch(entrant -> entrant.isSold(m, setting.past()));
  }

  boolean anyOpen(int m) {
    return open.stream().anyMatch(entrant -> entrant.isSold(m, setting.past()));
  }

  List<Option> options() {
    return priced.stream().map(entrant -> requireNonNull(entrant.option())).toList();
  }

  boolean[][] qualifies() {
    return priced.stream().map(Entrant::qualifies).toArray(boolean[][]::new);
  }

  /** No figure, for this reason, though there are ways. */
  PlanPaths.Gap without(NoFigure reason) {
    return new PlanPaths.Gap(
        0,
        Map.of(),
        priced.stream().map(entrant -> new LeftOut(entrant.name(), reason, true)).toList(),
        Optional.empty());
  }

  PlanPaths.Gap gap(int m) {
    Map<OptionName, Verdict> verdicts = new LinkedHashMap<>(out);
    Stream.concat(priced.stream(), open.stream())
        .filter(entrant -> !entrant.qualifies()[m])
        .forEach(entrant ->
            verdicts.put(entrant.name(), verdict(entrant.offering(), entrant.list(), setting, m)));
    return new PlanPaths.Gap(
        m,
        verdicts,
        open.stream()
            .filter(entrant -> entrant.isSold(m, setting.past()))
            .map(entrant -> leftOut(entrant, true))
            .toList(),
        Optional.empty());
  }

  private static LeftOut leftOut(Entrant entrant, boolean mayBeCheaper) {
    NoFigure why = requireNonNull(entrant.why());
    return new LeftOut(entrant.name(), why, mayBeCheaper && !why.isBound());
  }

  List<LeftOut> leftOutBeside(PlanPath way) {
    List<LeftOut> leftOut = new ArrayList<>();
    for (Entrant entrant : open) {
      boolean does = false;
      boolean before = false;
      for (PlanPath.Leg leg : way.legs()) {
        int place = place(leg.option());
        for (int m = leg.months().from(); m < leg.months().end(); m++) {
          boolean isSold = !setting.past().covers(m) && entrant.isSold(m, setting.past());
          does |= isSold;
          before |= isSold && entrant.place() < place;
        }
      }
      if (does) {
        leftOut.add(leftOut(entrant, before));
      }
    }
    return leftOut;
  }

  private int place(Option option) {
    return priced.stream()
        .filter(entrant -> requireNonNull(entrant.option()).equals(option))
        .findFirst()
        .orElseThrow()
        .place();
  }
}
