package tertulia.app.contenders;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.catalogue.Topics;
import tertulia.app.chart.Marks;
import tertulia.app.chart.PlanTagChart;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.LimitWords;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.PlanTag;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.path.Option;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.Plan;

/** Puts the table of all plans together. */
final class PlanTableWriter {
  /** Things a plan adds that are named before the rest is folded away. */
  private static final int NAMED = 6;

  /** So many people at least are drawn across a plan's picture. */
  private static final int LEAST_DRAWN = 9;

  private static final int POINTS = 40;

  private final Session session;
  private final Costs costs;
  private final boolean byPrice;
  private final boolean inAll;
  private final int people;
  private final List<Contender> contenders;
  private final Map<String, List<PlanTag>> tags = new LinkedHashMap<>();
  private final Map<String, ToolSheet> sheets;
  private final Map<String, String> chosen;

  /**
   * What is written.
   *
   * @param byPrice plans by what they cost for the people read; else as on their page
   * @param inAll the picture shows the cost in all; else for each person
   */
  PlanTableWriter(Session session, boolean byPrice, boolean inAll) {
    this.session = session.onAnyPlan();
    this.costs = session.evaluation().costs();
    this.byPrice = byPrice;
    this.inAll = inAll;
    this.people = costs.people().total();
    this.contenders = session.columns();
    this.sheets =
        session.table().file().contenders().stream()
            .collect(Collectors.toMap(part -> part.tool().id(), SelectionFile.ContenderPart::tool));
    contenders.forEach(c -> tags.put(c.id(), ordered(costs.planTags(c))));
    this.chosen = session.query().plans();
  }

  private List<PlanTag> ordered(List<PlanTag> page) {
    if (!byPrice) {
      return page;
    }
    List<PlanTag> sorted = new ArrayList<>(page);
    sorted.sort(
        Comparator.comparing(
            (PlanTag tag) -> amount(tag), Comparator.nullsLast(Comparator.naturalOrder())));
    return sorted;
  }

  private static @org.jspecify.annotations.Nullable Money amount(PlanTag tag) {
    return tag.cost().map(SteadyCost::money).orElse(null);
  }

  PlanTable write() {
    PlanTagChart chart = chart();
    List<PlanTable.Head> heads = new ArrayList<>();
    List<PlanTable.Column> columns = new ArrayList<>();
    for (int place = 0; place < contenders.size(); place++) {
      Contender contender = contenders.get(place);
      List<PlanTag> own = of(contender);
      heads.add(head(place, contender, own));
      Optional<String> read = costs.now().optionNow(contender.id()).map(Option::plan).map(Plan::id);
      for (int i = 0; i < own.size(); i++) {
        Plan plan = own.get(i).offering().plan();
        columns.add(
            new PlanTable.Column(
                place,
                contender.id(),
                plan.id(),
                plan.name(),
                plan.id().equals(chosen.get(contender.id())),
                read.equals(Optional.of(plan.id())),
                i == 0,
                chart.draw(drawn(own.get(i), session.mark(contender.id()), read))));
      }
    }
    return new PlanTable(heads, columns, rows(), says(), chart.axis());
  }

  private List<PlanTag> of(Contender contender) {
    return tags.getOrDefault(contender.id(), List.of());
  }

  private PlanTable.Head head(int place, Contender contender, List<PlanTag> own) {
    boolean old = own.stream().anyMatch(tag -> session.isOld(tag.offering().plan().source()));
    return new PlanTable.Head(
        place,
        contender.id(),
        contender.tool().name(),
        Marks.inline(session.mark(contender.id())),
        Math.max(1, own.size()),
        Stream.concat(
                contender.tool().plans().stream()
                    .filter(plan -> contender.plansAside().containsKey(plan.id()))
                    .map(plan -> plan.name() + " (set aside)"),
                old ? Stream.of("old prices") : Stream.empty())
            .collect(Collectors.joining(", ")),
        old,
        !chosen.containsKey(contender.id()));
  }

  // the picture

  private PlanTagChart chart() {
    List<Money> now =
        tags.values().stream()
            .flatMap(List::stream)
            .filter(tag -> !tag.tooSmall())
            .flatMap(tag -> shown(tag).stream())
            .toList();
    return PlanTagChart.of(now, inAll ? "in all" : "a head", most(), people);
  }

