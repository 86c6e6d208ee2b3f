package tertulia.pagetext;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.BillingTerm;

/**
 * What lines that speak of one price say, amount by amount: words belong to the amount they stand
 * beside, and what an amount does not say itself the one before it says.
 */
final class Clause {
  /** An amount with the words that belong to it. */
  record Stated(Amount amount, Wording wording, Passage from) {}

  private record Segment(Line line, String text, List<Amount> amounts) {}

  private static final Pattern CUT =
      Pattern.compile(
          "[,;]\\s|[()|]|\\.\\s(?=[\\p{Lu}€$£¥])|\\s[-–—]\\s|\\bor\\b|\\s(?=[Bb]illed\\b.*\\bat\\b)");
  private static final Pattern SIDE_BY_SIDE = Pattern.compile("(?i)\\s*(?:now|today|→|->|>)?\\s*");
  private static final Pattern INSTEAD =
      Pattern.compile("(?i).*\\b(?:instead of|was|before|formerly)\\s*");

  /** "€14 when paid by the year, otherwise €17". */
  private static final Pattern OTHERWISE = Pattern.compile("(?i)^\\s*otherwise\\b");

  private static final Pattern YEARLY_AFTER =
      Pattern.compile("(?i)^\\s*(?:yearly|annually|/\\s*y)\\b.*");

  private final Numbers numbers;
  private final List<Stated> stated = new ArrayList<>();

  /** How many of the last amounts are one price in several currencies. */
  private int together;

  /** Of amounts that were struck through, how many percents less is asked now. */
  private Optional<Said<BigDecimal>> reduced = Optional.empty();

  private Clause(Numbers numbers) {
    this.numbers = numbers;
  }

  static Clause of(List<Line> lines, Numbers numbers) {
    Clause clause = new Clause(numbers);
    clause.read(lines);
    return clause;
  }

  List<Stated> stated() {
    return stated;
  }

  Optional<Said<BigDecimal>> reduced() {
    return reduced;
  }

  private void read(List<Line> lines) {
    List<Segment> segments = lines.stream().flatMap(line -> segments(line).stream()).toList();
    boolean before =
        !segments.isEmpty()
            && segments.getFirst().amounts().isEmpty()
            && Wording.in(segments.getFirst().text()).term().isPresent();
    Wording waiting = Wording.NOTHING;
    for (Segment segment : segments) {
      if (segment.amounts().isEmpty()) {
        Wording said = Wording.in(segment.text());
        boolean ahead = before && said.term().isPresent() || segment.text().strip().endsWith(":");
        if (stated.isEmpty() || ahead) {
          waiting = said.or(waiting);
        } else {
          for (int i = stated.size() - together; i < stated.size(); i++) {
            Stated one = stated.get(i);
            stated.set(i, new Stated(one.amount(), one.wording().or(said), one.from()));
          }
        }
      } else {
        add(segment, waiting);
        waiting = Wording.NOTHING;
      }
    }
    strikeAcrossLines();
  }

  private List<Segment> segments(Line line) {
    List<Amount> amounts = Amount.in(line.text(), numbers);
    List<Segment> segments = new ArrayList<>();
    Matcher cut = CUT.matcher(line.text());
    int from = 0;
    while (cut.find()) {
      int at = cut.start();
      if (amounts.stream().noneMatch(a -> a.start() <= at && at < a.end())) {
        segment(line, from, at, amounts, segments);
        from = cut.end();
      }
    }
    segment(line, from, line.text().length(), amounts, segments);
    return segments;
  }

  private static void segment(
      Line line, int from, int to, List<Amount> amounts, List<Segment> segments) {
    String text = line.text().substring(from, to);
    if (!text.isBlank()) {
      segments.add(
          new Segment(
              line,
              text,
              amounts.stream()
                  .filter(a -> a.start() >= from && a.end() <= to)
                  .map(a ->
                      new Amount(
                          a.value(), a.currency(), a.start() - from, a.end() - from, a.assumed()))
                  .toList()));
    }
  }

