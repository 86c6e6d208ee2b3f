package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Met;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Need;
import tertulia.core.fit.Reason;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;

/** Facts that are counts with a unit: as needs and as what is measured, in a portable file. */
public class CountsTest {
  private static PortableFile.Read read(
      Brief.NeedPart need, String number, String worst, String best) {
    SelectionFile file = Demo.file();
    List<Brief.NeedPart> needs = new ArrayList<>(file.brief().needs());
    needs.removeIf(part -> Brief.COUNT.equals(part.condition()));
    needs.add(need);
    List<Brief.CriterionPart> criteria = new ArrayList<>(file.brief().criteria());
    criteria.add(
        new Brief.CriterionPart(
            "reach", "Reach", "measured", worst, best, null, null, null, number, null));
    Brief brief = file.brief().withNeeds(needs).withCriteria(criteria);
    SelectionFile other =
        new SelectionFile(
            file.format(), file.version(), brief, file.contenders(), file.panel(), null);
    return PortableFile.read(Json.write(other).getBytes(StandardCharsets.UTF_8));
  }

  private static Evaluation evaluated(
      Brief.NeedPart need, String number, String worst, String best) {
    PortableFile.Read read = read(need, number, worst, best);
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    return Evaluation.of(((PortableFile.Read.Accepted) read).selection(), WhatIf.START);
  }

  private static Brief.NeedPart need(String count, String importance) {
    return new Brief.NeedPart(
        count,
        importance,
        importance.equals("should") ? 1 : null,
        false,
        Brief.COUNT,
        null,
        null,
        null);
  }

  private static Map<String, Met> met(Evaluation evaluation) {
    Need need = evaluation.selection().needs().getLast();
    return evaluation.selection().active().stream()
        .collect(Collectors.toMap(c -> c.id(), c -> evaluation.costs().met(c.id(), need)));
  }

  /** What was tried by hand is in force, and a bound answers only on its side of it. */
  @Test
  public void atLeastSoManyIsAnsweredByWhoeverCounted() {
    assertEquals(
        met(evaluated(need("at least 40 languages", "could"), "minutes", "9", "1")),
        Map.of(
            "slotmeer",
            Met.UNKNOWN,
            "halvard-desk",
            Met.NO,
            "pierbook",
            Met.YES,
            "quaymate",
            Met.NO,
            "tollen-suite",
            Met.UNKNOWN));
    assertEquals(
        met(evaluated(need("at least 30 languages", "could"), "minutes", "9", "1")),
        Map.of(
            "slotmeer",
            Met.YES,
            "halvard-desk",
            Met.YES,
            "pierbook",
            Met.YES,
            "quaymate",
            Met.NO,
            "tollen-suite",
            Met.UNKNOWN));
  }

  @Test
  public void countsInAnotherUnitAnswerNothing() {
    assertTrue(
        met(evaluated(need("Languages: at least 1 scripts", "could"), "minutes", "9", "1"))
            .values()
            .stream()
            .allMatch(met -> met == Met.UNKNOWN));
  }

  private static Stream<Reason> against(Evaluation evaluation, String tool, String plan) {
    return evaluation.costs().now().against(tool).entrySet().stream()
        .filter(entry -> entry.getKey().plan().equals(plan))
        .flatMap(entry -> entry.getValue().stream());
  }

  @Test
  public void aMustForMoreThanThereAreSaysHowManyThereAre() {
    Evaluation evaluation = evaluated(need("at least 40 languages", "must"), "minutes", "9", "1");
    assertEquals(
        against(evaluation, "halvard-desk", "Yard")
            .map(reason -> reason.sentence())
            .filter(sentence -> sentence.contains("languages"))
            .toList(),
        List.of("At least 40 languages: this plan has 38 languages"));
    assertEquals(
        against(evaluation, "slotmeer", "Fleet")
            .map(reason -> reason.sentence())
            .filter(sentence -> sentence.contains("languages"))
            .toList(),
        List.of(
            "At least 40 languages: known is at least 30 languages, which leaves it open; confirm"
                + " it"));
  }

  @Test
  public void asWhatIsMeasuredABoundIsARangeAndAnotherUnitIsNotRead() {
    assertEquals(
        values("count/Languages/languages", "0", "60"),
        Map.of(
            "slotmeer",
            between("0.5", "1"),
            "halvard-desk",
            exactly("38", "60"),
            "pierbook",
            exactly("52", "60"),
            "quaymate",
            exactly("12", "60"),
            "tollen-suite",
            Interval.UNKNOWN));
    assertEquals(
        values("count/Languages/languages", "60", "0").get("slotmeer"), between("0", "0.5"));
    assertTrue(
        values("count/Languages/scripts", "0", "60").values().stream()
            .allMatch(Interval.UNKNOWN::equals));
  }

  private static Map<String, Interval> values(String number, String worst, String best) {
    Evaluation evaluation = evaluated(need("at least 1 languages", "could"), number, worst, best);
    Criterion reach =
        evaluation.selection().criteria().stream()
            .filter(c -> c.id().equals("reach"))
            .findFirst()
            .orElseThrow();
    return evaluation.selection().active().stream()
        .collect(
            Collectors.toMap(
                c -> c.id(),
                c -> evaluation.scores().value(c.id(), reach).orElseThrow().interval()));
  }

  private static Interval exactly(String number, String of) {
    return Interval.exactly(
        new BigDecimal(number).divide(new BigDecimal(of), java.math.MathContext.DECIMAL128));
  }

  private static Interval between(String low, String high) {
    return new Interval(new BigDecimal(low), new BigDecimal(high));
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {
        "forty languages",
        "\"forty languages\" does not say how many. Write at least 40 languages,"
            + " or Joining a call: at most 10 seconds."
      },
      {
        "at least 40",
        "What is counted? Write the number and a unit of up to 40 characters, such as"
            + " 41 languages."
      },
    };
  }

  @Test(dataProvider = "refused")
  public void aNeedThatDoesNotSayHowManyIsRefusedOnceWhereItStands(String count, String message) {
    PortableFile.Read read = read(need(count, "must"), "minutes", "9", "1");
    assertEquals(
        ((PortableFile.Read.Refused) read).faults(), List.of(new Fault("/brief/needs/7", message)));
  }
}
