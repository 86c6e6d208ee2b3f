package tertulia.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.web.access.WebInvocationPrivilegeEvaluator;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Says whether somebody is signed in, so that a page that stood open loses nothing. */
@Controller
class SessionController {
  /** All of ours are like this; what is not cannot be read as a path, either. */
  private static final Pattern ADDRESS = Pattern.compile("(/[A-Za-z0-9_.-]{1,100}){1,9}");

  private final WebInvocationPrivilegeEvaluator privileges;

  SessionController(WebInvocationPrivilegeEvaluator privileges) {
    this.privileges = privileges;
  }

  /**
   * The token a page needs to send its forms; of nobody only that nobody is signed in.
   *
   * @param to path to which a form is about to be sent: whether the role still allows it
   */
  @GetMapping("/session")
  ResponseEntity<Map<String, Object>> session(
      @AuthenticationPrincipal @Nullable SignedIn person,
      @RequestParam(required = false) @Nullable String to,
      @Nullable Authentication authentication,
      HttpServletRequest request) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .body(
            person == null
                ? Map.of("signedIn", false)
                : signedIn(request, to == null || allows(to, authentication)));
  }

  /** Whether a role allows it; of what cannot be read it is not said that it does not. */
  private boolean allows(String path, @Nullable Authentication authentication) {
    return !ADDRESS.matcher(path).matches()
        || privileges.isAllowed("", path, HttpMethod.POST.name(), authentication);
  }

  private static Map<String, Object> signedIn(HttpServletRequest request, boolean allowed) {
    CsrfToken token = (CsrfToken) request.getAttribute(CsrfToken.class.getName());
    return Map.of(
        "signedIn",
        true,
        "allowed",
        allowed,
        "header",
        token.getHeaderName(),
        "token",
        token.getToken());
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
