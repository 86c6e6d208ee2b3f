package tertulia.app.display;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.NeedCosts.Effect;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.Finding;
import tertulia.core.finding.Finding.Cause;
import tertulia.core.finding.Finding.CheapestByHeadcount.Stretch;
import tertulia.core.finding.Stage;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Reason;
import tertulia.core.path.Dimension;
import tertulia.core.path.LeftOut;
import tertulia.core.scoring.Interval;
import tertulia.core.time.Horizon;

/** The one place where findings become sentences. */
public record FindingWords(Selection selection) {

  /** A sentence with its full stop. */
  public String of(Finding finding) {
    return switch (finding) {
      case Finding.OnlyOne only -> onlyOne(only);
      case Finding.WholePeriod whole -> wholePeriod(whole);
      case Finding.NobodyHasAFigure nobody ->
          "Nobody has a figure yet. Enter prices in the catalogue, or look at Fit.";
      case Finding.CheapestByHeadcount cheapest -> cheapest(cheapest);
      case Finding.LeadChange change ->
          "From "
              + people(change.n())
              + " on "
              + name(change.now())
              + (change.certain() ? " is cheaper than " : " is cheaper by its figure than ")
              + name(change.before())
              + cause(change.cause(), change.n())
              + ".";
      case Finding.WithinPlan within -> withinPlan(within);
      case Finding.FreeUpTo free -> free(free);
      case Finding.PaysFrom pays ->
          "From "
              + month(pays.month())
              + " on "
              + name(pays.tool())
              + " has cost less than "
              + name(pays.rival())
              + ".";
      case Finding.BeatsOldTool beats ->
          name(beats.tool())
              + (beats.month() == 0
                  ? " costs less than the tool in use from the first month on."
                  : " has cost less than the tool in use from " + month(beats.month()) + " on.");
      case Finding.OldToolCostsNoMore none ->
          capitalised(period())
              + " the tool in use costs no more than "
              + names(none.tools())
              + ".";
      case Finding.CommitmentPays pays ->
          name(pays.tool())
              + ": "
              + (pays.month() == 0
                  ? "committing costs less from the first month on than paying by the month."
                  : "from "
                      + month(pays.month())
                      + " on committing has cost less than paying by the month.");
      case Finding.CheapestByQuantity cheapest -> cheapest(cheapest);
      case Finding.WholeStaffPays staff ->
          name(staff.tool())
              + ": for a staff of "
              + staff.staff()
              + " the price for everybody is cheaper from the "
              + ordinal(staff.named())
              + " named person on.";
      case Finding.NoWay none ->
          name(none.tool())
              + " has a plan for now, "
              + none.option()
              + ", but from "
              + month(none.month())
              + " on none of its plans does"
              + because(none.reasons())
              + ", so it has no total.";
      case Finding.MixedTerms mixed ->
          "The price of "
              + names(mixed.monthly())
              + " is without a commitment; "
              + (mixed.committed().size() == 1 ? "that of " : "those of ")
              + names(mixed.committed())
              + (mixed.committed().size() == 1 ? " is" : " are")
              + " for a committed year or more.";
      case Finding.OlderPrice older ->
          "price of " + Dates.day(older.asOf()) + ", others up to " + Dates.day(older.newest());
      case Finding.FallingBand band ->
          name(band.tool())
              + " costs less for "
              + band.units()
              + " units than for the units needed now ("
              + band.term()
              + "): its bands fall. Ask the maker for the larger number.";
      case Finding.BeyondCap cap ->
          "cheaper but beyond the cap of " + cap.option() + ": " + cap.over().sentence();
      case Finding.AtMost most ->
          "at most: "
              + most.because().stream().map(LeftOut::option).collect(Collectors.joining(", "))
              + " may be cheaper and has no figure";
      case Finding.OnlyTogether together ->
          name(together.tool())
              + ": "
              + listed(together.needs().stream().map(need -> need.capability().name()).toList())
              + together(together.effect())
              + ".";
      case Finding.NotTheFirst not ->
          name(not.tool())
              + ": "
              + not.first()
              + " is the first plan that would do; "
              + not.taken()
              + ", which the column reads, is the cheapest that would"
              + (not.cost().isExact() ? ", at " : " and has a price, at most ")
              + Figures.moneyIn(not.cost().high())
              + " a month.";
      case Finding.NoPlanDoes none ->
          "None of its plans would do for " + people(none.people()) + ".";
      case Finding.FirstThatDoes first ->
          "For "
              + people(first.people())
              + " "
              + first.plan()
              + " is the first plan that would do"
              + (first.isFirst() ? "; nothing dearer is needed." : ".");
      case Finding.WillNotDo not -> not.plan() + " will not do: " + reasons(not.reasons()) + ".";
      case Finding.NextBrings next -> next(next);
      case Finding.OrderAfter order -> order(order);
      case Finding.OfGrowth growth -> of(growth, selection.horizon());
      case Finding.NoPlan none -> noPlan(none);
      case Finding.NoTotals none ->
          none.anybodyRanked()
              ? "There are no totals yet: nobody has given weights."
              : "There are no totals: no contender has a plan for all months.";
      case Finding.Leads leads ->
          name(leads.tool()) + " leads by the totals, at " + Figures.score(leads.total()) + ".";
      case Finding.LevelLead level ->
          names(level.tools())
              + " are level in the lead, at "
              + Figures.score(Interval.exactly(level.total()))
              + ".";
      case Finding.OpenLead open ->
          name(open.tool())
              + " is ahead by the middle of its total, but "
              + (open.open().size() == 1 ? "a value under " : "values under ")
              + listed(open.open())
              + (open.open().size() == 1 ? " is" : " are")
              + " only known within bounds: it could come as low as place "
              + open.worst()
              + ".";
      case Finding.OfAnswer answer -> answer(answer);
      case Finding.OfMissing missing -> missing(missing);
      case Finding.OfTrial trial -> new TrialWords(selection).of(trial);
      case Finding.WithoutInterested interested -> interested(interested);
      case Finding.OfViews views -> ViewWords.of(views);
      case Finding.OpenRemarks open ->
          (open.remarks() == 1
                  ? "One remark is open, at "
                  : Figures.whole(open.remarks()) + " remarks are open, at ")
              + open.steps().stream().map(Stage::words).collect(Collectors.joining(", "))
              + ".";
      case Finding.KeptRemarks kept ->
          (kept.remarks() == 1
                  ? "One remark on how something is judged waits"
                  : Figures.whole(kept.remarks()) + " remarks on how something is judged wait")
              + " until you have handed in your view.";
      case Finding.RankingsAgree agree -> agree(agree);
      case Finding.ViewTurns turns ->
          "Without "
              + turns.person()
              + "’s view "
              + name(turns.without())
              + " would lead, not "
              + name(turns.shared())
              + ".";
      case Finding.WorthUnder under ->
          "Worth under "
              + under.criterion()
              + ": "
              + under.worths().stream()
                  .map(worth -> name(worth.tool()) + " " + Figures.score(worth.value()))
                  .collect(Collectors.joining(", "))
              + ".";
      case Finding.CountedTwice twice ->
          twice.judged()
              + " and "
              + twice.measured()
              + " seem to count the same twice: "
              + (twice.cost() ? "what a tool costs" : "what a tool can do")
              + " is worked out already. Drop one, or say under the other what else it means.";
      case Finding.GuessedScale guess ->
          "Nobody has said what the worst and the best of "
              + guess.criterion()
              + " are. As a first guess "
              + guess.worst().toPlainString()
              + " a month is worth 0 and "
              + guess.best().toPlainString()
              + " is worth 1, as the contenders lie; that moves when contenders come and go.";
      case Finding.OutsideScale outside ->
          names(outside.tools())
              + " cost different amounts and are worth the same, as they lie outside the scale."
              + " With worst "
              + outside.worst().toPlainString()
              + " and best "
              + outside.best().toPlainString()
              + " a month it would tell them apart.";
    };
  }

