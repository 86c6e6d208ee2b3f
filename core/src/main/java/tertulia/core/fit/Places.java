package tertulia.core.fit;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Countries of ISO 3166 and named groups of them, as price pages and buyers name them. What cannot
 * be matched is not known, never no.
 */
public final class Places {
  private static final List<String> UNION =
      List.of(
          "AT", "BE", "BG", "CY", "CZ", "DE", "DK", "EE", "ES", "FI", "FR", "GR", "HR", "HU", "IE",
          "IT", "LT", "LU", "LV", "MT", "NL", "PL", "PT", "RO", "SE", "SI", "SK");

  /** Members by the group's name, in reading order. */
  private static final Map<String, Set<String>> GROUPS = groups();

  private static final Map<String, Set<String>> BY_NAME = byName();

  private Places() {}

  private static Map<String, Set<String>> groups() {
    Map<String, Set<String>> groups = new LinkedHashMap<>();
    groups.put("EU", new HashSet<>(UNION));
    groups.put("EEA", plus(UNION, "IS", "LI", "NO"));
    groups.put("EFTA", Set.of("CH", "IS", "LI", "NO"));
    groups.put("Benelux", Set.of("BE", "NL", "LU"));
    groups.put("Nordic countries", Set.of("DK", "FI", "IS", "NO", "SE"));
    groups.put("Baltic states", Set.of("EE", "LV", "LT"));
    groups.put("North America", Set.of("CA", "MX", "US"));
    groups.put("Worldwide", Set.of(Locale.getISOCountries()));
    return groups;
  }

  private static Set<String> plus(Collection<String> some, String... more) {
    Set<String> all = new HashSet<>(some);
    all.addAll(List.of(more));
    return all;
  }

  private static Map<String, Set<String>> byName() {
    Map<String, Set<String>> names = new HashMap<>();
    for (String code : Locale.getISOCountries()) {
      Locale country = Locale.of("", code);
      Set<String> one = Set.of(code);
      names.put(key(country.getDisplayCountry(Locale.ENGLISH)), one);
      names.put(key(code), one);
      names.put(key(country.getISO3Country()), one);
    }
    GROUPS.forEach((name, members) -> names.put(key(name), members));
    names.put(key("European Union"), new HashSet<>(UNION));
    names.put(key("the union"), new HashSet<>(UNION));
    names.put(key("European Economic Area"), plus(UNION, "IS", "LI", "NO"));
    names.put(key("Nordics"), Set.of("DK", "FI", "IS", "NO", "SE"));
    names.put(key("UK"), Set.of("GB"));
    names.put(key("Great Britain"), Set.of("GB"));
    names.put(key("USA"), Set.of("US"));
    names.put(key("Czech Republic"), Set.of("CZ"));
    names.put(key("Holland"), Set.of("NL"));
    names.put(key("everywhere"), Set.of(Locale.getISOCountries()));
    return names;
  }

  private static String key(String name) {
    return name.strip()
        .toLowerCase(Locale.ROOT)
        .replaceAll("[\\s.]+", " ")
        .replaceFirst("^the ", "")
        .strip();
  }

  /** Every group and country by its usual name, groups first, to choose from. */
  public static List<String> names() {
    Set<String> countries = new TreeSet<>();
    for (String code : Locale.getISOCountries()) {
      countries.add(Locale.of("", code).getDisplayCountry(Locale.ENGLISH));
    }
    Set<String> all = new LinkedHashSet<>(GROUPS.keySet());
    all.addAll(countries);
    return List.copyOf(all);
  }

  /** The countries a name stands for; empty if it is not known. */
  static Optional<Set<String>> countries(String name) {
    return Optional.ofNullable(BY_NAME.get(key(name)));
  }

  /**
   * Whether a tool is sold in a place. A group that is listed answers for each of its countries; of
   * a group that is asked for, some of its countries are partly it.
   *
   * @param listed names as the page lists them
   */
  public static Answer soldIn(String asked, List<String> listed) {
    return answer(
        asked,
        listed,
        (wanted, places) -> {
          Set<String> sold = new HashSet<>();
          places.forEach(sold::addAll);
          if (sold.containsAll(wanted)) {
            return Answer.YES;
          }
          sold.retainAll(wanted);
          return sold.isEmpty() ? Answer.NO : Answer.PARTLY;
        });
  }

  /**
   * Whether data can be kept in a place. A country answers for its groups: Ireland meets the EU; a
   * group that is listed leaves a single country open.
   *
   * @param listed names as the page lists them; data may be kept in any one of them
   */
  public static Answer keepsDataIn(String asked, List<String> listed) {
    return answer(
        asked,
        listed,
        (wanted, places) -> {
          if (places.stream().anyMatch(wanted::containsAll)) {
            return Answer.YES;
          }
          boolean open =
              places.stream().anyMatch(place -> place.stream().anyMatch(wanted::contains));
          return open ? Answer.UNKNOWN : Answer.NO;
        });
  }

  private interface Rule {
    Answer of(Set<String> wanted, List<Set<String>> places);
  }

  /** What is named in the same words is met; else both have to be known places. */
  private static Answer answer(String asked, List<String> listed, Rule rule) {
    if (listed.stream().anyMatch(name -> key(name).equals(key(asked)))) {
      return Answer.YES;
    }
    Optional<Set<String>> wanted = countries(asked);
    List<Set<String>> known = listed.stream().flatMap(name -> countries(name).stream()).toList();
    Answer answer =
        wanted.isEmpty() || known.isEmpty() ? Answer.UNKNOWN : rule.of(wanted.get(), known);
    boolean allKnown = known.size() == listed.size();
    return answer == Answer.NO && !allKnown ? Answer.UNKNOWN : answer;
  }
}
