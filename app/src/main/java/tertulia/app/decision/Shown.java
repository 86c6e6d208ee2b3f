package tertulia.app.decision;

import java.util.List;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.display.SubjectWords;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Proof;

/**
 * Pictures that a decision rests on and the reader may see.
 *
 * @param of what they stand beside
 */
record Shown(String of, List<Proof> proofs) {
  /** In the order in which the first of each was added. */
  static List<Shown> at(LoadedSelection table) {
    SubjectWords words = new SubjectWords(table.file());
    return table.proofs().stream()
        .map(Proof::about)
        .distinct()
        .map(about -> new Shown(words.beside(about), table.proofs(about)))
        .toList();
  }

  /** Who added them and when. */
  public String by() {
    return proofs.stream()
        .map(proof -> proof.by() + ", " + Dates.day(proof.on()))
        .collect(Collectors.joining("; "));
  }
}