  private String agree(Finding.RankingsAgree agree) {
    String how =
        switch (agree.degree()) {
          case WELL -> "The rankings agree well";
          case IN_PART -> "The rankings agree in part";
          case HARDLY -> "The rankings hardly agree";
        };
    return how
        + " (Kendall’s W "
        + agree.w().setScale(2, RoundingMode.HALF_UP).toPlainString()
        + " of 1); "
        + (agree.firsts().size() == 1
            ? "everybody has " + name(agree.firsts().getFirst()) + " first."
            : agree.firsts().stream().map(this::name).collect(Collectors.joining(", "))
                + " are each somebody’s first.");
  }

  private String answer(Finding.OfAnswer answer) {
    return switch (answer) {
      case Finding.NobodyCompared nobody -> "Nothing is compared yet: bring two contenders.";
      case Finding.NobodyDoes none ->
          "None of the contenders has a plan that does for all people and months"
              + (none.toConfirm().isEmpty()
                  ? "."
                  : "; "
                      + names(none.toConfirm())
                      + " may, once "
                      + (none.toConfirm().size() == 1 ? "its" : "their")
                      + " facts are confirmed.");
      case Finding.NobodyHasATotal none ->
          names(none.tools())
              + (none.tools().size() == 1 ? " does" : " do")
              + " what is needed; what "
              + (none.tools().size() == 1 ? "it costs" : "they cost")
              + " is not known yet.";
      case Finding.OnlyOneDoes only ->
          name(only.tool())
              + (only.alone()
                  ? " does what is needed; nothing is compared with it yet."
                  : " is the only one that does what is needed.");
      case Finding.CheapestThatDoes cheapest -> cheapest(cheapest);
      case Finding.Ahead ahead -> ahead(ahead);
      case Finding.DecisionToday today -> today(today);
      case Finding.WhoDoes does -> whoDoes(does);
    };
  }

