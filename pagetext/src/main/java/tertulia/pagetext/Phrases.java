package tertulia.pagetext;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading.Fee;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.PageReading.OfferSaid;
import tertulia.pagetext.PageReading.Use;

/** What single phrases of a page say. */
final class Phrases {
  private static final String N = "(?<n>" + Numbers.NUMBER + ")";
  private static final String SEATS =
      "(?:active\\s|full\\s|paid\\s|named\\s)?(?:users?|seats?|team\\s?members?|members?|persons?|people|licen[cs]es?|editors?|agents?|employees?|colleagues?)";
  private static final String UNIT = "(?<unit>" + Units.any() + ")";

  private static final Pattern LIMIT =
      line(
          "(?:up to\\s|max\\.?\\s|includes?\\s|and\\s|\\d+\\s?[-–]\\s?)?(?:"
              + N
              + "\\s?(?<tera>TB)?|(?<any>unlimited))\\s?"
              + UNIT
              + "?(?:\\sincluded)?(?:(?:\\s?/\\s?|\\s(?:per|a|for each|each)\\s)(?<seat>"
              + SEATS
              + "))?(?:(?:\\s?/\\s?|\\s(?:per|a|each|every)\\s)(?:month|mo)|\\smonthly)?(?:\\sincluded|\\sin total|\\sin all)?(?:\\s(?:of\\s)?(?:storage|space|files))?");
  private static final Pattern RECORDING =
      line(
          "recordings?\\s(?:of\\s)?up to\\s"
              + N
              + "\\smin(?:ute)?s?(?:\\seach)?|recordings?:?\\s"
              + N.replace("<n>", "<n2>")
              + "\\smin(?:ute)?s?(?:\\sat most|\\smax\\.?)?");
  private static final Pattern CALL =
      line(
          "(?:(?:video|group|voice|audio)(?:\\sand\\s(?:video|voice|audio))?(?:\\s(?:calls|meetings|chat|conferences))?|calls|meetings)\\s(?:with|of|for)\\s(?:up to\\s)?"
              + N
              + "\\s(?:people|participants?|attendees?)");

  private static final Pattern FEE =
      Pattern.compile(
          "(?i)"
              + "(?<percent>\\d+(?:[.,]\\d+)?)\\s?%\\s?(?:\\+|plus|and)\\s?(?<fixed>.{1,14}?)(?:\\s?/\\s?|\\s(?:per|of each|for each|of every|on each|on every|an?)\\s)(?:\\p{L}+\\s)?(?:payment|transaction|sale|charge)s?\\b.*|.*\\b(?:payment|transaction|card|processing)(?:s| fees?)?:?[\\s(]+(?<percent2>\\d+(?:[.,]\\d+)?)\\s?%(?:\\sof (?:each|every|the) (?:payment|transaction|sale))?\\s?(?:\\+|plus|and)\\s?(?<fixed2>.{1,14})");

  /** "1.9 % of each card payment": a share, and nothing besides. */
  private static final Pattern SHARE =
      line(
          "(?<percent>\\d+(?:[.,]\\d+)?)\\s?%\\s(?:fee\\s)?(?:of|per|on)\\s(?:each\\s|every\\s)?(?:card\\s|online\\s)?(?:payment|transaction|sale)s?");

  private static final Pattern INCLUDED_THEN =
      line(
          "(?:up to\\s|includes?\\s)?"
              + N
              + "\\s(?:"
              + UNIT
              + "|(?<own>\\p{Ll}{4,24}s)(?=\\s(?:a|per)\\s(?:month|mo)|\\s?/\\s?(?:month|mo)))(?:\\s(?:a|per)\\s(?:month|mo)|\\s?/\\s?(?:month|mo))?(?:\\sincluded)?[,;]?\\s(?:(?:and\\s)?then\\s|(?=[€$£¥\\d]))(?<money>.{1,16}?)\\s(?:each|apiece|for (?:each|every)(?: (?:further|extra|additional|more))?(?: \\p{L}+)?|(?:per|for)(?:\\s(?<block>"
              + Numbers.NUMBER
              + "))?(?:\\s[\\p{L} ]{2,30})?)");

