package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.path.PlanPaths;

/**
 * What each must costs: the cheapest total with it less the cheapest total without it, for each
 * contender and for the selection.
 *
 * @param lines the dearest for the selection first
 * @param together by contender the smallest groups of musts that each cost nothing alone but
 *     something together
 */
public record NeedCosts(List<Line> lines, Map<String, List<Together>> together) {
  /** Musts beyond this are not looked at in groups. */
  private static final int MOST_GROUPED = 10;

  public NeedCosts {
    lines = List.copyOf(lines);
    together = Map.copyOf(together);
  }

  /** What giving up a must would do to a contender. */
  public sealed interface Effect {
    /**
     * So much dearer with it; 0 if it costs nothing.
     *
     * @param exact whether both totals are one figure; otherwise they are known within bounds, and
     *     the difference is that of their figures
     */
    record Costs(Money more, Money with, Money without, boolean exact) implements Effect {
      private static Costs of(Amount with, Amount without) {
        return new Costs(
            with.high().minus(without.high()),
            with.high(),
            without.high(),
            with.isExact() && without.isExact());
      }
    }

    /**
     * Only without it is there a total.
     *
     * @param open whether that may be because something is not confirmed: it need not be out
     */
    record RulesOut(Money without, boolean open) implements Effect {}

    /** With or without it there is no total. */
    record NoTotal() implements Effect {}
  }

  /**
   * One must.
   *
   * @param selection what it costs the cheapest contender with and without it; empty if there is no
   *     total either with or without it
   */
  public record Line(Need need, Map<String, Effect> byContender, Optional<Effect> selection) {
    public Line {
      byContender = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(byContender));
    }

    /** What it costs the selection, or nothing if that is not an amount. */
    public Money amount(Money zero) {
      return selection
          .filter(Effect.Costs.class::isInstance)
          .map(effect -> ((Effect.Costs) effect).more())
          .orElse(zero);
    }
  }

  /** Musts that cost something only together. */
  public record Together(List<Need> needs, Effect effect) {
    public Together {
      needs = List.copyOf(needs);
    }
  }

  static NeedCosts of(CostsOverall costs) {
    return new Finder(costs).find();
  }

  /** Finds the costs with as few ways as there are musts and contenders. */
  private record Finder(CostsOverall costs) {
    NeedCosts find() {
      List<Need> musts =
          costs.selection().needs().stream()
              .filter(need -> need.importance() instanceof Importance.Must)
              .toList();
      Map<String, Optional<Amount>> with = new LinkedHashMap<>();
      contenders().forEach(id -> with.put(id, costs.totalBounds(id)));
      List<Line> lines = new ArrayList<>();
      for (Need must : musts) {
        Map<String, Effect> effects = new LinkedHashMap<>();
        List<Amount> without = new ArrayList<>();
        for (String id : contenders()) {
          Optional<Amount> free = costs.totalWithout(id, Set.of(must));
          free.ifPresent(without::add);
          effects.put(id, effect(with.getOrDefault(id, Optional.empty()), free, isOpen(id)));
        }
        lines.add(new Line(must, effects, selection(with, without)));
      }
      Money zero = Money.zero(costs.selection().currency());
      lines.sort(Comparator.comparing((Line line) -> line.amount(zero)).reversed());
      Map<String, List<Together>> together = new LinkedHashMap<>();
      for (String id : contenders()) {
        List<Together> groups = together(id, lines);
        if (!groups.isEmpty()) {
          together.put(id, groups);
        }
      }
      return new NeedCosts(lines, together);
    }

    private List<String> contenders() {
      return costs.selection().active().stream().map(Contender::id).toList();
    }

    /** Whether something of a contender is not confirmed for which it has no total. */
    private boolean isOpen(String contender) {
      return costs.way(contender) instanceof PlanPaths.Gap gap && gap.isUnconfirmed();
    }

    private static Effect effect(Optional<Amount> with, Optional<Amount> without, boolean open) {
      if (without.isEmpty()) {
        return new Effect.NoTotal();
      }
      return with.<Effect>map(total -> Effect.Costs.of(total, without.get()))
          .orElseGet(() -> new Effect.RulesOut(without.get().high(), open));
    }

    private Optional<Effect> selection(Map<String, Optional<Amount>> with, List<Amount> without) {
      Optional<Amount> least = least(with.values().stream().flatMap(Optional::stream).toList());
      Optional<Amount> free = least(without);
      boolean open = contenders().stream().anyMatch(this::isOpen);
      return free.map(amount -> effect(least, Optional.of(amount), open));
    }

    /** The lowest figure; its low end is the lowest that any of them can come to. */
    private static Optional<Amount> least(List<Amount> all) {
      return all.stream()
          .map(Amount::high)
          .min(Money::compareTo)
          .map(high ->
              new Amount(
                  all.stream().allMatch(a -> a.low().isPresent())
                      ? all.stream().map(a -> a.low().orElseThrow()).min(Money::compareTo)
                      : Optional.empty(),
                  high));
    }

    /** The smallest groups among the musts that cost a contender nothing alone. */
    private List<Together> together(String contender, List<Line> lines) {
      Optional<Amount> with = costs.totalBounds(contender);
      List<Need> free =
          lines.stream()
              .filter(line ->
                  line.byContender().get(contender) instanceof Effect.Costs costs
                      ? costs.more().isZero()
                      : with.isEmpty()
                          && line.byContender().get(contender) instanceof Effect.NoTotal)
              .map(Line::need)
              .limit(MOST_GROUPED)
              .toList();
      if (free.size() < 2 || isFree(contender, with, free)) {
        return List.of();
      }
      List<Set<Need>> found = new ArrayList<>();
      List<Together> groups = new ArrayList<>();
      for (int size = 2; size <= free.size() && size <= 4; size++) {
        choose(contender, with, free, 0, size, new ArrayList<>(), found, groups);
      }
      return groups;
    }

    private boolean isFree(String contender, Optional<Amount> with, List<Need> group) {
      return costs
          .totalWithout(contender, new LinkedHashSet<>(group))
          .map(Amount::high)
          .equals(with.map(Amount::high));
    }

    private void choose(
        String contender,
        Optional<Amount> with,
        List<Need> free,
        int from,
        int size,
        List<Need> chosen,
        List<Set<Need>> found,
        List<Together> groups) {
      if (size == 0) {
        Set<Need> set = new LinkedHashSet<>(chosen);
        if (found.stream().noneMatch(set::containsAll) && !isFree(contender, with, chosen)) {
          found.add(set);
          groups.add(
              new Together(
                  chosen, effect(with, costs.totalWithout(contender, set), isOpen(contender))));
        }
        return;
      }
      for (int i = from; i <= free.size() - size; i++) {
        chosen.add(free.get(i));
        choose(contender, with, free, i + 1, size - 1, chosen, found, groups);
        chosen.removeLast();
      }
    }
  }
}
