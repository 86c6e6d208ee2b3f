package tertulia.core.path;

import static java.util.Objects.requireNonNull;

import tertulia.core.growth.Measure;

/** By what costs are swept while the people stay as they are. */
public sealed interface Dimension {
  /** A name that stays, unlike that of every other. */
  String id();

  /** What it is called in a sentence, such as "linked calendars". */
  String label();

  /** How many there are of a measure. */
  record Quantity(Measure measure) implements Dimension {
    public Quantity {
      requireNonNull(measure);
    }

    @Override
    public String id() {
      return measure.id();
    }

    @Override
    public String label() {
      return measure.label();
    }
  }

  /** How much a payment through the tool is on average, in the reporting currency. */
  record AveragePayment() implements Dimension {
    @Override
    public String id() {
      return "average-payment";
    }

    @Override
    public String label() {
      return "average payment";
    }
  }
}
