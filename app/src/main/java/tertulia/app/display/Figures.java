package tertulia.app.display;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.List;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.growth.Measure;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.working.Quantity;

/** How figures read: thousands set off, the currency's decimals, a real minus sign. */
public final class Figures {
  private static final List<String> SMALL =
      List.of("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten");

  private static final int SCORE_DECIMALS = 3;

  private Figures() {}

  /** 1,234.50 without the currency, for columns that state it once. */
  public static String money(Money money) {
    return decimals(money.getAmount(), money.getCurrencyUnit().getDecimalPlaces());
  }

  /** 1,234.50 EUR. */
  public static String moneyIn(Money money) {
    return money(money) + " " + money.getCurrencyUnit().getCode();
  }

  /** +1,234.50 EUR, −0.20 EUR, or "no change". */
  public static String signed(Money money) {
    return money.isZero() ? "no change" : (money.isPositive() ? "+" : "") + moneyIn(money);
  }

  /** 1,234. */
  public static String whole(long number) {
    return decimals(BigDecimal.valueOf(number), 0);
  }

  /** A score from 0 to 1 with three decimals, both ends of an interval, or "not known". */
  public static String score(Interval interval) {
    if (interval.equals(Interval.UNKNOWN)) {
      return "not known";
    }
    String low = decimals(interval.low(), SCORE_DECIMALS);
    return interval.isExact() ? low : low + " to " + decimals(interval.high(), SCORE_DECIMALS);
  }

  /** A fraction as a percentage without decimals, signed: +31 %. */
  public static String change(BigDecimal fraction) {
    BigDecimal percent = fraction.movePointRight(2).setScale(0, RoundingMode.HALF_UP);
    return (percent.signum() > 0 ? "+" : "") + decimals(percent, 0) + " %";
  }

  /** A fraction as a percentage without decimals: 25 %. */
  public static String percent(BigDecimal fraction) {
    return decimals(fraction.movePointRight(2), 0) + " %";
  }

  /** A fraction as a percentage with the decimals that were entered: 2.5 %. */
  public static String percentAsEntered(BigDecimal fraction) {
    BigDecimal percent = fraction.movePointRight(2).stripTrailingZeros();
    return decimals(percent, Math.max(0, percent.scale())) + " %";
  }

  /**
   * A fraction as a percentage to the tenth, where two that are close stand side by side: 25.3 %.
   */
  public static String tenths(BigDecimal fraction) {
    return decimals(fraction.movePointRight(2), 1) + "\u00a0%";
  }

  /** A small number as a sentence begins with it: "five"; from eleven on in digits. */
  public static String inWords(int number) {
    return number >= 0 && number < SMALL.size() ? SMALL.get(number) : whole(number);
  }

  /** How far a value from 0 to 1 is from another, without its sign: 0.051. */
  public static String lead(BigDecimal by) {
    return decimals(by.abs(), SCORE_DECIMALS);
  }

  /** How far apart two totals are, of which both may stand beside it. */
  public static String apart(Totals.Apart apart) {
    BigDecimal read = apart.asRead();
    return read.signum() == 0 && !apart.isLevel()
        ? Voice.say("score.part.nearer")
        : decimals(read.abs(), SCORE_DECIMALS);
  }

  /** A quantity with its unit, money with its decimals, other numbers with up to six. */
  public static String quantity(Quantity quantity) {
    BigDecimal amount = quantity.amount();
    String unit = quantity.unit();
    if (unit.matches("[A-Z]{3}")) {
      int places = CurrencyUnit.of(unit).getDecimalPlaces();
      int scale = Math.min(4, Math.max(places, amount.stripTrailingZeros().scale()));
      return decimals(amount, scale) + " " + unit;
    }
    int scale = Math.clamp(amount.stripTrailingZeros().scale(), 0, 6);
    String counted = amount.abs().compareTo(BigDecimal.ONE) == 0 ? one(quantity) : unit;
    return decimals(amount, scale) + (unit.isEmpty() ? "" : " " + counted);
  }

  private static String one(Quantity quantity) {
    return quantity.one().isEmpty() ? one(quantity.unit()) : quantity.one();
  }

  /** 1 boat, 2 boats. */
  public static String counted(long number, Measure measure) {
    return whole(number) + " " + (number == 1 ? measure.one() : measure.label());
  }

  /** 1 seat, 2 seats, 1 person, 12 people. */
  public static String counted(long number, String plural) {
    return whole(number) + " " + (number == 1 ? one(plural) : plural);
  }

  /** What follows a one: "seats" becomes "seat", "people in one call" "person in one call". */
  public static String one(String plural) {
    return plural.contains("people")
        ? plural.replaceFirst("people", "person")
        : plural.replaceFirst("(?<=[a-z])s\\b", "");
  }

  private static String decimals(BigDecimal number, int places) {
    DecimalFormat format =
        new DecimalFormat("#,##0", DecimalFormatSymbols.getInstance(Locale.ENGLISH));
    format.setMinimumFractionDigits(places);
    format.setMaximumFractionDigits(places);
    format.setRoundingMode(RoundingMode.HALF_UP);
    return format.format(number).replace('-', '−');
  }
}
