package tertulia.app.method;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** One page that says how every figure comes about; each step leads to its part of it. */
@Controller
class MethodController {
  @GetMapping("/method")
  String method() {
    return "method/method";
  }
}
