package tertulia.core.trial;

import static java.util.Objects.requireNonNull;

/**
 * Something people try to do with each contender.
 *
 * @param words what is to be done, such as "Book a lorry with the phone at the ear"
 * @param from why it is tried
 */
public record Task(String id, String words, From from) {
  /** Longest words, in characters. */
  public static final int LONGEST = 200;

  public Task {
    requireNonNull(id);
    requireNonNull(from);
    if (words.isBlank() || words.length() > LONGEST) {
      throw new IllegalArgumentException(
          words.isBlank()
              ? "A task has no words. Say what is to be done."
              : "A task has "
                  + words.length()
                  + " characters; at most "
                  + LONGEST
                  + " fit. Shorten it.");
    }
  }

  /** Why a task is tried. */
  public sealed interface From {
    /** A need, by its id: whether the contender really has it. */
    record OfNeed(String need) implements From {}

    /** A judged criterion, by its id: a ground for marks. */
    record OfCriterion(String criterion) implements From {}

    /** Somebody thought of it. */
    record Own() implements From {}
  }
}
