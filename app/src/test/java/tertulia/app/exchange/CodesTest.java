package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CodesTest {
  @DataProvider
  public Object[][] names() {
    return new Object[][] {
      {"Halvard Desk", "halvard-desk"},
      {"  Two-way  calendar link! ", "two-way-calendar-link"},
      {"Fællesskab & Søn", "faellesskab-son"},
      {"?!", "x"},
      {"", "x"},
    };
  }

  @Test(dataProvider = "names")
  public void aNameHasAStableId(String name, String id) {
    assertEquals(Codes.slug(name), id);
  }

  /** Plain names take a short way: a mark over a letter, which says nothing, takes the long one. */
  @Test
  public void bothWaysLeadToTheSame() {
    Random random = new Random(5);
    for (int i = 0; i < 2_000; i++) {
      StringBuilder text = new StringBuilder();
      for (int c = random.nextInt(58); c >= 0; c--) {
        text.append((char) (32 + random.nextInt(95)));
      }
      text.insert(random.nextInt(text.length()), 'a');
      int letter = text.indexOf("a");
      String plain = text.toString();
      String marked = text.insert(letter + 1, '\u0301').toString();
      assertEquals(Codes.slug(marked), Codes.slug(plain), plain);
    }
  }

  @Test
  public void longNamesStayApart() {
    String name = "a".repeat(70);
    assertNotEquals(Codes.slug(name + "1"), Codes.slug(name + "2"));
    assertTrue(Codes.slug(name).length() <= 60);
  }
}