  private Optional<Money> shown(PlanTag tag) {
    return inAll ? tag.cost().map(SteadyCost::money) : tag.aHead(tag.cost());
  }

  private int most() {
    return Math.max(LEAST_DRAWN, 2 * people - 1);
  }

  private PlanTagChart.Drawn drawn(PlanTag tag, int mark, Optional<String> read) {
    List<Integer> at = sampled(tag.offering().plan());
    List<Optional<SteadyCost>> along = costs.curves().planAlone(tag.offering(), at);
    List<PlanTagChart.Point> points = new ArrayList<>();
    for (int i = 0; i < at.size(); i++) {
      int n = at.get(i);
      along
          .get(i)
          .map(SteadyCost::money)
          .ifPresent(money ->
              points.add(
                  new PlanTagChart.Point(n, money.getAmount().doubleValue() / (inAll ? 1 : n))));
    }
    Plan plan = tag.offering().plan();
    return new PlanTagChart.Drawn(
        mark,
        points,
        tag.tooSmall() ? Optional.empty() : shown(tag),
        plan.range().measure().isPeople() && plan.range().cap().isPresent()
            ? Optional.of(plan.range().cap().getAsInt())
            : Optional.empty(),
        plan.charged().isEmpty(),
        read.equals(Optional.of(plan.id())));
  }

  private List<Integer> sampled(Plan plan) {
    int most = most();
    Stream<Integer> even =
        IntStream.range(0, POINTS)
            .mapToObj(i -> 1 + (int) Math.round((most - 1.0) * i / (POINTS - 1)));
    Stream<Integer> own =
        Stream.of(people, plan.range().cap().orElse(most), plan.range().cap().orElse(most) + 1);
    return Stream.concat(even, own).filter(n -> n >= 1 && n <= most).distinct().sorted().toList();
  }

  // the lines

  private List<PlanTable.Line> rows() {
    List<PlanTable.Line> rows = new ArrayList<>();
    String label = "A month for " + Figures.counted(people, "people");
    rows.add(line(Cell.fact(label), this::monthly, "big"));
    if (!byPrice) {
      rows.add(steps());
    }
    rows.add(line(Cell.fact("A year for " + people), this::yearly, ""));
    rows.add(line(Cell.fact("A head, committed"), tag -> aHead(tag, tag.committed()), ""));
    rows.add(line(Cell.fact("A head, monthly"), tag -> aHead(tag, tag.monthly()), ""));
    rows.add(line(Cell.fact("Sold for").noting("people"), PlanTableWriter::range, ""));
    counted().forEach(measure -> rows.add(limits(measure)));
    if (!costs.selection().needs().isEmpty()) {
      rows.add(line(Cell.fact("Meets the needs").noting("as far as is known"), this::verdict, ""));
    }
    rows.add(across(Cell.fact("Has, then adds"), this::adds));
    for (ToolSheet.Topic topic : ToolSheet.Topic.values()) {
      if (contenders.stream().anyMatch(c -> said(c, topic).isPresent())) {
        rows.add(across(Cell.fact(topic.label()), c -> List.of(), c -> spoken(c, topic)));
      }
    }
    if (contenders.stream().anyMatch(c -> !trial(c).isEmpty())) {
      rows.add(
          across(
              Cell.fact("Trial"),
              c -> List.of(),
              c -> trial(c).isEmpty() ? Cell.missing("not said", "") : Cell.fact(trial(c))));
    }
    return rows;
  }

  private interface Told {
    Cell of(PlanTag tag);
  }

  private PlanTable.Line line(Cell label, Told told, String look) {
    List<PlanTable.Span> cells = new ArrayList<>();
    for (int place = 0; place < contenders.size(); place++) {
      List<PlanTag> own = of(contenders.get(place));
      for (int i = 0; i < own.size(); i++) {
        cells.add(new PlanTable.Span(told.of(own.get(i)), 1, place, i == 0, List.of()));
      }
      if (own.isEmpty()) {
        cells.add(
            new PlanTable.Span(Cell.missing("no plans entered", ""), 1, place, true, List.of()));
      }
    }
    return new PlanTable.Line(label, cells, look);
  }

  private interface Parts {
    List<PlanTable.Part> of(Contender contender);
  }

  private interface OfTool {
    Cell of(Contender contender);
  }

