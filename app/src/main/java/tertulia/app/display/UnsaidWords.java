package tertulia.app.display;

import java.util.List;
import java.util.stream.Collectors;
import tertulia.core.pricing.Unsaid;

/** What a price page does not say of a price. */
public final class UnsaidWords {
  private UnsaidWords() {}

  /** Beside the price, in a sentence. */
  public static String note(List<Unsaid.Kind> open) {
    return Voice.say(
        "unsaid.note", "what", Voice.choice(open.stream().map(UnsaidWords::what).toList()));
  }

  /** In whole sentences, with how the price counts. */
  public static String sentences(List<Unsaid.Kind> open) {
    return open.stream().map(UnsaidWords::counts).collect(Collectors.joining(" "));
  }

  private static String what(Unsaid.Kind kind) {
    return switch (kind) {
      case TERM -> Voice.say("unsaid.part.term");
      case PERIOD -> Voice.say("unsaid.part.period");
      case UNIT -> Voice.say("unsaid.part.unit");
    };
  }

  private static String counts(Unsaid.Kind kind) {
    return switch (kind) {
      case TERM -> Voice.say("unsaid.term.counts");
      case PERIOD -> Voice.say("unsaid.period.counts");
      case UNIT -> Voice.say("unsaid.unit.counts");
    };
  }
}
