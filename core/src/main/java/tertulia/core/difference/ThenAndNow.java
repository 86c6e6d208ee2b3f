package tertulia.core.difference;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Scenario;
import tertulia.core.path.Past;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.InForce;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;

/**
 * One question as it was asked and as it would be asked today, over the months in which it was
 * asked. Contenders that are compared in both are looked at; the others are not.
 *
 * @param then as it was
 * @param now as it is
 * @param today the month from which today's price pages are in force; before it those of then are
 * @param since by contender the month from which today's page is in force, if that is before today
 * @param begun by contender what was to be bought in the months before it
 * @param apart contenders that were to be on several ways at once: what was bought of each is not
 *     kept, so all their months are as today's page has them
 */
public record ThenAndNow(
    Selection then,
    Selection now,
    YearMonth today,
    Map<String, YearMonth> since,
    Map<String, List<Past.Begun>> begun,
    Set<String> apart) {
  public ThenAndNow {
    apart = Set.copyOf(apart);
    since = Map.copyOf(since);
    begun = Map.copyOf(begun);
    if (!then.currency().equals(now.currency())) {
      throw new IllegalArgumentException(
          "What was asked in " + then.currency() + " and in " + now.currency() + " is unlike.");
    }
  }

  /**
   * Both, with what was to be bought of each contender in the months that are over.
   *
   * @param planned what {@code then} costs, whoever judges
   */
  static ThenAndNow of(
      Selection then, Selection now, YearMonth today, Map<String, YearMonth> since, Costs planned) {
    Map<String, List<Past.Begun>> begun = new LinkedHashMap<>();
    Set<String> apart = new LinkedHashSet<>();
    int month = month(then, today);
    for (Contender contender : then.active()) {
      if (planned.overall().way(contender.id()) instanceof PlanPaths.Found found) {
        if (found.best().alongside().isEmpty()) {
          begun.put(contender.id(), Past.begun(found.best(), month));
        } else {
          apart.add(contender.id());
        }
      }
    }
    return new ThenAndNow(then, now, today, since, begun, apart);
  }

  /** The plan month from which today's price pages are in force, 0 to all months. */
  public int month() {
    return month(then, today);
  }

  private static int month(Selection then, YearMonth today) {
    return Math.clamp(then.horizon().indexOf(today), 0, then.horizon().months());
  }

  /** Contenders compared in both, in the order of then. */
  public List<String> both() {
    return then.active().stream().map(Contender::id).filter(id -> isIn(now, id)).toList();
  }

  /** Contenders compared then and not now, by name. */
  public List<String> onlyThen() {
    return only(then, now);
  }

  /** Contenders compared now and not then, by name. */
  public List<String> onlyNow() {
    return only(now, then);
  }

  private static List<String> only(Selection one, Selection other) {
    return one.active().stream()
        .filter(c -> !isIn(other, c.id()))
        .map(c -> c.tool().name())
        .toList();
  }

  private static boolean isIn(Selection selection, String id) {
    return selection.active().stream().anyMatch(c -> c.id().equals(id));
  }

  /** What is not as it was. */
  public Set<Cause> changed() {
    Selection unchanged = with(EnumSet.noneOf(Cause.class));
    Set<Cause> changed = EnumSet.noneOf(Cause.class);
    for (Cause cause : Cause.values()) {
      if (!with(EnumSet.of(cause)).equals(unchanged)) {
        changed.add(cause);
      }
    }
    return changed;
  }

  /** The question with some of it as it is now and the rest as it was. */
  public Selection with(Set<Cause> causes) {
    Selection people = causes.contains(Cause.PEOPLE) ? now : then;
    Selection needs = causes.contains(Cause.NEEDS) ? now : then;
    Selection rates = causes.contains(Cause.RATES) ? now : then;
    return then.with()
        .asOf(rates.asOf())
        .rise((causes.contains(Cause.PRICES) ? now : then).rise())
        .groups(causes.contains(Cause.PEOPLE) ? groups() : then.groups())
        .demands(people.demands())
        .averagePayment(people.averagePayment())
        .needs(needs.needs())
        .criteria((causes.contains(Cause.WEIGHTS) ? now : then).criteria())
        .contenders(both().stream().map(id -> contender(id, causes)).toList())
        .panel(panel(causes))
        .rates(rates.rates())
        .scenarios(people.scenarios())
        .practice(people.practice())
        .trials(needs.trials())
        .build();
  }

  // people

  /** Today's people from today on; the months gone stay as they were read. */
  private List<Group> groups() {
    return now.groups().stream()
        .map(group ->
            then.groups().stream()
                .filter(was -> was.id().equals(group.id()))
                .findFirst()
                .map(was -> joined(was, group))
                .orElse(group))
        .toList();
  }

  private Group joined(Group was, Group is) {
    if (was.equals(is)) {
      return was;
    }
    List<Integer> people = new ArrayList<>();
    for (int m = 0; m < then.horizon().months(); m++) {
      Group counted = m < month() ? was : is;
      people.add(
          Math.min(Growth.MOST_PEOPLE, counted.headcount(then.horizon(), m, Scenario.EXPECTED)));
    }
    return new Group(is.id(), is.name(), new Growth.Listed(people), List.of());
  }

  // contenders

  private Contender contender(String id, Set<Cause> causes) {
    Contender was = then.contender(id);
    Contender is = now.contender(id);
    Contender known = causes.contains(Cause.NEEDS) ? is : was;
    Map<String, Map<String, Fact>> facts = facts(was, is, known);
    boolean anew = causes.contains(Cause.PRICES) && !isPricedAlike(was, is);
    Contender priced = anew ? is : was;
    return was.with()
        .tool(anew ? (apart.contains(id) ? is.tool() : from(is.tool(), since(id))) : was.tool())
        .boughtWith(priced.boughtWith())
        .metBeside(priced.metBeside())
        .facts(facts)
        .ratings(known.ratings())
        .aside(null)
        .effort((causes.contains(Cause.PEOPLE) ? is : was).effort())
        .plansAside(priced.plansAside())
        .past(past(was, facts, anew))
        .build();
  }

  /** What is known of plans; of one that is on one of the pages only, what is known there. */
  private static Map<String, Map<String, Fact>> facts(
      Contender was, Contender is, Contender known) {
    Map<String, Map<String, Fact>> facts = new LinkedHashMap<>();
    for (Contender other : List.of(known == is ? was : is, known)) {
      for (Plan plan : other.tool().plans()) {
        facts.put(plan.id(), other.facts().getOrDefault(plan.id(), Map.of()));
      }
    }
    return facts;
  }

  /** Whether the price page says the same, and goes on saying it. */
  private boolean isPricedAlike(Contender was, Contender is) {
    return was.tool().equals(is.tool())
        && was.boughtWith().equals(is.boughtWith())
        && was.plansAside().equals(is.plansAside())
        && then.rise().isNone()
        && now.rise().isNone();
  }

  /** The plan month from which today's page of a contender is the one to buy from. */
  private int since(String contender) {
    return Math.clamp(then.horizon().indexOf(since.getOrDefault(contender, today)), 0, month());
  }

  /** What the page says today is today's price, so it rises from today on. */
  private Tool from(Tool tool, int month) {
    return month() == 0
        ? tool
        : tool.withPlans(
            tool.plans().stream()
                .map(plan -> plan.in(new InForce(month, InForce.LAST, Optional.empty(), month())))
                .toList());
  }

  /** Months that are over went as they were planned then, whatever became of it. */
  private Past past(Contender was, Map<String, Map<String, Fact>> facts, boolean anew) {
    if (month() == 0 || apart.contains(was.id())) {
      return Past.NONE;
    }
    return new Past(
        anew ? earlier(was, facts) : List.of(), begun.getOrDefault(was.id(), List.of()), month());
  }

  private List<Offering> earlier(Contender was, Map<String, Map<String, Fact>> facts) {
    InForce before = new InForce(0, since(was.id()), Optional.of(then.rise()));
    return Offering.of(was.tool(), facts).stream()
        .filter(offering -> !was.plansAside().containsKey(offering.plan().id()))
        .map(offering ->
            new Offering(
                offering.plan().in(before),
                offering.facts(),
                offering.offers(),
                offering.owned(),
                offering.spoken()))
        .toList();
  }

  // people who judge

  private Panel panel(Set<Cause> causes) {
    Panel weighed = (causes.contains(Cause.WEIGHTS) ? now : then).panel();
    Panel marked = (causes.contains(Cause.MARKS) ? now : then).panel();
    return new Panel(
        weighed.members().stream()
            .map(member ->
                new Member(
                    member.id(),
                    member.name(),
                    member.share(),
                    member.weighing(),
                    marked.members().stream()
                        .filter(same -> same.id().equals(member.id()))
                        .findFirst()
                        .map(Member::marks)
                        .orElse(Map.of()),
                    member.handedIn()))
            .toList(),
        marked.settled());
  }
}
