package tertulia.app.fit;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.core.evaluation.Contender;

/** Two contenders head to head. */
@Component
class VersusStep implements StepBody {
  private static final String VIEW = "fit/versus";

  /** The two that are set against each other. */
  private record Pair(Contender left, Contender right) {}

  @Override
  public String key() {
    return "versus";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public String own(Session session) {
    return pair(session).map(p -> "one=" + p.left().id() + "&other=" + p.right().id()).orElse("");
  }

  @Override
  public boolean asksWhatIf() {
    return true;
  }

  @Override
  public void fill(Session session, Model model) {
    model.addAttribute("all", session.columns());
    pair(session)
        .ifPresent(pair ->
            model.addAttribute("versus", VersusView.of(session, pair.left(), pair.right())));
  }

  /** Those asked for; where one is not, the best placed that is not the other. */
  private static Optional<Pair> pair(Session session) {
    List<Contender> all = session.columns();
    if (all.size() < 2) {
      return Optional.empty();
    }
    List<Contender> placed = placed(session);
    Contender left = asked(session, "one").orElse(placed.getFirst());
    Contender right =
        asked(session, "other")
            .filter(other -> !other.equals(left))
            .orElseGet(
                () -> placed.stream().filter(c -> !c.equals(left)).findFirst().orElseThrow());
    return Optional.of(new Pair(left, right));
  }

  /** By total, then those that are not ranked. */
  private static List<Contender> placed(Session session) {
    List<String> order =
        session
            .evaluation()
            .scores()
            .totals()
            .map(t -> t.standings().stream().map(s -> s.contender()).toList())
            .orElse(List.of());
    return session.columns().stream()
        .sorted(
            java.util.Comparator.comparingInt(
                c -> order.contains(c.id()) ? order.indexOf(c.id()) : order.size()))
        .toList();
  }

  private static Optional<Contender> asked(Session session, String which) {
    String id = session.asked().getOrDefault(which, "");
    return session.columns().stream().filter(c -> c.id().equals(id)).findFirst();
  }
}