  /** "Reminders by text message (100 a month included, then €0.08 each)". */
  private static final Pattern THEN_IN_BRACKETS =
      Pattern.compile(
          "(?i).*\\b(?<unit>text message|SMS message|SMS|booking|automation run|card payment|payment)s?(?: \\(|: )"
              + N
              + "(?<rest>[^()]*(?:\\bthen\\b|,)[^()]+?)\\)?");

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

  /** "10 forms", "3 custom domains": of what there is no usual measure for, and no time. */
  private static final Pattern OTHER_LEVEL =
      line(
          "(?:up to\\s|max(?:imum)?\\.?\\s|at most\\s)?(?:"
              + N
              + "|(?<any>unlimited))\\s(?<unit>(?:\\p{Ll}{3,20}\\s)?\\p{Ll}{3,24})(?:\\sincluded|\\sin total)?");

  private static final Pattern NO_UNIT =
      Pattern.compile(
          "(?i).*\\b(?:free|off|second|minute|hour|day|week|month|quarter|year|percent|star|step|time|more|less|or|and|per|a|support|access|use|history|storage|others?)s?\\b.*");

  private static final Pattern MORE =
      Pattern.compile(
          "(?i)\\b(?:extra|additional|further|(?<!\\bor )(?<!\\band )more|then|above|beyond|over|after that|overage)\\b");
  private static final Pattern USE =
      Pattern.compile(
          "(?i)(?:(?:\\s?/\\s?|\\b(?:per|for|each|every|a)\\s)(?:each\\s|every\\s)?(?:extra\\s|additional\\s|further\\s|more\\s)?(?:"
              + N
              + "\\s)?(?:extra\\s|additional\\s|further\\s|more\\s)?"
              + UNIT
              + "\\b)");

  /** "Further runs cost $4 per 1,000". */
  private static final Pattern FURTHER =
      line(
          "(?:each |every )?(?:further|extra|additional|more) "
              + UNIT
              + "(?: costs?| are| is| at| for|:)? (?<money>[^ ]{1,4} ?"
              + Numbers.NUMBER
              + "(?: ?[^\\d ]{1,4})?)(?: (?:per|for|a) (?<block>"
              + Numbers.NUMBER
              + ")| each| apiece)?");

  private static final Pattern TRIAL =
      Pattern.compile(
          "(?i)\\b(?<n>\\d{1,3})[- ]days?(?:[- ]free)?[- ]trial\\b|\\btrial\\b.{0,20}?\\b(?<n2>\\d{1,3}) days?\\b|\\b(?:try|free)\\b.{0,25}?\\bfor (?<n3>\\d{1,3}) days?\\b|\\b(?:try|test)\\b[^.!?\\d]{0,30}(?<n4>\\d{1,3}) days?\\b|\\bfirst (?<n6>\\d{1,3}) days? (?:are |is )?free\\b|^(?<n5>\\d{1,3}) days? (?:(?:for )?free\\b(?! of)|to (?:try|test)\\b)");

  /** What is used of a trial that does not end by its days. */
  private static final String USED =
      "(?!days?\\b|weeks?\\b|months?\\b|years?\\b|plans?\\b|users?\\b|people\\b|seats?\\b|members?\\b|steps?\\b|clicks?\\b)\\p{Ll}{4,20}s)\\b";

  private static final Pattern TRIAL_USE =
      Pattern.compile(
          "(?i)\\b(?:try|trial|test)\\b[^.!?\\d]{0,30}(?<n>\\d[\\d,]*) (?:free )?(?<unit>"
              + USED
              + "(?=[ ,.;]*(?:$|for free|free|at no cost|cost nothing|cost you nothing|on us|[.,;]))|^(?:your |the )?first (?<n2>\\d[\\d,]*) (?<unit2>"
              + USED
              + " (?:are |is )?(?:free|on us|cost nothing)");

