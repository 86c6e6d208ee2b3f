package tertulia.app.workbook;

import static tertulia.app.workbook.Rounded.exact;
import static tertulia.app.workbook.Rounded.money;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.Leaving;
import tertulia.core.billing.MinimumYear;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRate;
import tertulia.core.path.Option;
import tertulia.core.path.Way;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Holding;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Reductions;
import tertulia.core.time.MonthSpan;

/**
 * The sheet of one tool: units, invoice lines, invoices, and months, as formulas. Which plan and
 * term holds when is as it was found; every amount follows the inputs.
 */
final class WaySheet {
  private static final int FIRST_ROW = 9;
  private final Evaluation evaluation;
  private final Way way;
  private final Sheet sheet;
  private final Prices prices;
  private final Demands demands;
  private final Inputs inputs;
  private final String tool;
  private final List<Bill> bills = new ArrayList<>();
  private final Map<String, Integer> unitRows = new HashMap<>();
  private final Map<Bill, Integer> billRows = new HashMap<>();
  private int row = FIRST_ROW;
  private int ownShares;

  WaySheet(
      Evaluation evaluation,
      String tool,
      Way way,
      Sheet sheet,
      Prices prices,
      Demands demands,
      Inputs inputs) {
    this.evaluation = evaluation;
    this.tool = tool;
    this.way = way;
    this.sheet = sheet;
    this.prices = prices;
    this.demands = demands;
    this.inputs = inputs;
  }

  /** The cells of the totals: spread, cash, past the horizon. */
  record Totals(String spread, String cash, String past) {}

  Totals write() {
    way.legs().forEach(this::bill);
    way.ledger().invoices().forEach(this::fromLedger);
    way.minimums().forEach(this::minimum);
    credits();
    bills.removeIf(bill -> bill.lines.isEmpty());
    bills.sort(
        Comparator.comparingInt((Bill bill) -> bill.due)
            .thenComparing(bill -> bill.covers.end(), Comparator.reverseOrder())
            .thenComparing(bill -> bill.covers.from())
            .thenComparing(bill -> bill.kind));
    sheet.width(0, 10);
    sheet.width(4, 34);
    sheet.width(5, 30);
    sheet.freeze(Columns.MONTHS, Columns.NUMBERS + 2);
    monthNumbers();
    units();
    row += 2;
    int firstLine = row + 1;
    int lines = bills.stream().mapToInt(bill -> bill.lines.size()).sum();
    int firstBill = firstLine + lines + 2;
    for (int i = 0; i < bills.size(); i++) {
      billRows.put(bills.get(i), firstBill + i);
    }
    ownShares = firstBill + bills.size() + 5;
    lines(firstLine);
    BillsBlock block = new BillsBlock(evaluation, way, sheet, inputs, tool, bills, billRows);
    block.write(firstBill);
    block.ownShares(ownShares);
    return block.totals(firstBill);
  }

  private int horizon() {
    return evaluation.selection().horizon().months();
  }

  private void monthNumbers() {
    sheet.heading(Columns.NUMBERS, 0, "plan month");
    for (int m = 0; m <= Math.max(Bill.lastMonth(bills), horizon() - 1); m++) {
      sheet.number(Columns.NUMBERS, Columns.month(m), m);
      sheet.heading(
          Columns.NUMBERS + 1,
          Columns.month(m),
          evaluation.selection().horizon().month(m).toString());
    }
  }

  /* What is billed. */

  private boolean isLeft(Way.Leg leg) {
    return leg.isLeftEarly(horizon());
  }

  private Optional<ExchangeRate> rate(Option option) {
    CurrencyUnit reporting = evaluation.selection().currency();
    return option.list().currency().equals(reporting)
        ? Optional.empty()
        : evaluation
            .selection()
            .rates()
            .latest(option.list().currency(), reporting, evaluation.selection().asOf());
  }

  private Bill bill(Way.Leg leg, int due, int end) {
    MonthSpan covers = new MonthSpan(due, end);
    return bills.stream()
        .filter(b -> b.kind == Bill.Kind.CHARGES && b.due == due && b.covers.equals(covers))
        .findFirst()
        .orElseGet(() -> {
          Bill bill =
              new Bill(
                  due,
                  covers,
                  leg.option().list().currency(),
                  leg.option(),
                  Bill.Kind.CHARGES,
                  rate(leg.option()));
          bills.add(bill);
          return bill;
        });
  }