  private PlanTable.Line across(Cell label, Parts parts) {
    return across(label, parts, c -> Cell.missing("not said", ""));
  }

  private PlanTable.Line across(Cell label, Parts parts, OfTool cell) {
    List<PlanTable.Span> cells = new ArrayList<>();
    for (int place = 0; place < contenders.size(); place++) {
      Contender contender = contenders.get(place);
      cells.add(
          new PlanTable.Span(
              cell.of(contender),
              Math.max(1, of(contender).size()),
              place,
              true,
              parts.of(contender)));
    }
    return new PlanTable.Line(label, cells, "words");
  }

  private Cell monthly(PlanTag tag) {
    Plan plan = tag.offering().plan();
    if (tag.tooSmall()) {
      return Cell.missing("too small", "");
    }
    String why = why(tag);
    if (tag.cost().isPresent()) {
      SteadyCost cost = tag.cost().get();
      return Cell.figure(Figures.money(cost.money()), why)
          .looking(isRead(tag) ? "best" : "")
          .noting(cost.option().list().term().words());
    }
    if (tag.least().isPresent()) {
      return Cell.missing("at least " + Figures.money(tag.least().get().money()), "");
    }
    return Cell.missing(plan.charged().isEmpty() ? "on request" : "not known", "");
  }

  private boolean isRead(PlanTag tag) {
    return contenders.stream()
        .filter(c -> of(c).contains(tag))
        .anyMatch(c ->
            costs
                .now()
                .optionNow(c.id())
                .filter(option -> option.plan().id().equals(tag.offering().plan().id()))
                .isPresent());
  }

  private String why(PlanTag tag) {
    return contenders.stream()
        .filter(c -> of(c).contains(tag))
        .findFirst()
        .map(c -> session.why("planalone", "contender", c.id(), "plan", tag.offering().plan().id()))
        .orElse("");
  }

  private PlanTable.Line steps() {
    Map<PlanTag, Cell> steps = new LinkedHashMap<>();
    contenders.forEach(c -> {
      List<PlanTag> own = of(c);
      List<Optional<Money>> amounts = PlanTag.steps(own);
      for (int i = 0; i < own.size(); i++) {
        PlanTag tag = own.get(i);
        steps.put(
            tag,
            amounts
                .get(i)
                .filter(step -> !tag.tooSmall())
                .map(step -> Cell.fact((step.isNegative() ? "−" : "+") + Figures.money(step.abs())))
                .orElseGet(() -> Cell.fact("")));
      }
    });
    return line(
        Cell.fact("Step to this plan"), tag -> steps.getOrDefault(tag, Cell.fact("")), "soft");
  }

  private Cell yearly(PlanTag tag) {
    return tag.tooSmall()
        ? Cell.fact("")
        : tag.aYear()
            .map(Figures::money)
            .map(amount -> Cell.figure(amount, why(tag)))
            .orElseGet(() -> Cell.fact(""));
  }

  private Cell aHead(PlanTag tag, Optional<SteadyCost> amount) {
    if (tag.tooSmall() || tag.offering().plan().charged().isEmpty()) {
      return Cell.fact("");
    }
    return tag.aHead(amount)
        .map(Figures::money)
        .map(money -> Cell.figure(money, why(tag)))
        .orElseGet(() -> tag.least().isPresent() ? Cell.fact("") : Cell.missing("not sold", ""));
  }

  private static Cell range(PlanTag tag) {
    Plan plan = tag.offering().plan();
    int least = plan.range().least();
    Optional<Integer> most =
        plan.range().cap().isPresent()
            ? Optional.of(plan.range().cap().getAsInt())
            : Optional.empty();
    String words =
        most.map(cap -> (least > 1 ? Figures.whole(least) : "1") + " to " + Figures.whole(cap))
            .orElse(least > 1 ? "from " + Figures.whole(least) : "no limit named");
    Cell cell = Cell.fact(words);
    return least > 1 ? cell.noting("pay for at least " + Figures.whole(least)) : cell;
  }

  /** What is counted beside people, stated or only limited by a page. */
  private List<Measure> counted() {
    return costs.selection().counted().stream().filter(measure -> !measure.isPeople()).toList();
  }

