package tertulia.core.billing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.joda.money.Money;
import tertulia.core.growth.Measure;
import tertulia.core.money.Rounding;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.Reductions;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/** One charge on one invoice, all its bands, units and months, after offers, rounded once. */
public sealed interface InvoiceLine {
  String name();

  /** The line's amount before tax, rounded half-up to the minor unit. */
  Money amount();

  /** The working of {@link #amount}. */
  Derivation explain();

  /** What kind of charge it is, for adding up alike ones. */
  default Kind kind() {
    return switch (this) {
      case Held held -> held.charge() instanceof Charge.Flat ? Kind.ACCOUNT : Kind.UNITS;
      case Once once -> Kind.ONCE;
      case OnceShare share -> Kind.ONCE;
      case Used used -> Kind.USE;
      case Fee fee -> Kind.FEES;
      case ToMinimum minimum -> Kind.MINIMUM;
      case Elsewhere elsewhere -> Kind.OUTSIDE;
      case TakenOff off -> Kind.OFF;
      case Credit credit -> Kind.CREDIT;
    };
  }

  /** Kinds of lines, in the order in which they are read. */
  enum Kind {
    UNITS("seats and other units"),
    ACCOUNT("the account"),
    USE("use"),
    FEES("payment fees"),
    ONCE("once"),
    MINIMUM("up to a minimum"),
    OUTSIDE("covered outside"),
    OFF("taken off"),
    CREDIT("credited");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /** Whether an offer touches what is charged here. */
  boolean touchedBy(Offer offer);

  /**
   * What is held for some months: (price a month of the units − of what is invoiced already), after
   * offers, summed over the months.
   *
   * @param basis how list prices become the prices in force
   * @param offers those used
   * @param needed units needed when it was invoiced
   * @param units units paid for; 1 for an account
   * @param already units whose price is invoiced already in this term; 0 at its start
   * @param from the first month covered
   * @param months how many months it covers
   */
  record Held(
      Charge.Held charge,
      PriceBasis basis,
      List<Offer> offers,
      int needed,
      int units,
      int already,
      int from,
      int months)
      implements InvoiceLine {

    @Override
    public String name() {
      return charge.name();
    }

    @Override
    public Money amount() {
      BigDecimal exact = BigDecimal.ZERO;
      for (Stretch stretch : stretches()) {
        exact = exact.add(stretch.more().multiply(BigDecimal.valueOf(stretch.months())));
      }
      return Rounding.toMinorUnit(basis.tax().without(exact), charge.currency());
    }

    /** Months in a row in which the same offers hold. */
    private List<Stretch> stretches() {
      if (offers.isEmpty()) {
        return List.of(new Stretch(Reductions.NONE, months));
      }
      List<Stretch> stretches = new ArrayList<>();
      for (int m = from; m < from + months; m++) {
        Reductions here = Reductions.of(offers, charge, m);
        if (!stretches.isEmpty() && stretches.getLast().reductions().equals(here)) {
          Stretch last = stretches.removeLast();
          stretches.add(new Stretch(here, last.months() + 1));
        } else {
          stretches.add(new Stretch(here, 1));
        }
      }
      return stretches;
    }

    private final class Stretch {
      private final Reductions reductions;
      private final int months;

      Stretch(Reductions reductions, int months) {
        this.reductions = reductions;
        this.months = months;
      }

      Reductions reductions() {
        return reductions;
      }

      int months() {
        return months;
      }

      BigDecimal more() {
        return price(units).subtract(price(already));
      }

      private BigDecimal price(int held) {
        return reductions.apply(MonthlyPrice.of(charge, held, basis), BigDecimal.valueOf(held));
      }

      Derivation explain() {
        Derivation monthly = explain(units);
        if (already > 0) {
          monthly =
              Derivation.Sum.of(
                  "More a month",
                  charge.currency().getCode(),
                  List.of(
                      monthly,
                      new Derivation.Derived(
                          "already invoiced a month in this term",
                          new Quantity(price(already).negate(), charge.currency().getCode()),
                          "for " + already + unitsLabel(),
                          List.of(explain(already)))));
        }
        return months == 1
            ? monthly
            : Derivation.Product.of(
                "before rounding",
                charge.currency().getCode(),
                List.of(monthly, new Derivation.Entered("months", Quantity.of(months, "months"))));
      }

      private Derivation explain(int held) {
        return reductions.explain(
            MonthlyPrice.explain(charge, held, basis), BigDecimal.valueOf(held));
      }
    }

    private String unitsLabel() {
      return charge instanceof Charge.Counted counted ? " " + counted.measure().label() : "";
    }

    @Override
    public Derivation explain() {
      List<Derivation> parts = stretches().stream().map(Stretch::explain).toList();
      Derivation exact =
          parts.size() == 1
              ? parts.getFirst()
              : Derivation.Sum.of("before rounding", charge.currency().getCode(), parts);
      return new Derivation.Derived(
          charge.name(), Quantity.of(amount()), rule(exact), List.of(exact));
    }

    private String rule(Derivation exact) {
      List<String> words = new ArrayList<>();
      if (charge instanceof Charge.Counted counted) {
        words.add(unitsWords(counted));
      }
      words.addAll(InvoiceLine.endings(exact, amount(), basis));
      return words.isEmpty() ? "for the account" : String.join("; ", words);
    }

    private String unitsWords(Charge.Counted counted) {
      String rule = counted.rule().words();
      return needed
          + " "
          + counted.measure().label()
          + " needed"
          + (rule.isEmpty() ? "" : " (" + rule + ")")
          + ", "
          + units
          + " paid for";
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return offer.touches(charge);
    }

    /**
     * The next number of units, at most half as many again, that would cost less than those paid
     * for, as whole bands can; empty if there is none.
     */
    public OptionalInt cheaperWithMore() {
      if (!(charge instanceof Charge.Banded banded)) {
        return OptionalInt.empty();
      }
      BigDecimal now = MonthlyPrice.of(charge, units, basis);
      int most = Math.min(units + units / 2, banded.mostUnits().orElse(Integer.MAX_VALUE));
      return IntStream.rangeClosed(units + 1, most)
          .filter(more -> MonthlyPrice.of(charge, more, basis).compareTo(now) < 0)
          .findFirst();
    }
  }

