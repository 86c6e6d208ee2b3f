package tertulia.pagetext;

import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Texts that are no price page: reading them ends, with nothing said that is not there. */
public class AnyTextTest {
  @DataProvider
  public Object[][] repeated() {
    return List.of(
            "a ",
            "1 ",
            "(",
            "\t",
            "a  b  ",
            "  a",
            "a: b, c, d. ",
            "€5 per user ",
            "first 5 users ",
            "Everything in A, plus b and c. ",
            "| a | 1 |\n",
            "Tool\tx\n",
            "x  y  z\n",
            "A: 1\n")
        .stream()
        .map(part -> new Object[] {part})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "repeated")
  public void theLongestTextIsRead(String part) {
    String text = part.repeat(PageReader.LONGEST / part.length());
    PageReading whole = PageReader.read(text);
    PageReading lines =
        PageReader.read("Tool\n\nTeam\n€5 per user per month\n" + part.repeat(100 / part.length()));
    assertTrue(whole.plans().size() <= PageReader.LONGEST);
    assertTrue(lines.plans().stream().anyMatch(plan -> !plan.prices().isEmpty()));
  }
}