  private void bill(Way.Leg leg) {
    for (Charge charge : leg.option().list().charges()) {
      switch (charge) {
        case Charge.Held held -> held(leg, held);
        case Charge.OneOff oneOff -> once(leg, oneOff);
        case Charge.Usage usage -> used(leg, usage);
        case Charge.PaymentFee fee -> fees(leg, fee);
      }
    }
  }

  private Optional<Owned> owned(Option option, int m) {
    return option
        .offering()
        .owned()
        .filter(o -> o.plan().equals(option.plan().id()))
        .filter(o -> o.holdsIn(evaluation.selection().horizon().month(m)));
  }

  private void held(Way.Leg leg, Charge.Held charge) {
    boolean upFront = leg.option().list().term().payment() == Payment.UP_FRONT;
    boolean staysDue = evaluation.costs().overall().leaving() == Leaving.LOST || !isLeft(leg);
    int from = leg.months().from();
    int last = !upFront && staysDue ? leg.committedTo() : leg.months().end();
    Chain chain = new Chain();
    for (int m = from; m < last; m++) {
      int to = upFront ? leg.committedTo() : m + 1;
      String units = units(leg, charge, Math.min(m, leg.months().end() - 1));
      bill(leg, m, to)
          .lines
          .add(new Held(leg, charge, units, upFront ? chain : new Chain(), m, to));
    }
  }

  /** Units held in a month of a term: the most needed so far in it. */
  private String units(Way.Leg leg, Charge.Held charge, int m) {
    return switch (charge) {
      case Charge.Flat flat -> {
        boolean paid = false;
        for (int k = leg.months().from(); k <= m; k++) {
          paid |= holding(leg.option(), k).accounts(flat) > 0;
        }
        yield paid ? "1" : "0";
      }
      case Charge.Counted counted ->
          "MAX("
              + Sheet.across(
                  unitRow(leg.option(), counted),
                  Columns.month(leg.months().from()),
                  Columns.month(m))
              + ")";
    };
  }

  private static String key(Option option, Charge charge) {
    return option.label() + "\n" + charge.name();
  }

  /** The row of units to pay for, written when it is first asked for. */
  private int unitRow(Option option, Charge.Counted charge) {
    return unitRows.computeIfAbsent(
        key(option, charge),
        k -> {
          int at = row++;
          sheet.text(at, 4, option.label());
          sheet.text(at, 5, charge.name() + ", units to pay for");
          for (int m = 0; m < horizon(); m++) {
            sheet.count(
                at,
                Columns.month(m),
                unitsToPay(option, charge, demands.whole(charge.measure(), m), m));
          }
          return at;
        });
  }

  private Holding holding(Option option, int m) {
    return option.offering().holding(option.list(), evaluation.selection().horizon().month(m));
  }

  /** Units owned of a charge in a month, as a cell; empty if there are none. */
  private Optional<String> ownedUnits(Option option, Charge.Counted charge, int m) {
    return holding(option, m).ownedFor(charge) == 0
        ? Optional.empty()
        : owned(option, m).map(o -> inputs.of(tool + ", owned already", o.units(), ""));
  }

  private String unitsToPay(Option option, Charge.Counted charge, String demand, int m) {
    String all = prices.paid(option, charge, demand);
    return ownedUnits(option, charge, m)
        .map(owned -> "MAX(0," + all + "-" + owned + ")")
        .orElse(all);
  }

  /** Seats that count for an allowance or a one-off in a month. */
  private String seats(Option option, Measure measure, int m) {
    String demand = demands.whole(measure, m);
    Optional<Charge.Counted> counted =
        option.list().charges().stream()
            .filter(Charge.Counted.class::isInstance)
            .map(Charge.Counted.class::cast)
            .filter(charge -> charge.measure().equals(measure))
            .findFirst();
    if (counted.isEmpty()) {
      return demand;
    }
    String included =
        prices.number(option, counted.get().name(), "included", counted.get().rule().included());
    String held = unitsToPay(option, counted.get(), demand, m) + "+" + included;
    return ownedUnits(option, counted.get(), m)
        .map(owned -> held + "+MIN(" + owned + ",MAX(0," + demand + "-" + included + "))")
        .orElse(held);
  }

  private int seatRow(Option option, Measure measure) {
    return unitRows.computeIfAbsent(
        option.label() + "\nseats\n" + measure.id(),
        k -> {
          int at = row++;
          sheet.text(at, 4, option.label());
          sheet.text(at, 5, measure.label() + " that count");
          for (int m = 0; m < horizon(); m++) {
            sheet.count(at, Columns.month(m), seats(option, measure, m));
          }
          return at;
        });
  }

