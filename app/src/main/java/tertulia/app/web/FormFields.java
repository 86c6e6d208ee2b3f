package tertulia.app.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.web.bind.WebDataBinder;

/** How the fields of every large form are bound. */
public final class FormFields {
  /** More lines than any form of ours has; a field numbered higher is not one of ours. */
  private static final int MOST_LINES = 401;

  private static final Pattern NUMBER = Pattern.compile("\\[([0-9]+)]");

  private FormFields() {}

  /**
   * Binds to public fields. Before anything grows, the numbers of all fields are looked at.
   *
   * @throws TooMany if one is higher than any form of ours has
   */
  public static void bind(WebDataBinder binder, HttpServletRequest request) {
    for (String field : request.getParameterMap().keySet()) {
      Matcher numbers = NUMBER.matcher(field);
      while (numbers.find()) {
        check(field, numbers.group(1));
      }
    }
    binder.initDirectFieldAccess();
  }

  private static void check(String field, String number) {
    if (number.length() > 6 || Integer.parseInt(number) >= MOST_LINES) {
      throw new TooMany(field);
    }
  }
}
