package tertulia.app.workbook;

import static tertulia.app.workbook.Rounded.exact;
import static tertulia.app.workbook.Rounded.money;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Reductions;
import tertulia.core.time.MonthSpan;

/** The kinds of line an invoice has, each written as a formula over its row. */
final class BillLines {
  private static final int UNITS = 6;
  private static final int ALREADY = 7;
  private static final int PRICE = 8;
  private static final int PRICE_BEFORE = 9;
  private static final int INVOICED = 10;
  private final Sheet sheet;
  private final Prices prices;
  private final Inputs inputs;
  private final String tool;
  private final List<Bill> bills;
  private final Map<Bill, Integer> billRows = new HashMap<>();
  private int ownShares;

  /**
   * @param bills of the tool; in their final order before {@link #place}
   */
  BillLines(Sheet sheet, Prices prices, Inputs inputs, String tool, List<Bill> bills) {
    this.sheet = sheet;
    this.prices = prices;
    this.inputs = inputs;
    this.tool = tool;
    this.bills = bills;
  }

  /**
   * Says where the bills will stand, before any line is written.
   *
   * @param firstBill row of the first
   * @param ownShares row of the shares of the first in its own currency
   */
  void place(int firstBill, int ownShares) {
    for (int i = 0; i < bills.size(); i++) {
      billRows.put(bills.get(i), firstBill + i);
    }
    this.ownShares = ownShares;
  }

  /** The row of each bill. */
  Map<Bill, Integer> billRows() {
    return billRows;
  }

  /** The lines of one charge in one term: what the last one had invoiced. */
  static final class Chain {
    private int before = -1;
  }

  private String amount(Option option, String exactly, CurrencyUnit currency) {
    return money(prices.untaxed(option, exactly), Bill.decimals(currency));
  }

  private record Stretch(Reductions reductions, int months) {}

