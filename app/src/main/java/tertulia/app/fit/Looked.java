package tertulia.app.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.workspace.Named;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.PlanTag;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Ladder;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.path.Option;
import tertulia.core.path.SteadyCost;

/**
 * Going through what a contender's page names: what is needed, what is not and why, and what nobody
 * has looked at yet.
 *
 * @param looked so many are settled
 * @param of so many are named
 */
record Looked(List<Line> lines, int looked, int of) {
  /**
   * A capability.
   *
   * @param where which plans have it, in words
   * @param forces what having it would take, where the plan read does not have it; may be empty
   * @param needed how much it is needed; empty: nobody said so
   * @param because why it is not needed; empty: nobody said so
   */
  record Line(
      String id,
      String name,
      String where,
      String forces,
      String needed,
      String because,
      String by) {
    public boolean isOpen() {
      return needed.isEmpty() && because.isEmpty();
    }
  }

  static Looked of(Session session, Contender contender) {
    Map<String, SelectionFile.NotNeededPart> not =
        session.table().file().contenders().stream()
            .filter(part -> part.tool().id().equals(contender.id()))
            .flatMap(part -> part.needless().stream())
            .collect(
                Collectors.toMap(
                    part -> Codes.slug(part.capability()),
                    part -> part,
                    (a, b) -> a,
                    LinkedHashMap::new));
    Map<String, String> needed = new LinkedHashMap<>();
    session
        .table()
        .selection()
        .needs()
        .forEach(need -> needed.put(need.capability().id(), ComparisonRows.importance(need)));
    List<Line> lines = new ArrayList<>();
    for (Capability capability : Named.by(session, contender)) {
      Optional<SelectionFile.NotNeededPart> why = Optional.ofNullable(not.get(capability.id()));
      lines.add(
          new Line(
              capability.id(),
              capability.name(),
              new Ladder(capability, contender.offerings()).words(),
              forces(session, contender, capability),
              needed.getOrDefault(capability.id(), ""),
              why.map(SelectionFile.NotNeededPart::because).orElse(""),
              why.map(SelectionFile.NotNeededPart::by).orElse("")));
    }
    return new Looked(
        lines, (int) lines.stream().filter(line -> !line.isOpen()).count(), lines.size());
  }

  /** The cheapest plan that has it and meets the needs, if the one read does not have it. */
  private static String forces(Session session, Contender contender, Capability capability) {
    Optional<Option> read = session.evaluation().costs().now().optionNow(contender.id());
    if (read.isEmpty() || has(read.get().offering(), capability)) {
      return "";
    }
    List<PlanTag> having =
        session.evaluation().costs().planTags(contender).stream()
            .filter(tag -> has(tag.offering(), capability))
            .toList();
    Optional<PlanTag> enough = cheapest(session, having, Verdict::qualifies);
    if (enough.isPresent()) {
      return "takes "
          + enough.get().offering().plan().name()
          + step(session, contender, enough.get());
    }
    return cheapest(session, having, Verdict.Unconfirmed.class::isInstance)
        .map(tag -> "takes " + tag.offering().plan().name() + ", not confirmed")
        .orElse(having.isEmpty() ? "" : "no plan that meets the needs has it");
  }

  private static Optional<PlanTag> cheapest(
      Session session, List<PlanTag> plans, Predicate<Verdict> kind) {
    return plans.stream()
        .filter(tag ->
            kind.test(Verdict.of(session.evaluation().costs().now().against(tag.offering()))))
        .min(Comparator.comparing(Looked::amount, Comparator.nullsLast(Comparator.naturalOrder())));
  }

  /** What a plan costs more than the one that is read. */
  private static String step(Session session, Contender contender, PlanTag tag) {
    Optional<Money> now =
        session.evaluation().costs().now().best(contender.id()).map(SteadyCost::money);
    Money then = amount(tag);
    return then == null
        ? ", whose price is not known"
        : now.map(before -> ", " + Figures.signed(then.minus(before)) + " a month").orElse("");
  }

  private static @Nullable Money amount(PlanTag tag) {
    return tag.cost().map(SteadyCost::money).orElse(null);
  }

  private static boolean has(Offering offering, Capability capability) {
    Answer answer = offering.fact(capability).answer();
    return answer == Answer.YES || answer == Answer.PARTLY;
  }
}
