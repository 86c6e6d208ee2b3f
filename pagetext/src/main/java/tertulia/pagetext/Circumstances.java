package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.pagetext.PageReading.CircumstanceSaid;
import tertulia.pagetext.PageReading.CircumstanceSaid.Kind;

/** Reads under which circumstances a tool can be had: where, on what, in which languages. */
final class Circumstances {
  private static final Pattern DATA =
      Pattern.compile(
          "(?i)(?:all |your )?(?:data|servers|hosting)(?: (?:is|are|stays?|lives?))?(?: always| only)?(?: (?:kept|stored|hosted|held|located))?:? (?:in|in data cent(?:re|er)s in) (?<list>.+)|(?:hosted|stored|kept) (?:only )?in (?<list2>.+)");
  private static final Pattern PLATFORMS =
      Pattern.compile(
          "(?i)(?:(?:it )?(?:runs|works) (?:on|in)|(?:mobile |native |desktop )?apps? (?:for|on)|available (?:on|for)|platforms?:) (?<list>.+)");
  private static final Pattern LANGUAGES =
      Pattern.compile(
          "(?i)(?:(?:it )?speaks|languages?:|(?:available|offered|interface)(?: is)?(?: available)? in) (?<list>.+)");
  private static final Pattern COUNTRIES =
      Pattern.compile(
          "(?i)(?:(?:available|sold|offered) (?:only )?in|countries:|for customers in) (?<list>.+)");

  private static final Set<String> KNOWN_PLATFORMS =
      Set.of(
          "web",
          "the web",
          "browser",
          "browsers",
          "any browser",
          "the browser",
          "windows",
          "mac",
          "macos",
          "ios",
          "iphone",
          "ipad",
          "android",
          "linux",
          "tablets",
          "phones",
          "desktop",
          "chromeos");
  private static final Set<String> KNOWN_LANGUAGES =
      Set.of(
          "english",
          "german",
          "dutch",
          "french",
          "spanish",
          "portuguese",
          "italian",
          "danish",
          "swedish",
          "norwegian",
          "finnish",
          "polish",
          "czech",
          "hungarian",
          "romanian",
          "greek",
          "turkish",
          "japanese",
          "chinese",
          "korean",
          "arabic",
          "catalan",
          "basque",
          "galician",
          "frisian",
          "icelandic",
          "estonian",
          "latvian",
          "lithuanian",
          "ukrainian",
          "hebrew",
          "croatian",
          "slovene",
          "slovak",
          "bulgarian",
          "irish",
          "welsh");
  private static final int MOST_WORDS = 4;

  private Circumstances() {}

  /** What a line says of them, sentence by sentence; empty if a sentence says something else. */
  static List<Said<CircumstanceSaid>> in(Line line) {
    if (Known.contains(line.text()).isPresent()) {
      return List.of();
    }
    List<Said<CircumstanceSaid>> said = new ArrayList<>();
    for (String sentence : line.text().split("(?<=\\p{L})\\.\\s+|\\.$")) {
      Optional<CircumstanceSaid> one = of(sentence.strip());
      if (one.isEmpty()) {
        return List.of();
      }
      said.add(new Said<>(one.get(), line.passage(), Set.of()));
    }
    return said;
  }

  private static Optional<CircumstanceSaid> of(String sentence) {
    Matcher data = DATA.matcher(sentence);
    if (data.matches()) {
      String list = data.group("list") == null ? data.group("list2") : data.group("list");
      return said(Kind.DATA_PLACES, list).filter(places -> isOfNames(places.value()));
    }
    Matcher platforms = PLATFORMS.matcher(sentence);
    if (platforms.matches() && isOf(platforms.group("list"), KNOWN_PLATFORMS)) {
      return said(Kind.PLATFORMS, platforms.group("list"));
    }
    Matcher languages = LANGUAGES.matcher(sentence);
    if (languages.matches() && isOf(languages.group("list"), KNOWN_LANGUAGES)) {
      return said(Kind.LANGUAGES, languages.group("list"));
    }
    Matcher countries = COUNTRIES.matcher(sentence);
    return countries.matches()
        ? said(Kind.COUNTRIES, countries.group("list")).filter(found -> isOfNames(found.value()))
        : Optional.empty();
  }

  private static Optional<CircumstanceSaid> said(Kind kind, String list) {
    List<String> parts = parts(list);
    return parts.stream().allMatch(part -> part.split("\\s+").length <= MOST_WORDS)
        ? Optional.of(new CircumstanceSaid(kind, String.join(", ", parts)))
        : Optional.empty();
  }

  /** Whether every part is a name, as countries are, and not "your own centre" or "minutes". */
  private static boolean isOfNames(String list) {
    return parts(list).stream()
        .allMatch(part ->
            part.codePoints().anyMatch(Character::isUpperCase)
                && part.codePoints().noneMatch(Character::isDigit));
  }

  /** Whether more than half of a list is known. */
  private static boolean isOf(String list, Set<String> known) {
    List<String> parts = parts(list);
    return parts.stream().filter(part -> known.contains(part.toLowerCase(Locale.ROOT))).count() * 2
        > parts.size();
  }

  private static List<String> parts(String list) {
    return List.of(list.split("\\s*(?:,|;|&|\\+|\\band\\b|\\bor\\b)\\s*")).stream()
        .map(part -> part.strip().replaceFirst("^(?:the|in|on)\\s+", ""))
        .filter(part -> !part.isEmpty())
        .toList();
  }
}
