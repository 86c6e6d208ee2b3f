package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Sentences that list what a plan has: "Page history, approval of pages and a custom domain". */
final class Prose {
  private static final Pattern CONTAINED =
      Pattern.compile(
          "(?i)(?:everything|all|all features)(?: that is)? (?:in|of|from) (?:the )?(?<plan>[^,:]+?)(?: plan)?,? (?:plus|and(?: also)?|as well as):? (?<rest>.+)");
  private static final Pattern COMMA = Pattern.compile(",\\s+(?:and\\s+)?");
  private static final Pattern LAST = Pattern.compile("\\s+and\\s+(?!more\\b)");
  private static final Pattern AND_A = Pattern.compile("\\s+and\\s+(?=an?\\s)");
  private static final int MOST_WORDS = 6;

  private Prose() {}

  /** "Everything in Shelf, plus page history": the plan, and what comes on top. */
  record Contained(String plan, String rest) {}

  static Optional<Contained> contained(String sentence) {
    Matcher contained = CONTAINED.matcher(sentence);
    return contained.matches()
        ? Optional.of(new Contained(contained.group("plan"), contained.group("rest")))
        : Optional.empty();
  }

  /** The things a sentence lists; empty if it is no list of them. */
  static List<String> list(String sentence) {
    String plain =
        sentence.replaceFirst("[.;]$", "").replaceFirst("(?i)^(?:with|includes|including)\\s", "");
    List<String> pieces = new ArrayList<>(List.of(COMMA.split(plain)));
    String last = pieces.removeLast();
    pieces.addAll(List.of((pieces.isEmpty() ? AND_A : LAST).split(last)));
    boolean listed =
        pieces.size() > 1
            && pieces.stream().allMatch(piece -> piece.split("\\s+").length <= MOST_WORDS);
    return listed
        ? pieces.stream().map(piece -> piece.replaceFirst("(?i)^(?:an?|the)\\s+", "")).toList()
        : List.of();
  }
}
