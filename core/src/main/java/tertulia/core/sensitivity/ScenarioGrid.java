package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.fit.Need;
import tertulia.core.growth.Scenario;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Terms;
import tertulia.core.scoring.Totals;

/**
 * Who leads in each combination of growth, price rise, terms and needs.
 *
 * @param cells in any order
 */
public record ScenarioGrid(List<Case> cells) {
  /** Combinations that are worked out at most. */
  public static final int MOST = 240;

  public ScenarioGrid {
    cells = List.copyOf(cells);
  }

  /**
   * What is combined; each has at least one.
   *
   * @param needs sets of needs, such as those stated
   */
  public record Axes(
      List<Scenario> growth, List<PriceRise> rises, List<Terms> terms, List<NeedSet> needs) {
    public Axes {
      growth = List.copyOf(growth);
      rises = List.copyOf(rises);
      terms = List.copyOf(terms);
      needs = List.copyOf(needs);
      long all = (long) growth.size() * rises.size() * terms.size() * needs.size();
      if (all == 0) {
        throw new IllegalArgumentException(
            "Name at least one of each: growth, rise, terms, needs.");
      }
      if (all > MOST) {
        throw new IllegalArgumentException(
            "These are "
                + all
                + " combinations; at most "
                + MOST
                + " are calculated. Leave some of them out.");
      }
    }

    /** Every combination, growth changing fastest, then the rise, the terms and the needs. */
    public List<Scene> scenes() {
      List<Scene> scenes = new ArrayList<>();
      for (NeedSet set : needs) {
        for (Terms some : terms) {
          for (PriceRise rise : rises) {
            growth.forEach(scenario -> scenes.add(new Scene(scenario, rise, some, set)));
          }
        }
      }
      return scenes;
    }
  }

  /**
   * Needs as they are stated but for some.
   *
   * @param dropped that are asked for no more
   * @param required that must be there, whatever is stated of them
   */
  public record NeedSet(Set<Need> dropped, Set<Need> required) {
    public static final NeedSet AS_STATED = new NeedSet(Set.of(), Set.of());

    public NeedSet {
      dropped = Set.copyOf(dropped);
      required = Set.copyOf(required);
    }

    public static NeedSet without(Set<Need> dropped) {
      return new NeedSet(dropped, Set.of());
    }

    private List<Need> of(List<Need> stated) {
      return stated.stream()
          .filter(need -> !dropped.contains(need))
          .map(need -> required.contains(need) ? need.asMust() : need)
          .toList();
    }
  }

  /** One combination. */
  public record Scene(Scenario growth, PriceRise rise, Terms terms, NeedSet needs) {
    Evaluation of(Evaluation read) {
      Evaluation risen = new Otherwise.Rise(rise).of(read);
      return new Otherwise.Growth(growth).of(new Otherwise.Term(terms).of(asking(risen)));
    }

    private Evaluation asking(Evaluation risen) {
      return needs.equals(NeedSet.AS_STATED)
          ? risen
          : Evaluation.of(
              risen.selection().asking(needs.of(risen.selection().needs())), risen.whatIf());
    }
  }

  /**
   * What comes of it.
   *
   * @param first who leads for certain, or else is ahead by the middle of the totals; empty if
   *     nobody is
   * @param by by how much its total is above the next at the middle; empty if there are no totals
   *     or no other
   * @param cost of it over the whole period, as it is read; empty if nobody is first or it is not
   *     known
   */
  public record Case(
      Scene scene,
      Lead lead,
      Optional<String> first,
      Optional<BigDecimal> by,
      Optional<Amount> cost) {
    public Case {
      requireNonNull(scene);
      requireNonNull(lead);
    }
  }

  /** What can matter. */
  public enum Axis {
    GROWTH(Scene::growth),
    RISE(Scene::rise),
    TERMS(Scene::terms),
    NEEDS(Scene::needs);

    private final Function<Scene, Object> of;

    Axis(Function<Scene, Object> of) {
      this.of = of;
    }

    private List<Object> others(Scene scene) {
      List<Object> others = new ArrayList<>();
      for (Axis axis : values()) {
        if (axis != this) {
          others.add(axis.of.apply(scene));
        }
      }
      return others;
    }
  }

  /** Works one combination out. */
  static Case cell(Evaluation read, Scene scene) {
    Evaluation then = scene.of(read);
    Lead lead = Lead.of(then);
    Optional<Totals> totals = then.scores().totals();
    Optional<String> first =
        lead.tool().or(() -> totals.map(t -> t.standings().getFirst().contender()));
    return new Case(
        scene,
        lead,
        first,
        totals.flatMap(ScenarioGrid::ahead),
        first.flatMap(tool -> then.costs().overall().totalBounds(tool)));
  }

  private static Optional<BigDecimal> ahead(Totals totals) {
    List<Totals.Standing> standings = totals.standings();
    return standings.size() < 2
        ? Optional.empty()
        : Optional.of(
            standings.getFirst().total().midpoint().subtract(standings.get(1).total().midpoint()));
  }

  /** What changes who is first when it alone changes, in some combination. */
  public Set<Axis> mattering() {
    EnumSet<Axis> mattering = EnumSet.noneOf(Axis.class);
    for (Axis axis : Axis.values()) {
      boolean turns =
          cells.stream()
              .collect(
                  Collectors.groupingBy(
                      cell -> axis.others(cell.scene()),
                      Collectors.mapping(Case::first, Collectors.toSet())))
              .values()
              .stream()
              .anyMatch(leaders -> leaders.size() > 1);
      if (turns) {
        mattering.add(axis);
      }
    }
    return mattering;
  }
}
