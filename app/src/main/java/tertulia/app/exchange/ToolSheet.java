package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A tool with its price page, facts and public ratings, as written in files and storage. */
public record ToolSheet(
    String id, String name, String maker, List<PlanPart> plans, List<RatingPart> ratings) {

  /** A plan; with no prices its price is on request. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record PlanPart(
      String id,
      String name,
      String currency,
      String measure,
      int least,
      @Nullable Integer most,
      SourcePart source,
      List<TermPart> prices,
      List<FactPart> facts) {}

  /** Where facts come from and when they held. */
  public record SourcePart(String asOf, String ground, String who, String link) {}

  /** The charges of a plan under one term, as prices a month. */
  public record TermPart(int monthsCommitted, boolean upFront, List<ChargePart> charges) {}

  /** One charge. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = PerUnitPart.class, name = "per-unit"),
    @JsonSubTypes.Type(value = BandedPart.class, name = "banded"),
    @JsonSubTypes.Type(value = FlatPart.class, name = "flat")
  })
  public sealed interface ChargePart {
    String name();
  }

  /** A price for each unit. */
  public record PerUnitPart(
      String name, String measure, String price, int minimum, int pack, int included)
      implements ChargePart {}

  /** A price by band; mode is whole or sliced. */
  public record BandedPart(
      String name,
      String measure,
      String mode,
      List<BandPart> bands,
      int minimum,
      int pack,
      int included)
      implements ChargePart {}

  /** A price for the account. */
  public record FlatPart(String name, String price) implements ChargePart {}

  /** Up to how many units (the last may be open), the price each and the flat price. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record BandPart(@Nullable Integer upTo, String each, String flat) {}

  /** Whether the plan has a capability: yes, partly, no or unknown. */
  public record FactPart(String capability, String answer, SourcePart source) {}

  /** A public rating from 1 to 5 with the number of reviews behind it. */
  public record RatingPart(String rating, int count, SourcePart source) {}
}
