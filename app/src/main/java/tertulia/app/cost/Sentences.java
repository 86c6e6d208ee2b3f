package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.cost.CostView.Warning;
import tertulia.app.display.Dates;
import tertulia.app.selection.Workspace;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.fit.Reason;
import tertulia.core.growth.People;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByHeadcount.Lead;
import tertulia.core.path.CostByHeadcount.Point;
import tertulia.core.path.Outcome;
import tertulia.core.path.Stay;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.PriceList;

/** What the Cost step says in words, and what it warns of. */
final class Sentences {
  private Sentences() {}

  static String name(Workspace.Session session, String contender) {
    return session.table().selection().contender(contender).tool().name();
  }

  /** Who is cheapest for which headcounts, and whether that changes within the plan. */
  static List<String> says(Workspace.Session session, CostByHeadcount costs) {
    List<String> says = new ArrayList<>();
    List<Lead> leads = costs.leads();
    if (leads.stream().allMatch(lead -> lead.tool().isEmpty())) {
      return List.of("Nobody has a figure yet. Enter prices in the catalogue, or look at Fit.");
    }
    int low = session.evaluation().costs().lowestPlanned() / 3;
    int high = 2 * session.evaluation().costs().highestPlanned();
    List<String> stretches = new ArrayList<>();
    for (int i = 0; i < leads.size(); i++) {
      boolean last = i + 1 == leads.size();
      int to = last ? costs.most() : leads.get(i + 1).n() - 1;
      if (to >= low && leads.get(i).n() <= high) {
        stretches.add(stretch(session, leads.get(i), to, last));
      }
    }
    says.add(capitalised(String.join("; ", stretches)) + ".");
    says.add(withinPlan(session, costs));
    whyLeads(session, costs, low, high, says);
    free(session, costs, says);
    wholeStaff(session, says);
    longTerm(session, says);
    return says;
  }

  private static String capitalised(String sentence) {
    return sentence.substring(0, 1).toUpperCase(java.util.Locale.ENGLISH) + sentence.substring(1);
  }

  private static String stretch(Workspace.Session session, Lead lead, int to, boolean last) {
    String who = lead.tool().map(id -> name(session, id)).orElse("nobody has a figure");
    if (last) {
      return lead.n() == 1
          ? who + " is cheapest at every headcount"
          : "from " + lead.n() + " " + who;
    }
    return lead.n() == 1
        ? "up to " + to + " people " + who
        : lead.n() == to ? "at " + to + " " + who : lead.n() + " to " + to + " " + who;
  }

  /** Why the cheapest changes where it does: a plan that is left or begun, or the slope. */
  private static void whyLeads(
      Workspace.Session session, CostByHeadcount costs, int low, int high, List<String> says) {
    List<Lead> leads = costs.leads();
    int said = 0;
    for (int i = 1; i < leads.size() && said < 3; i++) {
      Optional<String> before = leads.get(i - 1).tool();
      Optional<String> now = leads.get(i).tool();
      int n = leads.get(i).n();
      if (before.isPresent() && now.isPresent() && n >= low && n <= high) {
        says.add(
            "From "
                + n
                + " people on "
                + name(session, now.get())
                + " is cheaper than "
                + name(session, before.get())
                + ", "
                + because(session, costs, before.get(), now.get(), n)
                + ".");
        said++;
      }
    }
  }

  private static String because(
      Workspace.Session session, CostByHeadcount costs, String before, String now, int n) {
    Optional<Point> leftAt = costs.curve(before).at(n - 1);
    Optional<Point> leftNow = costs.curve(before).at(n);
    if (leftAt.isPresent() && !leftAt.map(Point::option).equals(leftNow.map(Point::option))) {
      String reasons =
          session.evaluation().costs().reasonsAt(before, leftAt.get().option(), n).stream()
              .map(Reason::sentence)
              .collect(Collectors.joining("; "));
      if (!reasons.isEmpty()) {
        return "because "
            + name(session, before)
            + " leaves "
            + leftAt.get().option()
            + " ("
            + reasons
            + ")";
      }
    }
    Optional<String> option = costs.curve(now).at(n).map(Point::option);
    boolean begun = !costs.curve(now).at(n - 1).map(Point::option).equals(option);
    return begun && option.isPresent()
        ? "because " + name(session, now) + " goes to " + option.get()
        : "as it grows less with each person";
  }

  /** Up to how many people a tool costs nothing, and until when that is. */
  private static void free(Workspace.Session session, CostByHeadcount costs, List<String> says) {
    for (Contender contender : session.columns()) {
      int last = 0;
      while (last < costs.most()
          && costs
              .curve(contender.id())
              .at(last + 1)
              .filter(point -> point.money().isZero())
              .isPresent()) {
        last++;
      }
      if (last > 0) {
        int most = last;
        List<People> planned = session.evaluation().costs().planned();
        int until = 0;
        while (until < planned.size() && planned.get(until).total() <= most) {
          until++;
        }
        String when =
            until == 0
                ? "you have more from the start"
                : until == planned.size()
                    ? "that does for the whole plan"
                    : "that does until "
                        + Dates.month(session.table().selection().horizon().month(until - 1));
        says.add(
            contender.tool().name()
                + " is free up to "
                + (most == 1 ? "1 person" : most + " people")
                + "; "
                + when
                + ".");
      }
    }
  }

