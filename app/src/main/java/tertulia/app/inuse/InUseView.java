package tertulia.app.inuse;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.app.chart.InUseChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.GrowthPlan;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.growth.Group;
import tertulia.core.growth.Scenario;
import tertulia.core.inuse.InUse;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/**
 * What is in use, as it is read.
 *
 * @param says what matters of it, in sentences
 * @param years above the strips
 */
record InUseView(List<String> says, String years, List<Row> rows) {
  private static final int MONTHS = 26;

  /**
   * A tool.
   *
   * @param detail plan, price and work areas
   * @param needed today; empty: not known
   * @param idle units that nobody needs today, with what they cost a month; empty: none
   * @param lacking how many more are needed than are paid for; empty: none
   * @param until when notice must be given and its term ends
   */
  record Row(
      String id,
      String name,
      String detail,
      String paid,
      String needed,
      String idle,
      String lacking,
      String strip,
      String until) {}

  /** What a tool comes to today. */
  private record Today(
      InUse use, List<Integer> needed, Optional<Horizon> horizon, Optional<UnitPrice> price) {
    int idle() {
      return needed.isEmpty() ? 0 : Math.max(0, use.held().units() - needed.getFirst());
    }

    int lacking() {
      return needed.isEmpty() ? 0 : Math.max(0, needed.getFirst() - use.held().units());
    }

    Optional<Money> idleMoney() {
      return price.map(unit -> money(unit, idle()));
    }
  }

  static InUseView of(
      List<InUsePart> parts,
      Map<String, ToolSheet> pages,
      Optional<GrowthPlan> plan,
      LocalDate today) {
    Horizon horizon = new Horizon(YearMonth.from(today), MONTHS);
    List<Group> groups = plan.map(InUseView::groups).orElse(List.of());
    List<Today> all = new ArrayList<>();
    for (InUsePart part : parts) {
      Optional.ofNullable(pages.get(part.tool()))
          .flatMap(sheet -> new ToolReader(new Faults()).tool("", sheet))
          .map(page -> part.toCore(page.tool()))
          .ifPresent(use ->
              all.add(
                  new Today(use, needed(use, groups, horizon), Optional.of(horizon), price(use))));
    }
    return new InUseView(
        says(all, today),
        InUseChart.years(horizon),
        all.stream().map(one -> row(one, horizon, today)).toList());
  }

  private static List<Group> groups(GrowthPlan plan) {
    return plan.with(plan.groups().stream().map(plan::dated).toList())
        .read(new Faults())
        .map(GrowthPlan.Read::groups)
        .orElse(List.of());
  }

  /** Units by month; none if nobody says how many its users are. */
  private static List<Integer> needed(InUse use, List<Group> groups, Horizon horizon) {
    List<String> ids = groups.stream().map(Group::id).toList();
    if (groups.isEmpty() || !use.held().measure().isPeople() || !use.areUsersCounted(ids)) {
      return List.of();
    }
    return IntStream.range(0, horizon.months())
        .mapToObj(m ->
            groups.stream()
                .filter(group -> use.users().isEmpty() || use.users().contains(group.id()))
                .mapToInt(group -> group.headcount(horizon, m, Scenario.EXPECTED))
                .sum())
        .toList();
  }

  /** What a unit costs a month, as it is paid or else listed; empty if it is not paid by unit. */
  private static Optional<UnitPrice> price(InUse use) {
    return use.paid()
        .or(() ->
            use.plan().charged().stream()
                .filter(list -> list.term().equals(use.term()))
                .findFirst()
                .flatMap(InUseView::unitPrice));
  }

  private static Optional<UnitPrice> unitPrice(PriceList list) {
    return list.charges().size() == 1 && list.charges().getFirst() instanceof Charge.PerUnit each
        ? Optional.of(each.price())
        : Optional.empty();
  }

  private static Money money(UnitPrice unit, int units) {
    BigDecimal month =
        unit.stated()
            .multiply(BigDecimal.valueOf(units))
            .divide(
                BigDecimal.valueOf(unit.months()),
                unit.currency().getDecimalPlaces(),
                RoundingMode.HALF_UP);
    return Money.of(unit.currency(), month);
  }

