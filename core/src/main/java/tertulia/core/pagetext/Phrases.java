package tertulia.core.pagetext;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tertulia.core.fit.Answer;
import tertulia.core.growth.Measure;
import tertulia.core.pagetext.PageReading.AnswerSaid;
import tertulia.core.pagetext.PageReading.Fee;
import tertulia.core.pagetext.PageReading.LimitSaid;
import tertulia.core.pagetext.PageReading.OfferSaid;
import tertulia.core.pagetext.PageReading.Use;

/** What single phrases of a page say. */
final class Phrases {
  private static final String N = "(?<n>" + Numbers.NUMBER + ")";
  private static final String SEATS =
      "(?:active\\s|full\\s|paid\\s|named\\s)?(?:users?|seats?|team\\s?members?|members?|persons?|people|licen[cs]es?|editors?|agents?|employees?|colleagues?)";
  private static final String UNIT = "(?<unit>" + Units.any() + ")";
  private static final String DATE =
      "(?<date>\\d{4}-\\d{2}-\\d{2}|\\d{1,2}\\.\\s?\\d{1,2}\\.\\s?\\d{4}|\\d{1,2}(?:st|nd|rd|th)?\\s[A-Z][a-z]{2,8}\\.?,?\\s\\d{4}|[A-Z][a-z]{2,8}\\.?\\s\\d{1,2}(?:st|nd|rd|th)?,?\\s\\d{4})";

  private static final Pattern RANGE =
      line(
          "(?:for\\s|teams? of\\s)?"
              + N
              + "\\s?(?:-|–|—|to)\\s?(?<m>"
              + Numbers.NUMBER
              + ")\\s"
              + SEATS
              + "|(?:for\\s)?teams? of\\s"
              + N.replace("<n>", "<n2>")
              + "\\s?(?:-|–|—|to)\\s?(?<m2>"
              + Numbers.NUMBER
              + ")");
  private static final Pattern MOST =
      line(
          "(?:for\\s|teams? of\\s)?(?:up to|max(?:imum)?\\.?(?:\\sof)?|at most|no more than|limited to)\\s"
              + N
              + "\\s"
              + SEATS
              + "|"
              + N.replace("<n>", "<n2>")
              + "\\s"
              + SEATS
              + "\\s(?:max(?:imum)?\\.?|at most)|(?:for\\s)?teams? of up to\\s"
              + N.replace("<n>", "<n3>"));
  private static final Pattern LEAST =
      line(
          "(?:for\\s|teams? of\\s)?(?:min(?:imum)?\\.?(?:\\sof)?|at least|from|starting at|starts at)\\s"
              + N
              + "\\s"
              + SEATS
              + "|"
              + N.replace("<n>", "<n2>")
              + "\\s"
              + SEATS
              + "\\s(?:min(?:imum)?\\.?|at least|or more|and more)|"
              + N.replace("<n>", "<n3>")
              + "\\+\\s"
              + SEATS);
  private static final Pattern OVER =
      line("(?:for\\s)?(?:teams of\\s)?(?:more than|over|above)\\s" + N + "(?:\\s" + SEATS + ")");
  private static final Pattern BARE = line("(?:for\\s)?" + N + "\\s" + SEATS);
  private static final Pattern INCLUDED =
      line(
          "(?:includes?|including|with|incl\\.|for (?:the )?first)\\s"
              + N
              + "\\s"
              + SEATS
              + "|"
              + N.replace("<n>", "<n2>")
              + "\\s"
              + SEATS
              + "\\s(?:are\\s)?included|up to\\s"
              + N.replace("<n>", "<n3>")
              + "\\s"
              + SEATS
              + "\\s(?:are\\s)?included");
  private static final Pattern ANY_NUMBER =
      line("unlimited\\s" + SEATS + "|any number of\\s" + SEATS);
  private static final Pattern PACK =
      Pattern.compile(
          "(?i)\\b(?:packs?|blocks?|steps?|bundles?|groups?)\\sof\\s"
              + N
              + "\\b(?:\\s"
              + SEATS
              + ")?");

