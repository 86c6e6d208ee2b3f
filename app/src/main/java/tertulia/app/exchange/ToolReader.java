package tertulia.app.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Places;
import tertulia.core.labour.StaffEffort;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.SideBySide;
import tertulia.core.pricing.Tool;
import tertulia.core.pricing.Unsaid;
import tertulia.core.scoring.PublicRating;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** Turns a tool sheet into a contender, collecting faults by place. */
public final class ToolReader {
  /** Characters of a sentence about a tool. */
  public static final int LONGEST_WORDS = 400;

  private static final int LONGEST_LINK = 500;
  private static final int LONGEST_NOTE = 1000;
  private final Faults faults;
  private final List<Brief.NeedPart> asked;

  public ToolReader(Faults faults) {
    this(faults, List.of());
  }

  /** A reader that answers for each condition asked for from what the sheet says of it. */
  ToolReader(Faults faults, List<Brief.NeedPart> asked) {
    this.faults = faults;
    this.asked = asked;
  }

  /** The tool with what is known of it, at no table; empty if anything was refused. */
  public Optional<Contender> tool(String at, ToolSheet sheet) {
    return contender(at, new SelectionFile.ContenderPart(sheet, null));
  }

  /** The contender; empty if anything was refused. */
  Optional<Contender> contender(String at, SelectionFile.ContenderPart place) {
    ToolSheet sheet = place.tool();
    SelectionFile.EffortPart effort = place.effort();
    List<Plan> plans = new ArrayList<>();
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    checkNames(at, sheet.plans());
    for (int i = 0; i < sheet.plans().size(); i++) {
      ToolSheet.PlanPart part = sheet.plans().get(i);
      String here = at + "/plans/" + i;
      plan(here, part).ifPresent(plans::add);
      Map<String, Fact> own = facts(here + "/facts", part.facts());
      own.putAll(answers(sheet, own));
      facts.put(part.id(), own);
    }
    List<PublicRating> ratings = new ArrayList<>();
    for (int i = 0; i < sheet.ratings().size(); i++) {
      ToolSheet.RatingPart part = sheet.ratings().get(i);
      faults
          .at(
              at + "/ratings/" + i,
              () ->
                  new PublicRating(
                      Codes.decimal(part.rating()), part.count(), source(part.source())))
          .ifPresent(ratings::add);
    }
    List<Offer> offers = new ArrayList<>();
    for (int i = 0; i < sheet.offers().size(); i++) {
      ToolSheet.OfferPart part = sheet.offers().get(i);
      faults.at(at + "/offers/" + i, () -> PriceReader.offer(part)).ifPresent(offers::add);
    }
    for (int i = 0; i < sheet.conditions().size(); i++) {
      ToolSheet.ConditionPart part = sheet.conditions().get(i);
      faults.at(at + "/conditions/" + i, () -> condition(part));
    }
    SideBySide side =
        faults.at(at + "/conditions", () -> sideBySide(sheet)).orElse(SideBySide.NOT_SAID);
    for (int i = 0; i < sheet.words().size(); i++) {
      ToolSheet.WordPart words = sheet.words().get(i);
      faults.at(at + "/words/" + i, () -> words(words));
    }
    ToolSheet.PastedPart pasted = sheet.pasted();
    if (pasted != null) {
      faults.at(at + "/pasted", () -> Codes.day(pasted.on()));
    }
    for (int i = 0; i < sheet.connectors().size(); i++) {
      ToolSheet.ConnectorPart connector = sheet.connectors().get(i);
      faults.at(at + "/connectors/" + i, () -> connector(sheet, connector));
    }
    for (int i = 0; i < sheet.plans().size(); i++) {
      ToolSheet.PlanPart plan = sheet.plans().get(i);
      faults.at(at + "/plans/" + i, () -> others(sheet, plan));
    }
    if (sheet.setOfTools()) {
      faults.at(at + "/together", () -> together(sheet));
    }
    ToolSheet.OwnedPart part = sheet.owned();
    Optional<Owned> owned =
        part == null ? Optional.empty() : faults.at(at + "/owned", () -> PriceReader.owned(part));
    Optional<StaffEffort> hours =
        effort == null ? Optional.empty() : faults.at(at + "/effort", () -> effort(effort));
    if (plans.size() < sheet.plans().size()) {
      return Optional.empty();
    }
    return faults.at(
        at,
        () ->
            new Contender(
                new Tool(
                    sheet.id(),
                    Codes.text(sheet.name(), BriefReader.LONGEST_NAME),
                    Codes.text(sheet.maker(), BriefReader.LONGEST_NAME),
                    plans,
                    offers,
                    owned,
                    side),
                facts,
                ratings,
                place.setAside(),
                hours.orElse(null),
                plansAside(place)));
  }

