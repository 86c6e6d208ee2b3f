package tertulia.app.store;

import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** Where what cannot be saved for want of room is answered. */
@Controller
class NoRoomController {
  @RequestMapping("/no-room")
  String noRoom(HttpServletResponse response, Model model) {
    response.setStatus(HttpStatus.INSUFFICIENT_STORAGE.value());
    model.addAttribute("sentence", "The disk of the server is nearly full, so nothing was saved.");
    model.addAttribute(
        "remedy",
        "Go back: your browser still has what you typed. Save again when whoever runs the server has"
            + " made room.");
    return "error/sentence";
  }
}
