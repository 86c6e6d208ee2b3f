package tertulia.pagetext;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.core.deadline.Deadline;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading.AddOnSaid;
import tertulia.pagetext.PageReading.CircumstanceSaid;
import tertulia.pagetext.PageReading.OfferSaid;
import tertulia.pagetext.PageReading.PlanSaid;

/** Reads a price page's text. */
public final class PageReader {
  /** Characters of a text; a longer one is no price page. */
  public static final int LONGEST = 20_000;

  private static final Pattern ANSWER_DAYS = Pattern.compile("(?i)\\b(?:for )?\\d{1,3} days?\\b");

  private static final Pattern NOT_FOR =
      Pattern.compile("(?i)\\bnot (?:for (?:each|every)|per|by(?: the)?) \\p{L}+");

  private static final Pattern CARD_ASKED =
      Pattern.compile(
          "(?i)^(?=.*\\b(?:try|trial|test)\\b)(?:do|will|must|is|does)\\b.*\\b(?:card|payment details)\\b.*\\?$");

  private static final int LONGEST_LINE = 300;
  private static final int LONGEST_ROW = 4_000;
  private static final int SHOWN = 80;

  private final Numbers numbers;
  private final Phrases phrases;

  /** What all amounts of the page are in, where none says so itself. */
  private final Optional<String> currency;

  /** What the page counts, with a number, and there is no usual measure for. */
  private final Set<String> counted;

  private final List<Line> lines;
  private final List<PlanDraft> drafts = new ArrayList<>();
  private final List<AddOnSaid> addOns = new ArrayList<>();
  private final List<Said<OfferSaid>> offers = new ArrayList<>();
  private final List<Line> forAll = new ArrayList<>();
  private Optional<Said<String>> tool = Optional.empty();
  private Optional<Said<Integer>> trialDays = Optional.empty();
  private Optional<Said<Boolean>> trialCard = Optional.empty();
  private final List<Said<CircumstanceSaid>> circumstances = new ArrayList<>();
  private Optional<Said<BigDecimal>> tax = Optional.empty();
  private Wording page = Wording.NOTHING;
  private boolean several;
  private final List<Passage> notUnderstood = new ArrayList<>();
  private final List<Passage> passed = new ArrayList<>();

  private PageReader(String text) {
    this.numbers = Numbers.of(text);
    List<Line> written = SaidCurrency.beside(Line.of(Positioned.tabbed(Amount.crowns(text))));
    this.currency = SaidCurrency.of(written);
    this.lines = Footnotes.resolved(Joined.cards(Joined.columns(tables(written))));
    this.phrases = new Phrases(numbers, Wording.ownUnits(lines));
    this.counted =
        lines.stream()
            .flatMap(line -> phrases.ofOwn(line.text()).stream())
            .filter(own -> own.most().isPresent())
            .map(own -> own.measure().label())
            .collect(Collectors.toSet());
  }

  /** The lines with what is a table in other clothes written as one. */
  private static List<Line> tables(List<Line> written) {
    List<Line> single = Joined.singleSpaced(written);
    List<Line> rows = OneLineCards.unfolded(Aligned.columns(Aligned.byLabel(single)));
    return SizesAcross.unrolled(Joined.lines(rows));
  }

  /**
   * What a text says; nothing it does not.
   *
   * @throws IllegalArgumentException if it is longer than {@link #LONGEST}
   */
  public static PageReading read(String text) {
    if (text.length() > LONGEST) {
      throw new IllegalArgumentException(
          "A page's text has at most "
              + LONGEST
              + " characters; this has "
              + text.length()
              + ". Leave out what is not about prices.");
    }
    return new PageReader(text).read();
  }

  private PageReading read() {
    List<Line> left = aboutThePage(title());
    Optional<Grid> grid = Grid.of(left);
    if (grid.isPresent()) {
      new GridReading(grid.get(), this).read();
      left = grid.get().around();
    }
    new CardReading(left, this).read();
    boolean forEach =
        withoutExtras().stream()
            .filter(line -> !line.text().endsWith("?") && !Phrases.isMore(line.text()))
            .anyMatch(line ->
                Wording.in(NOT_FOR.matcher(line.text()).replaceAll(""))
                    .of()
                    .flatMap(Wording.Of::each)
                    .filter(Measure::isPeople)
                    .isPresent());
    if (!forEach) {
      page = page.or(Wording.PERHAPS_OF_ACCOUNT);
    }
    List<PlanSaid> plans = new ArrayList<>();
    for (Line line : forAll) {
      if (!drafts.stream().map(draft -> draft.take(line)).reduce(false, Boolean::logicalOr)) {
        notUnderstood(line);
      }
    }
    for (PlanDraft draft : drafts) {
      plans.add(draft.plan(page, several, plans));
      draft.left().forEach(this::notUnderstood);
      offers.addAll(draft.offers());
    }
    offers.removeIf(offer -> {
      boolean held = isHeldAlready(offer.value(), plans);
      if (held) {
        passed.add(offer.from());
      }
      return held;
    });
    return new PageReading(
        tool,
        ForWhom.asked(plans),
        addOns,
        offers,
        trialDays,
        trialCard,
        circumstances,
        tax,
        notUnderstood,
        passed);
  }

