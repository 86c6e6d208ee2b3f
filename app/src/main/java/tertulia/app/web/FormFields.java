package tertulia.app.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.web.bind.WebDataBinder;

/** How the fields of every large form are bound. */
public final class FormFields {
  /** More lines than any form of ours has; a field numbered higher is not one of ours. */
  private static final int MOST_LINES = 401;

  private static final int MOST_DIGITS = 6;
  private static final int LONGEST_NAME = 200;
  private static final Pattern LINE = Pattern.compile("([^.\\[\\]]*)\\[([^\\]]*)(]?)");

  private FormFields() {}

  /**
   * Binds to public fields. Before anything grows, the numbers of all lines are looked at.
   *
   * @param byName fields whose lines have names rather than numbers
   * @throws TooMany if a name is longer than ours, or a line has no number, or a higher one than
   *     any form of ours has
   */
  public static void bind(WebDataBinder binder, HttpServletRequest request, String... byName) {
    Set<String> named = Set.of(byName);
    for (String field : request.getParameterMap().keySet()) {
      if (field.length() > LONGEST_NAME) {
        // looking for lines takes the square of its length
        throw new TooMany(field);
      }
      Matcher lines = LINE.matcher(field);
      while (lines.find()) {
        if (lines.group(3).isEmpty()
            || !named.contains(lines.group(1)) && !isLine(lines.group(2))) {
          throw new TooMany(field);
        }
      }
    }
    binder.initDirectFieldAccess();
    // a field behind an underscore would make another one null
    binder.setFieldMarkerPrefix(null);
    binder.setFieldDefaultPrefix(null);
  }

  private static boolean isLine(String number) {
    return !number.isEmpty()
        && number.length() <= MOST_DIGITS
        && number.chars().allMatch(c -> c >= '0' && c <= '9')
        && Integer.parseInt(number) < MOST_LINES;
  }
}
