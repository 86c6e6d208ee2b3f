package tertulia.app.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.chart.Marks;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Head;
import tertulia.app.workspace.LimitWords;
import tertulia.app.workspace.Named;
import tertulia.app.workspace.Row;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.PlanTag;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.PlanFindings;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Headroom;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.fit.QuantityCover;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.path.Option;
import tertulia.core.path.OptionName;
import tertulia.core.path.PlanMonths;
import tertulia.core.path.SteadyCost;
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

  static PlansView of(Session session, Contender contender) {
    return new Writer(session, contender).write();
  }

  private static final class Writer {
    private final Session session;
    private final Evaluation evaluation;
    private final Contender contender;
    private final List<Offering> offerings;
    private final PlanFindings findings;
    private final List<PlanTag> tags;

    Writer(Session session, Contender contender) {
      this.session = session;
      this.evaluation = session.evaluation();
      this.contender = contender;
      this.offerings = contender.offerings();
      this.findings = new PlanFindings(evaluation.costs(), contender, Named.by(session, contender));
      this.tags = evaluation.costs().planTags(contender);
    }

    PlansView write() {
      List<Row> rows = new ArrayList<>();
      rows.add(new Row(label("A month for these people", "at its cheapest term"), prices(), "big"));
      rows.add(new Row(label("More than the plan before", ""), steps(), ""));
      rows.add(new Row(label("Would do", "over the plan months"), months(), ""));
      rows.add(new Row(label("What speaks against it", "now"), reasons(), ""));
      under("How far it reaches", quantities(), rows);
      under("Nobody has said how many you need", limits(), rows);
      under("What we need", needs(), rows);
      rows.add(heading("Beyond what we need"));
      rows.add(new Row(label("New in this plan", "nobody asked for it"), extras(), ""));
      return new PlansView(
          contender.id(),
          contender.tool().name(),
          Marks.inline(session.mark(contender.id())),
          offerings.stream().map(this::head).toList(),
          rows,
          findings.all().stream().map(new FindingWords(evaluation.selection())::of).toList());
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
      return switch (findings.verdict(offering)) {
        case Verdict.Qualifies qualifies ->
            new Head(offering.plan().name(), "meets your needs", "good");
        case Verdict.Unconfirmed unconfirmed ->
            new Head(offering.plan().name(), "not confirmed", "care");
        case Verdict.Excluded excluded -> new Head(offering.plan().name(), "out", "stop");
      };
    }

    private List<Cell> prices() {
      return tags.stream().map(this::price).toList();
    }

    private Cell price(PlanTag tag) {
      if (tag.tooSmall()) {
        return Cell.missing("too small", "");
      }
      return tag.cost()
          .map(cost ->
              Cell.figure(
                      Figures.money(cost.money()),
                      session.why(
                          "planalone", "contender", contender.id(), "plan", id(tag.offering())))
                  .noting(cost.option().list().term().words()))
          .orElseGet(() -> Cell.missing("not known", ""));
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
      if (tags.get(i).tooSmall() || tags.get(i - 1).tooSmall()) {
        return Cell.fact("");
      }
      String why =
          session.why(
              "planmore",
              "contender",
              contender.id(),
              "plan",
              id(offerings.get(i)),
              "than",
              id(offerings.get(i - 1)));
      return findings
          .more(i)
          .map(m -> Cell.figure((m.isNegative() ? "" : "+ ") + Figures.money(m), why))
          .orElseGet(() -> Cell.missing("not known", ""));
    }

    private List<Cell> months() {
      Map<OptionName, PlanMonths> byPlan =
          evaluation.costs().overall().planMonths(contender.id()).stream()
              .collect(Collectors.toMap(PlanMonths::plan, p -> p));
      return offerings.stream()
          .map(offering -> byPlan.get(OptionName.of(offering.plan())))
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
                findings.verdict(offering).reasons().stream()
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

    /** What the page says of things that are counted and of which no use is stated. */
    private List<Row> limits() {
      Selection selection = session.table().selection();
      return selection.counted().stream()
          .filter(measure -> !measure.isPeople() && !selection.demands().containsKey(measure))
          .map(measure ->
              new Row(
                  Cell.fact(measure.label()).noting("as far as is known"),
                  offerings.stream()
                      .map(offering -> LimitWords.of(offering.plan(), measure))
                      .toList(),
                  ""))
          .filter(row -> row.cells().stream().anyMatch(cell -> !cell.look().equals("missing")))
          .toList();
    }

    private Cell room(Offering offering, Measure measure) {
      Optional<Option> option =
          tags.get(offerings.indexOf(offering))
              .cost()
              .map(SteadyCost::option)
              .or(() ->
                  offering.plan().charged().stream()
                      .findFirst()
                      .map(list -> Option.of(offering, list, evaluation.costs().market().fit())));
      if (option.isEmpty()) {
        // what a page without prices charges for may go beyond what it allows
        return Cell.missing("not known", "");
      }
      Optional<Headroom> now =
          option.flatMap(o ->
              Headroom.of(
                  o.offering(),
                  o.list(),
                  measure,
                  List.of(evaluation.costs().occasion().units()),
                  horizon().month(evaluation.costs().occasion().month())));
      Optional<Headroom> months =
          option.flatMap(o ->
              Headroom.of(
                  o.offering(),
                  o.list(),
                  measure,
                  evaluation.costs().overall().months(),
                  horizon().month(0)));
      List<QuantityCover> covers = evaluation.costs().market().fit().covers();
      return now.isPresent() && months.isPresent()
          ? RoomCell.of(
              now.get().with(covers),
              months.get().with(covers),
              evaluation.costs().people().total(),
              horizon(),
              session.why("units", "measure", measure.id()))
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
      String words =
          fact.answer() == Answer.UNKNOWN && fact.count().isEmpty()
              ? "not confirmed"
              : fact.words();
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
                case PARTLY, BY_ADD_ON, THROUGH_CONNECTOR -> "partly";
                case BY_HAND -> need.byHandIsEnough() ? "partly" : must && !covered ? "stop" : "no";
                case NO -> must && !covered ? "stop" : "no";
                case UNKNOWN -> "missing";
              });
    }

    private List<Cell> extras() {
      return offerings.stream()
          .map(offering -> {
            String own =
                findings.beyond(offerings.indexOf(offering)).stream()
                    .map(Capability::name)
                    .collect(Collectors.joining(", "));
            return own.isEmpty() ? Cell.fact("nothing more") : Cell.fact(own).looking("words");
          })
          .toList();
    }
  }
}
