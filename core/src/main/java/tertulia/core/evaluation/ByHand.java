package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Need;
import tertulia.core.labour.PeopleTime;
import tertulia.core.path.Option;

/**
 * What people do by hand because plans leave it to them and the buyer accepts that.
 *
 * @param lines each need with its minutes
 * @param missing of which of them nobody has said how long it takes, in a sentence; empty if of
 *     none
 */
public record ByHand(List<PeopleTime.Manual> lines, Optional<String> missing) {
  public ByHand {
    lines = List.copyOf(lines);
  }

  /**
   * Of several plans in one month the one with the most minutes counts.
   *
   * @param options those on which a need is met in a month; none: it does not count in it
   */
  static ByHand of(List<Need> needs, int months, BiFunction<Need, Integer, List<Option>> options) {
    List<PeopleTime.Manual> lines = new ArrayList<>();
    Optional<String> missing = Optional.empty();
    for (Need need : needs) {
      if (!need.byHandIsEnough()) {
        continue;
      }
      List<List<Fact>> facts =
          IntStream.range(0, months)
              .mapToObj(m ->
                  options.apply(need, m).stream()
                      .map(option -> option.offering().fact(need.capability()))
                      .filter(fact -> fact.answer() == Answer.BY_HAND)
                      .toList())
              .toList();
      if (facts.stream().flatMap(List::stream).anyMatch(fact -> fact.minutes().isEmpty())) {
        missing =
            missing.or(() ->
                Optional.of(
                    "nobody has said how many minutes “"
                        + need.capability().name()
                        + "” takes by hand"));
      }
      if (facts.stream().anyMatch(each -> !each.isEmpty())) {
        lines.add(
            new PeopleTime.Manual(
                need.capability().name(), facts.stream().map(ByHand::most).toList()));
      }
    }
    return new ByHand(lines, missing);
  }

  private static BigDecimal most(List<Fact> facts) {
    return facts.stream()
        .flatMap(fact -> fact.minutes().stream())
        .reduce(BigDecimal.ZERO, BigDecimal::max);
  }
}
