package tertulia.app.workbook;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.CellValue;
import org.apache.poi.ss.usermodel.FormulaEvaluator;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.catalogue.GeneratedSelections;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.TermCode;
import tertulia.app.workspace.Known;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.BoughtTogether;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.CostCaveats;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Group;
import tertulia.core.growth.Scenario;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.SideBySide;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

public class CostWorkbookTest {
  private static final int FIRST_CONTENDER = 4;

  @DataProvider
  public Object[][] whatIfs() {
    return new Object[][] {
      {WhatIf.START},
      {new WhatIf(new WhatIf.Moment.Month(0), Scenario.HIGH, Terms.COMMITTED, CostTiming.CASH)},
      {new WhatIf(new WhatIf.Moment.Month(7), Scenario.LOW, Terms.MONTHLY, CostTiming.SPREAD)},
    };
  }

  @Test(dataProvider = "whatIfs")
  public void theDemonstrationRecalculatesToTheSameFigures(WhatIf whatIf) throws IOException {
    Evaluation evaluation = Evaluation.of(Demo.selection(), whatIf);
    check(evaluation);
    assertTrue(
        evaluation.selection().active().stream()
            .anyMatch(c -> evaluation.costs().overall().takes(c.id()) instanceof StaffTime.Known),
        "the demonstration has people's time to compare");
  }

  /** What is bought together, and groups on plans of their own, are sheets that add up. */
  @Test
  public void whatIsBoughtTogetherRecalculatesToTheSameFigures() throws IOException {
    Selection demo = Demo.selection();
    Contender first = demo.contender("pierbook");
    Contender other = demo.contender("halvard-desk");
    List<String> groups = demo.groups().stream().map(Group::id).toList();
    List<Need> needs =
        demo.needs().stream()
            .map(need ->
                need.importance() instanceof Importance.Must
                    ? new Need(
                        need.capability(),
                        need.importance(),
                        need.outside(),
                        need.begins(),
                        Set.of(groups.getFirst()))
                    : need)
            .toList();
    Selection both =
        BoughtTogether.settled(
            demo.withNeeds(needs)
                .withContenders(
                    Stream.concat(
                            demo.contenders().stream()
                                .filter(c -> !c.id().equals("pierbook"))
                                .map(c -> c.withTool(c.tool().withSideBySide(sideBySide()))),
                            Stream.of(
                                first.withBoughtWith(
                                    List.of(
                                        new Contender.With(
                                            other.tool(), other.facts(), Set.of())))))
                        .toList()),
            Set.of());
    Evaluation evaluation = Evaluation.of(both, WhatIf.START);
    check(evaluation);
    assertTrue(
        evaluation.selection().active().stream()
            .anyMatch(c -> evaluation.costs().overall().isSplitTaken(c.id())),
        "somebody is on a plan of their own");
    assertTrue(
        evaluation.costs().overall().way("pierbook") instanceof PlanPaths.Found found
            && !found.best().alongside().isEmpty(),
        "two tools are bought together");
  }

  private static SideBySide sideBySide() {
    return new SideBySide(SideBySide.Said.YES, Set.of(), SideBySide.Said.NOT_SAID);
  }

  /** The demonstration as it would be if no page said how a price is billed. */
  private static Selection ofPagesThatLeaveBillingOpen() {
    ObjectNode file = (ObjectNode) JsonMapper.shared().readTree(Demo.text());
    for (JsonNode contender : file.get("contenders")) {
      for (JsonNode plan : contender.get("tool").get("plans")) {
        ArrayNode unsaid = ((ObjectNode) plan).putArray("unsaid");
        for (JsonNode term : plan.get("prices")) {
          String code =
              TermCode.of(term.get("monthsCommitted").asInt(), term.get("upFront").asBoolean())
                  .code();
          if (!term.get("charges").isEmpty()) {
            unsaid
                .addObject()
                .put("charge", term.get("charges").get(0).get("name").asString())
                .put("term", code)
                .putArray("what")
                .add("term");
          }
        }
      }
    }
    byte[] bytes = file.toString().getBytes(StandardCharsets.UTF_8);
    return ((PortableFile.Read.Accepted) PortableFile.read(bytes)).selection();
  }