  private static final Pattern WEEKS = Pattern.compile("\\b(\\d{1,2}) weeks?\\b");
  private static final Pattern NO_CARD =
      Pattern.compile(
          "(?i)\\b(?:no|without(?: an?)?) (?:(?:credit )?card|payment details)\\b|\\bcard (?:is )?not (?:needed|required|asked)|\\bcard[- ]free\\b|\\b(?:do not|don[’']t|never) (?:ask for|need|want) (?:a |your )?(?:credit )?card\\b");
  private static final Pattern CARD =
      Pattern.compile(
          "(?i)\\b(?:credit )?card (?:is )?(?:needed|required|asked for)\\b|\\b(?:need|needs|requires?|asks? for) (?:a |your )?(?:credit )?card\\b");

  private static final BigDecimal THOUSAND = BigDecimal.valueOf(1000);

  private final Numbers numbers;
  private final Sizes sizes;
  private final Offers offers;

  /**
   * @param own words for what this page prices each of and there is no usual measure for
   */
  Phrases(Numbers numbers, Set<String> own) {
    this.numbers = numbers;
    this.sizes = new Sizes(numbers, own);
    this.offers = new Offers(numbers);
  }

  private static Pattern line(String pattern) {
    return Pattern.compile("(?i)^(?:" + pattern + ")[.,;:]?$");
  }