  /**
   * What is paid once.
   *
   * @param units 1 for the account, or how many more units than ever before
   */
  record Once(Charge.OneOff charge, PriceBasis basis, Reductions reductions, int units)
      implements InvoiceLine {
    @Override
    public String name() {
      return charge.name();
    }

    @Override
    public Money amount() {
      BigDecimal count = BigDecimal.valueOf(units);
      BigDecimal list = basis.price(charge.price()).amount().multiply(count);
      return Rounding.toMinorUnit(
          basis.tax().without(reductions.apply(list, count)), charge.currency());
    }

    @Override
    public Derivation explain() {
      String unit = charge.each().map(measure -> "more " + measure.label()).orElse("account");
      Derivation list =
          Derivation.Product.of(
              "once",
              charge.currency().getCode(),
              List.of(
                  new Derivation.Entered("taken", Quantity.of(units, unit)),
                  basis.explain("price, once", charge.price())));
      Derivation exact = reductions.explain(list, BigDecimal.valueOf(units));
      List<String> words = new ArrayList<>(List.of("once, when first taken"));
      words.addAll(InvoiceLine.endings(exact, amount(), basis));
      return new Derivation.Derived(
          charge.name(), Quantity.of(amount()), String.join("; ", words), List.of(exact));
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return offer.touches(charge);
    }
  }

  /**
   * What a steady month bears of something paid once: its price over all plan months.
   *
   * @param units that are paid for; 1 for the account
   * @param months of the plan, 1 to 120
   */
  record OnceShare(Charge.OneOff charge, PriceBasis basis, int units, int months)
      implements InvoiceLine {
    @Override
    public String name() {
      return charge.name();
    }

    @Override
    public Money amount() {
      BigDecimal all = basis.price(charge.price()).amount().multiply(BigDecimal.valueOf(units));
      return Rounding.toMinorUnit(
          basis
              .tax()
              .without(all)
              .divide(BigDecimal.valueOf(months), java.math.MathContext.DECIMAL128),
          charge.currency());
    }

    @Override
    public Derivation explain() {
      String unit = charge.each().map(Measure::label).orElse("account");
      return new Derivation.Derived(
          charge.name(),
          Quantity.of(amount()),
          "bought once; a month bears 1/" + months + " of it, rounded",
          List.of(
              Derivation.Product.of(
                  "once",
                  charge.currency().getCode(),
                  List.of(
                      new Derivation.Entered("paid for", Quantity.of(units, unit)),
                      basis.explain("price, once", charge.price())))));
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return false;
    }
  }

