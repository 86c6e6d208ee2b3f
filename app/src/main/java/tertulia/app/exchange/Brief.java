package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a selection is about, as written in files and storage: need, people, demand, criteria.
 * Decimals are text so that no reader turns them into binary fractions; months are yyyy-mm.
 *
 * @param averagePayment average value of a payment that passes through the tool; null: not known
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Brief(
    String title,
    String purpose,
    String asOf,
    String start,
    int months,
    String currency,
    String priceRisePercent,
    List<GroupPart> groups,
    List<DemandPart> demand,
    @Nullable String averagePayment,
    List<NeedPart> needs,
    List<CriterionPart> criteria,
    List<RatePart> rates) {

  /** This brief with other rates of exchange. */
  public Brief with(List<RatePart> otherRates) {
    return new Brief(
        title,
        purpose,
        asOf,
        start,
        months,
        currency,
        priceRisePercent,
        groups,
        demand,
        averagePayment,
        needs,
        criteria,
        otherRates);
  }

  /** A group of people; method is hires, percent or listed, and only its own figure is there. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record GroupPart(
      String id,
      String name,
      String method,
      @Nullable Integer start,
      @Nullable String perMonth,
      @Nullable String percentPerYear,
      @Nullable List<Integer> values,
      List<StepPart> steps) {}

  /** A dated change of headcount. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record StepPart(
      String label, String from, @Nullable String until, int change, boolean everyYear) {}

  /** Units of a measure needed: fixed, and per head by group id. */
  public record DemandPart(String measure, String fixed, Map<String, String> perHead) {}

  /** A capability and how much it matters: must, should or could. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record NeedPart(
      String capability, String importance, @Nullable Integer weight, boolean partlyIsEnough) {}

  /** A criterion of kind judged, cost, coverage or ratings with the figures of its kind. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record CriterionPart(
      String id,
      String name,
      String kind,
      @Nullable String worst,
      @Nullable String best,
      @Nullable String prior,
      @Nullable String strength) {}

  /** A rate of exchange: one unit of from costs rate units of to. */
  public record RatePart(String from, String to, String rate, String on, String source) {}
}
