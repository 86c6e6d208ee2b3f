package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.working.Derivation;

/**
 * The totals a panel has without each of its members, from sums over all of them: taking one
 * person's part out of a sum is exact, so the totals are those of the others judging alone, and
 * forty people take no longer than one pass over their marks.
 */
final class WithoutEach {
  private final Scores scores;
  private final Panel panel;
  private final Map<Member, Map<String, BigDecimal>> own = new IdentityHashMap<>();
  private final Map<String, BigDecimal> weights = new HashMap<>();
  private BigDecimal weighing = BigDecimal.ZERO;
  private final Map<String, Map<String, Sum>> marks = new HashMap<>();

  /** Marks times shares, and the shares of those who gave one. */
  private record Sum(BigDecimal marks, BigDecimal shares) {
    static final Sum NOTHING = new Sum(BigDecimal.ZERO, BigDecimal.ZERO);

    Sum and(BigDecimal share, BigDecimal points) {
      return new Sum(marks.add(share.multiply(points)), shares.add(share));
    }
  }

  /**
   * Sums a panel up.
   *
   * @param panel some member has a share above 0
   */
  WithoutEach(Scores scores, Panel panel) {
    this.scores = scores;
    this.panel = panel;
    for (Member member : panel.members()) {
      BigDecimal share = BigDecimal.valueOf(member.share());
      Panel.ownWeights(member, scores.criteria())
          .ifPresent(mine -> {
            own.put(member, mine);
            weighing = weighing.add(share);
            mine.forEach(
                (id, weight) -> weights.merge(id, share.multiply(weight), BigDecimal::add));
          });
      member
          .marks()
          .forEach((criterion, given) ->
              given.forEach((contender, mark) ->
                  mark.given()
                      .ifPresent(points ->
                          marks
                              .computeIfAbsent(criterion, c -> new HashMap<>())
                              .merge(
                                  contender,
                                  Sum.NOTHING.and(share, points),
                                  (one, other) ->
                                      new Sum(
                                          one.marks().add(other.marks()),
                                          one.shares().add(other.shares()))))));
    }
  }

  /**
   * The totals without somebody; empty if nobody else has weights.
   *
   * @param member of the panel; somebody else's share is above 0
   */
  Optional<Totals> totals(Member member, List<String> contenders) {
    BigDecimal share = BigDecimal.valueOf(member.share());
    Map<String, BigDecimal> mine = own.getOrDefault(member, Map.of());
    BigDecimal left = own.containsKey(member) ? weighing.subtract(share) : weighing;
    if (left.signum() == 0 || contenders.isEmpty()) {
      return Optional.empty();
    }
    Map<String, BigDecimal> group = new LinkedHashMap<>();
    for (Criterion criterion : scores.criteria()) {
      BigDecimal sum = weights.getOrDefault(criterion.id(), BigDecimal.ZERO);
      BigDecimal part = share.multiply(mine.getOrDefault(criterion.id(), BigDecimal.ZERO));
      group.put(criterion.id(), sum.subtract(part).divide(left, Panel.ROOM));
    }
    Map<String, Map<String, Value>> values = new LinkedHashMap<>();
    for (String contender : contenders) {
      Map<String, Value> each = new LinkedHashMap<>();
      for (Criterion criterion : scores.criteria()) {
        each.put(criterion.id(), value(member, share, contender, criterion));
      }
      values.put(contender, each);
    }
    return Optional.of(new Totals(scores.criteria(), group, values));
  }

  private Value value(Member member, BigDecimal share, String contender, Criterion criterion) {
    boolean judged = criterion.kind() instanceof Criterion.Judged;
    if (!judged || panel.settled(criterion.id(), contender).isPresent()) {
      return scores.value(contender, criterion).orElseThrow();
    }
    Sum sum = marks.getOrDefault(criterion.id(), Map.of()).getOrDefault(contender, Sum.NOTHING);
    Sum others =
        Optional.ofNullable(member.marks().getOrDefault(criterion.id(), Map.of()).get(contender))
            .flatMap(mark -> mark.given())
            .map(points -> sum.and(share.negate(), points))
            .orElse(sum);
    Interval interval =
        others.shares().signum() == 0
            ? Interval.UNKNOWN
            : Interval.exactly(
                others.marks().divide(others.shares().multiply(BigDecimal.TEN), Panel.ROOM));
    return new Value(
        interval, new Derivation.Missing(criterion.name(), "worked out for its order alone"));
  }

  /** Whether somebody but a member has a share above 0: else all others count alike. */
  static boolean isCounted(List<Member> members, Member without) {
    List<Member> others = new ArrayList<>(members);
    others.remove(without);
    return others.stream().anyMatch(other -> other.share() > 0);
  }
}
