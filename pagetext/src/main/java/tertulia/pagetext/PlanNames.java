package tertulia.pagetext;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Finds which lines of a page name plans: by the prices below them, or behind them. */
final class PlanNames {
  /** "Wherry: €5 …" or "Wherry – €5 …". */
  private static final Pattern SET_APART =
      Pattern.compile("^(?<name>[^:–—|]{1,40}?)(?:\\s*:\\s+|\\s+[-–—|]\\s+)(?<rest>.+)$");

  /** Before it stands the price, behind it what comes on top. */
  private static final Pattern THEN = Pattern.compile("(?i)[,;]?\\s+(?:and\\s)?then\\b");

  private static final Pattern FREE_IN_BRACKETS =
      Pattern.compile("(?<name>[^()]{1,40}?)\\s\\((?i:free|free forever|no charge)\\)");

  private static final Pattern IN_BRACKETS = Pattern.compile("\\s*\\((?<names>[^()]+)\\)[.]?$");

  private final List<Line> lines;
  private final PageReader page;
  private final Phrases phrases;
  private final List<@Nullable Said<String>> names = new ArrayList<>();
  private final List<Line> rests = new ArrayList<>();

  /** Whether plans have no names and are told apart by how many people they are for. */
  private boolean bySize;

  PlanNames(List<Line> lines, PageReader page) {
    this.lines = lines;
    this.page = page;
    this.phrases = page.phrases();
    names();
  }

  /** The plan that a line names; null if it names none. */
  @Nullable Said<String> of(int line) {
    return names.get(line);
  }

  /** What stands behind the name in its line; blank if nothing does. */
  Line rest(int line) {
    return rests.get(line);
  }

  /** Whether plans have no names and are told apart by how many people they are for. */
  boolean areBySize() {
    return bySize;
  }

  /** Whether it is said of a plan by name, whatever stands above it. */
  private boolean isOfNamed(Line line) {
    Matcher brackets = IN_BRACKETS.matcher(line.text());
    return brackets.find()
        && lines.stream().anyMatch(other -> other.text().equalsIgnoreCase(brackets.group("names")));
  }

  /**
   * A plan's name and what stands behind it.
   *
   * @param name without "the" before it and "plan" behind it
   */
  record Split(String name, String rest) {
    Split {
      String plain =
          name.replaceFirst("(?i)^(?:the|our)\\s+", "").replaceFirst("(?i)\\s+plan$", "");
      name = plain.isBlank() ? name : plain;
    }
  }

  /** A name and a price in one line; empty if it is not that. */
  Optional<Split> split(Line line) {
    String text = line.text();
    if (Known.isNoPrice(new Line(line.number(), text, Line.Prefix.NONE))) {
      return Optional.empty();
    }
    Matcher free = FREE_IN_BRACKETS.matcher(text);
    if (free.matches() && Known.isNameLike(free.group("name"))) {
      return Optional.of(new Split(free.group("name"), "free"));
    }
    Matcher colon = SET_APART.matcher(text);
    if (colon.matches()
        && Known.isNameLike(colon.group("name"))
        && isPriceFirst(colon.group("rest"))) {
      return Optional.of(new Split(colon.group("name").strip(), colon.group("rest")));
    }
    List<Amount> amounts = Amount.in(text, page.numbers());
    if (amounts.isEmpty() || amounts.getFirst().start() == 0) {
      return Optional.empty();
    }
    String before = text.substring(0, amounts.getFirst().start()).strip();
    String name = before.replaceAll("(?i)\\s+(?:from|starting at|starts at|costs?|is)$", "");
    return Known.isNameLike(name)
            && name.split("\\s+").length <= 3
            && !Phrases.isMore(text)
            && Wording.in(before + " ").term().isEmpty()
            && !Wording.in(text).isOnce()
            && name.chars().noneMatch(Character::isDigit)
        ? Optional.of(new Split(name, text.substring(name.length()).strip()))
        : Optional.empty();
  }

  private boolean isPriceFirst(String rest) {
    List<Amount> amounts = Amount.in(rest, page.numbers());
    boolean soon =
        !amounts.isEmpty()
            && amounts.getFirst().start() <= 20
            && !Phrases.isMore(rest.substring(0, amounts.getFirst().start()))
            && !rest.substring(0, amounts.getFirst().start()).contains("%")
            && !Wording.in(rest).isOnce();
    String first = rest.split("[.,;(]")[0].strip();
    return soon
        || Known.isFree(first)
        || PlanDraft.FREE_FOR.matcher(rest).matches()
        || Known.isOnRequest(first)
        || rest.startsWith("for ")
            && List.of(rest.split("(?<=\\p{L})\\.\\s*")).stream().anyMatch(Known::isOnRequest);
  }

