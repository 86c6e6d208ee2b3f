package tertulia.pagetext;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Reads plans that stand one after the other, each with its name, its price and its list. */
final class CardReading {
  /** A button by one word that may be a plan's name elsewhere. */
  private static final Pattern ORDER =
      Pattern.compile("(?i)(?:start|choose|select|buy|order|go)(?: (?:it|now|here))?");

  private static final Pattern BUYERS =
      Pattern.compile("(?i)(?:trusted|loved|used|chosen|liked) by .*[^.]");

  private static final Pattern ORDER_OF =
      Pattern.compile(
          "(?i)(?:get|try|take|use|start(?: with)?|choose|select|buy|order|go(?: with)?|pick) (?:the )?(?<plan>.+?)(?: plan)?(?: now| for free| free)?");

  /** A sentence that says how long one is bound, or when one pays. */
  private static final Pattern OF_TERMS =
      Pattern.compile(
          "(?i)\\bmonths for the price of\\b|\\b(?:contracts?|commitment|committed|invoiced?|invoices|billed|notice|cancel|minimum term)\\b");

  private static final Pattern SENTENCE =
      Pattern.compile(
          "(?<=[\\p{Ll})])(?<!\\b(?i:min|max|incl|excl|approx|ca|no))\\.\\s+(?=[\\p{Lu}\\d])");
  private static final Pattern ADD_ON =
      Pattern.compile(
          "(?i)(?<name>[^(:]{2,40}?)[,:]?(?: as an?| is an?| –| -)? (?:paid |optional )?add-?on\\b[\\s(:,–-]*(?<price>[^()]+)\\)?");

  /** "Time tracking (+ €2 per user and month)". */
  private static final Pattern ON_TOP =
      Pattern.compile(
          "(?<name>\\p{Lu}[\\p{L} -]{2,39}?)[:,]?\\s\\(?(?:\\+|plus|for an extra)\\s?(?<price>(?:[€$£¥]|[A-Z]{3}\\s|\\d)[^()]*)\\)?");

  /** "Add Guard for $2 per user per month: audit log, alerts". */
  private static final Pattern ADD =
      Pattern.compile(
          "(?i)(?:add |(?:add-?on|extra|option): ?)(?<name>\\p{L}[\\p{L} -]{2,39}?)(?: for |,? )(?<price>(?:[€$£¥]|[a-z]{3}\\s|\\d)[^:(]+?)(?:[:(.].*)?");

  /** "Single sign-on is €1 per seat and month extra". */
  private static final Pattern EXTRA =
      Pattern.compile(
          "(?<name>\\p{Lu}[\\p{L} -]{2,39}?) (?:is|costs|comes at|for|at) (?:an? )?(?:extra |additional )?(?<price>(?:[€$£¥]|[A-Z]{3}\\s|\\d)[^:(]*?),? (?:extra|more|on top)[.]?");

  private static final Pattern IN_BRACKETS = Pattern.compile("\\s*\\((?<names>[^()]+)\\)[.]?$");

  /** "Minimum of 10 rooms on Growth". */
  private static final Pattern ON_PLANS =
      Pattern.compile(
          "\\s(?:on|with|for|in)(?: the)? (?<names>\\p{Lu}[^.,()]{0,40}?)(?: plans?)?[.]?$");

  /** What only some buyers are given, on whatever plan. */
  private static final Pattern FOR_SOME_BUYERS =
      Pattern.compile(
          "(?i)^(?:students?|schools?|universities|teachers?|non-?profits?|charities|start-?ups?|municipalities)\\b.*(?:free|half|off|%|less|discount)");

  private static final Pattern ON_EVERY =
      Pattern.compile("(?i)\\b(?:on|in|with|for) (?:every|all|each)(?: of our)? plans?\\b");

  private final List<Line> lines;
  private final PageReader page;
  private final Phrases phrases;
  private final PlanNames names;

  CardReading(List<Line> lines, PageReader page) {
    this.lines = lines;
    this.page = page;
    this.phrases = page.phrases();
    this.names = new PlanNames(lines, page);
  }

