package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.core.inuse.InUse;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tool;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/**
 * A tool that is in use, as files and the store write it.
 *
 * @param tool its id
 * @param plan id of the plan it is on
 * @param monthsCommitted of its term
 * @param upFront whether a term is paid when it begins
 * @param units that are paid for
 * @param measure of which they are
 * @param paid price of a unit a month as it is paid, as {@link PriceText} writes it; null: that of
 *     the page
 * @param currency of that price
 * @param ends last month of the term that runs; null: it can be ended at any time
 * @param noticeBy day by which notice must be given of a term that runs; null: any time before its
 *     end
 * @param noticeDays of notice where no term runs; null: none
 * @param users ids of the groups that use it; none: everybody
 * @param areas work areas it serves
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record InUsePart(
    String tool,
    String plan,
    int monthsCommitted,
    boolean upFront,
    int units,
    String measure,
    @Nullable String paid,
    @Nullable String currency,
    @Nullable String ends,
    @Nullable String noticeBy,
    @Nullable Integer noticeDays,
    List<String> users,
    List<String> areas) {
  public InUsePart {
    users = List.copyOf(users);
    areas = List.copyOf(areas);
  }

  /** The same of a tool that has another id here. */
  public InUsePart of(String id) {
    return new InUsePart(
        id,
        plan,
        monthsCommitted,
        upFront,
        units,
        measure,
        paid,
        currency,
        ends,
        noticeBy,
        noticeDays,
        users,
        areas);
  }

  /** The term it is paid by. */
  public BillingTerm term() {
    return new BillingTerm(
        monthsCommitted, upFront ? BillingTerm.Payment.UP_FRONT : BillingTerm.Payment.MONTHLY);
  }

  /**
   * As the core has it.
   *
   * @param page the tool as its price page states it
   * @throws IllegalArgumentException that says what is wrong
   */
  public InUse toCore(Tool page) {
    if (new HashSet<>(users).size() < users.size() || new HashSet<>(areas).size() < areas.size()) {
      throw new IllegalArgumentException(
          page.name() + " names a group or a work area twice. Name each once.");
    }
    areas.forEach(area -> Codes.text(area, Limits.NAME));
    return new InUse(
        page.id(),
        page.name(),
        planOf(page),
        term(),
        new InUse.Held(Codes.measure(measure), units),
        price(),
        until(),
        users,
        areas);
  }

  private Plan planOf(Tool page) {
    return page.plans().stream()
        .filter(one -> one.id().equals(plan))
        .findFirst()
        .orElseGet(this::goneFromThePage);
  }

  /** A page changes, and whoever is on a plan stays on it: what it will cost nobody lists. */
  private Plan goneFromThePage() {
    return new Plan(
        plan,
        plan,
        new SeatRange(Codes.measure(measure), 0, null),
        new PlanPrices.OnRequest(),
        Provenance.of(LocalDate.EPOCH, Ground.OTHER));
  }

  /**
   * Checks that a page has the plan, as it must when it is written down.
   *
   * @throws IllegalArgumentException if it does not
   */
  void checkPlan(ToolSheet page) {
    if (page.plans().stream().noneMatch(one -> one.id().equals(plan))) {
      throw new IllegalArgumentException(
          page.name()
              + " has no plan \""
              + Codes.shortened(plan)
              + "\"; it has "
              + page.plans().stream().map(ToolSheet.PlanPart::id).toList()
              + ".");
    }
  }

  private Optional<UnitPrice> price() {
    if (paid == null) {
      return Optional.empty();
    }
    if (currency == null) {
      throw new IllegalArgumentException(
          "The price as paid has no currency. Write which, such as EUR.");
    }
    return Optional.of(PriceText.of(paid).in(Codes.currency(currency)));
  }

  private InUse.Until until() {
    if (ends == null) {
      return new InUse.Until.AnyTime(noticeDays == null ? 0 : noticeDays);
    }
    Optional<LocalDate> notice = Optional.ofNullable(noticeBy).map(Codes::day);
    return new InUse.Until.Running(Codes.month(ends), notice);
  }
}
