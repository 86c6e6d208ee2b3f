package tertulia.core.fit;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Optional;
import tertulia.core.growth.Measure;

/** One reason in a verdict, as a sentence with its figures. */
public sealed interface Reason {
  /** Such as "seats: 131 of 120". */
  String sentence();

  /** What stops the plan, as against what is merely not known. */
  boolean excludes();

  /** What would have to be given up, such as "Single sign-on" or "so many seats". */
  default String requirement() {
    return switch (this) {
      case MustMissing missing -> missing.need().capability().name();
      case MustUnknown unknown -> unknown.need().capability().name();
      case AddOnNotSold notSold -> notSold.need().capability().name();
      case AddOnNotTaken notTaken -> notTaken.need().capability().name();
      case OverCap over -> "so many " + over.measure().label();
      case OverAllowance over -> "so many " + over.measure().label();
      case AccountOrSeat open -> "so many " + open.measure().label();
      case AllowanceUnknown unknown -> "so many " + unknown.measure().label();
      case Silent silent -> "so many " + silent.measure().label();
      case TermNotSold notSold -> "the terms allowed";
    };
  }

  /** By what that is sold apart a fact is a yes, such as: by add-on "Gate". */
  private static String bought(Fact fact) {
    return (fact.answer() == Answer.THROUGH_CONNECTOR ? "through \"" : "by add-on \"")
        + fact.addOn()
        + "\"";
  }

  /** The plan lacks a must. */
  record MustMissing(Need need, Fact fact) implements Reason {
    @Override
    public String sentence() {
      if (fact.count().isPresent()) {
        return need.capability().name() + ": this plan has " + fact.words();
      }
      return need.capability().name()
          + switch (fact.answer()) {
            case PARTLY -> ": only partly, which is not enough";
            case BY_HAND -> ": only by hand, which is not enough";
            case NO, UNKNOWN, YES, BY_ADD_ON, THROUGH_CONNECTOR -> ": not in this plan";
          };
    }

    @Override
    public boolean excludes() {
      return true;
    }
  }

  /**
   * Nobody has confirmed whether the plan has a must.
   *
   * @param known what is known of how many it has; empty: nothing
   */
  record MustUnknown(Need need, Optional<Count> known) implements Reason {
    @Override
    public String sentence() {
      return need.capability().name()
          + known
              .map(count -> ": known is " + count.words() + ", which leaves it open; confirm it")
              .orElse(": not known; confirm it");
    }

    @Override
    public boolean excludes() {
      return false;
    }
  }

  /**
   * More units are needed than the plan is sold for.
   *
   * @param since the first month in which it is so, such as "Sep 2028"; empty for a single moment
   */
  record OverCap(Measure measure, int needed, int most, Optional<String> since) implements Reason {
    @Override
    public String sentence() {
      return String.format(Locale.ROOT, "%s: %,d of %,d", measure.label(), needed, most)
          + since.map(month -> " from " + month).orElse("");
    }

    @Override
    public boolean excludes() {
      return true;
    }
  }

  /** A must comes with an add-on or a connector that is not sold under the term. */
  record AddOnNotSold(Need need, Fact fact, String term) implements Reason {
    @Override
    public String sentence() {
      return need.capability().name() + ": " + bought(fact) + ", not sold " + term;
    }

    @Override
    public boolean excludes() {
      return true;
    }
  }

  /** A must that begins later comes with an add-on or a connector that is not taken yet. */
  record AddOnNotTaken(Need need, Fact fact) implements Reason {
    @Override
    public String sentence() {
      return need.capability().name() + ": " + bought(fact) + ", which is not taken";
    }

    @Override
    public boolean excludes() {
      return true;
    }
  }

  /**
   * More is used than the plan allows.
   *
   * @param outside so much more is to be had outside, which is not enough; 0 if none is
   * @param since the first month in which it is so; empty for a single moment
   */
  record OverAllowance(
      Measure measure,
      BigDecimal needed,
      BigDecimal most,
      BigDecimal outside,
      Optional<String> since)
      implements Reason {
    @Override
    public String sentence() {
      return measure.label()
          + ": "
          + exact(needed)
          + " of "
          + exact(most)
          + (outside.signum() == 0 ? "" : ", and " + exact(outside) + " outside")
          + since.map(month -> " from " + month).orElse("");
    }

    @Override
    public boolean excludes() {
      return true;
    }
  }

  /** A quantity with all its decimals, thousands set off: what differs must read differently. */
  private static String exact(BigDecimal quantity) {
    java.text.DecimalFormat format =
        new java.text.DecimalFormat(
            "#,##0.######", java.text.DecimalFormatSymbols.getInstance(Locale.ROOT));
    return format.format(quantity);
  }

  /**
   * More is used than the plan allows for the account, and its page does not say whether it is that
   * for each seat.
   *
   * @param account how much there is if it is for the account
   * @param seats how much there is if it is for each seat; empty if seats are not stated
   */
  record AccountOrSeat(
      Measure measure, BigDecimal needed, BigDecimal account, Optional<BigDecimal> seats)
      implements Reason {
    @Override
    public String sentence() {
      return measure.label()
          + ": "
          + exact(needed)
          + " of "
          + exact(account)
          + " for the account, or of "
          + seats.map(Reason::exact).orElse("so many")
          + " if that is for each seat; confirm which";
    }

    @Override
    public boolean excludes() {
      return false;
    }
  }

  /** Nobody has confirmed how much the plan allows. */
  record AllowanceUnknown(Measure measure) implements Reason {
    @Override
    public String sentence() {
      return measure.label() + ": how much the plan allows is not known; confirm it";
    }

    @Override
    public boolean excludes() {
      return false;
    }
  }

  /**
   * The plan says nothing of something that is used, though another plan of the tool limits it.
   *
   * @param sister the plan that does
   */
  record Silent(Measure measure, String sister) implements Reason {
    @Override
    public String sentence() {
      return measure.label()
          + ": the page does not mention them for this plan, but limits them for "
          + sister
          + "; confirm it";
    }

    @Override
    public boolean excludes() {
      return false;
    }
  }

  /** The plan does not sell the billing terms allowed. */
  record TermNotSold(String allowed) implements Reason {
    @Override
    public String sentence() {
      return "not sold " + allowed;
    }

    @Override
    public boolean excludes() {
      return true;
    }
  }
}
