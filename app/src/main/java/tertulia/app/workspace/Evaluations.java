package tertulia.app.workspace;

import tertulia.core.deadline.OnceEach;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.sensitivity.Sensitivity;

/**
 * The last costs, so that neither a step along the months nor a weight or a mark computes anew what
 * does not depend on it.
 */
final class Evaluations {
  private final OnceEach<Key, Costs> costs = new OnceEach<>("the costs", 24);

  /**
   * What costs rest on.
   *
   * @param selection without anybody's view
   * @param whatIf that of the first month
   */
  private record Key(Selection selection, WhatIf whatIf) {}

  private final OnceEach<Asked, Sensitivity> sensitivities = new OnceEach<>("how firm it is", 24);

  private record Asked(Selection selection, WhatIf whatIf) {}

  /** How an evaluation answers to changes; what was worked out of an equal one is there already. */
  Sensitivity sensitivity(Evaluation evaluation) {
    return sensitivities.get(
        new Asked(evaluation.selection(), evaluation.whatIf()),
        asked -> new Sensitivity(evaluation));
  }

  Evaluation of(Selection selection, WhatIf whatIf) {
    Key first = new Key(selection.unjudged(), whatIf.at(WhatIf.START.moment()));
    Costs known = costs.get(first, key -> Costs.of(key.selection(), key.whatIf()));
    return Evaluation.of(selection, known.at(whatIf.moment()));
  }
}
