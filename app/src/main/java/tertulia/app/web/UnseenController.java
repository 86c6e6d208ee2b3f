package tertulia.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;
import tertulia.app.exchange.Unseen;

/** Where a form with a character that nobody sees is answered. */
@Controller
class UnseenController {
  @RequestMapping("/unseen")
  String unseen(HttpServletRequest request, HttpServletResponse response, Model model) {
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    String field = String.valueOf(request.getAttribute(UnseenFilter.FIELD));
    model.addAttribute(
        "sentence",
        "Nothing was saved, because of the field \""
            + (field.length() > 60 ? field.substring(0, 60) + "…" : field)
            + "\". "
            + Unseen.sentence(String.valueOf(request.getAttribute(UnseenFilter.FOUND))));
    model.addAttribute("remedy", "Go back: your browser still has what you typed.");
    return "error/sentence";
  }
}
