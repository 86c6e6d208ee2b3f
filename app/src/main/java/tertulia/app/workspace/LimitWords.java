package tertulia.app.workspace;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import tertulia.app.display.Figures;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.UnitRule;

/** What a plan's page says of something that is counted, before anybody says how much is used. */
public final class LimitWords {
  private LimitWords() {}

  /** How much of a measure a plan allows or includes, and what more of it costs. */
  public static Cell of(Plan plan, Measure measure) {
    List<String> said = new ArrayList<>();
    List<String> notes = new ArrayList<>();
    plan.allowances().stream()
        .filter(allowance -> allowance.measure().equals(measure))
        .forEach(allowance -> allowed(allowance, said, notes));
    plan.charged().stream().findFirst().ifPresent(list -> charged(list, measure, said, notes));
    if (plan.range().measure().equals(measure)) {
      plan.range().cap().ifPresent(most -> said.add("up to " + Figures.whole(most)));
      if (plan.range().least() > 1) {
        notes.add("pay for at least " + Figures.whole(plan.range().least()));
      }
    }
    if (said.isEmpty() && notes.isEmpty()) {
      return Cell.missing("not said", "");
    }
    return Cell.fact(said.isEmpty() ? "not included" : String.join(", ", said))
        .noting(String.join("; ", notes));
  }

  private static void allowed(Allowance allowance, List<String> said, List<String> notes) {
    switch (allowance.limit()) {
      case Allowance.Limit.Unlimited unlimited -> said.add("no limit");
      case Allowance.Limit.Unknown unknown -> said.add("not known");
      case Allowance.Limit.AccountOrSeat open -> {
        said.add(number(open.most()));
        notes.add("not said whether for the account or for each seat");
      }
      case Allowance.Limit.Hard hard -> included(hard.most(), said, notes);
    }
  }

  private static void included(Included most, List<String> said, List<String> notes) {
    if (most.perSeat().signum() == 0) {
      said.add(number(most.perAccount()));
      notes.add("for the account");
      return;
    }
    if (most.perAccount().signum() > 0) {
      said.add(number(most.perAccount()));
      notes.add("and " + number(most.perSeat()) + " for each seat");
    } else {
      said.add(number(most.perSeat()));
      notes.add("for each seat");
    }
  }

  private static void charged(
      PriceList list, Measure measure, List<String> said, List<String> notes) {
    for (Charge charge : list.charges()) {
      switch (charge) {
        case Charge.Usage usage when usage.measure().equals(measure) -> {
          if (!isNothing(usage.included())) {
            included(usage.included(), said, notes);
          }
          notes.add(more(usage));
        }
        case Charge.Usage other -> {}
        case Charge.PaymentFee fee when fee.payments().equals(measure) ->
            notes.add(
                Figures.percentAsEntered(fee.share())
                    + (fee.fixed().isFree() ? "" : " and " + price(fee.fixed()) + " each"));
        case Charge.PaymentFee other -> {}
        case Charge.PerUnit each when each.measure().equals(measure) -> {
          included(each.rule(), said);
          notes.add(each.price().isFree() ? "free" : "each costs " + price(each.price()));
        }
        case Charge.Counted counted when counted.measure().equals(measure) -> {
          included(counted.rule(), said);
          notes.add("in bands");
        }
        case Charge.Counted other -> {}
        case Charge.Flat flat -> {}
        case Charge.OneOff once -> {}
      }
    }
  }

  private static void included(UnitRule rule, List<String> said) {
    if (rule.included() > 0) {
      said.add(Figures.whole(rule.included()));
    }
  }

  private static String more(Charge.Usage usage) {
    return usage.price().isFree()
        ? "more is free"
        : (usage.block().compareTo(BigDecimal.ONE) == 0
                ? "each more "
                : "each " + number(usage.block()) + " more ")
            + price(usage.price());
  }

  private static boolean isNothing(Included included) {
    return included.perAccount().signum() == 0 && included.perSeat().signum() == 0;
  }

  private static String number(BigDecimal number) {
    return Figures.quantity(new tertulia.core.working.Quantity(number, ""));
  }

  private static String price(UnitPrice price) {
    int decimals = Math.max(price.currency().getDecimalPlaces(), price.stated().scale());
    return price.stated().setScale(decimals, java.math.RoundingMode.UNNECESSARY).toPlainString()
        + " "
        + price.currency()
        + (price.months() == 12 ? " a year" : "");
  }
}
