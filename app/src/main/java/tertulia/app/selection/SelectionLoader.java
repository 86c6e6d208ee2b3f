package tertulia.app.selection;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Disinterested;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.SelectionReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.inuse.ToolsInUse;
import tertulia.core.deadline.OnceEach;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.Progress;
import tertulia.core.remark.Remark;
import tertulia.core.scoring.Better;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Weighing;

/** Reads selections whole: as many queries for many as for one. */
@Component
public class SelectionLoader {
  static final DocumentFormat<Brief> FORMAT =
      new DocumentFormat<>("selection", Brief.class, List.of());

  private static final OnceEach<SelectionFile, Selection> READ =
      new OnceEach<>("the selection", 640);
  private final Rows.Contenders contenders;
  private final Rows.Members members;
  private final PanelInputs entered;
  private final Rows.SettledMarks settled;
  private final Remarks remarks;
  private final Proofs proofs;
  private final TriedByHand hands;
  private final SelectionAccess entrance;
  private final Catalogue catalogue;
  private final GrowthPlans growth;
  private final ToolsInUse inUse;
  private final NarrowingLog log;

  SelectionLoader(
      Rows.Contenders contenders,
      Rows.Members members,
      PanelInputs entered,
      Rows.SettledMarks settled,
      Remarks remarks,
      Proofs proofs,
      TriedByHand hands,
      SelectionAccess entrance,
      Catalogue catalogue,
      GrowthPlans growth,
      ToolsInUse inUse,
      NarrowingLog log) {
    this.inUse = inUse;
    this.contenders = contenders;
    this.members = members;
    this.entered = entered;
    this.settled = settled;
    this.remarks = remarks;
    this.proofs = proofs;
    this.hands = hands;
    this.entrance = entrance;
    this.catalogue = catalogue;
    this.growth = growth;
    this.log = log;
  }

  /** What a criterion is called; its id if there is none. */
  static String criterion(SelectionRow row, String id) {
    return brief(row).criteria().stream()
        .filter(part -> part.id().equals(id))
        .findFirst()
        .map(Brief.CriterionPart::name)
        .orElse(id);
  }

  static Brief brief(SelectionRow row) {
    return asked(row.brief, row.format);
  }

  /** A brief as it was stored at some time, in the format of that time. */
  public static Brief asked(String stored, int format) {
    return FORMAT.read(stored, format);
  }

  /** What a table would be with another price page of one of its tools. */
  public static Selection replacing(LoadedSelection table, ToolSheet sheet) {
    SelectionFile file = table.file();
    return stored(
        file.withContenders(
                file.contenders().stream()
                    .map(part -> part.tool().id().equals(sheet.id()) ? part.with(sheet) : part)
                    .toList())
            .withPages(
                file.otherPages().isEmpty()
                    ? null
                    : file.otherPages().stream()
                        .map(page -> page.id().equals(sheet.id()) ? sheet : page)
                        .toList()));
  }

  /** What a file that was checked before holds. */
  public static Selection stored(SelectionFile file) {
    return READ.get(file, SelectionLoader::read);
  }

  /** What a file holds that an earlier release may have written; empty if it is not read today. */
  public static Optional<Selection> ifReadable(SelectionFile file) {
    Faults faults = new Faults();
    return new SelectionReader(faults).read(file).isPresent()
        ? Optional.of(stored(file))
        : Optional.empty();
  }

  private static Selection read(SelectionFile file) {
    Faults faults = new Faults();
    return new SelectionReader(faults)
        .read(file)
        .orElseThrow(
            () -> new IllegalStateException("The store holds no selection: " + faults.all()));
  }

  /** Selections whole, in this order, with the price pages as they held on a day. */
  List<LoadedSelection> of(List<SelectionRow> rows, LocalDate day) {
    return of(rows, day, false);
  }

