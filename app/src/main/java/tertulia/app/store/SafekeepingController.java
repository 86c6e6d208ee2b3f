package tertulia.app.store;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.people.OwnPassword;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;

/** Where the data lie and how to take a copy of all of them, for organisers. */
@Controller
class SafekeepingController {
  private static final Logger LOG = LoggerFactory.getLogger(SafekeepingController.class);
  private final Optional<Store> store;
  private final DataSource database;
  private final OwnPassword ownPassword;
  private final Clock clock;

  SafekeepingController(
      ObjectProvider<Store> store, DataSource database, OwnPassword ownPassword, Clock clock) {
    this.store = Optional.ofNullable(store.getIfAvailable());
    this.database = database;
    this.ownPassword = ownPassword;
    this.clock = clock;
  }

  @GetMapping("/safekeeping")
  String page(Model model) {
    return page("", model);
  }

  private String page(String fault, Model model) {
    model.addAttribute("fault", fault);
    model.addAttribute("directory", store.map(s -> s.directory().toString()).orElse(""));
    model.addAttribute("megabytes", store.map(s -> megabytes(s.size())).orElse(""));
    model.addAttribute("schema", Store.newestSchema());
    return "people/safekeeping";
  }

  private static String megabytes(long bytes) {
    return String.format(java.util.Locale.ENGLISH, "%,.1f MB", bytes / 1e6);
  }

  /**
   * A copy as of this moment, for who enters their password again: it holds every account and every
   * view, those too that are not shown to others yet. It is taken whole before anything is sent.
   */
  @PostMapping("/safekeeping/backup")
  @Nullable String backup(
      @RequestParam(defaultValue = "") String password,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response)
      throws IOException, SQLException {
    Optional<String> fault = ownPassword.fault(person, password, "no copy was taken");
    if (fault.isPresent()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
      return page(fault.get(), model);
    }
    Store kept =
        store.orElseThrow(
            () -> new Conflict("The data lie in memory only. There is no store to copy."));
    Path copy = kept.directory().resolve("backup-" + java.util.UUID.randomUUID() + ".zip");
    try {
      try (Connection connection = database.getConnection()) {
        Backup.take(connection, copy);
      }
      LOG.info("Account {} took a copy of everything, {} bytes", person.id(), Files.size(copy));
      response.setContentType("application/zip");
      response.setContentLengthLong(Files.size(copy));
      response.setHeader(
          HttpHeaders.CONTENT_DISPOSITION,
          ContentDisposition.attachment()
              .filename("tertulia-" + LocalDate.now(clock) + ".zip")
              .build()
              .toString());
      Files.copy(copy, response.getOutputStream());
      // sent: there is no page to show
      return null;
    } finally {
      Files.deleteIfExists(copy);
    }
  }
}
