package tertulia.app.decision;

import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import tertulia.app.exchange.Codes;
import tertulia.app.web.NotFound;

/** The record of a signed decision as a page of its own, and as a PDF. */
@Controller
class RecordController {
  private final Decisions decisions;
  private final RecordPdf pdf;

  RecordController(Decisions decisions, RecordPdf pdf) {
    this.decisions = decisions;
    this.pdf = pdf;
  }

  @GetMapping("/selections/{id}/record")
  String page(@PathVariable long id, Model model) {
    model.addAttribute("id", id);
    model.addAttribute("recordOf", id);
    model.addAttribute("minutes", minutes(id));
    return "decision/record";
  }

  @GetMapping("/selections/{id}/record.pdf")
  ResponseEntity<byte[]> download(@PathVariable long id) {
    Minutes minutes = minutes(id);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(Codes.slug(minutes.question()) + ".pdf")
                .build()
                .toString())
        .body(pdf.write(minutes));
  }

  private Minutes minutes(long id) {
    return decisions
        .find(id)
        .flatMap(MinutesWriter::of)
        .orElseThrow(() -> new NotFound("signed decision in this selection"));
  }
}
