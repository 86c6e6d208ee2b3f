package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.display.AdviceResults;
import tertulia.app.handover.EvaluateCommand;

public class PortableFileTest {
  private static PortableFile.Read read(String text) {
    return PortableFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  public void aFileReadBackGivesTheSameResults() {
    PortableFile.Read.Accepted first = Demo.accepted();
    String written = PortableFile.write(first.file());
    PortableFile.Read.Accepted second = (PortableFile.Read.Accepted) read(written);
    assertEquals(second.file(), first.file());
    assertEquals(Results.of(second.selection()), Results.of(first.selection()));
    assertEquals(PortableFile.write(second.file()), written);
  }

  @Test
  public void resultsFollowTheFile() {
    String dearer = Demo.text().replace("\"price\": \"7.20\"", "\"price\": \"7.90\"");
    PortableFile.Read.Accepted changed = (PortableFile.Read.Accepted) read(dearer);
    assertNotEquals(Results.of(changed.selection()), Results.of(Demo.selection()));
  }

  @DataProvider
  public Object[][] refused() {
    String text = Demo.text();
    return new Object[][] {
      {"", "\"format\" should be \"tertulia-selection\""},
      {"{", "This is not a JSON file: line 1, column 2"},
      {"[".repeat(100_000), "nested at most 40 deep"},
      {"{\"a\":".repeat(100_000), "nested at most 40 deep"},
      {"[" + "{},".repeat(600_000) + "0]", "holds at most 1,000,000"},
      {"[" + "1".repeat(5_000) + "]", "holds at most 1,000,000"},
      {"[]", "\"format\" should be"},
      {"\u0000\u0001", "This is not a JSON file"},
      {text + "x", "This is not a JSON file"},
      {text.replace("\"months\": 36", "\"months\": 0"), "/brief/months"},
      {text.replace("\"months\": 36", "\"months\": \"many\""), "/brief/months"},
      {text.replace("\"price\": \"7.20\"", "\"price\": \"-7.20\""), "price"},
      {text.replace("\"price\": \"7.20\"", "\"price\": 7.2"), "price"},
      {
        text.replaceFirst("\"currency\": \"EUR\"", "\"currency\": \"XXQ\""),
        "\"XXQ\" is not a currency. Write its three-letter code, like EUR."
      },
      {
        text.replace("\"start\": \"2027-01\"", "\"start\": \"2027-13\""),
        "\"2027-13\" is not a month. Write it like 2027-01."
      },
      {
        text.replace("\"upTo\": 90", "\"upTo\": 30"),
        "Band 2 ends at 30 units but band 1 ends at 40. Reorder the bands."
      },
      {
        text.replaceFirst("\"contender\": \"slotmeer\"", "\"contender\": \"nobody\""),
        "There is no contender \"nobody\" in this selection"
      },
      {
        text.replace("\"worst\": \"1100\"", "\"worst\": \"200\""),
        "The worst cost a month lies above the best"
      },
      {text.replaceFirst("\"title\"", "\"surprise\": 1, \"title\""), "surprise"},
      {
        text.replaceFirst(
            "\"panel\"",
            "\"decision\": {\"choice\":\"nobody\",\"reasons\":\"r\","
                + "\"givenUp\":\"g\",\"conditions\":\"\",\"lookAgain\":\"2027-99-01\"}, \"panel\""),
        "/decision/choice"
      },
      {
        text.replace("\"at\": \"2026-10-20T13:40:00Z\"", "\"at\": \"+99999-10-20T13:40:00Z\""),
        "\"+99999-10-20T13:40:00Z\" is not a point in time from 2000 to 2100."
      },
      {text.replaceFirst("\"what\": \"back\"", "\"what\": \"forgotten\""), "/log/6/what"},
      {
        text.replaceFirst(
            "\"partlyIsEnough\": false",
            "\"partlyIsEnough\": false, \"outside\": {\"by\": \"hand\", \"monthly\": \"9e9\"}"),
        "\"9e9\" is not a number"
      },
      {
        text.replaceFirst(
            "\"partlyIsEnough\": false",
            "\"partlyIsEnough\": false, \"outside\": {\"by\": \"hand\", \"monthly\": \"1000000.01\"}"),
        "costs between 0 and 1,000,000 a month; found EUR 1000000.01"
      },
      {
        text.replaceFirst(
            "\"partlyIsEnough\": false", "\"partlyIsEnough\": false, \"condition\": \"weather\""),
        "/brief/needs/0/condition"
      },
    };
  }

  @Test(dataProvider = "refused")
  public void whatIsWrongIsSaidWithItsPlace(String text, String part) {
    PortableFile.Read read = read(text);
    assertTrue(read instanceof PortableFile.Read.Refused, "accepted");
    String faults = ((PortableFile.Read.Refused) read).faults().toString();
    assertTrue(faults.contains(part), faults);
  }

  @Test
  public void severalFaultsAreCollected() {
    String text =
        Demo.text()
            .replaceFirst("\"currency\": \"EUR\"", "\"currency\": \"XXQ\"")
            .replace("\"upTo\": 90", "\"upTo\": 30");
    PortableFile.Read.Refused refused = (PortableFile.Read.Refused) read(text);
    assertTrue(refused.faults().size() >= 2, refused.faults().toString());
  }

  @Test
  public void tooLargeAFileIsRefusedUnread() {
    PortableFile.Read.Refused refused =
        (PortableFile.Read.Refused) PortableFile.read(new byte[PortableFile.MOST_BYTES + 1]);
    assertTrue(refused.faults().getFirst().message().contains("at most 10 MB"));
  }

  private record Run(int status, String out, String err) {}

  private static Run evaluate(String... args) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    int status = EvaluateCommand.run(args, new PrintStream(out), new PrintStream(err));
    return new Run(
        status, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
  }

  @Test
  public void theCommandPrintsResultsOrSentences() throws IOException {
    Path good = Files.createTempFile("selection", ".json");
    Files.writeString(good, Demo.text());
    Run run = evaluate("evaluate", good.toString());
    assertEquals(run.status(), 0);
    Results printed = Json.stored(run.out(), Results.class);
    assertEquals(printed, AdviceResults.with(Demo.selection(), Demo.file()));
    assertEquals(printed.knowing(null).interested(null).beside(null), Results.of(Demo.selection()));
    Path bad = Files.createTempFile("selection", ".json");
    Files.writeString(bad, "{\"format\": 3}");
    Run refused = evaluate("evaluate", bad.toString());
    assertEquals(refused.status(), 1);
    assertEquals(refused.out(), "");
    assertTrue(refused.err().contains("is not a selection that can be evaluated"));
    assertEquals(evaluate("evaluate", "/nowhere/at-all.json").status(), 1);
    assertEquals(evaluate("evaluate").status(), 2);
  }

  @Test
  public void ofAMillionFaultsFiftyAreLookedFor() {
    String wrong =
        "{\"format\": \"tertulia-selection\", \"version\": 1, \"contenders\": ["
            + "{},".repeat(300_000)
            + "{}]}";
    PortableFile.Read.Refused refused = (PortableFile.Read.Refused) read(wrong);
    assertEquals(refused.faults().size(), 50);
  }
}