  /** An allowance; empty if the phrase is none. */
  Optional<LimitSaid> limit(String text) {
    Matcher recording = RECORDING.matcher(text);
    if (recording.matches()) {
      return numbers
          .number(Numbers.either(recording, "n", "n2"))
          .map(most -> new LimitSaid(Measure.RECORDING_MINUTES, Optional.of(most), false));
    }
    Matcher call = CALL.matcher(text);
    if (call.matches()) {
      return numbers
          .number(call.group("n"))
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
        : numbers
            .number(limit.group("n"))
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
    Matcher alone = SHARE.matcher(text);
    if (alone.matches()) {
      return numbers
          .number(alone.group("percent"))
          .map(percent -> new Fee(percent, BigDecimal.ZERO, ""));
    }
    Matcher fee = FEE.matcher(text);
    if (!fee.find()) {
      return Optional.empty();
    }
    boolean first = fee.group("percent") != null;
    String fixed = first ? fee.group("fixed") : fee.group("fixed2");
    List<Amount> amounts = Amount.in(fixed, numbers);
    Optional<BigDecimal> percent =
        numbers.number(first ? fee.group("percent") : fee.group("percent2"));
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
    Matcher bracketed = THEN_IN_BRACKETS.matcher(text);
    if (bracketed.matches()) {
      return includedThen(
          bracketed.group("n")
              + " "
              + bracketed.group("unit")
              + (bracketed.group("unit").startsWith("SMS") ? "" : "s")
              + bracketed.group("rest"));
    }
    Matcher then = INCLUDED_THEN.matcher(text);
    if (!then.matches()) {
      return Optional.empty();
    }
    Optional<Measure> unit =
        then.group("own") == null
            ? Units.of(then.group("unit"))
            : Optional.of(Units.own(then.group("own"), "flow"));
    List<Amount> amounts = Amount.in(then.group("money"), numbers);
    boolean bare = then.group("money").matches(Numbers.NUMBER);
    if (unit.isEmpty() || !unit.get().addsUp() || amounts.size() != 1 && !bare) {
      return Optional.empty();
    }
    BigDecimal price =
        bare ? numbers.read(then.group("money")).value() : amounts.getFirst().value();
    BigDecimal block =
        Optional.ofNullable(then.group("block")).flatMap(numbers::number).orElse(BigDecimal.ONE);
    return numbers
        .number(then.group("n"))
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
        ? numbers
            .number(included.group("n"))
            .map(n -> new LimitSaid(measure, Optional.of(n), false))
        : Optional.empty();
  }

  /** "500 conversations a month" of what there is no usual measure for; empty if it is not that. */
  Optional<LimitSaid> otherFlow(String text) {
    Matcher flow = OTHER_FLOW.matcher(text);
    return flow.matches()
        ? numbers
            .number(flow.group("n"))
            .map(n -> new LimitSaid(Units.own(flow.group("unit"), "flow"), Optional.of(n), false))
        : Optional.empty();
  }

  /**
   * "10 forms" of what there is no usual measure for; empty if it is not that.
   *
   * @param counted words that the page counts, with a number, elsewhere
   */
  Optional<LimitSaid> otherLevel(String text, Set<String> counted) {
    return ofOwn(text)
        .filter(own -> own.most().isPresent() || counted.contains(own.measure().label()));
  }

  /** What a line counts in a unit of its own; empty if it is no such line. */
  Optional<LimitSaid> ofOwn(String text) {
    Matcher level = OTHER_LEVEL.matcher(text);
    if (!level.matches() || NO_UNIT.matcher(level.group("unit")).matches()) {
      return Optional.empty();
    }
    String unit = level.group("unit");
    boolean one = level.group("n") != null && level.group("n").equals("1");
    if (!one && !unit.endsWith("s") || Units.of(unit).isPresent()) {
      return Optional.empty();
    }
    return Optional.of(
        new LimitSaid(
            Units.own(unit, "level"),
            level.group("any") != null ? Optional.empty() : numbers.number(level.group("n")),
            false));
  }

  /** The price of use above what is included; empty if the phrase says none. */
  Optional<Use> use(String text) {
    List<Amount> amounts = Amount.in(text, numbers);
    if (amounts.size() != 1) {
      return Optional.empty();
    }
    Amount amount = amounts.getFirst();
    Matcher further = FURTHER.matcher(text);
    if (further.matches()) {
      return Units.of(further.group("unit"))
          .filter(unit -> !unit.isPeople())
          .map(unit ->
              new Use(
                  unit,
                  amount.value(),
                  amount.currency(),
                  Optional.ofNullable(further.group("block"))
                      .flatMap(numbers::number)
                      .orElse(BigDecimal.ONE)));
    }
    Matcher use = USE.matcher(text);
    int from = 0;
    while (use.find(from)) {
      boolean beside = use.end() <= amount.start() || use.start() >= amount.end();
      Optional<Measure> unit = Units.of(use.group("unit"));
      if (beside && unit.isPresent() && !unit.get().isPeople()) {
        BigDecimal block =
            Optional.ofNullable(use.group("n")).flatMap(numbers::number).orElse(BigDecimal.ONE);
        return Optional.of(new Use(unit.get(), amount.value(), amount.currency(), block));
      }
      from = use.end();
    }
    return Optional.empty();
  }

  Optional<Integer> trialDays(String text) {
    String digits = Numbers.wordsInDigits(text);
    Matcher trial = TRIAL.matcher(WEEKS.matcher(digits).replaceAll(Phrases::inDays));
    return trial.find()
        ? numbers.count(Numbers.either(trial, "n", "n2", "n3", "n4", "n5", "n6"))
        : Optional.empty();
  }

  private static String inDays(java.util.regex.MatchResult weeks) {
    return 7 * Integer.parseInt(weeks.group(1)) + " days";
  }

  /** "Your first 50 bookings are free": how much can be used before one pays; empty if not said. */
  Optional<String> trialUse(String text) {
    Matcher use = TRIAL_USE.matcher(text);
    if (!use.find()) {
      return Optional.empty();
    }
    boolean first = use.group("n") != null;
    return Optional.of(use.group(first ? "n" : "n2") + " " + use.group(first ? "unit" : "unit2"));
  }

  /** Whether trying asks for a card; empty if the phrase does not say. */
  Optional<Boolean> trialCard(String text) {
    if (NO_CARD.matcher(text).find()) {
      return Optional.of(false);
    }
    return CARD.matcher(text).find() ? Optional.of(true) : Optional.empty();
  }

  /** How many people, or units that the page prices, a phrase speaks of; empty if of none. */
  Optional<Sizes.Size> size(String text) {
    return sizes.of(text);
  }

  /** In packs of how many units it is sold; empty if the phrase does not say. */
  Optional<Integer> pack(String text) {
    return sizes.pack(text);
  }

  /** A reduction for a while; empty if the phrase is none. */
  Optional<OfferSaid> offer(String text, @Nullable String plan) {
    return offers.of(text, plan);
  }

  /** For how many months something holds; empty if the phrase does not say. */
  Optional<Integer> forMonths(String text) {
    return offers.forMonths(text);
  }
}