  /** Which lines name a plan. */
  private void names() {
    for (Line line : lines) {
      names.add(null);
      rests.add(new Line(line.number(), "", line.mark()));
    }
    bySize =
        IntStream.range(1, lines.size())
                .filter(i -> isPrice(lines.get(i)) && isSizeAbove(i))
                .count()
            > 1;
    boolean extras = false;
    int last = -1;
    for (int i = 0; i < lines.size(); i++) {
      Line line = lines.get(i);
      extras = Known.isExtras(line.text()) || extras && !line.isBlank();
      if (!extras && !isFreeByName(i) && isPrice(line)) {
        int at = above(i, last);
        if (at >= 0) {
          names.set(at, name(at, i));
        }
        // a button below a plan's list is the end of that plan, and no price of another
        last = at < 0 && isButton(i) ? last : i;
      }
    }
    if (names.stream().noneMatch(Objects::nonNull)) {
      listed();
    }
    if (names.stream().noneMatch(Objects::nonNull)) {
      theOnlyOne();
    }
  }

  /** A page that has one price and no plan by name: it is called like the tool. */
  private void theOnlyOne() {
    for (int i = 0; i < lines.size(); i++) {
      Line line = lines.get(i);
      if (isPrice(line) && Amount.isIn(line.text())) {
        names.set(
            i, new Said<>(page.toolOr("Plan"), line.passage(), Set.of(Assumed.NO_PLAN_NAMED)));
        rests.set(i, line);
        return;
      }
    }
  }

  private void listed() {
    boolean extras = false;
    for (int i = 0; i < lines.size(); i++) {
      Line line = lines.get(i);
      extras |= Known.isExtras(line.text());
      int at = i;
      if (!extras && !line.isRow()) {
        split(line)
            .ifPresent(split -> {
              names.set(at, Said.clear(split.name(), line.passage()));
              rests.set(at, new Line(line.number(), split.rest(), Line.Prefix.NONE));
            });
      }
    }
  }

  /** "Custom" above "Let's talk" is what the plan is called. */
  private boolean isCustomByName(int at) {
    return at + 1 < lines.size()
        && !(at > 0 && isNameRightAbove(at - 1))
        && lines.get(at).text().matches("(?i)custom|individual")
        && Known.isOnRequest(lines.get(at + 1).text());
  }

  /** "Free" above "€0" is what the plan is called. */
  private boolean isFreeByName(int at) {
    if (isCustomByName(at)) {
      return true;
    }
    if (!Known.isFree(lines.get(at).text())) {
      return false;
    }
    int price = at + 1;
    while (price < lines.size() && price < at + 3 && isAboutSize(lines.get(price))) {
      price++;
    }
    return price < lines.size()
        && Amount.in(lines.get(price).text(), page.numbers()).stream()
            .anyMatch(amount -> amount.value().signum() == 0);
  }

  private boolean isAboutSize(Line line) {
    return !Amount.isIn(line.text())
        && (Known.isSlogan(line.text())
            || line.text().startsWith("For ")
            || phrases.size(line.text()).isPresent());
  }

  /** Whether a line by itself is a plan's price, and nothing that comes on top. */
  private boolean isPrice(Line line) {
    String text = line.text();
    if (line.isBlank() || line.isRow() || line.mark() != Line.Prefix.NONE || isOfNamed(line)) {
      return false;
    }
    if (Known.isFree(text) || PlanDraft.FREE_FOR.matcher(text).matches()) {
      return true;
    }
    if (!Amount.isIn(text)) {
      return Known.isOnRequest(text) || LabelledLine.isOnRequest(text);
    }
    return split(line).isEmpty()
        && !Known.isNoPrice(line)
        && !Known.isOfSeveral(text)
        && (Bands.isOne(text) || isFirst(text))
        && !Phrases.isMore(THEN.split(text)[0])
        && !Wording.in(text).isOnce()
        && phrases.fee(text).isEmpty()
        && !text.matches("(?i).*\\b\\d{1,2}\\s?% (?:off|less).*");
  }

  /** Whether only words of how it is priced stand before a line's first amount. */
  private boolean isFirst(String text) {
    List<Amount> amounts = Amount.in(text, page.numbers());
    String before = amounts.isEmpty() ? "" : text.substring(0, amounts.getFirst().start());
    return !Wording.hasMore(before);
  }

