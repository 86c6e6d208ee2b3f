package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Scenario;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Terms;
import tertulia.core.pricing.Plan;

/** One thing that is otherwise than it is read; all else stays. */
public sealed interface Otherwise {
  /** Facts that are tried, as each is an evaluation of its own. */
  int MOST_FACTS = 40;

  /** The evaluation if it were so. */
  Evaluation of(Evaluation read);

  /** Growth comes out like this. */
  record Growth(Scenario scenario) implements Otherwise {
    @Override
    public Evaluation of(Evaluation read) {
      return Evaluation.of(read.selection(), read.whatIf().growing(scenario));
    }
  }

  /** Only these terms are taken. */
  record Term(Terms terms) implements Otherwise {
    @Override
    public Evaluation of(Evaluation read) {
      return Evaluation.of(read.selection(), read.whatIf().under(terms));
    }
  }

  /** List prices rise like this. */
  record Rise(PriceRise rise) implements Otherwise {
    @Override
    public Evaluation of(Evaluation read) {
      return Evaluation.of(read.selection().rising(rise), read.whatIf());
    }
  }

  /** Something that must be there need not. */
  record Dropped(Need need) implements Otherwise {
    @Override
    public Evaluation of(Evaluation read) {
      return read.asking(
          read.selection()
              .asking(
                  read.selection().needs().stream().filter(other -> !other.equals(need)).toList()));
    }
  }

  /** Something that should or could be there must. */
  record Required(Need need) implements Otherwise {
    @Override
    public Evaluation of(Evaluation read) {
      return read.asking(
          read.selection()
              .asking(
                  read.selection().needs().stream()
                      .map(other -> other.equals(need) ? need.asMust() : other)
                      .toList()));
    }
  }

  /** A fact of a contender that nobody has confirmed turns out like this, in each such plan. */
  record Confirmed(String tool, Capability capability, boolean there) implements Otherwise {
    @Override
    public Evaluation of(Evaluation read) {
      return read.asking(
          with(
              read.selection(),
              tool,
              capability,
              there ? Answer.YES : Answer.NO,
              fact -> fact == null || fact.answer() == Answer.UNKNOWN));
    }
  }

  /** A fact of a contender that is old has turned to the contrary, in each plan that had it. */
  record TurnedOut(String tool, Capability capability) implements Otherwise {
    @Override
    public Evaluation of(Evaluation read) {
      return read.asking(
          with(
              read.selection(),
              tool,
              capability,
              Answer.NO,
              fact -> fact != null && fact.answer() == Answer.YES));
    }
  }

  private static Selection with(
      Selection selection,
      String tool,
      Capability capability,
      Answer answer,
      java.util.function.Predicate<@org.jspecify.annotations.Nullable Fact> which) {
    List<Contender> contenders = new ArrayList<>();
    for (Contender contender : selection.contenders()) {
      contenders.add(
          contender.id().equals(tool) ? with(contender, capability, answer, which) : contender);
    }
    return selection.among(contenders);
  }

  private static Contender with(
      Contender contender,
      Capability capability,
      Answer answer,
      java.util.function.Predicate<@org.jspecify.annotations.Nullable Fact> which) {
    Map<String, Map<String, Fact>> facts = new LinkedHashMap<>();
    for (Plan plan : contender.tool().plans()) {
      Map<String, Fact> own = new HashMap<>(contender.facts().getOrDefault(plan.id(), Map.of()));
      if (which.test(own.get(capability.id()))) {
        own.put(capability.id(), new Fact(answer, plan.source()));
      }
      facts.put(plan.id(), own);
    }
    return contender.withFacts(facts);
  }

  /**
   * Everything of these kinds that can be otherwise in a selection, the musts first; of facts that
   * nobody has confirmed the first {@link #MOST_FACTS}.
   */
  static List<Otherwise> all(Evaluation read) {
    requireNonNull(read);
    Selection selection = read.selection();
    return Stream.of(
            selection.needs().stream()
                .filter(need -> need.importance() instanceof Importance.Must)
                .<Otherwise>map(Dropped::new),
            Stream.of(Terms.values())
                .filter(terms -> terms != read.whatIf().terms())
                .<Otherwise>map(Term::new),
            selection.scenarios().stream()
                .filter(scenario -> !scenario.equals(read.whatIf().scenario()))
                .<Otherwise>map(Growth::new),
            selection.active().stream().flatMap(c -> unconfirmed(selection, c)).limit(MOST_FACTS),
            selection.needs().stream()
                .filter(need -> !(need.importance() instanceof Importance.Must))
                .<Otherwise>map(Required::new))
        .flatMap(each -> each)
        .toList();
  }

  /** Musts of which some plan of a contender says nothing that is confirmed. */
  private static Stream<Otherwise> unconfirmed(Selection selection, Contender contender) {
    return selection.needs().stream()
        .filter(need -> need.importance() instanceof Importance.Must)
        .map(Need::capability)
        .filter(capability ->
            contender.plans().stream()
                .map(plan ->
                    Optional.ofNullable(
                        contender.facts().getOrDefault(plan.id(), Map.of()).get(capability.id())))
                .anyMatch(fact -> fact.map(f -> f.answer() == Answer.UNKNOWN).orElse(true)))
        .map(capability -> new Confirmed(contender.id(), capability, true));
  }
}
