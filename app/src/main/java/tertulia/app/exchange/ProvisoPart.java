package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import tertulia.core.decision.Proviso;

/**
 * A condition under which a decision holds, as files, the store and forms write it.
 *
 * @param kind one of {@link Kind}, as its code
 * @param about what is counted or has to be there: "people", "group/" or "need/" with an id, or
 *     "measure/" with a measure; null where nothing is chosen
 * @param limit a number, or a day; null where there is none
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ProvisoPart(String kind, @Nullable String about, @Nullable String limit) {
  private static final String PEOPLE = "people";
  private static final String GROUP = "group/";
  private static final String MEASURE = "measure/";
  private static final String NEED = "need/";

  /** The kinds. */
  public enum Kind {
    AT_MOST,
    AT_LEAST,
    COST_A_MONTH,
    COST_IN_ALL,
    PRICE_RISE,
    STILL_HAS,
    SAME_PLAN,
    LEADS,
    UNTIL;

    /** Whether it has a limit. */
    public boolean isLimited() {
      return this != STILL_HAS && this != SAME_PLAN && this != LEADS;
    }
  }

  /** As written. */
  public static ProvisoPart of(Proviso proviso) {
    return switch (proviso) {
      case Proviso.Number number ->
          part(
              switch (number.bound()) {
                case AT_MOST -> Kind.AT_MOST;
                case AT_LEAST -> Kind.AT_LEAST;
              },
              switch (number.counted()) {
                case Proviso.Counted.Everybody all -> PEOPLE;
                case Proviso.Counted.OfGroup of -> GROUP + of.group();
                case Proviso.Counted.Needed needed -> MEASURE + needed.measure().id();
              },
              "" + number.limit());
      case Proviso.MonthlyCost cost -> part(Kind.COST_A_MONTH, null, cost.limit().toPlainString());
      case Proviso.WholeCost cost -> part(Kind.COST_IN_ALL, null, cost.limit().toPlainString());
      case Proviso.PriceRisen risen -> part(Kind.PRICE_RISE, null, risen.percent().toPlainString());
      case Proviso.StillHas has -> part(Kind.STILL_HAS, NEED + has.capability(), null);
      case Proviso.SamePlan same -> part(Kind.SAME_PLAN, null, null);
      case Proviso.Leads leads -> part(Kind.LEADS, null, null);
      case Proviso.Until until -> part(Kind.UNTIL, null, until.day().toString());
    };
  }

  private static ProvisoPart part(Kind kind, @Nullable String about, @Nullable String limit) {
    return new ProvisoPart(Codes.code(kind), about, limit);
  }

  /** As written; null if there are none. */
  public static @Nullable List<ProvisoPart> of(List<Proviso> provisos) {
    return provisos.isEmpty() ? null : provisos.stream().map(ProvisoPart::of).toList();
  }

  /** What was written; null: nothing. */
  public static List<Proviso> read(@Nullable List<ProvisoPart> parts) {
    return Objects.requireNonNullElse(parts, List.<ProvisoPart>of()).stream()
        .map(ProvisoPart::toCore)
        .toList();
  }

  /**
   * The condition.
   *
   * @throws IllegalArgumentException that says what is wrong
   */
  public Proviso toCore() {
    return switch (Codes.oneOf(Kind.class, kind)) {
      case AT_MOST -> number(Proviso.Bound.AT_MOST);
      case AT_LEAST -> number(Proviso.Bound.AT_LEAST);
      case COST_A_MONTH -> new Proviso.MonthlyCost(amount());
      case COST_IN_ALL -> new Proviso.WholeCost(amount());
      case PRICE_RISE -> new Proviso.PriceRisen(amount());
      case STILL_HAS -> new Proviso.StillHas(after(NEED));
      case SAME_PLAN -> new Proviso.SamePlan();
      case LEADS -> new Proviso.Leads();
      case UNTIL -> new Proviso.Until(Codes.day(limited()));
    };
  }

  private Proviso number(Proviso.Bound bound) {
    String counts = about == null ? "" : about;
    Proviso.Counted counted =
        counts.equals(PEOPLE)
            ? new Proviso.Counted.Everybody()
            : counts.startsWith(GROUP)
                ? new Proviso.Counted.OfGroup(after(GROUP))
                : new Proviso.Counted.Needed(Codes.measure(after(MEASURE)));
    return new Proviso.Number(counted, bound, Codes.whole(limited()));
  }

  private BigDecimal amount() {
    return Codes.decimal(limited());
  }

  private String limited() {
    if (limit == null || limit.isBlank()) {
      throw new IllegalArgumentException("This condition has no limit. Enter one.");
    }
    return limit;
  }

  private String after(String beginning) {
    if (about == null || !about.startsWith(beginning) || about.length() == beginning.length()) {
      throw new IllegalArgumentException(
          "This condition does not say what it is about. Write \""
              + beginning
              + "\" and what follows it.");
    }
    return about.substring(beginning.length());
  }
}