  void read() {
    @Nullable PlanDraft plan = null;
    boolean extras = false;
    boolean all = false;
    for (int i = 0; i < lines.size(); i++) {
      Line line = lines.get(i);
      @Nullable Said<String> name = names.of(i);
      String text = line.text();
      if (line.isBlank()) {
        continue;
      }
      List<PlanDraft> named = named(line);
      if (!named.isEmpty()) {
        Line bare = new Line(line.number(), withoutPlans(text), Line.Prefix.NONE);
        if (!named.stream().map(each -> each.take(bare)).reduce(true, Boolean::logicalAnd)) {
          page.notUnderstood(line);
        }
      } else if (Known.isExtras(text) || Known.isForAll(text)) {
        extras = Known.isExtras(text);
        all = Known.isForAll(text);
        page.pass(line);
      } else if (name == null && !extras && isPlan(line)) {
        plan = page.plan(text).orElseThrow();
        all = false;
      } else if (name != null && !extras) {
        plan = page.plan(name.value()).orElseGet(() -> page.open(name));
        all = false;
        if (!names.rest(i).isBlank()) {
          parts(names.rest(i), plan);
        }
        if (names.areBySize()) {
          phrases.size(text).ifPresent(size -> plan(name).size(size, line));
        }
      } else if (extras) {
        extra(line);
      } else if (isBuyer(i)) {
        page.pass(line);
      } else if (all && Known.isPassed(text)) {
        page.pass(line);
      } else if (all && !addOn(line)) {
        page.ofAllPlans(line);
      } else if (all) {
        continue;
      } else {
        sentences(plan, line);
      }
    }
  }

  /** "Live chat as an add-on (£6 per agent a month)": sold beside the plan in whose list it is. */
  private boolean addOn(Line line) {
    Matcher addOn = ADD_ON.matcher(line.text());
    if (!addOn.matches()) {
      addOn = ON_TOP.matcher(line.text());
    }
    if (!addOn.matches()) {
      addOn = ADD.matcher(line.text());
    }
    if (!addOn.matches()) {
      addOn = EXTRA.matcher(line.text());
    }
    if (!addOn.matches() || !Amount.isIn(addOn.group("price"))) {
      return false;
    }
    page.addOn(
        Said.clear(addOn.group("name").strip(), line.passage()),
        List.of(new Line(line.number(), addOn.group("price"), Line.Prefix.NONE)));
    return true;
  }

  /** "Paid monthly the prices are €7, €12 and €21": one for each plan, in their order. */
  private boolean respectively(Line line) {
    if (!Known.isOfSeveral(line.text())) {
      return false;
    }
    List<Amount> amounts = Amount.in(line.text(), page.numbers());
    List<PlanDraft> plans = page.plansListed();
    if (plans.size() < 2 || amounts.size() != plans.size()) {
      return false;
    }
    String words = line.text().substring(0, amounts.getFirst().start());
    for (int p = 0; p < plans.size(); p++) {
      String amount = line.text().substring(amounts.get(p).start(), amounts.get(p).end());
      plans.get(p).take(new Line(line.number(), amount + ", " + words, Line.Prefix.NONE));
    }
    return true;
  }

  /** The plans that a line names in brackets at its end: "Set-up: €500 (Team and Fleet)". */
  private List<PlanDraft> named(Line line) {
    Matcher brackets = IN_BRACKETS.matcher(line.text());
    if (!brackets.find()) {
      brackets = ON_PLANS.matcher(line.text());
      boolean counted = line.text().chars().anyMatch(Character::isDigit);
      if (!counted || !brackets.find() || Known.contains(line.text()).isPresent()) {
        return List.of();
      }
    }
    List<Optional<PlanDraft>> plans =
        Stream.of(brackets.group("names").split("\\s*(?:,|&|/|\\band\\b)\\s*"))
            .map(page::planShort)
            .toList();
    return plans.stream().allMatch(Optional::isPresent)
        ? plans.stream().flatMap(Optional::stream).toList()
        : List.of();
  }

  private static String withoutPlans(String text) {
    String bare = IN_BRACKETS.split(text)[0];
    return bare.equals(text) ? ON_PLANS.matcher(text).replaceFirst("") : bare;
  }

