package tertulia.app.exchange;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tertulia.core.evaluation.BoughtTogether;
import tertulia.core.evaluation.BuyingPolicy;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.inuse.Beside;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Settled;
import tertulia.core.time.Horizon;
import tertulia.core.trial.Trials;

/** Turns a selection file into the core's selection. */
public final class SelectionReader {
  private static final int LONGEST_TEXT = 4000;
  private static final int LONGEST_REASON = 500;
  private static final int LONGEST_OPTION = 300;
  private final Faults faults;

  public SelectionReader(Faults faults) {
    this.faults = faults;
  }

  /**
   * The selection; empty if anything was refused. How much of everything there is, is no matter
   * here: what was stored can be read for ever.
   */
  public Optional<Selection> read(SelectionFile file) {
    BriefReader reader = new BriefReader(faults);
    Brief brief = file.brief();
    List<Group> groups = reader.groups("/brief/groups", brief.groups());
    Map<Measure, Demand> demand = reader.demand("/brief/demand", brief.demand(), brief.groups());
    Optional<BigDecimal> averagePayment = averagePayment(brief.averagePayment());
    List<Need> needs = reader.needs("/brief/needs", brief.needs(), brief.currency());
    List<Criterion> criteria = reader.criteria("/brief/criteria", brief.criteria());
    InUseReader inUse = new InUseReader(faults, file);
    List<Contender> contenders = contenders(file, inUse);
    List<Member> members = members(file.panel(), criteria, contenders);
    List<Settled> settled =
        settled(
            file,
            criteria.stream().map(Criterion::id).toList(),
            contenders.stream().map(Contender::id).toList());
    List<ExchangeRate> rates = rates(brief.rates());
    List<Scenario> scenarios = reader.scenarios("/brief/scenarios", brief.scenarios());
    BuyingPolicy practice = reader.practice(brief);
    checkLog(file.narrowing());
    checkEnded(file.proposals());
    checkSaid(file.said());
    checkDecision(file.decision(), contenders.stream().map(Contender::id).toList());
    Trials trials =
        new TrialsReader(faults)
            .read(file.tried(), contenders.stream().map(Contender::id).toList());
    Beside beside = inUse.read(contenders);
    Optional<Selection> selection =
        faults.at(
            "/brief",
            () ->
                new Selection(
                    Codes.text(brief.title(), 200),
                    Codes.text(brief.purpose(), LONGEST_TEXT),
                    Codes.day(brief.asOf()),
                    new Horizon(Codes.month(brief.start()), brief.months()),
                    Codes.currency(brief.currency()),
                    PriceRise.ofPercent(Codes.decimal(brief.priceRisePercent()).toPlainString()),
                    groups,
                    demand,
                    averagePayment,
                    needs,
                    criteria,
                    inUse.met(contenders, beside),
                    new Panel(members, settled),
                    new ExchangeRates(rates),
                    scenarios,
                    practice,
                    trials,
                    beside));
    return faults.isEmpty()
        ? selection.map(read -> BoughtTogether.settled(read, ofEvery(brief)))
        : Optional.empty();
  }

  /** What each of several tools that are bought together has to meet by itself. */
  private static Set<String> ofEvery(Brief brief) {
    return brief.needs().stream()
        .filter(need -> need.condition() != null && !need.asksHowMany())
        .map(Brief.NeedPart::id)
        .collect(Collectors.toSet());
  }

  /**
   * As {@link #read}, for what is not stored yet: more of anything than is kept, and growth that
   * leads nowhere, are refused too.
   */
  public Optional<Selection> readNew(SelectionFile file) {
    checkSizes(file);
    Optional<Selection> selection = read(file);
    selection.ifPresent(this::checkGrowth);
    checkUsed(file);
    return faults.isEmpty() ? selection : Optional.empty();
  }

  private void checkUsed(SelectionFile file) {
    Map<String, ToolSheet> pages = file.allPages();
    for (int i = 0; i < file.contenders().size(); i++) {
      String at = "/contenders/" + i + "/tool/together";
      TogetherReader.missing(file.contenders().get(i).tool(), pages)
          .ifPresent(fault -> faults.add(at, fault));
    }
    for (int i = 0; i < file.brief().used().size(); i++) {
      InUsePart part = file.brief().used().get(i);
      faults.at(
          "/brief/inUse/" + i,
          () -> {
            Optional.ofNullable(pages.get(part.tool())).ifPresent(part::checkPlan);
            return part;
          });
    }
  }