  /** Whose views a total is without, such as "without the views of Joren and Odile". */
  public String inShort(Finding.ViewsWithheld views) {
    return "without the "
        + (views.members().size() == 1 ? "view of " : "views of ")
        + listed(views.members());
  }

  /** An answer in a few words, where its tool stands beside it. */
  public String inShort(Finding.OfAnswer answer) {
    return switch (answer) {
      case Finding.NobodyCompared nobody -> "nothing is compared yet";
      case Finding.NobodyDoes none ->
          none.toConfirm().isEmpty()
              ? "no contender does for all people and months"
              : "nobody is sure to do; facts are to be confirmed";
      case Finding.NobodyHasATotal none ->
          Figures.counted(none.tools().size(), "contenders") + " would do, without a known cost";
      case Finding.OnlyOneDoes only ->
          only.alone() ? "does; nothing is compared with it yet" : "the only one that does";
      case Finding.CheapestThatDoes cheapest ->
          (cheapest.tools().size() == 1
                  ? "the cheapest that does"
                  : names(cheapest.tools()) + " cost the same")
              + (cheapest.open().isEmpty() ? "" : ", not for certain")
              + "; nobody has weighed";
      case Finding.Ahead ahead ->
          ahead.tools().size() > 1
              ? names(ahead.tools()) + " are level"
              : ahead.isCertain() ? "leads, whatever is not known" : "leads, not for certain";
      case Finding.DecisionToday today -> today(today);
      case Finding.WhoDoes does -> whoDoes(does);
    };
  }

  private String whoDoes(Finding.WhoDoes does) {
    if (does.doing().size() + does.toConfirm().size() + does.not().size() == 0) {
      return "Nothing is compared yet: bring two contenders.";
    }
    List<String> parts = new ArrayList<>();
    if (!does.doing().isEmpty()) {
      parts.add(
          names(does.doing())
              + (does.doing().size() == 1 ? " has" : " have")
              + " a plan that does for all people and months");
    }
    if (!does.toConfirm().isEmpty()) {
      parts.add(
          names(does.toConfirm())
              + " may, once "
              + (does.toConfirm().size() == 1 ? "its" : "their")
              + " facts are confirmed");
    }
    if (!does.not().isEmpty()) {
      parts.add(names(does.not()) + (does.not().size() == 1 ? " has none" : " have none"));
    }
    return String.join("; ", parts) + ".";
  }

  private String today(Finding.DecisionToday today) {
    if (today.first().isEmpty()) {
      return "Today nobody could be put first.";
    }
    if (!today.stands()) {
      return "Today " + names(today.first()) + " would be first.";
    }
    return today.first().size() == 1
        ? "It would be first today too."
        : "Today " + names(today.first()) + " would be level.";
  }

