package tertulia.pagetext;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading.AnswerSaid;
import tertulia.pagetext.PageReading.Basis;
import tertulia.pagetext.PageReading.Fee;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.PageReading.OfferSaid;
import tertulia.pagetext.PageReading.Once;
import tertulia.pagetext.PageReading.PlanSaid;
import tertulia.pagetext.PageReading.Use;

/** What was said of a plan so far, and the plan that it makes. */
final class Gathered {
  private final Said<String> name;
  private final Numbers numbers;
  private final Phrases phrases;
  final List<Line> left = new ArrayList<>();
  final List<Said<Sizes.Size>> ofOwn = new ArrayList<>();
  final List<Line> priced = new ArrayList<>();
  final List<Line> extra = new ArrayList<>();
  final Bands bands;
  Optional<Said<Basis>> basis = Optional.empty();
  Optional<Said<Integer>> least = Optional.empty();
  Optional<Said<Integer>> most = Optional.empty();
  Optional<Said<Integer>> pack = Optional.empty();
  Optional<Said<Integer>> included = Optional.empty();
  final List<Said<Once>> once = new ArrayList<>();
  final List<Said<Use>> use = new ArrayList<>();
  final List<Said<Fee>> fees = new ArrayList<>();
  final List<Said<LimitSaid>> limits = new ArrayList<>();
  final List<Said<AnswerSaid>> answers = new ArrayList<>();
  final List<Said<OfferSaid>> offers = new ArrayList<>();
  Optional<String> contains = Optional.empty();
  Optional<LocalDate> until = Optional.empty();

  Gathered(Said<String> name, Numbers numbers, Phrases phrases) {
    this.name = name;
    this.phrases = phrases;
    this.numbers = numbers;
    this.bands = new Bands(numbers);
  }

  /** Its offers; one that is said in words and by a price that was struck through is one. */
  List<Said<OfferSaid>> offers() {
    List<Said<OfferSaid>> said = offers.stream().filter(o -> !isSaidBetter(o)).toList();
    return said.stream()
        .map(o ->
            until.isEmpty() || o.value().until().isPresent()
                ? o
                : new Said<>(o.value().until(until.get()), o.from(), o.assumed()))
        .toList();
  }

  private boolean isSaidBetter(Said<OfferSaid> offer) {
    return offer.assumed().contains(Assumed.STRUCK_THROUGH)
        && offers.stream()
            .anyMatch(other ->
                !other.assumed().contains(Assumed.STRUCK_THROUGH)
                    && other.value().percent().isPresent()
                    && other
                            .value()
                            .percent()
                            .get()
                            .compareTo(offer.value().percent().orElseThrow())
                        == 0);
  }

  void off(BigDecimal percent, Line line, Set<Assumed> assumed) {
    BigDecimal plain = percent.stripTrailingZeros();
    // a share that is no round number is none the page states
    if (plain.scale() <= 2) {
      offers.add(
          new Said<>(
              new OfferSaid(
                  plain.toPlainString() + " % off " + name.value(),
                  Optional.of(plain),
                  phrases.forMonths(line.text()),
                  Offers.until(line.text()),
                  false,
                  Optional.of(name.value())),
              line.passage(),
              assumed));
    }
  }

  boolean isPriced() {
    return !priced.isEmpty() || !bands.isEmpty() || basis.isPresent();
  }

  /**
   * The plan.
   *
   * @param page what is said of all prices
   * @param several whether the page knows more than one way of billing
   * @param before plans that stand before it
   */
  PlanSaid plan(Wording page, boolean several, List<PlanSaid> before) {
    Clause clause = Clause.of(priced, numbers);
    clause
        .reduced()
        .ifPresent(less ->
            off(
                less.value(),
                priced.stream()
                    .filter(line -> line.number() == less.from().line())
                    .findFirst()
                    .orElseThrow(),
                less.assumed()));
    List<Clause.Stated> stated = new ArrayList<>(clause.stated());
    if (basis.filter(b -> b.value() == Basis.FREE).isPresent()) {
      stated.removeIf(one -> one.amount().value().signum() == 0);
    }
    boolean some = included.isPresent() || most.isPresent();
    Wording whole = some && !extra.isEmpty() ? page.or(Wording.OF_ACCOUNT) : page;
    List<Said<Price>> prices = new ArrayList<>(Clause.prices(oneCurrency(stated), whole, several));
    Clause.prices(Clause.of(extra, numbers).stated(), page, several)
        .forEach(more -> prices.add(alike(more, prices)));
    ofOwn.forEach(size -> own(size, prices));
    boolean nothing = prices.stream().allMatch(p -> p.value().amount().signum() == 0);
    Said<Basis> how =
        nothing && !prices.isEmpty()
            ? Said.clear(Basis.FREE, prices.getFirst().from())
            : prices.isEmpty() && bands.isEmpty()
                ? basis.orElseGet(() -> Said.clear(Basis.NOT_SAID, name.from()))
                : Said.clear(
                    Basis.LISTED, prices.isEmpty() ? bands.first() : prices.getFirst().from());
    inherit(before);
    if (included.isEmpty() && most.isPresent() && !extra.isEmpty() && isSoldBeyond(prices)) {
      included = most;
      most = Optional.empty();
    }
    return new PlanSaid(
        name,
        how.assuming(name.assumed()),
        nothing ? List.of() : prices,
        Clause.prices(
            stated.stream().filter(one -> !oneCurrency(stated).contains(one)).toList(),
            page,
            several),
        bands.read(priced, page, several),
        least,
        most,
        pack,
        included,
        once,
        use.stream()
            .map(u -> u.value().currency().isEmpty() ? u.with(inCurrency(u.value(), stated)) : u)
            .toList(),
        fees,
        limits,
        answers);
  }

