package tertulia.core.fit;

import tertulia.core.growth.Measure;

/**
 * Something nobody has said yet that may change which plan is needed. It is shown with the
 * contender and changes no verdict.
 */
public sealed interface Question {
  /** What it is about. */
  Measure measure();

  /** Whose page or whose demand answers it, as a sentence. */
  String sentence();

  /** The measure for which a demand would answer it; of a page that says nothing, its own. */
  default Measure answeredBy() {
    return switch (this) {
      case UseUnstated use -> use.measure();
      case SeatsUnstated seats -> seats.seats();
      case NothingSaid nothing -> nothing.measure();
    };
  }

  /** Whether an answer to {@code other} answers it too. */
  default boolean isAnsweredWith(Question other) {
    return getClass().equals(other.getClass())
        && measure().equals(other.measure())
        && answeredBy().equals(other.answeredBy());
  }

  /** Whether it is the buyer who can answer it, and not the price page. */
  default boolean isOurs() {
    return switch (this) {
      case UseUnstated use -> true;
      case SeatsUnstated seats -> true;
      case NothingSaid nothing -> false;
    };
  }

  /**
   * A plan limits something whose use nobody has stated.
   *
   * @param most what the plan allows, in words
   */
  record UseUnstated(Measure measure, String plan, String most) implements Question {
    @Override
    public String sentence() {
      return measure.label()
          + ": "
          + plan
          + " allows "
          + most
          + ", and nobody has said how many you need";
    }
  }

  /** A plan allows so much for each seat, and nobody has said how many seats there are. */
  record SeatsUnstated(Measure measure, Measure seats, String plan) implements Question {
    @Override
    public String sentence() {
      return measure.label()
          + ": the limit of "
          + plan
          + " depends on the number of "
          + seats.label()
          + ", which nobody has stated";
    }
  }

  /** Something is used, and neither the plan nor any other of the tool limits it. */
  record NothingSaid(Measure measure, String plan) implements Question {
    @Override
    public String sentence() {
      return measure.label() + ": needed, but the page does not mention them for " + plan;
    }
  }
}
