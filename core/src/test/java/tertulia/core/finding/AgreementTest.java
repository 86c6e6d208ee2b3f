package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Agreement;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Settled;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Weighing;

/** Where people agree, against the plain reading of each alone, on generated tables. */
public class AgreementTest {
  private static Selection with(Selection selection, List<Member> members) {
    return selection.judgedBy(new Panel(members));
  }

  /** Somebody who counts, or by a share of 0 does not. */
  private static Member sharing(int share, Member member) {
    return new Member(
        member.id(), member.name(), share, member.weighing(), member.marks(), member.handedIn());
  }

  private static Member member(int i, Selection selection, Random random) {
    Map<String, Mark> marks = new HashMap<>();
    for (Contender contender : selection.contenders()) {
      if (random.nextInt(6) > 0) {
        marks.put(contender.id(), Mark.of(random.nextInt(11)));
      }
    }
    Map<String, Integer> points = new HashMap<>();
    selection.criteria().forEach(c -> points.put(c.id(), random.nextInt(4)));
    return new Member("m" + i, "M" + i, 1, points, Map.of("ease", marks));
  }

  private static List<String> order(Selection selection) {
    return Evaluation.of(selection, WhatIf.START)
        .scores()
        .totals()
        .map(totals -> totals.standings().stream().map(Totals.Standing::contender).toList())
        .orElse(List.of());
  }

  @Test
  public void eachIsReadAloneAndLeftOutAsIfTheTableWereSo() {
    int named = 0;
    int agreed = 0;
    int turned = 0;
    Set<AgreementFinding.RankingsAgree.Degree> degrees =
        EnumSet.noneOf(AgreementFinding.RankingsAgree.Degree.class);
    for (int seed = 1; seed < 120; seed++) {
      Random random = new Random(seed);
      Selection bare = Generated.selection(seed);
      List<Member> members = new ArrayList<>();
      for (int i = 0; i < 2 + random.nextInt(3); i++) {
        members.add(sharing(random.nextInt(3), member(i, bare, random)));
      }
      Evaluation evaluation = Evaluation.of(with(bare, members), WhatIf.START);
      Agreement agreement = Agreement.of(evaluation);
      for (int i = 0; i < members.size(); i++) {
        Agreement.Own own = agreement.own().get(i);
        List<Member> others = new ArrayList<>(members);
        others.remove(i);
        assertEquals(own.ranking(), order(with(bare, List.of(members.get(i)))));
        assertEquals(own.without(), order(with(bare, others)));
      }
      List<String> shared = order(with(bare, members));
      List<Finding> said = new ArrayList<>(new AgreementFindings(agreement, shared).all());
      if (agreement.concordance().isPresent()) {
        AgreementFinding.RankingsAgree agree = (AgreementFinding.RankingsAgree) said.removeFirst();
        assertEquals(agree.w(), agreement.concordance().get());
        double w = agree.w().doubleValue();
        assertEquals(
            agree.degree().ordinal(), w >= 0.7 ? 0 : w >= 0.3 ? 1 : 2, "by 0.7 and by 0.3");
        degrees.add(agree.degree());
        Set<String> firsts = new LinkedHashSet<>();
        members.forEach(
            m -> order(with(bare, List.of(m))).stream().findFirst().ifPresent(firsts::add));
        assertEquals(agree.firsts(), List.copyOf(firsts));
      }
      List<Finding> turns = new ArrayList<>();
      for (Member member : members) {
        List<Member> others = new ArrayList<>(members);
        others.remove(member);
        List<String> without = order(with(bare, others));
        boolean weighed = !order(with(bare, List.of(member))).isEmpty();
        if (weighed && !without.isEmpty() && !without.getFirst().equals(shared.getFirst())) {
          turns.add(
              new AgreementFinding.ViewTurns(member.name(), without.getFirst(), shared.getFirst()));
        }
      }
      assertEquals(said, turns, "seed " + seed);
      turned += turns.size();
      agreed += agreement.concordance().isPresent() ? 1 : 0;
      named += points(evaluation, members, agreement) ? 1 : 0;
    }
    assertTrue(named > 40 && agreed > 40 && turned > 10, named + " " + agreed + " " + turned);
    assertEquals(degrees, EnumSet.allOf(AgreementFinding.RankingsAgree.Degree.class));
  }

