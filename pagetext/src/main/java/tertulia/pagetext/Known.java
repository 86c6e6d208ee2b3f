package tertulia.pagetext;

import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lines that every price page has and that say what they are. */
final class Known {
  private static final Pattern BUTTON =
      Pattern.compile(
          "(?i)(?:get started(?: for free| free| now| today)?|start(?: for)? free(?: trial| today)?|start (?:your |a )?(?:free )?trial|start now|try (?:\\p{L}+ ){0,2}(?:now|free|for free)|buy(?: now)?|choose(?: plan| this plan| \\w+){0,3}|select(?: plan| \\w+){0,3}|sign up(?: free| now)?|subscribe|contact (?:us|sales)(?: (?:for|to) [a-z ]{2,40})?|talk to (?:us|sales|an? [a-z]{3,20}|our [a-z]{3,20})|get in touch(?: [a-z ]{2,40})?|book a demo|request a demo|learn more|see all (?:features|plans)|compare(?: all)? (?:plans|features)|most popular|popular|recommended|best value|our favou?rite|log in|sign in|upgrade|read more|show more|most chosen|call us|ask us)[.!→> ]*");
  private static final Pattern OF_SEVERAL =
      Pattern.compile("(?i)\\bprices (?:are|would be|become) .*\\band\\b|\\brespectively\\b");
  private static final Pattern TALK =
      Pattern.compile("(?i)(?:let(?:(?:’|')?s| us) talk|get a quote|request a quote)[.!→> ]*");
  private static final Pattern TOGGLE =
      Pattern.compile(
          "(?i)(?:(?:monthly|yearly|annually|annual)\\s*[/|·]?\\s*){1,4}(?:billing)?\\s*[(–—-]?\\s*(?:save (?:up to )?\\d{1,2}\\s?%|\\d{1,2}\\s?% off|-\\d{1,2}\\s?%)?\\)?");
  private static final Pattern NAVIGATION =
      Pattern.compile(
          "(?i)skip to (?:main )?content|back to .*|(?:main )?menu|home|navigation|product|products|solutions|functions|features|templates|tour|overview|resources|industries|sectors|customers|references|stories|careers|jobs|investors|about(?: us)?|blog|docs|guides?|help|support|download|integrations|security|contact|log ?in|sign ?in|search|language|english|switch .*\\b(?:monthly|yearly)\\b.*|bill me (?:monthly|yearly|annually)");
  private static final Pattern FEATURE_TOO =
      Pattern.compile("(?i)search|integrations|templates|security|support|overview|guides?|help");
  private static final Pattern MENU_SEPARATOR =
      Pattern.compile("\\s*[|·•▾▼>»]\\s*|\\s/\\s|\\s{2,}");
  private static final Pattern FOOTER =
      Pattern.compile(
          "(?i).*©.*|.*\\S@\\S.*|.*\\ball rights reserved\\b.*|.*\\bcookies?\\b.*|follow us.*|privacy.*|imprint|terms.*|.*\\b(?:B\\.V|N\\.V|Ltd|GmbH|ApS|A/S|IVS|Oy|U\\.A|Inc|LLC|SARL|S\\.A|Lda)\\b\\.?,? .*|(?:rated|trusted|used|loved) (?:by |\\d).*|.*\\bsince (?:19|20)\\d\\d\\b.*|CVR\\b.*|call us:.*|made in\\b.*|what (?:our )?(?:customers|people|others) say.*");
  private static final Pattern QUOTED = Pattern.compile("[“\"„«‘].*");
  private static final Pattern SAVING =
      Pattern.compile(
          "(?i)(?:you )?save (?:up to )?\\d{1,2}\\s?%(?: (?:with|on|when|by|if).*(?:year|annual).*)?[.!]?");
  private static final Pattern HEADING =
      Pattern.compile(
          "(?i)(?:our )?(?:pricing|prices?|costs?|total|plans?|features?|what you get|notes|limits|reviews|plans (?:and|&) (?:pricing|prices)|what(?:’|')?s included|(?:it )?includes:?|included:?|key features:?|features:|home|product|(?:simple|fair|clear)[ ,a-z]* pric(?:es|ing)[a-z ,]*)[.:]?");
  private static final String PRICES =
      "(?i:pricing|prices|price list|plans (?:and|&) (?:pricing|prices))";
  private static final Pattern TITLE =
      Pattern.compile(
          "(?<before>\\p{Lu}.{1,38}?)(?:[’']s)?(?:\\s*[-–—|:])?(?:\\s+(?:the|our))?\\s+"
              + PRICES
              + "|"
              + PRICES
              + "(?:\\s+(?i:of|for)|\\s*[-–—|:·•])\\s+(?<after>\\p{Lu}.{1,38})|(?i:what (?:does|do|will)|how much (?:is|does|do))\\s+(?<asked>\\p{Lu}.{1,38}?)(?i: cost| costs)?\\?");
  private static final Pattern PRAISE =
      Pattern.compile(
          "(?i)(?:our|all|the|prices?|pricing|plans?|simple|fair|clear|flexible|transparent|honest|straightforward|easy|team|monthly|yearly|annual|custom|current)\\b.*");
  private static final Pattern EXTRAS =
      Pattern.compile(
          "(?i)(?:optional )?(?:add-?ons?|extras|options|optional extras)(?: (?:for|to) (?:all|any|every|paid) plans?)?:?");
  private static final Pattern FOR_ALL =
      Pattern.compile(
          "(?i)(?:all|every|each)(?: our| the)? (?:plans?|sizes?|packages?|editions?|tiers?|versions?)(?: (?:includes?|comes? with|ha(?:s|ve)|contains?))?:?|(?:every|each) \\p{L}{3,15} (?:gets?|has|includes|comes with):?|(?:what(?:(?:’|')s| is) |always )?(?:included )?(?:in|with) (?:all|every) (?:plans?|sizes?|packages?|editions?):?|(?:in|with) (?:all|every|each) \\p{L}{3,15}:");
  private static final Pattern QUESTIONS =
      Pattern.compile(
          "(?i)(?:frequently asked |common |your )?questions(?: (?:and|&) answers| people ask.*| we hear.*)?|faqs?|frequently asked");
  private static final Pattern CONTAINS =
      Pattern.compile(
          "(?i)(?:includes? )?(?:everything|all|all features)(?: that is)? (?:in|of|from) (?:the )?(?<plan>[^,:]+?)(?: plan)?(?:,? (?:plus|and(?: also)?|as well as))?[:.,]?|(?:everything|all)(?: that)? (?<plan2>[^,:]+?) (?:has|offers|includes|gives)(?:,? (?:plus|and(?: also)?))?[:.,]?");
  private static final Pattern FREE =
      Pattern.compile(
          "(?i)(?:free(?: forever| of charge| for ever)?|(?:forever|always) free(?: for [a-z ]{3,30})?|for ever|forever|no charge|at no cost)[.!]?");
  private static final Pattern ON_REQUEST =
      Pattern.compile(
          "(?i)(?:please )?(?:let us make (?:you )?an offer|(?:price )?(?:on|upon) (?:enquiry|inquiry|request|application)|individual(?: offer| price| pricing)?|enquire|quote only|custom(?: pricing| price| quote)?|(?:price |prices )?on request|(?:please )?write to us|contact (?:us|sales)(?: for (?:an? (?:price|quote|offer)|pricing|prices))?|talk to (?:us|sales)|ask (?:us )?for an? (?:quote|price|offer)|ask us|call us|price on application|request a quote|let(?:(?:’|')?s| us) talk|get a quote|tailored(?: pricing)?|by quote|(?:talk to|ask|call|contact|write to|speak to) (?:us|sales|our [a-z ]{3,20}) (?:about|for) (?:an? |your |the )?(?:price|quote|offer|pricing|prices))[.!]?");
  private static final Pattern GIVEN =
      Pattern.compile(
          "(?i)\\b(?:save|saves|saved|saving|savings|voucher|credits?|refund(?:ed)?|worth|cashback|donated?|insured|guaranteed?|discount|bonus)\\b|(?<!one[- ])\\boff\\b");

