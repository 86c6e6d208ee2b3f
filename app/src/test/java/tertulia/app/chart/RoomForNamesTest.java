package tertulia.app.chart;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.StringReader;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import tertulia.app.exchange.Demo;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.scoring.Interval;
import tertulia.core.time.Horizon;

/** Twelve contenders with names of forty characters: no name is cut, none touches another. */
public class RoomForNamesTest {
  private static final int CONTENDERS = 12;
  private static final int SEEDS = 40;

  /** Somewhat less than an average letter takes, so that only what surely touches is refused. */
  private static final double CHARACTER = 5.6;

  private static final double HEIGHT = 11;
  private static final Horizon HORIZON = new Horizon(YearMonth.of(2026, 12), 36);

  private static String name(int i) {
    return "The %02d of twelve quite long names of tools".formatted(i).substring(0, 40);
  }

  private record Box(String text, double left, double top, double right, double bottom) {
    boolean touches(Box other) {
      return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
    }
  }

  private static List<Box> boxes(String svg) throws Exception {
    Document document =
        DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(new InputSource(new StringReader(svg)));
    String[] view = document.getDocumentElement().getAttribute("viewBox").split(" ");
    List<Box> boxes = new ArrayList<>();
    NodeList texts = document.getElementsByTagName("text");
    for (int i = 0; i < texts.getLength(); i++) {
      Element text = (Element) texts.item(i);
      double width = CHARACTER * text.getTextContent().length();
      double x = Double.parseDouble(text.getAttribute("x"));
      double y = Double.parseDouble(text.getAttribute("y"));
      double left =
          switch (text.getAttribute("text-anchor")) {
            case "end" -> x - width;
            case "middle" -> x - width / 2;
            default -> x;
          };
      Box box = new Box(text.getTextContent(), left, y - HEIGHT, left + width, y);
      assertTrue(
          box.left >= -2
              && box.right <= Double.parseDouble(view[2]) + 2
              && box.top >= -3
              && box.bottom <= Double.parseDouble(view[3]) + 2,
          "outside the picture: " + box);
      boxes.add(box);
    }
    return boxes;
  }

  private static void hasRoom(String svg) throws Exception {
    List<Box> boxes = boxes(svg);
    for (int i = 0; i < boxes.size(); i++) {
      for (Box other : boxes.subList(i + 1, boxes.size())) {
        assertTrue(!boxes.get(i).touches(other), boxes.get(i) + " touches " + other);
      }
    }
    assertTrue(boxes.stream().noneMatch(box -> box.text.contains("…")), boxes.toString());
  }

  private static void named(String svg) throws Exception {
    hasRoom(svg);
    List<String> texts = boxes(svg).stream().map(Box::text).toList();
    for (int i = 0; i < CONTENDERS; i++) {
      assertTrue(texts.contains(name(i)), name(i));
    }
  }

  private static Money eur(double amount) {
    return Money.of(CurrencyUnit.EUR, BigDecimal.valueOf(Math.round(amount)));
  }

  private static List<Money> months(Random random) {
    double each = 50 + random.nextInt(400);
    return IntStream.range(0, HORIZON.months()).mapToObj(m -> eur(each * (m + 1))).toList();
  }

  @Test
  public void costByHeadcount() throws Exception {
    CostByHeadcount demo =
        Evaluation.of(Demo.selection(), WhatIf.START).costs().curves().costByHeadcount();
    List<CostByHeadcount.Curve> curves = new ArrayList<>(demo.curves().values());
    for (int seed = 0; seed < 8; seed++) {
      Collections.shuffle(curves, new Random(seed));
      Map<String, CostByHeadcount.Curve> twelve = new LinkedHashMap<>();
      List<Drawn> lines = new ArrayList<>();
      for (int i = 0; i < CONTENDERS; i++) {
        twelve.put("t" + i, curves.get(i % curves.size()));
        lines.add(new Drawn("t" + i, name(i), i % 8 + 1));
      }
      CostByHeadcount costs =
          new CostByHeadcount(
              demo.most(),
              twelve,
              List.of(new CostByHeadcount.Lead(1, java.util.Optional.of("t0"))));
      named(CostChart.draw(costs, lines, new CostChart.Read(62, 62, 111)));
    }
  }

