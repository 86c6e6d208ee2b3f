package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The two published schemas say the same of what they share, and the page's example holds. */
public class SchemasTest {
  private static final Path FORMATS = Path.of("..", "docs", "formats");

  private static JsonNode schema(String name) throws IOException {
    return JsonMapper.shared().readTree(Files.readString(FORMATS.resolve(name + "-1.schema.json")));
  }

  @Test
  public void whatBothDefineIsTheSame() throws IOException {
    JsonNode selection = schema("selection").path("$defs");
    JsonNode catalogue = schema("catalogue").path("$defs");
    int shared = 0;
    for (Iterator<Map.Entry<String, JsonNode>> all = catalogue.properties().iterator();
        all.hasNext(); ) {
      Map.Entry<String, JsonNode> definition = all.next();
      if (selection.has(definition.getKey())) {
        assertEquals(
            definition.getValue(), selection.get(definition.getKey()), definition.getKey());
        shared++;
      }
    }
    assertTrue(shared > 15, shared + " shared");
  }

  @Test
  public void theExampleOnThePageIsRead() throws IOException {
    String page = Files.readString(FORMATS.resolve("catalogue.md"));
    String example = page.split("```json")[1].split("```")[0];
    assertTrue(
        CatalogueFile.read(example.getBytes(java.nio.charset.StandardCharsets.UTF_8))
            instanceof CatalogueFile.Read.Accepted);
  }
}
