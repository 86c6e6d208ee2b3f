package tertulia.app.weighing;

import static org.testng.Assert.assertEquals;

import java.util.Map;
import java.util.function.Consumer;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Demo;

public class CriteriaFormTest {
  private static final Brief BRIEF = Demo.file().brief();

  private static CriteriaForm form() {
    return CriteriaConverter.withRoom(CriteriaConverter.form(BRIEF, 0));
  }

  @Test
  public void criteriaShownAndSavedUntouchedAreTheSame() {
    CriteriaConverter.Converted converted = CriteriaConverter.convert(form(), BRIEF);
    assertEquals(converted.faults(), Map.of());
    assertEquals(converted.brief(), BRIEF);
  }

  @Test
  public void aCriterionRenamedKeepsItsWeightsAndANewOneGetsItsOwnId() {
    CriteriaForm form = form();
    form.criteria.get(1).name = "Ease of booking";
    form.criteria.getLast().name = "Cost";
    Brief brief = CriteriaConverter.convert(form, BRIEF).brief();
    assertEquals(brief.criteria().get(1).id(), "ease");
    assertEquals(brief.criteria().get(1).name(), "Ease of booking");
    assertEquals(brief.criteria().getLast().id(), "cost-2");
  }

  @Test
  public void anEmptiedNameLeavesACriterionOut() {
    CriteriaForm form = form();
    form.criteria.get(0).name = " ";
    assertEquals(
        CriteriaConverter.convert(form, BRIEF).brief().criteria(), BRIEF.criteria().subList(1, 5));
  }

  private static Consumer<CriteriaForm> change(Consumer<CriteriaForm> change) {
    return change;
  }

  @DataProvider
  public Object[][] mistakes() {
    return new Object[][] {
      {
        change(f -> f.criteria.get(0).worst = "much"),
        "criteria[0].worst",
        "\"much\" is not a number. Write it like 7.30, without separators."
      },
      {
        change(f -> f.criteria.get(0).worst = "300"),
        "criteria[0].name",
        "The worst cost a month lies above the best; found worst 300 and best 300. Exchange them"
            + " or move them apart."
      },
      {
        change(f -> f.criteria.get(4).prior = "9"),
        "criteria[4].name",
        "The prior rating lies between 1 and 5; found 9."
      },
    };
  }

  @Test(dataProvider = "mistakes")
  public void aMistakeIsAnsweredAtItsField(
      Consumer<CriteriaForm> mistake, String field, String message) {
    CriteriaForm form = form();
    mistake.accept(form);
    assertEquals(CriteriaConverter.convert(form, BRIEF).faults(), Map.of(field, message));
  }
}
