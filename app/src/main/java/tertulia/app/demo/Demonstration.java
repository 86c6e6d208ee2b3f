package tertulia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.PortableFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.People;
import tertulia.app.people.Role;
import tertulia.app.selection.Selections;

/** Fills an empty store with Brackwater Line, an invented island-ferry operator. */
@Component
@ConditionalOnProperty(name = "tertulia.demo", havingValue = "true")
class Demonstration implements SmartInitializingSingleton {
  /** The password of every demonstration account; the store is made up and local. */
  static final String PASSWORD = "brackwater";

  private static final String STORY = "/demo/freight-desk-booking.json";
  private final People people;
  private final Selections selections;
  private final Intake intake;

  Demonstration(People people, Selections selections, Intake intake) {
    this.people = people;
    this.selections = selections;
    this.intake = intake;
  }

  /** Runs before the server answers, so that nobody meets an empty store. */
  @Override
  public void afterSingletonsInstantiated() {
    if (!people.isEmpty()) {
      return;
    }
    add("ilse", "Ilse Maren", Role.ORGANISER);
    add("joren", "Joren Talvik", Role.MEMBER);
    add("odile", "Odile Brannock", Role.MEMBER);
    add("pia", "Pia Sandvoll", Role.READER);
    long id = intake.take(story().file(), "Ilse Maren");
    people.all().forEach(entry -> selections.claimSeat(id, entry.name(), entry.id()));
  }

  private void add(String signInName, String name, Role role) {
    Faults faults = new Faults();
    people.add(new People.NewAccount(signInName, name, PASSWORD, role), faults);
    if (!faults.isEmpty()) {
      throw new IllegalStateException("The demonstration is at odds with itself: " + faults.all());
    }
  }

  private static PortableFile.Read.Accepted story() {
    try (InputStream in = Objects.requireNonNull(Demonstration.class.getResourceAsStream(STORY))) {
      return switch (PortableFile.read(in.readAllBytes())) {
        case PortableFile.Read.Accepted accepted -> accepted;
        case PortableFile.Read.Refused refused ->
            throw new IllegalStateException(
                "The demonstration is at odds with itself: " + refused.faults());
      };
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