  @Test
  public void whatAPageLeavesOpenStandsBesideTheFigure() throws IOException {
    Evaluation evaluation = Evaluation.of(ofPagesThatLeaveBillingOpen(), WhatIf.START);
    check(evaluation);
    assertEquals(new CostCaveats(evaluation.costs()).mixedTerms(), Optional.empty());
    List<String> marks = new ArrayList<>();
    for (Contender contender : evaluation.selection().active()) {
      evaluation
          .costs()
          .now()
          .best(contender.id())
          .map(SteadyCost::option)
          .filter(option -> !option.list().charges().isEmpty())
          .ifPresent(option -> marks.add(Known.mark(option)));
    }
    assertTrue(!marks.isEmpty() && marks.stream().allMatch(m -> m.endsWith(", not all said")));
    try (XSSFWorkbook book =
        new XSSFWorkbook(new ByteArrayInputStream(CostWorkbook.of(evaluation)))) {
      List<String> said = new ArrayList<>();
      book.getSheetAt(0)
          .forEach(row -> {
            if (row.getCell(9) != null && row.getCell(9).getCellType() == CellType.STRING) {
              said.add(row.getCell(9).getStringCellValue());
            }
          });
      assertTrue(
          said.contains("as entered. The page does not say how it is billed."), said.toString());
    }
  }

  private static BigDecimal decimals(double value) {
    return BigDecimal.valueOf(value).setScale(2, RoundingMode.HALF_UP);
  }

  /** Every total, and every month's sum, against the core; how many contenders had a figure. */
  private static int check(Evaluation evaluation) throws IOException {
    try (XSSFWorkbook book =
        new XSSFWorkbook(new ByteArrayInputStream(CostWorkbook.of(evaluation)))) {
      FormulaEvaluator formulas = book.getCreationHelper().createFormulaEvaluator();
      int checked = 0;
      Sheet overview = book.getSheet("Overview");
      List<Contender> contenders = evaluation.selection().active();
      for (int i = 0; i < contenders.size(); i++) {
        if (evaluation.costs().overall().way(contenders.get(i).id())
            instanceof PlanPaths.Found found) {
          Row row = overview.getRow(FIRST_CONTENDER + i);
          var ledger = found.best().ledger();
          String about = contenders.get(i).id() + ": " + found.best().label();
          assertEquals(
              value(formulas, row.getCell(1)), ledger.total(CostTiming.SPREAD).getAmount(), about);
          assertEquals(
              value(formulas, row.getCell(2)), ledger.total(CostTiming.CASH).getAmount(), about);
          assertEquals(
              value(formulas, row.getCell(3)),
              ledger.pastHorizon(CostTiming.SPREAD).getAmount(),
              about);
          if (evaluation.costs().overall().takes(contenders.get(i).id())
              instanceof StaffTime.Known known) {
            assertEquals(value(formulas, row.getCell(6)), known.time().total().getAmount(), about);
            assertEquals(
                value(formulas, row.getCell(7)),
                known.time().total().plus(ledger.total(CostTiming.SPREAD)).getAmount(),
                about);
          } else {
            assertEquals(row.getCell(7).getStringCellValue(), "not known", about);
          }
          months(book, formulas, i, evaluation, about);
          checked++;
        }
      }
      return checked;
    }
  }

  private static void months(
      XSSFWorkbook book,
      FormulaEvaluator formulas,
      int place,
      Evaluation evaluation,
      String about) {
    int before = 0;
    for (int i = 0; i < place; i++) {
      String id = evaluation.selection().active().get(i).id();
      before +=
          evaluation.costs().overall().way(id) instanceof PlanPaths.Found found
              ? 1 + found.best().alongside().size()
              : 0;
    }
    PlanPaths.Found found =
        (PlanPaths.Found)
            evaluation.costs().overall().way(evaluation.selection().active().get(place).id());
    for (CostTiming view : CostTiming.values()) {
      List<Row> together = new ArrayList<>();
      for (int s = 0; s <= found.best().alongside().size(); s++) {
        together.add(row(book.getSheetAt(4 + before + s), "Together, " + view.words()));
      }
      for (int m = 0; m < evaluation.selection().horizon().months(); m++) {
        int cell = 13 + m;
        assertEquals(
            together.stream()
                .map(row -> value(formulas, row.getCell(cell)))
                .reduce(BigDecimal::add)
                .orElseThrow(),
            found.best().ledger().months(view).get(m).getAmount(),
            about + ", " + view + " month " + m);
      }
    }
  }

  private static Row row(Sheet sheet, String label) {
    for (Row row : sheet) {
      Cell first = row.getCell(0);
      if (first != null
          && first.getCellType() == CellType.STRING
          && first.getStringCellValue().equals(label)) {
        return row;
      }
    }
    throw new AssertionError("no row " + label);
  }

