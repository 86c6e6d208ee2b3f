package tertulia.core.inuse;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;

/**
 * A tool that is in use.
 *
 * @param id of the tool
 * @param plan it is on, as the price page states it today
 * @param term it is paid by
 * @param held units that are paid for, whoever needs them
 * @param paid price of a unit a month as it is paid; empty: that of the page
 * @param users ids of the groups that use it
 * @param areas work areas it serves
 */
public record InUse(
    String id,
    String name,
    Plan plan,
    BillingTerm term,
    Held held,
    Optional<UnitPrice> paid,
    Until until,
    List<String> users,
    List<String> areas) {
  public InUse {
    requireNonNull(id);
    requireNonNull(plan);
    requireNonNull(term);
    requireNonNull(held);
    requireNonNull(paid);
    requireNonNull(until);
    users = List.copyOf(users);
    areas = List.copyOf(areas);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A tool in use needs a name.");
    }
    if (until instanceof Until.Running && !term.isCommitted()) {
      throw new IllegalArgumentException(
          name + " is paid by the month, so no term of it runs. Choose a longer term, or no end.");
    }
  }

  /**
   * So many units.
   *
   * @param units 0 to 1,000,000
   */
  public record Held(Measure measure, int units) {
    public Held {
      requireNonNull(measure);
      if (units < 0 || units > 1_000_000) {
        throw new IllegalArgumentException(
            "The units in use lie between 0 and 1,000,000; found " + units + ".");
      }
    }
  }

  /** Until when it is owed. */
  public sealed interface Until {
    /**
     * A term runs.
     *
     * @param last its last month
     * @param notice the day by which notice must be given; empty: at any time before its end
     */
    record Running(YearMonth last, Optional<LocalDate> notice) implements Until {
      public Running {
        requireNonNull(last);
        requireNonNull(notice);
        if (notice.filter(day -> YearMonth.from(day).isAfter(last)).isPresent()) {
          throw new IllegalArgumentException(
              "Notice must be given by a day before the term ends; found "
                  + notice.get()
                  + ". Enter an earlier day.");
        }
      }
    }

    /**
     * It can be ended.
     *
     * @param days of notice, 0 to 400
     */
    record AnyTime(int days) implements Until {
      public AnyTime {
        if (days < 0 || days > 400) {
          throw new IllegalArgumentException(
              "Notice is given 0 to 400 days before; found " + days + ".");
        }
      }
    }
  }

  /**
   * What is needed of it: of what is held as much as its users are, of all else what a selection
   * says.
   *
   * @param stated what the selection needs
   * @param groups ids of all groups of the selection
   */
  public Map<Measure, Demand> demands(Map<Measure, Demand> stated, List<String> groups) {
    Map<Measure, Demand> needed = new LinkedHashMap<>(stated);
    if (held.measure().isPeople()) {
      needed.put(
          held.measure(),
          areUsersCounted(groups)
              ? new Demand(BigDecimal.ZERO, each(groups))
              : new Demand(BigDecimal.valueOf(held.units()), Map.of()));
    }
    return needed;
  }

  /** The plan under the term it is on and no other; without a price if that is not listed. */
  public Plan kept() {
    List<PriceList> lists =
        plan.charged().stream()
            .filter(list -> list.term().equals(term))
            .filter(list -> !plan.isLeast(list.term()))
            .toList();
    return plan.priced(lists.isEmpty() ? new PlanPrices.OnRequest() : new PlanPrices.Listed(lists));
  }

  /**
   * Whether a selection says how many its users are; else as much is needed as is held.
   *
   * @param groups ids of all groups of the selection
   */
  public boolean areUsersCounted(List<String> groups) {
    return groups.containsAll(users);
  }

  private Map<String, BigDecimal> each(List<String> groups) {
    Map<String, BigDecimal> each = new LinkedHashMap<>();
    groups.stream()
        .filter(group -> users.isEmpty() || users.contains(group))
        .forEach(group -> each.put(group, BigDecimal.ONE));
    return each;
  }

  /**
   * Whether it goes by itself for a question of some work areas: it serves them and no other.
   *
   * @param asked the areas; none: it is not known what the question is about, so it stays
   */
  public static boolean goesFor(List<String> areas, Set<String> asked) {
    return !areas.isEmpty() && asked.containsAll(areas);
  }

  /**
   * The first month that is not owed any more if it is ended as soon as it can be: once the day of
   * notice is past, another term runs.
   *
   * @param today the day on which it would be ended
   */
  public YearMonth free(LocalDate today) {
    return switch (until) {
      case Until.AnyTime any -> YearMonth.from(today.plusDays(any.days())).plusMonths(1);
      case Until.Running running -> {
        YearMonth free = running.last().plusMonths(1);
        LocalDate notice = running.notice().orElseGet(() -> running.last().atEndOfMonth());
        while (notice.isBefore(today)) {
          free = free.plusMonths(term.monthsCommitted());
          notice = notice.plusMonths(term.monthsCommitted());
        }
        yield free;
      }
    };
  }
}
