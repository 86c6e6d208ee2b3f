package tertulia.app.selection;

import java.util.List;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import tertulia.app.catalogue.Wanted;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.core.growth.Measure;

/** Reads from a selection what a price page that is written for it should say first. */
@Component
class WantedTools implements Wanted {
  private final Selections selections;

  WantedTools(Selections selections) {
    this.selections = selections;
  }

  // no transaction of its own: what is not there would undo it, and be answered as a fault
  @Override
  public Asked by(long selection) {
    try {
      LoadedSelection table = selections.load(selection);
      return new Asked(
          table.file().brief().needs().stream().flatMap(need -> need.ofPlan().stream()).toList(),
          table.file().brief().needs().stream()
              .filter(Brief.NeedPart::asksHowMany)
              .flatMap(need -> need.ofPlan().stream())
              .toList(),
          table.selection().counted().stream()
              .filter(measure -> !measure.isPeople())
              .map(Measure::id)
              .toList(),
          shared(table.file().contenders()));
    } catch (NotFound e) {
      return NOTHING;
    }
  }

  @Override
  public void bring(long selection, String slug, String by) {
    RetryOnConflict.until(() -> selections.addContender(selection, slug, by));
  }

  private static List<String> shared(List<SelectionFile.ContenderPart> contenders) {
    if (contenders.isEmpty()) {
      return List.of();
    }
    TreeSet<String> shared = new TreeSet<>(contenders.getFirst().tool().areas());
    contenders.forEach(part -> shared.retainAll(part.tool().areas()));
    return List.copyOf(shared);
  }
}
