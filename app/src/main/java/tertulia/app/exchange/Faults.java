package tertulia.app.exchange;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** Collects users' faults while as much as possible is read. */
public final class Faults {
  private final List<Fault> found = new ArrayList<>();

  /** What {@code make} yields; empty, with its message put down as a fault, if it refuses. */
  public <T> Optional<T> at(String where, Supplier<T> make) {
    try {
      return Optional.of(make.get());
    } catch (IllegalArgumentException e) {
      add(where, String.valueOf(e.getMessage()));
      return Optional.empty();
    }
  }

  public void add(String where, String message) {
    found.add(new Fault(where, message));
  }

  public boolean isEmpty() {
    return found.isEmpty();
  }

  public List<Fault> all() {
    return List.copyOf(found);
  }

  /** The first message found at each place, in the order they were found. */
  public Map<String, String> byField() {
    Map<String, String> first = new LinkedHashMap<>();
    found.forEach(fault -> first.putIfAbsent(fault.at(), fault.message()));
    return first;
  }
}