  private static final Pattern LIMIT =
      line(
          "(?:up to\\s|max\\.?\\s|includes?\\s|and\\s|\\d+\\s?[-–]\\s?)?(?:"
              + N
              + "\\s?(?<tera>TB)?|(?<any>unlimited))\\s?"
              + UNIT
              + "?(?:\\sincluded)?(?:(?:\\s?/\\s?|\\s(?:per|a|for each|each)\\s)(?<seat>"
              + SEATS
              + "))?(?:(?:\\s?/\\s?|\\s(?:per|a|each)\\s)(?:month|mo)|\\smonthly)?(?:\\sincluded|\\sin total)?(?:\\s(?:of\\s)?(?:storage|space))?");
  private static final Pattern RECORDING =
      line(
          "recordings?\\s(?:of\\s)?up to\\s"
              + N
              + "\\smin(?:ute)?s?(?:\\seach)?|recordings?:?\\s"
              + N.replace("<n>", "<n2>")
              + "\\smin(?:ute)?s?(?:\\sat most|\\smax\\.?)?");
  private static final Pattern CALL =
      line(
          "(?:(?:video|group|voice)\\s)?(?:calls|meetings)\\s(?:with|of|for)\\s(?:up to\\s)?"
              + N
              + "\\s(?:people|participants?|attendees?)");

  private static final Pattern FEE =
      Pattern.compile(
          "(?i)"
              + "(?<percent>\\d+(?:[.,]\\d+)?)\\s?%\\s?(?:\\+|plus|and)\\s?(?<fixed>.{1,14}?)(?:\\s?/\\s?|\\s(?:per|of each|for each|of every|on each|on every|an?)\\s)(?:\\p{L}+\\s)?(?:payment|transaction|sale|charge)s?\\b.*|.*\\b(?:payment|transaction|card|processing)(?:s| fees?)?:?[\\s(]+(?<percent2>\\d+(?:[.,]\\d+)?)\\s?%\\s?(?:\\+|plus|and)\\s?(?<fixed2>.{1,14})");
  private static final Pattern INCLUDED_THEN =
      line(
          "(?:up to\\s|includes?\\s)?"
              + N
              + "\\s"
              + UNIT
              + "(?:\\s(?:a|per)\\s(?:month|mo)|\\s?/\\s?(?:month|mo))?(?:\\sincluded)?[,;]?\\s(?:and\\s)?then\\s(?<money>.{1,16}?)\\s(?:each|apiece|(?:per|for)(?:\\s(?<block>"
              + Numbers.NUMBER
              + "))?(?:\\s[\\p{L} ]{2,30})?)");
  private static final Pattern INCLUDED_IN =
      Pattern.compile(
          "(?i)"
              + N
              + "\\s"
              + UNIT
              + "(?:\\s?/\\s?(?:month|mo)|\\s(?:a|per)\\s(?:month|mo))?\\s(?:are\\s)?included\\b");
  private static final Pattern OTHER_FLOW =
      line(
          "(?:up to\\s)?"
              + N
              + "\\s(?<unit>\\p{Ll}{4,24}s)(?:\\s?/\\s?|\\s(?:a|per|each|every)\\s)(?:month|mo)");
  private static final Pattern MORE =
      Pattern.compile(
          "(?i)\\b(?:extra|additional|further|more|then|above|beyond|over|after that|overage)\\b");
  private static final Pattern USE =
      Pattern.compile(
          "(?i)(?:(?:\\s?/\\s?|\\b(?:per|for|each|every|a)\\s)(?:each\\s|every\\s)?(?:extra\\s|additional\\s|further\\s|more\\s)?(?:"
              + N
              + "\\s)?(?:extra\\s|additional\\s|further\\s|more\\s)?"
              + UNIT
              + "\\b)");

