package tertulia.app.selection;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile.NotNeededPart;

/** What of a contender somebody looked at and does not need, as it is stored. */
record NotNeeded(List<NotNeededPart> things) {
  static NotNeeded stored(@Nullable String document) {
    return document == null ? new NotNeeded(List.of()) : Json.stored(document, NotNeeded.class);
  }

  /** As a document; null for none. */
  static @Nullable String document(List<NotNeededPart> things) {
    return things.isEmpty() ? null : Json.write(new NotNeeded(things));
  }

  /** With one thing, for this reason if it was there for another. */
  NotNeeded with(NotNeededPart thing) {
    List<NotNeededPart> all = new ArrayList<>(without(thing.capability()).things);
    all.add(thing);
    return new NotNeeded(all);
  }

  NotNeeded without(String capability) {
    return new NotNeeded(
        things.stream().filter(thing -> !thing.capability().equals(capability)).toList());
  }
}
