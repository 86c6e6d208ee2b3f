package tertulia.app.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;

/** Words that nobody guesses, for links and for the first account. */
final class Words {
  /** Without letters and digits that are taken for each other. */
  private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";

  private static final SecureRandom RANDOM = new SecureRandom();

  private Words() {}

  /** So many letters; 24 of them hold more than a hundred bits. */
  static String of(int letters) {
    StringBuilder word = new StringBuilder();
    for (int i = 0; i < letters; i++) {
      word.append(LETTERS.charAt(RANDOM.nextInt(LETTERS.length())));
    }
    return word.toString();
  }

  static String hash(String word) {
    try {
      return HexFormat.of()
          .formatHex(
              MessageDigest.getInstance("SHA-256").digest(word.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Whether two words are the same, in a time that does not tell where they differ. */
  static boolean areSame(String one, String other) {
    return MessageDigest.isEqual(
        one.getBytes(StandardCharsets.UTF_8), other.getBytes(StandardCharsets.UTF_8));
  }
}