  /** Whether a line is the name of a plan that was read before: what follows is said of it. */
  private boolean isPlan(Line line) {
    return line.mark() == Line.Prefix.NONE && page.plan(line.text()).isPresent();
  }

  private PlanDraft plan(Said<String> name) {
    return page.plan(name.value()).orElseThrow();
  }

  /** A name below "Loved by writers at", behind the last price. */
  private boolean isBuyer(int at) {
    int head = at - 1;
    while (head >= 0
        && !lines.get(head).isBlank()
        && !BUYERS.matcher(lines.get(head).text()).matches()) {
      head--;
    }
    return head >= 0
        && !lines.get(head).isBlank()
        && lines.get(at).mark() == Line.Prefix.NONE
        && lines.subList(head, lines.size()).stream().noneMatch(line -> Amount.isIn(line.text()));
  }

  /** "Get Company" below the plan of that name. */
  private boolean isOrderOfPlan(Line line) {
    Matcher order = ORDER_OF.matcher(line.text());
    return order.matches() && page.plan(order.group("plan")).isPresent();
  }

  /** Whether it stands in a paragraph that begins with a sentence: none of the plan above. */
  private boolean isApart(Line line) {
    int at = lines.indexOf(line);
    int first = at;
    while (first > 0 && !lines.get(first - 1).isBlank()) {
      first--;
    }
    return at >= 0 && first > 0 && lines.get(first).text().endsWith(".");
  }

  /** What is paid once, in a paragraph of its own below plans with marked lists, is of all. */
  private boolean isOnceOfAll(Line line) {
    int at = lines.indexOf(line);
    int first = at;
    while (first > 0 && !lines.get(first - 1).isBlank()) {
      first--;
    }
    return Amount.isIn(line.text())
        && Wording.in(line.text()).isOnce()
        && at > 1
        && line.mark() == Line.Prefix.NONE
        && first > 1
        && lines.get(first).mark() == Line.Prefix.NONE
        && names.of(first) == null
        && lines.get(first - 2).mark() != Line.Prefix.NONE;
  }

  /** The page's one sentence about fees, in a paragraph of its own, is none of the plan above. */
  private boolean isFeeOfAll(Line line) {
    int at = lines.indexOf(line);
    return at > 0
        && lines.get(at - 1).isBlank()
        && line.text().endsWith(".")
        && phrases.fee(line.text()).isPresent()
        && lines.stream().filter(other -> phrases.fee(other.text()).isPresent()).count() == 1;
  }

  /** Several sentences in a line of which one states an amount are read one by one. */
  private void sentences(@Nullable PlanDraft plan, Line line) {
    String[] sentences = SENTENCE.split(line.text());
    boolean counted =
        Amount.isIn(line.text())
            || Stream.of(sentences)
                .map(Numbers::inDigits)
                .anyMatch(one -> phrases.size(one).isPresent() || phrases.limit(one).isPresent());
    if (plan == null || sentences.length < 2 || !counted) {
      of(plan, line);
      return;
    }
    for (String sentence : sentences) {
      of(plan, new Line(line.number(), sentence.replaceFirst("[.]$", ""), line.mark()));
    }
  }

  private void of(@Nullable PlanDraft plan, Line line) {
    if (isApart(line) && page.offer(line)) {
      return;
    }
    if (ON_EVERY.matcher(line.text()).find() || isFeeOfAll(line) || isOnceOfAll(line)) {
      page.ofAllPlans(line);
    } else if (addOn(line) || respectively(line)) {
      return;
    } else if (plan != null && (ORDER.matcher(line.text()).matches() || isOrderOfPlan(line))) {
      page.pass(line);
    } else if (FOR_SOME_BUYERS.matcher(line.text()).find()) {
      page.notUnderstood(line);
    } else if (line.isRow()) {
      page.notUnderstood(line);
    } else if (plan != null && Known.isOnRequest(line.text()) && plan.isPriced()) {
      page.pass(line);
    } else if (plan != null && Known.isOnRequest(line.text())) {
      plan.take(line);
    } else if (Known.isPassed(line.text()) && !(plan != null && Known.isFeatureToo(line.text()))
        || isAttribution(line)) {
      page.pass(line);
    } else if (plan == null) {
      aside(line);
    } else if (line.mark() == Line.Prefix.NONE
        && Known.isSlogan(line.text())
        && !LabelledLine.isList(line.text())
        && !Wording.isAll(line.text())
        && phrases.offer(line.text(), null).isEmpty()
        && !Amount.isIn(line.text())) {
      if (OF_TERMS.matcher(line.text()).find()) {
        page.notUnderstood(line);
      } else {
        page.pass(line);
      }
    } else {
      for (Line one : listed(line)) {
        if (!plan.take(one)) {
          page.notUnderstood(one);
        }
      }
    }
  }