  private static final Pattern TRIAL =
      Pattern.compile(
          "(?i)\\b(?<n>\\d{1,3})[- ]days?(?:[- ]free)?[- ]trial\\b|\\btrial\\b.{0,20}?\\b(?<n2>\\d{1,3}) days?\\b|\\b(?:try|free)\\b.{0,25}?\\bfor (?<n3>\\d{1,3}) days?\\b|\\b(?:try|test)\\b[^.!?\\d]{0,30}(?<n4>\\d{1,3}) days?\\b");
  private static final Pattern WEEKS = Pattern.compile("\\b(\\d{1,2}) weeks?\\b");
  private static final Pattern NO_CARD =
      Pattern.compile(
          "(?i)\\b(?:no|without(?: an?)?) (?:(?:credit )?card|payment details)\\b|\\bcard (?:is )?not (?:needed|required|asked)|\\bcard[- ]free\\b|\\b(?:do not|don[’']t|never) (?:ask for|need|want) (?:a |your )?(?:credit )?card\\b");
  private static final Pattern CARD =
      Pattern.compile(
          "(?i)\\b(?:credit )?card (?:is )?(?:needed|required|asked for)\\b|\\b(?:need|needs|requires?|asks? for) (?:a |your )?(?:credit )?card\\b");

  private static final Pattern PERCENT_OFF =
      Pattern.compile("(?i)(?<n>\\d{1,2}(?:[.,]\\d)?)\\s?%\\s(?:off|less|discount|cheaper)\\b");
  private static final Pattern FREE_MONTHS =
      Pattern.compile(
          "(?i)\\bfirst (?:(?<n>\\d{1,2}|two|three|six|twelve) )?months?(?: is| are)? (?:for )?free\\b|\\b(?<n2>\\d{1,2}|one|two|three|six) months? (?:free|on us|for nothing|on the house)\\b");

  /** What is less for those who pay a year is a price of its own, and nothing for a while. */
  private static final Pattern BY_THE_YEAR =
      Pattern.compile(
          "(?i)\\b(?:a year ahead|(?:for|by) (?:a|one|the) (?:full |whole )?year|a full year|yearly|annual(?:ly)?|by the year)\\b");

  /** "… are already in it": what is spoken of is part of the price. */
  private static final Pattern ALREADY =
      Pattern.compile("(?i)\\b(?:already|included in (?:it|the price))\\b");

  private static final Pattern FOR_MONTHS =
      Pattern.compile(
          "(?i)\\bfirst (?:(?<n>\\d{1,2}|two|three|six|twelve) )?(?<unit>months?|year)\\b|\\bfor (?<n2>\\d{1,2}|two|three|six|twelve) months\\b");
  private static final Pattern UNTIL =
      Pattern.compile(
          "(?:[Uu]ntil|[Tt]ill|[Ee]nds(?: on)?|[Tt]hrough|[Vv]alid (?:until|to)|[Uu]p to|[Bb]y)\\s(?:the end of\\s)?"
              + DATE);
  private static final Pattern NEW_BUYERS =
      Pattern.compile("(?i)\\bnew (?:customers?|buyers?|accounts?|sign-?ups?)\\b");

  private static final Pattern NOTE =
      Pattern.compile(
          "(?i)\\s*[(–—-]\\s*(?<note>add-?on|as an add-?on|limited|partly|basic|not included)\\)?$");
  private static final Pattern NOT = Pattern.compile("(?i)^(?:no|without|excludes)\\s(?<what>.+)$");
  private static final Pattern COUNTED =
      Pattern.compile(
          "^(?i)(?:up to\\s|over\\s|more than\\s)?(?!24/7|1:1)\\d.*|.*\\b\\d[\\d.,]*\\s(?:days?|hours?|minutes?|years?|months?)\\b.*");

  /** Numbers that are part of a name and count nothing. */
  private static final String NAMED_BY_NUMBER =
      "\\b(?:24/7|1:1|\\d-step|\\d-factor|2FA|ISO[ -]?\\d+|SOC ?2|SAML 2\\.0|OAuth ?2)\\b";

  private static final Pattern NUMBERED = Pattern.compile("\\d");
  private static final int LONGEST_CAPABILITY = 60;
  private static final BigDecimal THOUSAND = BigDecimal.valueOf(1000);

