package tertulia.app.inuse;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;

/** In use: the tools the organisation has, what of them is idle, and until when they are owed. */
@Controller
class InUseController {
  private static final String PAGE = "inuse/inuse";
  private static final String DONE = "done";
  private final ToolsInUse used;
  private final InUseEntries entries;
  private final Catalogue catalogue;
  private final GrowthPlans growth;

  InUseController(ToolsInUse used, InUseEntries entries, Catalogue catalogue, GrowthPlans growth) {
    this.used = used;
    this.entries = entries;
    this.catalogue = catalogue;
    this.growth = growth;
  }

  @GetMapping("/in-use")
  String page(@RequestParam(defaultValue = "") String edit, Model model) {
    ToolsInUse.Stored stored = used.find();
    Map<String, String> typed = new LinkedHashMap<>();
    stored.of(edit).ifPresent(part -> typed.putAll(line().typed(part)));
    return show(stored, typed, Map.of(), model);
  }

  private String show(
      ToolsInUse.Stored stored,
      Map<String, String> typed,
      Map<String, String> faults,
      Model model) {
    List<String> ids = stored.tools().stream().map(InUsePart::tool).toList();
    model.addAttribute("stored", stored);
    model.addAttribute(
        "view",
        InUseView.of(
            stored.tools(),
            catalogue.pages(ids, catalogue.today()),
            growth.find().map(GrowthPlans.Stored::plan),
            catalogue.today()));
    model.addAttribute("typed", typed);
    model.addAttribute("faults", faults);
    model.addAttribute("terms", TermCode.ALL);
    model.addAttribute("tools", sheets().stream().map(ToolSheet::name).toList());
    return PAGE;
  }

  private List<ToolSheet> sheets() {
    return catalogue.all().stream().map(Catalogue.Stored::sheet).toList();
  }

  private InUseLine line() {
    List<Brief.GroupPart> groups =
        growth.find().map(stored -> stored.plan().groups()).orElse(List.of());
    return new InUseLine(sheets(), groups, catalogue.today());
  }

  /** Puts a tool on the list, or in place of what the list says of it. */
  @PostMapping("/in-use")
  String put(
      @RequestParam Map<String, String> typed,
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response) {
    Faults faults = new Faults();
    Optional<InUseLine.Read> read = line().read(typed, faults);
    if (read.isPresent()) {
      try {
        entries.put(version, List.of(read.get()), person.name());
        flash.addFlashAttribute(DONE, typed.getOrDefault("tool", "").strip() + " is written down.");
        return "redirect:/in-use";
      } catch (IllegalArgumentException e) {
        faults.add("tool", String.valueOf(e.getMessage()));
      } catch (Conflict e) {
        faults.add("tool", e.message());
      }
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    return show(used.find(), typed, faults.byField(), model);
  }

  @PostMapping("/in-use/remove")
  String remove(
      @RequestParam String tool,
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    used.remove(version, tool, person.name());
    flash.addFlashAttribute(DONE, "It is off the list.");
    return "redirect:/in-use";
  }

  @PostMapping("/in-use/undo")
  String undo(
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    used.undo(version, person.name());
    flash.addFlashAttribute(DONE, "The last change is undone.");
    return "redirect:/in-use";
  }

  /** Reads a table; all of it or nothing. */
  @PostMapping("/in-use/import")
  String read(
      @RequestParam MultipartFile file,
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response)
      throws IOException {
    Faults faults = new Faults();
    List<InUseLine.Read> rows = InUseCsv.read(file.getBytes(), line(), faults);
    if (faults.isEmpty() && !rows.isEmpty()) {
      try {
        entries.put(version, rows, person.name());
        flash.addFlashAttribute(DONE, "Read " + Figures.counted(rows.size(), "tools") + ".");
        return "redirect:/in-use";
      } catch (IllegalArgumentException e) {
        faults.add("File", String.valueOf(e.getMessage()));
      } catch (Conflict e) {
        faults.add("File", e.message());
      }
    }
    if (faults.isEmpty()) {
      faults.add("File", "There is no row below the headings.");
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    model.addAttribute("refused", faults.all());
    return show(used.find(), Map.of(), Map.of(), model);
  }

  @GetMapping("/in-use/export.csv")
  ResponseEntity<byte[]> export() {
    List<Map<String, String>> lines = new ArrayList<>();
    InUseLine line = line();
    used.find().tools().forEach(part -> lines.add(line.typed(part)));
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("in-use.csv").build().toString())
        .body(InUseCsv.write(lines).getBytes(StandardCharsets.UTF_8));
  }
}
