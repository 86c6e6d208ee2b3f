package tertulia.app.workspace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tertulia.app.chart.Marks;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.core.evaluation.Confirmation;
import tertulia.core.evaluation.Contender;
import tertulia.core.scoring.Totals;

/**
 * What a contender would cost if what is open turned out well, with what has to be confirmed.
 *
 * @param mark of the contender, as SVG
 * @param says what it would cost, and whether it would lead
 * @param open what has to be confirmed, each once
 * @param href where it is put right
 */
public record Confirmable(
    String name, String mark, List<String> says, List<String> open, String href) {

  /** The contenders that would be cheaper, or have a figure, if something were confirmed. */
  public static List<Confirmable> of(Session session) {
    return session.columns().stream()
        .flatMap(contender -> of(session, contender).stream())
        .toList();
  }

  private static Optional<Confirmable> of(Session session, Contender contender) {
    Confirmation confirmation = session.evaluation().costs().confirmation();
    Optional<Confirmation.Now> now = confirmation.now(contender.id());
    Optional<Confirmation.Whole> whole = confirmation.whole(contender.id());
    if (now.isEmpty() && whole.isEmpty()) {
      return Optional.empty();
    }
    List<String> says =
        Stream.of(
                now.map(found ->
                    Voice.say(
                        "confirm.now",
                        Map.of(
                            "people",
                            Figures.counted(
                                session.evaluation().costs().people().total(), "people"),
                            "cost",
                            Known.amount(found.monthly()),
                            "plan",
                            found.cost().option().label()))),
                whole.map(found ->
                    Voice.say(
                        "confirm.whole",
                        Map.of(
                            "months",
                            Figures.counted(
                                session.evaluation().selection().horizon().months(), "months"),
                            "cost",
                            Known.amount(found.total()),
                            "plan",
                            found.path().label()))),
                whole.flatMap(found -> leads(session, contender)))
            .flatMap(Optional::stream)
            .toList();
    List<String> open =
        Stream.concat(
                now.stream().flatMap(found -> found.open().stream()),
                whole.stream().flatMap(found -> found.open().stream()))
            .map(o -> o.plan() + ", " + o.reason().sentence())
            .distinct()
            .toList();
    return Optional.of(
        new Confirmable(
            contender.tool().name(),
            Marks.inline(session.mark(contender.id())),
            says,
            open,
            session.pricePage(contender.id())));
  }

  private static Optional<String> leads(Session session, Contender contender) {
    return session
        .evaluation()
        .ifConfirmed(contender.id())
        .map(Totals::standings)
        .filter(standings -> standings.size() > 1)
        .map(standings ->
            Voice.say(
                standings.getFirst().contender().equals(contender.id())
                    ? standings.getFirst().worstRank() == 1
                        ? "confirm.leads"
                        : "confirm.leads.mid-range"
                    : "confirm.leads-not"));
  }
}
