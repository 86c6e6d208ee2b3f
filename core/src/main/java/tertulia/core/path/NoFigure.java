package tertulia.core.path;

import java.util.List;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.PlanPrices;

/** Why an option that would qualify has no figure. It is unknown, never nothing. */
public sealed interface NoFigure {
  /** Such as "no rate GBP to EUR". */
  default String words() {
    return switch (this) {
      case OnRequest onRequest -> "price on request";
      case FromPrice from -> from.because().words();
      case NotSaid not ->
          "no price is said under this term for "
              + not.charges().stream()
                  .map(name -> "“" + name + "”")
                  .collect(Collectors.joining(" and "));
      case NoDemand no ->
          "no demand stated for "
              + no.measures().stream().map(Measure::label).collect(Collectors.joining(", "));
      case NoRate no -> "no rate " + no.from() + " to " + no.to();
      case NoPaymentRate no -> "no rate " + no.from() + " to " + no.to() + " for payments";
      case NoAveragePayment no -> "no average payment stated";
      case TooManyPaths too ->
          "there are more paths through its plans, terms and offers than can be compared; leave out"
              + " those you would not take";
      case TooLarge too -> "the amounts are too large to count; check its prices and quantities";
    };
  }

  /** The maker names a price only when asked. */
  record OnRequest() implements NoFigure {}

  /** Its prices are "from" so much: a lower bound, which the figure beside it is held against. */
  record FromPrice(PlanPrices.From.Because because) implements NoFigure {}

  /** The page has a price of these under another term only: what is said is a lower bound. */
  record NotSaid(List<String> charges) implements NoFigure {
    public NotSaid {
      charges = List.copyOf(charges);
    }
  }

  /** Whether the least it costs is known, so that the figure beside it is held against that. */
  default boolean isBound() {
    return this instanceof FromPrice || this instanceof NotSaid;
  }

  /** It charges for something nobody has stated a demand for. */
  record NoDemand(List<Measure> measures) implements NoFigure {
    public NoDemand {
      measures = List.copyOf(measures);
    }
  }

  /** Its prices cannot be brought into the reporting currency. */
  record NoRate(CurrencyUnit from, CurrencyUnit to) implements NoFigure {}

  /** The average payment cannot be brought into the currency of its prices. */
  record NoPaymentRate(CurrencyUnit from, CurrencyUnit to) implements NoFigure {}

  /** Its amounts go beyond what can be counted exactly, about 92,000,000,000,000,000. */
  record TooLarge() implements NoFigure {}

  /** There are more ways through its plans than can be compared in a few seconds. */
  record TooManyPaths() implements NoFigure {}

  /** It takes a share of payments whose average nobody has stated. */
  record NoAveragePayment() implements NoFigure {}
}
