package tertulia.app.decision;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.app.chart.RecordChart;
import tertulia.app.decision.Minutes.Block;
import tertulia.app.decision.Minutes.Section;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.ProvisoWords;
import tertulia.app.display.SigningWords;
import tertulia.app.display.SubjectWords;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Review;
import tertulia.core.decision.SigningRule;
import tertulia.core.scoring.Totals;

/** Writes the record of a signed decision from what is frozen; nothing of it is today's. */
final class MinutesWriter {
  private final Decision.Signed signed;
  private final SelectionFile file;
  private final Results results;
  private final Optional<Results.ContenderResult> choice;

  private MinutesWriter(Decision.Signed signed, Snapshot frozen) {
    this.signed = signed;
    this.file = frozen.selection();
    this.results = frozen.results();
    this.choice =
        results.contenders().stream()
            .filter(c -> c.id().equals(signed.proposal().choice()))
            .findFirst();
  }

  /** The record; empty before the decision is signed. */
  static Optional<Minutes> of(Decisions.Stored stored) {
    return stored.decision() instanceof Decision.Signed signed
        ? stored
            .frozen()
            .map(frozen ->
                new MinutesWriter(signed, frozen)
                    .write(
                        frozen, Objects.requireNonNullElse(stored.sha256(), ""), stored.isIntact()))
        : Optional.empty();
  }

  private Minutes write(Snapshot frozen, String sha256, boolean intact) {
    Proposal proposal = signed.proposal();
    PanelMinutes panel = new PanelMinutes(file, results);
    FiguresMinutes figures = new FiguresMinutes(results, proposal.choice());
    List<Section> sections =
        Stream.of(
                Section.of("because", "Because", Block.text(proposal.reasons())),
                Section.of("given-up", "Given up", Block.text(proposal.givenUp())),
                against(frozen.decision()),
                conditions(),
                rule(),
                people(),
                needs(),
                figures.contenders(),
                ruledOut(),
                figures.card(),
                figures.sides(),
                figures.sizes(),
                panel.members(),
                panel.apart(),
                panel.tried(),
                firm(),
                ended(),
                open(),
                prices(),
                reviews())
            .flatMap(Optional::stream)
            .toList();
    return new Minutes(
        file.brief().title(),
        file.brief().purpose(),
        Voice.say("record.decided", "day", day(signed.at())),
        headline(),
        inShort(),
        signatures(),
        sections,
        sha256,
        intact);
  }

  /** Who proposed it, and what everybody said who was asked. */
  private List<Minutes.Signature> signatures() {
    List<Minutes.Signature> signatures = new ArrayList<>();
    signatures.add(
        new Minutes.Signature(
            signed.by().by().name(),
            Voice.say("record.short.proposed"),
            day(signed.by().at()),
            "for"));
    for (Answer answer : signed.signing().answers()) {
      signatures.add(
          new Minutes.Signature(
              answer.by().person(), did(answer), day(answer.by().at()), look(answer)));
    }
    signed
        .signing()
        .waiting()
        .forEach(person ->
            signatures.add(
                new Minutes.Signature(
                    person.name(), Voice.say("record.short.silent"), "", "silent")));
    if (signed.signing().of(signed.closedBy().by()).isEmpty()) {
      signatures.add(
          new Minutes.Signature(
              signed.closedBy().person(),
              Voice.say("record.short.unopposed"),
              day(signed.closedBy().at()),
              "for"));
    }
    return signatures;
  }

  private static String look(Answer answer) {
    return switch (answer) {
      case Answer.Agrees agrees -> agrees.reservations().isEmpty() ? "for" : "reserved";
      case Answer.Against against -> "against";
    };
  }

  private static String did(Answer answer) {
    return switch (answer) {
      case Answer.Agrees agrees ->
          agrees.reservations().isEmpty()
              ? Voice.say("record.short.agreed")
              : Voice.say("record.short.reserved", "words", agrees.reservations());
      case Answer.Against against -> Voice.say("record.short.against", "words", against.reason());
    };
  }

