package tertulia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.catalogue.Imports;
import tertulia.app.catalogue.MakersNews;
import tertulia.app.decision.Decisions;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.GrowthPlan;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.ProvisoPart;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.handover.Intake;
import tertulia.app.inuse.ToolsInUse;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Seats;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Signatory;

/** Fills an empty store with Brackwater Line, an invented island-ferry operator. */
@Component
@ConditionalOnProperty(name = "tertulia.demo", havingValue = "true")
class Demonstration implements SmartInitializingSingleton {
  /** The password of every demonstration account; the store is made up and local. */
  static final String PASSWORD = "brackwater";

  private static final String ORGANISER = "Ilse Maren";
  private final UserAccounts people;
  private final Imports imports;
  private final Catalogue catalogue;
  private final Seats seats;
  private final Decisions decisions;
  private final Intake intake;
  private final GrowthPlans growth;
  private final ToolsInUse inUse;
  private final MakersNews news;

  Demonstration(
      UserAccounts people,
      Imports imports,
      Catalogue catalogue,
      Seats seats,
      Decisions decisions,
      Intake intake,
      GrowthPlans growth,
      ToolsInUse inUse,
      MakersNews news) {
    this.news = news;
    this.people = people;
    this.imports = imports;
    this.catalogue = catalogue;
    this.seats = seats;
    this.decisions = decisions;
    this.intake = intake;
    this.growth = growth;
    this.inUse = inUse;
  }

  /** Runs before the server answers, so that nobody meets an empty store. */
  @Override
  public void afterSingletonsInstantiated() {
    if (!people.isEmpty()) {
      return;
    }
    add("ilse", ORGANISER, Role.ORGANISER);
    add("joren", "Joren Talvik", Role.MEMBER);
    add("odile", "Odile Brannock", Role.MEMBER);
    add("maud", "Maud Verlinde", Role.MEMBER);
    add("pia", "Pia Sandvoll", Role.READER);
    if (imports.take(bytes("catalogue.json"), ORGANISER) == 0) {
      throw new IllegalStateException("The demonstration's catalogue is at odds with itself");
    }
    seat(intake.take(freightDesk(), ORGANISER));
    // decided before the growth plan became what it is
    tell("refit-planning.json");
    growth.change(GrowthPlans.NONE, Json.stored(text("growth.json"), GrowthPlan.class), ORGANISER);
    tell("crew-knowledge.json");
    inUse.putAll(
        ToolsInUse.NONE, List.of(Json.stored(text("in-use.json"), InUsePart[].class)), ORGANISER);
    tell("talking-on-board.json");
    for (Story.News told : Json.stored(text("news.json"), Story.News[].class)) {
      news.put(
          told.tool(),
          catalogue.get(told.tool()).version(),
          LocalDate.parse(told.on()),
          LocalDate.parse(told.holdsFrom()),
          told.says(),
          told.sheet(),
          told.by());
    }
  }

  private static String text(String name) {
    return new String(bytes(name), StandardCharsets.UTF_8);
  }

  private void add(String signInName, String name, Role role) {
    Faults faults = new Faults();
    people.addKnown(new UserAccounts.NewAccount(signInName, name, PASSWORD, role), faults);
    if (!faults.isEmpty()) {
      throw new IllegalStateException("The demonstration is at odds with itself: " + faults.all());
    }
  }

  private void seat(long id) {
    people.all().forEach(entry -> seats.claimSeat(id, entry.name(), entry.id()));
  }

  private void tell(String name) {
    Story story = Json.stored(text(name), Story.class);
    long id = intake.take(story.file(slug -> catalogue.get(slug).sheet()), ORGANISER);
    seat(id);
    Story.Agreed agreed = story.decision();
    if (agreed != null) {
      decisions.enter(id, signed(agreed), LocalDate.parse(agreed.pagesOf()));
    }
  }

  private Decision.Signed signed(Story.Agreed agreed) {
    return new Decision.Draft(
            new Proposal(
                agreed.choice(),
                "",
                agreed.reasons(),
                agreed.givenUp(),
                agreed.conditions(),
                LocalDate.parse(agreed.lookAgain()),
                agreed.despite(),
                ProvisoPart.read(agreed.holdsWhile())))
        .propose(signatory(agreed.proposedBy()), Instant.parse(agreed.proposedAt()))
        .sign(signatory(agreed.signedBy()), Instant.parse(agreed.signedAt()));
  }

  private Signatory signatory(String name) {
    return new Signatory(
        name,
        people.all().stream()
            .filter(entry -> entry.name().equals(name))
            .map(UserAccounts.Entry::signInName)
            .findFirst()
            .orElse(""));
  }

  private static SelectionFile freightDesk() {
    return switch (PortableFile.read(bytes("freight-desk-booking.json"))) {
      case PortableFile.Read.Accepted accepted -> accepted.file();
      case PortableFile.Read.Refused refused ->
          throw new IllegalStateException(
              "The demonstration is at odds with itself: " + refused.faults());
    };
  }

  private static byte[] bytes(String name) {
    try (InputStream in =
        Objects.requireNonNull(Demonstration.class.getResourceAsStream("/demo/" + name))) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
