package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TypedCountTest {
  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      {"41 languages", "41 languages"},
      {" 41  languages ", "41 languages"},
      {"40+ languages", "at least 40 languages"},
      {"At least 40 languages", "at least 40 languages"},
      {"more than 40 languages", "at least 40 languages"},
      {"up to 60 connections", "at most 60 connections"},
      {"1,200 boats", "1,200 boats"},
      {"14.000,5 boats", "14,000.5 boats"},
      {"94.5 %", "94.5 %"},
      {"0 rooms", "0 rooms"},
    };
  }

  @Test(dataProvider = "typed")
  public void itIsReadAsItIsWrittenAndWrittenSoThatItIsReadAgain(String typed, String words) {
    assertEquals(TypedCount.read(typed).words(), words);
    assertEquals(TypedCount.read(words), TypedCount.read(typed));
  }

  @Test
  public void aBareNumberIsInTheUnitOfItsLine() {
    assertEquals(TypedCount.read("41", "languages").words(), "41 languages");
    assertEquals(TypedCount.read("41 voices", "languages").words(), "41 voices");
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {
        "many languages",
        "\"many languages\" does not say how many. Write a number and what is"
            + " counted, such as 41 languages or at least 40 languages."
      },
      {
        "41",
        "What is counted? Write the number and a unit of up to 40 characters, such as 41"
            + " languages."
      },
    };
  }

  @Test(dataProvider = "refused")
  public void whatSaysNotHowManyIsRefusedWithAnExample(String typed, String message) {
    assertEquals(
        expectThrows(IllegalArgumentException.class, () -> TypedCount.read(typed)).getMessage(),
        message);
  }

  @DataProvider
  Object[][] asked() {
    return new Object[][] {
      {"at least 40 languages", "languages", "at least 40 languages"},
      {"Languages: at least 40 languages", "Languages", "at least 40 languages"},
      {
        "Joining a call: at most 10 seconds", "Joining a call", "Joining a call: at most 10 seconds"
      },
      {"Joining: a call: up to 10 s", "Joining: a call", "Joining: a call: at most 10 s"},
    };
  }

  @Test(dataProvider = "asked")
  public void aNeedForSoManyNamesWhatIsCounted(String typed, String what, String text) {
    TypedCount.Asked asked = TypedCount.asked(typed).orElseThrow();
    assertEquals(asked.what(), what);
    assertEquals(asked.text(), text);
    assertEquals(TypedCount.asked(asked.text()).orElseThrow().count(), asked.count());
  }

  @Test
  public void otherNeedsAskForNoNumber() {
    assertEquals(TypedCount.asked("Waiting list"), Optional.empty());
    assertEquals(TypedCount.asked("24 hour help"), Optional.empty());
  }
}
