package tertulia.bench;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;

/** What each of 12 musts costs 8 contenders with charges for use, over 36 months. */
@State(Scope.Benchmark)
public class NeedCostsBenchmark {
  private final Selection selection = EightContenders.selection();

  /** The costs of all musts, from nothing. */
  @Benchmark
  public NeedCosts needCosts() {
    return Costs.of(selection, WhatIf.START).overall().needCosts();
  }
}
