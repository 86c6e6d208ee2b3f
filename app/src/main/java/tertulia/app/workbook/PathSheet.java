package tertulia.app.workbook;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.MinimumYear;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.money.ExchangeRate;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.time.MonthSpan;

/**
 * The sheet of one tool: units, invoice lines, invoices, and months, as formulas. Which plan and
 * term holds when is as it was found; every amount follows the inputs.
 */
final class PathSheet {
  private static final int FIRST_ROW = 9;
  private final Evaluation evaluation;
  private final PlanPath way;
  private final Sheet sheet;
  private final Prices prices;
  private final Demands demands;
  private final Inputs inputs;
  private final String tool;
  private final List<Bill> bills = new ArrayList<>();
  private final UnitsBlock units;
  private final BillLines lines;

  PathSheet(
      Evaluation evaluation,
      String tool,
      PlanPath way,
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
    this.units = new UnitsBlock(evaluation, tool, sheet, prices, demands, inputs, FIRST_ROW);
    this.lines = new BillLines(sheet, prices, inputs, tool, bills);
  }

  /** The cells of the totals: spread, cash, past the horizon. */
  record Totals(String spread, String cash, String past) {
    Totals plus(Totals other) {
      return new Totals(
          spread + "+" + other.spread, cash + "+" + other.cash, past + "+" + other.past);
    }
  }

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
    int firstLine = units.end() + 3;
    int written = bills.stream().mapToInt(bill -> bill.lines.size()).sum();
    int firstBill = firstLine + written + 2;
    int ownShares = firstBill + bills.size() + 5;
    lines.place(firstBill, ownShares);
    write(firstLine);
    BillsBlock block =
        new BillsBlock(evaluation, way, sheet, inputs, tool, bills, lines.billRows());
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

  private boolean isLeft(PlanPath.Leg leg) {
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

  private Bill bill(PlanPath.Leg leg, int due, int end) {
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

  private void bill(PlanPath.Leg leg) {
    for (Charge charge : leg.option().list().charges()) {
      switch (charge) {
        case Charge.Held held -> held(leg, held);
        case Charge.OneOff oneOff -> once(leg, oneOff);
        case Charge.Usage usage -> used(leg, usage);
        case Charge.PaymentFee fee -> fees(leg, fee);
      }
    }
  }

  private void held(PlanPath.Leg leg, Charge.Held charge) {
    boolean upFront = leg.option().list().term().payment() == Payment.UP_FRONT;
    boolean staysDue =
        evaluation.costs().overall().leaving() == EarlyTerminationPolicy.LOST || !isLeft(leg);
    int from = leg.months().from();
    int last = !upFront && staysDue ? leg.committedTo() : leg.months().end();
    BillLines.Chain chain = new BillLines.Chain();
    for (int m = from; m < last; m++) {
      int to = upFront ? leg.committedTo() : m + 1;
      String held = units.held(leg, charge, Math.min(m, leg.months().end() - 1));
      bill(leg, m, to)
          .lines
          .add(lines.new Held(leg, charge, held, upFront ? chain : new BillLines.Chain(), m, to));
    }
  }

  private void once(PlanPath.Leg leg, Charge.OneOff charge) {
    for (int m = leg.months().from(); m < leg.months().end(); m++) {
      List<String> before = new ArrayList<>(List.of("0"));
      for (int k = 0; k < m; k++) {
        if (isOn(leg.option(), k)) {
          before.add(units.once(legAt(k).option(), charge, k));
        }
      }
      if (units.holding(leg.option(), 0).oncePaid(charge) > 0) {
        before.add(
            charge.each().isEmpty()
                ? "1"
                : inputs.of(tool + ", owned already", units.ownedAtStart(leg.option()), ""));
      }
      String paid =
          "MAX(0,"
              + units.once(leg.option(), charge, m)
              + "-MAX("
              + String.join(",", before)
              + "))";
      String each =
          prices.inForce(leg.option(), charge.name(), "price, once", charge.price(), m / 12);
      bill(leg, m, m + 1).lines.add(lines.new InMonth(leg, charge, m, paid, each));
    }
  }

  private PlanPath.Leg legAt(int m) {
    return way.legs().stream().filter(leg -> leg.months().contains(m)).findFirst().orElseThrow();
  }

  private boolean isOn(Option option, int m) {
    return legAt(m).option().plan().id().equals(option.plan().id());
  }

  private void used(PlanPath.Leg leg, Charge.Usage usage) {
    for (int m = leg.months().from(); m < leg.months().end(); m++) {
      String seats =
          usage.included().perSeat().signum() == 0
              ? "0"
              : units.seatsThatCount(leg.option(), usage.included().seats(), m);
      String blocks = prices.blocks(leg.option(), usage, demands.of(usage.measure(), m), seats);
      String each =
          prices.inForce(leg.option(), usage.name(), "price of a block", usage.price(), m / 12);
      bill(leg, m, m + 1).lines.add(lines.new InMonth(leg, usage, m, blocks, each));
    }
  }

  private void fees(PlanPath.Leg leg, Charge.PaymentFee fee) {
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
      bill(leg, m, m + 1).lines.add(lines.new InMonth(leg, fee, m, payments, each));
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

  /** Amounts off invoices and what is covered outside, as they were found. */
  private void fromLedger(Invoice invoice) {
    for (InvoiceLine line : invoice.lines()) {
      switch (line) {
        case InvoiceLine.TakenOff off -> {
          PlanPath.Leg leg = legAt(Math.min(invoice.due(), horizon() - 1));
          Bill bill = bill(leg, invoice.due(), invoice.covers().end());
          bill.lines.add(lines.new TakenOff(leg, off, bill));
        }
        case InvoiceLine.ToMinimum minimum -> {}
        case InvoiceLine.Elsewhere elsewhere -> {
          PlanPath.Leg leg = legAt(Math.min(invoice.due(), horizon() - 1));
          outside(leg, invoice).lines.add(lines.new OneInput(elsewhere));
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
    PlanPath.Leg leg = legAt(Math.min(year.months().from(), horizon() - 1));
    Bill bill =
        new Bill(
            year.months().end() - 1,
            year.months(),
            leg.option().list().currency(),
            leg.option(),
            Bill.Kind.TO_MINIMUM,
            rate(leg.option()));
    bill.lines.add(lines.new ToMinimum(leg, year.line(), year.months()));
    bills.add(bill);
  }

  /** What is given back for terms that are left early. */
  private void credits() {
    if (evaluation.costs().overall().leaving() == EarlyTerminationPolicy.LOST) {
      return;
    }
    for (PlanPath.Leg leg : way.legs()) {
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
              credit.lines.add(lines.new Credit(b, leave));
              bills.add(credit);
            });
      }
    }
  }

  /** The bill of what is covered outside in a month. */
  private Bill outside(PlanPath.Leg leg, Invoice invoice) {
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

  /** Writes the lines from this row on. */
  private void write(int first) {
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
