package tertulia.app.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Component;

/**
 * Slows guessing down, by account and by address, and shuts nobody out: whoever has signed in from
 * an address is not held up there by what others try elsewhere.
 */
@Component
class LoginThrottle {
  private static final int MOST_KEPT = 20_000;
  private static final Duration KEPT = Duration.ofMinutes(30);
  private static final Duration KNOWN_FOR = Duration.ofDays(30);
  private static final Duration LONGEST_WAIT = Duration.ofMinutes(1);

  /** So many wrong ones are free before the waiting begins. */
  private enum Limit {
    ACCOUNT_AT_ADDRESS(5),
    ADDRESS(15),
    ACCOUNT(20);

    private final int free;

    Limit(int free) {
      this.free = free;
    }
  }

  private record Key(Limit limit, String of) {}

  /**
   * @param pending begun, and not known yet to be wrong: they count, so that of many at the same
   *     moment no more are looked at than one after the other
   */
  private record Tries(int wrong, int pending, Instant last) {
    private static final Tries NONE = new Tries(0, 0, Instant.EPOCH);
  }

  private final Cache<Key, Tries> tries =
      Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();
  private final Cache<String, Boolean> known =
      Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KNOWN_FOR).build();
  private final Clock clock;

  LoginThrottle(Clock clock) {
    this.clock = clock;
  }

  private static String account(String name) {
    String plain = name.strip().toLowerCase(Locale.ROOT);
    return plain.length() > 80 ? plain.substring(0, 80) : plain;
  }

  private static String both(String name, String address) {
    return account(name) + " " + address;
  }

  private List<Key> keys(String name, String address) {
    Key atAddress = new Key(Limit.ACCOUNT_AT_ADDRESS, both(name, address));
    return known.getIfPresent(both(name, address)) != null
        ? List.of(atAddress)
        : List.of(
            atAddress, new Key(Limit.ADDRESS, address), new Key(Limit.ACCOUNT, account(name)));
  }

  /**
   * A try that is being made, or one that has to wait; it is closed when it is over.
   *
   * <p>Whether it was right or wrong is said before; else it counts as not made.
   */
  final class Try implements AutoCloseable {
    private final String both;
    private final List<Key> keys;
    private final Duration wait;

    private Try(String both, List<Key> keys, Duration wait) {
      this.both = both;
      this.keys = keys;
      this.wait = wait;
    }

    /** How long to wait before the next one; zero if it may be made now. */
    Duration left() {
      return wait;
    }

    void wrong() {
      synchronized (LoginThrottle.this) {
        for (Key key : keys) {
          Tries made = made(key);
          tries.put(key, new Tries(made.wrong() + 1, made.pending(), clock.instant()));
        }
      }
    }

    void right() {
      synchronized (LoginThrottle.this) {
        Key atAddress = keys.getFirst();
        tries.put(atAddress, new Tries(0, made(atAddress).pending(), clock.instant()));
        known.put(both, true);
      }
    }

    @Override
    public void close() {
      if (!wait.isZero()) {
        return;
      }
      synchronized (LoginThrottle.this) {
        for (Key key : keys) {
          Tries made = made(key);
          tries.put(key, new Tries(made.wrong(), Math.max(0, made.pending() - 1), made.last()));
        }
      }
    }
  }

  private Tries made(Key key) {
    Tries made = tries.getIfPresent(key);
    return made == null ? Tries.NONE : made;
  }

  /** Begins a try, or says how long it has to wait. */
  synchronized Try begin(String name, String address) {
    List<Key> keys = keys(name, address);
    Duration longest = Duration.ZERO;
    for (Key key : keys) {
      Duration left = left(key, made(key));
      longest = left.compareTo(longest) > 0 ? left : longest;
    }
    if (longest.isZero()) {
      for (Key key : keys) {
        Tries made = made(key);
        tries.put(key, new Tries(made.wrong(), made.pending() + 1, made.last()));
      }
    }
    return new Try(both(name, address), keys, longest);
  }

  private Duration left(Key key, Tries made) {
    int free = key.limit().free;
    if (made.wrong() < free) {
      return made.wrong() + made.pending() < free ? Duration.ZERO : after(key.limit(), free);
    }
    Duration left =
        Duration.between(clock.instant(), made.last().plus(after(key.limit(), made.wrong())));
    if (left.isPositive()) {
      return left;
    }
    return made.pending() == 0 ? Duration.ZERO : after(key.limit(), free);
  }

  /** Doubles with each wrong one past the free ones, from two seconds up to a minute. */
  private static Duration after(Limit limit, int wrong) {
    int doubled = Math.min(6, wrong - limit.free + 1);
    Duration wait = Duration.ofSeconds(1L << doubled);
    return wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait;
  }
}