  /** "2.9 % + €0.30": what is kept of each payment. */
  private static final Pattern SHARE_AND_MORE =
      Pattern.compile("\\d\\s?%\\s?(?:\\+|plus|and)\\s?(?:[€$£¥]|[A-Z]{3}\\s?)?\\d");

  /** An amount that is the maker's, not one that is asked. */
  private static final Pattern OF_THE_MAKER =
      Pattern.compile(
          "(?i)\\b(?:million|billion|revenue|turnover|raised|funding|investment|investors)\\b");

  private static final Pattern LIMITED =
      Pattern.compile(
          "(?i)\\b(?:up to|over|above|below|under|more than|less than)\\s(?:US\\$|[€$£¥]|[A-Z]{3}\\s?\\d)");
  private static final Pattern TAX =
      Pattern.compile(
          "(?i)\\b(?:incl(?:uding|uded?|usive of|\\.)?|hold|with)\\s(?<n>\\d{1,2}(?:[.,]\\d)?)\\s?% (?:vat|tax|sales tax|gst)\\b");
  private static final Pattern BEFORE_TAX =
      Pattern.compile(
          "(?i)(?:all )?(?:prices )?(?:are )?(?:excl(?:uding|\\.)?|plus|before|without|exclude)(?: of)? (?:any )?(?:vat|tax(?:es)?|sales tax|gst)\\.?|(?:no )?(?:vat|tax(?:es)?) (?:not )?included\\.?|(?:all )?(?:amounts|prices)(?: are)?(?: shown| stated)? in [a-z ]{3,24}(?:,? (?:vat|tax(?:es)?) not included)?\\.?");