  private static List<Stretch> stretches(List<Offer> offers, Charge charge, int from, int end) {
    List<Stretch> stretches = new ArrayList<>();
    for (int m = from; m < end; m++) {
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

  final class Held implements Bill.Line {
    private final PlanPath.Leg leg;
    private final Charge.Held charge;
    private final String units;
    private final Chain chain;
    private final int from;
    private final int end;

    Held(PlanPath.Leg leg, Charge.Held charge, String units, Chain chain, int from, int end) {
      this.leg = leg;
      this.charge = charge;
      this.units = units;
      this.chain = chain;
      this.from = from;
      this.end = end;
    }

    @Override
    public String name() {
      return charge.name();
    }

    @Override
    public void write(int row) {
      int years = leg.months().from() / 12;
      String here = Sheet.at(row, UNITS);
      String already = Sheet.at(row, ALREADY);
      sheet.count(row, UNITS, units);
      sheet.count(row, ALREADY, chain.before < 0 ? "0" : Sheet.at(chain.before, INVOICED));
      sheet.formula(row, PRICE, prices.monthly(leg.option(), charge, here, years));
      sheet.formula(row, PRICE_BEFORE, prices.monthly(leg.option(), charge, already, years));
      String price = Sheet.at(row, PRICE);
      String before = Sheet.at(row, PRICE_BEFORE);
      String isDearer = chain.before < 0 ? "TRUE" : exact(price) + ">" + exact(before);
      sheet.count(row, INVOICED, "IF(" + isDearer + "," + here + "," + already + ")");
      List<String> sum = new ArrayList<>();
      for (Stretch stretch : stretches(leg.offers(), charge, from, end)) {
        sum.add(
            "(("
                + prices.after(stretch.reductions(), price, here)
                + ")-("
                + prices.after(stretch.reductions(), before, already)
                + "))*"
                + stretch.months());
      }
      String due = amount(leg.option(), String.join("+", sum), charge.currency());
      sheet.formula(row, Columns.AMOUNT, "IF(" + isDearer + "," + due + ",0)");
      chain.before = row;
    }
  }

  /** A charge of one month: so many units, each at so much, after offers. */
  final class InMonth implements Bill.Line {
    private final PlanPath.Leg leg;
    private final Charge charge;
    private final int month;
    private final String units;
    private final String each;

    InMonth(PlanPath.Leg leg, Charge charge, int month, String units, String each) {
      this.leg = leg;
      this.charge = charge;
      this.month = month;
      this.units = units;
      this.each = each;
    }

    @Override
    public String name() {
      return charge.name();
    }

    @Override
    public void write(int row) {
      sheet.count(row, UNITS, units);
      String here = Sheet.at(row, UNITS);
      String left =
          prices.after(Reductions.of(leg.offers(), charge, month), here + "*" + each, here);
      sheet.formula(row, Columns.AMOUNT, amount(leg.option(), left, charge.currency()));
    }
  }

  final class TakenOff implements Bill.Line {
    private final PlanPath.Leg leg;
    private final InvoiceLine.TakenOff line;
    private final Bill bill;

    TakenOff(PlanPath.Leg leg, InvoiceLine.TakenOff line, Bill bill) {
      this.leg = leg;
      this.line = line;
      this.bill = bill;
    }

    @Override
    public String name() {
      return line.name();
    }

    @Override
    public void write(int row) {
      int first = row - bill.lines.indexOf(this);
      List<String> touched = new ArrayList<>(List.of("0"));
      for (int i = 0; i < bill.lines.indexOf(this); i++) {
        if (isTouched(bill.lines.get(i))) {
          touched.add(Sheet.at(first + i, Columns.AMOUNT));
        }
      }
      String off =
          inputs.of(
              tool + ", offer " + line.name() + ": amount off an invoice",
              line.benefit().amount().amount(),
              line.offer().words());
      sheet.formula(
          row,
          Columns.AMOUNT,
          "-MIN("
              + amount(leg.option(), off, line.benefit().amount().currency())
              + ",MAX(0,"
              + String.join("+", touched)
              + "))");
    }

    private static boolean charges(Bill.Line other, TakenOff off) {
      return switch (other) {
        case Held held -> off.line.offer().touches(held.charge);
        case InMonth inMonth -> off.line.offer().touches(inMonth.charge);
        default -> false;
      };
    }

    /** Charges it touches, and what other offers took off one of them already. */
    private boolean isTouched(Bill.Line other) {
      return switch (other) {
        case Held held -> line.offer().touches(held.charge);
        case InMonth inMonth -> line.offer().touches(inMonth.charge);
        case TakenOff off -> bill.lines.stream().anyMatch(b -> charges(b, off) && charges(b, this));
        default -> false;
      };
    }
  }

  /** A line that is one input as it was entered. */
  final class OneInput implements Bill.Line {
    private final InvoiceLine.Elsewhere line;

    OneInput(InvoiceLine.Elsewhere line) {
      this.line = line;
    }

    @Override
    public String name() {
      return line.name();
    }

    @Override
    public void write(int row) {
      sheet.formula(
          row,
          Columns.AMOUNT,
          money(
              inputs.of(
                  line.outside().what() + ", covered outside, a month",
                  line.amount().getAmount(),
                  "by " + line.outside().by()),
              Bill.decimals(line.amount().getCurrencyUnit())));
    }
  }

  final class ToMinimum implements Bill.Line {
    private final PlanPath.Leg leg;
    private final InvoiceLine.ToMinimum line;
    private final MonthSpan year;

    ToMinimum(PlanPath.Leg leg, InvoiceLine.ToMinimum line, MonthSpan year) {
      this.leg = leg;
      this.line = line;
      this.year = year;
    }

    @Override
    public String name() {
      return line.name();
    }

    @Override
    public void write(int row) {
      List<String> charged = new ArrayList<>(List.of("0"));
      for (int i = 0; i < bills.size(); i++) {
        Bill other = bills.get(i);
        boolean counts =
            other.kind == Bill.Kind.CHARGES
                && other.option.plan().id().equals(leg.option().plan().id())
                && other.covers.from() < year.from() + line.months()
                && other.covers.end() > year.from();
        if (counts) {
          charged.add(
              "SUM("
                  + Sheet.across(
                      ownShares + i,
                      Columns.month(year.from()),
                      Columns.month(year.from() + line.months() - 1))
                  + ")");
        }
      }
      String least =
          prices.inForce(leg.option(), name(), "a year", line.minimum(), line.basis().years())
              + "*"
              + line.months();
      sheet.formula(
          row,
          Columns.AMOUNT,
          "MAX(0,"
              + money(
                  prices.untaxed(leg.option(), least) + "/12",
                  Bill.decimals(line.minimum().currency()))
              + "-("
              + String.join("+", charged)
              + "))");
    }
  }

  final class Credit implements Bill.Line {
    private final Bill of;
    private final int leave;

    Credit(Bill of, int leave) {
      this.of = of;
      this.leave = leave;
    }

    @Override
    public String name() {
      return "Credit for unused months";
    }

    @Override
    public void write(int row) {
      int credited = java.util.Objects.requireNonNull(billRows.get(of));
      sheet.formula(
          row,
          Columns.AMOUNT,
          "-SUM("
              + Sheet.across(credited, Columns.month(leave), Columns.month(of.covers.end() - 1))
              + ")");
    }
  }
}
