package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Count;
import tertulia.pagetext.PageReading.AnswerSaid;

/** Reads a table cell by cell: its label says what the cell speaks of. */
final class GridReading {
  private static final Map<String, Answer> ANSWERS =
      Map.ofEntries(
          Map.entry("✓", Answer.YES),
          Map.entry("✔", Answer.YES),
          Map.entry("☑", Answer.YES),
          Map.entry("✅", Answer.YES),
          Map.entry("●", Answer.YES),
          Map.entry("x", Answer.YES),
          Map.entry("yes", Answer.YES),
          Map.entry("included", Answer.YES),
          Map.entry("✗", Answer.NO),
          Map.entry("✘", Answer.NO),
          Map.entry("✕", Answer.NO),
          Map.entry("❌", Answer.NO),
          Map.entry("–", Answer.NO),
          Map.entry("—", Answer.NO),
          Map.entry("-", Answer.NO),
          Map.entry("no", Answer.NO),
          Map.entry("not included", Answer.NO),
          Map.entry("not possible", Answer.NO),
          Map.entry("not available", Answer.NO),
          Map.entry("n/a", Answer.NO),
          Map.entry("none", Answer.NO),
          Map.entry("limited", Answer.PARTLY),
          Map.entry("partly", Answer.PARTLY),
          Map.entry("basic", Answer.PARTLY),
          Map.entry("add-on", Answer.BY_ADD_ON),
          Map.entry("addon", Answer.BY_ADD_ON),
          Map.entry("as an add-on", Answer.BY_ADD_ON));

  private static final Pattern OF_SEATS =
      Pattern.compile(
          "(?i)(?:max(?:imum)?\\.? )?(?:number of )?(?:active |paid |full |named )?(?:users?|seats?|members?|people|team size|team)");
  private static final Pattern LEAST_SEATS =
      Pattern.compile(
          "(?i)(?:min(?:imum)?\\.?|least|fewest)(?: number)?(?: of)? (?:users?|seats?|members?|people)");
  private static final Pattern LEAST_OR_MOST =
      Pattern.compile(
          "(?i)(?:(?<least>min(?:imum)?\\.?|least|fewest)|max(?:imum)?\\.?|most)(?: number)?(?: of)? (?<unit>\\p{L}+)");
  private static final Pattern SIZE =
      Pattern.compile(
          "(?i)(?:up to |max(?:imum)?\\.? |at most |from |at least )?"
              + Numbers.NUMBER
              + "(?:\\s?(?:-|–|to)\\s?"
              + Numbers.NUMBER
              + ")?\\+?|unlimited");

  private static final Pattern MANY =
      Pattern.compile(
          "(?i)(?:(?<least>over|more than|at least) |(?<most>up to|at most) )?(?<number>"
              + Numbers.NUMBER
              + ")(?<plus>\\+)?(?:\\s(?<unit>[a-z][a-z -]{0,30}))?");

  private static final Pattern COUNTED =
      Pattern.compile("(?<unit>\\p{L}{4,20}s)(?<month>(?i:,? (?:a|per|each) month| / month))?");

  private static final Pattern UNITS_INCLUDED =
      Pattern.compile("(?i)\\p{L}+ included|included \\p{L}+");

  private static final Pattern FOR_EACH =
      Pattern.compile(
          "(?i)(?:\\s?/\\s?|\\s(?:per|for each|each)\\s)(?:users?|seats?|members?|persons?|employees?)$");

  /** "100, then €0.08 each". */
  private static final Pattern THEN =
      Pattern.compile("(?i)(?<n>" + Numbers.NUMBER + ")(?<rest>(?: included)?,? (?:and )?then .+)");

  /** "Add-on, $8 per host per month". */
  private static final Pattern ADD_ON =
      Pattern.compile("(?i)(?:as an |optional )?add-?on[,:]?\\s\\(?(?<price>[^()]+)\\)?");

  private static final Pattern PAYMENTS =
      Pattern.compile(
          "(?i)(?:fees? (?:of|on) )?(?:card |online )?(?:payments?|transactions?)(?: fees?)?");
  private static final Pattern SHARE = Pattern.compile("\\d+(?:[.,]\\d+)?\\s?%");

  private static final int MOST_DIGITS = 9;

  /** A few words without figures, so that a row of a table is called by what is counted. */
  private static final Pattern COUNTABLE = Pattern.compile("\\p{L}[\\p{L} '’-]{2,39}");

  private final Grid grid;
  private final PageReader page;
  private final List<PlanDraft> plans = new ArrayList<>();

  GridReading(Grid grid, PageReader page) {
    this.grid = grid;
    this.page = page;
  }