  /** Whether more people than the plan's price is for can be had, each at a price of their own. */
  private static boolean isSoldBeyond(List<Said<Price>> prices) {
    return prices.stream().anyMatch(price -> price.value().each().isEmpty())
        && prices.stream().anyMatch(price -> price.value().each().isPresent());
  }

  private static Use inCurrency(Use use, List<Clause.Stated> stated) {
    return new Use(
        use.measure(),
        use.amount(),
        stated.isEmpty() ? "" : stated.getFirst().amount().currency(),
        use.block());
  }

  /**
   * A number of the page's own units: of a plan that is priced by them how many it is sold for, of
   * any other a limit.
   */
  private void own(Said<Sizes.Size> size, List<Said<Price>> prices) {
    Sizes.Size said = size.value();
    Measure unit = said.own().orElseThrow();
    if (prices.stream().anyMatch(p -> p.value().each().equals(Optional.of(unit)))) {
      said.least().ifPresent(n -> least = Optional.of(size.with(n)));
      said.most().ifPresent(n -> most = Optional.of(size.with(n)));
      said.included().ifPresent(n -> included = Optional.of(size.with(n)));
    } else if (said.most().isPresent() || said.equals(Sizes.Size.ANY.of(unit))) {
      limits.add(size.with(new LimitSaid(unit, said.most().map(BigDecimal::valueOf), false)));
    } else if (said.least().isPresent()) {
      left.add(new Line(size.from().line(), size.from().text(), Line.Prefix.NONE));
    }
  }

  /** What comes on top is billed like what it comes on top of. */
  private static Said<Price> alike(Said<Price> more, List<Said<Price>> prices) {
    boolean billed =
        !more.assumed().contains(Assumed.HOW_BILLED)
            && !more.assumed().contains(Assumed.WHICH_BILLING);
    if (prices.isEmpty() || billed) {
      return more;
    }
    Price first = prices.getFirst().value();
    Price price = more.value();
    return new Said<>(
        new Price(
            price.amount(),
            price.currency(),
            price.every(),
            price.each(),
            first.term(),
            price.isFrom()),
        more.from(),
        Set.of(Assumed.SAID_ELSEWHERE));
  }

  /** Of prices in several currencies those in the first. */
  private static List<Clause.Stated> oneCurrency(List<Clause.Stated> stated) {
    return stated.stream()
        .filter(one -> one.amount().currency().equals(stated.getFirst().amount().currency()))
        .toList();
  }

  private void inherit(List<PlanSaid> before) {
    contains
        .flatMap(other ->
            before.stream().filter(p -> p.name().value().equalsIgnoreCase(other)).findFirst())
        .ifPresent(plan -> {
          Set<Assumed> assumed = Set.of(Assumed.FROM_OTHER_PLAN);
          List<Said<AnswerSaid>> own = List.copyOf(answers);
          plan.answers().stream()
              .filter(a ->
                  own.stream()
                      .noneMatch(
                          o -> o.value().capability().equalsIgnoreCase(a.value().capability())))
              .forEach(a -> answers.add(a.assuming(assumed)));
          // a limit beyond which more is sold is none without its price
          List<Measure> sold = use.stream().map(u -> u.value().measure()).toList();
          List<Measure> any =
              limits.stream()
                  .filter(l -> l.value().most().isEmpty())
                  .map(l -> l.value().measure())
                  .toList();
          plan.use().stream()
              .filter(u -> !sold.contains(u.value().measure()))
              .filter(u -> !any.contains(u.value().measure()))
              .forEach(u -> use.add(u.assuming(assumed)));
          List<Measure> limited = limits.stream().map(l -> l.value().measure()).toList();
          plan.limits().stream()
              .filter(l -> !limited.contains(l.value().measure()))
              // how many sites or places is said of one plan, and of no other
              .filter(
                  l -> l.value().most().isEmpty() || !l.value().measure().id().startsWith("own/"))
              .forEach(l -> limits.add(l.assuming(assumed)));
        });
  }
}
