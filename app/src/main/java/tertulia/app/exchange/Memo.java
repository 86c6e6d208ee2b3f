package tertulia.app.exchange;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * The last results of a pure function, by its argument: what is equal has equal results, so nothing
 * here can be stale. Several threads may ask; two that ask for the same at once may both compute.
 */
public final class Memo<K, V> {
  private final Map<K, V> kept;

  /**
   * @param most results that are kept; the one asked for longest ago goes first
   */
  public Memo(int most) {
    this.kept =
        new LinkedHashMap<>(2 * most, 0.75f, true) {
          @Override
          protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
            return size() > most;
          }
        };
  }

  /** The result for {@code key}; {@code function} is asked if it is not kept. */
  public V get(K key, Function<K, V> function) {
    synchronized (kept) {
      V known = kept.get(key);
      if (known != null) {
        return known;
      }
    }
    V found = function.apply(key);
    synchronized (kept) {
      kept.put(key, found);
    }
    return found;
  }
}