  /**
   * The same, perhaps read without what was said by somebody with an interest.
   *
   * @param disinterested whether that is left out
   */
  List<LoadedSelection> of(List<SelectionRow> rows, LocalDate day, boolean disinterested) {
    List<Long> ids = rows.stream().map(row -> Objects.requireNonNull(row.id)).toList();
    Map<Long, List<ContenderRow>> tools =
        contenders.findBySelectionIdInOrderByPlace(ids).stream()
            .collect(Collectors.groupingBy(row -> row.selectionId));
    Map<Long, ToolSheet> sheets =
        catalogue.sheets(
            tools.values().stream()
                .flatMap(List::stream)
                .map(row -> row.toolId)
                .distinct()
                .toList(),
            day);
    List<MemberRow> everybody = members.findBySelectionIdInOrderById(ids);
    Map<Long, List<MemberRow>> seated =
        everybody.stream().collect(Collectors.groupingBy(row -> row.selectionId));
    PanelInputs.Judged judged =
        entered.by(everybody.stream().map(row -> Objects.requireNonNull(row.id)).toList());
    Map<Long, List<SelectionFile.LogPart>> acts = log.of(ids);
    Map<Long, List<SettledRow>> together =
        settled.findBySelectionIdInOrderById(ids).stream()
            .collect(Collectors.groupingBy(row -> row.selectionId));
    Map<Long, TriedByHand.Stored> tried = hands.of(ids);
    Map<Long, List<ProofRow>> shown = proofs.of(ids);
    Map<Long, List<RemarkRow>> said = remarks.of(ids);
    Map<String, ToolSheet> members = named(sheets.values(), day);
    List<LoadedSelection> tables = new ArrayList<>();
    for (SelectionRow row : rows) {
      List<SelectionFile.ContenderPart> parts =
          tools.getOrDefault(row.id, List.of()).stream().map(tool -> part(tool, sheets)).toList();
      Brief followed = inUse.followedBy(growth.followedBy(brief(row), row.decided), row.decided);
      Map<String, ToolSheet> used = pagesInUse(followed, parts, day);
      Brief brief = knownOnly(followed, used, parts);
      List<MemberRow> panel = seated.getOrDefault(row.id, List.of());
      VisibilityPolicy sight = VisibilityPolicy.of(row, panel, entrance.visitor());
      SelectionFile file =
          new SelectionFile(
              SelectionFile.FORMAT,
              SelectionFile.VERSION,
              brief,
              parts,
              panel(panel, brief, parts, judged, row.openedBy != null || row.decided),
              null,
              acts.get(row.id),
              null,
              settled(together.getOrDefault(row.id, List.of()), brief, parts),
              null,
              Objects.requireNonNull(tried.get(row.id))
                  .part(parts.stream().map(p -> p.tool().id()).collect(Collectors.toSet())),
              pages(used, parts, members));
      tables.add(
          table(
              row,
              file,
              disinterested,
              panel,
              sight,
              said.getOrDefault(row.id, List.of()),
              shown.getOrDefault(row.id, List.of())));
    }
    return tables;
  }

  /** The price pages of tools in use that are no contenders, by the tool's id, in their order. */
  private Map<String, ToolSheet> pagesInUse(
      Brief brief, List<SelectionFile.ContenderPart> parts, LocalDate day) {
    List<String> others =
        brief.used().stream()
            .map(InUsePart::tool)
            .filter(id -> parts.stream().noneMatch(part -> part.tool().id().equals(id)))
            .toList();
    Map<String, ToolSheet> known = catalogue.pages(others, day);
    Map<String, ToolSheet> pages = new LinkedHashMap<>();
    others.stream()
        .filter(known::containsKey)
        .forEach(id -> pages.put(id, Objects.requireNonNull(known.get(id))));
    return pages;
  }

  /** The pages that others cannot be priced without, and those that these name again. */
  private Map<String, ToolSheet> named(Collection<ToolSheet> sheets, LocalDate day) {
    Map<String, ToolSheet> found = new LinkedHashMap<>();
    Collection<ToolSheet> next = sheets;
    while (!next.isEmpty()) {
      Set<String> ids =
          next.stream()
              .flatMap(ToolSheet::otherTools)
              .filter(id -> !found.containsKey(id))
              .collect(Collectors.toSet());
      next = ids.isEmpty() ? List.of() : catalogue.pages(ids, day).values();
      next.forEach(page -> found.put(page.id(), page));
    }
    return found;
  }

  /** With the pages that contenders name; null: there are none. */
  private static @Nullable List<ToolSheet> pages(
      Map<String, ToolSheet> used,
      List<SelectionFile.ContenderPart> parts,
      Map<String, ToolSheet> members) {
    Map<String, ToolSheet> pages = new LinkedHashMap<>(used);
    Set<String> seen = parts.stream().map(part -> part.tool().id()).collect(Collectors.toSet());
    List<ToolSheet> next = parts.stream().map(SelectionFile.ContenderPart::tool).toList();
    while (!next.isEmpty()) {
      next =
          next.stream()
              .flatMap(ToolSheet::otherTools)
              .filter(seen::add)
              .flatMap(id -> Optional.ofNullable(members.get(id)).stream())
              .toList();
      next.forEach(page -> pages.putIfAbsent(page.id(), page));
    }
    return pages.isEmpty() ? null : List.copyOf(pages.values());
  }

