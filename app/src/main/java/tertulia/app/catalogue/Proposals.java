package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import tertulia.pagetext.Assumed;
import tertulia.pagetext.Said;
import tertulia.pagetext.Sureness;

/** What was read of a page, piece by piece, with where it stands in the sheet. */
final class Proposals {
  private final List<PastedPage.Proposal> all = new ArrayList<>();

  /** In the order in which they were read. */
  List<PastedPage.Proposal> all() {
    return all;
  }

  /**
   * Adds one.
   *
   * @param says what the sheet says for it
   * @param field where it stands in the sheet; empty if it was not taken
   */
  void add(String says, Said<?> said, String field) {
    all.add(
        new PastedPage.Proposal(
            says,
            said.from().text(),
            said.from().line(),
            said.sure().name().toLowerCase(Locale.ROOT),
            said.assumed().stream()
                .filter(assumed -> assumed.sure() != Sureness.CLEAR)
                .sorted()
                .map(Assumed::words)
                .collect(Collectors.joining("; ")),
            field));
  }
}
