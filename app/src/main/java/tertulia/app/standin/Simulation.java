package tertulia.app.standin;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Objects;
import tertulia.app.exchange.CsvTable;

/** The made-up tables behind the stand-ins. */
final class Simulation {
  private Simulation() {}

  /** The rows of a table of so many columns, without its header. */
  static List<List<String>> lines(String name, int columns) {
    try (InputStream in =
        Objects.requireNonNull(Simulation.class.getResourceAsStream("/standin/" + name))) {
      return CsvTable.read(in.readAllBytes()).rows().stream()
          .map(CsvTable.Numbered::cells)
          .peek(cells -> Objects.checkIndex(columns - 1, cells.size()))
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
