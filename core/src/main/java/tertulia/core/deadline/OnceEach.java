package tertulia.core.deadline;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * The last results of a pure function, each worked out once by its argument: what is equal has
 * equal results, so nothing here can be stale. Who asks for one result never waits for another.
 */
public final class OnceEach<K, V> {
  private final String what;
  private final Map<K, Once<V>> kept;

  /**
   * Keeps them all.
   *
   * @param what is worked out, as in "stopped while working out …"
   */
  public OnceEach(String what) {
    this(what, Integer.MAX_VALUE);
  }

  /**
   * @param what is worked out, as in "stopped while working out …"
   * @param most results that are kept; the one asked for longest ago goes first
   */
  public OnceEach(String what, int most) {
    this.what = what;
    this.kept =
        new LinkedHashMap<>(16, 0.75f, true) {
          private static final long serialVersionUID = 1L;

          @Override
          protected boolean removeEldestEntry(Map.Entry<K, Once<V>> eldest) {
            return size() > most;
          }
        };
  }

  /**
   * The result for {@code key}; {@code function} is asked if it is not kept.
   *
   * @throws Overdue if the time of whoever asks is over before it is there
   */
  public V get(K key, Function<? super K, ? extends V> function) {
    Once<V> asked;
    synchronized (kept) {
      asked = kept.computeIfAbsent(key, k -> new Once<>(what, () -> function.apply(k)));
    }
    return asked.get();
  }
}
