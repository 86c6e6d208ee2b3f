package tertulia.app.selection;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import tertulia.app.people.SignedIn;

/**
 * Whose view whoever is signed in may see at a table. Everybody sees their own; those of others
 * once both have handed theirs in, so that the first voice does not lead the rest; everything once
 * nobody is left who has not, or the table was opened, or it is decided.
 */
record VisibilityPolicy(boolean everything, Optional<Long> account, boolean handedIn) {
  /**
   * The sight of whoever is signed in; the program itself sees everything.
   *
   * @param visitor empty: the program itself
   */
  static VisibilityPolicy of(SelectionRow row, List<MemberRow> seated, Optional<SignedIn> visitor) {
    boolean all =
        visitor.isEmpty()
            || row.decided
            || row.openedBy != null
            || seated.stream().allMatch(VisibilityPolicy::isIn);
    Optional<Long> account = visitor.map(SignedIn::id);
    boolean own = seated.stream().anyMatch(m -> isOf(m, account) && m.handedIn != null);
    return new VisibilityPolicy(all, account, own);
  }

  boolean sees(MemberRow member) {
    return everything || isOf(member, account) || handedIn && isIn(member);
  }

  /** Who came with a file and has no account cannot hand anything in. */
  static boolean isIn(MemberRow member) {
    return member.handedIn != null || member.accountId == null;
  }

  private static boolean isOf(MemberRow member, Optional<Long> account) {
    return account.isPresent() && Objects.equals(member.accountId, account.get());
  }
}
