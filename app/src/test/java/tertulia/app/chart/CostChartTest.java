package tertulia.app.chart;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import javax.xml.parsers.DocumentBuilderFactory;
import org.joda.money.Money;
import org.testng.annotations.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import tertulia.app.exchange.Demo;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.CostByHeadcount;

/** The pictures are well-formed and say what the core computed. */
public class CostChartTest {
  private static final Evaluation EVALUATION = Evaluation.of(Demo.selection(), WhatIf.START);
  private static final CostByHeadcount COSTS = EVALUATION.costs().curves().costByHeadcount();
  private static final CostChart.Read READ = new CostChart.Read(101, 62, 111);

  private static List<Drawn> lines(String firstName) {
    List<Drawn> lines = new ArrayList<>();
    for (String id : COSTS.curves().keySet()) {
      lines.add(new Drawn(id, lines.isEmpty() ? firstName : id, lines.size() + 1));
    }
    return lines;
  }

  private static Document parsed(String svg) throws Exception {
    return DocumentBuilderFactory.newInstance()
        .newDocumentBuilder()
        .parse(new InputSource(new StringReader(svg)));
  }

  private static List<Element> elements(Document document, String tag, String look) {
    List<Element> found = new ArrayList<>();
    NodeList nodes = document.getElementsByTagName(tag);
    for (int i = 0; i < nodes.getLength(); i++) {
      Element element = (Element) nodes.item(i);
      if ((" " + element.getAttribute("class") + " ").contains(" " + look + " ")) {
        found.add(element);
      }
    }
    return found;
  }

  @Test
  public void everyContenderHasALineWithItsCostAtEachHeadcount() throws Exception {
    Document chart = parsed(CostChart.draw(COSTS, lines("Slotmeer"), READ));
    List<Element> drawn = elements(chart, "path", "line");
    assertEquals(drawn.size(), 5);
    String[] slotmeer = drawn.getFirst().getAttribute("data-costs").split("\\|");
    assertEquals(slotmeer[0], "7.20");
    assertEquals(slotmeer[119], "864.00");
    assertEquals(slotmeer[120], "1,645.60");
    assertEquals(slotmeer.length, CostChart.reach(COSTS, READ));
  }

  /** Who has no figure sets no measure: the only line there is fills the picture. */
  @Test
  public void theOnlyLineIsSeen() throws Exception {
    Map<String, Optional<Money>> unknown = new LinkedHashMap<>();
    COSTS.curves().keySet().stream().skip(1).forEach(id -> unknown.put(id, Optional.empty()));
    unknown.put(COSTS.curves().keySet().iterator().next(), Optional.of(Money.parse("EUR 0.00")));
    Document chart = parsed(CostChart.draw(COSTS.adding(unknown), lines("Slotmeer"), READ));
    List<Double> heights = new ArrayList<>();
    for (String point :
        elements(chart, "path", "line").getFirst().getAttribute("d").split("[ML]")) {
      if (!point.isBlank()) {
        heights.add(Double.parseDouble(point.split(" ")[1]));
      }
    }
    double highest = Collections.min(heights);
    assertTrue(highest >= 18 && highest < 80, "" + highest);
    assertTrue(Collections.max(heights) <= 296);
  }

  @Test
  public void ticksSayWhatTheyStandFor() {
    assertEquals(labels(Scale.over(12, 6, 0, 1)), List.of("0", "2", "4", "6", "8", "10", "12"));
    assertEquals(
        labels(Scale.over(15, 6, 0, 1)),
        List.of("0.0", "2.5", "5.0", "7.5", "10.0", "12.5", "15.0"));
    assertEquals(labels(Scale.over(1, 5, 0, 1)), List.of("0.0", "0.2", "0.4", "0.6", "0.8", "1.0"));
    assertEquals(labels(Scale.over(14000, 5, 0, 1)), List.of("0", "5,000", "10,000", "15,000"));
  }

  private static List<String> labels(Scale scale) {
    return scale.ticks().stream().map(scale::label).toList();
  }

  @Test
  public void crossingsArePlacedWhereTheyAre() throws Exception {
    Document chart = parsed(CostChart.draw(COSTS, lines("Slotmeer"), READ));
    long shown =
        COSTS.leads().stream()
            .filter(lead -> lead.n() > 1 && lead.n() <= CostChart.reach(COSTS, READ))
            .count();
    List<Element> crossings = elements(chart, "circle", "cross");
    assertEquals(crossings.size(), shown);
    double left = Double.parseDouble(chart.getDocumentElement().getAttribute("data-left"));
    double right = Double.parseDouble(chart.getDocumentElement().getAttribute("data-right"));
    double most = Double.parseDouble(chart.getDocumentElement().getAttribute("data-most"));
    double x = Double.parseDouble(crossings.getFirst().getAttribute("cx"));
    assertEquals(Math.round((x - left) / (right - left) * most), COSTS.leads().get(1).n());
  }

