package tertulia.pagetext;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.fit.Answer;
import tertulia.pagetext.PageReading.AnswerSaid;
import tertulia.pagetext.PageReading.Basis;
import tertulia.pagetext.PageReading.Fee;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.PageReading.OfferSaid;
import tertulia.pagetext.PageReading.Once;
import tertulia.pagetext.PageReading.PlanSaid;
import tertulia.pagetext.PageReading.Use;

/** What is gathered of one plan while its lines are read. */
final class PlanDraft {
  private static final Pattern THEN =
      Pattern.compile(
          "(?i)(?<first>.*?first .*?months?,?\\s*)(?:then|after that|afterwards)\\b(?<rest>.*)");

  /** "5 calendars, then €3 per extra calendar": units of what is held, some of them included. */
  private static final Pattern INCLUDED_UNITS =
      Pattern.compile(
          "(?i)(?:up to\\s|includes?\\s)?(?<n>\\d{1,6})\\s\\p{L}+(?:\\sincluded)?[,;]?\\s(?:and\\s)?then\\s(?<rest>.+)");

  /** "3 users, more for €5 each". */
  private static final Pattern MORE_OF_THEM =
      Pattern.compile(
          "(?i)(?<n>\\d{1,6})\\s(?<unit>\\p{L}+?)s?(?:\\sincluded)?[,;]\\s(?:more|further|additional|extra)(?:\\sones)?\\s(?:for|at)\\s(?<rest>.+)");

  /** Of something that is counted, and is no share, no period and no price. */
  private static final Pattern MORE_NUMBERS =
      Pattern.compile(
          "(?i)(?<![\\p{L}\\d.,])\\d[\\d.,]*(?!\\s?(?:%|months?\\b|years?\\b|days?\\b|x\\b|[\\d.,]))");

  final Said<String> name;
  private final Numbers numbers;
  private final Phrases phrases;
  private final Set<String> counted;
  private final Gathered gathered;

  /**
   * @param counted words for what the page counts and there is no usual measure for
   */
  PlanDraft(Said<String> name, Numbers numbers, Phrases phrases, Set<String> counted) {
    this.name = name;
    this.counted = counted;
    this.numbers = numbers;
    this.phrases = phrases;
    this.gathered = new Gathered(name, numbers, phrases);
  }

  /** Parts of its lines that say something no rule knows. */
  List<Line> left() {
    return gathered.left;
  }

  /** Its offers; one that is said in words and by a price that was struck through is one. */
  List<Said<OfferSaid>> offers() {
    return gathered.offers();
  }

  /** Whether something is said of what it costs. */
  boolean isPriced() {
    return gathered.isPriced();
  }

  /**
   * The plan.
   *
   * @param page what is said of all prices
   * @param several whether the page knows more than one way of billing
   * @param before plans that stand before it
   */
  PlanSaid plan(Wording page, boolean several, List<PlanSaid> before) {
    return gathered.plan(page, several, before);
  }

  /** Takes what a line says of this plan; false if it says nothing that is known. */
  boolean take(Line said) {
    Line line = new Line(said.number(), Numbers.inDigits(said.text()), said.mark());
    Optional<Boolean> taken =
        sizeInBrackets(line).or(() -> labelled().take(line)).or(() -> inParts(line));
    return taken.orElseGet(
        () -> Amount.isIn(line.text()) ? priced(line) : unpriced(line) || capability(line));
  }

  /** "€6 per user and month (min. 3 users)"; empty if it is no such line. */
  private Optional<Boolean> sizeInBrackets(Line line) {
    Matcher brackets = IN_BRACKETS.matcher(line.text());
    if (!Amount.isIn(line.text()) || !brackets.find()) {
      return Optional.empty();
    }
    Line without = new Line(line.number(), brackets.replaceFirst(" ").strip(), line.mark());
    return phrases
        .size(brackets.group("in"))
        .filter(size -> !size.equals(Sizes.Size.ANY) && Amount.isIn(without.text()))
        .map(size -> {
          size(size, line);
          return take(without);
        });
  }

  private LabelledLine labelled() {
    return new LabelledLine(this, gathered, numbers, phrases, counted);
  }

  /** "Free for up to 3 users". */
  static final Pattern FREE_FOR =
      Pattern.compile(
          "(?i)(?<free>free)(?: (?!for (?:up to )?\\d)[\\p{L} ]{3,40},)?[, ]+(?<rest>for (?:up to )?(?:\\d|(?:one|two|three|four|five|ten)\\b).*)");

  private static final Pattern PARTS =
      Pattern.compile("[,;]\\s+|\\s(?=(?:incl\\.|including|includes)\\s\\d)");

  private static final int MOST_WORDS_LISTED = 5;

  private static final Pattern IN_BRACKETS = Pattern.compile("\\s*\\((?<in>[^()]+)\\)\\s*");