  private void checkGrowth(Selection selection) {
    int last = selection.horizon().months() - 1;
    for (int g = 0; g < selection.groups().size(); g++) {
      Group group = selection.groups().get(g);
      boolean endless =
          selection.scenarios().stream()
              .anyMatch(s -> group.headcount(selection.horizon(), last, s) >= Group.MOST_PEOPLE);
      if (endless) {
        faults.add(
            "/brief/groups/" + g,
            group.name() + " would grow to 10,000,000 people or more. Check how fast it grows.");
      }
    }
  }

  private Optional<BigDecimal> averagePayment(@Nullable String text) {
    return text == null
        ? Optional.empty()
        : faults.at("/brief/averagePayment", () -> Codes.decimal(text));
  }

  private void checkSizes(SelectionFile file) {
    checkSize("/brief/inUse", file.brief().used().size(), Beside.MOST);
    checkSize("/pages", file.otherPages().size(), Limits.OTHER_PAGES);
    checkSize("/contenders", file.contenders().size(), Limits.CONTENDERS);
    checkSize("/log", file.narrowing().size(), Limits.ACTS);
    checkSize("/ended", file.proposals().size(), Limits.ENDED);
    checkSize("/trials/tasks", file.tried().tasks().size(), Limits.TASKS);
    for (int i = 0; i < file.tried().trials().size(); i++) {
      int trying = file.tried().trials().get(i).people().size();
      checkSize("/trials/trials/" + i + "/people", trying, Limits.TRYING);
      int results = file.tried().trials().get(i).results().size();
      checkSize("/trials/trials/" + i + "/results", results, Limits.RESULTS);
    }
    checkSize("/settled", file.agreed().size(), Limits.SETTLED);
    checkSize("/remarks", file.said().size(), Limits.REMARKS);
    for (int i = 0; i < file.said().size(); i++) {
      int answers = Objects.requireNonNullElse(file.said().get(i).answers(), List.of()).size();
      checkSize("/remarks/" + i + "/answers", answers, Limits.ANSWERS);
    }
    checkSize("/panel", file.panel().size(), Limits.MEMBERS);
    checkSize("/brief/groups", file.brief().groups().size(), Limits.GROUPS);
    checkSize("/brief/demand", file.brief().demand().size(), Limits.COUNTED);
    checkSize("/brief/needs", file.brief().needs().size(), Limits.NEEDS);
    checkSize("/brief/criteria", file.brief().criteria().size(), Limits.CRITERIA);
  }

  private void checkSaid(List<SelectionFile.RemarkPart> remarks) {
    for (int i = 0; i < remarks.size(); i++) {
      SelectionFile.RemarkPart part = remarks.get(i);
      faults.at("/remarks/" + i, () -> part.read(""));
    }
  }

  private void checkSize(String at, int size, int most) {
    if (size > most) {
      faults.add(at, "There are " + size + " entries; at most " + most + " are read.");
    }
  }

  /** What is wrong with how many are asked for is said where the need stands. */
  private static boolean isRead(String count) {
    return new Faults().at("", () -> TypedCount.needed(count)).isPresent();
  }

  private List<Contender> contenders(SelectionFile file, InUseReader inUse) {
    List<SelectionFile.ContenderPart> parts = file.contenders();
    List<Brief.NeedPart> needs = file.brief().needs();
    Optional<HeldQuotes> quotes =
        faults.at("/brief/asOf", () -> new HeldQuotes(Codes.day(file.brief().asOf())));
    if (quotes.isEmpty()) {
      return List.of();
    }
    Map<String, ToolSheet> pages = new LinkedHashMap<>();
    file.allPages().forEach((id, page) -> pages.put(id, quotes.get().in(page)));
    List<Contender> contenders = new ArrayList<>();
    ToolReader tools =
        new ToolReader(
            faults,
            needs.stream()
                .filter(n -> n.condition() != null)
                .filter(n -> !n.asksHowMany() || isRead(n.capability()))
                .toList());
    for (int i = 0; i < parts.size(); i++) {
      SelectionFile.ContenderPart part = parts.get(i);
      new TogetherReader(tools, faults, pages, inUse.had(part))
          .contender("/contenders/" + i + "/tool", part.with(quotes.get().in(part.tool())))
          .map(read -> part.keptAsToday() ? inUse.asToday(read) : read)
          .ifPresent(contenders::add);
      checkSaid(i, part);
      checkSize("/contenders/" + i + "/notNeeded", part.needless().size(), Limits.NOT_NEEDED);
      for (SelectionFile.NotNeededPart needless : part.needless()) {
        faults.at(
            "/contenders/" + i + "/notNeeded",
            () ->
                Codes.text(needless.capability(), Limits.NAME)
                    + Codes.text(needless.because(), Limits.NOT_NEEDED_WHY)
                    + Codes.text(needless.by(), Limits.NAME));
      }
    }
    return contenders;
  }

