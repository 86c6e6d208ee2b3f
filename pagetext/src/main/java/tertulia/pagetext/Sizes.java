package tertulia.pagetext;

import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.growth.Measure;

/** How many people, or other units, a plan is for. */
final class Sizes {
  private static final String N = "(?<n>" + Numbers.NUMBER + ")";
  private static final String SEATS =
      "(?:active\\s|full\\s|paid\\s|named\\s)?(?:users?|seats?|team\\s?members?|members?|persons?|people|licen[cs]es?|editors?|agents?|employees?|colleagues?)";
  private static final Pattern RANGE =
      line(
          "(?:for\\s)?(?:(?:(?:one|1|an?)\\s)?teams? of\\s)?(?:from\\s)?"
              + N
              + "\\s?(?:-|–|—|to)\\s?(?<m>"
              + Numbers.NUMBER
              + ")\\s"
              + SEATS
              + "|(?:for\\s)?(?:(?:one|1|an?)\\s)?teams? of\\s"
              + N.replace("<n>", "<n2>")
              + "\\s?(?:-|–|—|to)\\s?(?<m2>"
              + Numbers.NUMBER
              + ")");
  private static final Pattern MOST =
      line(
          "(?:for\\s)?(?:(?:(?:one|1|an?)\\s)?teams? of\\s)?(?:up to|max(?:imum)?\\.?(?:\\sof)?|at most|no more than|limited to)\\s"
              + N
              + "\\s"
              + SEATS
              + "|"
              + N.replace("<n>", "<n2>")
              + "\\s"
              + SEATS
              + "\\s(?:max(?:imum)?\\.?|at most)|(?:for\\s)?(?:(?:one|1|an?)\\s)?teams? of up to\\s"
              + N.replace("<n>", "<n3>"));
  private static final Pattern LEAST =
      line(
          "(?:for\\s)?(?:(?:(?:one|1|an?)\\s)?teams? of\\s)?(?:min(?:imum)?\\.?(?:\\sof)?|at least|from|starting at|starts at)\\s"
              + N
              + "\\s"
              + SEATS
              + "|(?:for\\s)?"
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
      line("(?:unlimited|no limit (?:of|on))\\s" + SEATS + "|any number of\\s" + SEATS);
  private static final Pattern PACK =
      Pattern.compile(
          "(?i)\\b(?:packs?|blocks?|steps?|bundles?|groups?)\\sof\\s"
              + N
              + "\\b(?:\\s"
              + SEATS
              + ")?");

  private final Numbers numbers;
  private final Pattern own;

  /**
   * @param own words for what this page prices each of and there is no usual measure for
   */
  Sizes(Numbers numbers, Set<String> own) {
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
  Optional<Size> of(String text) {
    Matcher unit = own.matcher(text);
    return unit.find()
        ? sizeOfPeople(unit.replaceAll("users")).map(size -> size.of(unit(ownWord(text))))
        : sizeOfPeople(text);
  }

  private static Measure unit(String word) {
    return Units.of(word).orElseGet(() -> Units.own(word, "level"));
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
              numbers.count(Numbers.either(range, "n", "n2")),
              numbers.count(Numbers.either(range, "m", "m2")),
              Optional.empty(),
              false));
    }
    Matcher included = INCLUDED.matcher(text);
    if (included.matches()) {
      return Optional.of(
          new Size(
              Optional.empty(),
              Optional.empty(),
              numbers.count(Numbers.either(included, "n", "n2", "n3")),
              false));
    }
    Matcher most = MOST.matcher(text);
    if (most.matches()) {
      return Optional.of(
          new Size(
              Optional.empty(),
              numbers.count(Numbers.either(most, "n", "n2", "n3")),
              Optional.empty(),
              false));
    }
    Matcher over = OVER.matcher(text);
    if (over.matches()) {
      return Optional.of(
          new Size(
              numbers.count(over.group("n")).map(n -> n + 1),
              Optional.empty(),
              Optional.empty(),
              false));
    }
    Matcher least = LEAST.matcher(text);
    if (least.matches()) {
      return Optional.of(
          new Size(
              numbers.count(Numbers.either(least, "n", "n2", "n3")),
              Optional.empty(),
              Optional.empty(),
              false));
    }
    Matcher bare = BARE.matcher(text);
    return bare.matches()
        ? Optional.of(
            new Size(Optional.empty(), numbers.count(bare.group("n")), Optional.empty(), true))
        : Optional.empty();
  }

  Optional<Integer> pack(String text) {
    Matcher pack = PACK.matcher(text);
    return pack.find() ? numbers.count(pack.group("n")) : Optional.empty();
  }
}
