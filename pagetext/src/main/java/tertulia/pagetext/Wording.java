package tertulia.pagetext;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.BillingTerm.Payment;

/**
 * What words around an amount say of it; empty where they say nothing.
 *
 * @param of who or what it is for
 * @param isFrom whether it is the least of several
 * @param isOnce whether it is paid once
 */
record Wording(
    Optional<Of> of,
    Optional<Price.Every> every,
    Optional<BillingTerm> term,
    boolean isFrom,
    boolean isOnce) {
  static final Wording NOTHING =
      new Wording(Optional.empty(), Optional.empty(), Optional.empty(), false, false);

  /**
   * What a price is for; empty: the account.
   *
   * @param guessed whether nothing says so
   */
  record Of(Optional<Measure> each, boolean guessed) {
    Of(Optional<Measure> each) {
      this(each, false);
    }
  }

  /** The account, where a page never speaks of a price for each of anything. */
  static final Wording PERHAPS_OF_ACCOUNT =
      new Wording(
          Optional.of(new Of(Optional.empty(), true)),
          Optional.empty(),
          Optional.empty(),
          false,
          false);

  /** That it is the account's. */
  static final Wording OF_ACCOUNT =
      new Wording(
          Optional.of(new Of(Optional.empty())), Optional.empty(), Optional.empty(), false, false);

  private static final Pattern EACH =
      Pattern.compile(
          "(?i)(?:/|\\bper\\b|\\beach\\b|\\bevery\\b|\\ba\\b|\\ban\\b|\\b(?:additional|further|extra|more)\\b)\\s*(?:one\\s)?(?:extra\\s|additional\\s|further\\s)?(?<unit>"
              + Units.any()
              + ")\\b");
  private static final Pattern UNIT_ALONE =
      Pattern.compile("(?i)^\\s*(?<unit>" + Units.any() + ")\\s*[/,·]\\s*(?:mo|month|yr|year)\\b");
  private static final Pattern ACCOUNT =
      Pattern.compile(
          "(?i)\\bflat\\b|\\bin all\\b|\\bfor (?:the (?:whole|entire) |your (?:whole|entire) |a whole )?(?:team|everyone|everybody|all|company|organi[sz]ation)\\b|(?:/|\\bper\\b|\\ban?\\b)\\s*(?:team|account|workspace|company|organi[sz]ation)\\b|\\bunlimited (?:users|people|members|seats)\\b|\\bany number of (?:users|people)\\b");
  private static final Pattern MONTH =
      Pattern.compile(
          "(?i)(?:/|\\bper\\b|\\bevery\\b|\\ba\\b|\\beach\\b|\\band\\b|,)\\s*(?:mo|mth|month)\\b|\\bmonthly\\b|\\bp\\.?m\\.(?=\\s|$)|\\bmonth\\b");
  private static final Pattern YEAR =
      Pattern.compile(
          "(?i)(?:/|\\bper\\b|\\bevery\\b|\\ba\\b|\\beach\\b|\\band\\b|,)\\s*(?:yr|year|annum)\\b|\\bp\\.?a\\.(?=\\s|$)");
  private static final String PAID =
      "(?:billed|pay|paying|paid|charged|invoiced|when paid|if paid|if billed|when billed|billing|payable)(?: it)?";
  private static final Pattern BILLED_YEARLY =
      Pattern.compile(
          "(?i)\\b"
              + PAID
              + "\\s(?:annually|yearly|once a year|every year|each year|by the year|per year|for (?:a|the) year|a year(?: (?:up front|ahead|in advance))?)\\b|\\b(?:annual|yearly)\\s(?:billing|payment|plan|subscription|commitment|contract|price|rate)\\b|\\b(?:with|on) (?:a|an) (?:annual|yearly)\\b|^\\s*(?:paid\\s)?(?:yearly|annually|annual)\\s*:?\\s*$|\\byearly:|\\bannually:|\\ba year ahead\\b");
  private static final Pattern BILLED_MONTHLY =
      Pattern.compile(
          "(?i)\\b"
              + PAID
              + "\\s(?:monthly|every month|each month|by the month|month by month|per month)\\b|\\bmonth[- ]to[- ]month\\b|\\bmonthly\\s(?:billing|payment|plan|subscription|contract|price|rate)\\b|^\\s*monthly\\s*:?\\s*$|\\bmonthly:|\\bcancel any ?time\\b|\\bwithout (?:a )?commitment\\b");
  private static final Pattern YEAR_PAID_MONTHLY =
      Pattern.compile(
          "(?i)\\b(?:annual|yearly|one[- ]year|12[- ]months?) (?:commitment|contract|term),? (?:paid|billed|invoiced) (?:monthly|every month|by the month)\\b|\\bcontracts? (?:runs?|lasts?|(?:is|are)) (?:for )?(?:a|one) year(?:,| and) (?:(?:is|are) )?(?:paid|billed|invoiced) (?:monthly|every month|by the month)\\b|\\bcommitted for (?:a|one) year,? (?:paid|billed) (?:monthly|by the month)\\b");
  private static final Pattern FROM =
      Pattern.compile(
          "(?i)\\b(?:from|starting at|starts at|starting from)\\s*$|^\\s*(?:from|starting at|starts at|starting from)\\b");
  private static final Pattern ONCE =
      Pattern.compile(
          "(?i)\\bone[- ](?:time|off)\\b|\\bonce\\b(?! a year)|\\bset-?\\s?up fee\\b|\\bonboarding fee\\b");

  static Wording in(String text) {
    return new Wording(
        of(text), every(text), term(text), FROM.matcher(text).find(), ONCE.matcher(text).find());
  }

  /** "per location": a unit that pages use and nobody has a word for here; it is none of ours. */
  private static final Pattern OTHER_UNIT =
      Pattern.compile(
          "(?:/|\\b[Pp]er\\b|\\b(?:[Ee]ach )?(?:additional|further|extra)\\b)\\s*(?:additional\\s|further\\s|extra\\s)?(?!(?:mo|mth|month|yr|year|annum|day|week|quarter|hour|use|used|cent|call|message|transaction|team|account|workspace|company|organi[sz]ation)\\b)(?<unit>\\p{Ll}{3,20})\\b");

  /** Words for what a page prices each of and there is no usual measure for. */
  static Set<String> ownUnits(List<Line> lines) {
    Set<String> words = new TreeSet<>();
    for (Line line : lines) {
      in(line.text())
          .of()
          .flatMap(Of::each)
          .filter(measure ->
              measure.id().startsWith("own/")
                  || measure.equals(Measure.HOSTS)
                  || measure.equals(Measure.PHONE_LINES))
          .ifPresent(measure -> words.add(Units.words(measure)));
    }
    return words;
  }

  private static Optional<Of> of(String text) {
    Matcher each = EACH.matcher(text);
    if (each.find()) {
      return Units.of(each.group("unit")).map(unit -> new Of(Optional.of(unit)));
    }
    Matcher other = OTHER_UNIT.matcher(text);
    if (other.find()) {
      return Optional.of(new Of(Optional.of(Units.own(other.group("unit"), "level"))));
    }
    Matcher alone = UNIT_ALONE.matcher(text);
    if (alone.find()) {
      return Units.of(alone.group("unit")).map(unit -> new Of(Optional.of(unit)));
    }
    return ACCOUNT.matcher(text).find() ? Optional.of(new Of(Optional.empty())) : Optional.empty();
  }

  private static Optional<Price.Every> every(String text) {
    String unbilled =
        without(without(without(text, YEAR_PAID_MONTHLY), BILLED_YEARLY), BILLED_MONTHLY);
    if (YEAR.matcher(unbilled).find()) {
      return Optional.of(Price.Every.YEAR);
    }
    return MONTH.matcher(unbilled).find() ? Optional.of(Price.Every.MONTH) : Optional.empty();
  }

  private static String without(String text, Pattern pattern) {
    return pattern.matcher(text).replaceAll(" ");
  }

  private static Optional<BillingTerm> term(String text) {
    if (YEAR_PAID_MONTHLY.matcher(text).find()) {
      return Optional.of(new BillingTerm(12, Payment.MONTHLY));
    }
    boolean yearly = BILLED_YEARLY.matcher(text).find();
    boolean monthly = BILLED_MONTHLY.matcher(text).find();
    if (yearly == monthly) {
      return Optional.empty();
    }
    return Optional.of(yearly ? BillingTerm.YEARLY_UP_FRONT : BillingTerm.MONTHLY);
  }

  private static final Pattern FILLER =
      Pattern.compile(
          "(?i)\\b(?:per|and|or|when|if|only|for|the|a|of|at|all|prices?|are|is|in|as|low|plus|excl(?:uding|\\.)?|before|with|on|by|vat|tax(?:es)?|total|just|now|costs?|then|plan|you|otherwise)\\b");

  /** Whether a text speaks of how something is priced and of nothing else. */
  static boolean isAll(String text) {
    return !in(text).isNothing() && !hasMore(text);
  }

  private static String left(String text) {
    String left = text;
    for (Pattern pattern :
        new Pattern[] {
          YEAR_PAID_MONTHLY,
          BILLED_YEARLY,
          BILLED_MONTHLY,
          EACH,
          UNIT_ALONE,
          ACCOUNT,
          YEAR,
          MONTH,
          OTHER_UNIT,
          FROM,
          ONCE,
          FILLER
        }) {
      left = without(left, pattern);
    }
    return left;
  }

  /** Whether a text holds a word or a number that says nothing of how something is priced. */
  static boolean hasMore(String text) {
    return left(text).codePoints().anyMatch(Character::isLetterOrDigit);
  }

  /** Whether it says that it is for all, and no more: "for a team" may praise as well. */
  boolean isOfAccountOnly() {
    return every.isEmpty() && term.isEmpty() && of.flatMap(Of::each).isEmpty();
  }

  /** Whether nothing is said. */
  boolean isNothing() {
    return equals(NOTHING);
  }

  /** What this says, and of what it does not say what the other does. */
  Wording or(Wording other) {
    return new Wording(
        of.or(other::of),
        every.or(other::every),
        term.or(other::term),
        isFrom || other.isFrom,
        isOnce || other.isOnce);
  }
}