  @Test
  public void overTheMonths() throws Exception {
    for (int seed = 0; seed < SEEDS; seed++) {
      Random random = new Random(seed);
      List<Monthly> running = new ArrayList<>();
      List<Monthly> months = new ArrayList<>();
      for (int i = 0; i < CONTENDERS; i++) {
        running.add(new Monthly(name(i), i % 8 + 1, months(random)));
        months.add(new Monthly(name(i), i % 8 + 1, months(random)));
      }
      named(RunningChart.draw(HORIZON, running, List.of()));
      named(MonthsChart.byTool(months, HORIZON, "spread"));
      // two cross a third in the same month
      int month = 3 + random.nextInt(HORIZON.months() - 6);
      List<Monthly> four = running.subList(0, 4);
      Money at = four.getFirst().months().get(month);
      hasRoom(
          RunningChart.draw(
              HORIZON,
              four,
              List.of(
                  new RunningChart.Crossing(month, "from Mar 2028: " + name(0), at),
                  new RunningChart.Crossing(
                      month, "from Mar 2028: " + name(1), at.plus(random.nextInt(40))))));
    }
  }

  @Test
  public void worthAgainstCost() throws Exception {
    for (int seed = 0; seed < SEEDS; seed++) {
      Random random = new Random(seed);
      List<ValueForMoney.Point> points = new ArrayList<>();
      List<WorthChart.Placed> contenders = new ArrayList<>();
      for (int i = 0; i < CONTENDERS; i++) {
        BigDecimal value = BigDecimal.valueOf(random.nextInt(900), 3);
        points.add(
            new ValueForMoney.Point(
                "t" + i,
                new Interval(value, value.add(BigDecimal.valueOf(random.nextInt(100), 3))),
                Amount.exactly(eur(1000 + random.nextInt(20_000))),
                i % 3 == 2 ? List.of("t0") : List.of()));
        contenders.add(new WorthChart.Placed("t" + i, name(i), i % 8 + 1, i == 0));
      }
      String picture = WorthChart.draw(new ValueForMoney(points, List.of()), contenders);
      hasRoom(picture);
      assertEquals(
          picture.split(", beaten in both", -1).length - 1,
          2 * CONTENDERS / 3,
          "told of each, and in the summary");
    }
  }

  @Test
  public void waysAndPlans() throws Exception {
    List<RibbonChart.Lane> lanes = new ArrayList<>();
    List<PlansChart.Tool> tools = new ArrayList<>();
    List<OptionalInt> units = Collections.nCopies(HORIZON.months(), OptionalInt.of(7));
    for (int i = 0; i < CONTENDERS; i++) {
      lanes.add(
          new RibbonChart.Lane(
              name(i),
              i % 8 + 1,
              List.of(
                  new RibbonChart.Stretch(name(i) + ", monthly", 0, 5),
                  new RibbonChart.Stretch(name(i) + ", yearly", 5, 36)),
              units,
              units,
              ""));
      tools.add(
          new PlansChart.Tool(
              name(i), i % 8 + 1, List.of(new PlansChart.Plan(name(i), List.of()))));
    }
    named(RibbonChart.draw(lanes, HORIZON));
    hasRoom(PlansChart.draw(tools, HORIZON));
  }

  @Test
  public void needsInWordsOfAnyLength() throws Exception {
    String unbroken = "x".repeat(80);
    List<NeedsChart.Bar> bars =
        List.of(
            new NeedsChart.Bar(
                unbroken, eur(1200), List.of(), List.of(name(1), name(2), name(3)), List.of()),
            new NeedsChart.Bar("Short", eur(0), List.of(), List.of(), List.of(name(2))),
            new NeedsChart.Bar(
                "A need in a whole sentence, as those who ask for it put it themselves, with a comma",
                eur(700),
                List.of(),
                List.of(),
                List.of()));
    hasRoom(NeedsChart.draw(bars, 36));
  }

  /** A plan that begins in December has January beside it. */
  @Test
  public void monthsBesideEachOtherDoNotTouch() {
    for (int from = 1; from <= 12; from++) {
      Horizon horizon = new Horizon(YearMonth.of(2026, from), 120);
      for (double step : new double[] {5, 9.7, 31, 80}) {
        List<Integer> labelled = TimeAxis.labelled(horizon, step);
        assertEquals(labelled.getFirst(), 0);
        for (int i = 1; i < labelled.size(); i++) {
          assertTrue((labelled.get(i) - labelled.get(i - 1)) * step >= 62, labelled.toString());
          assertEquals(horizon.month(labelled.get(i)).getMonthValue(), 1);
        }
      }
    }
  }
}
