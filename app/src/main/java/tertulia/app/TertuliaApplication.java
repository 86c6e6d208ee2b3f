package tertulia.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import tertulia.app.handover.EvaluateCommand;
import tertulia.app.store.StoreCommands;
import tertulia.app.store.StoreInUse;
import tertulia.app.store.Unusable;

/** Starts the server, or does one thing on the command line. */
@SpringBootApplication
public class TertuliaApplication {
  /**
   * {@code evaluate FILE} prints results, {@code backup} and {@code restore} copy the store;
   * anything else starts the server.
   */
  public static void main(String[] args) {
    if (args.length > 0 && args[0].equals("evaluate")) {
      System.exit(EvaluateCommand.run(args, System.out, System.err));
    }
    if (StoreCommands.isOne(args)) {
      System.exit(StoreCommands.run(args, System.out, System.err));
    }
    SpringApplication application = new SpringApplication(TertuliaApplication.class);
    application.addInitializers(new StoreInUse());
    try {
      application.run(args);
    } catch (Unusable e) {
      // its sentence has been said
      System.exit(Unusable.EXIT_STATUS);
    }
  }
}
