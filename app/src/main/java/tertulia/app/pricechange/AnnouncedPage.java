package tertulia.app.pricechange;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.standin.MakersFeed.Announcement;
import tertulia.app.standin.MakersFeed.Edit;

/**
 * A price page as a maker announces it.
 *
 * @param sheet with the announced prices; dated as read on the day of the announcement
 * @param notFound edits for which this page has no charge
 * @param otherwise edits whose price so far is another one on this page
 */
record AnnouncedPage(ToolSheet sheet, List<Edit> notFound, List<Edit> otherwise) {

  static AnnouncedPage of(ToolSheet page, Announcement announcement) {
    List<Edit> notFound = new ArrayList<>();
    List<Edit> otherwise = new ArrayList<>();
    ToolSheet sheet = page;
    for (Edit edit : announcement.edits()) {
      Applied applied = new Applied(edit, announcement.on().toString());
      ToolSheet changed =
          sheet.withPlans(sheet.plans().stream().map(plan -> applied.to(plan)).toList());
      if (applied.found == null) {
        notFound.add(edit);
      } else if (!sameNumber(applied.found, edit.before())) {
        otherwise.add(edit);
      }
      sheet = changed;
    }
    return new AnnouncedPage(sheet, notFound, otherwise);
  }

  private static boolean sameNumber(String a, String b) {
    return new java.math.BigDecimal(a).compareTo(new java.math.BigDecimal(b)) == 0;
  }

  /** One edit on its way through a sheet; remembers the price it replaced. */
  private static final class Applied {
    private final Edit edit;
    private final String day;
    private @Nullable String found;

    Applied(Edit edit, String day) {
      this.edit = edit;
      this.day = day;
    }

    ToolSheet.PlanPart to(ToolSheet.PlanPart plan) {
      if (!plan.id().equals(edit.plan())) {
        return plan;
      }
      List<ToolSheet.TermPart> terms = plan.prices().stream().map(this::to).toList();
      return found == null
          ? plan
          : plan.withSource(plan.source().confirmedOn(day)).withPrices(terms);
    }

    private ToolSheet.TermPart to(ToolSheet.TermPart term) {
      String code = TermCode.of(term.monthsCommitted(), term.upFront()).code();
      return code.equals(edit.term())
          ? new ToolSheet.TermPart(
              term.monthsCommitted(),
              term.upFront(),
              to(term.charges()),
              term.addOns().stream()
                  .map(addOn -> new ToolSheet.AddOnPart(addOn.name(), to(addOn.charges())))
                  .toList(),
              term.yearlyMinimum())
          : term;
    }

    private List<ToolSheet.ChargePart> to(List<ToolSheet.ChargePart> charges) {
      List<ToolSheet.ChargePart> changed = new ArrayList<>();
      for (ToolSheet.ChargePart charge : charges) {
        String price = charge.name().equals(edit.charge()) ? price(charge) : null;
        String after = edit.after();
        if (price == null) {
          changed.add(charge);
        } else {
          found = price;
          if (after != null) {
            changed.add(priced(charge, after));
          }
        }
      }
      return changed;
    }

    /** The single price of a charge; null if it has several. */
    private static @Nullable String price(ToolSheet.ChargePart charge) {
      return switch (charge) {
        case ToolSheet.FlatPart flat -> flat.price();
        case ToolSheet.PerUnitPart unit -> unit.price();
        case ToolSheet.OneOffPart once -> once.price();
        case ToolSheet.UsagePart usage -> usage.price();
        case ToolSheet.BandedPart banded -> null;
        case ToolSheet.PaymentFeePart fee -> null;
      };
    }

    private static ToolSheet.ChargePart priced(ToolSheet.ChargePart charge, String price) {
      return switch (charge) {
        case ToolSheet.FlatPart flat -> new ToolSheet.FlatPart(flat.name(), price);
        case ToolSheet.PerUnitPart unit ->
            new ToolSheet.PerUnitPart(
                unit.name(), unit.measure(), price, unit.minimum(), unit.pack(), unit.included());
        case ToolSheet.OneOffPart once -> new ToolSheet.OneOffPart(once.name(), price, once.each());
        case ToolSheet.UsagePart usage ->
            new ToolSheet.UsagePart(
                usage.name(),
                usage.measure(),
                price,
                usage.block(),
                usage.perAccount(),
                usage.perSeat(),
                usage.seats());
        case ToolSheet.BandedPart banded -> banded;
        case ToolSheet.PaymentFeePart fee -> fee;
      };
    }
  }
}
