package tertulia.app.proof;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
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
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Picture;
import tertulia.app.selection.Proof;
import tertulia.app.selection.Proofs;
import tertulia.app.selection.Selections;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.core.scoring.Criterion;

/** Takes pictures in and shows them. */
@Controller
class ProofController {
  private final Selections selections;
  private final Proofs proofs;

  ProofController(Selections selections, Proofs proofs) {
    this.selections = selections;
    this.proofs = proofs;
  }

  /** The box in which somebody adds a picture. */
  record Box(String about, List<Proof> mine, String fault) {}

  @GetMapping("/selections/{id}/proofs")
  String box(
      @PathVariable long id,
      @RequestParam String about,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    return box(selections.load(id), about, person, "", model);
  }

  /** Keeps a picture; what is none is refused in a sentence. */
  @PostMapping("/selections/{id}/proofs")
  String keep(
      @PathVariable long id,
      @RequestParam String about,
      @RequestParam(required = false) @Nullable MultipartFile picture,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response)
      throws IOException {
    check(selections.load(id), about);
    String fault = "";
    HttpStatus status = HttpStatus.UNPROCESSABLE_CONTENT;
    try {
      Picture drawn = Picture.of(picture == null ? new byte[0] : picture.getBytes());
      RetryOnConflict.until(() -> proofs.keep(id, person, about, drawn));
    } catch (IllegalArgumentException e) {
      fault = String.valueOf(e.getMessage());
    } catch (Conflict e) {
      fault = e.message();
    } catch (Picture.Busy e) {
      fault = String.valueOf(e.getMessage());
      status = HttpStatus.SERVICE_UNAVAILABLE;
    }
    if (!fault.isEmpty()) {
      response.setStatus(status.value());
    }
    return box(selections.load(id), about, person, fault, model);
  }

  @PostMapping("/selections/{id}/proofs/drop")
  String drop(
      @PathVariable long id,
      @RequestParam String about,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    RetryOnConflict.until(() -> proofs.drop(id, person, about));
    return box(selections.load(id), about, person, "", model);
  }

  private static String box(
      LoadedSelection table, String about, SignedIn person, String fault, Model model) {
    check(table, about);
    model.addAttribute("id", table.id());
    model.addAttribute(
        "proof",
        new Box(
            about,
            table.proofs(about).stream().filter(p -> p.by().equals(person.name())).toList(),
            fault));
    return "proof/proof :: box";
  }

  /** A picture stands beside a mark that can be given, a task that is tried, or a fact. */
  private static void check(LoadedSelection table, String about) {
    String[] parts = about.split("/", -1);
    boolean sits =
        parts.length == 3
            && table.selection().active().stream().anyMatch(c -> c.id().equals(parts[2]));
    boolean there =
        sits
            && switch (parts[0]) {
              case "mark" ->
                  table.selection().criteria().stream()
                      .anyMatch(
                          c -> c.id().equals(parts[1]) && c.kind() instanceof Criterion.Judged);
              case "result" ->
                  table.selection().trials().of(parts[2]).isPresent()
                      && table.selection().trials().tasks().stream()
                          .anyMatch(t -> t.id().equals(parts[1]));
              case "fact" ->
                  table.file().brief().needs().stream().anyMatch(n -> n.id().equals(parts[1]));
              default -> false;
            };
    if (!there) {
      throw new NotFound("place for a picture like this");
    }
  }

  /** A picture by itself: nothing that runs, nothing that is taken for something else. */
  @GetMapping("/selections/{id}/proofs/{proof}")
  ResponseEntity<byte[]> picture(@PathVariable long id, @PathVariable long proof) {
    Picture picture = proofs.picture(id, proof);
    return ResponseEntity.ok()
        .contentType(picture.type().equals("png") ? MediaType.IMAGE_PNG : MediaType.IMAGE_JPEG)
        .headers(headers ->
            Map.of(
                    "Content-Disposition",
                    "inline; filename=\"picture." + picture.type() + "\"",
                    "Content-Security-Policy",
                    "default-src 'none'; sandbox",
                    "X-Content-Type-Options",
                    "nosniff")
                .forEach(headers::set))
        .cacheControl(CacheControl.noStore())
        .body(picture.bytes());
  }
}
