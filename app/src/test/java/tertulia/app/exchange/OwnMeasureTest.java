package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Stated;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.growth.Measure;
import tertulia.core.path.Dimension;
import tertulia.core.path.PlanPaths;

/** The demonstration counts linked calendars by a word of its own: nothing else may change. */
public class OwnMeasureTest {
  private static final Measure BERTHS = Measure.own("berth", "berths", Measure.Nature.LEVEL, true);

  private static PortableFile.Read read(String text) {
    return PortableFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  private static Evaluation evaluated(String text, WhatIf whatIf) {
    PortableFile.Read read = read(text);
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    return Evaluation.of(((PortableFile.Read.Accepted) read).selection(), whatIf);
  }

  private static String renamed() {
    String text = Demo.text();
    assertTrue(text.contains("\"measure\": \"calendars\""));
    return text.replace("\"calendars\"", "\"" + BERTHS.id() + "\"");
  }

  private static String figures(Evaluation evaluation) {
    StringBuilder figures = new StringBuilder();
    evaluation
        .selection()
        .active()
        .forEach(contender -> {
          String id = contender.id();
          PlanPaths ways = evaluation.costs().overall().way(id);
          figures
              .append(id)
              .append(' ')
              .append(evaluation.costs().now().optionNow(id).map(o -> o.label()))
              .append(
                  ways instanceof PlanPaths.Found found
                      ? found.best().label() + found.best().ledger().total(CostTiming.SPREAD)
                      : "no way")
              .append(
                  IntStream.rangeClosed(1, 150)
                      .mapToObj(n ->
                          evaluation
                              .costs()
                              .curves()
                              .costByHeadcount()
                              .curve(id)
                              .at(n)
                              .map(p -> p.money()))
                      .toList())
              .append('\n');
        });
    return figures
        + evaluation.scores().totals().orElseThrow().standings().toString()
        + evaluation.costs().now().orderByCost();
  }

  @Test
  public void theFiguresAreThoseOfTheUsualMeasure() {
    assertEquals(
        figures(evaluated(renamed(), WhatIf.START)), figures(evaluated(Demo.text(), WhatIf.START)));
  }

  @Test
  public void soAreThoseOfAWhatIfAndByNumberOfIt() {
    Evaluation own =
        evaluated(
            renamed(), WhatIf.START.stating(new Stated(BERTHS, new java.math.BigDecimal("27"))));
    Evaluation usual =
        evaluated(
            Demo.text(),
            WhatIf.START.stating(new Stated(Measure.CALENDARS, new java.math.BigDecimal("27"))));
    assertEquals(figures(own), figures(usual));
    assertEquals(
        own.costs()
            .curves()
            .costBy(new Dimension.Quantity(BERTHS))
            .orElseThrow()
            .points()
            .curve("slotmeer")
            .at(40),
        usual
            .costs()
            .curves()
            .costBy(new Dimension.Quantity(Measure.CALENDARS))
            .orElseThrow()
            .points()
            .curve("slotmeer")
            .at(40));
  }

  @Test
  public void twoThatAreCalledAlikeAreRefused() {
    String twice =
        Demo.text()
            .replaceFirst(
                "\"demand\": \\[",
                "\"demand\": [{\"measure\": \"own/level/boat/boats\", \"fixed\": \"1\","
                    + " \"perHead\": {}}, {\"measure\": \"own/flow/boat/Boats\", \"fixed\": \"1\","
                    + " \"perHead\": {}},");
    assertEquals(
        ((PortableFile.Read.Refused) read(twice)).faults(),
        List.of(
            new Fault(
                "/brief",
                "Two things that are counted are called Boats. Count one of them by another"
                    + " word.")));
  }

  @Test
  public void whatIsNotAsItIsWrittenIsRefused() {
    String stock =
        Demo.text()
            .replaceFirst(
                "\"demand\": \\[",
                "\"demand\": [{\"measure\": \"own/level/boat/boats\", \"fixed\": \"1\","
                    + " \"perHead\": {}, \"stock\": \"4\"}, {\"measure\": \"automation-runs\","
                    + " \"fixed\": \"1\", \"perHead\": {}, \"outside\": {\"by\": \"a box\","
                    + " \"upTo\": \"0\", \"monthly\": \"1\"}},");
    assertEquals(
        ((PortableFile.Read.Refused) read(stock)).faults().stream().map(Fault::at).toList(),
        List.of("/brief/demand/0", "/brief/demand/1"));
  }

  @Test
  public void noMoreIsCountedThanAFormCanHold() {
    StringBuilder many = new StringBuilder("\"demand\": [");
    for (int i = 0; i < 100; i++) {
      many.append("{\"measure\": \"own/level/kind ")
          .append(i)
          .append("/kinds ")
          .append(i)
          .append("\", \"fixed\": \"1\", \"perHead\": {}},");
    }
    PortableFile.Read read = read(Demo.text().replaceFirst("\"demand\": \\[", many.toString()));
    assertEquals(
        ((PortableFile.Read.Refused) read).faults().stream().map(Fault::at).toList(),
        List.of("/brief/demand"));
    String some =
        many.toString().replaceAll("\\{\"measure\": \"own/level/kind [1-9][5-9].*?\\}\\},", "");
    Brief brief =
        ((PortableFile.Read.Accepted) read(Demo.text().replaceFirst("\"demand\": \\[", some)))
            .file()
            .brief();
    assertTrue(brief.demand().size() > 20, "more than are usually counted are read");
    assertEquals(BriefCheck.faults(brief), List.of());
  }
}