  private Known() {}

  static boolean isButton(String text) {
    return BUTTON.matcher(text).matches();
  }

  /** Whether it states prices of several plans in their order. */
  static boolean isOfSeveral(String text) {
    return OF_SEVERAL.matcher(text).find();
  }

  /** Whether it asks to talk: a price below a name, a button at the end of a list. */
  static boolean isTalk(String text) {
    return TALK.matcher(text).matches();
  }

  /** Whether it switches between ways of billing, and does not say which is shown. */
  static boolean isToggle(String text) {
    return TOGGLE.matcher(text).matches();
  }

  /** Whether it only leads elsewhere: a word of a menu, or several of them in a row. */
  static boolean isNavigation(String text) {
    String[] parts = MENU_SEPARATOR.split(text);
    boolean menu = parts.length >= 3 && java.util.Arrays.stream(parts).noneMatch(String::isBlank);
    boolean path =
        parts.length == 2
            && NAVIGATION.matcher(parts[0]).matches()
            && parts[1].matches("(?i)" + PRICES);
    return NAVIGATION.matcher(text.replaceAll("^[≡☰\\s]+|[\\s▾▼>»]+$", "")).matches()
        || path
        || menu && !Amount.isIn(text) && text.chars().noneMatch(Character::isDigit);
  }

  /** A word of menus that a plan's list may hold as well, as something the plan has. */
  static boolean isFeatureToo(String text) {
    return FEATURE_TOO.matcher(text).matches();
  }

  /** Whether it is about the maker, the page itself, or what customers say. */
  static boolean isFooter(String text) {
    return !Amount.isIn(text) && FOOTER.matcher(text).matches() || QUOTED.matcher(text).matches();
  }

  /** Whether it heads a page or a part of it, or leads elsewhere. */
  static boolean isHeading(String text) {
    return HEADING.matcher(text).matches() || isNavigation(text);
  }

  static boolean isQuoted(String text) {
    return QUOTED.matcher(text).matches();
  }

  /** Whether it says nothing a sheet holds. */
  static boolean isPassed(String text) {
    return isButton(text)
        || isNavigation(text)
        || isFooter(text)
        || isToggle(text)
        || SAVING.matcher(text).matches()
        || HEADING.matcher(text).matches()
        || text.endsWith("→")
        || BEFORE_TAX.matcher(text).matches();
  }

