package tertulia.pagetext;

import static java.util.Objects.requireNonNull;

import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;

/**
 * Something a page says.
 *
 * @param from where it says so
 * @param assumed what was taken for granted; nothing if the text says it all
 */
public record Said<T>(T value, Passage from, Set<Assumed> assumed) {
  public Said {
    requireNonNull(value);
    requireNonNull(from);
    assumed = Set.copyOf(assumed);
  }

  static <T> Said<T> clear(T value, Passage from) {
    return new Said<>(value, from, Set.of());
  }

  /** The same with more taken for granted. */
  Said<T> assuming(Collection<Assumed> more) {
    Set<Assumed> all = EnumSet.noneOf(Assumed.class);
    all.addAll(assumed);
    all.addAll(more);
    return new Said<>(value, from, all);
  }

  /** Something else that the same passage says. */
  <U> Said<U> with(U other) {
    return new Said<>(other, from, assumed);
  }

  /** As sure as the least sure of what was taken for granted. */
  public Sureness sure() {
    return assumed.stream().map(Assumed::sure).max(Sureness::compareTo).orElse(Sureness.CLEAR);
  }
}
