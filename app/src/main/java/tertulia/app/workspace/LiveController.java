package tertulia.app.workspace;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.ExtendedModelMap;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tertulia.app.live.Live;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;

/** Keeps an open page as it is by now: says that something has changed, and what it is then. */
@Controller
class LiveController {
  private static final String STEP =
      "/selections/{id}/live/{step:overview|need|contenders|fit|cost|weights|marks|firmness|decision|plans|versus|trials}";
  private final Live live;
  private final Selections selections;
  private final Steps steps;
  private final Map<String, StepBody> bodies;

  LiveController(Live live, Selections selections, Steps steps, List<StepBody> bodies) {
    this.live = live;
    this.selections = selections;
    this.steps = steps;
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
   * What has changed on the page of a step since a change; no content if nothing has. It is written
   * for whoever asks and for nobody else: what several readers share are the figures, which know no
   * reader.
   *
   * @param since the number of the last change that is on the page
   * @param basis of the question as it is on the page
   */
  @GetMapping(STEP)
  @Nullable ModelAndView since(
      @PathVariable long id,
      @PathVariable String step,
      @RequestParam long since,
      @RequestParam(defaultValue = "") String basis,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      HttpServletResponse response) {
    check(id);
    long last = live.last(id);
    if (since == last) {
      response.setStatus(HttpStatus.NO_CONTENT.value());
      return null;
    }
    StepBody body = bodies.get(step);
    if (body == null) {
      throw new NotFound("step \"" + step + "\"");
    }
    Map<String, String> asked = new TreeMap<>(query);
    asked.remove("since");
    Model model = new ExtendedModelMap();
    steps.page(steps.open(id, asked, person), body, model);
    model.addAttribute("last", last);
    model.addAttribute("news", !basis.equals(model.getAttribute("basis")));
    return new ModelAndView("workspace/live", model.asMap());
  }
}
