package tertulia.core.pricing;

import java.util.List;

/** Something a plan sells beside itself; its charges run under the plan's term. */
public record AddOn(String name, List<Charge> charges) {
  public AddOn {
    charges = List.copyOf(charges);
    if (name.isBlank()) {
      throw new IllegalArgumentException("An add-on needs a name, as on the price page.");
    }
    if (charges.isEmpty()) {
      throw new IllegalArgumentException(
          "Add-on \"" + name + "\" has no price. Enter 0 if it costs nothing.");
    }
  }
}
