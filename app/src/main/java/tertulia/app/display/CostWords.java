package tertulia.app.display;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.CostFinding.Cause;
import tertulia.core.finding.CostFinding.CheapestByHeadcount.Stretch;
import tertulia.core.path.Dimension;
import tertulia.core.pricing.Unsaid;

/** What is said of cost. */
record CostWords(Selection selection) implements SelectionWords {
  String of(CostFinding finding) {
    return switch (finding) {
      case CostFinding.OnlyOne only -> onlyOne(only);
      case CostFinding.WholePeriod whole -> wholePeriod(whole);
      case CostFinding.NobodyHasAFigure nobody ->
          "Nobody has a figure yet. Enter prices in the catalogue, or look at Fit.";
      case CostFinding.CheapestByHeadcount cheapest -> cheapest(cheapest);
      case CostFinding.LeadChange change ->
          "From "
              + people(change.n())
              + " on "
              + name(change.now())
              + (change.certain() ? " is cheaper than " : " is cheaper by its figure than ")
              + name(change.before())
              + cause(change.cause(), change.n())
              + ".";
      case CostFinding.WithinPlan within -> withinPlan(within);
      case CostFinding.FreeUpTo free -> free(free);
      case CostFinding.OwnedForAWhile owned ->
          name(owned.tool())
              + ": "
              + Figures.counted(owned.units(), owned.measure())
              + (owned.units() == 1 ? " is" : " are")
              + " paid for until "
              + Dates.day(owned.until())
              + ". By headcount it is shown at list price, because the plan goes on after that.";
      case CostFinding.PaysFrom pays ->
          "From "
              + month(pays.month())
              + " on "
              + name(pays.tool())
              + " has cost less than "
              + name(pays.rival())
              + ".";
      case CostFinding.BeatsOldTool beats ->
          name(beats.tool())
              + (beats.month() == 0
                  ? " costs less than the tool in use from the first month on."
                  : " has cost less than the tool in use from " + month(beats.month()) + " on.");
      case CostFinding.OldToolCostsNoMore none ->
          capitalised(period())
              + " the tool in use costs no more than "
              + names(none.tools())
              + ".";
      case CostFinding.CommitmentPays pays ->
          name(pays.tool())
              + ": "
              + (pays.month() == 0
                  ? "committing costs less from the first month on than paying by the month."
                  : "from "
                      + month(pays.month())
                      + " on committing has cost less than paying by the month.");
      case CostFinding.NobodyHasAFigureBy nobody ->
          "By "
              + by(nobody.dimension())
              + ": nobody has a figure for any "
              + one(nobody.dimension())
              + " up to "
              + Figures.whole(nobody.most())
              + ".";
      case CostFinding.CheapestByQuantity cheapest -> cheapest(cheapest);
      case CostFinding.WholeStaffPays staff ->
          name(staff.tool())
              + ": for a staff of "
              + staff.staff()
              + " the price for everybody is cheaper from the "
              + ordinal(staff.named())
              + " named person on.";
      case CostFinding.NoWay none ->
          name(none.tool())
              + " has a plan for now, "
              + none.option().label()
              + ", but from "
              + month(none.month())
              + " on none of its plans does"
              + because(none.reasons())
              + ", so it has no total.";
      case CostFinding.MixedTerms mixed ->
          "The price of "
              + names(mixed.monthly())
              + " is without a commitment; "
              + (mixed.committed().size() == 1 ? "that of " : "those of ")
              + names(mixed.committed())
              + (mixed.committed().size() == 1 ? " is" : " are")
              + " for a committed year or more.";
      case CostFinding.OlderPrice older ->
          "price of " + Dates.day(older.asOf()) + ", others up to " + Dates.day(older.newest());
      case CostFinding.NotSaid not ->
          UnsaidWords.note(not.open().stream().map(Unsaid::kind).distinct().sorted().toList());
      case CostFinding.FallingBand band ->
          name(band.tool())
              + " costs less for "
              + band.units()
              + " units than for the units needed now ("
              + band.term()
              + "): its bands fall. Ask the maker for the larger number.";
      case CostFinding.BeyondCap cap ->
          "cheaper but beyond the cap of " + cap.plan() + ": " + cap.over().sentence();
      case CostFinding.AtMost most ->
          "at most: "
              + most.because().stream()
                  .map(left -> left.option().label())
                  .collect(Collectors.joining(", "))
              + " may be cheaper and has no figure";
    };
  }

