package tertulia.app.decision;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.app.chart.CordChart;
import tertulia.app.chart.Drawn;
import tertulia.app.chart.Marks;
import tertulia.app.chart.StairsChart;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.display.LookBackWords;
import tertulia.app.display.ProvisoWords;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Results;
import tertulia.app.workspace.Cell;
import tertulia.core.decision.Proviso;
import tertulia.core.difference.Cause;
import tertulia.core.difference.Conditions;
import tertulia.core.difference.Differences;
import tertulia.core.difference.Division;
import tertulia.core.difference.Standing;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.LookBackFinding;
import tertulia.core.finding.LookBackFindings;

/**
 * A decision held against today, as it is read.
 *
 * @param decide whether the totals would lead to the same choice
 * @param says the rest, in sentences
 * @param costs the choice's cost as stairs; empty if it is not known then or today, or nothing of
 *     it changed
 * @param totals all totals as stairs; as above
 * @param axis where the axes begin if not at 0, in a sentence; may be empty
 * @param heads what stands above the amounts
 * @param rows what changed
 * @param contenders each cause by cause
 */
record LookBackView(
    String decide,
    List<String> says,
    String choice,
    String costs,
    String totals,
    String axis,
    String years,
    List<Condition> conditions,
    List<String> heads,
    List<Row> rows,
    List<Table> contenders) {

  /**
   * A condition.
   *
   * @param look "holds", "broken", "breaks" or "unknown"
   */
  record Condition(String name, String standing, String look, String cord) {}

  /**
   * A cause.
   *
   * @param changed what of it, in lines
   * @param amounts what it adds; empty cells where nothing is divided
   */
  record Row(String name, List<String> changed, List<Cell> amounts) {}

  /** A contender cause by cause. */
  record Table(String mark, String name, List<Row> rows) {}

  static LookBackView of(
      LookBack.LookedAt looked, long id, Map<String, Integer> marks, LocalDate today) {
    return new Writer(looked, id, marks, today).write();
  }

  /** Conditions as they stand. */
  static List<Condition> conditions(
      Selection selection, List<Conditions.Watched> watched, LocalDate today) {
    ProvisoWords words = new ProvisoWords(selection);
    return watched.stream()
        .map(one ->
            new Condition(
                words.of(one.proviso()),
                words.of(one),
                look(one.standing()),
                CordChart.of(cord(selection, one, today), words.of(one))))
        .toList();
  }

  /** The years of a plan, above its conditions. */
  static String years(Selection selection, LocalDate today) {
    return CordChart.years(
        selection.horizon().month(0).atDay(1),
        selection.horizon().month(selection.horizon().months()).atDay(1),
        today);
  }

  private static String look(Standing standing) {
    return switch (standing) {
      case Standing.Holds holds -> "holds";
      case Standing.Broken broken -> "broken";
      case Standing.WillBreak breaks -> "breaks";
      case Standing.NotKnown not -> "unknown";
    };
  }

  private static CordChart.Cord cord(
      Selection selection, Conditions.Watched watched, LocalDate today) {
    LocalDate first = selection.horizon().month(0).atDay(1);
    LocalDate last = selection.horizon().month(selection.horizon().months()).atDay(1);
    Optional<LocalDate> cut =
        switch (watched.standing()) {
          case Standing.Broken broken ->
              broken.since().map(ProvisoWords::day).or(() -> Optional.of(today));
          case Standing.WillBreak breaks -> Optional.of(ProvisoWords.day(breaks.from()));
          case Standing.Holds holds -> Optional.empty();
          case Standing.NotKnown not -> Optional.empty();
        };
    LocalDate known =
        watched.standing() instanceof Standing.NotKnown
            ? first
            : isForeseen(watched.proviso()) ? last : today;
    return new CordChart.Cord(
        first,
        last,
        today,
        cut,
        watched.standing().isBroken(),
        known,
        watched.before().stream()
            .map(run ->
                new CordChart.Stretch(
                    selection.horizon().month(run.from()).atDay(1),
                    selection.horizon().month(run.end()).atDay(1)))
            .toList());
  }

  /** Whether the plan says how it will be; who leads or what a page says next year it does not. */
  private static boolean isForeseen(Proviso proviso) {
    return switch (proviso) {
      case Proviso.ByMonth byMonth -> true;
      case Proviso.WholeCost cost -> true;
      case Proviso.Until until -> true;
      case Proviso.PriceRisen risen -> false;
      case Proviso.StillHas has -> false;
      case Proviso.Leads leads -> false;
    };
  }

  /** The sentence that says how the conditions stand. */
  static String stand(LookBack.LookedAt looked) {
    return words(looked).of(findings(looked).conditions(looked.watched()));
  }

  /** Whether the totals would lead to the same choice. */
  static String decide(LookBack.LookedAt looked) {
    return LookBackWords.decide(findings(looked).lead());
  }

  /**
   * What speaks against saying that it still holds, in sentences: another is ahead, or a condition
   * is broken; empty if nothing does.
   */
  static String objections(LookBack.LookedAt looked) {
    List<String> against = new ArrayList<>();
    LookBackFinding.Lead lead = findings(looked).lead();
    if (lead.isSame().filter(same -> !same).isPresent()) {
      against.add(LookBackWords.decide(lead));
    }
    if (looked.watched().stream().anyMatch(w -> w.standing().isBroken())) {
      against.add(stand(looked));
    }
    return String.join(" ", against);
  }

  private static LookBackFindings findings(LookBack.LookedAt looked) {
    return new LookBackFindings(looked.differences(), looked.then().decision().choice());
  }

  private static FindingWords words(LookBack.LookedAt looked) {
    return new FindingWords(looked.differences().now().selection());
  }

  private static final class Writer {
    private static final Cell NONE = Cell.fact("—");
    private final long id;
    private final LookBack.LookedAt looked;
    private final Map<String, Integer> marks;
    private final LocalDate today;
    private final Differences differences;
    private final String choice;
    private final Selection selection;
    private final CurrencyUnit currency;

    /** Causes that make a difference to something, each alone or with those it goes with. */
    private final List<Cause> causes;

    Writer(LookBack.LookedAt looked, long id, Map<String, Integer> marks, LocalDate today) {
      this.id = id;
      this.looked = looked;
      this.marks = marks;
      this.today = today;
      this.differences = looked.differences();
      this.choice = looked.then().decision().choice();
      this.selection = differences.now().selection();
      this.currency = selection.currency();
      this.causes = differences.changed().stream().filter(this::matters).sorted().toList();
    }

    private boolean matters(Cause cause) {
      return differences.contenders().stream()
          .anyMatch(of ->
              of.cost().filter(d -> d.of(cause).signum() != 0).isPresent()
                  || of.total().filter(d -> d.of(cause).signum() != 0).isPresent());
    }

    LookBackView write() {
      LookBackFindings findings = findings(looked);
      LookBackFinding.Lead lead = findings.lead();
      Optional<String> other = other(lead);
      List<String> says = new ArrayList<>();
      says.add(words(looked).of(lead));
      says.add(words(looked).of(findings.cost()));
      findings.inexact().stream().map(words(looked)::of).forEach(says::add);
      rules().ifPresent(says::add);
      only("again.only-then", differences.question().onlyThen()).ifPresent(says::add);
      only("again.only-now", differences.question().onlyNow()).ifPresent(says::add);
      findings.unchanged().map(words(looked)::of).ifPresent(says::add);
      List<StairsChart.Line> cost = costLine().stream().toList();
      List<StairsChart.Line> totals = totalLines();
      return new LookBackView(
          LookBackWords.decide(lead),
          says,
          name(choice),
          costs(cost),
          totals(totals),
          axis(cost, totals),
          LookBackView.years(selection, today),
          LookBackView.conditions(selection, looked.watched(), today),
          heads(other),
          rows(other),
          differences.contenders().stream().map(this::table).toList());
    }

    private String name(String id) {
      return selection.contender(id).tool().name();
    }

    /** Who stands beside the choice: who is ahead, or else the next, by the totals of today. */
    private Optional<String> other(LookBackFinding.Lead lead) {
      Optional<String> ahead =
          lead.now().map(LookBackFinding.Ahead::contender).filter(id -> !id.equals(choice));
      return ahead.or(() ->
          differences
              .now()
              .scores()
              .totals()
              .flatMap(totals ->
                  totals.standings().stream()
                      .map(s -> s.contender())
                      .filter(id -> !id.equals(choice))
                      .findFirst()));
    }

    /** What the record says where today's rules say something else of the same entries. */
    private Optional<String> rules() {
      Optional<Results.CostResult> recorded =
          looked.then().results().contenders().stream()
              .filter(c -> c.id().equals(choice))
              .findFirst()
              .map(Results.ContenderResult::horizon);
      Optional<Money> then = differences.then().costs().overall().total(choice);
      return recorded
          .map(Results.CostResult::amount)
          .map(amount -> Money.of(currency, new BigDecimal(amount)))
          .filter(was -> then.filter(money -> !money.isEqual(was)).isPresent())
          .map(was ->
              Voice.say(
                  "again.rules.cost",
                  Map.of(
                      "tool",
                      name(choice),
                      "cost",
                      Figures.moneyIn(then.orElseThrow()),
                      "was",
                      Figures.moneyIn(was))));
    }

    private static Optional<String> only(String key, List<String> names) {
      return names.isEmpty()
          ? Optional.empty()
          : Optional.of(Voice.say(key, "tools", Voice.list(names)));
    }

    // pictures

    private Drawn drawn(String id) {
      return new Drawn(id, name(id), marks.getOrDefault(id, 0));
    }

    private Optional<StairsChart.Line> costLine() {
      return causes.isEmpty()
          ? Optional.empty()
          : differences
              .of(choice)
              .flatMap(Differences.Of::cost)
              .map(division ->
                  new StairsChart.Line(
                      drawn(choice),
                      division.then(),
                      parts(division),
                      Figures.moneyIn(Money.of(currency, division.now()))));
    }

    /** By the causes that matter; what goes with another stands where the first of them does. */
    private List<BigDecimal> parts(Division division) {
      return causes.stream().map(cause -> first(division, cause)).toList();
    }

    private static BigDecimal first(Division division, Cause cause) {
      return division.parts().stream()
          .filter(part -> part.causes().iterator().next() == cause)
          .map(Division.Part::amount)
          .findFirst()
          .orElse(BigDecimal.ZERO);
    }

    private List<StairsChart.Line> totalLines() {
      return causes.isEmpty()
          ? List.of()
          : differences.contenders().stream()
              .filter(of -> of.total().isPresent())
              .map(of -> {
                Division division = of.total().orElseThrow();
                return new StairsChart.Line(
                    drawn(of.contender()),
                    division.then(),
                    parts(division),
                    name(of.contender()) + " " + Figures.lead(division.now()));
              })
              .toList();
    }

    private List<String> steps() {
      return causes.stream()
          .map(cause -> LookBackWords.name(Set.of(cause)).split(" ")[0].toLowerCase(Locale.ROOT))
          .toList();
    }

    private String costs(List<StairsChart.Line> line) {
      return line.stream()
          .findFirst()
          .map(one -> {
            List<String> amounts = new ArrayList<>();
            amounts.add(money(one.then()));
            one.parts().forEach(part -> amounts.add(StairsChart.signed(part, money(part.abs()))));
            amounts.add(money(one.parts().stream().reduce(one.then(), BigDecimal::add)));
            return StairsChart.one(
                one, steps(), "What " + name(choice) + " costs, cause by cause", amounts);
          })
          .orElse("");
    }

    private String totals(List<StairsChart.Line> lines) {
      return lines.isEmpty() ? "" : StairsChart.several(lines, steps(), "Totals, cause by cause");
    }

    private String axis(List<StairsChart.Line> cost, List<StairsChart.Line> totals) {
      List<String> begins = new ArrayList<>();
      if (!cost.isEmpty() && !StairsChart.begins(cost).isEmpty()) {
        begins.add("that of the cost at " + StairsChart.begins(cost));
      }
      if (!totals.isEmpty() && !StairsChart.begins(totals).isEmpty()) {
        begins.add("that of the totals at " + StairsChart.begins(totals));
      }
      return begins.isEmpty()
          ? ""
          : "The axes do not begin at 0: " + String.join(", ", begins) + ".";
    }

    private String money(BigDecimal amount) {
      return Figures.money(Money.of(currency, amount));
    }

    // tables

    private List<String> heads(Optional<String> other) {
      List<String> heads = new ArrayList<>();
      heads.add(name(choice) + ", cost");
      heads.add(name(choice) + ", total");
      other.ifPresent(id -> heads.add(name(id) + ", total"));
      return heads;
    }

    private List<Row> rows(Optional<String> other) {
      List<Row> rows = new ArrayList<>();
      Map<Cause, List<String>> changed = WhatChanged.between(looked, differences);
      for (Cause cause : told(changed)) {
        List<Cell> amounts = new ArrayList<>();
        amounts.add(cost(choice, cause));
        amounts.add(total(choice, cause));
        other.ifPresent(id -> amounts.add(total(id, cause)));
        rows.add(
            new Row(
                LookBackWords.name(Set.of(cause)),
                changed.getOrDefault(cause, List.of()),
                amounts));
      }
      if (!rows.isEmpty()) {
        List<Cell> all = new ArrayList<>();
        all.add(
            Cell.fact(
                differences.of(choice).flatMap(Differences.Of::cost).map(this::sum).orElse("—")));
        all.add(Cell.fact(sumOfTotal(choice)));
        other.ifPresent(id -> all.add(Cell.fact(sumOfTotal(id))));
        rows.add(new Row("In all", List.of(), all));
      }
      return rows;
    }

    /** Those that make a difference, and those of which it can be said what changed. */
    private List<Cause> told(Map<Cause, List<String>> changed) {
      return differences.changed().stream()
          .filter(cause -> causes.contains(cause) || changed.containsKey(cause))
          .sorted()
          .toList();
    }

    private String sum(Division division) {
      return StairsChart.signed(division.difference(), money(division.difference().abs()));
    }

    private String sumOfTotal(String id) {
      return differences
          .of(id)
          .flatMap(Differences.Of::total)
          .map(division -> StairsChart.part(division.difference()))
          .orElse("—");
    }

    private Cell cost(String id, Cause cause) {
      return differences
          .of(id)
          .flatMap(Differences.Of::cost)
          .map(division ->
              part(
                  division,
                  cause,
                  amount -> StairsChart.signed(amount, money(amount.abs())),
                  why(id, "cost", cause)))
          .orElse(NONE);
    }

    private Cell total(String id, Cause cause) {
      return differences
          .of(id)
          .flatMap(Differences.Of::total)
          .map(division -> part(division, cause, StairsChart::part, why(id, "total", cause)))
          .orElse(NONE);
    }

    private String why(String contender, String of, Cause cause) {
      return "/selections/"
          + id
          + "/look-again/why?contender="
          + contender
          + "&of="
          + of
          + "&cause="
          + Codes.code(cause);
    }

    /** What only comes with others stands with the first of them. */
    private static Cell part(
        Division division, Cause cause, Function<BigDecimal, String> words, String why) {
      Optional<Division.Part> found =
          division.parts().stream().filter(part -> part.causes().contains(cause)).findFirst();
      if (found.isEmpty()) {
        return NONE;
      }
      List<Cause> together = List.copyOf(found.get().causes());
      if (together.getFirst() != cause) {
        return Cell.fact("with " + lower(Set.of(together.getFirst())));
      }
      Cell figure = Cell.figure(words.apply(found.get().amount()), why);
      return together.size() == 1
          ? figure
          : figure.noting("with " + lower(Set.copyOf(together.subList(1, together.size()))));
    }

    private static String lower(Set<Cause> causes) {
      return LookBackWords.name(causes).toLowerCase(Locale.ROOT);
    }

    private Table table(Differences.Of of) {
      List<Row> rows = new ArrayList<>();
      rows.add(level("When it was decided", of, Division::then, "record"));
      for (Cause cause : causes) {
        rows.add(
            new Row(
                LookBackWords.name(Set.of(cause)),
                List.of(),
                List.of(cost(of.contender(), cause), total(of.contender(), cause))));
      }
      rows.add(level("Today", of, Division::now, "look-again"));
      return new Table(
          Marks.inline(marks.getOrDefault(of.contender(), 0)), name(of.contender()), rows);
    }

    private Row level(
        String name, Differences.Of of, Function<Division, BigDecimal> level, String page) {
      String why = "/selections/" + id + "/" + page + "/why?contender=" + of.contender();
      return new Row(
          name,
          List.of(),
          List.of(
              of.cost()
                  .map(level)
                  .map(amount -> Cell.figure(money(amount), why + "&figure=way"))
                  .orElseGet(() -> Cell.fact("not known")),
              of.total()
                  .map(level)
                  .map(total -> Cell.figure(Figures.lead(total), why + "&figure=total"))
                  .orElseGet(() -> Cell.fact("none"))));
    }
  }
}
