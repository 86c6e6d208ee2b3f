package tertulia.app.selection;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Limits;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;

/** Who sits at a table: seats, shares, and whose view is shown to whom. */
@Service
public class Seats {
  private final SelectionStore store;
  private final Rows.Members members;
  private final PanelInputs entered;
  private final Rows.FirstViews firstViews;
  private final Catalogue catalogue;
  private final SelectionAccess entrance;
  private final Acts acts;

  Seats(
      SelectionStore store,
      Rows.Members members,
      PanelInputs entered,
      Rows.FirstViews firstViews,
      Catalogue catalogue,
      SelectionAccess entrance,
      Acts acts) {
    this.acts = acts;
    this.store = store;
    this.members = members;
    this.entered = entered;
    this.firstViews = firstViews;
    this.catalogue = catalogue;
    this.entrance = entrance;
  }

  /**
   * Shows the others somebody's view, and somebody those of the others. What it is at this moment
   * is kept.
   *
   * @throws Conflict if they have neither weighed nor marked anything: who shows nothing sees
   *     nothing
   */
  @Transactional
  public void handIn(long id, SignedIn person) {
    store.open(id);
    MemberRow row = member(id, person);
    if (row.handedIn != null) {
      return;
    }
    long member = Objects.requireNonNull(row.id);
    List<PanelInputs.Entry> now = entered.by(List.of(member)).of(member);
    if (now.isEmpty()) {
      throw new Conflict(
          "You have set no weights and given no marks yet, so there is nothing to hand in. Give"
              + " your weights and marks first; where you cannot judge, say so.");
    }
    row.handedIn = catalogue.today();
    FirstViewRow first = new FirstViewRow();
    first.memberId = member;
    first.entries = Json.write(now);
    firstViews.save(first);
    acts.note(id, new Act.HandedIn(row.name));
  }

  /**
   * Under which criteria people entered something else after they had handed in their view.
   *
   * @return ids of criteria by member; nobody of whom it is not known what they handed in first
   */
  @Transactional(readOnly = true)
  public Map<Long, Set<String>> changedSince(LoadedSelection table) {
    List<Long> ids =
        table.seats().stream()
            .filter(seat -> seat.handedIn() != null)
            .map(LoadedSelection.Seat::memberId)
            .toList();
    List<FirstViewRow> known = firstViews.findAllById(ids);
    PanelInputs.Judged judged = entered.by(known.stream().map(row -> row.memberId).toList());
    return known.stream()
        .collect(
            Collectors.toMap(
                row -> row.memberId,
                row ->
                    differing(
                        Set.of(Json.stored(row.entries, PanelInputs.Entry[].class)),
                        Set.copyOf(judged.of(row.memberId)))));
  }

  private static Set<String> differing(Set<PanelInputs.Entry> first, Set<PanelInputs.Entry> now) {
    return Stream.concat(
            first.stream().filter(entry -> !now.contains(entry)),
            now.stream().filter(entry -> !first.contains(entry)))
        .map(PanelInputs.Entry::criterion)
        .collect(Collectors.toSet());
  }

  /** The seats whose views whoever is signed in may not see yet. */
  @Transactional(readOnly = true)
  public Set<Long> withheld(long id) {
    List<MemberRow> seated = members.findBySelectionIdOrderById(id);
    VisibilityPolicy sight = VisibilityPolicy.of(store.row(id), seated, entrance.visitor());
    return seated.stream()
        .filter(member -> !sight.sees(member))
        .map(member -> Objects.requireNonNull(member.id))
        .collect(Collectors.toSet());
  }

  /** Lets everybody see everybody's view; nothing happens if they may already. */
  @Transactional
  public void openTable(long id, String by) {
    SelectionRow row = store.open(id);
    if (row.openedBy == null) {
      row.openedBy = by;
      acts.note(id, new Act.ViewsOpened());
    }
  }

  /** The seat of somebody, who takes one if they have none. */
  MemberRow member(long id, SignedIn person) {
    long seat = seat(id, person);
    return members.findById(seat).orElseThrow();
  }

  /**
   * Gives somebody a seat before they weigh or mark, and lets them in if only those named may open
   * the selection; nothing happens if they have one.
   */
  @Transactional
  public void invite(long id, long accountId, String name) {
    SelectionRow row = store.open(id);
    if (members.findBySelectionIdAndAccountId(id, accountId).isEmpty()) {
      checkRoom(id);
      MemberRow member = new MemberRow();
      member.selectionId = id;
      member.accountId = accountId;
      member.name = name;
      members.save(member);
      acts.note(id, new Act.Seated(name));
    }
    if (!row.openToAll) {
      row.named.add(accountId);
    }
  }

  /**
   * Takes a seat away from somebody who has entered nothing.
   *
   * @throws Conflict if they have
   */
  @Transactional
  public void uninvite(long id, long memberId) {
    store.open(id);
    members
        .findById(memberId)
        .filter(member -> member.selectionId == id)
        .ifPresent(member -> {
          if (!entered.by(List.of(memberId)).isEmpty()) {
            throw new Conflict(
                member.name
                    + " has set weights or given marks already. Give that view a share of 0 to leave it"
                    + " out.");
          }
          members.delete(member);
          acts.note(id, new Act.Unseated(member.name));
        });
  }

  private void checkRoom(long id) {
    if (members.countBySelectionId(id) >= Limits.MEMBERS) {
      throw new Conflict(
          "At most "
              + Limits.MEMBERS
              + " people can be on one panel, and so many are already. Ask one of them"
              + " to speak for you.");
    }
  }

  /**
   * Changes how much each person's view counts and what they know about; members of other
   * selections are passed over.
   */
  @Transactional
  public void change(long id, Map<Long, Integer> shares, Map<Long, String> competences) {
    store.open(id);
    for (MemberRow member : members.findBySelectionIdOrderById(id)) {
      int share = shares.getOrDefault(Objects.requireNonNull(member.id), member.share);
      String about = competences.getOrDefault(member.id, member.competence);
      if (share != member.share) {
        acts.note(id, new Act.ShareChanged(member.name, member.share, share));
      }
      if (!about.equals(member.competence)) {
        acts.note(id, new Act.KnowledgeNoted(member.name, about));
      }
      member.share = share;
      member.competence = about;
    }
  }

  /** The same by its id. */
  long seat(long id, SignedIn person) {
    MemberRow row =
        members.findBySelectionIdAndAccountId(id, person.id()).orElseGet(MemberRow::new);
    if (row.id == null) {
      checkRoom(id);
      row.selectionId = id;
      row.accountId = person.id();
      row.name = person.name();
      members.save(row);
      acts.note(id, new Act.Seated(row.name));
    }
    return Objects.requireNonNull(row.id);
  }

  /** Gives a seat that came from a file to the person with the account. */
  @Transactional
  public void claimSeat(long id, String name, long accountId) {
    members.findBySelectionIdOrderById(id).stream()
        .filter(m -> m.accountId == null && m.name.equals(name))
        .findFirst()
        .ifPresent(m -> m.accountId = accountId);
  }
}
