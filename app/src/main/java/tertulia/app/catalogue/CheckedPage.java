package tertulia.app.catalogue;

import java.util.List;
import java.util.Optional;
import tertulia.app.exchange.ToolSheet;

/**
 * A page that did not come from the form, read through the form all the same, so that every way in
 * takes and refuses the same.
 *
 * @param sheet as it would be stored; empty if it is refused
 * @param faults why, in sentences
 */
public record CheckedPage(Optional<ToolSheet> sheet, List<String> faults) {
  public static CheckedPage of(ToolSheet sheet) {
    ToolConverter.Converted converted =
        new ToolConverter(ToolForms.of(sheet, 0), sheet.id()).convert();
    return new CheckedPage(converted.sheet(), List.copyOf(converted.faults().values()));
  }
}