  private final Numbers numbers;
  private final Pattern own;

  /**
   * @param own words for what this page prices each of and there is no usual measure for
   */
  Phrases(Numbers numbers, Set<String> own) {
    this.numbers = numbers;
    this.own =
        Pattern.compile(own.isEmpty() ? "(?!)" : "(?i)\\b(?:" + String.join("|", own) + ")\\b");
  }

  private static Pattern line(String pattern) {
    return Pattern.compile("(?i)^(?:" + pattern + ")[.,;:]?$");
  }

  /**
   * How many people a plan is for.
   *
   * @param own the unit that is meant, where it is none of people
   */
  record Size(
      Optional<Integer> least,
      Optional<Integer> most,
      Optional<Integer> included,
      boolean bare,
      Optional<Measure> own) {
    static final Size ANY = new Size(Optional.empty(), Optional.empty(), Optional.empty(), false);

    Size(
        Optional<Integer> least, Optional<Integer> most, Optional<Integer> included, boolean bare) {
      this(least, most, included, bare, Optional.empty());
    }

    /** The same of a unit that this page prices each of. */
    Size of(Measure unit) {
      return new Size(least, most, included, bare, Optional.of(unit));
    }
  }

  /** How many people, or units that the page prices, a phrase speaks of; empty if of none. */
  Optional<Size> size(String text) {
    Matcher unit = own.matcher(text);
    return unit.find()
        ? sizeOfPeople(unit.replaceAll("users"))
            .map(size -> size.of(Units.own(ownWord(text), "level")))
        : sizeOfPeople(text);
  }

  private String ownWord(String text) {
    Matcher unit = own.matcher(text);
    return unit.find() ? unit.group() : "";
  }

  private Optional<Size> sizeOfPeople(String text) {
    if (ANY_NUMBER.matcher(text).matches()) {
      return Optional.of(Size.ANY);
    }
    Matcher range = RANGE.matcher(text);
    if (range.matches()) {
      return Optional.of(
          new Size(
              whole(either(range, "n", "n2")),
              whole(either(range, "m", "m2")),
              Optional.empty(),
              false));
    }
    Matcher included = INCLUDED.matcher(text);
    if (included.matches()) {
      return Optional.of(
          new Size(
              Optional.empty(), Optional.empty(), whole(either(included, "n", "n2", "n3")), false));
    }
    Matcher most = MOST.matcher(text);
    if (most.matches()) {
      return Optional.of(
          new Size(
              Optional.empty(), whole(either(most, "n", "n2", "n3")), Optional.empty(), false));
    }
    Matcher over = OVER.matcher(text);
    if (over.matches()) {
      return Optional.of(
          new Size(
              whole(over.group("n")).map(n -> n + 1), Optional.empty(), Optional.empty(), false));
    }
    Matcher least = LEAST.matcher(text);
    if (least.matches()) {
      return Optional.of(
          new Size(
              whole(either(least, "n", "n2", "n3")), Optional.empty(), Optional.empty(), false));
    }
    Matcher bare = BARE.matcher(text);
    return bare.matches()
        ? Optional.of(new Size(Optional.empty(), whole(bare.group("n")), Optional.empty(), true))
        : Optional.empty();
  }

  Optional<Integer> pack(String text) {
    Matcher pack = PACK.matcher(text);
    return pack.find() ? whole(pack.group("n")) : Optional.empty();
  }

