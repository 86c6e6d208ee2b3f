package tertulia.core.evaluation;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.deadline.OnceEach;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.inuse.AsToday;
import tertulia.core.inuse.InUse;
import tertulia.core.inuse.Together;
import tertulia.core.path.Market;

/** What is in use already, and what of it is to be paid beside each contender. */
public final class UseCosts {
  private final Selection selection;
  private final Market market;
  private final List<People> planned;
  private final OnceEach<String, AsToday> asToday = new OnceEach<>("what is in use, as today");

  UseCosts(Selection selection, Market market, List<People> planned) {
    this.selection = selection;
    this.market = market;
    this.planned = List.copyOf(planned);
  }

  /** What stays beside a contender, and what of the rest is still owed. */
  public Together together(String contender) {
    return new Together(
        staying(contender).stream().map(this::asToday).toList(),
        selection.beside().going(contender).stream().map(this::asToday).toList(),
        selection.currency(),
        selection.horizon().months());
  }

  /** The tools that stay beside a contender and are counted. */
  List<InUse> staying(String contender) {
    List<InUse> uncounted = uncounted();
    return selection.beside().staying(contender).stream()
        .filter(use -> !uncounted.contains(use))
        .toList();
  }

  /**
   * Tools that are not counted: they have no figure and stay beside everybody who is compared, so
   * that they would hide every figure and change no comparison.
   */
  public List<InUse> uncounted() {
    List<Contender> active = selection.active();
    return selection.beside().tools().stream()
        .filter(use -> asToday(use).after().isEmpty())
        .filter(
            use -> active.stream().allMatch(c -> selection.beside().staying(c.id()).contains(use)))
        .toList();
  }

  /** What a tool costs as it is used today. */
  public AsToday asToday(InUse use) {
    return asToday.get(
        use.id(),
        id -> {
          Map<Measure, Demand> needed =
              use.demands(market.demands(), selection.groups().stream().map(Group::id).toList());
          return AsToday.of(
              use,
              UnitsNeeded.byMonth(needed, planned),
              market.demanding(needed),
              selection.rise(),
              selection.horizon(),
              selection.asOf());
        });
  }

  /** A tool as it is bought again: its plan under its term, whatever is known of it. */
  static Offering again(InUse use) {
    return new Offering(use.kept(), Map.of());
  }

  /** What is in use, if a contender is that, kept as it is. */
  Optional<InUse> kept(String contender) {
    return selection.contender(contender).asToday()
        ? selection.beside().tool(contender)
        : Optional.empty();
  }
}