  /** Without tools in use that the catalogue does not have any more. */
  private static Brief knownOnly(
      Brief brief, Map<String, ToolSheet> used, List<SelectionFile.ContenderPart> parts) {
    List<InUsePart> known =
        brief.used().stream()
            .filter(use ->
                used.containsKey(use.tool())
                    || parts.stream().anyMatch(part -> part.tool().id().equals(use.tool())))
            .toList();
    return known.size() == brief.used().size()
        ? brief
        : brief.withInUse(known.isEmpty() ? null : known);
  }

  private static LoadedSelection table(
      SelectionRow row,
      SelectionFile file,
      boolean disinterested,
      List<MemberRow> panel,
      VisibilityPolicy sight,
      List<RemarkRow> said,
      List<ProofRow> pictures) {
    Selection whole = stored(file);
    List<Long> hidden =
        panel.stream()
            .filter(member -> !sight.sees(member))
            .flatMap(member -> Stream.ofNullable(member.accountId))
            .toList();
    List<Remark> read = Remarks.read(said, hidden);
    List<Boolean> kept = panel.stream().map(member -> !sight.sees(member)).toList();
    return new LoadedSelection(
        Objects.requireNonNull(row.id),
        row.version,
        row.decided,
        withheld(file, kept).remarked(read),
        withheld(disinterested ? stored(Disinterested.of(file)) : whole, kept),
        withheld(whole, kept),
        panel.stream()
            .map(m ->
                new LoadedSelection.Seat(
                    Objects.requireNonNull(m.id),
                    m.accountId,
                    m.name,
                    m.share,
                    m.handedIn,
                    m.competence))
            .toList(),
        read,
        Remarks.kept(said, hidden),
        Proofs.seen(pictures, hidden),
        row.openedBy,
        new PutAway(row.putAway, row.putAwayBy, row.sample));
  }

  /** A file without the views that are kept from the reader. */
  private static SelectionFile withheld(SelectionFile file, List<Boolean> kept) {
    if (!kept.contains(true)) {
      return file;
    }
    List<SelectionFile.MemberPart> seen = new ArrayList<>();
    for (int i = 0; i < kept.size(); i++) {
      SelectionFile.MemberPart part = file.panel().get(i);
      seen.add(kept.get(i) && part.anything() ? part.withheld() : part);
    }
    return file.withPanel(seen);
  }

  /** The same; how far somebody has come is no secret. */
  private static Selection withheld(Selection whole, List<Boolean> kept) {
    if (!kept.contains(true)) {
      return whole;
    }
    List<Member> seen = new ArrayList<>();
    for (int i = 0; i < kept.size(); i++) {
      Member member = whole.panel().members().get(i);
      boolean anything = !member.marks().isEmpty() || !member.weighing().equals(Weighing.NOTHING);
      seen.add(
          kept.get(i) && anything
              ? member.withheld(
                  Progress.hasWeighed(whole, member), Progress.marksLeft(whole, member))
              : member);
    }
    return whole.judgedBy(whole.panel().of(seen));
  }

  private static SelectionFile.ContenderPart part(ContenderRow row, Map<Long, ToolSheet> sheets) {
    return new SelectionFile.ContenderPart(
        Objects.requireNonNull(sheets.get(row.toolId)),
        row.setAside,
        row.effort == null ? null : Json.stored(row.effort, SelectionFile.EffortPart.class),
        row.plansAside == null ? null : PlansAside.stored(row.plansAside).plans(),
        row.notNeeded == null ? null : NotNeeded.stored(row.notNeeded).things(),
        row.asToday ? true : null,
        row.inUse == null ? null : SaidOfInUse.stored(row.inUse).said());
  }