  private String cheapest(Finding.CheapestThatDoes cheapest) {
    boolean one = cheapest.tools().size() == 1;
    return names(cheapest.tools())
        + (one ? " is the cheapest that does, " : " are the cheapest that do, ")
        + (cheapest.now() ? "now and " : "")
        + period()
        + mayCostLess(cheapest.open())
        + ". Nobody has weighed yet.";
  }

  private String ahead(Finding.Ahead ahead) {
    if (ahead.tools().size() > 1) {
      return names(ahead.tools()) + " are level in the lead.";
    }
    String cost =
        switch (ahead.cost()) {
          case NOW_AND_WHOLE -> " and is the cheapest, now and " + period();
          case WHOLE -> " and is the cheapest " + period() + ", though not now";
          case NOW -> " and is the cheapest now, though not " + period();
          case NEITHER -> "; it is not the cheapest";
          case NOT_KNOWN -> "; what it costs is not known";
        };
    return names(ahead.tools())
        + " leads"
        + cost
        + (ahead.cost() == Finding.Cheapness.NEITHER || ahead.cost() == Finding.Cheapness.NOT_KNOWN
            ? ""
            : mayCostLess(ahead.open()))
        + "."
        + (ahead.isCertain()
            ? ""
            : " It is not settled: " + names(ahead.mayPass()) + " could still pass it.");
  }

  /** "over the 36 months". */
  private String period() {
    return "over the " + months(selection.horizon().months());
  }

  private String missing(Finding.OfMissing missing) {
    return switch (missing) {
      case Finding.NoCriteria none -> "Nothing says yet what counts.";
      case Finding.NotWeighed nobody ->
          nobody.members().isEmpty()
              ? "Nobody has been asked to weigh yet."
              : listed(nobody.members())
                  + (nobody.members().size() == 1 ? " has" : " have")
                  + " not weighed yet.";
      case Finding.ViewsWithheld views ->
          "Not in these figures: the "
              + (views.members().size() == 1 ? "view of " : "views of ")
              + listed(views.members())
              + (views.handedIn().isEmpty()
                  ? ", not handed in yet."
                  : views.handedIn().size() == views.members().size()
                      ? ". You see it once you have handed in yours."
                      : ". What "
                          + listed(views.handedIn())
                          + " handed in you see once you have"
                          + " handed in yours.");
      case Finding.NotMarked marks ->
          marks.member() + " has " + marks.left() + " of " + marks.of() + " marks left to give.";
      case Finding.ValueOpen open ->
          name(open.tool()) + ": " + open.criterion() + " is known only within bounds.";
      case Finding.ToConfirm confirm ->
          name(confirm.tool()) + ": something that must be there is not confirmed.";
      case Finding.NoPrice none -> name(none.tool()) + ": a price is not known.";
      case Finding.OpenQuestions open ->
          name(open.tool())
              + ": "
              + (open.questions() == 1
                  ? "one thing nobody has said"
                  : open.questions() + " things nobody has said")
              + " may change the plan it needs.";
      case Finding.OldPrice old ->
          name(old.tool()) + ": the price is of " + Dates.day(old.asOf()) + ".";
    };
  }

  private String name(String tool) {
    return selection.contender(tool).tool().name();
  }

  private String names(List<String> tools) {
    return listed(tools.stream().map(this::name).toList());
  }

  /** "A", "A and B" or "A, B and C". */
  private static String listed(List<String> names) {
    return names.size() <= 1
        ? String.join("", names)
        : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
  }

  private String month(int m) {
    return Dates.month(selection.horizon().month(m));
  }

  private static String people(int n) {
    return Figures.counted(n, "people");
  }

  private static String months(int n) {
    return n + (n == 1 ? " month" : " months");
  }

