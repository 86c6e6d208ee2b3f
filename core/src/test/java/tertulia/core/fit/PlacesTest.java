package tertulia.core.fit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PlacesTest {
  @DataProvider
  public Object[][] data() {
    return new Object[][] {
      {"EU", List.of("Ireland"), Answer.YES},
      {"EU", List.of("the union"), Answer.YES},
      {"European Union", List.of("EU"), Answer.YES},
      {"EEA", List.of("EU"), Answer.YES},
      {"EEA", List.of("Norway"), Answer.YES},
      {"EU", List.of("EEA"), Answer.UNKNOWN},
      {"Ireland", List.of("EU"), Answer.UNKNOWN},
      {"Ireland", List.of("ie"), Answer.YES},
      {"EU", List.of("United States"), Answer.NO},
      {"EU", List.of("United States", "Germany"), Answer.YES},
      {"EU", List.of("our own halls"), Answer.UNKNOWN},
      {"EU", List.of("USA", "our own halls"), Answer.UNKNOWN},
      {"our own halls", List.of("EU"), Answer.UNKNOWN},
      {"our own halls", List.of("Our own halls"), Answer.YES},
      {"EU", List.of("Switzerland"), Answer.NO},
      {"EU", List.of(), Answer.UNKNOWN},
    };
  }

  @Test(dataProvider = "data")
  public void aCountryAnswersForItsGroups(String asked, List<String> listed, Answer expected) {
    assertEquals(Places.keepsDataIn(asked, listed), expected, asked + " of " + listed);
  }

  @DataProvider
  public Object[][] sold() {
    return new Object[][] {
      {"Ireland", List.of("EU"), Answer.YES},
      {"Norway", List.of("EU"), Answer.NO},
      {"Norway", List.of("EU", "Norway"), Answer.YES},
      {"EU", List.of("EEA"), Answer.YES},
      {"EU", List.of("Worldwide"), Answer.YES},
      {"EU", List.of("Ireland"), Answer.PARTLY},
      {"Benelux", List.of("Belgium", "Netherlands", "LUX"), Answer.YES},
      {"Norway", List.of("EU", "where we are"), Answer.UNKNOWN},
    };
  }

  @Test(dataProvider = "sold")
  public void aGroupAnswersForEachOfItsCountries(
      String asked, List<String> listed, Answer expected) {
    assertEquals(Places.soldIn(asked, listed), expected, asked + " of " + listed);
  }

  @Test
  public void theListToChooseFromHasGroupsAndCountriesThatAreAllKnown() {
    assertEquals(Places.names().getFirst(), "EU");
    assertTrue(Places.names().contains("Ireland"));
    Places.names().forEach(name -> assertTrue(Places.countries(name).isPresent(), name));
  }
}