  private static List<String> says(List<Today> all, LocalDate today) {
    List<String> says = new ArrayList<>();
    List<Today> counted = all.stream().filter(one -> !one.needed().isEmpty()).toList();
    int paid = counted.stream().mapToInt(one -> one.use().held().units()).sum();
    int idle = counted.stream().mapToInt(Today::idle).sum();
    if (!counted.isEmpty()) {
      says.add(idle(Figures.whole(paid), idle, idleCost(counted)));
      int lacking = counted.stream().mapToInt(Today::lacking).sum();
      if (lacking > 0) {
        says.add(Voice.say("use.lacking", "count", Figures.whole(lacking)));
      }
    }
    if (counted.size() < all.size()) {
      says.add(Voice.say("use.not-counted"));
    }
    all.stream()
        .filter(one -> one.use().until() instanceof InUse.Until.Running)
        .flatMap(one -> notice(one.use()).stream().map(day -> Map.entry(day, one.use().name())))
        .filter(entry -> !entry.getKey().isBefore(today))
        .min(Map.Entry.comparingByKey())
        .ifPresent(next ->
            says.add(
                Voice.say(
                    "use.notice",
                    Map.of("day", Dates.day(next.getKey()), "tool", next.getValue()))));
    return says;
  }

  private static String idle(String paid, int idle, String cost) {
    if (idle == 0) {
      return Voice.say("use.none-idle", "paid", paid);
    }
    String units = Figures.whole(idle);
    return cost.isEmpty()
        ? Voice.say("use.idle.no-money", Map.of("paid", paid, "idle", units))
        : Voice.say("use.idle", Map.of("paid", paid, "idle", units, "cost", cost));
  }

  /** By currency, such as "102.70 EUR"; empty if of none it is known. */
  private static String idleCost(List<Today> all) {
    Map<CurrencyUnit, Money> sums = new LinkedHashMap<>();
    all.stream()
        .filter(one -> one.idle() > 0)
        .flatMap(one -> one.idleMoney().stream())
        .forEach(money -> sums.merge(money.getCurrencyUnit(), money, Money::plus));
    return sums.isEmpty() ? "" : Voice.list(sums.values().stream().map(Figures::moneyIn).toList());
  }

  private static Optional<LocalDate> notice(InUse use) {
    return use.until() instanceof InUse.Until.Running running ? running.notice() : Optional.empty();
  }

  private static Row row(Today one, Horizon horizon, LocalDate today) {
    InUse use = one.use();
    Optional<YearMonth> free =
        use.until() instanceof InUse.Until.Running
            ? Optional.of(use.free(today))
            : Optional.empty();
    Optional<LocalDate> notice = notice(use).filter(day -> !day.isBefore(today));
    String ends = ends(one, free, horizon);
    String noticeSays =
        notice.map(day -> Voice.say("use.short.notice", "day", Dates.day(day))).orElse("");
    String until = noticeSays.isEmpty() ? ends : noticeSays + " · " + ends;
    return new Row(
        use.id(),
        use.name(),
        detail(one),
        Figures.whole(use.held().units()),
        one.needed().isEmpty() ? "" : Figures.whole(one.needed().getFirst()),
        one.idle() == 0
            ? ""
            : one.idleMoney()
                .map(money ->
                    Voice.say(
                        "use.short.idle",
                        Map.of("idle", Figures.whole(one.idle()), "cost", Figures.money(money))))
                .orElse(Figures.whole(one.idle())),
        one.lacking() == 0
            ? ""
            : Voice.say("use.short.lacking", "count", Figures.whole(one.lacking())),
        InUseChart.of(
            new InUseChart.Strip(horizon, one.needed(), use.held().units(), free, notice),
            use.name() + ": " + until),
        until);
  }

  private static String ends(Today one, Optional<YearMonth> free, Horizon horizon) {
    InUse use = one.use();
    if (free.isEmpty()) {
      int days = ((InUse.Until.AnyTime) use.until()).days();
      return days == 0
          ? Voice.say("use.short.any-month")
          : Voice.say("use.short.notice-days", "days", Figures.counted(days, "days"));
    }
    String day = Dates.day(free.get().minusMonths(1).atEndOfMonth());
    int m = horizon.indexOf(free.get());
    boolean more = m >= 0 && m < one.needed().size() && one.needed().get(m) > use.held().units();
    if (more) {
      return Voice.say(
          "use.short.ends.more", Map.of("day", day, "count", Figures.whole(one.needed().get(m))));
    }
    return use.term().payment() == BillingTerm.Payment.UP_FRONT
        ? Voice.say("use.short.ends.paid", "day", day)
        : Voice.say("use.short.ends", "day", day);
  }

  private static String detail(Today one) {
    InUse use = one.use();
    List<String> parts = new ArrayList<>();
    parts.add(use.plan().name());
    one.price()
        .ifPresent(unit -> {
          Money each = money(unit, 1);
          parts.add(Voice.say("use.short.each", "cost", Figures.moneyIn(each)));
        });
    parts.add(use.term().words());
    String plan = String.join(", ", parts);
    return use.areas().isEmpty() ? plan : plan + " · " + String.join(", ", use.areas());
  }
}