  /** An allowance; empty if the phrase is none. */
  Optional<LimitSaid> limit(String text) {
    Matcher recording = RECORDING.matcher(text);
    if (recording.matches()) {
      return number(either(recording, "n", "n2"))
          .map(most -> new LimitSaid(Measure.RECORDING_MINUTES, Optional.of(most), false));
    }
    Matcher call = CALL.matcher(text);
    if (call.matches()) {
      return number(call.group("n"))
          .map(most -> new LimitSaid(Measure.PEOPLE_IN_A_CALL, Optional.of(most), false));
    }
    Matcher limit = LIMIT.matcher(text);
    if (!limit.matches()) {
      return Optional.empty();
    }
    boolean tera = limit.group("tera") != null;
    Optional<Measure> measure =
        tera
            ? Optional.of(Measure.GIGABYTES_KEPT)
            : Optional.ofNullable(limit.group("unit")).flatMap(Units::of).or(() -> storage(text));
    if (measure.isEmpty() || Units.isSeat(measure.get())) {
      return Optional.empty();
    }
    boolean perSeat = limit.group("seat") != null;
    boolean mega = limit.group("unit") != null && limit.group("unit").matches("(?i)(?:MB|mega).*");
    return limit.group("any") != null
        ? Optional.of(new LimitSaid(measure.get(), Optional.empty(), false))
        : number(limit.group("n"))
            .map(n ->
                new LimitSaid(
                    measure.get(),
                    Optional.of(tera ? n.multiply(THOUSAND) : mega ? n.divide(THOUSAND) : n),
                    perSeat));
  }

  private static Optional<Measure> storage(String text) {
    return text.matches("(?i)unlimited (?:file )?storage")
        ? Optional.of(Measure.GIGABYTES_KEPT)
        : Optional.empty();
  }

  Optional<Fee> fee(String text) {
    Matcher fee = FEE.matcher(text);
    if (!fee.find()) {
      return Optional.empty();
    }
    boolean first = fee.group("percent") != null;
    String fixed = first ? fee.group("fixed") : fee.group("fixed2");
    List<Amount> amounts = Amount.in(fixed, numbers);
    Optional<BigDecimal> percent = number(first ? fee.group("percent") : fee.group("percent2"));
    String sum = fixed.strip().split("\\s")[0];
    if (amounts.isEmpty() && sum.matches(Numbers.NUMBER)) {
      BigDecimal bare = numbers.read(sum).value();
      return percent.map(share -> new Fee(share, bare, ""));
    }
    return amounts.size() == 1
        ? percent.map(
            share -> new Fee(share, amounts.getFirst().value(), amounts.getFirst().currency()))
        : Optional.empty();
  }

  /** Whether a phrase speaks of what comes on top. */
  static boolean isMore(String text) {
    return MORE.matcher(text).find();
  }

  /**
   * "100 text messages a month, then 0.07 each": what is included, and what more of it costs.
   *
   * @param currency empty: that of the plan's other prices
   */
  record IncludedThen(LimitSaid included, Use more, boolean hasCurrency) {}

  /** What is included and then paid; empty if the phrase says no such thing. */
  Optional<IncludedThen> includedThen(String text) {
    Matcher then = INCLUDED_THEN.matcher(text);
    if (!then.matches()) {
      return Optional.empty();
    }
    Optional<Measure> unit = Units.of(then.group("unit"));
    List<Amount> amounts = Amount.in(then.group("money"), numbers);
    boolean bare = then.group("money").matches(Numbers.NUMBER);
    if (unit.isEmpty() || !unit.get().addsUp() || amounts.size() != 1 && !bare) {
      return Optional.empty();
    }
    BigDecimal price =
        bare ? numbers.read(then.group("money")).value() : amounts.getFirst().value();
    BigDecimal block =
        Optional.ofNullable(then.group("block")).flatMap(this::number).orElse(BigDecimal.ONE);
    return number(then.group("n"))
        .map(n ->
            new IncludedThen(
                new LimitSaid(unit.get(), Optional.of(n), false),
                new Use(unit.get(), price, bare ? "" : amounts.getFirst().currency(), block),
                !bare));
  }

  /** What a longer phrase says is included of a measure; empty if it does not say. */
  Optional<LimitSaid> includedIn(String text, Measure measure) {
    Matcher included = INCLUDED_IN.matcher(text);
    return included.find() && Units.of(included.group("unit")).filter(measure::equals).isPresent()
        ? number(included.group("n")).map(n -> new LimitSaid(measure, Optional.of(n), false))
        : Optional.empty();
  }

