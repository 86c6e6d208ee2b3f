package tertulia.app.decision;

import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Supplier;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.ProvisoWords;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.SelectionLoader;
import tertulia.app.selection.Selections;
import tertulia.app.standin.RatesOfExchange;
import tertulia.core.deadline.OnceEach;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.difference.Conditions;
import tertulia.core.difference.Differences;
import tertulia.core.difference.Standing;
import tertulia.core.difference.ThenAndNow;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.money.ExchangeRate;

/** Holds what was decided against what is known today. */
@Component
public class LookBack {
  /** What is compared; what it costs is not asked before it has to be. */
  private record Asked(
      Selection then, Selection now, YearMonth month, Map<String, YearMonth> since) {
    Differences differences() {
      return Differences.between(then, now, month, since);
    }
  }

  private static final OnceEach<Asked, Differences> KEPT =
      new OnceEach<>("what changed since it was decided", 32);

  private final Selections selections;
  private final Catalogue catalogue;
  private final RatesOfExchange rates;
  private final Decisions decisions;

  LookBack(Selections selections, Catalogue catalogue, RatesOfExchange rates, Decisions decisions) {
    this.decisions = decisions;
    this.selections = selections;
    this.catalogue = catalogue;
    this.rates = rates;
  }

  /**
   * A decision as it is looked at again.
   *
   * @param then what was frozen
   * @param now the same question as it would be asked today
   * @param watched its conditions as they stand
   */
  public record LookedAt(
      Snapshot then,
      SelectionFile now,
      Differences differences,
      List<Conditions.Watched> watched) {}

  /**
   * What was decided and what is today; empty before it is signed, or if what was frozen is not
   * like what is asked today.
   */
  @Transactional(readOnly = true)
  public Optional<LookedAt> at(long id, Decisions.Stored stored) {
    return at(
        id,
        stored,
        () ->
            stored
                .frozen()
                .map(then ->
                    history(id, then, on((Decision.Signed) stored.decision()), catalogue.today()))
                .orElse(List.of()));
  }

  private Optional<LookedAt> at(
      long id, Decisions.Stored stored, Supplier<List<Conditions.Earlier>> history) {
    LocalDate today = catalogue.today();
    Optional<Snapshot> frozen =
        stored.decision() instanceof Decision.Signed ? stored.frozen() : Optional.empty();
    return frozen.flatMap(then -> {
      SelectionFile now = askedOn(id, today);
      return differences(then, now, today)
          .map(differences ->
              new LookedAt(
                  then,
                  now,
                  differences,
                  watched(stored.decision().proposal(), differences, today, history)));
    });
  }

  /**
   * A signed decision in short.
   *
   * @param decide whether the totals would lead to the same choice
   * @param whole what the choice costs over the plan months, those that are over as it was bought;
   *     empty: not known
   * @param month what of it falls in this month; empty: not known, or this is none of them
   * @param warnings conditions that do not hold or will not, or that the page of the choice has
   *     changed, in sentences
   */
  public record InShort(
      String decide, Optional<Money> whole, Optional<Money> month, List<String> warnings) {}

  /**
   * What is to be known of a signed decision before anybody asks; empty if it is asked elsewhere.
   */
  @Transactional(readOnly = true)
  public Optional<InShort> inShort(long id, Decision.Signed signed) {
    if (signed.successor().isPresent()) {
      return Optional.empty();
    }
    return decisions
        .find(id)
        .flatMap(stored -> at(id, stored, List::of))
        .filter(
            looked -> looked.differences().question().both().contains(signed.proposal().choice()))
        .map(looked -> inShort(looked, signed));
  }

  private InShort inShort(LookedAt looked, Decision.Signed signed) {
    String choice = signed.proposal().choice();
    CostsOverall costs = looked.differences().now().costs().overall();
    Optional<List<Money>> sums =
        costs.totalBounds(choice).filter(Amount::isExact).flatMap(one -> costs.running(choice));
    return new InShort(
        LookBackView.decide(looked),
        sums.map(List::getLast),
        sums.flatMap(all -> month(all, looked.differences().question())),
        warnings(looked, signed));
  }

  private static Optional<Money> month(List<Money> sums, ThenAndNow question) {
    int m = question.then().horizon().indexOf(question.today());
    return m < 0 || m >= sums.size()
        ? Optional.empty()
        : Optional.of(m == 0 ? sums.getFirst() : sums.get(m).minus(sums.get(m - 1)));
  }

  private List<String> warnings(LookedAt looked, Decision.Signed signed) {
    if (looked.watched().isEmpty()) {
      return pageChanged(signed).stream().toList();
    }
    return looked.watched().stream().allMatch(w -> w.standing() instanceof Standing.Holds)
        ? List.of()
        : List.of(LookBackView.stand(looked));
  }

  /** A condition that will not hold from a day on, in words. */
  public record Breaks(LocalDate on, String condition) {}

  /**
   * The conditions of a signed decision that will break as things are planned, the soonest first.
   */
  @Transactional(readOnly = true)
  public List<Breaks> breaks(long id, Decision.Signed signed) {
    if (signed.proposal().holdsWhile().isEmpty() || signed.successor().isPresent()) {
      return List.of();
    }
    return decisions
        .find(id)
        .flatMap(stored -> at(id, stored, List::of))
        .map(looked -> breaks(looked))
        .orElse(List.of());
  }

  private static List<Breaks> breaks(LookedAt looked) {
    ProvisoWords words = new ProvisoWords(looked.differences().now().selection());
    return looked.watched().stream()
        .filter(one -> one.standing() instanceof Standing.WillBreak)
        .map(one ->
            new Breaks(
                ProvisoWords.day(((Standing.WillBreak) one.standing()).from()),
                words.of(one.proviso())))
        .sorted(Comparator.comparing(Breaks::on))
        .toList();
  }

