package tertulia.app.display;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import tertulia.core.difference.Cause;
import tertulia.core.difference.Division;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.LookBackFinding;

/** What is said of a decision that is looked at again. */
public record LookBackWords(Selection selection) implements SelectionWords {
  String of(LookBackFinding finding) {
    return switch (finding) {
      case LookBackFinding.Lead lead -> lead(lead);
      case LookBackFinding.Cost cost -> cost(cost);
      case LookBackFinding.NoCost none ->
          Voice.say(
              none.then() ? "again.no-cost.then" : "again.no-cost.now",
              "tool",
              name(none.choice()));
      case LookBackFinding.UpperEnds upper ->
          Voice.say("again.upper-ends", "tool", name(upper.choice()));
      case LookBackFinding.MidRange middle -> Voice.say("again.mid-range");
      case LookBackFinding.Stand stand -> stand(stand);
      case LookBackFinding.NoConditions none -> Voice.say("again.conditions.none");
      case LookBackFinding.Unchanged unchanged -> Voice.say("again.unchanged");
    };
  }

  /** Whether the totals would lead to the same choice today. */
  public static String decide(LookBackFinding.Lead lead) {
    if (lead.now().isEmpty()) {
      return Voice.say("again.decide.unknown");
    }
    LookBackFinding.Ahead now = lead.now().get();
    if (now.contender().equals(lead.choice())) {
      return Voice.say(now.isTie() ? "again.decide.tie" : "again.decide.same");
    }
    boolean asThen =
        lead.then().filter(then -> !then.contender().equals(lead.choice())).isPresent();
    return Voice.say(asThen ? "again.decide.as-then" : "again.decide.other");
  }

  private String lead(LookBackFinding.Lead lead) {
    return now(lead) + " " + then(lead);
  }

  private String now(LookBackFinding.Lead lead) {
    if (lead.now().isEmpty()) {
      return Voice.say("again.now.none");
    }
    LookBackFinding.Ahead now = lead.now().get();
    String who = name(now.contender());
    boolean choice = now.contender().equals(lead.choice());
    if (now.by().isEmpty()) {
      return choice
          ? Voice.say("again.now.choice.only", "tool", who)
          : Voice.say("again.now.other.only", "other", who);
    }
    if (now.isTie()) {
      return choice
          ? Voice.say("again.now.choice.tie", "tool", who)
          : Voice.say("again.now.other.tie", "other", who);
    }
    String by = Figures.apart(now.by().get());
    if (!choice) {
      return Voice.say("again.now.other", Map.of("other", who, "by", by));
    }
    return Voice.say(
        wasAhead(lead) ? "again.now.still" : "again.now.choice", Map.of("tool", who, "by", by));
  }

  private static boolean wasAhead(LookBackFinding.Lead lead) {
    return lead.then()
        .filter(then -> then.contender().equals(lead.choice()) && !then.isTie())
        .isPresent();
  }

  private String then(LookBackFinding.Lead lead) {
    if (lead.then().isEmpty()) {
      return Voice.say("again.then.none");
    }
    LookBackFinding.Ahead then = lead.then().get();
    String who = name(then.contender());
    if (then.by().isEmpty()) {
      return Voice.say("again.then.only", "tool", who);
    }
    if (then.isTie()) {
      return Voice.say("again.then.tie", "tool", who);
    }
    String was = Figures.apart(then.by().get());
    if (!then.contender().equals(lead.choice())) {
      return Voice.say("again.then.other", Map.of("other", who, "was", was));
    }
    boolean spokenOf = lead.now().filter(now -> now.contender().equals(lead.choice())).isPresent();
    return spokenOf
        ? Voice.say("again.then.it", "was", was)
        : Voice.say("again.then.choice", Map.of("tool", who, "was", was));
  }

  private String cost(LookBackFinding.Cost cost) {
    Division division = cost.division();
    BigDecimal difference = division.difference();
    Map<String, String> same =
        Map.of("tool", name(cost.choice()), "cost", money(division.now()), "months", length());
    String says =
        switch (difference.signum()) {
          case 0 -> Voice.say("again.cost.same", same);
          case 1 -> Voice.say("again.cost.more", with(same, "more", difference));
          default -> Voice.say("again.cost.less", with(same, "less", difference));
        };
    if (cost.left().isEmpty()) {
      return says;
    }
    String amount = Figures.moneyIn(cost.left().get());
    if (cost.months() == 1) {
      return says + " " + Voice.say("again.left.one", "cost", amount);
    }
    String left = Voice.say("again.left", Map.of("cost", amount, "months", months(cost.months())));
    return cost.other()
        .map(other ->
            Voice.say(
                "again.begun-today",
                Map.of("other", name(other.contender()), "cost", Figures.moneyIn(other.cost()))))
        .map(other -> says + " " + left + " " + other)
        .orElse(says + " " + left);
  }

  private Map<String, String> with(Map<String, String> places, String name, BigDecimal difference) {
    Map<String, String> all = new java.util.HashMap<>(places);
    all.put(name, money(difference.abs()));
    return all;
  }

  private String money(BigDecimal amount) {
    return Figures.moneyIn(Money.of(selection.currency(), amount));
  }

  private static String stand(LookBackFinding.Stand stand) {
    if (stand.broken() + stand.breaking() + stand.unknown() == 0) {
      return stand.all() == 1
          ? Voice.say("again.conditions.hold.one")
          : Voice.say("again.conditions.hold", "count", Figures.whole(stand.all()));
    }
    List<String> says = new ArrayList<>();
    says.add(
        stand.all() == 1
            ? Voice.say("again.conditions.one")
            : Voice.say("again.conditions.many", "count", Figures.inWords(stand.all())));
    counted(stand.broken(), "again.broken.one", "again.broken.many").ifPresent(says::add);
    counted(stand.breaking(), "again.breaks.one", "again.breaks.many").ifPresent(says::add);
    if (stand.unknown() > 0) {
      says.add(
          stand.unknown() == 1
              ? Voice.say("again.unknown.one")
              : Voice.say("again.unknown.many", "count", Figures.inWords(stand.unknown())));
    }
    return String.join(" ", says);
  }

  private static Optional<String> counted(int number, String one, String many) {
    return switch (number) {
      case 0 -> Optional.empty();
      case 1 -> Optional.of(Voice.say(one));
      default -> Optional.of(Voice.say(many, "count", capital(Figures.inWords(number))));
    };
  }

  private static String capital(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ENGLISH) + words.substring(1);
  }

  /** What is called a cause; several together are one. */
  public static String name(Set<Cause> causes) {
    return Voice.list(causes.stream().sorted().map(LookBackWords::name).toList());
  }

  private static String name(Cause cause) {
    return Voice.say(
        switch (cause) {
          case PRICES -> "again.short.prices";
          case RATES -> "again.short.rates";
          case PEOPLE -> "again.short.people";
          case NEEDS -> "again.short.needs";
          case WEIGHTS -> "again.short.weights";
          case MARKS -> "again.short.marks";
        });
  }
}