  /** "Portfolio view, Custom roles, Sandbox": what a line lists, one by one. */
  private static List<Line> listed(Line line) {
    boolean plain =
        line.text().chars().noneMatch(Character::isDigit)
            && !line.text().matches(".*[:(.].*|(?i:.*\\b(?:and|or)\\b.*)|(?i:everything|all)\\b.*");
    List<String> list = plain ? Prose.list(line.text()) : List.of();
    return list.size() >= 3
        ? list.stream().map(one -> new Line(line.number(), one, Line.Prefix.BULLET)).toList()
        : List.of(line);
  }

  /** Who said what stands quoted in the line before: a name or an office, not much more. */
  private boolean isAttribution(Line line) {
    int at = lines.indexOf(line);
    return at > 0
        && Known.isQuoted(lines.get(at - 1).text())
        && (line.text().startsWith("—")
            || line.text().startsWith("–")
            || line.text().contains(", ") && line.text().split("\\s+").length <= 8)
        && line.text().chars().noneMatch(Character::isDigit);
  }

  /** A line before the first plan. */
  private void aside(Line line) {
    if (page.offer(line)) {
      return;
    }
    boolean counted =
        line.text().chars().anyMatch(Character::isDigit)
            || Amount.isIn(line.text())
            || OF_TERMS.matcher(line.text()).find() && !Wording.isAll(line.text());
    if (counted) {
      page.notUnderstood(line);
    } else {
      page.pass(line);
    }
  }

  /** What stands behind a name: prices first, then what is set apart by full stops. */
  private void parts(Line rest, PlanDraft plan) {
    Matcher free = PlanDraft.FREE_FOR.matcher(rest.text());
    if (free.matches()) {
      plan.take(new Line(rest.number(), free.group("free"), rest.mark()));
    }
    String text = free.matches() ? free.group("rest") : rest.text();
    for (String part :
        text.split(
            "(?<![\\d]|\\b(?:[Mm]in|[Mm]ax|[Ii]ncl|[Ee]xcl|p\\.[am]))\\.\\s+|(?<=\\d)\\.\\s+(?=[A-Z])|;\\s+|\\.$")) {
      if (!part.isBlank()) {
        part(new Line(rest.number(), part.strip(), rest.mark()), plan);
      }
    }
  }

  private void part(Line part, PlanDraft plan) {
    Optional<Prose.Contained> more = Prose.contained(part.text());
    if (more.isPresent() && page.plan(more.get().plan()).isPresent()) {
      plan.take(new Line(part.number(), "Everything in " + more.get().plan(), part.mark()));
    }
    String text = more.map(Prose.Contained::rest).orElse(part.text());
    List<String> list = Amount.isIn(text) ? List.of() : Prose.list(text);
    if (list.isEmpty() && more.isEmpty()) {
      of(plan, part);
    }
    for (String one : list.isEmpty() && more.isPresent() ? List.of(text) : list) {
      Line line = new Line(part.number(), one, Line.Prefix.BULLET);
      if (!plan.take(line)) {
        page.notUnderstood(line);
      }
    }
  }

  private void extra(Line line) {
    Optional<PlanNames.Split> split = names.split(line);
    if (split.isPresent()) {
      page.addOn(
          Said.clear(split.get().name(), line.passage()),
          List.of(new Line(line.number(), split.get().rest(), Line.Prefix.NONE)));
    } else if (Known.isSlogan(line.text()) || Known.isPassed(line.text())) {
      page.pass(line);
    } else {
      page.notUnderstood(line);
    }
  }
}
