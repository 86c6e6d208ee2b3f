package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.SelectionReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.evaluation.Selection;
import tertulia.core.growth.Measure;

/** Selections with one tool of any shape, and people who grow and come for a season, by a seed. */
public final class GeneratedSelections {
  private GeneratedSelections() {}

  /** The selection of a seed, with one tool; every third loses what it leaves. */
  public static Selection one(int seed) {
    return read(file(seed));
  }

  /** As above as a file. */
  public static SelectionFile file(int seed) {
    Random random = new Random(seed);
    List<Brief.DemandPart> demand = new ArrayList<>();
    demand.add(new Brief.DemandPart("own/level/boat/boats", "" + seed % 9, Map.of("a", "0.25")));
    demand.add(
        new Brief.DemandPart(
            "own/level/ferry in winter’s dock/ferries in winter’s dock", "3", Map.of()));
    for (Measure measure : Measure.KNOWN) {
      Map<String, String> heads = new LinkedHashMap<>();
      heads.put("a", "0." + (1 + random.nextInt(9)));
      heads.put("b", "" + random.nextInt(2));
      String fixed = "" + random.nextInt(4);
      if (measure.addsUp() && seed % 2 == 0) {
        heads.remove("a");
        demand.add(
            new Brief.DemandPart(
                measure.id(),
                fixed,
                heads,
                Map.of("a", new Brief.HabitPart("" + (1 + seed % 5), "week", "0.25", "0.6")),
                stock(measure, seed),
                outside(measure, seed)));
      } else {
        demand.add(
            new Brief.DemandPart(
                measure.id(), fixed, heads, null, stock(measure, seed), outside(measure, seed)));
      }
    }
    List<Brief.GroupPart> groups =
        List.of(
            new Brief.GroupPart(
                "a",
                "Office",
                "percent",
                5 + random.nextInt(40),
                null,
                "" + random.nextInt(40),
                null,
                List.of(
                    new Brief.StepPart(
                        "season", "2027-05", "2027-08", 1 + random.nextInt(30), true))),
            new Brief.GroupPart(
                "b",
                "Crew",
                "hires",
                random.nextInt(20),
                "0." + random.nextInt(90),
                null,
                null,
                List.of(new Brief.StepPart("route", "2027-10", null, -3, false)),
                "2026-09"));
    Brief brief =
        new Brief(
            "Generated",
            "",
            "2026-11-24",
            "2027-01",
            13 + random.nextInt(14),
            "EUR",
            random.nextBoolean() ? "3.5" : "0",
            groups,
            demand,
            "83.50",
            needs(seed),
            List.of(),
            List.of("GBP", "SEK", "NOK", "USD", "CHF", "JPY", "DKK").stream()
                .flatMap(from ->
                    List.of(
                        new Brief.RatePart(from, "EUR", "1.1642", "2026-11-20", "made up"),
                        new Brief.RatePart("EUR", from, "0.8589", "2026-11-20", "made up"))
                        .stream())
                .toList());
    Brief lost = brief.withPractice(new Brief.PracticePart("lost", null, "0", null));
    return new SelectionFile(
        SelectionFile.FORMAT,
        SelectionFile.VERSION,
        seed % 3 == 0 ? lost : brief,
        List.of(
            new SelectionFile.ContenderPart(
                byThemselves(GeneratedSheets.sheet(random, "tool-" + seed)), null)),
        List.of(),
        null);
  }

  /** Every third has something at the start of what adds up. */
  private static @Nullable String stock(Measure measure, int seed) {
    return measure.nature() == Measure.Nature.SUM && seed % 3 == 0 ? "40" : null;
  }

  /** Every other one has more of what is counted by the month elsewhere. */
  private static Brief.@Nullable MoreOutsidePart outside(Measure measure, int seed) {
    return measure.addsUp() && seed % 2 == 1
        ? new Brief.MoreOutsidePart("a box on the quay", "" + (20 + 30 * (seed % 7)), "3.35")
        : null;
  }

  /** What is had only with a page that is not there would have no price. */
  private static ToolSheet byThemselves(ToolSheet sheet) {
    return sheet.withPlans(
        sheet.plans().stream().map(plan -> plan.withBasePlan(null).withBaseTool(null)).toList());
  }

  /** Every fourth needs something no plan has, which is covered outside. */
  private static List<Brief.NeedPart> needs(int seed) {
    return seed % 4 == 0
        ? List.of(
            new Brief.NeedPart(
                "Something no plan has",
                "must",
                null,
                false,
                null,
                new Brief.OutsidePart("another tool", "17.35"),
                null,
                null))
        : List.of();
  }

  public static Selection read(SelectionFile file) {
    Faults faults = new Faults();
    return new SelectionReader(faults)
        .read(file)
        .orElseThrow(() -> new AssertionError(faults.all()));
  }
}
