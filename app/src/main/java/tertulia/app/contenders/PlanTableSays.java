package tertulia.app.contenders;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.PlanTag;
import tertulia.core.path.SteadyCost;

/** What the table of all plans says, in sentences. */
record PlanTableSays(Costs costs, List<Contender> contenders) {
  List<String> says() {
    List<String> says = new ArrayList<>();
    says.add(range());
    below().ifPresent(says::add);
    List<String> without =
        contenders.stream()
            .flatMap(c ->
                costs.planTags(c).stream()
                    .filter(tag -> tag.offering().plan().charged().isEmpty())
                    .map(tag -> plan(c, tag)))
            .toList();
    if (!without.isEmpty()) {
      says.add(
          Voice.say(
              without.size() == 1 ? "plans.no-price.one" : "plans.no-price.many",
              "plans",
              Voice.list(without)));
    }
    if (costs.selection().needs().isEmpty()) {
      says.add(Voice.say("plans.no-needs"));
    }
    return says;
  }

  private String plan(Contender contender, PlanTag tag) {
    return Voice.say(
        "plans.part.plan",
        Map.of("tool", contender.tool().name(), "plan", tag.offering().plan().name()));
  }

  /** Who is read on what, for how much. */
  private String range() {
    String whose = Figures.counted(costs.people().total(), "people");
    List<Money> amounts =
        contenders.stream()
            .flatMap(c -> costs.now().best(c.id()).stream())
            .map(SteadyCost::money)
            .sorted()
            .toList();
    if (amounts.isEmpty()) {
      return Voice.say("plans.cost.none", "people", whose);
    }
    String least = Figures.money(amounts.getFirst());
    String most = Figures.moneyIn(amounts.getLast());
    if (amounts.size() == 1) {
      Contender only =
          contenders.stream()
              .filter(c -> costs.now().best(c.id()).isPresent())
              .findFirst()
              .orElseThrow();
      return Voice.say(
          "plans.cost.one",
          Map.of(
              "people",
              whose,
              "tool",
              only.tool().name(),
              "cost",
              most,
              "plan",
              costs.now().best(only.id()).orElseThrow().option().plan().name()));
    }
    return amounts.getFirst().equals(amounts.getLast())
        ? Voice.say("plans.cost.level", Map.of("people", whose, "cost", most))
        : Voice.say("plans.cost", Map.of("people", whose, "least", least, "most", most));
  }

  /** The largest plan of one that costs less than the smaller plan another is read on. */
  private Optional<String> below() {
    for (Contender one : contenders) {
      List<PlanTag> own = costs.planTags(one);
      if (own.size() < 2 || own.getLast().cost().isEmpty() || own.getLast().tooSmall()) {
        continue;
      }
      Money largest = own.getLast().cost().get().money();
      for (Contender other : contenders) {
        Optional<SteadyCost> rival = costs.now().best(other.id());
        boolean smaller =
            rival
                .map(cost -> cost.option().plan().id())
                .filter(id -> !costs.planTags(other).getLast().offering().plan().id().equals(id))
                .isPresent();
        if (!other.equals(one) && smaller && largest.isLessThan(rival.orElseThrow().money())) {
          return Optional.of(
              Voice.say(
                  "plans.below",
                  Map.of(
                      "tool",
                      one.tool().name(),
                      "plan",
                      own.getLast().offering().plan().name(),
                      "other",
                      other.tool().name(),
                      "rival",
                      rival.orElseThrow().option().plan().name())));
        }
      }
    }
    return Optional.empty();
  }
}
