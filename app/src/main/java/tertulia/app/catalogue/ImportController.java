package tertulia.app.catalogue;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.io.Serializable;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.CatalogueFile;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;

/** The catalogue out as files and in again: read, shown, then taken. */
@Controller
class ImportController {
  private static final String WAITING = "catalogue-file";
  private static final String VIEW = "catalogue/import";
  private final Catalogue catalogue;
  private final Imports imports;

  ImportController(Catalogue catalogue, Imports imports) {
    this.catalogue = catalogue;
    this.imports = imports;
  }

  /** A file that was shown and waits to be taken; one for each session. */
  private record Waiting(String token, String name, byte[] bytes) implements Serializable {}

  @GetMapping("/catalogue/export.csv")
  ResponseEntity<byte[]> csv() {
    return download(
        CsvWriter.write(catalogue.sheets()), MediaType.parseMediaType("text/csv"), "catalogue.csv");
  }

  @GetMapping("/catalogue/export.json")
  ResponseEntity<byte[]> json() {
    return download(
        CatalogueFile.of(catalogue.entries()).write(),
        MediaType.APPLICATION_JSON,
        "catalogue.json");
  }

  private static ResponseEntity<byte[]> download(String text, MediaType type, String name) {
    return ResponseEntity.ok()
        .contentType(new MediaType(type, StandardCharsets.UTF_8))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(text.getBytes(StandardCharsets.UTF_8));
  }

  @GetMapping("/catalogue/import")
  String form() {
    return VIEW;
  }

  @PostMapping("/catalogue/import")
  String show(
      @RequestParam MultipartFile file,
      HttpSession session,
      Model model,
      HttpServletResponse response)
      throws IOException {
    String name = file.getOriginalFilename() == null ? "" : file.getOriginalFilename();
    return show(
        new Waiting(UUID.randomUUID().toString(), name, file.getBytes()), session, model, response);
  }

  private String show(
      Waiting waiting, HttpSession session, Model model, HttpServletResponse response) {
    Preview preview = imports.preview(waiting.bytes());
    if (preview.isTakeable()) {
      session.setAttribute(WAITING, waiting);
    } else {
      session.removeAttribute(WAITING);
    }
    if (!preview.refusals().isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    }
    model.addAttribute("name", waiting.name());
    model.addAttribute("token", waiting.token());
    model.addAttribute("preview", preview);
    return VIEW;
  }

  @PostMapping("/catalogue/import/take")
  String take(
      @RequestParam String token,
      @AuthenticationPrincipal SignedIn person,
      HttpSession session,
      RedirectAttributes flash) {
    if (!(session.getAttribute(WAITING) instanceof Waiting waiting)
        || !waiting.token().equals(token)) {
      throw new Conflict(
          "The file that was shown is not here any more, or another was read since. Read it in"
              + " again.");
    }
    session.removeAttribute(WAITING);
    int taken = imports.take(waiting.bytes(), person.name());
    flash.addFlashAttribute(
        "done",
        taken == 0
            ? "Nothing was left to add: the catalogue has changed."
            : taken + (taken == 1 ? " tool" : " tools") + " taken from " + waiting.name() + ".");
    return "redirect:/catalogue";
  }
}
