package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.core.pricing.Unsaid;

/**
 * A tool with its price page, facts and public ratings, as written in files and storage. What older
 * files do not have is empty.
 *
 * @param areas work areas it serves, such as "booking"
 * @param contains names of the tools a suite holds; empty for a single tool
 * @param together ids of tools that are bought together, of which this is the name; it has no plans
 *     of its own then; empty for a tool
 * @param connectors what stands between it and other tools, and what that costs
 * @param confirmed keys of doubts that somebody confirmed: it is so
 * @param words what is said of it in sentences; several may speak of one topic
 * @param pasted the text of the maker's page it was read from; null: it was written by hand
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
@RecordBuilder
@RecordBuilder.Options(prefixEnclosingClassNames = false)
public record ToolSheet(
    String id,
    String name,
    String maker,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> areas,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> contains,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> together,
    List<PlanPart> plans,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<OfferPart> offers,
    @Nullable OwnedPart owned,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<ConditionPart> conditions,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<ConnectorPart> connectors,
    List<RatingPart> ratings,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> confirmed,
    @JsonInclude(JsonInclude.Include.NON_EMPTY) List<WordPart> words,
    @Nullable PastedPart pasted)
    implements ToolSheetBuilder.With {

  public ToolSheet {
    confirmed = orEmpty(confirmed);
    words = orEmpty(words);
    areas = orEmpty(areas);
    contains = orEmpty(contains);
    together = orEmpty(together);
    offers = orEmpty(offers);
    conditions = orEmpty(conditions);
    connectors = orEmpty(connectors);
  }

  /** Ids of the tools whose pages it cannot be priced without, as often as it names them. */
  public Stream<String> otherTools() {
    return Stream.of(
            together.stream(),
            plans.stream().map(PlanPart::baseTool),
            connectors.stream().map(ConnectorPart::tool))
        .flatMap(ids -> ids)
        .filter(java.util.Objects::nonNull);
  }

  /** The same page where other tools have other ids. */
  public ToolSheet naming(java.util.function.UnaryOperator<String> ids) {
    return withTogether(together.stream().map(ids).toList())
        .withPlans(
            plans.stream()
                .map(plan ->
                    plan.baseTool() == null ? plan : plan.withBaseTool(ids.apply(plan.baseTool())))
                .toList())
        .withConnectors(
            connectors.stream()
                .map(part -> part.tool() == null ? part : part.withTool(ids.apply(part.tool())))
                .toList());
  }

  /** Where each of its facts comes from, in reading order. */
  public Stream<SourcePart> sources() {
    Stream<SourcePart> ofPlans =
        plans.stream()
            .flatMap(plan ->
                Stream.of(
                        Stream.of(plan.source()),
                        plan.allowances().stream().map(AllowancePart::source),
                        plan.facts().stream().map(FactPart::source))
                    .flatMap(sources -> sources));
    Stream<SourcePart> ofTool =
        Stream.of(
                offers.stream().map(OfferPart::source),
                Stream.ofNullable(owned).map(OwnedPart::source),
                conditions.stream().map(ConditionPart::source),
                connectors.stream().map(ConnectorPart::source),
                words.stream().map(WordPart::source),
                ratings.stream().map(RatingPart::source))
            .flatMap(sources -> sources);
    return Stream.concat(ofPlans, ofTool);
  }

  /** Ids of the measures that its plans count, as often as they do. */
  public Stream<String> measures() {
    return Stream.concat(
        plans.stream().flatMap(ToolSheet::measures),
        Stream.ofNullable(owned).map(OwnedPart::measure));
  }

  private static Stream<String> measures(PlanPart plan) {
    Stream<ChargePart> charges =
        Stream.concat(plan.prices().stream(), plan.highPrices().stream())
            .flatMap(term ->
                Stream.concat(
                    term.charges().stream(),
                    term.addOns().stream().flatMap(addOn -> addOn.charges().stream())));
    return Stream.of(
            Stream.of(plan.measure()),
            charges.flatMap(ToolSheet::measures),
            plan.allowances().stream().flatMap(a -> Stream.of(a.measure(), a.seats())))
        .flatMap(ids -> ids);
  }

  private static Stream<String> measures(ChargePart charge) {
    return switch (charge) {
      case PerUnitPart unit -> Stream.of(unit.measure());
      case BandedPart banded -> Stream.of(banded.measure());
      case FlatPart flat -> Stream.empty();
      case OneOffPart once -> Stream.ofNullable(once.each());
      case UsagePart usage -> Stream.of(usage.measure(), usage.seats());
      case PaymentFeePart fee -> Stream.of(fee.measure());
    };
  }

  /** The tool when nothing was known of it but its name. */
  public ToolSheet bare() {
    return new ToolSheet(
        id, name, maker, areas, List.of(), together, List.of(), List.of(), null, List.of(),
        List.of(), List.of(), List.of(), words, null);
  }

  /** Tools that are bought together at most. */
  public static final int MOST_TOGETHER = 6;

  /** A page of which nothing is known but its name and what it serves. */
  public static ToolSheet named(String id, String name, List<String> areas) {
    return new ToolSheet(
        id, name, "", areas, List.of(), List.of(), List.of(), List.of(), null, List.of(), List.of(),
        List.of(), List.of(), List.of(), null);
  }

  /** Several tools that are bought together, under one name. */
  public static ToolSheet set(List<ToolSheet> tools) {
    return named(
            "",
            String.join(" + ", tools.stream().map(ToolSheet::name).toList()),
            tools.stream().flatMap(tool -> tool.areas().stream()).distinct().toList())
        .withTogether(tools.stream().map(ToolSheet::id).toList());
  }

  /** Whether this is no tool but several that are bought together. */
  public boolean setOfTools() {
    return !together.isEmpty();
  }

  /**
   * A plan; with no prices its price is on request.
   *
   * @param basis null: listed, or on request without prices
   * @param taxPercent tax held in the prices; null: they are before tax
   * @param highPrices the high end of assumed prices, for the same terms
   * @param unsaid what the source leaves open of prices that were put down all the same
   * @param basePlan the plan it is had only with, by its name or id; null: it is had by itself
   * @param baseTool id of the tool of that plan; null: this one
   * @param holdsUntil the last day on which a quote can be taken; null: nobody has said
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  @RecordBuilder
  @RecordBuilder.Options(prefixEnclosingClassNames = false)
  public record PlanPart(
      String id,
      String name,
      String currency,
      String measure,
      int least,
      @Nullable Integer most,
      @Nullable Basis basis,
      @Nullable String taxPercent,
      SourcePart source,
      List<TermPart> prices,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<TermPart> highPrices,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<AllowancePart> allowances,
      List<FactPart> facts,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<UnsaidPart> unsaid,
      @Nullable String basePlan,
      @Nullable String baseTool,
      @Nullable String holdsUntil)
      implements PlanPartBuilder.With {
    /** A plan that is had by itself. */
    public PlanPart(
        String id,
        String name,
        String currency,
        String measure,
        int least,
        @Nullable Integer most,
        @Nullable Basis basis,
        @Nullable String taxPercent,
        SourcePart source,
        List<TermPart> prices,
        List<TermPart> highPrices,
        List<AllowancePart> allowances,
        List<FactPart> facts,
        List<UnsaidPart> unsaid) {
      this(
          id,
          name,
          currency,
          measure,
          least,
          most,
          basis,
          taxPercent,
          source,
          prices,
          highPrices,
          allowances,
          facts,
          unsaid,
          null,
          null,
          null);
    }

    public PlanPart {
      unsaid = orEmpty(unsaid);
      highPrices = orEmpty(highPrices);
      allowances = orEmpty(allowances);
    }
  }

  /** Where facts come from and when they held. */
  public record SourcePart(
      String asOf,
      String ground,
      String who,
      String link,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) String note,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) String interest) {
    public SourcePart {
      note = note == null ? "" : note;
      interest = interest == null ? "" : interest;
    }

    /** The same source, confirmed on another day. */
    public SourcePart confirmedOn(String day) {
      return new SourcePart(day, ground, who, link, note, interest);
    }
  }

  /**
   * What a source does not say of a price.
   *
   * @param charge the name of the plan's charge
   * @param term the code of the term under which the price was put down
   * @param what at least one, each once
   */
  public record UnsaidPart(String charge, String term, List<Unsaid.Kind> what) {
    public UnsaidPart {
      what = List.copyOf(what);
    }
  }

  /** The charges of a plan under one term, as prices a month. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record TermPart(
      int monthsCommitted,
      boolean upFront,
      List<ChargePart> charges,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<AddOnPart> addOns,
      @Nullable String yearlyMinimum) {
    public TermPart {
      addOns = orEmpty(addOns);
    }
  }

  /** Something sold beside a plan, with its charges. */
  public record AddOnPart(String name, List<ChargePart> charges) {}

  /** One charge. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = PerUnitPart.class, name = "per-unit"),
    @JsonSubTypes.Type(value = BandedPart.class, name = "banded"),
    @JsonSubTypes.Type(value = FlatPart.class, name = "flat"),
    @JsonSubTypes.Type(value = OneOffPart.class, name = "one-off"),
    @JsonSubTypes.Type(value = UsagePart.class, name = "usage"),
    @JsonSubTypes.Type(value = PaymentFeePart.class, name = "payment-fee")
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

  /** A price paid once, for the account or for each unit of a measure. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record OneOffPart(String name, String price, @Nullable String each)
      implements ChargePart {}

  /** The price of each block of use above what is included for the account and for each seat. */
  public record UsagePart(
      String name,
      String measure,
      String price,
      String block,
      String perAccount,
      String perSeat,
      String seats)
      implements ChargePart {}

  /** Kept of each payment: percent of its value, and a fixed amount. */
  public record PaymentFeePart(String name, String measure, String percent, String fixed)
      implements ChargePart {}

  /** Up to how many units (the last may be open), the price each and the flat price. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record BandPart(@Nullable Integer upTo, String each, String flat) {}

  /** What the prices of a plan rest on. */
  public enum Basis {
    LISTED,
    ON_REQUEST,
    QUOTE,
    ASSUMED,
    /** Of each price only the least is known. */
    FROM,
    /** The same of a quote that does not hold any more; found while reading, never written. */
    QUOTE_ENDED,
    /** The same where what it is had only with has no price; found while reading, never written. */
    BASE_NOT_PRICED
  }

  /** What is said of how much a plan allows. */
  public enum Limit {
    UP_TO,
    /** So many as for the account, or for each seat: the source does not say which. */
    ACCOUNT_OR_SEAT,
    UNLIMITED,
    UNKNOWN
  }

  /**
   * How much of a measure a plan allows.
   *
   * @param written as somebody wrote it, such as "500 MB"; null: as it is counted
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  @RecordBuilder
  @RecordBuilder.Options(prefixEnclosingClassNames = false)
  public record AllowancePart(
      String measure,
      Limit kind,
      String perAccount,
      String perSeat,
      String seats,
      @Nullable String written,
      SourcePart source)
      implements AllowancePartBuilder.With {}

  /**
   * Something that stands between the tool and others.
   *
   * @param name as facts name it
   * @param price what it costs a month; null: what the plan of the tool costs
   * @param currency of the price; null: there is none
   * @param tool id of the tool that it is; null: it is none of the catalogue
   * @param plan the plan of that tool, by its name or id; null: it is none
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  @RecordBuilder
  @RecordBuilder.Options(prefixEnclosingClassNames = false)
  public record ConnectorPart(
      String name,
      @Nullable String price,
      @Nullable String currency,
      @Nullable String tool,
      @Nullable String plan,
      SourcePart source)
      implements ConnectorPartBuilder.With {}

  /**
   * Whether the plan has a capability: yes, partly, by-add-on, through-connector, by-hand, no or
   * unknown.
   *
   * @param group under which it is listed; may be empty
   * @param addOn the add-on or connector that brings it; may be empty
   * @param minutes of work by hand on each workday; null: nobody has said, or it is not by hand
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  @RecordBuilder
  @RecordBuilder.Options(prefixEnclosingClassNames = false)
  public record FactPart(
      String capability,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) String group,
      String answer,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) String addOn,
      SourcePart source,
      @Nullable String minutes)
      implements FactPartBuilder.With {
    /** A fact of something that is not done by hand. */
    public FactPart(
        String capability, String group, String answer, String addOn, SourcePart source) {
      this(capability, group, answer, addOn, source, null);
    }

    public FactPart {
      group = group == null ? "" : group;
      addOn = addOn == null ? "" : addOn;
    }
  }

  /** What an offer gives. */
  public enum Benefit {
    FREE,
    FIXED,
    PERCENT,
    AMOUNT_OFF
  }

  /**
   * A reduction for the first months.
   *
   * @param value the price, the percents or the amount; null if free
   * @param currency of a price or an amount; null otherwise
   * @param invoices how many invoices an amount is taken off; null otherwise
   * @param months null: without end
   * @param group of offers of which one only may be used; null: none
   * @param charges names of the charges it touches; empty: all that are held
   * @param everyYear true: it comes back every year between the two days; null: it does not
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  @RecordBuilder
  @RecordBuilder.Options(prefixEnclosingClassNames = false)
  public record OfferPart(
      String name,
      Benefit benefit,
      @Nullable String value,
      @Nullable String currency,
      @Nullable Integer invoices,
      @Nullable Integer months,
      @Nullable String group,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> charges,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> plans,
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> terms,
      boolean newBuyersOnly,
      @Nullable String from,
      @Nullable String until,
      int leastSeats,
      @Nullable Boolean everyYear,
      SourcePart source)
      implements OfferPartBuilder.With {
    public OfferPart {
      everyYear = Boolean.TRUE.equals(everyYear) ? true : null;
      charges = orEmpty(charges);
      plans = orEmpty(plans);
      terms = orEmpty(terms);
    }

    /** Whether it comes back every year. */
    public boolean comesBack() {
      return everyYear != null;
    }
  }

  /** Units of a plan paid for until a day. */
  @RecordBuilder
  @RecordBuilder.Options(prefixEnclosingClassNames = false)
  public record OwnedPart(String plan, String measure, int units, String until, SourcePart source)
      implements OwnedPartBuilder.With {}

  /** A circumstance under which a tool can be had, in reading order. */
  public enum Circumstance {
    COUNTRIES("Sold in (countries)"),
    DATA_PLACES("Keeps data in"),
    PLATFORMS("Runs on"),
    LANGUAGES("Speaks"),
    TRIAL_DAYS("Trial, days"),
    TRIAL_USE("Trial, by use"),
    TRIAL_CARD("Trial asks for a card"),
    /** Yes, no, or the names of the plans that may. */
    PLANS_SIDE_BY_SIDE("Plans side by side"),
    TERMS_SIDE_BY_SIDE("Terms side by side");

    private final String label;

    Circumstance(String label) {
      this.label = label;
    }

    /** As it heads a line. */
    public String label() {
      return label;
    }
  }

  /** Under which circumstances the tool can be had: a list with commas, a number, or yes or no. */
  @RecordBuilder
  @RecordBuilder.Options(prefixEnclosingClassNames = false)
  public record ConditionPart(Circumstance kind, String value, SourcePart source)
      implements ConditionPartBuilder.With {}

  /** What a sentence about a tool speaks of, in reading order. */
  public enum Topic {
    WHAT_IT_IS("What it is"),
    FOR_WHOM("For whom"),
    AGE("How long there has been it"),
    PACE("How fast it changes"),
    STANDING("Standing of its vendor");

    private final String label;

    Topic(String label) {
      this.label = label;
    }

    /** As it heads a line. */
    public String label() {
      return label;
    }
  }

  /** A sentence about the tool. */
  public record WordPart(Topic topic, String text, SourcePart source) {}

  /** A page's text as somebody pasted it, and the day they did. */
  public record PastedPart(String text, String by, String on) {}

  /** A public rating from 1 to 5 with the number of reviews behind it. */
  public record RatingPart(String rating, int count, SourcePart source) {}

  private static <T> List<T> orEmpty(@Nullable List<T> list) {
    return list == null ? List.of() : List.copyOf(list);
  }
}
