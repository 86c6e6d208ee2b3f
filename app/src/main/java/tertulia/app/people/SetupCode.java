package tertulia.app.people;

import java.util.concurrent.atomic.AtomicReference;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * The word without which nobody makes the first account. It is printed where the server is started,
 * so that whoever started it is the first, and works once.
 */
@Component
public class SetupCode {
  private static final int LETTERS = 12;
  private final UserAccounts people;
  private final AtomicReference<String> word = new AtomicReference<>("");

  SetupCode(UserAccounts people) {
    this.people = people;
  }

  @EventListener(ApplicationReadyEvent.class)
  void print() {
    if (people.isEmpty()) {
      word.set(Words.of(LETTERS));
      System.out.println(
          "Nobody has an account yet. The setup code for the first one: " + word.get());
    }
  }

  /** The word; empty once it has been used. */
  public String word() {
    return word.get();
  }

  /** Takes the word; whoever comes second, or with another, does not get it. */
  boolean take(String typed) {
    String now = word.get();
    return !now.isEmpty() && Words.areSame(now, typed.strip()) && word.compareAndSet(now, "");
  }

  /** Gives it back, as nothing came of it. */
  void giveBack(String taken) {
    word.set(taken.strip());
  }
}
