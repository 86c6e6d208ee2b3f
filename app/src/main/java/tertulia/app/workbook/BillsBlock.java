package tertulia.app.workbook;

import static tertulia.app.workbook.Rounded.money;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.path.PlanPath;

/** The invoices of one tool with the shares of their months, and what they come to. */
record BillsBlock(
    Evaluation evaluation,
    PlanPath way,
    Sheet sheet,
    Inputs inputs,
    String tool,
    List<Bill> bills,
    Map<Bill, Integer> rows) {
  private static final int OWN = 6;
  private static final int RATE = 7;
  private static final int REPORTED = 8;
  private static final int MINOR = 9;
  private static final int EACH = 10;
  private static final int LEFT_OVER = 11;

  void write(int first) {
    String[] heads = {
      "Invoice",
      "due in",
      "covers from",
      "to before",
      "plan and term",
      "",
      "in its currency",
      "rate",
      "reported",
      "minor units",
      "each month",
      "left over"
    };
    for (int i = 0; i < heads.length; i++) {
      sheet.heading(first - 1, i, heads[i]);
    }
    int decimals = Bill.decimals(evaluation.selection().currency());
    int line = first - bills.stream().mapToInt(bill -> bill.lines.size()).sum() - 2;
    for (int i = 0; i < bills.size(); i++) {
      Bill bill = bills.get(i);
      int at = first + i;
      bills.get(i).head(sheet, at, i + 1);
      sheet.formula(
          at,
          OWN,
          "SUM("
              + Sheet.at(line, Columns.AMOUNT)
              + ":"
              + Sheet.at(line + bill.lines.size() - 1, Columns.AMOUNT)
              + ")");
      line += bill.lines.size();
      if (bill.rate.isPresent()) {
        sheet.formula(at, RATE, inputs.rate(bill.rate.get()));
        sheet.formula(at, REPORTED, money(Sheet.at(at, OWN) + "*" + Sheet.at(at, RATE), decimals));
      } else {
        sheet.number(at, RATE, 1);
        sheet.formula(at, REPORTED, money(Sheet.at(at, OWN), decimals));
      }
      shares(at, bill, REPORTED, decimals);
    }
  }

  /** An amount divided over the months it covers; what is left over goes to the earliest. */
  private void shares(int at, Bill bill, int amount, int decimals) {
    String unit = "10^" + decimals;
    String months = "(" + Sheet.at(at, 3) + "-" + Sheet.at(at, 2) + ")";
    sheet.count(at, MINOR, "ROUND(" + Sheet.at(at, amount) + "*" + unit + ",0)");
    sheet.count(at, EACH, "TRUNC(" + Sheet.at(at, MINOR) + "/" + months + ")");
    sheet.count(
        at,
        LEFT_OVER,
        "ABS(" + Sheet.at(at, MINOR) + "-" + Sheet.at(at, EACH) + "*" + months + ")");
    for (int m = bill.covers.from(); m < bill.covers.end(); m++) {
      sheet.formula(
          at,
          Columns.month(m),
          "("
              + Sheet.held(at, EACH)
              + "+IF("
              + Sheet.at(Columns.NUMBERS, Columns.month(m))
              + "-"
              + Sheet.held(at, 2)
              + "<"
              + Sheet.held(at, LEFT_OVER)
              + ",SIGN("
              + Sheet.held(at, MINOR)
              + "),0))/"
              + unit);
    }
  }

  /** Shares in the invoices' own currency, which a yearly minimum is held against. */
  void ownShares(int firstOwn) {
    if (bills.stream().noneMatch(bill -> bill.kind == Bill.Kind.TO_MINIMUM)) {
      return;
    }
    sheet.heading(firstOwn - 1, 0, "The same in the invoices’ own currency");
    for (int i = 0; i < bills.size(); i++) {
      Bill bill = bills.get(i);
      if (bill.kind == Bill.Kind.CHARGES) {
        int at = firstOwn + i;
        bills.get(i).head(sheet, at, i + 1);
        sheet.formula(at, OWN, Sheet.at(rowOf(bill), OWN));
        shares(at, bill, OWN, Bill.decimals(bill.currency));
      }
    }
  }

  PathSheet.Totals totals(int first) {
    int last = first + bills.size() - 1;
    int spread = last + 1;
    int cash = last + 2;
    sheet.heading(spread, 0, "Together, spread evenly");
    sheet.heading(cash, 0, "Together, when invoiced");
    int months = Math.max(Bill.lastMonth(bills), horizon() - 1);
    for (int m = 0; m <= months; m++) {
      String column = Sheet.at(first, Columns.month(m)) + ":" + Sheet.at(last, Columns.month(m));
      sheet.formula(spread, Columns.month(m), "SUM(" + column + ")");
      sheet.formula(
          cash,
          Columns.month(m),
          "SUMIF("
              + Sheet.down(1, first, last)
              + ","
              + Sheet.at(Columns.NUMBERS, Columns.month(m))
              + ","
              + Sheet.down(REPORTED, first, last)
              + ")");
    }
    sheet.heading(0, 0, tool);
    sheet.text(1, 0, way.label());
    Map<CostTiming, Integer> rows = new LinkedHashMap<>();
    rows.put(CostTiming.SPREAD, spread);
    rows.put(CostTiming.CASH, cash);
    int at = 2;
    for (Map.Entry<CostTiming, Integer> view : rows.entrySet()) {
      total(
          at++,
          horizon() + " months, " + view.getKey().words(),
          "SUM("
              + Sheet.across(view.getValue(), Columns.month(0), Columns.month(horizon() - 1))
              + ")",
          way.ledger().total(view.getKey()).getAmount());
    }
    String past =
        months >= horizon()
            ? "SUM(" + Sheet.across(spread, Columns.month(horizon()), Columns.month(months)) + ")"
            : "0";
    total(
        at,
        "committed past them, spread",
        past,
        way.ledger().pastHorizon(CostTiming.SPREAD).getAmount());
    return new PathSheet.Totals(sheet.from(2, 6), sheet.from(3, 6), sheet.from(4, 6));
  }

  private void total(int at, String label, String formula, java.math.BigDecimal found) {
    sheet.heading(at, 4, label);
    sheet.formula(at, 6, formula);
    sheet.text(at, 7, "as Tertulia found it");
    sheet.number(at, 8, found.doubleValue());
    sheet.text(at, 9, "difference");
    sheet.formula(at, 10, "ROUND(" + Sheet.at(at, 6) + "-" + Sheet.at(at, 8) + ",4)");
  }

  private int horizon() {
    return evaluation.selection().horizon().months();
  }

  private int rowOf(Bill bill) {
    return java.util.Objects.requireNonNull(rows.get(bill));
  }
}
