package tertulia.app.workbook;

import static tertulia.app.workbook.Rounded.money;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.labour.Labour;
import tertulia.core.labour.PeopleTime;
import tertulia.core.labour.PeopleTime.Item;
import tertulia.core.labour.StaffEffort;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;

/** The sheet of people's time: for each contender each item, month by month, as formulas. */
final class TimeSheet {
  private static final int FIRST = 3;
  private static final int TOTAL = 2;
  private final Evaluation evaluation;
  private final Inputs inputs;
  private final Demands demands;
  private final Sheet sheet;
  private int row = 3;

  TimeSheet(Evaluation evaluation, Inputs inputs, Demands demands, Sheet sheet) {
    this.evaluation = evaluation;
    this.inputs = inputs;
    this.demands = demands;
    this.sheet = sheet;
    sheet.width(0, 26);
    sheet.width(1, 26);
    sheet.freeze(FIRST, 3);
    sheet.heading(0, 0, "Staff time");
    sheet.text(0, TOTAL, "in " + evaluation.selection().currency() + ", apart from subscriptions");
    sheet.heading(2, TOTAL, "together");
    for (int m = 0; m < months(); m++) {
      sheet.heading(2, FIRST + m, evaluation.selection().horizon().month(m).toString());
    }
  }

  private int months() {
    return evaluation.selection().horizon().months();
  }

  /**
   * Writes the lines of a contender whose people's time is known.
   *
   * @return the cell of their sum, as other sheets name it
   */
  String write(Contender contender, StaffTime.Known known, PlanPath way) {
    Labour labour = evaluation.selection().practice().labour();
    StaffEffort effort = contender.takes().orElseThrow();
    String hour = inputs.of("An hour of staff time costs", known(labour.hour()), "");
    List<Integer> rows = new ArrayList<>();
    for (Item item : Item.values()) {
      if (!known.time().of(item).isZero()) {
        rows.add(item(contender, item, effort, labour, hour, way));
      }
    }
    int sum = row++;
    sheet.heading(sum, 0, contender.tool().name() + ", together");
    sheet.formula(
        sum,
        TOTAL,
        rows.stream().map(r -> Sheet.at(r, TOTAL)).reduce("0", (all, cell) -> all + "+" + cell));
    row++;
    return sheet.from(sum, TOTAL);
  }

  private static BigDecimal known(java.util.Optional<BigDecimal> figure) {
    return figure.orElse(BigDecimal.ZERO);
  }

  private int item(
      Contender contender,
      Item item,
      StaffEffort effort,
      Labour labour,
      String hour,
      PlanPath way) {
    String tool = contender.tool().name();
    IntFunction<String> amount =
        switch (item) {
          case SET_UP -> once(input(tool, "set-up, hours", effort.setUp()));
          case MIGRATION -> once(input(tool, "migration, hours", effort.migration()));
          case LEARNING -> learning(input(tool, "learning, hours a seat", effort.learning()));
          case UPKEEP -> always(input(tool, "upkeep, hours a month", effort.upkeep()));
          case BY_HAND -> byHand(contender, effort, way);
          case CHANGING -> {
            String hours = inputs.of("A change of plan, hours", labour.changeHours(), "");
            yield m -> way.changesOfPlan().contains(m) ? hours : "0";
          }
          case PARALLEL -> parallel(tool, effort, labour);
        };
    int at = row++;
    sheet.text(at, 0, tool);
    sheet.text(at, 1, item.words());
    for (int m = 0; m < months(); m++) {
      String each = item == Item.PARALLEL ? "" : "*" + hour;
      sheet.formula(
          at,
          FIRST + m,
          money(
              "(" + amount.apply(m) + ")" + each,
              evaluation.selection().currency().getDecimalPlaces()));
    }
    sheet.formula(at, TOTAL, "SUM(" + Sheet.across(at, FIRST, FIRST + months() - 1) + ")");
    return at;
  }

  /** Minutes that were stated, and those of each need that is met by hand in the month. */
  private IntFunction<String> byHand(Contender contender, StaffEffort effort, PlanPath way) {
    String tool = contender.tool().name();
    String stated = input(tool, "by hand, minutes a workday", effort.manualMinutes());
    List<PeopleTime.Manual> needs =
        evaluation
            .costs()
            .overall()
            .byHand(contender.id(), new PlanPaths.Found(way, List.of(), Optional.empty()))
            .lines();
    return m -> {
      StringBuilder minutes = new StringBuilder(stated);
      for (PeopleTime.Manual need : needs) {
        BigDecimal more = need.minutes().get(m);
        if (more.signum() > 0) {
          minutes
              .append("+")
              .append(
                  input(
                      tool + ", " + planIn(way, m),
                      need.what() + " by hand, minutes a workday",
                      more));
        }
      }
      return "(" + minutes + ")*21/60";
    };
  }

  private static String planIn(PlanPath way, int month) {
    return way.legs().stream()
        .filter(leg -> leg.months().contains(month))
        .map(leg -> leg.option().plan().name())
        .findFirst()
        .orElse("");
  }

  private String input(String tool, String label, BigDecimal figure) {
    return inputs.of(tool + ", " + label, figure, "");
  }

  private static IntFunction<String> once(String hours) {
    return m -> m == 0 ? hours : "0";
  }

  private static IntFunction<String> always(String hours) {
    return m -> hours;
  }

  private IntFunction<String> learning(String each) {
    return m ->
        each
            + "*MAX(0,"
            + demands.seats(m)
            + (m == 0 ? "" : "-(" + demands.seats(m - 1) + ")")
            + ")";
  }

  private IntFunction<String> parallel(String tool, StaffEffort effort, Labour labour) {
    String months = inputs.of(tool + ", months beside the old tool", effort.parallelMonths(), "");
    String cost = inputs.of("The old tool costs a month", known(labour.oldTool()), "");
    return m -> "IF(" + m + "<" + months + "," + cost + ",0)";
  }
}
