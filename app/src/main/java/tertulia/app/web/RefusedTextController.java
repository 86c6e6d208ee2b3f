package tertulia.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** Where a form is answered with a text that is not read. */
@Controller
class RefusedTextController {
  @RequestMapping("/refused-text")
  String refused(HttpServletRequest request, HttpServletResponse response, Model model) {
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    String field = String.valueOf(request.getAttribute(RefusedTextFilter.FIELD));
    model.addAttribute(
        "sentence",
        "Nothing was saved, because of the field \""
            + (field.length() > 60 ? field.substring(0, 60) + "…" : field)
            + "\". "
            + request.getAttribute(RefusedTextFilter.SENTENCE));
    model.addAttribute("remedy", "Go back: your browser still has what you typed.");
    return "error/sentence";
  }
}
