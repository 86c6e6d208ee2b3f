package tertulia.app.selection;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;
import tertulia.core.scoring.Better;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Settled;

/** What people enter at a table: weights, marks and pairs, and marks they settle together. */
@Service
public class Views {
  private final SelectionStore store;
  private final Seats seats;
  private final Rows.Members members;
  private final Rows.Weights weights;
  private final Rows.Marks marks;
  private final Rows.Interests interests;
  private final Rows.Opinions opinions;
  private final Rows.Numbers numbers;
  private final Rows.Preferences preferences;
  private final Rows.Pairs pairs;
  private final Rows.SettledMarks settled;
  private final Catalogue catalogue;
  private final Acts acts;

  Views(
      SelectionStore store,
      Seats seats,
      Rows.Members members,
      Rows.Weights weights,
      Rows.Marks marks,
      Rows.Interests interests,
      Rows.Opinions opinions,
      Rows.Numbers numbers,
      Rows.Preferences preferences,
      Rows.Pairs pairs,
      Rows.SettledMarks settled,
      Catalogue catalogue,
      Acts acts) {
    this.acts = acts;
    this.store = store;
    this.seats = seats;
    this.members = members;
    this.weights = weights;
    this.marks = marks;
    this.interests = interests;
    this.opinions = opinions;
    this.numbers = numbers;
    this.preferences = preferences;
    this.pairs = pairs;
    this.settled = settled;
    this.catalogue = catalogue;
  }

  /** Puts down somebody's points for a criterion; a person who weighs takes a seat. */
  @Transactional
  public void weigh(long id, SignedIn person, String criterion, int points) {
    SelectionRow selection = store.open(id);
    long member = seats.seat(id, person);
    Optional<WeightRow> before = weights.findByMemberIdAndCriterion(member, criterion);
    weighed(
        selection, member, person, criterion, before.map(was -> was.points).orElse(null), points);
    WeightRow row = before.orElseGet(WeightRow::new);
    row.memberId = member;
    row.criterion = criterion;
    row.points = points;
    weights.save(row);
  }

  /** Chooses the way in which somebody weighs; what was entered in another is kept. */
  @Transactional
  public void weighBy(long id, SignedIn person, WeighingReader.Elicitation way) {
    store.open(id);
    MemberRow row = seats.member(id, person);
    if (!way.code().equals(row.weighsBy)) {
      row.weighsBy = way.code();
      acts.note(id, new Act.WeighsBy(row.name, way.code()));
    }
  }

  /** Notes what somebody says of how much a criterion counts; nothing if that is as it was. */
  private void weighed(
      SelectionRow selection,
      long member,
      SignedIn person,
      String criterion,
      @Nullable Integer before,
      @Nullable Integer now) {
    if (!Objects.equals(before, now)) {
      acts.note(
          Objects.requireNonNull(selection.id),
          member,
          new Act.Weighed(
              person.name(), SelectionLoader.criterion(selection, criterion), before, now));
    }
  }

  private String tool(String slug) {
    return catalogue.find(slug).map(stored -> stored.sheet().name()).orElse(slug);
  }

  /**
   * Puts down somebody's number for a criterion by swing or in an order.
   *
   * @param number null takes it back
   */
  @Transactional
  public void number(
      long id,
      SignedIn person,
      WeighingReader.Elicitation way,
      String criterion,
      @Nullable Integer number) {
    SelectionRow selection = store.open(id);
    long member = seats.seat(id, person);
    Optional<NumberRow> existing =
        numbers.findByMemberIdAndMethodAndCriterion(member, way.code(), criterion);
    weighed(
        selection, member, person, criterion, existing.map(was -> was.number).orElse(null), number);
    if (number == null) {
      existing.ifPresent(numbers::delete);
      return;
    }
    NumberRow row = existing.orElseGet(NumberRow::new);
    row.memberId = member;
    row.method = way.code();
    row.criterion = criterion;
    row.number = number;
    numbers.save(row);
  }