  /** What a cell by itself answers; empty if it is no answer. */
  static Optional<Answer> answer(String cell) {
    return Optional.ofNullable(ANSWERS.get(cell.strip().toLowerCase(Locale.ROOT)));
  }

  /** Whether a cell says how many of something there are. */
  static boolean isCount(String cell) {
    Matcher many = MANY.matcher(cell);
    return many.matches() && many.group("unit") == null;
  }

  void read() {
    for (Line head : grid.head()) {
      List<Amount> amounts = Amount.in(head.text(), page.numbers());
      String name =
          amounts.isEmpty()
              ? head.text()
              : head.text().substring(0, amounts.getFirst().start()).replaceAll("[\\s:–—-]+$", "");
      PlanDraft plan = page.open(Said.clear(name, head.passage()));
      plans.add(plan);
      if (!amounts.isEmpty()) {
        plan.take(
            new Line(head.number(), head.text().substring(name.length()).strip(), head.mark()));
      }
    }
    for (Grid.Labelled row : grid.rows()) {
      Optional<String> sign =
          row.cells().stream()
              .map(c -> Amount.sign(c.text()))
              .flatMap(Optional::stream)
              .findFirst()
              .or(page::currency);
      boolean paid = row.cells().stream().anyMatch(c -> Amount.isIn(c.text()));
      boolean limits =
          row.cells().stream().anyMatch(c -> unlimited(c).text().matches("(?i)unlimited"));
      for (int p = 0; p < Math.min(plans.size(), row.cells().size()); p++) {
        Line cell = signed(row.label().text(), unlimited(row.cells().get(p)), sign);
        boolean taken =
            cell.text().isBlank()
                || (limits || isMonthly(row.label().text()))
                    && !isMeasured(row.label().text())
                    && ofOwn(row.label(), cell, plans.get(p))
                || cell(row.label(), cell, paid, plans.get(p));
        if (!taken) {
          page.notUnderstood(
              new Line(cell.number(), row.label().text() + " " + cell.text(), cell.mark()));
        }
      }
    }
  }

  /** "5" and "Unlimited" in a row called "Projects": a limit of what there is no measure for. */
  private boolean ofOwn(Line label, Line cell, PlanDraft plan) {
    boolean any = cell.text().matches("(?i)unlimited");
    Matcher counted = COUNTED.matcher(label.text());
    if (!counted.matches() || !any && !SIZE.matcher(cell.text()).matches()) {
      return false;
    }
    plan.limit(
        new Said<>(
            new PageReading.LimitSaid(
                Units.own(counted.group("unit"), counted.group("month") == null ? "level" : "flow"),
                any
                    ? Optional.empty()
                    : Optional.of(
                        page.numbers().read(cell.text().replaceFirst("(?i)up to ", "")).value()),
                false),
            new Passage(cell.number(), label.text() + ": " + cell.text()),
            Set.of(Assumed.OWN_UNIT)));
    return true;
  }

  /** Whether a row counts something over a month. */
  private static boolean isMonthly(String label) {
    Matcher counted = COUNTED.matcher(label);
    return counted.matches() && counted.group("month") != null;
  }

  private static Line unlimited(Line cell) {
    boolean any =
        cell.text()
            .matches(
                "(?i)(?:no|without(?: a)?) (?:limits?|maximum)|limitless|∞|any number|as many as you (?:like|want)");
    return any ? new Line(cell.number(), "Unlimited", cell.mark()) : cell;
  }

  /** A bare number among amounts is one of them: "0" beside "$6". */
  private static Line signed(String label, Line cell, Optional<String> sign) {
    boolean bare =
        sign.isPresent()
            && cell.text().matches(Numbers.NUMBER)
            && !label.isBlank()
            && isOfPrice(label);
    return bare ? new Line(cell.number(), sign.get() + " " + cell.text(), cell.mark()) : cell;
  }

