package tertulia.app.workspace;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What stays the same from step to step: the title, the steps, the thread of "what if" and the
 * contenders as columns.
 *
 * @param view template of the step
 * @param asksWhatIf whether "what if" can be changed on this step
 * @param path address of the step without the "what if"
 * @param query the "what if" as it stands in addresses; may be empty
 * @param moment such as "June 2028 · 97 people"
 * @param costLabel what the cost at the head of a column is for
 * @param without whose views the totals are without, such as "without Joren’s view"; may be empty
 * @param profile the thread's picture as SVG
 * @param asksLight whether some contender sells light seats
 * @param typedLight percent of light users; empty: as the demand says
 * @param payment how much a payment is on average
 * @param pricesOf the day whose price pages are used, as typed; empty: today's
 * @param measures what else there might be more or fewer of; the first is none
 * @param typedMany how many of that, as typed; empty: as many as are needed
 * @param asideCount contenders set aside
 */
public record Frame(
    long id,
    String title,
    String subtitle,
    String view,
    boolean asksWhatIf,
    String path,
    String query,
    List<StepLink> steps,
    List<Head> heads,
    int asideCount,
    String moment,
    String costLabel,
    String without,
    String profile,
    int month,
    int lastMonth,
    String typedPeople,
    boolean asksLight,
    String typedLight,
    Payment payment,
    String pricesOf,
    String peopleFault,
    List<Choice> measures,
    String typedMany,
    List<Choice> growths,
    List<Choice> terms,
    List<Choice> views,
    List<Choice> bases,
    boolean organises,
    boolean weighs,
    boolean decided) {

  /** One of several ways to look; the code stands in addresses. */
  public record Choice(String code, String words, boolean chosen) {}

  /**
   * How much a payment is on average.
   *
   * @param asked whether some contender takes a share of payments
   * @param typed in {@code currency}; empty: as it is stated
   */
  public record Payment(boolean asked, String typed, String currency) {}

  /** The "what if" by the names it has in addresses. */
  public Map<String, String> asked() {
    Map<String, String> asked = new LinkedHashMap<>();
    for (String part : query.isEmpty() ? new String[0] : query.split("&")) {
      int equals = part.indexOf('=');
      asked.put(part.substring(0, equals), part.substring(equals + 1));
    }
    return asked;
  }

  /** Whether anything is read other than as at the start. */
  public boolean isRead() {
    return !query.isEmpty();
  }

  /** Whether something of the "what if" that is seldom changed is changed. */
  public boolean isSeldom() {
    return !pricesOf.isEmpty()
        || !measures.getFirst().chosen()
        || !typedLight.isEmpty()
        || !payment.typed().isEmpty()
        || !views.getFirst().chosen()
        || !bases.getFirst().chosen();
  }

  /** The address of another page of this selection, with the "what if". */
  public String href(String page) {
    return "/selections/" + id + "/" + page + (query.isEmpty() ? "" : "?" + query);
  }
}
