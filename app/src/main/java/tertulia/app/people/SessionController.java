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
public class SessionController {
  /** Where what is sent without a session is answered. */
  public static final String SIGNED_OUT = "/signed-out";

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

  @RequestMapping(SIGNED_OUT)
  String signedOut(HttpServletResponse response, Model model) {
    response.setStatus(HttpStatus.UNAUTHORIZED.value());
    model.addAttribute("sentence", "You are signed out, so nothing was saved.");
    model.addAttribute(
        "remedy",
        "Sign in in another tab, then go back here: your browser still has what you typed.");
    return "error/sentence";
  }
}
