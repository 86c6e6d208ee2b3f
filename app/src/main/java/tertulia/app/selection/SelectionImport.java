package tertulia.app.selection;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.WeighingReader;
import tertulia.core.scoring.Better;

/** Stores a selection that came in a file. */
@Service
public class SelectionImport {
  private final Rows.Selections selections;
  private final Rows.Contenders contenders;
  private final Rows.Members members;
  private final Rows.Weights weights;
  private final Rows.Marks marks;
  private final Rows.Interests interests;
  private final Rows.Opinions opinions;
  private final Rows.Numbers numbers;
  private final Rows.Preferences preferences;
  private final Rows.Pairs pairs;
  private final Rows.SettledMarks settled;
  private final TriedByHand hands;
  private final Catalogue catalogue;
  private final NarrowingLog log;
  private final Acts acts;

  SelectionImport(
      Rows.Selections selections,
      Rows.Contenders contenders,
      Rows.Members members,
      Rows.Weights weights,
      Rows.Marks marks,
      Rows.Interests interests,
      Rows.Opinions opinions,
      Rows.Numbers numbers,
      Rows.Preferences preferences,
      Rows.Pairs pairs,
      Rows.SettledMarks settled,
      TriedByHand hands,
      Catalogue catalogue,
      NarrowingLog log,
      Acts acts) {
    this.acts = acts;
    this.selections = selections;
    this.contenders = contenders;
    this.members = members;
    this.weights = weights;
    this.marks = marks;
    this.interests = interests;
    this.opinions = opinions;
    this.numbers = numbers;
    this.preferences = preferences;
    this.pairs = pairs;
    this.settled = settled;
    this.hands = hands;
    this.catalogue = catalogue;
    this.log = log;
  }

  /**
   * What was stored.
   *
   * @param id of the new selection
   * @param ids of the contenders here, by those in the file
   */
  public record Taken(long id, Map<String, String> ids) {
    public Taken {
      ids = Map.copyOf(ids);
    }
  }

  /** Those that others name before these, as far as they do not name each other. */
  private static List<ToolSheet> namedFirst(Collection<ToolSheet> pages) {
    List<ToolSheet> ordered = new ArrayList<>();
    List<ToolSheet> left = new ArrayList<>(pages);
    while (!left.isEmpty()) {
      ToolSheet next =
          left.stream()
              .filter(sheet ->
                  sheet
                      .otherTools()
                      .allMatch(id ->
                          id.equals(sheet.id())
                              || left.stream().noneMatch(other -> other.id().equals(id))))
              .findFirst()
              .orElseGet(left::getFirst);
      left.remove(next);
      ordered.add(next);
    }
    return ordered;
  }

  /** Stores a file that was read: its tools, table, weights and marks; all or nothing. */
  @Transactional
  public Taken take(SelectionFile file, String by) {
    SelectionRow row = new SelectionRow();
    Map<String, String> used = new HashMap<>();
    Map<String, Catalogue.Stored> brought = new HashMap<>();
    for (ToolSheet sheet : namedFirst(file.allPages().values())) {
      Catalogue.Stored stored =
          catalogue.sameOrNew(sheet.naming(id -> used.getOrDefault(id, id)), by);
      brought.put(sheet.id(), stored);
      used.put(sheet.id(), stored.sheet().id());
    }
    Selections.write(row, ofOwnUse(file.brief(), used));
    long id = Objects.requireNonNull(selections.save(row).id);
    acts.note(id, new Act.Imported(row.title));
    Map<String, String> slugs = new HashMap<>();
    int place = 0;
    for (SelectionFile.ContenderPart part : file.contenders()) {
      Catalogue.Stored tool = Objects.requireNonNull(brought.get(part.tool().id()));
      slugs.put(part.tool().id(), tool.sheet().id());
      ContenderRow contender = new ContenderRow();
      contender.selectionId = id;
      contender.toolId = tool.id();
      contender.place = place++;
      contender.setAside = part.setAside();
      contender.plansAside = PlansAside.document(part.asides());
      contender.notNeeded = NotNeeded.document(part.needless());
      contender.effort = part.effort() == null ? null : Json.write(part.effort());
      contender.asToday = part.keptAsToday();
      Map<String, String> said = new HashMap<>();
      part.saidOfInUse().forEach((use, says) -> said.put(used.getOrDefault(use, use), says));
      contender.inUse = SaidOfInUse.document(said);
      contenders.save(contender);
    }
    file.panel().forEach(member -> take(id, member, slugs));
    hands.take(id, file.tried(), slugs);
    file.narrowing().forEach(part -> log.note(id, part));
    for (SelectionFile.SettledPart part : file.agreed()) {
      SettledRow mark = new SettledRow();
      mark.selectionId = id;
      mark.criterion = part.criterion();
      mark.contender = Objects.requireNonNull(slugs.get(part.contender()));
      mark.points = part.points();
      mark.reason = part.reason();
      mark.notedBy = part.by();
      mark.notedOn = LocalDate.parse(part.on());
      settled.save(mark);
    }
    return new Taken(id, slugs);
  }