  /**
   * What was entered, but for criteria and contenders that are not there any more.
   *
   * @param open whether everybody may see everything
   */
  private static List<SelectionFile.MemberPart> panel(
      List<MemberRow> seated,
      Brief brief,
      List<SelectionFile.ContenderPart> tools,
      PanelInputs.Judged judged,
      boolean open) {
    Set<String> criteria =
        brief.criteria().stream().map(Brief.CriterionPart::id).collect(Collectors.toSet());
    Set<String> slugs = tools.stream().map(c -> c.tool().id()).collect(Collectors.toSet());
    List<SelectionFile.MemberPart> panel = new ArrayList<>();
    for (MemberRow member : seated) {
      Map<String, Integer> points = new TreeMap<>();
      judged.weights().getOrDefault(member.id, List.of()).stream()
          .filter(w -> criteria.contains(w.criterion))
          .forEach(w -> points.put(w.criterion, w.points));
      List<SelectionFile.MarkPart> given =
          judged.marks().getOrDefault(member.id, List.of()).stream()
              .filter(m -> criteria.contains(m.criterion) && slugs.contains(m.contender))
              .map(SelectionLoader::mark)
              .toList();
      List<SelectionFile.WeighingPart> others = otherWays(member, criteria, judged);
      List<SelectionFile.PairPart> compared =
          judged.pairs().getOrDefault(member.id, List.of()).stream()
              .filter(p -> criteria.contains(p.criterion))
              .filter(p -> slugs.contains(p.one) && slugs.contains(p.other))
              .map(SelectionLoader::pair)
              .toList();
      panel.add(
          new SelectionFile.MemberPart(
              member.name,
              member.share,
              points,
              given,
              member.weighsBy.equals(WeighingReader.Elicitation.POINTS.code())
                  ? null
                  : member.weighsBy,
              others.isEmpty() ? null : others,
              open || VisibilityPolicy.isIn(member) ? null : false,
              compared.isEmpty() ? null : compared,
              member.competence.isEmpty() ? null : member.competence,
              opinions(judged.opinions().getOrDefault(member.id, List.of()), slugs)));
    }
    return panel;
  }

  private static @Nullable List<SelectionFile.OpinionPart> opinions(
      List<OpinionRow> rows, Set<String> contenders) {
    List<SelectionFile.OpinionPart> said =
        rows.stream()
            .filter(row -> contenders.contains(row.contender))
            .map(row -> new SelectionFile.OpinionPart(row.contender, row.words))
            .toList();
    return said.isEmpty() ? null : said;
  }

  private static @Nullable List<SelectionFile.SettledPart> settled(
      List<SettledRow> rows, Brief brief, List<SelectionFile.ContenderPart> tools) {
    List<SelectionFile.SettledPart> parts =
        rows.stream()
            .filter(row -> brief.criteria().stream().anyMatch(c -> c.id().equals(row.criterion)))
            .filter(row -> tools.stream().anyMatch(t -> t.tool().id().equals(row.contender)))
            .map(row ->
                new SelectionFile.SettledPart(
                    row.criterion,
                    row.contender,
                    row.points,
                    row.reason,
                    row.notedBy,
                    row.notedOn.toString()))
            .toList();
    return parts.isEmpty() ? null : parts;
  }

  private static SelectionFile.PairPart pair(PairRow row) {
    boolean turned = row.better < 0;
    return new SelectionFile.PairPart(
        row.criterion,
        turned ? row.other : row.one,
        turned ? row.one : row.other,
        WeighingReader.code(Better.Much.values()[Math.abs(row.better)]),
        row.note);
  }

  private static SelectionFile.MarkPart mark(MarkRow row) {
    return new SelectionFile.MarkPart(
        row.criterion,
        row.contender,
        row.points,
        row.note,
        row.acquaintance,
        row.interest.isEmpty() ? null : row.interest);
  }

  private static List<SelectionFile.WeighingPart> otherWays(
      MemberRow member, Set<String> criteria, PanelInputs.Judged judged) {
    List<SelectionFile.WeighingPart> others = new ArrayList<>();
    Map<String, Integer> worth =
        numbers(member, WeighingReader.Elicitation.SWING.code(), criteria, judged);
    Map<String, Integer> ranks =
        numbers(member, WeighingReader.Elicitation.RANK_ORDER.code(), criteria, judged);
    List<SelectionFile.PreferencePart> pairs =
        judged.preferences().getOrDefault(member.id, List.of()).stream()
            .filter(p -> criteria.contains(p.one) && criteria.contains(p.other))
            .map(p ->
                p.times > 0
                    ? new SelectionFile.PreferencePart(p.one, p.other, p.times)
                    : new SelectionFile.PreferencePart(p.other, p.one, -p.times))
            .toList();
    if (!worth.isEmpty()) {
      others.add(new SelectionFile.SwingPart(worth));
    }
    if (!ranks.isEmpty()) {
      others.add(new SelectionFile.RankOrderPart(ranks));
    }
    if (!pairs.isEmpty()) {
      others.add(new SelectionFile.ComparedPart(pairs));
    }
    return others;
  }

  private static Map<String, Integer> numbers(
      MemberRow member, String method, Set<String> criteria, PanelInputs.Judged judged) {
    Map<String, Integer> numbers = new TreeMap<>();
    judged.numbers().getOrDefault(member.id, List.of()).stream()
        .filter(n -> n.method.equals(method) && criteria.contains(n.criterion))
        .forEach(n -> numbers.put(n.criterion, n.number));
    return numbers;
  }
}