  private void add(Segment segment, Wording waiting) {
    String text = segment.text();
    int from = 0;
    together = 0;
    for (int i = 0; i < segment.amounts().size(); i++) {
      Amount amount = segment.amounts().get(i);
      boolean last = i == segment.amounts().size() - 1;
      int to = last ? text.length() : segment.amounts().get(i + 1).start();
      Wording wording =
          around(text.substring(from, amount.start()), text.substring(amount.end(), to));
      if (!last && isStruck(text, amount, segment.amounts().get(i + 1))) {
        Amount next = segment.amounts().get(i + 1);
        Wording both = around(text.substring(from, amount.start()), text.substring(next.end()));
        strike(amount, next, both.or(waiting), segment.line().passage());
        return;
      }
      together =
          i > 0 && isInAnother(text, segment.amounts().get(i - 1), amount) ? together + 1 : 1;
      boolean again = !last && isInAnother(text, amount, segment.amounts().get(i + 1));
      Wording whole =
          again ? around(text.substring(from, amount.start()), after(segment, i)) : wording;
      Wording other = OTHERWISE.matcher(text).find() ? otherwise() : Wording.NOTHING;
      stated.add(new Stated(amount, whole.or(other).or(waiting), segment.line().passage()));
      from = amount.end();
    }
  }

  /** The other way to be billed than that of the price before; nothing if it does not say one. */
  private Wording otherwise() {
    Optional<BillingTerm> before =
        stated.isEmpty() ? Optional.empty() : stated.getLast().wording().term();
    return new Wording(
        Optional.empty(),
        Optional.empty(),
        before.map(term -> term.isCommitted() ? BillingTerm.MONTHLY : BillingTerm.YEARLY_UP_FRONT),
        false,
        false);
  }

  /** Whether the same price follows in another currency: "€8 / $9 a seat". */
  private static boolean isInAnother(String text, Amount one, Amount other) {
    return !one.currency().equals(other.currency())
        && text.substring(one.end(), other.start()).matches("\\s*[/·,&+]?\\s*");
  }

  private static String after(Segment segment, int from) {
    List<Amount> amounts = segment.amounts();
    int i = from;
    while (i + 1 < amounts.size()
        && isInAnother(segment.text(), amounts.get(i), amounts.get(i + 1))) {
      i++;
    }
    int to = i + 1 < amounts.size() ? amounts.get(i + 1).start() : segment.text().length();
    return segment.text().substring(amounts.get(i).end(), to);
  }

  private static Wording around(String before, String after) {
    Wording wording = Wording.in(after).or(Wording.in(before));
    boolean year = wording.every().isEmpty() && YEARLY_AFTER.matcher(after).matches();
    return year
        ? new Wording(
            wording.of(),
            Optional.of(Price.Every.YEAR),
            Optional.of(BillingTerm.YEARLY_UP_FRONT),
            wording.isFrom(),
            wording.isOnce())
        : wording;
  }

  private static boolean isStruck(String text, Amount first, Amount second) {
    String between = text.substring(first.end(), second.start());
    boolean beside = SIDE_BY_SIDE.matcher(between).matches();
    boolean instead =
        INSTEAD.matcher(between).matches()
            || INSTEAD.matcher(text.substring(0, first.start())).matches();
    return (beside || instead)
        && first.currency().equals(second.currency())
        && first.value().min(second.value()).signum() > 0
        && first.value().compareTo(second.value()) != 0;
  }

  private void strike(Amount one, Amount other, Wording wording, Passage from) {
    Amount higher = one.value().compareTo(other.value()) > 0 ? one : other;
    Amount lower = higher == one ? other : one;
    Set<Assumed> assumed = EnumSet.of(Assumed.STRUCK_THROUGH);
    assumed.addAll(higher.assumed());
    together = 1;
    stated.add(
        new Stated(
            new Amount(higher.value(), higher.currency(), higher.start(), higher.end(), assumed),
            wording,
            from));
    BigDecimal percent =
        higher
            .value()
            .subtract(lower.value())
            .multiply(BigDecimal.valueOf(100))
            .divide(higher.value(), MathContext.DECIMAL64);
    reduced = Optional.of(new Said<>(percent, from, assumed));
  }

