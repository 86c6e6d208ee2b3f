package tertulia.core.scoring;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * The people who weigh and mark.
 *
 * @param settled marks they settled together, at most one for each criterion and contender
 */
public record Panel(List<Member> members, List<Settled> settled) {
  /** The precision of a division where shares and marks are averaged. */
  public static final MathContext ROOM = MathContext.DECIMAL128;

  public Panel {
    members = List.copyOf(members);
    settled = List.copyOf(settled);
  }

  /** People who have settled nothing together. */
  public Panel(List<Member> members) {
    this(members, List.of());
  }

  /** Others with the same marks settled. */
  public Panel of(List<Member> others) {
    return new Panel(others, settled);
  }

  /** What they settled of a contender under a criterion; empty if nothing. */
  public Optional<Settled> settled(String criterion, String contender) {
    return settled.stream()
        .filter(s -> s.criterion().equals(criterion) && s.contender().equals(contender))
        .findFirst();
  }

  /** A member's share in an average; all count alike if every share is 0. */
  BigDecimal shareOf(Member member) {
    boolean nobody = members.stream().allMatch(m -> m.share() == 0);
    return nobody ? BigDecimal.ONE : member.shareWeight();
  }

  /** A member's own weights, adding up to 1; empty if there are none yet. */
  public static Optional<Map<String, BigDecimal>> ownWeights(
      Member member, List<Criterion> criteria) {
    return member.weighing().over(criteria).weights();
  }

  /**
   * The members' own weights averaged by their shares; empty as long as nobody who counts has
   * weights.
   */
  public Optional<Map<String, BigDecimal>> groupWeights(List<Criterion> criteria) {
    List<Own> weighings = weighings(criteria);
    BigDecimal shares = weighings.stream().map(Own::share).reduce(BigDecimal.ZERO, BigDecimal::add);
    if (shares.signum() == 0) {
      return Optional.empty();
    }
    Map<String, BigDecimal> group = new LinkedHashMap<>();
    for (Criterion criterion : criteria) {
      BigDecimal sum = BigDecimal.ZERO;
      for (Own w : weighings) {
        sum =
            sum.add(w.share().multiply(w.weights().getOrDefault(criterion.id(), BigDecimal.ZERO)));
      }
      group.put(criterion.id(), sum.divide(shares, ROOM));
    }
    return Optional.of(group);
  }

  /** The working of one group weight. */
  public Derivation explainWeight(Criterion criterion, List<Criterion> criteria) {
    Optional<Map<String, BigDecimal>> group = groupWeights(criteria);
    if (group.isEmpty()) {
      return new Derivation.Missing(
          "Weight of " + criterion.name(), "no weights are in these figures yet");
    }
    List<Derivation> parts = new ArrayList<>();
    for (Own w : weighings(criteria)) {
      if (w.share().signum() != 0) {
        parts.add(explain(w, criterion, criteria));
      }
    }
    return new Derivation.Derived(
        "Weight of " + criterion.name(),
        new Quantity(group.get().getOrDefault(criterion.id(), BigDecimal.ZERO), ""),
        "own weights averaged by the members' shares",
        parts);
  }

  private static Derivation explain(Own w, Criterion criterion, List<Criterion> criteria) {
    Weighing own = w.member().weighing();
    return new Derivation.Derived(
        w.member().name() + ", share " + w.share().toPlainString(),
        new Quantity(w.weights().getOrDefault(criterion.id(), BigDecimal.ZERO), ""),
        own.rule(),
        own.entered(criterion, criteria));
  }

  private List<Own> weighings(List<Criterion> criteria) {
    List<Own> weighings = new ArrayList<>();
    for (Member member : members) {
      ownWeights(member, criteria)
          .ifPresent(weights -> weighings.add(new Own(member, shareOf(member), weights)));
    }
    return weighings;
  }

  private record Own(Member member, BigDecimal share, Map<String, BigDecimal> weights) {}

  /** One person's mark. */
  public record Given(Member member, Mark mark) {}

  /**
   * The marks for one contender under one criterion in the panel's order; a person who gave none is
   * left out.
   */
  public List<Given> marks(String criterion, String contender) {
    List<Given> marks = new ArrayList<>();
    for (Member member : members) {
      Mark mark = member.marks().getOrDefault(criterion, Map.of()).get(contender);
      if (mark != null) {
        marks.add(new Given(member, mark));
      }
    }
    return marks;
  }
}
