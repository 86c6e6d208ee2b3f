package tertulia.core.labour;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.money.Rounding;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * What a tool costs in people's time over the plan months, line by line. Each line is hours × the
 * cost of an hour (or months × the old tool's cost), rounded once.
 */
public record PeopleTime(CurrencyUnit currency, List<Line> lines) {
  /** Workdays in a month. */
  private static final BigDecimal WORKDAYS = BigDecimal.valueOf(21);

  private static final BigDecimal MINUTES = BigDecimal.valueOf(60);

  public PeopleTime {
    lines = List.copyOf(lines);
  }

  /** What the time goes into. */
  public enum Item {
    SET_UP("Set-up"),
    MIGRATION("Migration"),
    LEARNING("Learning"),
    UPKEEP("Upkeep"),
    BY_HAND("Work by hand"),
    CHANGING("Changes of plan"),
    PARALLEL("The old tool in parallel");

    private final String words;

    Item(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /**
   * One item in one month.
   *
   * @param amount hours, or for the old tool 1 month
   * @param each cost of one of them
   * @param how what the amount comes from
   */
  public record Line(
      Item item, int month, BigDecimal amount, BigDecimal each, Money money, String how) {}

  /**
   * Something that people do by hand on the plans they are on.
   *
   * @param what it is, such as "Time records"
   * @param minutes on each workday, by plan month; 0 in months on a plan that does it by itself
   */
  public record Manual(String what, List<BigDecimal> minutes) {
    public Manual {
      minutes = List.copyOf(minutes);
    }
  }

  /** The people's time of a tool whose plans leave nothing to be done by hand. */
  public static PeopleTime of(
      StaffEffort effort,
      Labour labour,
      List<Integer> seats,
      List<Integer> changes,
      CurrencyUnit currency) {
    return of(effort, labour, seats, changes, List.of(), currency);
  }

  /**
   * The people's time of a tool.
   *
   * @param seats seats held by plan month
   * @param changes plan months in which the plan changes
   * @param byHand what is done by hand beside what the effort states
   */
  public static PeopleTime of(
      StaffEffort effort,
      Labour labour,
      List<Integer> seats,
      List<Integer> changes,
      List<Manual> byHand,
      CurrencyUnit currency) {
    Hours hours = new Hours(labour.hour().orElse(BigDecimal.ZERO), currency);
    hours.add(Item.SET_UP, 0, effort.setUp(), "once");
    hours.add(Item.MIGRATION, 0, effort.migration(), "once");
    int before = 0;
    for (int m = 0; m < seats.size(); m++) {
      int more = Math.max(0, seats.get(m) - before);
      before = seats.get(m);
      hours.add(
          Item.LEARNING,
          m,
          effort.learning().multiply(BigDecimal.valueOf(more)),
          more + " more seats, " + effort.learning().toPlainString() + " hours each");
      hours.add(Item.UPKEEP, m, effort.upkeep(), "a month");
      hours.byHand(m, effort.manualMinutes(), byHand);
      if (changes.contains(m)) {
        hours.add(Item.CHANGING, m, labour.changeHours(), "for a change of plan");
      }
      if (m < effort.parallelMonths()) {
        hours.oldTool(m, labour.oldTool().orElse(BigDecimal.ZERO));
      }
    }
    return new PeopleTime(currency, hours.lines);
  }

  /**
   * What upkeep and work by hand come to in any one month.
   *
   * @param byHand of that month
   */
  public static Money steady(
      StaffEffort effort, Labour labour, List<Manual> byHand, CurrencyUnit currency) {
    StaffEffort lasting =
        new StaffEffort(
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            effort.upkeep(),
            effort.manualMinutes(),
            0);
    return of(lasting, labour, List.of(0), List.of(), byHand, currency).total();
  }

  /** What is missing to know a tool's people's time; empty if nothing is. */
  public static Optional<String> missing(Optional<StaffEffort> effort, Labour labour) {
    if (effort.isEmpty()) {
      return Optional.of("nobody has said how many hours it takes");
    }
    if (labour.hour().isEmpty()) {
      return Optional.of("nobody has said what an hour costs");
    }
    return effort.get().parallelMonths() > 0 && labour.oldTool().isEmpty()
        ? Optional.of("nobody has said what the old tool costs a month")
        : Optional.empty();
  }

  private static final class Hours {
    private final BigDecimal rate;
    private final CurrencyUnit currency;
    private final List<Line> lines = new ArrayList<>();

    Hours(BigDecimal rate, CurrencyUnit currency) {
      this.rate = rate;
      this.currency = currency;
    }

    void add(Item item, int month, BigDecimal hours, String how) {
      line(item, month, hours, rate, how);
    }

    /** All minutes of a month in one line, rounded once. */
    void byHand(int month, BigDecimal stated, List<Manual> others) {
      BigDecimal minutes = stated;
      StringBuilder how = new StringBuilder(stated.signum() == 0 ? "" : stated.toPlainString());
      for (Manual other : others) {
        BigDecimal more = other.minutes().get(month);
        if (more.signum() > 0) {
          minutes = minutes.add(more);
          how.append(how.isEmpty() ? "" : " and ")
              .append(more.toPlainString())
              .append(" for ")
              .append(other.what());
        }
      }
      add(
          Item.BY_HAND,
          month,
          minutes.multiply(WORKDAYS).divide(MINUTES, MathContext.DECIMAL128),
          how + " minutes on each of 21 workdays");
    }

    void oldTool(int month, BigDecimal cost) {
      line(Item.PARALLEL, month, BigDecimal.ONE, cost, "a month");
    }

    private void line(Item item, int month, BigDecimal amount, BigDecimal each, String how) {
      if (amount.signum() != 0) {
        Money money = Rounding.toMinorUnit(amount.multiply(each), currency);
        lines.add(new Line(item, month, amount, each, money, how));
      }
    }
  }

  /** The amount of each of so many plan months. */
  public List<Money> months(int count) {
    return java.util.stream.IntStream.range(0, count)
        .mapToObj(m -> sum(lines.stream().filter(line -> line.month() == m)))
        .toList();
  }

  public Money total() {
    return sum(lines.stream());
  }

  /** What one item comes to over all months. */
  public Money of(Item item) {
    return sum(lines.stream().filter(line -> line.item() == item));
  }

  private Money sum(Stream<Line> some) {
    return some.map(Line::money).reduce(Money.zero(currency), Money::plus);
  }

  /** The working of {@link #total}, item by item. */
  public Derivation explain() {
    List<Derivation> items = new ArrayList<>();
    for (Item item : Item.values()) {
      List<Derivation> months =
          lines.stream().filter(line -> line.item() == item).map(PeopleTime::explain).toList();
      if (!months.isEmpty()) {
        items.add(Derivation.Sum.of(item.words(), currency.getCode(), months));
      }
    }
    return Derivation.Sum.of("Staff time", currency.getCode(), items);
  }

  private static Derivation explain(Line line) {
    String unit = line.item() == Item.PARALLEL ? "months" : "hours";
    return new Derivation.Derived(
        "plan month " + line.month(),
        Quantity.of(line.money()),
        line.how()
            + ": "
            + line.amount().round(new MathContext(8)).stripTrailingZeros().toPlainString()
            + " "
            + unit
            + " at "
            + line.each().toPlainString()
            + ", rounded once",
        List.of());
  }
}