  /** The points named are those with the largest weight times spread, and no others. */
  private static boolean points(Evaluation evaluation, List<Member> members, Agreement agreement) {
    BigDecimal weight =
        new Panel(members)
            .groupWeights(evaluation.scores().criteria())
            .map(w -> w.get("ease"))
            .orElse(BigDecimal.ZERO);
    List<BigDecimal> reaches = new ArrayList<>();
    for (Contender contender : evaluation.costs().overall().feasible()) {
      List<BigDecimal> given =
          members.stream()
              .flatMap(m -> Optional.ofNullable(m.marks().get("ease").get(contender.id())).stream())
              .map(m -> m.given().orElseThrow())
              .sorted()
              .toList();
      if (given.size() > 1) {
        BigDecimal spread = given.getLast().subtract(given.getFirst());
        BigDecimal reach = spread.multiply(weight).movePointLeft(1);
        if (reach.signum() > 0) {
          reaches.add(reach);
        }
      }
    }
    reaches.sort(Comparator.reverseOrder());
    List<BigDecimal> most = reaches.subList(0, Math.min(Agreement.MOST_POINTS, reaches.size()));
    assertEquals(agreement.points().size(), most.size());
    for (int i = 0; i < most.size(); i++) {
      Agreement.Point point = agreement.points().get(i);
      assertEquals(point.reach().compareTo(most.get(i)), 0);
      BigDecimal spread =
          point
              .high()
              .mark()
              .given()
              .orElseThrow()
              .subtract(point.low().mark().given().orElseThrow());
      assertEquals(spread.multiply(weight).movePointLeft(1).compareTo(point.reach()), 0);
    }
    return !most.isEmpty();
  }

  /** A view that is not for the reader yet counts in nothing and is said to be missing. */
  @Test
  public void whatIsWithheldCountsInNothing() {
    int met = 0;
    for (int seed = 1; seed < 60; seed++) {
      Random random = new Random(seed);
      Selection bare = Generated.selection(seed);
      Member seen = member(0, bare, random);
      Member in = new Member("m1", "M1", 5, new Weighing.Withheld(true, 0), Map.of(), true);
      Member not = new Member("m2", "M2", 5, new Weighing.Withheld(false, 2), Map.of(), false);
      Selection selection = with(bare, List.of(in, seen, not));
      Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
      assertEquals(order(selection), order(with(bare, List.of(seen))));
      assertEquals(Agreement.of(evaluation).own().size(), 1);
      assertEquals(Agreement.of(evaluation).points(), List.of());
      assertTrue(Progress.hasWeighed(selection, in));
      assertTrue(!Progress.hasWeighed(selection, not));
      assertEquals(Progress.marksLeft(selection, in), 0);
      assertEquals(Progress.marksLeft(selection, not), 2);
      List<MissingFinding> missing =
          new AnswerFindings(evaluation).missing(LocalDate.of(2026, 11, 24), 180);
      if (evaluation.costs().overall().feasible().size() > 1) {
        met++;
        assertTrue(
            missing.contains(new MissingFinding.ViewsWithheld(List.of("M1", "M2"), List.of("M1"))),
            missing.toString());
      }
    }
    assertTrue(met > 10);
  }

  @Test
  public void whatIsWorkedOutAlreadyIsNotMarkedToo() {
    Selection bare = Generated.selection(5);
    List<Criterion> criteria = new ArrayList<>(bare.criteria());
    criteria.add(new Criterion("money", "Value for money", new Criterion.Judged()));
    criteria.add(new Criterion("moneyed", "Moneyed friends", new Criterion.Judged()));
    Selection selection =
        new Selection(
            bare.title(),
            bare.purpose(),
            bare.asOf(),
            bare.horizon(),
            bare.currency(),
            bare.rise(),
            bare.groups(),
            bare.demands(),
            bare.averagePayment(),
            bare.needs(),
            criteria,
            bare.contenders(),
            bare.panel(),
            bare.rates(),
            bare.scenarios(),
            bare.practice());
    assertEquals(
        new ScoreFindings(Evaluation.of(selection, WhatIf.START)).countedTwice(),
        List.of(new ScoreFinding.CountedTwice("Value for money", "Cost", true)));
    assertEquals(new ScoreFindings(Evaluation.of(bare, WhatIf.START)).countedTwice(), List.of());
  }

  /**
   * A mark settled together takes the place of all, is nobody's own, and is talked over already.
   */
  @Test
  public void whatIsSettledCountsInPlaceOfEachOnesMark() {
    int met = 0;
    for (int seed = 1; seed < 60; seed++) {
      Random random = new Random(seed);
      Selection bare = Generated.selection(seed);
      List<Member> members = List.of(member(0, bare, random), member(1, bare, random));
      Evaluation before = Evaluation.of(with(bare, members), WhatIf.START);
      List<Agreement.Point> points = Agreement.of(before).points();
      if (!points.isEmpty()) {
        met++;
        String contender = points.getFirst().contender();
        Settled settled =
            new Settled("ease", contender, BigDecimal.valueOf(9), "We looked at it together.");
        Evaluation after =
            Evaluation.of(bare.judgedBy(new Panel(members, List.of(settled))), WhatIf.START);
        assertEquals(
            after.scores().value(contender, points.getFirst().criterion()).orElseThrow().interval(),
            tertulia.core.scoring.Interval.exactly(new BigDecimal("0.9")));
        Agreement agreement = Agreement.of(after);
        assertTrue(agreement.points().stream().noneMatch(p -> p.contender().equals(contender)));
        for (int i = 0; i < 2; i++) {
          assertEquals(
              agreement.own().get(i).ranking(), Agreement.of(before).own().get(i).ranking());
        }
      }
    }
    assertTrue(met > 15, "met " + met);
  }
}