  private static BigDecimal value(FormulaEvaluator formulas, Cell cell) {
    CellValue value = formulas.evaluate(cell);
    assertEquals(value.getCellType(), CellType.NUMERIC, cell + ": " + value.formatAsString());
    return decimals(value.getNumberValue());
  }

  @Test
  public void generatedToolsRecalculateToTheSameFigures() throws IOException {
    int checked = 0;
    for (int seed = 1; seed <= 40; seed++) {
      Selection selection = GeneratedSelections.one(seed);
      CostTiming view = seed % 2 == 0 ? CostTiming.SPREAD : CostTiming.CASH;
      checked +=
          check(
              Evaluation.of(
                  selection,
                  new WhatIf(new WhatIf.Moment.Month(0), Scenario.EXPECTED, Terms.ANY, view)));
    }
    assertTrue(checked > 20, "only " + checked + " had a figure");
  }

  @Test
  public void aChangedInputChangesEveryFigureThatRestsOnIt() throws IOException {
    Evaluation evaluation = Evaluation.of(Demo.selection(), WhatIf.START);
    try (XSSFWorkbook book =
        new XSSFWorkbook(new ByteArrayInputStream(CostWorkbook.of(evaluation)))) {
      Sheet inputs = book.getSheet("Inputs");
      for (Row row : inputs) {
        Cell label = row.getCell(0);
        if (label != null && label.getStringCellValue().endsWith("price each, EUR")) {
          row.getCell(1).setCellValue(2 * row.getCell(1).getNumericCellValue());
        }
      }
      FormulaEvaluator formulas = book.getCreationHelper().createFormulaEvaluator();
      Cell slotmeer = book.getSheet("Overview").getRow(FIRST_CONTENDER).getCell(1);
      var found = (PlanPaths.Found) evaluation.costs().overall().way("slotmeer");
      BigDecimal twice = found.best().ledger().total(CostTiming.SPREAD).multipliedBy(2).getAmount();
      // shares of a term that goes on past the horizon may differ by their leftover units
      BigDecimal off = value(formulas, slotmeer).subtract(twice).abs();
      assertTrue(off.compareTo(new BigDecimal("0.05")) <= 0, off + " off " + twice);
    }
  }

  @Test
  public void aSpreadsheetProgramAgrees() throws Exception {
    Path office = Path.of("/usr/bin/soffice");
    if (!Files.isExecutable(office)) {
      throw new SkipException("There is no spreadsheet program on this machine.");
    }
    Evaluation evaluation = Evaluation.of(Demo.selection(), WhatIf.START);
    Path folder = Files.createTempDirectory("workbook");
    Files.write(folder.resolve("cost.xlsx"), CostWorkbook.of(evaluation));
    Path profile = Files.createDirectories(folder.resolve("profile/user"));
    Files.writeString(
        profile.resolve("registrymodifications.xcu"),
        """
        <?xml version="1.0" encoding="UTF-8"?>
        <oor:items xmlns:oor="http://openoffice.org/2001/registry">
        <item oor:path="/org.openoffice.Office.Calc/Formula/Load"><prop oor:name="OOXMLRecalcMode" oor:op="fuse"><value>0</value></prop></item>
        </oor:items>
        """);
    Process process =
        new ProcessBuilder(
                office.toString(),
                "-env:UserInstallation=file://" + folder.resolve("profile"),
                "--headless",
                "--convert-to",
                "csv:Text - txt - csv (StarCalc):44,34,76,1,,0,false,true,false,false,false,-1",
                "--outdir",
                folder.toString(),
                folder.resolve("cost.xlsx").toString())
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("log.txt").toFile())
            .start();
    assertTrue(process.waitFor(4, TimeUnit.MINUTES), "the spreadsheet program did not end");
    List<String> lines =
        Files.readAllLines(folder.resolve("cost-Overview.csv"), StandardCharsets.UTF_8);
    List<Contender> contenders = evaluation.selection().active();
    for (int i = 0; i < contenders.size(); i++) {
      if (evaluation.costs().overall().way(contenders.get(i).id())
          instanceof PlanPaths.Found found) {
        String[] cells = lines.get(FIRST_CONTENDER + i).split(",");
        assertEquals(
            new BigDecimal(cells[1]).setScale(2, RoundingMode.HALF_UP),
            found.best().ledger().total(CostTiming.SPREAD).getAmount(),
            lines.get(FIRST_CONTENDER + i));
      }
    }
  }
}
