package tertulia.pagetext;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.fit.Answer;
import tertulia.pagetext.PageReading.AnswerSaid;

/** What a line of a plan's list says that it has. */
final class Capabilities {
  private static final Pattern NOTE =
      Pattern.compile(
          "(?i)\\s*[(–—-]\\s*(?<note>add-?on|as an add-?on|limited|partly|basic|not included)\\)?$");
  private static final Pattern NOT = Pattern.compile("(?i)^(?:no|without|excludes)\\s(?<what>.+)$");
  private static final Pattern COUNTED =
      Pattern.compile(
          "^(?i)(?:up to\\s|over\\s|more than\\s)?(?!24/7|1:1)\\d.*|.*\\b\\d[\\d.,]*\\s(?:days?|hours?|minutes?|years?|months?)\\b.*");

  /** Numbers that are part of a name and count nothing. */
  private static final String NAMED_BY_NUMBER =
      "\\b(?:24/7|1:1|\\d-step|\\d-factor|2FA|ISO[ -]?\\d+|SOC ?2|SAML 2\\.0|OAuth ?2)\\b";

  /** How long one is bound, what is less for a while: nothing that a plan can do. */
  private static final Pattern OF_TERMS =
      Pattern.compile(
          "(?i)\\b(?:minimum (?:term|contract)|contract of|cancel(?:led|lation)?|(?:is|are) free|no limit|months? free|notice period|refund)\\b");

  private static final Pattern CENTS = Pattern.compile("(?i)\\d\\s?(?:cents?|ct|øre|öre)\\b");

  private static final Pattern NUMBERED = Pattern.compile("\\d");
  private static final int LONGEST = 60;

  private Capabilities() {}

  /** What a line of a plan's list says it has; empty if no capability. */
  static Optional<Said<AnswerSaid>> of(Line line) {
    String text = line.text().replaceAll("[.;,]+$", "");
    if (text.length() > LONGEST
        || text.length() < 2
        || COUNTED.matcher(text).matches()
        || line.mark() == Line.Prefix.NONE
            && NUMBERED.matcher(text.replaceAll(NAMED_BY_NUMBER, "")).find()
        || text.endsWith(":")
        || text.toLowerCase(Locale.ROOT).contains("coming soon")
        || Amount.isIn(text)
        || CENTS.matcher(text).find()
        || OF_TERMS.matcher(text).find()
        || text.contains("%")
        || text.indexOf('?') >= 0
        || text.endsWith("!")) {
      return Optional.empty();
    }
    Answer answer = line.mark() == Line.Prefix.CROSS ? Answer.NO : Answer.YES;
    Matcher note = NOTE.matcher(text);
    if (answer == Answer.YES && note.find()) {
      answer =
          switch (note.group("note").toLowerCase(Locale.ROOT)) {
            case "limited", "partly", "basic" -> Answer.PARTLY;
            case "not included" -> Answer.NO;
            default -> Answer.BY_ADD_ON;
          };
      text = text.substring(0, note.start()).strip();
    }
    Matcher not = NOT.matcher(text);
    if (answer == Answer.YES && not.matches()) {
      answer = Answer.NO;
      text = not.group("what");
    }
    if (text.isEmpty()) {
      return Optional.empty();
    }
    boolean marked = line.mark() == Line.Prefix.TICK || line.mark() == Line.Prefix.CROSS;
    return Optional.of(
        new Said<>(
            new AnswerSaid(text, answer),
            line.passage(),
            marked || answer != Answer.YES ? Set.of() : Set.of(Assumed.HAS_IT)));
  }
}