  private String onlyOne(Finding.OnlyOne only) {
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

  private String others(Finding.OnlyOne only) {
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

  private static String amount(Amount amount) {
    if (amount.isExact()) {
      return Figures.moneyIn(amount.high());
    }
    return amount
        .low()
        .map(low -> Figures.money(low) + " to " + Figures.moneyIn(amount.high()))
        .orElse("at most " + Figures.moneyIn(amount.high()));
  }

  private String wholePeriod(Finding.WholePeriod whole) {
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

  /** Who may yet be cheaper, and why, as a clause of a sentence about the cheapest. */
  private String mayCostLess(List<String> open) {
    return open.isEmpty()
        ? ""
        : "; "
            + names(open)
            + " may cost less, as "
            + (open.size() == 1 ? "its price is" : "their prices are")
            + " not known, or only within bounds";
  }

  /** The same in short. */
  private String unless(List<String> open) {
    return open.isEmpty()
        ? ""
        : ", unless " + names(open) + (open.size() == 1 ? " is" : " are") + " cheaper";
  }

  private String interested(Finding.WithoutInterested found) {
    List<String> parts = new ArrayList<>();
    if (found.facts() > 0) {
      parts.add(found.facts() == 1 ? "1 fact" : found.facts() + " facts");
    }
    if (found.ratings() > 0) {
      parts.add(found.ratings() == 1 ? "1 rating" : found.ratings() + " ratings");
    }
    if (found.marks() > 0) {
      parts.add(found.marks() == 1 ? "1 mark" : found.marks() + " marks");
    }
    boolean one = found.facts() + found.ratings() + found.marks() == 1;
    return listed(parts)
        + (one ? " comes" : " come")
        + " from somebody with an interest. Without "
        + (one ? "it " : "them ")
        + found
            .without()
            .map(without -> left(found.with(), without))
            .orElse("there are no totals.");
  }

  private String left(
      Optional<Finding.WithoutInterested.Lead> with, Finding.WithoutInterested.Lead without) {
    String by = without.by().map(margin -> ", by " + score(margin)).orElse("");
    String tool = name(without.tool());
    if (with.isEmpty()) {
      return tool + " is ahead" + by + ".";
    }
    if (!with.get().tool().equals(without.tool())) {
      return tool + " is ahead" + by + ", not " + name(with.get().tool()) + ".";
    }
    String before = with.get().by().map(FindingWords::score).orElse("");
    boolean same = before.equals(without.by().map(FindingWords::score).orElse(""));
    return tool
        + (same ? " is ahead all the same" : " is still ahead")
        + by
        + (same ? "" : " instead of " + before)
        + ".";
  }

  private static String score(BigDecimal margin) {
    return Figures.score(Interval.exactly(margin));
  }

  private static String capitalised(String sentence) {
    return sentence.substring(0, 1).toUpperCase(java.util.Locale.ENGLISH) + sentence.substring(1);
  }

  private String cheapest(Finding.CheapestByHeadcount finding) {
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

  private String cheapest(Finding.CheapestByQuantity finding) {
    List<String> words = new ArrayList<>();
    List<String> open = new ArrayList<>();
    for (Stretch stretch : finding.stretches()) {
      String who =
          stretch.tool().map(this::name).orElse("nobody has a figure")
              + (stretch.level().isEmpty() ? "" : " (level with " + names(stretch.level()) + ")");
      String range =
          stretch == finding.stretches().getFirst()
              ? stretch.to() == finding.most()
                  ? "for any number up to " + Figures.whole(finding.most())
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
              + leaves.option()
              + because(leaves.reasons());
      case Cause.TakesPlan takes ->
          ", because " + name(takes.tool()) + " goes to " + takes.option();
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

  private static String because(List<Reason> reasons) {
    return reasons.isEmpty() ? "" : " (" + reasons(reasons) + ")";
  }

  private static String reasons(List<Reason> reasons) {
    return reasons.stream().map(Reason::sentence).collect(Collectors.joining("; "));
  }

  private static String next(Finding.NextBrings next) {
    String gain =
        next.gains().isEmpty()
            ? "nothing that was asked for"
            : next.gains().stream()
                .map(need -> need.capability().name())
                .collect(Collectors.joining(", "));
    String more =
        next.more()
            .map(m ->
                (m.isNegative()
                        ? ", and costs " + Figures.money(m.abs()) + " less a month"
                        : ", for " + Figures.money(m) + " more a month")
                    + (next.assumed() ? ", at the most that is assumed" : ""))
            .orElse("; its price is not known");
    String beyond = next.beyond().stream().map(Capability::name).collect(Collectors.joining(", "));
    return next.plan()
        + " would bring "
        + gain
        + more
        + (beyond.isEmpty() ? "" : "; " + beyond + " nobody asked for")
        + ".";
  }

  private String order(Finding.OrderAfter order) {
    if (order.isNothing()) {
      return "Nobody is cheapest or leads, before or after.";
    }
    List<String> says = new ArrayList<>();
    if (order.cheapestChanges()) {
      says.add(
          anybody(order.cheapest())
              + " would be cheapest instead of "
              + anybody(order.cheapestBefore()));
    }
    if (order.leadChanges()) {
      says.add(leadAfter(order));
    }
    return says.isEmpty()
        ? "The cheapest and the leader stay."
        : capitalised(String.join("; ", says)) + ".";
  }

  private String leadAfter(Finding.OrderAfter order) {
    List<String> before = Finding.OrderAfter.ahead(order.leadBefore());
    List<String> now = Finding.OrderAfter.ahead(order.lead());
    String how =
        switch (order.lead()) {
          case Finding.OpenLead open -> ", by the middle of what its total can be";
          case Finding.LevelLead level -> ", level";
          default -> before.equals(now) ? ", whatever is not known" : "";
        };
    return anybody(now)
        + " would lead the totals"
        + (before.equals(now) ? "" : " instead of " + anybody(before))
        + how;
  }

  private String anybody(List<String> tools) {
    return tools.isEmpty() ? "nobody" : names(tools);
  }

  /** A sentence about growth, whatever the selection. */
  public static String of(Finding.OfGrowth finding, Horizon horizon) {
    return switch (finding) {
      case Finding.PeopleInTheEnd end ->
          "In "
              + Dates.month(horizon.month(end.month()))
              + ": "
              + end.ends().stream()
                  .map(e -> Figures.whole(e.people()) + " if growth is " + e.scenario().words())
                  .collect(Collectors.joining(", "))
              + ".";
      case Finding.MostPeople most ->
          "The most people at a time, as expected: "
              + Figures.whole(most.people())
              + " in "
              + Dates.month(horizon.month(most.month()))
              + ".";
    };
  }

  private String withinPlan(Finding.WithinPlan within) {
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

  private String free(Finding.FreeUpTo free) {
    String when =
        free.doesUntil()
            .map(
                m -> free.always() ? "that does for the whole plan" : "that does until " + month(m))
            .orElse("you have more from the start");
    return name(free.tool()) + " is free up to " + people(free.people()) + "; " + when + ".";
  }

  private static String together(Effect effect) {
    return switch (effect) {
      case Effect.Costs costs ->
          " cost nothing each, but together they cost "
              + Figures.moneyIn(costs.more())
              + (costs.exact() ? "" : " by figures that are known only within bounds");
      case Effect.RulesOut out ->
          " together rule it out: without any one of them there is still no total, without all of"
              + " them there is";
      case Effect.NoTotal none -> " leave no total, alone or together";
    };
  }

  private String noPlan(Finding.NoPlan none) {
    Conflicts conflicts = none.conflicts();
    List<String> sets =
        conflicts.smallest().stream()
            .limit(3)
            .map((Set<String> set) -> "“" + String.join("” with “", set) + "”")
            .toList();
    List<String> opens =
        conflicts.opens().entrySet().stream()
            .map(e -> "without “" + e.getKey() + "” " + listed(e.getValue()) + " would do")
            .toList();
    return name(none.tool())
        + " has no plan for "
        + people(none.people())
        + ": no plan meets "
        + String.join(", nor ", sets)
        + (opens.isEmpty() ? "" : "; " + String.join("; ", opens))
        + ".";
  }

  private static String ordinal(int n) {
    boolean teen = n % 100 >= 11 && n % 100 <= 13;
    String ending =
        teen
            ? "th"
            : switch (n % 10) {
              case 1 -> "st";
              case 2 -> "nd";
              case 3 -> "rd";
              default -> "th";
            };
    return n + ending;
  }
}
