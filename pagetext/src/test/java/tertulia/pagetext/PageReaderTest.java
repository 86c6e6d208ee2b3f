package tertulia.pagetext;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.RoundingMode;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.testng.Reporter;
import org.testng.annotations.Test;
import tertulia.core.fit.Count;
import tertulia.pagetext.PageReading.Basis;
import tertulia.pagetext.PageReading.PlanSaid;

/** Generated pages of every shape are read, and each cell is compared with what the page says. */
public class PageReaderTest {
  private static final int EACH_SHAPE = 60;

  /** Cells by what became of them; a wrong one by how sure it was said. */
  private static final class Tally {
    int right;
    int missed;
    final Map<Sureness, Integer> wrong = new EnumMap<>(Sureness.class);

    int wrong() {
      return wrong.values().stream().mapToInt(Integer::intValue).sum();
    }

    int all() {
      return right + missed + wrong();
    }

    @Override
    public String toString() {
      return "%5d cells: right %.1f %%, missed %.1f %%, wrong %.2f %% %s"
          .formatted(
              all(), 100.0 * right / all(), 100.0 * missed / all(), 100.0 * wrong() / all(), wrong);
    }
  }

  private record Cell(String value, Sureness sure) {}

  @Test
  public void whatIsReadIsWhatThePageSays() {
    Map<GeneratedPage.Shape, Tally> shapes = new EnumMap<>(GeneratedPage.Shape.class);
    Tally all = new Tally();
    StringBuilder examples = new StringBuilder();
    for (GeneratedPage.Shape shape : GeneratedPage.Shape.values()) {
      Tally tally = shapes.computeIfAbsent(shape, s -> new Tally());
      for (int seed = 0; seed < EACH_SHAPE; seed++) {
        GeneratedPage page =
            new GeneratedPage.Writer(new Random(1000L * shape.ordinal() + seed)).page(shape);
        Map<String, Cell> read = cells(PageReader.read(page.text()));
        for (Tally one : new Tally[] {tally, all}) {
          count(page, read, one);
        }
        if (examples.length() < 8000) {
          examples.append(differences(page, read));
        }
      }
    }
    StringBuilder table = new StringBuilder();
    shapes.forEach((shape, tally) -> table.append("%-20s %s%n".formatted(shape, tally)));
    table.append("%-20s %s%n".formatted("all", all));
    Reporter.log(table.toString(), true);
    String said = table + "\n" + examples;
    assertEquals(all.wrong.getOrDefault(Sureness.CLEAR, 0), Integer.valueOf(0), said);
    assertEquals(all.wrong(), 0, said);
    assertTrue(all.right * 200 >= all.all() * 199, "at least 99.5 percent right\n" + said);
  }

  private static void count(GeneratedPage page, Map<String, Cell> read, Tally tally) {
    page.says()
        .forEach((cell, value) -> {
          Cell found = read.get(cell);
          if (found == null) {
            tally.missed++;
          } else if (found.value().equals(value)) {
            tally.right++;
          } else {
            tally.wrong.merge(found.sure(), 1, Integer::sum);
          }
        });
    read.forEach((cell, found) -> {
      if (!page.says().containsKey(cell)) {
        tally.wrong.merge(found.sure(), 1, Integer::sum);
      }
    });
  }

  private static String differences(GeneratedPage page, Map<String, Cell> read) {
    StringBuilder found = new StringBuilder();
    page.says()
        .forEach((cell, value) -> {
          Cell is = read.get(cell);
          if (is == null || !is.value().equals(value)) {
            found
                .append("  ")
                .append(cell)
                .append(" is ")
                .append(value)
                .append(", read ")
                .append(is)
                .append('\n');
          }
        });
    read.forEach((cell, is) -> {
      if (!page.says().containsKey(cell)) {
        found.append("  ").append(cell).append(" is nothing, read ").append(is).append('\n');
      }
    });
    return found.isEmpty() ? "" : "\n--- " + page.shape() + "\n" + page.text() + "\n" + found;
  }

  /** A reading as cells of the same names as {@link GeneratedPage#says}. */
  private static Map<String, Cell> cells(PageReading reading) {
    Map<String, Cell> cells = new LinkedHashMap<>();
    reading.tool().ifPresent(name -> put(cells, "tool", name.value(), name));
    reading.plans().forEach(plan -> plan(plan, cells));
    reading.trialDays().ifPresent(days -> put(cells, "trial", "" + days.value(), days));
    reading
        .addOns()
        .forEach(addOn ->
            put(
                cells,
                "addon/" + addOn.name().value(),
                money(addOn.price().value()) + " " + each(addOn.price().value()),
                addOn.price()));
    reading
        .offers()
        .forEach(offer ->
            put(
                cells,
                offer.value().plan().orElse("all") + "/offer",
                offer
                        .value()
                        .percent()
                        .map(p -> p.stripTrailingZeros().toPlainString())
                        .orElse("free")
                    + " "
                    + offer.value().months().map(String::valueOf).orElse("-")
                    + " "
                    + offer.value().until().map(String::valueOf).orElse("-"),
                offer));
    return cells;
  }

  private static void plan(PlanSaid plan, Map<String, Cell> cells) {
    String name = plan.name().value();
    if (plan.basis().value() != Basis.NOT_SAID) {
      put(cells, name + "/basis", plan.basis().value().name(), plan.basis());
    }
    plan.least().ifPresent(n -> put(cells, name + "/least", "" + n.value(), n));
    plan.most().ifPresent(n -> put(cells, name + "/most", "" + n.value(), n));
    plan.prices()
        .forEach(price ->
            put(
                cells,
                name
                    + "/price/"
                    + price.value().term().monthsCommitted()
                    + "/"
                    + each(price.value()),
                money(price.value()),
                price));
    plan.bands()
        .forEach(band ->
            put(
                cells,
                name + "/band/" + band.value().upTo().map(String::valueOf).orElse("more"),
                money(band.value().price()) + " " + each(band.value().price()),
                band));
    plan.limits()
        .forEach(limit ->
            put(
                cells,
                name + "/limit/" + limit.value().measure().id(),
                limit
                    .value()
                    .most()
                    .map(n -> n.stripTrailingZeros().toPlainString())
                    .orElse("unlimited"),
                limit));
    plan.answers()
        .forEach(answer ->
            put(
                cells,
                name + "/answer/" + answer.value().capability(),
                answer.value().count().map(Count::words).orElse(answer.value().answer().name()),
                answer));
    plan.once()
        .forEach(once ->
            put(cells, name + "/once/" + once.value().name(), "" + once.value().amount(), once));
    plan.use()
        .forEach(use ->
            put(
                cells,
                name + "/use/" + use.value().measure().id(),
                "" + use.value().amount(),
                use));
    plan.fees().forEach(fee -> put(cells, name + "/fee", "" + fee.value(), fee));
    plan.included().ifPresent(n -> put(cells, name + "/included", "" + n.value(), n));
    plan.pack().ifPresent(n -> put(cells, name + "/pack", "" + n.value(), n));
  }

  private static void put(Map<String, Cell> cells, String cell, String value, Said<?> said) {
    cells.put(cell, new Cell(value, said.sure()));
  }

  private static String money(Price price) {
    return price.aMonth().setScale(4, RoundingMode.HALF_UP) + " " + price.currency();
  }

  private static String each(Price price) {
    return price.each().map(measure -> measure.id()).orElse("account");
  }
}
