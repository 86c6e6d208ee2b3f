package tertulia.app.display;

import java.text.ListFormat;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the product says, in whole sentences from the message files, one file a subject. A sentence
 * is called by what was found and the case it is in; its places have names, such as {tool}.
 */
public final class Voice {
  /** The subjects, each a file of its own. */
  static final List<String> SUBJECTS =
      List.of(
          "answer",
          "missing",
          "fit",
          "cost",
          "score",
          "change",
          "advice",
          "panel",
          "view",
          "trial",
          "growth",
          "unsaid",
          "reading",
          "condition",
          "next",
          "weighting",
          "versus",
          "plans",
          "size",
          "card",
          "confirm",
          "act",
          "record",
          "verdict",
          "date",
          "holds",
          "again",
          "signing",
          "use");

  private static final Locale LOCALE = Locale.UK;
  private static final Pattern PLACE = Pattern.compile("\\{(?<name>[a-z][A-Za-z]*)}");
  private static final Map<String, String> SENTENCES = sentences();

  private Voice() {}

  private static Map<String, String> sentences() {
    Map<String, String> sentences = new HashMap<>();
    SUBJECTS.forEach(subject -> sentences.putAll(of(subject)));
    return Map.copyOf(sentences);
  }

  /** A sentence without places. */
  public static String say(String key) {
    return say(key, Map.of());
  }

  /** A sentence with one place. */
  public static String say(String key, String name, Object value) {
    return say(key, Map.of(name, value));
  }

  /**
   * A sentence.
   *
   * @param places what stands in each of its places, by name
   * @throws IllegalArgumentException if no file has such a sentence, or the places are not its own
   */
  public static String say(String key, Map<String, ?> places) {
    String sentence = SENTENCES.get(key);
    if (sentence == null) {
      throw new IllegalArgumentException("There is no sentence “" + key + "”.");
    }
    if (!places(sentence).equals(new TreeSet<>(places.keySet()))) {
      throw new IllegalArgumentException(
          "“" + key + "” has the places " + places(sentence) + "; given are " + places.keySet());
    }
    return PLACE
        .matcher(sentence)
        .replaceAll(place -> Matcher.quoteReplacement("" + places.get(place.group("name"))));
  }

  /** The places of a sentence, by name. */
  static TreeSet<String> places(String sentence) {
    TreeSet<String> places = new TreeSet<>();
    PLACE.matcher(sentence).results().forEach(place -> places.add(place.group("name")));
    return places;
  }

  /** "A", "A and B" or "A, B and C"; empty for none. */
  public static String list(List<String> things) {
    return things.isEmpty()
        ? ""
        : ListFormat.getInstance(LOCALE, ListFormat.Type.STANDARD, ListFormat.Style.FULL)
            .format(things);
  }

  /** "A", "A or B" or "A, B or C"; empty for none. */
  public static String choice(List<String> things) {
    return things.isEmpty()
        ? ""
        : ListFormat.getInstance(LOCALE, ListFormat.Type.OR, ListFormat.Style.FULL).format(things);
  }

  /** Sentences one after the other; those that are empty are left out. */
  public static String all(String... sentences) {
    return String.join(" ", List.of(sentences).stream().filter(s -> !s.isEmpty()).toList());
  }

  /** All sentences of a subject by key, as its file has them. */
  static Map<String, String> of(String subject) {
    java.util.ResourceBundle file =
        java.util.ResourceBundle.getBundle("messages/" + subject, LOCALE);
    Map<String, String> sentences = new TreeMap<>();
    file.keySet().forEach(key -> sentences.put(key, file.getString(key)));
    return sentences;
  }
}
