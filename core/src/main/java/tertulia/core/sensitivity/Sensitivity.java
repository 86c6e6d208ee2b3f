package tertulia.core.sensitivity;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.RankShares;
import tertulia.core.firmness.WeightRoom;
import tertulia.core.growth.Measure;
import tertulia.core.working.Working;

/** How one evaluation answers to changes; each part is worked out when it is first asked for. */
public final class Sensitivity {
  private final Evaluation read;
  private final Once<TakeIf> takeIf;
  private final Once<List<WeightRoom>> rooms;
  private final Once<List<NearestUpset>> upsets;
  private final Once<List<Swing>> swings;
  private final Once<Optional<Sizes>> people;
  private final Map<Chances, Optional<RankShares>> shares = new HashMap<>();
  private final Map<Day, List<FindOut>> unknown = new HashMap<>();
  private final Map<Measure, Optional<Sizes>> quantities = new HashMap<>();
  private final Map<ScenarioGrid.Scene, ScenarioGrid.Case> scenes =
      new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        /** A reader may ask for any combination, so the oldest are forgotten. */
        @Override
        protected boolean removeEldestEntry(Map.Entry<ScenarioGrid.Scene, ScenarioGrid.Case> e) {
          return size() > 4 * ScenarioGrid.MOST;
        }
      };

  private record Day(LocalDate today, int daysFresh) {}

  public Sensitivity(Evaluation read) {
    this.read = read;
    this.takeIf = new Once<>(() -> TakeIf.of(read));
    this.rooms = new Once<>(() -> read.scores().totals().map(WeightRoom::of).orElse(List.of()));
    this.upsets = new Once<>(() -> upsets(read));
    this.swings = new Once<>(() -> Swing.all(read));
    this.people = new Once<>(() -> Sizes.byHeadcount(read));
  }

  /** What is worked out at most once, however many ask. */
  private static final class Once<T> {
    private @Nullable Supplier<T> work;
    private @Nullable T done;

    Once(Supplier<T> work) {
      this.work = work;
    }

    synchronized T get() {
      T known = done;
      if (known == null) {
        known = java.util.Objects.requireNonNull(work).get();
        done = known;
        work = null;
      }
      return known;
    }
  }

  public Evaluation read() {
    return read;
  }

  /** When to take which. */
  public TakeIf takeIf() {
    return takeIf.get();
  }

  /** The room of each weight. */
  public List<WeightRoom> rooms() {
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
  public List<Swing> swings() {
    return swings.get();
  }

  /** Who leads at which headcount. */
  public Optional<Sizes> byHeadcount() {
    return people.get();
  }

  /** Who leads at how much of a measure; empty if more is needed than can be counted. */
  public synchronized Optional<Sizes> byQuantity(Measure measure) {
    return quantities.computeIfAbsent(measure, asked -> Sizes.byQuantity(read, asked));
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
   * @throws IllegalArgumentException if there is no such figure
   */
  public Working explain(SensitivityFigure figure) {
    return new SensitivityExplanation(this).of(figure);
  }

  /** How often each comes first. */
  public synchronized Optional<RankShares> shares(Chances chances) {
    return shares.computeIfAbsent(
        chances, asked -> asked.of(read, RankShares.DRAWS, RankShares.SEED));
  }

  /** What to find out next. */
  public synchronized List<FindOut> findOut(LocalDate today, int daysFresh) {
    return unknown.computeIfAbsent(
        new Day(today, daysFresh), day -> FindOut.of(read, today, daysFresh));
  }

  /** What comes of some combinations; each is worked out once. */
  public ScenarioGrid scenarios(List<ScenarioGrid.Scene> combined) {
    return new ScenarioGrid(combined.stream().map(this::scene).toList());
  }

  private ScenarioGrid.Case scene(ScenarioGrid.Scene scene) {
    synchronized (scenes) {
      ScenarioGrid.Case known = scenes.get(scene);
      if (known != null) {
        return known;
      }
    }
    ScenarioGrid.Case found = ScenarioGrid.cell(read, scene);
    synchronized (scenes) {
      scenes.put(scene, found);
    }
    return found;
  }

  /** What it would take for a contender that is not ahead. */
  public Optional<WhatItTakes> whatItTakes(String tool) {
    return WhatItTakes.of(read, takeIf(), tool);
  }
}
