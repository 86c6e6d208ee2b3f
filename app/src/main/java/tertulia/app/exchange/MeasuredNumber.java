package tertulia.app.exchange;

import tertulia.core.scoring.Criterion;

/** Between what a criterion measures as it is written and the core's. */
public final class MeasuredNumber {
  public static final String TASKS_DONE = "tasks-done";
  public static final String MINUTES = "minutes";
  private static final String INCLUDED = "included/";
  private static final String COUNT = "count/";

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
    if (code.startsWith(COUNT)) {
      return read(code.substring(COUNT.length()), code);
    }
    return switch (code) {
      case TASKS_DONE -> new Criterion.Number.TasksDone();
      case MINUTES -> new Criterion.Number.Minutes();
      default ->
          throw new IllegalArgumentException(
              "\""
                  + Codes.shortened(code)
                  + "\" cannot be measured. Write tasks-done, minutes, included/ and a measure, such as"
                  + " included/gigabytes-kept, or count/ with a name and its unit, such as"
                  + " count/Languages/languages.");
    };
  }

  /** The count of what a fact counts. */
  public static Criterion.Number counted(String capability, String answer) {
    return new Criterion.Number.Counted(
        Codes.slug(capability), capability, TypedCount.read(answer).unit());
  }

  private static Criterion.Number read(String nameAndUnit, String code) {
    int end = nameAndUnit.lastIndexOf('/');
    if (end <= 0 || end == nameAndUnit.length() - 1) {
      throw new IllegalArgumentException(
          "\""
              + Codes.shortened(code)
              + "\" counts nothing. Write count/ with a name and its unit, such as"
              + " count/Languages/languages.");
    }
    String name = Codes.text(nameAndUnit.substring(0, end), BriefReader.LONGEST_NAME);
    return new Criterion.Number.Counted(
        Codes.slug(name), name, Codes.text(nameAndUnit.substring(end + 1), 40));
  }

  public static String code(Criterion.Number number) {
    return switch (number) {
      case Criterion.Number.Included included -> INCLUDED + included.measure().id();
      case Criterion.Number.Counted counted -> COUNT + counted.name() + "/" + counted.unit();
      case Criterion.Number.TasksDone done -> TASKS_DONE;
      case Criterion.Number.Minutes minutes -> MINUTES;
    };
  }

  /** Such as "how many calendars are included". */
  public static String words(Criterion.Number number) {
    return switch (number) {
      case Criterion.Number.Included included ->
          "how many " + included.measure().label() + " are included";
      case Criterion.Number.Counted counted ->
          counted.name().equalsIgnoreCase(counted.unit())
              ? "how many " + counted.unit()
              : counted.name() + ", in " + counted.unit();
      case Criterion.Number.TasksDone done -> "tasks done when tried, in percent";
      case Criterion.Number.Minutes minutes -> "minutes a task took when tried";
    };
  }
}
