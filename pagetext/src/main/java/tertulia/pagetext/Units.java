package tertulia.pagetext;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import tertulia.core.growth.Measure;

/** The words pages use for what is counted. */
final class Units {
  private static final Map<Measure, String> WORDS = new LinkedHashMap<>();

  static {
    // the longer words first: "guest users" are no users
    WORDS.put(
        Measure.LIGHT_SEATS,
        "(?:light|guest|view[- ]only|read[- ]only)\\s(?:users?|seats?|members?)|guests?|viewers?");
    WORDS.put(
        Measure.PEOPLE_IN_A_CALL,
        "(?:participants?|people|attendees?)(?:\\s(?:in|per|a|to a)(?:\\s(?:one|a))?\\s(?:(?:video|group|voice)\\s)?(?:call|meeting)s?)|call participants?|participants?");
    WORDS.put(
        Measure.SEATS,
        "(?:active\\s|full\\s|paid\\s|named\\s)?(?:users?|seats?|team\\s?members?|members?|persons?|people|licen[cs]es?|editors?|agents?|employees?|heads?|colleagues?)");
    WORDS.put(Measure.HOSTS, "hosts?|organi[sz]ers?");
    WORDS.put(Measure.CALENDARS, "(?:linked\\s|connected\\s)?calendars?(?:\\sconnections?)?");
    WORDS.put(Measure.PHONE_LINES, "(?:phone\\s)?lines?|phone\\snumbers?");
    WORDS.put(Measure.BOARDS, "boards?");
    WORDS.put(Measure.BOOKINGS, "bookings?|appointments?");
    WORDS.put(
        Measure.AUTOMATION_RUNS,
        "(?:automation|workflow|automated)\\s(?:runs?|tasks?|actions?)|runs?");
    WORDS.put(Measure.RECORDED_HOURS, "(?:recorded|recording)\\shours?|hours?\\sof\\srecordings?");
    WORDS.put(Measure.TEXT_MESSAGES, "text\\smessages?|SMS(?:\\smessages?)?|texts?");
    WORDS.put(Measure.CARD_PAYMENTS, "card\\spayments?|payments?");
    WORDS.put(
        Measure.GIGABYTES_KEPT,
        "(?:GB|MB|gigabytes?|megabytes?)(?:\\s(?:of\\s|for\\s)?(?:file\\s)?(?:storage|space|files))?");
    WORDS.put(
        Measure.MESSAGES_KEPT,
        "messages?(?:\\s(?:kept|of\\shistory|in\\sthe\\shistory))|(?:searchable|kept)\\smessages?");
    WORDS.put(
        Measure.RECORDING_MINUTES,
        "minutes?\\s(?:per|of\\sone|a|of\\sa|each)\\s?(?:recording)|minutes?\\s(?:per|a)\\smeeting");
  }

  private Units() {}

  /** All words as one alternative of a pattern, the longer first. */
  static String any() {
    return String.join("|", WORDS.values());
  }

  /** What a word counts, whatever its case; empty if nothing that is known. */
  static Optional<Measure> of(String words) {
    String plain = words.strip();
    return WORDS.entrySet().stream()
        .filter(
            entry -> Pattern.compile("(?i)(?:" + entry.getValue() + ")").matcher(plain).matches())
        .map(Map.Entry::getKey)
        .findFirst();
  }

  /**
   * The words for a measure as an alternative of a pattern; its own words if there are no others.
   */
  static String words(Measure measure) {
    return WORDS.getOrDefault(measure, measure.one() + "|" + measure.label());
  }

  /**
   * A unit that a page uses and there is no usual measure for.
   *
   * @param word one of them, or several
   * @param nature as the definition of a measure has it: level or flow
   */
  static Measure own(String word, String nature) {
    String one = one(word.toLowerCase(Locale.ROOT));
    return Measure.of("own/" + nature + "/" + one + "/" + several(one));
  }

  private static String one(String word) {
    if (word.matches(".*[^aeiou]ies")) {
      return word.substring(0, word.length() - 3) + "y";
    }
    if (word.matches(".*(?:ss|x|ch|sh)es")) {
      return word.substring(0, word.length() - 2);
    }
    return word.matches(".*[^s]s") ? word.substring(0, word.length() - 1) : word;
  }

  private static String several(String one) {
    if (one.matches(".*[^aeiou]y")) {
      return one.substring(0, one.length() - 1) + "ies";
    }
    return one + (one.matches(".*(?:s|x|ch|sh)") ? "es" : "s");
  }

  /** Whether people are counted, so that a number of them is a size of the whole. */
  static boolean isSeat(Measure measure) {
    return measure.equals(Measure.SEATS);
  }
}
