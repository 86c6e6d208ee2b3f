package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

/** A figure of how firm an answer is that can be asked "why". */
public sealed interface SensitivityFigure {
  /** How far the weight of a criterion may go. */
  record Room(String criterion) implements SensitivityFigure {}

  /** How little weight has to move until a contender is level with all others. */
  record Upset(String contender) implements SensitivityFigure {}

  /** How often a contender comes first. */
  record First(String contender, Chances chances) implements SensitivityFigure {
    public First {
      requireNonNull(chances);
    }
  }

  /** Who leads at a size. */
  record AtSize(Sizes.Axis axis, int place) implements SensitivityFigure {
    public AtSize {
      requireNonNull(axis);
    }
  }

  /** The discount that would put a contender first. */
  record Discount(String contender) implements SensitivityFigure {}

  /** The rise of a mark that would. */
  record Raised(String contender) implements SensitivityFigure {}

  /** The weights of one criterion at which it would be first. */
  record Weighed(String contender) implements SensitivityFigure {}

  /** The totals if something that must be there need not. */
  record Dropped(String contender, String capability) implements SensitivityFigure {}

  /** How far an assumption moves a total. */
  record Moved(TornadoBar swing) implements SensitivityFigure {
    public Moved {
      requireNonNull(swing);
    }
  }

  /** What an answer could change. */
  record Answer(FindOut found) implements SensitivityFigure {
    public Answer {
      requireNonNull(found);
    }
  }

  /** Who leads in a combination of growth, price rise, terms and needs. */
  record InScene(ScenarioGrid.Scene scene) implements SensitivityFigure {
    public InScene {
      requireNonNull(scene);
    }
  }

  /** What a hundredth of worth costs from one contender to a better one. */
  record StepUp(String from, String to) implements SensitivityFigure {}
}
