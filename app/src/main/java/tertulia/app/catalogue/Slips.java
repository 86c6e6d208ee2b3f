package tertulia.app.catalogue;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.plausibility.Peers;

/** Asks about what may be a slip; what the catalogue holds says what is usual. */
@Component
class Slips {
  private final Catalogue catalogue;

  /** Unit prices of stored tools by id; they hold as long as the same sheet is in force. */
  private final Map<Long, Known> known = new ConcurrentHashMap<>();

  private record Known(ToolSheet sheet, List<Peers.Price> prices) {}

  Slips(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** The open doubts about a sheet. */
  Doubts of(ToolSheet sheet) {
    return of(sheet, catalogue.all(), sheet.id());
  }

  /** The open doubts about a sheet that is not stored yet: it may have a stored tool's id. */
  Doubts ofNew(ToolSheet sheet) {
    return of(sheet, catalogue.all(), "");
  }

  /** As above, with the tools that are compared with. */
  Doubts of(ToolSheet sheet, List<Catalogue.Stored> tools) {
    return of(sheet, tools, sheet.id());
  }

  private Doubts of(ToolSheet sheet, List<Catalogue.Stored> tools, String id) {
    List<Catalogue.Stored> others =
        tools.stream().filter(other -> !other.sheet().id().equals(id)).toList();
    Stream<Peers.Price> prices =
        others.stream()
            .filter(other -> !Collections.disjoint(other.sheet().areas(), sheet.areas()))
            .flatMap(other -> prices(other).stream());
    Stream<ToolSheet> namesakes =
        others.stream()
            .map(Catalogue.Stored::sheet)
            .filter(other -> other.name().equalsIgnoreCase(sheet.name()));
    return Doubts.of(sheet, new Peers(prices.toList()), namesakes, catalogue.today());
  }

  private List<Peers.Price> prices(Catalogue.Stored tool) {
    return known
        .compute(
            tool.id(),
            (id, before) ->
                before != null && before.sheet().equals(tool.sheet())
                    ? before
                    : new Known(
                        tool.sheet(), Peers.of(Doubts.tool(tool.sheet()).stream()).prices()))
        .prices();
  }
}