  /**
   * A line of which one part says for how many people it is: "One project, up to 100 employees", or
   * "€49 per month, up to 10 users included, then €4.50 per user". Empty if it is no such line.
   */
  private Optional<Boolean> inParts(Line line) {
    List<String> parts = List.of(PARTS.split(line.text()));
    boolean counted =
        parts.stream()
            .anyMatch(part -> phrases.size(part).isPresent() || phrases.limit(part).isPresent());
    if (parts.size() < 2
        || !counted
        || INCLUDED_UNITS.matcher(line.text()).matches()
        || MORE_OF_THEM.matcher(line.text()).matches()
        || phrases.includedThen(line.text()).isPresent()) {
      return Optional.empty();
    }
    for (String part : parts) {
      Line one = new Line(line.number(), part, line.mark());
      boolean taken = Amount.isIn(part) ? priced(one) : unpriced(one);
      if (!taken && !isListed(one)) {
        gathered.left.add(one);
      }
    }
    return Optional.of(true);
  }

  /** What is named beside limits is something the plan has, as a line of its list would be. */
  private boolean isListed(Line part) {
    boolean brief = part.text().split("\\s+").length <= MOST_WORDS_LISTED;
    return brief
        && part.text().chars().noneMatch(Character::isDigit)
        && (Known.isPassed(part.text())
            || take(new Line(part.number(), part.text(), Line.Prefix.BULLET)));
  }

  private boolean priced(Line line) {
    String text = line.text();
    Optional<Fee> fee = phrases.fee(text);
    if (fee.isPresent()) {
      gathered.fees.add(Said.clear(fee.get(), line.passage()));
      return true;
    }
    if (Known.isNoPrice(line)) {
      return false;
    }
    if (includedThen(line)) {
      return true;
    }
    Matcher then = THEN.matcher(text);
    if (then.matches() && Amount.isIn(then.group("first")) && Amount.isIn(then.group("rest"))) {
      first(line, then);
      return true;
    }
    if (Bands.isOne(text)
        && !Amount.in(text, numbers).isEmpty()
        && Amount.in(text, numbers).getFirst().start() > 0) {
      gathered.bands.add(line);
      return true;
    }
    if (Wording.in(text).isOnce()) {
      return once(line);
    }
    Matcher first = INCLUDED_UNITS.matcher(text);
    if (first.matches() && Amount.isIn(first.group("rest"))) {
      gathered.included =
          Optional.of(
              Said.clear(numbers.read(first.group("n")).value().intValue(), line.passage()));
      gathered.extra.add(new Line(line.number(), first.group("rest"), line.mark()));
      return true;
    }
    Matcher more = MORE_OF_THEM.matcher(text);
    if (more.matches() && Amount.isIn(more.group("rest"))) {
      gathered.included = Optional.of(Said.clear(Integer.valueOf(more.group("n")), line.passage()));
      gathered.extra.add(
          new Line(
              line.number(),
              more.group("rest") + " per additional " + more.group("unit"),
              line.mark()));
      return true;
    }
    // what is counted over a month is paid by use, whether or not it is called additional
    Optional<Use> used = phrases.use(text).filter(u -> u.measure().addsUp());
    if (used.isPresent()) {
      gathered.use.add(
          new Said<>(used.get(), line.passage(), Amount.in(text, numbers).getFirst().assumed()));
      phrases
          .includedIn(text, used.get().measure())
          .ifPresent(limit -> gathered.limits.add(Said.clear(limit, line.passage())));
      return true;
    }
    if (Phrases.isMore(text)) {
      boolean seats = Wording.in(text).of().flatMap(Wording.Of::each).isPresent();
      if (seats) {
        gathered.extra.add(line);
      }
      return seats;
    }
    if (Wording.hasMore(text.substring(0, Amount.in(text, numbers).getFirst().start()))) {
      return false;
    }
    gathered.priced.add(line);
    if (hasMoreNumbers(text)) {
      gathered.left.add(line);
    }
    return true;
  }

  /** Whether a priced line holds numbers that are none of its amounts: "£3/user 1-10 5 GB". */
  private boolean hasMoreNumbers(String text) {
    StringBuilder rest = new StringBuilder(text);
    List<Amount> amounts = Amount.in(text, numbers);
    for (int i = amounts.size() - 1; i >= 0; i--) {
      rest.delete(amounts.get(i).start(), amounts.get(i).end());
    }
    return MORE_NUMBERS.matcher(rest).find();
  }

  /**
   * "€9 for the first 3 months, then €12": the lasting price, and an offer if it is in percents.
   */
  private void first(Line line, Matcher then) {
    List<Amount> low = Amount.in(then.group("first"), numbers);
    List<Amount> high = Amount.in(then.group("rest"), numbers);
    gathered.priced.add(new Line(line.number(), then.group("rest").strip(), line.mark()));
    BigDecimal list = high.getFirst().value();
    BigDecimal off = list.subtract(low.getFirst().value()).multiply(BigDecimal.valueOf(100));
    if (off.signum() > 0) {
      gathered.off(off.divide(list, MathContext.DECIMAL64), line, Set.of());
    }
  }

