package tertulia.core.sensitivity;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.deadline.Once;
import tertulia.core.deadline.OnceEach;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.RankShares;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.growth.Measure;
import tertulia.core.working.Derivation;

/** How one evaluation answers to changes; each part is worked out when it is first asked for. */
public final class Sensitivity {
  /** More of one kind than any page asks for. */
  private static final int KEPT = 200;

  private static final String SHARES = "how often each comes first";
  private final Evaluation read;
  private final Once<TakeIf> takeIf;
  private final Once<List<StabilityRange>> rooms;
  private final Once<List<NearestUpset>> upsets;
  private final Once<List<TornadoBar>> swings;
  private final Once<Optional<Sizes>> people;
  private final OnceEach<Chances, Optional<RankShares>> shares = new OnceEach<>(SHARES, KEPT);
  private final OnceEach<Day, List<FindOut>> unknown =
      new OnceEach<>("what to find out next", KEPT);
  private final OnceEach<Measure, Optional<Sizes>> quantities =
      new OnceEach<>("who leads at how much of what is counted", KEPT);

  /** A reader may ask for any combination, so the oldest are forgotten. */
  private final OnceEach<ScenarioGrid.Scene, ScenarioGrid.Case> scenes =
      new OnceEach<>("who leads if things come out otherwise", 4 * ScenarioGrid.MOST);

  /** Parts of what takes long: whoever asks again after it took too long goes on from there. */
  private final OnceEach<Otherwise, TakeIf.Turned> turned =
      new OnceEach<>("who leads if one thing is otherwise");

  private final OnceEach<FindOut.Unknown, Optional<FindOut>> found =
      new OnceEach<>("what to find out next");

  private record Day(LocalDate today, int daysFresh) {}

  public Sensitivity(Evaluation read) {
    this.read = read;
    this.takeIf = new Once<>("when to take which", () -> TakeIf.of(read, turned));
    this.rooms =
        new Once<>(
            "how far weights may go",
            () -> read.scores().totals().map(StabilityRange::of).orElse(List.of()));
    this.upsets = new Once<>("the nearest upset", () -> upsets(read));
    this.swings = new Once<>("what moves the totals", () -> TornadoBar.all(read));
    this.people = new Once<>("who leads at which headcount", () -> Sizes.byHeadcount(read));
  }

  public Evaluation read() {
    return read;
  }

  /** When to take which. */
  public TakeIf takeIf() {
    return takeIf.get();
  }

  /** The room of each weight. */
  public List<StabilityRange> rooms() {
    return rooms.get();
  }

  /**
   * The nearest upset by each contender that does not lead; those that never could are left out.
   */
  public List<NearestUpset> upsets() {
    return upsets.get();
  }

  private static List<NearestUpset> upsets(Evaluation read) {
    List<NearestUpset> upsets = new ArrayList<>();
    read.scores()
        .totals()
        .filter(totals -> totals.values().size() > 1 && totals.criteria().size() > 1)
        .ifPresent(totals ->
            totals.standings().stream()
                .skip(1)
                .forEach(
                    rival -> NearestUpset.of(totals, rival.contender()).ifPresent(upsets::add)));
    return upsets;
  }

  /** What moves the totals, what moves most first. */
  public List<TornadoBar> swings() {
    return swings.get();
  }

  /** Who leads at which headcount. */
  public Optional<Sizes> byHeadcount() {
    return people.get();
  }

  /** Who leads and what each costs for some numbers of people, in this order. */
  public List<BySize> bySize(List<Integer> people) {
    return people.stream().map(n -> BySize.of(read, byHeadcount(), n)).toList();
  }

  /** Who leads at how much of a measure; empty if more is needed than can be counted. */
  public Optional<Sizes> byQuantity(Measure measure) {
    return quantities.get(measure, asked -> Sizes.byQuantity(read, asked));
  }

  /** Who leads along an axis. */
  public Optional<Sizes> by(Sizes.Axis axis) {
    return switch (axis) {
      case Sizes.Axis.Headcount people -> byHeadcount();
      case Sizes.Axis.Quantity quantity -> byQuantity(quantity.measure());
    };
  }

  /**
   * The answer to "why" for a figure.
   *
   * @throws tertulia.core.working.NoSuchFigure if there is no such figure
   */
  public Derivation explain(SensitivityFigure figure) {
    return new SensitivityExplanation(this).of(figure);
  }

  /** How often each comes first. */
  public Optional<RankShares> shares(Chances chances) {
    return shares.get(chances, asked -> asked.of(read, RankShares.DRAWS, RankShares.SEED));
  }

  /** What to find out next. */
  public List<FindOut> findOut(LocalDate today, int daysFresh) {
    return unknown.get(new Day(today, daysFresh), day -> FindOut.of(read, today, daysFresh, found));
  }

  /** What comes of some combinations; each is worked out once. */
  public ScenarioGrid scenarios(List<ScenarioGrid.Scene> combined) {
    return new ScenarioGrid(combined.stream().map(this::scene).toList());
  }

  private ScenarioGrid.Case scene(ScenarioGrid.Scene scene) {
    return scenes.get(scene, asked -> ScenarioGrid.cell(read, asked));
  }

  /** What it would take for a contender that is not ahead. */
  public Optional<WhatItTakes> whatItTakes(String tool) {
    return WhatItTakes.of(read, takeIf(), tool);
  }
}