  /** That the price page of what was chosen is another one than when it was signed. */
  private Optional<String> pageChanged(Decision.Signed signed) {
    LocalDate today = catalogue.today();
    String choice = signed.proposal().choice();
    return catalogue
        .find(choice)
        .filter(tool ->
            catalogue.days(choice).after(on(signed)).stream().anyMatch(day -> !day.isAfter(today)))
        .map(tool -> Voice.say("again.page-changed", "tool", tool.sheet().name()));
  }

  /** Conditions before anything is signed: nothing has changed yet. */
  public static List<Conditions.Watched> foreseen(
      Proposal proposal, Evaluation evaluation, LocalDate today) {
    if (evaluation.selection().active().stream().noneMatch(c -> c.id().equals(proposal.choice()))) {
      return List.of();
    }
    Evaluation usual =
        evaluation.whatIf().equals(WhatIf.START)
            ? evaluation
            : Evaluation.of(evaluation.selection(), WhatIf.START);
    Conditions conditions =
        new Conditions(
            usual,
            usual,
            proposal.choice(),
            usual.selection().horizon().indexOf(YearMonth.from(today)));
    return proposal.holdsWhile().stream()
        .map(proviso -> conditions.watch(proviso, today, List::of))
        .toList();
  }

  private static List<Conditions.Watched> watched(
      Proposal proposal,
      Differences differences,
      LocalDate today,
      Supplier<List<Conditions.Earlier>> history) {
    if (!differences.question().both().contains(proposal.choice())) {
      return List.of();
    }
    Conditions conditions = conditions(proposal.choice(), differences);
    List<Conditions.Watched> watched = new ArrayList<>();
    for (var proviso : proposal.holdsWhile()) {
      watched.add(conditions.watch(proviso, today, history));
    }
    return watched;
  }

  private static Conditions conditions(String choice, Differences differences) {
    ThenAndNow question = differences.question();
    return new Conditions(
        differences.then(),
        differences.now(),
        choice,
        question.then().horizon().indexOf(question.today()));
  }

  private Optional<Differences> differences(Snapshot then, SelectionFile now, LocalDate day) {
    Selection is = SelectionLoader.stored(now);
    return SelectionLoader.ifReadable(then.selection().undecided())
        .filter(was -> was.currency().equals(is.currency()))
        .map(was ->
            KEPT.get(
                new Asked(was, is, YearMonth.from(day), since(then, day)), Asked::differences));
  }

  /**
   * The first month that began with the page in force on a day, by contender; none of those whose
   * page is that of when it was signed.
   */
  private Map<String, YearMonth> since(Snapshot then, LocalDate day) {
    LocalDate signed =
        LocalDate.ofInstant(Instant.parse(then.decision().signedAt()), ZoneId.systemDefault());
    Map<String, YearMonth> since = new HashMap<>();
    for (SelectionFile.ContenderPart part : then.selection().contenders()) {
      String tool = part.tool().id();
      if (catalogue.find(tool).isPresent()) {
        catalogue
            .days(tool)
            .inForce(day)
            .filter(from -> from.isAfter(signed))
            .map(from -> YearMonth.from(from.plusMonths(1).minusDays(1)))
            .ifPresent(month -> since.put(tool, month));
      }
    }
    return since;
  }

  /** The days since it was signed on which a price page changed, with how things stood then. */
  private List<Conditions.Earlier> history(
      long id, Snapshot then, LocalDate signed, LocalDate today) {
    TreeSet<LocalDate> days = new TreeSet<>();
    for (SelectionFile.ContenderPart part : then.selection().contenders()) {
      String tool = part.tool().id();
      if (catalogue.find(tool).isPresent()) {
        days.addAll(catalogue.days(tool).after(signed));
      }
    }
    List<Conditions.Earlier> history = new ArrayList<>();
    Selection was = SelectionLoader.stored(then.selection().undecided());
    history.add(
        new Conditions.Earlier(
            signed,
            conditions(
                then.decision().choice(),
                KEPT.get(
                    new Asked(was, was, YearMonth.from(signed), Map.of()), Asked::differences))));
    for (LocalDate day : days.headSet(today, true)) {
      differences(then, askedOn(id, day), day)
          .filter(differences -> differences.question().both().contains(then.decision().choice()))
          .ifPresent(differences ->
              history.add(
                  new Conditions.Earlier(day, conditions(then.decision().choice(), differences))));
    }
    return history;
  }

  private static LocalDate on(Decision.Signed signed) {
    return LocalDate.ofInstant(signed.at(), ZoneId.systemDefault());
  }

  /** With the rates published by that day, as far as any were used. */
  private SelectionFile askedOn(long id, LocalDate day) {
    SelectionFile file = selections.askedOn(id, day);
    List<Brief.RatePart> all = new ArrayList<>(file.brief().rates());
    for (ExchangeRate rate : rates.published(day)) {
      boolean used =
          file.brief().rates().stream()
              .anyMatch(own ->
                  own.from().equals(rate.from().getCode())
                      && own.to().equals(rate.to().getCode())
                      && own.on().compareTo(rate.on().toString()) < 0);
      if (used) {
        all.add(
            new Brief.RatePart(
                rate.from().getCode(),
                rate.to().getCode(),
                rate.rate().toPlainString(),
                rate.on().toString(),
                rate.source()));
      }
    }
    return file.withBrief(file.brief().withRates(all));
  }
}
