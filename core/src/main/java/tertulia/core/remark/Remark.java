package tertulia.core.remark;

import static java.util.Objects.requireNonNull;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.finding.Stage;

/**
 * Something somebody asked or said at a table.
 *
 * @param id by which it is answered
 * @param answers oldest first
 * @param closed empty: it is open
 */
public record Remark(
    String id, Subject about, Kind kind, Said said, List<Said> answers, Optional<Closed> closed) {
  /** Longest text of a remark or an answer, in characters. */
  public static final int LONGEST = 2000;

  public Remark {
    requireNonNull(about);
    requireNonNull(kind);
    answers = List.copyOf(answers);
  }

  /** What somebody means by it. */
  public enum Kind {
    QUESTION("asks"),
    REMARK("remarks"),
    DISAGREEMENT("disagrees, because");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    /** Words that follow a name and come before the text. */
    public String words() {
      return words;
    }
  }

  /** A text, by whom and when. */
  public record Said(String text, String by, Instant at) {
    public Said {
      requireNonNull(by);
      requireNonNull(at);
      if (text.isBlank() || text.length() > LONGEST) {
        throw new IllegalArgumentException(
            text.isBlank()
                ? "The text is empty. Write what you want to ask or say."
                : "The text has "
                    + text.length()
                    + " characters; at most "
                    + LONGEST
                    + " are kept. Shorten it.");
      }
    }
  }

  /** Who said that nothing is left to say, and when. */
  public record Closed(String by, Instant at) {}

  public boolean isOpen() {
    return closed.isEmpty();
  }

  /** How many are open at each step that has any, in the order of the steps. */
  public static Map<Stage, Integer> open(List<Remark> remarks) {
    Map<Stage, Integer> open = new EnumMap<>(Stage.class);
    for (Remark remark : remarks) {
      if (remark.isOpen()) {
        open.merge(remark.about().step(), 1, Integer::sum);
      }
    }
    return open;
  }

  /** Those about one subject, oldest first as given. */
  public static List<Remark> about(Subject subject, List<Remark> remarks) {
    List<Remark> about = new ArrayList<>();
    for (Remark remark : remarks) {
      if (remark.about().equals(subject)) {
        about.add(remark);
      }
    }
    return about;
  }
}
