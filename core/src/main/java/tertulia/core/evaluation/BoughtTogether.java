package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.joda.money.Money;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;

/**
 * Which of several tools that are bought together has to meet which must: of all ways to share them
 * out the one with which the sum of the tools is the least, as the question stands. What every tool
 * has to meet by itself is asked of each.
 */
public final class BoughtTogether {
  /**
   * Ways to share the musts out that are tried; musts beyond go to the first tool that has them.
   */
  static final int MOST_TRIED = 64;

  private final Selection selection;
  private final Contender set;
  private final Set<String> ofEvery;
  private final List<List<Offering>> tools = new ArrayList<>();
  private final List<String> names = new ArrayList<>();

  private BoughtTogether(Selection selection, Contender set, Set<String> ofEvery) {
    this.selection = selection;
    this.set = set;
    this.ofEvery = ofEvery;
    tools.add(set.offerings());
    names.add(set.tool().name());
    for (Contender.With other : set.boughtWith()) {
      tools.add(other.offerings());
      names.add(other.tool().name());
    }
  }

  /**
   * The same selection with the musts of each contender of several tools shared out.
   *
   * @param ofEvery ids of what every tool has to meet by itself
   */
  public static Selection settled(Selection selection, Set<String> ofEvery) {
    return selection.contenders().stream().allMatch(c -> c.boughtWith().isEmpty())
        ? selection
        : selection.withContenders(
            selection.contenders().stream()
                .map(c ->
                    c.boughtWith().isEmpty()
                        ? c
                        : new BoughtTogether(selection, c, ofEvery).settled())
                .toList());
  }

  private Contender settled() {
    Map<Need, List<Integer>> may = new LinkedHashMap<>();
    for (Need need : selection.needs()) {
      if (need.importance() instanceof Importance.Must
          && !ofEvery.contains(need.capability().id())) {
        may.put(need, may(need));
      }
    }
    Contender best = null;
    Optional<Money> least = Optional.empty();
    for (Map<Need, Integer> shared : ways(may)) {
      Contender tried = shared(shared);
      Optional<Money> cost = overall(tried).spreadTotal(set.id());
      boolean less = cost.isPresent() && (least.isEmpty() || cost.get().isLessThan(least.get()));
      if (best == null || less) {
        best = tried;
        least = cost;
      }
    }
    return withTheRest(java.util.Objects.requireNonNull(best));
  }

  private CostsOverall overall(Contender tried) {
    return Costs.of(selection.among(List.of(tried)).unjudged(), WhatIf.START).overall();
  }

  /** The tools that have it in some plan, else those of which it is not known, else the first. */
  private List<Integer> may(Need need) {
    List<Integer> have = those(need.capability(), true);
    List<Integer> open = have.isEmpty() ? those(need.capability(), false) : have;
    return open.isEmpty() ? List.of(0) : open;
  }

  private List<Integer> those(Capability capability, boolean known) {
    return IntStream.range(0, tools.size())
        .filter(t ->
            tools.get(t).stream()
                .map(offering -> offering.fact(capability).answer())
                .anyMatch(answer ->
                    known
                        ? answer != Answer.NO && answer != Answer.UNKNOWN
                        : answer == Answer.UNKNOWN))
        .boxed()
        .toList();
  }

  /** Every way to share the musts out, as long as there are not too many. */
  private static List<Map<Need, Integer>> ways(Map<Need, List<Integer>> may) {
    List<Map<Need, Integer>> ways = new ArrayList<>();
    ways.add(Map.of());
    for (Map.Entry<Need, List<Integer>> entry : may.entrySet()) {
      boolean tooMany = ways.size() * entry.getValue().size() > MOST_TRIED;
      List<Integer> tools = tooMany ? entry.getValue().subList(0, 1) : entry.getValue();
      ways =
          ways.stream()
              .flatMap(way -> tools.stream().map(tool -> plus(way, entry.getKey(), tool)))
              .toList();
    }
    return ways;
  }

  private static Map<Need, Integer> plus(Map<Need, Integer> way, Need need, int tool) {
    Map<Need, Integer> longer = new LinkedHashMap<>(way);
    longer.put(need, tool);
    return longer;
  }

  private Contender shared(Map<Need, Integer> shared) {
    Map<String, Contender.MetBeside> met = new LinkedHashMap<>(set.metBeside());
    List<Contender.With> others = new ArrayList<>();
    for (int t = 1; t < tools.size(); t++) {
      int tool = t;
      Set<String> asked = new LinkedHashSet<>(ofEvery);
      shared.forEach((need, by) -> {
        if (by == tool) {
          asked.add(need.capability().id());
          met.put(need.capability().id(), met(tool, need.capability()));
        }
      });
      Contender.With other = set.boughtWith().get(t - 1);
      others.add(new Contender.With(other.tool(), other.facts(), asked));
    }
    return set.withMetBeside(met).withBoughtWith(others);
  }

  /** What a tool has of it; whether its plan has it, is judged where that tool is. */
  private Contender.MetBeside met(int tool, Capability capability) {
    Fact first =
        tools.get(tool).stream()
            .map(offering -> offering.fact(capability))
            .filter(fact -> fact.answer() == Answer.YES)
            .findFirst()
            .orElseGet(() -> tools.get(tool).getFirst().fact(capability));
    return new Contender.MetBeside(
        names.get(tool),
        first.answer() == Answer.BY_HAND ? first : new Fact(Answer.YES, first.source()));
  }

  /** With what else the other tools have on the plans they are on. */
  private Contender withTheRest(Contender settled) {
    if (!(overall(settled).spread(set.id()) instanceof PlanPaths.Found found)) {
      return settled;
    }
    Map<String, Contender.MetBeside> met = new LinkedHashMap<>(settled.metBeside());
    List<PlanPath.Alongside> paths =
        found.best().alongside().stream()
            .filter(other -> other.isOf(PlanPath.Alongside.Kind.TOOL))
            .toList();
    selection.needs().stream()
        .filter(need -> !(need.importance() instanceof Importance.Must))
        .map(Need::capability)
        .forEach(capability ->
            IntStream.range(0, paths.size())
                .filter(t -> has(paths.get(t).path(), capability))
                .findFirst()
                .ifPresent(t -> met.putIfAbsent(capability.id(), met(t + 1, capability))));
    return settled.withMetBeside(met);
  }

  private static boolean has(PlanPath path, Capability capability) {
    return path.legs().stream().allMatch(leg -> leg.option().answer(capability) == Answer.YES);
  }
}
