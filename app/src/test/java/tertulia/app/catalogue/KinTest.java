package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import tertulia.app.exchange.ToolSheet;

public class KinTest {
  private static ToolSheet tool(String name, String... contains) {
    return ToolSheet.set(List.of())
        .with()
        .id(name.toLowerCase(java.util.Locale.ROOT))
        .name(name)
        .contains(List.of(contains))
        .build();
  }

  @Test
  public void aSuiteHoldsToolsThatThereAre() {
    List<ToolSheet> all = List.of(tool("Inkpot"), tool("Inkwell"), tool("Waterline"));
    assertEquals(Kin.unknown(tool("Suite", "inkpot ", "Waterline"), null, all), Optional.empty());
    assertEquals(
        Kin.unknown(tool("Suite", "Inkport"), null, all),
        Optional.of(
            "The catalogue has no tool “Inkport”. Did you mean Inkpot or Inkwell? Else add it first,"
                + " or leave it out."));
    assertEquals(
        Kin.unknown(tool("Suite", "Zinc"), null, all),
        Optional.of("The catalogue has no tool “Zinc”. Add it first, or leave it out."));
    // what stood there before nobody asks about again
    assertEquals(Kin.unknown(tool("Suite", "Zinc"), tool("Suite", "Zinc"), all), Optional.empty());
  }
}