  private String onlyOne(CostFinding.OnlyOne only) {
    List<String> costs = new ArrayList<>();
    only.month().ifPresent(month -> costs.add(amount(month) + " a month"));
    only.whole()
        .ifPresent(whole ->
            costs.add(amount(whole) + " over the " + months(selection.horizon().months())));
    return name(only.tool())
        + " costs "
        + String.join(" and ", costs)
        + (only.others().isEmpty() ? ". Nothing is compared with it yet." : ". " + others(only));
  }

  private String others(CostFinding.OnlyOne only) {
    String upTo = " for any headcount up to " + Figures.whole(only.most());
    List<String> parts = new ArrayList<>();
    if (!only.out().isEmpty()) {
      parts.add("no plan of " + names(only.out()) + " does what is needed" + upTo);
    }
    if (!only.toConfirm().isEmpty()) {
      parts.add(
          "no plan of "
              + names(only.toConfirm())
              + " is confirmed to do"
              + (only.out().isEmpty() ? " what is needed" + upTo : " so"));
    }
    return capitalised(String.join("; ", parts)) + ".";
  }

  private String wholePeriod(CostFinding.WholePeriod whole) {
    String all = "over the " + months(selection.horizon().months());
    String pays =
        whole
            .paysFrom()
            .map(m ->
                m == 0
                    ? "; it is ahead from the first month"
                    : "; it pays from " + month(m) + " on")
            .orElse("");
    if (whole.whole().size() > 1) {
      return capitalised(all)
          + " "
          + names(whole.whole())
          + " cost the same, the least of all"
          + mayCostLess(whole.open())
          + ".";
    }
    String cheapest = name(whole.whole().getFirst());
    if (!whole.differs()) {
      return cheapest
          + (whole.now().isPresent() ? " is the cheapest now and " : " is the cheapest ")
          + all
          + pays
          + mayCostLess(whole.open())
          + ".";
    }
    String now = name(whole.now().orElseThrow());
    Apart apart = whole.apart().orElseThrow();
    return "Today "
        + now
        + (apart instanceof Apart.NotKnown ? ", which has no total; " : "; ")
        + all
        + " "
        + cheapest
        + (apart instanceof Apart.Cheaper cheaper
            ? ", by " + (cheaper.atLeast() ? "at least " : "") + Figures.moneyIn(cheaper.by())
            : "")
        + pays
        + mayCostLess(whole.open())
        + ".";
  }

  private String cheapest(CostFinding.CheapestByHeadcount finding) {
    List<Stretch> stretches = finding.stretches();
    if (stretches.size() == 1
        && stretches.getFirst().from() == 1
        && stretches.getFirst().to() == finding.most()
        && stretches.getFirst().tool().isPresent()) {
      Stretch all = stretches.getFirst();
      String who = name(all.tool().orElseThrow());
      return all.level().isEmpty()
          ? who + " is cheapest at every headcount" + unless(all.open()) + "."
          : who
              + " is never dearer than another"
              + unless(all.open())
              + "; "
              + names(all.level())
              + levels(all)
              + ".";
    }
    List<String> words = new ArrayList<>();
    for (Stretch stretch : stretches) {
      words.add(stretch(stretch, finding.most()));
    }
    return capitalised(String.join("; ", words)) + unless(finding.open()) + ".";
  }

