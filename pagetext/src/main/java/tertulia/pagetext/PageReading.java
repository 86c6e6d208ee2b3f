package tertulia.pagetext;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Count;
import tertulia.core.growth.Measure;

/**
 * What the text of a price page says.
 *
 * @param tool what the page's title says it is about
 * @param plans in the order of the page
 * @param offers reductions for a while
 * @param trialDays how long it can be tried for nothing
 * @param trialCard whether trying asks for a card
 * @param circumstances where, on what and in which languages it can be had
 * @param taxPercent tax that the prices hold; empty: nothing is said, or they are before tax
 * @param notUnderstood lines that say something no rule knows
 * @param passedOver lines that are known to say nothing of the kind: buttons, slogans, headings
 */
public record PageReading(
    Optional<Said<String>> tool,
    List<PlanSaid> plans,
    List<AddOnSaid> addOns,
    List<Said<OfferSaid>> offers,
    Optional<Said<Integer>> trialDays,
    Optional<Said<Boolean>> trialCard,
    List<Said<CircumstanceSaid>> circumstances,
    Optional<Said<BigDecimal>> taxPercent,
    List<Passage> notUnderstood,
    List<Passage> passedOver) {
  public PageReading {
    plans = List.copyOf(plans);
    addOns = List.copyOf(addOns);
    offers = List.copyOf(offers);
    circumstances = List.copyOf(circumstances);
    notUnderstood = List.copyOf(notUnderstood);
    passedOver = List.copyOf(passedOver);
  }

  /** Everything that is said, by how sure it is. */
  public Map<Sureness, Integer> tally() {
    Map<Sureness, Integer> tally = new EnumMap<>(Sureness.class);
    said().forEach(said -> tally.merge(said.sure(), 1, Integer::sum));
    return tally;
  }

  private Stream<? extends Said<?>> said() {
    Stream<Said<?>> ofPage =
        Stream.of(tool, trialDays, trialCard, taxPercent).flatMap(Optional::stream);
    Stream<Said<?>> besides =
        Stream.of(offers.stream(), addOns.stream().map(AddOnSaid::price), circumstances.stream())
            .flatMap(said -> said);
    return Stream.concat(plans.stream().flatMap(PlanSaid::said), Stream.concat(besides, ofPage));
  }

  /** How a plan is priced. */
  public enum Basis {
    LISTED,
    FREE,
    ON_REQUEST,
    /** The page names the plan and no price. */
    NOT_SAID
  }

  /**
   * A plan.
   *
   * @param prices each for another term or unit
   * @param otherCurrencies the same prices in other currencies, which are not taken
   * @param bands in rising order; empty if all units cost alike
   * @param least people it is sold for at least
   * @param most people it is sold for at most
   * @param pack units are sold in packs of so many
   * @param included units the account's price includes
   * @param once paid once, when it is taken
   */
  public record PlanSaid(
      Said<String> name,
      Said<Basis> basis,
      List<Said<Price>> prices,
      List<Said<Price>> otherCurrencies,
      List<Said<BandSaid>> bands,
      Optional<Said<Integer>> least,
      Optional<Said<Integer>> most,
      Optional<Said<Integer>> pack,
      Optional<Said<Integer>> included,
      List<Said<Once>> once,
      List<Said<Use>> use,
      List<Said<Fee>> fees,
      List<Said<LimitSaid>> limits,
      List<Said<AnswerSaid>> answers) {
    public PlanSaid {
      prices = List.copyOf(prices);
      otherCurrencies = List.copyOf(otherCurrencies);
      bands = List.copyOf(bands);
      once = List.copyOf(once);
      use = List.copyOf(use);
      fees = List.copyOf(fees);
      limits = List.copyOf(limits);
      answers = List.copyOf(answers);
    }

    /** The same with limits read again. */
    PlanSaid withLimits(List<Said<LimitSaid>> other) {
      return new PlanSaid(
          name,
          basis,
          prices,
          otherCurrencies,
          bands,
          least,
          most,
          pack,
          included,
          once,
          use,
          fees,
          other,
          answers);
    }

    /** Everything that is said of it; that prices are listed they say themselves. */
    Stream<Said<?>> said() {
      Stream<Said<?>> called =
          basis.value() == Basis.LISTED ? Stream.of(name) : Stream.of(name, basis);
      Stream<Said<?>> one =
          Stream.concat(called, Stream.of(least, most, pack, included).flatMap(Optional::stream));
      Stream<Said<?>> costs =
          Stream.of(prices, otherCurrencies, bands, once, use, fees).flatMap(List::stream);
      return Stream.concat(
          one, Stream.concat(costs, Stream.concat(limits.stream(), answers.stream())));
    }
  }

  /**
   * A band of units.
   *
   * @param upTo the last unit in it; empty: it is open
   * @param price of each unit in it, or of all together if it is the account's
   */
  public record BandSaid(Optional<Integer> upTo, Price price) {}

  /** Paid once; empty {@code each}: for the account. */
  public record Once(String name, BigDecimal amount, String currency, Optional<Measure> each) {}

  /** The price of each block of use above what is included. */
  public record Use(Measure measure, BigDecimal amount, String currency, BigDecimal block) {}

  /** Kept of each payment: percents of it, and a fixed amount. */
  public record Fee(BigDecimal percent, BigDecimal fixed, String currency) {}

  /**
   * How much of a measure a plan allows.
   *
   * @param most empty: without a limit
   * @param perSeat whether it is for each seat, not for the account
   */
  public record LimitSaid(Measure measure, Optional<BigDecimal> most, boolean perSeat) {}

  /**
   * Whether a plan has a capability.
   *
   * @param count how many there are of it; empty: it is not counted
   */
  public record AnswerSaid(String capability, Answer answer, Optional<Count> count) {
    /** Of what is not counted. */
    AnswerSaid(String capability, Answer answer) {
      this(capability, answer, Optional.empty());
    }
  }

  /**
   * A circumstance under which the tool can be had.
   *
   * @param value names with commas, or so many of something
   */
  public record CircumstanceSaid(Kind kind, String value) {
    /** What is said. */
    public enum Kind {
      COUNTRIES,
      DATA_PLACES,
      PLATFORMS,
      LANGUAGES,
      /** How much of something can be used for nothing before one pays. */
      TRIAL_USE
    }
  }

  /** Something sold beside the plans. */
  public record AddOnSaid(Said<String> name, Said<Price> price) {}

  /**
   * A reduction for a while.
   *
   * @param percent off; empty: those months are free
   * @param months empty: the page does not say how long
   * @param until the last day it can be had; empty: none is said
   * @param plan the plan it is said of; empty: all
   */
  public record OfferSaid(
      String name,
      Optional<BigDecimal> percent,
      Optional<Integer> months,
      Optional<LocalDate> until,
      boolean newBuyersOnly,
      Optional<String> plan) {
    /** The same that can be had until a day. */
    OfferSaid until(LocalDate day) {
      return new OfferSaid(name, percent, months, Optional.of(day), newBuyersOnly, plan);
    }
  }
}
