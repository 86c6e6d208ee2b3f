package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.joda.money.Money;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Terms;

/** Looks for what would make a contender the cheapest. */
record Remedies(Costs costs) {
  private static final int TENTHS = 1000;

  List<Remedy> of(String contender) {
    List<Remedy> remedies = new ArrayList<>();
    discount(contender).ifPresent(remedies::add);
    headcount(contender).ifPresent(remedies::add);
    for (Terms terms : Terms.values()) {
      if (terms != costs.whatIf().terms()) {
        term(contender, terms).ifPresent(remedies::add);
      }
    }
    return remedies;
  }

  private List<String> rivals(String contender) {
    return costs.selection().active().stream()
        .map(Contender::id)
        .filter(id -> !id.equals(contender))
        .toList();
  }

  private Optional<Money> cheapestRival(String contender, Terms terms) {
    return rivals(contender).stream()
        .flatMap(id -> costs.overall().total(id, costs.overall().wayUnder(id, terms)).stream())
        .min(Money::compareTo);
  }

  /** The smallest in tenths of a percent, by halving: a larger one is never dearer. */
  private Optional<Remedy> discount(String contender) {
    Optional<Money> mine = costs.overall().total(contender);
    Optional<Money> rival = cheapestRival(contender, costs.whatIf().terms());
    if (mine.isEmpty() || rival.isEmpty() || mine.get().isLessThan(rival.get())) {
      return Optional.empty();
    }
    int enough = TENTHS;
    int few = 0;
    if (!isCheaper(contender, enough, rival.get())) {
      return Optional.empty();
    }
    while (enough - few > 1) {
      int middle = (enough + few) / 2;
      if (isCheaper(contender, middle, rival.get())) {
        enough = middle;
      } else {
        few = middle;
      }
    }
    Money becomes =
        costs
            .overall()
            .total(contender, costs.overall().wayAt(contender, left(enough)))
            .orElseThrow();
    return Optional.of(
        new Remedy.Discount(BigDecimal.valueOf(enough).movePointLeft(1), becomes, rival.get()));
  }

  private boolean isCheaper(String contender, int tenths, Money rival) {
    return costs
        .overall()
        .total(contender, costs.overall().wayAt(contender, left(tenths)))
        .map(total -> total.isLessThan(rival))
        .orElse(false);
  }

  private static BigDecimal left(int tenths) {
    return BigDecimal.valueOf(TENTHS - (long) tenths).movePointLeft(3);
  }

  /** The nearest headcount at which the contender is strictly cheaper than every other. */
  private Optional<Remedy> headcount(String contender) {
    CostByHeadcount swept = costs.curves().costByHeadcount();
    int now = costs.people().total();
    if (!swept.curves().containsKey(contender) || isCheapestAt(swept, contender, now)) {
      return Optional.empty();
    }
    return IntStream.rangeClosed(1, swept.most())
        .filter(n -> isCheapestAt(swept, contender, n))
        .boxed()
        .min(java.util.Comparator.comparing(n -> Math.abs(n - now)))
        .map(Remedy.Headcount::new);
  }

  private boolean isCheapestAt(CostByHeadcount swept, String contender, int n) {
    if (n < 1 || n > swept.most()) {
      return false;
    }
    Optional<Money> mine = swept.curve(contender).at(n).map(CostByHeadcount.Point::money);
    return mine.isPresent()
        && rivals(contender).stream()
            .flatMap(id -> swept.curve(id).at(n).stream())
            .allMatch(point -> mine.get().isLessThan(point.money()));
  }

  private Optional<Remedy> term(String contender, Terms terms) {
    Optional<Money> mine =
        costs.overall().total(contender, costs.overall().wayUnder(contender, terms));
    Optional<Money> rival = cheapestRival(contender, terms);
    boolean isNow =
        costs
            .overall()
            .total(contender)
            .flatMap(now -> cheapestRival(contender, costs.whatIf().terms()).map(now::isLessThan))
            .orElse(false);
    return mine.isPresent() && rival.isPresent() && mine.get().isLessThan(rival.get()) && !isNow
        ? Optional.of(new Remedy.Term(terms, mine.get()))
        : Optional.empty();
  }
}
