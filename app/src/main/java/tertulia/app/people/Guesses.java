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
class Guesses {
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

  private record Tries(int wrong, Instant last) {}

  private final Cache<Key, Tries> tries =
      Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();
  private final Cache<String, Boolean> known =
      Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KNOWN_FOR).build();
  private final Clock clock;

  Guesses(Clock clock) {
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

  /** How long to wait before the next try; zero if it may be made now. */
  Duration wait(String name, String address) {
    Duration longest = Duration.ZERO;
    for (Key key : keys(name, address)) {
      Tries made = tries.getIfPresent(key);
      if (made != null && made.wrong() >= key.limit().free) {
        Duration left =
            Duration.between(clock.instant(), made.last().plus(after(key.limit(), made.wrong())));
        longest = left.compareTo(longest) > 0 ? left : longest;
      }
    }
    return longest;
  }

  /** Doubles with each wrong one past the free ones, from two seconds up to a minute. */
  private static Duration after(Limit limit, int wrong) {
    int doubled = Math.min(6, wrong - limit.free + 1);
    Duration wait = Duration.ofSeconds(1L << doubled);
    return wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait;
  }

  void failed(String name, String address) {
    for (Key key : keys(name, address)) {
      tries
          .asMap()
          .merge(
              key,
              new Tries(1, clock.instant()),
              (before, now) -> new Tries(before.wrong() + 1, now.last()));
    }
  }

  void succeeded(String name, String address) {
    tries.invalidate(new Key(Limit.ACCOUNT_AT_ADDRESS, both(name, address)));
    known.put(both(name, address), true);
  }
}
