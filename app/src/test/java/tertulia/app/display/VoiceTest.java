package tertulia.app.display;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The sentences of the message files, as a whole: none is missing, none idle, all are plain. */
public class VoiceTest {
  private static final Path DOCUMENT = Path.of("../docs/words.md");
  private static final Path SOURCES = Path.of("src/main/java");

  /** A key in quotes; a file’s name may begin like one. */
  private static final Pattern KEY =
      Pattern.compile("\"((?:" + String.join("|", Voice.SUBJECTS) + ")\\.(?!csv|json)[a-z.-]+)\"");

  private static final int MOST_WORDS = 20;

  /** What stands in a place in the examples. */
  private static final Map<String, String> EXAMPLES =
      Map.ofEntries(
          Map.entry("tool", "Pierbook"),
          Map.entry("tools", "Pierbook"),
          Map.entry("months", "36 months"),
          Map.entry("parts", "24 said so, 5 likely"),
          Map.entry("count", "5"),
          Map.entry("member", "Odile"),
          Map.entry("members", "Odile"),
          Map.entry("others", "Joren"),
          Map.entry("left", "3"),
          Map.entry("of", "12"),
          Map.entry("criterion", "Ease"),
          Map.entry("passed", "5"),
          Map.entry("start", "January 2027"),
          Map.entry("day", "14 Oct 2026"),
          Map.entry("needs", "“Single sign-on”"),
          Map.entry("need", "Single sign-on"),
          Map.entry("more", "12.00 EUR"),
          Map.entry("less", "12.00 EUR"),
          Map.entry("first", "Jetty"),
          Map.entry("taken", "Harbour"),
          Map.entry("cost", "341.70 EUR"),
          Map.entry("people", "62 people"),
          Map.entry("plan", "Harbour"),
          Map.entry("plans", "Harbour"),
          Map.entry("reasons", "seats: 131 of 120"),
          Map.entry("gains", "Audit log"),
          Map.entry("beyond", "Waiting list"),
          Map.entry("what", "how it is billed"),
          Map.entry("month", "March 2028"),
          Map.entry("whole", "12,301.20 EUR"),
          Map.entry("most", "500"),
          Map.entry("now", "Slotmeer"),
          Map.entry("before", "Slotmeer"),
          Map.entry("rival", "Slotmeer"),
          Map.entry("by", "12.00 EUR"),
          Map.entry("level", "Quaymate"),
          Map.entry("stretches", "up to 25 people Slotmeer; from 26 people on Pierbook"),
          Map.entry("from", "26"),
          Map.entry("to", "60"),
          Map.entry("nth", "26th"),
          Map.entry("at", "26 and 61"),
          Map.entry("units", "30"),
          Map.entry("dimension", "card payments"),
          Map.entry("step", "10"),
          Map.entry("staff", "98"),
          Map.entry("monthly", "Pierbook"),
          Map.entry("committed", "Slotmeer"),
          Map.entry("term", "yearly, up front"),
          Map.entry("newest", "16 Nov 2026"),
          Map.entry("reason", "seats: 131 of 120"),
          Map.entry("share", "58 %"),
          Map.entry("tried", "17"),
          Map.entry("turned", "2"),
          Map.entry("ahead", "Pierbook"),
          Map.entry("other", "Slotmeer"),
          Map.entry("own", "41 %"),
          Map.entry("each", "120.00 EUR"),
          Map.entry("so", "3"),
          Map.entry("total", "0.673"),
          Map.entry("criteria", "Ease"),
          Map.entry("worst", "3"),
          Map.entry("best", "300"),
          Map.entry("scores", "Pierbook 0.700, Slotmeer 0.500"),
          Map.entry("judged", "Cheapness"),
          Map.entry("measured", "Cost"),
          Map.entry("w", "0.82"),
          Map.entry("person", "Odile"),
          Map.entry("without", "Slotmeer"),
          Map.entry("shared", "Pierbook"),
          Map.entry("was", "0.021"),
          Map.entry("steps", "Need and Cost"),
          Map.entry("tally", "3 of 4 tasks done, 1 not"),
          Map.entry("minutes", "9.5"),
          Map.entry("done", "3"),
          Map.entry("tasks", "4"),
          Map.entry("days", "12"),
          Map.entry("least", "9 %"),
          Map.entry("ends", "111 if growth is as expected, 130 if growth is high"),
          Map.entry("scenario", "as expected"),
          Map.entry("selection", "Which booking tool?"),
          Map.entry("acts", "give 2 marks, hand in your view"),
          Map.entry("things", "2 facts"),
          Map.entry("feature", "“Calendar link”"),
          Map.entry("question", "how good Pierbook is at “Ease”"),
          Map.entry("changes", "3 must-haves dropped"),
          Map.entry("sizes", "for up to 25 people"),
          Map.entry("conditions", "“Single sign-on” is not a must-have"),
          Map.entry("ranges", "Pierbook leads for up to 25 people"),
          Map.entry("axes", "growth and the terms"),
          Map.entry("losing", "“Ease”"),
          Map.entry("gaining", "“Cost”"),
          Map.entry("margin", "an edge"),
          Map.entry("words", "a brother works for the vendor"),
          Map.entry("amount", "25 people"));

