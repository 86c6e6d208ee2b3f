package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Figure;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.scoring.Totals;
import tertulia.core.working.Derivation;

/** The demonstration with something missing: an unknown is never zero, and always said. */
public class UnknownsTest {
  private static Evaluation with(String found, String instead) {
    String text = Demo.text();
    assertTrue(text.contains(found), found);
    PortableFile.Read read =
        PortableFile.read(text.replace(found, instead).getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    return Evaluation.of(((PortableFile.Read.Accepted) read).selection(), WhatIf.START);
  }

  private static Map<String, String> unpriced(Evaluation evaluation, String contender) {
    return ((Outcome.Unpriced<SteadyCost>) evaluation.costs().now().steady(contender))
        .leftOut().stream()
            .collect(Collectors.toMap(left -> left.option().label(), left -> left.why().words()));
  }

  private static Totals.Standing standing(Evaluation evaluation, String contender) {
    return evaluation.scores().totals().orElseThrow().standings().stream()
        .filter(s -> s.contender().equals(contender))
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void withoutARateThereIsNoFigureAndTheTotalIsARange() {
    Evaluation evaluation = with("\"from\": \"GBP\"", "\"from\": \"USD\"");
    assertEquals(unpriced(evaluation, "quaymate").get("Team, monthly"), "no rate GBP to EUR");
    assertFalse(evaluation.costs().now().orderByCost().contains("quaymate"));
    assertTrue(
        evaluation.costs().overall().feasible().stream().anyMatch(c -> c.id().equals("quaymate")));
    assertFalse(standing(evaluation, "quaymate").total().isExact());
    assertTrue(evaluation.costs().curves().costByHeadcount().curve("quaymate").at(62).isEmpty());
    assertTrue(evaluation.explain(new Figure.Steady("quaymate")) instanceof Derivation.Missing);
  }

  @Test
  public void aRateOfAfterTheSelectionsDateDoesNotCount() {
    Evaluation evaluation = with("\"on\": \"2026-11-20\"", "\"on\": \"2026-11-25\"");
    assertEquals(unpriced(evaluation, "quaymate").get("Team, monthly"), "no rate GBP to EUR");
  }

  @Test
  public void whatNobodySaidIsNeededIsNotNothing() {
    Evaluation evaluation =
        with(
            "\"measure\": \"calendars\",\n        \"fixed\"",
            "\"measure\": \"hosts\",\n        \"fixed\"");
    assertEquals(
        unpriced(evaluation, "pierbook").get("Harbour, monthly"),
        "no demand stated for linked calendars");
  }

  @Test
  public void withoutWeightsThereAreValuesButNoTotals() {
    Evaluation evaluation = withoutPoints();
    assertTrue(evaluation.scores().totals().isEmpty());
    assertTrue(
        evaluation
            .scores()
            .value("slotmeer", evaluation.scores().criteria().getFirst())
            .orElseThrow()
            .interval()
            .isExact());
    assertEquals(
        ((Derivation.Missing) evaluation.explain(new Figure.Total("slotmeer"))).reason(),
        "no weights are in these figures yet");
    assertTrue(evaluation.explain(new Figure.Weight("cost")) instanceof Derivation.Missing);
    assertTrue(evaluation.explain(new Figure.Wins("slotmeer")) instanceof Derivation.Missing);
  }

  private static Evaluation withoutPoints() {
    SelectionFile file = Demo.file();
    List<SelectionFile.MemberPart> silent =
        file.panel().stream()
            .map(m -> new SelectionFile.MemberPart(m.name(), m.share(), Map.of(), m.marks()))
            .toList();
    Faults faults = new Faults();
    SelectionFile without =
        new SelectionFile(
            file.format(), file.version(), file.brief(), file.contenders(), silent, null);
    return Evaluation.of(new SelectionReader(faults).read(without).orElseThrow(), WhatIf.START);
  }

  @Test
  public void whoHasNoPlanForAllMonthsIsOutAndKnowsWhy() {
    Evaluation evaluation = with("\"most\": 120", "\"most\": 90");
    Evaluation onlyCrew = Evaluation.of(evaluation.selection(), WhatIf.START);
    assertTrue(
        onlyCrew.costs().overall().feasible().stream()
            .map(Contender::id)
            .toList()
            .contains("slotmeer"));
    Derivation plans = onlyCrew.explain(new Figure.Plans("slotmeer"));
    Derivation crew =
        plans.parts().stream().filter(p -> p.label().startsWith("Crew, yearly")).findFirst().get();
    assertEquals(crew.parts().getFirst().label(), "seats: 101 of 90 from May 2028");
    assertEquals(
        crew.parts().getFirst().parts().getFirst().value().orElseThrow().amount().intValue(), 101);
  }

  @Test
  public void sharesAreThoseOfTheFirstMonthWithPeople() {
    String text =
        Demo.text()
            .replace("\"start\": 24,", "\"start\": 0,")
            .replace("\"start\": 8,", "\"start\": 0,")
            .replace("\"start\": 22,", "\"start\": 0,")
            .replaceFirst("\"values\": \\[[^\\]]*]", "\"values\": [0]");
    PortableFile.Read.Accepted read =
        (PortableFile.Read.Accepted) PortableFile.read(text.getBytes(StandardCharsets.UTF_8));
    Evaluation evaluation = Evaluation.of(read.selection(), WhatIf.START);
    assertEquals(evaluation.costs().people().total(), 0);
    assertTrue(evaluation.costs().overall().today().total() > 0);
    var curve = evaluation.costs().curves().costByHeadcount().curve("slotmeer");
    assertEquals(curve.at(100).orElseThrow().money().getAmount().toPlainString(), "720.00");
  }
}
