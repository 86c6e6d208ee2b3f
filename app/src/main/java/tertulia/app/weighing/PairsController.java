package tertulia.app.weighing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Views;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;
import tertulia.core.evaluation.Contender;
import tertulia.core.scoring.Better;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.MarksByPairs;

/** Marks by pairs: which of two is better on a criterion, and the marks that follow. */
@Controller
class PairsController {
  private final Steps steps;
  private final Views views;
  private final MarksController marks;

  PairsController(Steps steps, Views views, MarksController marks) {
    this.steps = steps;
    this.views = views;
    this.marks = marks;
  }

  /**
   * The pairs of one criterion.
   *
   * @param says what the pairs said so far lead to, and what does not fit
   * @param takes whether there are marks to take over
   */
  record Pairs(
      String criterion,
      String name,
      List<Pair> pairs,
      List<String> says,
      boolean takes,
      String fault) {}

  /**
   * Two contenders.
   *
   * @param answer as in {@link Answer}; empty: nobody said
   * @param sends what an answer sends along, as JSON
   */
  record Pair(String one, String other, String answer, String note, String sends) {}

  /** What one may say of two, by the code that the form sends. */
  private enum Answer {
    ONE_CLEAR(Better.Much.CLEAR, true),
    ONE_EDGE(Better.Much.EDGE, true),
    LEVEL(Better.Much.LEVEL, true),
    OTHER_EDGE(Better.Much.EDGE, false),
    OTHER_CLEAR(Better.Much.CLEAR, false);

    private final Better.Much much;
    private final boolean one;

    Answer(Better.Much much, boolean one) {
      this.much = much;
      this.one = one;
    }

    static @Nullable Answer of(String code) {
      if (code.isEmpty()) {
        return null;
      }
      for (Answer answer : values()) {
        if (answer.name().equals(code)) {
          return answer;
        }
      }
      throw new NotFound("answer \"" + code + "\" for two contenders");
    }

    static String code(Better said, String one) {
      for (Answer answer : values()) {
        if (answer.much == said.much()
            && (answer.much == Better.Much.LEVEL || answer.one == said.better().equals(one))) {
          return answer.name();
        }
      }
      throw new IllegalStateException("" + said);
    }
  }

