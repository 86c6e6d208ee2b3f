package tertulia.app.handover;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import tertulia.app.display.AdviceResults;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.PortableFile;

/** {@code tertulia evaluate FILE}: reads a portable selection and prints its results as JSON. */
public final class EvaluateCommand {
  private static final int OK = 0;
  private static final int REFUSED = 1;
  private static final int MISUSED = 2;

  private EvaluateCommand() {}

  /**
   * Runs the command.
   *
   * @param args "evaluate" and a file
   * @return 0 with the results on {@code out}; 1 if the file is refused, 2 if the call is wrong,
   *     each with sentences on {@code err}
   */
  public static int run(String[] args, PrintStream out, PrintStream err) {
    if (args.length != 2) {
      err.println("Usage: tertulia evaluate FILE");
      return MISUSED;
    }
    try {
      Path file = Path.of(args[1]);
      if (Files.size(file) > PortableFile.MOST_BYTES) {
        err.println(args[1] + " is larger than 10 MB. A selection is much smaller.");
        return REFUSED;
      }
      return evaluate(args[1], Files.readAllBytes(file), out, err);
    } catch (IOException | InvalidPathException e) {
      err.println(args[1] + " cannot be read. Check that the file exists and may be read.");
      return REFUSED;
    }
  }

  private static int evaluate(String name, byte[] bytes, PrintStream out, PrintStream err) {
    return switch (PortableFile.read(bytes)) {
      case PortableFile.Read.Accepted accepted -> {
        out.print(Json.write(AdviceResults.with(accepted.selection(), accepted.file())));
        yield OK;
      }
      case PortableFile.Read.Refused refused -> {
        err.println(name + " is not a selection that can be evaluated.");
        refused.faults().forEach(fault -> err.println("  " + fault));
        yield REFUSED;
      }
    };
  }
}
