package tertulia.app.selection;

import tertulia.core.billing.View;
import tertulia.core.evaluation.Contender;
import tertulia.core.path.Outcome;
import tertulia.core.path.Stay;

/** A contender's total over all months as it reads in the table, wherever it stands. */
public final class HorizonCell {
  private HorizonCell() {}

  /** The total with the plan and term kept below it; "at most" if an option was left out. */
  public static Cell of(Workspace.Session session, Contender contender) {
    View view = session.evaluation().whatIf().view();
    String why = session.why("horizon", "contender", contender.id());
    return switch (session.evaluation().stay(contender.id())) {
      case Outcome.Found<Stay> found -> {
        yield Cell.figure(Known.amount(found, stay -> stay.ledger().total(view)), why)
            .noting(found.best().option().label() + Known.mark(found.best().option()));
      }
      case Outcome.NoPlan<Stay> none ->
          Cell.missing(none.isUnconfirmed() ? "not confirmed" : "no plan fits", why);
      case Outcome.Unpriced<Stay> unpriced -> Cell.missing("not known", why);
    };
  }
}
