package tertulia.app.workspace;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Codes;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Remarks;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.core.remark.Remark;
import tertulia.core.remark.Subject;

/** What people ask and say about what stands on a page. */
@Controller
class RemarksController {
  private final Steps steps;
  private final Remarks remarks;

  RemarksController(Steps steps, Remarks remarks) {
    this.steps = steps;
    this.remarks = remarks;
  }

  /**
   * Keeps a remark or an answer to one.
   *
   * @param answers the remark that is answered; null: none is
   * @param contender whose fact it is about, if {@code about} is a need; empty: the need's
   * @param page key of the page it was written on; empty: beside a figure's working
   */
  @PostMapping("/selections/{id}/remarks")
  String say(
      @PathVariable long id,
      @RequestParam(required = false) @Nullable Long answers,
      @RequestParam String about,
      @RequestParam(name = "of", defaultValue = "") String contender,
      @RequestParam String kind,
      @RequestParam(defaultValue = "") String text,
      @RequestParam String once,
      @RequestParam(defaultValue = "") String page,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, query, person);
    Subject subject =
        answers == null ? subject(session, about, contender) : remark(session, answers).about();
    String fault = "";
    try {
      Remark.Kind meant = Codes.oneOf(Remark.Kind.class, kind);
      if (answers == null) {
        RetryOnConflict.until(() -> remarks.say(id, person, subject, meant, text, word(once)));
      } else {
        RetryOnConflict.until(() -> remarks.answer(id, answers, person, text, word(once)));
      }
    } catch (IllegalArgumentException e) {
      fault = String.valueOf(e.getMessage());
    } catch (Conflict e) {
      fault = e.message();
    }
    return shown(id, subject, page, text, fault, query, person, model, response);
  }

  /** Closes a remark, or opens it again. */
  @PostMapping("/selections/{id}/remarks/{remark}/close")
  String close(
      @PathVariable long id,
      @PathVariable long remark,
      @RequestParam boolean open,
      @RequestParam(defaultValue = "") String page,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Remark meant = remark(steps.open(id, query, person), remark);
    if (open) {
      RetryOnConflict.until(() -> remarks.reopen(id, remark));
    } else {
      RetryOnConflict.until(() -> remarks.close(id, remark, person.name()));
    }
    return shown(id, meant.about(), page, "", "", query, person, model, response);
  }

  private static Subject subject(Session session, String about, String contender) {
    try {
      Subject subject = Subject.of(about);
      Subject meant =
          subject instanceof Subject.OfNeed need && !contender.isEmpty()
              ? new Subject.OfFact(need.need(), contender)
              : subject;
      if (Subjects.isThere(session.table(), meant)) {
        return meant;
      }
    } catch (IllegalArgumentException e) {
      // falls through to the same answer
    }
    throw new NotFound("such thing to remark on any more");
  }

  /** A remark the person may read. */
  private static Remark remark(Session session, long id) {
    return session.table().remarks().stream()
        .filter(r -> r.id().equals("" + id))
        .findFirst()
        .orElseThrow(() -> new NotFound("remark " + id + " in this selection"));
  }

  private static String word(String once) {
    if (!once.matches("[0-9a-f-]{36}")) {
      throw new NotFound("form like that");
    }
    return once;
  }

  private String shown(
      long id,
      Subject subject,
      String page,
      String text,
      String fault,
      Map<String, String> query,
      SignedIn person,
      Model model,
      HttpServletResponse response) {
    if (!page.matches("[a-z]{0,20}")) {
      throw new NotFound("page \"" + page + "\"");
    }
    Session session = steps.open(id, query, person);
    boolean beside = page.isEmpty();
    RemarksView view = beside ? RemarksView.about(session, subject) : RemarksView.at(session, page);
    if (!fault.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
      view = view.refused(text, fault);
    }
    model.addAttribute("id", id);
    model.addAttribute("weighs", person.weighs() && !session.table().decided());
    model.addAttribute("page", page);
    model.addAttribute("remarks", view);
    return "workspace/remarks :: box";
  }
}