  /**
   * What is in use where a file was written goes on being the selection's own; one that lists
   * nothing and follows what is in use follows what is in use here.
   */
  private static Brief ofOwnUse(Brief brief, Map<String, String> ids) {
    List<InUsePart> own =
        brief.used().stream()
            .map(part -> part.of(ids.getOrDefault(part.tool(), part.tool())))
            .toList();
    return own.isEmpty() && brief.followsUse()
        ? brief
        : brief.with().inUse(own.isEmpty() ? null : own).followsInUse(null).leftOut(null).build();
  }

  private void take(long id, SelectionFile.MemberPart part, Map<String, String> slugs) {
    MemberRow member = new MemberRow();
    member.selectionId = id;
    member.name = part.name();
    member.share = part.share();
    member.competence = Objects.requireNonNullElse(part.competence(), "").strip();
    boolean withheld = SelectionFile.MemberPart.WITHHELD.equals(part.weighsBy());
    member.weighsBy = part.weighsBy() == null || withheld ? "points" : part.weighsBy();
    boolean judged =
        !part.points().isEmpty() || !part.otherWays().isEmpty() || !part.marks().isEmpty();
    member.handedIn = judged && part.shown() ? catalogue.today() : null;
    long memberId = Objects.requireNonNull(members.save(member).id);
    part.points()
        .forEach((criterion, points) -> {
          WeightRow row = new WeightRow();
          row.memberId = memberId;
          row.criterion = criterion;
          row.points = points;
          weights.save(row);
        });
    part.otherWays().forEach(way -> take(memberId, way));
    part.compared().forEach(pair -> take(memberId, pair, slugs));
    for (SelectionFile.OpinionPart opinion : part.said()) {
      OpinionRow row = new OpinionRow();
      row.memberId = memberId;
      row.contender = Objects.requireNonNull(slugs.get(opinion.contender()));
      row.words = opinion.takeIf();
      opinions.save(row);
    }
    for (SelectionFile.MarkPart mark : part.marks()) {
      MarkRow row = new MarkRow();
      row.memberId = memberId;
      row.criterion = mark.criterion();
      row.contender = Objects.requireNonNull(slugs.get(mark.contender()));
      row.points = mark.points();
      row.note = mark.note();
      row.acquaintance = mark.ground();
      row.interest = mark.interest() == null ? "" : mark.interest();
      marks.save(row);
      interest(row);
    }
  }

  /** What one mark of a contender says is said of the contender. */
  private void interest(MarkRow mark) {
    boolean there = interests.findByMemberIdAndContender(mark.memberId, mark.contender).isPresent();
    if (!mark.interest.isEmpty() && !there) {
      InterestRow row = new InterestRow();
      row.memberId = mark.memberId;
      row.contender = mark.contender;
      row.words = mark.interest;
      interests.save(row);
    }
  }

  private void take(long member, SelectionFile.PairPart part, Map<String, String> slugs) {
    Better pair = WeighingReader.better(part);
    String better = Objects.requireNonNull(slugs.get(pair.better()));
    String than = Objects.requireNonNull(slugs.get(pair.than()));
    boolean inOrder = better.compareTo(than) < 0;
    PairRow row = new PairRow();
    row.memberId = member;
    row.criterion = part.criterion();
    row.one = inOrder ? better : than;
    row.other = inOrder ? than : better;
    row.better = inOrder ? pair.much().ordinal() : -pair.much().ordinal();
    row.note = part.note();
    pairs.save(row);
  }

  private void take(long member, SelectionFile.WeighingPart part) {
    switch (part) {
      case SelectionFile.SwingPart swing ->
          take(member, WeighingReader.Elicitation.SWING, swing.worth());
      case SelectionFile.RankOrderPart order ->
          take(member, WeighingReader.Elicitation.RANK_ORDER, order.ranks());
      case SelectionFile.ComparedPart compared ->
          compared
              .pairs()
              .forEach(pair -> {
                boolean inOrder = pair.more().compareTo(pair.less()) < 0;
                PreferenceRow row = new PreferenceRow();
                row.memberId = member;
                row.one = inOrder ? pair.more() : pair.less();
                row.other = inOrder ? pair.less() : pair.more();
                row.times = inOrder || pair.times() == 1 ? pair.times() : -pair.times();
                preferences.save(row);
              });
    }
  }

  private void take(long member, WeighingReader.Elicitation way, Map<String, Integer> given) {
    given.forEach((criterion, number) -> {
      NumberRow row = new NumberRow();
      row.memberId = member;
      row.method = way.code();
      row.criterion = criterion;
      row.number = number;
      numbers.save(row);
    });
  }
}
