package tertulia.app.handover;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import tertulia.app.decision.Decisions;
import tertulia.app.decision.Snapshot;
import tertulia.app.display.AdviceResults;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;

/** Files out and in: the portable selection, the decision as Markdown, the frozen snapshot. */
@Controller
class HandoverController {
  private final Selections selections;
  private final Decisions decisions;
  private final Intake intake;

  HandoverController(Selections selections, Decisions decisions, Intake intake) {
    this.selections = selections;
    this.decisions = decisions;
    this.intake = intake;
  }

  @GetMapping("/selections/{id}/file")
  ResponseEntity<byte[]> file(@PathVariable long id) {
    LoadedSelection table = selections.load(id);
    SelectionFile file =
        decisions
            .find(id)
            .map(stored ->
                Decisions.withDecision(
                    table.file(), stored.decision().proposal(), decisions.ended(id)))
            .orElse(table.file());
    return download(
        PortableFile.write(file), MediaType.APPLICATION_JSON, table.selection().title(), "json");
  }

  @GetMapping("/selections/{id}/decision.md")
  ResponseEntity<byte[]> markdown(@PathVariable long id) {
    LoadedSelection table = selections.load(id);
    Optional<Decisions.Stored> stored = decisions.find(id);
    Optional<Snapshot> frozen = stored.flatMap(Decisions.Stored::frozen);
    String text =
        Markdown.of(
            frozen
                .map(Snapshot::selection)
                .orElseGet(() -> table.file().deciding(null, decisions.ended(id))),
            frozen
                .map(Snapshot::results)
                .orElseGet(() -> AdviceResults.with(table.selection(), table.file())),
            stored.map(Decisions.Stored::decision),
            stored.flatMap(Decisions.Stored::minutes));
    return download(
        text, MediaType.parseMediaType("text/markdown"), table.selection().title(), "md");
  }

  @GetMapping("/selections/{id}/snapshot")
  ResponseEntity<byte[]> snapshot(@PathVariable long id) {
    String snapshot =
        decisions
            .find(id)
            .map(Decisions.Stored::snapshot)
            .orElseThrow(() -> new NotFound("signed decision in this selection"));
    return download(
        Objects.requireNonNull(snapshot), MediaType.APPLICATION_JSON, "decision " + id, "json");
  }

  private static ResponseEntity<byte[]> download(
      String text, MediaType type, String name, String ending) {
    return ResponseEntity.ok()
        .contentType(new MediaType(type, StandardCharsets.UTF_8))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(Codes.slug(name) + "." + ending)
                .build()
                .toString())
        .body(text.getBytes(StandardCharsets.UTF_8));
  }

  @GetMapping("/selections/import")
  String form(Model model) {
    model.addAttribute("faults", List.of());
    return "handover/import";
  }

  @PostMapping("/selections/import")
  String take(
      @RequestParam MultipartFile file,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response)
      throws IOException {
    return switch (PortableFile.read(file.getBytes())) {
      case PortableFile.Read.Accepted accepted -> {
        yield "redirect:/selections/" + intake.take(accepted.file(), person.name()) + "/need";
      }
      case PortableFile.Read.Refused refused -> {
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        model.addAttribute("name", file.getOriginalFilename());
        model.addAttribute("faults", refused.faults());
        yield "handover/import";
      }
    };
  }
}