  /** The line above a price that names its plan; -1 if the price belongs to the plan before. */
  private int above(int price, int last) {
    if (bySize && isSizeAbove(price)) {
      return price - 1;
    }
    List<Integer> candidates = new ArrayList<>();
    boolean bounded = price == 0 || last < 0;
    for (int i = price - 1; i > last; i--) {
      Line line = lines.get(i);
      if (line.isBlank()) {
        if (!candidates.isEmpty()) {
          bounded = true;
          break;
        }
        continue;
      }
      if (line.mark() != Line.Prefix.NONE
          || Known.isPassed(line.text()) && !candidates.isEmpty()
          || Known.isOnRequest(line.text()) && !candidates.isEmpty()) {
        bounded = true;
        break;
      }
      if (isFreeByName(i)) {
        candidates.add(i);
      } else if (Known.isNameLike(line.text())
          && !Known.isSlogan(line.text())
          && phrases.size(line.text()).isEmpty()
          && phrases.limit(line.text()).isEmpty()) {
        candidates.add(i);
      }
    }
    if (isButton(price)
        && isListOfPlan(price)
        && !candidates.isEmpty()
        && candidates.getFirst() == price - 1) {
      return price - 1;
    }
    if (candidates.isEmpty() || isButton(price) && !(bounded && isAlone(candidates, price))) {
      return -1;
    }
    if (!bounded || candidates.size() > 3) {
      // lists above it may belong to the plan before
      return candidates.stream()
          .filter(i -> words(i) <= 3)
          .findFirst()
          .orElse(candidates.getFirst());
    }
    // the fewest words, and of those the nearest: what stands beside it describes or praises
    int fewest = candidates.stream().mapToInt(this::words).min().orElseThrow();
    return candidates.stream().filter(i -> words(i) == fewest).findFirst().orElseThrow();
  }

  /** Whether a price stands below a number of people, and no name above that. */
  private boolean isSizeAbove(int price) {
    return price > 0
        && lines.get(price - 1).mark() == Line.Prefix.NONE
        && phrases
            .size(lines.get(price - 1).text())
            .filter(s -> !s.equals(Sizes.Size.ANY))
            .isPresent()
        && (price == 1 || !isNameRightAbove(price - 2));
  }

  private boolean isNameRightAbove(int line) {
    return Known.isNameLike(lines.get(line).text())
        && !Known.isSlogan(lines.get(line).text())
        && lines.get(line).mark() == Line.Prefix.NONE;
  }

  /** "Contact us" is a price only right below a name. */
  private boolean isButton(int line) {
    String text = lines.get(line).text();
    return Known.isButton(text) || Known.isTalk(text) && !isFollowed(line);
  }

  private boolean isAlone(List<Integer> candidates, int price) {
    int name = candidates.getFirst();
    boolean begins =
        name == 0
            || lines.get(name - 1).isBlank()
            || Known.isPassed(lines.get(name - 1).text())
            || isButton(name - 1);
    return (begins || isListOfPlan(price))
        && candidates.size() == 1
        && (lines.subList(name + 1, price).stream().noneMatch(Line::isBlank) || isFollowed(price));
  }

  /** Whether what follows says for how many it is, or what it contains: a plan's list begins. */
  private boolean isListOfPlan(int line) {
    if (line + 1 >= lines.size()) {
      return false;
    }
    String next = lines.get(line + 1).text();
    return Known.contains(next).isPresent()
        || phrases.size(next).isPresent()
        || next.matches("(?i)(?:for )?(?:more than|over|from) \\d.*");
  }

  /** Whether a plan's list follows, as behind its price. */
  private boolean isFollowed(int line) {
    return line + 1 < lines.size()
        && !lines.get(line + 1).isBlank()
        && !Known.isButton(lines.get(line + 1).text());
  }

  private int words(int line) {
    return lines.get(line).text().split("\\s+(?:[+&/]\\s+)?").length;
  }

  private Said<String> name(int at, int price) {
    Line line = lines.get(at);
    Set<Assumed> assumed = EnumSet.noneOf(Assumed.class);
    boolean alone =
        at == 0 || lines.get(at - 1).isBlank() || Known.isPassed(lines.get(at - 1).text());
    boolean next = price == at + 1;
    if (!alone || !next && others(at, price)) {
      assumed.add(Assumed.WHICH_NAME);
    }
    return new Said<>(line.text(), line.passage(), assumed);
  }

  private boolean others(int at, int price) {
    for (int i = at + 1; i < price; i++) {
      if (!lines.get(i).isBlank() && Known.isNameLike(lines.get(i).text())) {
        return true;
      }
    }
    return false;
  }
}
