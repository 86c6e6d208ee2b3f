package tertulia.app.decision;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.people.Role;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;
import tertulia.core.decision.SigningRule;

/** Who is to agree to a proposal, as it is typed. */
@Component
class SigningForm {
  private static final String RULE = "rule";
  private static final String DAYS = "days";
  private static final String ASKED = "ask-";
  private static final String HAS_TO = "must-";
  private static final int USUAL_DAYS = 7;

  private final UserAccounts people;
  private final Selections selections;

  SigningForm(UserAccounts people, Selections selections) {
    this.people = people;
    this.selections = selections;
  }

  /**
   * Somebody who can be asked.
   *
   * @param field of the box that asks this person
   * @param hasTo of the box by which this person has to agree
   */
  record Person(String name, String field, String hasTo) {}

  /** A rule that can be chosen. */
  record Choice(String code, String label) {}

  /** What the form offers. */
  record Offered(List<Choice> rules, List<Person> people) {}

  /** All who may sign and open the selection, but whoever reads. */
  Offered offered(long selection, SignedIn reader) {
    return new Offered(
        List.of(
            choice(SigningPart.Rule.ONE_OTHER, "One colleague signs it, whoever that is"),
            choice(SigningPart.Rule.EVERYONE, "Everybody who is asked has to agree"),
            choice(SigningPart.Rule.MAJORITY, "More than half of those asked have to agree"),
            choice(SigningPart.Rule.NAMED, "Those who are marked have to agree"),
            choice(SigningPart.Rule.NO_OBJECTION, "It stands if nobody objects within … days")),
        eligible(selection).stream()
            .filter(entry -> entry.id() != reader.id())
            .map(entry ->
                new Person(entry.name(), ASKED + entry.signInName(), HAS_TO + entry.signInName()))
            .toList());
  }

  private static Choice choice(SigningPart.Rule rule, String label) {
    return new Choice(Codes.code(rule), label);
  }

  /** Those of some people who cannot answer here any more, whatever the reason. */
  List<Signatory> unable(long selection, List<Signatory> asked) {
    List<UserAccounts.Entry> eligible = eligible(selection);
    return asked.stream()
        .filter(person ->
            eligible.stream().noneMatch(entry -> entry.signInName().equals(person.account())))
        .toList();
  }

  private List<UserAccounts.Entry> eligible(long selection) {
    return people.all().stream()
        .filter(entry -> !entry.disabled() && entry.role() != Role.READER)
        .filter(
            entry -> entry.role() == Role.ORGANISER || selections.isOpenTo(selection, entry.id()))
        .toList();
  }

  /** What is stored, as it is typed. */
  static Map<String, String> typed(Signing signing) {
    Map<String, String> typed = new LinkedHashMap<>();
    typed.put(RULE, Codes.code(SigningPart.rule(signing.rule())));
    typed.put(
        DAYS,
        "" + (signing.rule() instanceof SigningRule.NoObjection until ? until.days() : USUAL_DAYS));
    signing.asked().forEach(person -> typed.put(ASKED + person.account(), "on"));
    if (signing.rule() instanceof SigningRule.Named named) {
      named.named().forEach(person -> typed.put(HAS_TO + person.account(), "on"));
    }
    return typed;
  }

  /** What was typed; by the rule of one other nobody is asked by name. */
  Signing read(long selection, Map<String, String> typed, Faults faults) {
    return faults.at(RULE, () -> read(selection, typed)).orElse(Signing.BY_ONE_OTHER);
  }

  private Signing read(long selection, Map<String, String> typed) {
    SigningPart.Rule rule =
        Codes.oneOf(
            SigningPart.Rule.class,
            typed.getOrDefault(RULE, Codes.code(SigningPart.Rule.ONE_OTHER)));
    if (rule == SigningPart.Rule.ONE_OTHER) {
      return Signing.BY_ONE_OTHER;
    }
    List<Signatory> asked = new ArrayList<>();
    List<Signatory> named = new ArrayList<>();
    for (UserAccounts.Entry entry : eligible(selection)) {
      Signatory person = new Signatory(entry.name(), entry.signInName());
      boolean hasTo =
          rule == SigningPart.Rule.NAMED && typed.containsKey(HAS_TO + entry.signInName());
      if (hasTo || typed.containsKey(ASKED + entry.signInName())) {
        asked.add(person);
      }
      if (hasTo) {
        named.add(person);
      }
    }
    return new Signing(
        switch (rule) {
          case ONE_OTHER -> new SigningRule.OneOther();
          case EVERYONE -> new SigningRule.Everyone();
          case MAJORITY -> new SigningRule.Majority();
          case NAMED -> new SigningRule.Named(named);
          case NO_OBJECTION ->
              new SigningRule.NoObjection(
                  TypedNumber.readWhole(typed.getOrDefault(DAYS, "").strip()));
        },
        asked,
        List.of());
  }
}
