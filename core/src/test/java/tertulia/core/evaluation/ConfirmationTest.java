package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.Samples;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Need;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;

/**
 * What it would be if what is open turned out well, against the same question in which somebody has
 * found that out: every unknown fact a yes, every open allowance as much as it can be.
 */
public class ConfirmationTest {
  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[120][];
    for (int seed = 0; seed < seeds.length; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  /** A generated question of which some answers are not known. */
  private static Evaluation evaluation(int seed) {
    Evaluation known = Generated.evaluation(seed);
    Random random = new Random(77L * seed + 5);
    return Evaluation.of(
        known
            .selection()
            .among(known.selection().contenders().stream().map(c -> forgotten(c, random)).toList()),
        known.whatIf());
  }

  private static Contender forgotten(Contender contender, Random random) {
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    List<Plan> plans = new ArrayList<>();
    for (Plan plan : contender.tool().plans()) {
      Map<String, Fact> own = new HashMap<>(contender.facts().getOrDefault(plan.id(), Map.of()));
      own.keySet().removeIf(capability -> random.nextInt(4) == 0);
      facts.put(plan.id(), own);
      plans.add(
          plan.allowances().isEmpty() && random.nextInt(4) == 0
              ? allowing(
                  plan,
                  List.of(
                      new Allowance(
                          Measure.AUTOMATION_RUNS,
                          random.nextBoolean()
                              ? new Allowance.Limit.Unknown()
                              : new Allowance.Limit.AccountOrSeat(BigDecimal.TEN, Measure.SEATS),
                          Samples.PAGE)))
              : plan);
    }
    return with(contender, plans, facts);
  }

  private static Plan allowing(Plan plan, List<Allowance> allowances) {
    return new Plan(
        plan.id(),
        plan.name(),
        plan.range(),
        plan.prices(),
        plan.tax(),
        allowances,
        plan.unsaid(),
        plan.source());
  }

  private static Contender with(
      Contender contender, List<Plan> plans, Map<String, Map<String, Fact>> facts) {
    Tool tool = contender.tool();
    return new Contender(
        new Tool(tool.id(), tool.name(), tool.maker(), plans, tool.offers(), tool.owned()),
        facts,
        contender.ratings(),
        contender.setAside().orElse(null),
        contender.takes().orElse(null),
        contender.plansAside());
  }

  private static Selection answered(Selection selection) {
    return selection.among(
        selection.contenders().stream().map(c -> answered(c, selection)).toList());
  }

  private static Contender answered(Contender contender, Selection selection) {
    Set<Measure> spoken = new TreeSet<>(java.util.Comparator.comparing(Measure::id));
    contender.offerings().forEach(offering -> spoken.addAll(offering.spoken().keySet()));
    // an answer for one plan speaks of it for all
    contender.plans().stream()
        .flatMap(plan -> plan.allowances().stream())
        .forEach(allowance -> spoken.add(allowance.measure()));
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    List<Plan> plans = new ArrayList<>();
    for (Plan plan : contender.tool().plans()) {
      Map<String, Fact> own = new HashMap<>(contender.facts().getOrDefault(plan.id(), Map.of()));
      for (Need need : selection.needs()) {
        Fact fact = own.get(need.capability().id());
        if (fact == null || fact.answer() == Answer.UNKNOWN) {
          own.put(need.capability().id(), new Fact(Answer.YES, Samples.PAGE));
        }
      }
      facts.put(plan.id(), own);
      plans.add(answered(plan, spoken));
    }
    return with(contender, plans, facts);
  }

  private static Plan answered(Plan plan, Set<Measure> spoken) {
    List<Allowance> allowances = new ArrayList<>();
    for (Allowance allowance : plan.allowances()) {
      allowances.add(
          switch (allowance.limit()) {
            case Allowance.Limit.Unknown unknown -> unlimited(allowance.measure());
            // ten for each of eleven seats or more are more than ten for the account
            case Allowance.Limit.AccountOrSeat each ->
                new Allowance(
                    allowance.measure(),
                    new Allowance.Limit.Hard(each.forEachSeat()),
                    allowance.source());
            case Allowance.Limit.Hard hard -> allowance;
            case Allowance.Limit.Unlimited unlimited -> allowance;
          });
    }
    for (Measure measure : spoken) {
      boolean said =
          plan.allowances().stream().anyMatch(a -> a.measure().equals(measure))
              || plan.range().cap().isPresent() && plan.range().measure().equals(measure)
              || plan.charged().stream().anyMatch(list -> list.counts(measure));
      if (!measure.isPeople() && !said) {
        allowances.add(unlimited(measure));
      }
    }
    return allowing(plan, allowances);
  }

  private static Allowance unlimited(Measure measure) {
    return new Allowance(measure, new Allowance.Limit.Unlimited(), Samples.PAGE);
  }

  @Test(dataProvider = "seeds")
  public void theFigureIsThatOfTheAnsweredQuestion(int seed) {
    Evaluation read = evaluation(seed);
    Costs open = read.costs();
    Costs found = Costs.of(answered(read.selection()), read.whatIf());
    for (Contender contender : read.selection().contenders()) {
      String id = contender.id();
      assertEquals(
          open.ifConfirmed().overall().totalBounds(id), found.overall().totalBounds(id), id);
      assertEquals(open.ifConfirmed().now().monthly(id), found.now().monthly(id), id);
    }
  }

  @Test(dataProvider = "seeds")
  public void itIsSaidOnlyWhereItIsLessAndNamesWhatIsOpen(int seed) {
    Costs open = evaluation(seed).costs();
    for (Contender contender : open.selection().contenders()) {
      String id = contender.id();
      Optional<Confirmation.Whole> whole = open.confirmation().whole(id);
      whole.ifPresent(found -> {
        assertFalse(found.open().isEmpty());
        assertTrue(found.open().stream().noneMatch(o -> o.reason().excludes()));
        open.overall()
            .totalBounds(id)
            .ifPresent(known -> assertTrue(found.total().high().isLessThan(known.high()), id));
      });
      open.confirmation()
          .now(id)
          .ifPresent(found -> {
            assertTrue(found.open().stream().noneMatch(o -> o.reason().excludes()));
            open.now()
                .monthly(id)
                .ifPresent(known -> assertTrue(found.monthly().high().isLessThan(known.high())));
          });
    }
  }

  @Test
  public void someGeneratedQuestionsHaveBothKinds() {
    int alone = 0;
    int cheaper = 0;
    for (int seed = 0; seed < 120; seed++) {
      Costs open = evaluation(seed).costs();
      for (Contender contender : open.selection().contenders()) {
        if (open.confirmation().whole(contender.id()).isPresent()) {
          if (open.overall().totalBounds(contender.id()).isEmpty()) {
            alone++;
          } else {
            cheaper++;
          }
        }
      }
    }
    assertTrue(alone > 5 && cheaper > 5, alone + " alone, " + cheaper + " cheaper");
  }
}
