package tertulia.app.workbook;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.poi.ss.util.WorkbookUtil;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import tertulia.app.display.UnsaidWords;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.growth.Group;
import tertulia.core.inuse.Together;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.LeftOut;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Split;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.Unsaid;

/**
 * The cost of every contender's cheapest path as a workbook: one sheet of inputs, one of people and
 * demand, one for each contender, and an overview. Nothing in it is a copied result but the figures
 * it is to be compared with.
 */
public final class CostWorkbook {
  private CostWorkbook() {}

  /** The workbook as bytes of an XLSX file. */
  public static byte[] of(Evaluation evaluation) {
    try (XSSFWorkbook book = new XSSFWorkbook();
        ByteArrayOutputStream out = new ByteArrayOutputStream()) {
      // all of them are read when they are calculated below: once is enough
      book.setCellFormulaValidation(false);
      fill(evaluation, book);
      // a viewer that does not calculate shows what is found here; one that does calculates anew
      book.getCreationHelper().createFormulaEvaluator().evaluateAll();
      book.setForceFormulaRecalculation(true);
      book.write(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void fill(Evaluation evaluation, XSSFWorkbook book) {
    Selection selection = evaluation.selection();
    Sheet.Styles styles = new Sheet.Styles(book);
    Sheet overview = new Sheet(book.createSheet("Overview"), styles);
    Inputs inputs = new Inputs(new Sheet(book.createSheet("Inputs"), styles));
    inputs.title("Inputs", "Change the coloured cells; everything else follows.");
    inputs.note("Selection", selection.title());
    inputs.note("First month", selection.horizon().start().toString());
    inputs.note("Currency", selection.currency().getCode());
    inputs.note("Rates of", selection.asOf().toString());
    String rise =
        inputs.of("Yearly rise of list prices", selection.rise().perYear(), "as a fraction");
    Demands demands =
        new Demands(evaluation, inputs, new Sheet(book.createSheet("People"), styles));
    inputs.heading("Prices");
    overview.width(0, 34);
    overview.width(5, 70);
    overview.heading(0, 0, selection.title());
    overview.text(
        1,
        0,
        "Which plan and term holds when is as it was found; every amount follows the inputs. After"
            + " larger changes take a new workbook.");
    String[] heads = {
      "Contender",
      "spread evenly",
      "when invoiced",
      "committed past it",
      "currency",
      "way through the plans",
      "staff time",
      "full cost, spread evenly",
      "at least, spread evenly",
      "how sure",
      "what is in use beside it",
      "in all, spread evenly"
    };
    for (int i = 0; i < heads.length; i++) {
      overview.heading(3, i, heads[i]);
    }
    TimeSheet time =
        new TimeSheet(
            evaluation, inputs, demands, new Sheet(book.createSheet("Staff time"), styles));
    int row = 4;
    for (Contender contender : selection.active()) {
      String tool = contender.tool().name();
      overview.text(row, 0, tool);
      if (evaluation.costs().overall().way(contender.id()) instanceof PlanPaths.Found kept
          && (contender.asToday() || isMixed(kept.best()))) {
        overview.number(
            row, 1, kept.best().ledger().total(CostTiming.SPREAD).getAmount().doubleValue());
        overview.number(
            row, 2, kept.best().ledger().total(CostTiming.CASH).getAmount().doubleValue());
        overview.text(row, 4, selection.currency().getCode());
        overview.text(
            row,
            5,
            contender.asToday()
                ? "kept as it is used today: as found, not worked out here"
                : kept.best().label() + ", side by side: as found, not worked out here");
      } else if (evaluation.costs().overall().way(contender.id())
          instanceof PlanPaths.Found found) {
        PathSheet.Totals totals =
            pieces(evaluation, contender, found.best(), demands).stream()
                .map(piece -> {
                  String name = unused(book, WorkbookUtil.createSafeSheetName(piece.sheet()));
                  return new PathSheet(
                          evaluation,
                          piece.tool(),
                          piece.path(),
                          new Sheet(book.createSheet(name), styles),
                          new Prices(inputs, piece.tool(), rise),
                          piece.demands(),
                          inputs)
                      .write();
                })
                .reduce(PathSheet.Totals::plus)
                .orElseThrow();
        overview.formula(row, 1, totals.spread());
        overview.formula(row, 2, totals.cash());
        overview.formula(row, 3, totals.past());
        overview.text(row, 4, selection.currency().getCode());
        overview.text(row, 5, (found.isAtMost() ? "at most: " : "") + found.best().label());
        bounds(overview, row, found);
        if (evaluation.costs().overall().takes(contender.id()) instanceof StaffTime.Known known) {
          overview.formula(row, 6, time.write(contender, known, found.best()));
          overview.formula(row, 7, Sheet.at(row, 1) + "+" + Sheet.at(row, 6));
        } else {
          overview.text(row, 6, "not known");
          overview.text(row, 7, "not known");
        }
      } else {
        overview.text(row, 5, "no figure: see its working in Tertulia");
        if (evaluation.costs().overall().way(contender.id()) instanceof PlanPaths.Gap gap
            && gap.low().isPresent()) {
          overview.number(
              row, 8, gap.low().get().ledger().total(CostTiming.SPREAD).getAmount().doubleValue());
          overview.text(row, 9, "at least this: only the least it costs is known");
        }
      }
      beside(overview, row, evaluation.costs().overall(), contender);
      row++;
    }
  }

  /**
   * What a sheet is written of: a way by itself.
   *
   * @param tool whose prices they are
   */
  private record Piece(String sheet, String tool, PlanPath path, Demands demands) {}

  /** Whether one plan is under two terms at once: how many are on which is not a formula. */
  private static boolean isMixed(PlanPath path) {
    return path.alongside().stream().anyMatch(other -> other.isOf(PlanPath.Alongside.Kind.TERM));
  }

  /** The way of a contender, and those of what is bought together with it, one by one. */
  private static List<Piece> pieces(
      Evaluation evaluation, Contender contender, PlanPath path, Demands demands) {
    String tool = contender.tool().name();
    List<Piece> pieces = new ArrayList<>();
    List<Split.Share> shares =
        path.isSplit()
            ? evaluation
                .costs()
                .overall()
                .split(contender.id())
                .map(Split::shares)
                .orElse(List.of())
            : List.of();
    pieces.add(
        new Piece(
            tool, tool, path.alone(), shares.isEmpty() ? demands : of(demands, shares.getFirst())));
    int share = 1;
    int bought = 0;
    for (PlanPath.Alongside other : path.alongside()) {
      if (other.isOf(PlanPath.Alongside.Kind.TOOL)) {
        String name = contender.boughtWith().get(bought++).tool().name();
        pieces.add(new Piece(name, name, other.path(), demands));
      } else {
        pieces.add(new Piece(tool, tool, other.path(), of(demands, shares.get(share++))));
      }
    }
    return pieces;
  }

  private static Demands of(Demands demands, Split.Share share) {
    return demands.of(
        share.groups().stream().map(Group::name).collect(Collectors.joining(", ")),
        share.demands());
  }

  /** What is in use beside a contender, as it was found, and both together. */
  private static void beside(Sheet overview, int row, CostsOverall costs, Contender contender) {
    Together beside = costs.together(contender.id());
    if (beside.isNothing() && !contender.asToday()) {
      return;
    }
    if (beside.total(CostTiming.SPREAD).isEmpty()) {
      overview.text(row, 10, "not known");
      overview.text(row, 11, "not known");
      return;
    }
    overview.number(row, 10, beside.total(CostTiming.SPREAD).get().getAmount().doubleValue());
    if (costs.way(contender.id()) instanceof PlanPaths.Found) {
      overview.formula(row, 11, Sheet.at(row, 1) + "+" + Sheet.at(row, 10));
    } else {
      overview.text(row, 11, "not known");
    }
  }

  /** Both ends of a total that is not one figure; what is not known is no figure. */
  private static void bounds(Sheet overview, int row, PlanPaths.Found found) {
    if (found.isAtMost()) {
      overview.text(row, 8, "not known");
      overview.text(row, 9, "at most this: " + LeftOut.words(found.leftOut()));
    } else if (found.low().isPresent()) {
      overview.number(
          row, 8, found.low().get().ledger().total(CostTiming.SPREAD).getAmount().doubleValue());
      overview.text(
          row,
          9,
          rests(found, PlanPrices.Assumed.class)
              ? "an assumed price: from the low end to this"
              : "from the least it can be to this: " + LeftOut.words(found.leftOut()));
    } else {
      overview.formula(row, 8, Sheet.at(row, 1));
      overview.text(
          row,
          9,
          rests(found, PlanPrices.Assumed.class)
              ? "an assumed price"
              : (rests(found, PlanPrices.Quoted.class) ? "by a quote" : "as entered")
                  + open(found.best()));
    }
  }

  /** What the pages leave open of the prices on a way; empty if nothing. */
  private static String open(PlanPath way) {
    List<Unsaid.Kind> open =
        way.legs().stream()
            .flatMap(leg -> leg.option().plan().unsaid(leg.option().list().term()).stream())
            .map(Unsaid::kind)
            .distinct()
            .sorted()
            .toList();
    return open.isEmpty() ? "" : ". " + UnsaidWords.note(open);
  }

  /** Whether a way, at either end, takes a plan whose prices are known in such a way. */
  private static boolean rests(PlanPaths.Found found, Class<? extends PlanPrices> known) {
    return Stream.concat(Stream.of(found.best()), found.low().stream())
        .flatMap(way -> way.legs().stream())
        .anyMatch(leg -> known.isInstance(leg.option().plan().prices()));
  }

  private static String unused(XSSFWorkbook book, String name) {
    String free = name;
    for (int i = 2; book.getSheet(free) != null; i++) {
      String more = " " + i;
      free = name.substring(0, Math.min(name.length(), 31 - more.length())) + more;
    }
    return free;
  }
}
