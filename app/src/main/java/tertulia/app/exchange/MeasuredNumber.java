package tertulia.app.exchange;

import tertulia.core.scoring.Criterion;

/** Between what a criterion measures as it is written and the core's. */
public final class MeasuredNumber {
  public static final String TASKS_DONE = "tasks-done";
  public static final String MINUTES = "minutes";
  private static final String INCLUDED = "included/";

  private MeasuredNumber() {}

  /**
   * What a code measures.
   *
   * @throws IllegalArgumentException if it is none
   */
  public static Criterion.Number of(String code) {
    if (code.startsWith(INCLUDED)) {
      return new Criterion.Number.Included(Codes.measure(code.substring(INCLUDED.length())));
    }
    return switch (code) {
      case TASKS_DONE -> new Criterion.Number.TasksDone();
      case MINUTES -> new Criterion.Number.Minutes();
      default ->
          throw new IllegalArgumentException(
              "\""
                  + Codes.shortened(code)
                  + "\" cannot be measured. Write tasks-done, minutes, or included/ and what is"
                  + " counted, such as included/gigabytes-kept.");
    };
  }

  public static String code(Criterion.Number number) {
    return switch (number) {
      case Criterion.Number.Included included -> INCLUDED + included.measure().id();
      case Criterion.Number.TasksDone done -> TASKS_DONE;
      case Criterion.Number.Minutes minutes -> MINUTES;
    };
  }

  /** Such as "how many calendars are included". */
  public static String words(Criterion.Number number) {
    return switch (number) {
      case Criterion.Number.Included included ->
          "how many " + included.measure().label() + " are included";
      case Criterion.Number.TasksDone done -> "tasks done when tried, in percent";
      case Criterion.Number.Minutes minutes -> "minutes a task took when tried";
    };
  }
}