  // what it says first

  private String headline() {
    String tool = name(signed.proposal().choice());
    Results.@Nullable CostResult cost = choice.map(Results.ContenderResult::horizon).orElse(null);
    String plan = signed.proposal().option();
    if (cost == null || plan.isEmpty()) {
      return Voice.say("record.headline.no-cost", "tool", tool);
    }
    return Voice.say(
        "record.headline",
        Map.of("tool", tool, "plan", plan, "cost", money(cost), "months", months()));
  }

  private List<String> inShort() {
    List<String> says = new ArrayList<>();
    choice.map(Results.ContenderResult::inUse).ifPresent(use -> inUse(use, says));
    choice
        .map(Results.ContenderResult::firstMonth)
        .ifPresent(cost ->
            says.add(
                Voice.say(
                    "record.month",
                    Map.of(
                        "cost",
                        money(cost),
                        "month",
                        Dates.month(YearMonth.parse(results.start())),
                        "people",
                        Figures.counted(results.people().getFirst(), "people")))));
    byTotals().ifPresent(says::add);
    byCost().ifPresent(says::add);
    signed
        .reviewOn()
        .ifPresent(day -> says.add(Voice.say("record.look-again", "day", Dates.day(day))));
    return says;
  }

  /** What of the cost is for what is in use, and whether the choice is what is in use. */
  private void inUse(Results.UseResult use, List<String> says) {
    if (use.asToday()) {
      says.add(Voice.say("use.record.as-today"));
    }
    List<String> names = new ArrayList<>(use.staying());
    if (new BigDecimal(use.owed()).signum() > 0) {
      names.addAll(use.going());
    }
    if (use.stays() != null && !names.isEmpty()) {
      BigDecimal beside = new BigDecimal(use.stays()).add(new BigDecimal(use.owed()));
      says.add(
          Voice.say(
              "use.record.beside",
              Map.of(
                  "cost",
                  Results.grouped(beside.toPlainString()) + " " + results.currency(),
                  "tools",
                  Voice.list(names))));
    }
  }

  /** Whether the choice was ahead by the totals; if not, that another was. */
  private Optional<String> byTotals() {
    List<Results.ContenderResult> order =
        results.contenders().stream()
            .filter(c -> c.total() != null)
            .sorted(Comparator.comparing(FiguresMinutes::middle, Comparator.reverseOrder()))
            .toList();
    Optional<BigDecimal> own = choice.filter(c -> c.total() != null).map(FiguresMinutes::middle);
    Optional<Results.ContenderResult> best =
        order.stream().filter(c -> !c.id().equals(signed.proposal().choice())).findFirst();
    if (own.isEmpty() || best.isEmpty()) {
      return Optional.empty();
    }
    Totals.Apart apart = new Totals.Apart(own.get(), FiguresMinutes.middle(best.get()));
    String other = best.get().name();
    if (apart.isLevel()) {
      return Optional.of(Voice.say("record.level", "other", other));
    }
    boolean exact =
        order.stream()
            .map(c -> Objects.requireNonNull(c.total()))
            .allMatch(total -> total.low().equals(total.high()));
    String key =
        apart.exactly().signum() > 0
            ? exact ? "record.ahead" : "record.ahead.mid-range"
            : exact ? "record.behind" : "record.behind.mid-range";
    return Optional.of(Voice.say(key, Map.of("other", other, "by", Figures.apart(apart))));
  }

