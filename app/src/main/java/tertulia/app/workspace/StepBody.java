package tertulia.app.workspace;

import org.springframework.ui.Model;

/** What one step shows below the frame: its address, its template and its model. */
public interface StepBody {
  /** The step's name in addresses, such as "cost". */
  String key();

  /** The template with the step's fragments "results" and "below". */
  String view();

  /** What of the address is this step's own, as it stands in addresses; empty if nothing is. */
  default String own(Session session) {
    return "";
  }

  /** Whether its figures can be read for other people, terms and prices on the spot. */
  default boolean asksWhatIf() {
    return false;
  }

  /** What tells what else this step shows from what it showed before; empty if nothing does. */
  default String stamp(Session session) {
    return "";
  }

  /** Puts what the template reads into the model. */
  void fill(Session session, Model model);
}