  /**
   * Use above an allowance in one month.
   *
   * @param demand units used
   * @param seats seats that count for the allowance
   */
  record Used(
      Charge.Usage charge, PriceBasis basis, Reductions reductions, BigDecimal demand, int seats)
      implements InvoiceLine {
    @Override
    public String name() {
      return charge.name();
    }

    /** Blocks begun: 71 h with 60 included in blocks of 10 h are 2. */
    public BigDecimal blocks() {
      return above().divide(charge.block(), 0, RoundingMode.CEILING);
    }

    private BigDecimal above() {
      return demand.subtract(charge.included().of(seats)).max(BigDecimal.ZERO);
    }

    @Override
    public Money amount() {
      BigDecimal list = basis.price(charge.price()).amount().multiply(blocks());
      return Rounding.toMinorUnit(
          basis.tax().without(reductions.apply(list, blocks())), charge.currency());
    }

    @Override
    public Derivation explain() {
      String label = charge.measure().label();
      BigDecimal included = charge.included().of(seats);
      Derivation blocks =
          new Derivation.Derived(
              "blocks begun",
              new Quantity(blocks(), "blocks"),
              "above the allowance, in blocks of " + charge.block().toPlainString() + " " + label,
              List.of(
                  new Derivation.Entered("used", charge.measure().quantity(demand)),
                  new Derivation.Derived(
                      "included",
                      charge.measure().quantity(included),
                      charge.included().words()
                          + (charge.included().perSeat().signum() == 0
                              ? ""
                              : ", " + seats + " of them"),
                      List.of())));
      Derivation list =
          Derivation.Product.of(
              "above the allowance",
              charge.currency().getCode(),
              List.of(blocks, basis.explain("price of a block", charge.price())));
      Derivation exact = reductions.explain(list, blocks());
      List<String> words = new ArrayList<>(List.of("billed for the month"));
      words.addAll(InvoiceLine.endings(exact, amount(), basis));
      return new Derivation.Derived(
          charge.name(), Quantity.of(amount()), String.join("; ", words), List.of(exact));
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return offer.touches(charge);
    }
  }

  /**
   * What the maker keeps of one month's payments.
   *
   * @param averagePayment in the charge's currency
   */
  record Fee(
      Charge.PaymentFee charge,
      PriceBasis basis,
      Reductions reductions,
      BigDecimal payments,
      BigDecimal averagePayment)
      implements InvoiceLine {
    @Override
    public String name() {
      return charge.name();
    }

    private BigDecimal each() {
      return averagePayment.multiply(charge.share()).add(basis.price(charge.fixed()).amount());
    }

    @Override
    public Money amount() {
      BigDecimal list = payments.multiply(each());
      return Rounding.toMinorUnit(
          basis.tax().without(reductions.apply(list, payments)), charge.currency());
    }

    @Override
    public Derivation explain() {
      String currency = charge.currency().getCode();
      Derivation share =
          Derivation.Product.of(
              "share of each payment",
              currency,
              List.of(
                  new Derivation.Entered("average payment", new Quantity(averagePayment, currency)),
                  new Derivation.Entered(
                      charge.share().movePointRight(2).stripTrailingZeros().toPlainString() + " %",
                      new Quantity(charge.share(), ""))));
      Derivation each =
          Derivation.Sum.of(
              "fee for each payment",
              currency,
              List.of(share, basis.explain("fixed for each payment", charge.fixed())));
      Derivation list =
          Derivation.Product.of(
              "all payments",
              currency,
              List.of(
                  new Derivation.Entered("payments", charge.payments().quantity(payments)), each));
      Derivation exact = reductions.explain(list, payments);
      List<String> words = new ArrayList<>(List.of("billed for the month"));
      words.addAll(InvoiceLine.endings(exact, amount(), basis));
      return new Derivation.Derived(
          charge.name(), Quantity.of(amount()), String.join("; ", words), List.of(exact));
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return offer.touches(charge);
    }
  }