  private void checkSaid(int place, SelectionFile.ContenderPart part) {
    part.saidOfInUse()
        .forEach((tool, said) ->
            faults.at(
                "/contenders/" + place + "/inUse",
                () -> {
                  Codes.text(tool, Limits.NAME);
                  if (!said.equals(InUseReader.STAYS) && !said.equals(InUseReader.GOES)) {
                    throw new IllegalArgumentException(
                        "A tool in use \"stays\" or \"goes\"; found \""
                            + Codes.shortened(said)
                            + "\".");
                  }
                  return said;
                }));
  }

  private List<Member> members(
      List<SelectionFile.MemberPart> parts, List<Criterion> criteria, List<Contender> contenders) {
    List<String> criterionIds = criteria.stream().map(Criterion::id).toList();
    List<String> contenderIds = contenders.stream().map(Contender::id).toList();
    List<Member> members = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      SelectionFile.MemberPart part = parts.get(i);
      String at = "/panel/" + i;
      String id = "p" + (i + 1);
      Map<String, Map<String, Mark>> marks = new HashMap<>();
      for (int j = 0; j < part.marks().size(); j++) {
        SelectionFile.MarkPart mark = part.marks().get(j);
        faults
            .at(at + "/marks/" + j, () -> mark(mark, criterionIds, contenderIds))
            .ifPresent(read ->
                marks
                    .computeIfAbsent(mark.criterion(), c -> new HashMap<>())
                    .put(mark.contender(), read));
      }
      faults
          .at(
              at,
              () -> {
                part.points().keySet().forEach(c -> checkKnown("criterion", c, criterionIds));
                checkPairs(part.compared(), criterionIds, contenderIds);
                checkOpinions(part.said(), contenderIds);
                Codes.text(Objects.requireNonNullElse(part.competence(), ""), Limits.COMPETENCE);
                WeighingReader.criteria(part.otherWays())
                    .forEach(c -> checkKnown("criterion", c, criterionIds));
                return new Member(
                    id,
                    Codes.text(part.name(), BriefReader.LONGEST_NAME),
                    part.share(),
                    WeighingReader.weighing(part),
                    marks,
                    part.shown());
              })
          .ifPresent(members::add);
    }
    return members;
  }

  private static void checkOpinions(
      List<SelectionFile.OpinionPart> opinions, List<String> contenders) {
    List<String> of = opinions.stream().map(SelectionFile.OpinionPart::contender).toList();
    of.forEach(contender -> checkKnown("contender", contender, contenders));
    opinions.forEach(opinion -> Codes.text(opinion.takeIf(), Limits.OPINION));
    if (of.stream().distinct().count() < of.size()) {
      throw new IllegalArgumentException("Two opinions of one contender. Keep one of them.");
    }
  }

  /** The criteria of a brief; empty if one of them is not right. */
  public static Optional<List<Criterion>> criteria(Brief brief) {
    Faults faults = new Faults();
    List<Criterion> criteria =
        new BriefReader(faults).criteria("/brief/criteria", brief.criteria());
    return faults.isEmpty() ? Optional.of(criteria) : Optional.empty();
  }

  private static Mark mark(
      SelectionFile.MarkPart part, List<String> criteria, List<String> contenders) {
    checkKnown("criterion", part.criterion(), criteria);
    checkKnown("contender", part.contender(), contenders);
    return new Mark(
        part.points() == null ? null : Codes.decimal(part.points()),
        Codes.text(part.note(), 1000),
        part.ground() == null ? null : WeighingReader.acquaintance(part.ground()),
        part.interest() == null ? "" : Codes.text(part.interest(), 400));
  }

  /** Marks settled together, each once. */
  private List<Settled> settled(
      SelectionFile file, List<String> criteria, List<String> contenders) {
    List<Settled> settled = new ArrayList<>();
    for (int i = 0; i < file.agreed().size(); i++) {
      SelectionFile.SettledPart part = file.agreed().get(i);
      faults
          .at("/settled/" + i, () -> settled(part, settled, criteria, contenders))
          .ifPresent(settled::add);
    }
    return settled;
  }

  private static Settled settled(
      SelectionFile.SettledPart part,
      List<Settled> before,
      List<String> criteria,
      List<String> contenders) {
    checkKnown("criterion", part.criterion(), criteria);
    checkKnown("contender", part.contender(), contenders);
    Codes.day(part.on());
    Codes.text(part.by(), BriefReader.LONGEST_NAME);
    if (before.stream()
        .anyMatch(s ->
            s.criterion().equals(part.criterion()) && s.contender().equals(part.contender()))) {
      throw new IllegalArgumentException(
          "A mark for \""
              + part.contender()
              + "\" under \""
              + part.criterion()
              + "\" is settled twice. Keep one.");
    }
    return new Settled(
        part.criterion(),
        part.contender(),
        Codes.decimal(part.points()),
        Codes.text(part.reason(), 1000));
  }

  private static void checkPairs(
      List<SelectionFile.PairPart> pairs, List<String> criteria, List<String> contenders) {
    Set<Set<String>> met = new HashSet<>();
    for (SelectionFile.PairPart pair : pairs) {
      checkPair(pair, criteria, contenders);
      if (!met.add(Set.of(pair.criterion() + " ", pair.better(), pair.than()))) {
        throw new IllegalArgumentException(
            "\""
                + pair.better()
                + "\" and \""
                + pair.than()
                + "\" are compared twice under \""
                + pair.criterion()
                + "\". Keep one.");
      }
    }
  }

  private static void checkPair(
      SelectionFile.PairPart pair, List<String> criteria, List<String> contenders) {
    checkKnown("criterion", pair.criterion(), criteria);
    checkKnown("contender", pair.better(), contenders);
    checkKnown("contender", pair.than(), contenders);
    Codes.text(pair.note(), 1000);
    WeighingReader.better(pair);
  }

  static void checkKnown(String what, String id, List<String> known) {
    if (!known.contains(id)) {
      throw new IllegalArgumentException(
          "There is no " + what + " \"" + id + "\" in this selection; there are " + known + ".");
    }
  }

  private void checkLog(List<SelectionFile.LogPart> log) {
    for (int i = 0; i < log.size(); i++) {
      SelectionFile.LogPart part = log.get(i);
      faults.at(
          "/log/" + i,
          () -> {
            if (!SelectionFile.LogPart.ACTS.contains(part.what())) {
              throw new IllegalArgumentException(
                  "\""
                      + part.what()
                      + "\" is not one of "
                      + String.join(", ", SelectionFile.LogPart.ACTS)
                      + ".");
            }
            Codes.text(part.who(), BriefReader.LONGEST_NAME);
            Codes.text(part.contender(), BriefReader.LONGEST_NAME);
            Codes.text(part.reason() == null ? "" : part.reason(), LONGEST_REASON);
            return Codes.instant(part.at());
          });
    }
  }

  private void checkEnded(List<SelectionFile.EndedPart> ended) {
    for (int i = 0; i < ended.size(); i++) {
      SelectionFile.EndedPart part = ended.get(i);
      faults.at(
          "/ended/" + i,
          () -> {
            if (!SelectionFile.EndedPart.ENDS.contains(part.what())) {
              throw new IllegalArgumentException(
                  "\""
                      + part.what()
                      + "\" is not one of "
                      + String.join(", ", SelectionFile.EndedPart.ENDS)
                      + ".");
            }
            Codes.text(part.choice(), BriefReader.LONGEST_NAME);
            Codes.text(part.option(), LONGEST_OPTION);
            Codes.text(part.proposedBy(), BriefReader.LONGEST_NAME);
            Codes.text(part.by(), BriefReader.LONGEST_NAME);
            Codes.text(part.reasons(), LONGEST_TEXT);
            Codes.text(part.givenUp(), LONGEST_TEXT);
            Codes.text(part.reason(), LONGEST_TEXT);
            Codes.instant(part.proposedAt());
            return Codes.instant(part.at());
          });
    }
  }

  private void checkDecision(
      SelectionFile.@Nullable DecisionPart decision, List<String> contenders) {
    if (decision == null) {
      return;
    }
    faults.at(
        "/decision/choice",
        () -> {
          checkKnown("contender", decision.choice(), contenders);
          return decision;
        });
    String lookAgain = decision.lookAgain();
    if (lookAgain != null) {
      faults.at("/decision/lookAgain", () -> Codes.day(lookAgain));
    }
    String despite = decision.despite();
    if (despite != null) {
      faults.at("/decision/despite", () -> Codes.text(despite, Limits.DESPITE));
    }
    List<ProvisoPart> provisos = decision.holdsWhile();
    if (provisos != null) {
      for (int i = 0; i < provisos.size(); i++) {
        faults.at("/decision/holdsWhile/" + i, provisos.get(i)::toCore);
      }
    }
  }

  private List<ExchangeRate> rates(List<Brief.RatePart> parts) {
    List<ExchangeRate> rates = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      Brief.RatePart part = parts.get(i);
      faults
          .at(
              "/brief/rates/" + i,
              () ->
                  new ExchangeRate(
                      Codes.currency(part.from()),
                      Codes.currency(part.to()),
                      Codes.decimal(part.rate()),
                      Codes.day(part.on()),
                      Codes.text(part.source(), BriefReader.LONGEST_NAME)))
          .ifPresent(rates::add);
    }
    return rates;
  }
}
