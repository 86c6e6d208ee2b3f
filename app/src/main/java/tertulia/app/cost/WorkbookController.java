package tertulia.app.cost;

import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Codes;
import tertulia.app.people.SignedIn;
import tertulia.app.workbook.CostWorkbook;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;

/** The cost model out as a workbook. */
@Controller
class WorkbookController {
  private static final MediaType XLSX =
      MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
  private final Steps steps;

  WorkbookController(Steps steps) {
    this.steps = steps;
  }

  /** Every contender's way under the "what if" of the address. */
  @GetMapping("/selections/{id}/cost.xlsx")
  ResponseEntity<byte[]> workbook(
      @PathVariable long id,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person) {
    Session session = steps.open(id, query, person);
    return ResponseEntity.ok()
        .contentType(XLSX)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename("cost-" + Codes.slug(session.table().selection().title()) + ".xlsx")
                .build()
                .toString())
        .body(CostWorkbook.of(session.evaluation()));
  }
}
