package tertulia.app.workspace;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.ExtendedModelMap;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.util.ContentCachingResponseWrapper;
import tertulia.app.live.Live;
import tertulia.app.people.Role;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Seats;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;

/** Keeps an open page as it is by now: says that something has changed, and what it is then. */
@Controller
class LiveController {
  private static final String STEP =
      "/selections/{id}/live/{step:overview|need|contenders|fit|cost|weights|marks|firmness|decision|plans|versus|trials}";
  private final Live live;
  private final Selections selections;
  private final Seats seats;
  private final Steps steps;
  private final ViewResolver views;
  private final Map<String, StepBody> bodies;

  LiveController(
      Live live,
      Selections selections,
      Seats seats,
      Steps steps,
      ViewResolver viewResolver,
      List<StepBody> bodies) {
    this.live = live;
    this.selections = selections;
    this.seats = seats;
    this.steps = steps;
    this.views = viewResolver;
    this.bodies = bodies.stream().collect(Collectors.toMap(StepBody::key, Function.identity()));
  }

  /**
   * A stream of events "changed"; no content, after which a browser asks no more, if it is full.
   */
  @GetMapping("/selections/{id}/live")
  ResponseEntity<SseEmitter> stream(@PathVariable long id) {
    check(id);
    SseEmitter stream = live.open(id);
    return stream == null
        ? ResponseEntity.noContent().build()
        : ResponseEntity.ok()
            .contentType(MediaType.TEXT_EVENT_STREAM)
            .header("Cache-Control", "no-cache")
            // a proxy that gathers answers would keep it back
            .header("X-Accel-Buffering", "no")
            .body(stream);
  }

  private void check(long id) {
    if (!selections.isThere(id)) {
      throw new NotFound("selection " + id);
    }
  }

  /**
   * Everything an answer depends on: who sees the same asks the same.
   *
   * @param withheld the seats whose views are kept from the reader
   */
  private record Question(
      long id, long last, String step, Map<String, String> asked, Set<Long> withheld, Role role) {}

  /**
   * What has changed on the page of a step since a change; no content if nothing has.
   *
   * @param since the number of the last change that is on the page
   * @param basis of the question as it is on the page
   */
  @GetMapping(STEP)
  ResponseEntity<String> since(
      @PathVariable long id,
      @PathVariable String step,
      @RequestParam long since,
      @RequestParam(defaultValue = "") String basis,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      HttpServletRequest request,
      HttpServletResponse response) {
    check(id);
    long last = live.last(id);
    if (since == last) {
      return ResponseEntity.noContent().build();
    }
    Map<String, String> asked = new TreeMap<>(query);
    asked.remove("since");
    Question question = new Question(id, last, step, asked, seats.withheld(id), person.role());
    String html = live.once(question, () -> rendered(question, basis, person, request, response));
    return ResponseEntity.ok().contentType(HTML).body(html);
  }

  private static final MediaType HTML = new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8);

  private String rendered(
      Question question,
      String basis,
      SignedIn person,
      HttpServletRequest request,
      HttpServletResponse response) {
    StepBody body = bodies.get(question.step());
    if (body == null) {
      throw new NotFound("step \"" + question.step() + "\"");
    }
    Model model = new ExtendedModelMap();
    steps.page(steps.open(question.id(), question.asked(), person), body, model);
    model.addAttribute("last", question.last());
    model.addAttribute("news", !basis.equals(model.getAttribute("basis")));
    ContentCachingResponseWrapper written = new ContentCachingResponseWrapper(response);
    try {
      View view = views.resolveViewName("workspace/live", Locale.ENGLISH);
      Objects.requireNonNull(view).render(model.asMap(), request, written);
    } catch (RuntimeException e) {
      throw e;
    } catch (Exception e) {
      throw new IllegalStateException("The page could not be written", e);
    }
    return new String(written.getContentAsByteArray(), StandardCharsets.UTF_8);
  }
}
