package tertulia.app.need;

import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.TypedHabit;
import tertulia.app.exchange.TypedNumber;

/** Says how a number that somebody typed is read, before it is saved. */
@Controller
class ReadingController {
  @GetMapping(path = "/reading", produces = MediaType.TEXT_PLAIN_VALUE)
  @ResponseBody
  String reading(@RequestParam String text) {
    try {
      Optional<Brief.HabitPart> habit = TypedHabit.read(text);
      if (habit.isPresent()) {
        return TypedHabit.text(habit.get())
            + " is "
            + TypedHabit.perHead(habit.get()).toPlainString()
            + " a month for each head";
      }
      TypedNumber number = TypedNumber.read(text);
      return number.plain() && number.value().scale() <= 2 ? "" : "read as " + number.text();
    } catch (IllegalArgumentException e) {
      return String.valueOf(e.getMessage());
    }
  }
}
