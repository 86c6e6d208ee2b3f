package tertulia.app.growth;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.GrowthPlan;
import tertulia.app.exchange.Json;
import tertulia.app.web.Conflict;

/** The organisation's plan of its people. */
@Service
public class GrowthPlans {
  private static final DocumentFormat<GrowthPlan> PLAN =
      new DocumentFormat<>("growth plan", GrowthPlan.class, List.of());

  /** The version of a plan that nobody has written yet. */
  public static final long NONE = -1;

  private final GrowthRows rows;
  private final Clock clock;
  private final ApplicationEventPublisher events;

  GrowthPlans(GrowthRows rows, Clock clock, ApplicationEventPublisher events) {
    this.events = events;
    this.rows = rows;
    this.clock = clock;
  }

  /**
   * The plan as stored.
   *
   * @param version it was read at
   * @param canUndo whether the last change can be taken back
   */
  public record Stored(long version, GrowthPlan plan, String by, Instant at, boolean canUndo) {}

  /** The plan; empty if nobody has written one. */
  @Transactional(readOnly = true)
  public Optional<Stored> find() {
    return rows.findById(GrowthRow.ONLY)
        .map(row ->
            new Stored(
                row.version,
                PLAN.read(row.plan, row.format),
                row.notedBy,
                row.notedAt,
                row.replaced != null));
  }

  /**
   * Replaces the plan.
   *
   * @param version it was read at; {@link #NONE} if there was none
   * @throws Conflict if it is not at that version any more
   */
  @Transactional
  public void change(long version, GrowthPlan plan, String by) {
    Optional<GrowthRow> stored = rows.findById(GrowthRow.ONLY);
    if (stored.map(row -> row.version).orElse(NONE) != version) {
      throw new Conflict(
          "Somebody else changed the growth plan while you were editing. Your entries are still"
              + " here; save again to replace theirs.");
    }
    GrowthRow row = stored.orElseGet(GrowthRow::new);
    row.replaced = stored.map(r -> Json.write(PLAN.read(r.plan, r.format))).orElse(null);
    row.plan = Json.write(plan);
    row.format = PLAN.version();
    note(row, by);
    rows.save(row);
  }

  /**
   * Takes the last change back; doing it again brings it back.
   *
   * @param version of the plan that was read
   * @throws Conflict if it is not at that version any more, or there is nothing to take back
   */
  @Transactional
  public void undo(long version, String by) {
    GrowthRow row =
        rows.findById(GrowthRow.ONLY)
            .filter(stored -> stored.replaced != null)
            .orElseThrow(() -> new Conflict("There is no change of the growth plan to undo."));
    Conflict.unlessAt(version, row.version, "the growth plan");
    String before = java.util.Objects.requireNonNull(row.replaced);
    row.replaced = row.plan;
    row.plan = before;
    note(row, by);
  }

  private void note(GrowthRow row, String by) {
    row.notedBy = by;
    row.notedAt = clock.instant();
    events.publishEvent(new PlanChanged());
  }

  /** A brief with the people of the plan, if it follows it and is not closed. */
  @Transactional(readOnly = true)
  public Brief followedBy(Brief brief, boolean closed) {
    return closed || !brief.follows()
        ? brief
        : find().map(stored -> stored.plan().followedBy(brief)).orElse(brief);
  }

  /** A brief's own groups as the plan counts them, if it was written by the end of a day. */
  @Transactional(readOnly = true)
  public Brief recounted(Brief brief, LocalDate day) {
    return find()
        .filter(plan -> !LocalDate.ofInstant(plan.at(), clock.getZone()).isAfter(day))
        .map(plan -> plan.plan().recounted(brief))
        .orElse(brief);
  }

  /**
   * A brief that follows the plan from now on: with all its groups in place of the brief's own.
   * Groups with the same ids keep what each head of them needs.
   *
   * @throws Conflict if there is no plan
   */
  @Transactional(readOnly = true)
  public Brief joined(Brief brief) {
    GrowthPlan plan =
        find().orElseThrow(() -> new Conflict("There is no growth plan to follow yet.")).plan();
    return plan.followedBy(
        brief.with(plan.groups(), plan.scenarios()).withoutOtherRates().following(true));
  }
}
