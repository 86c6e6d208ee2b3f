package tertulia.app.selection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.Money;
import tertulia.app.chart.Marks;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.finding.FitFindings;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Room;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.path.Option;
import tertulia.core.path.PlanMonths;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.time.Horizon;

/**
 * One contender's plans side by side: what they cost, how far they reach, what each brings.
 *
 * @param slug the contender
 * @param plans names in the maker's order
 * @param rows a cell for each plan
 * @param says which plan is needed and what the others would bring
 */
record PlansView(
    String slug,
    String contender,
    String mark,
    List<Head> plans,
    List<Row> rows,
    List<String> says) {

  /** A plan with what is said of it. */
  record Head(String name, String word, String look) {}

  static PlansView of(Workspace.Session session, Contender contender) {
    return new Writer(session, contender).write();
  }

  private static final class Writer {
    private final Workspace.Session session;
    private final Evaluation evaluation;
    private final Contender contender;
    private final List<Offering> offerings;
    private final Map<String, List<Reason>> against;
    private final Map<String, SteadyCost> costs = new LinkedHashMap<>();

    Writer(Workspace.Session session, Contender contender) {
      this.session = session;
      this.evaluation = session.evaluation();
      this.contender = contender;
      this.offerings = contender.offerings();
      this.against = evaluation.costs().against(contender.id());
      for (Offering offering : offerings) {
        evaluation
            .costs()
            .planAlone(offering)
            .ifPresent(cost -> costs.put(offering.plan().id(), cost));
      }
    }

    PlansView write() {
      List<Row> rows = new ArrayList<>();
      rows.add(new Row(label("A month for these people", "at its cheapest term"), prices(), "big"));
      rows.add(new Row(label("More than the plan before", ""), steps(), ""));
      rows.add(new Row(label("Would do", "over the plan months"), months(), ""));
      rows.add(new Row(label("What speaks against it", "now"), reasons(), ""));
      under("How far it reaches", quantities(), rows);
      under("What we need", needs(), rows);
      rows.add(heading("Beyond what we need"));
      rows.add(new Row(label("New in this plan", "nobody asked for it"), extras(), ""));
      return new PlansView(
          contender.id(),
          contender.tool().name(),
          Marks.inline(session.mark(contender.id())),
          offerings.stream().map(this::head).toList(),
          rows,
          says());
    }

    private static void under(String heading, List<Row> own, List<Row> rows) {
      if (!own.isEmpty()) {
        rows.add(heading(heading));
        rows.addAll(own);
      }
    }

    private static Cell label(String text, String note) {
      return Cell.fact(text).noting(note);
    }

    private static Row heading(String text) {
      return new Row(Cell.fact(text), List.of(), "across");
    }

    private Head head(Offering offering) {
      return switch (verdict(offering)) {
        case Verdict.Qualifies qualifies -> new Head(offering.plan().name(), "would do", "good");
        case Verdict.Unconfirmed unconfirmed ->
            new Head(offering.plan().name(), "not confirmed", "care");
        case Verdict.Excluded excluded -> new Head(offering.plan().name(), "out", "stop");
      };
    }

    private Verdict verdict(Offering offering) {
      return Verdict.of(against.getOrDefault(offering.plan().name(), List.of()));
    }

    private List<Cell> prices() {
      return offerings.stream()
          .map(offering -> {
            SteadyCost cost = costs.get(offering.plan().id());
            return cost == null
                ? Cell.missing("not known", "")
                : Cell.figure(
                        Figures.money(cost.money()),
                        session.why("planalone", "contender", contender.id(), "plan", id(offering)))
                    .noting(cost.option().list().term().words());
          })
          .toList();
    }

    private static String id(Offering offering) {
      return offering.plan().id();
    }

    private List<Cell> steps() {
      List<Cell> cells = new ArrayList<>();
      for (int i = 0; i < offerings.size(); i++) {
        cells.add(i == 0 ? Cell.fact("—") : step(i));
      }
      return cells;
    }

    private Cell step(int i) {
      String why =
          session.why(
              "planmore",
              "contender",
              contender.id(),
              "plan",
              id(offerings.get(i)),
              "than",
              id(offerings.get(i - 1)));
      return more(i)
          .map(m -> Cell.figure((m.isNegative() ? "" : "+ ") + Figures.money(m), why))
          .orElseGet(() -> Cell.missing("not known", ""));
    }

    private Optional<Money> more(int i) {
      SteadyCost now = costs.get(id(offerings.get(i)));
      SteadyCost before = costs.get(id(offerings.get(i - 1)));
      return now == null || before == null
          ? Optional.empty()
          : Optional.of(now.money().minus(before.money()));
    }

    private List<Cell> months() {
      Map<String, PlanMonths> byPlan =
          evaluation.costs().planMonths(contender.id()).stream()
              .collect(Collectors.toMap(PlanMonths::plan, p -> p));
      return offerings.stream()
          .map(offering -> byPlan.get(offering.plan().name()))
          .map(plan -> plan == null ? Cell.missing("—", "") : when(plan))
          .toList();
    }

    private Cell when(PlanMonths plan) {
      List<String> spans =
          plan.stretches().stream()
              .filter(stretch -> stretch.verdict().qualifies())
              .map(stretch -> span(stretch.months().from(), stretch.months().end()))
              .toList();
      boolean always = plan.stretches().size() == 1;
      String why = session.why("plans", "contender", contender.id());
      if (spans.isEmpty()) {
        return Cell.figure("never", why).looking("no");
      }
      return always
          ? Cell.figure("all the time", why).looking("yes")
          : Cell.figure(String.join(", ", spans), why);
    }

    private String span(int from, int end) {
      return Dates.shortMonth(horizon().month(from))
          + " to "
          + Dates.shortMonth(horizon().month(end - 1));
    }

    private Horizon horizon() {
      return session.table().selection().horizon();
    }

    private List<Cell> reasons() {
      return offerings.stream()
          .map(offering -> {
            String reasons =
                verdict(offering).reasons().stream()
                    .map(Reason::sentence)
                    .collect(Collectors.joining("; "));
            return reasons.isEmpty() ? Cell.fact("nothing") : Cell.fact(reasons).looking("words");
          })
          .toList();
    }

    private List<Row> quantities() {
      List<Row> rows = new ArrayList<>();
      for (Measure measure : session.table().selection().demands().keySet()) {
        List<Cell> cells = offerings.stream().map(offering -> room(offering, measure)).toList();
        if (cells.stream().anyMatch(cell -> !cell.look().equals("missing"))) {
          rows.add(new Row(Cell.fact(measure.label()).noting("needed, of what it has"), cells, ""));
        }
      }
      return rows;
    }

    private Cell room(Offering offering, Measure measure) {
      Optional<Option> option =
          Optional.ofNullable(costs.get(id(offering)))
              .map(SteadyCost::option)
              .or(() ->
                  offering.plan().lists(PlanPrices.End.HIGH).stream()
                      .findFirst()
                      .map(list -> Option.of(offering, list, evaluation.costs().market().fit())));
      Optional<Room> now =
          option.flatMap(o ->
              Room.of(
                  o.offering(),
                  o.list(),
                  measure,
                  List.of(evaluation.costs().occasion().units()),
                  horizon().month(evaluation.costs().occasion().month())));
      Optional<Room> months =
          option.flatMap(o ->
              Room.of(
                  o.offering(),
                  o.list(),
                  measure,
                  evaluation.costs().months(),
                  horizon().month(0)));
      return now.isPresent() && months.isPresent()
          ? RoomCell.of(
                  now.get(),
                  months.get(),
                  evaluation.costs().people().total(),
                  horizon(),
                  session.why("units", "measure", measure.id()))
              .cell()
          : Cell.missing("not limited", "");
    }

    private List<Row> needs() {
      List<Row> rows = new ArrayList<>();
      for (Need need : session.table().selection().needs()) {
        rows.add(
            new Row(
                Cell.fact(need.capability().name()).noting(ComparisonRows.importance(need)),
                offerings.stream().map(offering -> answer(offering, need)).toList(),
                need.importance() instanceof Importance.Must ? "must" : ""));
      }
      return rows;
    }

    private Cell answer(Offering offering, Need need) {
      Fact fact = offering.fact(need.capability());
      String words = fact.answer() == Answer.UNKNOWN ? "not confirmed" : fact.answer().words();
      boolean covered =
          need.outside().isPresent()
              && (fact.answer() == Answer.NO || fact.answer() == Answer.UNKNOWN);
      boolean must = need.importance() instanceof Importance.Must;
      return Cell.fact(
              NeedCell.sign(fact.answer())
                  + words
                  + (fact.addOn().isEmpty() ? "" : " “" + fact.addOn() + "”"))
          .noting(
              covered
                  ? "covered outside by " + need.outside().get().by()
                  : NeedCell.source(fact, session))
          .looking(
              switch (fact.answer()) {
                case YES -> "yes";
                case PARTLY, BY_ADD_ON -> "partly";
                case NO -> must && !covered ? "stop" : "no";
                case UNKNOWN -> "missing";
              });
    }

    private List<Cell> extras() {
      return offerings.stream()
          .map(offering -> {
            List<String> own = extras(offerings.indexOf(offering));
            return own.isEmpty()
                ? Cell.fact("nothing more")
                : Cell.fact(String.join(", ", own)).looking("words");
          })
          .toList();
    }

    /** What a plan has that no need names and the plan before does not have. */
    private List<String> extras(int i) {
      Set<String> asked =
          session.table().selection().needs().stream()
              .map(need -> need.capability().id())
              .collect(Collectors.toSet());
      Set<String> before = i == 0 ? Set.of() : has(i - 1).keySet();
      List<String> extras = new ArrayList<>();
      has(i)
          .forEach((id, name) -> {
            if (!asked.contains(id) && !before.contains(id)) {
              extras.add(name);
            }
          });
      return extras;
    }

    /** Names of what a plan has by itself, by id, as the facts in force say. */
    private Map<String, String> has(int i) {
      Map<String, String> has = new LinkedHashMap<>();
      session.table().file().contenders().stream()
          .map(SelectionFile.ContenderPart::tool)
          .filter(tool -> tool.id().equals(contender.id()))
          .flatMap(tool -> tool.plans().stream())
          .filter(plan -> plan.id().equals(id(offerings.get(i))))
          .flatMap(plan -> plan.facts().stream())
          .map(fact -> new Capability(Codes.slug(fact.capability()), fact.capability()))
          .filter(capability -> offerings.get(i).fact(capability).answer() == Answer.YES)
          .forEach(capability -> has.putIfAbsent(capability.id(), capability.name()));
      return has;
    }

    private List<String> says() {
      List<String> says = new ArrayList<>();
      int people = evaluation.costs().people().total();
      Optional<Offering> first =
          offerings.stream().filter(offering -> verdict(offering).qualifies()).findFirst();
      if (first.isEmpty()) {
        says.add("None of its plans would do for " + people + " people.");
        return says;
      }
      int at = offerings.indexOf(first.get());
      says.add(
          "For "
              + people
              + " people "
              + first.get().plan().name()
              + " is the first plan that would do"
              + (at == 0 ? "; nothing dearer is needed." : "."));
      for (int i = 0; i < at; i++) {
        says.add(
            offerings.get(i).plan().name()
                + " will not do: "
                + verdict(offerings.get(i)).reasons().stream()
                    .map(Reason::sentence)
                    .collect(Collectors.joining("; "))
                + ".");
      }
      if (at + 1 < offerings.size()) {
        says.add(next(at + 1));
      }
      new FitFindings(evaluation.costs())
          .notTheFirst(contender)
          .map(new FindingWords(evaluation.selection())::of)
          .ifPresent(says::add);
      return says;
    }

    /** What the plan after the first that does would bring, and for how much more. */
    private String next(int i) {
      Offering plan = offerings.get(i);
      Set<String> gains = new LinkedHashSet<>();
      for (Need need : session.table().selection().needs()) {
        if (rank(plan, need) > rank(offerings.get(i - 1), need)) {
          gains.add(need.capability().name());
        }
      }
      List<String> extras = extras(i);
      String gain = gains.isEmpty() ? "nothing that was asked for" : String.join(", ", gains);
      String more =
          more(i)
              .map(m ->
                  m.isNegative()
                      ? ", and costs " + Figures.money(m.abs()) + " less a month"
                      : ", for " + Figures.money(m) + " more a month")
              .orElse("; its price is not known");
      return plan.plan().name()
          + " would bring "
          + gain
          + more
          + (extras.isEmpty() ? "" : "; " + String.join(", ", extras) + " nobody asked for")
          + ".";
    }

    /** An add-on is taken only where a must requires it. */
    private static int rank(Offering offering, Need need) {
      return switch (offering.fact(need.capability()).answer()) {
        case YES -> 2;
        case BY_ADD_ON -> need.importance() instanceof Importance.Must ? 2 : 0;
        case PARTLY -> 1;
        case NO, UNKNOWN -> 0;
      };
    }
  }
}