  /** Of plans set aside the first reason; one the page does not have any more is of no account. */
  private static Map<String, String> plansAside(SelectionFile.ContenderPart place) {
    Map<String, String> aside = new LinkedHashMap<>();
    place.asides().forEach(part -> aside.putIfAbsent(part.plan(), part.reason()));
    return aside;
  }

  private static StaffEffort effort(SelectionFile.EffortPart part) {
    return new StaffEffort(
        Codes.decimal(part.setUp()),
        Codes.decimal(part.migration()),
        Codes.decimal(part.learning()),
        Codes.decimal(part.upkeep()),
        Codes.decimal(part.manualMinutes()),
        part.parallelMonths());
  }

  private void checkNames(String at, List<ToolSheet.PlanPart> plans) {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < plans.size(); i++) {
      String name = plans.get(i).name().strip().toLowerCase(java.util.Locale.ROOT);
      if (names.contains(name)) {
        faults.add(
            at + "/plans/" + i,
            "Another plan is called \"" + plans.get(i).name() + "\" too. Rename one of them.");
      }
      names.add(name);
    }
  }

  private Optional<Plan> plan(String at, ToolSheet.PlanPart part) {
    Optional<CurrencyUnit> currency = faults.at(at, () -> Codes.currency(part.currency()));
    if (currency.isEmpty()) {
      return Optional.empty();
    }
    boolean assumed = part.basis() == ToolSheet.Basis.ASSUMED;
    if (assumed && !PriceReader.sameShape(part.prices(), part.highPrices())) {
      faults.add(
          at,
          "Plan \""
              + part.name()
              + "\" is assumed: its low and high prices charge for the same things, in the same"
              + " order, for the same terms. Bring them into line.");
      return Optional.empty();
    }
    List<PriceList> lists = lists(at + "/prices", part.prices(), currency.get());
    List<PriceList> high = lists(at + "/highPrices", part.highPrices(), currency.get());
    List<Allowance> allowances = new ArrayList<>();
    for (int i = 0; i < part.allowances().size(); i++) {
      ToolSheet.AllowancePart allowance = part.allowances().get(i);
      faults
          .at(at + "/allowances/" + i, () -> PriceReader.allowance(allowance))
          .ifPresent(allowances::add);
    }
    List<Unsaid> unsaid = new ArrayList<>();
    boolean complete = true;
    for (int i = 0; i < part.unsaid().size(); i++) {
      ToolSheet.UnsaidPart open = part.unsaid().get(i);
      complete &=
          faults.at(at + "/unsaid/" + i, () -> unsaid.addAll(unsaid(part, open))).isPresent();
    }
    if (!complete
        || lists.size() < part.prices().size()
        || high.size() < part.highPrices().size()
        || allowances.size() < part.allowances().size()) {
      return Optional.empty();
    }
    return faults.at(
        at,
        () ->
            new Plan(
                part.id(),
                Codes.text(part.name(), BriefReader.LONGEST_NAME)
                    + (part.basePlan() == null ? "" : " on " + part.basePlan()),
                new SeatRange(Codes.measure(part.measure()), part.least(), part.most()),
                PriceReader.prices(part.basis(), lists, high),
                PriceReader.tax(part.taxPercent()),
                allowances,
                unsaid,
                source(part.source())));
  }

  /** What is left open is left open of a price: one that is not there has nothing to leave open. */
  private static List<Unsaid> unsaid(ToolSheet.PlanPart plan, ToolSheet.UnsaidPart open) {
    BillingTerm term = TermCode.of(open.term()).term();
    boolean priced =
        plan.prices().stream()
            .filter(p -> TermCode.of(p.monthsCommitted(), p.upFront()).term().equals(term))
            .flatMap(p ->
                Stream.concat(
                    p.charges().stream(),
                    p.addOns().stream().flatMap(addOn -> addOn.charges().stream())))
            .anyMatch(charge -> charge.name().equals(open.charge()));
    if (!priced) {
      throw new IllegalArgumentException(
          "Plan \""
              + plan.name()
              + "\" has no price of \""
              + open.charge()
              + "\", "
              + term.words()
              + ", of which something could be left open. Name a charge it has.");
    }
    return open.what().stream().map(kind -> new Unsaid(kind, open.charge(), term)).toList();
  }

  private List<PriceList> lists(String at, List<ToolSheet.TermPart> parts, CurrencyUnit currency) {
    List<PriceList> lists = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      ToolSheet.TermPart term = parts.get(i);
      faults.at(at + "/" + i, () -> PriceReader.list(term, currency)).ifPresent(lists::add);
    }
    return lists;
  }

  /** Of several facts about one capability the one in force counts. */
  private Map<String, Fact> facts(String at, List<ToolSheet.FactPart> parts) {
    Map<String, List<Fact>> found = new HashMap<>();
    for (int i = 0; i < parts.size(); i++) {
      ToolSheet.FactPart part = parts.get(i);
      faults
          .at(at + "/" + i, () -> fact(part))
          .ifPresent(fact ->
              found
                  .computeIfAbsent(
                      BriefReader.capability(part.capability()).id(), id -> new ArrayList<>())
                  .add(fact));
    }
    Map<String, Fact> inForce = new HashMap<>();
    found.forEach((id, facts) -> Fact.inForce(facts).ifPresent(fact -> inForce.put(id, fact)));
    return inForce;
  }

  /**
   * What a part says of a plan.
   *
   * @throws IllegalArgumentException with what is wrong
   */
  public static Fact fact(ToolSheet.FactPart part) {
    if (TypedCount.isMeant(part.answer())) {
      return Fact.counted(TypedCount.read(part.answer()), source(part.source()));
    }
    return new Fact(
        Codes.oneOf(Answer.class, part.answer()),
        Codes.text(part.addOn(), BriefReader.LONGEST_NAME),
        source(part.source()),
        Optional.empty(),
        Optional.ofNullable(part.minutes()).map(Codes::decimal));
  }

  private static ToolSheet.ConnectorPart connector(ToolSheet sheet, ToolSheet.ConnectorPart part) {
    source(part.source());
    String name = Codes.text(part.name(), BriefReader.LONGEST_NAME);
    if (name.isEmpty()) {
      throw new IllegalArgumentException("A connector has no name. Type it.");
    }
    if (sheet.connectors().stream().filter(other -> other.name().equals(part.name())).count() > 1) {
      throw new IllegalArgumentException(
          "Two connectors are called \"" + Codes.shortened(name) + "\". Rename one of them.");
    }
    boolean priced = part.price() != null;
    if (priced == (part.tool() != null) || priced == (part.plan() != null)) {
      throw new IllegalArgumentException(
          "Connector \""
              + Codes.shortened(name)
              + "\": say either what it costs a month (0 if nothing), or which plan of which tool it"
              + " is.");
    }
    if (priced) {
      String currency = part.currency();
      if (currency == null) {
        throw new IllegalArgumentException(
            "Connector \""
                + Codes.shortened(name)
                + "\" has a price without its currency. Add it.");
      }
      PriceReader.price(Codes.currency(currency), Objects.requireNonNull(part.price()));
    }
    return part;
  }

  /** What of a plan goes by other pages, or by the page's own connectors. */
  private static ToolSheet.PlanPart others(ToolSheet sheet, ToolSheet.PlanPart plan) {
    for (ToolSheet.FactPart fact : plan.facts()) {
      boolean through =
          fact.answer().equals(Codes.code(Answer.THROUGH_CONNECTOR)) && !fact.addOn().isEmpty();
      if (through
          && sheet.connectors().stream().noneMatch(part -> part.name().equals(fact.addOn()))) {
        throw new IllegalArgumentException(
            "\""
                + Codes.shortened(fact.addOn())
                + "\" is no connector of this page. Add it under Connectors, with what it costs.");
      }
    }
    String last = plan.holdsUntil();
    if (last != null) {
      Codes.day(last);
      if (plan.basis() != ToolSheet.Basis.QUOTE) {
        throw new IllegalArgumentException(
            "Plan \""
                + plan.name()
                + "\" holds until a day, which only a quote does. Mark its prices as quoted, or clear"
                + " the day.");
      }
    }
    String base = plan.basePlan();
    if (base == null) {
      if (plan.baseTool() != null) {
        throw new IllegalArgumentException(
            "Plan \"" + plan.name() + "\" is had only with another tool. Name that tool's plan.");
      }
      return plan;
    }
    Codes.text(base, BriefReader.LONGEST_NAME);
    boolean own = plan.baseTool() == null || plan.baseTool().equals(sheet.id());
    if (own && RequiredPrices.plan(sheet, base).filter(found -> !found.equals(plan)).isEmpty()) {
      throw new IllegalArgumentException(
          "Plan \""
              + plan.name()
              + "\" is had only with \""
              + Codes.shortened(base)
              + "\", which is no other plan of this tool. Name one, or choose its tool.");
    }
    return plan;
  }

  /**
   * Whether the sheet names what is asked for, and a plan has as many as are asked for; of several
   * statements the one in force counts.
   *
   * @param own what is known of the plan
   */
  private Map<String, Fact> answers(ToolSheet sheet, Map<String, Fact> own) {
    Map<String, Fact> answers = new HashMap<>();
    for (Brief.NeedPart need : asked) {
      if (need.asksHowMany()) {
        TypedCount.asked(need.capability())
            .ifPresent(count -> {
              Fact known = own.get(Codes.slug(count.what()));
              if (known != null) {
                answers.put(need.id(), known.of(count.count()));
              }
            });
        continue;
      }
      List<Fact> said =
          sheet.conditions().stream()
              .filter(part -> Codes.code(part.kind()).equals(need.condition()))
              .map(part ->
                  new Fact(
                      answer(part.kind(), need.capability(), listed(part.value())),
                      source(part.source())))
              .toList();
      Fact.inForce(said).ifPresent(fact -> answers.put(need.id(), fact));
    }
    return answers;
  }

  private static List<String> listed(String value) {
    return java.util.Arrays.stream(value.split("[,;]"))
        .map(String::strip)
        .filter(each -> !each.isEmpty())
        .toList();
  }

  private static Answer answer(ToolSheet.Circumstance kind, String asked, List<String> listed) {
    return switch (kind) {
      case COUNTRIES -> Places.soldIn(asked, listed);
      case DATA_PLACES -> Places.keepsDataIn(asked, listed);
      case PLATFORMS,
          LANGUAGES,
          TRIAL_DAYS,
          TRIAL_USE,
          TRIAL_CARD,
          PLANS_SIDE_BY_SIDE,
          TERMS_SIDE_BY_SIDE ->
          listed.stream().anyMatch(each -> each.equalsIgnoreCase(asked.strip()))
              ? Answer.YES
              : Answer.NO;
    };
  }

  private static String words(ToolSheet.WordPart part) {
    source(part.source());
    if (part.text().isBlank()) {
      throw new IllegalArgumentException("This says nothing. Write a sentence, or leave it out.");
    }
    return Codes.text(part.text(), LONGEST_WORDS);
  }

  /** Of several statements of one thing the one in force counts. */
  private static SideBySide sideBySide(ToolSheet sheet) {
    Optional<ToolSheet.ConditionPart> plans =
        inForce(sheet, ToolSheet.Circumstance.PLANS_SIDE_BY_SIDE);
    Optional<ToolSheet.ConditionPart> terms =
        inForce(sheet, ToolSheet.Circumstance.TERMS_SIDE_BY_SIDE);
    Set<String> which =
        plans
            .filter(part -> !isOneWord(part.value()))
            .map(part -> plansNamed(sheet, part.value()))
            .orElse(Set.of());
    return new SideBySide(
        plans.map(part -> said(part.value())).orElse(SideBySide.Said.NOT_SAID),
        which,
        terms.map(part -> said(part.value())).orElse(SideBySide.Said.NOT_SAID));
  }

  private static Optional<ToolSheet.ConditionPart> inForce(
      ToolSheet sheet, ToolSheet.Circumstance kind) {
    List<ToolSheet.ConditionPart> parts =
        sheet.conditions().stream().filter(part -> part.kind() == kind).toList();
    return Fact.inForce(
            parts.stream().map(part -> new Fact(Answer.YES, source(part.source()))).toList())
        .flatMap(fact ->
            parts.stream().filter(p -> source(p.source()).equals(fact.source())).findFirst());
  }

  private static boolean isOneWord(String value) {
    return List.of("yes", "no", "unknown").contains(value.strip().toLowerCase(Locale.ROOT));
  }

  private static SideBySide.Said said(String value) {
    return switch (value.strip().toLowerCase(Locale.ROOT)) {
      case "no" -> SideBySide.Said.NO;
      case "unknown" -> SideBySide.Said.NOT_SAID;
      default -> SideBySide.Said.YES;
    };
  }

  private static Set<String> plansNamed(ToolSheet sheet, String names) {
    Set<String> ids = new LinkedHashSet<>();
    for (String name : listed(names)) {
      ids.add(
          sheet.plans().stream()
              .filter(plan -> plan.name().strip().equalsIgnoreCase(name))
              .map(ToolSheet.PlanPart::id)
              .findFirst()
              .orElseThrow(() ->
                  new IllegalArgumentException(
                      "\""
                          + Codes.shortened(name)
                          + "\" is no plan of this tool. Plans side by side: write yes, no, or the"
                          + " names of the plans, with commas.")));
    }
    return ids;
  }

  private static ToolSheet together(ToolSheet sheet) {
    long tools = sheet.together().stream().distinct().count();
    if (tools < 2 || tools > ToolSheet.MOST_TOGETHER || tools < sheet.together().size()) {
      throw new IllegalArgumentException(
          "2 to "
              + ToolSheet.MOST_TOGETHER
              + " different tools are bought together; found "
              + sheet.together().size()
              + ". Name each once.");
    }
    if (!sheet.plans().isEmpty()) {
      throw new IllegalArgumentException(
          "\""
              + Codes.shortened(sheet.name())
              + "\" is several tools bought together and has plans of its own. Enter them with their"
              + " tools.");
    }
    return sheet;
  }

  private static String condition(ToolSheet.ConditionPart part) {
    source(part.source());
    String value = Codes.text(part.value(), LONGEST_NOTE);
    if (part.kind() == ToolSheet.Circumstance.TRIAL_DAYS && Codes.whole(value) < 0) {
      throw new IllegalArgumentException("A trial lasts 0 days or more; found " + value + ".");
    }
    if (part.kind() == ToolSheet.Circumstance.TERMS_SIDE_BY_SIDE && !isOneWord(value)) {
      throw new IllegalArgumentException(
          "Whether terms stand side by side is yes, no or unknown; found \"" + value + "\".");
    }
    if (part.kind() == ToolSheet.Circumstance.TRIAL_CARD
        && !List.of("yes", "no", "unknown").contains(value)) {
      throw new IllegalArgumentException(
          "Whether the trial asks for a card is yes, no or unknown; found \"" + value + "\".");
    }
    return value;
  }

  /**
   * One charge of a sheet with prices in a currency.
   *
   * @throws IllegalArgumentException with what is wrong
   */
  public static Charge charge(ToolSheet.ChargePart charge, CurrencyUnit currency) {
    return PriceReader.charge(charge, currency);
  }

  static Provenance source(ToolSheet.SourcePart part) {
    return new Provenance(
        Codes.day(part.asOf()),
        Codes.oneOf(Ground.class, part.ground()),
        Codes.text(part.who(), BriefReader.LONGEST_NAME),
        link(part.link()),
        Codes.text(part.note(), LONGEST_NOTE),
        Codes.text(part.interest(), BriefReader.LONGEST_NAME));
  }

  private static String link(String link) {
    String text = Codes.text(link, LONGEST_LINK);
    if (!text.isEmpty() && !text.matches("https?://\\S+")) {
      throw new IllegalArgumentException(
          "A link starts with http:// or https://; found \"" + text + "\".");
    }
    return text;
  }
}