  /**
   * Takes what a cell says.
   *
   * @param paid whether there are amounts of money in its row
   */
  private boolean cell(Line label, Line cell, boolean paid, PlanDraft plan) {
    String said = label.text();
    String text = cell.text();
    Line both = new Line(cell.number(), said + ": " + text, Line.Prefix.NONE);
    if (Known.isButton(said) && page.trial(cell)) {
      return true;
    }
    boolean counted = Amount.isIn(text) || text.chars().anyMatch(Character::isDigit);
    if (said.matches("(?i)(?:free )?trial.*|try.*")) {
      if (page.trial(trial(said, cell))) {
        return true;
      }
      if (Known.isOnRequest(text)) {
        page.pass(both);
        return true;
      }
    }
    Matcher units = UNITS_INCLUDED.matcher(said);
    if (units.matches() && text.matches("\\d{1,6}")) {
      plan.included(Said.clear(Integer.valueOf(text), both.passage()));
      return true;
    }
    if (said.matches("(?i)bill(?:ing|ed)|paid")) {
      boolean billed = text.matches("(?i)yearly|annually|monthly|by the (?:month|year)");
      boolean nothing = answer(text).isPresent();
      return nothing
          || billed && plan.take(new Line(cell.number(), "billed " + text, Line.Prefix.NONE));
    }
    boolean isPrice = Phrases.isMore(said) && !Wording.in(said).isNothing();
    if (isPrice && answer(text).filter(a -> a == Answer.NO).isPresent()) {
      page.pass(both);
      return true;
    }
    if (said.isBlank() && Wording.isAll(text) && !Wording.in(text).isOfAccountOnly()) {
      return plan.take(cell);
    }
    if (said.isBlank() && !counted && !Known.isFree(text) && !Known.isOnRequest(text)) {
      page.pass(cell);
      return true;
    }
    if (Known.isButton(text) && !Known.isOnRequest(text)) {
      page.pass(both);
      return true;
    }
    Matcher then = THEN.matcher(text);
    if (then.matches() && isMeasured(of(said))) {
      String phrase =
          then.group("n") + " " + of(said).toLowerCase(Locale.ROOT) + then.group("rest");
      return plan.take(new Line(cell.number(), phrase, Line.Prefix.NONE));
    }
    Matcher addOn = ADD_ON.matcher(text);
    if (addOn.matches() && Amount.isIn(addOn.group("price"))) {
      if (plans.stream().noneMatch(other -> other.isAddOn(said))) {
        page.addOn(
            Said.clear(said, both.passage()),
            List.of(new Line(cell.number(), addOn.group("price"), Line.Prefix.NONE)));
      }
      return answered(said, Answer.BY_ADD_ON, both, plan);
    }
    if (PAYMENTS.matcher(said).matches() && SHARE.matcher(text).matches()) {
      return plan.take(new Line(cell.number(), text + " of each payment", Line.Prefix.NONE));
    }
    if (Amount.isIn(text)) {
      return priced(said, text, cell, plan);
    }
    Optional<String> currency = currency(said);
    if (currency.isPresent() && text.matches(Numbers.NUMBER)) {
      return priced(said, currency.get() + " " + text, cell, plan);
    }
    if (Known.isOnRequest(text) && !paid && !isOfPrice(said) && !Known.isButton(said)) {
      // something the plan may have, and whether it has is to be asked
      return answered(said, Answer.UNKNOWN, both, plan);
    }
    if (Known.isFree(text) || Known.isOnRequest(text) && !Known.isButton(said)) {
      return plan.isPriced() || plan.take(cell);
    }
    Optional<Answer> answer = answer(text);
    if (LEAST_OR_MOST.matcher(said).matches() && answer.filter(a -> a == Answer.NO).isPresent()) {
      page.pass(both);
      return true;
    }
    // none of what is counted is no limit of it
    if (answer.isPresent()
        && (!isMeasured(said) || answer.get() == Answer.NO && isCountable(said))) {
      return answered(said, answer.get(), both, plan);
    }
    return sized(said, text, cell, plan)
        || limited(said, text, cell, plan)
        || counted(said, text, cell, plan);
  }

  private static boolean answered(String label, Answer answer, Line both, PlanDraft plan) {
    plan.answer(new Said<>(new AnswerSaid(label, answer), both.passage(), Set.of()));
    return true;
  }

  /** Whether what stands in a row is what is paid. */
  private static boolean isOfPrice(String label) {
    return label.isBlank()
        || !Wording.in(label).isNothing()
        || label.matches("(?i).*\\b(?:price|pricing|cost|fee)s?\\b.*");
  }

  /** A label without over what time it counts. */
  private static String of(String label) {
    return label.replaceFirst("(?i),? (?:(?:a|per|each) month|/ month|monthly)$", "");
  }

  private static boolean isCountable(String label) {
    return COUNTABLE.matcher(label).matches() && !OF_SEATS.matcher(label).matches();
  }

  /** The sign that a label has for all of its row: "EUR per user, monthly", "Price (€)". */
  private static Optional<String> currency(String label) {
    return label.isBlank() || !isOfPrice(label) ? Optional.empty() : Amount.sign(label);
  }

  private static Line trial(String label, Line cell) {
    return new Line(cell.number(), label + ": trial " + cell.text(), Line.Prefix.NONE);
  }

