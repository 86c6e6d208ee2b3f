package tertulia.core.growth;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.growth.Measure.Nature;

public class MeasureTest {
  @DataProvider
  Object[][] own() {
    return new Object[][] {
      {"boat", "boats", Nature.LEVEL, true, "own/level/boat/boats"},
      {" winch ", "winches", Nature.LEVEL, true, "own/level/winch/winches"},
      {
        "engine hour",
        "engine  hours",
        Nature.FLOW,
        false,
        "own/flow-in-parts/engine hour/engine hours"
      },
      {"Größe", "Größen", Nature.LARGEST, true, "own/largest/Größe/Größen"},
      {"log’s page", "log’s pages", Nature.SUM, true, "own/sum/log’s page/log’s pages"},
    };
  }

  @Test(dataProvider = "own")
  public void oneOfOnesOwnIsItsDefinition(
      String one, String many, Nature nature, boolean whole, String id) {
    Measure measure = Measure.own(one, many, nature, whole);
    assertEquals(measure.id(), id);
    assertEquals(Measure.of(id), measure, "whoever reads it knows all of it");
    assertTrue(measure.isOwn() && Measure.isDefinition(id));
    assertEquals(measure.quantity(BigDecimal.ONE).one(), one.strip());
  }

  @Test
  public void theUsualOnesAreFoundByTheirIds() {
    for (Measure measure : Measure.KNOWN) {
      assertEquals(Measure.of(measure.id()), measure);
      assertFalse(measure.isOwn() || Measure.isDefinition(measure.id()));
    }
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {"own/level/boat"},
      {"own/some/boat/boats"},
      {"own/level/bo/at/boats"},
      {"own/level//boats"},
      {"own/level/ boat/boats"},
      {"own/level/<b>/boats"},
      {"own/level/=1/boats"},
      {"own/level/" + "x".repeat(41) + "/boats"},
      {"boats"},
      {""},
    };
  }

  @Test(dataProvider = "refused")
  public void whatDefinesNothingIsRefused(String id) {
    assertThrows(IllegalArgumentException.class, () -> Measure.of(id));
    assertFalse(Measure.isDefinition(id));
  }

  @Test
  public void anIdThatIsNotTheDefinitionIsNoMeasure() {
    assertThrows(
        IllegalArgumentException.class,
        () -> new Measure("own/level/boat/boats", "ship", "ships", Nature.LEVEL, true));
  }

  @Test
  public void whatIsUsuallyCountedIsNotCountedByAnotherName() {
    for (String many : new String[] {"seats", "Staff", "host"}) {
      assertThrows(
          IllegalArgumentException.class, () -> Measure.own("x", many, Nature.LEVEL, true));
    }
  }
}
