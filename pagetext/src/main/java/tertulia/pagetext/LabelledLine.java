package tertulia.pagetext;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.fit.Answer;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading.AnswerSaid;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.PageReading.Use;

/**
 * A line with a label and a value: "Users: up to 25", "Price: on request", "Included: search,
 * templates", "Photos (10 GB)".
 *
 * @param counted words for what the page counts and there is no usual measure for
 */
record LabelledLine(
    PlanDraft plan, Gathered gathered, Numbers numbers, Phrases phrases, Set<String> counted) {
  private static final Pattern A_MONTH =
      Pattern.compile(
          "(?i)(?<n>(?:up to )?"
              + Numbers.NUMBER
              + ")(?: (?:a|per|each|every) month| / ?month|/mo)");

  /** "Photos (10 GB)". */
  private static final Pattern BRACKETED =
      Pattern.compile("\\p{L}[\\p{L} -]{1,30}\\s\\((?<value>[^()]*\\d[^()]*|unlimited)\\)");

  private static final Pattern OF_LIST =
      Pattern.compile(
          "(?i)(?:included?|includes|features|with|contains|also|plus|adds?|(?:what )?you (?:also )?get)");

  private static final Pattern LABELLED =
      Pattern.compile("(?<label>\\p{Lu}[\\p{L} -]{1,24}):\\s+(?<value>.+)");

  /** Whether a line is a list behind a word that says so: "You also get: comments, templates." */
  static boolean isList(String text) {
    Matcher labelled = LABELLED.matcher(text);
    return labelled.matches() && OF_LIST.matcher(labelled.group("label")).matches();
  }

  /** Whether a line says that the price is on request, whatever stands before that. */
  static boolean isOnRequest(String text) {
    Matcher labelled = LABELLED.matcher(text);
    return labelled.matches()
        && labelled.group("label").matches("(?i)(?:price|cost)s?")
        && Known.isOnRequest(labelled.group("value"));
  }

  /** Whether it was taken; empty if a line is none with a label. */
  Optional<Boolean> take(Line line) {
    if (BRACKETED.matcher(line.text()).matches()) {
      return bracketed(line);
    }
    Matcher labelled = LABELLED.matcher(line.text());
    if (!labelled.matches()) {
      return Optional.empty();
    }
    String label = labelled.group("label");
    String value = labelled.group("value");
    Optional<Measure> unit = Units.of(label).filter(Measure::addsUp);
    List<Amount> amounts = Amount.in(value, numbers);
    if (unit.isPresent()
        && amounts.size() == 1
        && value.substring(amounts.getFirst().end()).matches("(?i)\\s*(?:each|apiece)[.]?")) {
      Amount amount = amounts.getFirst();
      gathered.use.add(
          new Said<>(
              new Use(unit.get(), amount.value(), amount.currency(), BigDecimal.ONE),
              line.passage(),
              amount.assumed()));
      return Optional.of(true);
    }
    Line of = new Line(line.number(), value, line.mark());
    Optional<Answer> answered = GridReading.answer(value);
    if (answered.isPresent()) {
      plan.answer(new Said<>(new AnswerSaid(label, answered.get()), line.passage(), Set.of()));
      return Optional.of(true);
    }
    if (label.matches("(?i)(?:price|cost)s?")) {
      return Optional.of(plan.take(of));
    }
    if (OF_LIST.matcher(label).matches() && !Amount.isIn(value)) {
      List.of(value.replaceFirst("[.]$", "").split(",\\s+"))
          .forEach(
              each -> plan.capability(new Line(line.number(), each.strip(), Line.Prefix.BULLET)));
      return Optional.of(true);
    }
    if (label.matches("(?i)(?:users|seats|members|people|team|team size)")) {
      boolean bare =
          value.matches(
              "(?i)(?:up to |at most |from |at least )?[\\d.,]+|[\\d.,]+\\s?(?:-|–|to)\\s?[\\d.,]+|unlimited");
      return phrases
          .size(
              bare
                  ? value + " users"
                  : value.replaceFirst("(?i)^([\\d.,]+) or more$", "at least $1 users"))
          .map(size -> {
            plan.size(size, line);
            return true;
          });
    }
    return phrases
        .limit(value + " " + label)
        .or(() -> phrases.limit(value))
        .or(() -> aMonth(label, value))
        .or(() -> phrases.otherLevel(value + " " + label.toLowerCase(Locale.ROOT), counted))
        .map(limit -> {
          gathered.limits.add(Said.clear(limit, line.passage()));
          return true;
        })
        .or(() -> anyNumber(label, value, line));
  }

  /** "Photos (10 GB)". */
  private Optional<Boolean> bracketed(Line line) {
    Matcher bracketed = BRACKETED.matcher(line.text());
    if (!bracketed.matches()) {
      return Optional.empty();
    }
    String before = line.text().substring(0, bracketed.start("value") - 1).strip();
    Optional<LimitSaid> limit =
        phrases
            .limit(bracketed.group("value"))
            .or(() -> phrases.limit(before + " with " + bracketed.group("value")))
            .or(() ->
                phrases.otherLevel(
                    bracketed.group("value") + " " + before.toLowerCase(Locale.ROOT), counted));
    limit.ifPresent(found -> gathered.limits.add(Said.clear(found, line.passage())));
    if (limit.filter(found -> found.measure().equals(Measure.PEOPLE_IN_A_CALL)).isPresent()) {
      plan.capability(new Line(line.number(), before, line.mark()));
    }
    return limit.map(found -> true);
  }

  /** "Guest access: unlimited": of what nobody counts it is there. */
  private Optional<Boolean> anyNumber(String label, String value, Line line) {
    if (!value.matches("(?i)unlimited[.]?")) {
      return Optional.empty();
    }
    plan.answer(
        new Said<>(new AnswerSaid(label, Answer.YES), line.passage(), Set.of(Assumed.HOW_MANY)));
    return Optional.of(true);
  }

  /** "Automations: 1,000 a month". */
  private Optional<LimitSaid> aMonth(String label, String value) {
    Matcher monthly = A_MONTH.matcher(value);
    String phrase =
        monthly.matches()
            ? monthly.group("n") + " " + label.toLowerCase(Locale.ROOT) + " a month"
            : "";
    return phrases.limit(phrase).or(() -> phrases.otherFlow(phrase));
  }
}