  /** In sentences about several. */
  private static final Map<String, String> SEVERAL =
      Map.of(
          "tools", "Pierbook and Quaymate",
          "members", "Odile and Joren",
          "level", "Quaymate and Halvard Desk",
          "plans", "Harbour and Port",
          "monthly", "Pierbook and Quaymate",
          "committed", "Slotmeer and Halvard Desk");

  private static Map<String, String> all() {
    Map<String, String> all = new LinkedHashMap<>();
    Voice.SUBJECTS.forEach(subject -> all.putAll(Voice.of(subject)));
    return all;
  }

  private static Set<String> used() throws IOException {
    Set<String> used = new TreeSet<>();
    try (Stream<Path> files = Files.walk(SOURCES)) {
      files
          .filter(file -> file.toString().endsWith(".java"))
          .forEach(file -> {
            Matcher key = KEY.matcher(text(file));
            while (key.find()) {
              used.add(key.group(1));
            }
          });
    }
    return used;
  }

  private static String text(Path file) {
    try {
      return Files.readString(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  public void whatIsSaidHasItsSentenceAndNoSentenceIsIdle() throws IOException {
    assertEquals(used(), new TreeSet<>(all().keySet()));
  }

  @DataProvider
  public Object[][] sentences() {
    return all().entrySet().stream()
        .map(sentence -> new Object[] {sentence.getKey(), sentence.getValue()})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "sentences")
  public void aSentenceIsShortAndInTheTermsOfTheTrade(String key, String sentence) {
    for (String one : sentence.split("(?<=[.!?:])\\s+")) {
      assertTrue(one.split("\\s+").length <= MOST_WORDS, "at most 20 words: " + one);
    }
    List<String> avoided =
        Stream.of(
                "maker",
                "dear",
                "dearer",
                "weigh",
                "weighed",
                "weighing",
                "put down",
                "for certain",
                "whatever",
                "be had",
                "would do",
                "that does",
                "taken as",
                "read in",
                "nobody does")
            .filter(word -> Pattern.compile("(?i)\\b" + word + "\\b").matcher(sentence).find())
            .toList();
    assertEquals(avoided, List.of(), key);
    assertTrue(
        key.contains(".short.") || key.contains(".part.") || sentence.endsWith("."),
        "a full stop: " + sentence);
  }

  @Test(dataProvider = "sentences")
  public void everyPlaceHasAnExample(String key, String sentence) {
    assertTrue(EXAMPLES.keySet().containsAll(Voice.places(sentence)), key + ": " + sentence);
  }

  /** All of it in one document, so that it can be read in one go; made anew when it differs. */
  @Test
  public void theWholeVoiceCanBeReadInOneGo() throws IOException {
    List<String> lines = new ArrayList<>();
    lines.add("# What the product says");
    lines.add("");
    lines.add(
        "Every sentence of the message files (`app/src/main/resources/messages`), with an example in"
            + " each place.");
    for (String subject : Voice.SUBJECTS) {
      lines.add("");
      lines.add(
          "## "
              + subject.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
              + subject.substring(1));
      lines.add("");
      lines.add("| sentence | reads like |");
      lines.add("|---|---|");
      Voice.of(subject)
          .forEach(
              (key, sentence) -> lines.add("| `" + key + "` | " + example(key, sentence) + " |"));
    }
    String document = String.join("\n", lines) + "\n";
    String written = Files.exists(DOCUMENT) ? Files.readString(DOCUMENT) : "";
    if (!document.equals(written)) {
      Files.writeString(DOCUMENT, document);
    }
    assertEquals(written, document, "docs/words.md was out of date and is written anew");
  }

  private static String example(String key, String sentence) {
    return Voice.say(
        key,
        Voice.places(sentence).stream().collect(Collectors.toMap(place -> place, EXAMPLES::get)));
  }

  @Test
  public void aPlaceThatIsNotFilledOrNotThereIsRefused() {
    org.testng.Assert.assertThrows(
        IllegalArgumentException.class, () -> Voice.say("answer.only-one"));
    org.testng.Assert.assertThrows(
        IllegalArgumentException.class,
        () -> Voice.say("answer.only-one", Map.of("tool", "X", "plan", "Y")));
    assertEquals(Voice.list(List.of("A", "B", "C")), "A, B and C");
    assertEquals(Voice.choice(List.of("A", "B")), "A or B");
    assertEquals(
        Voice.say("answer.only-one", "tool", "A $1 {tool}"),
        "A $1 {tool} is the only contender that meets your needs.",
        "a name is no pattern and no place");
  }
}