  /**
   * What is still missing to a yearly minimum.
   *
   * @param minimum a year
   * @param months of the year that count, 1 to 12
   * @param charged what the charges of those months come to, spread
   */
  record ToMinimum(UnitPrice minimum, PriceBasis basis, int months, Money charged)
      implements InvoiceLine {
    @Override
    public String name() {
      return "Yearly minimum";
    }

    /** The minimum for the months that count. */
    Money least() {
      BigDecimal year = basis.price(minimum).amount();
      BigDecimal share =
          basis
              .tax()
              .without(year.multiply(BigDecimal.valueOf(months)))
              .divide(BigDecimal.valueOf(12), java.math.MathContext.DECIMAL128);
      return Rounding.toMinorUnit(share, minimum.currency());
    }

    @Override
    public Money amount() {
      Money missing = least().minus(charged);
      return missing.isNegative() ? Money.zero(minimum.currency()) : missing;
    }

    @Override
    public Derivation explain() {
      Derivation least =
          new Derivation.Derived(
              "minimum for " + months + (months == 1 ? " month" : " months"),
              Quantity.of(least()),
              months == 12 ? "the yearly minimum" : "yearly minimum × " + months + " / 12, rounded",
              List.of(basis.explain("minimum a year", minimum)));
      return Derivation.Sum.of(
          name(),
          minimum.currency().getCode(),
          List.of(
              least,
              new Derivation.Derived(
                  "less what is charged for these months",
                  Quantity.of(charged.negated()),
                  "spread, after offers",
                  List.of())));
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return false;
    }
  }

  /**
   * An amount taken off an invoice by an offer.
   *
   * @param touched what the lines it touches come to; no more than this is taken off
   */
  record TakenOff(Offer offer, Offer.Benefit.AmountOff benefit, PriceBasis basis, Money touched)
      implements InvoiceLine {
    @Override
    public String name() {
      return offer.name();
    }

    @Override
    public Money amount() {
      Money off =
          Rounding.toMinorUnit(
              basis.tax().without(benefit.amount().amount()), benefit.amount().currency());
      return (off.isGreaterThan(touched) ? touched : off).negated();
    }

    @Override
    public Derivation explain() {
      return new Derivation.Derived(
          offer.name(),
          Quantity.of(amount()),
          offer.words() + ", no more than the charges it touches",
          List.of(new Derivation.Entered("charges it touches", Quantity.of(touched))));
    }

    @Override
    public boolean touchedBy(Offer other) {
      return false;
    }
  }

  /** What a need that the plan does not meet costs elsewhere, for one month. */
  record Elsewhere(ExternalCover outside) implements InvoiceLine {
    @Override
    public String name() {
      return outside.what() + ", covered outside";
    }

    @Override
    public Money amount() {
      return outside.monthly();
    }

    @Override
    public Derivation explain() {
      return new Derivation.Entered(name() + " by " + outside.by(), Quantity.of(amount()));
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return false;
    }
  }

  /**
   * What is given back for the months of an invoice that are not used.
   *
   * @param of the month in which the credited invoice fell due
   * @param unused the spread shares of the months, in the reporting currency
   */
  record Credit(int of, Money unused, int months) implements InvoiceLine {
    @Override
    public String name() {
      return "Credit for unused months";
    }

    @Override
    public Money amount() {
      return unused.negated();
    }

    @Override
    public Derivation explain() {
      return new Derivation.Derived(
          name(),
          Quantity.of(amount()),
          "the spread shares of "
              + months
              + (months == 1 ? " month" : " months")
              + " of the invoice of plan month "
              + of,
          List.of());
    }

    @Override
    public boolean touchedBy(Offer offer) {
      return false;
    }
  }

  private static List<String> endings(Derivation exact, Money amount, PriceBasis basis) {
    List<String> words = new ArrayList<>();
    boolean changed =
        exact.value().map(q -> q.amount().compareTo(amount.getAmount()) != 0).orElse(false);
    if (basis.tax().isIncluded()) {
      words.add("the list price " + basis.tax().words() + ", which is taken out");
    }
    if (changed) {
      words.add("rounded half-up to the minor unit");
    }
    return words;
  }
}
