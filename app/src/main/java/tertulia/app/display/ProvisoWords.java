package tertulia.app.display;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.SelectionReader;
import tertulia.core.decision.Proviso;
import tertulia.core.difference.Conditions;
import tertulia.core.difference.Standing;
import tertulia.core.evaluation.Selection;
import tertulia.core.growth.Group;
import tertulia.core.time.MonthSpan;
import tertulia.core.working.Quantity;

/** Conditions of a decision and how they stand. */
public record ProvisoWords(Selection selection) implements SelectionWords {

  /** Conditions by themselves, with the names of a file. */
  public static List<String> of(List<Proviso> provisos, SelectionFile file) {
    if (provisos.isEmpty()) {
      return List.of();
    }
    return new SelectionReader(new Faults())
        .read(file.undecided())
        .map(ProvisoWords::new)
        .map(words -> provisos.stream().map(words::of).toList())
        .orElse(List.of());
  }

  /** The condition by itself, such as "At most 40 seats". */
  public String of(Proviso proviso) {
    return switch (proviso) {
      case Proviso.Number number -> number(number);
      case Proviso.MonthlyCost cost -> Voice.say("holds.short.month", "cost", money(cost.limit()));
      case Proviso.WholeCost cost ->
          Voice.say("holds.short.whole", Map.of("cost", money(cost.limit()), "months", months()));
      case Proviso.PriceRisen risen ->
          Voice.say("holds.short.risen", "percent", percent(risen.percent()));
      case Proviso.StillHas has -> Voice.say("holds.short.has", "need", need(has.capability()));
      case Proviso.Leads leads -> Voice.say("holds.short.leads");
      case Proviso.SamePlan same -> Voice.say("holds.short.plan");
      case Proviso.Until until -> Voice.say("holds.short.until", "day", Dates.day(until.day()));
    };
  }

  /** How it stands, and when it was broken before. */
  public String of(Conditions.Watched watched) {
    List<String> says = new ArrayList<>();
    says.add(standing(watched));
    watched.before().forEach(run -> says.add(before(run)));
    return String.join(" ", says);
  }

  private String number(Proviso.Number number) {
    String counted = counted(number.counted(), number.limit());
    boolean most = number.bound() == Proviso.Bound.AT_MOST;
    if (number.counted() instanceof Proviso.Counted.OfGroup of) {
      return Voice.say(
          most ? "holds.short.at-most.group" : "holds.short.at-least.group",
          Map.of("number", counted, "group", group(of.group())));
    }
    return Voice.say(most ? "holds.short.at-most" : "holds.short.at-least", "number", counted);
  }

  private static String counted(Proviso.Counted counted, long number) {
    return switch (counted) {
      case Proviso.Counted.Everybody all -> Figures.counted(number, "people");
      case Proviso.Counted.OfGroup of -> Figures.counted(number, "people");
      case Proviso.Counted.Needed needed -> Figures.counted(number, needed.measure());
    };
  }

  private String group(String id) {
    return selection.groups().stream()
        .filter(group -> group.id().equals(id))
        .map(Group::name)
        .findFirst()
        .orElse(id);
  }

  private String need(String id) {
    return selection.needs().stream()
        .map(need -> need.capability())
        .filter(capability -> capability.id().equals(id))
        .map(capability -> capability.name())
        .findFirst()
        .orElse(id);
  }

  /** With the decimals it has, as a limit is shown as it was stated. */
  private String money(BigDecimal amount) {
    return Figures.quantity(new Quantity(amount, selection.currency().getCode()));
  }

  private static String percent(BigDecimal percent) {
    return Figures.percentAsEntered(percent.movePointLeft(2));
  }

  private String months() {
    return Figures.counted(selection.horizon().months(), "months");
  }

