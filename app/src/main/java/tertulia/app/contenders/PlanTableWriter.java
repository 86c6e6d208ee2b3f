package tertulia.app.contenders;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.catalogue.Topics;
import tertulia.app.chart.Marks;
import tertulia.app.chart.PlanTagChart;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.LimitWords;
import tertulia.app.workspace.Named;
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
    PlanPictures pictures =
        new PlanPictures(costs, tags.values().stream().flatMap(List::stream).toList(), inAll);
    PlanTagChart chart = pictures.chart();
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
                chart.draw(pictures.drawn(own.get(i), session.mark(contender.id()), read))));
      }
      if (own.isEmpty()) {
        columns.add(
            new PlanTable.Column(place, contender.id(), "", "no plans", false, false, true, ""));
      }
    }
    return new PlanTable(
        heads, columns, rows(), new PlanTableSays(costs, contenders).says(), chart.axis());
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
                Stream.concat(
                    contender.boughtWith().isEmpty()
                        ? Stream.empty()
                        : Stream.of("its first tool; sums count all"),
                    old ? Stream.of("old prices") : Stream.empty()))
            .collect(Collectors.joining(", ")),
        old,
        !chosen.containsKey(contender.id()));
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
    rows.add(line(Cell.fact("A head, committed"), (c, tag) -> aHead(c, tag, tag.committed()), ""));
    rows.add(line(Cell.fact("A head, monthly"), (c, tag) -> aHead(c, tag, tag.monthly()), ""));
    rows.add(line(Cell.fact("Sold for").noting("people"), (c, tag) -> range(tag), ""));
    counted().forEach(measure -> rows.add(limits(measure)));
    if (!costs.selection().needs().isEmpty()) {
      rows.add(
          line(
              Cell.fact("Meets the needs").noting("as far as is known"),
              (c, tag) -> verdict(tag),
              ""));
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
    Cell of(Contender contender, PlanTag tag);
  }

  private PlanTable.Line line(Cell label, Told told, String look) {
    List<PlanTable.Span> cells = new ArrayList<>();
    for (int place = 0; place < contenders.size(); place++) {
      List<PlanTag> own = of(contenders.get(place));
      for (int i = 0; i < own.size(); i++) {
        cells.add(
            new PlanTable.Span(
                told.of(contenders.get(place), own.get(i)), 1, place, i == 0, List.of()));
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

  private Cell monthly(Contender contender, PlanTag tag) {
    Plan plan = tag.offering().plan();
    if (tag.tooSmall()) {
      return Cell.missing("too small", "");
    }
    String why = why(contender, tag);
    if (tag.cost().isPresent()) {
      SteadyCost cost = tag.cost().get();
      return Cell.figure(Figures.money(cost.money()), why)
          .looking(isRead(contender, tag) ? "best" : "")
          .noting(cost.option().list().term().words());
    }
    if (tag.least().isPresent()) {
      return Cell.missing("at least " + Figures.money(tag.least().get().money()), "");
    }
    return Cell.missing(plan.charged().isEmpty() ? "on request" : "not known", "");
  }

  private boolean isRead(Contender contender, PlanTag tag) {
    return costs
        .now()
        .optionNow(contender.id())
        .filter(option -> option.plan().id().equals(tag.offering().plan().id()))
        .isPresent();
  }

  private String why(Contender contender, PlanTag tag) {
    return session.why(
        "planalone", "contender", contender.id(), "plan", tag.offering().plan().id());
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
                .map(step -> Cell.fact((step.isNegative() ? "−" : "+") + Figures.money(step.abs())))
                .orElseGet(() -> Cell.fact("")));
      }
    });
    return line(
        Cell.fact("Step to this plan"), (c, tag) -> steps.getOrDefault(tag, Cell.fact("")), "soft");
  }

  private Cell yearly(Contender contender, PlanTag tag) {
    return tag.tooSmall()
        ? Cell.fact("")
        : tag.aYear()
            .map(Figures::money)
            .map(amount -> Cell.figure(amount, why(contender, tag)))
            .orElseGet(() -> Cell.fact(""));
  }

  private Cell aHead(Contender contender, PlanTag tag, Optional<SteadyCost> amount) {
    if (tag.tooSmall() || tag.offering().plan().charged().isEmpty()) {
      return Cell.fact("");
    }
    return tag.aHead(amount)
        .map(Figures::money)
        .map(money -> Cell.figure(money, why(contender, tag)))
        .orElseGet(() -> tag.least().isPresent() ? Cell.fact("") : Cell.missing("not sold", ""));
  }

  private static Cell range(PlanTag tag) {
    Plan plan = tag.offering().plan();
    if (!plan.range().measure().isPeople()) {
      return Cell.fact("no limit named");
    }
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
    return line(asked, (c, tag) -> LimitWords.of(tag.offering().plan(), measure), "limits");
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
    List<Capability> known = Named.by(session, contender);
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
      case YES, PARTLY, BY_ADD_ON, THROUGH_CONNECTOR -> true;
      case BY_HAND, NO, UNKNOWN -> false;
    };
  }

  private static String named(Offering offering, Capability capability) {
    return switch (offering.fact(capability).answer()) {
      case PARTLY -> capability.name() + " in part";
      case BY_ADD_ON -> capability.name() + " by an add-on";
      case THROUGH_CONNECTOR -> capability.name() + " through a connector";
      case YES, BY_HAND, NO, UNKNOWN -> capability.name();
    };
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

  private static String card(String typed) {
    return switch (typed) {
      case "yes" -> "asks for a card";
      case "no" -> "no card";
      default -> "not known whether it asks for a card";
    };
  }

  private static String days(String typed) {
    int days = TypedNumber.readWhole(typed);
    return days == 0 ? "no trial" : Figures.counted(days, "days");
  }

  /** Such as "14 days, all of Crew; asks for a card". */
  private String trial(Contender contender) {
    Map<ToolSheet.Circumstance, String> said = new LinkedHashMap<>();
    Optional.ofNullable(sheets.get(contender.id())).stream()
        .flatMap(sheet -> sheet.conditions().stream())
        .forEach(part -> said.putIfAbsent(part.kind(), part.value()));
    List<String> words = new ArrayList<>();
    Optional.ofNullable(said.get(ToolSheet.Circumstance.TRIAL_DAYS))
        .ifPresent(days -> words.add(days(days)));
    Optional.ofNullable(said.get(ToolSheet.Circumstance.TRIAL_USE)).ifPresent(words::add);
    Optional.ofNullable(said.get(ToolSheet.Circumstance.TRIAL_CARD))
        .ifPresent(card -> words.add(card(card)));
    return String.join(", ", words);
  }
}
