package tertulia.app.display;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
          Map.entry("parts", "4 as the page says, 1 likely"),
          Map.entry("count", "5"),
          Map.entry("member", "Odile"),
          Map.entry("members", "Odile"),
          Map.entry("others", "Joren"),
          Map.entry("paid", "158"),
          Map.entry("idle", "21"),
          Map.entry("owed", "2,065.00"),
          Map.entry("areas", "phone"),
          Map.entry("left", "3"),
          Map.entry("apart", "12.00 EUR"),
          Map.entry("many", "500 people"),
          Map.entry("who", "Engineers on Fleet"),
          Map.entry("groups", "Engineers"),
          Map.entry("cheaper", "Pierbook"),
          Map.entry("suite", "Pierbook"),
          Map.entry("set", "Halvard Desk + Quaymate"),
          Map.entry("instead", "402.00 EUR"),
          Map.entry("offers", "Spring watch"),
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
          Map.entry("stretches", "Slotmeer up to 25 people; Pierbook from 26 people"),
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
          Map.entry("amount", "25 people"),
          Map.entry("rating", "4.6"),
          Map.entry("wins", "Pierbook wins Ease (33 % of the weight)"),
          Map.entry("next", "Slotmeer"),
          Map.entry("limits", "linked calendars, 30 for the account instead of 5 for the account"),
          Map.entry("measure", "linked calendars"),
          Map.entry("after", "30 for the account"),
          Map.entry("number", "40 seats"),
          Map.entry("group", "Deck crews"),
          Map.entry("percent", "10 %"),
          Map.entry("when", "January 2027"),
          Map.entry("found", "41 seats today"),
          Map.entry("until", "May 2027"));

  /** In a place that several stand in, as its verb says. */
  private static final Map<String, String> SEVERAL =
      Map.of(
          "tools", "Pierbook and Quaymate",
          "members", "Odile and Joren",
          "others", "Slotmeer and Quaymate",
          "level", "Quaymate and Halvard Desk",
          "plans", "Harbour and Port",
          "needs", "“Single sign-on” and “Audit log”",
          "units", "30 seats");

  private static final Pattern OF_SEVERAL =
      Pattern.compile(
          "\\{(?<name>\\w+)} (?:are|have|each|together|cost|meet|lead|come|leave|put|may be cheaper, but their)\\b");

  /** In sentences whose key begins so, where the usual example would be no sense. */
  private static final Map<String, Map<String, String>> IN =
      Map.ofEntries(
          Map.entry("answer.covers.all", Map.of("count", "five")),
          Map.entry("answer.covers.may.many", Map.of("tools", "Pierbook and Quaymate")),
          Map.entry("answer.none-meets.may.many", Map.of("tools", "Pierbook and Quaymate")),
          Map.entry("answer.short.no-total", Map.of("tools", "Pierbook and Quaymate")),
          Map.entry("missing.views.many", Map.of("members", "Odile and Joren")),
          Map.entry("missing.views.closed.many", Map.of("members", "Odile and Joren")),
          Map.entry("missing.views.partly.many", Map.of("members", "Odile and Maud")),
          Map.entry("missing.views.short.many", Map.of("members", "Odile and Joren")),
          Map.entry("missing.views.partly", Map.of("others", "Joren")),
          Map.entry("fit.part.", Map.of("before", "5 for the account")),
          Map.entry(
              "record.",
              Map.of(
                  "plan",
                  "Harbour, monthly",
                  "by",
                  "0.021",
                  "more",
                  "12.00 EUR",
                  "words",
                  "Office, Deck crew",
                  "people",
                  "62 to 111 people")),
          Map.entry(
              "again.", Map.of("by", "0.021", "was", "0.105", "months", "25 months", "now", "18")),
          Map.entry("again.cost", Map.of("months", "36 months")),
          Map.entry("again.part.people", Map.of("was", "14", "now", "18", "group", "Deck crews")),
          Map.entry("again.rules", Map.of("was", "340.00 EUR")),
          Map.entry("again.conditions", Map.of("count", "five")),
          Map.entry("again.broken.many", Map.of("count", "Two")),
          Map.entry("again.breaks.many", Map.of("count", "Two")),
          Map.entry("again.unknown.many", Map.of("count", "two")),
          Map.entry("holds.before", Map.of("from", "March 2027")),
          Map.entry("holds.breaks", Map.of("found", "41 seats then")),
          Map.entry("signing.", Map.of("words", "not before the spring")),
          Map.entry("use.short.notice-days", Map.of("days", "30 days")),
          Map.entry("use.lacking", Map.of("count", "Six")),
          Map.entry("use.short.bar", Map.of("own", "4,160.00")),
          Map.entry("use.short.ends.more", Map.of("count", "78")),
          Map.entry("use.part.own", Map.of("words", "all monthly")),
          Map.entry("date.short.breaks", Map.of("words", "At most 40 seats")),
          Map.entry("record.pages", Map.of("words", "Pierbook 20 Nov 2026")),
          Map.entry("record.short.reserved", Map.of("words", "not before the spring")),
          Map.entry("record.short.against", Map.of("words", "too expensive")),
          Map.entry("verdict.condition-broken", Map.of("words", "It leads in every case")),
          Map.entry("record.part.despite", Map.of("words", "the engineers have to live with it.")),
          Map.entry(
              "verdict.",
              Map.of(
                  "by", "0.021", "others", "Slotmeer or Quaymate", "members", "Odile and Joren")),
          Map.entry("record.month", Map.of("people", "62 people")),
          Map.entry("record.people.same", Map.of("people", "62 people")),
          Map.entry(
              "act.",
              Map.of(
                  "changes",
                  "7 → 8",
                  "reason",
                  "its calendar cannot be shared",
                  "words",
                  "somebody answers on a Sunday",
                  "amount",
                  "7",
                  "before",
                  "1",
                  "now",
                  "2",
                  "start",
                  "1 Dec 2026",
                  "feature",
                  "Need")),
          Map.entry("fit.short.then", Map.of("before", "Jetty is enough until March 2028")),
          Map.entry("cost.may-cost-less.many", Map.of("tools", "Pierbook and Quaymate")),
          Map.entry("cost.mixed-terms", Map.of("monthly", "Pierbook", "committed", "Slotmeer")),
          Map.entry("cost.mixed-terms.many", Map.of("monthly", "Pierbook and Quaymate")),
          Map.entry(
              "cost.mixed-terms.many-many",
              Map.of("monthly", "Pierbook and Quaymate", "committed", "Slotmeer and Tollen Suite")),
          Map.entry("cost.mixed-terms.one-many", Map.of("committed", "Slotmeer and Halvard Desk")),
          Map.entry("cost.change", Map.of("rival", "Halvard Desk", "before", "Halvard Desk")),
          Map.entry("cost.only", Map.of("month", "341.70 EUR")),
          Map.entry("use.wait", Map.of("when", "on 6 Apr 2028")),
          Map.entry("use.mixed", Map.of("plan", "Crew, yearly", "count", "52")),
          Map.entry("use.mixed.if", Map.of("plan", "Crew, yearly", "count", "52")),
          Map.entry("use.wait.not", Map.of("when", "at once")),
          Map.entry("use.wait.again", Map.of("when", "on 6 Apr 2028", "month", "January 2029")),
          Map.entry("cost.owned", Map.of("units", "30 seats")),
          Map.entry("cost.owned.one", Map.of("units", "1 seat")),
          Map.entry("cost.volume-price", Map.of("units", "30")),
          Map.entry("cost.cause.grows-less", Map.of("less", "4.10 EUR")),
          Map.entry("cost.short.at-most.many", Map.of("plan", "Harbour and Port")),
          Map.entry("change.", Map.of("now", "Slotmeer", "before", "Pierbook")),
          Map.entry("advice.", Map.of("others", "Slotmeer", "least", "11.9 %", "most", "62.0 %")),
          Map.entry("advice.at-this-size", Map.of("whole", "Halvard Desk")),
          Map.entry("advice.find-out", Map.of("least", "9 %", "most", "52 %")),
          Map.entry("advice.first-more-often", Map.of("others", "58 %")),
          Map.entry("advice.price-of-score", Map.of("from", "Pierbook", "to", "Slotmeer")),
          Map.entry("advice.tightest", Map.of("criterion", "“Ease”", "own", "33.3 %")),
          Map.entry("advice.weights", Map.of("of", "4")),
          Map.entry("panel.", Map.of("by", "0.010", "criteria", "“Ease”")),
          Map.entry("panel.interest.one", Map.of("things", "1 fact")),
          Map.entry("trial.part.done.one", Map.of("done", "1")),
          Map.entry("reading.read.one", Map.of("parts", "1 likely")),
          Map.entry(
              "condition.",
              Map.of(
                  "criterion",
                  "“Ease”",
                  "need",
                  "“Single sign-on”",
                  "w",
                  "7",
                  "units",
                  "card payments",
                  "scenario",
                  "high",
                  "share",
                  "58 %")),
          Map.entry(
              "card.",
              Map.of(
                  "next",
                  "Slotmeer",
                  "more",
                  "5,663.29 EUR",
                  "rating",
                  "4.6",
                  "count",
                  "180",
                  "wins",
                  "Pierbook wins Ease (33 % of the weight)",
                  "share",
                  "33 %",
                  "need",
                  "Waiting list",
                  "margin",
                  "clear")),
          Map.entry("card.heaviest.tied", Map.of("tools", "Pierbook and Quaymate")),
          Map.entry("card.part.wins.many", Map.of("criteria", "Ease and Cost")),
          Map.entry("card.part.win", Map.of("share", " 33 %")),
          Map.entry("card.part.level", Map.of("share", " 33 %")),
          Map.entry("card.part.lose", Map.of("share", " 33 %")),
          Map.entry(
              "plans.",
              Map.of(
                  "least",
                  "341.70",
                  "most",
                  "491.06 EUR",
                  "rival",
                  "Crew",
                  "plans",
                  "Harbour of Pierbook",
                  "things",
                  "Waiting list")),
          Map.entry(
              "plans.no-price.many", Map.of("plans", "Port of Pierbook and Yard of Slotmeer")),
          Map.entry("size.", Map.of("by", "0.021")),
          Map.entry("confirm.now", Map.of("plan", "Jetty, monthly")),
          Map.entry("condition.part.score", Map.of("w", "0.56")),
          Map.entry("condition.part.rise", Map.of("share", "3 %")),
          Map.entry(
              "condition.part.size",
              Map.of("least", "26", "units", "people", "amount", "60 people")),
          Map.entry("condition.part.outside", Map.of("most", "60")),
          Map.entry("condition.part.weight", Map.of("least", "20", "most", "58 %")),
          Map.entry("next.", Map.of("people", "4 people", "so", "3", "units", "boats")),
          Map.entry("next.part.try", Map.of("tasks", "5 tasks", "left", "12 days left")),
          Map.entry("next.part.report", Map.of("tasks", "2 tasks")),
          Map.entry(
              "weighting.",
              Map.of(
                  "w",
                  "0.07",
                  "other",
                  "Cost",
                  "own",
                  "3 times as much",
                  "total",
                  "1.2",
                  "most",
                  "9",
                  "of",
                  "6")),
          Map.entry("weighting.too-many", Map.of("count", "12")),
          Map.entry("weighting.contradicts", Map.of("w", "0.31")),
          Map.entry("versus.", Map.of("by", "0.021")),
          Map.entry("versus.turn.weight", Map.of("other", "60.2 %", "own", "33.3 %")),
          Map.entry(
              "versus.wins", Map.of("first", "Pierbook", "own", "3 criteria", "others", "none")));

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

  @Test
  public void everyOtherExampleIsOfSomeSentence() {
    assertEquals(
        IN.keySet().stream()
            .filter(begins -> all().keySet().stream().noneMatch(key -> key.startsWith(begins)))
            .toList(),
        List.of());
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
    Map<String, String> examples = new HashMap<>(EXAMPLES);
    IN.entrySet().stream()
        .filter(in -> key.startsWith(in.getKey()))
        .sorted(Comparator.comparingInt(in -> in.getKey().length()))
        .forEach(in -> examples.putAll(in.getValue()));
    Matcher several = OF_SEVERAL.matcher(sentence);
    while (several.find()) {
      Optional.ofNullable(SEVERAL.get(several.group("name")))
          .ifPresent(example -> examples.put(several.group("name"), example));
    }
    return Voice.say(
        key,
        Voice.places(sentence).stream().collect(Collectors.toMap(place -> place, examples::get)));
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