  /**
   * Puts down how somebody compares two criteria.
   *
   * @param times how many times as much {@code one} matters; below 0 the other does; 0 takes it
   *     back
   */
  @Transactional
  public void compare(long id, SignedIn person, String one, String other, int times) {
    SelectionRow selection = store.open(id);
    long member = seats.seat(id, person);
    acts.note(
        id,
        member,
        new Act.Compared(
            person.name(),
            SelectionLoader.criterion(selection, times < 0 ? other : one),
            SelectionLoader.criterion(selection, times < 0 ? one : other),
            Math.abs(times)));
    boolean inOrder = one.compareTo(other) < 0;
    String first = inOrder ? one : other;
    String second = inOrder ? other : one;
    Optional<PreferenceRow> existing =
        preferences.findByMemberIdAndOneAndOther(member, first, second);
    if (times == 0) {
      existing.ifPresent(preferences::delete);
      return;
    }
    PreferenceRow row = existing.orElseGet(PreferenceRow::new);
    row.memberId = member;
    row.one = first;
    row.other = second;
    row.times = inOrder || Math.abs(times) == 1 ? times : -times;
    preferences.save(row);
  }

  /**
   * Puts down which of two contenders somebody finds better under a criterion, and why.
   *
   * @param much null takes it back
   */
  @Transactional
  public void better(
      long id,
      SignedIn person,
      String criterion,
      String better,
      String than,
      Better.@Nullable Much much,
      String note) {
    SelectionRow selection = store.open(id);
    long member = seats.seat(id, person);
    acts.note(
        id,
        member,
        new Act.FoundBetter(
            person.name(),
            SelectionLoader.criterion(selection, criterion),
            tool(better),
            tool(than),
            much == null ? "" : much.words()));
    boolean inOrder = better.compareTo(than) < 0;
    String one = inOrder ? better : than;
    String other = inOrder ? than : better;
    Optional<PairRow> existing =
        pairs.findByMemberIdAndCriterionAndOneAndOther(member, criterion, one, other);
    if (much == null) {
      existing.ifPresent(pairs::delete);
      return;
    }
    PairRow row = existing.orElseGet(PairRow::new);
    row.memberId = member;
    row.criterion = criterion;
    row.one = one;
    row.other = other;
    row.better = inOrder ? much.ordinal() : -much.ordinal();
    row.note = note;
    pairs.save(row);
  }

  /**
   * Puts down a mark that the table settled together.
   *
   * @param mark its points are whole
   * @throws Conflict if somebody has not handed in their view and the table is not open
   */
  @Transactional
  public void settle(long id, Settled mark, String by) {
    SelectionRow row = store.open(id);
    List<String> toCome =
        row.openedBy != null
            ? List.of()
            : members.findBySelectionIdOrderById(id).stream()
                .filter(member -> !VisibilityPolicy.isIn(member))
                .map(member -> member.name)
                .toList();
    if (toCome.size() > 1 || toCome.size() == 1 && members.countBySelectionId(id) > 1) {
      throw new Conflict(
          "Nothing is settled together before everybody has handed in their view; not yet: "
              + String.join(", ", toCome)
              + ". Wait for them, or open the views to everybody.");
    }
    SettledRow stored =
        settled
            .findBySelectionIdAndCriterionAndContender(id, mark.criterion(), mark.contender())
            .orElseGet(SettledRow::new);
    stored.selectionId = id;
    stored.criterion = mark.criterion();
    stored.contender = mark.contender();
    stored.points = mark.points().toPlainString();
    stored.reason = mark.reason();
    stored.notedBy = by;
    stored.notedOn = catalogue.today();
    settled.save(stored);
    acts.note(
        id,
        new Act.Settled(
            SelectionLoader.criterion(row, mark.criterion()),
            tool(mark.contender()),
            stored.points,
            mark.reason()));
  }

  /** Takes back what the table settled; each one's mark counts again. */
  @Transactional
  public void unsettle(long id, String criterion, String contender) {
    SelectionRow selection = store.open(id);
    settled
        .findBySelectionIdAndCriterionAndContender(id, criterion, contender)
        .ifPresent(row -> {
          settled.delete(row);
          acts.note(
              id,
              new Act.Unsettled(SelectionLoader.criterion(selection, criterion), tool(contender)));
        });
  }

  /** Puts down somebody's marks under a criterion together; what was said of others stays. */
  @Transactional
  public void markAll(long id, SignedIn person, String criterion, Map<String, Integer> given) {
    given.forEach((contender, points) -> mark(id, person, criterion, contender, "" + points));
  }

