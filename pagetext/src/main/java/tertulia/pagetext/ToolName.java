package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Finds what a page calls the tool: in its title, or by what stands first on it, as a logo does.
 *
 * @param name empty if nothing like one is there
 * @param below the lines below it; all of them if there is none
 */
record ToolName(Optional<Said<String>> name, List<Line> below) {
  private static final Pattern SET_APART = Pattern.compile("\\s+[–—|·•-]\\s+|\\s*[:|]\\s+");

  /** What stands behind a name in the head of a page and is no part of it. */
  private static final Pattern TAIL =
      Pattern.compile(
          "(?i)(?:[’']s)?\\s+(?:price list|prices?|pricing|prijzen|preise|priser|precios|preços|prix|prezzi|hinnat|tarieven|tarife|tarifs|plans?|home ?page|home|website|online|official site)\\b.*$|\\s+(?:19|20)\\d\\d$");

  /** What a title says of the page: it is about prices, and no plan is called so. */
  private static final Pattern OF_PRICES =
      Pattern.compile(
          "(?i).*(?:\\s|[:–—|·•-])\\s*(?:our )?(?:price list|prices|pricing|plans (?:and|&) (?:prices|pricing))");

  private static final Pattern PROPER =
      Pattern.compile(
          "(?<name>\\p{Lu}[\\p{L}\\p{N}.&’'-]*(?:\\s(?:&\\s)?\\p{Lu}[\\p{L}\\p{N}.&’'-]*)*)(?:\\s\\p{Ll}.{0,40})?");

  /** A logo in small letters, with or without a full stop. */
  private static final Pattern SMALL = Pattern.compile("(?<name>\\p{Ll}[\\p{L}\\p{N}]{2,20})\\.?");

  private static final Pattern PLAN_WITH_PRICE =
      Pattern.compile("\\p{Lu}[\\p{L}\\p{N} &'’+-]{1,30}\\s*[:–—-]\\s.*");

  /** What stands before a price and is no plan: how it is billed, or for whom. */
  private static final Pattern OF_A_PRICE =
      Pattern.compile(
          "(?i)(?:month|year|annual|bill|paid|price|cost|from|per |each|seat|user|further|extra|add|set)");

  private static final int LOOKED_AT = 3;
  private static final int MOST_WORDS = 3;

  /** "Tool⇥Torvlid": a row of a sheet that says of what the rest is. */
  private static final Pattern ABOUT =
      Pattern.compile(
          "(?i)\\s*(?:(?<tool>tool|product|service|software|name)|vendor|supplier|maker|checked(?: on)?|date|as of|seen(?: on)?|source|link|url|web ?site)\\s*:?\\s*\\t\\s*(?<what>[^\\t]+?)\\s*");

  /** Whether a row says what a sheet is about, or when it was written. */
  static boolean isAboutTool(Line line) {
    return line.isRow() && ABOUT.matcher(line.text()).matches();
  }

  static ToolName of(List<Line> lines, Numbers numbers) {
    for (Line line : lines) {
      Matcher about = ABOUT.matcher(line.text());
      if (about.matches() && about.group("tool") != null) {
        return new ToolName(
            Optional.of(Said.clear(about.group("what"), line.passage())),
            lines.stream().filter(other -> !other.equals(line)).toList());
      }
      if (!line.isBlank() && !about.matches()) {
        break;
      }
    }
    List<Line> written = lines.stream().filter(line -> !line.isBlank()).toList();
    for (int i = 0; i < Math.min(LOOKED_AT, written.size() - 1); i++) {
      Line line = written.get(i);
      Optional<String> name = name(line);
      if (name.isPresent() && isAboveAll(written.subList(i, written.size()), name.get(), numbers)) {
        return new ToolName(
            Optional.of(new Said<>(name.get(), line.passage(), Set.of(Assumed.TITLE))),
            lines.subList(lines.indexOf(line) + 1, lines.size()));
      }
      if (!Known.isNavigation(line.text()) && !line.text().matches("(?i)pric(?:es|ing)")) {
        break;
      }
    }
    return new ToolName(Optional.empty(), lines);
  }

  /** The first word of a menu that is none of its words: the logo. */
  private static Optional<String> logo(Line line) {
    String[] parts = line.text().split("\\s*[|·•]\\s*|\\s{2,}");
    return parts.length >= 3
            && Known.isNavigation(line.text())
            && !Known.isNavigation(parts[0])
            && !Known.isPassed(parts[0])
            && PROPER.matcher(parts[0]).matches()
        ? Optional.of(parts[0])
        : Optional.empty();
  }