  private void once(Way.Leg leg, Charge.OneOff charge) {
    for (int m = leg.months().from(); m < leg.months().end(); m++) {
      List<String> before = new ArrayList<>(List.of("0"));
      for (int k = 0; k < m; k++) {
        if (isOn(leg.option(), k)) {
          before.add(onceUnits(legAt(k).option(), charge, k));
        }
      }
      if (holding(leg.option(), 0).oncePaid(charge) > 0) {
        before.add(
            charge.each().isEmpty() ? "1" : inputs.of(tool + ", owned already", owned(leg), ""));
      }
      String units =
          "MAX(0," + onceUnits(leg.option(), charge, m) + "-MAX(" + String.join(",", before) + "))";
      String each =
          prices.inForce(leg.option(), charge.name(), "price, once", charge.price(), m / 12);
      bill(leg, m, m + 1).lines.add(new InMonth(leg, charge, m, units, each));
    }
  }

  private int owned(Way.Leg leg) {
    return owned(leg.option(), 0).map(Owned::units).orElse(0);
  }

  private String onceUnits(Option option, Charge.OneOff charge, int m) {
    return charge
        .each()
        .map(measure -> Sheet.at(seatRow(option, measure), Columns.month(m)))
        .orElse("1");
  }

  private Way.Leg legAt(int m) {
    return way.legs().stream()
        .filter(leg -> leg.months().from() <= m && m < leg.months().end())
        .findFirst()
        .orElseThrow();
  }

  private boolean isOn(Option option, int m) {
    return legAt(m).option().plan().id().equals(option.plan().id());
  }

  private void used(Way.Leg leg, Charge.Usage usage) {
    for (int m = leg.months().from(); m < leg.months().end(); m++) {
      String seats =
          usage.included().perSeat().signum() == 0
              ? "0"
              : Sheet.at(seatRow(leg.option(), usage.included().seats()), Columns.month(m));
      String blocks = prices.blocks(leg.option(), usage, demands.of(usage.measure(), m), seats);
      String each =
          prices.inForce(leg.option(), usage.name(), "price of a block", usage.price(), m / 12);
      bill(leg, m, m + 1).lines.add(new InMonth(leg, usage, m, blocks, each));
    }
  }

  private void fees(Way.Leg leg, Charge.PaymentFee fee) {
    for (int m = leg.months().from(); m < leg.months().end(); m++) {
      String each =
          "("
              + (fee.share().signum() == 0 ? "0" : averagePayment(fee.currency()))
              + "*"
              + prices.number(leg.option(), fee.name(), "share of a payment", fee.share())
              + "+"
              + prices.inForce(leg.option(), fee.name(), "fixed for a payment", fee.fixed(), m / 12)
              + ")";
      String payments = demands.of(fee.payments(), m);
      bill(leg, m, m + 1).lines.add(new InMonth(leg, fee, m, payments, each));
    }
  }

  /** Amounts off invoices and what is covered outside, as they were found. */
  private void fromLedger(Invoice invoice) {
    for (InvoiceLine line : invoice.lines()) {
      switch (line) {
        case InvoiceLine.TakenOff off -> {
          Way.Leg leg = legAt(Math.min(invoice.due(), horizon() - 1));
          Bill bill = bill(leg, invoice.due(), invoice.covers().end());
          bill.lines.add(new TakenOff(leg, off, bill));
        }
        case InvoiceLine.ToMinimum minimum -> {}
        case InvoiceLine.Elsewhere elsewhere -> {
          Way.Leg leg = legAt(Math.min(invoice.due(), horizon() - 1));
          outside(leg, invoice).lines.add(new OneInput(elsewhere));
        }
        case InvoiceLine.Held held -> {}
        case InvoiceLine.Once once -> {}
        case InvoiceLine.OnceShare share -> {}
        case InvoiceLine.Used used -> {}
        case InvoiceLine.Fee fee -> {}
        case InvoiceLine.Credit credit -> {}
      }
    }
  }

  /** The months that are held against a yearly minimum, whether or not it is reached now. */
  private void minimum(MinimumYear year) {
    Way.Leg leg = legAt(Math.min(year.months().from(), horizon() - 1));
    Bill bill =
        new Bill(
            year.months().end() - 1,
            year.months(),
            leg.option().list().currency(),
            leg.option(),
            Bill.Kind.TO_MINIMUM,
            rate(leg.option()));
    bill.lines.add(new ToMinimum(leg, year.line(), year.months()));
    bills.add(bill);
  }