  private String cheapest(CostFinding.CheapestByQuantity finding) {
    List<String> words = new ArrayList<>();
    List<String> open = new ArrayList<>();
    for (Stretch stretch : finding.stretches()) {
      String who =
          stretch.tool().map(this::name).orElse("nobody has a figure")
              + (stretch.level().isEmpty() ? "" : " (level with " + names(stretch.level()) + ")");
      String range =
          stretch == finding.stretches().getFirst()
              ? stretch.to() == finding.most()
                  ? "for any "
                      + one(finding.dimension())
                      + " up to "
                      + Figures.whole(finding.most())
                  : "up to " + Figures.whole(stretch.to())
              : stretch.to() == finding.most()
                  ? "from " + Figures.whole(stretch.from()) + " on"
                  : Figures.whole(stretch.from()) + " to " + Figures.whole(stretch.to());
      words.add(range + " " + who);
      stretch.open().stream().filter(tool -> !open.contains(tool)).forEach(open::add);
    }
    return "By "
        + by(finding.dimension())
        + ": "
        + String.join("; ", words)
        + unless(open)
        + (finding.step() == 1 ? "." : ", in steps of " + Figures.whole(finding.step()) + ".");
  }

  private static String one(Dimension dimension) {
    return switch (dimension) {
      case Dimension.Quantity quantity -> "number";
      case Dimension.AveragePayment payment -> "payment";
    };
  }

  private String by(Dimension dimension) {
    return switch (dimension) {
      case Dimension.Quantity quantity -> quantity.label();
      case Dimension.AveragePayment payment ->
          payment.label() + " in " + selection.currency().getCode();
    };
  }

  private static String levels(Stretch stretch) {
    return (stretch.level().size() == 1 ? " costs" : " cost") + " the same at some headcounts";
  }

  private String stretch(Stretch stretch, int most) {
    String who =
        stretch.tool().map(this::name).orElse("nobody has a figure")
            + (stretch.level().isEmpty()
                ? ""
                : " (at some headcounts level with " + names(stretch.level()) + ")");
    if (stretch.to() == most) {
      return "from " + people(stretch.from()) + " on " + who;
    }
    if (stretch.from() == 1) {
      return "up to " + people(stretch.to()) + " " + who;
    }
    return stretch.from() == stretch.to()
        ? "at " + stretch.from() + " " + who
        : stretch.from() + " to " + stretch.to() + " " + who;
  }

  private String cause(Cause cause, int n) {
    return switch (cause) {
      case Cause.LeavesPlan leaves ->
          ", because "
              + name(leaves.tool())
              + " leaves "
              + leaves.option().label()
              + because(leaves.reasons());
      case Cause.TakesPlan takes ->
          ", because " + name(takes.tool()) + " goes to " + takes.option().label();
      case Cause.Jumps jumps ->
          ", because "
              + name(jumps.tool())
              + " costs "
              + Figures.moneyIn(jumps.by())
              + " more with the "
              + ordinal(n)
              + " person";
      case Cause.Falls falls ->
          ", because it costs "
              + Figures.moneyIn(falls.by())
              + " less with the "
              + ordinal(n)
              + " person: its bands fall";
      case Cause.GrowsLess less ->
          less.less().isZero()
              ? ", as it stays the same with the "
                  + ordinal(n)
                  + " person and the other grows by "
                  + Figures.money(less.more())
              : ", as it grows by "
                  + Figures.money(less.less())
                  + " with the "
                  + ordinal(n)
                  + " person and the other by "
                  + Figures.money(less.more());
      case Cause.HasAFigure has -> ", as one of them had no figure before";
    };
  }

  private String withinPlan(CostFinding.WithinPlan within) {
    String you =
        "You will have "
            + (within.fewest() == within.most()
                ? people(within.most())
                : within.fewest() + " to " + people(within.most()))
            + ": ";
    return within.changes().isEmpty()
        ? you + "the cheapest stays the cheapest all through" + unless(within.open()) + "."
        : you
            + "the cheapest changes at "
            + listed(within.changes().stream().map(n -> "" + n).toList())
            + unless(within.open())
            + ".";
  }

  private String free(CostFinding.FreeUpTo free) {
    String when =
        free.doesUntil()
            .map(
                m -> free.always() ? "that does for the whole plan" : "that does until " + month(m))
            .orElse("you have more from the start");
    return name(free.tool())
        + (free.ends() ? " is free up to " : " is free for any headcount up to ")
        + (free.ends() ? people(free.people()) : Figures.whole(free.people()))
        + "; "
        + when
        + ".";
  }
}