  /** The lines without those below "Extras", up to the next blank one. */
  private List<Line> withoutExtras() {
    List<Line> plans = new ArrayList<>();
    boolean extras = false;
    for (Line line : lines) {
      extras = Known.isExtras(line.text()) || extras && !line.isBlank();
      if (!extras) {
        plans.add(line);
      }
    }
    return plans;
  }

  /** "2 months free" beside a year's price that is that much less than twelve months. */
  private static boolean isHeldAlready(OfferSaid offer, List<PlanSaid> plans) {
    if (offer.percent().isPresent() || offer.months().isEmpty() || offer.newBuyersOnly()) {
      return false;
    }
    int paid = 12 - offer.months().get();
    return plans.stream()
        .filter(plan -> offer.plan().isEmpty() || offer.plan().get().equals(plan.name().value()))
        .anyMatch(plan -> isYearOf(plan, paid));
  }

  private static boolean isYearOf(PlanSaid plan, int months) {
    List<Price> prices = plan.prices().stream().map(Said::value).toList();
    return prices.stream()
        .filter(year -> year.term().isCommitted())
        .anyMatch(year ->
            prices.stream()
                .filter(month -> !month.term().isCommitted() && month.each().equals(year.each()))
                .anyMatch(month -> isYearOf(year, month, months)));
  }

  /** Within half a month, as such sums are rounded. */
  private static boolean isYearOf(Price year, Price month, int months) {
    double sum = 12 * year.aMonth().doubleValue();
    double one = month.aMonth().doubleValue();
    return one > 0 && Math.abs(sum / one - months) <= 0.5;
  }

  /** The lines below what the page is called by. */
  private List<Line> title() {
    ToolName found = ToolName.of(lines, numbers);
    boolean plan =
        Grid.of(lines).stream()
            .flatMap(grid -> grid.head().stream())
            .anyMatch(head ->
                found.name().filter(name -> name.from().equals(head.passage())).isPresent());
    if (plan) {
      return lines;
    }
    tool = found.name();
    return found.below();
  }

  /** Takes what is said of the whole page; the lines that are left. */
  private List<Line> aboutThePage(List<Line> below) {
    List<Line> left = new ArrayList<>();
    boolean questions = false;
    boolean priced = false;
    boolean asked = false;
    boolean cardAsked = false;
    for (Line line : below) {
      if (isTooLong(line)) {
        cutOff(line);
        continue;
      }
      if (asked && ANSWER_DAYS.matcher(line.text()).find()) {
        trial(new Line(line.number(), "trial: " + line.text(), line.mark()));
      }
      cardAsked(line, cardAsked);
      cardAsked = CARD_ASKED.matcher(line.text()).find() || cardAsked && line.isBlank();
      asked = line.text().matches("(?i).*\\b(?:try|trial|test)\\b.*\\?") || asked && line.isBlank();
      Deadline.check(() -> "the text of the page");
      questions |= Known.isQuestions(line.text());
      boolean toggle = !priced && !line.isRow() && Known.isToggle(line.text());
      priced |= Amount.isIn(line.text());
      if (questions && !line.text().endsWith("?") && trial(line)) {
        continue;
      } else if (questions || toggle) {
        several |= toggle;
        pass(line);
      } else if (line.isBlank() || line.isRow() || !ofAll(line)) {
        left.add(line);
      }
    }
    return left;
  }

  /** "Do I need a card to try it?" and below it "No. …". */
  private void cardAsked(Line answer, boolean asked) {
    if (asked && trialCard.isEmpty() && answer.text().matches("(?i)(?:no|yes)\\b.*")) {
      trialCard = Optional.of(Said.clear(answer.text().matches("(?i)yes.*"), answer.passage()));
    }
  }

  /** Told as not understood, by how it begins; a long row may have nothing in it. */
  private void cutOff(Line line) {
    String text = line.text().strip();
    if (!text.isEmpty()) {
      notUnderstood.add(
          new Passage(line.number(), text.substring(0, Math.min(SHOWN, text.length())) + "…"));
    }
  }

