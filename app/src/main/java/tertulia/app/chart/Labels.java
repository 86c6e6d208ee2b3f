package tertulia.app.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Finds free places for labels in a picture. */
final class Labels {
  private static final double CHARACTER = 6.6;
  private static final double HEIGHT = 14;
  private final List<Box> taken = new ArrayList<>();
  private final Box frame;

  Labels(double left, double top, double right, double bottom) {
    this.frame = new Box(left, top, right, bottom);
  }

  /** Where a label goes: its anchor point and which side of it the text runs to. */
  record Place(double x, double y, String anchor) {}

  private record Box(double left, double top, double right, double bottom) {
    boolean overlaps(Box other) {
      return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
    }

    boolean holds(Box other) {
      return other.left >= left
          && other.right <= right
          && other.top >= top
          && other.bottom <= bottom;
    }
  }

  /** Keeps a spot free of labels. */
  void keepFree(double x, double y, double around) {
    taken.add(new Box(x - around, y - around, x + around, y + around));
  }

  /** Keeps a straight line, across or upright, free of labels. */
  void keepFree(double left, double top, double right, double bottom) {
    taken.add(new Box(Math.min(left, right) - 2, top - 2, Math.max(left, right) + 2, bottom + 2));
  }

  /** The first free place for a text near a point, nearest first; empty if there is none. */
  Optional<Place> place(String text, double x, double y) {
    double width = text.length() * CHARACTER;
    for (double away : new double[] {18, 30, 42, 54, 66, 80, 96, 114, 134, 156}) {
      for (double side : new double[] {-1, 1}) {
        for (String anchor : List.of("middle", "start", "end")) {
          double baseline = y + side * away + (side > 0 ? 6 : 0);
          Box box = box(x, baseline, width, anchor);
          if (frame.holds(box) && taken.stream().noneMatch(box::overlaps)) {
            taken.add(box);
            return Optional.of(new Place(x + nudge(anchor), baseline, anchor));
          }
        }
      }
    }
    return Optional.empty();
  }

  private static double nudge(String anchor) {
    return anchor.equals("start") ? 5 : anchor.equals("end") ? -5 : 0;
  }

  private static Box box(double x, double baseline, double width, String anchor) {
    double left =
        switch (anchor) {
          case "start" -> x + 3;
          case "end" -> x - width - 3;
          default -> x - width / 2;
        };
    return new Box(left, baseline - HEIGHT, left + width, baseline + 4);
  }
}
