package tertulia.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.firmness.WinnerMap;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.sensitivity.Sizes;
import tertulia.core.sensitivity.TakeIf;

/**
 * Under which conditions each of 8 contenders leads, and the map of who leads by headcount and
 * weight of cost, of a table of four people who judge five criteria beside the cost.
 */
@State(Scope.Benchmark)
public class ConditionsBenchmark {
  private static final int SIZES = 200;
  private final Selection selection = judged(EightContenders.selection());

  private static Selection judged(Selection plain) {
    Random random = new Random(3);
    List<Criterion> criteria = new ArrayList<>();
    criteria.add(new Criterion("cost", "Cost", new Criterion.CostAsFound()));
    for (int c = 0; c < 5; c++) {
      criteria.add(new Criterion("c" + c, "Criterion " + c, new Criterion.Judged()));
    }
    List<Member> members = new ArrayList<>();
    for (int m = 0; m < 4; m++) {
      Map<String, Integer> points = new LinkedHashMap<>();
      criteria.forEach(c -> points.put(c.id(), 1 + random.nextInt(9)));
      Map<String, Map<String, Mark>> marks = new HashMap<>();
      for (int c = 0; c < 5; c++) {
        Map<String, Mark> own = new HashMap<>();
        plain
            .contenders()
            .forEach(t ->
                own.put(t.id(), new Mark(BigDecimal.valueOf(random.nextInt(11)), "", null, "")));
        marks.put("c" + c, own);
      }
      members.add(new Member("m" + m, "Member " + m, 1, points, marks));
    }
    // no two cost the same
    List<Contender> contenders = new ArrayList<>();
    for (int t = 0; t < plain.contenders().size(); t++) {
      contenders.add(plain.contenders().get(t).times(BigDecimal.valueOf(100 + 6L * t, 2)));
    }
    return plain.among(contenders).judgedUnder(criteria).judgedBy(new Panel(members));
  }

  /** All conditions, from nothing. */
  @Benchmark
  public TakeIf conditions() {
    return TakeIf.of(Evaluation.of(selection, WhatIf.START));
  }

  /** Every point of the map, with what each contender costs at each size. */
  @Benchmark
  public int map() {
    WinnerMap map =
        Sizes.byHeadcount(Evaluation.of(selection, WhatIf.START)).orElseThrow().map().orElseThrow();
    int certain = 0;
    for (int size = 1; size <= SIZES; size++) {
      for (int percent = 0; percent < WinnerMap.WEIGHTS; percent++) {
        certain += map.certainLeader(size, percent).isPresent() ? 1 : 0;
      }
    }
    return certain;
  }
}
