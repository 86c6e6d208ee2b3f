package tertulia.app.handover;

import java.time.Clock;
import java.time.LocalDate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.decision.Decisions;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Seats;
import tertulia.app.selection.Selections;

/** Asks the question of a signed decision again, in a selection that follows it. */
@Controller
class AgainController {
  private static final Logger LOG = LoggerFactory.getLogger(AgainController.class);
  private final Selections selections;
  private final Decisions decisions;
  private final Intake intake;
  private final Seats seats;
  private final TransactionTemplate once;
  private final Clock clock;

  AgainController(
      Selections selections,
      Decisions decisions,
      Intake intake,
      Seats seats,
      PlatformTransactionManager transactions,
      Clock clock) {
    this.selections = selections;
    this.decisions = decisions;
    this.intake = intake;
    this.seats = seats;
    this.once = new TransactionTemplate(transactions);
    this.clock = clock;
  }

  /** What was learnt comes along, with today's prices; each person hands in their view anew. */
  @PostMapping("/selections/{id}/decision/again")
  String again(
      @PathVariable long id, @RequestParam int read, @AuthenticationPrincipal SignedIn person) {
    Long successor = once.execute(status -> follow(id, read, person));
    LOG.info("Account {} asks selection {} again in {}", person.id(), id, successor);
    return "redirect:/selections/" + successor + "/overview";
  }

  private long follow(long id, int read, SignedIn person) {
    LoadedSelection table = selections.load(id);
    SelectionFile asked = table.file().undecided().askedAgain(LocalDate.now(clock));
    long successor = intake.take(asked, person.name());
    for (LoadedSelection.Seat seat : table.seats()) {
      Long account = seat.accountId();
      if (account != null) {
        seats.claimSeat(successor, seat.name(), account);
      }
    }
    selections.admitAsIn(id, successor);
    // refused if it is not signed, or somebody has looked again meanwhile: then nothing is kept
    decisions.askedAgain(id, read, person, successor);
    return successor;
  }
}