  /** What is given back for terms that are left early. */
  private void credits() {
    if (evaluation.costs().overall().leaving() == Leaving.LOST) {
      return;
    }
    for (Way.Leg leg : way.legs()) {
      int leave = leg.months().end();
      if (isLeft(leg)) {
        List.copyOf(bills).stream()
            .filter(b -> b.kind == Bill.Kind.CHARGES)
            .filter(b -> leg.months().from() <= b.due && b.due < leave && b.covers.end() > leave)
            .forEach(b -> {
              Bill credit =
                  new Bill(
                      leave,
                      new MonthSpan(leave, b.covers.end()),
                      evaluation.selection().currency(),
                      leg.option(),
                      Bill.Kind.CREDIT,
                      Optional.empty());
              credit.lines.add(new Credit(b, leave));
              bills.add(credit);
            });
      }
    }
  }

  /* Lines. */

  /** The lines of one charge in one term: what the last one had invoiced. */
  private static final class Chain {
    private int before = -1;
  }

  private static final int UNITS = 6;
  private static final int ALREADY = 7;
  private static final int PRICE = 8;
  private static final int PRICE_BEFORE = 9;
  private static final int INVOICED = 10;

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

  private final class Held implements Bill.Line {
    private final Way.Leg leg;
    private final Charge.Held charge;
    private final String units;
    private final Chain chain;
    private final int from;
    private final int end;

    Held(Way.Leg leg, Charge.Held charge, String units, Chain chain, int from, int end) {
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
  private final class InMonth implements Bill.Line {
    private final Way.Leg leg;
    private final Charge charge;
    private final int month;
    private final String units;
    private final String each;

    InMonth(Way.Leg leg, Charge charge, int month, String units, String each) {
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

  private String averagePayment(CurrencyUnit currency) {
    CurrencyUnit reporting = evaluation.selection().currency();
    String average =
        inputs.of(
            "Average payment, " + reporting,
            evaluation.costs().market().averagePayment().orElseThrow(),
            "");
    if (currency.equals(reporting)) {
      return average;
    }
    ExchangeRate rate =
        evaluation
            .selection()
            .rates()
            .latest(reporting, currency, evaluation.selection().asOf())
            .orElseThrow();
    return average + "*" + inputs.rate(rate);
  }

  private final class TakenOff implements Bill.Line {
    private final Way.Leg leg;
    private final InvoiceLine.TakenOff line;
    private final Bill bill;

    TakenOff(Way.Leg leg, InvoiceLine.TakenOff line, Bill bill) {
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

  /** The bill of what is covered outside in a month. */
  private Bill outside(Way.Leg leg, Invoice invoice) {
    return bills.stream()
        .filter(b -> b.kind == Bill.Kind.OUTSIDE && b.covers.equals(invoice.covers()))
        .findFirst()
        .orElseGet(() -> {
          Bill bill =
              new Bill(
                  invoice.due(),
                  invoice.covers(),
                  invoice.currency(),
                  leg.option(),
                  Bill.Kind.OUTSIDE,
                  invoice.rate());
          bills.add(bill);
          return bill;
        });
  }

  /** A line that is one input as it was entered. */
  private final class OneInput implements Bill.Line {
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

  private final class ToMinimum implements Bill.Line {
    private final Way.Leg leg;
    private final InvoiceLine.ToMinimum line;
    private final MonthSpan year;

    ToMinimum(Way.Leg leg, InvoiceLine.ToMinimum line, MonthSpan year) {
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

  private final class Credit implements Bill.Line {
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

  /* What is written. */

  private void units() {
    if (row > FIRST_ROW) {
      sheet.heading(FIRST_ROW - 1, 0, "Units, month by month");
    }
  }

  private void lines(int first) {
    String[] heads = {
      "Invoice",
      "due in",
      "covers from",
      "to before",
      "plan and term",
      "charge",
      "units",
      "invoiced before",
      "price a month",
      "of those before",
      "invoiced now",
      "amount",
      "currency"
    };
    for (int i = 0; i < heads.length; i++) {
      sheet.heading(first - 1, i, heads[i]);
    }
    int at = first;
    for (int i = 0; i < bills.size(); i++) {
      for (Bill.Line line : bills.get(i).lines) {
        bills.get(i).head(sheet, at, i + 1);
        sheet.text(at, 5, line.name());
        sheet.text(at, 12, bills.get(i).currency.getCode());
        line.write(at);
        at++;
      }
    }
  }
}
