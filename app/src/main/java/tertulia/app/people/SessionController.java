package tertulia.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;

/** Says whether somebody is signed in, so that a page that stood open loses nothing. */
@Controller
class SessionController {
  /** The token a page needs to send its forms; of nobody only that nobody is signed in. */
  @GetMapping("/session")
  ResponseEntity<Map<String, Object>> session(
      @AuthenticationPrincipal @Nullable SignedIn person, HttpServletRequest request) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .body(person == null ? Map.of("signedIn", false) : signedIn(request));
  }

  private static Map<String, Object> signedIn(HttpServletRequest request) {
    CsrfToken token = (CsrfToken) request.getAttribute(CsrfToken.class.getName());
    return Map.of("signedIn", true, "header", token.getHeaderName(), "token", token.getToken());
  }

  /** Where what is sent without a session, or from a page of an earlier one, is answered. */
  @RequestMapping("/signed-out")
  String signedOut(
      @AuthenticationPrincipal @Nullable SignedIn person,
      HttpServletResponse response,
      Model model) {
    boolean nobody = person == null;
    response.setStatus((nobody ? HttpStatus.UNAUTHORIZED : HttpStatus.FORBIDDEN).value());
    model.addAttribute(
        "sentence",
        nobody
            ? "You are signed out, so nothing was saved."
            : "You signed in again after this page was opened, so nothing was saved.");
    model.addAttribute(
        "remedy",
        nobody
            ? "Sign in in another tab, then go back here: your browser still has what you typed."
            : "Go back: your browser still has what you typed. Copy it, load the page anew and"
                + " save.");
    return "error/sentence";
  }
}
