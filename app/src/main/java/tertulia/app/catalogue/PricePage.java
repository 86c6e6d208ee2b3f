package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.UnsaidWords;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedCount;
import tertulia.core.fit.Answer;
import tertulia.core.growth.Measure;
import tertulia.core.working.Ground;

/**
 * A tool's price page as it is read: plans across, lines down.
 *
 * @param heads plan names with what their prices rest on
 * @param sources date and origin of each plan's prices
 * @param groups facts under their group, the first without a name if some have none
 * @param usual where most of it comes from, said once; without a text: there is no such place
 */
record PricePage(
    List<Head> heads,
    List<Source> sources,
    List<Line> prices,
    List<Line> allowances,
    Map<String, List<Line>> groups,
    List<Remark> offers,
    List<Remark> owned,
    List<Remark> conditions,
    List<Remark> connectors,
    List<Remark> ratings,
    List<Spoken> words,
    Source usual) {
  /** For how long a price was stated, where that is not a month. */
  private static final Pattern PERIOD = Pattern.compile(" a year| for [0-9]+ months| a month$");

  /** A plan; the mark is "assumed", "by quote", "on request", "free" or empty. */
  record Head(String name, String mark) {}

  /** Where something comes from; {@code key} says what would be confirmed. */
  record Source(String text, String link, String more, boolean old, String key) {
    private boolean isLike(Source other) {
      return text.equals(other.text()) && link.equals(other.link()) && more.equals(other.more());
    }

    /** Nothing, if it is the usual one and nobody has to look at it again. */
    private Source unlike(Source usual) {
      return isLike(usual) && !old ? NONE : this;
    }
  }

  /**
   * What one plan has.
   *
   * @param source where from, if the cells of a line come from different places
   * @param conflict what weaker or older sources say otherwise; empty if all agree
   * @param unsaid what the page does not say of it
   */
  record Value(String text, Source source, String conflict, List<Open> unsaid) {
    static Value of(String text) {
      return new Value(text, NONE, "", List.of());
    }
  }

  /** Something that is not said; {@code key} says what would be confirmed. */
  record Open(String text, String key) {}

  /** One line: what it is about, and a cell for each plan. */
  record Line(String label, List<Value> cells, Source source) {
    static Line of(String label, List<String> cells) {
      return of(label, cells, NONE);
    }

    static Line of(String label, List<String> cells, Source source) {
      return new Line(label, cells.stream().map(Value::of).toList(), source);
    }

    boolean isEmpty() {
      return cells.stream().allMatch(cell -> cell.text().isEmpty());
    }

    private Line unlike(Source usual) {
      return new Line(
          label,
          cells.stream()
              .map(cell ->
                  new Value(
                      cell.text(), cell.source().unlike(usual), cell.conflict(), cell.unsaid()))
              .toList(),
          source.unlike(usual));
    }
  }

  /** What is said of the tool on a topic, and what others say of it. */
  record Spoken(String label, Topics.Sentence said) {}

  /** Something about the tool as a whole. */
  record Remark(String label, String text, Source source) {}

  /** How many parts come from one place for it to be said once for all of them. */
  private static final int SAID_OFTEN = 3;

  private static final Source NONE = new Source("", "", "", false, "");

  /**
   * A page to read.
   *
   * @param isOld whether a fact of a day is older than the workspace wants facts to be
   * @param names of other tools by their ids
   */
  static PricePage of(ToolSheet sheet, Predicate<LocalDate> isOld, UnaryOperator<String> names) {
    PricePage whole = read(sheet, isOld, names);
    return whole.sayingOnce(whole.mostUsed());
  }

  /** Where at least three parts of the page come from, and most of them; else nothing. */
  private Source mostUsed() {
    Map<String, List<Source>> used =
        Stream.of(
                sources.stream(),
                allowances.stream().map(Line::source),
                groups.values().stream().flatMap(List::stream).map(Line::source),
                groups.values().stream()
                    .flatMap(List::stream)
                    .flatMap(line -> line.cells().stream())
                    .map(Value::source))
            .flatMap(Function.identity())
            .filter(source -> !source.text().isEmpty() && !source.old())
            .collect(
                Collectors.groupingBy(
                    source -> source.text() + source.link() + source.more(),
                    LinkedHashMap::new,
                    Collectors.toList()));
    return used.values().stream()
        .filter(alike -> alike.size() >= SAID_OFTEN)
        .max(Comparator.comparingInt(List::size))
        .map(List::getFirst)
        .orElse(NONE);
  }

  private PricePage sayingOnce(Source often) {
    if (often.text().isEmpty()) {
      return this;
    }
    Map<String, List<Line>> others = new LinkedHashMap<>();
    groups.forEach((group, lines) ->
        others.put(group, lines.stream().map(line -> line.unlike(often)).toList()));
    return new PricePage(
        heads,
        sources.stream().map(source -> source.unlike(often)).toList(),
        prices,
        allowances.stream().map(line -> line.unlike(often)).toList(),
        others,
        offers,
        owned,
        conditions,
        connectors,
        ratings,
        words,
        often);
  }

  /** Whether the prices of all plans come from where most of the page does. */
  public boolean readAlike() {
    return !usual.text().isEmpty() && sources.stream().allMatch(source -> source.text().isEmpty());
  }

  private static PricePage read(
      ToolSheet sheet, Predicate<LocalDate> isOld, UnaryOperator<String> names) {
    return new PricePage(
        sheet.plans().stream().map(plan -> new Head(plan.name(), mark(plan))).toList(),
        sheet.plans().stream()
            .map(plan -> source(plan.source(), isOld, "prices:" + plan.id()))
            .toList(),
        prices(sheet, names),
        allowances(sheet, isOld),
        facts(sheet, isOld),
        sheet.offers().stream()
            .map(o -> new Remark(o.name(), OfferText.of(o, sheet), source(o.source(), isOld, "")))
            .toList(),
        owned(sheet, isOld),
        sheet.conditions().stream()
            .map(c ->
                new Remark(
                    c.kind().label(),
                    c.value(),
                    source(c.source(), isOld, "condition:" + Codes.code(c.kind()))))
            .toList(),
        sheet.connectors().stream()
            .map(c -> new Remark(c.name(), connector(c, names), source(c.source(), isOld, "")))
            .toList(),
        sheet.ratings().stream()
            .map(r ->
                new Remark(
                    "Public rating",
                    r.rating() + " of 5 from " + r.count() + " reviews",
                    source(r.source(), isOld, "")))
            .toList(),
        Arrays.stream(ToolSheet.Topic.values())
            .flatMap(topic ->
                Topics.sentence(sheet, topic).map(said -> new Spoken(topic.label(), said)).stream())
            .toList(),
        NONE);
  }

  private static String mark(ToolSheet.PlanPart plan) {
    if (plan.prices().isEmpty()) {
      return "price on request";
    }
    return switch (plan.basis()) {
      case QUOTE ->
          plan.holdsUntil() == null
              ? "by quote"
              : "by quote, which holds until " + Dates.day(LocalDate.parse(plan.holdsUntil()));
      case ASSUMED -> "assumed, nobody has a price";
      case FROM -> "“from”: the least it costs";
      case LISTED, ON_REQUEST, QUOTE_ENDED, BASE_NOT_PRICED -> "";
      case null -> "";
    };
  }

  private static String connector(ToolSheet.ConnectorPart part, UnaryOperator<String> names) {
    return part.price() == null
        ? "the tool "
            + names.apply(Objects.requireNonNull(part.tool()))
            + " on its plan "
            + part.plan()
        : part.price() + " " + part.currency() + " a month";
  }

  private static String base(ToolSheet.PlanPart plan, UnaryOperator<String> names) {
    String tool = plan.baseTool();
    return plan.basePlan() == null
        ? ""
        : "the plan "
            + plan.basePlan()
            + (tool == null ? " below it" : " of " + names.apply(tool))
            + ", which is paid, too";
  }

  private static List<Line> prices(ToolSheet sheet, UnaryOperator<String> names) {
    List<Line> lines = new ArrayList<>();
    lines.add(Line.of("Sold for", sheet.plans().stream().map(PricePage::range).toList()));
    if (sheet.plans().stream().anyMatch(plan -> plan.basePlan() != null)) {
      lines.add(
          Line.of("Had only with", sheet.plans().stream().map(plan -> base(plan, names)).toList()));
    }
    if (sheet.plans().stream().anyMatch(plan -> plan.taxPercent() != null)) {
      lines.add(
          Line.of(
              "Prices stated",
              sheet.plans().stream()
                  .map(plan ->
                      plan.taxPercent() == null
                          ? "before tax"
                          : "with " + plan.taxPercent() + " % tax, taken out here")
                  .toList()));
    }
    List<String> terms = new ArrayList<>(TermCode.ALL.stream().map(TermCode::code).toList());
    terms.add(ToolForm.ANY_TERM);
    for (PriceLine charge : PriceLine.of(sheet)) {
      for (String term : terms) {
        List<Value> cells = new ArrayList<>();
        for (int p = 0; p < charge.cells().size(); p++) {
          PriceLine.Price price = charge.cells().get(p).get(term);
          ToolSheet.PlanPart plan = sheet.plans().get(p);
          cells.add(
              price == null
                  ? Value.of("")
                  : new Value(
                      cell(price, plan.currency()), NONE, "", open(plan, charge.of(), term)));
        }
        Line line = new Line(label(charge.of(), term), cells, NONE);
        if (!line.isEmpty()) {
          lines.add(line);
        }
      }
    }
    return lines;
  }

  private static List<Open> open(ToolSheet.PlanPart plan, ChargePlaces.Of line, String term) {
    return plan.unsaid().stream()
        .filter(open -> open.charge().equals(line.name()))
        .filter(open -> term.equals(ToolForm.ANY_TERM) || open.term().equals(term))
        .map(open -> new Open(UnsaidWords.note(open.what()), Confirmation.unsaid(plan, open, term)))
        .distinct()
        .toList();
  }

  private static String label(ChargePlaces.Of line, String term) {
    String addOn = line.addOn().isEmpty() ? "" : "Add-on " + line.addOn() + ": ";
    String when = term.equals(ToolForm.ANY_TERM) ? "" : ", " + TermCode.of(term).label();
    return addOn + line.name() + unit(line) + when;
  }

  private static String unit(ChargePlaces.Of line) {
    String label = Codes.measure(line.measure()).label();
    return switch (line.kind()) {
      case PER_UNIT ->
          line.name().toLowerCase(Locale.ROOT).endsWith(label)
              ? ", each"
              : ", each of the " + label;
      case BANDED_WHOLE -> ", bands of " + label + ", all at one price";
      case BANDED_SLICED -> ", bands of " + label + ", slice by slice";
      case FLAT -> line.name().equalsIgnoreCase("account") ? "" : ", for the account";
      case USAGE -> ", " + label + " above what is included";
      case PAYMENT_FEE -> ", of each of the " + label;
      case ONE_OFF -> ", once";
      case ONE_OFF_EACH -> ", once for each of the " + label;
      case YEARLY_MINIMUM -> ", for the account";
    };
  }

  private static String cell(PriceLine.Price price, String currency) {
    return switch (price) {
      case PriceLine.Price.Minimum minimum -> minimum.amount() + " " + currency + " a year";
      case PriceLine.Price.Charged charged -> amount(charged, currency) + counted(charged.low());
    };
  }

  private static String amount(PriceLine.Price.Charged charged, String currency) {
    String text = ChargeTexts.price(charged).replace("\n", "; ");
    String price = text + " " + currency;
    return switch (charged.low()) {
      case ToolSheet.FlatPart flat -> stated(text, currency);
      case ToolSheet.PerUnitPart unit -> stated(text, currency);
      case ToolSheet.BandedPart banded ->
          PERIOD.matcher(text).find()
              ? price + ", a month where nothing else is said"
              : price + " a month";
      case ToolSheet.OneOffPart once -> price;
      case ToolSheet.UsagePart usage -> price + " for each " + usage.block() + " begun";
      case ToolSheet.PaymentFeePart fee -> price;
    };
  }

  /**
   * Such as "100 EUR a year": for as many months as it was stated for, one where it does not say.
   */
  private static String stated(String text, String currency) {
    Matcher period = PERIOD.matcher(text);
    int end = -1;
    while (period.find()) {
      end = period.end() == text.length() ? period.start() : -1;
    }
    return end < 0
        ? text + " " + currency + " a month"
        : text.substring(0, end) + " " + currency + text.substring(end);
  }

  private static String counted(ToolSheet.ChargePart charge) {
    ChargePlaces.Rule rule = ChargeTexts.rule(charge);
    if (charge instanceof ToolSheet.UsagePart) {
      return ", " + (rule.included().isEmpty() ? "none" : rule.included()) + " included";
    }
    return note(rule.minimum(), "at least %s")
        + note(rule.pack(), "in packs of %s")
        + note(rule.included(), "%s included");
  }

  private static String note(String value, String words) {
    return value.isEmpty() ? "" : ", " + String.format(Locale.ROOT, words, value);
  }

  private static String range(ToolSheet.PlanPart plan) {
    String units = Codes.measure(plan.measure()).label();
    String unit = Objects.equals(plan.most(), 1) ? Figures.one(units) : units;
    Integer most = plan.most();
    if (most == null) {
      return plan.least() == 0 ? "any number" : plan.least() + " " + unit + " or more";
    }
    return (plan.least() == 0 ? "up to " : plan.least() + " to ") + most + " " + unit;
  }

  /** A line for each measure and source, with the limits of the plans. */
  private static List<Line> allowances(ToolSheet sheet, Predicate<LocalDate> isOld) {
    Map<List<Object>, List<ToolSheet.AllowancePart>> lines = new LinkedHashMap<>();
    sheet.plans().stream()
        .flatMap(plan -> plan.allowances().stream())
        .forEach(part ->
            lines
                .computeIfAbsent(
                    List.of(part.measure(), part.source()), unseen -> new ArrayList<>())
                .add(part));
    return lines.values().stream().map(parts -> allowance(sheet, parts.getFirst(), isOld)).toList();
  }

  private static Line allowance(
      ToolSheet sheet, ToolSheet.AllowancePart about, Predicate<LocalDate> isOld) {
    Measure measure = Codes.measure(about.measure());
    List<String> cells = sheet.plans().stream().map(plan -> allowed(plan, about)).toList();
    return Line.of(
        measure.label() + ", " + measure.nature().words(),
        cells,
        source(about.source(), isOld, "allowance:" + about.measure()));
  }

  private static String allowed(ToolSheet.PlanPart plan, ToolSheet.AllowancePart about) {
    return plan.allowances().stream()
        .filter(part -> part.measure().equals(about.measure()))
        .filter(part -> part.source().equals(about.source()))
        .findFirst()
        .map(AllowanceText::toRead)
        .orElse(sellsMore(plan, about.measure()) ? "more at a charge" : "");
  }

  private static boolean sellsMore(ToolSheet.PlanPart plan, String measure) {
    return plan.prices().stream()
        .flatMap(term -> term.charges().stream())
        .anyMatch(c -> c instanceof ToolSheet.UsagePart usage && usage.measure().equals(measure));
  }

  /** A line for each capability, under its group, with the answers in force. */
  private static Map<String, List<Line>> facts(ToolSheet sheet, Predicate<LocalDate> isOld) {
    Map<String, ToolSheet.FactPart> capabilities = new LinkedHashMap<>();
    sheet.plans().stream()
        .flatMap(plan -> plan.facts().stream())
        .forEach(fact -> capabilities.putIfAbsent(Codes.slug(fact.capability()), fact));
    Map<String, List<Line>> groups = new LinkedHashMap<>();
    capabilities.forEach((slug, fact) ->
        groups
            .computeIfAbsent(fact.group(), group -> new ArrayList<>())
            .add(fact(sheet, slug, fact.capability(), isOld)));
    return groups;
  }

  private static Line fact(
      ToolSheet sheet, String slug, String capability, Predicate<LocalDate> isOld) {
    List<Value> cells = new ArrayList<>();
    for (ToolSheet.PlanPart plan : sheet.plans()) {
      List<ToolSheet.FactPart> said =
          plan.facts().stream()
              .filter(fact -> Codes.slug(fact.capability()).equals(slug))
              .sorted(InForce.FIRST)
              .toList();
      cells.add(said.isEmpty() ? Value.of("") : cell(said, isOld, slug));
    }
    List<Source> sources =
        cells.stream()
            .filter(cell -> !cell.text().isEmpty())
            .map(Value::source)
            .distinct()
            .toList();
    return sources.size() == 1
        ? new Line(
            capability,
            cells.stream()
                .map(cell -> new Value(cell.text(), NONE, cell.conflict(), List.of()))
                .toList(),
            sources.getFirst())
        : new Line(capability, cells, NONE);
  }

  /** The strongest of what was said, and what others say otherwise. */
  private static Value cell(
      List<ToolSheet.FactPart> said, Predicate<LocalDate> isOld, String slug) {
    ToolSheet.FactPart first = said.getFirst();
    String others =
        said.stream()
            .skip(1)
            .filter(fact -> !fact.answer().equals(first.answer()))
            .map(fact ->
                answer(fact)
                    + " says "
                    + Codes.oneOf(Ground.class, fact.source().ground()).words()
                    + " of "
                    + Dates.day(LocalDate.parse(fact.source().asOf())))
            .collect(Collectors.joining("; "));
    return new Value(
        answer(first), source(first.source(), isOld, "fact:" + slug), others, List.of());
  }

  private static String answer(ToolSheet.FactPart fact) {
    String code = fact.answer();
    if (code.isEmpty()) {
      return "";
    }
    if (TypedCount.isMeant(code)) {
      return TypedCount.read(code).words();
    }
    return switch (Codes.oneOf(Answer.class, code)) {
      case BY_ADD_ON -> "by add-on “" + fact.addOn() + "”";
      case THROUGH_CONNECTOR -> "through the connector “" + fact.addOn() + "”";
      case BY_HAND ->
          fact.minutes() == null ? "by hand" : "by hand, " + fact.minutes() + " minutes a workday";
      case YES, PARTLY, NO, UNKNOWN -> Codes.oneOf(Answer.class, code).words();
    };
  }

  private static List<Remark> owned(ToolSheet sheet, Predicate<LocalDate> isOld) {
    ToolSheet.OwnedPart part = sheet.owned();
    return part == null
        ? List.of()
        : List.of(
            new Remark(
                "Owned already",
                Figures.counted(part.units(), Codes.measure(part.measure()))
                    + " until "
                    + Dates.day(LocalDate.parse(part.until())),
                source(part.source(), isOld, "owned:")));
  }

  private static Source source(
      ToolSheet.SourcePart source, Predicate<LocalDate> isOld, String key) {
    LocalDate day = LocalDate.parse(source.asOf());
    String who = source.who().isEmpty() ? "" : ", " + source.who();
    String interest = source.interest().isEmpty() ? "" : " (interest: " + source.interest() + ")";
    return new Source(
        Dates.day(day) + ", " + Codes.oneOf(Ground.class, source.ground()).words() + who + interest,
        source.link(),
        source.note(),
        isOld.test(day),
        key);
  }
}