  private boolean once(Line line) {
    List<Amount> amounts = Amount.in(line.text(), numbers);
    if (amounts.size() != 1) {
      return false;
    }
    Amount amount = amounts.getFirst();
    String before = line.text().substring(0, amount.start());
    String named =
        before
            .replaceAll("(?i)\\b(?:one[- ](?:time|off)|once)\\b", "")
            .replaceAll("[^\\p{L}\\p{N} -]", "")
            .strip();
    gathered.once.add(
        new Said<>(
            new Once(
                named.isEmpty() ? "Set-up" : named,
                amount.value(),
                amount.currency(),
                Wording.in(line.text()).of().flatMap(Wording.Of::each)),
            line.passage(),
            amount.assumed()));
    return true;
  }

  private boolean unpriced(Line line) {
    String text = line.text();
    Optional<Fee> fee = phrases.fee(text);
    if (fee.isPresent()) {
      gathered.fees.add(new Said<>(fee.get(), line.passage(), Set.of(Assumed.CURRENCY_OF_PAGE)));
      return true;
    }
    if (includedThen(line)) {
      return true;
    }
    Matcher freeFor = FREE_FOR.matcher(text);
    if (Known.isFree(text) || freeFor.matches()) {
      gathered.basis = Optional.of(Said.clear(Basis.FREE, line.passage()));
      if (freeFor.matches()) {
        String first = freeFor.group("rest").split("(?<=\\p{L})\\.\\s")[0];
        phrases.size(Numbers.inDigits(first)).ifPresent(size -> size(size, line));
      }
      return true;
    }
    if (Known.isOnRequest(text)) {
      if (gathered.basis.isEmpty()) {
        gathered.basis = Optional.of(Said.clear(Basis.ON_REQUEST, line.passage()));
      }
      return true;
    }
    Optional<Sizes.Size> size = phrases.size(text);
    if (size.isPresent()) {
      size(size.get(), line);
      return true;
    }
    Optional<Integer> packs = phrases.pack(text);
    if (packs.isPresent()) {
      gathered.pack = packs.map(n -> Said.clear(n, line.passage()));
      return true;
    }
    Optional<LimitSaid> limit = phrases.limit(text).or(() -> phrases.otherFlow(text));
    if (limit.isPresent()) {
      gathered.limits.add(Said.clear(limit.get(), line.passage()));
      return true;
    }
    Optional<LimitSaid> own = phrases.otherLevel(text, counted);
    if (own.isPresent()) {
      gathered.limits.add(new Said<>(own.get(), line.passage(), Set.of(Assumed.OWN_UNIT)));
      return true;
    }
    Optional<OfferSaid> offer = phrases.offer(text, name.value());
    if (offer.isPresent()) {
      gathered.offers.add(Said.clear(offer.get(), line.passage()));
      return true;
    }
    if (Offers.isUntil(text)) {
      gathered.until = Offers.until(text);
      return true;
    }
    Optional<String> other = Known.contains(text);
    if (other.isPresent()) {
      gathered.contains = other;
      return true;
    }
    if (Wording.isAll(text)) {
      gathered.priced.add(line);
      return true;
    }
    return false;
  }

  private boolean includedThen(Line line) {
    Optional<Phrases.IncludedThen> then = phrases.includedThen(line.text());
    then.ifPresent(found -> {
      gathered.limits.add(Said.clear(found.included(), line.passage()));
      gathered.use.add(
          new Said<>(
              found.more(),
              line.passage(),
              found.hasCurrency() ? Set.of() : Set.of(Assumed.CURRENCY_OF_PAGE)));
    });
    return then.isPresent();
  }

  /** Takes what a line says the plan has; false if it is no capability. */
  boolean capability(Line line) {
    Optional<Said<AnswerSaid>> answer = Capabilities.of(line);
    answer.ifPresent(this::answer);
    return answer.isPresent();
  }

  void answer(Said<AnswerSaid> answer) {
    gathered.answers.removeIf(
        a -> a.value().capability().equalsIgnoreCase(answer.value().capability()));
    gathered.answers.add(answer);
  }

  /** Whether it has a capability by an add-on. */
  boolean isAddOn(String capability) {
    return gathered.answers.stream()
        .map(Said::value)
        .anyMatch(
            a -> a.capability().equalsIgnoreCase(capability) && a.answer() == Answer.BY_ADD_ON);
  }

  void size(Sizes.Size size, Line line) {
    if (size.own().isPresent()) {
      gathered.ofOwn.add(new Said<>(size, line.passage(), Set.of()));
      return;
    }
    if (gathered.most.isPresent()
        && size.most().filter(n -> !n.equals(gathered.most.get().value())).isPresent()) {
      gathered.left.add(line);
      return;
    }
    Set<Assumed> assumed = size.bare() ? Set.of(Assumed.AT_MOST) : Set.of();
    size.least()
        .ifPresent(n -> gathered.least = Optional.of(new Said<>(n, line.passage(), assumed)));
    size.most().ifPresent(n -> gathered.most = Optional.of(new Said<>(n, line.passage(), assumed)));
    size.included()
        .ifPresent(n -> gathered.included = Optional.of(new Said<>(n, line.passage(), assumed)));
  }

  /** So many units are in the price of the account. */
  void included(Said<Integer> units) {
    gathered.included = Optional.of(units);
  }

  void limit(Said<LimitSaid> limit) {
    gathered.limits.add(limit);
  }
}
