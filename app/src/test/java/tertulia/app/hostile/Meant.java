package tertulia.app.hostile;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.FormElement;
import tertulia.app.hostile.Sent.Attached;
import tertulia.app.hostile.Sent.Field;

/** What the pages of the product mean to be sent: their links, and their forms as they stand. */
final class Meant {
  /** What would end the session, and a file of megabytes each time. */
  private static final List<String> LEFT_OUT =
      List.of("/sign-out", "/account/sessions", "/account/password", "/safekeeping/backup");

  private final Set<String> links = new LinkedHashSet<>();
  private final List<Sent> forms = new ArrayList<>();

  void add(String page, String html) {
    Document document = Jsoup.parse(html, "http://localhost" + page);
    for (String attribute : List.of("href", "hx-get", "data-why")) {
      for (Element element : document.select("[" + attribute + "]")) {
        String path = element.attr(attribute);
        if (path.startsWith("?")) {
          path = page.replaceAll("\\?.*", "") + path;
        }
        if (path.startsWith("/")
            && !path.startsWith("/webjars")
            && !path.matches("/(css|js|fonts)/.*")) {
          links.add(path.replaceAll("#.*", ""));
        }
      }
    }
    for (Element element : document.select("form")) {
      FormElement form = (FormElement) element;
      String action = form.attr("action").isEmpty() ? page : form.attr("action");
      if (form.attr("method").equalsIgnoreCase("post")) {
        add(form, action);
        for (Element button : form.select("button[formaction]")) {
          add(form, button.attr("formaction"));
        }
      }
    }
  }

  private void add(FormElement form, String action) {
    if (LEFT_OUT.contains(action.replaceAll("\\?.*", ""))) {
      return;
    }
    List<Field> fields =
        form.formData().stream().map(pair -> new Field(pair.key(), pair.value())).toList();
    List<Attached> files =
        form.select("input[type=file]").stream()
            .map(input -> new Attached(input.attr("name"), "file", new byte[0]))
            .toList();
    forms.add(new Sent(action, fields, files, true));
  }

  /** Reads of all links there are. */
  List<Sent> reads() {
    return links.stream().map(Sent::read).toList();
  }

  /** All forms without a file. */
  List<Sent> forms() {
    return forms.stream().filter(form -> form.files().isEmpty()).toList();
  }

  /** The forms with a file, each with each of the contents that its address takes. */
  List<Sent> uploads(String path, String name, String content) {
    return forms.stream()
        .filter(form -> form.path().equals(path) && !form.files().isEmpty())
        .map(form ->
            form.attaching(
                form.files().stream()
                    .map(file ->
                        new Attached(file.field(), name, content.getBytes(StandardCharsets.UTF_8)))
                    .toList()))
        .toList();
  }
}