  /**
   * Says why somebody gave a mark; nothing happens if they gave none.
   *
   * @param ground the code of what it rests on; null: not said
   */
  @Transactional
  public void reason(
      long id,
      SignedIn person,
      String criterion,
      String contender,
      String note,
      Mark.@Nullable Acquaintance ground) {
    SelectionRow selection = store.open(id);
    long member = seats.seat(id, person);
    marks
        .findByMemberIdAndCriterionAndContender(member, criterion, contender)
        .ifPresent(row -> {
          row.note = note;
          row.acquaintance = ground == null ? null : WeighingReader.code(ground);
          acts.note(
              id,
              member,
              new Act.Reasoned(
                  person.name(), SelectionLoader.criterion(selection, criterion), tool(contender)));
        });
  }

  /**
   * Says once what somebody has to do with a contender; all their marks of it come with it, those
   * that follow, too.
   *
   * @param words empty: nothing any more
   */
  @Transactional
  public void interest(long id, SignedIn person, String contender, String words) {
    store.open(id);
    // whoever has nothing to say does not join the panel by saying so
    if (words.isEmpty() && members.findBySelectionIdAndAccountId(id, person.id()).isEmpty()) {
      return;
    }
    long member = seats.seat(id, person);
    Optional<InterestRow> said = interests.findByMemberIdAndContender(member, contender);
    if (!said.map(row -> row.words).orElse("").equals(words)) {
      acts.note(id, member, new Act.InterestStated(person.name(), tool(contender), words));
    }
    if (words.isEmpty()) {
      said.ifPresent(interests::delete);
    } else {
      InterestRow row = said.orElseGet(InterestRow::new);
      row.memberId = member;
      row.contender = contender;
      row.words = words;
      interests.save(row);
    }
    marks.findByMemberIdAndContender(member, contender).forEach(row -> row.interest = words);
  }

  /**
   * Says when somebody would take a contender.
   *
   * @param words empty: no longer
   */
  @Transactional
  public void opinion(long id, SignedIn person, String contender, String words) {
    store.open(id);
    // whoever has nothing to say does not join the panel by saying so
    if (words.isEmpty() && members.findBySelectionIdAndAccountId(id, person.id()).isEmpty()) {
      return;
    }
    long member = seats.seat(id, person);
    Optional<OpinionRow> said = opinions.findByMemberIdAndContender(member, contender);
    if (!said.map(row -> row.words).orElse("").equals(words)) {
      acts.note(id, member, new Act.OpinionGiven(person.name(), tool(contender), words));
    }
    if (words.isEmpty()) {
      said.ifPresent(opinions::delete);
      return;
    }
    OpinionRow row = said.orElseGet(OpinionRow::new);
    row.memberId = member;
    row.contender = contender;
    row.words = words;
    opinions.save(row);
  }

  /** What somebody has said of having to do with contenders, by the contender. */
  @Transactional(readOnly = true)
  public Map<String, String> interests(long id, SignedIn person) {
    return members.findBySelectionIdAndAccountId(id, person.id()).stream()
        .flatMap(member -> interests.findByMemberId(Objects.requireNonNull(member.id)).stream())
        .collect(Collectors.toMap(row -> row.contender, row -> row.words));
  }

  /**
   * Puts down somebody's mark.
   *
   * @param points "" takes the mark back, "x" says that the person cannot judge, else 0 to 10
   */
  @Transactional
  public void mark(long id, SignedIn person, String criterion, String contender, String points) {
    SelectionRow selection = store.open(id);
    long member = seats.seat(id, person);
    Optional<MarkRow> existing =
        marks.findByMemberIdAndCriterionAndContender(member, criterion, contender);
    String before = existing.map(row -> told(row.points == null ? "x" : row.points)).orElse("");
    if (!before.equals(told(points))) {
      acts.note(
          id,
          member,
          new Act.Marked(
              person.name(),
              SelectionLoader.criterion(selection, criterion),
              tool(contender),
              before,
              told(points)));
    }
    if (points.isEmpty()) {
      existing.ifPresent(marks::delete);
      return;
    }
    MarkRow row = existing.orElseGet(() -> begun(member, criterion, contender));
    row.points = points.equals("x") ? null : points;
    marks.save(row);
  }

  private static String told(String points) {
    return points.equals("x") ? "cannot judge" : points;
  }

  /** A mark with the interest that was said of the contender. */
  private MarkRow begun(long member, String criterion, String contender) {
    MarkRow row = new MarkRow();
    row.memberId = member;
    row.criterion = criterion;
    row.contender = contender;
    row.interest =
        interests.findByMemberIdAndContender(member, contender).map(said -> said.words).orElse("");
    return row;
  }
}