  @Test
  public void namesCannotBecomeMarkup() throws Exception {
    String name = "<script>alert('&\"')</script>";
    String svg = CostChart.draw(COSTS, lines(name), READ);
    assertFalse(svg.contains("<script"));
    Element line = elements(parsed(svg), "path", "line").getFirst();
    assertEquals(line.getAttribute("data-name"), name);
  }

  @Test
  public void labelsNeverCoverOneAnother() {
    Random dice = new Random(5);
    for (int round = 0; round < 50; round++) {
      Labels labels = new Labels(0, 0, 600, 280);
      Map<Labels.Place, Double> placed = new LinkedHashMap<>();
      for (int i = 0; i < 30; i++) {
        String text = "from " + i + ": somebody";
        labels
            .place(text, dice.nextInt(600), dice.nextInt(280))
            .ifPresent(place -> placed.put(place, text.length() * 6.6));
      }
      assertTrue(placed.size() > 3);
      assertTrue(placed.keySet().stream().allMatch(p -> p.y() > 0 && p.y() <= 280));
      List<Labels.Place> all = new ArrayList<>(placed.keySet());
      for (int a = 0; a < all.size(); a++) {
        for (int b = a + 1; b < all.size(); b++) {
          boolean sameLine = Math.abs(all.get(a).y() - all.get(b).y()) < 14;
          boolean apart =
              left(all.get(a), placed) + placed.get(all.get(a)) <= left(all.get(b), placed)
                  || left(all.get(b), placed) + placed.get(all.get(b)) <= left(all.get(a), placed);
          assertTrue(!sameLine || apart, all.get(a) + " covers " + all.get(b));
        }
      }
    }
  }

  private static double left(Labels.Place place, Map<Labels.Place, Double> widths) {
    double width = widths.get(place);
    return switch (place.anchor()) {
      case "middle" -> place.x() - width / 2;
      case "end" -> place.x() - width + 2;
      default -> place.x() - 2;
    };
  }

  @Test
  public void scalesHoldTheirHighestAndHaveRoundTicks() {
    for (double highest : new double[] {0, 0.4, 1, 7, 99, 100, 101, 1645.6, 99999}) {
      Scale scale = Scale.over(highest, 6, 100, 0);
      assertTrue(scale.most() >= highest);
      assertTrue(scale.ticks().size() >= 2 && scale.ticks().size() <= 8, scale.toString());
      assertEquals(scale.at(0), 100.0);
      assertEquals(scale.at(scale.most()), 0.0);
    }
  }

  @Test
  public void dotsSayWhoseTheyAre() throws Exception {
    String svg =
        DotStrip.draw(
            List.of(
                new DotStrip.Dot("Ilse", 8, "8"),
                new DotStrip.Dot("Odile", 9, "9"),
                new DotStrip.Dot("Åse <b>", 200, "200")),
            10,
            "Marks");
    Document dots = parsed(svg);
    assertEquals(
        dots.getDocumentElement().getAttribute("aria-label"),
        "Marks: Ilse 8, Odile 9, Åse <b> 200");
    assertEquals(elements(dots, "circle", "dot").size(), 3);
    assertEquals(
        elements(dots, "text", "initial").stream().map(Element::getTextContent).toList(),
        List.of("I", "O", "Å"));
    List<Element> alike =
        elements(
            parsed(
                DotStrip.draw(
                    List.of(
                        new DotStrip.Dot("Ilse", 3, "3"),
                        new DotStrip.Dot("Odile", 3, "3"),
                        new DotStrip.Dot("Maud", 3, "3"),
                        new DotStrip.Dot("Joren", 0, "0")),
                    10,
                    "Marks")),
            "text",
            "initial");
    assertEquals(alike.stream().map(Element::getTextContent).toList(), List.of("J", "IOM"));
    assertEquals(DotStrip.draw(List.of(), 10, "Marks"), "");
  }

  @Test
  public void theThreadShowsEveryMonthAndItsSteps() throws Exception {
    List<Integer> people =
        EVALUATION.costs().overall().planned().stream()
            .map(tertulia.core.growth.People::total)
            .toList();
    Document thread =
        parsed(ThreadChart.draw(people, Demo.selection(), tertulia.core.growth.Scenario.EXPECTED));
    assertEquals(elements(thread, "path", "knot").size(), 2);
    String line = elements(thread, "path", "people").getFirst().getAttribute("d");
    assertEquals(line.split("[ML]").length - 1, people.size());
    assertEquals(
        elements(thread, "text", "note").stream().map(Element::getTextContent).toList(),
        List.of("second route +9", "third route +7"));
  }

  @Test
  public void everyMarkIsDifferent() {
    List<String> marks = new ArrayList<>();
    for (int mark = 1; mark <= 8; mark++) {
      marks.add(Marks.inline(mark).replaceAll("m[1-8]", ""));
    }
    assertEquals(marks.stream().distinct().count(), 8L);
  }
}
