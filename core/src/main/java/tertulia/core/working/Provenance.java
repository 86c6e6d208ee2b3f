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
 * @param note what else should be known; may be empty
 * @param interest what the person gains if the fact is believed; empty if nothing is known
 */
public record Provenance(
    LocalDate asOf, Ground ground, String who, String link, String note, String interest) {
  /** After this many days a fact is marked as old, unless the workspace says otherwise. */
  public static final int DAYS_FRESH = 180;

  public Provenance {
    requireNonNull(asOf);
    requireNonNull(ground);
    requireNonNull(who);
    requireNonNull(link);
    requireNonNull(note);
    requireNonNull(interest);
  }

  public static Provenance of(LocalDate asOf, Ground ground) {
    return new Provenance(asOf, ground, "", "", "", "");
  }

  /** Whether the fact is more than {@code daysFresh} days old on {@code today}. */
  public boolean isOldOn(LocalDate today, int daysFresh) {
    return ChronoUnit.DAYS.between(asOf, today) > daysFresh;
  }
}