  private static Optional<String> name(Line line) {
    Optional<String> logo = logo(line);
    if (logo.isPresent()) {
      return logo;
    }
    if (line.isRow() || line.mark() != Line.Prefix.NONE || Amount.isIn(line.text())) {
      return Optional.empty();
    }
    // alone, or set apart from what it is: "torvholm · Rota for clubs"
    Matcher small = SMALL.matcher(SET_APART.split(line.text())[0]);
    if (small.matches() && !Known.isPassed(small.group("name")) && !Known.isFree(line.text())) {
      return Optional.of(small.group("name"));
    }
    Optional<String> title = Known.titleOf(line.text());
    if (title.isPresent()) {
      return title.map(ToolName::withoutTail);
    }
    String first = SET_APART.split(line.text())[0];
    String bare = TAIL.matcher(first).replaceFirst("").strip();
    Matcher proper = PROPER.matcher(bare);
    return proper.matches()
            && !Known.isPassed(line.text())
            && !Known.isPassed(bare)
            && !Known.isPraise(line.text())
            && proper.group("name").split("\\s+(?:&\\s+)?").length <= MOST_WORDS
        ? Optional.of(proper.group("name"))
        : Optional.empty();
  }

  private static String withoutTail(String title) {
    return TAIL.matcher(title).replaceFirst("").replaceFirst("[\\s/|–—-]+$", "");
  }

  /**
   * Whether the first line is none of a plan's: a plan's name stands right above its price, a
   * tool's above other names, or above a table.
   */
  private static boolean isAboveAll(List<Line> written, String name, Numbers numbers) {
    Line first = written.getFirst();
    Line second = written.get(1);
    if (Known.titleOf(first.text()).isPresent()) {
      return !Amount.isIn(second.text()) || isNamed(second, numbers);
    }
    if (OF_PRICES.matcher(first.text()).matches()
        && (!isPriced(second, numbers) || isNamed(second, numbers))) {
      return true;
    }
    if (name.equals(first.text())
        && isPlanWithPrice(second, numbers)
        && written.stream().skip(2).anyMatch(line -> isPlanWithPrice(line, numbers))) {
      return true;
    }
    List<Line> between = new ArrayList<>();
    for (Line line : written.subList(1, written.size())) {
      if (line.isRow() || line.text().startsWith("|")) {
        return true;
      }
      if (isPriced(line, numbers)) {
        break;
      }
      between.add(line);
    }
    // a name that differs from what the line says stands in it with more, as no plan's does
    boolean more = !name.equals(first.text()) && !between.isEmpty();
    return more
        || between.stream()
                .anyMatch(line -> Known.isNameLike(line.text()) && !Known.isSlogan(line.text()))
            && (between.size() > 1 || isSetApart(written, between))
        || between.stream().anyMatch(line -> Known.isHeading(line.text()));
  }

  /** Whether the first line is a heading far above a name of a word or two. */
  private static boolean isSetApart(List<Line> written, List<Line> between) {
    Line first = written.getFirst();
    Line below = between.getFirst();
    return below.number() > first.number() + 1
        && below.text().split("\\s+").length <= 2
        && first.text().split("\\s+").length <= 2;
  }

  /** "Basic: €4 per user": what stands above several of these is none of them. */
  private static boolean isPlanWithPrice(Line line, Numbers numbers) {
    return PLAN_WITH_PRICE.matcher(line.text()).matches()
        && !OF_A_PRICE.matcher(line.text()).lookingAt()
        && isNamed(line, numbers);
  }

  /** Whether a price has a plan's name before it, in its own line. */
  private static boolean isNamed(Line line, Numbers numbers) {
    List<Amount> amounts = Amount.in(line.text(), numbers);
    String before = amounts.isEmpty() ? "" : line.text().substring(0, amounts.getFirst().start());
    return Known.isNameLike(before.replaceFirst("\\s*[:–—|-]\\s*$", ""));
  }

  /** Whether a line is a price, or begins with one behind a name. */
  private static boolean isPriced(Line line, Numbers numbers) {
    String text = line.text();
    return !Amount.in(text, numbers).isEmpty() || Known.isFree(text) || Known.isOnRequest(text);
  }
}