  /** What the cheapest of the others costs more or less. */
  private Optional<String> byCost() {
    Optional<BigDecimal> own = choice.flatMap(FiguresMinutes::exact);
    Optional<Results.ContenderResult> other =
        results.contenders().stream()
            .filter(c ->
                !c.id().equals(signed.proposal().choice()) && FiguresMinutes.exact(c).isPresent())
            .min(Comparator.comparing(c -> FiguresMinutes.exact(c).orElseThrow()));
    if (own.isEmpty() || other.isEmpty()) {
      return Optional.empty();
    }
    BigDecimal more = FiguresMinutes.exact(other.get()).orElseThrow().subtract(own.get());
    boolean known =
        results.contenders().stream()
            .filter(c -> c.setAside() == null && !c.id().equals(signed.proposal().choice()))
            .allMatch(c -> FiguresMinutes.exact(c).isPresent());
    return Optional.of(
        Voice.say(
            more.signum() < 0
                ? known ? "record.cheaper" : "record.cheaper.as-known"
                : known ? "record.dearer" : "record.dearer.as-known",
            Map.of(
                "other",
                other.get().name(),
                "more",
                Results.grouped(more.abs().toPlainString()) + " " + results.currency())));
  }

  // sections

  /** What spoke against the choice when it was signed, and why it was made nevertheless. */
  private static Optional<Section> against(Snapshot.Agreed agreed) {
    List<Block> blocks = new ArrayList<>();
    if (agreed.against() != null) {
      blocks.add(Block.points(agreed.against()));
    }
    if (agreed.despite() != null) {
      blocks.add(Block.text(Voice.say("record.part.despite", "words", agreed.despite())));
    }
    return Section.of(Minutes.AGAINST, "Against it", blocks);
  }

  private Optional<Section> conditions() {
    List<Block> blocks = new ArrayList<>();
    List<String> tested = ProvisoWords.of(signed.proposal().holdsWhile(), file);
    if (!tested.isEmpty()) {
      blocks.add(Block.points(tested));
    }
    if (!signed.proposal().conditions().isBlank()) {
      blocks.add(Block.text(signed.proposal().conditions()));
    }
    return Section.of("conditions", "Holds as long as", blocks);
  }

  /** By which rule it was agreed, if more than one other was asked. */
  private Optional<Section> rule() {
    return signed.signing().rule() instanceof SigningRule.OneOther
        ? Optional.empty()
        : Section.of(
            "rule",
            "Who had to agree",
            Block.text(SigningWords.rule(signed.signing(), signed.by().at())));
  }

  private Optional<Section> people() {
    if (results.people().stream().allMatch(n -> n == 0)) {
      return Optional.empty();
    }
    int least = results.people().stream().mapToInt(Integer::intValue).min().orElse(0);
    int most = results.people().stream().mapToInt(Integer::intValue).max().orElse(0);
    String groups =
        file.brief().groups().stream().map(Brief.GroupPart::name).collect(Collectors.joining(", "));
    return Section.of(
        "people",
        "For whom",
        Block.text(
            Voice.say(
                least == most ? "record.people.same" : "record.people",
                Map.of(
                    "people",
                    least == most
                        ? Figures.counted(most, "people")
                        : Figures.whole(least) + " to " + Figures.counted(most, "people"),
                    "months",
                    months(),
                    "start",
                    Dates.month(YearMonth.parse(results.start())),
                    "words",
                    groups))),
        Block.picture(
            RecordChart.people(YearMonth.parse(results.start()), results.people()),
            Voice.say("record.short.people")));
  }

  private Optional<Section> needs() {
    Map<String, List<String>> by = new LinkedHashMap<>();
    for (String importance : List.of("must", "should", "could")) {
      file.brief().needs().stream()
          .filter(need -> need.importance().equals(importance))
          .forEach(need -> by.computeIfAbsent(importance, i -> new ArrayList<>()).add(asked(need)));
    }
    List<String> needs =
        by.entrySet().stream()
            .map(e -> IMPORTANCE.get(e.getKey()) + ": " + String.join("; ", e.getValue()))
            .toList();
    return Section.listed("needs", "What was needed", needs);
  }

  private static final Map<String, String> IMPORTANCE =
      Map.of("must", "Must-have", "should", "Should be there", "could", "Could be there");

  /** Such as "Roles for contractors, “they look, they do not book” (Ilse)". */
  private static String asked(Brief.NeedPart need) {
    return need.name()
        + need.enough()
        + (need.why() == null ? "" : ", “" + need.why() + "”")
        + (need.askedBy() == null ? "" : " (" + need.askedBy() + ")");
  }