  /** "500 conversations a month" of what there is no usual measure for; empty if it is not that. */
  Optional<LimitSaid> otherFlow(String text) {
    Matcher flow = OTHER_FLOW.matcher(text);
    return flow.matches()
        ? number(flow.group("n"))
            .map(n -> new LimitSaid(Units.own(flow.group("unit"), "flow"), Optional.of(n), false))
        : Optional.empty();
  }

  /** The price of use above what is included; empty if the phrase says none. */
  Optional<Use> use(String text) {
    List<Amount> amounts = Amount.in(text, numbers);
    if (amounts.size() != 1) {
      return Optional.empty();
    }
    Amount amount = amounts.getFirst();
    Matcher use = USE.matcher(text);
    int from = 0;
    while (use.find(from)) {
      boolean beside = use.end() <= amount.start() || use.start() >= amount.end();
      Optional<Measure> unit = Units.of(use.group("unit"));
      if (beside && unit.isPresent() && !unit.get().isPeople()) {
        BigDecimal block =
            Optional.ofNullable(use.group("n")).flatMap(this::number).orElse(BigDecimal.ONE);
        return Optional.of(new Use(unit.get(), amount.value(), amount.currency(), block));
      }
      from = use.end();
    }
    return Optional.empty();
  }

  Optional<Integer> trialDays(String text) {
    Matcher trial = TRIAL.matcher(WEEKS.matcher(text).replaceAll(Phrases::inDays));
    return trial.find() ? whole(either(trial, "n", "n2", "n3", "n4")) : Optional.empty();
  }

  private static String inDays(java.util.regex.MatchResult weeks) {
    return 7 * Integer.parseInt(weeks.group(1)) + " days";
  }

  Optional<Boolean> trialCard(String text) {
    if (NO_CARD.matcher(text).find()) {
      return Optional.of(false);
    }
    return CARD.matcher(text).find() ? Optional.of(true) : Optional.empty();
  }

  /** A reduction for a while; empty if the phrase is none. */
  Optional<OfferSaid> offer(String text, @Nullable String plan) {
    Matcher percent = PERCENT_OFF.matcher(text);
    Matcher free = FREE_MONTHS.matcher(text);
    if (ALREADY.matcher(text).find() || BY_THE_YEAR.matcher(text).find()) {
      return Optional.empty();
    }
    if (free.find()) {
      String n = either(free, "n", "n2");
      return Optional.of(
          new OfferSaid(
              named(text),
              Optional.empty(),
              Optional.of(n == null ? 1 : months(n)),
              until(text),
              NEW_BUYERS.matcher(text).find(),
              Optional.ofNullable(plan)));
    }
    if (!percent.find()) {
      return Optional.empty();
    }
    if (Wording.in(text).term().isPresent()) {
      return Optional.empty();
    }
    return number(percent.group("n"))
        .map(off ->
            new OfferSaid(
                named(text),
                Optional.of(off),
                forMonths(text),
                until(text),
                NEW_BUYERS.matcher(text).find(),
                Optional.ofNullable(plan)));
  }

  private static String named(String text) {
    String plain = text.replaceAll("[.!]+$", "");
    return plain.length() <= LONGEST_CAPABILITY
        ? plain
        : plain.substring(0, LONGEST_CAPABILITY).strip();
  }

  Optional<Integer> forMonths(String text) {
    Matcher months = FOR_MONTHS.matcher(text);
    if (!months.find()) {
      return Optional.empty();
    }
    String n = either(months, "n", "n2");
    if ("year".equalsIgnoreCase(months.group("unit"))) {
      return Optional.of(12);
    }
    return Optional.of(n == null ? 1 : months(n));
  }

  private static int months(String words) {
    return switch (words.toLowerCase(Locale.ROOT)) {
      case "one" -> 1;
      case "two" -> 2;
      case "three" -> 3;
      case "six" -> 6;
      case "twelve" -> 12;
      default -> Integer.parseInt(words);
    };
  }

