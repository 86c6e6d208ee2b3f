package tertulia.app.catalogue;

import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;

/**
 * The ways in which a line of a price page is priced. Every place that must know them switches over
 * them without a default, and the page's script is told by the page what it must know.
 */
enum ChargeKind {
  PER_UNIT("for each unit", Counts.UNITS_BY_RULE, Held.BY_TERM),
  BANDED_WHOLE("in bands, all units at one price", Counts.UNITS_BY_RULE, Held.BY_TERM),
  BANDED_SLICED("in bands, slice by slice", Counts.UNITS_BY_RULE, Held.BY_TERM),
  FLAT("for the account", Counts.NOTHING, Held.BY_TERM),
  USAGE("for use above what is included", Counts.USE, Held.WHATEVER_THE_TERM),
  PAYMENT_FEE("as a fee of each payment", Counts.UNITS, Held.WHATEVER_THE_TERM),
  ONE_OFF("once, for the account", Counts.NOTHING, Held.WHATEVER_THE_TERM),
  ONE_OFF_EACH("once, for each unit", Counts.UNITS, Held.WHATEVER_THE_TERM),
  YEARLY_MINIMUM("at least so much a year", Counts.NOTHING, Held.WHATEVER_THE_TERM);

  /** What a line of the kind counts, and whether it has a minimum, packs and included units. */
  enum Counts {
    NOTHING,
    UNITS,
    UNITS_BY_RULE,
    USE
  }

  /** Whether a price is, as a rule, another one under each term. */
  private enum Held {
    BY_TERM,
    WHATEVER_THE_TERM
  }

  private final String words;
  private final Counts counts;
  private final Held held;

  ChargeKind(String words, Counts counts, Held held) {
    this.words = words;
    this.counts = counts;
    this.held = held;
  }

  /** The kind of line a charge stands in. */
  static ChargeKind of(ToolSheet.ChargePart charge) {
    return switch (charge) {
      case ToolSheet.FlatPart flat -> FLAT;
      case ToolSheet.PerUnitPart unit -> PER_UNIT;
      case ToolSheet.BandedPart banded ->
          banded.mode().equals("whole") ? BANDED_WHOLE : BANDED_SLICED;
      case ToolSheet.OneOffPart once -> once.each() == null ? ONE_OFF : ONE_OFF_EACH;
      case ToolSheet.UsagePart usage -> USAGE;
      case ToolSheet.PaymentFeePart fee -> PAYMENT_FEE;
    };
  }

  /**
   * The kind of a code.
   *
   * @throws IllegalArgumentException that lists the codes there are
   */
  static ChargeKind of(String code) {
    return Codes.oneOf(ChargeKind.class, code);
  }

  /** As it stands in files and forms. */
  public String code() {
    return Codes.code(this);
  }

  public String words() {
    return words;
  }

  Counts counts() {
    return counts;
  }

  /** Whether a measure is counted. */
  public boolean isCounted() {
    return counts != Counts.NOTHING;
  }

  /** Whether its cells say at least how many, in packs of how many, and how many are included. */
  public boolean hasRule() {
    return counts == Counts.UNITS_BY_RULE || counts == Counts.USE;
  }

  /** Whether its price is, as a rule, the same whatever the term. */
  public boolean isWhateverTheTerm() {
    return held == Held.WHATEVER_THE_TERM;
  }

  public boolean isBanded() {
    return this == BANDED_WHOLE || this == BANDED_SLICED;
  }
}
