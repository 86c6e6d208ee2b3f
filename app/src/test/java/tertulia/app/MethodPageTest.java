package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Habit;
import tertulia.core.pricing.UnitRule;
import tertulia.core.scoring.Better;
import tertulia.core.scoring.Concordance;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.MarksByPairs;
import tertulia.core.scoring.Preference;
import tertulia.core.scoring.PublicRating;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.scoring.Weighing;
import tertulia.core.working.Derivation;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** What the page of rules gives as examples is what is computed. */
public class MethodPageTest {
  private static Document page() throws IOException {
    try (InputStream in =
        Objects.requireNonNull(
            MethodPageTest.class.getResourceAsStream("/templates/method/method.html"))) {
      return Jsoup.parse(new String(in.readAllBytes(), StandardCharsets.UTF_8));
    }
  }

  @Test
  public void everyPartHasWordsAFormulaAndAnExampleAndIsLed() throws IOException {
    Document page = page();
    List<String> parts = page.select("article").stream().map(Element::id).toList();
    assertTrue(parts.size() > 10, parts.toString());
    for (Element part : page.select("article")) {
      assertEquals(part.select("h2, p:not([class]), .formula, .example").size(), 4, part.id());
    }
    assertEquals(
        page.select("nav a").stream().map(a -> a.attr("href").substring(1)).toList(), parts);
  }

  @DataProvider
  Object[][] examples() {
    Growth staff = new Growth.Percent(46, new BigDecimal("0.12"));
    UnitRule packs = new UnitRule(3, 5, 0);
    Habit interviews =
        new Habit(
            new BigDecimal("3"), Habit.Every.WEEK, new BigDecimal("0.75"), new BigDecimal("0.4"));
    return new Object[][] {
      {"people", List.of(6, 12, 24, 36).stream().map(m -> "" + headcount(staff, m)).toList()},
      {"demand", List.of(interviews.perHead().toPlainString() + " hours a month")},
      {"units", List.of(1, 3, 6, 11).stream().map(n -> "" + packs.paidUnits(n)).toList()},
      {"order", weights(new Weighing.RankOrder(Map.of("a", 1, "b", 2, "c", 3, "d", 4)))},
      {
        "two",
        weights(
            new Weighing.Compared(
                List.of(
                    new Preference("a", "b", 3),
                    new Preference("a", "c", 5),
                    new Preference("a", "d", 2),
                    new Preference("b", "c", 2),
                    new Preference("d", "b", 2),
                    new Preference("d", "c", 4))))
      },
      {
        "pairs",
        MarksByPairs.of(
                List.of("a", "b", "c"),
                List.of(
                    new Better("a", "b", Better.Much.CLEAR),
                    new Better("b", "c", Better.Much.EDGE)),
                List.of())
            .marks()
            .values()
            .stream()
            .map(mark -> MarksByPairs.shown(mark).toPlainString())
            .toList()
      },
      {"agreement", List.of(agreement())},
      {"rooms", rooms()},
      {
        "take",
        List.of(
            new Criterion.Cost(new BigDecimal("450"), new BigDecimal("45"))
                .valueOf(new BigDecimal("225"))
                .setScale(2, RoundingMode.HALF_UP)
                .toPlainString())
      },
      {"ratings", List.of(rating("4.6", 180).toPlainString(), rating("4.9", 12).toPlainString())},
    };
  }

  private static List<String> weights(Weighing weighing) {
    List<Criterion> four =
        Stream.of("a", "b", "c", "d")
            .map(id -> new Criterion(id, id, new Criterion.Judged()))
            .toList();
    return weighing.over(four).weights().orElseThrow().values().stream()
        .map(weight -> weight.setScale(6, RoundingMode.HALF_UP).toPlainString())
        .toList();
  }

  private static List<String> rooms() {
    List<Criterion> criteria = new ArrayList<>();
    Map<String, BigDecimal> weights = new LinkedHashMap<>();
    for (String weight : "0.30 0.25 0.20 0.15 0.10".split(" ")) {
      String id = "c" + criteria.size();
      criteria.add(new Criterion(id, id, new Criterion.Judged()));
      weights.put(id, new BigDecimal(weight));
    }
    Map<String, Map<String, Value>> values = new LinkedHashMap<>();
    values.put("X", values(criteria, ".8 .6 .9 .4 .7"));
    values.put("Y", values(criteria, ".6 .9 .5 .9 .6"));
    values.put("Z", values(criteria, ".7 .7 .7 .6 .9"));
    Totals totals = new Totals(criteria, weights, values);
    StabilityRange first = StabilityRange.of(totals).getFirst();
    return Stream.of(
            first.low().weight(),
            first.high().weight(),
            NearestUpset.of(totals, "Y").orElseThrow().shift())
        .map(value -> value.setScale(6, RoundingMode.HALF_UP).toPlainString())
        .toList();
  }

  private static Map<String, Value> values(List<Criterion> criteria, String given) {
    Map<String, Value> values = new LinkedHashMap<>();
    String[] each = given.split(" ");
    for (int c = 0; c < each.length; c++) {
      values.put(
          criteria.get(c).id(),
          new Value(
              Interval.exactly(new BigDecimal("0" + each[c])),
              new Derivation.Stated("value", "given")));
    }
    return values;
  }

  private static String agreement() {
    List<List<BigDecimal>> rankings =
        Stream.of("1 2 3 4", "2 1 3 4", "1 3 2 4")
            .map(ranks -> Stream.of(ranks.split(" ")).map(BigDecimal::new).toList())
            .toList();
    return Concordance.of(rankings).orElseThrow().setScale(6, RoundingMode.HALF_UP).toPlainString();
  }

  private static int headcount(Growth growth, int month) {
    return growth.at(month, BigDecimal.ONE).setScale(0, RoundingMode.HALF_UP).intValueExact();
  }

  private static BigDecimal rating(String rating, int reviews) {
    return PublicRating.shrunk(
            List.of(
                new PublicRating(
                    new BigDecimal(rating),
                    reviews,
                    Provenance.of(LocalDate.EPOCH, Ground.PUBLIC_RATINGS))),
            new Criterion.Ratings(new BigDecimal("3.5"), BigDecimal.valueOf(50)))
        .setScale(6, RoundingMode.HALF_UP);
  }

  @Test(dataProvider = "examples")
  public void anExampleIsWhatIsComputed(String part, List<String> figures) throws IOException {
    String text = page().getElementById(part).select(".example").text();
    figures.forEach(figure -> assertTrue(text.contains(figure), figure + " in " + text));
  }
}