  /** Whether a phrase says until when something can be had, and nothing else. */
  static boolean isUntil(String text) {
    Matcher until = UNTIL.matcher(text);
    return until.find()
        && text.substring(0, until.start())
            .matches("(?i)(?:this |the )?(?:offer|price)?(?: is)?(?: valid)?(?: ends)?\\s*")
        && text.substring(until.end()).matches("[.!]?(?: only)?[.!]?");
  }

  static Optional<LocalDate> until(String text) {
    Matcher until = UNTIL.matcher(text);
    return until.find() ? date(until.group("date")) : Optional.empty();
  }

  private static Optional<LocalDate> date(String text) {
    try {
      if (text.matches("\\d{4}-.*")) {
        return Optional.of(LocalDate.parse(text));
      }
      List<String> parts = new ArrayList<>(List.of(text.split("[.,\\s]+")));
      if (text.matches("\\d{1,2}\\..*")) {
        return Optional.of(LocalDate.of(number(parts, 2), number(parts, 1), number(parts, 0)));
      }
      boolean monthFirst = Character.isLetter(text.charAt(0));
      String month = parts.get(monthFirst ? 0 : 1).toUpperCase(Locale.ROOT);
      int day = Integer.parseInt(parts.get(monthFirst ? 1 : 0).replaceAll("\\D", ""));
      for (Month known : Month.values()) {
        if (known.name().startsWith(month)) {
          return Optional.of(LocalDate.of(number(parts, 2), known, day));
        }
      }
      return Optional.empty();
    } catch (DateTimeException e) {
      // such as the 31st of June
      return Optional.empty();
    }
  }

  private static int number(List<String> parts, int at) {
    return Integer.parseInt(parts.get(at));
  }

  /** What a line of a plan's list says it has; empty if no capability. */
  static Optional<Said<AnswerSaid>> capability(Line line) {
    String text = line.text().replaceAll("[.;,]+$", "");
    if (text.length() > LONGEST_CAPABILITY
        || text.length() < 2
        || COUNTED.matcher(text).matches()
        || line.mark() == Line.Prefix.NONE
            && NUMBERED.matcher(text.replaceAll(NAMED_BY_NUMBER, "")).find()
        || text.endsWith(":")
        || text.toLowerCase(Locale.ROOT).contains("coming soon")
        || Amount.isIn(text)
        || text.contains("%")
        || text.indexOf('?') >= 0
        || text.endsWith("!")) {
      return Optional.empty();
    }
    Answer answer = line.mark() == Line.Prefix.CROSS ? Answer.NO : Answer.YES;
    Matcher note = NOTE.matcher(text);
    if (answer == Answer.YES && note.find()) {
      answer =
          switch (note.group("note").toLowerCase(Locale.ROOT)) {
            case "limited", "partly", "basic" -> Answer.PARTLY;
            case "not included" -> Answer.NO;
            default -> Answer.BY_ADD_ON;
          };
      text = text.substring(0, note.start()).strip();
    }
    Matcher not = NOT.matcher(text);
    if (answer == Answer.YES && not.matches()) {
      answer = Answer.NO;
      text = not.group("what");
    }
    if (text.isEmpty()) {
      return Optional.empty();
    }
    boolean marked = line.mark() == Line.Prefix.TICK || line.mark() == Line.Prefix.CROSS;
    return Optional.of(
        new Said<>(
            new AnswerSaid(text, answer),
            line.passage(),
            marked || answer != Answer.YES ? Set.of() : Set.of(Assumed.HAS_IT)));
  }

  private Optional<BigDecimal> number(@Nullable String written) {
    return Optional.ofNullable(written).map(text -> numbers.read(text).value());
  }

  private Optional<Integer> whole(@Nullable String written) {
    return number(written)
        .filter(n -> n.stripTrailingZeros().scale() <= 0 && n.precision() - n.scale() <= 7)
        .map(BigDecimal::intValueExact);
  }

  private static @Nullable String either(Matcher found, String... groups) {
    for (String group : groups) {
      if (found.group(group) != null) {
        return found.group(group);
      }
    }
    return null;
  }
}
