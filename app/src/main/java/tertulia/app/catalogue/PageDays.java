package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/**
 * The days from which the price pages of one tool hold. It answers for everybody which page is in
 * force on a day: the newest that has begun. Before the first there is none.
 */
public record PageDays(TreeSet<LocalDate> days) {
  public PageDays {
    days = new TreeSet<>(days);
  }

  public static PageDays of(Collection<LocalDate> days) {
    return new PageDays(new TreeSet<>(days));
  }

  /** The day from which the page holds that is in force on {@code day}. */
  public Optional<LocalDate> inForce(LocalDate day) {
    return Optional.ofNullable(days.floor(day));
  }

  /** The first day after {@code day} on which another page comes into force. */
  public Optional<LocalDate> next(LocalDate day) {
    return Optional.ofNullable(days.higher(day));
  }

  /** The days after {@code day} on which another page comes into force. */
  public List<LocalDate> after(LocalDate day) {
    return List.copyOf(days.tailSet(day, false));
  }

  public LocalDate first() {
    return days.first();
  }

  public int count() {
    return days.size();
  }
}