  /** What a page is about by its title, "Ovenroster pricing"; empty if a line is no such title. */
  static Optional<String> titleOf(String text) {
    Matcher title = TITLE.matcher(text);
    if (HEADING.matcher(text).matches() || !title.matches()) {
      return Optional.empty();
    }
    String name = Objects.requireNonNull(Numbers.either(title, "before", "after", "asked"));
    return PRAISE.matcher(name).matches()
            || isNavigation(name.replaceFirst("[\\s»>/|·–—-]+$", ""))
            || name.split("\\s+").length > 4
        ? Optional.empty()
        : Optional.of(name.strip());
  }

  /** Whether it speaks of prices or plans in general: no tool is called so. */
  static boolean isPraise(String text) {
    return PRAISE.matcher(text).matches();
  }

  static boolean isExtras(String text) {
    return EXTRAS.matcher(text).matches();
  }

  static boolean isForAll(String text) {
    return FOR_ALL.matcher(text).matches();
  }

  static boolean isQuestions(String text) {
    return QUESTIONS.matcher(text).matches();
  }

  /** The plan whose everything is contained; empty if nothing like that is said. */
  static Optional<String> contains(String text) {
    Matcher contains = CONTAINS.matcher(text);
    if (!contains.matches()) {
      return Optional.empty();
    }
    String plan = contains.group("plan") == null ? contains.group("plan2") : contains.group("plan");
    return Optional.of(plan.strip());
  }

  static boolean isFree(String text) {
    return FREE.matcher(text).matches();
  }

  static boolean isOnRequest(String text) {
    return ON_REQUEST.matcher(text).matches();
  }

  /**
   * Whether an amount is none that is asked for the plan: what is saved or given, what something is
   * limited to, or something in a list without a word of how it is paid.
   */
  static boolean isNoPrice(Line line) {
    String text = line.text();
    boolean listed = line.mark() != Line.Prefix.NONE;
    Wording wording = Wording.in(text);
    return GIVEN.matcher(text).find()
        || OF_THE_MAKER.matcher(text).find()
        || SHARE_AND_MORE.matcher(text).find()
        || LIMITED.matcher(text).find()
        || listed
            && wording.every().isEmpty()
            && wording.term().isEmpty()
            && !wording.isOnce()
            && wording.of().isEmpty();
  }

  static Optional<String> taxPercent(String text) {
    Matcher tax = TAX.matcher(text);
    return tax.find() ? Optional.of(tax.group("n")) : Optional.empty();
  }

  /** Whether a line is a sentence that praises or describes: it says nothing that is counted. */
  static boolean isSlogan(String text) {
    boolean sentence =
        text.endsWith(".")
            || text.endsWith("!")
            || text.startsWith("For ")
            || text.matches("(?:Best|Ideal|Perfect|Great|Made|Built) for .*");
    boolean forSome = text.startsWith("For ") && text.split("\\s+").length == 2;
    return (forSome || sentence && text.split("\\s+").length >= 3)
        && text.chars().noneMatch(Character::isDigit);
  }

  /** Whether a line may be the name of a plan. */
  static boolean isNameLike(String text) {
    return !text.isEmpty()
        && text.length() <= 40
        && text.split("\\s+").length <= 5
        && Character.isLetterOrDigit(text.codePointAt(0))
        && !Character.isLowerCase(text.codePointAt(0))
        && !Amount.isIn(text)
        && !text.matches(".*[.!?:;,]$|.*:\\s.*")
        && !text.matches("(?i)(?:up to |over )?[\\d.,]+\\s.*|.*%.*|.*\\b\\d+\\s\\p{L}.*")
        && !isPassed(text)
        && !isFree(text)
        && !isOnRequest(text)
        && !text.matches("(?i)everything .*")
        && !isExtras(text)
        && !isForAll(text)
        && !isQuestions(text)
        && contains(text).isEmpty()
        && !Wording.isAll(text);
  }
}
