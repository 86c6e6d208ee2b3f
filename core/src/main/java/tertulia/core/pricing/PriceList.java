package tertulia.core.pricing;

import java.util.List;
import org.joda.money.CurrencyUnit;

/** The charges of a plan under one billing term, all in one currency, as prices a month. */
public record PriceList(BillingTerm term, CurrencyUnit currency, List<Charge> charges) {
  public PriceList {
    charges = List.copyOf(charges);
    for (Charge charge : charges) {
      if (!charge.currency().equals(currency)) {
        throw new IllegalArgumentException(
            "Charge \""
                + charge.name()
                + "\" is in "
                + charge.currency()
                + " but the price list is in "
                + currency
                + ". One price list has one currency.");
      }
    }
  }
}
