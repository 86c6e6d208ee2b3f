package tertulia.app.selection;

import tertulia.app.exchange.Memo;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;

/**
 * The last evaluations, so that moving along the thread of months does not compute anew what does
 * not depend on the month.
 */
final class Evaluations {
  private final Memo<Key, Evaluation> kept = new Memo<>(24);

  /** The what if is that of the first month. */
  private record Key(Selection selection, WhatIf whatIf) {}

  Evaluation of(Selection selection, WhatIf whatIf) {
    Key first = new Key(selection, whatIf.at(WhatIf.START.moment()));
    return kept.get(first, key -> Evaluation.of(key.selection(), key.whatIf())).at(whatIf.moment());
  }
}
