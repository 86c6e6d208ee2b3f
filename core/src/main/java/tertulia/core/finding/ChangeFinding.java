package tertulia.core.finding;

import java.util.List;

/** What is said of a change. */
public sealed interface ChangeFinding extends Finding {
  /**
   * What a change does to who is cheapest for the people under discussion, and to the lead.
   *
   * @param cheapestBefore all with the least figure; empty if nobody had one
   * @param cheapest the same afterwards
   */
  record OrderAfter(
      List<String> cheapestBefore,
      List<String> cheapest,
      ScoreFinding leadBefore,
      ScoreFinding lead)
      implements ChangeFinding {
    public OrderAfter {
      cheapestBefore = List.copyOf(cheapestBefore);
      cheapest = List.copyOf(cheapest);
    }

    public boolean cheapestChanges() {
      return !cheapestBefore.equals(cheapest);
    }

    /** Whether others lead, or the same more or less surely. */
    public boolean leadChanges() {
      return !ahead(leadBefore).equals(ahead(lead)) || leadBefore.getClass() != lead.getClass();
    }

    /** Whether there is neither a cheapest nor a lead, before and afterwards. */
    public boolean isNothing() {
      return cheapestBefore.isEmpty()
          && cheapest.isEmpty()
          && ahead(leadBefore).isEmpty()
          && ahead(lead).isEmpty();
    }

    /** Who is ahead; nobody if there are no totals. */
    public static List<String> ahead(ScoreFinding lead) {
      return switch (lead) {
        case ScoreFinding.NoTotals none -> List.of();
        case ScoreFinding.Leads leads -> List.of(leads.tool());
        case ScoreFinding.LevelLead level -> level.tools();
        case ScoreFinding.OpenLead open -> List.of(open.tool());
        case ScoreFinding.OutsideScale outside ->
            throw new IllegalArgumentException("no lead: " + outside);
        case ScoreFinding.CountedTwice twice ->
            throw new IllegalArgumentException("no lead: " + twice);
        case ScoreFinding.GuessedScale guess ->
            throw new IllegalArgumentException("no lead: " + guess);
        case ScoreFinding.WorthUnder worth ->
            throw new IllegalArgumentException("no lead: " + worth);
      };
    }
  }
}