  private static void wholeStaff(Workspace.Session session, List<String> says) {
    for (Contender contender : session.columns()) {
      session
          .evaluation()
          .costs()
          .wholeStaff(contender.id())
          .ifPresent(staff ->
              says.add(
                  contender.tool().name()
                      + ": for a staff of "
                      + session.evaluation().costs().people().total()
                      + " the price for everybody is cheaper from the "
                      + ordinal(staff.named())
                      + " named person on."));
    }
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

  private static String withinPlan(Workspace.Session session, CostByHeadcount costs) {
    Evaluation evaluation = session.evaluation();
    int low = evaluation.costs().lowestPlanned();
    int high = evaluation.costs().highestPlanned();
    List<Lead> within =
        costs.leads().stream().filter(lead -> lead.n() > low && lead.n() <= high).toList();
    String you = "You will have " + low + " to " + high + " people: ";
    return within.isEmpty()
        ? you + "the cheapest stays the cheapest all through."
        : you + "the cheapest changes at " + listed(within) + ".";
  }

  /** "73", "73 and 81" or "73, 81 and 102". */
  private static String listed(List<Lead> leads) {
    List<String> at = leads.stream().map(lead -> "" + lead.n()).toList();
    String last = at.getLast();
    return at.size() == 1 ? last : String.join(", ", at.subList(0, at.size() - 1)) + " and " + last;
  }

  private static void longTerm(Workspace.Session session, List<String> says) {
    for (Contender contender : session.columns()) {
      if (session.evaluation().costs().stay(contender.id()) instanceof Outcome.NoPlan<Stay> none
          && session.evaluation().costs().steady(contender.id())
              instanceof Outcome.Found<SteadyCost>) {
        String reason =
            none.passedOver().values().stream()
                .flatMap(verdict -> verdict.reasons().stream())
                .map(Reason::sentence)
                .reduce((first, last) -> last)
                .orElse("");
        says.add(
            contender.tool().name()
                + " has a plan for now but none for all months ("
                + reason
                + "), so it has no total.");
      }
    }
  }

  /** Mistakes that could be made on this page. */
  static List<Warning> warnings(Workspace.Session session) {
    List<Warning> warnings = new ArrayList<>();
    unlikeTerms(session, warnings);
    for (Contender contender : session.columns()) {
      oldPrice(session, contender, warnings);
      bandsThatFall(session, contender, warnings);
    }
    return warnings;
  }

  private static void unlikeTerms(Workspace.Session session, List<Warning> warnings) {
    List<String> monthly = new ArrayList<>();
    List<String> committed = new ArrayList<>();
    for (Contender contender : session.columns()) {
      if (session.evaluation().costs().steady(contender.id())
          instanceof Outcome.Found<SteadyCost> found) {
        BillingTerm term = found.best().option().list().term();
        (term.isCommitted() ? committed : monthly).add(contender.tool().name());
      }
    }
    if (!monthly.isEmpty() && !committed.isEmpty()) {
      warnings.add(
          new Warning(
              "The price of "
                  + String.join(" and ", monthly)
                  + " is without a commitment; the others’ are for a committed year or more.",
              "Compare all monthly",
              "/selections/"
                  + session.table().id()
                  + "/cost?"
                  + session.query().query(Terms.MONTHLY)));
    }
  }

  private static void oldPrice(
      Workspace.Session session, Contender contender, List<Warning> warnings) {
    if (session.evaluation().costs().steady(contender.id())
            instanceof Outcome.Found<SteadyCost> found
        && session.isOld(found.best().option().plan().source())) {
      warnings.add(
          new Warning(
              contender.tool().name()
                  + "’s price is from "
                  + Dates.day(found.best().option().plan().source().asOf())
                  + ", more than "
                  + session.daysFresh()
                  + " days ago.",
              session.person().organises() ? "Change it" : "See the price page",
              "/catalogue/" + contender.id() + (session.person().organises() ? "/edit" : ""),
              session.confirm(
                  contender,
                  "prices:" + found.best().option().plan().id(),
                  found.best().option().plan().source())));
    }
  }

  /** Cheaper with one unit more: kept as it is, and said. */
  private static void bandsThatFall(
      Workspace.Session session, Contender contender, List<Warning> warnings) {
    if (!(session.evaluation().costs().steady(contender.id())
        instanceof Outcome.Found<SteadyCost> found)) {
      return;
    }
    PriceList list = found.best().option().list();
    found.best().lines().stream()
        .filter(InvoiceLine.Held.class::isInstance)
        .flatMapToInt(line -> ((InvoiceLine.Held) line).cheaperWithMore().stream())
        .boxed()
        .findFirst()
        .ifPresent(units ->
            warnings.add(
                new Warning(
                    contender.tool().name()
                        + " costs less for "
                        + units
                        + " units than for the units needed now ("
                        + list.term().words()
                        + "): its bands fall. Ask the maker for the larger number.",
                    "See the price page",
                    "/catalogue/" + contender.id())));
  }
}
