package tertulia.app.inuse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;

/** Writes down what is in use, with the price pages of tools that the catalogue does not have. */
@Service
class InUseEntries {
  private final ToolsInUse used;
  private final Catalogue catalogue;

  InUseEntries(ToolsInUse used, Catalogue catalogue) {
    this.used = used;
    this.catalogue = catalogue;
  }

  /**
   * All of them, or none.
   *
   * @throws IllegalArgumentException that says what is wrong with one
   */
  @Transactional
  public void put(long version, List<InUseLine.Read> read, String by) {
    List<InUsePart> parts = new ArrayList<>();
    for (InUseLine.Read one : read) {
      InUsePart part =
          one.brought().map(page -> one.part().of(catalogue.add(page, by))).orElse(one.part());
      check(part, catalogue.get(part.tool()).sheet());
      parts.add(part);
    }
    used.putAll(version, parts, by);
  }

  /** Reads it as every selection will. */
  private static void check(InUsePart part, ToolSheet page) {
    Faults faults = new Faults();
    Optional<String> fault =
        new ToolReader(faults).tool("", page).isEmpty()
            ? faults.all().stream().map(f -> f.message()).findFirst()
            : Optional.empty();
    fault.ifPresent(message -> {
      throw new IllegalArgumentException(message);
    });
    part.toCore(new ToolReader(faults).tool("", page).orElseThrow().tool());
  }
}
