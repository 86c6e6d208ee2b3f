package tertulia.core.working;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/**
 * Where an entered fact comes from.
 *
 * @param asOf the day the fact held
 * @param ground what it rests on
 * @param who who put it down; may be empty
 * @param link where it can be read; may be empty
 */
public record Provenance(LocalDate asOf, Ground ground, String who, String link) {
  /** After this many days a fact is marked as old wherever it is used. */
  public static final int DAYS_FRESH = 180;

  public Provenance {
    requireNonNull(asOf);
    requireNonNull(ground);
    requireNonNull(who);
    requireNonNull(link);
  }

  public static Provenance of(LocalDate asOf, Ground ground) {
    return new Provenance(asOf, ground, "", "");
  }

  /** Whether the fact is more than {@link #DAYS_FRESH} days old on {@code today}. */
  public boolean isOldOn(LocalDate today) {
    return ChronoUnit.DAYS.between(asOf, today) > DAYS_FRESH;
  }
}