  /** "40+" in a row called "Languages": how many there are of what nobody limits. */
  private boolean counted(String label, String text, Line cell, PlanDraft plan) {
    if (text.matches("(?i)unlimited")
        && COUNTABLE.matcher(label).matches()
        && !label.matches("(?i).*(?:\\bper\\b|\\bincluded$).*")) {
      plan.answer(
          new Said<>(
              new AnswerSaid(label, Answer.YES),
              new Passage(cell.number(), label + ": " + text),
              Set.of(Assumed.HOW_MANY)));
      return true;
    }
    Matcher many = MANY.matcher(text);
    if (!many.matches() || !COUNTABLE.matcher(label).matches()) {
      return false;
    }
    Numbers.Read number = page.numbers().read(many.group("number"));
    if (number.value().precision() - number.value().scale() > MOST_DIGITS) {
      return false;
    }
    boolean least = many.group("least") != null || many.group("plus") != null;
    Count.Bound bound =
        least
            ? Count.Bound.AT_LEAST
            : many.group("most") != null ? Count.Bound.AT_MOST : Count.Bound.EXACTLY;
    String unit = many.group("unit") == null ? label.toLowerCase(Locale.ROOT) : many.group("unit");
    Count count = new Count(bound, number.value(), unit.strip());
    plan.answer(
        new Said<>(
            new AnswerSaid(label, count.any(), Optional.of(count)),
            new Passage(cell.number(), label + ": " + text),
            number.sure()
                ? Set.of(Assumed.HOW_MANY)
                : Set.of(Assumed.HOW_MANY, Assumed.WHICH_SEPARATOR)));
    return true;
  }

  /** A label such as "Price per user, billed yearly" says of the amount what the cell does not. */
  private boolean priced(String label, String text, Line cell, PlanDraft plan) {
    if (!isOfPrice(label)) {
      return plan.take(new Line(cell.number(), label + " " + text, Line.Prefix.NONE));
    }
    String words = label.replaceAll("(?i)^(?:price|pricing|cost)s?\\b[:, ]*", "");
    return plan.take(
        new Line(cell.number(), text + (words.isBlank() ? "" : ", " + words), Line.Prefix.NONE));
  }

  private boolean isMeasured(String label) {
    return OF_SEATS.matcher(label).matches()
        || page.phrases().limit("1 " + label).isPresent()
        || ownSize("1", label).isPresent();
  }

  private boolean sized(String label, String text, Line cell, PlanDraft plan) {
    if (LEAST_SEATS.matcher(label).matches() && text.matches("\\d[\\d.,]*")) {
      return plan.take(new Line(cell.number(), "at least " + text + " users", Line.Prefix.NONE));
    }
    if (!OF_SEATS.matcher(label).matches()) {
      return sizedInOwn(label, text, cell, plan);
    }
    List<String> parts = List.of(text.split(",\\s+"));
    if (parts.size() > 1 && parts.stream().allMatch(part -> SIZE.matcher(part).matches())) {
      // "unlimited, at least 20"
      return parts.stream()
          .map(part -> plan.take(new Line(cell.number(), part + " users", Line.Prefix.NONE)))
          .reduce(true, Boolean::logicalAnd);
    }
    boolean counted = SIZE.matcher(text).matches();
    return plan.take(new Line(cell.number(), counted ? text + " users" : text, Line.Prefix.NONE));
  }

  /** "Up to 6" in a row called "Courts", where a price is for each court. */
  private boolean sizedInOwn(String label, String text, Line cell, PlanDraft plan) {
    Optional<Sizes.Size> size = ownSize(text, label);
    Line both = new Line(cell.number(), label + ": " + text, Line.Prefix.NONE);
    size.ifPresent(found -> plan.size(found, both));
    return size.isPresent();
  }

  private Optional<Sizes.Size> ownSize(String text, String label) {
    Matcher bound = LEAST_OR_MOST.matcher(label);
    boolean bounded = bound.matches() && text.matches("\\d[\\d.,]*");
    String size =
        bounded
            ? (bound.group("least") == null ? "at most " : "at least ")
                + text
                + " "
                + bound.group("unit")
            : text + " " + label.toLowerCase(Locale.ROOT);
    return page.phrases().size(size).filter(found -> found.own().isPresent());
  }

  private boolean limited(String label, String text, Line cell, PlanDraft plan) {
    Phrases phrases = page.phrases();
    Matcher each = FOR_EACH.matcher(label);
    String seat = each.find() ? each.group() : "";
    String of = label.substring(0, label.length() - seat.length());
    return phrases
        .limit(text + seat)
        .filter(limit -> !seat.isEmpty())
        .or(() -> phrases.limit(text + " " + of + seat))
        .or(() -> phrases.limit(text + " " + label))
        .or(() -> phrases.limit(text))
        .or(() -> phrases.limit(text + " of " + label))
        .or(() -> phrases.limit(label + " " + text))
        .or(() -> phrases.limit(label + " with " + text))
        .map(limit -> {
          plan.limit(Said.clear(limit, new Passage(cell.number(), label + ": " + text)));
          return true;
        })
        .orElse(false);
  }
}