  private PlanTable.Line limits(Measure measure) {
    String label = measure.label();
    Cell head =
        Cell.fact(label.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + label.substring(1));
    Optional<BigDecimal> used =
        costs.market().demands().containsKey(measure)
            ? costs.occasion().units().amount(measure)
            : Optional.empty();
    Cell asked =
        used.map(units -> head.noting("you use " + Figures.quantity(measure.quantity(units))))
            .orElseGet(() -> head.looking("ask").named("ask-" + measure.id()));
    return line(asked, tag -> LimitWords.of(tag.offering().plan(), measure), "limits");
  }

  private Cell verdict(PlanTag tag) {
    Verdict verdict = Verdict.of(costs.now().against(tag.offering()));
    String first =
        verdict.reasons().stream()
            .map(Reason::requirement)
            .distinct()
            .collect(Collectors.joining("; "));
    return switch (verdict) {
      case Verdict.Qualifies yes -> Cell.fact("yes").looking("yes");
      case Verdict.Unconfirmed open -> Cell.missing("not confirmed", "").noting(first);
      case Verdict.Excluded out -> Cell.fact("no").looking("no").noting(first);
    };
  }

  private List<PlanTable.Part> adds(Contender contender) {
    List<Capability> known = known(contender);
    List<PlanTable.Part> parts = new ArrayList<>();
    List<PlanTag> own = of(contender);
    if (known.isEmpty()) {
      return List.of();
    }
    for (int i = 0; i < own.size(); i++) {
      Offering offering = own.get(i).offering();
      Optional<Offering> before =
          i == 0 ? Optional.empty() : Optional.of(own.get(i - 1).offering());
      List<String> more =
          known.stream()
              .filter(c -> has(offering, c) && before.filter(b -> has(b, c)).isEmpty())
              .map(c -> named(offering, c))
              .toList();
      List<String> gone =
          known.stream()
              .filter(c -> before.filter(b -> has(b, c)).isPresent())
              .filter(c -> offering.fact(c).answer() == Answer.NO)
              .map(Capability::name)
              .toList();
      parts.add(part(offering.plan().name(), i == 0, more, gone));
    }
    return parts;
  }

  private static PlanTable.Part part(
      String plan, boolean first, List<String> more, List<String> gone) {
    String lost =
        gone.isEmpty() ? "" : ", " + Voice.say("plans.part.loses", "things", Voice.list(gone));
    if (more.isEmpty()) {
      return new PlanTable.Part(
          plan,
          Voice.say(first ? "plans.part.names-nothing" : "plans.part.adds-nothing") + lost,
          "");
    }
    boolean folded = more.size() > NAMED + 1;
    List<String> named = folded ? more.subList(0, NAMED) : more;
    return new PlanTable.Part(
        plan,
        (first
                ? String.join(", ", named)
                : Voice.say("plans.part.adds", "things", String.join(", ", named)))
            + lost,
        folded ? String.join(", ", more.subList(NAMED, more.size())) : "");
  }

  private static boolean has(Offering offering, Capability capability) {
    return switch (offering.fact(capability).answer()) {
      case YES, PARTLY, BY_ADD_ON -> true;
      case NO, UNKNOWN -> false;
    };
  }

  private static String named(Offering offering, Capability capability) {
    return switch (offering.fact(capability).answer()) {
      case PARTLY -> capability.name() + " in part";
      case BY_ADD_ON -> capability.name() + " by an add-on";
      case YES, NO, UNKNOWN -> capability.name();
    };
  }

  /** What the page speaks of, in its order. */
  private List<Capability> known(Contender contender) {
    return Optional.ofNullable(sheets.get(contender.id())).stream()
        .flatMap(tool -> tool.plans().stream())
        .flatMap(plan -> plan.facts().stream())
        .map(fact -> new Capability(Codes.slug(fact.capability()), fact.capability()))
        .collect(
            Collectors.toMap(Capability::id, c -> c, (first, second) -> first, LinkedHashMap::new))
        .values()
        .stream()
        .toList();
  }

  private Optional<Topics.Sentence> said(Contender contender, ToolSheet.Topic topic) {
    return Optional.ofNullable(sheets.get(contender.id()))
        .flatMap(sheet -> Topics.sentence(sheet, topic));
  }

  private Cell spoken(Contender contender, ToolSheet.Topic topic) {
    return said(contender, topic)
        .map(said ->
            Cell.fact(said.text())
                .noting(said.source() + (said.others().isEmpty() ? "" : "; " + said.others())))
        .orElseGet(() -> Cell.missing("nobody has said", ""));
  }

