package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Offering;
import tertulia.core.labour.StaffEffort;
import tertulia.core.path.Past;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.PublicRating;

/**
 * A tool at the table.
 *
 * @param facts by plan id, then capability id
 * @param aside why somebody set it aside; null while it is in
 * @param effort hours it takes people; null: nobody has said, which is not none
 * @param plansAside plans that somebody set aside, by id with the reason; the tool's other plans
 *     are compared
 * @param past what was bought of it in months that are over
 * @param asToday whether it is what is in use, kept as it is
 * @param metBeside what a tool that stays in use beside it has, or another of the tools bought
 *     together, by capability id; such needs count as met
 * @param boughtWith the other tools that are bought together with this one, and what each has to
 *     meet
 */
@RecordBuilder
public record Contender(
    Tool tool,
    Map<String, Map<String, Fact>> facts,
    List<PublicRating> ratings,
    @Nullable String aside,
    @Nullable StaffEffort effort,
    Map<String, String> plansAside,
    Past past,
    boolean asToday,
    Map<String, MetBeside> metBeside,
    List<With> boughtWith)
    implements ContenderBuilder.With {
  public Contender {
    requireNonNull(past);
    requireNonNull(tool);
    metBeside = Map.copyOf(metBeside);
    boughtWith = List.copyOf(boughtWith);
    plansAside = Map.copyOf(plansAside);
    facts = Map.copyOf(facts);
    ratings = List.copyOf(ratings);
  }

  /** A contender of which nothing is bought. */
  public Contender(
      Tool tool,
      Map<String, Map<String, Fact>> facts,
      List<PublicRating> ratings,
      @Nullable String aside,
      @Nullable StaffEffort effort,
      Map<String, String> plansAside) {
    this(tool, facts, ratings, aside, effort, plansAside, Past.NONE, false, Map.of(), List.of());
  }

  /** A contender whose effort nobody has stated. */
  public Contender(
      Tool tool,
      Map<String, Map<String, Fact>> facts,
      List<PublicRating> ratings,
      @Nullable String aside) {
    this(tool, facts, ratings, aside, null);
  }

  /** A contender all of whose plans are compared. */
  public Contender(
      Tool tool,
      Map<String, Map<String, Fact>> facts,
      List<PublicRating> ratings,
      @Nullable String aside,
      @Nullable StaffEffort effort) {
    this(tool, facts, ratings, aside, effort, Map.of());
  }

  public Optional<StaffEffort> takes() {
    return Optional.ofNullable(effort);
  }

  /** This contender at so much of every list price. */
  public Contender times(java.math.BigDecimal part) {
    return with()
        .tool(tool.times(part))
        .boughtWith(boughtWith.stream().map(other -> other.times(part)).toList())
        .build();
  }

  /** This contender read on one of its plans; it stays as it is if it has no such plan. */
  public Contender on(String plan) {
    if (plans().stream().noneMatch(own -> own.id().equals(plan))) {
      return this;
    }
    Map<String, String> others = new LinkedHashMap<>(plansAside);
    plans().stream()
        .filter(own -> !own.id().equals(plan))
        .forEach(own -> others.put(own.id(), "read on another plan"));
    return withPlansAside(others);
  }

  public String id() {
    return tool.id();
  }

  public Optional<String> setAside() {
    return Optional.ofNullable(aside);
  }

  /** The plans that are compared, in catalogue order: those nobody set aside. */
  public List<Plan> plans() {
    return tool.plans().stream().filter(plan -> !plansAside.containsKey(plan.id())).toList();
  }

  /** The plans that are compared with what is known of them, in catalogue order. */
  public List<Offering> offerings() {
    return Offering.of(tool, facts).stream()
        .filter(offering -> !plansAside.containsKey(offering.plan().id()))
        .map(this::withBeside)
        .toList();
  }

  private Offering withBeside(Offering offering) {
    if (metBeside.isEmpty()) {
      return offering;
    }
    Map<String, Fact> all = new LinkedHashMap<>(offering.facts());
    metBeside.forEach((capability, met) -> {
      Fact own = all.get(capability);
      if (own == null || own.answer() != Answer.YES) {
        all.put(capability, met.fact());
      }
    });
    return new Offering(
        offering.plan(), all, offering.offers(), offering.owned(), offering.spoken());
  }

  /**
   * A tool that is bought together with another.
   *
   * @param facts by plan id, then capability id
   * @param asked ids of the capabilities it has to have
   */
  public record With(Tool tool, Map<String, Map<String, Fact>> facts, Set<String> asked) {
    public With {
      requireNonNull(tool);
      facts = Map.copyOf(facts);
      asked = Set.copyOf(asked);
    }

    /** Its plans with what is known of them, in catalogue order. */
    public List<Offering> offerings() {
      return Offering.of(tool, facts);
    }

    private With times(java.math.BigDecimal part) {
      return new With(tool.times(part), facts, asked);
    }
  }

  /**
   * Something that a tool has that stays in use, or is bought together with it.
   *
   * @param tool its name
   * @param fact a yes
   */
  public record MetBeside(String tool, Fact fact) {}
}
