package tertulia.app.people;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import tertulia.app.exchange.Faults;

/**
 * Which passwords are taken: long ones of any characters that are not among the first that are
 * guessed.
 */
final class PasswordRules {
  static final int LEAST = 12;

  /** As many bytes as the hash looks at; what is beyond would not count. */
  static final int MOST_BYTES = 72;

  /** Fewer guesses than 10⁶ (Wheeler 2016: what an attack through the sign-in page can try). */
  private static final int GUESSED_SOON = 1;

  private static final Zxcvbn GUESSES = new Zxcvbn();

  private PasswordRules() {}

  /**
   * Puts down what is wrong with a password.
   *
   * @param known what others know of the person, such as their names
   */
  static void check(String password, List<String> known, Faults faults) {
    int letters = password.codePointCount(0, password.length());
    int bytes = password.getBytes(StandardCharsets.UTF_8).length;
    if (letters < LEAST) {
      faults.add(
          "password",
          "A password has "
              + LEAST
              + " characters or more; this one has "
              + letters
              + ". Several words are easier to remember than signs.");
    } else if (bytes > MOST_BYTES) {
      faults.add(
          "password",
          "A password takes up to "
              + MOST_BYTES
              + " bytes, letters with accents two each; this one takes "
              + bytes
              + ". Leave some out.");
    } else if (isName(password, known)) {
      faults.add("password", "This password is the person’s name. Choose other words.");
    } else if (GUESSES.measure(password, known).getScore() <= GUESSED_SOON) {
      faults.add(
          "password",
          "This password is among the first that are guessed. Choose several words that do not"
              + " belong together.");
    }
  }

  private static boolean isName(String password, List<String> known) {
    String plain = plain(password);
    return known.stream().map(PasswordRules::plain).anyMatch(plain::equals);
  }

  private static String plain(String text) {
    return text.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
  }
}