  @GetMapping("/selections/{id}/marks/pairs")
  String show(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query, person);
    fill(session, judged(session, criterion), "", model);
    return "weighing/pairs :: pairs";
  }

  /** Saves one pair as soon as it is said. */
  @PostMapping("/selections/{id}/marks/pairs")
  String say(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam String one,
      @RequestParam String other,
      @RequestParam(defaultValue = "") String answer,
      @RequestParam(defaultValue = "") String note,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query, person);
    Criterion judged = judged(session, criterion);
    List<String> there = session.columns().stream().map(Contender::id).toList();
    if (!there.contains(one) || !there.contains(other) || one.equals(other)) {
      throw new NotFound("pair of contenders like that any more");
    }
    Answer said = Answer.of(answer);
    String fault = "";
    try {
      String why = Codes.text(note.strip(), 1000);
      boolean first = said == null || said.one;
      RetryOnConflict.until(() ->
          views.better(
              id,
              person,
              criterion,
              first ? one : other,
              first ? other : one,
              said == null ? null : said.much,
              why));
    } catch (IllegalArgumentException e) {
      fault = String.valueOf(e.getMessage());
    }
    fill(steps.open(id, query, person), judged, fault, model);
    return "weighing/pairs :: pairs";
  }

  /** Takes the marks over that the pairs lead to, in whole marks. */
  @PostMapping("/selections/{id}/marks/pairs/take")
  String take(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query, person);
    judged(session, criterion);
    Map<String, Integer> taken = new LinkedHashMap<>();
    proposal(session, criterion)
        .marks()
        .forEach((contender, mark) -> taken.put(contender, MarksByPairs.taken(mark)));
    RetryOnConflict.until(() -> views.markAll(id, person, criterion, taken));
    Session now = steps.open(id, query, person);
    steps.page(now, marks, model);
    model.addAttribute("changed", new MarksController.Changed(criterion, ""));
    return "weighing/taken";
  }

  private static Criterion judged(Session session, String criterion) {
    return MarksController.judged(session).stream()
        .filter(candidate -> candidate.id().equals(criterion))
        .findFirst()
        .orElseThrow(() -> new NotFound("criterion to mark like that any more"));
  }

  private static List<SelectionFile.PairPart> said(Session session, String criterion) {
    List<String> there = session.columns().stream().map(Contender::id).toList();
    return session.table().part(session.person()).stream()
        .flatMap(part -> part.compared().stream())
        .filter(pair -> pair.criterion().equals(criterion))
        .filter(pair -> there.contains(pair.better()) && there.contains(pair.than()))
        .toList();
  }

  private static MarksByPairs proposal(Session session, String criterion) {
    List<String> contenders = session.columns().stream().map(Contender::id).toList();
    return MarksByPairs.of(
        contenders,
        said(session, criterion).stream().map(WeighingReader::better).toList(),
        session
            .table()
            .member(session.person())
            .map(member -> member.marks().getOrDefault(criterion, Map.of()))
            .orElse(Map.of())
            .entrySet()
            .stream()
            .filter(entry -> contenders.contains(entry.getKey()))
            .flatMap(entry -> entry.getValue().given().stream())
            .toList());
  }

  private static void fill(Session session, Criterion criterion, String fault, Model model) {
    List<SelectionFile.PairPart> said = said(session, criterion.id());
    List<String> contenders = session.columns().stream().map(Contender::id).toList();
    List<Pair> pairs = new ArrayList<>();
    for (List<String> two : MarksByPairs.asked(contenders)) {
      Optional<SelectionFile.PairPart> part =
          said.stream()
              .filter(p -> WeighingReader.better(p).isBetween(two.getFirst(), two.getLast()))
              .findFirst();
      Map<String, String> sends = new LinkedHashMap<>();
      sends.put("criterion", criterion.id());
      sends.put("one", two.getFirst());
      sends.put("other", two.getLast());
      pairs.add(
          new Pair(
              name(session, two.getFirst()),
              name(session, two.getLast()),
              part.map(p -> Answer.code(WeighingReader.better(p), two.getFirst())).orElse(""),
              part.map(SelectionFile.PairPart::note).orElse(""),
              Json.write(sends)));
    }
    MarksByPairs proposal = proposal(session, criterion.id());
    model.addAttribute("id", session.table().id());
    model.addAttribute(
        "pairs",
        new Pairs(
            criterion.id(),
            criterion.name(),
            pairs,
            says(session, criterion.id(), proposal),
            !proposal.marks().isEmpty(),
            fault));
  }

  private static List<String> says(Session session, String criterion, MarksByPairs proposal) {
    List<String> says = new ArrayList<>();
    if (proposal.marks().isEmpty()) {
      says.add("Say which of two is better; the marks that follow stand here as you go.");
      return says;
    }
    List<String> marks = new ArrayList<>();
    proposal
        .marks()
        .forEach((contender, mark) ->
            marks.add(name(session, contender) + " " + MarksByPairs.shown(mark).toPlainString()));
    says.add("Your pairs lead to " + String.join(", ", marks) + ".");
    if (!proposal.untied().isEmpty()) {
      says.add(
          "Not tied to the others by any pair: "
              + String.join(", ", proposal.untied().stream().map(c -> name(session, c)).toList())
              + ".");
    }
    MarksByPairs.ring(said(session, criterion).stream().map(WeighingReader::better).toList())
        .map(ring -> ring(session, ring))
        .ifPresent(says::add);
    proposal.worst().map(misfit -> misfit(session, misfit)).ifPresent(says::add);
    return says;
  }

  private static String ring(Session session, List<String> ring) {
    List<String> pairs = new ArrayList<>();
    for (int i = 0; i < ring.size(); i++) {
      pairs.add(
          name(session, ring.get(i))
              + " is better than "
              + name(session, ring.get((i + 1) % ring.size())));
    }
    return "Your pairs go in a ring: " + String.join(", ", pairs) + ". One of them cannot be.";
  }

  private static String misfit(Session session, MarksByPairs.Misfit misfit) {
    Better stated = misfit.stated();
    boolean turned = misfit.between().signum() < 0;
    String between =
        MarksByPairs.shown(misfit.between().abs()).toPlainString()
            + " marks"
            + (turned ? " the other way" : "");
    return "What fits worst is "
        + name(session, stated.better())
        + " against "
        + name(session, stated.than())
        + ": you said "
        + stated.much().words()
        + ", all pairs together say "
        + between
        + ".";
  }

  private static String name(Session session, String contender) {
    return session.table().selection().contender(contender).tool().name();
  }
}