  /** "€12" and below it "€9" with the words: the first was struck through. */
  private void strikeAcrossLines() {
    for (int i = 0; i + 1 < stated.size(); i++) {
      Stated first = stated.get(i);
      Stated second = stated.get(i + 1);
      if (first.wording().isNothing()
          && second.wording().term().filter(BillingTerm::isCommitted).isEmpty()
          && second.from().line() != first.from().line()
          && first.amount().currency().equals(second.amount().currency())
          && second.amount().value().signum() > 0
          && first.amount().value().compareTo(second.amount().value()) > 0) {
        stated.remove(i + 1);
        stated.remove(i);
        int at = stated.size();
        strike(first.amount(), second.amount(), second.wording(), second.from());
        stated.add(i, stated.remove(at));
        return;
      }
    }
  }

  /**
   * The prices, of an amount that only says another again one.
   *
   * @param page what is said of all prices of the page
   * @param several whether the page knows more than one way of billing
   */
  static List<Said<Price>> prices(List<Stated> stated, Wording page, boolean several) {
    return prices(stated, Wording.NOTHING, page, several);
  }

  /**
   * The same with words that stand beside all of them.
   *
   * @param beside what is said of all of them
   */
  static List<Said<Price>> prices(
      List<Stated> stated, Wording beside, Wording page, boolean several) {
    List<Said<Price>> prices = new ArrayList<>();
    Wording first = stated.isEmpty() ? beside : stated.getFirst().wording().or(beside);
    for (Stated one : stated) {
      if (!isSaidBetter(one, stated)) {
        Stated whole =
            new Stated(
                one.amount(),
                one.wording()
                    .or(
                        new Wording(
                            Optional.empty(), Optional.empty(), beside.term(), false, false)),
                one.from());
        prices.add(price(whole, first, page, several || stated.size() > 1, stated));
      }
    }
    return withoutTwins(prices);
  }

  /** Whether a year's price with the same words says it exactly: 96 a year, 8 a month. */
  private static boolean isSaidBetter(Stated month, List<Stated> all) {
    boolean monthly =
        month.wording().term().filter(term -> !term.isCommitted()).isPresent()
            || month.wording().every().filter(e -> e == Price.Every.YEAR).isPresent();
    BigDecimal year = month.amount().value().multiply(BigDecimal.valueOf(12));
    BigDecimal off =
        BigDecimal.valueOf(6).movePointLeft(Math.max(0, month.amount().value().scale()));
    return !monthly
        && all.stream()
            .anyMatch(other ->
                other != month
                    && isYears(other)
                    && other.amount().currency().equals(month.amount().currency())
                    && other.amount().value().subtract(year).abs().compareTo(off) <= 0);
  }

  private static boolean isYears(Stated stated) {
    boolean said = stated.wording().every().filter(e -> e == Price.Every.YEAR).isPresent();
    boolean billed = stated.wording().term().filter(BillingTerm::isCommitted).isPresent();
    return said || billed && stated.wording().every().isEmpty();
  }

  private static Said<Price> price(
      Stated one, Wording first, Wording page, boolean several, List<Stated> all) {
    Set<Assumed> assumed = EnumSet.noneOf(Assumed.class);
    assumed.addAll(one.amount().assumed());
    Wording own = one.wording();
    Wording near = own.or(first);
    Wording.Of of =
        near.of()
            .or(() -> onPage(page, assumed))
            .orElseGet(() ->
                assumed(new Wording.Of(Optional.of(Measure.SEATS)), Assumed.FOR_WHOM, assumed));
    Price.Every every =
        own.every()
            .or(() -> yearsBeside(own, one, all, assumed))
            .or(near::every)
            .or(() -> elsewhere(page.every(), assumed))
            .orElseGet(() -> unsaid(one, all, assumed));
    BillingTerm term =
        own.term()
            .or(() -> elsewhere(page.term(), assumed))
            .orElseGet(() -> billed(every, several, assumed));
    return new Said<>(
        new Price(
            one.amount().value(), one.amount().currency(), every, of.each(), term, own.isFrom()),
        one.from(),
        assumed);
  }