  /** Such as "14 days, all of Crew; asks for a card". */
  private String trial(Contender contender) {
    Map<ToolSheet.Circumstance, String> said = new LinkedHashMap<>();
    Optional.ofNullable(sheets.get(contender.id())).stream()
        .flatMap(sheet -> sheet.conditions().stream())
        .forEach(part -> said.putIfAbsent(part.kind(), part.value()));
    List<String> words = new ArrayList<>();
    Optional.ofNullable(said.get(ToolSheet.Circumstance.TRIAL_DAYS))
        .ifPresent(days -> words.add(days + " days"));
    Optional.ofNullable(said.get(ToolSheet.Circumstance.TRIAL_USE)).ifPresent(words::add);
    Optional.ofNullable(said.get(ToolSheet.Circumstance.TRIAL_CARD))
        .ifPresent(card -> words.add(card.equals("yes") ? "asks for a card" : "no card"));
    return String.join(", ", words);
  }

  // what it says

  private List<String> says() {
    List<String> says = new ArrayList<>();
    says.add(range());
    below().ifPresent(says::add);
    List<String> without =
        contenders.stream()
            .flatMap(c ->
                of(c).stream()
                    .filter(tag -> tag.offering().plan().charged().isEmpty())
                    .map(tag -> plan(c, tag)))
            .toList();
    if (!without.isEmpty()) {
      says.add(
          Voice.say(
              without.size() == 1 ? "plans.no-price.one" : "plans.no-price.many",
              "plans",
              Voice.list(without)));
    }
    if (costs.selection().needs().isEmpty()) {
      says.add(Voice.say("plans.no-needs"));
    }
    return says;
  }

  private String plan(Contender contender, PlanTag tag) {
    return Voice.say(
        "plans.part.plan",
        Map.of("tool", contender.tool().name(), "plan", tag.offering().plan().name()));
  }

  /** Who is read on what, for how much. */
  private String range() {
    String whose = Figures.counted(people, "people");
    List<Money> amounts =
        contenders.stream()
            .flatMap(c -> costs.now().best(c.id()).stream())
            .map(SteadyCost::money)
            .sorted()
            .toList();
    if (amounts.isEmpty()) {
      return Voice.say("plans.cost.none", "people", whose);
    }
    String least = Figures.money(amounts.getFirst());
    String most = Figures.moneyIn(amounts.getLast());
    if (amounts.size() == 1) {
      Contender only =
          contenders.stream()
              .filter(c -> costs.now().best(c.id()).isPresent())
              .findFirst()
              .orElseThrow();
      return Voice.say(
          "plans.cost.one",
          Map.of(
              "people",
              whose,
              "tool",
              only.tool().name(),
              "cost",
              most,
              "plan",
              costs.now().best(only.id()).orElseThrow().option().plan().name()));
    }
    return amounts.getFirst().equals(amounts.getLast())
        ? Voice.say("plans.cost.level", Map.of("people", whose, "cost", most))
        : Voice.say("plans.cost", Map.of("people", whose, "least", least, "most", most));
  }

  /** The largest plan of one that costs less than the smaller plan another is read on. */
  private Optional<String> below() {
    for (Contender one : contenders) {
      List<PlanTag> own = costs.planTags(one);
      if (own.size() < 2 || own.getLast().cost().isEmpty() || own.getLast().tooSmall()) {
        continue;
      }
      Money largest = own.getLast().cost().get().money();
      for (Contender other : contenders) {
        Optional<SteadyCost> rival = costs.now().best(other.id());
        boolean smaller =
            rival
                .map(cost -> cost.option().plan().id())
                .filter(id -> !costs.planTags(other).getLast().offering().plan().id().equals(id))
                .isPresent();
        if (!other.equals(one) && smaller && largest.isLessThan(rival.orElseThrow().money())) {
          return Optional.of(
              Voice.say(
                  "plans.below",
                  Map.of(
                      "tool",
                      one.tool().name(),
                      "plan",
                      own.getLast().offering().plan().name(),
                      "other",
                      other.tool().name(),
                      "rival",
                      rival.orElseThrow().option().plan().name())));
        }
      }
    }
    return Optional.empty();
  }
}