  private String standing(Conditions.Watched watched) {
    return switch (watched.standing()) {
      case Standing.Holds holds ->
          found(watched.proviso(), holds.found(), true)
              .map(found -> Voice.say("holds.so.found", "found", found))
              .orElseGet(() -> Voice.say("holds.so"));
      case Standing.Broken broken when broken.since().isEmpty() ->
          found(watched.proviso(), broken.found(), true)
              .map(found -> Voice.say("holds.not.found", "found", found))
              .orElseGet(() -> Voice.say("holds.not"));
      case Standing.Broken broken ->
          found(watched.proviso(), broken.found(), true)
              .map(found ->
                  Voice.say(
                      "holds.broken.found",
                      Map.of("when", when(broken.since().orElseThrow()), "found", found)))
              .orElseGet(
                  () -> Voice.say("holds.broken", "when", when(broken.since().orElseThrow())));
      case Standing.WillBreak breaks -> breaks(watched.proviso(), breaks);
      case Standing.NotKnown not ->
          Voice.say(
              switch (not.why()) {
                case COST -> "holds.unknown.cost";
                case TOTALS -> "holds.unknown.totals";
                case FACT -> "holds.unknown.fact";
                case SUBJECT -> "holds.unknown.subject";
                case OVER -> "holds.unknown.over";
              });
    };
  }

  private String breaks(Proviso proviso, Standing.WillBreak breaks) {
    if (proviso instanceof Proviso.Until until) {
      return Voice.say("holds.breaks.day", "day", Dates.day(until.day()));
    }
    return found(proviso, breaks.found(), false)
        .map(found ->
            Voice.say("holds.breaks.found", Map.of("when", when(breaks.from()), "found", found)))
        .orElseGet(() -> Voice.say("holds.breaks", "when", when(breaks.from())));
  }

  /**
   * What was found.
   *
   * @param now whether that is today, and not in a month to come
   */
  private Optional<String> found(Proviso proviso, Optional<Standing.Found> found, boolean now) {
    return found.map(what ->
        switch (what) {
          case Standing.Found.Amount amount -> amount(proviso, amount.amount(), now);
          case Standing.Found.Contender other ->
              Voice.say("holds.part.other", "other", name(other.id()));
          case Standing.Found.Plan plan -> Voice.say("holds.part.plan", "plan", plan.name());
          case Standing.Found.Gone gone ->
              Voice.say(
                  proviso instanceof Proviso.PriceRisen
                      ? "holds.part.not-sold"
                      : "holds.part.gone");
        });
  }

  private String amount(Proviso proviso, BigDecimal amount, boolean now) {
    return switch (proviso) {
      case Proviso.Number number ->
          Voice.say(
              now ? "holds.part.now" : "holds.part.then",
              "number",
              counted(number.counted(), amount.longValueExact()));
      case Proviso.MonthlyCost cost ->
          Voice.say(now ? "holds.part.now" : "holds.part.then", "number", money(amount));
      case Proviso.PriceRisen risen ->
          amount.signum() == 0
              ? Voice.say("holds.part.same")
              : Voice.say(
                  amount.signum() > 0 ? "holds.part.risen" : "holds.part.fallen",
                  "percent",
                  percent(amount.abs()));
      case Proviso.WholeCost cost -> money(amount);
      case Proviso.SamePlan other -> amount.toPlainString();
      case Proviso.StillHas other -> amount.toPlainString();
      case Proviso.Leads other -> amount.toPlainString();
      case Proviso.Until other -> amount.toPlainString();
    };
  }

  private static String when(Standing.When when) {
    return switch (when) {
      case Standing.When.Month month -> Dates.month(month.month());
      case Standing.When.Day day -> Dates.day(day.day());
    };
  }

  private String before(MonthSpan run) {
    String from = Dates.month(selection.horizon().month(run.from()));
    return run.months() == 1
        ? Voice.say("holds.before.month", "from", from)
        : Voice.say(
            "holds.before",
            Map.of("from", from, "until", Dates.month(selection.horizon().month(run.end() - 1))));
  }

  /** Such a day or month for a picture. */
  public static LocalDate day(Standing.When when) {
    return switch (when) {
      case Standing.When.Month month -> month.month().atDay(1);
      case Standing.When.Day day -> day.day();
    };
  }
}