  private Optional<Section> ruledOut() {
    List<String> out = new ArrayList<>();
    results.contenders().stream()
        .filter(c -> c.setAside() != null)
        .forEach(c -> out.add(c.name() + ": set aside: " + c.setAside()));
    for (SelectionFile.ContenderPart part : file.contenders()) {
      List<SelectionFile.PlanAsidePart> plans = part.plansAside();
      if (plans != null) {
        plans.forEach(
            aside -> out.add(part.tool().name() + ": a plan set aside: " + aside.reason()));
      }
    }
    return Section.listed("ruled-out", "Ruled out", out);
  }

  private Optional<Section> firm() {
    Results.FirmnessResult firm = results.firmness();
    return firm == null
        ? Optional.empty()
        : Section.listed(
            "firm",
            "How firm it was",
            Stream.of(
                    Stream.of(firm.says()),
                    Stream.ofNullable(firm.bySize()),
                    firm.takeIf().stream().map(Results.TakeResult::says),
                    Stream.ofNullable(firm.holdsFor()),
                    Stream.ofNullable(firm.findOut()),
                    Stream.ofNullable(results.interests()))
                .flatMap(all -> all)
                .toList());
  }

  private Optional<Section> ended() {
    return Section.listed(
        "ended",
        "Proposals that did not stand",
        file.proposals().stream()
            .map(part ->
                part.choice()
                    + ", "
                    + part.option()
                    + ", proposed by "
                    + part.proposedBy()
                    + " on "
                    + day(Instant.parse(part.proposedAt()))
                    + "; "
                    + part.words()
                    + " "
                    + part.by()
                    + ": "
                    + part.reason())
            .toList());
  }

  /** What was asked and not closed when it was signed. */
  private Optional<Section> open() {
    SubjectWords words = new SubjectWords(file);
    return Section.listed(
        "open",
        "Open when it was signed",
        file.said().stream()
            .map(part -> part.read(""))
            .filter(tertulia.core.remark.Remark::isOpen)
            .map(remark ->
                words.of(remark.about()) + ": " + remark.said().by() + ": " + remark.said().text())
            .toList());
  }

  private Optional<Section> prices() {
    List<String> pages = new ArrayList<>();
    for (SelectionFile.ContenderPart part : file.contenders()) {
      part.tool().plans().stream()
          .map(plan -> plan.source().asOf())
          .filter(Objects::nonNull)
          .min(Comparator.naturalOrder())
          .ifPresent(day -> pages.add(part.tool().name() + " " + Dates.day(LocalDate.parse(day))));
    }
    String rates =
        Voice.say("record.prices", "day", Dates.day(LocalDate.parse(file.brief().asOf())));
    return Section.of(
        "prices",
        "Prices",
        Block.text(
            pages.isEmpty()
                ? rates
                : rates + " " + Voice.say("record.pages", "words", String.join(", ", pages))));
  }

  private Optional<Section> reviews() {
    return Section.listed(
        "reviews",
        "Looked at again",
        signed.reviews().stream()
            .map(review ->
                switch (review) {
                  case Review.StillHolds holds ->
                      day(holds.by().at())
                          + ", "
                          + holds.by().person()
                          + ": it still holds"
                          + (holds.note().isEmpty() ? "" : ": " + holds.note())
                          + "; look again on "
                          + Dates.day(holds.again());
                  case Review.AskedAgain asked ->
                      day(asked.by().at())
                          + ", "
                          + asked.by().person()
                          + ": asked again in another selection";
                })
            .toList());
  }

  // words

  private String months() {
    return Figures.counted(results.people().size(), "months");
  }

  private String money(Results.CostResult cost) {
    return cost.words() + " " + results.currency();
  }

  private String name(String contender) {
    return results.contenders().stream()
        .filter(c -> c.id().equals(contender))
        .map(Results.ContenderResult::name)
        .findFirst()
        .orElse(contender);
  }

  private static String day(Instant at) {
    return Dates.day(at, ZoneId.systemDefault());
  }
}
