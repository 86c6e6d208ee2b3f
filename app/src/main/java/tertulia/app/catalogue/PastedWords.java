package tertulia.app.catalogue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import tertulia.core.growth.Measure;
import tertulia.pagetext.Assumed;
import tertulia.pagetext.PageReading.BandSaid;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.Price;
import tertulia.pagetext.Said;

/** What a page says, as it is typed into the sheet and told in the report. */
final class PastedWords {
  private PastedWords() {}

  /** As it is typed into the sheet: "96 a year", "from 15". */
  static String text(Price price) {
    return (price.isFrom() ? "from " : "")
        + plain(price.amount())
        + (price.every() == Price.Every.YEAR ? " a year" : "");
  }

  static String band(BandSaid band) {
    return band.upTo().map(n -> "to " + n).orElse("above")
        + ": "
        + plain(band.price().amount())
        + (band.price().each().isPresent() ? " each" : " in all");
  }

  /** As it is typed where the page may mean the account or each seat. */
  static String allowance(Said<LimitSaid> limit) {
    return limit.assumed().contains(Assumed.ACCOUNT_OR_SEAT)
        ? AllowanceText.accountOrSeat(allowance(limit.value()), Measure.SEATS)
        : allowance(limit.value());
  }

  static String allowance(LimitSaid limit) {
    return limit.most().map(n -> plain(n) + (limit.perSeat() ? " a seat" : "")).orElse("unlimited");
  }

  /** Such as "9.00 EUR a month for each of the seats, yearly, up front". */
  static String words(Price price) {
    return (price.isFrom() ? "from " : "")
        + money(price.amount(), price.currency())
        + (price.every() == Price.Every.YEAR ? " a year, " : " a month, ")
        + price
            .each()
            .map(measure -> "for each of the " + measure.label())
            .orElse("for the account")
        + ", "
        + price.term().words();
  }

  static String money(BigDecimal amount, String currency) {
    BigDecimal cents = amount.scale() < 2 ? amount.setScale(2) : amount;
    return cents.toPlainString() + " " + currency;
  }

  static String plain(BigDecimal number) {
    return number.signum() == 0
        ? "0"
        : number.stripTrailingZeros().scale() < 0
            ? number.setScale(0, RoundingMode.UNNECESSARY).toPlainString()
            : number.toPlainString();
  }

  static String capital(String label) {
    return label.substring(0, 1).toUpperCase(Locale.ENGLISH) + label.substring(1);
  }
}
