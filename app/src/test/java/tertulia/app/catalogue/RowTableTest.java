package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.ToolSheet;

/** What is described of a row is all there is to it. */
public class RowTableTest {
  @DataProvider
  public Object[][] tables() {
    return new Object[][] {
      {PageRows.SOURCE, ToolSheet.SourcePart.class, Set.of()},
      {
        PageRows.PLANS,
        ToolSheet.PlanPart.class,
        Set.of("source", "prices", "highPrices", "allowances", "facts", "unsaid")
      },
      {PageRows.OFFERS, ToolSheet.OfferPart.class, Set.of("source")},
      {PageRows.OWNED, ToolSheet.OwnedPart.class, Set.of("source")},
      {PageRows.CONDITIONS, ToolSheet.ConditionPart.class, Set.of("source")},
      {PageRows.WORDS, ToolSheet.WordPart.class, Set.of("source")},
      {PageRows.RATINGS, ToolSheet.RatingPart.class, Set.of("source")},
    };
  }

  @Test(dataProvider = "tables")
  public void everythingInTheDocumentIsAFieldOfTheRow(
      RowTable<?, ?> table, Class<?> part, Set<String> apart) {
    Set<String> described =
        table.columns().stream().map(RowTable.Column::part).collect(Collectors.toSet());
    Set<String> held =
        Arrays.stream(part.getRecordComponents())
            .map(RecordComponent::getName)
            .filter(name -> !apart.contains(name))
            .collect(Collectors.toCollection(TreeSet::new));
    assertEquals(new TreeSet<>(described), held);
  }

  @Test(dataProvider = "tables")
  public void noTwoFieldsShareAColumnAndWhatTheyDependOnIsThere(
      RowTable<?, ?> table, Class<?> part, Set<String> apart) {
    List<CsvColumn> columns = table.columns().stream().map(c -> c.entry().column()).toList();
    assertEquals(Set.copyOf(columns).size(), columns.size(), columns.toString());
    List<String> names = table.columns().stream().map(RowTable.Column::name).toList();
    table
        .columns()
        .forEach(c ->
            assertTrue(
                c.entry().dependsOn().isEmpty() || names.contains(c.entry().dependsOn()),
                c.name()));
  }

  @Test
  public void aRowIsOpenedWhereSomethingIsWrongOrSaidAside() {
    ToolForm.OfferLine offer = new ToolForm.OfferLine();
    assertTrue(!PageRows.OFFERS.usesAside(offer));
    offer.leastSeats = "20";
    assertTrue(PageRows.OFFERS.usesAside(offer));
    assertTrue(PageRows.SOURCE.isRefused("offers[0].source", Map.of("offers[0].source.link", "x")));
    assertTrue(!PageRows.SOURCE.isRefused("offers[0].source", Map.of("offers[0].name", "x")));
  }
}