  /** "€7.50 a month, €90 billed yearly": many times another amount it is a year's. */
  private static Optional<Price.Every> yearsBeside(
      Wording own, Stated one, List<Stated> all, Set<Assumed> assumed) {
    if (own.term().filter(BillingTerm::isCommitted).isEmpty()) {
      return Optional.empty();
    }
    for (Stated other : all) {
      boolean month =
          other != one && other.wording().every().filter(e -> e == Price.Every.MONTH).isPresent();
      if (month && other.amount().value().signum() > 0) {
        double times = one.amount().value().doubleValue() / other.amount().value().doubleValue();
        if (times > 6) {
          if (!isSaidBetter(other, all)) {
            assumed.add(Assumed.BY_COMPARISON);
          }
          return Optional.of(Price.Every.YEAR);
        }
      }
    }
    return Optional.empty();
  }

  /**
   * What an amount is for that does not say. Billed by the month it is a month's; billed by the
   * year it is what makes it somewhat cheaper than by the month.
   */
  private static Price.Every unsaid(Stated one, List<Stated> all, Set<Assumed> assumed) {
    if (one.wording().term().filter(term -> !term.isCommitted()).isPresent()) {
      return Price.Every.MONTH;
    }
    if (one.wording().term().isPresent()) {
      for (Stated other : all) {
        boolean monthly = other.wording().term().filter(t -> !t.isCommitted()).isPresent();
        if (monthly && other.amount().value().signum() > 0) {
          double times = one.amount().value().doubleValue() / other.amount().value().doubleValue();
          if (times >= 0.5 && times <= 1 || times >= 6 && times <= 12) {
            return assumed(
                times <= 1 ? Price.Every.MONTH : Price.Every.YEAR, Assumed.BY_COMPARISON, assumed);
          }
        }
      }
    }
    return assumed(Price.Every.MONTH, Assumed.EVERY_WHAT, assumed);
  }

  private static BillingTerm billed(Price.Every every, boolean several, Set<Assumed> assumed) {
    if (every == Price.Every.YEAR) {
      return BillingTerm.YEARLY_UP_FRONT;
    }
    return assumed(
        BillingTerm.MONTHLY, several ? Assumed.WHICH_BILLING : Assumed.HOW_BILLED, assumed);
  }

  private static Optional<Wording.Of> onPage(Wording page, Set<Assumed> assumed) {
    page.of()
        .ifPresent(of -> assumed.add(of.guessed() ? Assumed.FOR_WHOM : Assumed.SAID_ELSEWHERE));
    return page.of();
  }

  private static <T> Optional<T> elsewhere(Optional<T> said, Set<Assumed> assumed) {
    said.ifPresent(found -> assumed.add(Assumed.SAID_ELSEWHERE));
    return said;
  }

  private static <T> T assumed(T value, Assumed what, Set<Assumed> assumed) {
    assumed.add(what);
    return value;
  }

  /** One price a term and unit: the first of those that say the same again. */
  private static List<Said<Price>> withoutTwins(List<Said<Price>> prices) {
    List<Said<Price>> kept = new ArrayList<>();
    for (Said<Price> price : prices) {
      boolean twin =
          kept.stream()
              .anyMatch(other ->
                  other.value().term().equals(price.value().term())
                      && other.value().each().equals(price.value().each())
                      && other.value().currency().equals(price.value().currency())
                      && other.value().aMonth().compareTo(price.value().aMonth()) == 0);
      if (!twin) {
        kept.add(price);
      }
    }
    return kept;
  }
}
