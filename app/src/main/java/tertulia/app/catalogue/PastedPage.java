package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.Dates;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Codes;
import tertulia.pagetext.PageReader;
import tertulia.pagetext.PageReading;
import tertulia.pagetext.Passage;
import tertulia.pagetext.Sureness;

/** A maker’s page, pasted as text: what is read of it, and how that goes into the sheet. */
final class PastedPage {
  private PastedPage() {}

  /**
   * One thing that was read.
   *
   * @param says what the sheet says for it
   * @param passage the piece of text it was read from
   * @param look clear, likely or guess
   * @param because what was taken for granted; empty if the text says it all
   * @param field where it stands in the sheet; empty if it was not taken
   */
  record Proposal(
      String says, String passage, int line, String look, String because, String field) {}

  /**
   * What was read of a text.
   *
   * @param when who pasted it, and when
   * @param sentence how much, how surely, and what was not understood
   * @param again what somebody has to look at
   * @param others everything else
   * @param left lines no rule understands
   * @param passed lines that say nothing of the kind
   */
  record Read(
      String when,
      String sentence,
      List<Proposal> again,
      List<Proposal> others,
      List<Passage> left,
      List<Passage> passed) {}

  /**
   * A text as it is kept: a browser sends two characters for the end of a line. A tab in front is
   * an empty cell and stays.
   */
  static String plainLines(String text) {
    return text.replace("\r\n", "\n").replaceFirst("^(?:[ \\t]*\n)+", "").stripTrailing();
  }

  /** What was read of the text a form holds; null if it holds none. */
  static @Nullable Read of(ToolForm form) {
    if (!Codes.isDay(form.pasted.on)
        || form.pasted.text.isBlank()
        || form.pasted.text.length() > PageReader.LONGEST) {
      return null;
    }
    PageReading reading = PageReader.read(plainLines(form.pasted.text));
    // into a copy: what was changed since then stays
    List<Proposal> proposals = PastedSheet.take(reading, ToolForms.copy(form));
    return new Read(
        "pasted by " + form.pasted.by + " on " + Dates.day(LocalDate.parse(form.pasted.on)),
        sentence(reading),
        proposals.stream().filter(p -> p.look().equals("guess")).toList(),
        proposals.stream()
            .filter(p -> !p.look().equals("guess"))
            .sorted(Comparator.comparingInt(Proposal::line))
            .toList(),
        reading.notUnderstood(),
        reading.passedOver());
  }

  /** "31 things were read: 24 as the page says, 5 likely, 2 to look at again. …" */
  private static String sentence(PageReading reading) {
    int all = reading.tally().values().stream().mapToInt(Integer::intValue).sum();
    if (all == 0) {
      return Voice.say("reading.nothing");
    }
    return Voice.all(
        read(reading, all),
        left(reading.notUnderstood().size()),
        reading.tool().isPresent() ? "" : Voice.say("reading.no-tool"));
  }

  private static String read(PageReading reading, int all) {
    String parts =
        reading.tally().entrySet().stream()
            .map(entry -> tallied(entry.getKey(), entry.getValue()))
            .collect(Collectors.joining(", "));
    return all == 1
        ? Voice.say("reading.read.one", "parts", parts)
        : Voice.say("reading.read.many", Map.of("count", all, "parts", parts));
  }

  private static String left(int lines) {
    return switch (lines) {
      case 0 -> Voice.say("reading.left.none");
      case 1 -> Voice.say("reading.left.one");
      default -> Voice.say("reading.left.many", "count", lines);
    };
  }

  private static String tallied(Sureness sure, int count) {
    return switch (sure) {
      case CLEAR -> Voice.say("reading.part.clear", "count", count);
      case LIKELY -> Voice.say("reading.part.likely", "count", count);
      case GUESS -> Voice.say("reading.part.guess", "count", count);
    };
  }

  /**
   * Puts what a form's text says into its sheet. What an earlier text brought goes, as far as
   * nobody has changed it since; what no text spoke of stays.
   *
   * @throws IllegalArgumentException if the text is longer than can be read, or nothing was pasted
   */
  static void into(ToolForm form, String by, String today) {
    form.pasted.text = plainLines(form.pasted.text);
    if (form.pasted.text.isEmpty()) {
      throw new IllegalArgumentException(
          "Nothing was pasted. Copy the text of the page with the prices, and paste it here.");
    }
    PageReading reading = PageReader.read(form.pasted.text);
    String before = plainLines(form.pasted.read);
    if (!before.isEmpty() && before.length() <= PageReader.LONGEST) {
      ToolForm brought = new ToolForm();
      PastedSheet.take(PageReader.read(before), brought);
      PastedBefore.takeOut(
          form,
          brought,
          reading.plans().stream()
              .map(plan -> Codes.slug(plan.name().value()))
              .collect(Collectors.toSet()));
    }
    form.pasted.read = form.pasted.text;
    form.pasted.by = by;
    form.pasted.on = today;
    form.plans.removeIf(ToolForm.PlanColumn::isBlank);
    form.plans.forEach(plan -> plan.unsaid.clear());
    PastedSheet.take(reading, form);
    form.source.asOf = today;
    form.source.ground = "makers-claim";
    if (form.source.who.isBlank()) {
      form.source.who = by;
    }
    if (form.source.note.isBlank()) {
      form.source.note = "from the text of the page, as it was pasted";
    }
  }
}
