package tertulia.core.firmness;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/** How weightings are drawn. */
public sealed interface Drawing {
  /** Fills one weighting; weights are 0 or more and add up to 1. */
  void next(double[] weights, SplittableRandom random);

  /** Every weighting is as likely as any other. */
  record Uniform() implements Drawing {
    @Override
    public void next(double[] weights, SplittableRandom random) {
      double sum = 0;
      for (int c = 0; c < weights.length; c++) {
        // spacings of a Poisson process are uniform on the simplex
        weights[c] = -Math.log(1 - random.nextDouble());
        sum += weights[c];
      }
      for (int c = 0; c < weights.length; c++) {
        weights[c] /= sum;
      }
    }
  }

  /**
   * As likely as any other of those that keep an order.
   *
   * @param order places of the criteria, what matters most first; each once
   */
  record InOrder(List<Integer> order) implements Drawing {
    public InOrder {
      order = List.copyOf(order);
    }

    @Override
    public void next(double[] weights, SplittableRandom random) {
      new Uniform().next(weights, random);
      double[] sorted = weights.clone();
      Arrays.sort(sorted);
      for (int i = 0; i < sorted.length; i++) {
        weights[order.get(i)] = sorted[sorted.length - 1 - i];
      }
    }
  }

  /**
   * As likely as any other of those in which each weight lies between two bounds: a walk that moves
   * weight between two criteria at a time, as far as their bounds allow (Gibbs sampling), begun in
   * the middle.
   */
  final class Between implements Drawing {
    private static final int STEPS_A_CRITERION = 3;
    private static final int BEFORE_THE_FIRST = 100;
    private final double[] low;
    private final double[] high;
    private final double[] at;
    private boolean begun;

    /**
     * Bounds by criterion, each from 0 to 1.
     *
     * @throws IllegalArgumentException if no weighting lies between them
     */
    public Between(double[] low, double[] high) {
      this.low = low.clone();
      this.high = high.clone();
      double least = Arrays.stream(low).sum();
      double most = Arrays.stream(high).sum();
      boolean crossed = false;
      for (int c = 0; c < low.length; c++) {
        crossed |= low[c] > high[c] || low[c] < 0;
      }
      if (crossed || least > 1 + 1e-12 || most < 1 - 1e-12) {
        throw new IllegalArgumentException(
            "No weights lie between these bounds: the least add up to "
                + Math.round(least * 100)
                + " % and the most to "
                + Math.round(most * 100)
                + " %. Widen them until 100 % lies between.");
      }
      this.at = new double[low.length];
      double part = most - least < 1e-12 ? 0 : (1 - least) / (most - least);
      for (int c = 0; c < at.length; c++) {
        at[c] = low[c] + part * (high[c] - low[c]);
      }
    }

    @Override
    public void next(double[] weights, SplittableRandom random) {
      int walks = STEPS_A_CRITERION * (begun ? 1 : BEFORE_THE_FIRST);
      begun = true;
      for (int i = 0; i < walks * at.length && at.length > 1; i++) {
        int one = random.nextInt(at.length);
        int other = random.nextInt(at.length - 1);
        other += other >= one ? 1 : 0;
        double both = at[one] + at[other];
        double least = Math.max(low[one], both - high[other]);
        double most = Math.min(high[one], both - low[other]);
        at[one] = most > least ? random.nextDouble(least, most) : at[one];
        at[other] = both - at[one];
      }
      System.arraycopy(at, 0, weights, 0, at.length);
    }
  }
}