  /** No line of a price page is as long, and some patterns take the square of its length. */
  private static boolean isTooLong(Line line) {
    return line.isRow()
        ? line.text().length() > LONGEST_ROW
            || Stream.of(line.text().split("\t")).anyMatch(cell -> cell.length() > LONGEST_LINE)
        : line.text().length() > LONGEST_LINE;
  }

  /** Takes what a line says of trying; false if it says nothing of it. */
  boolean trial(Line line) {
    Optional<Integer> days = phrases.trialDays(line.text());
    Optional<Boolean> card = phrases.trialCard(line.text());
    if (trialDays.isEmpty()) {
      trialDays = days.map(n -> Said.clear(n, line.passage()));
    }
    if (trialCard.isEmpty()) {
      trialCard = card.map(asked -> Said.clear(asked, line.passage()));
    }
    Optional<String> use = days.isPresent() ? Optional.empty() : phrases.trialUse(line.text());
    boolean first =
        circumstances.stream().noneMatch(c -> c.value().kind() == CircumstanceSaid.Kind.TRIAL_USE);
    use.filter(found -> first)
        .map(found -> new CircumstanceSaid(CircumstanceSaid.Kind.TRIAL_USE, found))
        .ifPresent(found -> circumstances.add(Said.clear(found, line.passage())));
    return days.isPresent() || card.isPresent() || use.isPresent();
  }

  private boolean ofAll(Line line) {
    String text = line.text();
    Optional<String> percent = Known.taxPercent(text);
    if (percent.isPresent() && !Amount.isIn(text)) {
      tax = percent.map(n -> Said.clear(numbers.read(n).value(), line.passage()));
      return true;
    }
    if (!Amount.isIn(text) && trial(line)) {
      return true;
    }
    List<Said<CircumstanceSaid>> said = Circumstances.in(line);
    if (!said.isEmpty()) {
      said.stream()
          .filter(
              one -> circumstances.stream().noneMatch(c -> c.value().kind() == one.value().kind()))
          .forEach(circumstances::add);
      return true;
    }
    boolean ofPrices =
        text.matches("(?i).*\\b(?:(?:all|our|these)? ?prices|contracts)\\b.*")
            && !Amount.isIn(text);
    Wording wording = Wording.in(text.split("(?<=\\p{L})\\.\\s+")[0]);
    if (ofPrices && !wording.isNothing()) {
      page = wording.or(page);
      return true;
    }
    return false;
  }

  /** What the page calls the tool; {@code other} if it does not. */
  String toolOr(String other) {
    return tool.map(Said::value).orElse(other);
  }

  /** The currency that is said of all amounts, none of which has a sign; empty if none is. */
  Optional<String> currency() {
    return currency;
  }

  Phrases phrases() {
    return phrases;
  }

  Numbers numbers() {
    return numbers;
  }

  PlanDraft open(Said<String> name) {
    PlanDraft draft = new PlanDraft(name, numbers, phrases, counted);
    drafts.add(draft);
    return draft;
  }

  /** The plans so far of which a price is said, in the order of the page. */
  List<PlanDraft> plansListed() {
    return drafts.stream().filter(PlanDraft::isPriced).toList();
  }

  /** A plan that is there already; empty if none has the name. */
  Optional<PlanDraft> plan(String name) {
    return drafts.stream().filter(d -> d.name.value().equalsIgnoreCase(name)).findFirst();
  }

  /** A plan by its name or by the last word of it, "L" for "Practice L", if only one ends so. */
  Optional<PlanDraft> planShort(String name) {
    List<PlanDraft> ending =
        drafts.stream()
            .filter(draft ->
                draft
                    .name
                    .value()
                    .toLowerCase(Locale.ROOT)
                    .endsWith(" " + name.toLowerCase(Locale.ROOT)))
            .toList();
    return plan(name)
        .or(() -> ending.size() == 1 ? Optional.of(ending.getFirst()) : Optional.empty());
  }

  void addOn(Said<String> name, List<Line> priced) {
    Clause.prices(Clause.of(priced, numbers).stated(), page, several).stream()
        .limit(1)
        .forEach(price -> addOns.add(new AddOnSaid(name, price)));
  }

  /** An offer that is said of no plan; false if the line is none. */
  boolean offer(Line line) {
    Optional<OfferSaid> offer = phrases.offer(line.text(), null);
    offer.ifPresent(found -> offers.add(Said.clear(found, line.passage())));
    return offer.isPresent();
  }

  void ofAllPlans(Line line) {
    forAll.add(line);
  }

  void pass(Line line) {
    if (!line.isBlank()) {
      passed.add(line.passage());
    }
  }

  void notUnderstood(Line line) {
    notUnderstood.add(line.passage());
  }
}
