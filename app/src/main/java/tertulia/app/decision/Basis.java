package tertulia.app.decision;

import java.util.List;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.LoadedSelection;

/**
 * What a proposal rests on: everything that goes into its figures, and the figures that were read.
 *
 * @param selection without decisions and without how the list came about
 */
record Basis(String format, int version, SelectionFile selection, Results results) {
  private static final DocumentFormat<Basis> FORMAT =
      new DocumentFormat<>("proposal", Basis.class, List.of(first -> first.put("version", 2)));

  static Basis of(LoadedSelection table) {
    return new Basis(
        "tertulia-proposal",
        FORMAT.version(),
        table.file().undecided(),
        Results.of(table.selection()));
  }

  String toJson() {
    return Json.write(this);
  }

  /**
   * What of it counts, in the one form in which two are compared: the entries and the figures, as
   * this release writes them, without a sentence. What an older release stored is read first, so
   * two alike mean the same entries and the same figures, whoever wrote them where.
   */
  String canonical() {
    return Json.write(new Basis(format, version, selection, results.figures()));
  }

  /** A fingerprint of {@link #canonical}. */
  String digest() {
    return Snapshot.sha256(canonical());
  }

  static Basis stored(String json) {
    return FORMAT.read(json, Json.version(json));
  }
}
